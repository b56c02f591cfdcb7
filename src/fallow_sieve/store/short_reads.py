"""Short reads that are asked at every move of a hand: on connections that are kept open for them."""

from __future__ import annotations

from collections import deque
from typing import Any, cast

from sqlalchemy import Engine

Row = tuple[Any, ...]


class ShortReads:
    """Single statements on the database of an engine, each seeing what was last kept. Any thread may ask.

    A connection out of the engine's pool is reset before and after every use, which costs more than the read itself;
    those that are idle here are as many as ever read at once, and are never in a transaction.
    """

    def __init__(self, engine: Engine) -> None:
        self._engine = engine
        self._idle: deque[Any] = deque()

    def rows(self, sql: str, values: Row = ()) -> list[Row]:
        """Return every row that the statement gives."""
        try:
            connection = self._idle.pop()
        except IndexError:
            connection = self._new()
        try:
            return cast(list[Row], connection.execute(sql, values).fetchall())
        finally:
            self._idle.append(connection)

    def _new(self) -> Any:
        pooled = self._engine.raw_connection()
        connection = pooled.dbapi_connection
        pooled.detach()  # it is ours now: the pool neither counts nor resets it
        return connection

    def close(self) -> None:
        """Let go of the connections."""
        while self._idle:
            self._idle.pop().close()

"""One writer at a time, in the order in which they came: nobody is passed over however many there are."""

from __future__ import annotations

from collections import deque
from collections.abc import Iterator
from contextlib import contextmanager
from threading import Event, Lock, get_ident

from fallow_sieve.store.errors import BusyError

PATIENCE_S = 30.0


class Writers:
    """The queue before a kitchen's one pen. SQLite alone lets whoever asks next go first, and keeps others waiting."""

    def __init__(self, patience_s: float = PATIENCE_S) -> None:
        self._patience_s = patience_s
        self._lock = Lock()
        self._waiting: deque[Event] = deque()
        self._writer: int | None = None
        self._busy = False

    @contextmanager
    def turn(self) -> Iterator[None]:
        """Wait for one's turn and hold it. Raises BusyError where it does not come within the patience."""
        if self._writer == get_ident():
            raise RuntimeError("one who writes already would wait for itself")
        self._wait()
        self._writer = get_ident()
        try:
            yield
        finally:
            self._writer = None
            with self._lock:
                if self._waiting:
                    self._waiting.popleft().set()
                else:
                    self._busy = False

    def _wait(self) -> None:
        with self._lock:
            if not self._busy:
                self._busy = True
                return
            mine = Event()
            self._waiting.append(mine)
        if mine.wait(self._patience_s):
            return
        with self._lock:
            if mine.is_set():  # the turn came in the very last moment
                return
            self._waiting.remove(mine)
        raise BusyError

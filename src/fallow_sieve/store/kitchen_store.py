"""One kitchen's database, opened: migrated, with its library loaded, and its shelf at hand."""

from __future__ import annotations

from contextlib import AbstractContextManager
from datetime import date
from pathlib import Path
from threading import Lock

from sqlalchemy import text
from sqlmodel import Session

from fallow_sieve.core.shelf import Shelf
from fallow_sieve.store.database import migrate, open_engine, reading, writing
from fallow_sieve.store.kitchens import refresh_library
from fallow_sieve.store.shelves import load_shelf


class KitchenStore:
    """Gives sessions on one database, and its shelf, read anew only when an ingredient or lot changed."""

    def __init__(self, path: Path) -> None:
        self.path = path
        self._engine = open_engine(path)
        migrate(self._engine)
        with self.writing() as session:
            refresh_library(session)
        self._lock = Lock()
        self._cached: tuple[tuple[int, date], Shelf] | None = None

    def reading(self) -> AbstractContextManager[Session]:
        """Give a session that reads one consistent state."""
        return reading(self._engine)

    def writing(self) -> AbstractContextManager[Session]:
        """Give a session whose changes are kept together or not at all."""
        return writing(self._engine)

    def shelf(self, session: Session, today: date) -> Shelf:
        """Return the kitchen's shelf as of `today`."""
        version = session.connection().execute(text("SELECT shelf_version FROM kitchen")).scalar_one()
        key = (int(version), today)
        cached = self._cached
        if cached is None or cached[0] != key:
            with self._lock:
                cached = (key, load_shelf(session, today))
                self._cached = cached
        return cached[1]

    def close(self) -> None:
        """Let go of the database."""
        self._engine.dispose()

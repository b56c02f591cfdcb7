"""One kitchen's database, opened: migrated, with its library loaded, and its shelf at hand."""

from __future__ import annotations

import sqlite3
from collections.abc import Callable, Hashable, Iterator
from contextlib import AbstractContextManager, ExitStack, closing, contextmanager, suppress
from dataclasses import dataclass
from datetime import date
from pathlib import Path
from tempfile import TemporaryDirectory
from threading import Lock
from typing import TypeVar, cast

from sqlalchemy import Engine, text
from sqlalchemy.exc import DBAPIError
from sqlmodel import Session

from fallow_sieve.core.blends import Limits
from fallow_sieve.core.formulas import Pour
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.safekeeping import copy_whole, how_to_read
from fallow_sieve.store.briefs import limits_in
from fallow_sieve.store.database import (
    OtherVersionError,
    migrate,
    newest_version,
    open_engine,
    reading,
    version_of,
    writing,
)
from fallow_sieve.store.errors import NotFoundError, ReplacedError, UnusableError
from fallow_sieve.store.ingredients import is_refreshed, load_shelf, refresh_library, reload_shelf
from fallow_sieve.store.short_reads import ShortReads
from fallow_sieve.store.trials import POURS, pours_from
from fallow_sieve.store.writers import Writers

MadeT = TypeVar("MadeT")
_MOST_ANSWERS = 64
_WORDS = "SELECT phrase, ingredient FROM kitchen_word ORDER BY phrase"
_STANDING = (
    "SELECT shelf_version, cup, tablespoon, temp_unit, currency, binder_school, thickener_school, store_temp_c, "
    "serving_g, trials_version, (SELECT limits FROM brief WHERE id = ?) FROM kitchen"
)


@dataclass(frozen=True, slots=True)
class Standing:
    """By what everything is judged now: the kitchen's settings, its pours, a brief's limits, the shelf's version."""

    shelf_version: int
    cup: str
    tablespoon: str
    temp_unit: str
    currency: str
    school: str
    thickener_school: str
    store_temp_c: float
    serving_g: float
    pours: tuple[Pour, ...]
    limits: Limits


class _NotUpToDateError(Exception):
    """The kitchen comes from an earlier version, or cannot be read where it lies."""


def _version_in(session: Session) -> int:
    return int(session.connection().execute(text("SELECT shelf_version FROM kitchen")).scalar_one())


def _identity(path: Path) -> tuple[int, int] | None:
    """Which file lies at `path`, by what the disk knows it; None where none does."""
    try:
        found = path.stat()
    except OSError:
        return None
    return found.st_dev, found.st_ino


class KitchenStore:
    """Gives sessions on one database, and its shelf, read anew only when an ingredient or lot changed.

    Raises UnusableError where the file is no database of ours or cannot be written.
    """

    _file: tuple[int, int] | None

    def __init__(self, path: Path) -> None:
        self._open(path, open_engine(path))
        try:
            self._bring_up_to_date()
        except DBAPIError as error:
            raise UnusableError(path, str(error.orig)) from error
        except OtherVersionError as error:
            raise UnusableError(path, f"it comes from another version of Fallow Sieve ({error})") from error
        self._file = _identity(path)

    def _open(self, path: Path, engine: Engine) -> None:
        self.path, self._engine = path, engine
        self._file = None
        self._writers = Writers()
        self.is_closed = False
        self._short_reads = ShortReads(self._engine)
        self._lock = Lock()
        self._cached: tuple[tuple[int, date], Shelf] | None = None
        self._made: tuple[Shelf, object] | None = None
        self._pours: tuple[int, tuple[Pour, ...]] | None = None
        self._answers: dict[Hashable, tuple[object, object]] = {}

    def reading(self) -> AbstractContextManager[Session]:
        """Give a session that reads one consistent state."""
        return reading(self._engine)

    @contextmanager
    def writing(self, shelf_on: date | None = None) -> Iterator[Session]:
        """Give a session whose changes are kept together or not at all, when it is one's turn to write.

        With `shelf_on`, the shelf as it will be on that day is laid out before it is kept: after thousands of changes
        nobody who judges has to wait for it. Raises BusyError where one's turn does not come, ReplacedError where
        another file lies in the kitchen's place.
        """
        ahead: tuple[tuple[int, date], Shelf] | None = None
        with self._writers.turn():
            if self._file is not None and _identity(self.path) != self._file:
                raise ReplacedError(self.path)
            with writing(self._engine) as session:
                yield session
                if shelf_on is not None:
                    session.flush()
                    ahead = (_version_in(session), shelf_on), self.shelf(session, shelf_on)
            if ahead is not None:
                with self._lock:
                    self._cached = ahead

    def _bring_up_to_date(self) -> None:
        """Migrate and refresh the library where that is needed: a start on what is up to date writes nothing."""
        migrate(self._engine)
        with self.reading() as session:
            if is_refreshed(session):
                return
        with self.writing() as session:
            refresh_library(session)

    @classmethod
    @contextmanager
    def to_read(cls, path: Path) -> Iterator[KitchenStore]:
        """Give the kitchen at `path` without writing to it, also where nothing can be written there.

        One that is not up to date is copied first, and the copy brought up to date. Raises UnusableError.
        """
        with ExitStack() as stack:
            try:
                yield stack.enter_context(closing(cls._as_it_lies(path)))
                return
            except _NotUpToDateError:
                pass
            copy = Path(stack.enter_context(TemporaryDirectory())) / "kitchen.db"
            try:
                copy_whole(path, copy)
            except sqlite3.Error as error:
                raise UnusableError(path, str(error)) from error
            yield stack.enter_context(closing(cls(copy)))

    @classmethod
    def _as_it_lies(cls, path: Path) -> KitchenStore:
        """Return the kitchen opened only to be read. Raises _NotUpToDateError, also where it cannot be opened so."""
        found = cls.__new__(cls)
        found._open(path, open_engine(path, how_to_read(path)))
        try:
            if version_of(found._engine) == newest_version():
                with found.reading() as session:
                    if is_refreshed(session):
                        return found
        except DBAPIError:
            pass
        found.close()
        raise _NotUpToDateError

    def standing(self, brief_id: int | None = None) -> Standing:
        """Return by what is judged now, in one query: it is asked at every move of a hand.

        Raises NotFoundError where there is no such brief.
        """
        (row,) = self._short_reads.rows(_STANDING, (brief_id,))
        version, cup, spoon, temp, money, school, thickens, store_c, serving_g, mark, limits = row
        if brief_id is not None and limits is None:
            raise NotFoundError("brief", brief_id)
        asked = limits_in(limits) if limits else Limits()
        pours = self._pours_at(mark)
        return Standing(version, cup, spoon, temp, money, school, thickens, store_c, serving_g, pours, asked)

    def words(self) -> tuple[tuple[str, str], ...]:
        """Return the kitchen's own words: a name as it was written, and the ingredient (slug) it stands for."""
        return tuple((phrase, slug) for phrase, slug in self._short_reads.rows(_WORDS))

    def _pours_at(self, mark: int) -> tuple[Pour, ...]:
        pours = self._pours
        if pours is None or pours[0] != mark:
            pours = self._pours = (mark, pours_from(self._short_reads.rows(POURS)))
        return pours[1]

    def shelf_now(self, standing: Standing, today: date) -> Shelf:
        """Return the shelf that `standing` speaks of, as of `today`."""
        cached = self._cached
        if cached is not None and cached[0] == (standing.shelf_version, today):
            return cached[1]
        with self.reading() as session:
            return self.shelf(session, today)

    def shelf(self, session: Session, today: date) -> Shelf:
        """Return the kitchen's shelf as of `today`; only what changed since the last time is read anew."""
        version = _version_in(session)
        cached = self._cached
        if cached is not None and cached[0] == (version, today):
            return cached[1]
        with self._lock:
            cached = self._cached
            if cached is not None and cached[0][1] == today and cached[0][0] <= version:
                made = reload_shelf(session, today, cached[1], cached[0][0])
            else:
                made = load_shelf(session, today)
            # What a writing session changed may yet be undone, and an older state must not replace a newer one.
            if self._is_kept(version) and (cached is None or cached[0][1] != today or cached[0][0] <= version):
                self._cached = ((version, today), made)
        return made

    def _is_kept(self, version: int) -> bool:
        ((kept,),) = self._short_reads.rows("SELECT shelf_version FROM kitchen")
        return bool(kept == version)

    def answered(self, of: Hashable, mark: str, about: int, make: Callable[[], MadeT]) -> MadeT:
        """Return what `make` gives, made anew only when a trial, the shelf, a setting or its own mark changed since.

        `mark` is an expression in SQL that tells the state of what it is `about` (an id, as ?1).
        """
        query = f"SELECT trials_version, shelf_version, version, {mark} FROM kitchen"
        (now,) = self._short_reads.rows(query, (about,))
        kept = self._answers.get(of)
        if kept is None or kept[0] != now:
            if len(self._answers) >= _MOST_ANSWERS:
                self._answers.clear()
            kept = self._answers[of] = (now, make())
        return cast(MadeT, kept[1])

    def once_for(self, shelf: Shelf, make: Callable[[], MadeT]) -> MadeT:
        """Return what `make` gives, made once for this state of the shelf. There is one such thing at a time."""
        made = self._made
        if made is None or made[0] is not shelf:
            made = (shelf, make())
            self._made = made
        return cast(MadeT, made[1])

    def close(self) -> None:
        """Bring all that is kept into the one file, and let go of it; may be called again."""
        self.is_closed = True
        self._short_reads.close()
        with suppress(
            sqlite3.Error
        ):  # another process has it open, or it cannot be written: then the log stays beside it
            self.checkpoint()
        self._engine.dispose()

    def checkpoint(self) -> None:
        """Bring what the log holds into the database's file, and leave the log empty."""
        with closing(self._engine.raw_connection()) as connection:
            connection.cursor().execute("PRAGMA wal_checkpoint(TRUNCATE)")

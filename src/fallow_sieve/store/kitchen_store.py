"""One kitchen's database, opened: migrated, with its library loaded, and its shelf at hand."""

from __future__ import annotations

import json
from collections.abc import Callable
from contextlib import AbstractContextManager
from dataclasses import dataclass
from datetime import date
from pathlib import Path
from threading import Lock
from typing import Any, TypeVar, cast

from alembic.util.exc import CommandError
from sqlalchemy import text
from sqlalchemy.exc import DBAPIError
from sqlmodel import Session

from fallow_sieve.core.formulas.water_learning import Bake
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.store.database import migrate, open_engine, reading, writing
from fallow_sieve.store.errors import NotFoundError, UnusableError
from fallow_sieve.store.glances import Glances
from fallow_sieve.store.kitchens import refresh_library
from fallow_sieve.store.shelves import load_shelf, reload_shelf

MadeT = TypeVar("MadeT")
_BAKES = "SELECT predicted_pct, actual_pct, blend, family, baked_on FROM bake WHERE NOT withdrawn ORDER BY baked_on, id"
# What the bakes that count are, in a word: it differs whenever one comes, is set aside or taken back.
_MARK = "SELECT coalesce(max(id), 0) || ':' || coalesce(group_concat(CASE WHEN withdrawn THEN id END), '') FROM bake"
_SETTINGS = f"SELECT shelf_version, cup, binder_school, ({_MARK}) FROM kitchen"
_STANDING = "SELECT shelf_version, cup, store_temp_c, currency, (SELECT limits FROM brief WHERE id = ?) FROM kitchen"


@dataclass(frozen=True, slots=True)
class Standing:
    """By what blends are judged: the shelf's version, the kitchen's settings, a brief's stored limits (or None)."""

    shelf_version: int
    cup: str
    store_temp_c: float
    currency: str
    limits: dict[str, Any] | None


@dataclass(frozen=True, slots=True)
class FormulaStanding:
    """By what formulas are judged: the shelf's version, the cup, the binder school, and every bake that counts."""

    shelf_version: int
    cup: str
    school: str
    bakes: tuple[Bake, ...]


class KitchenStore:
    """Gives sessions on one database, and its shelf, read anew only when an ingredient or lot changed.

    Raises UnusableError where the file is no database of ours or cannot be written.
    """

    def __init__(self, path: Path) -> None:
        self.path = path
        self._engine = open_engine(path)
        try:
            migrate(self._engine)
            with self.writing() as session:
                refresh_library(session)
        except DBAPIError as error:
            raise UnusableError(path, str(error.orig)) from error
        except CommandError as error:
            raise UnusableError(path, f"it comes from another version of Fallow Sieve ({error})") from error
        self._glances = Glances(self._engine)
        self._lock = Lock()
        self._cached: tuple[tuple[int, date], Shelf] | None = None
        self._made: tuple[Shelf, object] | None = None
        self._bakes: tuple[str, tuple[Bake, ...]] | None = None

    def reading(self) -> AbstractContextManager[Session]:
        """Give a session that reads one consistent state."""
        return reading(self._engine)

    def writing(self) -> AbstractContextManager[Session]:
        """Give a session whose changes are kept together or not at all."""
        return writing(self._engine)

    def standing(self, brief_id: int | None = None) -> Standing:
        """Return by what blends are judged now, in one query: it is asked at every move of a hand.

        Raises NotFoundError where there is no such brief.
        """
        ((version, cup, temp_c, currency, limits),) = self._glances.rows(_STANDING, (brief_id,))
        if brief_id is not None and limits is None:
            raise NotFoundError("brief", brief_id)
        return Standing(version, cup, temp_c, currency, json.loads(limits) if limits is not None else None)

    def formula_standing(self) -> FormulaStanding:
        """Return by what formulas are judged now, in one query: it is asked at every move of a hand."""
        ((version, cup, school, mark),) = self._glances.rows(_SETTINGS)
        bakes = self._bakes
        if bakes is None or bakes[0] != mark:
            bakes = self._bakes = (mark, tuple(Bake(*row) for row in self._glances.rows(_BAKES)))
        return FormulaStanding(version, cup, school, bakes[1])

    def shelf_now(self, standing: Standing | FormulaStanding, today: date) -> Shelf:
        """Return the shelf that `standing` speaks of, as of `today`."""
        cached = self._cached
        if cached is not None and cached[0] == (standing.shelf_version, today):
            return cached[1]
        with self.reading() as session:
            return self.shelf(session, today)

    def shelf(self, session: Session, today: date) -> Shelf:
        """Return the kitchen's shelf as of `today`; only what changed since the last time is read anew."""
        version = int(session.connection().execute(text("SELECT shelf_version FROM kitchen")).scalar_one())
        cached = self._cached
        if cached is not None and cached[0] == (version, today):
            return cached[1]
        with self._lock:
            cached = self._cached
            if cached is not None and cached[0][1] == today and cached[0][0] <= version:
                made = reload_shelf(session, today, cached[1], cached[0][0])
            else:
                made = load_shelf(session, today)
            # What a writing session sees may yet be undone, and an older state must not replace a newer one.
            settled = not session.connection().get_execution_options().get("immediate")
            if settled and (cached is None or cached[0][1] != today or cached[0][0] <= version):
                self._cached = ((version, today), made)
        return made

    def once_for(self, shelf: Shelf, make: Callable[[], MadeT]) -> MadeT:
        """Return what `make` gives, made once for this state of the shelf. There is one such thing at a time."""
        made = self._made
        if made is None or made[0] is not shelf:
            made = (shelf, make())
            self._made = made
        return cast(MadeT, made[1])

    def close(self) -> None:
        """Let go of the database."""
        self._glances.close()
        self._engine.dispose()

"""Lots in the bins."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy import insert, text
from sqlmodel import Session, col, select

from fallow_sieve.core.ingredients import Lot, price_per_usable_kg
from fallow_sieve.core.stock.moves import Move, MoveKind
from fallow_sieve.core.values import BadInputError
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.ingredients.ingredients import get_ingredient
from fallow_sieve.store.kitchen import touch_shelf
from fallow_sieve.store.stock import add_moves, record
from fallow_sieve.store.tables import LotRow
from fallow_sieve.store.versions import save_versioned


@dataclass(frozen=True, slots=True)
class LotOnRecord:
    """A lot as stored: its id, its ingredient (slug), what it is, whether it is put away, its version."""

    id: int
    ingredient: str
    lot: Lot
    archived: bool
    version: int


_DATES = ("bought_on", "best_before", "gluten_on", "opened_on", "milled_on")
_FIELDS = tuple(Lot.__dataclass_fields__)


def _lot(row: LotRow) -> Lot:
    values: dict[str, Any] = {n: getattr(row, n) for n in _FIELDS}
    return Lot(**values | {n: date.fromisoformat(values[n]) for n in _DATES if values[n]})


def _values(lot: Lot) -> dict[str, Any]:
    """The columns of a lot. A pack's price is stored with the price per usable kg that follows from it."""
    values = {n: getattr(lot, n) for n in _FIELDS}
    values |= {n: values[n].isoformat() for n in _DATES if values[n] is not None}
    return {**values, "price_per_kg": price_per_usable_kg(lot), "code": lot.code.strip()}


def _record(row: LotRow) -> LotOnRecord:
    assert row.id is not None
    return LotOnRecord(row.id, row.ingredient, _lot(row), row.archived, row.version)


def get_lot(session: Session, lot_id: int) -> LotOnRecord:
    """Return a lot, also one that is put away. Raises NotFoundError."""
    return _record(_row(session, lot_id))


def _row(session: Session, lot_id: int) -> LotRow:
    row = session.get(LotRow, lot_id)
    if row is None:
        raise NotFoundError("lot", lot_id)
    return row


def lots_of(session: Session, slug: str) -> list[LotOnRecord]:
    """Return every lot of an ingredient, also those used up or put away, the first to expire first."""
    return lots_of_each(session, [slug])[slug]


def lots_of_each(session: Session, slugs: Iterable[str]) -> dict[str, list[LotOnRecord]]:
    """Return every lot of each ingredient, as `lots_of` does, in one look."""
    found: dict[str, list[LotOnRecord]] = {slug: [] for slug in slugs}
    rows = session.exec(select(LotRow).where(col(LotRow.ingredient).in_(found))).all()
    for row in sorted(rows, key=lambda r: (r.archived, r.stock_g <= 0, r.best_before or "9999", r.id or 0)):
        found[row.ingredient].append(_record(row))
    return found


def lots_by_id(session: Session, ids: Sequence[int]) -> list[LotOnRecord]:
    """Return lots by their ids, in the order of these in the store."""
    return [_record(r) for r in session.exec(select(LotRow).where(col(LotRow.id).in_(ids)))]


def add_lot(session: Session, slug: str, lot: Lot, at: str = "") -> LotOnRecord:
    """Add a checked lot of an ingredient at `at` (ISO, UTC). Raises BadInputError where its code is taken."""
    get_ingredient(session, slug)
    _check_code(session, slug, lot.code, None)
    row = LotRow(ingredient=slug, **_values(lot) | {"stock_g": 0.0})
    session.add(row)
    session.flush()
    for move in _first_moves(row.id, lot, at):
        record(session, move)
    row.version = 1
    touch_shelf(session, [slug])
    return _record(row)


def _first_moves(lot_id: int | None, lot: Lot, at: str) -> list[Move]:
    """What a lot begins with: what was bought, and what a count then found of it."""
    when = at or (f"{lot.bought_on.isoformat()}T00:00:00Z" if lot.bought_on else "")
    left_g = round(lot.stock_g - lot.bought_g, 6)
    bought = Move(MoveKind.BOUGHT, lot.bought_g, when, lot_id=lot_id)
    return [bought, *([Move(MoveKind.COUNTED, left_g, when, lot_id=lot_id, why="as entered")] if left_g else [])]


def save_lot(
    session: Session, lot_id: int, lot: Lot, archived: bool, version: int, at: str = "", why: str = ""
) -> LotOnRecord:
    """Save a checked lot if `version` is current, else raise StaleSaveError; another stock is a count, at `at`."""
    row = _row(session, lot_id)
    _check_code(session, row.ingredient, lot.code, lot_id)
    found_g = round(lot.stock_g - row.stock_g, 6)
    save_versioned(session, row, {**_values(lot), "stock_g": row.stock_g, "archived": archived}, version)
    if found_g:
        record(session, Move(MoveKind.COUNTED, found_g, at, lot_id=lot_id, why=why))
        row.version = version + 1
    touch_shelf(session, [row.ingredient])
    return _record(row)


def _check_code(session: Session, slug: str, code: str, own_id: int | None) -> None:
    query = select(LotRow.id).where(LotRow.ingredient == slug, LotRow.code == code.strip())
    if any(found != own_id for found in session.exec(query)):
        raise BadInputError(
            f"there is a lot {code.strip()!r} of this ingredient already",
            place="/code",
            right="add to that one, or give this one another code",
        )


def check_lot_of(session: Session, slug: str, lot_id: int | None) -> None:
    """Raise BadInputError where `lot_id` is no lot of `slug`; None is none."""
    if lot_id is None:
        return
    row = session.get(LotRow, lot_id)
    if row is None or row.ingredient != slug:
        raise BadInputError(f"{slug!r} has no lot {lot_id}", place="/lot_id", right="choose one of its lots, or none")


def all_lots(session: Session) -> list[LotOnRecord]:
    """Return every lot, by ingredient and code."""
    rows = session.exec(select(LotRow).order_by(col(LotRow.ingredient), col(LotRow.code)))
    return [_record(row) for row in rows]


def write_lots(
    session: Session, new: Sequence[tuple[str, Lot, bool]], changed: Sequence[tuple[int, Lot, bool]], at: str = ""
) -> None:
    """Write checked lots in one go: `new` by ingredient, `changed` by id, each with whether it is put away.

    The shelf is not touched by this: whoever brings in a table does so once.
    """
    if new:
        rows = [{"ingredient": s, **_values(x), "archived": away} for s, x, away in new]
        ids = session.execute(insert(LotRow).returning(col(LotRow.id), sort_by_parameter_order=True), rows).scalars()
        moves = [m for lot_id, (_, x, _) in zip(ids, new, strict=True) for m in _first_moves(lot_id, x, at)]
        add_moves(session, moves)
    if changed:
        ask = session.connection()
        before: dict[int, float] = {row.id: row.stock_g for row in ask.execute(text("SELECT id, stock_g FROM lot"))}
        found = [(n, round(x.stock_g - before[n], 6)) for n, x, _ in changed]
        columns = ", ".join(f"{n} = :{n}" for n in (*_FIELDS, "archived"))
        query = text(f"UPDATE lot SET {columns}, version = version + 1 WHERE id = :id")  # columns of ours
        ask.execute(query, [{"id": n, **_values(x), "archived": away} for n, x, away in changed])
        counted = [Move(MoveKind.COUNTED, g, at, lot_id=n, why="brought in") for n, g in found if g]
        add_moves(session, counted)

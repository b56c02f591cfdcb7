"""Lots in the bins."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.core.ingredients.lots import Lot, price_per_usable_kg
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.ingredients import get_ingredient
from fallow_sieve.store.kitchens import touch_shelf
from fallow_sieve.store.tables import LotRow
from fallow_sieve.store.versions import save_versioned

_DATES = ("bought_on", "best_before", "gluten_on")
_FIELDS = tuple(Lot.__dataclass_fields__)


def lot_of(row: LotRow) -> Lot:
    """Return a stored lot as the core's."""
    values: dict[str, Any] = {n: getattr(row, n) for n in _FIELDS}
    return Lot(**values | {n: date.fromisoformat(values[n]) for n in _DATES if values[n]})


def _values(lot: Lot) -> dict[str, Any]:
    """The columns of a lot. A pack's price is stored with the price per usable kg that follows from it."""
    values = {n: getattr(lot, n) for n in _FIELDS}
    values |= {n: values[n].isoformat() for n in _DATES if values[n] is not None}
    return {**values, "price_per_kg": price_per_usable_kg(lot), "code": lot.code.strip()}


def get_lot(session: Session, lot_id: int) -> LotRow:
    """Return a lot, also one that is put away. Raises NotFoundError."""
    row = session.get(LotRow, lot_id)
    if row is None:
        raise NotFoundError("lot", lot_id)
    return row


def lots_of(session: Session, slug: str) -> Sequence[LotRow]:
    """Return every lot of an ingredient, also those used up or put away, the first to expire first."""
    rows = session.exec(select(LotRow).where(LotRow.ingredient == slug)).all()
    return sorted(rows, key=lambda r: (r.archived, r.stock_g <= 0, r.best_before or "9999", r.id or 0))


def add_lot(session: Session, slug: str, lot: Lot) -> LotRow:
    """Add a checked lot of an ingredient. Raises BadInputError where its code is taken."""
    get_ingredient(session, slug)
    _check_code(session, slug, lot.code, None)
    row = LotRow(ingredient=slug, **_values(lot))
    session.add(row)
    session.flush()
    touch_shelf(session, [slug])
    return row


def save_lot(session: Session, lot_id: int, lot: Lot, archived: bool, version: int) -> LotRow:
    """Save a checked lot if `version` is current, else raise StaleSaveError."""
    row = get_lot(session, lot_id)
    _check_code(session, row.ingredient, lot.code, lot_id)
    save_versioned(session, row, {**_values(lot), "archived": archived}, version)
    touch_shelf(session, [row.ingredient])
    return row


def _check_code(session: Session, slug: str, code: str, own_id: int | None) -> None:
    query = select(LotRow.id).where(LotRow.ingredient == slug, LotRow.code == code.strip())
    if any(found != own_id for found in session.exec(query)):
        raise BadInputError(
            f"there is a lot {code.strip()!r} of this ingredient already",
            place="/code",
            right="add to that one, or give this one another code",
        )


def lot_of_ingredient(session: Session, slug: str, lot_id: int | None) -> LotRow | None:
    """Return the lot `lot_id` of `slug`, or None without one. Raises BadInputError where it is of another."""
    if lot_id is None:
        return None
    row = session.get(LotRow, lot_id)
    if row is None or row.ingredient != slug:
        raise BadInputError(f"{slug!r} has no lot {lot_id}", place="/lot_id", right="choose one of its lots, or none")
    return row


def all_lots(session: Session) -> Sequence[LotRow]:
    """Return every lot, by ingredient and code."""
    return session.exec(select(LotRow).order_by(col(LotRow.ingredient), col(LotRow.code))).all()

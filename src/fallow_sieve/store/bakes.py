"""The water that went into bakes: what the kitchen learns its own correction from."""

from __future__ import annotations

from collections.abc import Sequence

from sqlmodel import Session, col, select

from fallow_sieve.core.formulas.water_learning import Bake
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.tables import BakeRow


def add_bake(session: Session, row: BakeRow) -> BakeRow:
    """Add what went into a bake; return it with its id."""
    session.add(row)
    session.flush()
    return row


def bakes_of_formula(session: Session, formula_id: int) -> Sequence[BakeRow]:
    """Return the bakes of a formula, the first first, those set aside too."""
    query = select(BakeRow).where(BakeRow.formula_id == formula_id)
    return session.exec(query.order_by(col(BakeRow.baked_on), col(BakeRow.id))).all()


def withdraw_bake(session: Session, formula_id: int, bake_id: int, withdrawn: bool) -> BakeRow:
    """Set a bake aside, or take it back into account. Raises NotFoundError."""
    row = session.get(BakeRow, bake_id)
    if row is None or row.formula_id != formula_id:
        raise NotFoundError("bake", bake_id)
    row.withdrawn = withdrawn
    session.add(row)
    return row


def bake_of(row: BakeRow) -> Bake:
    """Return a row as the core's value, water in % of flour base."""
    return Bake(row.predicted_pct, row.actual_pct, row.blend, row.family, row.baked_on)


def bakes_of_kitchen(session: Session) -> tuple[Bake, ...]:
    """Return every bake of the kitchen that counts, the first first."""
    query = select(BakeRow).where(col(BakeRow.withdrawn).is_(False))
    rows = session.exec(query.order_by(col(BakeRow.baked_on), col(BakeRow.id))).all()
    return tuple(bake_of(r) for r in rows)

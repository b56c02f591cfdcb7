"""The water that was poured into bakes: what the kitchen learns its own correction from."""

from __future__ import annotations

from dataclasses import asdict, dataclass

from sqlmodel import Session, col, select

from fallow_sieve.core.formulas import Pour
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.tables import BakeRow


@dataclass(frozen=True, slots=True)
class PourOnRecord:
    """What was poured into one bake (g, and % of flour base) beside what was predicted without correction."""

    formula_id: int
    blend: str
    use: str
    family: str
    baked_on: str
    flour_g: float
    poured_g: float
    actual_pct: float
    predicted_pct: float
    created_at: str
    note: str = ""
    withdrawn: bool = False
    id: int = 0

    @property
    def pour(self) -> Pour:
        """The same as the core's value, water in % of flour base."""
        return Pour(self.predicted_pct, self.actual_pct, self.blend, self.family, self.baked_on)


_FIELDS = tuple(PourOnRecord.__dataclass_fields__)


def add_pour(session: Session, given: PourOnRecord) -> PourOnRecord:
    """Add what was poured into a bake; return it with its id."""
    row = BakeRow(**{n: v for n, v in asdict(given).items() if n != "id"})
    session.add(row)
    session.flush()
    return _value(row)


def pours_of_formula(session: Session, formula_id: int) -> list[PourOnRecord]:
    """Return the pours of a formula, the first first, those set aside too."""
    query = select(BakeRow).where(BakeRow.formula_id == formula_id)
    return [_value(row) for row in session.exec(query.order_by(col(BakeRow.baked_on), col(BakeRow.id)))]


def withdraw_pour(session: Session, formula_id: int, pour_id: int, withdrawn: bool) -> None:
    """Set a pour aside, or take it back into account. Raises NotFoundError."""
    row = session.get(BakeRow, pour_id)
    if row is None or row.formula_id != formula_id:
        raise NotFoundError("bake", pour_id)
    row.withdrawn = withdrawn
    session.add(row)


def _value(row: BakeRow) -> PourOnRecord:
    return PourOnRecord(**{n: getattr(row, n) for n in _FIELDS})

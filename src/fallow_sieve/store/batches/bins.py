"""Bins: things that are filled, emptied, cleaned and filled again; what each holds and held is told by its bags."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.core.values import BadInputError
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.tables import BagRow, BinRow
from fallow_sieve.store.versions import save_versioned


@dataclass(frozen=True, slots=True)
class Bin:
    """A bin: its name and place, what it holds at most and weighs empty (g), since when it is clean and empty."""

    name: str
    place: str = ""
    capacity_g: float | None = None
    tare_g: float | None = None
    cleaned_at: str = ""
    archived: bool = False
    version: int = 1
    id: int = 0


_FIELDS = tuple(n for n in Bin.__dataclass_fields__ if n != "version")


def add_bin(session: Session, given: Bin) -> Bin:
    """Add a bin. Raises BadInputError where one has its name."""
    _check_name(session, given.name, 0)
    row = BinRow(**{n: getattr(given, n) for n in _FIELDS if n != "id"})
    session.add(row)
    session.flush()
    return _value(row)


def get_bin(session: Session, bin_id: int) -> Bin:
    """Return a bin. Raises NotFoundError."""
    return _value(_row(session, bin_id))


def save_bin(session: Session, bin_id: int, version: int | None = None, **values: Any) -> Bin:
    """Set what is known of a bin; with `version` only if it is its current one, else raise StaleSaveError."""
    row = _row(session, bin_id)
    if "name" in values:
        _check_name(session, values["name"], bin_id)
    save_versioned(session, row, values, row.version if version is None else version)
    session.flush()
    return _value(row)


def bins_of(session: Session) -> list[Bin]:
    """Return the bins that are not put away, by place and name."""
    query = select(BinRow).where(col(BinRow.archived).is_(False)).order_by(col(BinRow.place), col(BinRow.name))
    return [_value(r) for r in session.exec(query)]


def bags_of_bins(session: Session) -> list[tuple[int, int, int, float]]:
    """Return each filling of a bin, the first one first: the bin, its bag, the bag's batch, what is left (g)."""
    query = select(BagRow).where(col(BagRow.bin_id).is_not(None)).order_by(col(BagRow.id))
    return [(r.bin_id or 0, r.id or 0, r.batch_id, r.left_g) for r in session.exec(query)]


def _check_name(session: Session, name: str, but: int) -> None:
    found = session.exec(select(BinRow).where(BinRow.name == name)).first()
    if found is not None and found.id != but:
        raise BadInputError(f"there is a bin {name}", place="/name", right="another name")


def _row(session: Session, bin_id: int) -> BinRow:
    row = session.get(BinRow, bin_id)
    if row is None:
        raise NotFoundError("bin", bin_id)
    return row


def _value(row: BinRow) -> Bin:
    return Bin(**{n: getattr(row, n) for n in Bin.__dataclass_fields__})

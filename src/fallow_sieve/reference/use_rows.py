"""The table of intended uses (uses.csv): name, family, moisture, and the use whose record helps a short one."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from fallow_sieve.reference.tables import read_table


@dataclass(frozen=True, slots=True)
class UseRow:
    """An intended use."""

    use: str
    name: str
    family: str
    moisture: str
    kin: str
    needs_binder: bool


@cache
def use_rows() -> tuple[UseRow, ...]:
    """Return the intended uses, in their order."""
    return read_table("uses", UseRow)

"""From which lots a part is drawn: first-expired first, and what cannot be drawn is shown with why."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from fallow_sieve.core.values import counted

_NOTHING_G = 1e-9


@dataclass(frozen=True, slots=True)
class LotLeft:
    """A lot and what is left of it (g) that nothing else reserves; `held` and `put_away` keep it from being drawn."""

    code: str
    stock_g: float
    best_before: date | None = None
    bought_on: date | None = None
    held: bool = False
    put_away: bool = False
    id: int = 0


@dataclass(frozen=True, slots=True)
class Draw:
    """g that are drawn from a lot."""

    code: str
    mass_g: float
    id: int = 0


@dataclass(frozen=True, slots=True)
class Drawn:
    """The draws of a part, what is short (g), and which lots are left out with why."""

    draws: tuple[Draw, ...]
    short_g: float
    left_out: tuple[str, ...]


def split_lots(need_g: float, lots: Sequence[LotLeft], made_on: date) -> Drawn:
    """Return from which `lots` `need_g` g come on the day `made_on`: the earliest date first, undated last.

    A lot's last day still counts.

    >>> split_lots(900, [LotLeft("A", 500, date(2026, 12, 1)), LotLeft("B", 700)], date(2026, 11, 28)).draws
    (Draw(code='A', mass_g=500, id=0), Draw(code='B', mass_g=400, id=0))
    """
    reasons = [(lot, why_not(lot, made_on)) for lot in lots if lot.stock_g > _NOTHING_G]
    usable = sorted((lot for lot, why in reasons if not why), key=_first_expired)
    draws, left_g = [], need_g
    for lot in usable:
        if left_g <= _NOTHING_G:
            break
        draws.append(Draw(lot.code, min(left_g, lot.stock_g), lot.id))
        left_g -= draws[-1].mass_g
    left_out = tuple(f"{lot.code}: {why}" for lot, why in reasons if why)
    return Drawn(tuple(draws), max(0.0, left_g) if left_g > _NOTHING_G else 0.0, left_out)


def why_not(lot: LotLeft, on: date) -> str:
    """Return why a lot is not drawn from on a day, or nothing."""
    if lot.held:
        return "held"
    if lot.put_away:
        return "put away"
    if lot.best_before is not None and lot.best_before < on:
        return f"past its date by {counted((on - lot.best_before).days, 'day')}"
    return ""


def _first_expired(lot: LotLeft) -> tuple[date, date]:
    return lot.best_before or date.max, lot.bought_on or date.min

"""The gluten of a batch by its draws: what is known, and what the unknown draws may not pass."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.values import GLUTEN_LIMIT_MG_PER_KG


@dataclass(frozen=True, slots=True)
class GlutenDraw:
    """g drawn from a lot, and its gluten in mg/kg: declared or tested, a test "below 5" as 5; None is unknown."""

    lot: str
    mass_g: float
    mg_per_kg: float | None
    contains: bool = False


@dataclass(frozen=True, slots=True)
class Brought:
    """What one draw brings to the mix, mg per kg of the mix."""

    lot: str
    mg_per_kg: float


@dataclass(frozen=True, slots=True)
class GlutenBudget:
    """Status (known, unknown, contains), mg/kg that is known, % of the mix that is not, and what that may carry.

    `stay_under_mg_per_kg` is None where nothing is unknown, or nothing is left to give; `brought` names the draws
    that are known to bring any.
    """

    status: str
    known_mg_per_kg: float
    unknown_pct: float
    stay_under_mg_per_kg: float | None
    unknown: tuple[str, ...]
    limit_mg_per_kg: float = GLUTEN_LIMIT_MG_PER_KG
    brought: tuple[Brought, ...] = ()


def gluten_budget(draws: Sequence[GlutenDraw], limit_mg_per_kg: float = GLUTEN_LIMIT_MG_PER_KG) -> GlutenBudget:
    """Return what `draws` add up to against a limit, mg per kg of the mix: known = Σ share × value.

    What is not known may carry (limit − known) / its share before the mix reaches the limit.

    >>> found = gluten_budget([GlutenDraw("A", 820, 5), GlutenDraw("B", 180, None)])
    >>> found.known_mg_per_kg, round(found.stay_under_mg_per_kg or 0, 1)
    (4.1, 88.3)
    """
    total_g = sum(d.mass_g for d in draws)
    if total_g <= 0:
        return GlutenBudget("unknown", 0.0, 100.0, None, (), limit_mg_per_kg)
    brought = tuple(Brought(d.lot, d.mass_g / total_g * d.mg_per_kg) for d in draws if d.mg_per_kg)
    known = sum(b.mg_per_kg for b in brought)
    blank = [d for d in draws if d.mg_per_kg is None]
    share = sum(d.mass_g for d in blank) / total_g
    left = (limit_mg_per_kg - known) / share if share > 0 and known < limit_mg_per_kg else None
    status = "contains" if any(d.contains for d in draws) else "unknown" if blank else "known"
    names = tuple(d.lot for d in blank)
    return GlutenBudget(status, known, 100 * share, left, names, limit_mg_per_kg, brought)

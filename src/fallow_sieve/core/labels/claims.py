"""Claims of nutrition, judged on the food as eaten: what holds, by how much, and what would make it hold.

"Source of" and "high" are judged at the low end of what is known, "low" and "free" at the high end. A claim on a dry
mix is judged on the bake that the bag tells how to make (Regulation (EC) 1924/2006, Art. 5(3)), else not offered.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.values import Estimate

KCAL_OF = {"protein_g": 4.0, "saturated_fat_g": 9.0}
AT_LEAST = ">="


@dataclass(frozen=True, slots=True)
class ClaimRule:
    """A claim: nutrient, at least or at most, limit and its basis, another way to reach it, its wording and source."""

    claim: str
    nutrient: str
    test: str
    limit: float
    basis: str
    or_limit: float | None
    or_basis: str
    wording: str
    source: str
    also: str = ""


@dataclass(frozen=True, slots=True)
class Claim:
    """A claim judged: whether it holds, the value at the end that counts, by how much, and what would make it hold."""

    rule: ClaimRule
    holds: bool
    value: float | None
    say: str


def claims_of(per_100_g: Mapping[str, Estimate], rules: Sequence[ClaimRule]) -> tuple[Claim, ...]:
    """Return each rule judged on the food as eaten, whose nutrients are `per_100_g`, g or mg a 100 g."""
    return tuple(c for r in rules if (c := _judged(per_100_g, r)) is not None)


def _judged(food: Mapping[str, Estimate], rule: ClaimRule) -> Claim | None:
    found = food.get(rule.nutrient)
    end = None if found is None or not found.is_known else found.low if rule.test == AT_LEAST else found.high
    if end is None:
        return Claim(rule, False, None, f"{rule.nutrient} is not wholly known")
    ways = [(rule.limit, rule.basis), *([(rule.or_limit, rule.or_basis)] if rule.or_limit is not None else [])]
    measured = [(limit, basis, _on_basis(end, rule, basis, food)) for limit, basis in ways]
    known = [(limit, basis, x) for limit, basis, x in measured if x is not None]
    if not known:
        return None
    holds = any(x >= limit if rule.test == AT_LEAST else x <= limit for limit, _, x in known)
    if holds and rule.claim == "low-saturated-fat":
        holds = _share_of_energy(end, "saturated_fat_g", food) <= 10
    return Claim(rule, holds, end, _said(known, rule.test))


def _said(ways: Sequence[tuple[float, str, float]], test: str) -> str:
    sign = "at least" if test == AT_LEAST else "at most"
    return "; or ".join(f"{x:.3g} {basis}, wanted {sign} {limit:g}" for limit, basis, x in ways)


def _on_basis(value: float, rule: ClaimRule, basis: str, food: Mapping[str, Estimate]) -> float | None:
    kcal = food["energy_kcal"].typical if "energy_kcal" in food else None
    if basis == "per 100 g":
        return value
    if basis == "per 100 kcal":
        return 100 * value / kcal if kcal else None
    if basis == "% of energy":
        return _share_of_energy(value, rule.nutrient, food) if kcal else None
    return None


def _share_of_energy(value: float, nutrient: str, food: Mapping[str, Estimate]) -> float:
    kcal = food["energy_kcal"].typical or 0.0
    return 100 * value * KCAL_OF.get(nutrient, 0.0) / kcal if kcal else 0.0

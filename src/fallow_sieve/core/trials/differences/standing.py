"""A bake as it is compared with another: its formula's shares, what was planned and what was done, group by group.

Every group of `change_steps.csv` has a number in its own unit, or a kind in words. What is compared are shares of
flour, water against its prediction, hours at 26 °C and minutes against the plan, so that a larger batch is no change.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from fallow_sieve.core.formulas import BLEND, WATER, LineFacts
from fallow_sieve.core.ingredients import Kind, Role, of_kind
from fallow_sieve.core.schedule.ripening.organism import Organism
from fallow_sieve.core.trials.evidence.composition import Made
from fallow_sieve.core.trials.evidence.log import hours_at_26, water_pct
from fallow_sieve.core.trials.plan import TrialPlan


@dataclass(frozen=True, slots=True)
class Standing:
    """One bake: parts of the flour base (%) by slug, other lines (% of flour), its groups planned and done.

    `planned` and `done` hold numbers by group, `kinds` words by group; what is not known is absent. `lots` are the bags
    of flours of 10 % or more; `predicted_pct` is the water before learning.
    """

    parts: Mapping[str, float]
    lines: Mapping[str, float]
    planned: Mapping[str, float]
    done: Mapping[str, float]
    kinds: Mapping[str, str] = field(default_factory=dict)
    lots: Mapping[str, str] = field(default_factory=dict)
    predicted_pct: float | None = None
    names: Mapping[str, str] = field(default_factory=dict)


def composition_of(made: Made) -> tuple[dict[str, float], dict[str, float]]:
    """Return the flour base by slug, and every other line of the dough that no group of its own counts, both in %."""
    flour = made.worked.flour_g
    if flour <= 0:
        return {}, {}
    parts = {p.ingredient: p.flour_pct or 0.0 for p in made.worked.dough.parts if _is_base(made, p.ingredient)}
    lines: dict[str, float] = {}
    for x in made.worked.lines:
        if x.in_dough and x.ingredient not in parts and not _has_a_group(x, made):
            lines[x.ingredient] = lines.get(x.ingredient, 0.0) + (x.flour_pct or 0.0)
    return parts, lines


def _is_base(made: Made, slug: str) -> bool:
    return made.worked.shelf[slug].in_flour_base


def _has_a_group(x: LineFacts, made: Made) -> bool:
    """Whether another group counts a line: the blend, water, binder (where a load is known), lift, salt, sugar, fat."""
    counted = (Kind.YEAST, Kind.POWDER, Kind.SALT, Kind.SWEETENER, Kind.FAT)
    if x.ingredient in (BLEND, WATER) or (x.role is Role.BINDER and made.judged.binder.load is not None):
        return True
    return any(of_kind(x.functions, k) is not None for k in counted)


def numbers_of(
    made: Made, facts: Mapping[str, float], noted: Mapping[str, float], plan: TrialPlan, yeast: Organism
) -> tuple[dict[str, float], dict[str, float]]:
    """Return the groups' numbers as planned and as done; a group that nothing says anything of is absent."""
    formula = {
        "binder": made.judged.binder.load,
        "lift": facts.get("yeast_ratio") or facts.get("powder_ratio"),
        "salt": facts.get("salt_pct"),
        "sugar": facts.get("sugar_pct"),
        "fat": facts.get("fat_flour"),
    }
    predicted = plan.value("predicted_pct")
    planned = {
        **formula,
        "water": _over(_planned_water(plan), predicted),
        "mixing": plan.value("mix_min"),
        "rest": plan.value("rest_min"),
        "chill": plan.value("chill_min"),
        "dough-temperature": plan.value("dough_c"),
        "proof": plan.value("proof_h26"),
        "piece": 1.0 if plan.value("piece_g") else None,
        "oven": plan.value("oven_c"),
        "bake": 1.0 if plan.value("bake_min") else None,
        "cooling": 1.0 if plan.value("cool_min") else None,
    }
    done = {
        **formula,
        "water": _over(water_pct(noted, plan), predicted),
        "mixing": noted.get("mix_min", _times(facts.get("mix_ratio"), plan.value("mix_min"))),
        "rest": noted.get("rest_min"),
        "chill": noted.get("chill_min"),
        "dough-temperature": noted.get("dough_c"),
        "proof": hours_at_26(noted, yeast) or _times(facts.get("proof_ratio"), plan.value("proof_h26")),
        "piece": facts.get("piece_ratio"),
        "oven": noted.get("oven_c"),
        "bake": facts.get("bake_ratio"),
        "cooling": facts.get("cool_ratio"),
    }
    return _known(planned), _known(done)


def _planned_water(plan: TrialPlan) -> float | None:
    flour, other, poured = (plan.value(n) for n in ("flour_g", "other_water_g", "water_poured_g"))
    return None if not flour or other is None or poured is None else 100 * (other + poured) / flour


def _over(value: float | None, by: float | None) -> float | None:
    return None if value is None or not by else value / by


def _times(value: float | None, by: float | None) -> float | None:
    return None if value is None or by is None else value * by


def _known(found: Mapping[str, float | None]) -> dict[str, float]:
    return {name: v for name, v in found.items() if v is not None}

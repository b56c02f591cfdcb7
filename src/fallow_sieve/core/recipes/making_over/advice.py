"""What to do otherwise when wheat flour goes: rest, mixing, tin, and bakes that will not do well at all."""

from __future__ import annotations

from collections.abc import Mapping

from fallow_sieve.core.formulas import SAUCE, Formula, has_yeast
from fallow_sieve.core.recipes.making_over.steps import Making, Step, step


def rest(state: Formula, m: Making) -> Step:
    """Return the advice to rest; a recipe that was gluten-free has its own, and a sauce needs none."""
    if m.replaced.own_mix or m.rules.use.slug == SAUCE:
        return None
    say = "Rest the dough or batter 20–30 minutes before it is shaped or baked."
    return step("rest", say, "Starch and fibre wet slowly; baked at once they stay gritty.", None), state


def mixing(state: Formula, m: Making) -> Step:
    """Return the advice to mix and not to knead what yeast lifts."""
    if m.replaced.own_mix or not has_yeast(m.analysed(state)):
        return None
    say = "Mix until smooth instead of kneading; one rise, in the tin or shape."
    why = "There is no gluten to build, and a risen dough that is knocked back does not come again."
    return step("mixing", say, why, None), state


def tin(state: Formula, m: Making) -> Step:
    """Return the tin or the shaping that the use wants."""
    advice = _TINS.get(m.rules.use.slug) or _TINS.get(m.rules.use.family)
    if advice is None or m.replaced.own_mix:
        return None
    return step("tin", advice, "The dough has less strength of its own and leans on the tin.", None), state


_TINS = {
    "hearth-loaf": "Prove it in a lined basket and bake it in a lidded pot or ring, so that it does not spread.",
    "soft-roll": "Set the rolls close together or in rings, so that they rise up and not out.",
    "thin-crust": "Press it out on the paper it is baked on; it does not stretch over the hands.",
    "yeasted": "Use a narrow tin with straight, high sides.",
    "batter": "Use a smaller or narrower tin, or several: the middle sets late.",
    "short": "Roll it between two sheets of paper and patch cracks; chill it before baking.",
    "sheet": "Roll it between two sheets of paper, in small pieces.",
}


def poor_candidates_in(text: str, poor: Mapping[str, str]) -> tuple[str, ...]:
    """Return why a bake of which `text` speaks will not do well, each reason once."""
    words = text.lower()
    return tuple(dict.fromkeys(why for word, why in poor.items() if word in words))

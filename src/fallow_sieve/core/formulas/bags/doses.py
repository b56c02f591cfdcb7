"""The doses that a brief's kind of bag asks for: binder by the school, leavening, salt and sugar at their usual.

They are fixed parts of what Propose looks for; the flours are sought around them.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from fallow_sieve.core.blends import GUMS, BagKind, Use
from fallow_sieve.core.formulas.binder_choice import preferred_binder
from fallow_sieve.core.formulas.gauges import LeaveningRule
from fallow_sieve.core.formulas.rules import FormulaRules
from fallow_sieve.core.ingredients import Ingredient, Kind, Shelf, of_kind

GUM_FREE = ("psyllium-husk", "hpmc")  # what binds where gums may not, the usual first
SALT_OF_BREAD_PCT, SALT_PCT = 2.0, 1.0  # usual: rules of thumb
SWEET_SHARE = 0.5  # of the most sugar that is usual, in a complete mix: a rule of thumb


@dataclass(frozen=True, slots=True)
class BagAsked:
    """A bag that is asked for: its use and kind (None: any), all gums at most % of flour base, the kitchen's school."""

    use: Use
    kind: BagKind | None
    max_gum_pct: float | None
    school: str


def doses_for(given: Mapping[str, float], asked: BagAsked, shelf: Shelf, rules: FormulaRules) -> dict[str, float]:
    """Return the doses (% of flour base, by slug) of a bag: those `given` that may lie in it, and those it lacks."""
    if asked.kind is BagKind.FLOURS:
        return {}
    may = {s: d for s, d in given.items() if d > 0 and _may_lie_in(asked.kind, shelf[s])}
    doses = _capped(may, asked.max_gum_pct, shelf)
    if asked.kind is not None:
        doses = {**_binder(doses, asked, shelf, rules), **doses}
    if asked.kind in (BagKind.SELF_RAISING, BagKind.COMPLETE):
        doses = {**doses, **_lift(doses, rules.leavening.get(asked.use.slug), shelf)}
    if asked.kind is BagKind.COMPLETE:
        doses = {**doses, **_seasoned(doses, asked.use, shelf, rules)}
    return doses


def _may_lie_in(kind: BagKind | None, item: Ingredient) -> bool:
    """Whether something may lie in a bag of that kind: flours with binder have no leavening, self-raising no sugar."""
    lifts = any(item.function(k) for k in (Kind.POWDER, Kind.YEAST))
    if kind is BagKind.WITH_BINDER:
        return not lifts
    rich = any(item.function(k) for k in (Kind.SWEETENER, Kind.FAT, Kind.DRIED_EGG, Kind.DRIED_MILK))
    return not (kind is BagKind.SELF_RAISING and rich)


def _is_gum(item: Ingredient) -> bool:
    return bool(GUMS.intersection(item.functions))


def _capped(doses: Mapping[str, float], cap_pct: float | None, shelf: Shelf) -> dict[str, float]:
    """The doses with all gums together at most `cap_pct`."""
    gums = sum(d for s, d in doses.items() if _is_gum(shelf[s]))
    if cap_pct is None or gums <= cap_pct:
        return dict(doses)
    k = cap_pct / gums
    return {s: d * k if _is_gum(shelf[s]) else d for s, d in doses.items() if k > 0 or not _is_gum(shelf[s])}


def _binder(doses: Mapping[str, float], asked: BagAsked, shelf: Shelf, rules: FormulaRules) -> dict[str, float]:
    """The binder that the bag lacks: the school's, within the cap of gums, topped up by one that is no gum."""
    usual = rules.doses.get(asked.use.slug, {})
    load = sum(d / usual[s].typical_pct for s, d in doses.items() if s in usual)
    first = preferred_binder(asked.school, asked.use) or preferred_binder("by-moisture", asked.use)
    found: dict[str, float] = {}
    for slug in dict.fromkeys((first or "", *GUM_FREE)):
        if _is_dosed(slug, shelf) and slug in usual and load < 1 - 1e-9:
            dose = _within_cap(slug, (1 - load) * usual[slug].typical_pct, asked.max_gum_pct, shelf)
            load += dose / usual[slug].typical_pct
            found |= {slug: dose} if dose > 0 else {}
    return found


def _is_dosed(slug: str, shelf: Shelf) -> bool:
    """Whether a binder is dosed on top: milled seeds are flour base, and are sought as flours."""
    return slug in shelf and not shelf[slug].in_flour_base


def _within_cap(slug: str, dose_pct: float, cap_pct: float | None, shelf: Shelf) -> float:
    return min(dose_pct, cap_pct) if cap_pct is not None and _is_gum(shelf[slug]) else dose_pct


def _lift(doses: Mapping[str, float], rule: LeaveningRule | None, shelf: Shelf) -> dict[str, float]:
    """Baking powder, or yeast where the use lives by it, at the usual; nothing where something lifts already."""
    lifted = any(of_kind(shelf[s].functions, k) for s in doses for k in (Kind.POWDER, Kind.YEAST))
    if lifted or rule is None:
        return {}
    for slug, usual in (("instant-dry-yeast", rule.yeast), ("baking-powder", rule.powder)):
        if usual is not None and usual.typical_pct > 0 and slug in shelf:
            return {slug: usual.typical_pct}
    return {}


def _seasoned(doses: Mapping[str, float], use: Use, shelf: Shelf, rules: FormulaRules) -> dict[str, float]:
    """Salt at its usual share, and sugar at half of the most that is usual."""
    most = next((u.band.good_high for u in rules.usual.get(use.slug, ()) if u.metric == "sugar_pct"), 0.0)
    found = {}
    if "salt" in shelf and not any(shelf[s].function(Kind.SALT) for s in doses):
        found["salt"] = SALT_OF_BREAD_PCT if use.family == "yeasted" else SALT_PCT
    if "white-sugar" in shelf and not any(shelf[s].function(Kind.SWEETENER) for s in doses):
        found["white-sugar"] = SWEET_SHARE * most
    return {s: d for s, d in found.items() if d > 0}

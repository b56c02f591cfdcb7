"""The doses that a brief's kind of bag asks for: binder by the school, leavening, salt and sugar at their usual.

They are fixed parts of what Propose looks for; the flours are sought around them.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from fallow_sieve.core.blends import GUMS, BagKind, Use
from fallow_sieve.core.formulas import preferred_binder
from fallow_sieve.core.ingredients import Ingredient, Kind, Shelf, of_kind
from fallow_sieve.core.optimise import Wishes
from fallow_sieve.reference import formula_rules, rules

GUM_FREE = ("psyllium-husk", "hpmc")  # what binds where gums may not, the usual first
SALT_OF_BREAD_PCT, SALT_PCT = 2.0, 1.0  # usual: rules of thumb
SWEET_SHARE = 0.5  # of the most sugar that is usual, in a complete mix: a rule of thumb


def with_bag_doses(wishes: Wishes, shelf: Shelf, school: str) -> Wishes:
    """Return `wishes` with the doses (% of flour base) that its kind of bag lacks, gums within their cap."""
    given = {s: d for s, d in wishes.binder.items() if d > 0}
    kind = wishes.limits.bag
    if kind is BagKind.FLOURS:
        return replace(wishes, binder={})
    doses = _capped({s: d for s, d in given.items() if _may_lie_in(kind, shelf[s])}, wishes.limits.max_gum_pct, shelf)
    if kind is not None:
        doses = {**_binder(doses, wishes, shelf, school), **doses}
    if kind in (BagKind.SELF_RAISING, BagKind.COMPLETE):
        doses = {**doses, **_lift(doses, wishes.use, shelf)}
    if kind is BagKind.COMPLETE:
        doses = {**doses, **_seasoned(doses, wishes.use, shelf)}
    return replace(wishes, binder=doses)


def _may_lie_in(kind: BagKind | None, item: Ingredient) -> bool:
    """Whether something may lie in a bag of that kind: flours with binder have no leavening, self-raising no sugar."""
    lifts = any(item.function(k) for k in (Kind.POWDER, Kind.YEAST))
    if kind is BagKind.WITH_BINDER:
        return not lifts
    rich = any(item.function(k) for k in (Kind.SWEETENER, Kind.FAT, Kind.DRIED_EGG, Kind.DRIED_MILK))
    return not (kind is BagKind.SELF_RAISING and rich)


def is_gum(item: Ingredient) -> bool:
    """Return whether `item` is a gum."""
    return bool(GUMS.intersection(item.functions))


def _capped(doses: Mapping[str, float], cap_pct: float | None, shelf: Shelf) -> dict[str, float]:
    """The doses with all gums together at most `cap_pct`."""
    gums = sum(d for s, d in doses.items() if is_gum(shelf[s]))
    if cap_pct is None or gums <= cap_pct:
        return dict(doses)
    k = cap_pct / gums
    return {s: d * k if is_gum(shelf[s]) else d for s, d in doses.items() if k > 0 or not is_gum(shelf[s])}


def _binder(doses: Mapping[str, float], wishes: Wishes, shelf: Shelf, school: str) -> dict[str, float]:
    """The binder that the bag lacks: the school's, within the cap of gums, topped up by one that is no gum."""
    usual = rules().doses.get(wishes.use.slug, {})
    load = sum(d / usual[s].typical_pct for s, d in doses.items() if s in usual)
    first = preferred_binder(school, wishes.use) or preferred_binder("by-moisture", wishes.use)
    found: dict[str, float] = {}
    for slug in dict.fromkeys((first or "", *GUM_FREE)):
        if _is_dosed(slug, shelf) and slug in usual and load < 1 - 1e-9:
            dose = _within_cap(slug, (1 - load) * usual[slug].typical_pct, wishes.limits.max_gum_pct, shelf)
            load += dose / usual[slug].typical_pct
            found |= {slug: dose} if dose > 0 else {}
    return found


def _is_dosed(slug: str, shelf: Shelf) -> bool:
    """Whether a binder is dosed on top: milled seeds are flour base, and are sought as flours."""
    return slug in shelf and not shelf[slug].in_flour_base


def _within_cap(slug: str, dose_pct: float, cap_pct: float | None, shelf: Shelf) -> float:
    return min(dose_pct, cap_pct) if cap_pct is not None and is_gum(shelf[slug]) else dose_pct


def _lift(doses: Mapping[str, float], use: Use, shelf: Shelf) -> dict[str, float]:
    """Baking powder, or yeast where the use lives by it, at the usual; nothing where something lifts already."""
    lifted = any(of_kind(shelf[s].functions, k) for s in doses for k in (Kind.POWDER, Kind.YEAST))
    rule = formula_rules().leavening.get(use.slug)
    if lifted or rule is None:
        return {}
    for slug, usual in (("instant-dry-yeast", rule.yeast), ("baking-powder", rule.powder)):
        if usual is not None and usual.typical_pct > 0 and slug in shelf:
            return {slug: usual.typical_pct}
    return {}


def _seasoned(doses: Mapping[str, float], use: Use, shelf: Shelf) -> dict[str, float]:
    """Salt at its usual share, and sugar at half of the most that is usual."""
    most = next((u.band.good_high for u in formula_rules().usual.get(use.slug, ()) if u.metric == "sugar_pct"), 0.0)
    found = {}
    if "salt" in shelf and not any(shelf[s].function(Kind.SALT) for s in doses):
        found["salt"] = SALT_OF_BREAD_PCT if use.family == "yeasted" else SALT_PCT
    if "white-sugar" in shelf and not any(shelf[s].function(Kind.SWEETENER) for s in doses):
        found["white-sugar"] = SWEET_SHARE * most
    return {s: d for s, d in found.items() if d > 0}

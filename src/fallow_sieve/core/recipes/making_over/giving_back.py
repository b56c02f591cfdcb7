"""Binder, leavening and water that the change of flour takes or brings, given back."""

from __future__ import annotations

from dataclasses import replace

from fallow_sieve.core.blends import GOOD_LOAD, load_of_binders
from fallow_sieve.core.formulas import (
    BLEND,
    OUTSIDE_DOUGH,
    Formula,
    Line,
    When,
    counted_water,
    powder_equivalent,
    soda_of,
    suggest,
    with_water,
)
from fallow_sieve.core.ingredients import MADE_A_GEL, Function, Kind, Role
from fallow_sieve.core.recipes.making_over.steps import Making, Step, step

MORE_LEAVENING = 1.25


def own_binder(state: Formula, m: Making) -> Step:
    """Return the recipe's other binder (its gel) less what the new bag brings, so that the load stays what it was."""
    at = [n for n, x in enumerate(state.lines) if _is_binder(x, m)]
    before, after = _load(m.recipe, m), _load(state, m)
    bag = _load(replace(state, lines=tuple(x for n, x in enumerate(state.lines) if n not in at)), m)
    if not m.replaced.own_mix or not at or before is None or after is None or bag is None or after <= bag:
        return None
    wanted = min(max(before, GOOD_LOAD[0]), GOOD_LOAD[1])
    keep = min(1.0, max(0.0, (wanted - bag) / (after - bag)))
    if keep > 0.99:
        return None
    gone = sum(state.lines[n].mass_g for n in at) * (1 - keep)
    lines = [replace(x, mass_g=x.mass_g * keep) if n in at else x for n, x in enumerate(state.lines)]
    kept = tuple(x for n, x in enumerate(lines) if n not in at or x.mass_g > 0.05)
    say = f"{gone:.1f} g less of its own binder; its water stays."
    why = f"The bag brings binder: a load of {bag:.2f} where the recipe had {before:.2f}."
    return step("own-binder", say, why, -gone), replace(state, lines=kept)


def _is_binder(line: Line, m: Making) -> bool:
    return line.ingredient != BLEND and line.when not in OUTSIDE_DOUGH and m.shelf[line.ingredient].role is Role.BINDER


def _load(formula: Formula, m: Making) -> float | None:
    return load_of_binders(m.analysed(formula).dough.parts, m.rules.doses).load


def binder(state: Formula, m: Making) -> Step:
    """Return the school's binder, less what is there already."""
    analysis, rules = m.analysed(state), m.rules
    load = load_of_binders(analysis.dough.parts, rules.doses)
    found = suggest(rules.school, rules.use, load, analysis.flour_g, rules.doses)
    if found.binder is None or found.add_g <= 0:
        return step("binder", "No binder is added.", found.why, None), state
    say = f"{found.add_g:.1f} g {m.shelf[found.binder].name.lower()} ({found.add_pct:.1f} % of flour)."
    when = When.GEL if m.shelf[found.binder].function(Kind.BINDER) in MADE_A_GEL else When.DRY
    lines = (*state.lines, Line(found.binder, found.add_g, when))
    why = found.why if m.replaced.own_mix else f"It stands in for gluten. {found.why}"
    return step("binder", say, why, found.add_g), replace(state, lines=lines)


def leavening(state: Formula, m: Making) -> Step:
    """Return a wheat recipe's leavening raised within its band, less what the bag brings; soda as far as acid goes."""
    at = [n for n, x in enumerate(state.lines) if _strength(x, m) > 0 and x.when not in OUTSIDE_DOUGH]
    if not at:
        return None
    had = sum(state.lines[n].mass_g * _strength(state.lines[n], m) for n in at)
    flour_g = m.analysed(state).flour_g
    wanted, why = _wanted(had, flour_g, m)
    wanted -= _in_bag(state, m)
    factor = max(0.0, wanted / had)
    lines = tuple(replace(x, mass_g=x.mass_g * factor) if n in at else x for n, x in enumerate(state.lines))
    lines = _soda_met(state, replace(state, lines=lines), m).lines
    kept = tuple(x for n, x in enumerate(lines) if n not in at or x.mass_g > 0.005)
    before = sum(state.lines[n].mass_g for n in at)
    after = sum(lines[n].mass_g for n in at)
    if abs(after - before) < 0.05:
        return step("leavening", "Chemical leavening stays as it is.", why, None), state
    say = f"Chemical leavening × {after / before:.2f}: {before:.1f} → {after:.1f} g."
    return step("leavening", say, why, after - before), replace(state, lines=kept)


def _strength(line: Line, m: Making) -> float:
    return 0.0 if line.ingredient == BLEND else powder_equivalent(m.shelf[line.ingredient])


def _wanted(had_g: float, flour_g: float, m: Making) -> tuple[float, str]:
    """The g of powder that the dough is to have in all, as powder, and why."""
    if m.replaced.own_mix:
        return had_g, "It was gluten-free before: the recipe's own leavening holds, less what the bag brings."
    rule = m.rules.by.leavening.get(m.rules.use.slug)
    most = rule.powder.high_pct / 100 * flour_g if rule and rule.powder else None
    if not most or had_g * MORE_LEAVENING <= most:
        return had_g * MORE_LEAVENING, "Without gluten more gas escapes; what the bag brings is taken off."
    if had_g >= most and flour_g > 0:
        return had_g, f"It has {100 * had_g / flour_g:.1f} % already, the usual most or over: it is not raised."
    return most, f"Without gluten more gas escapes; over {rule.powder.high_pct:g} % is not usual here."  # type: ignore[union-attr]


def _in_bag(state: Formula, m: Making) -> float:
    """The g of powder, as powder, that the blend's lines of the dough bring."""
    bag_g = sum(x.mass_g for x in state.lines if x.ingredient == BLEND and x.when not in OUTSIDE_DOUGH)
    whole = sum(p.mass_g for p in state.blend)
    return bag_g * sum(p.mass_g * powder_equivalent(m.shelf[p.ingredient]) for p in state.blend) / whole


def _soda_met(before: Formula, after: Formula, m: Making) -> Formula:
    """`after` with its soda no higher than what its acid meets, or than it was."""
    at = [n for n, x in enumerate(after.lines) if x.ingredient != BLEND and _is_soda(x, m)]
    there = replace(after, lines=tuple(x for x in after.lines if x.mass_g > 0))
    soda = soda_of(m.analysed(there), m.rules.by.acids)
    if not at or soda.unmet_pct <= 0:
        return after
    met = soda.met_pct / (soda.met_pct + soda.unmet_pct)
    lines = list(after.lines)
    for n in at:
        lines[n] = replace(lines[n], mass_g=min(lines[n].mass_g, max(before.lines[n].mass_g, lines[n].mass_g * met)))
    return replace(after, lines=tuple(lines))


def _is_soda(line: Line, m: Making) -> bool:
    return Function.BAKING_SODA in m.shelf[line.ingredient].functions


def water(state: Formula, m: Making) -> Step:
    """Return the water that the blend wants; a recipe that was gluten-free keeps its own consistency."""
    prediction, corrected = m.rules.wanted_water(state)
    if corrected is None or not m.analysed(state).flour_g:
        return step("water", "The water stays as the recipe has it.", prediction.say, None), state
    flour_g, own = m.analysed(state).flour_g, counted_water(state.lines, m.shelf)
    wanted_g, why = _wanted_water(corrected.typical_pct / 100 * flour_g, flour_g, own, m)
    if why == "":
        low, high = corrected.low_pct, corrected.high_pct
        wants = f"This blend wants {corrected.typical_pct:.0f} % ({low:.0f}–{high:.0f})"
        why = f"{wants}; the recipe's own water is taken off."
    lines, short = with_water(state.lines, wanted_g - own, m.shelf)
    size = wanted_g - own + short
    way = "more" if size >= 0 else "less"
    before, after = 100 * own / flour_g, 100 * (own + size) / flour_g
    say = f"{abs(size):.0f} g {way} water: {before:.0f} → {after:.0f} % of flour in all."
    if short > 0.5:
        why += f" {short:.0f} g too much stays: it is in milk, egg or fruit."
    return step("water", say, why, size), replace(state, lines=lines)


def _wanted_water(by_blend_g: float, flour_g: float, own_g: float, m: Making) -> tuple[float, str]:
    """The g of water in all, and why where it is the recipe's own with the difference of the two mixes."""
    if not m.replaced.own_mix:
        return by_blend_g, ""
    recipe = replace(m.recipe, use=m.rules.use.slug, blend=(), pin=None)
    old = m.rules.wanted_water(recipe)[1]
    old_flour_g = m.analysed(recipe).flour_g
    if old is None or old_flour_g <= 0:
        return by_blend_g, ""
    by_own_g = old.typical_pct / 100 * old_flour_g
    was, now = 100 * by_own_g / old_flour_g, 100 * by_blend_g / flour_g
    why = f"Its own mix wants {was:.0f} %, this blend {now:.0f} %: the difference goes on the recipe's own water."
    return max(0.0, own_g + by_blend_g - by_own_g), why

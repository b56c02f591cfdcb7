"""A wheat recipe made with a blend: every change one line, with its reason and its size, and a switch.

The changes go on one after the other, each on what the ones before left; a change that is switched off leaves the
lines as they are. Rules of thumb; see docs/method.md.
"""

from __future__ import annotations

from collections.abc import Callable, Collection, Mapping, Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.blends import DoseBand, Use, load_of_binders
from fallow_sieve.core.formulas import (
    BLEND,
    OUTSIDE_DOUGH,
    Corrected,
    Formula,
    Line,
    Prediction,
    When,
    analyse_formula,
    counted_water,
    egg_lines,
    has_yeast,
    is_flour,
    powder_equivalent,
    suggest,
    with_water,
)
from fallow_sieve.core.ingredients import MADE_A_GEL, Kind, Shelf
from fallow_sieve.core.values import BadInputError, Change

MORE_LEAVENING = 1.25
VERY_THIRSTY_G_PER_G = 3.0
SHARE_OF_VERY_THIRSTY = 0.30
EGG = "whole-egg"


@dataclass(frozen=True, slots=True)
class ConversionStep:
    """One change of a conversion (g; a size of None is advice), what is done in words, and whether it is on."""

    change: Change
    say: str
    on: bool = True


@dataclass(frozen=True, slots=True)
class Conversion:
    """The formula after the changes that are on, every change, and why the bake is a poor candidate, if it is."""

    formula: Formula
    changes: tuple[ConversionStep, ...]
    poor: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class ConversionRules:
    """What a conversion goes by: the use with its dose bands, the school, how water is predicted, poor candidates.

    `wanted_water` gives the prediction and its correction for a formula; `poor` maps a word of a recipe to why it
    will not do well.
    """

    use: Use
    doses: Mapping[str, DoseBand]
    school: str
    wanted_water: Callable[[Formula], tuple[Prediction, Corrected | None]]
    poor: Mapping[str, str]


def convert(
    recipe: Formula, shelf: Shelf, rules: ConversionRules, off: Collection[str] = (), text: str = ""
) -> Conversion:
    """Return `recipe` (wheat flour and all, with the chosen blend pinned) made over for the blend; masses in g.

    `off` are keys of changes to leave out; `text` is the recipe's own words, read for bakes that need gluten.
    Raises BadInputError where there is no wheat flour, or no blend.
    """
    if not recipe.blend:
        raise BadInputError("no blend is chosen", place="/blend", right="choose the blend that takes the wheat's place")
    wheat = [x for x in recipe.lines if _is_wheat(x, shelf) and x.when not in OUTSIDE_DOUGH]
    if not wheat:
        raise BadInputError(
            "there is no wheat flour in the recipe", place="/lines", right="mark which line is the flour"
        )
    state = replace(recipe, use=rules.use.slug, school=rules.school)
    changes = []
    for step in (_flour, _egg, _binder, _leavening, _water, _rest, _mixing, _tin):
        found = step(state, recipe, shelf, rules)
        if found is None:
            continue
        change, after = found
        on = change.change.what not in off
        changes.append(replace(change, on=on))
        state = after if on else state
    return Conversion(state, tuple(changes), _poor(text + " " + recipe.name, rules.poor))


_LABELS = {
    "flour": "Flour",
    "egg": "Egg",
    "binder": "Binder",
    "leavening": "Leavening",
    "water": "Water",
    "rest": "Rest",
    "mixing": "Mixing",
    "tin": "Tin",
}


def _step(key: str, say: str, why: str, size_g: float | None) -> ConversionStep:
    return ConversionStep(Change(key, _LABELS[key], None, None, "g", size_g, why), say)


_Step = tuple[ConversionStep, Formula] | None


def _is_wheat(line: Line, shelf: Shelf) -> bool:
    return line.ingredient != BLEND and shelf[line.ingredient].contains_gluten and is_flour(shelf[line.ingredient])


def _thirst(formula: Formula, shelf: Shelf) -> float | None:
    flour = [(p.mass_g, shelf[p.ingredient]) for p in formula.blend if shelf[p.ingredient].in_flour_base]
    known = [(m, r.typical) for m, i in flour if (r := i.range_of("thirst_g_per_g"))]
    return sum(m * t for m, t in known) / sum(m for m, _ in known) if known and len(known) == len(flour) else None


def _is_very_thirsty(formula: Formula, shelf: Shelf) -> bool:
    thirst = _thirst(formula, shelf)
    return thirst is not None and thirst > VERY_THIRSTY_G_PER_G


def _flour(state: Formula, recipe: Formula, shelf: Shelf, rules: ConversionRules) -> _Step:
    wheat = [n for n, x in enumerate(state.lines) if _is_wheat(x, shelf)]
    very = _is_very_thirsty(state, shelf)
    factor = SHARE_OF_VERY_THIRSTY if very else 1.0
    lines: list[Line] = []
    for n, x in enumerate(state.lines):
        lines.append(replace(x, ingredient=BLEND, mass_g=x.mass_g * factor) if n in wheat else x)
    total = sum(state.lines[n].mass_g for n in wheat)
    if very:
        say = f"{total:.0f} g wheat flour → {total * factor:.0f} g of the blend."
        reason = "This blend is very thirsty: 25–35 % of the wheat's grams is as far as it goes, never one for one."
    else:
        say = f"{total:.0f} g wheat flour → the same grams of the blend."
        reason = "Weight for weight: a cup of another flour differs by up to a quarter."
    return _step("flour", say, reason, total * factor), replace(state, lines=_merged(lines))


def _merged(lines: Sequence[Line]) -> tuple[Line, ...]:
    """Blend lines of one moment put together: a recipe with two wheat flours has one line of blend."""
    done: list[Line] = []
    for x in lines:
        same = next(
            (n for n, y in enumerate(done) if x.ingredient == BLEND and (y.ingredient, y.when) == (BLEND, x.when)),
            None,
        )
        if same is None:
            done.append(x)
        else:
            done[same] = replace(done[same], mass_g=done[same].mass_g + x.mass_g)
    return tuple(done)


def _egg(state: Formula, recipe: Formula, shelf: Shelf, rules: ConversionRules) -> _Step:
    """A very thirsty flour wants more egg too; the others keep the recipe's."""
    flour = sum(x.mass_g for x in state.lines if x.ingredient == BLEND)
    if flour <= 0 or not _is_very_thirsty(state, shelf):
        return None
    more = flour  # about an egg for each 50 g of such flour
    at = next(iter(egg_lines(state.lines, shelf)), None)
    lines = list(state.lines)
    if at is None:
        lines.append(Line(EGG, more, When.WET))
    else:
        lines[at] = replace(lines[at], mass_g=lines[at].mass_g + more)
    say = f"{more:.0f} g more egg."
    return _step("egg", say, "A very thirsty flour falls apart without: about one egg for 50 g.", more), replace(
        state, lines=tuple(lines)
    )


def _binder(state: Formula, recipe: Formula, shelf: Shelf, rules: ConversionRules) -> _Step:
    analysis = analyse_formula(state, shelf)
    found = suggest(
        rules.school, rules.use, load_of_binders(analysis.dough.parts, rules.doses), analysis.flour_g, rules.doses
    )
    if found.binder is None:
        return _step("binder", "No binder is added.", found.why, None), state
    name = shelf[found.binder].name.lower()
    say = f"{found.add_g:.1f} g {name} ({found.add_pct:.1f} % of flour)."
    when = When.GEL if shelf[found.binder].function(Kind.BINDER) in MADE_A_GEL else When.DRY
    lines = (*state.lines, Line(found.binder, found.add_g, when))
    return _step("binder", say, f"It stands in for gluten. {found.why}", found.add_g), replace(state, lines=lines)


def _is_powder(line: Line, shelf: Shelf) -> bool:
    return line.ingredient != BLEND and powder_equivalent(shelf[line.ingredient]) > 0


def _leavening(state: Formula, recipe: Formula, shelf: Shelf, rules: ConversionRules) -> _Step:
    at = [n for n, x in enumerate(state.lines) if _is_powder(x, shelf) and x.when not in OUTSIDE_DOUGH]
    if not at:
        return None
    before = sum(state.lines[n].mass_g for n in at)
    lines = tuple(replace(x, mass_g=x.mass_g * MORE_LEAVENING) if n in at else x for n, x in enumerate(state.lines))
    say = f"Chemical leavening × {MORE_LEAVENING:g}: {before:.1f} → {before * MORE_LEAVENING:.1f} g."
    return _step("leavening", say, "Without gluten more gas escapes.", before * (MORE_LEAVENING - 1)), replace(
        state, lines=lines
    )


def _water(state: Formula, recipe: Formula, shelf: Shelf, rules: ConversionRules) -> _Step:
    prediction, corrected = rules.wanted_water(state)
    if corrected is None:
        return _step("water", "The water stays as the recipe has it.", prediction.say, None), state
    flour_g = analyse_formula(state, shelf).flour_g
    own = counted_water(state.lines, shelf)
    change = corrected.typical_pct / 100 * flour_g - own
    lines, short = with_water(state.lines, change, shelf)
    size = change + short
    way = "more" if size >= 0 else "less"
    before, after = 100 * own / flour_g, 100 * (own + size) / flour_g
    say = f"{abs(size):.0f} g {way} water: {before:.0f} → {after:.0f} % of flour in all."
    low, high = corrected.low_pct, corrected.high_pct
    reason = (
        f"This blend wants {corrected.typical_pct:.0f} % ({low:.0f}–{high:.0f}); the recipe's own water is taken off."
    )
    if short > 0.5:
        reason += f" {short:.0f} g too much stays: it is in milk, egg or fruit."
    return _step("water", say, reason, size), replace(state, lines=lines)


def _rest(state: Formula, recipe: Formula, shelf: Shelf, rules: ConversionRules) -> _Step:
    say = "Rest the dough or batter 20–30 minutes before it is shaped or baked."
    return _step("rest", say, "Starch and fibre wet slowly; baked at once they stay gritty.", None), state


def _mixing(state: Formula, recipe: Formula, shelf: Shelf, rules: ConversionRules) -> _Step:
    if not has_yeast(analyse_formula(state, shelf)):
        return None
    say = "Mix until smooth instead of kneading; one rise, in the tin or shape."
    return _step(
        "mixing", say, "There is no gluten to build, and a risen dough that is knocked back does not come again.", None
    ), state


def _tin(state: Formula, recipe: Formula, shelf: Shelf, rules: ConversionRules) -> _Step:
    advice = _TINS.get(rules.use.slug) or _TINS.get(rules.use.family)
    if advice is None:
        return None
    return _step("tin", advice, "The dough has less strength of its own and leans on the tin.", None), state


_TINS = {
    "hearth-loaf": "Prove it in a lined basket and bake it in a lidded pot or ring, so that it does not spread.",
    "soft-roll": "Set the rolls close together or in rings, so that they rise up and not out.",
    "thin-crust": "Press it out on the paper it is baked on; it does not stretch over the hands.",
    "yeasted": "Use a narrow tin with straight, high sides.",
    "batter": "Use a smaller or narrower tin, or several: the middle sets late.",
    "short": "Roll it between two sheets of paper and patch cracks; chill it before baking.",
    "sheet": "Roll it between two sheets of paper, in small pieces.",
}


def _poor(text: str, poor: Mapping[str, str]) -> tuple[str, ...]:
    words = text.lower()
    return tuple(dict.fromkeys(why for word, why in poor.items() if word in words))

"""Swaps: one thing for another, conserving what it was for, then repairing the water.

Fat by fat mass; sweeteners by relative sweetness; egg by binding, with its water; milk by its water; a thickener by
its power; a binder by its load. What is lost is listed, and the candidates stand by how much that is.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.binders import DoseBand
from fallow_sieve.core.binding import convert_binder
from fallow_sieve.core.errors import BadInputError
from fallow_sieve.core.estimates import Range
from fallow_sieve.core.formulas import (
    BLEND,
    MILKS,
    OUTSIDE_DOUGH,
    WATER,
    Formula,
    Line,
    Stage,
    counted_water,
    is_flour,
    with_water,
)
from fallow_sieve.core.ingredients import Ingredient
from fallow_sieve.core.shelf import Shelf

FATS = ("unsalted-butter", "ghee", "coconut-oil", "lard", "shortening", "vegetable-oil", "olive-oil")
PUREES = ("apple-puree", "plain-yoghurt", "mashed-avocado")
SOLID = frozenset({"unsalted-butter", "ghee", "coconut-oil", "lard", "shortening"})
EGG = "whole-egg"
EGG_UNIT_G = 50.0


@dataclass(frozen=True, slots=True)
class Sweetener:
    """A sweetener (slug): sweetness relative to sugar (1), whether it browns, whether yeast eats it, a note."""

    slug: str
    sweetness: Range
    browns: str
    feeds_yeast: bool
    note: str = ""


@dataclass(frozen=True, slots=True)
class EggReplacer:
    """What stands in for 50 g of egg: dry g and water g; binding and lift from 0 to 1 of an egg's; unfit uses."""

    name: str
    ingredient: str
    dry_g: float
    water_g: float
    binding: float
    lift: float
    not_for: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Thickener:
    """A thickener (slug): power per g relative to corn starch (1), and how its gel looks and lasts."""

    slug: str
    power: Range
    look: str
    on_cooling: str
    note: str = ""


@dataclass(frozen=True, slots=True)
class SwapRules:
    """What swaps go by: sweeteners, egg replacers, thickeners; dose bands and binder water for the use."""

    sweeteners: Mapping[str, Sweetener]
    eggs: Sequence[EggReplacer]
    thickeners: Mapping[str, Thickener]
    doses: Mapping[str, DoseBand]
    holds: Mapping[str, float]


@dataclass(frozen=True, slots=True)
class Loss:
    """Something that a swap loses or changes: its weight (1 little, 2 some, 3 much), and a sentence."""

    weight: int
    say: str


@dataclass(frozen=True, slots=True)
class Swap:
    """One candidate: what comes in, the lines after it (g), what happened in one line, and what is lost.

    `water_change_g` is the plain water added (or taken, negative) to repair; `short_g` what could not be repaired.
    """

    kind: str
    to: str
    name: str
    lines: tuple[Line, ...]
    say: str
    losses: tuple[Loss, ...]
    water_change_g: float
    short_g: float

    @property
    def lost(self) -> int:
        """How much is lost in all: the sum of the weights."""
        return sum(x.weight for x in self.losses)


def swaps_for(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> tuple[Swap, ...]:
    """Return the candidates for the line at index `at`, the one that loses least first; empty where there is none.

    Raises BadInputError for a line that is not there or that is the blend.
    """
    if not 0 <= at < len(formula.lines):
        raise BadInputError(f"there is no line {at}", place="/at", right=f"from 0 to {len(formula.lines) - 1}")
    line = formula.lines[at]
    if line.ingredient == BLEND:
        raise BadInputError("the blend is not swapped here", place="/at", right="change the blend on its own bench")
    found = [s for family in _FAMILIES for s in family(formula, at, shelf, rules)]
    return tuple(sorted(found, key=lambda s: (s.lost, s.name)))


def _repaired(
    formula: Formula, at: int, fresh: Sequence[Line], shelf: Shelf, more_g: float = 0.0
) -> tuple[tuple[Line, ...], float, float]:
    """The lines with `fresh` in the place of line `at`, and as much counted water as before plus `more_g`."""
    before = counted_water(formula.lines, shelf)
    lines = (*formula.lines[:at], *fresh, *formula.lines[at + 1 :])
    if formula.lines[at].stage in OUTSIDE_DOUGH:
        return lines, 0.0, 0.0
    change = before + more_g - counted_water(lines, shelf)
    done, short = with_water(lines, change, shelf)
    return done, change, short


def _grams(g: float) -> str:
    return f"{g:.0f} g" if g >= 20 else f"{g:.1f} g"


def _made(
    kind: str,
    formula: Formula,
    at: int,
    fresh: Sequence[Line],
    losses: Sequence[Loss],
    shelf: Shelf,
    name: str = "",
    more_g: float = 0.0,
) -> Swap:
    line = formula.lines[at]
    lines, change, short = _repaired(formula, at, fresh, shelf, more_g)
    new = " and ".join(f"{_grams(x.mass_g)} {_short(shelf[x.ingredient])}" for x in fresh)
    water = ""
    if abs(change) >= 0.05:
        water = f", {_grams(abs(change))} {'more' if change > 0 else 'less'} water{_of_milk(formula, at, lines)}"
    all_losses = list(losses)
    if short > 0.05:
        all_losses.append(Loss(3, f"{_grams(short)} of water too much: there is no plain water left to take away."))
    return Swap(
        kind,
        fresh[0].ingredient,
        name or shelf[fresh[0].ingredient].name,
        lines,
        f"{_grams(line.mass_g)} {_short(shelf[line.ingredient])} → {new}{water}.",
        tuple(all_losses),
        change,
        short,
    )


def _of_milk(formula: Formula, at: int, lines: Sequence[Line]) -> str:
    """Says so where the water had to be taken out of milk."""

    def milk(some: Sequence[Line]) -> float:
        return sum(x.mass_g for x in some if x.ingredient in MILKS)

    rest = [x for n, x in enumerate(formula.lines) if n != at]
    return " (poured less of the milk)" if milk(lines) < milk(rest) - 0.05 else ""


def _short(item: Ingredient) -> str:
    return item.name.split(" (")[0].split(",")[0].lower()


def _per_g(item: Ingredient, nutrient: str) -> float:
    found = item.range_of(nutrient)
    return found.typical / 100 if found else 0.0


def _fats(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    line = formula.lines[at]
    if line.ingredient not in FATS:
        return
    fat_g = line.mass_g * _per_g(shelf[line.ingredient], "fat_g")
    for slug in FATS:
        per_g = _per_g(shelf[slug], "fat_g") if slug in shelf else 0.0
        if slug == line.ingredient or per_g <= 0:
            continue
        yield _made(
            "fat",
            formula,
            at,
            [replace(line, ingredient=slug, mass_g=fat_g / per_g)],
            _fat_losses(line.ingredient, slug),
            shelf,
        )
    yield from _half_purees(formula, at, shelf)


def _fat_losses(old: str, new: str) -> list[Loss]:
    found = []
    if old in SOLID and new not in SOLID:
        found.append(Loss(3, "A liquid fat cannot be creamed or rubbed in: less lift, and crumb instead of flake."))
    if old not in SOLID and new in SOLID:
        found.append(Loss(1, "A solid fat has to be melted, and sets firmer when cold."))
    if old == "unsalted-butter":
        found.append(Loss(1, "Butter's flavour and its milk solids that brown."))
    if new == "lard":
        found.append(Loss(2, "Of animal origin: not for vegetarians, and not for some tables."))
    if new == "coconut-oil":
        found.append(Loss(1, "Sets hard when cold; unrefined, it tastes of coconut."))
    if new == "olive-oil":
        found.append(Loss(1, "Tastes of olives."))
    return found


def _half_purees(formula: Formula, at: int, shelf: Shelf) -> Iterator[Swap]:
    """At most half of a fat by purée or yoghurt, gram for gram."""
    line = formula.lines[at]
    half = line.mass_g / 2
    lost_g = half * _per_g(shelf[line.ingredient], "fat_g")
    for slug in PUREES:
        if slug in shelf:
            fresh = [replace(line, ingredient=slug, mass_g=half, stage=_wet(line)), replace(line, mass_g=half)]
            losses = [
                Loss(2, f"Half of the fat, {_grams(lost_g)}: less short and less brown. Never more than half."),
                Loss(1, "Keeps for a shorter time."),
            ]
            name = f"Half {_short(shelf[slug])}"
            yield _made("fat", formula, at, fresh, losses, shelf, name)


def _wet(line: Line) -> Stage:
    return line.stage if line.stage in OUTSIDE_DOUGH else Stage.WET


def _sweeteners(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    line = formula.lines[at]
    old = rules.sweeteners.get(line.ingredient)
    if old is None:
        return
    for new in rules.sweeteners.values():
        if new.slug == old.slug or new.slug not in shelf:
            continue
        mass = line.mass_g * old.sweetness.typical / new.sweetness.typical
        fresh = [replace(line, ingredient=new.slug, mass_g=mass)]
        bulk_g = mass * _dry(shelf[new.slug]) - line.mass_g * _dry(shelf[old.slug])
        losses = _sweet_losses(old, new)
        odd = _bulk_losses(bulk_g, line.mass_g)
        yield _made("sweetener", formula, at, fresh, [*odd, *losses], shelf)
        if odd and bulk_g < 0:
            yield from _with_bulk_back(formula, at, fresh, -bulk_g, losses, shelf)


def _bulk_losses(bulk_g: float, old_g: float) -> list[Loss]:
    if abs(bulk_g) <= 0.1 * old_g:
        return []
    way = "less" if bulk_g < 0 else "more"
    return [Loss(2 if abs(bulk_g) > 0.3 * old_g else 1, f"{_grams(abs(bulk_g))} {way} bulk.")]


def _with_bulk_back(
    formula: Formula, at: int, fresh: Sequence[Line], bulk_g: float, losses: Sequence[Loss], shelf: Shelf
) -> Iterator[Swap]:
    """The same with the bulk given back by the largest flour of the dough, where there is one."""
    flours = [n for n, x in enumerate(formula.lines) if _is_flour_of_dough(x, shelf)]
    if not flours or formula.lines[at].stage in OUTSIDE_DOUGH:
        return
    n = max(flours, key=lambda n: formula.lines[n].mass_g)
    flour = formula.lines[n]
    what = "the blend" if flour.ingredient == BLEND else _short(shelf[flour.ingredient])
    more = (*formula.lines[:n], replace(flour, mass_g=flour.mass_g + bulk_g), *formula.lines[n + 1 :])
    minds = [Loss(1, f"With {_grams(bulk_g)} more of {what} the rest is that much weaker."), *losses]
    name = f"{shelf[fresh[0].ingredient].name}, bulk from {what}"
    swap = _made("sweetener", replace(formula, lines=more), at, fresh, minds, shelf, name)
    yield replace(swap, say=f"{swap.say.removesuffix('.')}, {_grams(bulk_g)} more of {what}.")


def _is_flour_of_dough(line: Line, shelf: Shelf) -> bool:
    return line.stage not in OUTSIDE_DOUGH and (line.ingredient == BLEND or is_flour(shelf[line.ingredient]))


def _sweet_losses(old: Sweetener, new: Sweetener) -> list[Loss]:
    found = []
    if old.browns == "yes" and new.browns == "no":
        found.append(Loss(2, "It does not brown: a pale crust."))
    if new.browns == "fast":
        found.append(Loss(1, "It browns very fast: a cooler oven."))
    if old.feeds_yeast and not new.feeds_yeast:
        found.append(Loss(1, "Yeast cannot eat it."))
    if new.note:
        found.append(Loss(1, f"{new.note[0].upper()}{new.note[1:]}."))
    spread = new.sweetness.high / new.sweetness.low
    if spread > 1.2:
        found.append(Loss(1, f"Sweetness differs by kind: {new.sweetness.low:g}–{new.sweetness.high:g} of sugar's."))
    return found


def _dry(item: Ingredient) -> float:
    return 1 - _per_g(item, "water_g")


def _eggs(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    line = formula.lines[at]
    if line.ingredient != EGG:
        return
    k = line.mass_g / EGG_UNIT_G
    for r in rules.eggs:
        fresh = _stand_in(line, r, k, shelf)
        if not fresh:
            continue
        losses = [
            Loss(1 if x > 0.6 else 2 if x > 0.3 else 3, f"{say} about {100 * x:.0f} % of an egg's.")
            for x, say in ((r.binding, "Binds"), (r.lift, "Lifts"))
            if x < 0.95
        ]
        if formula.use in r.not_for:
            losses.append(Loss(10, "Not for this use: it will not hold or lift."))
        fat_g = line.mass_g * _per_g(shelf[EGG], "fat_g") - sum(
            x.mass_g * _per_g(shelf[x.ingredient], "fat_g") for x in fresh
        )
        if fat_g > 0.5:
            losses.append(Loss(1, f"{_grams(fat_g)} of the yolk's fat, its colour and its emulsifier."))
        if r.ingredient == "egg-white-powder":
            losses.append(Loss(1, "The egg allergen stays."))
        yield _made("egg", formula, at, fresh, losses, shelf, r.name[0].upper() + r.name[1:])


def _stand_in(line: Line, r: EggReplacer, k: float, shelf: Shelf) -> list[Line]:
    stage = Stage.GEL if r.name.endswith("gel") else line.stage
    if not r.ingredient:
        return [Line(WATER, r.water_g * k, line.stage, r.name)]
    if r.ingredient not in shelf:
        return []
    fresh = [Line(r.ingredient, r.dry_g * k, stage, r.name)]
    if r.water_g:
        fresh.append(Line(WATER, r.water_g * k, stage, r.name))
    return fresh


def _milks(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    line = formula.lines[at]
    if line.ingredient not in MILKS:
        return
    water_g = line.mass_g * _per_g(shelf[line.ingredient], "water_g")
    for slug in (*MILKS, WATER):
        per_g = _per_g(shelf[slug], "water_g") if slug in shelf else 0.0
        if slug == line.ingredient or per_g <= 0:
            continue
        fresh = [replace(line, ingredient=slug, mass_g=water_g / per_g)]
        yield _made("milk", formula, at, fresh, _milk_losses(line, fresh[0], shelf), shelf)


def _milk_losses(old: Line, new: Line, shelf: Shelf) -> list[Loss]:
    found = []
    for nutrient, what in (
        ("protein_g", "protein: a weaker crust and crumb"),
        ("sugars_g", "sugars: paler"),
        ("fat_g", "fat: less tender"),
    ):
        lost = old.mass_g * _per_g(shelf[old.ingredient], nutrient) - new.mass_g * _per_g(
            shelf[new.ingredient], nutrient
        )
        if lost > 0.3 * old.mass_g * _per_g(shelf[old.ingredient], nutrient) and lost > 0.2:
            found.append(Loss(1, f"{_grams(lost)} {what}."))
    return found


def _thickeners(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    line = formula.lines[at]
    old = rules.thickeners.get(line.ingredient)
    # In a dough a starch is flour; it is a thickener in a sauce, a filling or a finish.
    if old is None or (formula.use != "thickener" and line.stage not in OUTSIDE_DOUGH):
        return
    for new in rules.thickeners.values():
        if new.slug == old.slug or new.slug not in shelf or shelf[new.slug].contains_gluten:
            continue
        mass = line.mass_g * old.power.typical / new.power.typical
        losses = (
            [Loss(1, f"Now {new.look}, on cooling {new.on_cooling}.")]
            if (new.look, new.on_cooling) != (old.look, old.on_cooling)
            else []
        )
        if new.power.high / new.power.low > 1.4:
            low, high = (line.mass_g * old.power.typical / p for p in (new.power.high, new.power.low))
            losses.append(Loss(1, f"Its power differs by kind: {_grams(low)} to {_grams(high)}."))
        if new.note:
            losses.append(Loss(1, f"{new.note[0].upper()}{new.note[1:]}."))
        yield _made("thickener", formula, at, [replace(line, ingredient=new.slug, mass_g=mass)], losses, shelf)


def _binders(formula: Formula, at: int, shelf: Shelf, rules: SwapRules) -> Iterator[Swap]:
    line = formula.lines[at]
    if line.ingredient not in rules.doses or line.stage in OUTSIDE_DOUGH:
        return
    for slug in rules.doses:
        if slug == line.ingredient or slug not in shelf:
            continue
        done = convert_binder(line.mass_g, line.ingredient, slug, rules.doses)
        more = done.mass_g * rules.holds.get(slug, 0.0) - line.mass_g * rules.holds.get(line.ingredient, 0.0)
        losses = [Loss(1, m) for m in done.minds]
        if done.high_g / max(done.low_g, 1e-9) > 1.5:
            losses.append(Loss(1, f"The dose is a rule of thumb: {_grams(done.low_g)} to {_grams(done.high_g)}."))
        if abs(more) > 1:
            losses.append(Loss(1, f"It holds {_grams(abs(more))} {'more' if more > 0 else 'less'} water."))
        yield _made(
            "binder", formula, at, [replace(line, ingredient=slug, mass_g=done.mass_g)], losses, shelf, more_g=more
        )


_FAMILIES = (_fats, _sweeteners, _eggs, _milks, _thickeners, _binders)

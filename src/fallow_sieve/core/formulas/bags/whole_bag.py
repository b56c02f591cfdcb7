"""A complete mix: all of a formula that is dry in one bag, what to add to 100 g of it, and the way back.

Liquids that have a powder go in as powder and water (milk, egg where wished, syrups, fresh yeast), gram for gram: the
batch weighs as much as before. Fat, fruit, a leaven and what is put on later stay outside. See docs/method.md.
"""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.blends import Part
from fallow_sieve.core.formulas.formula import (
    BLEND,
    OUTSIDE_DOUGH,
    WATER,
    Formula,
    Line,
    When,
    is_flour,
    opened,
    usual_when,
)
from fallow_sieve.core.formulas.pouring import is_poured, poured_water_g
from fallow_sieve.core.ingredients import Function, Ingredient, Kind, Role, Shelf
from fallow_sieve.core.values import BadInputError, Pin, grams

DRY_PCT = 12.0  # with more water than this a bag does not keep
_LEAST_G = 1e-6


@dataclass(frozen=True, slots=True)
class PowderRule:
    """A powder (slug) that stands for a liquid by what that does: g of it for 1 g, and what is lost."""

    function: Function
    powder: str
    g_per_g: float
    note: str = ""


@dataclass(frozen=True, slots=True)
class Stays:
    """A line that stays outside the bag: its name, g for 100 g of the mix, and why."""

    ingredient: str
    name: str
    g_per_100_g: float
    why: str


@dataclass(frozen=True, slots=True)
class WholeBag:
    """A complete mix: its parts (g, for the batch), the formula on it, what to add to 100 g, and what changed.

    `water_g` is g of water to add to 100 g of the mix; `is_as_before` where all that is dry lay in the bag already.
    """

    parts: tuple[Part, ...]
    formula: Formula
    water_g: float
    stays: tuple[Stays, ...]
    notes: tuple[str, ...]
    is_as_before: bool


def into_bag(formula: Formula, shelf: Shelf, powders: Sequence[PowderRule], *, dry_egg: bool = False) -> WholeBag:
    """Return the complete mix of `formula`: all that is dry in the bag, the rest outside; `dry_egg` puts egg in too.

    Raises BadInputError where nothing is dry.
    """
    sorted_out = _SortedOut()
    for line in formula.lines:
        _put(line, formula, shelf, powders, sorted_out, dry_egg=dry_egg)
    bag_g = sum(sorted_out.bag.values())
    if bag_g <= 0:
        raise BadInputError("nothing in it is dry", place="/content/lines", right="add the blend or a flour first")
    lots = {p.ingredient: p.lot_id for p in formula.blend}
    parts = tuple(Part(slug, g, lot_id=lots.get(slug)) for slug, g in sorted_out.bag.items())
    water = [Line(WATER, sorted_out.water_g, When.WET)] if sorted_out.water_g > _LEAST_G else []
    lines = (Line(BLEND, bag_g, When.DRY), *water, *(line for line, _ in sorted_out.outside))
    pin = Pin("blend", None, None, f"{formula.name or 'The formula'}, complete mix")
    per_100 = 100 / bag_g
    return WholeBag(
        parts,
        replace(formula, lines=lines, blend=parts, pin=pin),
        sorted_out.water_g * per_100,
        tuple(Stays(x.ingredient, shelf[x.ingredient].name, x.mass_g * per_100, why) for x, why in sorted_out.outside),
        tuple(sorted_out.notes),
        all(x.ingredient == BLEND for x in sorted_out.bagged),
    )


class _SortedOut:
    """Where the lines have gone so far."""

    def __init__(self) -> None:
        self.bag: dict[str, float] = defaultdict(float)
        self.bagged: list[Line] = []
        self.water_g = 0.0
        self.outside: list[tuple[Line, str]] = []
        self.notes: list[str] = []


def _put(
    line: Line, formula: Formula, shelf: Shelf, powders: Sequence[PowderRule], into: _SortedOut, *, dry_egg: bool
) -> None:
    if line.ingredient == BLEND:
        into.bagged.append(line)
        for part in opened([line], formula.blend):
            into.bag[part.ingredient] += part.mass_g
        return
    item = shelf[line.ingredient]
    if line.ingredient == WATER and line.when not in OUTSIDE_DOUGH and line.when is not When.LEAVEN:
        into.water_g += line.mass_g
        return
    why = _why_outside(line, item, dry_egg=dry_egg)
    if not why and _is_dry(item):
        into.bagged.append(line)
        into.bag[line.ingredient] += line.mass_g
        return
    rule = None if why else _powder_for(item, shelf, powders)
    if rule is None:
        into.outside.append((line, why or "wet, and nothing dry stands for it: it is added at the bowl"))
        return
    into.bagged.append(line)
    powder_g = line.mass_g * rule.g_per_g
    into.bag[rule.powder] += powder_g
    into.water_g += line.mass_g - powder_g
    lost = f"; {rule.note}" if rule.note else ""
    powder = shelf[rule.powder].name
    into.notes.append(f"{grams(line.mass_g)} {item.name} → {grams(powder_g)} {powder} and water{lost}.")


def _why_outside(line: Line, item: Ingredient, *, dry_egg: bool) -> str:
    if line.when in OUTSIDE_DOUGH:
        return "not mixed into the dough"
    if line.when is When.LEAVEN:
        return "a leaven is alive: it is built fresh"
    if item.function(Kind.EGG_PART) and not dry_egg:
        return "egg is added fresh"
    if line.when is When.FOLD_IN or item.function(Kind.INCLUSION):
        return "folded in at the end"
    return "fat turns rancid in a bag" if item.function(Kind.FAT) else ""


def _is_dry(item: Ingredient) -> bool:
    water = item.range_of("water_g")
    return is_flour(item) or item.role is Role.BINDER or (water is not None and water.typical <= DRY_PCT)


def _powder_for(item: Ingredient, shelf: Shelf, powders: Sequence[PowderRule]) -> PowderRule | None:
    found = (r for r in powders if r.function in item.functions and r.powder in shelf)
    return next((r for r in found if _may_stand_for(shelf[r.powder], item)), None)


def _may_stand_for(powder: Ingredient, item: Ingredient) -> bool:
    """A powder never brings what the liquid does not: dried milk is no oat milk."""
    return not powder.archived and {*powder.allergens, *powder.watch} <= {*item.allergens, *item.watch}


def out_of_bag(formula: Formula, shelf: Shelf, powders: Sequence[PowderRule]) -> Formula | None:
    """Return `formula` with its bag taken apart: flours and binders stay the blend, the rest become lines.

    Dried milk and egg become what they stand for while there is plain water to give them. None where there is no bag,
    or it holds nothing but flour and binder.
    """
    bag_g = sum(x.mass_g for x in formula.lines if x.ingredient == BLEND)
    parts = opened([x for x in formula.lines if x.ingredient == BLEND], formula.blend) if bag_g else ()
    loose = [p for p in parts if not _stays_in_blend(shelf[p.ingredient])]
    if not loose:
        return None
    kept = tuple(p for p in parts if _stays_in_blend(shelf[p.ingredient]))
    lines: list[Line] = [Line(BLEND, sum(p.mass_g for p in kept), When.DRY)] if kept else []
    lines += [Line(p.ingredient, p.mass_g, usual_when(shelf[p.ingredient])) for p in loose]
    lines += [x for x in formula.lines if x.ingredient != BLEND]
    name = formula.pin.name if formula.pin else "the bag"
    pin = Pin("blend", None, None, f"Flours of {name}") if kept else None
    return replace(formula, lines=_wetted(lines, shelf, powders), blend=kept, pin=pin)


def _stays_in_blend(item: Ingredient) -> bool:
    dried = item.function(Kind.DRIED_EGG) or item.function(Kind.DRIED_MILK) or item.role is Role.PROTEIN
    return item.role is Role.BINDER or (item.in_flour_base and not dried)


def _wetted(lines: Sequence[Line], shelf: Shelf, powders: Sequence[PowderRule]) -> tuple[Line, ...]:
    """The lines with dried milk and egg made liquid again, out of the poured water."""
    done: list[Line] = []
    poured = poured_water_g(lines)
    for line in lines:
        rule = next((r for r in powders if r.powder == line.ingredient and _liquid(r, shelf)), None)
        wants = line.mass_g / rule.g_per_g - line.mass_g if rule else 0.0
        if rule is None or wants > poured + _LEAST_G:
            done.append(line)
            continue
        poured -= wants
        done.append(Line(_liquid(rule, shelf), line.mass_g + wants, When.WET, line.note))
    return tuple(_with_poured(done, max(0.0, poured)))


def _liquid(rule: PowderRule, shelf: Shelf) -> str:
    """The liquid (slug) that a powder of milk or egg stands for; empty for what is no milk or egg."""
    found = (
        i.slug
        for i in shelf.ingredients
        if rule.function in i.functions and (i.function(Kind.MILK) or i.function(Kind.EGG_PART))
    )
    return next(found, "")


def _with_poured(lines: Sequence[Line], poured_g: float) -> list[Line]:
    """The lines with their poured water come to `poured_g` (g) in all, in its first line."""
    first = next((n for n, x in enumerate(lines) if is_poured(x)), None)
    kept = [(n, x) for n, x in enumerate(lines) if not is_poured(x) or (n == first and poured_g > _LEAST_G)]
    return [replace(x, mass_g=poured_g) if n == first else x for n, x in kept]

"""What a cause changes in a formula: a line brought to what is wanted or usual, up or down, or changed for another.

The water is repaired where binder or flour moved. Where the numbers leave nothing to change, that is the answer.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.blends import DoseBand
from fallow_sieve.core.formulas import BLEND, WATER, Formula, FormulaRules, Line, When, convert_binder, with_water
from fallow_sieve.core.ingredients import Function, Ingredient, Kind, Role, of_kind
from fallow_sieve.core.trials.evidence.composition import Made
from fallow_sieve.core.trials.faults.tables import Cause
from fallow_sieve.core.values import BadInputError

FILLED = frozenset({When.FILLING, When.FINISH})
BRUSH, PASTE, THICKENS, FAT, SUGAR = "olive-oil", BLEND, "corn-starch", "vegetable-oil", "white-sugar"
STARCH_FOR = {"thickener-overboiled": "corn-starch", "acid-thins": "arrowroot-starch"}  # else waxy rice
WAXY = "glutinous-rice-flour"


@dataclass(frozen=True, slots=True)
class FormulaEdit:
    """A formula changed, and the change in one line: "Water 94 → 90 % of flour"."""

    formula: Formula
    say: str


def formula_edit(cause: Cause, made: Made, rules: FormulaRules) -> FormulaEdit:
    """Return the formula with the change that `cause` asks for. Raises BadInputError where nothing is to be changed."""
    work = _WORK.get((cause.edit.op, cause.edit.target)) or _WORK.get((cause.edit.op, ""))
    if work is None:
        raise BadInputError(f"{cause.name} changes no formula", right=cause.change)
    return work(cause, made, rules)


def nothing(why: str) -> BadInputError:
    """Return the error that says why a change is not offered."""
    return BadInputError(why, right="look at the next cause")


def _pct(made: Made, mass_g: float) -> float:
    return 100 * mass_g / made.worked.flour_g if made.worked.flour_g > 0 else 0.0


def _item(made: Made, line: Line) -> Ingredient | None:
    return None if line.ingredient == BLEND else made.worked.shelf[line.ingredient]


def _lines_of(made: Made, is_it: Callable[[Ingredient], bool]) -> list[int]:
    """The lines of the dough that are such a thing."""
    found = []
    for n, line in enumerate(made.formula.lines):
        item = _item(made, line)
        if item is not None and line.when not in FILLED and is_it(item):
            found.append(n)
    return found


def _scaled(made: Made, at: Sequence[int], factor: float) -> Formula:
    lines = tuple(replace(x, mass_g=x.mass_g * factor) if n in at else x for n, x in enumerate(made.formula.lines))
    return replace(made.formula, lines=tuple(x for x in lines if x.mass_g > 1e-9 or x.ingredient == "@words"))


def _with(formula: Formula, line: Line) -> Formula:
    return replace(formula, lines=(*formula.lines, line))


def _water_to_wanted(cause: Cause, made: Made, rules: FormulaRules) -> FormulaEdit:
    wanted, has = made.judged.wanted, made.worked.hydration_pct
    if wanted is None or has is None:
        raise nothing("what this dough wants is not known")
    change = wanted.typical_pct - has
    up = cause.cause == "too-little-water"
    if abs(change) < 1 or (change > 0) != up:
        more = "less" if up else "more"
        raise nothing(f"the formula asks for no {more} than is wanted already ({has:.0f} %): pour what it says")
    lines, _ = with_water(made.formula.lines, change / 100 * made.worked.flour_g, made.worked.shelf)
    return FormulaEdit(replace(made.formula, lines=lines), f"Water {has:.0f} → {wanted.typical_pct:.0f} % of flour")


def _binder_to_load(cause: Cause, made: Made, rules: FormulaRules) -> FormulaEdit:
    load = made.judged.binder.load
    if load is None:
        raise nothing(f"the binder load cannot be told: {made.judged.binder.say}")
    down = cause.cause == "binder-double"
    if (load <= 1.05) if down else (load >= 0.95):
        raise nothing(f"the binder load is {load:.2f} already")
    at = _lines_of(made, lambda i: i.role is Role.BINDER)
    in_lines = _load_of_lines(made, at)
    if down:
        if in_lines <= 0:
            raise nothing(f"the load of {load:.2f} is all in the blend: mend the blend")
        factor = max(0.0, (in_lines - (load - 1.0)) / in_lines)
        return FormulaEdit(_scaled(made, at, factor), f"Binder load {load:.2f} → {load - in_lines * (1 - factor):.2f}")
    if in_lines > 0:
        return FormulaEdit(_scaled(made, at, (in_lines + 1.0 - load) / in_lines), f"Binder load {load:.2f} → 1.00")
    wanted = made.judged.suggestion
    if wanted is None or wanted.binder is None or wanted.usual is None:
        raise nothing("no binder is on record for this use")
    mass = (1.0 - load) * wanted.usual.typical_pct / 100 * made.worked.flour_g
    when = When.GEL if wanted.binder.startswith("psyllium") else When.DRY
    return FormulaEdit(_with(made.formula, Line(wanted.binder, mass, when)), f"Binder load {load:.2f} → 1.00")


def _load_of_lines(made: Made, at: Sequence[int]) -> float:
    usual = {d.binder: d.usual for d in made.judged.binder.doses}
    found = 0.0
    for n in at:
        line = made.formula.lines[n]
        band = usual.get(line.ingredient)
        if band is not None and band.typical_pct > 0:
            found += _pct(made, line.mass_g) / band.typical_pct
    return found


def _to_typical(cause: Cause, made: Made, rules: FormulaRules) -> FormulaEdit:
    if cause.edit.target == "gum":
        return _gum_to_typical(cause, made, rules)
    kind = cause.edit.target
    lift = next((x for x in made.judged.lifts if x.kind == kind), None)
    if lift is None or lift.usual is None or lift.usual.typical_pct <= 0:
        raise nothing(f"no usual {kind} is on record for this use")
    usual = lift.usual.typical_pct
    more = cause.cause.endswith("short")
    if (lift.value_pct >= 0.95 * usual) if more else (lift.value_pct <= 1.05 * usual):
        raise nothing(f"{kind} is {lift.value_pct:.1f} % of flour, about the usual {usual:.1f} % already")
    at = _lines_of(made, lambda i: of_kind(i.functions, Kind.YEAST if kind == "yeast" else Kind.POWDER) is not None)
    if not at:
        raise nothing(f"no line of {kind} is in the formula: it is in the blend")
    said = f"{kind.capitalize()} {lift.value_pct:.1f} → {usual:.1f} % of flour"
    return FormulaEdit(_scaled(made, at, usual / lift.value_pct if lift.value_pct > 0 else 1.0), said)


_GUMS = frozenset({Function.XANTHAN, Function.GUAR, Function.HPMC})


def _gum_to_typical(cause: Cause, made: Made, rules: FormulaRules) -> FormulaEdit:
    bands = rules.doses.get(made.use.slug if made.use else "", {})
    at = _lines_of(made, lambda i: any(f in _GUMS for f in i.functions))
    over = [n for n in at if _pct(made, made.formula.lines[n].mass_g) > 1.05 * _typical(made, n, bands)]
    if not over:
        raise nothing("no line of gum is over its usual")
    n = over[0]
    line, typical = made.formula.lines[n], _typical(made, n, bands)
    said = f"{made.worked.shelf[line.ingredient].name} {_pct(made, line.mass_g):.1f} → {typical:.1f} % of flour"
    return FormulaEdit(_scaled(made, [n], typical / _pct(made, line.mass_g)), said)


def _typical(made: Made, n: int, bands: Mapping[str, DoseBand]) -> float:
    band = bands.get(made.formula.lines[n].ingredient)
    return band.typical_pct if band else float("inf")


def _is_fat(item: Ingredient) -> bool:
    return of_kind(item.functions, Kind.FAT) is not None


def _is_sugar(item: Ingredient) -> bool:
    return of_kind(item.functions, Kind.SWEETENER) is not None


def _is_powder(item: Ingredient) -> bool:
    return of_kind(item.functions, Kind.POWDER) is not None


_ARE = {"fat": _is_fat, "sugar": _is_sugar, "powder": _is_powder}


def _scale(cause: Cause, made: Made, rules: FormulaRules) -> FormulaEdit:
    at = _lines_of(made, _ARE[cause.edit.target])
    if not at:
        raise nothing(f"no line of {cause.edit.target} is in the formula")
    before = _pct(made, sum(made.formula.lines[n].mass_g for n in at))
    said = f"{cause.edit.target.capitalize()} {before:.1f} → {before * cause.edit.size:.1f} % of flour"
    return FormulaEdit(_scaled(made, at, cause.edit.size), said)


def _add(cause: Cause, made: Made, rules: FormulaRules) -> FormulaEdit:
    kind, more = cause.edit.target, cause.edit.size / 100 * made.worked.flour_g
    at = _lines_of(made, _ARE[kind])
    before = sum(made.formula.lines[n].mass_g for n in at)
    said = f"{kind.capitalize()} {_pct(made, before):.1f} → {_pct(made, before + more):.1f} % of flour"
    if at:
        return FormulaEdit(_scaled(made, at, (before + more) / before), said)
    line = Line(FAT, more, When.FAT) if kind == "fat" else Line(SUGAR, more, When.DRY)
    return FormulaEdit(_with(made.formula, line), said)


def _soda_to_most(cause: Cause, made: Made, rules: FormulaRules) -> FormulaEdit:
    at = _lines_of(made, lambda i: Function.BAKING_SODA in i.functions)
    before = _pct(made, sum(made.formula.lines[n].mass_g for n in at))
    if before <= cause.edit.size:
        raise nothing(f"soda is {before:.2f} % of flour: not over {cause.edit.size:g} %")
    return FormulaEdit(
        _scaled(made, at, cause.edit.size / before), f"Soda {before:.2f} → {cause.edit.size:g} % of flour"
    )


def _add_line(cause: Cause, made: Made, rules: FormulaRules) -> FormulaEdit:
    if cause.cause == "filling-wet":
        filling = sum(x.mass_g for x in made.formula.lines if x.when is When.FILLING)
        if filling <= 0:
            raise nothing("there is no filling to thicken")
        line = Line(THICKENS, cause.edit.size / 100 * filling, When.FILLING)
        return FormulaEdit(_with(made.formula, line), f"{line.mass_g:.0f} g corn starch in the filling")
    mass = cause.edit.size / 100 * made.worked.flour_g
    if cause.cause == "brush-failed":
        made_of = Line(
            PASTE if made.formula.blend else THICKENS, mass / 2, When.FILLING, "a thin paste, under the filling"
        )
        paste = (made_of, Line(WATER, mass, When.FILLING))
        lines = (*made.formula.lines, *paste)
        return FormulaEdit(replace(made.formula, lines=lines), "A thin paste of blend and water under the filling")
    return FormulaEdit(
        _with(made.formula, Line(BRUSH, mass, When.FINISH)),
        f"{mass:.0f} g oil to brush, {cause.edit.size:g} % of flour",
    )


def _half_for_gum(cause: Cause, made: Made, rules: FormulaRules) -> FormulaEdit:
    bands = rules.doses.get(made.use.slug if made.use else "", {})
    at = _lines_of(made, lambda i: Function.PSYLLIUM_HUSK in i.functions or Function.PSYLLIUM_POWDER in i.functions)
    if not at or "xanthan-gum" not in bands:
        raise nothing("the husk is in the blend: mend the blend" if not at else "no gum is usual for this use")
    line = made.formula.lines[at[0]]
    half = line.mass_g * cause.edit.size / 100
    gum = convert_binder(half, line.ingredient, "xanthan-gum", bands).mass_g
    changed = _with(_scaled(made, [at[0]], 1 - cause.edit.size / 100), Line("xanthan-gum", gum, When.DRY))
    return FormulaEdit(changed, f"{half:.0f} g husk for {gum:.1f} g xanthan at the same load")


def _thickener_to_power(cause: Cause, made: Made, rules: FormulaRules) -> FormulaEdit:
    sauce = made.judged.thickening
    if sauce is None or not sauce.per_litre:
        raise nothing("how thick it is cannot be told")
    middle = (sauce.wanted.good_low + sauce.wanted.good_high) / 2
    factor = middle / sauce.per_litre
    if abs(factor - 1) < 0.05:
        raise nothing("its thickening power is what is wanted already")
    at = _thickeners(made)
    said = f"Thickening power {sauce.per_litre:.0f} → {middle:.0f} g a litre, as corn starch"
    return FormulaEdit(_scaled(made, at, factor), said)


def _thickeners(made: Made) -> list[int]:
    sauce = made.judged.thickening
    names = {p.ingredient for p in sauce.parts} if sauce else set()
    blend = bool(made.formula.blend) and any(p.ingredient in names for p in made.formula.blend)
    return [
        n
        for n, x in enumerate(made.formula.lines)
        if x.ingredient in names or (blend and x.ingredient == BLEND and x.when not in FILLED)
    ]


def _thickener_swapped(cause: Cause, made: Made, rules: FormulaRules) -> FormulaEdit:
    share = cause.edit.size
    to = STARCH_FOR.get(cause.cause, WAXY)
    sauce = made.judged.thickening
    at = [n for n in _thickeners(made) if made.formula.lines[n].ingredient not in (BLEND, to)]
    if sauce is None or not at or to not in rules.thickeners:
        raise nothing("no starch of this sauce can be changed for another here")
    line = made.formula.lines[at[0]]
    power = next(p.does_g.typical / p.mass_g for p in sauce.parts if p.ingredient == line.ingredient)
    mass = share * line.mass_g * power / rules.thickeners[to].power.typical
    changed = _with(_scaled(made, [at[0]], 1 - share), Line(to, mass, line.when))
    was, now = (made.worked.shelf[s].name for s in (line.ingredient, to))
    return FormulaEdit(
        changed, f"{share * line.mass_g:.0f} g {was.lower()} for {mass:.0f} g {now.lower()}, the same power"
    )


_WORK: dict[tuple[str, str], Callable[[Cause, Made, FormulaRules], FormulaEdit]] = {
    ("to-wanted", "water"): _water_to_wanted,
    ("to-load", "binder"): _binder_to_load,
    ("to-typical", ""): _to_typical,
    ("scale", ""): _scale,
    ("add", ""): _add,
    ("to-most", "baking-soda"): _soda_to_most,
    ("add-line", ""): _add_line,
    ("swap-half", "psyllium-husk"): _half_for_gum,
    ("to-power", "thickener"): _thickener_to_power,
    ("swap-power", "thickener"): _thickener_swapped,
}
OPERATIONS = frozenset(op for op, _ in _WORK)

"""What is done at each step, from the formula: grams, temperatures, and what to beware of."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.formulas import WATER, FormulaJudgement, LineFacts, When
from fallow_sieve.core.ingredients import WORDS, Kind, of_kind
from fallow_sieve.core.schedule.leaven.builds import LeavenPlan, count_back, preferment
from fallow_sieve.core.schedule.ripening.waking import WAKES_FROM_C, WAKES_TO_C
from fallow_sieve.core.schedule.steps.dough import MIXES
from fallow_sieve.core.schedule.steps.product import Product
from fallow_sieve.core.schedule.steps.rules import Kind as StepKind
from fallow_sieve.core.schedule.steps.rules import StepRule
from fallow_sieve.core.values import grams
from fallow_sieve.formats.schedule import GramsOut

WAKE_C = 38.0
_WAKING = f"{WAKE_C:.0f} °C wakes it ({WAKES_FROM_C:.0f} to {WAKES_TO_C:.0f}); over {WAKES_TO_C:.0f} °C kills it."
_WAKING_LIQUID = 8.0  # g of liquid to 1 g of dried yeast, at least
_CHILLED_FROM, _CHILLED_TO, _LONGEST_WARM_H = 8.0, 60.0, 4.0
_AT = {
    "dry-blend": (When.DRY,),
    "gel": (When.GEL, When.SOAK),
    "soak": (When.SOAK,),
    "mix": (When.WET, When.FAT, When.FOLD_IN),
    "load": (When.WET, When.FAT, When.DRY, When.FOLD_IN),
    "rub-fat": (When.FAT,),
    "warm-liquid": (When.WET, When.FAT),
    "beat-egg": (When.FOLD_IN,),
    "cook-paste": (When.WET, When.FAT, When.DRY),
    "top": (When.FILLING,),
    "glaze": (When.FINISH,),
    "ice": (When.FINISH,),
}


@dataclass(frozen=True, slots=True)
class Worked:
    """A product's formula as judged, how many times it is made, and its leaven counted back (None: it has none)."""

    judged: FormulaJudgement | None
    times: float
    leaven: LeavenPlan | None
    leaven_g: float = 0.0


def worked(product: Product, judged: FormulaJudgement | None, room_c: float, need_g: float | None) -> Worked:
    """Return what the steps of `product` need; `need_g` is the leaven that goes in, g (None: of its usual share)."""
    times = product.dough_g / judged.analysis.dough_g if judged and judged.analysis.dough_g > 0 else 1.0
    builds = [r for r in product.rules if r.kind is StepKind.BUILD]
    leaven, need = None, 0.0
    if builds:
        need = need_g or product.dough_g * _LEAVEN_SHARE
        ratios = [product.starter.ratio] * len(builds)
        keep = product.starter.keep_back_g if any(r.step == "keep-back" for r in product.rules) else 0.0
        leaven = count_back(need, keep, ratios, room_c, product.starter, product.rest_days)
    return Worked(judged, times, leaven, need)


_LEAVEN_SHARE = 0.16  # of a dough with 35 % of its flour as leaven; a rule of thumb where there is no formula


def leaven_of(judged: FormulaJudgement | None, times: float) -> float | None:
    """Return the leaven that a formula takes, g; None where it has none."""
    if judged is None:
        return None
    mass = sum(x.mass_g for x in judged.analysis.lines if x.when is When.LEAVEN)
    return times * mass if mass > 0 else None


def grams_at(product: Product, rule: StepRule, found: Worked, water_c: float | None, units: float) -> list[GramsOut]:
    """Return what goes in at a step: name, g, and °C where it matters; `units` are its hours at 26 °C."""
    if rule.kind is StepKind.BUILD:
        return _build(product, rule, found)
    if rule.step == "preferment":
        return _preferment(product, rule, found, units)
    if rule.step == "keep-back" and found.leaven is not None:
        keep = found.leaven.keep_back_g
        return [GramsOut(name="kept back, fed 1 : 1 : 1", mass_g=keep, temp_c=None)]
    if rule.step in ("fill", "shape", "portion", "pipe") and product.pieces > 0:
        each = f"{product.pieces} × {grams(product.piece_g)}"
        return [GramsOut(name=f"{each}, {grams(product.dough_g)} of dough", mass_g=None, temp_c=None)]
    if found.judged is None:
        return []
    lines = found.judged.analysis.lines
    if rule.step == "weigh":
        return [_line(x, found.times) for x in lines if x.when is not When.LEAVEN or found.leaven is None]
    if rule.step == "wake-yeast":
        return _waking(lines, found.times)
    moments = _AT.get(rule.step, ())
    taken = _taken_elsewhere(product, rule.step)
    here = [x for x in lines if x.when in moments and x.when not in taken]
    weighed = [_line(x, found.times, water_c if rule.step in MIXES and _is_water(x) else None) for x in here]
    if rule.step in MIXES and found.leaven is not None:
        weighed.insert(0, GramsOut(name="leaven", mass_g=found.leaven_g, temp_c=None))
    return weighed


def _taken_elsewhere(product: Product, step: str) -> frozenset[When]:
    """Moments that a step of their own takes care of."""
    if step != "mix":
        return frozenset()
    names = {r.step for r in product.rules}
    found = {When.FAT} if "rub-fat" in names else set()
    return frozenset(found | ({When.WET, When.FAT} if "warm-liquid" in names else set()))


def _line(x: LineFacts, times: float, temp_c: float | None = None) -> GramsOut:
    mass = None if x.ingredient == WORDS and x.mass_g == 0 else x.mass_g * times
    return GramsOut(name=x.name, mass_g=mass, temp_c=temp_c)


def _is_water(x: LineFacts) -> bool:
    return x.ingredient == WATER


def _is_yeast(x: LineFacts) -> bool:
    return of_kind(x.functions, Kind.YEAST) is not None


def _waking(lines: Sequence[LineFacts], times: float) -> list[GramsOut]:
    yeast = [x for x in lines if _is_yeast(x)]
    mass = times * sum(x.mass_g for x in yeast)
    wet = next((x for x in lines if x.when is When.WET and x.water_counts), None)
    found = [_line(x, times) for x in yeast]
    if wet is not None and mass > 0:
        liquid = min(times * wet.mass_g, _WAKING_LIQUID * mass)
        found.insert(0, GramsOut(name=f"{wet.name}, of the {grams(times * wet.mass_g)}", mass_g=liquid, temp_c=WAKE_C))
    return found


PREFERMENT_SHARE_PCT = 30.0  # of the flour, and as much water; a rule of thumb


def _preferment(product: Product, rule: StepRule, found: Worked, units: float) -> list[GramsOut]:
    """Flour, water and yeast of a preferment: its yeast is chosen for the hours that it is planned to stand."""
    if found.judged is None or rule.ref_hours is None or rule.ref_pct is None or units <= 0:
        return []
    flour = found.times * found.judged.analysis.flour_g
    made = preferment(flour, PREFERMENT_SHARE_PCT, 100.0, units, rule.ref_hours, rule.ref_pct)
    parts = (("flour, of the blend", made.flour_g), ("water", made.water_g), ("instant yeast", made.yeast_g))
    return [GramsOut(name=name, mass_g=mass, temp_c=None) for name, mass in parts]


def _build(product: Product, rule: StepRule, found: Worked) -> list[GramsOut]:
    builds = [r.step for r in product.rules if r.kind is StepKind.BUILD]
    if found.leaven is None:
        return []
    b = found.leaven.builds[builds.index(rule.step)]
    parts = (("starter", b.seed_g), ("flour for the leaven", b.flour_g), ("water", b.water_g))
    return [GramsOut(name=name, mass_g=mass, temp_c=None) for name, mass in parts]


def notes_at(product: Product, rule: StepRule, found: Worked) -> list[str]:
    """Return what to know at a step, as sentences: what it is done by, what must not happen."""
    notes = []
    if rule.step == "wake-yeast":
        notes.append(
            f"{WAKE_C:.0f} °C wakes it ({WAKES_FROM_C:.0f} to {WAKES_TO_C:.0f}); over {WAKES_TO_C:.0f} °C kills it."
        )
    if rule.kind is StepKind.BUILD or rule.step == "keep-back":
        notes.append("Lay the lid on, never screw it: the jar can burst.")
    if (
        rule.kind is StepKind.BUILD
        and found.leaven is not None
        and rule.step == "leaven"
        and found.leaven.left_over_g > 1
    ):
        notes.append(f"{grams(found.leaven.left_over_g)} is left over in all.")
    if rule.kind is StepKind.BAKE:
        notes += _bake_notes(found.judged)
    if rule.kind is StepKind.FERMENT and rule.target_rise_pct:
        notes.append(f"Ripe when it has risen by {rule.target_rise_pct:.0f} %.")
    if rule.step in product.rim:
        notes.append("In this tin it can climb over the rim: look before it is over.")
    return notes


def _bake_notes(judged: FormulaJudgement | None) -> list[str]:
    notes = ["Hot tins, stones and steam burn: dry gloves, stand to the side of the door."]
    bake = judged.bake if judged else None
    if bake and bake.core_low_c is not None and bake.core_high_c is not None:
        notes.insert(0, f"Done at a core of {bake.core_low_c:.0f}–{bake.core_high_c:.0f} °C.")
    return notes


def warm_caution(product: Product, judged: FormulaJudgement | None, warm_h: float) -> str | None:
    """Return the caution of a dough with milk or egg that is over 4 h between 8 and 60 °C, or None."""
    if judged is None or warm_h <= _LONGEST_WARM_H:
        return None
    if not any(_is_fresh(x) for x in judged.analysis.lines if x.in_dough):
        return None
    return (
        f"{product.name}: a dough with milk or egg is {warm_h:.1f} h between {_CHILLED_FROM:.0f} and "
        f"{_CHILLED_TO:.0f} °C, over {_LONGEST_WARM_H:.0f} h: local rules decide."
    )


def _is_fresh(x: LineFacts) -> bool:
    return any(of_kind(x.functions, kind) for kind in (Kind.EGG, Kind.EGG_PART, Kind.MILK))

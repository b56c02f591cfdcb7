"""Which binder and how much: the school's suggestion, one binder for another, and a dose the scale cannot see.

The load B = Σ doseⱼ/typicalⱼ (see `binders`) is what a conversion keeps. Doses are rules of thumb.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends import GOOD_LOAD, BinderLoad, DoseBand, Use
from fallow_sieve.core.ingredients import short_name
from fallow_sieve.core.values import BadInputError, UnknownNameError

SCHOOLS = {
    "by-moisture": "psyllium in wet and yeasted doughs, a gum in dry ones",
    "gum": "a gum in everything",
    "psyllium": "psyllium in everything",
    "gels": "seed gels",
    "none": "no binder at all",
}
STEPS_OF_SCALE = 20  # a dose under so many steps of the scale is weighed too roughly
_LEAST_G = 1e-6
PREMIX_PARTS = 10  # 1 of binder to 9 of flour


@dataclass(frozen=True, slots=True)
class Suggestion:
    """A binder (slug, or None for none), what to add (g, and % of flour base), its usual band, and why."""

    binder: str | None
    add_g: float
    add_pct: float
    usual: DoseBand | None
    why: str


def suggest(school: str, use: Use, load: BinderLoad, flour_g: float, doses: Mapping[str, DoseBand]) -> Suggestion:
    """Return what the school would add for `use` to what is already there (`load`), in g and % of flour base.

    `doses` are the use's bands. Raises UnknownNameError for a school that is not known.
    """
    if school not in SCHOOLS:
        raise UnknownNameError("binder school", school, SCHOOLS, place="/school")
    if flour_g <= 0:
        return Suggestion(None, 0.0, 0.0, None, "There is no flour to bind yet.")
    binder, why = _choice(school, use)
    if binder is None or binder not in doses:
        return Suggestion(None, 0.0, 0.0, None, why if binder is None else "No usual dose is on record for this use.")
    band = doses[binder]
    if load.load is None:
        return Suggestion(None, 0.0, 0.0, band, f"{why} What is there already cannot be told: {load.say}")
    if load.load >= GOOD_LOAD[0]:
        return Suggestion(None, 0.0, 0.0, band, f"{why} There is enough already: load {load.load:.2f}.")
    add_pct = (1 - load.load) * band.typical_pct
    return Suggestion(binder, add_pct / 100 * flour_g, add_pct, band, why)


def preferred_binder(school: str, use: Use) -> str | None:
    """Return the binder (slug) that `school` would take for `use`; None for none."""
    return _choice(school, use)[0]


def _choice(school: str, use: Use) -> tuple[str | None, str]:
    if school == "none":
        return None, "Your school uses none: rest the dough longer and expect a shorter crumb."
    if use.moisture == "none":
        return None, "A thickener or coating needs no binder."
    if school == "gum":
        return "xanthan-gum", "Your school uses a gum in everything."
    if school == "psyllium":
        return "psyllium-husk", "Your school uses psyllium in everything."
    if school == "gels":
        return "ground-flaxseed", "Your school binds with seed gels."
    if use.moisture == "wet":
        return "psyllium-husk", "Wet and yeasted doughs: husk holds water and gas."
    return "xanthan-gum", "Dry doughs and batters: husk would taste earthy, a gum does not."


@dataclass(frozen=True, slots=True)
class Converted:
    """A binder's mass in the place of another's at the same load: g, its range (g), and what to mind."""

    binder: str
    mass_g: float
    low_g: float
    high_g: float
    minds: tuple[str, ...]


def convert_binder(mass_g: float, from_binder: str, to_binder: str, doses: Mapping[str, DoseBand]) -> Converted:
    """Return the g of `to_binder` that keep the load of `mass_g` g of `from_binder`: dose × typical_b / typical_a.

    The range takes the low and high doses in the place of the typical. Raises UnknownNameError for a binder
    without a usual dose for the use.
    """
    for slug in (from_binder, to_binder):
        if slug not in doses:
            raise UnknownNameError("binder with a usual dose here", slug, doses)
    a, b = doses[from_binder], doses[to_binder]
    ratios = (b.low_pct / a.low_pct, b.typical_pct / a.typical_pct, b.high_pct / a.high_pct)
    minds = []
    if {from_binder, to_binder} == {"psyllium-husk", "psyllium-powder"}:
        minds.append("Swap husk and powder by mass, never by spoon: a spoon of powder weighs about twice as much.")
    if to_binder == "gelatin":
        minds.append("Gelatin is of animal origin: not for vegetarians.")
    if to_binder == "egg-white-powder":
        minds.append("Egg white powder contains egg.")
    typical = mass_g * ratios[1]
    return Converted(to_binder, typical, mass_g * min(ratios), mass_g * max(ratios), tuple(minds))


@dataclass(frozen=True, slots=True)
class Premix:
    """One pre-mix: g of what is diluted and g of flour to whisk together, and how strong it then is (1 in …)."""

    of_g: float
    flour_g: float
    one_in: int


@dataclass(frozen=True, slots=True)
class Dilution:
    """How to weigh a dose the scale cannot see: pre-mixes in order, the g to take of the last, and the flour in it.

    `flour_g` (g) is to be left out of the rest of the flour, so that nothing is added twice. `needed` is False
    where the dose can be weighed as it is.
    """

    needed: bool
    dose_g: float
    readability_g: float
    premixes: tuple[Premix, ...]
    take_g: float
    flour_g: float
    say: str


def dilute(dose_g: float, readability_g: float) -> Dilution:
    """Return how to weigh `dose_g` g on a scale that shows steps of `readability_g` g: geometric dilution 1:9.

    A dose of 20 steps or more needs none. Raises BadInputError unless both are over 0.
    """
    if not (_LEAST_G < dose_g < math.inf and _LEAST_G < readability_g < math.inf):
        raise BadInputError(
            f"a dose of {dose_g:g} g on a scale of {readability_g:g} g",
            right="both must be over 0 and no less than a microgram",
        )
    least = STEPS_OF_SCALE * readability_g
    if dose_g >= least - 1e-9:
        return Dilution(False, dose_g, readability_g, (), dose_g, 0.0, "Your scale can weigh this dose.")
    times = math.ceil(math.log10(least / dose_g) - 1e-12)
    if times > 3:
        raise BadInputError(
            f"{dose_g:g} g cannot be weighed on a scale of {readability_g:g} g", right="use a finer scale"
        )
    premixes = tuple(Premix(least, least * (PREMIX_PARTS - 1), PREMIX_PARTS**n) for n in range(1, times + 1))
    take = dose_g * PREMIX_PARTS**times  # less than the last pre-mix, by the choice of `times`
    return Dilution(True, dose_g, readability_g, premixes, take, take - dose_g, _say(dose_g, readability_g, times))


def _say(dose_g: float, readability_g: float, times: int) -> str:
    how = {1: "once", 2: "twice", 3: "three times"}[times]
    return (
        f"{dose_g:.2g} g is under {STEPS_OF_SCALE} steps of a scale that shows {readability_g:g} g: "
        f"dilute it {how} with flour, 1 to 9, and weigh the mix."
    )


def disperse(soaked: Sequence[str], dry: Sequence[str], in_bag: Sequence[str], gelatin: bool) -> tuple[str, ...]:
    """Return how to get binders (by name) into the dough without clumps, a sentence for each way.

    `soaked` are made to a gel first, `dry` are whisked into the flour, `in_bag` are in the blend already.
    """
    found = []
    if soaked:
        found.append(
            f"{_named(soaked)}: sprinkle over the measured water while whisking; rest 5–10 minutes to a gel before "
            "the flour goes in."
        )
    if dry:
        found.append(f"{_named(dry)}: sprinkle over the dry mix, never in one spot; whisk a full minute, then wet.")
    if in_bag:
        found.append(f"{_named(in_bag)} in the blend already: stir the bag, whisk the dry mix, then wet it at once.")
    if gelatin:
        found.append("Gelatin: soak it cold in part of the water, warm until clear, and stir in.")
    return tuple(found)


def _named(names: Sequence[str]) -> str:
    short = [short_name(n) for n in names]
    return ", ".join([short[0], *(n[0].lower() + n[1:] for n in short[1:])])

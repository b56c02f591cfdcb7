"""The ways a bake is measured by hand: what numbers each needs, and what they come to with its uncertainty."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.trials.measures.crumb_and_crust import give, lightness, spread, whole_share
from fallow_sieve.core.trials.measures.keeping import GIVE_SD_PCT
from fallow_sieve.core.trials.measures.volume import Heights, by_seeds, free_standing, from_heights
from fallow_sieve.core.trials.measures.weighing import Measured
from fallow_sieve.core.values import BadInputError, UnknownNameError

Numbers = Mapping[str, Sequence[float]]
Z95 = 1.96
_APART = "Cannot tell: the slices differ by more than a fifth. Cut new ones."
MOST_NUMBERS = 20


@dataclass(frozen=True, slots=True)
class Asked:
    """A number that a way asks for: its name, label and unit, whether several are taken, and what is usual."""

    name: str
    label: str
    unit: str
    several: bool = False
    usual: float | None = None


@dataclass(frozen=True, slots=True)
class Taken:
    """A measure as taken: value and sd in the quantity's unit, of how many; None where they cannot tell, and why."""

    value: float | None
    sd: float | None
    n: int
    method: str = ""
    say: str = ""


@dataclass(frozen=True, slots=True)
class Way:
    """A way to measure a quantity: how, in a sentence, what it asks for, and with what caution."""

    name: str
    label: str
    quantity: str
    how: str
    asks: tuple[Asked, ...]
    work: Callable[[Numbers], Taken]


def measured_by(name: str, numbers: Numbers) -> Taken:
    """Return what the numbers of a way come to. Raises UnknownNameError, BadInputError naming the number."""
    way = WAYS.get(name)
    if way is None:
        raise UnknownNameError("way to measure", name, list(WAYS), place="/way")
    for asked in way.asks:
        given = numbers.get(asked.name, ())
        if not given and asked.usual is None:
            raise BadInputError(f"no {asked.label.lower()}", place=f"/numbers/{asked.name}", right=f"give {asked.unit}")
        if len(given) > (MOST_NUMBERS if asked.several else 1):
            right = f"at most {MOST_NUMBERS}" if asked.several else "give one"
            raise BadInputError(f"{len(given)} numbers", place=f"/numbers/{asked.name}", right=right)
    usual = {a.name: (a.usual,) for a in way.asks if a.usual is not None}
    return way.work({**usual, **{n: v for n, v in numbers.items() if v}})


def _taken(m: Measured, n: int = 1) -> Taken:
    return Taken(m.value, m.sd, n, m.how)


def _seeds(x: Numbers) -> Taken:
    return _taken(by_seeds(x["box_ml"][0], x["full_g"], x["left_g"]), len(x["left_g"]))


def _heights(x: Numbers, *, is_round: bool) -> Taken:
    across = x["width_cm"][0]
    length = across if is_round else x["length_cm"][0]
    return _taken(from_heights(Heights(length, across, x["edge_cm"][0], x["middle_cm"][0], is_round)))


def _free(x: Numbers) -> Taken:
    return _taken(free_standing(x["length_cm"][0], x["width_cm"][0], x["height_cm"][0]))


def _spread(x: Numbers) -> Taken:
    return _taken(spread(x["rows_mm"], x["stacks_mm"], round(x["count"][0])), len(x["rows_mm"]))


def _give(x: Numbers) -> Taken:
    found = give(x["sunk_mm"], *(x[n][0] for n in ("foot_mm", "mass_g", "slice_mm")))
    if len(x["sunk_mm"]) > 1 and not found.agree:
        return Taken(
            None, None, len(x["sunk_mm"]), "Cannot tell: the slices differ by more than a fifth. Cut new ones."
        )
    return Taken(found.compression_pct, GIVE_SD_PCT, len(x["sunk_mm"]))


def _light(x: Numbers) -> Taken:
    paper, crust = ((v[0], v[1], v[2]) if len(v) == 3 else None for v in (x["paper"], x["crust"]))
    if paper is None or crust is None:
        raise BadInputError("a colour without its three parts", place="/numbers", right="red, green and blue, 0 to 255")
    return _taken(lightness(paper, crust))


def _whole(x: Numbers) -> Taken:
    boiled = round(x["boiled"][0])
    value, low, high = whole_share(round(x["whole"][0]), boiled)
    few = " Twelve or more tell more." if boiled < 12 else ""
    return Taken(value, (high - low) / 2 / Z95, boiled, say=f"95 of 100 times between {low:.0f} and {high:.0f} %.{few}")


_SIDES = (Asked("length_cm", "Length", "cm"), Asked("width_cm", "Width", "cm"))
_RULER = (Asked("edge_cm", "Height at the edge", "cm"), Asked("middle_cm", "Height in the middle", "cm"))
_COLOUR = (Asked("paper", "White paper", "red, green, blue", True), Asked("crust", "Crust", "red, green, blue", True))
_PHOTO_HOW = "White paper beside the bake, both in one light: tap the paper, then the crust."
_SEEDS_HOW = "Fill the box level with millet or rice kept for it, weigh the seeds; again with the bake in it."

WAYS: dict[str, Way] = {
    w.name: w
    for w in (
        Way("seeds", "Volume by seeds", "volume_seed_ml", f"{_SEEDS_HOW} Never wheat, mustard or sesame.", (
            Asked("box_ml", "Box", "mL"), Asked("full_g", "Seeds, box alone", "g", True),
            Asked("left_g", "Seeds, with the bake in it", "g", True)), _seeds),
        Way("tin", "Volume of a tin loaf by ruler", "volume_shape_ml", "Its own length and width, not the tin's.", (
            *_SIDES, *_RULER),
            lambda x: _heights(x, is_round=False)),
        Way("round", "Volume of a round loaf by ruler", "volume_shape_ml", "Its own width, not the tin's.", (
            Asked("width_cm", "Across", "cm"), *_RULER), lambda x: _heights(x, is_round=True)),
        Way("free", "Volume of a hearth loaf or roll", "volume_shape_ml", "0.58 of length × width × height.", (
            *_SIDES, Asked("height_cm", "Height", "cm")), _free),
        Way("spread", "Spread of biscuits", "spread_ratio", "In a row, then stacked; turn them, and again.", (
            Asked("rows_mm", "In a row", "mm", True), Asked("stacks_mm", "Stacked", "mm", True),
            Asked("count", "Biscuits", "", usual=6)), _spread),
        Way("give", "Give under a weight", "compression_pct", "A flat foot on a slice for 10 s; three slices.", (
            Asked("sunk_mm", "Sunk", "mm", True), Asked("foot_mm", "Foot across", "mm", usual=36),
            Asked("mass_g", "Weight", "g", usual=250), Asked("slice_mm", "Slice", "mm", usual=25)), _give),
        Way("whole", "Whole after the boil", "intact_pct", "Count both, twelve or more.", (
            Asked("whole", "Whole", ""), Asked("boiled", "Boiled", "")), _whole),
        Way("light", "Crust from a photo", "crust_l", _PHOTO_HOW, _COLOUR, _light),
    )
}  # fmt: skip

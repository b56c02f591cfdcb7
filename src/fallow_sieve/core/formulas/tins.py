"""Tins: what they hold and how much dough goes in.

A tapered box by the prismatoid formula V = h (A₁ + 4 Aₘ + A₂)/6, exact for any straight-sided taper; a round tin is
the same with circles. Lengths in cm, volumes in mL.
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass

from fallow_sieve.core.values import BadInputError, QuantityError, shown

CM_PER_INCH = 2.54  # exact by definition (1959)
DOUGH_DENSITY = 1.05  # g/mL before it rises; rule of thumb
SHAPES = ("box", "round", "ring", "cups")


@dataclass(frozen=True, slots=True)
class Tin:
    """A tin: shape, top length and width (or diameter) and height in cm; the base where it tapers; the ring's hole.

    A round tin has its diameter in `length_cm`. `cups` is a tray of `count` round cups.
    """

    shape: str
    length_cm: float
    width_cm: float
    height_cm: float
    base_length_cm: float | None = None
    base_width_cm: float | None = None
    hole_cm: float | None = None
    count: int = 1


@dataclass(frozen=True, slots=True)
class FillRule:
    """How full a tin goes in for a use (0–1 of its volume), and what the dough rises to (times its volume)."""

    fill: float
    rise: float
    basis: str = "rule of thumb"


@dataclass(frozen=True, slots=True)
class Filling:
    """Dough in tins: one tin's volume (mL), dough in each and in all (g), fill and risen volume (0–1 of the tin)."""

    volume_ml: float
    each_g: float
    total_g: float
    fill: float
    risen: float
    warning: str


def check_tin(tin: Tin) -> None:
    """Raise BadInputError naming the measure (cm) that cannot be."""
    if tin.shape not in SHAPES:
        raise BadInputError(f"the shape {shown(tin.shape)}", place="/tin/shape", right=f"one of {', '.join(SHAPES)}")
    for name in ("length_cm", "width_cm", "height_cm", "base_length_cm", "base_width_cm", "hole_cm"):
        value = getattr(tin, name)
        if value is not None and not (math.isfinite(value) and 0 < value <= 200):
            raise BadInputError(f"{value:g} cm", place=f"/tin/{name}", right="give a length over 0 and up to 200 cm")
    if tin.shape == "ring" and (tin.hole_cm is None or tin.hole_cm >= min(tin.length_cm, tin.base_length_cm or 1e9)):
        raise BadInputError("a ring's hole", place="/tin/hole_cm", right="it must be smaller than the tin")
    if not 1 <= tin.count <= 200:
        raise BadInputError(f"{tin.count} cups", place="/tin/count", right="from 1 to 200")


def volume_ml(tin: Tin) -> float:
    """Return the volume of one tin (of all cups of a tray), mL. Raises BadInputError.

    >>> volume_ml(Tin("box", 20, 10, 9))
    1800.0
    """
    check_tin(tin)
    base_l, base_w = tin.base_length_cm or tin.length_cm, tin.base_width_cm or tin.width_cm
    if tin.shape == "box":
        return _prismatoid(
            tin.height_cm,
            tin.length_cm * tin.width_cm,
            base_l * base_w,
            (tin.length_cm + base_l) * (tin.width_cm + base_w) / 4,
        )
    outer = _frustum(tin.height_cm, tin.length_cm, base_l)
    if tin.shape == "ring":
        assert tin.hole_cm is not None  # checked above
        return outer - _frustum(tin.height_cm, tin.hole_cm, tin.hole_cm)
    return outer * (tin.count if tin.shape == "cups" else 1)


def _prismatoid(height: float, top: float, base: float, middle: float) -> float:
    return height * (top + 4 * middle + base) / 6


def _frustum(height: float, top: float, base: float) -> float:
    def area(diameter: float) -> float:
        return math.pi * diameter**2 / 4

    return _prismatoid(height, area(top), area(base), area((top + base) / 2))


def filling(tin: Tin, tins: int, rule: FillRule, fill: float | None = None) -> Filling:
    """Return the dough (g) for `tins` such tins: fill × volume × 1.05 g/mL; warns where it will rise past the rim."""
    if not 1 <= tins <= 200:
        raise BadInputError(f"{tins} tins", place="/tins", right="from 1 to 200")
    share = rule.fill if fill is None else fill
    if not 0 < share <= 1:
        raise BadInputError(f"a fill of {share:g}", place="/fill", right="over 0 and at most 1: the share of the tin")
    volume = volume_ml(tin)
    each = share * volume * DOUGH_DENSITY
    risen = share * rule.rise
    warning = ""
    if risen > 1:
        most = 1 / rule.rise
        warning = (
            f"Risen it would take {100 * risen:.0f} % of the tin and climb over the rim: "
            f"fill to {100 * most:.0f} % at most, or use a larger tin."
        )
    return Filling(volume, each, each * tins, share, risen, warning)


_SIZE = re.compile(r"(\d+(?:\.\d+)?)\s*[x×]\s*(\d+(?:\.\d+)?)(?:\s*[x×]\s*(\d+(?:\.\d+)?))?\s*(cm|in)", re.IGNORECASE)


def parse_tin(text: str, place: str = "") -> Tin:
    """Return the tin that `text` names: `20x10x9cm` a box, `20x8cm` a round one (diameter × height), or in `in`.

    Raises QuantityError.
    """
    match = _SIZE.fullmatch(text.strip())
    if match is None:
        raise QuantityError(
            f"cannot read the tin {shown(text)}", place=place, right="give 20x10x9cm, 8x4x3in, or round: 20x8cm"
        )
    k = CM_PER_INCH if match[4].lower() == "in" else 1.0
    a, b = float(match[1]) * k, float(match[2]) * k
    tin = Tin("box", a, b, float(match[3]) * k) if match[3] else Tin("round", a, a, b)
    check_tin(tin)
    return tin

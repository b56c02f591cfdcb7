"""The volume of a bake: by seeds in a box, from tin and heights, or of what stands free; and volume per gram.

By seeds after AACC Approved Method 10-05.01 (rapeseed displacement): the same idea, with a box, a straight edge and a
scale. Ways of volume are never compared with one another. Dome and hearth factors are rules of thumb.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from statistics import mean, stdev

from fallow_sieve.core.trials.measures.weighing import Measured
from fallow_sieve.core.values import BadInputError

BOX_REL_SD = 0.01
DOME, DOME_ROUND, DOME_SD = 0.6, 0.5, 0.05
HEARTH, HEARTH_SD = 0.58, 0.05
HEIGHT_SD_CM, WIDTH_SD_CM = 0.15, 0.1
SEEDS_SD_ML_G = 0.07  # what seeds do to a soft crumb, however well the box is filled
USUAL_FILL_REL_SD = 0.005  # of one filling of the box, until it was filled three times


def by_seeds(box_ml: float, full_g: Sequence[float], left_g: Sequence[float], box_sd: float = BOX_REL_SD) -> Measured:
    """Return the volume (mL) of what lies in a box: (full − left) ÷ ρ, with ρ = full ÷ box, of seeds in g.

    Its sd has the box in it: s √(1/n₁ + 1/n₂) ÷ ρ, joined with 1 % of the volume for the box itself.

    >>> v = by_seeds(3000, [2029, 2044, 2047], [1312, 1318])
    >>> round(v.value, 3), round(v.sd, 3)
    (1066.176, 16.771)
    """
    if box_ml <= 0 or not full_g or not left_g or min(*full_g, *left_g) < 0:
        raise BadInputError("a box without its seeds", right="give the box in mL, and the seeds in g full and with it")
    full, left = mean(full_g), mean(left_g)
    if left >= full:
        raise BadInputError(
            f"{left:g} g of seeds stay with the bake in it, {full:g} g without", place="/left_g", right="less must stay"
        )
    density = full / box_ml
    spread = stdev(full_g) if len(full_g) > 1 else USUAL_FILL_REL_SD * full
    value = (full - left) / density
    filling = spread * math.sqrt(1 / len(full_g) + 1 / len(left_g)) / density
    return Measured(value, math.hypot(filling, box_sd * value), "seeds")


@dataclass(frozen=True, slots=True)
class Heights:
    """What a ruler says of a loaf from a tin, cm: its own length and width, and heights at the edge and middle."""

    length_cm: float
    width_cm: float
    edge_cm: float
    middle_cm: float
    is_round: bool = False


def from_heights(loaf: Heights) -> Measured:
    """Return the volume (mL) to the edge's height, and the dome k · L · W · (middle − edge) above it, k 0.6 ± 0.05.

    >>> v = from_heights(Heights(19.6, 9.7, 7.4, 9.8))
    >>> round(v.value, 3), round(v.sd, 2)
    (1680.661, 36.29)
    """
    if min(loaf.length_cm, loaf.width_cm, loaf.edge_cm, loaf.middle_cm) <= 0:
        raise BadInputError("a side of nothing", right="length, width and both heights are over 0 cm")
    k = DOME_ROUND if loaf.is_round else DOME
    base = loaf.length_cm * loaf.width_cm * (math.pi / 4 if loaf.is_round else 1.0)
    dome = loaf.middle_cm - loaf.edge_cm
    value = base * (loaf.edge_cm + k * dome)
    parts = (
        base * dome * DOME_SD,
        base * (1 - k) * HEIGHT_SD_CM,
        base * k * HEIGHT_SD_CM,
        value * WIDTH_SD_CM / loaf.width_cm,
        value * WIDTH_SD_CM / loaf.length_cm,
    )
    return Measured(value, math.hypot(*parts), "tin and heights")


def free_standing(length_cm: float, width_cm: float, height_cm: float) -> Measured:
    """Return the volume (mL) of a hearth loaf or roll: 0.58 ± 0.05 of length · width · height."""
    if min(length_cm, width_cm, height_cm) <= 0:
        raise BadInputError("a side of nothing", right="length, width and height are over 0 cm")
    whole = length_cm * width_cm * height_cm
    parts = (
        whole * HEARTH_SD,
        HEARTH * whole * WIDTH_SD_CM / length_cm,
        HEARTH * whole * WIDTH_SD_CM / width_cm,
        HEARTH * whole * HEIGHT_SD_CM / height_cm,
    )
    return Measured(HEARTH * whole, math.hypot(*parts), "hearth")


def specific_volume(volume: Measured, mass_g: float, mass_sd_g: float = 1.0) -> Measured:
    """Return mL per g after cooling; by seeds its sd is never under the table's, for what seeds do to a crumb.

    >>> round(specific_volume(Measured(1066.176, 16.771, "seeds"), 452).value, 4)
    2.3588
    """
    if mass_g <= 0:
        raise BadInputError("a mass of nothing", place="/mass_out_g", right="weigh the loaf once it is cool")
    value = volume.value / mass_g
    sd = value * math.hypot(volume.sd / volume.value, mass_sd_g / mass_g)
    return Measured(value, max(sd, SEEDS_SD_ML_G) if volume.how == "seeds" else sd, volume.how)

"""How fast a dough ripens: by its temperature, by how much yeast or leaven is in it, by salt and sugar in its water.

Temperature: √r = b (T − Tmin)(1 − e^{k (T − Tmax)}) (form: Ratkowsky et al. 1983), 1 at the reference, 26 °C.
Water: r ∝ a_w − a_min (form: McMeekin et al. 1987). Constants are the method's own, rules of thumb.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import ArrayLike

from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.values import BadInputError

TRUSTED_AMOUNTS = (0.25, 4.0)  # of the reference, where the power law is trusted
USUAL_SALT_PCT, USUAL_WATER_PCT = 2.0, 75.0
_WATER_KG_PER_MOL = 0.018015
_SALT_KG_PER_MOL = 0.05844
_SUCROSE_KG_PER_MOL = 0.17115  # half of 342.3 g: yeast splits it into two sugars


@dataclass(frozen=True, slots=True)
class Organism:
    """What ferments: its cardinal temperatures (°C), the least water activity it works at, its exponent of amount.

    `window_low` and `window_high` are the ripeness between which a dough may go on to its next step.
    """

    name: str
    t_min_c: float = 3.0
    t_max_c: float = 46.0
    k: float = 0.3
    t_ref_c: float = 26.0
    aw_min: float = 0.9
    amount_exponent: float = 0.7
    osmotic_nacl: float = 0.92
    window_low: float = 0.85
    window_high: float = 1.225

    def speed(self, temp_c: ArrayLike) -> Array:
        """Return how fast it works at each temperature (°C): 1 at `t_ref_c`, 0 outside its range.

        >>> float(Organism("yeast").speed(26))
        1.0
        """
        temp = np.clip(np.asarray(temp_c, dtype=float), self.t_min_c, self.t_max_c)
        root = (temp - self.t_min_c) * -np.expm1(self.k * (temp - self.t_max_c))
        reference = (self.t_ref_c - self.t_min_c) * -math.expm1(self.k * (self.t_ref_c - self.t_max_c))
        return np.asarray((root / reference) ** 2)


def amount_factor(ratio: float, organism: Organism) -> float:
    """Return the speed of a dough with `ratio` times the reference amount of yeast or leaven.

    Raises BadInputError for an amount that is not over 0.
    """
    if not (math.isfinite(ratio) and ratio > 0):
        raise BadInputError(f"{ratio:g} times the usual yeast", right="it must be over 0")
    return float(ratio**organism.amount_exponent)


def is_trusted(ratio: float) -> bool:
    """Return whether the amount, as a ratio to the reference, is one for which the power law is trusted."""
    return TRUSTED_AMOUNTS[0] <= ratio <= TRUSTED_AMOUNTS[1]


def ratio_for(hours: float, reference_hours: float, organism: Organism) -> float:
    """Return the ratio to the reference amount with which `reference_hours` at 26 °C become `hours` at 26 °C."""
    return float((reference_hours / hours) ** (1 / organism.amount_exponent))


def water_activity(salt_pct: float, sugar_pct: float, water_pct: float, organism: Organism) -> float:
    """Return the water activity of a dough, from salt, sugar (as sucrose) and water in % of flour.

    Raises BadInputError without water.
    """
    if water_pct <= 0:
        raise BadInputError("a dough without water does not ferment", place="/water_pct", right="give water over 0 %")
    salt = salt_pct / _SALT_KG_PER_MOL / water_pct
    sugar = sugar_pct / _SUCROSE_KG_PER_MOL / water_pct
    return math.exp(-_WATER_KG_PER_MOL * (2 * organism.osmotic_nacl * salt + sugar))


def water_factor(salt_pct: float, sugar_pct: float, water_pct: float, organism: Organism) -> float:
    """Return the speed of a dough by its salt, sugar and water (% of flour): 1 with 2 % salt on 75 % water."""
    here = water_activity(salt_pct, sugar_pct, water_pct, organism)
    reference = water_activity(USUAL_SALT_PCT, 0.0, USUAL_WATER_PCT, organism)
    return max(0.0, (here - organism.aw_min) / (reference - organism.aw_min))

"""What the kitchen's own pours teach about the water that a dough wants: a nested normal model, solved exactly."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

from fallow_sieve.core.formulas.water import Prediction
from fallow_sieve.core.numerics.nested_normal import learn_levels
from fallow_sieve.core.values import BadInputError

PRIOR_SD = 0.12
POUR_SD = 0.06
FEEL, FEEL_SD = 0.04, 0.02  # of the log for each step from dry to wet, and how sure a step is; rules of thumb


@dataclass(frozen=True, slots=True)
class Pour:
    """Water that really went into a bake and what was predicted without any correction, both % of flour base.

    `feel` is how the dough came together, −2 far too dry to 2 far too wet: one that felt wet did not want all it got.
    """

    predicted_pct: float
    actual_pct: float
    blend: str
    family: str
    on: str = ""
    feel: float = 0.0

    @property
    def log_ratio(self) -> float:
        """r = ln(actual / predicted)."""
        return math.log(self.actual_pct / self.predicted_pct)

    @property
    def wanted_log(self) -> float:
        """What the dough wanted, as ln of a ratio to what was predicted: r − 0.04 · feel."""
        return self.log_ratio - FEEL * self.feel

    @property
    def sd(self) -> float:
        """The sd of that from bake to bake: √(0.06² + (0.02 · feel)²)."""
        return math.hypot(POUR_SD, FEEL_SD * self.feel)


@dataclass(frozen=True, slots=True)
class Learnt:
    """What the bakes say of one level (kitchen, use or blend): ln of a factor, its sd, how many stand behind it."""

    level: str
    mean: float
    sd: float
    bakes: int

    @property
    def factor(self) -> float:
        """The factor on the predicted water."""
        return math.exp(self.mean)


# The prior variance is shared by the three levels, so that a blend without bakes takes over what its use and its
# kitchen have taught, less sure of itself; of one blend alone it is the plain normal–normal update.
_LEVEL_SD = PRIOR_SD / math.sqrt(3)
_LEVELS = ("kitchen", "use", "blend")


def check_pour(pour: Pour) -> None:
    """Raise BadInputError unless both waters (% of flour base) are over 0 and within a factor of three."""
    for name, value in (("predicted", pour.predicted_pct), ("actual", pour.actual_pct)):
        if not (math.isfinite(value) and 0 < value <= 1000):
            raise BadInputError(f"{name} water of {value:g} % of flour", right="it must be over 0 and at most 1000 %")
    if abs(pour.log_ratio) > math.log(3):
        raise BadInputError(
            f"{pour.actual_pct:.0f} % of flour went in where {pour.predicted_pct:.0f} % was predicted",
            place="/poured_g",
            right="check the grams: more than three times as much, or a third, is taken for a slip",
        )


def learn(pours: Sequence[Pour], blend: str, family: str) -> tuple[Learnt, Learnt, Learnt]:
    """Return what `pours` teach about the kitchen, the use family and the blend (ln of a factor, and its sd).

    A normal model with three nested levels, prior sd 0.12 in all and 0.06 for one bake; solved exactly. It learns by
    what was wanted: the feel of a dough takes off what it got too much of. What the same pours teach is remembered: it
    is asked at every move of a hand.
    """
    return _learn(tuple(pours), blend, family)


@lru_cache(maxsize=256)
def _learn(pours: tuple[Pour, ...], blend: str, family: str) -> tuple[Learnt, Learnt, Learnt]:
    for pour in pours:
        check_pour(pour)
    seen = [((p.family, p.blend), p.wanted_log) for p in pours]
    levels = learn_levels(seen, (family, blend), (_LEVEL_SD,) * 3, [p.sd for p in pours])
    kitchen, use, own = (Learnt(n, x.mean, x.sd, x.count) for n, x in zip(_LEVELS, levels, strict=True))
    return kitchen, use, own


@dataclass(frozen=True, slots=True)
class Corrected:
    """A prediction after learning, % of flour base: the corrected typical and narrowed range, and by what factor."""

    typical_pct: float
    low_pct: float
    high_pct: float
    factor: float
    bakes: int
    level: str
    say: str


def correct(prediction: Prediction, learnt: Sequence[Learnt]) -> Corrected | None:
    """Return `prediction` corrected by what the bakes taught; None where there is no prediction.

    The range narrows as the next bake becomes surer: its width scales with √(sd² + 0.06²) on the log scale.
    """
    typical, low, high = prediction.typical_pct, prediction.low_pct, prediction.high_pct
    if typical is None or low is None or high is None or typical <= 0:
        return None
    found = learnt[-1]
    sharper = math.hypot(found.sd, POUR_SD) / math.hypot(PRIOR_SD, POUR_SD)
    centre = typical * found.factor
    reach_low = min(1.0, max(low, 1e-6) / typical) ** sharper
    reach_high = (high / typical) ** sharper
    behind = next((x for x in reversed(learnt) if x.bakes), found)
    return Corrected(
        centre,
        centre * reach_low,
        centre * reach_high,
        found.factor,
        behind.bakes,
        behind.level,
        _learnt_words(found, behind),
    )


_OF = {"blend": "of this blend", "use": "of this kind", "kitchen": "of this kitchen"}


def _learnt_words(found: Learnt, behind: Learnt) -> str:
    if not behind.bakes:
        return "No bake has taught anything yet: this is the rule of thumb."
    by = 100 * (found.factor - 1)
    way = f"{abs(by):.0f} % {'more' if by > 0 else 'less'} water" if abs(by) >= 0.5 else "no correction"
    bakes = f"{behind.bakes} bake{'s' if behind.bakes > 1 else ''} {_OF[behind.level]}"
    return f"{bakes} {'say' if behind.bakes > 1 else 'says'} {way}."

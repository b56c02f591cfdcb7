"""The limits of a brief as named rows over the shares and the bins used, and what is known of every candidate.

Each limit is one row with a name, so that it can be let go alone: the search for what clashes works on these names.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from fallow_sieve.core.blends import UseBand
from fallow_sieve.core.ingredients import Ingredient
from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.optimise.linear_metrics import Form, Mix
from fallow_sieve.core.optimise.wishes import Wishes, least_share_pct

MEAN_COUNTS = 0.05  # of the mean of several uses beside the worst of them: the worst stays in front
FAMILIAR_FROM = 0.5  # of the commonest flour of a use


@dataclass(frozen=True, slots=True)
class FitTo:
    """The bands that the fit to one use is made of, and its weight among several uses.

    Where a `floor` is set (log points), the fit is to reach it, and is not sought beyond.
    """

    use: str
    name: str
    weight: float
    bands: tuple[UseBand, ...]
    floor: float | None = None

    @property
    def total(self) -> float:
        """The sum of the weights of its bands."""
        return sum(b.weight for b in self.bands)


@dataclass(frozen=True, slots=True)
class Problem:
    """Candidates, limits, metrics and bands of a brief, ready to be stated; arrays have one entry per candidate.

    `fits` are the uses that a blend has to fit.
    `binders` are all fixed doses, % of flour base, also those that are kept apart from the mix.
    `usual_most` is % of flour base (inf: none), `price` and `stock_pct` NaN where unknown (price per kg, and the %
    of flour base that the stock would allow at the batch size). `mean_counts` is how much the mean of several uses
    counts beside the worst. `whole` is the problem over all flours, where there are more than a search can go through:
    it is bounded by that, and gone through here. `dropped` are bands that cannot be judged, `notes` what was left out
    and why.
    """

    wishes: Wishes
    mix: Mix
    binders: tuple[tuple[Ingredient, float], ...]
    limits: tuple[Limit, ...]
    fits: tuple[FitTo, ...]
    forms: dict[str, Form]
    usual_most: Array
    price: Array
    stock_pct: Array
    dropped: tuple[str, ...]
    notes: tuple[str, ...]
    mean_counts: float = MEAN_COUNTS
    whole: Problem | None = None

    @property
    def not_looked_at(self) -> int:
        """How many more flours there are than the search goes through."""
        return self.whole.count - self.count if self.whole else 0

    @property
    def bands(self) -> tuple[UseBand, ...]:
        """The bands of all uses."""
        return tuple(b for f in self.fits for b in f.bands)

    @property
    def slugs(self) -> tuple[str, ...]:
        """The candidates' slugs."""
        return tuple(i.slug for i in self.mix.flours)

    @property
    def least(self) -> Array:
        """The least share of each candidate where it is used at all, % of flour base."""
        return np.array([least_share_pct(i) for i in self.mix.flours])

    @property
    def unfamiliar(self) -> Array:
        """How strange each candidate is to the use, 0–1: 0 from half as many mixes on record as the commonest flour."""
        each = [w.use.familiar for w in self.wishes.use.weighed]
        known = {s: max(f.get(s, 0.0) for f in each) for s in self.slugs}
        enough = FAMILIAR_FROM * max((v for f in each for v in f.values()), default=0.0)
        return np.array([1 - min(1.0, known[s] / enough) if enough else 0.0 for s in self.slugs])

    @property
    def count(self) -> int:
        """How many candidates there are."""
        return len(self.mix.flours)

    def without(self, names: Sequence[tuple[str, str]]) -> Problem:
        """Return the problem without the limits of these (name, side)."""
        return replace(self, limits=tuple(x for x in self.limits if (x.name, x.side) not in names))


@dataclass(frozen=True, slots=True)
class Limit:
    """One wish as a row: a·x + c·z + a₀ ≥ 0 (x in % of flour base, z 1 where a bin is used).

    `name` is how files name it, `side` which end of a band, `say` the wish in words. `form` and `bound` are the
    metric and its limit, in the metric's unit, where there is one; `unit` is the unit of what it would have to give,
    and `sign` whether giving makes the limit's own number smaller (-1) or larger (1).
    """

    name: str
    side: str
    a: Array
    c: Array
    a0: float
    say: str
    unit: str = ""
    sign: int = 1
    bound: float = 0.0
    form: Form | None = None

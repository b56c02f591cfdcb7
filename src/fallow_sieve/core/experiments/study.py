"""An experiment as it stands: its region, the bakes that are fitted, the map they tell, the checks beside it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import cached_property

import numpy as np

from fallow_sieve.core.experiments.best import Best, Gain, best_of, gain_on, may_be_best
from fallow_sieve.core.experiments.candidates import candidates, centroid, grid, thinned
from fallow_sieve.core.experiments.fitting import Fit, fit, replicate_groups, replicate_pairs
from fallow_sieve.core.experiments.maps import Basis, Kitchen, Map, Noted, basis_over, map_of
from fallow_sieve.core.experiments.next_bake import next_bakes
from fallow_sieve.core.experiments.regions import Array, Region, check_region
from fallow_sieve.core.experiments.stopping import Stop, expected_loss, stop_rule
from fallow_sieve.core.experiments.terms import Model, scheffe, term_count, term_names
from fallow_sieve.core.values import BadInputError

LEAST_BAKES = 2  # fitted bakes from which there is a map at all
MOST_DRAWN = 1400  # points of the grid over which surfaces are drawn
LUCKY = 1.0  # noise sds over the map at which a bake is called lucky


@dataclass(frozen=True, slots=True)
class Baked:
    """A bake: shares (0–1), day 1, 2, …, response (None: it failed, and is shown, not fitted) with its own se.

    `prior` is what was predicted for it, in the response's unit; `number` the bake's own, 1, 2, …
    """

    x: tuple[float, ...]
    y: float | None
    day: int = 1
    se: float = 0.0
    prior: float = 0.0
    number: int = 0


@dataclass(frozen=True)
class Study:
    """A region with bakes of one response: what matters of it (`unit`), the difference worth having, what varies."""

    region: Region
    baked: tuple[Baked, ...]
    today: tuple[float, ...]
    unit: float = 1.0
    worth: float = 1.0
    kitchen: Kitchen = field(default_factory=Kitchen)
    says: str = "points of liking"

    @cached_property
    def grid(self) -> Array:
        """The points of the map (rows of shares 0–1)."""
        return grid(self.region)

    @cached_property
    def drawn_over(self) -> Array:
        """The points over which surfaces are drawn: the grid, thinned."""
        return thinned(self.grid, MOST_DRAWN)

    @cached_property
    def candidates(self) -> Array:
        """The points from which the next bake is chosen: corners, middles, and today's blend."""
        return np.vstack([candidates(self.region), np.array(self.today)])

    @cached_property
    def basis(self) -> Basis:
        """The basis of the map over this region."""
        return basis_over(self.grid)

    @cached_property
    def fitted(self) -> tuple[Baked, ...]:
        """The bakes that are fitted: those that came to something."""
        return tuple(b for b in self.baked if b.y is not None)

    @cached_property
    def points(self) -> Array:
        """The points of the bakes that are fitted (rows of shares 0–1)."""
        return np.array([b.x for b in self.fitted]).reshape(-1, self.region.size)

    @property
    def y(self) -> Array:
        """The responses of the bakes that are fitted."""
        return np.array([b.y for b in self.fitted], float)

    @cached_property
    def map(self) -> Map | None:
        """The map; None under two bakes."""
        if len(self.fitted) < LEAST_BAKES:
            return None
        days = np.array([b.day for b in self.fitted], float)
        se, prior = (np.array([getattr(b, n) for b in self.fitted], float) for n in ("se", "prior"))
        noted = Noted(self.basis.at(self.points), self.y, days, se, prior)
        return map_of(self.basis, noted, self.unit, self.kitchen)


@dataclass(frozen=True, slots=True)
class Reading:
    """What the map says: the best point, its gain on today's, where the best may lie, the next bakes, whether to stop.

    `next` are shares with the gain that a bake there promises (response unit); `lucky` names a lucky bake (or empty).
    """

    best: Best
    gain: Gain
    next: tuple[tuple[tuple[float, ...], float], ...]
    stop: Stop
    lucky: str
    mean_se: float


def read(study: Study, where: WhereSay, count: int = 1) -> Reading:
    """Return what the map of a study says; `where` words a point. Raises BadInputError where there is no map yet."""
    known = study.map
    if known is None:
        raise BadInputError("no map yet", place="/results", right=f"{LEAST_BAKES} bakes at least")
    best = best_of(known, study.grid)
    found = next_bakes(known, study.drawn_over, study.candidates, count)
    points = tuple((tuple(float(v) for v in study.candidates[i]), g) for i, g in found)
    loss = expected_loss(known, study.drawn_over, np.array(best.x))
    stop = stop_rule(loss, found[0][1], study.worth, where(points[0][0]), len(study.fitted), study.says)
    _, se = known.at(study.grid)
    return Reading(
        best,
        gain_on(known, best, np.array(study.today)),
        points,
        stop,
        lucky_line(study, known, best),
        float(se.mean()),
    )


def lucky_line(study: Study, known: Map, best: Best) -> str:
    """Return why the best is under a bake that scored higher (empty: none did by more than noise)."""
    top = max(study.fitted, key=lambda b: b.y or 0.0)
    at, _ = known.at(np.array(top.x))
    if (top.y or 0.0) <= best.mean or (top.y or 0.0) - float(at[0]) < LUCKY * known.noise:
        return ""
    return (
        f"bake {top.number} scored {top.y:.1f}; one bake can be lucky, all {len(study.fitted)} together say "
        f"{float(at[0]):.1f} there"
    )


class WhereSay:
    """How a point is said: parts with their shares in %."""

    def __init__(self, names: Sequence[str], decimals: int = 0, after: str = "", times: float = 1.0) -> None:
        self._names, self._decimals, self._after, self._times = tuple(names), decimals, after, times

    def __call__(self, x: Sequence[float]) -> str:
        """Return the point of shares (0–1) in words."""
        parts = [f"{n} {100 * self._times * v:.{self._decimals}f}" for n, v in zip(self._names, x, strict=True)]
        return ", ".join(parts) + (self._after or " %")


def fits_of(study: Study) -> dict[Model, Fit]:
    """Return least squares by each polynomial that the bakes can tell: terms at most distinct points − 1."""
    distinct = len(replicate_groups(study.points)) if len(study.fitted) else 0
    found = {}
    for model in Model:
        if study.region.size < 3 and model is Model.SPECIAL_CUBIC:
            continue
        if term_count(study.region.size, model) <= distinct - 1:
            try:
                found[model] = fit(scheffe(study.points, model), study.y, study.points)
            except BadInputError:
                continue
    return found


def checks_of(study: Study) -> list[str]:
    """Return what has to be known beside the map, in sentences: how few bakes, replicates, what the fit misses."""
    n, pairs = len(study.fitted), replicate_pairs(study.points) if len(study.fitted) else 0
    terms = term_count(study.region.size, Model.QUADRATIC)
    days = len({b.day for b in study.fitted})
    said = [f"{terms} terms from {n} {'bake' if n == 1 else 'bakes'}, on {days} {'day' if days == 1 else 'days'}, "
            f"{pairs} replicate {'pair' if pairs == 1 else 'pairs'}."]  # fmt: skip
    if pairs < 2:
        said.append("Under two replicate pairs: noise is assumed, and what the fit misses cannot be told.")
    if study.region.size > 3 and n < 11:
        said.append("Bends are guesses from few bakes.")
    quadratic = fits_of(study).get(Model.QUADRATIC)
    if quadratic is not None and quadratic.predicted_r2 < 0:
        said.append("Predicted R² is under 0: a bake left out is told worse by the quadratic than by the mean.")
    if quadratic is not None and quadratic.lack_of_fit.p is not None and quadratic.lack_of_fit.p <= 0.05:
        said.append("Lack of fit: replicates agree better with one another than the quadratic with them.")
    return said


def names_of(study: Study, model: Model) -> tuple[str, ...]:
    """Return the names of a polynomial's terms, without unit."""
    return term_names(study.region.names, model)


def may_be(study: Study) -> Array:
    """Return the points (rows of shares 0–1) of the region that holds the best in 9 draws of 10."""
    known = study.map
    if known is None:
        return np.empty((0, study.region.size))
    found: Array = study.drawn_over[may_be_best(known, study.drawn_over)]
    return found


def study_of(region: Region, baked: Sequence[Baked], today: Sequence[float] | None = None, **more: float) -> Study:
    """Return a study; without today's blend the middle of the region stands for it. Raises BadInputError."""
    check_region(region)
    at = tuple(float(v) for v in (today if today is not None else centroid(region)))
    return Study(region, tuple(baked), at, **more)  # type: ignore[arg-type]

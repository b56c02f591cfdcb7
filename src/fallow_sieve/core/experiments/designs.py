"""Which bakes: a Bayesian D-optimal set by point exchange, today's blend on every day, days balanced, order random.

DuMouchel & Jones (1994): a precision of 0.5 on each cross term lets fewer bakes than terms work. Days are columns coded
by effects inside the determinant, so that they are balanced. Fedorov's exchange (1972) from ten seeded starts.
"""

from __future__ import annotations

import itertools
from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from fallow_sieve.core.experiments.regions import SAME, Array
from fallow_sieve.core.experiments.terms import Model, day_columns, scheffe, term_count
from fallow_sieve.core.values import BadInputError

CROSS_PRECISION, STARTS, LEAST_PAIRS = 0.5, 10, 2
FIRST_SET = {2: 5, 3: 6, 4: 8}
USUAL_END = {2: (6, 7), 3: (8, 10), 4: (12, 14)}
MOST_BAKES, MOST_DAYS = 40, 12
_RIDGE, _GAIN, _ROUNDS = 1e-6, 1e-9, 60


@dataclass(frozen=True, slots=True)
class Run:
    """A bake of a design: its place in the whole order, its day, its shares (0–1), and the run whose twin it is."""

    order: int
    day: int
    x: tuple[float, ...]
    replicate_of: int | None = None


def precisions(parts: int, days: int, bayes: float = CROSS_PRECISION) -> Array:
    """Return prior precisions: of cross terms `bayes`, of parts and days next to none, without unit."""
    cross = term_count(parts, Model.QUADRATIC) - parts
    return np.concatenate([np.full(parts, _RIDGE), np.full(cross, bayes), np.full(days, _RIDGE)])


@dataclass(frozen=True, slots=True)
class Criterion:
    """What makes a set of bakes good: the precision on each cross term; points of the map (coded) for I-optimal."""

    bayes: float = CROSS_PRECISION
    region: Array | None = None


def exchange(
    points: Array, bakes: int, fixed: Array, days: NDArray[np.intp], seed: int, how: Criterion | None = None
) -> NDArray[np.intp]:
    """Return the candidates (by place in `points`, in coded shares) for the bakes that are free, best of ten starts.

    `fixed` are bakes that stand, first in `days`. Where `how` names points of the map, the mean prediction variance
    over them is made least, else the determinant greatest.
    """
    chance = np.random.default_rng(seed)
    blocks = day_columns(days.astype(float))
    found: list[tuple[float, NDArray[np.intp]]] = []
    problem = _Problem(points, fixed, blocks, how or Criterion())
    for _ in range(STARTS):
        chosen = chance.integers(0, len(points), bakes - len(fixed))
        found.append(problem.improved(chosen))
    return max(found, key=lambda f: f[0])[1]


def _scaled_over(points: Array) -> Callable[[Array], Array]:
    """Terms with cross terms as DuMouchel and Jones scale them: what the parts do not say, over a range of 1."""
    parts = points.shape[1]
    columns = scheffe(points, Model.QUADRATIC)
    linear, cross = columns[:, :parts], columns[:, parts:]
    told = np.linalg.lstsq(linear, cross, rcond=None)[0]
    ranges = np.maximum(np.ptp(cross - linear @ told, axis=0), 1e-9)

    def scaled(x: Array) -> Array:
        at = scheffe(x, Model.QUADRATIC)
        return np.hstack([at[:, :parts], (at[:, parts:] - at[:, :parts] @ told) / ranges])

    return scaled


class _Problem:
    """Columns of candidates, of what is fixed and of days; and the criterion that is made greatest."""

    def __init__(self, points: Array, fixed: Array, blocks: Array, how: Criterion) -> None:
        scaled = _scaled_over(points)
        self.terms = scaled(points)
        self.blocks = blocks
        held = scaled(fixed) if len(fixed) else np.empty((0, self.terms.shape[1]))
        self.held = np.hstack([held, blocks[: len(fixed)]])
        self.prior = np.diag(precisions(points.shape[1], blocks.shape[1], how.bayes))
        self.weights = None
        if how.region is not None:
            wide = np.hstack([scaled(how.region), np.zeros((len(how.region), blocks.shape[1]))])
            self.weights = wide.T @ wide / len(how.region)

    def rows(self, place: int) -> Array:
        """The columns of every candidate if it were baked at this place."""
        day = np.broadcast_to(self.blocks[len(self.held) + place], (len(self.terms), self.blocks.shape[1]))
        return np.hstack([self.terms, day])

    def value(self, chosen: NDArray[np.intp]) -> float:
        information = self.prior + self.held.T @ self.held
        for place, candidate in enumerate(chosen):
            row = self.rows(place)[candidate]
            information = information + np.outer(row, row)
        if self.weights is None:
            return float(np.linalg.slogdet(information)[1])
        return -float(np.trace(np.linalg.solve(information, self.weights)))

    def improved(self, chosen: NDArray[np.intp]) -> tuple[float, NDArray[np.intp]]:
        """Exchange one point after the other while it gains; the criterion never falls."""
        chosen, best = chosen.copy(), self.value(chosen)
        for _ in range(_ROUNDS):
            before = best
            for place in range(len(chosen)):
                tried = chosen.copy()
                tried[place] = self._best_at(chosen, place)
                value = self.value(tried)
                if value > best + _GAIN:
                    chosen, best = tried, value
            if best <= before + _GAIN:
                break
        return best, chosen

    def _best_at(self, chosen: NDArray[np.intp], place: int) -> int:
        information = self.prior + self.held.T @ self.held
        for other, candidate in enumerate(chosen):
            if other != place:
                row = self.rows(other)[candidate]
                information = information + np.outer(row, row)
        inverse = np.linalg.inv(information)
        rows = self.rows(place)
        gain = np.einsum("ij,jk,ik->i", rows, inverse, rows)
        if self.weights is None:
            return int(gain.argmax())
        less = np.einsum("ij,jk,ik->i", rows, inverse @ self.weights @ inverse, rows) / (1 + gain)
        return int(less.argmax())


def days_of(bakes: int, days: int) -> list[int]:
    """Return how many bakes there are on each day (counts), the first days taking what is over."""
    return [bakes // days + (d < bakes % days) for d in range(days)]


@dataclass(frozen=True, slots=True)
class Asked:
    """What is to be planned: bakes, days (counts), the seed; today's blend in shares; bakes that stand already."""

    bakes: int
    days: int
    seed: int
    today: Array
    i_optimal: bool = False


def check_asked(asked: Asked, parts: int) -> None:
    """Raise BadInputError where so many bakes on so many days cannot be planned."""
    if not 1 <= asked.days <= MOST_DAYS:
        raise BadInputError(f"{asked.days} days", place="/days", right=f"1 to {MOST_DAYS}")
    if not parts <= asked.bakes <= MOST_BAKES:
        raise BadInputError(f"{asked.bakes} bakes", place="/bakes", right=f"{parts} to {MOST_BAKES}")
    if asked.bakes < 2 * asked.days and asked.days > 1:
        wrong = f"{asked.bakes} bakes on {asked.days} days"
        raise BadInputError(wrong, place="/days", right="two bakes a day at least, today's blend among them")


def design(points: Array, coded: Array, asked: Asked, grid: Array | None = None) -> tuple[Run, ...]:
    """Return the bakes in their order: today's blend once a day, twins as many as there should be, the rest chosen.

    `points` are candidates in real shares, `coded` the same as pseudo-components, with today's as their last;
    `grid` (coded) is where prediction counts, for the I-optimal set. Raises BadInputError.
    """
    check_asked(asked, points.shape[1])
    sizes = days_of(asked.bakes, asked.days)
    twins = _twins(asked, points.shape[1])
    free = asked.bakes - asked.days - twins
    todays = np.arange(1, asked.days + 1)
    left = [d + 1 for d, size in enumerate(sizes) for _ in range(size - 1)]
    twin_days, free_days = left[len(left) - twins :], left[: len(left) - twins]
    days = np.array([*todays, *free_days], dtype=np.intp)
    fixed = np.repeat(coded[-1:], asked.days, axis=0)
    how = Criterion(region=grid if asked.i_optimal else None)
    chosen = exchange(coded, asked.days + free, fixed, days, asked.seed, how)
    placed = [(int(d), len(points) - 1) for d in todays] + list(zip(free_days, map(int, chosen), strict=True))
    placed += _twins_of(placed, twin_days, coded)
    return _ordered(points, placed, asked)


def _twins(asked: Asked, parts: int) -> int:
    """How many twins are added: two replicate pairs in all, where there are bakes enough for it."""
    wanted = LEAST_PAIRS - (asked.days - 1)
    spare = asked.bakes - asked.days - term_count(parts, Model.QUADRATIC) + 1
    return max(0, min(wanted, spare))


def _twins_of(placed: Sequence[tuple[int, int]], days: Sequence[int], coded: Array) -> list[tuple[int, int]]:
    """Twins of the bakes that lie furthest from today's, each on another day where there is one."""
    far = sorted(dict.fromkeys(c for _, c in placed), key=lambda c: -float(np.abs(coded[c] - coded[-1]).sum()))
    far = [c for c in far if c != len(coded) - 1] or far
    found = []
    for n, day in enumerate(days):
        other = [c for c in far if all(d != day for d, e in placed if e == c)] or far
        found.append((day, other[n % len(other)]))
    return found


def _ordered(points: Array, placed: Sequence[tuple[int, int]], asked: Asked) -> tuple[Run, ...]:
    chance = np.random.default_rng(asked.seed + 1)
    found: list[Run] = []
    first: dict[int, int] = {}
    for day in range(1, asked.days + 1):
        on_day = [c for d, c in placed if d == day]
        for candidate in _apart([on_day[n] for n in chance.permutation(len(on_day))]):
            twin = _twin(points, candidate, first)
            found.append(Run(len(found) + 1, day, tuple(float(v) for v in points[candidate]), twin))
            if twin is None:
                first[candidate] = len(found)
    return tuple(found)


def _twin(points: Array, candidate: int, first: dict[int, int]) -> int | None:
    return next((n for c, n in first.items() if np.abs(points[c] - points[candidate]).max() < SAME), None)


def _apart(order: list[int]) -> list[int]:
    """No twin next to its twin, where that can be: one is moved to where it stands alone."""
    for i in range(1, len(order)):
        if order[i] != order[i - 1]:
            continue
        for j in range(len(order)):
            tried = order.copy()
            tried[i], tried[j] = tried[j], tried[i]
            if all(a != b for a, b in itertools.pairwise(tried)):
                return tried
    return order

"""Draws from all mixes that a bag's order allows, weighed by its panel.

Uniform under the order: a sorted flat Dirichlet (x₁ ≥ … ≥ xₙ, Σ x = 1). The panel's weight is brought on in steps, each
so small that half of the draws still speak (annealed importance sampling with resampling: Neal 2001; Del Moral, Doucet
& Jasra 2006), and after each the draws move by the difference of two others (ter Braak 2006, Stat. Comput. 16, 239).
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from fallow_sieve.core.ingredients import FloatArray

DRAWS = 3000
_FIRST = 24_000
_MOVES, _LAST_MOVES, _KEPT_EVERY = 8, 36, 18
_HALF_SPEAK = 0.5
_JITTER = 1e-4

BoolArray = NDArray[np.bool_]
LogLikelihood = Callable[[FloatArray], FloatArray]


@dataclass(frozen=True, slots=True)
class Order:
    """What a list allows: parts in falling share (0–1), each with its most; the last `loose` stand in any order."""

    most: FloatArray
    loose: int = 0

    def allows(self, x: FloatArray) -> BoolArray:
        """Return which rows of `x` (draws × parts) keep to the order and to every part's most."""
        firm = x.shape[1] - self.loose
        falling = np.all(np.diff(x[:, :firm], axis=1) <= 1e-12, axis=1)
        under = np.ones(len(x), dtype=bool)
        if self.loose and firm:
            under = x[:, firm:].max(axis=1) <= x[:, firm - 1] + 1e-12
        within = np.all((x >= 0) & (x <= self.most + 1e-12), axis=1)
        found: BoolArray = falling & under & within
        return found


def draw(order: Order, likelihood: LogLikelihood, rng: np.random.Generator) -> tuple[FloatArray, int]:
    """Return draws of the shares (draws × parts, 0–1), and how many different ones of them speak."""
    x, exact = _first(order, rng)
    log = likelihood(x)
    beta = 0.0
    if not exact:
        x, log = _resampled(x, log, np.zeros(len(x)), rng)
        x, log = _moved(x, log, 0.0, order, likelihood, rng, _LAST_MOVES)
    while beta < 1.0:
        step = _step(log, 1.0 - beta)
        x, log = _resampled(x, log, step * log, rng)
        beta = min(1.0, beta + step)
        x, log = _moved(x, log, beta, order, likelihood, rng, _MOVES)
    kept = []
    for _ in range(_LAST_MOVES // _KEPT_EVERY):
        x, log = _moved(x, log, 1.0, order, likelihood, rng, _KEPT_EVERY)
        kept.append(x)
    found = np.concatenate(kept)
    return found, len(np.unique(np.round(found, 6), axis=0))


def _first(order: Order, rng: np.random.Generator) -> tuple[FloatArray, bool]:
    """Draws under the order; where its caps leave too few of them, all drawn down to the caps (and then not exact)."""
    n = len(order.most)
    x = -np.sort(-rng.dirichlet(np.ones(n), _FIRST), axis=1)
    if order.loose > 1:
        tail = x[:, n - order.loose :]
        x[:, n - order.loose :] = rng.permuted(tail, axis=1)
    fits = order.allows(x)
    if fits.sum() >= DRAWS:
        return x[fits], True
    return _capped(x, order, rng), False


def _capped(x: FloatArray, order: Order, rng: np.random.Generator) -> FloatArray:
    most = np.minimum.accumulate(order.most)
    small = most < 1.0
    fall = -np.sort(-rng.random((len(x), int(small.sum()))), axis=1)
    x = x.copy()
    x[:, small] = np.minimum(x[:, small], most[small] * fall)
    large = x[:, ~small]
    if large.size:
        x[:, ~small] = large * ((1 - x[:, small].sum(axis=1)) / large.sum(axis=1))[:, None]
    kept: FloatArray = x[order.allows(x) & np.isclose(x.sum(axis=1), 1.0)]
    return kept


def _step(log: FloatArray, left: float) -> float:
    """The largest step of the panel's weight at which half of the draws still speak, by halving."""
    low, high = 0.0, left
    if _speaking(high * log) >= _HALF_SPEAK:
        return left
    for _ in range(30):
        middle = (low + high) / 2
        low, high = (middle, high) if _speaking(middle * log) >= _HALF_SPEAK else (low, middle)
    return max(low, 1e-6)


def _speaking(log_weight: FloatArray) -> float:
    weight = np.exp(log_weight - log_weight.max())
    return float(weight.sum() ** 2 / (weight @ weight) / len(weight))


def _resampled(
    x: FloatArray, log: FloatArray, log_weight: FloatArray, rng: np.random.Generator
) -> tuple[FloatArray, FloatArray]:
    weight = np.exp(log_weight - log_weight.max())
    places = (rng.random() + np.arange(DRAWS)) / DRAWS
    at = np.minimum(np.searchsorted(np.cumsum(weight / weight.sum()), places), len(x) - 1)
    return x[at], log[at]


def _moved(
    x: FloatArray,
    log: FloatArray,
    beta: float,
    order: Order,
    likelihood: LogLikelihood,
    rng: np.random.Generator,
    moves: int,
) -> tuple[FloatArray, FloatArray]:
    count, n = x.shape
    reach = 2.38 / np.sqrt(2 * max(1, n - 1))
    for _ in range(moves):
        a, b = x[rng.permutation(count)], x[rng.permutation(count)]
        noise = rng.normal(0.0, _JITTER, x.shape)
        step = (reach * rng.uniform(0.2, 1.2, (count, 1))) * (a - b) + noise - noise.mean(axis=1, keepdims=True)
        tried = x + step
        fits = order.allows(tried)
        new = np.full(count, -np.inf)
        if fits.any():
            new[fits] = likelihood(tried[fits])
        better: BoolArray = fits & (np.log(rng.random(count)) < beta * (new - log)) if beta else fits
        x, log = np.where(better[:, None], tried, x), np.where(better, new, log)
    return x, log

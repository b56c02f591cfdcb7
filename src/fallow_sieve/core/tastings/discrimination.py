"""Is it noticed: exact binomial tests of forced choices, discriminators, and d′ by the method's own curve.

Clopper & Pearson (1934); Ennis & Jesionka (2011) and Bi (2006) for the curves of triangle, tetrad and 2-AFC.
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from functools import cache

import numpy as np
from scipy.optimize import brentq
from scipy.special import ndtr

from fallow_sieve.core.numerics import distributions as stats
from fallow_sieve.core.values import BadInputError

_NODES, _WEIGHTS = np.polynomial.legendre.leggauss(400)
_REACH = 8.0  # sd to either side: beyond, nothing of the normal is left
MOST_D = 6.0
USUAL_D = 1.5  # a difference that a household would notice now and then: a rule of thumb
_MOST_ANSWERS = 5000
_NEVER_LESS = 20  # power goes up and down with each answer more: it is to stay over what is wanted


class Forced(StrEnum):
    """A forced choice, by how it is asked."""

    TWO_AFC = "2-afc"
    TRIANGLE = "triangle"
    TETRAD = "tetrad"


GUESSED = {Forced.TWO_AFC: 1 / 2, Forced.TRIANGLE: 1 / 3, Forced.TETRAD: 1 / 3}


@dataclass(frozen=True, slots=True)
class Noticed:
    """What right answers say: p of so many by guessing; share right, share of discriminators, d′ with 95 % limits."""

    right: int
    answers: int
    p: float
    share: tuple[float, float, float]
    discriminators: tuple[float, float, float]
    d_prime: tuple[float, float, float]


def noticed(method: Forced, right: int, answers: int) -> Noticed:
    """Return what `right` of `answers` (counts) in a forced choice say; limits without unit, as (value, low, high)."""
    if not 0 <= right <= answers or answers < 1:
        raise BadInputError(f"{right} right of {answers}", place="/right", right="count both")
    guess = GUESSED[method]
    p = float(stats.binom.sf(right - 1, answers, guess))
    low = 0.0 if right == 0 else float(stats.beta.ppf(0.025, right, answers - right + 1))
    high = 1.0 if right == answers else float(stats.beta.ppf(0.975, right + 1, answers - right))
    share = (right / answers, low, high)
    found = tuple(max(0.0, (s - guess) / (1 - guess)) for s in share)
    sizes = tuple(d_prime(method, s) for s in share)
    return Noticed(right, answers, p, share, (found[0], found[1], found[2]), (sizes[0], sizes[1], sizes[2]))


def d_prime(method: Forced, share: float) -> float:
    """Return d′ (in sd of a percept) of a share right, 0 at guessing or under, at most 6."""
    if share <= GUESSED[method]:
        return 0.0
    if share >= right_at(method, MOST_D):
        return MOST_D
    return float(brentq(lambda d: right_at(method, d) - share, 0.0, MOST_D, xtol=1e-10))


@cache
def right_at(method: Forced, d: float) -> float:
    """Return the share right at a difference of d′ `d` (in sd): the method's psychometric curve."""
    if method is Forced.TWO_AFC:
        return float(ndtr(d / np.sqrt(2)))
    return _triangle(d) if method is Forced.TRIANGLE else _tetrad(d)


def _integral(values: np.ndarray, low: float, high: float) -> float:
    return float((_WEIGHTS * values).sum() * (high - low) / 2)


def _points(low: float, high: float) -> np.ndarray:
    return (_NODES + 1) / 2 * (high - low) + low


def _triangle(d: float) -> float:
    z = _points(0.0, _REACH)
    third, size = np.sqrt(3), d * np.sqrt(2 / 3)
    return 2 * _integral((ndtr(-z * third + size) + ndtr(-z * third - size)) * stats.norm.pdf(z), 0.0, _REACH)


def _tetrad(d: float) -> float:
    z = _points(-_REACH, _REACH)
    shifted = ndtr(z - d)
    return 1 - 2 * _integral(stats.norm.pdf(z) * (2 * ndtr(z) * shifted - shifted**2), -_REACH, _REACH)


def least_right(method: Forced, answers: int, level: float = 0.05) -> int | None:
    """Return the least right answers (a count) that guessing reaches in under `level`; None where none do."""
    guess = GUESSED[method]
    found = int(stats.binom.isf(level, answers, guess)) + 1
    return found if found <= answers else None


@cache
def answers_for(method: Forced, d: float = USUAL_D, power: float = 0.80) -> int:
    """Return the least answers (a count) that show a difference of d′ `d` (in sd) in `power` (0–1) of panels.

    >>> answers_for(Forced.TRIANGLE), answers_for(Forced.TETRAD), answers_for(Forced.TWO_AFC)
    (57, 20, 13)
    """
    share, first = right_at(method, d), 1
    for n in range(1, _MOST_ANSWERS):
        least = least_right(method, n)
        if least is None or float(stats.binom.sf(least - 1, n, share)) < power:
            first = n + 1
        elif n - first >= _NEVER_LESS:
            return first
    return _MOST_ANSWERS

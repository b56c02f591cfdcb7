"""What is in a bought mix: the share of each part with its 95 % range, and which parts cannot be told apart.

The list gives the order, the panel weighs what the order allows; see docs/method.md and `drawing`.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.blends.bought.drawing import LogLikelihood, Order, draw
from fallow_sieve.core.blends.bought.label import BoughtLabel, PrintedNumber, printed_numbers
from fallow_sieve.core.ingredients import FloatArray, Function, Shelf
from fallow_sieve.core.values import BadInputError, Range

MOST_PARTS = 40
UNDER = 0.02
_TOGETHER = 0.6  # two parts cannot be told apart where their sum is known so much better than either
_AGAINST = -0.6
_WALL = 20.0  # a printed share holds within its half step; a wall with a little slope lets draws find it


@dataclass(frozen=True, slots=True)
class OpenedShare:
    """A part of the bag: its share in % of the mix, with the range in which it lies 19 times in 20."""

    ingredient: str
    typical_pct: float
    low_pct: float
    high_pct: float


@dataclass(frozen=True, slots=True)
class Together:
    """Parts that the panel cannot tell apart, and what they are together (% of the mix)."""

    ingredients: tuple[str, ...]
    typical_pct: float
    low_pct: float
    high_pct: float


@dataclass(frozen=True, slots=True)
class Opened:
    """A bag opened: a share for each part of its list, what is only known together, and how many draws speak."""

    shares: tuple[OpenedShare, ...]
    together: tuple[Together, ...]
    draws: int


def open_bag(label: BoughtLabel, shelf: Shelf, caps: Mapping[Function, float], rng: np.random.Generator) -> Opened:
    """Return the shares that `label` allows; `caps` are the most of a function in a dry mix (%).

    Raises BadInputError for a list that is empty, too long, names a part twice, or cannot be in this order.
    """
    _check(label, shelf)
    order = _order(label, shelf, caps)
    if len(label.ingredients) == 1:
        return Opened((OpenedShare(label.ingredients[0], 100.0, 100.0, 100.0),), (), 1)
    x, speaking = draw(order, _likelihood(label, printed_numbers(label, shelf)), rng)
    low, middle, high = np.percentile(100 * x, (2.5, 50, 97.5), axis=0)
    middle = 100 * middle / middle.sum()
    shares = tuple(
        _share(slug, float(a), float(m), float(b), label.printed_pct.get(slug))
        for slug, a, m, b in zip(label.ingredients, low, middle, high, strict=True)
    )
    return Opened(shares, _together(label.ingredients, 100 * x, middle), speaking)


def _share(slug: str, low: float, middle: float, high: float, printed: Range | None) -> OpenedShare:
    """A share with its range, which what is printed bounds."""
    if printed is not None:
        low, high = max(low, printed.low), min(high, printed.high)
    return OpenedShare(slug, middle, min(low, middle), max(high, middle))


def _check(label: BoughtLabel, shelf: Shelf) -> None:
    slugs = label.ingredients
    if not 1 <= len(slugs) <= MOST_PARTS:
        raise BadInputError(f"{len(slugs)} parts", place="/ingredients", right=f"1 to {MOST_PARTS}, in falling mass")
    for n, slug in enumerate(slugs):
        shelf.row(slug, f"/ingredients/{n}")
        if slug in slugs[:n]:
            raise BadInputError(f"{slug!r} stands twice", place=f"/ingredients/{n}", right="name each part once")
    for name in (*label.printed_pct, *label.under_2_pct):
        if name not in slugs:
            raise BadInputError(
                f"{name!r} is not in the list", place="/printed_pct", right="print shares of what is listed"
            )


def _order(label: BoughtLabel, shelf: Shelf, caps: Mapping[Function, float]) -> Order:
    most = np.ones(len(label.ingredients))
    least = 0.0
    for n in reversed(range(len(most))):
        slug = label.ingredients[n]
        known = [caps[f] / 100 for f in shelf[slug].functions if f in caps]
        most[n] = min([1.0, *known])
        if slug in label.under_2_pct:
            most[n] = UNDER
        if slug in label.printed_pct:
            printed = label.printed_pct[slug]
            most[n] = printed.high / 100
            if printed.high / 100 < least:
                raise BadInputError(
                    f"{printed.typical:g} % of {slug} stands before {100 * least:g} % or more of another",
                    place=f"/printed_pct/{slug}",
                    right="the list is in falling mass",
                )
            least = max(least, printed.low / 100)
    _check_whole(label, most)
    return Order(most, len(label.under_2_pct))


def _check_whole(label: BoughtLabel, most: FloatArray) -> None:
    if np.minimum.accumulate(most).sum() < 1 - 1e-9:
        raise BadInputError(
            f"in this order all parts together make at most {100 * np.minimum.accumulate(most).sum():.0f} %",
            place="/ingredients",
            right="the list begins with what there is most of",
        )


def _likelihood(label: BoughtLabel, ways: tuple[tuple[PrintedNumber, ...], ...]) -> LogLikelihood:
    printed = [
        (label.ingredients.index(s), r.typical / 100, (r.high - r.low) / 200) for s, r in label.printed_pct.items()
    ]

    def log_likelihood(x: FloatArray) -> FloatArray:
        found = np.zeros(len(x))
        for at, value, half in printed:
            outside = np.maximum(0.0, np.abs(x[:, at] - value) / half - 1)
            found -= _WALL * outside**2
        sums = [sum((n.log_likelihood(x) for n in numbers), np.zeros(len(x))) for numbers in ways]
        panel: FloatArray = found + np.logaddexp.reduce(sums)
        return panel

    return log_likelihood


def _together(slugs: tuple[str, ...], x: FloatArray, middle: FloatArray) -> tuple[Together, ...]:
    """Groups of parts that move against one another: their sum is known far better than they are."""
    spread = np.std(x, axis=0)
    found: list[Together] = []
    taken: set[int] = set()
    pairs = sorted(
        (float(np.std(x[:, i] + x[:, j])) / min(spread[i], spread[j]), i, j)
         for i in range(len(slugs)) for j in range(i) if min(spread[i], spread[j]) > 1.0
    )  # fmt: skip
    for ratio, i, j in pairs:
        if ratio > _TOGETHER or {i, j} & taken or np.corrcoef(x[:, i], x[:, j])[0, 1] > _AGAINST:
            continue
        taken |= {i, j}
        low, high = np.percentile(x[:, i] + x[:, j], (2.5, 97.5))
        found.append(Together((slugs[j], slugs[i]), float(middle[i] + middle[j]), float(low), float(high)))
    return tuple(found)

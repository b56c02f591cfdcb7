"""What is to be bought: when stock runs low, and in which packs a need comes at least cost."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cache
from statistics import fmean, stdev

Z_SERVICE = 1.65
LEAST_WEEKS = 6
LAST_WEEKS = 12
LEAD_WEEKS = 2.0
MOST_SMALL_PACKS = 40


@dataclass(frozen=True, slots=True)
class ReorderPoint:
    """Buy when what is free falls to `at_g` g; `few_weeks` where too few weeks are on record to know the spread."""

    at_g: float
    few_weeks: bool


@dataclass(frozen=True, slots=True)
class Packs:
    """How many packs of which size (g), their price, and what is left over, g; `exact` unless the search was greedy."""

    buy: Mapping[float, int]
    price: float
    left_over_g: float
    exact: bool = True


def reorder_point(weekly_g: Sequence[float], lead_weeks: float = LEAD_WEEKS) -> ReorderPoint:
    """Return when to buy: d·L + 1.65·s·√L over the last 12 weeks of use, g. Rule of thumb.

    With fewer than six weeks the largest week takes the place of both.

    >>> reorder_point([400.0], 2.0)
    ReorderPoint(at_g=800.0, few_weeks=True)
    """
    weeks = list(weekly_g)[-LAST_WEEKS:]
    if len(weeks) < LEAST_WEEKS:
        return ReorderPoint(max(weeks, default=0.0) * lead_weeks, True)
    return ReorderPoint(reorder_at(fmean(weeks), stdev(weeks), lead_weeks), False)


def reorder_at(weekly_g: float, spread_g: float, lead_weeks: float = LEAD_WEEKS) -> float:
    """Return g at which to buy, from the mean weekly use and its spread.

    >>> round(reorder_at(900, 300, 2))
    2500
    """
    return weekly_g * lead_weeks + Z_SERVICE * spread_g * math.sqrt(lead_weeks)


def packs_for(need_g: float, packs: Sequence[tuple[float, float]]) -> Packs | None:
    """Return whole packs (g, price) that cover `need_g` g at least cost; of equal costs the least over. None: no packs.

    Exact up to forty of the smallest pack; above that the dearest per kg comes last.
    """
    offered = sorted((size, price) for size, price in packs if size > 0)
    if not offered:
        return None
    if need_g <= 0:
        return Packs({}, 0.0, 0.0)
    if need_g > MOST_SMALL_PACKS * offered[0][0]:
        return _greedy(need_g, offered)
    best = _cheapest(need_g, tuple(offered))
    return Packs(dict(best[2]), round(best[0], 9), round(best[1], 9))


def _cheapest(need_g: float, offered: tuple[tuple[float, float], ...]) -> tuple[float, float, dict[float, int]]:
    @cache
    def best(left_g: float, k: int) -> tuple[float, float, tuple[tuple[float, int], ...]]:
        if left_g <= 1e-9:
            return 0.0, -left_g, ()
        size, price = offered[k]
        most = math.ceil(left_g / size - 1e-9)
        if k == 0:
            return most * price, most * size - left_g, ((size, most),)
        found = []
        for n in range(most + 1):
            cost, over, chosen = best(round(left_g - n * size, 6), k - 1)
            found.append((round(cost + n * price, 9), over, (*chosen, (size, n)) if n else chosen))
        return min(found)

    price, over, chosen = best(need_g, len(offered) - 1)
    return price, over, {size: n for size, n in reversed(chosen) if n}


def _greedy(need_g: float, offered: Sequence[tuple[float, float]]) -> Packs:
    size, price = min(offered, key=lambda o: o[1] / o[0])
    n = math.floor(need_g / size)
    left_g = need_g - n * size
    rest = _cheapest(left_g, tuple(offered)) if left_g > 0 and left_g <= MOST_SMALL_PACKS * offered[0][0] else None
    if rest is None:
        more = 1 if left_g > 0 else 0
        return Packs({size: n + more}, (n + more) * price, (n + more) * size - need_g, False)
    buy = dict(rest[2])
    buy[size] = buy.get(size, 0) + n
    return Packs(buy, round(rest[0] + n * price, 9), round(rest[1], 9), False)

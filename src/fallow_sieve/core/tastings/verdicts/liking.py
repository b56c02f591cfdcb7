"""What marks of liking say: the first rule that holds.

Nothing is ever called the same: what was not shown may be there, and the verdict says how much would have been seen.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.numerics.repeatability import holm_corrected
from fallow_sieve.core.tastings.liking import LEVEL, differences, lower_limit, mean_of, sample_means, winner
from fallow_sieve.core.tastings.permutation import Row, permutation_test
from fallow_sieve.core.tastings.planning import seen_with, spread_between, tasters_needed
from fallow_sieve.core.tastings.verdicts.told import (
    Verdict,
    by_chance,
    foot_of,
    least_tasters,
    listed,
    no_single_winner,
    people,
    too_few,
)

WORTH = 1.0
FEW = 2.0  # what would have been seen, in differences worth having, over which it is too few to say


@dataclass(frozen=True, slots=True)
class Margin:
    """What was set beforehand: the new sample may be so many points worse than the old at most, by their places."""

    points: float
    new: int
    old: int


def liking_verdict(
    names: Sequence[str],
    rows: Sequence[Row],
    worth: float = WORTH,
    margin: Margin | None = None,
    level: float = LEVEL,
) -> Verdict:
    """Return what marks of liking (points 1–9) say; rows are tasters, in the order of `names`, None was not tasted.

    `worth` is the difference worth having, in points. Raises BadInputError where no taster tasted two.
    """
    told = [r for r in rows if sum(v is not None for v in r) > 1]
    n, k = len(told), len(names)
    if n < least_tasters(k):
        return Verdict(too_few(n, k), None, None, None, foot_of(n))
    test = permutation_test(told)
    best, sd = winner(told, test.p, level), spread(told)
    met = _no_worse(names, told, margin) if margin is not None else ""
    if best is not None:
        first = _won(names, told, best) + by_chance(test.p)
    elif test.p <= level:
        first = _differ(names, told)
    else:
        first = "" if met else _not_shown(names, n, sd, worth)
    wanted = tasters_needed(worth, sd) if sd else None
    between = spread_between(worth, sd, n - 1) if sd else None
    return Verdict(" ".join(s for s in (first, met) if s), best, test, wanted, foot_of(n), between)


def _won(names: Sequence[str], rows: Sequence[Row], best: int) -> str:
    means = sample_means(rows)
    following = max((j for j in range(len(names)) if j != best), key=lambda j: means[j])
    d = mean_of(differences(rows, best, following))
    within = f" ({d.low:.1f} to {d.high:.1f})" if d.low is not None and d.high is not None else ""
    return (
        f"{names[best]} won. {people(len(rows))}; {names[best]} {means[best]:.1f}, next {names[following]}, "
        f"{d.value:.1f} less{within}. "
    )


def _differ(names: Sequence[str], rows: Sequence[Row]) -> str:
    means = sample_means(rows)
    best = max(range(len(names)), key=lambda j: means[j])
    others = [j for j in range(len(names)) if j != best]
    found = [differences(rows, best, j) for j in others]
    raw = [p if d and (p := mean_of(d).p) is not None else 1.0 for d in found]
    return no_single_winner(names, best, dict(zip(others, holm_corrected(raw), strict=True)), LEVEL)


def _no_worse(names: Sequence[str], rows: Sequence[Row], margin: Margin) -> str:
    limit = lower_limit(differences(rows, margin.new, margin.old))
    if limit <= -margin.points:
        return ""
    worst = f"{-limit:.1f}" if limit < 0 else "0"
    return f"{names[margin.new]} is no more than {margin.points:g} worse: at worst {worst} (95 % sure)."


def _not_shown(names: Sequence[str], n: int, sd: float, worth: float) -> str:
    if sd == 0:
        return (
            f"No difference shown between {listed(names)}. {people(n)}, each gave them the same mark; "
            "less than a mark may be there."
        )
    seen = seen_with(sd, n)
    if seen > FEW * worth:
        wanted = tasters_needed(worth, sd)
        return (
            f"Too few to say. Only {seen:.1f} or more would have been seen; about {wanted} tasters would see {worth:g}."
        )
    return (
        f"No difference shown between {listed(names)}. {people(n)}; {seen:.1f} or more would have been seen "
        "4 times in 5, less may be there."
    )


def spread(rows: Sequence[Row]) -> float:
    """Return the sd of paired differences (points), over all pairs of samples: the root of their mean square."""
    k = len(rows[0])
    found = [mean_of(d).sd for a in range(k) for b in range(a) if len(d := differences(rows, a, b)) > 1]
    return math.sqrt(sum((s or 0.0) ** 2 for s in found) / len(found)) if found else 0.0

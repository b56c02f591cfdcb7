"""What a tasting by liking says, in one verdict: the first rule that holds, in its own words.

Nothing is ever called the same: what was not shown may be there, and the verdict says how much would have been seen.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.tastings.liking import LEVEL, differences, lower_limit, mean_of, sample_means, winner
from fallow_sieve.core.tastings.permutation import GlobalTest, Row, permutation_test
from fallow_sieve.core.tastings.planning import seen_with, tasters_needed
from fallow_sieve.core.tastings.ranks import holm

LEAST_OF_TWO, LEAST = 6, 3
WORTH, MOST_SAID = 1.0, 1000
FEW = 2.0  # what would have been seen, in differences worth having, over which it is too few to say


@dataclass(frozen=True, slots=True)
class Margin:
    """What was set beforehand: the new sample may be so many points worse than the old at most, by their places."""

    points: float
    new: int
    old: int


@dataclass(frozen=True, slots=True)
class LikingVerdict:
    """The verdict in words; which sample won by its place (None: none was shown), the test, tasters for next time."""

    say: str
    winner: int | None
    test: GlobalTest | None
    tasters_next: int | None
    foot: str


def liking_verdict(
    names: Sequence[str], rows: Sequence[Row], worth: float = WORTH, margin: Margin | None = None
) -> LikingVerdict:
    """Return what marks of liking (points 1–9) say; rows are tasters, in the order of `names`, None was not tasted.

    `worth` is the difference worth having, in points. Raises BadInputError where no taster tasted two.
    """
    told = [r for r in rows if sum(v is not None for v in r) > 1]
    n, k = len(told), len(names)
    foot = f"These {n} people; others may differ."
    if n < (LEAST_OF_TWO if k == 2 else LEAST):
        return LikingVerdict(_too_few(n, k), None, None, None, foot)
    test = permutation_test(told)
    best, sd = winner(told, test.p), _spread(told)
    said = [_no_worse(names, told, margin)] if margin is not None else []
    first = _first(names, told, test, best, (sd, worth), bool(said and said[0]))
    say = " ".join(s for s in (first, *said) if s)
    return LikingVerdict(say, best, test, tasters_needed(worth, sd) if sd else None, foot)


def _too_few(n: int, k: int) -> str:
    chance = _once_in(1 / math.factorial(k) ** (n - 1)) if n else "1"
    least = LEAST_OF_TWO if k == 2 else LEAST
    return (
        f"Too few to say. With {n} tasters even full agreement comes by chance 1 time in {chance}; "
        f"{least} are the least."
    )


def _first(
    names: Sequence[str],
    rows: Sequence[Row],
    test: GlobalTest,
    best: int | None,
    size: tuple[float, float],
    margin_met: bool,
) -> str:
    if best is not None:
        return _won(names, rows, test, best)
    if test.p <= LEVEL:
        return _differ(names, rows)
    return "" if margin_met else _not_shown(names, len(rows), *size)


def _won(names: Sequence[str], rows: Sequence[Row], test: GlobalTest, best: int) -> str:
    means = sample_means(rows)
    following = max((j for j in range(len(names)) if j != best), key=lambda j: means[j])
    d = mean_of(differences(rows, best, following))
    within = f" ({d.low:.1f} to {d.high:.1f})" if d.low is not None and d.high is not None else ""
    return (
        f"{names[best]} won. {len(rows)} tasters; {names[best]} {means[best]:.1f}, next {names[following]}, "
        f"{d.value:.1f} less{within}. If all were equal, votes this far apart would come 1 time in {_once_in(test.p)}."
    )


def _differ(names: Sequence[str], rows: Sequence[Row]) -> str:
    means = sample_means(rows)
    best = max(range(len(names)), key=lambda j: means[j])
    others = [j for j in range(len(names)) if j != best]
    corrected = holm([mean_of(differences(rows, best, j)).p or 1.0 for j in others])
    behind = [names[j] for j, p in zip(others, corrected, strict=True) if p <= LEVEL]
    near = [names[j] for j in range(len(names)) if names[j] not in behind]
    if not behind:
        return "They differ, no single winner: which ones, this table cannot say."
    return f"They differ, no single winner. {_listed(near)} could not be told apart. Left behind: {', '.join(behind)}."


def _no_worse(names: Sequence[str], rows: Sequence[Row], margin: Margin) -> str:
    limit = lower_limit(differences(rows, margin.new, margin.old))
    if limit <= -margin.points:
        return ""
    worst = f"{-limit:.1f}" if limit < 0 else "0"
    return f"{names[margin.new]} is no more than {margin.points:g} worse: at worst {worst} (95 % sure)."


def _not_shown(names: Sequence[str], n: int, sd: float, worth: float) -> str:
    seen = seen_with(sd, n)
    if seen > FEW * worth:
        wanted = tasters_needed(worth, sd)
        return (
            f"Too few to say. Only {seen:.1f} or more would have been seen; about {wanted} tasters would see {worth:g}."
        )
    return (
        f"No difference shown between {_listed(names)}. {n} tasters; {seen:.1f} or more would have been seen "
        "4 times in 5, less may be there."
    )


def _spread(rows: Sequence[Row]) -> float:
    """The sd of paired differences (points), over all pairs of samples: the root of their mean square."""
    k = len(rows[0])
    found = [mean_of(d).sd for a in range(k) for b in range(a) if len(d := differences(rows, a, b)) > 1]
    return math.sqrt(sum((s or 0.0) ** 2 for s in found) / len(found)) if found else 0.0


def _once_in(p: float) -> str:
    times = round(1 / p)
    return f"over {MOST_SAID:,}" if times > MOST_SAID else str(times)


def _listed(names: Sequence[str]) -> str:
    return " and ".join([", ".join(names[:-1]), names[-1]]) if len(names) > 1 else names[0]

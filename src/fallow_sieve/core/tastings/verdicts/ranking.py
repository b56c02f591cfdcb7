"""What places say (1 the best): the same rules as for liking, with the exact sign test for each pair."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from fallow_sieve.core.numerics.repeatability import holm_corrected
from fallow_sieve.core.tastings.liking import LEVEL
from fallow_sieve.core.tastings.permutation import Row, permutation_test
from fallow_sieve.core.tastings.preference import Preferred, preferences_needed, preferred, share_seen
from fallow_sieve.core.tastings.ranks import ranked
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

WORTH_SHARE = 0.75  # 3 of 4 people put one before the other: a rule of thumb


def ranking_verdict(names: Sequence[str], rows: Sequence[Row], level: float = LEVEL) -> Verdict:
    """Return what places say (1 the best, ties allowed); rows are tasters, None was not tasted.

    Raises BadInputError where no taster tasted two.
    """
    told = [ranked(r) for r in rows if sum(v is not None for v in r) > 1]
    n, k = len(told), len(names)
    if n < least_tasters(k):
        return Verdict(too_few(n, k), None, None, None, foot_of(n))
    test = permutation_test(told)
    order = sorted(range(k), key=lambda j: mean_place(told, j))
    best, wanted = order[0], preferences_needed(WORTH_SHARE)
    against = {j: before(told, best, j) for j in range(k) if j != best}
    if test.p <= level and all(p.first > p.second and p.p <= level for p in against.values()):
        nearest = order[1]
        won = (
            f"{names[best]} won. {people(n)}; {names[best]} before {names[nearest]} at "
            f"{against[nearest].first} of {n} seats. {by_chance(test.p)}"
        )
        return Verdict(won, best, test, wanted, foot_of(n))
    if test.p <= level:
        corrected = dict(zip(against, holm_corrected([p.p for p in against.values()]), strict=True))
        return Verdict(no_single_winner(names, best, corrected, level), None, test, wanted, foot_of(n))
    return Verdict(not_shown(names, n), None, test, wanted, foot_of(n))


def mean_place(rows: Sequence[Row], sample: int) -> float:
    """Return the mean place of a sample (1 the best), without unit, over those who tasted it."""
    return float(np.mean([v for r in rows if (v := r[sample]) is not None] or [np.inf]))


def before(rows: Sequence[Row], a: int, b: int) -> Preferred:
    """Return how many put a before b and b before a (counts), with the exact sign test; ties are dropped."""
    pairs = [(x, y) for r in rows if (x := r[a]) is not None and (y := r[b]) is not None]
    return preferred(sum(x < y for x, y in pairs), sum(x > y for x, y in pairs))


def not_shown(names: Sequence[str], n: int) -> str:
    """Return the words where no difference was shown between samples by `n` choices (a count)."""
    seen = share_seen(n)
    if seen is None:
        return (
            f"Too few to say. Not even full agreement would have been seen; about {preferences_needed(WORTH_SHARE)} "
            "tasters would see 3 in 4 who agree."
        )
    return (
        f"No difference shown between {listed(names)}. {people(n)}; {100 * seen:.0f} % or more of one mind would have "
        "been seen 4 times in 5, less may be there."
    )

"""Three-digit codes for samples: none that leans anybody, none like another on the same table.

No digit twice, no run up or down (123, 765), no 0 at the end, none that means something to people (a table of our
own). On one table other first digits and no anagrams; none of a kitchen's last eight panels.
"""

from __future__ import annotations

import itertools
from collections.abc import Collection, Iterable

import numpy as np

from fallow_sieve.core.values import BadInputError

FIRST, LAST = 100, 999
LAST_PANELS = 8


def usable_codes(meaning: Collection[str] = ()) -> tuple[int, ...]:
    """Return the codes (100–999) that may stand on a plate; `meaning` are patterns to leave out, x for any digit.

    >>> 418 in usable_codes(), 123 in usable_codes(), 131 in usable_codes(), 135 in usable_codes(["13x"])
    (True, False, False, False)
    """
    return tuple(c for c in range(FIRST, LAST + 1) if _is_plain(c) and not any(_matches(c, m) for m in meaning))


def _is_plain(code: int) -> bool:
    text = str(code)
    steps = {int(b) - int(a) for a, b in itertools.pairwise(text)}
    return len(set(text)) == len(text) and not text.endswith("0") and steps not in ({1}, {-1})


def _matches(code: int, pattern: str) -> bool:
    return len(pattern) == len(str(code)) and all(p in ("x", c) for p, c in zip(pattern, str(code), strict=True))


def deal_codes(samples: int, used: Iterable[int], meaning: Collection[str], seed: int) -> tuple[int, ...]:
    """Return a code for each of so many samples (counts), none of `used`. Raises BadInputError where there are none."""
    left = [c for c in usable_codes(meaning) if c not in set(used)]
    shuffled = np.random.default_rng(seed).permutation(left).tolist()
    found: list[int] = []
    for code in shuffled:
        if len(found) < samples and all(_apart(code, other) for other in found):
            found.append(code)
    if len(found) < samples:
        raise BadInputError(f"no codes left for {samples} samples", place="/samples", right="ask fewer samples")
    return tuple(found)


def _apart(a: int, b: int) -> bool:
    x, y = str(a), str(b)
    return x[0] != y[0] and sorted(x) != sorted(y)

"""A count against the book: small differences are taken, larger ones want a cause. Rules of thumb."""

from __future__ import annotations

CAUSES = ("spilled", "not recorded", "scale", "wrong lot", "unknown")
SMALL_PCT = 1.0
SMALL_G = 2.0


def wants_cause(book_g: float, counted_g: float) -> bool:
    """Return whether a difference (g) is over 1 % of the book and over 2 g.

    >>> wants_cause(1000, 992), wants_cause(1000, 980), wants_cause(50, 48.5)
    (False, True, False)
    """
    return abs(counted_g - book_g) > max(SMALL_PCT / 100 * book_g, SMALL_G)

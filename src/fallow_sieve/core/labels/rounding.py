"""Numbers as a label prints them: rounded once, last, half up in decimal, in the class that the value falls into.

EU: the Commission's guidance of 2012. US: 21 CFR 101.9(c). What rounds into the next class takes that class's form. A
value is first taken to nine places, so that a binary 0.145 is the tie that it is meant to be.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from decimal import ROUND_HALF_UP, Decimal

_PLACES = Decimal("1e-9")
_ONE = Decimal(1)


@dataclass(frozen=True, slots=True)
class RoundingClass:
    """From where (and whether that is in it) to where a class goes, what it shows, and its step (None: as it says)."""

    start: float
    below: float | None
    start_in: bool
    below_in: bool
    show: str
    step: float | None


def decimal_of(value: float) -> Decimal:
    """Return a value as the decimal it is meant to be, to nine places.

    >>> decimal_of(0.1 + 0.2)
    Decimal('0.300000000')
    """
    return Decimal(repr(value)).quantize(_PLACES, ROUND_HALF_UP)


def to_step(value: Decimal, step: Decimal) -> Decimal:
    """Return `value` to the nearest `step`, half up.

    >>> to_step(Decimal("4.75"), Decimal("0.5"))
    Decimal('5.0')
    """
    return (value / step).quantize(_ONE, ROUND_HALF_UP) * step


def printed(value: float, classes: Sequence[RoundingClass]) -> str:
    """Return `value` as its class prints it; a negative value is nothing.

    >>> eu = (RoundingClass(0, .5, True, True, "<0.5", None), RoundingClass(.5, 10, False, False, "number", .1),
    ...       RoundingClass(10, None, True, False, "number", 1))
    >>> [printed(x, eu) for x in (0.5, 0.51, 9.94, 9.95, 10.5)]
    ['<0.5', '0.5', '9.9', '10', '11']
    """
    exact = max(Decimal(0), decimal_of(value))
    k = next(n for n, c in enumerate(classes) if _holds(c, exact) or n == len(classes) - 1)
    if classes[k].step is None:
        return classes[k].show
    rounded = to_step(exact, _dec(classes[k].step))
    if k + 1 < len(classes) and _is_past(classes[k], rounded) and classes[k + 1].step is not None:
        step = _dec(classes[k + 1].step)
        return _plain(to_step(rounded, step), step)
    return _plain(rounded, _dec(classes[k].step))


def significant(value: float, figures: int) -> str:
    """Return `value` to so many significant figures, half up.

    >>> significant(123.45, 2), significant(0.0456, 2), significant(9.96, 2)
    ('120', '0.046', '10')
    """
    exact = decimal_of(value)
    if exact <= 0:
        return "0"
    step = Decimal(1).scaleb(exact.adjusted() - figures + 1)
    rounded = to_step(exact, step)
    if rounded.adjusted() > exact.adjusted():
        step = Decimal(1).scaleb(rounded.adjusted() - figures + 1)
    return _plain(rounded, step)


def _holds(c: RoundingClass, value: Decimal) -> bool:
    start = _dec(c.start)
    over = value >= start if c.start_in else value > start
    if c.below is None:
        return over
    return over and (value <= _dec(c.below) if c.below_in else value < _dec(c.below))


def _is_past(c: RoundingClass, rounded: Decimal) -> bool:
    return c.below is not None and (rounded > _dec(c.below) if c.below_in else rounded >= _dec(c.below))


def _dec(number: float | None) -> Decimal:
    return Decimal(repr(number))


def _plain(value: Decimal, step: Decimal) -> str:
    """With as many places as the step has; a whole step prints none."""
    exponent = step.normalize().as_tuple().exponent
    places = max(0, -exponent) if isinstance(exponent, int) else 0
    return f"{value:.{places}f}"

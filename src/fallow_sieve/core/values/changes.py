"""A change: what, from where to where, in which unit, by how much, and why. Words for it are made at the end.

Differences of two blends, a newer blend, a conversion, a mending, a swap and an import all answer with changes.
"""

from __future__ import annotations

from dataclasses import dataclass

Value = float | str | None  # a number in the change's unit, a word, or None: absent or unknown


@dataclass(frozen=True, slots=True)
class Change:
    """One thing that changes: `what` names it to programs, `label` to people; before and after in `unit`.

    `size` is after less before in the unit where that can be told; `why` is a reason, or empty.
    """

    what: str
    label: str
    before: Value
    after: Value
    unit: str = ""
    size: float | None = None
    why: str = ""


def moved(what: str, label: str, before: float | None, after: float | None, unit: str) -> Change:
    """Return the change of a number in `unit`; its size is None where either side is unknown.

    >>> moved("fibre_pct", "Fibre", 4.0, 6.5, "g/100 g").size
    2.5
    """
    size = None if before is None or after is None else after - before
    return Change(what, label, before, after, unit, size)


def came_or_went(what: str, label: str, before: float | None, after: float | None, unit: str) -> Change:
    """Return the change of an amount in `unit` that is absent where it is None, so that its size is always known.

    >>> came_or_went("teff", "Teff", None, 20.0, "% of flour").size
    20.0
    """
    return Change(what, label, before, after, unit, (after or 0.0) - (before or 0.0))


def in_words(change: Change, decimals: int = 1) -> str:
    """Return a change as "Teff 10.0 → 12.5 % of flour"; of words as "A → B"; with absent sides left out.

    >>> in_words(Change("teff", "Teff", 10.0, 12.5, "% of flour"))
    'Teff 10.0 → 12.5 % of flour'
    >>> in_words(Change("allergen/milk", "milk", None, "contained"))
    'milk: now contained'
    """
    if isinstance(change.before, str) or isinstance(change.after, str):
        return _of_words(change)
    before, after = (f"{v or 0.0:.{decimals}f}" for v in (change.before, change.after))
    return f"{change.label} {before} → {after} {change.unit}".rstrip()


def _of_words(change: Change) -> str:
    if change.before is None:
        return f"{change.label}: now {change.after}"
    if change.after is None:
        return f"{change.label}: no more {change.before}"
    return f"{change.label}: {change.before} → {change.after}"

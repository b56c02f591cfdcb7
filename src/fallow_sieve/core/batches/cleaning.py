"""In which order several batches are made, so that fewest cleans are due.

A clean is due going from A to B where A leaves a mark (allergen, watched word, gluten) that B does not have. Up to ten
batches by exact search over all orders, beginning from what the line made last; above that the nearest next.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cache

MOST_EXACT = 10
GLUTEN = "gluten"


@dataclass(frozen=True, slots=True)
class MadeInOrder:
    """The batches in their order, before which of them the line is cleaned, and whether the search was exact."""

    order: tuple[str, ...]
    cleans: tuple[bool, ...]
    exact: bool = True


def in_order(batches: Mapping[str, Sequence[str]], left_by_last: Sequence[str] = ()) -> MadeInOrder:
    """Return the order of `batches` (marks by name) with fewest cleans; `left_by_last` are the marks on the line now.

    Of orders with as few, cleans come late, and then the plan's own order holds. What carries gluten comes last.

    >>> in_order({"P": [], "A": ["almond"], "S": ["soya"], "AS": ["almond", "soya"]}).order
    ('P', 'A', 'AS', 'S')
    """
    names = sorted(batches, key=lambda n: GLUTEN in batches[n])
    marks = [frozenset(batches[n]) for n in names]
    now = frozenset(left_by_last)
    order = _exact(marks, now) if len(names) <= MOST_EXACT else _nearest(marks, now)
    before = [now, *(marks[n] for n in order)]
    cleans = tuple(bool(before[k] - marks[n]) for k, n in enumerate(order))
    return MadeInOrder(tuple(names[n] for n in order), cleans, len(names) <= MOST_EXACT)


def _exact(marks: Sequence[frozenset[str]], now: frozenset[str]) -> tuple[int, ...]:
    @cache
    def best(left: frozenset[int], on_line: frozenset[str]) -> tuple[int, tuple[bool, ...], tuple[int, ...]]:
        if not left:
            return 0, (), ()
        clean_of_gluten = {n for n in left if GLUTEN not in marks[n]} or left
        return min(_one_more(n, on_line, best(left - {n}, marks[n])) for n in clean_of_gluten)

    def _one_more(
        n: int, on_line: frozenset[str], rest: tuple[int, tuple[bool, ...], tuple[int, ...]]
    ) -> tuple[int, tuple[bool, ...], tuple[int, ...]]:
        due = bool(on_line - marks[n])
        return due + rest[0], (due, *rest[1]), (n, *rest[2])

    return best(frozenset(range(len(marks))), now)[2]


def _nearest(marks: Sequence[frozenset[str]], now: frozenset[str]) -> tuple[int, ...]:
    left, order = set(range(len(marks))), []
    while left:
        on_line = now
        n = min(
            left,
            key=lambda k: (GLUTEN in marks[k], bool(on_line - marks[k]), len(on_line ^ marks[k]), k),
        )
        order.append(n)
        left.discard(n)
        now = marks[n]
    return tuple(order)

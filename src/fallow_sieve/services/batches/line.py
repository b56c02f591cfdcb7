"""Whether the line is to be cleaned before a batch, and in which order several are made with fewest cleans."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.batches.batch import Batch, BatchState
from fallow_sieve.core.batches.cleaning import GLUTEN, in_order
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.values import counted
from fallow_sieve.store.batches import open_batches, page_of_batches, steps_of

_NOT_MADE = (BatchState.PLANNED, BatchState.ABANDONED)


def marks_of(slugs: Iterable[str], shelf: Shelf) -> frozenset[str]:
    """Return what a mix leaves on the line: allergens, watched words, gluten."""
    items = [shelf[s] for s in slugs if s in shelf]
    found = {m for i in items for m in (*i.allergens, *i.watch)}
    return frozenset(found | ({GLUTEN} if any(i.contains_gluten for i in items) else set()))


@dataclass(frozen=True, slots=True)
class NextOnLine:
    """A planned batch in the order they are best made in, whether the line is cleaned before it, and of what."""

    id: int
    name: str
    marks: list[str]
    clean_first: bool
    clean_of: list[str]


@dataclass(frozen=True, slots=True)
class LineOrder:
    """The planned batches in their order, in one sentence; whether the search was exact."""

    items: list[NextOnLine]
    say: str
    exact: bool


def order_of_planned(session: Session, shelf: Shelf) -> LineOrder:
    """Return in which order the planned batches are made with fewest cleans, from what the line made last."""
    planned = [b for b in open_batches(session) if b.state is BatchState.PLANNED]
    marks = {str(b.id): sorted(marks_of(b.targets_g, shelf)) for b in planned}
    last = _last_made(session, 0)
    on_line = marks_of(last.targets_g, shelf) if last and not _cleaned(session, last) else frozenset()
    found = in_order(marks, sorted(on_line))
    names = {str(b.id): b.name for b in planned}
    items = []
    for key, due in zip(found.order, found.cleans, strict=True):
        items.append(NextOnLine(int(key), names[key], marks[key], due, sorted(on_line - set(marks[key]))))
        on_line = frozenset(marks[key])
    return LineOrder(items, _say(items), found.exact)


def _say(items: Sequence[NextOnLine]) -> str:
    """The order in words; nothing is to be said of fewer than two."""
    if len(items) < 2:
        return ""
    cleans = sum(x.clean_first for x in items)
    said = " → ".join(f"clean → {x.name}" if x.clean_first else x.name for x in items)
    return f"Make them in this order, with {counted(cleans, 'clean') if cleans else 'no clean'} between: {said}."


def _last_made(session: Session, but: int) -> Batch | None:
    made = [b for b in page_of_batches(session, limit=20) if b.id != but and b.state not in _NOT_MADE]
    return max(made, key=lambda b: (b.made_on, b.id), default=None)


def _cleaned(session: Session, batch: Batch) -> bool:
    return any(s.kind == "clean" for s in steps_of(session, batch.id))


def clean_first(session: Session, batch: Batch, shelf: Shelf) -> str:
    """Return why the line is to be cleaned before a planned batch, in words; empty where it need not be."""
    if batch.state is not BatchState.PLANNED:
        return ""
    last = _last_made(session, batch.id)
    if last is None or _cleaned(session, last):
        return ""
    left, ours = marks_of(last.targets_g, shelf), marks_of(batch.targets_g, shelf)
    if not in_order({batch.name: sorted(ours)}, sorted(left)).cleans[0]:
        return ""
    names = ", ".join(sorted(m.replace("-", " ") for m in left - ours))
    wet = " A wet clean of everything: a gluten cereal went before." if GLUTEN in left - ours else ""
    return f"Clean the line first: {last.name} {last.code} left {names} on it.{wet} Wood, brushes and cloth stay apart."

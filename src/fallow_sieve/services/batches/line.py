"""Whether the line is to be cleaned before a batch, by what the last one left on it."""

from __future__ import annotations

from collections.abc import Iterable

from sqlmodel import Session

from fallow_sieve.core.batches.batch import Batch, BatchState
from fallow_sieve.core.batches.cleaning import GLUTEN, in_order
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.store.batches import page_of_batches, steps_of

_NOT_MADE = (BatchState.PLANNED, BatchState.ABANDONED)


def marks_of(slugs: Iterable[str], shelf: Shelf) -> frozenset[str]:
    """Return what a mix leaves on the line: allergens, watched words, gluten."""
    items = [shelf[s] for s in slugs if s in shelf]
    found = {m for i in items for m in (*i.allergens, *i.watch)}
    return frozenset(found | ({GLUTEN} if any(i.contains_gluten for i in items) else set()))


def clean_first(session: Session, batch: Batch, shelf: Shelf) -> str:
    """Return why the line is to be cleaned before a planned batch, in words; empty where it need not be."""
    if batch.state is not BatchState.PLANNED:
        return ""
    made = [b for b in page_of_batches(session, limit=20) if b.id != batch.id and b.state not in _NOT_MADE]
    if not made:
        return ""
    last = max(made, key=lambda b: (b.made_on, b.id))
    if any(s.kind == "clean" for s in steps_of(session, last.id)):
        return ""
    left, ours = marks_of(last.targets_g, shelf), marks_of(batch.targets_g, shelf)
    if not in_order({batch.name: sorted(ours)}, sorted(left)).cleans[0]:
        return ""
    names = ", ".join(sorted(m.replace("-", " ") for m in left - ours))
    wet = " A wet clean of everything: a gluten cereal went before." if GLUTEN in left - ours else ""
    return f"Clean the line first: {last.name} {last.code} left {names} on it.{wet} Wood, brushes and cloth stay apart."

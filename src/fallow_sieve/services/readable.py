"""Blends, formulas and batches as their own files, to lie in an archive for a person or another program."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import replace
from datetime import date

from sqlmodel import Session

from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.formats.blends import write_blend
from fallow_sieve.formats.formulas import write_formula
from fallow_sieve.services.batches.files import batch_file
from fallow_sieve.services.batches.page import on_record
from fallow_sieve.services.blends.judging import must_define
from fallow_sieve.services.formulas.working import defined_in_file
from fallow_sieve.services.stock.events import events_of
from fallow_sieve.store import BLENDS, FORMULAS, KitchenStore
from fallow_sieve.store.batches import page_of_batches

_MOST = 100_000
_ANY_DAY = date(2000, 1, 1)  # the same kitchen gives the same bytes on every day


def readable_parts(store: KitchenStore) -> Iterator[tuple[str, bytes]]:
    """Return the name and the bytes of each file under `readable/`: drafts of blends and formulas, and batches."""
    with store.reading() as session:
        shelf = store.shelf(session, _ANY_DAY)
        yield from _blends(session, shelf)
        yield from _formulas(session, shelf)
        for batch in page_of_batches(session, limit=_MOST):
            data = batch_file(on_record(session, batch.id)).model_dump_json(indent=1)
            yield _named("batches", batch.id, batch.code or batch.name), data.encode()
        yield "readable/events.jsonl", events_of(session).encode()


def _blends(session: Session, shelf: Shelf) -> Iterator[tuple[str, bytes]]:
    for head in BLENDS.page(session, limit=_MOST):
        blend = replace(BLENDS.draft(session, head.id).content, name=head.name)
        if blend.parts:
            yield _named("blends", head.id, head.name), _bytes(write_blend(blend, must_define(blend, shelf)))


def _formulas(session: Session, shelf: Shelf) -> Iterator[tuple[str, bytes]]:
    for head in FORMULAS.page(session, limit=_MOST):
        formula = replace(FORMULAS.draft(session, head.id).content, name=head.name)
        if formula.lines:
            pin, defined = formula.pin, defined_in_file(formula, shelf)
            text = write_formula(formula, pin.name if pin else "", pin.revision if pin else None, defined)
            yield _named("formulas", head.id, head.name), _bytes(text)


def _bytes(text: str | bytes) -> bytes:
    return text.encode() if isinstance(text, str) else text


def _named(folder: str, number: int, name: str) -> str:
    stem = re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-")[:60]
    return f"readable/{folder}/{number}{f'-{stem}' if stem else ''}.json"

"""The numbers of ingredients and lots, in layers: the library's table below, the kitchen's own on top.

table < own (typed or brought in) < label < measured. The library's layer is never written by the user; a number
that is set aside is kept but does not count.
"""

from __future__ import annotations

import json
from collections.abc import Iterable, Mapping
from typing import Any

from sqlmodel import Session, col, select

from fallow_sieve.core.ingredients import LAYERS, Fact, Layered, Quality, in_force
from fallow_sieve.core.values import Range
from fallow_sieve.store.tables import NumbersRow

# One number as it is stored, kept short as there are many: [low, typical, high, quality, source, on, aside].
# `on` is the ISO date or empty; the last is there (true) only where the number is set aside.
Record = list[Any]
Stored = dict[str, Record]
_QUALITIES = {str(q): q for q in Quality}
_LENGTH = 6


def stored(facts: Mapping[str, Fact]) -> Stored:
    """Return facts as the document that is stored."""
    return {
        name: [_kept(f.range.low), _kept(f.range.typical), _kept(f.range.high), str(f.quality), f.source, f.noted_on]
        for name, f in facts.items()
    }


def _kept(value: float) -> float:
    """A number to 15 significant figures: what every spreadsheet keeps, and far more than was ever measured."""
    return float(f"{value:.15g}")


def fact_of(record: Record) -> Fact:
    """Return a stored record as a fact."""
    low, typical, high, quality, source, on = record[:_LENGTH]
    return Fact(Range(low, typical, high), _QUALITIES[quality], source, on)


def is_aside(record: Record) -> bool:
    """Return whether a stored record is set aside."""
    return len(record) > _LENGTH


def put_aside(record: Record, aside: bool) -> Record:
    """Return a stored record set aside, or in use."""
    return [*record[:_LENGTH], True] if aside else record[:_LENGTH]


def facts_in_force(layers: Mapping[str, Stored]) -> dict[str, Fact]:
    """Return the facts that count: of each number the highest layer in which it is not set aside."""
    return {name: fact_of(record) for name, record in in_force(layers, is_aside).items()}


def layers_of(session: Session, slug: str, lot_id: int | None = None) -> dict[str, Stored]:
    """Return the documents of an ingredient, or of one lot of it, by layer."""
    return {row.layer: row.facts for row in session.exec(_query(slug, lot_id))}


def _query(slug: str, lot_id: int | None) -> Any:
    return select(NumbersRow).where(NumbersRow.ingredient == slug, col(NumbersRow.lot_id).is_not_distinct_from(lot_id))


def put_layer(session: Session, slug: str, lot_id: int | None, layer: str, facts: Stored) -> None:
    """Store `facts` as the whole of a layer; an empty one is removed."""
    row = session.exec(_query(slug, lot_id).where(NumbersRow.layer == layer)).first()
    if not facts:
        if row is not None:
            session.delete(row)
    elif row is None:
        session.add(NumbersRow(ingredient=slug, lot_id=lot_id, layer=layer, facts=facts))
    else:
        row.facts = facts
        session.add(row)
    session.flush()


def put_numbers(session: Session, slug: str, facts: Mapping[str, Fact], lot_id: int | None = None) -> None:
    """Add `facts` to the own layer; those of the same name are replaced."""
    now = layers_of(session, slug, lot_id).get("own", {})
    put_layer(session, slug, lot_id, "own", {**now, **stored(facts)})


def drop_number(session: Session, slug: str, name: str) -> None:
    """Remove a number from the own layer of an ingredient."""
    now = layers_of(session, slug).get("own", {})
    put_layer(session, slug, None, "own", {n: r for n, r in now.items() if n != name})


def set_aside(session: Session, slug: str, name: str, aside: bool) -> None:
    """Let the table's number count instead of every other of the same name (`aside`), or those again."""
    for layer, facts in layers_of(session, slug).items():
        if layer == "table" or name not in facts:
            continue
        put_layer(session, slug, None, layer, {**facts, name: put_aside(facts[name], aside)})


def stacked(layers: Mapping[str, Stored]) -> dict[str, list[Layered]]:
    """Return every number with all its layers, the lowest first."""
    found: dict[str, list[Layered]] = {}
    for layer in LAYERS:
        for name, record in layers.get(layer, {}).items():
            found.setdefault(name, []).append(Layered(layer, fact_of(record), is_aside(record)))
    return found


def keeping_aside(before: Stored, now: Stored) -> Stored:
    """Return `now` with the marks of `before`: a number stays set aside while it stays the same."""
    kept = {n for n, r in before.items() if is_aside(r) and n in now and r[:_LENGTH] == now[n][:_LENGTH]}
    return {n: put_aside(r, n in kept) for n, r in now.items()}


def put_table_layers(session: Session, items: Iterable[tuple[str, Mapping[str, Fact]]]) -> None:
    """Store the library's own numbers, all anew."""
    connection = session.connection()
    connection.exec_driver_sql("DELETE FROM numbers WHERE layer = 'table'")
    rows = [(slug, json.dumps(stored(facts), ensure_ascii=False)) for slug, facts in items]
    connection.exec_driver_sql("INSERT INTO numbers (ingredient, layer, facts) VALUES (?, 'table', ?)", rows)

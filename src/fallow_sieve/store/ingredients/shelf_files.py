"""The shelf as a table, out and in: what a file would change row by row, and then all of it or nothing."""

from __future__ import annotations

import json
from collections import defaultdict
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from typing import Literal, cast

import numpy as np
from sqlmodel import Session

from fallow_sieve.core.ingredients import Fact, in_force
from fallow_sieve.core.values import Change, is_visible
from fallow_sieve.formats.ingredients import (
    HEADER_OF,
    NUMBERS,
    TEXTS,
    FloatArray,
    Refusal,
    ShelfLine,
    ShelfTable,
    refuse_impossible,
)
from fallow_sieve.store.ingredients.numbers import Stored, fact_of, is_aside
from fallow_sieve.store.ingredients.shelves import without_collecting
from fallow_sieve.store.tables import LARDER

_COLUMN = {"function": "functions"}  # where a column of the file has another name in the table
_LISTED = 200  # new rows whose cells are listed: a preview shows no more
_ALL = (
    "SELECT slug, name, role, functions, allergens, watch, flavour_words, gluten_risk, usual_max_reason, archived, "
    "origin, usual_max_pct FROM ingredient "
    "ORDER BY position, slug"
)
_LAYERS = "SELECT ingredient, layer, facts FROM numbers WHERE lot_id IS NULL"
Status = Literal["new", "changed", "same", "refused"]


@dataclass(frozen=True, slots=True)
class RowChange:
    """What would happen to one row: its line, slug and name, status, changes, and why it is refused."""

    line: int
    slug: str
    name: str
    status: Status
    changes: tuple[Change, ...] = ()
    refusals: tuple[Refusal, ...] = ()


@dataclass(frozen=True, slots=True)
class AsItStands:
    """An ingredient as it stands: its texts by column, whose it is, the facts that count, and if it is on the shelf.

    What lies in the larder as it came is not.
    """

    texts: dict[str, str]
    own: bool
    facts: dict[str, Fact]
    on_shelf: bool


@dataclass(slots=True)
class Plan:
    """What a table would do: rows by number, and what is to be written for those that are new or changed."""

    table: ShelfTable
    rows: list[RowChange]
    known: dict[str, AsItStands]
    texts: dict[int, dict[str, str]] = field(default_factory=dict)
    numbers: dict[int, list[str]] = field(default_factory=dict)

    @property
    def counts(self) -> dict[Status, int]:
        """How many rows there are of each status."""
        found: dict[Status, int] = {"new": 0, "changed": 0, "same": 0, "refused": 0}
        for row in self.rows:
            found[row.status] += 1
        return found


@dataclass(frozen=True, slots=True)
class _Stored:
    """An ingredient as it is stored: its texts by column, whose it is, and the records of the numbers that count."""

    slug: str
    texts: dict[str, str]
    own: bool
    records: Stored
    on_shelf: bool


def shelf_as_it_stands(session: Session) -> dict[str, AsItStands]:
    """Return every ingredient with what counts for it, in the order of the shelf."""
    with without_collecting():
        return {
            x.slug: AsItStands(x.texts, x.own, {n: fact_of(r) for n, r in x.records.items()}, x.on_shelf)
            for x in _as_stored(session)
        }


def shelf_lines(session: Session, own_only: bool = False) -> Iterator[ShelfLine]:
    """Give every ingredient of the shelf as a line of a table."""
    for x in _as_stored(session):
        if x.own or (x.on_shelf and not own_only):
            yield ShelfLine(x.texts, {n: (r[0], r[1], r[2]) for n, r in x.records.items()})


def _as_stored(session: Session) -> Iterator[_Stored]:
    ask = session.connection().exec_driver_sql
    layers: dict[str, dict[str, str]] = defaultdict(dict)  # as text: laid out all at once it would be a hundred MB
    for slug, layer, facts in ask(_LAYERS):
        layers[slug][layer] = facts
    for slug, name, role, functions, allergens, watch, flavour, risk, reason, archived, origin, usual in ask(_ALL):
        texts = {
            "slug": slug,
            "name": name,
            "role": role,
            "function": ";".join(json.loads(functions)),
            "allergens": ";".join(json.loads(allergens)),
            "watch": ";".join(json.loads(watch)),
            "flavour_words": ";".join(json.loads(flavour)),
            "gluten_risk": risk,
            "usual_max_reason": reason,
            "archived": "yes" if archived else "no",
        }
        kept = layers.pop(slug, {})
        records = in_force({layer: cast(Stored, json.loads(text)) for layer, text in kept.items()}, is_aside)
        if usual is not None and "usual_max_pct" not in records:
            records["usual_max_pct"] = [usual, usual, usual, "estimate", "", ""]
        is_touched = origin != LARDER or any(layer != "table" for layer in kept)
        yield _Stored(slug, texts, origin == "own", records, is_touched)


def plan_import(session: Session, table: ShelfTable) -> Plan:
    """Return what `table` would do to the shelf, row by row. Nothing is written."""
    known = shelf_as_it_stands(session)
    here = [known.get(slug) for slug in table.slugs]
    refuse_impossible(table, {n: _so_far(here, n) for n in NUMBERS if n.endswith("_g") and any(here)})
    plan = Plan(table, [], known)
    _plan_texts(plan, here)
    _plan_numbers(plan, here)
    _plan_rows(plan, here)
    return plan


def _so_far(here: Sequence[AsItStands | None], name: str) -> FloatArray:
    return np.array([k.facts[name].range.typical if k and name in k.facts else np.nan for k in here])


def _plan_texts(plan: Plan, here: Sequence[AsItStands | None]) -> None:
    """What would change in texts of rows that are there; new ones take their columns as they are."""
    table, refuse = plan.table, plan.table.refusals
    for needed in ("name", "role"):
        column = table.texts.get(needed) or [""] * len(here)
        for n, (text, known) in enumerate(zip(column, here, strict=True)):
            if known is None and not is_visible(text):
                wrong = f"a new ingredient without a {needed}"
                refuse.append(Refusal(table.lines[n], needed, wrong, f"give its {needed}"))
    columns = {c: table.texts[c] for c in TEXTS if c in table.texts and c != "slug"}
    for n, known in enumerate(here):
        if known is None:
            continue
        changed = {c: texts[n] for c, texts in columns.items() if texts[n] and texts[n] != known.texts[c]}
        if not known.own and (theirs := [c for c in changed if c != "archived"]):
            wrong = f"{known.texts[theirs[0]]!r} is the library's"
            refuse.append(Refusal(table.lines[n], theirs[0], wrong, "leave it, or give a copy another slug"))
        if changed:
            plan.texts[n] = changed


def _plan_numbers(plan: Plan, here: Sequence[AsItStands | None]) -> None:
    """Which numbers of which rows are to be written: all of a new one, what differs of one that is there."""
    is_new = np.array([k is None for k in here], dtype=bool)
    for name, triple in plan.table.numbers.items():
        given = ~np.isnan(triple.typical)
        for n in np.flatnonzero(given & ~is_new).tolist():
            known = here[n]
            assert known is not None
            fact = known.facts.get(name)
            r = fact.range if fact else None
            same = r is not None and (
                r.typical == triple.typical[n]
                and (bool(triple.bare[n]) or (r.low == triple.low[n] and r.high == triple.high[n]))
            )
            if not same:
                plan.numbers.setdefault(n, []).append(name)


def _plan_rows(plan: Plan, here: Sequence[AsItStands | None]) -> None:
    refused: dict[int, list[Refusal]] = {}
    for r in plan.table.refusals:
        refused.setdefault(r.line, []).append(r)
    names = plan.table.texts.get("name", plan.table.slugs)
    listed = 0
    for n, (line, slug, known) in enumerate(zip(plan.table.lines, plan.table.slugs, here, strict=True)):
        name = known.texts["name"] if known else names[n]
        if line in refused:
            plan.rows.append(RowChange(line, slug, name, "refused", (), tuple(refused[line])))
        elif known is None:
            listed += 1
            cells = tuple(_new_cells(plan.table, n)) if listed <= _LISTED else ()
            plan.rows.append(RowChange(line, slug, name, "new", cells))
        elif n in plan.texts or n in plan.numbers:
            plan.rows.append(RowChange(line, slug, name, "changed", tuple(_changes(plan, n, known))))
        else:
            plan.rows.append(RowChange(line, slug, name, "same"))


def _new_cells(table: ShelfTable, n: int) -> Iterator[Change]:
    """The numbers that a new row brings."""
    for name, triple in table.numbers.items():
        if triple.typical[n] == triple.typical[n]:
            after = f"{triple.typical[n]:g} ({triple.low[n]:g}–{triple.high[n]:g})"
            yield Change(HEADER_OF[name], HEADER_OF[name], "", after)


def _changes(plan: Plan, n: int, known: AsItStands) -> Iterator[Change]:
    for column, text in plan.texts.get(n, {}).items():
        yield Change(column, column, known.texts[column], text)
    for name in plan.numbers.get(n, ()):
        triple, fact = plan.table.numbers[name], known.facts.get(name)
        before = f"{fact.range.typical:g} ({fact.range.low:g}–{fact.range.high:g})" if fact else "unknown"
        after = f"{triple.typical[n]:g} ({triple.low[n]:g}–{triple.high[n]:g})"
        yield Change(HEADER_OF[name], HEADER_OF[name], before, after)

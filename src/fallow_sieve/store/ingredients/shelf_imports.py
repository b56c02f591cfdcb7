"""Writes what an import of the shelf was planned to change, all of it in one transaction."""

from __future__ import annotations

import json
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from typing import Any

from sqlmodel import Session

from fallow_sieve.formats.ingredients import LISTS, ShelfTable
from fallow_sieve.store.ingredients.ingredients import OWN_POSITION
from fallow_sieve.store.ingredients.numbers import Stored, put_aside
from fallow_sieve.store.ingredients.shelf_files import Plan
from fallow_sieve.store.kitchen import kitchen_row, touch_shelf

_CHUNK = 1000
_COLUMN = {"function": "functions"}  # where a column of the file has another name in the table


@dataclass(frozen=True, slots=True)
class NewRows:
    """Some new ingredients as they are written: the values of each, and the document of its numbers."""

    ingredients: list[tuple[Any, ...]]
    numbers: list[tuple[str, str]]


@dataclass(slots=True)
class Prepared:
    """An import ready to be written: what takes long is done, and nobody had to wait for it."""

    plan: Plan
    fragments: dict[str, list[str]]
    new: list[NewRows] = field(default_factory=list)


def prepare_import(plan: Plan, source: str, noted_on: str) -> Iterator[Prepared]:
    """Give what `plan` says as it will be written, each time more of it is ready. Refused rows must be none."""
    assert not plan.counts["refused"]
    found = Prepared(plan, _fragments(plan.table, source, noted_on))
    rows = [n for n, row in enumerate(plan.rows) if row.status == "new"]
    for start in range(0, len(rows), _CHUNK):
        found.new.append(_new_rows(plan, rows[start : start + _CHUNK], found.fragments))
        yield found
    yield found


def apply_import(session: Session, ready: Prepared) -> None:
    """Write what was prepared."""
    plan, version = ready.plan, kitchen_row(session).shelf_version + 1
    for some in ready.new:
        _insert(session, some, version)
    changed = [n for n, row in enumerate(plan.rows) if row.status == "changed"]
    for n in changed:
        _change(session, plan, n, ready.fragments)
    touch_shelf(session, [plan.table.slugs[n] for n in changed])


def _fragments(table: ShelfTable, source: str, noted_on: str) -> dict[str, list[str]]:
    """Every number of every row as it is stored, ready to be joined: writing ten thousand rows must take a moment."""
    tail = json.dumps(["estimate", source, noted_on], ensure_ascii=False)[1:]
    out = {}
    for name, t in table.numbers.items():
        values = zip(t.low.tolist(), t.typical.tolist(), t.high.tolist(), strict=True)
        out[name] = [
            f'"{name}": [{low!r}, {typical!r}, {high!r}, {tail}' if typical == typical else ""
            for low, typical, high in values
        ]
    return out


def _new_rows(plan: Plan, rows: Sequence[int], fragments: dict[str, list[str]]) -> NewRows:
    texts, slugs, columns = plan.table.texts, plan.table.slugs, list(fragments.values())
    blank = [""] * len(slugs)
    plain = ("name", "role", "gluten_risk", "usual_max_reason", "archived")
    name, role, risk, reason, archived = (texts.get(c, blank) for c in plain)
    lists = [_lists(texts.get(c, blank), rows) for c in ("function", "allergens", "watch", "flavour_words")]
    ingredients = [
        (slugs[n], name[n], role[n], *marks, risk[n], reason[n], archived[n] == "yes")
        for n, marks in zip(rows, zip(*lists, strict=True), strict=True)
    ]
    documents = [(slugs[n], "{" + ", ".join(filter(None, [c[n] for c in columns])) + "}") for n in rows]
    return NewRows(ingredients, documents)


def _insert(session: Session, some: NewRows, version: int) -> None:
    ask = session.connection().exec_driver_sql
    ask(
        "INSERT INTO ingredient (slug, name, role, functions, allergens, watch, flavour_words, gluten_risk, "
        "usual_max_reason, archived, origin, confidence, position, version, touched) VALUES "
        f"(?, ?, ?, ?, ?, ?, ?, ?, ?, ?, 'own', '', {OWN_POSITION}, 1, {int(version)})",
        some.ingredients,
    )
    ask("INSERT INTO numbers (ingredient, layer, facts) VALUES (?, 'own', ?)", some.numbers)


def _lists(texts: Sequence[str], rows: Sequence[int]) -> list[str]:
    """Texts with semicolons as stored lists; few are different, so each is made once."""
    made = {text: _list(text) for text in {texts[n] for n in rows}}
    return [made[texts[n]] for n in rows]


def _list(text: str) -> str:
    return json.dumps([w for w in text.split(";") if w], ensure_ascii=False)


def _change(session: Session, plan: Plan, n: int, fragments: dict[str, list[str]]) -> None:
    slug, ask = plan.table.slugs[n], session.connection().exec_driver_sql
    texts = plan.texts.get(n, {})
    values = [_list(t) if c in LISTS else t == "yes" if c == "archived" else t for c, t in texts.items()]
    sets = "".join(f'"{_COLUMN.get(c, c)}" = ?, ' for c in texts)  # columns of ours, never of the file's
    ask(f"UPDATE ingredient SET {sets}version = version + 1 WHERE slug = ?", (*values, slug))
    names = plan.numbers.get(n, [])
    if names:
        added = json.loads("{" + ", ".join(fragments[f][n] for f in names) + "}")
        row = ask(
            "SELECT id, facts FROM numbers WHERE ingredient = ? AND lot_id IS NULL AND layer = 'own'", (slug,)
        ).first()
        if row is None:
            ask(
                "INSERT INTO numbers (ingredient, layer, facts) VALUES (?, 'own', ?)",
                (slug, json.dumps(added, ensure_ascii=False)),
            )
        else:
            now = json.loads(row[1]) | added
            ask("UPDATE numbers SET facts = ? WHERE id = ?", (json.dumps(now, ensure_ascii=False), row[0]))
        _lift(session, slug, names)


def _lift(session: Session, slug: str, names: Sequence[str]) -> None:
    """What is brought in has to count: a label or a test of the same number gives way, and stays on record."""
    ask = session.connection().exec_driver_sql
    rows = ask(
        "SELECT id, facts FROM numbers WHERE ingredient = ? AND lot_id IS NULL AND layer IN ('label', 'measured')",
        (slug,),
    ).all()
    for row_id, text in rows:
        facts: Stored = json.loads(text)
        hit = [n for n in names if n in facts]
        if hit:
            facts |= {n: put_aside(facts[n], True) for n in hit}
            ask("UPDATE numbers SET facts = ? WHERE id = ?", (json.dumps(facts, ensure_ascii=False), row_id))

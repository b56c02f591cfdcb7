"""Writes what an import of the shelf was planned to change, all of it in one transaction."""

from __future__ import annotations

import json
from collections.abc import Iterator, Sequence

from sqlmodel import Session

from fallow_sieve.formats.ingredients import LISTS, ShelfTable
from fallow_sieve.store.ingredients.ingredients import OWN_POSITION
from fallow_sieve.store.ingredients.numbers import Stored, put_aside
from fallow_sieve.store.ingredients.shelf_files import Plan
from fallow_sieve.store.kitchen import kitchen_row, touch_shelf

_CHUNK = 1000
_COLUMN = {"function": "functions"}  # where a column of the file has another name in the table


def apply_import(session: Session, plan: Plan, source: str, noted_on: str) -> Iterator[int]:
    """Write what `plan` says, giving how many rows are done as it goes on. Refused rows must be none."""
    assert not plan.counts["refused"]
    new = [n for n, row in enumerate(plan.rows) if row.status == "new"]
    changed = [n for n, row in enumerate(plan.rows) if row.status == "changed"]
    version = kitchen_row(session).shelf_version + 1
    fragments = _fragments(plan.table, source, noted_on)
    for start in range(0, len(new), _CHUNK):
        some = new[start : start + _CHUNK]
        _insert(session, plan, some, fragments, version)
        yield start + len(some)
    for done, n in enumerate(changed, start=1):
        _change(session, plan, n, fragments)
        if done % 100 == 0:
            yield len(new) + done
    touch_shelf(session, [plan.table.slugs[n] for n in changed])
    yield len(plan.rows)


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


def _insert(session: Session, plan: Plan, rows: Sequence[int], fragments: dict[str, list[str]], version: int) -> None:
    texts, slugs, columns = plan.table.texts, plan.table.slugs, list(fragments.values())
    blank = [""] * len(slugs)
    plain = ("name", "role", "gluten_risk", "usual_max_reason", "archived")
    name, role, risk, reason, archived = (texts.get(c, blank) for c in plain)
    lists = [_lists(texts.get(c, blank), rows) for c in ("function", "allergens", "watch", "flavour_words")]
    ingredients = [
        (slugs[n], name[n], role[n], *marks, risk[n], reason[n], archived[n] == "yes", version)
        for n, marks in zip(rows, zip(*lists, strict=True), strict=True)
    ]
    documents = [(slugs[n], "{" + ", ".join(filter(None, [c[n] for c in columns])) + "}") for n in rows]
    ask = session.connection().exec_driver_sql
    ask(
        "INSERT INTO ingredient (slug, name, role, functions, allergens, watch, flavour_words, gluten_risk, "
        "usual_max_reason, archived, origin, confidence, position, version, touched) VALUES "
        "(?, ?, ?, ?, ?, ?, ?, ?, ?, ?, 'own', '', "
        f"{OWN_POSITION}, 1, ?)",
        ingredients,
    )
    ask("INSERT INTO numbers (ingredient, layer, facts) VALUES (?, 'own', ?)", documents)


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

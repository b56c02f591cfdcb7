"""Makes a kitchen as it is after years: the demo kitchen, and thousands of everything beside it."""

from __future__ import annotations

import json
import random
import sqlite3
import subprocess
import sys
from collections.abc import Mapping, Sequence
from contextlib import closing
from pathlib import Path

BLENDS, BRIEFS, FORMULAS, INGREDIENTS, LOTS = 10_000, 190, 2_000, 5_000, 20_000
_WHEN = "2026-02-01T10:00:00Z"
_FIRST = (
    "Summit",
    "Harbour",
    "Tarn",
    "Quarry",
    "Ferry",
    "Larch",
    "Mill",
    "Signal",
    "Coaling",
    "Buffet",
    "Night",
    "Valley",
)
_SECOND = ("loaf", "mix", "crust", "cake", "roll", "biscuit", "flatbread", "pancake", "sponge", "pastry")


def make(db: Path, share: float = 1.0, seed: int = 1) -> None:
    """Make the kitchen at `db`, or one of a `share` of its size."""
    command = [sys.executable, "-m", "fallow_sieve", "demo", "--db", str(db)]
    subprocess.run(command, check=True, stderr=subprocess.DEVNULL)
    chance = random.Random(seed)
    with closing(sqlite3.connect(db)) as connection, connection:
        connection.execute("PRAGMA synchronous=OFF")
        _ingredients(connection, int(INGREDIENTS * share), chance)
        _lots(connection, int(LOTS * share), chance)
        briefs = _briefs(connection, int(BRIEFS * share), chance)
        _documents(connection, "blend", "draft", "revision", "blend_id", int(BLENDS * share), briefs, chance)
        _documents(
            connection,
            "formula",
            "formula_draft",
            "formula_revision",
            "formula_id",
            int(FORMULAS * share),
            briefs,
            chance,
        )
        connection.execute("UPDATE kitchen SET shelf_version = shelf_version + 1")


def _columns(connection: sqlite3.Connection, table: str) -> list[str]:
    return [r[1] for r in connection.execute(f"PRAGMA table_info({table})")]


def _copies(connection: sqlite3.Connection, table: str, where: str) -> tuple[list[str], list[dict[str, object]]]:
    columns = _columns(connection, table)
    rows = connection.execute(f"SELECT * FROM {table} WHERE {where}").fetchall()
    return columns, [dict(zip(columns, row, strict=True)) for row in rows]


def _put(connection: sqlite3.Connection, table: str, rows: Sequence[Mapping[str, object]]) -> None:
    if rows:
        columns = list(rows[0])
        marks = ", ".join("?" * len(columns))
        names = ", ".join(f'"{c}"' for c in columns)
        connection.executemany(f"INSERT INTO {table} ({names}) VALUES ({marks})", [list(r.values()) for r in rows])


def _ingredients(connection: sqlite3.Connection, count: int, chance: random.Random) -> None:
    """Own flours, each near one of the library's, with its own numbers."""
    _, known = _copies(
        connection,
        "ingredient",
        "origin = 'library' AND role IN ('whole_grain', 'refined_flour', 'starch', 'legume', 'nut_seed')",
    )
    facts = dict(connection.execute("SELECT ingredient, facts FROM numbers WHERE layer = 'table' AND lot_id IS NULL"))
    rows, numbers = [], []
    for n in range(count):
        like = chance.choice(known)
        slug = f"{like['slug']}-of-mill-{n}"
        rows.append(
            {
                **like,
                "slug": slug,
                "name": f"{like['name']}, mill {n}",
                "origin": "own",
                "position": 1_000_000,
                "version": 1,
            }
        )
        own = {
            k: [*(round(v * chance.uniform(0.9, 1.1), 4) for v in f[:3]), *f[3:]]
            for k, f in json.loads(facts[str(like["slug"])]).items()
        }
        for f in own.values():
            f[0], f[1], f[2] = sorted(f[:3])
        numbers.append({"ingredient": slug, "layer": "own", "facts": json.dumps(own)})
    _put(connection, "ingredient", rows)
    _put(connection, "numbers", numbers)


def _lots(connection: sqlite3.Connection, count: int, chance: random.Random) -> None:
    slugs = [r[0] for r in connection.execute("SELECT slug FROM ingredient WHERE origin = 'own'")]
    rows: list[dict[str, object]] = []
    for n in range(count):
        price = round(chance.uniform(1, 9), 2)
        stock = chance.choice((0, 0, 400, 2500, 9000))
        rows.append({
            "ingredient": chance.choice(slugs), "code": f"L{n}", "supplier": f"Mill {n % 40}", "bought_on": "2026-01-10",
            "bought_g": 25_000, "stock_g": stock, "price_per_kg": price, "pack_g": 25_000, "pack_price": price * 25,
            "yield_pct": 100, "best_before": f"2026-{chance.randint(4, 12):02d}-{chance.randint(1, 28):02d}",
            "gluten_basis": "", "note": "", "archived": 0, "version": 1,
        })  # fmt: skip
    _put(connection, "lot", rows)


def _briefs(connection: sqlite3.Connection, count: int, chance: random.Random) -> list[int]:
    _, known = _copies(connection, "brief", "archived = 0")
    rows = []
    for n in range(count):
        row = {**chance.choice(known), "name": f"{chance.choice(_FIRST)} {chance.choice(_SECOND)} {n}"}
        del row["id"]
        rows.append(row)
    _put(connection, "brief", rows)
    return [r[0] for r in connection.execute("SELECT id FROM brief")]


def _documents(
    connection: sqlite3.Connection,
    head: str,
    draft: str,
    revision: str,
    owner: str,
    count: int,
    briefs: list[int],
    chance: random.Random,
) -> None:
    """Copies of the demo's documents with other masses and flours, half of them kept once."""
    contents = [json.loads(r[0]) for r in connection.execute(f"SELECT content FROM {draft}")]
    slugs = [r[0] for r in connection.execute("SELECT slug FROM ingredient WHERE origin = 'own' LIMIT 4000")]
    (first,) = connection.execute(f"SELECT max(id) FROM {head}").fetchone()
    heads, drafts, revisions = [], [], []
    for n in range(count):
        key, name = first + 1 + n, f"{chance.choice(_FIRST)} {chance.choice(_SECOND)} {n}"
        content = json.loads(json.dumps(chance.choice(contents)))
        for part in content.get("parts", []):
            part["mass_g"] = round(part["mass_g"] * chance.uniform(0.8, 1.25), 1)
            part.pop("lot_id", None)
            if chance.random() < 0.3 and slugs:
                part["ingredient"] = chance.choice(slugs)
        content["parts"] = (
            list({p["ingredient"]: p for p in content.get("parts", [])}.values()) if "parts" in content else None
        )
        if content["parts"] is None:
            del content["parts"]
        text = json.dumps(content)
        heads.append(
            {
                "id": key,
                "brief_id": chance.choice(briefs),
                "name": name,
                "archived": 0,
                "created_at": _WHEN,
                "updated_at": _WHEN,
                "version": 1,
            }
        )
        drafts.append({owner: key, "content": text, "based_on": None, "updated_at": _WHEN, "version": 1})
        if n % 2:
            revisions.append(
                {owner: key, "number": 1, "content": text, "why": "kept", "based_on": None, "kept_at": _WHEN}
            )
    _put(connection, head, heads)
    _put(connection, draft, drafts)
    _put(connection, revision, revisions)


if __name__ == "__main__":
    make(Path(sys.argv[1]), float(sys.argv[2]) if len(sys.argv) > 2 else 1.0)

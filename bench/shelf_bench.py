"""A shelf of 5000 ingredients: its first page over HTTP, a filter keystroke to painted rows, an import of 10 000 rows."""

from __future__ import annotations

import csv
import io
import random
import sqlite3
import tempfile
import time
from collections.abc import Callable
from datetime import date
from functools import partial
from http.client import HTTPConnection
from pathlib import Path

from playwright.sync_api import sync_playwright

from drag_bench import FLAGS
from fallow_sieve.formats.ingredients.shelf_table import ENDS, HEADER_OF, read_shelf
from fallow_sieve.formats.shared.tables import read_csv, write_csv
from fallow_sieve.store.ingredients.shelf_files import plan_import
from fallow_sieve.store.ingredients.shelf_imports import apply_import, prepare_import
from fallow_sieve.store.kitchen_store import KitchenStore
from http_bench import serve_on
from measuring import interleaved, noted, percentile, timed

SHELF_ROWS, IMPORT_ROWS = 5000, 10_000
CALLS = 200
ROUNDS = 7
TYPICAL = {
    "water_g": 10.0, "protein_g": 9.0, "fat_g": 3.0, "carbohydrate_g": 66.0, "sugars_g": 2.0, "starch_g": 60.0, "fibre_g": 7.0,
    "ash_g": 1.5, "sodium_mg": 10.0, "thirst_g_per_g": 1.4, "grit_index": 2.0, "density_g_per_ml": 0.6,
}  # fmt: skip
TEXTS = ["slug", "name", "role", "allergens", "watch", "flavour_words", "gluten_risk"]
HEADER = TEXTS + [HEADER_OF[n] + end for n in TYPICAL for end in ENDS]
GRAINS = ("Sorghum", "Millet", "Teff", "Rice", "Oat", "Buckwheat", "Quinoa", "Maize")


def table(rows: int) -> bytes:
    """Return made-up ingredients as a table, each with twelve numbers and their ranges."""
    draw = random.Random(5)
    lines: list[list[str | float | None]] = []
    for n in range(rows):
        name = f"{draw.choice(GRAINS)} flour, mill {n}"
        line: list[str | float | None] = [
            f"flour-{n}",
            name,
            draw.choice(["whole_grain", "starch"]),
            "",
            "",
            "nutty;sweet",
            "medium",
        ]
        for typical in TYPICAL.values():
            value = round(typical * draw.uniform(0.9, 1.1), 3)
            line += [value, round(value * 0.9, 3), round(value * 1.1, 3)]
        lines.append(line)
    return write_csv(HEADER, lines).encode()


def bring_in(store: KitchenStore, data: bytes) -> None:
    """Read, check and write a table, as the application does."""
    parsed = read_shelf(read_csv(data))
    with store.writing() as session:
        plan = plan_import(session, parsed)
        *_, ready = prepare_import(plan, "brought in from bench.csv", "2026-03-14")
        apply_import(session, ready)


def bare_import(path: Path, data: bytes) -> None:
    """Read the same rows with csv.DictReader and write them with one executemany, unchecked."""
    rows = [tuple(r.values()) for r in csv.DictReader(io.StringIO(data.decode()))]
    with sqlite3.connect(path) as connection:
        columns = ", ".join('"' + name + '"' for name in HEADER)
        connection.execute(f"CREATE TABLE shelf ({columns})")
        connection.executemany(f"INSERT INTO shelf VALUES ({', '.join('?' * len(HEADER))})", rows)


def import_bench(folder: Path) -> None:
    """Time both ways of writing 10 000 rows, in turn, each into a new database."""
    data = table(IMPORT_ROWS)
    bare, ours = [], []
    for n in range(ROUNDS):
        bare.append(timed(partial(bare_import, folder / f"bare{n}.db", data)))
        store = KitchenStore(folder / f"ours{n}.db")
        ours.append(timed(partial(bring_in, store, data)))
        store.close()
    share = [100 * b / o for b, o in zip(bare, ours, strict=True)]
    noted(f"import of {IMPORT_ROWS} rows", percentile(ours, 0.5), "bare rows", percentile(bare, 0.5), "≤ 5")
    print(f"Import of {IMPORT_ROWS} rows ({len(data) / 1e6:.1f} MB CSV), {ROUNDS} rounds in turn")
    print(f"  DictReader + executemany {percentile(bare, 0.5):.2f} s, ours {percentile(ours, 0.5):.2f} s")
    print(f"  ours at {percentile(share, 0.5):.0f} % of its speed, median (aim: at least 20 %)")


def page_bench(connection: HTTPConnection) -> None:
    """Time the first page of the shelf against an empty endpoint."""

    def ask(path: str) -> Callable[[], None]:
        def call() -> None:
            connection.request("GET", path)
            answer = connection.getresponse()
            answer.read()
            if answer.status >= 300:
                raise SystemExit(f"{path} answered {answer.status}")

        return call

    empty, first = ask("/api/v1/ping"), ask("/api/v1/shelf?limit=100")
    interleaved(empty, first, 20)
    bare, whole = interleaved(empty, first, CALLS)
    at95, empty95 = (percentile(t, 0.95) * 1e3 for t in (whole, bare))
    print(f"First page of a shelf of {SHELF_ROWS} over HTTP, {CALLS} calls, in turn with an empty endpoint")
    print(
        f"  p50 {percentile(whole, 0.5) * 1e3:.1f} ms, p95 {at95:.1f} ms; empty p50 {percentile(bare, 0.5) * 1e3:.2f} ms, p95 {empty95:.2f} ms"
    )
    print(f"  of its own at p95: {at95 - 3 * empty95:.1f} ms over 3 × empty (aim: at most 30 ms)")


def keystroke_bench(address: str) -> None:
    """Time from a letter typed in the shelf's search field to the rows that pass being painted."""
    words = [
        "mill",
        "sorg",
        "teff",
        "rice",
        "oat",
        "buck",
        "quin",
        "maize",
        "flour 12",
        "mill 4",
        "jowar",
        "sorghum fl",
    ]
    with sync_playwright() as p:
        browser = p.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS.split())
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(f"{address}/#/ingredients")
        page.wait_for_selector("tr[data-row]")
        times = [page.evaluate(KEYSTROKE, word) for word in words * 3]
        browser.close()
    print(f"Filter keystroke to painted rows, {len(times)} keystrokes on {SHELF_ROWS} ingredients")
    print(f"  p50 {percentile(times, 0.5):.0f} ms, p95 {percentile(times, 0.95):.0f} ms (reported)")


KEYSTROKE = """word => new Promise(done => {
  const field = document.querySelector('input[type=search]');
  const heading = document.querySelector('h1');
  const start = performance.now();
  const paint = () => requestAnimationFrame(() => requestAnimationFrame(() => { watch.disconnect(); done(performance.now() - start); }));
  const watch = new MutationObserver(paint);
  watch.observe(document.querySelector('tbody'), {childList: true, subtree: true, characterData: true});
  watch.observe(heading, {childList: true, subtree: true, characterData: true});
  field.value = word;
  field.dispatchEvent(new Event('input', {bubbles: true}));
  setTimeout(paint, 3000);
})"""


def main() -> None:
    with tempfile.TemporaryDirectory() as place:
        folder = Path(place)
        import_bench(folder)
        store = KitchenStore(folder / "shelf.db")
        bring_in(store, table(SHELF_ROWS))
        start = time.perf_counter()
        with store.reading() as session:
            count = len(store.shelf(session, date(2026, 3, 14)).ingredients)
        print(
            f"Shelf of {count} ingredients read whole for the first time in {time.perf_counter() - start:.2f} s (reported)"
        )
        store.close()
        server, connection = serve_on(folder / "shelf.db")
        try:
            page_bench(connection)
            keystroke_bench(f"http://127.0.0.1:{connection.port}")
        finally:
            server.kill()
            server.wait()


if __name__ == "__main__":
    main()

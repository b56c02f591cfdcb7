"""Batches: a weighing beside an empty PUT, a label as PDF, a trace in a kitchen of 500 batches, the large kitchen archived."""

from __future__ import annotations

import os
import tempfile
import time
from dataclasses import replace
from datetime import UTC, datetime
from functools import partial
from pathlib import Path

from flask.testing import FlaskClient

from fallow_sieve.api.app import create_app
from fallow_sieve.core.batches.batch import Weighing
from fallow_sieve.demo.kitchen import fill
from fallow_sieve.store import KitchenStore
from fallow_sieve.store.archives import unpack, write_archive
from fallow_sieve.store.batches import add_bag, add_batch, add_weighing, get_batch
from fallow_sieve.store.ingredients import add_lot, get_lot
from large_kitchen import make
from measuring import noted, percentile, timed

NOW = datetime(2026, 3, 14, 9, 30, tzinfo=UTC)
WHEN = "2026-03-14T09:30:00Z"
ROUNDS = 80
BATCHES, BAGS = 500, 6
SHARE = float(os.environ.get("SHARE", "1"))


def weighings(client: FlaskClient, lot: int) -> None:
    """A weighing beside the emptiest PUT there is: taking back a reading that is taken back already."""
    client.put("/api/v1/trials/9/readings/bench-none", json={"quantity": "room_c", "value": 20})
    empty, taken, nothing = [], [], {"withdrawn": True}
    for n in range(ROUNDS):
        empty.append(timed(lambda: client.put("/api/v1/trials/9/readings/bench-none/withdrawn", json=nothing)))
        body = {"ingredient": "potato-starch", "net_g": 1.0, "lot_id": lot}
        where = f"/api/v1/batches/4/weighings/bench-{n:06d}"
        taken.append(timed(partial(client.put, where, json=body)))
    for share, name in ((0.5, "p50"), (0.95, "p95")):
        e, t = percentile(empty, share), percentile(taken, share)
        noted(f"a weighing, {name}", t, "empty PUT", e, "≤ 3")
        print(f"a weighing, {name}              {1e3 * t:7.2f} ms, {t / e:.1f} x an empty PUT of {1e3 * e:.2f} (aim 3)")


def labels(client: FlaskClient) -> None:
    """One label and those of six bags, as PDF."""
    client.get("/api/v1/batches/1/label.pdf")
    one = min(timed(lambda: client.get("/api/v1/batches/1/label.pdf")) for _ in range(5))
    six = min(timed(lambda: client.get("/api/v1/batches/3/label.pdf")) for _ in range(5))
    noted("a label as PDF", one, aim="≤ 0.6 s")
    print(f"a label as PDF               {1e3 * one:7.0f} ms (aim 600); of six bags {1e3 * six:.0f} ms")


def traces(store: KitchenStore, client: FlaskClient) -> None:
    """A lot that went into every third of 500 batches, each with six bags."""
    with store.writing() as session:
        first = get_batch(session, 3)
        here = get_lot(session, 4)
        lot = add_lot(session, "sorghum-flour", replace(here.lot, code="BENCH", bought_g=1e6, stock_g=1e6), WHEN).id
        other = add_lot(session, "sorghum-flour", replace(here.lot, code="BENCH-2", bought_g=1e6, stock_g=1e6), WHEN).id
        for n in range(BATCHES):
            made = add_batch(session, replace(first, code=f"B{n:05d}"), WHEN)
            drawn = lot if n % 3 == 0 else other
            add_weighing(session, made.id, Weighing(f"bench-trace-{n:06d}", "sorghum-flour", 700.0, drawn, at=WHEN))
            for _ in range(BAGS):
                add_bag(session, made.id, 500.0, 100.0, "shelf", WHEN, False)
    client.get(f"/api/v1/trace/lots/{lot}")
    took = min(timed(lambda: client.get(f"/api/v1/trace/lots/{lot}")) for _ in range(9))
    into = len(client.get(f"/api/v1/trace/lots/{lot}").get_json()["batches"])
    noted(f"trace of a lot in {into} of {BATCHES} batches", took, aim="≤ 50 ms")
    print(f"trace of a lot in {into} of {BATCHES} batches {1e3 * took:7.1f} ms (aim 50)")
    listed = min(timed(lambda: client.get("/api/v1/batches")) for _ in range(3))
    print(f"the list of them             {1e3 * listed:7.0f} ms")


def archives(folder: Path) -> None:
    """The large kitchen into one ZIP and back."""
    db, file = folder / "large.db", folder / "large.zip"
    make(db, SHARE)
    begun = time.perf_counter()
    done = write_archive(db, file)
    wrote = time.perf_counter() - begun
    begun = time.perf_counter()
    same = unpack(file, folder / "again.db") == done.digest
    back = time.perf_counter() - begun
    rows, size = sum(done.rows.values()), file.stat().st_size / 1e6
    noted("archive and restore of a large kitchen", wrote + back, aim="≤ 60 s")
    print(
        f"archive of {rows} rows, {size:.1f} MB  {wrote:6.1f} s, restore {back:.1f} s, the same: {same} (aim 60 together)"
    )


def main() -> None:
    """Print what each costs."""
    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Path(folder) / "kitchen.db", clock=lambda: NOW)
        store: KitchenStore = app.extensions["kitchen"]
        fill(store, NOW)
        client = app.test_client()
        lots = client.get("/api/v1/ingredients/potato-starch/lots").get_json()["items"]
        weighings(client, lots[0]["id"])
        labels(client)
        traces(store, client)
        store.close()
        archives(Path(folder))


if __name__ == "__main__":
    main()

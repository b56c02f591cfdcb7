"""Stock is the sum of its moves, whatever is done and whenever it is killed."""

from __future__ import annotations

import os
import signal
import sqlite3
import subprocess
import sys
import time
from contextlib import closing, suppress
from datetime import date

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from sqlalchemy.exc import DatabaseError
from tests.fuzzing import rounds

from fallow_sieve.core.ingredients import Lot
from fallow_sieve.core.stock.moves import Move, MoveKind, stock_of
from fallow_sieve.core.values import BadInputError
from fallow_sieve.store.ingredients import add_lot, get_lot, save_lot
from fallow_sieve.store.stock import moves_of_lot, record

NOW = "2026-11-28T10:00:00Z"
DOING = st.tuples(st.sampled_from(["weigh", "void", "count", "throw", "save"]), st.floats(0.1, 900))


def do(session, lot_id, what, mass_g):
    lot = get_lot(session, lot_id)
    if what == "save":
        found = round(min(mass_g, lot.lot.bought_g), 3)
        changed = Lot(lot.lot.code, lot.lot.bought_g, found, bought_on=date(2026, 1, 1))
        save_lot(session, lot_id, changed, False, lot.version, NOW)
        return
    kinds = {
        "weigh": (MoveKind.WEIGHED, -mass_g),
        "void": (MoveKind.VOIDED, mass_g),
        "count": (MoveKind.COUNTED, -mass_g / 2),
        "throw": (MoveKind.THROWN_AWAY, -mass_g),
    }
    kind, change = kinds[what]
    record(session, Move(kind, change, NOW, lot_id=lot_id, why="pests"))


@settings(max_examples=40, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(st.lists(DOING, max_size=25))
def test_sum_of_moves_is_the_stock(store, doing):
    with store.writing() as session:
        code = f"L{time.monotonic_ns()}"
        lot_id = add_lot(session, "teff-flour", Lot(code, 1000, 640), NOW).id
        for what, mass_g in doing:
            with suppress(BadInputError):  # too little is left, or too much is found: nothing moved
                do(session, lot_id, what, mass_g)
        lot = get_lot(session, lot_id).lot
        assert stock_of(m.move for m in moves_of_lot(session, lot_id)) == pytest.approx(lot.stock_g, abs=1e-4)
        assert lot.stock_g >= 0


def test_a_typed_stock_becomes_a_count_with_its_difference(store):
    with store.writing() as session:
        lot = add_lot(session, "teff-flour", Lot("A", 1000, 640), NOW)
        save_lot(session, lot.id, Lot("A", 1000, 600), False, lot.version, NOW)
        kinds = [(m.move.kind, m.move.mass_g) for m in moves_of_lot(session, lot.id)]
    assert kinds == [(MoveKind.BOUGHT, 1000), (MoveKind.COUNTED, -360), (MoveKind.COUNTED, -40)]


@pytest.mark.parametrize("table", ["stock_move", "weighing", "batch_step", "label_print"])
@pytest.mark.parametrize("change", ["UPDATE {t} SET at = ''", "DELETE FROM {t}"])
def test_what_was_noted_is_never_changed_nor_deleted(demo_db, table, change):
    with closing(sqlite3.connect(demo_db)) as connection:
        assert connection.execute(f"SELECT COUNT(*) FROM {table}").fetchone()[0] > 0
        with pytest.raises((sqlite3.IntegrityError, DatabaseError), match="only added to"):
            connection.execute(change.format(t=table))


WEIGHER = """
import sys
from datetime import date
from pathlib import Path
from fallow_sieve.services.batches.bags.bagging import Filled, fill
from fallow_sieve.services.batches.weighing import Weighed, void, weigh
from fallow_sieve.store import KitchenStore
from fallow_sieve.store.batches import open_batches
from fallow_sieve.store.ingredients import lots_of
kitchen = KitchenStore(Path(sys.argv[1]))
print("ready", flush=True)
n = 0
while True:
    n += 1
    with kitchen.writing() as session:
        batch = next(b for b in open_batches(session) if b.state == "weighing")
        lot = next(x for x in lots_of(session, "potato-starch") if x.lot.stock_g > 0)
        key = f"{sys.argv[2]}-{n:06d}"
        weigh(session, batch.id, Weighed(key, "potato-starch", 3.0, lot.id), "2026-03-14T10:00:00Z", date(2026, 3, 14))
    with kitchen.writing() as session:
        void(session, batch.id, key, key + "-void", "spilled", "2026-03-14T10:00:00Z")
"""


def test_a_weighing_that_is_killed_moved_its_stock_or_was_never_made(demo_db):
    for n in range(rounds(8, 100)):
        running = subprocess.Popen(
            [sys.executable, "-c", WEIGHER, str(demo_db), f"kill{n:04d}"], stdout=subprocess.PIPE
        )
        assert running.stdout.readline() == b"ready\n"
        time.sleep(0.02 + 0.03 * (n % 17))
        os.kill(running.pid, signal.SIGKILL)
        running.wait()
        running.stdout.close()
        with closing(sqlite3.connect(demo_db)) as connection:
            off = connection.execute(
                "SELECT lot.code FROM lot WHERE abs(lot.stock_g - "
                "(SELECT coalesce(sum(mass_g), 0) FROM stock_move WHERE lot_id = lot.id)) > 1e-6"
            ).fetchall()
            assert off == []
            loose = connection.execute(
                "SELECT COUNT(*) FROM weighing WHERE lot_id IS NOT NULL AND voids IS NULL"
            ).fetchone()[0]
            moved = connection.execute("SELECT COUNT(*) FROM stock_move WHERE kind = 'weighed'").fetchone()[0]
            assert loose == moved


BAGGER = """
import sys
from pathlib import Path
from fallow_sieve.core.stock.moves import MoveKind
from fallow_sieve.services.batches.bags.bagging import Filled, Leaving, fill, leave
from fallow_sieve.store import KitchenStore
kitchen = KitchenStore(Path(sys.argv[1]))
print("ready", flush=True)
while True:
    with kitchen.writing() as session:
        (bag,) = fill(session, 3, Filled(1, 0.1, 0.1), "2026-03-14T10:00:00Z")
    with kitchen.writing() as session:
        leave(session, bag.id, Leaving(MoveKind.USED, 0.1), "2026-03-14T10:00:00Z")
"""


def test_a_bag_that_is_filled_as_the_kitchen_is_killed_is_there_with_its_move_or_not_at_all(demo_db):
    for n in range(rounds(5, 100)):
        running = subprocess.Popen([sys.executable, "-c", BAGGER, str(demo_db)], stdout=subprocess.PIPE)
        assert running.stdout.readline() == b"ready\n"
        time.sleep(0.03 + 0.04 * (n % 13))
        os.kill(running.pid, signal.SIGKILL)
        running.wait()
        running.stdout.close()
        with closing(sqlite3.connect(demo_db)) as connection:
            off = connection.execute(
                "SELECT id FROM bag WHERE abs(left_g - (SELECT coalesce(sum(mass_g), 0) FROM stock_move "
                "WHERE bag_id = bag.id)) > 1e-6 OR abs(net_g - (SELECT sum(mass_g) FROM stock_move "
                "WHERE bag_id = bag.id AND kind = 'bagged')) > 1e-6"
            ).fetchall()
            assert off == []

"""One writer at a time, in the order in which they came; a start or a look that changes nothing writes nothing."""

from __future__ import annotations

import os
import sqlite3
import subprocess
import sys
import threading
import time
from concurrent.futures import ThreadPoolExecutor
from contextlib import closing
from datetime import date
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from fallow_sieve import safekeeping
from fallow_sieve.core.ingredients.ingredient import Fact, Quality
from fallow_sieve.core.values.estimates import Range
from fallow_sieve.store.blends import BLENDS
from fallow_sieve.store.errors import BusyError, ReplacedError, UnusableError
from fallow_sieve.store.ingredients.ingredients import put_number
from fallow_sieve.store.ingredients.shelves import load_shelf
from fallow_sieve.store.kitchen_store import KitchenStore
from fallow_sieve.store.writers import Writers
from running import run

TODAY = date(2026, 3, 14)
NOW = "2026-03-14T09:30:00Z"
SOAK = os.environ.get("EFFORT") == "soak"
RELEASED = sorted(Path(__file__).with_name("released").glob("*.sql"))


@settings(max_examples=20)
@given(st.lists(st.sampled_from([0.0, 0.001]), min_size=1, max_size=8))
def test_writers_go_in_the_order_in_which_they_came(lengths):
    queue, came, went, together = Writers(), [], [], []
    busy = threading.Lock()
    with queue.turn():
        threads = []
        for n, length in enumerate(lengths):

            def write(n=n, length=length):
                came.append(n)
                with queue.turn():
                    together.append(busy.acquire(blocking=False))
                    went.append(n)
                    time.sleep(length)
                    busy.release()

            threads.append(threading.Thread(target=write))
            threads[-1].start()
            while len(queue._waiting) <= n:
                time.sleep(0.0005)
    for thread in threads:
        thread.join()
    assert went == list(range(len(lengths)))
    assert all(together)


def test_a_turn_that_does_not_come_is_said_and_the_others_go_on():
    queue = Writers(patience_s=0.05)
    with queue.turn(), ThreadPoolExecutor() as pool, pytest.raises(BusyError):
        pool.submit(queue.turn().__enter__).result()
    with queue.turn():
        pass


def test_one_who_fails_lets_the_next_go():
    queue = Writers()
    with pytest.raises(ZeroDivisionError), queue.turn():
        raise ZeroDivisionError
    with queue.turn(), pytest.raises(RuntimeError, match="wait for itself"), queue.turn():
        pass


def test_a_save_to_a_file_that_was_put_away_is_refused(demo_db):
    with closing(KitchenStore(demo_db)) as kitchen:
        demo_db.rename(demo_db.with_name("away.db"))
        with pytest.raises(ReplacedError, match="start it again"), kitchen.writing():
            pass
        sqlite3.connect(demo_db).close()
        with pytest.raises(ReplacedError), kitchen.writing():
            pass


def state(folder: Path) -> dict[str, tuple[bytes, int]]:
    return {p.name: (p.read_bytes(), p.stat().st_mtime_ns) for p in folder.iterdir()}


def test_a_start_on_a_kitchen_that_is_up_to_date_writes_nothing(demo_db):
    before = state(demo_db.parent)
    KitchenStore(demo_db).close()
    assert state(demo_db.parent) == before


# The first, one between and the last but one; that all of them come forward is seen in test_released.
@pytest.fixture(params=RELEASED if SOAK else [RELEASED[0], RELEASED[5], RELEASED[-2]], ids=lambda p: p.stem)
def older(request, tmp_path):
    folder = tmp_path / "kitchen"
    folder.mkdir()
    with closing(sqlite3.connect(folder / "older.db")) as connection:
        connection.executescript(request.param.read_text(encoding="utf-8"))
    return folder / "older.db"


def test_a_reading_command_changes_nothing_however_old_the_kitchen(older):
    before = state(older.parent)
    done = run("compare", "teff-flour", "sorghum-flour", "--db", older, "--json")
    assert done.returncode == 0, done.stderr
    assert b"13.1" in done.stdout  # the kitchen's own measurement
    assert state(older.parent) == before


@pytest.mark.parametrize("killed", [False, True])
def test_a_kitchen_in_a_folder_that_cannot_be_written_is_read(demo_db, monkeypatch, killed):
    if killed:
        code = (
            "import os, sys; from pathlib import Path; from fallow_sieve.store.kitchen_store import KitchenStore;"
            "k = KitchenStore(Path(sys.argv[1])); w = k.writing(); s = w.__enter__();"
            "s.connection().exec_driver_sql('UPDATE kitchen SET currency = ?', ('XAU',)); w.__exit__(None, None, None);"
            "os.kill(os.getpid(), 9)"
        )
        subprocess.run([sys.executable, "-c", code, str(demo_db)], check=False)
    monkeypatch.setattr(os, "access", lambda *_: False)
    monkeypatch.setattr(safekeeping.backing_up, "opened", _only_as_it_lies(safekeeping.backing_up.opened))
    before = state(demo_db.parent)
    with KitchenStore.to_read(demo_db) as kitchen, kitchen.reading() as session:
        currency = session.connection().exec_driver_sql("SELECT currency FROM kitchen").scalar()
        assert BLENDS.get(session, 1).name == "Summit mix"
    assert (currency == "XAU") is killed
    if not killed:
        assert state(demo_db.parent) == before


def _only_as_it_lies(opened):
    """SQLite in a folder where it may make no companion: it opens a file only where it is told that nobody writes."""

    def tried(path, how="mode=rw", wait_s=5.0):
        if how == "mode=ro":
            raise sqlite3.OperationalError("unable to open database file")
        return opened(path, how, wait_s)

    return tried


def test_what_is_no_kitchen_cannot_be_read(tmp_path):
    path = tmp_path / "x.db"
    path.write_bytes(b"no database at all" * 100)
    with pytest.raises(UnusableError), KitchenStore.to_read(path):
        pass


def test_two_starts_at_once_on_an_old_kitchen_both_succeed(older):
    command = [sys.executable, "-m", "fallow_sieve", "init", "--db", str(older)]
    starts = [subprocess.Popen(command, stderr=subprocess.PIPE) for _ in range(2)]
    said = [s.communicate(timeout=120)[1] for s in starts]
    assert [s.returncode for s in starts] == [0, 0], said
    with closing(sqlite3.connect(older)) as connection:
        assert connection.execute("PRAGMA integrity_check").fetchone() == ("ok",)
        assert connection.execute("SELECT version_num FROM alembic_version").fetchall() == [(RELEASED[-1].stem,)]


def test_a_revision_is_neither_changed_nor_replaced_nor_taken_away(demo_db):
    KitchenStore(demo_db).close()
    with closing(sqlite3.connect(demo_db)) as connection:
        for table in ("revision", "formula_revision"):
            before = connection.execute(f"SELECT * FROM {table} ORDER BY id").fetchall()
            columns = [r[1] for r in connection.execute(f"PRAGMA table_info({table})")]
            named = ", ".join(f'"{c}"' for c in columns)
            other = {**dict(zip(columns, before[0], strict=True)), "why": "another reason"}
            by_number = {**other, "id": 4711}
            for row in (other, by_number):
                for way in ("INSERT OR REPLACE", "REPLACE", "INSERT"):
                    with pytest.raises(sqlite3.IntegrityError, match="append-only"):
                        connection.execute(
                            f"{way} INTO {table} ({named}) VALUES ({', '.join('?' * len(columns))})", list(row.values())
                        )
            for words in (f"UPDATE OR REPLACE {table} SET why = 'x'", f"DELETE FROM {table}"):
                with pytest.raises(sqlite3.IntegrityError, match="append-only"):
                    connection.execute(words)
            assert connection.execute(f"SELECT * FROM {table} ORDER BY id").fetchall() == before


def test_a_shelf_that_is_laid_out_ahead_is_the_one_that_is_kept_and_none_where_nothing_is(demo_db):
    with closing(KitchenStore(demo_db)) as kitchen:
        before = kitchen.shelf_now(kitchen.standing(), TODAY)
        with pytest.raises(ZeroDivisionError), kitchen.writing(shelf_on=TODAY) as session:
            put_number(session, "teff-flour", "fibre_g", Fact(Range(1.0, 2.0, 3.0), Quality.LABEL, "mill"), 1)
            raise ZeroDivisionError
        assert kitchen.shelf_now(kitchen.standing(), TODAY) is before
        with kitchen.writing(shelf_on=TODAY) as session:
            put_number(session, "teff-flour", "fibre_g", Fact(Range(1.0, 2.0, 3.0), Quality.LABEL, "mill"), 1)
        ahead = kitchen._cached[1]
        assert kitchen.shelf_now(kitchen.standing(), TODAY) is ahead
        assert ahead["teff-flour"].facts["fibre_g"].range.typical == 2.0
        with kitchen.reading() as session:
            anew = load_shelf(session, TODAY)
        assert [i.facts for i in anew.ingredients] == [i.facts for i in ahead.ingredients]

"""Short reads on kept connections: always what was last kept, from any thread, and never in anyone's way."""

from __future__ import annotations

import sqlite3
import threading

import pytest
from sqlalchemy import text

from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.kitchen_store import KitchenStore
from fallow_sieve.store.short_reads import ShortReads
from fallow_sieve.store.trials.records import Which, page_of_trials, save_trial

COUNT = "SELECT shelf_version FROM kitchen"


@pytest.fixture
def reads(store):
    made = ShortReads(store._engine)
    yield made
    made.close()


@pytest.fixture
def demo(demo_db):
    kitchen = KitchenStore(demo_db)
    yield kitchen
    kitchen.close()


def raise_version(store):
    with store.writing() as session:
        session.connection().execute(text("UPDATE kitchen SET shelf_version = shelf_version + 1"))


def test_what_was_just_kept_is_seen_at_once_and_what_is_undone_never(store, reads):
    ((before,),) = reads.rows(COUNT)
    raise_version(store)
    assert reads.rows(COUNT) == [(before + 1,)]
    with pytest.raises(RuntimeError), store.writing() as session:
        session.connection().execute(text("UPDATE kitchen SET shelf_version = 0"))
        assert reads.rows(COUNT) == [(before + 1,)]
        raise RuntimeError
    assert reads.rows(COUNT) == [(before + 1,)]


def test_a_short_read_leaves_no_transaction_open(store, reads):
    reads.rows("SELECT slug FROM ingredient")
    with sqlite3.connect(store.path, timeout=0.2) as other:
        busy, _, _ = other.execute("PRAGMA wal_checkpoint(TRUNCATE)").fetchone()
        other.execute("UPDATE kitchen SET name = 'Other'")
    other.close()
    assert busy == 0
    assert reads.rows("SELECT name FROM kitchen") == [("Other",)]


def test_many_at_once_get_each_their_own_answer(store, reads):
    wrong: list[object] = []

    def ask(n: int) -> None:
        wrong.extend(found for _ in range(200) if (found := reads.rows("SELECT ?", (n,))) != [(n,)])

    threads = [threading.Thread(target=ask, args=(n,)) for n in range(8)]
    [t.start() for t in threads]
    [t.join() for t in threads]
    assert wrong == []
    assert 1 <= len(reads._idle) <= 8


def test_a_statement_that_fails_keeps_the_connection_for_the_next(reads):
    with pytest.raises(sqlite3.OperationalError):
        reads.rows("SELECT nothing FROM nowhere")
    assert reads.rows("SELECT 1") == [(1,)]


def test_by_what_is_judged_follows_the_settings_and_the_bakes(demo):
    before = demo.standing()
    assert len(before.pours) == 9
    with demo.writing() as session:
        session.connection().execute(text("UPDATE kitchen SET cup = 'imperial', binder_school = 'gum'"))
        last = page_of_trials(session, Which(formula_id=1))[0]
        save_trial(session, last.id, {"set_aside": True}, last.version, last.created_at)
    after = demo.standing()
    assert (after.cup, after.school, len(after.pours)) == ("imperial", "gum", 8)
    assert demo.standing().cup == "imperial"
    with pytest.raises(NotFoundError):
        demo.standing(brief_id=999)

"""Records: one transaction a save, stale saves refused, revisions that never change, a library that refreshes."""

from __future__ import annotations

import sqlite3
import subprocess
import sys
import textwrap
import threading
from datetime import date
from pathlib import Path

import pytest
from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy import text
from sqlalchemy.exc import DBAPIError, IntegrityError
from sqlmodel import SQLModel, select

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.ingredients.ingredient import Fact, Ingredient, Quality, Role
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.estimates import exactly
from fallow_sieve.reference.ingredients import library
from fallow_sieve.store import kitchens
from fallow_sieve.store.blends import (  # fmt: skip
    add_blend,
    duplicate_blend,
    get_blend,
    get_draft,
    keep_revision,
    list_blends,
    parts_in,
    revisions_of,
    save_blend,
    save_draft,
)
from fallow_sieve.store.briefs import add_brief, get_brief, list_briefs, save_brief
from fallow_sieve.store.database import backup, open_engine
from fallow_sieve.store.errors import NotFoundError, StaleSaveError, UnusableError
from fallow_sieve.store.ingredients import add_own_ingredients
from fallow_sieve.store.kitchen_store import KitchenStore
from fallow_sieve.store.numbers import put_numbers
from fallow_sieve.store.tables import IngredientRow, LotRow, NumbersRow

NOW = "2026-03-14T09:30:00Z"
PARTS = (Part("sorghum-flour", 300.0), Part("potato-starch", 200.0, locked=True))
TODAY = date(2026, 3, 14)


def new_blend(store: KitchenStore, parts=PARTS) -> int:
    with store.writing() as session:
        return add_blend(session, "Mix", "tin-loaf", None, parts, NOW).id


def test_the_library_is_there_from_the_first_start(store):
    with store.reading() as session:
        shelf = store.shelf(session, TODAY)
    assert [i.slug for i in shelf.ingredients] == [i.slug for i in library()]
    teff = next(i for i in library() if i.slug == "teff-flour")
    assert {n: f.range for n, f in shelf["teff-flour"].facts.items() if n in teff.facts} == {
        n: f.range for n, f in teff.facts.items()
    }


def test_the_database_keeps_its_promises(store):
    with store.reading() as session:
        ask = session.connection().exec_driver_sql
        assert ask("PRAGMA journal_mode").scalar() == "wal"
        assert ask("PRAGMA foreign_keys").scalar() == 1
        assert ask("PRAGMA busy_timeout").scalar() == 5000
        assert ask("PRAGMA synchronous").scalar() == 2


def test_the_migrations_make_exactly_the_tables_of_the_code(store):
    with store.reading() as session:
        context = MigrationContext.configure(session.connection(), opts={"compare_type": True})
        assert compare_metadata(context, SQLModel.metadata) == []


def test_numbers_of_an_unknown_ingredient_is_refused(store):
    with pytest.raises(IntegrityError), store.writing() as session:
        session.add(NumbersRow(ingredient="nobody", layer="own", facts={}))


def test_a_draft_is_saved_with_its_locks_and_comes_back(store):
    blend_id = new_blend(store)
    with store.writing() as session:
        save_draft(session, blend_id, PARTS[::-1], None, 1, NOW)
    with store.reading() as session:
        draft = get_draft(session, blend_id)
        assert (parts_in(draft.parts), draft.version) == (PARTS[::-1], 2)


def test_a_stale_save_changes_nothing_and_carries_both_versions(store):
    blend_id = new_blend(store)
    with store.writing() as session:
        save_draft(session, blend_id, PARTS[:1], None, 1, NOW)
    with pytest.raises(StaleSaveError) as caught, store.writing() as session:
        save_draft(session, blend_id, PARTS[1:], None, 1, NOW)
    assert caught.value.current["parts"][0]["ingredient"] == "sorghum-flour"
    assert caught.value.submitted["parts"][0]["ingredient"] == "potato-starch"
    with store.reading() as session:
        assert parts_in(get_draft(session, blend_id).parts) == PARTS[:1]


def test_a_failure_in_the_middle_of_a_save_keeps_nothing_of_it(store):
    blend_id = new_blend(store)
    with pytest.raises(RuntimeError), store.writing() as session:
        save_draft(session, blend_id, (), None, 1, NOW)
        session.flush()
        raise RuntimeError
    with store.reading() as session:
        assert parts_in(get_draft(session, blend_id).parts) == PARTS


def test_a_revision_is_numbered_and_becomes_what_the_draft_is_based_on(store):
    blend_id = new_blend(store)
    with store.writing() as session:
        first = keep_revision(session, blend_id, "First try.", 1, NOW)
        second = keep_revision(session, blend_id, "The same again.", 2, NOW)
        assert (first.number, second.number, second.based_on) == (1, 2, 1)
    with store.reading() as session:
        assert [r.why for r in revisions_of(session, blend_id)] == ["First try.", "The same again."]
        assert get_draft(session, blend_id).based_on == 2


@pytest.mark.parametrize("sql", ["UPDATE revision SET why = 'other'", "DELETE FROM revision"])
def test_the_database_itself_refuses_to_change_a_kept_revision(store, sql):
    blend_id = new_blend(store)
    with store.writing() as session:
        keep_revision(session, blend_id, "First try.", 1, NOW)
    with pytest.raises(DBAPIError, match="revision"), store.writing() as session:
        session.connection().execute(text(sql))


def test_an_empty_draft_is_not_kept(store):
    blend_id = new_blend(store, ())
    with pytest.raises(BadInputError, match="add an ingredient first"), store.writing() as session:
        keep_revision(session, blend_id, "Nothing.", 1, NOW)


def test_a_duplicate_starts_from_the_draft_and_lives_on_its_own(store):
    blend_id = new_blend(store)
    with store.writing() as session:
        copy = duplicate_blend(session, blend_id, "Copy", NOW)
        save_draft(session, copy.id, PARTS[:1], None, 1, NOW)
    with store.reading() as session:
        assert parts_in(get_draft(session, blend_id).parts) == PARTS
        assert get_blend(session, copy.id).use == "tin-loaf"


def test_blends_put_away_are_not_listed_but_stay(store):
    blend_id = new_blend(store)
    with store.writing() as session:
        save_blend(session, blend_id, {"archived": True}, 1, NOW)
    with store.reading() as session:
        assert list_blends(session) == []
        assert [b.id for b in list_blends(session, archived=True)] == [blend_id]


def test_lists_come_in_pages(store):
    ids = [new_blend(store) for _ in range(5)]
    with store.reading() as session:
        assert [b.id for b in list_blends(session, after=ids[1], limit=2)] == ids[2:4]


def test_a_brief_is_saved_by_version(store):
    with store.writing() as session:
        brief = add_brief(session, {"name": "Loaf", "use": "tin-loaf"}, NOW)
        save_brief(session, brief.id, {"name": "Tin loaf"}, 1, NOW)
        with pytest.raises(StaleSaveError):
            save_brief(session, brief.id, {"name": "Other"}, 1, NOW)
        assert [b.name for b in list_briefs(session)] == ["Tin loaf"]


@pytest.mark.parametrize("ask", [get_blend, get_draft, get_brief], ids=lambda f: f.__name__)
def test_what_is_not_there_is_said_by_kind(store, ask):
    with store.reading() as session, pytest.raises(NotFoundError, match="there is no (blend|brief) 99"):
        ask(session, 99)


def lot(**more) -> LotRow:
    return LotRow(**{"ingredient": "teff-flour", "bought_g": 1000, "stock_g": 500, "code": "A", **more})


def shelf_with(store: KitchenStore, *lots: LotRow):
    with store.writing() as session:
        session.add_all(lots)
        session.flush()
        kitchens.touch_shelf(session, ["teff-flour"])
    with store.reading() as session:
        return store.shelf(session, TODAY)["teff-flour"]


def test_the_lot_that_expires_first_gives_the_price_and_the_date(store):
    teff = shelf_with(store, lot(price_per_kg=6.0, best_before="2026-06-01"), lot(code="B", price_per_kg=5.0, best_before="2026-03-24"))  # fmt: skip
    assert (teff.price_per_kg, teff.keeps_days) == (5.0, 10)


def test_an_empty_lot_counts_for_nothing(store):
    teff = shelf_with(store, lot(stock_g=0, price_per_kg=1.0), lot(code="B", price_per_kg=5.0))
    assert teff.price_per_kg == 5.0


def test_gluten_is_the_worst_of_the_lots_and_unknown_as_soon_as_one_is(store):
    assert shelf_with(store, lot(gluten_mg_per_kg=5.0), lot(code="B", gluten_mg_per_kg=8.0)).gluten_mg_per_kg == 8.0
    assert shelf_with(store, lot(code="C")).gluten_mg_per_kg is None


MINE = Ingredient("my-teff", "My teff", Role.WHOLE_GRAIN, {"protein_g": Fact(exactly(13.0), Quality.LABEL)}, price_per_kg=7.0)  # fmt: skip


def test_own_ingredients_join_the_shelf_once(store):
    with store.writing() as session:
        assert add_own_ingredients(session, [MINE]) == (["my-teff"], [])
        assert add_own_ingredients(session, [MINE]) == ([], ["my-teff"])
    with store.reading() as session:
        mine = store.shelf(session, TODAY)["my-teff"]
    assert (mine.facts["protein_g"].range.typical, mine.price_per_kg, mine.own) == (13.0, 7.0, True)


def test_refreshing_the_library_leaves_what_the_user_changed(store, monkeypatch):
    with store.writing() as session:
        put_numbers(session, "teff-flour", {"protein_g": Fact(exactly(14.0), Quality.MEASURED, "our test")})
        add_own_ingredients(session, [MINE])
    monkeypatch.setattr(kitchens, "library_version", lambda: "a newer one")
    with store.writing() as session:
        assert kitchens.refresh_library(session) is True
        assert kitchens.refresh_library(session) is False
    with store.reading() as session:
        shelf = store.shelf(session, TODAY)
        assert session.exec(select(IngredientRow).where(IngredientRow.slug == "my-teff")).one().origin == "own"
    fact = shelf["teff-flour"].facts["protein_g"]
    assert (fact.range.typical, fact.quality) == (14, Quality.MEASURED)
    assert "my-teff" in shelf


def test_the_shelf_is_read_anew_only_when_something_on_it_changed(store):
    with store.reading() as session:
        first = store.shelf(session, TODAY)
        assert store.shelf(session, TODAY) is first
    with store.writing() as session:
        kitchens.touch_shelf(session, ["teff-flour"])
    assert store.shelf_now(store.standing(), TODAY) is not first


def test_a_backup_is_whole_while_someone_writes(store, tmp_path):
    stop = threading.Event()

    def write():
        while not stop.is_set():
            new_blend(store)

    writer = threading.Thread(target=write)
    writer.start()
    try:
        backup(store.path, tmp_path / "copy.db")
    finally:
        stop.set()
        writer.join()
    with sqlite3.connect(tmp_path / "copy.db") as connection:
        assert connection.execute("PRAGMA integrity_check").fetchone() == ("ok",)
        blends = connection.execute("SELECT count(*) FROM blend").fetchone()
        assert blends == connection.execute("SELECT count(*) FROM draft").fetchone()


def test_two_writers_wait_for_each_other_and_lose_nothing(store):
    blend_id = new_blend(store)
    saved = []

    def save_often(name: str):
        for n in range(20):
            while True:
                try:
                    with store.writing() as session:
                        version = get_draft(session, blend_id).version
                        save_draft(session, blend_id, (Part("teff-flour", n + 1.0),), None, version, name)
                    saved.append(name)
                    break
                except StaleSaveError:
                    continue

    threads = [threading.Thread(target=save_often, args=(n,)) for n in ("one", "two")]
    [t.start() for t in threads]
    [t.join() for t in threads]
    with store.reading() as session:
        assert get_draft(session, blend_id).version == 1 + len(saved) == 41


KILLED = """
    import os, sys
    from pathlib import Path
    from fallow_sieve.core.blends import Part
    from fallow_sieve.store.blends import get_draft, save_draft
    from fallow_sieve.store.kitchen_store import KitchenStore
    kitchen = KitchenStore(Path(sys.argv[1]))
    for n in range(1, 10_000):
        with kitchen.writing() as session:
            save_draft(session, 1, (Part("teff-flour", float(n)),), None, n, "now")
        print(n, flush=True)
        if n == 25:
            with kitchen.writing() as session:
                save_draft(session, 1, (), None, n + 1, "now")
                session.flush()
                os.kill(os.getpid(), 9)
"""


def test_a_process_killed_in_the_middle_of_a_save_loses_nothing_that_was_saved(store):
    new_blend(store)
    path = store.path
    store.close()
    child = subprocess.run([sys.executable, "-c", textwrap.dedent(KILLED), str(path)], capture_output=True, timeout=60, check=False)  # fmt: skip
    assert child.returncode == -9
    again = KitchenStore(path)
    with again.reading() as session:
        draft = get_draft(session, 1)
        assert parts_in(draft.parts) == (Part("teff-flour", 25.0),)
        assert draft.version == 26
    again.close()


def test_a_database_from_a_newer_version_is_refused_and_left_alone(empty_db: Path):
    with sqlite3.connect(empty_db) as connection:
        connection.execute("UPDATE alembic_version SET version_num = '9999'")
    before = empty_db.read_bytes()
    with pytest.raises(UnusableError, match="another version"):
        KitchenStore(empty_db)
    assert empty_db.read_bytes()[:4096] == before[:4096]


def test_a_file_that_is_no_database_is_refused(tmp_path):
    path = tmp_path / "x.db"
    path.write_bytes(b"no database at all" * 100)
    with pytest.raises(UnusableError, match="not a database"):
        KitchenStore(path)


def test_opening_an_engine_makes_no_tables(tmp_path):
    engine = open_engine(tmp_path / "bare.db")
    with engine.connect() as connection:
        assert connection.exec_driver_sql("SELECT count(*) FROM sqlite_master").scalar() == 0
    engine.dispose()

"""Records: one transaction a save, stale saves refused, revisions that never change, a library that refreshes."""

from __future__ import annotations

import sqlite3
import threading
from datetime import date
from pathlib import Path

import pytest
from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy.exc import IntegrityError
from sqlmodel import SQLModel, select

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.limits import Limits
from fallow_sieve.core.ingredients.ingredient import Fact, Ingredient, Quality, Role
from fallow_sieve.core.values.estimates import exactly
from fallow_sieve.reference.ingredients import library
from fallow_sieve.safekeeping import backup
from fallow_sieve.store.blends import BLENDS
from fallow_sieve.store.briefs import add_brief, get_brief, list_briefs, save_brief
from fallow_sieve.store.database import open_engine
from fallow_sieve.store.errors import NotFoundError, StaleSaveError, UnusableError
from fallow_sieve.store.ingredients import library as bundled
from fallow_sieve.store.ingredients.ingredients import add_own_ingredients
from fallow_sieve.store.ingredients.numbers import put_numbers
from fallow_sieve.store.kitchen import touch_shelf
from fallow_sieve.store.kitchen_store import KitchenStore
from fallow_sieve.store.tables.ingredients import IngredientRow, LotRow, NumbersRow

NOW = "2026-03-14T09:30:00Z"
PARTS = (Part("sorghum-flour", 300.0), Part("potato-starch", 200.0, locked=True))
TODAY = date(2026, 3, 14)


def new_blend(store: KitchenStore, parts=PARTS) -> int:
    with store.writing() as session:
        return BLENDS.add(session, "Mix", None, Blend(parts, use="tin-loaf"), NOW).id


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


def test_a_brief_is_saved_by_version(store):
    with store.writing() as session:
        brief = add_brief(session, {"name": "Loaf", "use": "tin-loaf"}, Limits(), NOW)
        save_brief(session, brief.id, {"name": "Tin loaf"}, Limits(max_bins=3), 1, NOW)
        with pytest.raises(StaleSaveError):
            save_brief(session, brief.id, {"name": "Other"}, Limits(), 1, NOW)
        assert [(b.name, b.limits.max_bins) for b in list_briefs(session)] == [("Tin loaf", 3)]
    with store.reading() as session, pytest.raises(NotFoundError, match="there is no brief 99"):
        get_brief(session, 99)


def lot(**more) -> LotRow:
    return LotRow(**{"ingredient": "teff-flour", "bought_g": 1000, "stock_g": 500, "code": "A", **more})


def shelf_with(store: KitchenStore, *lots: LotRow):
    with store.writing() as session:
        session.add_all(lots)
        session.flush()
        touch_shelf(session, ["teff-flour"])
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
    monkeypatch.setattr(bundled, "library_version", lambda: "a newer one")
    with store.writing() as session:
        assert bundled.refresh_library(session) is True
        assert bundled.refresh_library(session) is False
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
        touch_shelf(session, ["teff-flour"])
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

"""Own numbers lie over the library's, layer by layer; lots, labels and tests give theirs; nothing is overwritten."""

from datetime import date

import pytest

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.ingredients.ingredient import Fact, Ingredient, Quality, Role
from fallow_sieve.core.ingredients.lots import Lot
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.estimates import Range, exactly
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.store.blends import BLENDS
from fallow_sieve.store.errors import InUseError, NotFoundError, StaleSaveError
from fallow_sieve.store.ingredients import panels_and_tests as findings
from fallow_sieve.store.ingredients.ingredients import (
    add_ingredient,
    choose_layer,
    copy_ingredient,
    delete_ingredient,
    get_ingredient,
    put_number,
    save_ingredient,
    take_number,
)
from fallow_sieve.store.ingredients.library import refresh_library
from fallow_sieve.store.ingredients.lots import add_lot, get_lot, lots_of, save_lot
from fallow_sieve.store.ingredients.numbers import fact_of, layers_of, stored
from fallow_sieve.store.ingredients.panels_and_tests import add_panel, add_test, withdraw_panel, withdraw_test

TODAY = date(2026, 3, 14)
NOW = "2026-03-14T09:30:00Z"
TEFF = "teff-flour"


def shelf(store):
    with store.reading() as session:
        return store.shelf(session, TODAY)


def fact(value, quality=Quality.MEASURED):
    return Fact(exactly(value), quality, "a test", "2026-03-14")


def put(store, field, value, version=1):
    with store.writing() as session:
        put_number(session, TEFF, field, fact(value, Quality.ESTIMATE), version)


def thirst(store, lot_id=None):
    found = shelf(store)
    item = found.rows[found.lots[lot_id]] if lot_id else found[TEFF]
    return item.facts["thirst_g_per_g"].range.typical


def measure(store, value, lot_id=None):
    with store.writing() as session:
        facts = {"thirst_g_per_g": fact(value)}
        return add_test(session, "water", (TEFF, lot_id), {"runs": []}, facts, ("2026-03-14", "", NOW)).id


def label(store, lot_id=None, **values):
    with store.writing() as session:
        facts = {n: fact(v, Quality.LABEL) for n, v in values.items()}
        return add_panel(session, TEFF, lot_id, {}, facts, "2026-03-14", NOW).id


def new_lot(store, code="L-1", **more):
    with store.writing() as session:
        return add_lot(session, TEFF, Lot(code, 1000, 500, **more)).id


TABLE_THIRST = library_shelf()[TEFF].range_of("thirst_g_per_g").typical


def test_a_fact_goes_into_the_store_and_comes_back_the_same():
    given = Fact(Range(1, 2, 3), Quality.BY_DIFFERENCE, "some “source”", "2026-03-14")
    assert fact_of(stored({"x": given})["x"]) == given


def test_an_own_number_wins_and_the_tables_stays_beneath(store):
    put(store, "thirst_g_per_g", 1.9)
    assert thirst(store) == 1.9
    with store.reading() as session:
        layers = layers_of(session, TEFF)
    assert fact_of(layers["table"]["thirst_g_per_g"]).range.typical == TABLE_THIRST
    assert fact_of(layers["own"]["thirst_g_per_g"]).range.typical == 1.9


def test_one_can_go_back_to_the_table_and_forth_again(store):
    put(store, "thirst_g_per_g", 1.9)
    with store.writing() as session:
        choose_layer(session, TEFF, "thirst_g_per_g", True, 2)
    assert thirst(store) == TABLE_THIRST
    with store.writing() as session:
        choose_layer(session, TEFF, "thirst_g_per_g", False, 3)
    assert thirst(store) == 1.9
    with store.writing() as session:
        take_number(session, TEFF, "thirst_g_per_g", 4)
    assert thirst(store) == TABLE_THIRST


def test_measured_wins_over_label_over_own_over_table(store):
    put(store, "thirst_g_per_g", 1.5)
    label(store, thirst_g_per_g=1.6)
    assert thirst(store) == 1.6
    test_id = measure(store, 1.7)
    assert thirst(store) == 1.7
    with store.writing() as session:
        withdraw_test(session, test_id, True)
    assert thirst(store) == 1.6


def test_a_withdrawn_finding_stays_on_record_and_can_come_back(store):
    first, second = measure(store, 1.7), measure(store, 1.8)
    with store.writing() as session:
        withdraw_test(session, second, True)
        assert [t.withdrawn for t in findings.tests_of(session, TEFF)] == [False, True]
    assert thirst(store) == 1.7
    with store.writing() as session:
        withdraw_test(session, first, True)
    assert thirst(store) == TABLE_THIRST
    with store.writing() as session:
        withdraw_test(session, second, False)
    assert thirst(store) == 1.8


def test_a_label_is_replaced_whole_by_the_next(store):
    first = label(store, protein_g=9, fat_g=2)
    label(store, protein_g=10)
    assert shelf(store)[TEFF].facts["protein_g"].range.typical == 10
    assert shelf(store)[TEFF].facts["fat_g"].quality is not Quality.LABEL
    with store.writing() as session:
        withdraw_panel(session, first + 1, True)
    assert shelf(store)[TEFF].facts["fat_g"].range.typical == 2


def test_a_number_set_aside_stays_so_while_another_test_is_taken(store):
    measure(store, 1.7)
    with store.writing() as session:
        choose_layer(session, TEFF, "thirst_g_per_g", True, 1)
        add_test(session, "cup", (TEFF, None), {}, {"density_g_per_ml": fact(0.7)}, ("2026-03-14", "", NOW))
    assert thirst(store) == TABLE_THIRST
    measure(store, 1.75)
    assert thirst(store) == 1.75


def test_a_lots_own_numbers_are_that_lots_alone(store):
    one, other = new_lot(store), new_lot(store, "L-2")
    measure(store, 1.7, one)
    assert (thirst(store), thirst(store, one), thirst(store, other)) == (TABLE_THIRST, 1.7, TABLE_THIRST)
    measure(store, 1.5)
    assert (thirst(store), thirst(store, one), thirst(store, other)) == (1.5, 1.7, 1.5)


def test_a_lot_has_its_own_price_date_and_gluten(store):
    one = new_lot(store, price_per_kg=4.0, best_before=date(2026, 3, 24), gluten_mg_per_kg=3.0, gluten_basis="test")
    new_lot(store, "L-2", price_per_kg=9.0, best_before=date(2026, 12, 1))
    item = shelf(store).rows[shelf(store).lots[one]]
    assert (item.price_per_kg, item.keeps_days, item.gluten_mg_per_kg, item.stock_g) == (4.0, 10, 3.0, 500)
    assert (shelf(store)[TEFF].price_per_kg, shelf(store)[TEFF].gluten_mg_per_kg) == (4.0, None)


def test_a_lot_put_away_is_no_stock_but_still_stands_for_the_blends_that_name_it(store):
    one = new_lot(store, price_per_kg=4.0)
    with store.writing() as session:
        row = get_lot(session, one)
        save_lot(session, one, Lot("L-1", 1000, 500, price_per_kg=4.0), True, row.version)
    assert (shelf(store)[TEFF].stock_g, shelf(store)[TEFF].price_per_kg) == (0, None)
    assert one in shelf(store).lots


def test_a_lots_code_stands_once_in_an_ingredient(store):
    one = new_lot(store)
    with pytest.raises(BadInputError, match="already"):
        new_lot(store)
    with store.writing() as session:
        add_lot(session, "corn-starch", Lot("L-1", 10, 10))
        save_lot(session, one, Lot("L-1", 1000, 400), False, 1)
        assert [found.lot.stock_g for found in lots_of(session, TEFF)] == [400]


def test_two_people_at_one_ingredient_or_lot_lose_nothing(store):
    put(store, "thirst_g_per_g", 1.9)
    with pytest.raises(StaleSaveError):
        put(store, "grit_index", 3)
    one = new_lot(store)
    with store.writing() as session:
        save_lot(session, one, Lot("L-1", 1000, 400), False, 1)
    with pytest.raises(StaleSaveError), store.writing() as session:
        save_lot(session, one, Lot("L-1", 1000, 300), False, 1)


def test_only_what_changed_is_read_anew(store):
    before = shelf(store)
    put(store, "thirst_g_per_g", 1.9)
    after = shelf(store)
    assert after[TEFF] is not before[TEFF]
    assert after["corn-starch"] is before["corn-starch"]


def test_what_was_undone_is_not_remembered(store):
    before = shelf(store)
    with pytest.raises(RuntimeError), store.writing() as session:
        put_number(session, TEFF, "thirst_g_per_g", fact(9.0), 1)
        assert store.shelf(session, TODAY)[TEFF].range_of("thirst_g_per_g").typical == 9.0
        raise RuntimeError
    put(store, "grit_index", 4)
    assert thirst(store) == before[TEFF].range_of("thirst_g_per_g").typical


def test_a_copy_is_the_kitchens_own_with_the_numbers_that_count_now(store):
    put(store, "thirst_g_per_g", 1.9)
    with store.writing() as session:
        copy_ingredient(session, TEFF, "my-teff", "My teff")
    mine, theirs = shelf(store)["my-teff"], shelf(store)[TEFF]
    assert (mine.own, theirs.own) == (True, False)
    assert {n: f.range for n, f in mine.facts.items()} == {n: f.range for n, f in theirs.facts.items()}
    assert (mine.usual_max_pct, mine.usual_max_reason) == (theirs.usual_max_pct, theirs.usual_max_reason)


def test_the_librarys_own_cannot_be_renamed_but_put_away_and_stays_so_when_it_is_refreshed(store, monkeypatch):
    with store.writing() as session:
        values = {"name": "Other", "archived": True}
        with pytest.raises(BadInputError, match="copy it"):
            save_ingredient(session, TEFF, values, 1)
        save_ingredient(session, TEFF, {"name": "Teff flour", "archived": True}, 1)
    monkeypatch.setattr("fallow_sieve.store.ingredients.library.library_version", lambda: "a newer one")
    with store.writing() as session:
        refresh_library(session)
    assert shelf(store)[TEFF].archived


def test_an_ingredient_in_use_is_not_deleted_and_says_by_what(store):
    mine = Ingredient("mine", "Mine", Role.STARCH)
    with store.writing() as session:
        add_ingredient(session, mine)
        BLENDS.add(session, "Loaf", None, Blend((Part("mine", 100),)), NOW)
    with pytest.raises(InUseError, match=r"Mine is used by Loaf; put it away instead"), store.writing() as session:
        delete_ingredient(session, "mine")
    with pytest.raises(BadInputError), store.writing() as session:
        delete_ingredient(session, TEFF)


def test_one_that_nothing_rests_on_is_deleted_with_its_numbers(store):
    with store.writing() as session:
        copy_ingredient(session, TEFF, "mine", "Mine")
    assert "mine" in shelf(store)
    with store.writing() as session:
        delete_ingredient(session, "mine")
    assert "mine" not in shelf(store)
    with store.reading() as session, pytest.raises(NotFoundError):
        get_ingredient(session, "mine")

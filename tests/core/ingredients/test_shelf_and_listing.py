"""The shelf: lots that stand in for their ingredient, one basis for all numbers, filters, sorting, stand-ins."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.care.cautions import cautions_of
from fallow_sieve.core.blends.care.gluten import status_of
from fallow_sieve.core.blends.differences import difference
from fallow_sieve.core.blends.explanation import explain
from fallow_sieve.core.blends.judgement import Rules, judge
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.ingredients.columns import COLUMNS, cell, mass_on
from fallow_sieve.core.ingredients.filters import Filter, Index, Trait, ordered, passing, row_of, scale_of, values_of
from fallow_sieve.core.ingredients.ingredient import Fact, Quality, Role
from fallow_sieve.core.ingredients.plausible import HIGHEST, check_contents, lowest_of, range_for
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.estimates import Range, exactly
from fallow_sieve.core.values.quantities import CupStandard, SpoonStandard, parse_basis
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.listing import diets, traits
from kit import flour, shelf_of

GRAMS = parse_basis("100g")
TEFF = flour("teff", thirst_g_per_g=(1.0, 1.3, 1.6), protein_g=(12, 13, 14), density_g_per_ml=(0.5, 0.6, 0.8), more={"price_per_kg": 5.0, "gluten_mg_per_kg": None})  # fmt: skip
STARCH = flour("starch", "starch", thirst_g_per_g=0.8, protein_g=0, density_g_per_ml=0.75, more={"price_per_kg": 2.0, "gluten_mg_per_kg": 5.0})  # fmt: skip
WET = Fact(Range(1.5, 1.6, 1.7), Quality.MEASURED, "water taken up", "2026-03-02")
LOT = replace(TEFF, facts={**TEFF.facts, "thirst_g_per_g": WET}, price_per_kg=6.0, gluten_mg_per_kg=4.0, lot_id=7, lot_code="S-7")  # fmt: skip
SHELF = Shelf.of([TEFF, STARCH], [LOT])
HALF = (Part("teff", 100), Part("starch", 100))
FROM_LOT = (Part("teff", 100, lot_id=7), Part("starch", 100))


def test_a_part_that_names_a_lot_is_judged_by_the_lots_own_numbers_and_narrower():
    """Half at 1.3, half at 0.8: 1.05; from the lot, half at 1.6: 1.20, with a third of the spread."""
    plain, drawn = (analyse(Blend(p), SHELF).metrics["thirst_g_per_g"] for p in (HALF, FROM_LOT))
    assert (plain.typical, drawn.typical) == pytest.approx((1.05, 1.20))
    assert drawn.high - drawn.low == pytest.approx((plain.high - plain.low) / 3)


def test_price_and_gluten_are_the_lots_too():
    one, other = judge(Blend(HALF), SHELF, None, Rules({}, {})), judge(Blend(FROM_LOT), SHELF, None, Rules({}, {}))
    assert (one.analysis.cost_per_kg.typical, other.analysis.cost_per_kg.typical) == (3.5, 4.0)
    assert (one.gluten.status, other.gluten.status) == ("unknown", "known")
    assert other.gluten.known_mg_per_kg == pytest.approx(4.5)


def test_how_a_number_is_worked_out_names_the_lot_the_kind_and_the_day():
    term = explain(Blend(FROM_LOT), SHELF, "thirst_g_per_g").terms[0]
    assert (term.quality, term.noted_on, term.lot_code, term.value) == ("measured", "2026-03-02", "S-7", 1.6)
    assert explain(Blend(HALF), SHELF, "thirst_g_per_g").terms[0].lot_code == ""


def test_what_the_judgement_rests_on_shifts_to_measured():
    plain, drawn = (analyse(Blend(p), SHELF).rests_on_pct for p in (HALF, FROM_LOT))
    assert plain["measured"] == 0
    assert drawn["measured"] == pytest.approx(50 / 7)  # one of seven judged facts, on half of the mass


@pytest.mark.parametrize("part", [Part("starch", 100, lot_id=7), Part("teff", 100, lot_id=8)])
def test_a_lot_of_another_flour_or_none_is_refused_at_its_place(part):
    with pytest.raises(BadInputError) as error:
        analyse(Blend((part,)), SHELF)
    assert error.value.place == "/parts/0/lot_id"


def test_another_lot_is_a_change_though_no_mass_moved():
    found = difference(analyse(Blend(HALF), SHELF), analyse(Blend(FROM_LOT), SHELF))
    mass, lot = found.parts
    assert (mass.what, mass.size) == ("teff", 0.0)
    assert (lot.what, lot.before, lot.after, lot.unit) == ("teff", "", "S-7", "lot")
    assert found.moved_pct == 0


def test_the_ingredients_of_a_shelf_are_no_lots():
    assert [i.slug for i in SHELF.ingredients] == ["teff", "starch"]
    assert SHELF["teff"].lot_id is None
    assert [i.lot_code for i in SHELF.lots_of("teff")] == ["S-7"]


def test_replacing_some_gives_the_same_shelf_as_making_it_anew():
    other = replace(TEFF, facts={"protein_g": Fact(exactly(20.0))})
    new = flour("new", protein_g=3)
    lot = replace(other, lot_id=9, lot_code="N-9")
    quick = SHELF.replacing([other, new], [lot], ["new", "teff", "starch"])
    whole = Shelf.of([new, other, STARCH], [lot])
    assert [i.slug for i in quick.ingredients] == ["new", "teff", "starch"]
    assert quick.lots == whole.lots == {9: 3}
    for a, b in ((quick.values_and_known, whole.values_and_known), (quick.variance, whole.variance), (quick.rests_on, whole.rests_on)):  # fmt: skip
        np.testing.assert_array_equal(a, b)


def test_numbers_on_a_volume_are_for_the_flours_own_weight():
    """60 g fill 100 mL at 0.6 g/mL: 13 g of protein in 100 g are 7.8 g; the basis itself 50–80 g."""
    cup = replace(GRAMS, mass_g=None, volume_ml=100.0)
    found = cell(TEFF, COLUMNS["protein_g"], cup)
    assert (found.low, found.typical, found.high) == pytest.approx((7.2, 7.8, 8.4))
    assert mass_on(TEFF, cup) == Range(50, 60, 80)
    assert cell(flour("x", protein_g=9), COLUMNS["protein_g"], cup) is None


@given(st.sampled_from(["quarter-cup", "cup", "tablespoon", "30g", "100g"]), st.sampled_from(list(CupStandard)))
def test_basis_conversions_go_there_and_back(name, standard):
    basis = parse_basis(name, standard)
    mass, found = mass_on(TEFF, basis), cell(TEFF, COLUMNS["protein_g"], basis)
    assert found.typical * 100 / mass.typical == pytest.approx(13)


def test_the_kitchens_own_tablespoon_wins_over_the_cups():
    assert parse_basis("tablespoon", CupStandard.METRIC).volume_ml == 15
    assert parse_basis("tablespoon", CupStandard.METRIC, SpoonStandard.AUSTRALIAN).volume_ml == 20


def test_the_price_of_protein_turns_its_range_around():
    """5.00 per kg at 12–14 g: 100 g of protein cost 5·10/13 = 3.85, from 5·10/14 to 5·10/12."""
    found = cell(TEFF, COLUMNS["price_per_100_g_protein"], GRAMS)
    assert (found.low, found.typical, found.high) == pytest.approx((50 / 14, 50 / 13, 50 / 12))
    assert cell(STARCH, COLUMNS["price_per_100_g_protein"], GRAMS) is None
    assert cell(replace(TEFF, price_per_kg=None), COLUMNS["price_per_100_g_protein"], GRAMS) is None


@pytest.mark.parametrize("name", sorted(COLUMNS))
def test_every_column_is_known_or_unknown_for_every_ingredient_and_in_order(name):
    for item in library_shelf().ingredients:
        found = cell(item, COLUMNS[name], GRAMS)
        assert found is None or found.low <= found.typical <= found.high


@pytest.mark.parametrize("name", sorted(COLUMNS))
def test_the_list_sorts_by_what_the_cells_show(name):
    shelf = Shelf.of([*library_shelf().ingredients, TEFF])
    index, rows = Index.of(shelf), np.arange(len(shelf.ingredients))
    values = values_of(index, rows, name, GRAMS)
    cells = [cell(i, COLUMNS[name], GRAMS) for i in shelf.ingredients]
    assert [None if np.isnan(v) else v for v in values] == pytest.approx([c and c.typical for c in cells])
    for descending in (False, True):
        shown = [cells[r] for r in ordered(index, rows, name, descending, GRAMS)]
        known = [c.typical for c in shown if c]
        assert known == sorted(known, reverse=descending)
        assert all(c is None for c in shown[len(known) :])


def test_a_bar_is_drawn_to_the_95th_percentile_so_that_one_far_value_does_not_flatten_the_rest():
    assert scale_of(np.array([1.0] * 99 + [1000.0])) == pytest.approx(1.0, abs=0.1)
    assert scale_of(np.array([np.nan])) == 0


def test_a_row_has_a_cell_for_each_column_asked_for():
    assert [c and c.typical for c in row_of(TEFF, ["protein_g", "fat_g"], GRAMS).cells] == [13, None]


@pytest.mark.parametrize(
    ("wanted", "shown"),
    [
        (Filter(), {"nut", "oat", "plain"}),
        (Filter(roles=frozenset({"nut_seed"})), {"nut"}),
        (Filter(without=frozenset({"tree-nuts", "oats"})), {"plain"}),
        (Filter(in_stock=True), {"plain"}),
        (Filter(own=True), {"oat"}),
        (Filter(archived=True), {"away"}),
        (Filter(traits=(Trait("t", "thirsty", "thirst_g_per_g", 1.5, None, ""),)), {"oat"}),
        (Filter(traits=(Trait("t", "mild", "thirst_g_per_g", None, 1.4, ""),)), {"nut"}),
        (Filter(diets=(diets()["nut-free"],)), {"oat", "plain"}),
    ],
)
def test_a_filter_shows_what_it_says(wanted, shown):
    items = [
        flour("nut", "nut_seed", thirst_g_per_g=1.1, more={"allergens": ("tree-nuts",)}),
        flour("oat", thirst_g_per_g=1.7, more={"watch": ("oats",), "own": True}),
        flour("plain", more={"stock_g": 500.0}),
        flour("away", more={"archived": True}),
    ]
    held = passing(Index.of(shelf_of(*items)), wanted)
    assert {i.slug for i, shows in zip(items, held, strict=True) if shows} == shown


def test_the_diets_keep_what_belongs_in_them():
    shelf = library_shelf()
    vegan, grainless = diets()["vegan"], diets()["grain-free"]
    assert {"almond-milk", "oat-milk", "coconut-oil", "teff-flour"} <= {
        i.slug for i in shelf.ingredients if vegan.allows(i)
    }
    assert not any(vegan.allows(shelf[s]) for s in ("ghee", "honey", "gelatin", "egg-white-powder", "plain-yoghurt"))
    assert all(grainless.allows(shelf[s]) for s in ("almond-flour", "tapioca-starch", "cassava-flour"))
    assert not any(
        grainless.allows(shelf[s]) for s in ("corn-starch", "rice-bran", "buckwheat-flour", "white-rice-flour")
    )


@pytest.mark.parametrize("trait", traits().values(), ids=lambda t: t.name)
def test_every_trait_tells_some_flours_from_others(trait):
    held = passing(Index.of(library_shelf()), Filter(traits=(trait,)))
    assert trait.field in (*HIGHEST,)
    assert 0 < held.sum() < len(held)


@pytest.mark.parametrize(
    ("name", "given_", "expected"),
    [
        ("protein_g", (10,), Range(9, 10, 11)),
        ("fibre_g", (10,), Range(8, 10, 12)),
        ("protein_g", (10, 9.5, 10.5), Range(9.5, 10, 10.5)),
        ("thirst_g_per_g", (1.4,), exactly(1.4)),
        ("colour_a", (-3,), exactly(-3)),
        ("protein_g", (99,), Range(89.1, 99, 100)),
    ],
)
def test_a_number_gets_the_usual_spread_unless_its_own_is_given(name, given_, expected):
    found = range_for(name, *given_)
    assert (found.low, found.typical, found.high) == pytest.approx((expected.low, expected.typical, expected.high))


@pytest.mark.parametrize(
    ("name", "given_"),
    [("protein_g", (101,)), ("protein_g", (-1,)), ("grit_index", (6,)), ("stickiness", (1.5,)), ("density_g_per_ml", (0,)), ("protein_g", (5, 6, 7)), ("fat_g", (float("nan"),)), ("colour_a", (-200,))],
)  # fmt: skip
def test_what_cannot_be_true_of_a_number_is_refused(name, given_):
    with pytest.raises(BadInputError):
        range_for(name, *given_)


def test_every_number_has_limits():
    assert all(HIGHEST[n] > lowest_of(n) for n in HIGHEST)


def test_parts_must_fit_into_100_g_and_into_one_another():
    check_contents({"water_g": exactly(12), "carbohydrate_g": exactly(80), "protein_g": exactly(10)})
    with pytest.raises(BadInputError, match="add up to 110 g"):
        check_contents({"water_g": exactly(20), "carbohydrate_g": exactly(80), "protein_g": exactly(10)})
    with pytest.raises(BadInputError) as error:
        check_contents({"carbohydrate_g": exactly(20), "fibre_g": exactly(60)})
    assert error.value.place == "/fibre_g"


def test_unknown_gluten_is_never_shown_as_free():
    assert status_of(flour("x")) == "unknown"
    assert status_of(flour("x", more={"gluten_mg_per_kg": 0.0})) == "known"
    assert status_of(flour("x", more={"gluten_mg_per_kg": 0.0, "gluten_risk": "contains-gluten"})) == "contains"
    for item in library_shelf().ingredients:
        said = cautions_of(item)[0].say
        assert "free" not in said.replace("No estimate proves it free", "")


def test_every_ingredient_calls_for_its_cautions():
    shelf = library_shelf()
    kinds = {
        s: [c.kind for c in cautions_of(shelf[s])] for s in ("oat-flour", "almond-flour", "psyllium-husk", "fava-flour")
    }
    assert "oats" in kinds["oat-flour"]
    assert "allergens" in kinds["almond-flour"]
    assert "gels" in kinds["psyllium-husk"]
    assert "favism" in kinds["fava-flour"]
    assert all(k[-1] == "raw-flour" for k in kinds.values())
    assert shelf["teff-flour"].role is Role.WHOLE_GRAIN

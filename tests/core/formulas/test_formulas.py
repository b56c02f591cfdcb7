"""Formulas: baker's percentages on the flour base, water counted from composition, and what is outside the dough."""

import pytest

from fallow_sieve.core.formulas.analysis import analyse_formula
from fallow_sieve.core.formulas.formula import BLEND, Line, When, check_consistency, usual_when
from fallow_sieve.core.formulas.pouring import counted_water, other_water_g, poured_pct, poured_water_g, with_water
from fallow_sieve.core.values.errors import BadInputError, UnknownNameError
from fallow_sieve.reference.ingredients import library_shelf
from kit import flour, formula_of, shelf_of

# Water 10 % in the flour, 90 % in the milk, 16 % in the butter, nothing known of the essence.
SHELF = shelf_of(
    flour("rice", water_g=10, fat_g=1, protein_g=8, sugars_g=0, salt_g=0, thirst_g_per_g=1.2),
    flour("starch", "starch", water_g=12, fat_g=0, protein_g=0, sugars_g=0, salt_g=0, thirst_g_per_g=0.8),
    flour("gum", "binder", water_g=10, fat_g=0, protein_g=0, sugars_g=0, salt_g=0),
    flour("water", "other", water_g=100, fat_g=0, protein_g=0, sugars_g=0, salt_g=0),
    flour("whole-milk", "other", does="milk", water_g=90, fat_g=4, protein_g=3, sugars_g=5, salt_g=0),
    flour("butter", "other", water_g=16, fat_g=80, protein_g=1, sugars_g=0, salt_g=0),
    flour("essence", "other"),
    flour("wheat", "other", does="wheat", water_g=12, fat_g=1, protein_g=10, sugars_g=1, salt_g=0, more={"gluten_risk": "contains-gluten"}),
)  # fmt: skip
MIX = {"rice": 600, "starch": 380, "gum": 20}
LINES = [
    (BLEND, 500, "dry"), ("water", 200, "wet"), ("whole-milk", 100, "wet"), ("butter", 50, "fat"),
    ("butter", 30, "filling"), ("whole-milk", 20, "finish"),
]  # fmt: skip


@pytest.fixture
def found():
    return analyse_formula(formula_of(LINES, MIX), SHELF)


def test_the_flour_base_is_the_blends_flours_without_its_binder(found):
    assert found.flour_g == pytest.approx(500 * 980 / 1000)  # 490 g: the blend is 98 % flour
    assert found.lines[1].flour_pct == pytest.approx(100 * 200 / 490)
    assert found.lines[0].flour_pct == pytest.approx(100 * 500 / 490)  # a blend with binder is over 100 %


def test_water_counts_in_every_line_of_the_dough_but_not_the_flours_own(found):
    assert found.water_g == pytest.approx(200 + 90 + 8)  # water, 90 % of 100 g milk, 16 % of 50 g butter
    assert found.hydration_pct == pytest.approx(100 * 298 / 490)


def test_fillings_and_finishes_are_weighed_but_are_no_dough(found):
    assert found.mass_g == pytest.approx(900)
    assert found.dough_g == pytest.approx(850)
    assert [x.in_dough for x in found.lines] == [True, True, True, True, False, False]
    assert found.totals_g["fat_g"].typical == pytest.approx(500 * 0.006 + 100 * 0.04 + 80 * 0.8 + 20 * 0.04)


def test_a_line_of_unknown_water_is_named_and_not_taken_for_dry():
    found = analyse_formula(formula_of([*LINES, ("essence", 5, "wet")], MIX), SHELF)
    assert found.doubts == ("Essence",)
    assert found.lines[-1].brings_g["water_g"] is None
    assert not found.totals_g["fat_g"].is_known
    assert found.totals_g["fat_g"].high is None


def test_wheat_flour_of_a_recipe_to_convert_counts_as_its_flour():
    found = analyse_formula(formula_of([("wheat", 400, "dry"), ("water", 240, "wet")]), SHELF)
    assert (found.flour_g, found.hydration_pct) == (400, pytest.approx(60))


def test_without_flour_there_is_no_percentage():
    found = analyse_formula(formula_of({"water": 100}), SHELF)
    assert (found.flour_g, found.hydration_pct, found.lines[0].flour_pct) == (0, None, None)


@pytest.mark.parametrize(
    ("lines", "blend", "place"),
    [
        ([], MIX, "/lines"),
        ([(BLEND, 500, "dry")], None, "/lines/0/ingredient"),
        ([("water", 1, "wet"), ("no-such", 5, "wet")], MIX, "/lines/1/ingredient"),
        ([("water", 0, "wet")], MIX, "/lines/0/mass_g"),
        ([("water", float("nan"), "wet")], MIX, "/lines/0/mass_g"),
    ],
)
def test_lines_that_cannot_be_are_refused_with_their_place(lines, blend, place):
    with pytest.raises(BadInputError) as refused:
        analyse_formula(formula_of(lines, blend), SHELF)
    assert refused.value.place == place


def test_more_water_goes_to_the_largest_water_line_of_the_dough():
    lines = (Line("water", 100, When.WET), Line("water", 30, When.GEL), Line("water", 500, When.FILLING))
    done, short = with_water(lines, 25, SHELF)
    assert ([x.mass_g for x in done], short) == ([125, 30, 500], 0)


def test_less_water_leaves_plain_water_first_then_milk_and_says_what_is_left():
    lines = (Line("water", 50, When.WET), Line("whole-milk", 100, When.WET))
    done, short = with_water(lines, -95, SHELF)  # 50 g of water, then 45 g out of milk that is 90 % water
    assert [(x.ingredient, x.mass_g) for x in done] == [("whole-milk", pytest.approx(50))]
    assert short == 0
    assert counted_water(done, SHELF) == pytest.approx(45)
    _, short = with_water(lines, -200, SHELF)
    assert short == pytest.approx(200 - 140)


def test_the_water_of_a_gel_is_left_alone_as_long_as_there_is_water_to_pour():
    lines = (Line("water", 200, When.GEL), Line("water", 50, When.WET))
    assert [x.mass_g for x in with_water(lines, -30, SHELF)[0]] == [200, 20]
    assert [(x.mass_g, x.when) for x in with_water(lines, -80, SHELF)[0]] == [(170, When.GEL)]
    more, _ = with_water(lines[:1], 25, SHELF)
    assert [(x.mass_g, x.when) for x in more] == [(200, When.GEL), (25, When.WET)]


def test_what_was_poured_takes_the_place_of_the_formulas_own_water():
    found = analyse_formula(formula_of([("rice", 500, "dry"), ("water", 100, "gel"), ("water", 300, "wet")]), SHELF)
    assert (other_water_g(found), poured_water_g(found.lines)) == (100, 300)
    assert poured_pct(found, 350) == pytest.approx(90)
    assert poured_pct(found, 300) == pytest.approx(found.hydration_pct)
    with pytest.raises(BadInputError, match="no flour"):
        poured_pct(analyse_formula(formula_of({"water": 10}), SHELF), 10)


def test_a_dough_without_a_water_line_gets_one():
    done, _ = with_water((Line("rice", 500, When.DRY),), 10, SHELF)
    assert done[-1] == Line("water", 10, When.WET)


def test_a_use_has_its_own_consistencies():
    check_consistency("batter", ("soft", "batter"))
    with pytest.raises(BadInputError, match="no water is on record for this use at 'stiff'"):
        check_consistency("stiff", ("soft", "batter"))
    with pytest.raises(UnknownNameError):
        check_consistency("runny", ("soft",))


@pytest.mark.parametrize(
    ("slug", "stage"),
    [
        ("sorghum-flour", "dry"), ("xanthan-gum", "dry"), ("psyllium-husk", "gel"), ("water", "wet"), ("whole-egg", "wet"),
        ("unsalted-butter", "fat"), ("olive-oil", "fat"), ("salt", "dry"), ("honey", "wet"), ("raisins", "fold-in"),
        ("instant-dry-yeast", "dry"), ("wheat-flour", "dry"), ("white-sugar", "dry"), ("apple-puree", "wet"),
    ],
)  # fmt: skip
def test_each_ingredient_has_a_usual_stage(slug, stage):
    assert usual_when(library_shelf()[slug]) == stage

"""Labels: what was rounded stands for a range, both conventions, and a panel that cannot be true is found out."""

from math import floor

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.ingredients.ingredient import Quality
from fallow_sieve.core.ingredients.nutrition_panel import (
    Convention,
    Panel,
    SoFar,
    facts_of,
    printed_range,
    read_panel,
    rounding_step,
)
from fallow_sieve.core.ingredients.panel_checks import check_label, computed_kcal
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.estimates import Range, exactly

INSIDE, APART = Convention.INSIDE, Convention.APART
NOTHING = SoFar({})


def read(printed, convention=APART, so_far=NOTHING, **serving):
    return read_panel(Panel(printed, convention, **(serving or {"serving_g": 100.0})), so_far)


def test_a_printed_gram_on_a_serving_of_15_g_is_wide_in_100_g():
    """0.5–1.5 g on 15 g are 3.3–10 g in 100 g: ± 3.3."""
    found = read({"protein_g": "1"}, serving_g=15.0).numbers["protein_g"]
    assert found.on_serving == Range(0.5, 1.0, 1.5)
    assert (found.per_100_g.low, found.per_100_g.high) == pytest.approx((3.333, 10.0), abs=0.001)
    assert found.half_width == pytest.approx(3.333, abs=0.001)


@pytest.mark.parametrize(
    ("text", "name", "convention", "low", "high"),
    [
        ("1.5", "protein_g", APART, 1.45, 1.55),
        ("1,5", "protein_g", APART, 1.45, 1.55),
        ("0", "fat_g", APART, 0.0, 0.5),
        ("<0.5", "fat_g", APART, 0.0, 0.5),
        ("< 1", "fibre_g", INSIDE, 0.0, 1.0),
        ("less than 1", "fibre_g", INSIDE, 0.0, 1.0),
        ("110", "energy_kcal", INSIDE, 105.0, 115.0),
        ("45", "energy_kcal", INSIDE, 42.5, 47.5),
        ("110", "energy_kcal", APART, 109.5, 110.5),
        ("113", "energy_kcal", INSIDE, 112.5, 113.5),
        ("150", "sodium_mg", INSIDE, 145.0, 155.0),
        ("15", "sodium_mg", INSIDE, 12.5, 17.5),
        ("50", "energy_kcal", INSIDE, 45.0, 55.0),
        ("2.5", "fat_g", INSIDE, 2.25, 2.75),
        ("2.5", "fat_g", APART, 2.45, 2.55),
        ("75.0", "carbohydrate_g", INSIDE, 74.95, 75.05),
        # 21 CFR 101.9(c): what is under these amounts may be printed as nothing
        ("0", "energy_kcal", INSIDE, 0.0, 5.0),
        ("0", "sodium_mg", INSIDE, 0.0, 5.0),
        ("0", "fat_g", INSIDE, 0.0, 0.5),
        ("0", "sodium_mg", APART, 0.0, 0.5),
        ("20", "calcium_mg", INSIDE, 15.0, 25.0),
        ("20", "calcium_mg", APART, 19.5, 20.5),
        ("0.2 g", "sodium_mg", APART, 150.0, 250.0),
        ("20 mg", "salt_g", APART, 0.0195, 0.0205),
    ],
)
def test_what_is_printed_stands_for_what_rounds_to_it(text, name, convention, low, high):
    found = printed_range(text, name, convention)
    assert (found.low, found.high) == pytest.approx((low, high))


@pytest.mark.parametrize("text", ["", "about 3", "1.2.3", "-1", "nan", "1e5", "12 kcal"])
def test_what_is_no_printed_number_is_refused(text):
    with pytest.raises(BadInputError):
        printed_range(text, "protein_g", APART)


@given(st.floats(0, 90), st.integers(0, 2), st.floats(5, 250))
def test_the_range_of_a_label_holds_the_truth_that_was_rounded(truth, decimals, serving_g):
    on_serving = truth * serving_g / 100
    printed = f"{floor(on_serving * 10**decimals + 0.5) / 10**decimals:.{decimals}f}"
    found = read({"fibre_g": printed}, serving_g=serving_g).numbers["fibre_g"].per_100_g
    assert found.low - 1e-9 <= truth <= found.high + 1e-9


@given(st.floats(0, 400))
def test_so_does_one_rounded_by_the_rules_of_the_americas(kcal):
    step = 5 if kcal <= 50 else 10
    printed = step * floor(kcal / step + 0.5)
    found = printed_range(str(printed), "energy_kcal", INSIDE)
    assert found.low - 1e-9 <= kcal <= found.high + 1e-9


def test_a_step_is_only_coarse_where_the_figure_fits_it():
    assert rounding_step(110, 0, "energy_kcal", INSIDE) == 10
    assert rounding_step(112, 0, "energy_kcal", INSIDE) == 1
    assert rounding_step(110, 0, "energy_kcal", APART) == 1


def test_blanks_stay_unknown():
    found = read({"protein_g": "7", "fat_g": " ", "fibre_g": ""})
    assert set(found.numbers) == {"protein_g"}
    assert set(facts_of(found, NOTHING, "label", "2026-03-14")) == {"protein_g"}


def test_fibre_apart_is_added_to_carbohydrate_and_fibre_inside_is_not():
    printed = {"carbohydrate_g": "68.0", "fibre_g": "6.0"}
    apart = facts_of(read(printed), NOTHING, "label", "2026-03-14")["carbohydrate_g"].range
    inside = facts_of(read(printed, INSIDE), NOTHING, "label", "2026-03-14")["carbohydrate_g"].range
    assert (apart.typical, inside.typical) == (74.0, 68.0)
    assert (apart.low, apart.high) == pytest.approx((73.9, 74.1))


def test_carbohydrate_apart_without_fibre_takes_the_fibre_known_so_far_or_stays_unknown():
    found = read({"carbohydrate_g": "68"})
    assert "carbohydrate_g" not in facts_of(found, NOTHING, "label", "")
    fact = facts_of(found, SoFar({"fibre_g": Range(5, 6, 7)}), "label", "")["carbohydrate_g"]
    assert (fact.range.typical, fact.range.low, fact.range.high) == (74, 72.5, 75.5)
    assert "taken so far" in fact.source


def test_starch_follows_by_difference_where_fibre_and_sugars_are_printed():
    """75.0 carbohydrate with its fibre, less 5.0 fibre and 2.0 sugars: 68.0 ± 0.15."""
    facts = facts_of(
        read({"carbohydrate_g": "75.0", "fibre_g": "5.0", "sugars_g": "2.0"}, INSIDE), NOTHING, "label", ""
    )
    assert facts["starch_g"].quality is Quality.BY_DIFFERENCE
    assert facts["starch_g"].range.typical == pytest.approx(68.0)
    assert facts["starch_g"].range.high - facts["starch_g"].range.low == pytest.approx(0.3)


def test_a_serving_by_volume_is_weighed_with_the_flours_own_density_and_that_widens_it():
    so_far = SoFar({"density_g_per_ml": Range(0.4, 0.5, 0.6)})
    found = read({"protein_g": "3"}, so_far=so_far, serving_ml=60.0)
    assert found.serving_g == Range(24.0, 30.0, 36.0)
    per_100 = found.numbers["protein_g"].per_100_g
    assert (per_100.low, per_100.typical, per_100.high) == pytest.approx((250 / 36, 10, 350 / 24))


def test_a_serving_by_volume_of_unknown_weight_asks_for_it():
    with pytest.raises(BadInputError, match="weigh a serving"):
        read({"protein_g": "3"}, serving_ml=60.0)


@pytest.mark.parametrize("serving", [{"serving_g": 0.0}, {"serving_g": -5.0}, {"serving_ml": 1e5}])
def test_an_impossible_serving_is_refused(serving):
    with pytest.raises(BadInputError):
        read({"protein_g": "3"}, **serving)


def test_grams_and_volume_of_a_serving_give_a_density_with_the_usual_spread_around_it():
    so_far = SoFar({"density_g_per_ml": Range(0.4, 0.5, 0.6)})
    found = read({"protein_g": "3"}, so_far=so_far, serving_g=30.0, serving_ml=50.0)
    assert (found.density.low, found.density.typical, found.density.high) == pytest.approx((0.48, 0.6, 0.72))
    assert facts_of(found, so_far, "label", "")["density_g_per_ml"].range == found.density


def kinds(*args, so_far=NOTHING, **more):
    return [(c.kind, c.severity, c.field) for c in check_label(read(*args, so_far=so_far, **more), so_far)]


GOOD = {"energy_kcal": "350", "protein_g": "8", "fat_g": "3", "carbohydrate_g": "70", "fibre_g": "6"}


def test_a_panel_that_adds_up_has_nothing_to_look_at():
    """4·8 + 9·3 + 4·70 + 2·6 = 351 kcal."""
    assert computed_kcal(read(GOOD)).typical == pytest.approx(351)
    assert kinds(GOOD) == []
    assert kinds({**GOOD, "energy_kcal": "327", "fibre_g": "6", "carbohydrate_g": "70"}, INSIDE) == []


def test_numbers_per_100_g_typed_beside_a_small_serving_cannot_be():
    assert ("over-100", "impossible", "serving_g") in kinds(GOOD, serving_g=30.0)


def test_fibre_over_carbohydrate_cannot_be_where_it_is_counted_inside():
    assert kinds({"carbohydrate_g": "20", "fibre_g": "70"}, INSIDE) == [("inside", "impossible", "fibre_g")]
    assert kinds({"carbohydrate_g": "20", "fibre_g": "70"}, APART) == []
    assert kinds({"fat_g": "2", "saturated_fat_g": "9"}) == [("inside", "impossible", "saturated_fat_g")]


def test_energy_in_the_wrong_unit_is_told_from_energy_that_is_wrong():
    assert kinds({**GOOD, "energy_kcal": "1465"}) == [("unit", "look", "energy_kcal")]
    assert kinds({**GOOD, "energy_kcal": "500"}) == [("energy", "look", "energy_kcal")]
    assert kinds({**GOOD, "energy_kcal": "300"}) == []  # 14.5 % under is within 15 %
    assert kinds({**GOOD, "energy_kcal": "297"}) == [("energy", "look", "energy_kcal")]


def test_what_rounding_can_explain_is_said_to_be_so():
    """1 g of protein and 2 g of carbohydrate on 5 g: 12 kcal, printed 15, which rounding covers."""
    found = check_label(read({"energy_kcal": "15", "protein_g": "1", "fat_g": "0", "carbohydrate_g": "2"}, serving_g=5.0), NOTHING)  # fmt: skip
    assert "Rounding" in found[0].look


def test_salt_and_sodium_kj_and_kcal_must_agree():
    assert kinds({"salt_g": "1.25", "sodium_mg": "500"}) == []
    assert kinds({"salt_g": "1.25", "sodium_mg": "50"}) == [("twice", "look", "salt_g")]
    assert ("twice", "look", "energy_kj") in kinds({**GOOD, "energy_kj": "2000"})


def test_a_slipped_decimal_point_stands_out_against_what_is_usual():
    so_far = SoFar({"protein_g": Range(7, 8, 9), "sodium_mg": Range(3, 5, 8), "iron_mg": exactly(2)})
    assert kinds({"protein_g": "80"}, so_far=so_far) == [("slipped", "look", "protein_g")]
    assert kinds({"sodium_mg": "500"}, so_far=so_far) == [("slipped", "look", "sodium_mg")]
    assert kinds({"protein_g": "12", "sodium_mg": "20", "iron_mg": "9"}, so_far=so_far) == []

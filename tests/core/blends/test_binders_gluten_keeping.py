"""Binder load, the gluten estimate and the keeping of a mix."""

import pytest

from fallow_sieve.core.blends.binder_load import DoseBand, load_of_binders, load_state
from fallow_sieve.core.blends.care.gluten import estimate_gluten
from fallow_sieve.core.blends.care.keeping import keeping, temperature_factor
from kit import flour, mix, shelf_of

DOSES = {"psyllium-husk": DoseBand(3, 5, 7), "xanthan-gum": DoseBand(0.5, 1, 2), "ground-flaxseed": DoseBand(4, 8, 12)}
SHELF = shelf_of(
    flour("grain", more={"gluten_mg_per_kg": 5.0}),
    flour("oat", more={"gluten_mg_per_kg": 12.0}),
    flour("untested"),
    flour("wheat", more={"gluten_risk": "contains-gluten", "gluten_mg_per_kg": 80000.0}),
    flour("husk", "binder", does="psyllium-husk"),
    flour("gum", "binder", does="xanthan"),
    flour("odd-gum", "binder"),
    flour("flax", "nut_seed", does="flaxseed"),
)


def load(masses, doses=DOSES):
    return load_of_binders(mix(masses, SHELF).parts, doses)


def test_binder_load_adds_each_dose_over_its_typical():
    # 5 g husk and 0.5 g gum on 100 g of flour: 5/5 + 0.5/1 = 1.5
    found = load({"grain": 100, "husk": 5, "gum": 0.5})
    assert found.load == pytest.approx(1.5)
    assert found.state == "heavy"


def test_doses_are_on_the_flour_base_not_on_the_mix():
    found = load({"grain": 80, "husk": 20})
    assert found.doses[0].dose_pct == pytest.approx(25)


def test_milled_flax_counts_where_the_dose_table_names_it_though_it_is_no_binder():
    # 8 g flax on 100 g of flour (flax included) at a typical of 8 %.
    assert load({"grain": 92, "flax": 8}).load == pytest.approx(1.0)


@pytest.mark.parametrize(
    ("value", "state"),
    [
        (0, "none"),
        (0.1, "light"),
        (0.69, "light"),
        (0.7, "good"),
        (1.3, "good"),
        (1.31, "heavy"),
        (1.6, "heavy"),
        (1.61, "double"),
    ],
)
def test_the_words_for_a_load(value, state):
    assert load_state(value) == state


def test_no_binder_says_that_the_recipe_has_to_bring_it():
    found = load({"grain": 100})
    assert (found.load, found.state) == (0, "none")
    assert "recipe has to bring it" in found.say


def test_a_binder_without_a_dose_on_record_leaves_the_load_unknown():
    found = load({"grain": 100, "odd-gum": 1})
    assert found.load is None
    assert "Odd gum" in found.say


@pytest.mark.parametrize("doses", [None, {}])
def test_a_use_without_doses_has_no_rule_and_no_load(doses):
    found = load({"grain": 100, "husk": 5}, doses)
    assert (found.load, found.state) == (None, "no-rule")
    assert found.doses[0].usual is None or not doses


def gluten(masses):
    return estimate_gluten(mix(masses, SHELF).parts, SHELF)


def test_gluten_is_the_mean_of_tested_values_by_mass():
    # 75 % at 5 and 25 % at 12 mg/kg.
    found = gluten({"grain": 75, "oat": 25})
    assert (found.status, found.known_mg_per_kg) == ("known", pytest.approx(6.75))
    assert found.most_from == "grain"


def test_an_untested_part_makes_gluten_unknown_and_the_known_parts_give_up_to():
    found = gluten({"grain": 50, "untested": 50})
    assert found.status == "unknown"
    assert found.known_mg_per_kg == pytest.approx(2.5)
    assert found.unknown_parts == ("untested",)


def test_a_gluten_cereal_says_contains_whatever_else_is_known():
    assert gluten({"grain": 99, "wheat": 1}).status == "contains"
    assert gluten({"untested": 99, "wheat": 1}).status == "contains"


def test_nothing_known_names_no_part():
    assert gluten({"untested": 1}).most_from is None


LASTING = flour("lasting", shelf_months=(18, 24, 36))
QUICK = flour("quick", shelf_months=(2, 3, 5))
DATED = flour("dated", shelf_months=(10, 12, 14), more={"keeps_days": 30.4375})


@pytest.mark.parametrize(("temp_c", "factor"), [(20, 1), (10, 2), (0, 4), (30, 0.5), (25, 2**-0.5)])
def test_ten_degrees_warmer_halves_the_keeping(temp_c, factor):
    assert temperature_factor(temp_c) == pytest.approx(factor)


def test_a_mix_keeps_as_long_as_its_shortest_part():
    found = keeping([LASTING, QUICK])
    assert (found.months, found.months_low, found.months_high, found.ended_by) == (3, 2, 5, "quick")


def test_a_cool_store_stretches_the_keeping():
    assert keeping([QUICK], 10).months == 6


def test_a_lots_date_cuts_the_keeping_and_a_cool_store_does_not_stretch_it():
    found = keeping([LASTING, DATED], 10)
    assert found.months == pytest.approx(1)
    assert (found.ended_by, found.cut_by_date) == ("dated", True)


def test_a_date_that_has_passed_leaves_nothing():
    assert keeping([flour("old", shelf_months=12, more={"keeps_days": -5})]).months == 0


def test_a_part_of_unknown_keeping_makes_it_unknown():
    found = keeping([QUICK, flour("bare")])
    assert (found.months, found.unknown_parts) == (None, ("bare",))

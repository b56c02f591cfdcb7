"""The tables that formulas rest on: what they name is there, what they say can be, and one agrees with another."""

from __future__ import annotations

from itertools import pairwise

import pytest

from fallow_sieve.core.blends.binder_load import GOOD_LOAD
from fallow_sieve.core.formulas.dough_temperature import SPECIFIC_HEAT
from fallow_sieve.core.formulas.formula import CONSISTENCIES
from fallow_sieve.core.ingredients.ingredient import Role
from fallow_sieve.core.recipes.lines import read_line
from fallow_sieve.core.values.quantities import CupStandard, SpoonStandard, cup_ml
from fallow_sieve.reference.formulas import formula_rules, swap_rules, tin_fills
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.kitchen import egg_replacers, eggs, gas_marks, pans, sweetness, thickening
from fallow_sieve.reference.recipes import NameRow, UnitRow, words
from fallow_sieve.reference.tables import read_table
from fallow_sieve.reference.uses import rules

SHELF, RULES = library_shelf(), formula_rules()
BAKED = sorted(RULES.doneness)


@pytest.mark.parametrize("use", sorted(RULES.hydration))
def test_a_wetter_consistency_wants_more_water(use):
    bands = [RULES.hydration[use][c] for c in CONSISTENCIES if c in RULES.hydration[use]]
    for drier, wetter in pairwise(bands):
        assert drier.typical_pct < wetter.typical_pct
    for band in bands:
        assert 10 <= band.low_pct < band.typical_pct < band.high_pct < 400


@pytest.mark.parametrize("use", BAKED)
def test_a_bake_ends_at_a_core_that_can_be_reached_and_loses_some_of_its_water(use):
    done = RULES.doneness[use]
    driest_c = 105 if done.bake_loss_pct > 25 else 100  # over boiling only where nearly all the water has left
    assert 60 <= done.core_low_c <= done.core_high_c <= driest_c
    assert 0 <= done.cool_minutes <= 240
    assert 0 < done.bake_loss_pct < 45


@pytest.mark.parametrize("use", sorted(RULES.phases))
def test_the_phases_of_a_bake_are_within_an_oven_and_a_morning(use):
    phases = RULES.phases[use]
    assert all((100 if p.steam else 120) <= p.oven_c <= 300 for p in phases)
    assert all(0 < p.minutes_low <= p.minutes_typical <= p.minutes_high for p in phases)
    assert 2 <= sum(p.minutes_typical for p in phases) <= 120
    assert use in RULES.doneness
    first_out = next((n for n, p in enumerate(phases) if not p.in_tin), len(phases))
    assert not any(p.in_tin for p in phases[first_out:]), "what has left its tin does not go back"


@pytest.mark.parametrize("use", sorted(RULES.leavening))
def test_a_use_that_is_lifted_has_a_usual_lift_above_nothing(use):
    rule = RULES.leavening[use]
    usual = [u for u in (rule.yeast, rule.leaven, rule.powder) if u is not None]
    assert usual
    assert max(u.high_pct for u in usual) > 0
    if rules().uses[use].family == "yeasted":
        assert rule.yeast is not None
        assert rule.yeast.typical_pct > 0


@pytest.mark.parametrize(("use", "binder"), [(u, b) for u, doses in RULES.doses.items() for b in doses])
def test_the_typical_dose_alone_is_a_good_load_and_the_lowest_is_no_double_dose(use, binder):
    dose = RULES.doses[use][binder]
    assert GOOD_LOAD[0] <= 1.0 <= GOOD_LOAD[1]
    assert 0 < dose.low_pct <= dose.typical_pct <= dose.high_pct
    assert dose.low_pct / dose.typical_pct >= 0.1


def test_every_binder_on_the_shelf_that_has_a_dose_has_the_water_it_holds():
    dosed = {b for doses in RULES.doses.values() for b in doses} & set(SHELF.row_of)
    binders = {b for b in dosed if SHELF[b].role is Role.BINDER}
    assert binders
    assert binders - set(RULES.holds) == set()


def test_gas_marks_rise_and_their_two_scales_agree():
    marks = gas_marks()
    assert [m.oven_c for m in marks] == sorted(m.oven_c for m in marks)
    for m in marks:
        assert abs((m.oven_f - 32) * 5 / 9 - m.oven_c) <= 8, m.gas_mark  # the limit by which a pair is a clash


def test_there_is_one_pan_to_measure_the_others_by():
    assert [p.material for p in pans() if p.time_factor == 1.0] == ["bright metal"]
    assert all(0.8 <= p.time_factor <= 1.5 for p in pans())


def test_an_egg_is_its_white_and_yolk_and_a_larger_size_is_more():
    for region in ("EU", "US"):
        sizes = [e for e in eggs() if e.region == region]
        assert [e.edible_g for e in sizes] == sorted(e.edible_g for e in sizes)
        assert all(e.white_g + e.yolk_g == pytest.approx(e.edible_g, abs=1.5) for e in sizes)


def test_what_stands_in_for_egg_sugar_and_starch_is_on_the_shelf():
    assert {r.dry_ingredient for r in egg_replacers() if r.dry_ingredient} <= set(SHELF.row_of)
    kinds = {"high-intensity"}  # a kind of sweetener, not one: told, never taken
    assert {s.sweetener for s in sweetness()} - kinds <= set(SHELF.row_of)
    assert {t.thickener for t in thickening()} <= set(SHELF.row_of)
    assert next(s for s in sweetness() if s.sweetener == "white-sugar").sweetness_typical == 1
    assert next(t for t in thickening() if t.thickener == "corn-starch").power_typical == 1


@pytest.mark.parametrize("use", sorted(RULES.uses))
def test_every_use_has_its_rules_of_swaps(use):
    rules_of_use = swap_rules(use)
    assert rules_of_use.sweeteners
    assert rules_of_use.eggs
    assert all(0 <= r.binding <= 1.2 and 0 <= r.lift <= 1.2 for r in rules_of_use.eggs)


@pytest.mark.parametrize("use", sorted(tin_fills()))
def test_a_tin_filled_as_is_usual_does_not_run_over(use):
    rule = tin_fills()[use]
    assert 0.2 <= rule.fill <= 0.95
    assert rule.fill * rule.rise <= 1.05


def test_what_has_a_usual_share_is_on_the_shelf_and_the_share_is_small():
    for u in RULES.usual_shares:
        assert u.ingredient in SHELF
        assert 0 < u.typical_pct < u.high_pct <= 25


# The exact sizes: international avoirdupois pound, US customary cup (1/16 gallon of 231 cubic inches), Imperial pint
# of half a cup more by its law; worked from their definitions.
@pytest.mark.parametrize(
    ("line", "cup", "ml_or_g"),
    [
        ("1 lb water", CupStandard.US, 453.59237), ("1 oz water", CupStandard.US, 28.349523125), ("1 kg water", CupStandard.US, 1000),
        ("16 oz water", CupStandard.METRIC, 453.59237), ("2 dl water", CupStandard.US, 200), ("1 l water", CupStandard.US, 1000),
        ("1 cup water", CupStandard.US, 236.5882365), ("1 cup water", CupStandard.METRIC, 250), ("1 pint water", CupStandard.US, 473.176473),
        ("1 pint water", CupStandard.IMPERIAL, 568.26125), ("1 quart water", CupStandard.US, 946.352946), ("8 fl oz water", CupStandard.US, 236.5882365),
        ("3 tsp water", CupStandard.US, 14.78676478), ("1 tbsp water", CupStandard.US, 14.78676478),
    ],
)  # fmt: skip
def test_a_measure_has_its_size_by_definition(line, cup, ml_or_g):
    read = read_line(line, 1, SHELF, words(cup, SpoonStandard.US))
    density = SHELF["water"].range_of("density_g_per_ml").typical
    mass = any(u in line for u in ("lb", " oz", "kg")) and "fl oz" not in line
    assert read.mass.typical == pytest.approx(ml_or_g * (1 if mass else density), rel=2e-3)


def test_cups_are_those_of_their_countries():
    assert [round(cup_ml(c), 1) for c in (CupStandard.US, CupStandard.METRIC, CupStandard.IMPERIAL)] == [
        236.6,
        250.0,
        284.1,
    ]


def test_a_name_in_a_recipe_leads_to_an_ingredient_and_is_written_as_it_is_looked_up():
    for row in read_table("recipe_names", NameRow):
        assert row.ingredient in SHELF, row.phrase
        assert row.phrase == row.phrase.lower().strip()


def test_a_unit_is_a_mass_or_a_volume_of_some_size():
    for row in read_table("recipe_units", UnitRow):
        assert row.kind in ("mass", "volume"), row.word
        assert row.size > 0


def test_every_kind_of_heat_is_between_that_of_metal_and_of_water():
    assert all(0.5 <= c <= SPECIFIC_HEAT["water"] for c in SPECIFIC_HEAT.values())

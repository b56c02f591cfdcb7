"""Two bakes side by side: worked example W11, and what counts as a change."""

from dataclasses import replace

import pytest

from fallow_sieve.core.trials.differences.changes import deviations, difference
from fallow_sieve.core.trials.differences.effects import Values, effects_of
from fallow_sieve.core.trials.differences.standing import Standing
from fallow_sieve.reference import quantities, step_sizes

SIZES = step_sizes()
NAMES = {"chickpea-flour": "chickpea", "white-rice-flour": "rice", "potato-starch": "potato"}
FOURTEEN = Standing(
    parts={"sorghum-flour": 30, "white-rice-flour": 18, "teff-flour": 10, "potato-starch": 25, "tapioca-starch": 17},
    lines={},
    planned={"water": 1.0, "oven": 190, "proof": 1.47, "dough-temperature": 26.0},
    done={"water": 0.99, "oven": 186, "proof": 1.47, "dough-temperature": 26.0},
    lots={"sorghum-flour": "LI-049"},
    predicted_pct=80.8,
    names=NAMES,
)
FIFTEEN = replace(
    FOURTEEN,
    parts={
        "sorghum-flour": 30, "white-rice-flour": 15, "teff-flour": 11, "chickpea-flour": 7, "potato-starch": 22,
        "tapioca-starch": 15,
    },
    done={"water": 1.02, "oven": 188, "proof": 1.55, "dough-temperature": 26.6, "cooling": 1.0},
    lots={"sorghum-flour": "LI-061"},
    predicted_pct=81.8,
)  # fmt: skip


def test_w11_three_things_changed_and_one_was_meant():
    found = difference(FOURTEEN, FIFTEEN, SIZES)
    steps = {c.group: round(c.steps, 2) for c in found.changes}
    assert steps == {"blend": 2.67, "water": 1.52, "lot": 1.0, "proof": 0.54, "dough-temperature": 0.4, "oven": 0.25}
    assert [c.group for c in found.counted] == ["blend", "water", "lot"]
    assert [c.meant for c in found.counted] == [True, False, False]
    assert found.say == "Three things changed; you meant one. What you see cannot be laid to any of them."
    assert found.may_have_changed == ("Cooling",)


def test_all_flours_together_are_one_thing_the_largest_named_first():
    blend = difference(FOURTEEN, FIFTEEN, SIZES).changes[0]
    assert blend.say.startswith("chickpea + 7, potato − 3, rice − 3")


def test_water_that_rose_because_the_flour_is_thirstier_follows():
    found = difference(FOURTEEN, FIFTEEN, SIZES)
    assert found.follows == ("Water + 1 % of flour by thirst",)
    assert found.things_changed == 3


def test_a_bake_against_itself_is_a_repeat():
    found = difference(FOURTEEN, FOURTEEN, SIZES)
    assert (found.changes, found.things_changed) == ((), 0)
    assert "repeats" in found.say


def test_what_the_plans_differ_in_by_a_step_was_meant():
    cooler = replace(FOURTEEN, planned={**FOURTEEN.planned, "oven": 175}, done={**FOURTEEN.done, "oven": 172})
    found = difference(FOURTEEN, cooler, SIZES)
    assert [(c.group, c.meant) for c in found.counted] == [("oven", True)]
    assert found.say == "One thing changed."


def test_one_thing_that_happened_is_said_to_be_unmeant():
    warm = replace(FOURTEEN, done={**FOURTEEN.done, "dough-temperature": 29.0})
    assert difference(FOURTEEN, warm, SIZES).say == "One thing changed, and it was not meant."


def test_another_tin_is_one_thing():
    dark, bright = (replace(FOURTEEN, kinds={"tin": kind}) for kind in ("dark metal", "bright metal"))
    assert [c.say for c in difference(dark, bright, SIZES).counted] == ["Tin: dark metal → bright metal"]


def test_what_went_otherwise_than_planned_is_told_from_a_step_on():
    assert [c.group for c in deviations(FIFTEEN, SIZES)] == ["water"]
    hot = replace(FIFTEEN, done={**FIFTEEN.done, "oven": 210.0})
    assert [c.group for c in deviations(hot, SIZES)] == ["oven", "water"]


def test_effects_say_no_difference_where_two_bakes_of_one_formula_differ_as_much():
    values = {"specific_volume_ml_g": Values([2.2], [2.4])}
    (found,) = effects_of(values, quantities())
    assert not found.shown
    assert found.leans
    assert found.say == "Specific volume: no difference shown; under 0.59 mL/g two bakes of one formula differ as much."


def test_an_effect_that_repeats_bear_out_is_shown():
    values = {"specific_volume_ml_g": Values([1.8, 1.85, 1.82], [2.5, 2.45], [[1.8, 1.85, 1.82], [2.5, 2.45]])}
    (found,) = effects_of(values, quantities())
    assert found.shown
    assert found.n == (3, 2)
    assert "1.82 → 2.48 mL/g" in found.say


def test_several_measures_are_decided_together():
    one = {"crust_shade": Values([3.0, 3.0], [4.9, 4.9])}
    noise = {name: Values([4.0], [4.0]) for name in ("soft", "moist", "verdict", "light_for_size", "wet_line_mm")}
    alone, among = effects_of(one, quantities())[0], effects_of({**one, **noise}, quantities())[0]
    assert alone.p == pytest.approx(among.p)
    assert alone.shown
    assert not among.shown

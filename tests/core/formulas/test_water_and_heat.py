"""Water: predicted, held back, learnt from bakes; and how warm it must be. Worked by hand."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.formulas.dough_temperature import Mass, dough_temperature, water_temperature
from fallow_sieve.core.formulas.pouring import hold_back
from fallow_sieve.core.formulas.water import HydrationBand, predict
from fallow_sieve.core.formulas.water_learning import Pour, check_pour, correct, learn
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.estimates import Range
from kit import flour, shelf_of

SHELF = shelf_of(
    flour("dry", thirst_g_per_g=(0.8, 1.0, 1.2)), flour("thirsty", thirst_g_per_g=1.6), flour("unknown"),
    flour("flax", "nut_seed", does="flaxseed", thirst_g_per_g=6), flour("husk", "binder", does="psyllium-husk"), flour("other-gum", "binder"),
)  # fmt: skip
BAND = HydrationBand(60, 70, 85)
HOLDS = {"psyllium-husk": Range(5, 5, 5), "ground-flaxseed": Range(2, 2, 2)}


def test_water_is_the_uses_plus_the_thirst_above_1_20_plus_what_binders_hold():
    found = predict({"dry": 500, "thirsty": 500}, {"husk": 40}, SHELF, BAND, HOLDS)
    # A = 1.3: 100 × 0.8 × 0.1 = 8; 4 % of husk × 5 = 20.
    assert (found.thirst_g_per_g, found.base_pct) == (pytest.approx(1.3), 70)
    assert (found.thirst_pct, found.binder_pct) == (pytest.approx(8), pytest.approx(20))
    assert found.typical_pct == pytest.approx(98)
    # Half the dry flour's interval of ±0.2 is ±0.1, × 80 = ±8, with the band's own 10 and 15.
    assert found.low_pct == pytest.approx(98 - math.hypot(10, 8))
    assert found.high_pct == pytest.approx(98 + math.hypot(15, 8))


def test_where_the_water_goes_adds_up_to_the_prediction_and_the_thirstier_takes_more():
    found = predict({"dry": 500, "thirsty": 500}, {"husk": 40}, SHELF, BAND, HOLDS)
    takes = {t.ingredient: t.water_pct for t in found.takers}
    assert sum(takes.values()) == pytest.approx(found.typical_pct)
    assert takes["thirsty"] / takes["dry"] == pytest.approx(1.6)
    assert takes["husk"] == pytest.approx(20)


def test_a_seed_that_binds_counts_by_what_it_holds_and_not_by_its_thirst_too():
    found = predict({"dry": 900, "flax": 100}, {}, SHELF, BAND, HOLDS)
    assert found.thirst_g_per_g == pytest.approx(1.0)
    assert found.binder_pct == pytest.approx(10 * 2.0)


@pytest.mark.parametrize(
    ("flours", "binders", "band", "says"),
    [
        ({"dry": 1}, {}, None, "No water is on record"),
        ({}, {}, BAND, "no flour"),
        ({"dry": 1, "unknown": 1}, {}, BAND, "Unknown"),
        ({"dry": 1}, {"other-gum": 1}, BAND, "Other gum"),
    ],
)
def test_what_cannot_be_told_is_not_guessed(flours, binders, band, says):
    found = predict(flours, binders, SHELF, band, HOLDS)
    assert found.typical_pct is None
    assert says in found.say


def bake(ratio, blend="a", family="yeasted"):
    return Pour(80, 80 * ratio, blend, family)


def test_one_blends_bakes_are_the_plain_normal_update():
    # Prior N(0, 0.12²), 4 bakes of sd 0.06, all 10 % more: m = (4 r/0.06²)/(1/0.12² + 4/0.06²).
    r = math.log(1.1)
    mean = (4 * r / 0.06**2) / (1 / 0.12**2 + 4 / 0.06**2)
    sd = (1 / 0.12**2 + 4 / 0.06**2) ** -0.5
    found = learn([bake(1.1)] * 4, "a", "yeasted")[-1]
    assert (found.mean, found.sd, found.bakes) == (pytest.approx(mean), pytest.approx(sd), 4)


def test_a_blend_without_bakes_inherits_from_its_use_then_from_the_kitchen():
    bakes = [bake(1.1)] * 6
    own = learn(bakes, "a", "yeasted")[-1]
    same_use = learn(bakes, "b", "yeasted")[-1]
    other_use = learn(bakes, "b", "short")[-1]
    nothing = learn([], "b", "short")[-1]
    assert own.mean > same_use.mean > other_use.mean > nothing.mean == 0
    assert own.sd < same_use.sd < other_use.sd < nothing.sd == pytest.approx(0.12)
    assert (same_use.bakes, other_use.bakes) == (0, 0)


def test_each_level_says_how_many_bakes_stand_behind_it():
    bakes = [bake(1.1), bake(1.1), bake(0.95, "b"), bake(1.0, "c", "short")]
    assert [(x.level, x.bakes) for x in learn(bakes, "a", "yeasted")] == [("kitchen", 4), ("use", 3), ("blend", 2)]


def test_the_range_narrows_with_every_bake_and_moves_to_where_they_lie():
    prediction = predict({"dry": 1000}, {}, SHELF, BAND, HOLDS)
    widths, middles = [], []
    for count in range(10):
        found = correct(prediction, learn([bake(1.1)] * count, "a", "yeasted"))
        widths.append(math.log(found.high_pct / found.low_pct))
        middles.append(found.typical_pct)
    assert widths == sorted(widths, reverse=True)
    assert middles == sorted(middles)
    assert middles[0] == pytest.approx(prediction.typical_pct)
    assert middles[-1] == pytest.approx(prediction.typical_pct * 1.1, rel=0.01)
    assert correct(prediction, learn([], "a", "yeasted")).low_pct == pytest.approx(prediction.low_pct)


@given(
    st.lists(st.tuples(st.floats(0.5, 2), st.sampled_from("abc"), st.sampled_from(("yeasted", "short"))), max_size=8),
    st.randoms(),
)
def test_the_order_of_the_bakes_teaches_nothing(given_bakes, order):
    bakes = [bake(*x) for x in given_bakes]
    mixed = list(bakes)
    order.shuffle(mixed)
    for a, b in zip(learn(bakes, "a", "yeasted"), learn(mixed, "a", "yeasted"), strict=True):
        assert (a.mean, a.sd, a.bakes) == (pytest.approx(b.mean, abs=1e-9), pytest.approx(b.sd, abs=1e-9), b.bakes)


def test_a_bake_that_is_a_slip_is_not_learnt_from():
    with pytest.raises(BadInputError, match="more than three times"):
        check_pour(bake(4))
    with pytest.raises(BadInputError, match="over 0"):
        check_pour(Pour(80, 0, "a", "yeasted"))


def test_hold_back_begins_at_85_of_the_low_end_and_goes_on_in_steps_of_2_of_flour():
    steps = hold_back(low_pct=80, high_pct=90, flour_g=500, other_water_g=40)
    # 0.85 × 80 % × 500 = 340, less the 40 g that other lines bring; steps of 10 g up to 450 − 40.
    assert steps[0].pour_g == pytest.approx(300)
    assert [s.pour_g for s in steps[1:]] == pytest.approx([10] * 11)
    assert steps[-1].poured_g == pytest.approx(410)
    assert steps[-1].total_pct == pytest.approx(90)
    assert sum(s.pour_g for s in steps) == pytest.approx(steps[-1].poured_g)


def test_a_dough_that_is_wet_enough_begins_without_water():
    assert hold_back(20, 40, 500, 200)[0].pour_g == 0
    with pytest.raises(BadInputError):
        hold_back(20, 40, 0, 0)


def test_water_balances_the_heat_of_the_rest():
    # 1 kg of flour at 20 °C, 0.8 kg of water, dough at 27 less 3 K of friction: 24 + 1.7 × 4 / (0.8 × 4.18).
    plan = water_temperature([Mass("flour", 1000, 20)], 800, 27, 3)
    assert plan.water_c == pytest.approx(24 + 1.7 * 4 / (0.8 * 4.18))
    assert plan.warnings == ()


@given(st.floats(5, 30), st.floats(20, 60), st.floats(100, 2000), st.floats(0, 5))
def test_the_balance_goes_both_ways(flour_c, dough_c, water_g, friction):
    others = [Mass("flour", 1000, flour_c), Mass("egg", 100, 5), Mass("fat", 50, 20), Mass("sugar", 30, 20)]
    plan = water_temperature(others, water_g, dough_c, friction, tap_c=-100)
    assert dough_temperature(others, water_g, plan.water_c, friction) == pytest.approx(dough_c)


def test_a_hot_day_takes_ice_and_its_latent_heat():
    # Water wanted at 2 °C with the tap at 12: x·(334 + 4.18·12) = 1000·4.18·10.
    others = [Mass("flour", 1000, 35)]
    plan = water_temperature(others, 1000, 20, 3)
    wanted = 17 + 1.7 * (17 - 35) / 4.18
    assert plan.ice_g == pytest.approx(1000 * 4.18 * (12 - wanted) / (334 + 4.18 * 12))
    assert (plan.water_c, plan.pour_g + plan.ice_g) == (12, pytest.approx(1000))


@pytest.mark.parametrize(
    ("flour_c", "dough_c", "yeast", "warns"),
    [
        (5, 38, "dry", "43 °C"), (5, 44, "instant", "54 °C"), (30, 55, "none", "over 50 °C"), (20, 18, "dry", "slowly"),
        (5, 44, "none", "burns"),
    ],
)  # fmt: skip
def test_heat_that_harms_yeast_or_people_is_warned_of(flour_c, dough_c, yeast, warns):
    plan = water_temperature([Mass("flour", 1500, flour_c)], 600, dough_c, 1, yeast=yeast)
    assert any(warns in w for w in plan.warnings), (plan.water_c, plan.warnings)


def test_without_water_there_is_nothing_to_warm():
    with pytest.raises(BadInputError, match="no water line"):
        water_temperature([Mass("flour", 1000, 20)], 0, 26)

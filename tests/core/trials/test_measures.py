"""Measures worked out from readings: worked cases W1–W10, and what they refuse."""

import json
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.numerics.repeatability import effect, half_width_of_mean, holm, least_told, pooled, quantile
from fallow_sieve.core.trials.measures.crumb_and_crust import give, lightness, spread, whole_share
from fallow_sieve.core.trials.measures.keeping import keeping, keeping_line
from fallow_sieve.core.trials.measures.volume import Heights, by_seeds, free_standing, from_heights, specific_volume
from fallow_sieve.core.trials.measures.ways import measured_by
from fallow_sieve.core.trials.measures.weighing import bake_loss, core_target_c, rise
from fallow_sieve.core.values import BadInputError

CASES = {
    c["id"]: c for c in json.loads((Path(__file__).parents[2] / "cases/trials/worked.json").read_text("utf-8"))["cases"]
}
OUT = {k: c["expect"] for k, c in CASES.items()}
IN = {k: c["given"] for k, c in CASES.items()}


def near(value):
    return pytest.approx(value, rel=2e-4)


def test_w1_volume_by_seeds_and_per_gram():
    found = by_seeds(IN["W1"]["box_ml"], IN["W1"]["full_g"], IN["W1"]["left_g"])
    assert (found.value, found.sd) == (near(OUT["W1"]["volume_ml"]), near(OUT["W1"]["u_ml"]))
    per_gram = specific_volume(found, IN["W1"]["loaf_g"])
    assert per_gram.value == near(OUT["W1"]["specific_volume_ml_g"])
    assert 1.96 * per_gram.sd >= 0.137  # the table's floor, larger than what the box allows


def test_a_larger_box_makes_the_volume_less_sure():
    small, large = by_seeds(3000, [2029, 2044, 2047], [1315]), by_seeds(5000, [3385, 3406, 3414], [2685])
    assert large.sd > small.sd


def test_w2_volume_from_tin_and_heights():
    found = from_heights(Heights(19.6, 9.7, 7.4, 9.8))
    assert (found.value, found.sd) == (near(OUT["W2"]["volume_ml"]), near(OUT["W2"]["u_ml"]))
    assert specific_volume(found, 780).value == near(OUT["W2"]["specific_volume_ml_g"])


def test_w3_rise():
    found = rise(40, 68)
    assert (found.value, found.sd) == (near(OUT["W3"]["rise_pct"]), near(OUT["W3"]["u_points"]))
    assert rise(80, 136).sd == pytest.approx(found.sd / 2)


def test_w4_bake_loss_of_a_tray_and_of_one_roll():
    tray, roll = bake_loss(692, 621), bake_loss(86.5, 77.6)
    assert (tray.value, tray.sd) == (near(OUT["W4"]["bake_loss_pct"]), near(OUT["W4"]["u_points"]))
    assert 1.96 * roll.sd == pytest.approx(0.88, abs=0.006)


def test_w5_spread():
    found = spread(IN["W5"]["rows_mm"], IN["W5"]["stacks_mm"])
    assert (found.value, found.sd) == (near(OUT["W5"]["spread_ratio"]), near(OUT["W5"]["u"]))


def test_w6_give_and_when_slices_disagree():
    found = give(IN["W6"]["sunk_mm"])
    assert found.pressure_kpa == near(OUT["W6"]["pressure_kpa"])
    assert found.compression_pct == near(OUT["W6"]["compression_pct"])
    assert found.secant_kpa == near(OUT["W6"]["secant_kpa"])
    assert found.agree
    assert not give([5.0, 7.0, 6.0]).agree


def test_w7_lightness_from_a_photo():
    given_ = IN["W7"]
    assert lightness(tuple(given_["paper_srgb"]), tuple(given_["crust_srgb"])).value == near(OUT["W7"]["l_star"])


def test_w8_the_core_target_falls_with_the_boiling_point():
    assert core_target_c(98, 1150) == near(OUT["W8"]["target_c"])
    assert core_target_c(94, 1150) == 94
    assert core_target_c(98, None) == 98


def test_whole_of_those_boiled_says_how_sure():
    assert tuple(round(x) for x in whole_share(10, 12)) == (83, 56, 96)
    assert whole_share(12, 12)[2] == 100


def test_w9_two_formulas_and_what_repeats_say_of_them():
    spread_ = pooled([IN["W9"]["a"], IN["W9"]["b"]], 0.15, 4)
    found = effect(IN["W9"]["b"], IN["W9"]["a"], spread_)
    assert spread_.sd == pytest.approx(OUT["W9"]["s"], abs=5e-5)
    assert spread_.df == OUT["W9"]["df"]
    assert found.difference == near(OUT["W9"]["difference"])
    assert found.half_width == near(OUT["W9"]["half_width"])
    assert (found.p < 0.05) is OUT["W9"]["shown"]


def test_w9b_what_one_bake_each_can_tell():
    assert least_told(pooled([], 0.15, 4)) == near(OUT["W9b"]["half_width"])


def test_w10_two_bakes_lean_on_the_table():
    values = IN["W10"]["values"]
    alone = pooled([values], 0.0, 0)
    assert half_width_of_mean(2, alone) == pytest.approx(OUT["W10"]["own_half_width"], abs=2e-4)
    assert half_width_of_mean(2, pooled([values], 0.15, 4)) == near(OUT["W10"]["half_width"])


def test_quantiles_are_those_of_the_tables():
    assert [round(quantile(df), 3) for df in (1, 4, 5, 7)] == [12.706, 2.776, 2.571, 2.365]


@given(st.lists(st.floats(0, 1), min_size=1, max_size=12))
def test_holm_decides_no_more_than_each_alone_and_no_less_than_bonferroni(p):
    decided = holm(p)
    for value, is_decided in zip(p, decided, strict=True):
        assert not is_decided or value <= 0.05
        assert is_decided or value > 0.05 / len(p)


@given(st.floats(10, 5000), st.floats(0.5, 1))
def test_a_bake_loses_what_did_not_come_out(mass, share):
    assert bake_loss(mass, mass * share).value == pytest.approx(100 * (1 - share), abs=1e-9)


@pytest.mark.parametrize(
    "impossible",
    [
        lambda: bake_loss(600, 700), lambda: bake_loss(0, 0), lambda: rise(0, 10), lambda: by_seeds(3000, [2000], [2100]),
        lambda: by_seeds(0, [1], [1]), lambda: from_heights(Heights(0, 1, 1, 1)), lambda: free_standing(1, 0, 1),
        lambda: specific_volume(by_seeds(3000, [2000], [1000]), 0), lambda: spread([], [1]), lambda: give([26]),
        lambda: give([]), lambda: lightness((0, 0, 0), (1, 1, 1)), lambda: whole_share(3, 2), lambda: whole_share(0, 0),
    ],
)  # fmt: skip
def test_what_cannot_be_is_refused_with_what_would_be_right(impossible):
    with pytest.raises(BadInputError) as error:
        impossible()
    assert error.value.right


def test_give_on_three_days_is_a_rate_and_on_two_a_difference():
    # W6: 22.0 % on day 0 and 12.7 % on day 2 are 1.74 times as firm; ln 1.732 over two days
    two, three = keeping({0: 22.0, 2: 12.7}), keeping({0: 22.0, 1: 22.0 / 1.2, 2: 22.0 / 1.44})
    assert two.per_day_pct is None
    assert two.times == pytest.approx(22.0 / 12.7)
    assert two.shown
    assert three.per_day_pct == pytest.approx(20.0)
    assert not keeping({0: 22.0, 1: 18.0}).shown


def test_what_was_not_measured_on_two_days_is_not_told():
    assert keeping_line({}) == keeping_line({0: 22.0}) == ""
    assert keeping_line({0: 22.0, 1: 20.0}).startswith("Firmness: no difference shown")


@pytest.mark.parametrize(
    ("way", "numbers", "value", "sd"),
    [
        ("seeds", {"box_ml": [3000], "full_g": [2029, 2044, 2047], "left_g": [1312, 1318]}, 1066.176, 16.771),  # W1
        ("tin", {"length_cm": [19.6], "width_cm": [9.7], "edge_cm": [7.4], "middle_cm": [9.8]}, 1680.661, 36.29),  # W2
        ("spread", {"rows_mm": [432, 437], "stacks_mm": [63, 62]}, 6.952, 0.078),  # W5
        ("give", {"sunk_mm": [5.5, 6.0, 5.0]}, 22.0, 2.0),  # W6
        ("light", {"paper": [228, 226, 221], "crust": [150, 104, 62]}, 50.579, 5.0),  # W7
    ],
)
def test_the_ways_come_to_what_is_worked_by_hand(way, numbers, value, sd):
    found = measured_by(way, numbers)
    assert found.value == pytest.approx(value, rel=1e-4)
    assert found.sd == pytest.approx(sd, rel=1e-2)


def test_slices_that_do_not_agree_cannot_tell():
    assert measured_by("give", {"sunk_mm": [3.0, 5.0, 7.0]}).value is None


@pytest.mark.parametrize(
    ("way", "numbers", "place"),
    [
        ("seeds", {"full_g": [2029], "left_g": [1312]}, "/numbers/box_ml"),
        ("seeds", {"box_ml": [3000, 3001], "full_g": [2029], "left_g": [1312]}, "/numbers/box_ml"),
        ("whole", {"whole": [13], "boiled": [12]}, "/whole"),
        ("light", {"paper": [228], "crust": [150, 104, 62]}, "/numbers"),
        ("wand", {}, "/way"),
    ],
)
def test_a_number_that_is_missing_is_named(way, numbers, place):
    with pytest.raises(BadInputError) as error:
        measured_by(way, numbers)
    assert error.value.place == place

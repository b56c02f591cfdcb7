"""Rules that hold of every dough, not only of the worked ones."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.schedule.leaven.builds import Ratio, Starter, check_ratio, count_back, peak_hours
from fallow_sieve.core.schedule.ripening.bodies import Leg, drift_hours, steady
from fallow_sieve.core.schedule.ripening.organism import Organism, amount_factor, is_trusted, water_factor
from fallow_sieve.core.schedule.ripening.path import Dough, ripen
from fallow_sieve.core.schedule.ripening.rise import LAG, SHAPE, rim_ripeness, rise_pct
from fallow_sieve.core.schedule.ripening.waking import waking
from fallow_sieve.core.schedule.ripening.watch import Reading, watch
from fallow_sieve.core.values import BadInputError

YEAST = Organism("yeast")
STARTER = Starter("liquid leaven", Ratio(1, 2, 2), 0.28, 0.4, 0.05, 40, 0.8, 1.25, 60, 2.0, 30, 3)
TEMPS = st.floats(4, 37)
TAUS = st.floats(0.3, 4)


@given(start=st.floats(2, 40), around=TEMPS, tau=TAUS, hours=st.floats(0.1, 12))
def test_ripeness_never_falls(start, around, tau, hours):
    path = ripen(Dough(YEAST, 1.0, start), [Leg(hours, steady(around), tau)])
    assert (np.diff(path.ripeness) >= 0).all()


@given(start=st.floats(4, 36), around=TEMPS, tau=TAUS, minutes=st.integers(1, 300), more=st.integers(1, 300))
def test_two_stretches_in_one_place_are_as_one(start, around, tau, minutes, more):
    dough = Dough(YEAST, 1.0, start)
    one = ripen(dough, [Leg((minutes + more) / 60, steady(around), tau)])
    two = ripen(dough, [Leg(minutes / 60, steady(around), tau), Leg(more / 60, steady(around), tau)])
    assert two.end_ripeness == pytest.approx(one.end_ripeness, rel=1e-9)
    assert two.end_c == pytest.approx(one.end_c, rel=1e-9)


@given(temp=st.floats(8, 40), hours=st.floats(0.2, 6))
def test_twice_the_hours_at_26_take_twice_as_long_at_a_steady_temperature(temp, hours):
    legs = [Leg(600, steady(temp), 1.5)]
    once, twice = (ripen(Dough(YEAST, h, temp), legs).reaches(1.0) for h in (hours, 2 * hours))
    if once is not None and twice is not None:
        assert twice == pytest.approx(2 * once, rel=1e-6)


@given(start=st.floats(10, 36), warmer=st.floats(0.1, 1.8), around=st.floats(15, 35))
def test_a_warmer_dough_or_room_is_ripe_sooner_below_the_best_temperature(start, warmer, around):
    def hours(dough_c, room_c):
        return ripen(Dough(YEAST, 1.0, dough_c), [Leg(60, steady(room_c), 1.5)]).reaches(1.0)

    assert hours(start + warmer, around) < hours(start, around)
    assert hours(start, around + warmer) < hours(start, around)


def test_yeast_works_best_just_under_38_and_the_root_of_its_speed_is_nearly_straight():
    temps = np.arange(30, 46, 0.001)
    assert temps[np.argmax(YEAST.speed(temps))] == pytest.approx(37.870, abs=2e-3)
    root = np.sqrt(YEAST.speed([10.0, 20.0, 30.0]))
    assert (root[1] - root[0]) / (root[2] - root[1]) == pytest.approx(1.0213, abs=1e-4)


def test_nothing_ferments_where_the_water_is_bound():
    assert water_factor(2, 150, 40, YEAST) == 0.0
    with pytest.raises(BadInputError, match="without water"):
        water_factor(2, 0, 0, YEAST)


@pytest.mark.parametrize(("ratio", "trusted"), [(0.25, True), (4, True), (0.24, False), (4.1, False)])
def test_the_power_of_amounts_is_trusted_from_a_quarter_to_four_times(ratio, trusted):
    assert is_trusted(ratio) is trusted
    with pytest.raises(BadInputError):
        amount_factor(0, YEAST)


@given(target=st.floats(10, 200), a=st.floats(0, 2), b=st.floats(0, 2))
def test_a_dough_only_rises_and_stands_at_its_target_when_ripe(target, a, b):
    assert rise_pct(1.0, target) == pytest.approx(target)
    low, high = sorted((a, b))
    assert rise_pct(low, target) <= rise_pct(high, target) + 1e-9


def test_the_tangent_at_the_steepest_place_meets_the_ground_at_the_lag():
    steepest = LAG + 1 / SHAPE
    slope = (rise_pct(steepest + 1e-6, 70) - rise_pct(steepest - 1e-6, 70)) / 2e-6
    assert steepest - rise_pct(steepest, 70) / slope == pytest.approx(LAG, abs=1e-6)


@pytest.mark.parametrize(("fill", "target", "rim"), [(1.0, 70, 0.0), (0.5, 70, None), (0.55, 70, 1.36)])
def test_the_rim_is_met_where_the_tin_is_full(fill, target, rim):
    found = rim_ripeness(fill, target)
    assert found == (None if rim is None else pytest.approx(rim, abs=1e-2))
    if rim:
        assert fill * (1 + rise_pct(found, target) / 100) == pytest.approx(1.0)


@pytest.mark.parametrize(
    ("temp", "does"),
    [
        (10, "does not wake"),
        (19.9, "does not wake"),
        (20, "slow"),
        (34.9, "slow"),
        (35, "wakes"),
        (38, "wakes"),
        (43, "wakes"),
        (43.1, "kills"),
        (55, "kills"),
    ],
)
def test_s32_dried_yeast_wakes_between_35_and_43(temp, does):
    assert waking(temp) == does


def test_a_dough_that_levels_off_low_is_said_never_to_get_there():
    found = watch([Reading(t, 20.0) for t in (1.0, 1.5, 2.0, 2.5, 3.0, 3.5)], 120, 1.0)
    assert found.ripe_h is None
    assert any("will not get there" in f for f in found.flags)


def test_a_dough_that_has_sunk_is_said_to_be_over():
    found = watch([Reading(1.0, 60.0), Reading(1.5, 70.0), Reading(2.0, 55.0)], 70, 1.0)
    assert any("sunk" in f for f in found.flags)


@given(
    need=st.floats(5, 5000),
    keep=st.floats(0, 500),
    flour=st.floats(0.5, 8),
    water=st.floats(0.5, 8),
    builds=st.integers(1, 4),
)
def test_grams_are_conserved_from_the_jar_to_what_is_left_over(need, keep, flour, water, builds):
    plan = count_back(need, keep, [Ratio(1, flour, water)] * builds, 24, STARTER, 3)
    fed = sum(b.flour_g + b.water_g for b in plan.builds)
    assert plan.from_jar_g + fed == pytest.approx(need + keep + plan.lost_g + plan.left_over_g)
    assert plan.left_over_g >= -1e-6
    assert all(b.total_g >= STARTER.least_build_g - 1e-9 for b in plan.builds)


@pytest.mark.parametrize("ratio", [Ratio(0, 1, 1), Ratio(1, -1, 1), Ratio(1, 50, 50), Ratio(1, math.nan, 1)])
def test_a_ratio_that_builds_nothing_is_refused(ratio):
    with pytest.raises(BadInputError, match="ratio|build"):
        check_ratio(ratio)


def test_a_build_in_the_cold_is_refused():
    with pytest.raises(BadInputError, match="a build at 2"):
        peak_hours(5, 2, STARTER)


def test_a_body_never_reaches_what_lies_beyond_its_surroundings():
    assert drift_hours(95, 21, 20, 1.0) == math.inf
    assert drift_hours(21, 21, 30, 1.0) == math.inf

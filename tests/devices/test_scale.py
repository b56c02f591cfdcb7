"""The simulated scale: it settles, is noisy, drifts, tares, and shows whole steps. Time is passed in."""

from statistics import mean, stdev

import pytest

from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.devices.scale import SimulatedScale


class Clock:
    now = 0.0

    def __call__(self) -> float:
        return self.now


@pytest.fixture
def clock() -> Clock:
    return Clock()


def scale(clock, **more) -> SimulatedScale:
    return SimulatedScale(clock, **{"noise_g": 0.0, "drift_g_per_min": 0.0, **more})


def test_it_shows_whole_steps_of_its_readability(clock):
    for step, shown in ((1.0, 128.0), (0.1, 128.4), (0.5, 128.5), (10.0, 130.0)):
        one = scale(clock, readability_g=step, settles_s=0)
        one.load(128.43)
        assert one.read().mass_g == pytest.approx(shown)


def test_it_comes_to_rest_and_says_when(clock):
    one = scale(clock, settles_s=0.2)
    one.load(100)
    clock.now = 0.1
    assert (one.read().stable, one.read().mass_g < 60) == (False, True)
    clock.now = 3
    assert (one.read().stable, one.read().mass_g) == (True, 100)


def test_tare_makes_what_stands_on_it_count_as_nothing(clock):
    one = scale(clock, settles_s=0)
    one.load(240)
    one.tare()
    assert one.read().mass_g == 0
    one.load(391)
    assert one.read().mass_g == 151
    one.load(0)
    assert one.read().mass_g == -240


def test_it_drifts_until_it_is_tared_again(clock):
    one = scale(clock, drift_g_per_min=2.0, readability_g=0.1, settles_s=0)
    clock.now = 300
    assert one.read().mass_g == pytest.approx(10.0)
    one.tare()
    assert one.read().mass_g == pytest.approx(0.0)


def test_its_noise_is_what_it_says_and_the_same_for_the_same_seed(clock):
    def readings(seed):
        one = scale(clock, noise_g=0.3, readability_g=0.01, settles_s=0, seed=seed)
        one.load(50)
        return [one.read().mass_g for _ in range(400)]

    assert readings(3) == readings(3) != readings(4)
    assert mean(readings(3)) == pytest.approx(50, abs=0.05)
    assert stdev(readings(3)) == pytest.approx(0.3, rel=0.15)


@pytest.mark.parametrize("mass_g", [-1, 20_001, float("nan")])
def test_it_bears_only_so_much(clock, mass_g):
    with pytest.raises(BadInputError):
        scale(clock).load(mass_g)


def test_what_is_poured_runs_on_until_it_is_stopped_and_does_not_stand_still_meanwhile(clock):
    one = scale(clock, settles_s=0)
    one.load(850)
    one.tare()
    one.pour(40)
    clock.now = 2.5
    assert (one.read().mass_g, one.read().stable, one.read().gross_g) == (100, False, 950)
    one.pour(0)
    clock.now = 60
    assert (one.read().mass_g, one.read().stable) == (100, True)
    with pytest.raises(BadInputError, match="g/s"):
        one.pour(-1)


def test_more_than_it_bears_is_an_overload_and_counts_as_no_reading(clock):
    one = scale(clock, settles_s=0, capacity_g=5000)
    one.load(5000)
    assert (one.read().overload, one.read().stable) == (False, True)
    one.load(5001)
    assert (one.read().overload, one.read().stable) == (True, False)

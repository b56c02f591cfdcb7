"""How a measure would change: how far its next limit is, and how surely it lies in the good band."""

import math
from statistics import NormalDist

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.trials.explaining import limits_told, little
from fallow_sieve.core.trials.seen import MeasureSeen
from fallow_sieve.core.values.bands import Band, Status

VOLUME = Band(1.4, 1.9, 2.8, 3.8)  # mL/g of a tin loaf


def seen(value: float, band: Band | None = VOLUME, sd: float | None = None) -> MeasureSeen:
    status = band.status(value) if band else Status.UNKNOWN
    return MeasureSeen("specific_volume_ml_g", "Specific volume", "mL/g", value, sd, "seeds", False, band, status)


@pytest.mark.parametrize(
    ("value", "said"),
    [
        (2.06, "0.16 less and it would be close."),
        (2.7, "0.1 more and it would be close."),
        (1.7, "0.2 more and it would pass, 0.3 less and it would be held."),
        (3.0, "0.2 less and it would pass, 0.8 more and it would be held."),
        (1.0, "0.4 more and it would be close, 0.9 more and it would pass."),
        (27.8, "24 less and it would be close, 25 less and it would pass."),
    ],
)
def test_the_next_limit_is_told_by_how_far_it_is_and_which_way(value, said):
    assert limits_told(seen(value)) == said


def test_a_limit_that_is_nowhere_is_never_reached():
    assert limits_told(seen(9.0, Band(-math.inf, -math.inf, 5.0, math.inf))) == "4 less and it would pass."
    assert limits_told(seen(9.0, Band(-math.inf, -math.inf, math.inf, math.inf))) == "It passes, whatever it is."


def test_a_limit_at_the_end_of_the_scale_is_none():
    soft = Band(1, 3, 5, 5)  # marks 1–5: nothing is softer than 5
    assert limits_told(seen(5, soft), 1, 5) == "2 less and it would be close."
    assert limits_told(seen(2, soft), 1, 5) == "1 more and it would pass."
    assert limits_told(seen(5, soft, sd=1.0), 1, 5).endswith("98 times in 100.")


def test_where_good_ends_at_the_hard_limit_there_is_no_close():
    assert limits_told(seen(6, Band(1, 3, 5, 5))) == "1 less and it would pass."


def test_a_limit_that_all_but_touches_is_not_nought_away():
    assert limits_told(seen(1.902)) == "under 0.01 less and it would be close."


def test_without_a_band_it_is_told_and_not_judged():
    assert limits_told(seen(2.0, None)) == "No band is known for it: it is told, not judged."


@given(st.floats(0.5, 5.0), st.floats(0.01, 1.0))
def test_how_surely_it_is_good_is_the_normal_curve_between_the_good_limits(value, sd):
    curve = NormalDist(value, sd)
    times = 100 * (curve.cdf(2.8) - curve.cdf(1.9))
    told = int(limits_told(seen(value, sd=sd)).rsplit(" times", 1)[0].rsplit(" ", 1)[1])
    assert told == pytest.approx(times, abs=0.51)


@given(st.floats(0.001, 1e5))
def test_a_little_is_about_a_hundredth_to_one_figure(value):
    step = little(value)
    assert 0.0066 <= step / value <= 0.0151
    assert float(f"{step:.0e}") == step

"""A value stands on its band: inside passes, between the band and the hard limit is close, outside is held."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.values.bands import Band, Status
from fallow_sieve.core.values.errors import BadInputError

BAND = Band(10, 20, 40, 50)


@pytest.mark.parametrize(
    ("value", "status", "off"),
    [
        (20, Status.PASS, 0), (40, Status.PASS, 0), (30, Status.PASS, 0), (19.9, Status.CLOSE, -0.1), (10, Status.CLOSE, -10),
        (9.9, Status.HELD, -10.1), (45, Status.CLOSE, 5), (50, Status.CLOSE, 10), (50.1, Status.HELD, 10.1),
    ],
)  # fmt: skip
def test_the_edge_of_a_band_is_inside_it(value, status, off):
    assert BAND.status(value) is status
    assert BAND.distance(value) == pytest.approx(off)


@given(st.lists(st.floats(0, 100), min_size=4, max_size=4).map(sorted), st.floats(-10, 110))
def test_further_from_the_band_is_never_better(edges, value):
    band = Band(*edges)
    order = [Status.PASS, Status.CLOSE, Status.HELD]
    middle = (band.good_low + band.good_high) / 2
    nearer = middle + (value - middle) / 2
    assert order.index(band.status(nearer)) <= order.index(band.status(value))


@given(st.lists(st.floats(0, 100), min_size=4, max_size=4).map(sorted), st.floats(-10, 110))
def test_what_is_held_is_worth_little_and_never_nothing_and_what_passes_everything(edges, value):
    band = Band(*edges)
    d = band.desirability(value)
    assert (d == 1.0) == (band.status(value) is Status.PASS) or band.status(value) is Status.CLOSE
    assert 0.02 <= d <= 1
    assert d <= 0.15 + 1e-6 or band.status(value) is not Status.HELD


@pytest.mark.parametrize("edges", [(2, 1, 3, 4), (1, 2, 4, 3), (1, 2, math.nan, 4)])
def test_limits_must_rise(edges):
    with pytest.raises(BadInputError, match="out of order"):
        Band(*edges)

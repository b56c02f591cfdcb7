"""Ranges of single flours, estimates of mixes, and the chance of lying inside a limit."""

import math

import pytest

from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.estimates import Range, around, estimate, exactly, probability_between


def test_sigma_is_the_range_over_3_92():
    assert Range(8, 10, 11.92).sigma == pytest.approx(1.0)


@pytest.mark.parametrize(
    ("low", "typical", "high"), [(5, 4, 6), (4, 7, 6), (math.nan, 1, 2), (0, 1, math.inf)], ids=str
)
def test_a_range_out_of_order_or_not_finite_is_refused(low, typical, high):
    with pytest.raises(BadInputError):
        Range(low, typical, high)


def test_a_range_around_a_number_reaches_as_far_both_ways():
    assert around(50, 20) == Range(40, 50, 60)
    assert exactly(7).sigma == 0


def test_an_estimate_is_typical_plus_and_minus_1_96_sigma():
    found = estimate(10, 2)
    assert (found.low, found.high) == pytest.approx((6.08, 13.92))
    assert found.is_known


def test_an_estimate_is_cut_to_what_is_possible():
    found = estimate(1, 2, ceiling=3)
    assert (found.low, found.high) == (0, 3)


def test_partial_knowledge_leaves_a_lower_bound_without_a_high_end():
    found = estimate(4.1, 0.0, known_mass_pct=92)
    assert (found.typical, found.low, found.high, found.known_mass_pct) == (4.1, 4.1, None, 92)
    assert not found.is_known


def test_nothing_known_is_not_zero():
    assert estimate(0, 0, known_mass_pct=0).typical is None


@pytest.mark.parametrize(
    ("typical", "low", "high", "chance"),
    # Standard normal table: Φ(1) = 0.8413, Φ(2) = 0.9772.
    [(0, -1, 1, 0.6827), (0, -2, 2, 0.9545), (0, -math.inf, 1, 0.8413), (1, 0, math.inf, 0.8413), (3, -1, 1, 0.0228)],
)
def test_the_chance_of_lying_inside_limits_is_normal(typical, low, high, chance):
    assert probability_between(typical, 1.0, low, high) == pytest.approx(chance, abs=1e-3)


def test_without_spread_the_chance_is_yes_or_no():
    assert probability_between(2, 0, 2, 3) == 1
    assert probability_between(1.9, 0, 2, 3) == 0

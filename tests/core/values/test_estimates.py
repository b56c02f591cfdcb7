"""Ranges of single flours, estimates of mixes, and the chance of lying inside a limit."""

import math

import pytest

from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.estimates import Range, around, estimate, exactly, probability_between, spread_of


def test_a_range_keeps_its_sides():
    # Buckwheat: 8.9, 12.1 and 13.9 g of protein: 3.2 g down and 1.8 g up are 1.96 σ of their side.
    skewed = Range(8.9, 12.1, 13.9)
    assert (skewed.sigma_low, skewed.sigma_high) == pytest.approx((3.2 / 1.96, 1.8 / 1.96))
    alone = estimate(12.1, skewed.sigma_low, skewed.sigma_high)
    assert (alone.low, alone.high) == pytest.approx((8.9, 13.9))


def test_a_sum_reaches_as_far_as_its_terms_and_one_that_is_taken_away_is_turned_over():
    # Carbohydrate 70 (62–74) less fibre 10 (7–16): down by √(8² + 6²) = 10, up by √(4² + 3²) = 5.
    assert spread_of([(1, Range(62, 70, 74)), (-1, Range(7, 10, 16))]) == pytest.approx((10, 5))


@pytest.mark.parametrize(
    ("low", "typical", "high"), [(5, 4, 6), (4, 7, 6), (math.nan, 1, 2), (0, 1, math.inf)], ids=str
)
def test_a_range_out_of_order_or_not_finite_is_refused(low, typical, high):
    with pytest.raises(BadInputError):
        Range(low, typical, high)


def test_a_range_around_a_number_reaches_as_far_both_ways():
    assert around(50, 20) == Range(40, 50, 60)
    assert (exactly(7).sigma_low, exactly(7).sigma_high) == (0, 0)


def test_an_estimate_is_typical_plus_and_minus_1_96_sigma():
    found = estimate(10, 2, 2)
    assert (found.low, found.high) == pytest.approx((6.08, 13.92))
    assert found.is_known


def test_an_estimate_is_cut_to_what_is_possible():
    found = estimate(1, 2, 2, ceiling=3)
    assert (found.low, found.high) == (0, 3)


def test_partial_knowledge_leaves_a_lower_bound_without_a_high_end():
    found = estimate(4.1, 0.0, 0.0, known_mass_pct=92)
    assert (found.typical, found.low, found.high, found.known_mass_pct) == (4.1, 4.1, None, 92)
    assert not found.is_known


def test_nothing_known_is_not_zero():
    assert estimate(0, 0, 0, known_mass_pct=0).typical is None


@pytest.mark.parametrize(
    ("typical", "low", "high", "chance"),
    # Standard normal table: Φ(1) = 0.8413, Φ(2) = 0.9772.
    [(0, -1, 1, 0.6827), (0, -2, 2, 0.9545), (0, -math.inf, 1, 0.8413), (1, 0, math.inf, 0.8413), (3, -1, 1, 0.0228)],
)
def test_the_chance_of_lying_inside_limits_is_normal(typical, low, high, chance):
    assert probability_between(typical, 1.0, 1.0, low, high) == pytest.approx(chance, abs=1e-3)


def test_without_spread_the_chance_is_yes_or_no():
    assert probability_between(2, 0, 0, 2, 3) == 1
    assert probability_between(1.9, 0, 0, 2, 3) == 0


def test_half_of_the_chance_lies_on_either_side_whatever_their_spread():
    assert probability_between(10, 1, 5, -math.inf, 10) == pytest.approx(0.5)
    # 19 times in 20 between the ends of a skewed range.
    assert probability_between(10, 1, 5, 10 - 1.96, 10 + 5 * 1.96) == pytest.approx(0.95, abs=1e-4)

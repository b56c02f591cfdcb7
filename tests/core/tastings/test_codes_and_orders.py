"""Codes that lean nobody, orders that spread evenly, plates of a triangle and a tetrad."""

import itertools
import json
from collections import Counter
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.tastings.answers import Method
from fallow_sieve.core.tastings.codes import deal_codes, usable_codes
from fallow_sieve.core.tastings.orders import deal_orders, next_order, unevenness, williams, without
from fallow_sieve.core.tastings.plates import Plate, deal_plates, is_right, next_plates, served, stands_on
from fallow_sieve.core.values import BadInputError
from fallow_sieve.reference import code_meanings

CASE = json.loads((Path(__file__).parents[2] / "cases/tastings/williams.json").read_text(encoding="utf-8"))


@pytest.mark.parametrize("samples", range(2, 9))
def test_williams_squares_are_as_published(samples):
    told = CASE["computed"][str(samples)]
    rows = williams(samples)
    assert [[s + 1 for s in r] for r in rows] == told["orders"]
    places = Counter((s, p) for r in rows for p, s in enumerate(r))
    neighbours = Counter(pair for r in rows for pair in itertools.pairwise(r))
    assert set(places.values()) == {told["each_sample_in_each_place"]}
    assert set(neighbours.values()) == {told["each_ordered_neighbour"]}


def test_over_five_hundred_codes_remain_and_none_means_something():
    codes = usable_codes(code_meanings())
    assert len(codes) > 500
    for code in map(str, codes):
        assert len(set(code)) == 3
        assert not code.endswith("0")
    left_out = {123, 765, 247, 365, 786, 911, 135, 321, 120, 224}
    assert not left_out & set(codes)


@given(st.integers(2, 8), st.integers(0, 10**6))
def test_codes_of_one_table_differ_in_first_digit_and_are_no_anagrams(samples, seed):
    used = deal_codes(8, (), code_meanings(), seed + 1)
    codes = [str(c) for c in deal_codes(samples, used, code_meanings(), seed)]
    assert len({c[0] for c in codes}) == samples
    assert len({"".join(sorted(c)) for c in codes}) == samples
    assert not set(map(int, codes)) & set(used)


def test_codes_can_run_out():
    with pytest.raises(BadInputError, match="no codes"):
        deal_codes(2, range(100, 999), (), 1)


@given(st.integers(2, 6), st.integers(1, 20), st.integers(0, 1000))
def test_orders_hold_every_sample_once_and_places_are_as_even_as_can_be(samples, seats, seed):
    orders = deal_orders(samples, seats, seed)
    assert len(orders) == seats
    assert all(sorted(o) == list(range(samples)) for o in orders)
    places = Counter((s, p) for o in orders for p, s in enumerate(o))
    # as even as it can be: with rows of a Latin square, no sample is in a place more than rows ÷ k rounded up, + 1
    assert max(places.values()) <= -(-seats // samples) + 1


def test_whole_squares_are_even_and_a_late_one_spreads_best():
    orders = deal_orders(4, 8, 3)
    places, _ = unevenness(orders, 4)
    assert places == 16 * 2**2
    late = next_order(4, orders[:7], 5)
    assert unevenness([*orders[:7], late], 4)[0] == places  # the row that was free


def test_gaps_are_cut_out():
    assert without((2, 0, 1), {0}) == (2, 1)


def test_plates_of_a_triangle_hold_two_of_one_and_one_of_the_other():
    plates = {n: Plate(n, s, 100 + n) for n, s in enumerate(stands_on(Method.TRIANGLE, [1, 2]), start=1)}
    assert [p.sample for p in plates.values()] == [1, 1, 2, 2]
    orders = deal_plates(Method.TRIANGLE, [1, 2], 12, 7)
    for order in orders:
        count = Counter(plates[p].sample for p in order)
        odd = next(p for p in order if count[plates[p].sample] == 1)
        assert sorted(count.values()) == [1, 2]
        assert is_right(Method.TRIANGLE, order, plates, odd, None)
        assert not any(is_right(Method.TRIANGLE, order, plates, p, None) for p in order if p != odd)
    kinds = Counter("".join(str(plates[p].sample) for p in o) for o in orders)
    assert set(kinds.values()) == {2}  # six ways, each twice for twelve


def test_a_tetrad_is_right_by_the_partner_of_the_first():
    plates = {n: Plate(n, s, 100 + n) for n, s in enumerate((1, 1, 2, 2), start=1)}
    order = (3, 1, 4, 2)
    assert [is_right(Method.TETRAD, order, plates, p, None) for p in (1, 4, 2, 3)] == [False, True, False, False]
    assert is_right(Method.TWO_AFC, (1, 3), plates, 3, 2)
    assert not is_right(Method.TWO_AFC, (1, 3), plates, 4, 2)  # not on this seat's plate


def test_a_comparison_with_a_sample_left_out_is_none():
    plates = {1: Plate(1, 1, 418), 2: Plate(2, 2, 572)}
    assert served((1, 2), plates, {2}, Method.LIKING) == (1,)
    assert served((1, 2), plates, {2}, Method.PAIRED) == ()


def test_a_late_seat_of_a_triangle_gets_the_kind_that_is_rarest():
    taken = deal_plates(Method.TRIANGLE, [1, 2], 5, 3)
    kinds = {tuple(p > 2 for p in o) for o in taken}
    assert tuple(p > 2 for p in next_plates(Method.TRIANGLE, [1, 2], taken, 9)) not in kinds

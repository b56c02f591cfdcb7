"""Stock: which way a move goes, what a count may find, where every gram is, and what is to be bought."""

from __future__ import annotations

from itertools import product

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.ingredients.lots import check_count
from fallow_sieve.core.stock.accounts import Account
from fallow_sieve.core.stock.budget import GlutenDraw, gluten_budget
from fallow_sieve.core.stock.buying import packs_for, reorder_at, reorder_point
from fallow_sieve.core.stock.moves import Move, MoveKind, check_move, stock_of
from fallow_sieve.core.values import BadInputError


@pytest.mark.parametrize(
    ("move", "place"),
    [
        (Move(MoveKind.WEIGHED, 5, lot_id=1), "/mass_g"),
        (Move(MoveKind.BOUGHT, -5, lot_id=1), "/mass_g"),
        (Move(MoveKind.USED, -5), "lot or bag"),
        (Move(MoveKind.USED, -5, lot_id=1, bag_id=2), "lot or bag"),
        (Move(MoveKind.THROWN_AWAY, -5, lot_id=1), "/why"),
        (Move(MoveKind.GONE_OUT, -5, bag_id=1), "/where"),
    ],
)
def test_a_move_that_cannot_be_is_refused(move, place):
    with pytest.raises(BadInputError, match=place):
        check_move(move)


def test_stock_is_what_moves_add_up_to():
    moves = [
        Move(MoveKind.OPENING, 500, lot_id=1),
        Move(MoveKind.WEIGHED, -120, lot_id=1),
        Move(MoveKind.VOIDED, 120, lot_id=1),
    ]
    for move in moves:
        check_move(move)
    assert stock_of(moves) == 500


def test_a_count_may_find_three_per_cent_more_than_was_bought():
    check_count(1030, 1000)
    with pytest.raises(BadInputError, match="another lot"):
        check_count(1031, 1000)


def test_every_gram_but_five_is_found():
    found = Account(made_g=6008, in_stock_g=2503 + 176, used_g=320, gone_out_g=2504, thrown_away_g=500, bags=12)
    assert found.nobody_knows_g == 5
    assert round(found.found_pct, 2) == 99.92
    assert found.within_g == pytest.approx(30.04)
    assert found.balanced
    assert not Account(6008, 5900, bags=12).balanced


def test_the_budget_of_a_batch_with_one_untested_lot():
    draws = [GlutenDraw("LI-055", 640, 5), GlutenDraw("LI-061", 1091.43, None), GlutenDraw("others", 4328.57, 5)]
    found = gluten_budget(draws)
    assert (found.status, found.unknown) == ("unknown", ("LI-061",))
    assert found.known_mg_per_kg == pytest.approx(4.0995, abs=1e-4)
    assert found.stay_under_mg_per_kg == pytest.approx(88.3, abs=0.05)
    assert [b.lot for b in found.brought] == ["LI-055", "others"]
    assert sum(b.mg_per_kg for b in found.brought) == pytest.approx(found.known_mg_per_kg)


def test_buy_before_it_runs_out():
    assert round(reorder_at(900, 300, 2)) == 2500
    steady = [900, 1200, 600, 900, 1200, 600, 900]
    assert not reorder_point(steady).few_weeks
    assert reorder_point([400, 900]) == reorder_point([900, 400])


PACKS = st.lists(
    st.tuples(st.sampled_from([500.0, 1000.0, 2500.0]), st.floats(0.5, 20).map(lambda x: round(x, 2))),
    min_size=1,
    max_size=3,
    unique_by=lambda p: p[0],
)


@given(st.integers(1, 6000), PACKS)
def test_no_other_packs_are_cheaper(need, packs):
    found = packs_for(float(need), packs)
    assert found is not None
    choices = product(*(range(int(-(-need // size)) + 1) for size, _ in packs))
    best = min(
        round(sum(n * p for n, (_, p) in zip(c, packs, strict=True)), 6)
        for c in choices
        if sum(n * size for n, (size, _) in zip(c, packs, strict=True)) >= need
    )
    assert found.price == pytest.approx(best)
    assert sum(size * n for size, n in found.buy.items()) == pytest.approx(need + found.left_over_g)


def test_a_very_large_need_is_met_by_a_greedy_step_that_says_so():
    found = packs_for(100_000, [(1000, 2.9), (5000, 11.0)])
    assert found is not None
    assert not found.exact
    assert found.buy == {5000: 20}
    assert packs_for(100, []) is None

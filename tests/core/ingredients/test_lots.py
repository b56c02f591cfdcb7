"""Lots: nothing negative, none of the future, first-expired first, and a price for what can be used."""

from dataclasses import replace
from datetime import date

import pytest

from fallow_sieve.core.ingredients.lots import (
    Lot,
    check_lot,
    price_history,
    price_per_usable_kg,
    standings,
    stock_sentence,
)
from fallow_sieve.core.values.errors import BadInputError

TODAY = date(2026, 3, 14)
LOT = Lot("A-1", 5000, 2000, bought_on=date(2026, 1, 10), best_before=date(2026, 9, 1))


def test_a_lot_that_can_be_true_is_taken():
    check_lot(LOT, TODAY)
    check_lot(replace(LOT, stock_g=0), TODAY)
    check_lot(replace(LOT, stock_g=5150), TODAY)
    check_lot(replace(LOT, bought_on=TODAY, gluten_mg_per_kg=0, gluten_basis="ELISA", gluten_on=TODAY), TODAY)


@pytest.mark.parametrize(
    ("change", "place"),
    [
        ({"code": "  "}, "/code"),
        ({"bought_g": 0}, "/bought_g"),
        ({"bought_g": float("nan")}, "/bought_g"),
        ({"stock_g": -1}, "/stock_g"),
        ({"stock_g": 5151}, "/stock_g"),  # 3 % more than was bought may be found, for bags hold more than they say
        ({"price_per_kg": -0.1}, "/price_per_kg"),
        ({"pack_price": 3.0}, "/pack_g"),
        ({"pack_g": 500}, "/pack_price"),
        ({"yield_pct": 0}, "/yield_pct"),
        ({"yield_pct": 101}, "/yield_pct"),
        ({"gluten_mg_per_kg": -5, "gluten_basis": "test"}, "/gluten_mg_per_kg"),
        ({"gluten_mg_per_kg": 5}, "/gluten_basis"),
        ({"bought_on": date(2026, 3, 15)}, "/bought_on"),
        ({"gluten_on": date(2027, 1, 1)}, "/gluten_on"),
        ({"best_before": date(2026, 1, 9)}, "/best_before"),
    ],
)
def test_what_cannot_be_true_names_its_field(change, place):
    with pytest.raises(BadInputError) as error:
        check_lot(replace(LOT, **change), TODAY)
    assert error.value.place == place


def test_a_pack_of_which_some_is_thrown_out_costs_more_by_the_usable_kg():
    """15.20 for 5 kg of which 95 % can be used: 15.2 / 4.75 = 3.20."""
    assert price_per_usable_kg(replace(LOT, pack_g=5000, pack_price=15.2, yield_pct=95)) == pytest.approx(3.20)
    assert price_per_usable_kg(replace(LOT, price_per_kg=2.8, yield_pct=50)) == 2.8
    assert price_per_usable_kg(LOT) is None


def test_stock_leaves_first_expired_first_and_an_empty_lot_has_no_turn():
    late = replace(LOT, code="L", best_before=date(2026, 12, 1))
    soon = replace(LOT, code="S", best_before=date(2026, 3, 20))
    gone = replace(LOT, code="G", stock_g=0, best_before=date(2026, 2, 1))
    undated = replace(LOT, code="U", best_before=None)
    found = standings([late, soon, gone, undated], TODAY)
    assert [s.draw for s in found] == [2, 1, None, 3]
    assert [s.say for s in found] == ["waiting its turn", "6 days left", "used up", "waiting its turn"]


@pytest.mark.parametrize(
    ("day", "say"),
    [(date(2026, 3, 13), "past its date by 1 day"), (TODAY, "last day today"), (date(2026, 3, 15), "1 day left"), (date(2026, 6, 1), "draw from this first")],
)  # fmt: skip
def test_a_lot_says_how_long_it_has(day, say):
    assert standings([replace(LOT, best_before=day)], TODAY)[0].say == say


def test_the_bins_are_summed_up_in_one_sentence_the_worst_first():
    soon = replace(LOT, code="S", stock_g=500, best_before=date(2026, 5, 1))
    assert stock_sentence([], TODAY) == "None in stock."
    assert stock_sentence([LOT, soon], TODAY) == "2.5 kg in 2 lots; draw from S first, best before 1 May 2026."
    assert stock_sentence([replace(LOT, best_before=date(2026, 3, 1))], TODAY) == "2 kg in 1 lot; A-1 past its date."


def test_the_price_history_runs_by_the_day_of_buying_and_leaves_out_what_is_not_known():
    first = replace(LOT, bought_on=date(2025, 6, 1), price_per_kg=2.5)
    packs = replace(LOT, bought_on=date(2026, 2, 1), pack_g=1000, pack_price=3.1)
    unknown = replace(LOT, bought_on=date(2025, 1, 1))
    assert price_history([packs, unknown, first, replace(LOT, bought_on=None, price_per_kg=9)]) == (
        (date(2025, 6, 1), 2.5),
        (date(2026, 2, 1), pytest.approx(3.1)),
    )

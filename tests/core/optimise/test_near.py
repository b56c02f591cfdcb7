"""Near variants of a proposal, by hand: a bin fewer, what is in stock, the dear part halved."""

from __future__ import annotations

import numpy as np
import pytest

from fallow_sieve.core.blends.uses import Use, UseBand
from fallow_sieve.core.optimise.nearby import Kind, NoVariant, Variant, near_variants
from fallow_sieve.core.optimise.posing import problem_of
from fallow_sieve.core.optimise.wishes import Wishes
from kit import flour, shelf_of

PLAIN = Use("plain", "Plain", "general", "dry", (UseBand(0, 2, 6, 9, "fibre_pct"),))


def item(slug, fibre, price, stock_g=1000.0):
    return flour(slug, more={"price_per_kg": price, "stock_g": stock_g}, fibre_g=fibre)


SHELF = shelf_of(item("nut", 10, 9.0), item("grain", 6, 2.0), item("white", 0, 1.0, 300.0), item("spare", 1, 1.5))


def near(shares, shelf=SHELF, **wishes):
    problem = problem_of(Wishes(PLAIN, batch_g=1000.0, **wishes), shelf)
    given = np.array([float(shares.get(s, 0)) for s in problem.slugs])
    found = {}
    for v in near_variants(problem, given):
        parts = (
            {s: float(x) for s, x in zip(problem.slugs, v.shares, strict=True) if x > 0}
            if isinstance(v, Variant)
            else {}
        )
        found[v.kind] = (v, parts)
    return found


def test_one_bin_fewer_leaves_out_the_one_whose_mass_is_least_and_takes_nothing_new():
    variant, parts = near({"grain": 60, "white": 30, "nut": 10})[Kind.FEWER_BINS]
    assert variant.moved_pct == 10
    assert set(parts) == {"grain", "white"}
    assert variant.say == "without nut"


def test_from_stock_takes_no_more_than_lies_there_and_moves_no_more_than_that():
    # 300 g of white are 30 % of a batch of 1 kg.
    variant, parts = near({"grain": 50, "white": 50})[Kind.FROM_STOCK]
    assert parts["white"] == 30
    assert variant.moved_pct == 20
    assert variant.say == "without what is not there: white"


def test_the_dear_one_is_halved_and_the_mix_costs_less():
    _, parts = near({"nut": 40, "white": 30, "spare": 30})[Kind.DEAR_HALVED]
    assert parts["nut"] == 20
    prices = {"nut": 9.0, "grain": 2.0, "white": 1.0, "spare": 1.5}
    assert sum(prices[s] * x for s, x in parts.items()) < 40 * 9 + 30 * 1 + 30 * 1.5


@pytest.mark.parametrize(
    ("shares", "kind", "why"),
    [
        ({"grain": 100}, Kind.FEWER_BINS, "it is one bin already"),
        ({"grain": 100}, Kind.DEAR_HALVED, "no part is dearer than the others"),
        ({"grain": 70, "spare": 30}, Kind.FROM_STOCK, "all of it is in stock"),
    ],
    ids=["one bin", "one price", "in stock"],
)
def test_where_there_is_none_it_says_why(shares, kind, why):
    variant, _ = near(shares)[kind]
    assert isinstance(variant, NoVariant)
    assert variant.why == why


def test_a_locked_part_is_not_halved_and_an_unpriced_one_does_not_take_its_place():
    found, _ = near({"nut": 40, "white": 30, "spare": 30}, lock={"nut": 40.0})[Kind.DEAR_HALVED]
    assert isinstance(found, NoVariant)
    assert found.why == "nut is locked"
    bare = shelf_of(item("nut", 10, 9.0), item("white", 0, 1.0), item("gift", 10, None))
    _, parts = near({"nut": 40, "white": 60}, bare)[Kind.DEAR_HALVED]
    assert "gift" not in parts

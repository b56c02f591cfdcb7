"""The demo kitchen: made up, whole, and with something to see."""

from collections import Counter

from fallow_sieve.demo.bins import BINS
from fallow_sieve.demo.scenario import BLENDS, BRIEFS
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules

SHELF = library_shelf()


def test_there_are_22_bins_6_briefs_and_13_blends_with_reasons():
    assert (len(BINS), len(BRIEFS), len(BLENDS)) == (22, 6, 13)
    assert all(why for b in BLENDS for why, _ in b.revisions)
    assert max(len(b.revisions) for b in BLENDS) >= 4


def test_every_name_in_the_scenario_is_known():
    assert {b.ingredient for b in BINS} <= set(SHELF.row_of)
    stocked = {b.ingredient for b in BINS}
    for blend in BLENDS:
        mixes = [mix for _, mix in blend.revisions] + ([blend.draft] if blend.draft else [])
        dry = {"baking-powder", "salt", "white-sugar", "skim-milk-powder", "whole-egg-powder"}  # of the larder, no bin
        assert all(set(mix) <= stocked | dry for mix in mixes), blend.name
        assert blend.use in rules().uses


def test_some_blends_pass_and_some_are_held(client):
    states = Counter(b["standing"]["state"] for b in client.get("/api/v1/blends").json["items"])
    assert states["held"] >= 2
    assert states["passes"] >= 2
    assert states["close"] >= 1
    assert sum(states.values()) == 14


def test_bins_hold_no_more_than_was_bought_and_some_are_untested():
    assert all(0 < b.stock_kg <= b.bought_kg and b.price_per_kg > 0 for b in BINS)
    assert any(b.gluten_mg_per_kg is None for b in BINS)

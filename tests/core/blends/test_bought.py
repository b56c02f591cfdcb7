"""A bag opened: by hand on flours whose sums can be done in the head, and on two dozen bags whose shares are known."""

from __future__ import annotations

import json
from pathlib import Path

import numpy as np
import pytest

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.bought import BoughtLabel, open_bag
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.ingredients.functions import Function
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.estimates import Range
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.services.bought.opening import opened
from kit import flour, shelf_of

LIBRARY = library_shelf()
BAGS = json.loads((Path(__file__).parents[2] / "cases/bought_bags.json").read_text(encoding="utf-8"))
PURE = shelf_of(flour("bean", protein_g=20.0), flour("starch", protein_g=0.0), flour("third", protein_g=10.0))


def hand_opened(*names, per_100_g=None, printed=None, caps=None, shelf=PURE):
    label = BoughtLabel(names, per_100_g or {}, printed or {})
    return open_bag(label, shelf, caps or {}, np.random.default_rng(7))


def test_two_parts_and_one_number_give_the_share_that_the_sum_gives():
    # 20 % protein × share = 13 %: the bean is 65 % of the bag.
    found = hand_opened("bean", "starch", per_100_g={"protein_g": Range(12.95, 13.0, 13.05)})
    bean, starch = found.shares
    assert bean.typical_pct == pytest.approx(65, abs=0.6)
    assert bean.low_pct < 65 < bean.high_pct
    assert bean.typical_pct + starch.typical_pct == pytest.approx(100)
    assert bean.high_pct - bean.low_pct < 3


def test_a_panel_that_says_nothing_leaves_what_the_order_allows():
    found = hand_opened("bean", "starch", "third")
    first, second, third = found.shares
    # The largest of three that are drawn evenly: P(under x) = (3x − 1)² below a half, P(over x) = 3(1 − x)² above.
    assert first.low_pct == pytest.approx(100 * (1 + 0.025**0.5) / 3, abs=1)
    assert first.high_pct == pytest.approx(100 * (1 - (0.025 / 3) ** 0.5), abs=1)
    assert second.high_pct <= 50
    assert third.high_pct <= 33.4


def test_a_printed_share_is_kept_within_its_rounding():
    found = hand_opened("bean", "starch", "third", printed={"starch": Range(24.5, 25.0, 25.5)})
    assert found.shares[1].low_pct >= 24.5
    assert found.shares[1].high_pct <= 25.5


def test_parts_of_the_same_make_are_only_known_together():
    twins = shelf_of(flour("bean", protein_g=20.0), flour("white", protein_g=0.0), flour("whiter", protein_g=0.0))
    found = hand_opened("bean", "white", "whiter", per_100_g={"protein_g": Range(9.95, 10.0, 10.05)}, shelf=twins)
    (pair,) = [t for t in found.together if set(t.ingredients) == {"white", "whiter"}]
    assert pair.typical_pct == pytest.approx(50, abs=1)
    assert pair.high_pct - pair.low_pct < found.shares[2].high_pct - found.shares[2].low_pct


def test_a_gum_is_never_more_than_a_dry_mix_can_carry():
    gum = shelf_of(flour("bean", protein_g=20.0), flour("gum", does="xanthan", protein_g=0.0))
    found = hand_opened("bean", "gum", caps={Function.XANTHAN: 4.0}, shelf=gum)
    assert found.shares[1].high_pct <= 4


def test_a_bag_of_one_thing_is_that_thing():
    assert [(s.low_pct, s.typical_pct, s.high_pct) for s in hand_opened("bean").shares] == [(100, 100, 100)]


@pytest.mark.parametrize(
    ("names", "more", "place"),
    [
        ((), {}, "/ingredients"),
        (("bean", "bean"), {}, "/ingredients/1"),
        (("bean", "nothing-such"), {}, "/ingredients/1"),
        (("bean",), {"printed": {"starch": Range(1, 2, 3)}}, "/printed_pct"),
    ],
)
def test_a_label_that_cannot_be_names_the_place(names, more, place):
    with pytest.raises(BadInputError) as error:
        hand_opened(*names, **more)
    assert error.value.place == place


def panel_of(shares, how, rng):
    """A true panel: every bag's own numbers drawn from the ranges, rounded as a European or American label is."""

    def total(field):
        found = 0.0
        for slug, pct in shares.items():
            known, z = LIBRARY[slug].range_of(field), rng.standard_normal()
            if known is not None:
                found += pct / 100 * max(0.0, known.typical + z * (known.sigma_high if z > 0 else known.sigma_low))
        return found

    fields = ("protein_g", "fat_g", "carbohydrate_g", "sugars_g", "fibre_g", "salt_g", "sodium_mg")
    true = {f: total(f) for f in fields}
    if how == "eu":
        europe = {k: f"{true[k]:.1f}" if true[k] < 10 else f"{true[k]:.0f}" for k in ("protein_g", "fat_g", "fibre_g", "sugars_g")}  # fmt: skip
        carbohydrate = f"{true['carbohydrate_g'] - true['fibre_g']:.0f}"
        return {**europe, "carbohydrate_g": carbohydrate, "salt_g": f"{true['salt_g']:.2f}"}, "apart", None
    grams = float(how.removeprefix("us"))
    fat = true["fat_g"] * grams / 100
    panel = {n: f"{true[n] * grams / 100:.0f}" for n in ("protein_g", "carbohydrate_g", "sugars_g", "fibre_g")}
    return {**panel, "fat_g": f"{round(2 * fat) / 2:g}" if fat < 5 else f"{fat:.0f}"}, "inside", grams


def opened_bags(american):
    """Every bag of the kind, opened by its list and its panel: (true shares, opened, printed shares)."""
    rng = np.random.default_rng(5)
    for bag in BAGS:
        if bag["panel"].startswith("us") is american:
            true = {s: 100 * x / sum(bag["shares_pct"].values()) for s, x in bag["shares_pct"].items()}
            order = sorted(true, key=lambda s: -true[s])
            printed = {s: str(x) for s, x in bag["printed_pct"].items()}
            panel, convention, serving = panel_of(true, bag["panel"], rng)
            more = {"convention": convention, "serving_g": serving, "printed_pct": printed}
            yield true, opened(order, panel, LIBRARY, **more), printed


def held_pct(pairs):
    held = [s.low_pct - 1e-9 <= true[s.ingredient] <= s.high_pct + 1e-9 for true, o, _ in pairs for s in o.shares]
    return 100 * np.mean(held)


def test_european_panels_hold_the_truth_in_ranges_half_as_wide_as_the_order_alone_leaves_them():
    found, ratios = list(opened_bags(american=False)), []
    assert held_pct(found) >= 90
    for _, bag, printed in found:
        alone = opened([s.ingredient for s in bag.shares], {}, LIBRARY, printed_pct=printed)
        for share, loose in zip(bag.shares, alone.shares, strict=True):
            if loose.high_pct - loose.low_pct > 0.2:
                ratios.append((share.high_pct - share.low_pct) / (loose.high_pct - loose.low_pct))
    assert np.mean(ratios) <= 0.5


def test_american_panels_whose_whole_grams_say_less_hold_the_truth_too():
    assert held_pct(list(opened_bags(american=True))) >= 90


def test_a_mass_within_a_range_widens_what_follows_from_it_and_nothing_else():
    # 100 g of bean (20 % protein) and 100 g of starch: 10 %. The bean at 60–140 g: 7.5 and 11.67 %.
    exact = analyse(Blend((Part("bean", 100), Part("starch", 100))), PURE)
    unsure = analyse(Blend((Part("bean", 100, low_ratio=0.6, high_ratio=1.4), Part("starch", 100))), PURE)
    before, after = exact.nutrients["protein_g"], unsure.nutrients["protein_g"]
    assert (before.low, before.typical, before.high) == (10, 10, 10)
    assert (after.low, after.typical, after.high) == (pytest.approx(7.5), 10, pytest.approx(100 * 28 / 240))
    assert (unsure.parts[0].mix_low_pct, unsure.parts[0].mix_high_pct) == (pytest.approx(30), pytest.approx(70))
    assert (unsure.parts[1].mix_low_pct, unsure.parts[1].mix_high_pct) == (None, None)

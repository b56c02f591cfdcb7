"""What follows from the parts of a mix. Every expected number can be worked out on paper from the lines above it."""

import math

import pytest

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.values.errors import BadInputError, UnknownNameError
from fallow_sieve.core.values.quantities import CupStandard
from kit import blend, flour, mix, shelf_of

SORGHUM = flour(
    "sorghum", protein_g=(8.04, 10, 11.96), fibre_g=(5, 6, 7), fat_g=3, starch_g=68, carbohydrate_g=74,
    thirst_g_per_g=1.2, grit_index=2, flavour_index=3, lightness_l=80, colour_a=1, colour_b=12, stickiness=0,
    density_g_per_ml=(0.5, 0.6, 0.75), amylose_pct=24, more={"price_per_kg": 3.0},
)  # fmt: skip
TAPIOCA = flour(
    "tapioca", "starch", protein_g=0, fibre_g=1, fat_g=0, starch_g=88, carbohydrate_g=89, thirst_g_per_g=0.9,
    grit_index=0, flavour_index=0, lightness_l=96, colour_a=0, colour_b=2, stickiness=1,
    density_g_per_ml=(0.5, 0.5, 0.5), amylose_pct=17, more={"price_per_kg": 2.0},
)  # fmt: skip
HUSK = flour(
    "husk", "binder", protein_g=2, fibre_g=80, fat_g=0, starch_g=0, carbohydrate_g=85, density_g_per_ml=(0.2, 0.25, 0.3),
    more={"price_per_kg": 20.0},
)  # fmt: skip
BARE = flour("bare", "refined_flour", protein_g=7)
SHELF = shelf_of(SORGHUM, TAPIOCA, HUSK, BARE)
# 300 g sorghum, 180 g tapioca, 20 g husk: 500 g of mix on 480 g of flour.
LOAF = {"sorghum": 300, "tapioca": 180, "husk": 20}


def test_nutrients_are_the_mean_of_the_whole_mix_binders_included():
    found = mix(LOAF, SHELF)
    # (300 × 10 + 0 + 20 × 2) / 500 = 6.08; (300 × 6 + 180 × 1 + 20 × 80) / 500 = 7.16
    assert found.nutrients["protein_g"].typical == pytest.approx(6.08)
    assert found.metrics["fibre_pct"].typical == pytest.approx(7.16)
    assert found.metrics["fat_pct"].typical == pytest.approx(1.8)


def test_the_flour_base_leaves_out_the_binder():
    found = mix(LOAF, SHELF)
    assert (found.mass_g, found.flour_base_g) == (500, 480)
    assert found.metrics["starch_share_pct"].typical == pytest.approx(100 * 180 / 480)
    assert found.metrics["whole_grain_share_pct"].typical == pytest.approx(100 * 300 / 480)


def test_shares_of_mix_and_of_flour_stand_on_their_own_bases():
    by_slug = {p.ingredient: p for p in mix(LOAF, SHELF).parts}
    assert by_slug["husk"].mix_pct == pytest.approx(4.0)
    assert by_slug["husk"].flour_pct == pytest.approx(100 * 20 / 480)


def test_total_starch_counts_the_starch_inside_whole_flours():
    # (300 × 68 + 180 × 88) / 500
    assert mix(LOAF, SHELF).metrics["total_starch_pct"].typical == pytest.approx(72.48)


def test_sticky_share_weighs_each_flour_by_its_stickiness():
    assert mix(LOAF, SHELF).metrics["sticky_share_pct"].typical == pytest.approx(37.5)


def test_dough_metrics_are_means_over_the_flour_base():
    found = mix(LOAF, SHELF).metrics
    # 480 g of flour: 5/8 sorghum, 3/8 tapioca.
    assert found["thirst_g_per_g"].typical == pytest.approx(1.2 * 5 / 8 + 0.9 * 3 / 8)
    assert found["grit_index"].typical == pytest.approx(1.25)
    assert found["flavour_index"].typical == pytest.approx(1.875)
    assert found["lightness_l"].typical == pytest.approx(86)


def test_colour_is_the_mass_mean_of_the_flours():
    assert mix(LOAF, SHELF).flour_lab == pytest.approx((86, 0.625, 8.25))


def test_the_grittiest_part_is_named():
    assert mix(LOAF, SHELF).gritty == "sorghum"
    assert mix({"tapioca": 100}, SHELF).gritty is None


def test_uncertainty_adds_up_as_independent_parts():
    # σ of sorghum protein is 1; it is 60 % of the mix, so σ is 0.6 and the interval 6.08 ± 1.176.
    found = mix(LOAF, SHELF).nutrients["protein_g"]
    assert (found.sigma_low, found.sigma_high) == pytest.approx((0.6, 0.6))
    assert (found.low, found.high) == pytest.approx((6.08 - 1.176, 6.08 + 1.176))


def test_two_equal_uncertain_flours_are_surer_together_by_root_two():
    twins = shelf_of(flour("a", protein_g=(8.04, 10, 11.96)), flour("b", protein_g=(8.04, 10, 11.96)))
    assert mix({"a": 1, "b": 1}, twins).nutrients["protein_g"].sigma_low == pytest.approx(1 / math.sqrt(2))


def test_unknown_fibre_is_a_lower_bound_not_zero():
    found = mix({"sorghum": 80, "bare": 20}, SHELF)
    fibre = found.nutrients["fibre_g"]
    assert fibre.typical == pytest.approx(4.8)
    assert fibre.known_mass_pct == pytest.approx(80)
    assert fibre.high is None
    assert not found.metrics["fibre_pct"].is_known


@pytest.mark.parametrize(
    "metric", ["thirst_g_per_g", "grit_index", "flavour_index", "lightness_l", "sticky_share_pct", "density_g_per_ml"]
)
def test_one_flour_without_a_value_makes_a_dough_metric_unknown(metric):
    found = mix({"sorghum": 99, "bare": 1}, SHELF).metrics[metric]
    assert found.typical is None
    assert found.known_mass_pct == pytest.approx(99)


def test_a_binder_without_thirst_leaves_thirst_known():
    assert mix(LOAF, SHELF).metrics["thirst_g_per_g"].is_known


def test_amylose_is_weighed_by_each_parts_starch():
    # Starch: 300 × .68 = 204 g at 24 %, 180 × .88 = 158.4 g at 17 %.
    expected = (204 * 24 + 158.4 * 17) / (204 + 158.4)
    assert mix(LOAF, SHELF).metrics["amylose_pct_of_starch"].typical == pytest.approx(expected)


def test_amylose_is_unknown_where_much_starch_has_none_on_record():
    starchy = shelf_of(SORGHUM, flour("odd", starch_g=50))
    assert mix({"sorghum": 50, "odd": 50}, starchy).metrics["amylose_pct_of_starch"].typical is None


def test_available_carbohydrate_is_carbohydrate_less_fibre():
    # (300 × 68 + 180 × 88 + 20 × 5) / 500
    assert mix(LOAF, SHELF).metrics["available_carbohydrate_pct"].typical == pytest.approx(72.68)


def test_energy_of_the_mix_is_that_of_its_parts_by_the_factors():
    found = mix(LOAF, SHELF).nutrients
    parts = [found[n].typical for n in ("protein_g", "fat_g", "fibre_g")]
    available = mix(LOAF, SHELF).metrics["available_carbohydrate_pct"].typical
    protein, fat, fibre = parts
    assert found["energy_kj"].typical == pytest.approx(17 * protein + 37 * fat + 17 * available + 8 * fibre)
    assert found["energy_kcal"].typical == pytest.approx(4 * protein + 9 * fat + 4 * available + 2 * fibre)


def test_volumes_add_so_density_is_mass_over_the_sum_of_volumes():
    # 300/0.6 + 180/0.5 + 20/0.25 = 500 + 360 + 80 = 940 mL for 500 g; all lows: 600 + 360 + 100; all highs: 400 + 360 + 66.7.
    found = mix(LOAF, SHELF).metrics["density_g_per_ml"]
    assert found.typical == pytest.approx(500 / 940)
    assert (found.low, found.high) == pytest.approx((500 / 1060, 500 / (400 + 360 + 20 / 0.3)))


@pytest.mark.parametrize(("cup", "ml"), [("us", 236.5882365), ("metric", 250), ("imperial", 284.130625)])
def test_a_cup_weighs_the_density_times_the_cup_in_force(cup, ml):
    found = analyse(blend(LOAF), SHELF, CupStandard(cup)).metrics
    assert found["cup_g"].typical == pytest.approx(found["density_g_per_ml"].typical * ml)


def test_cost_per_kg_weighs_the_prices():
    assert mix(LOAF, SHELF).cost_per_kg.typical == pytest.approx((300 * 3 + 180 * 2 + 20 * 20) / 500)


def test_cost_with_a_price_missing_is_a_lower_bound():
    found = mix({"sorghum": 50, "bare": 50}, SHELF).cost_per_kg
    assert (found.typical, found.high) == (1.5, None)
    assert found.known_mass_pct == pytest.approx(50)


def test_a_mix_of_binder_alone_has_no_flour_base_and_no_flour_metrics():
    found = mix({"husk": 50}, SHELF)
    assert found.flour_base_g == 0
    assert found.metrics["starch_share_pct"].typical is None
    assert found.parts[0].flour_pct is None
    assert found.metrics["fibre_pct"].typical == pytest.approx(80)


def test_what_the_numbers_rest_on_adds_up_to_the_known_share():
    assert mix({"sorghum": 100}, SHELF).rests_on_pct["table"] == pytest.approx(100)
    # `bare` has one of the seven judged facts.
    assert mix({"bare": 100}, SHELF).rests_on_pct["table"] == pytest.approx(100 / 7)


@pytest.mark.parametrize(
    ("parts", "words"),
    [
        ((), "at least one part"),
        ((Part("sorghum", 0),), "/parts/0/mass_g: a mass of 0 g; it must be over 0"),
        ((Part("sorghum", -3),), "a mass of -3 g"),
        ((Part("sorghum", math.nan),), "a mass of nan g"),
        ((Part("sorghum", math.inf),), "a mass of inf g"),
        ((Part("sorghum", 1), Part("sorghum", 2)), "/parts/1/ingredient: 'sorghum' stands twice"),
        (tuple(Part(f"p{i}", 1) for i in range(201)), "201 parts"),
    ],
    ids=str,
)
def test_parts_that_cannot_be_used_say_where_and_what_would_be_right(parts, words):
    with pytest.raises(BadInputError) as caught:
        analyse(Blend(parts), SHELF)
    assert words in str(caught.value)


def test_an_unknown_ingredient_suggests_the_nearest():
    with pytest.raises(
        UnknownNameError, match="/parts/0/ingredient: unknown ingredient 'tapoca'; did you mean tapioca"
    ):
        mix({"tapoca": 5}, SHELF)


def test_a_definition_of_ones_own_wins_over_the_shelf():
    own = SHELF.with_ingredients([flour("tapioca", "starch", protein_g=5)])
    assert mix({"tapioca": 10}, own).nutrients["protein_g"].typical == 5
    assert SHELF.with_ingredients([]) is SHELF


def test_a_slug_twice_on_a_shelf_is_refused():
    with pytest.raises(BadInputError, match="defined twice"):
        shelf_of(SORGHUM, SORGHUM)

"""Fit to a use: desirability, status, distance, the score, and a brief's own limits on the bands."""

import math

import pytest

from fallow_sieve.core.blends.uses import BandChange, Use, UseBand, fit_to, rule_of_use, with_changes
from fallow_sieve.core.blends.uses.fit import judge_band
from fallow_sieve.core.values.bands import Status, worst_first
from fallow_sieve.core.values.errors import BadInputError, UnknownNameError
from fallow_sieve.core.values.estimates import Estimate
from kit import flour, mix, shelf_of

FIBRE = UseBand(2, 4, 10, 16, "fibre_pct")
AT_MOST = UseBand(0, 0, 1.8, 3, "grit_index")


@pytest.mark.parametrize(
    ("value", "d"),
    [
        (-9, 0.02),
        (1, 0.085),
        (2, 0.15),
        (3, 0.575),
        (4, 1),
        (7, 1),
        (10, 1),
        (13, 0.575),
        (16, 0.15),
        (19, 0.085),
        (99, 0.02),
    ],
)
def test_desirability_falls_in_a_line_to_the_wall_and_on_towards_nothing_beyond_it(value, d):
    assert FIBRE.desirability(value) == pytest.approx(d)


def test_where_the_hard_limit_is_the_good_edge_it_falls_at_once_and_goes_on_over_the_width_of_the_band():
    step = UseBand(4, 4, 10, 10, "fibre_pct")
    # 0.15 at the wall, and 0.13 less over the 6 of the good band.
    assert (step.desirability(4), step.desirability(1), step.desirability(13)) == pytest.approx((1, 0.085, 0.085))


def of(value: float, sigma: float = 0.0) -> Estimate:
    return Estimate(value, value - 1.96 * sigma, value + 1.96 * sigma, 100.0, sigma, sigma)


@pytest.mark.parametrize(
    ("value", "status", "distance"),
    [
        (1.5, "held", -2.5),
        (2, "close", -2),
        (3, "close", -1),
        (4, "pass", 0),
        (10, "pass", 0),
        (12, "close", 2),
        (20, "held", 10),
    ],
)
def test_a_band_says_status_and_signed_distance_to_the_nearer_good_edge(value, status, distance):
    found = judge_band(FIBRE, of(value))
    assert found.status == status
    assert found.distance == pytest.approx(distance)


def test_the_chance_of_being_inside_the_hard_limits_follows_sigma():
    # 3 g with σ 1: inside 2–16 with Φ(1) = 0.8413.
    assert judge_band(FIBRE, of(3, 1)).p_inside_hard == pytest.approx(0.8413, abs=1e-4)


def test_a_limit_at_the_end_of_what_is_possible_cannot_be_crossed():
    assert judge_band(AT_MOST, of(0.1, 1)).p_inside_hard == pytest.approx(0.9981, abs=1e-4)


def test_a_value_that_is_not_wholly_known_is_neither_held_nor_passed():
    found = judge_band(FIBRE, Estimate(5, 5, None, 80))
    assert found.status is Status.UNKNOWN
    assert (found.desirability, found.distance, found.p_inside_hard) == (None, None, None)


# Protein 8 and fibre 3 per 100 g, so d is 1 and 0.15 + 0.85 / 2.
SHELF = shelf_of(flour("f", protein_g=8, fibre_g=3), flour("bare", grit_index=1))


def use_with(*bands: UseBand) -> Use:
    return Use("test", "Test", "short", "dry", bands)


def test_fit_is_the_weighted_geometric_mean_of_desirability():
    use = use_with(UseBand(4, 6, 10, 14, "protein_pct", weight=1), UseBand(2, 4, 10, 16, "fibre_pct", weight=2))
    # (1¹ × 0.575²)^(1/3) = 0.69147
    assert fit_to(use, mix({"f": 100}, SHELF)).score == pytest.approx(69.147, abs=1e-3)


def test_of_two_that_are_held_the_one_farther_off_fits_less_and_neither_is_nought():
    near, far = (UseBand(w, w + 4, 30, 40, "protein_pct") for w in (9, 11))
    good = UseBand(0, 0, 10, 16, "fibre_pct")
    scores = [fit_to(use_with(b, good), mix({"f": 100}, SHELF)).score for b in (near, far)]
    # 8 is 1 and 3 below the walls, whose slopes are 4 wide: d is 0.15 - 0.13 / 4 and 0.15 - 0.13 × 3 / 4.
    assert scores == pytest.approx([100 * (0.15 - 0.13 * off / 4) ** 0.5 for off in (1, 3)])


def test_beyond_a_side_that_holds_nothing_a_mix_is_close_and_never_held():
    band = UseBand(4, 6, 10, 12, "protein_pct", holds_high=False)
    assert [band.status(v) for v in (3, 5, 8, 11, 30)] == ["held", "close", "pass", "close", "close"]
    assert judge_band(band, of(30)).p_inside_hard == 1.0


def test_a_weightless_band_does_not_enter_the_score():
    use = use_with(UseBand(10, 12, 20, 30, "protein_pct", weight=0), UseBand(0, 0, 10, 16, "fibre_pct"))
    assert fit_to(use, mix({"f": 100}, SHELF)).score == 100


def test_an_unknown_metric_does_not_enter_the_score():
    use = use_with(UseBand(0, 0, 10, 16, "fibre_pct"), UseBand(0, 0, 1, 2, "grit_index"))
    found = fit_to(use, mix({"f": 100}, SHELF))
    assert found.score == 100
    assert found.count(Status.UNKNOWN) == 1


def test_with_nothing_known_no_score_is_stated():
    assert fit_to(use_with(UseBand(4, 6, 10, 14, "protein_pct")), mix({"bare": 1}, SHELF)).score is None


def test_what_holds_a_blend_comes_first_and_farther_off_earlier():
    results = [judge_band(FIBRE, of(v)) for v in (5, 3, 1, 0.5)] + [judge_band(FIBRE, Estimate(None, None, None, 0))]
    found = [(r.status.value, r.estimate.typical) for r in worst_first(results)]
    assert found == [("held", 0.5), ("held", 1), ("close", 3), ("unknown", None), ("pass", 5)]


@pytest.mark.parametrize(
    ("limits", "words"),
    [((5, 4, 10, 16), "out of order"), ((2, 4, math.nan, 16), "out of order"), ((2, 12, 10, 16), "must rise")],
)
def test_limits_out_of_order_are_refused(limits, words):
    with pytest.raises(BadInputError, match=words):
        UseBand(*limits, "fibre_pct")


def test_an_unknown_metric_or_a_negative_weight_is_refused():
    with pytest.raises(UnknownNameError, match="did you mean fibre_pct"):
        UseBand(1, 2, 3, 4, "fiber_pct")
    with pytest.raises(BadInputError, match="weight"):
        UseBand(1, 2, 3, 4, "fibre_pct", weight=-1)


def limits_of(use: Use) -> tuple[float, float, float, float]:
    b = use.bands[0]
    return (b.hard_low, b.good_low, b.good_high, b.hard_high)


@pytest.mark.parametrize(
    ("change", "limits"),
    [
        ({"good_low": 6.0}, (2, 6, 10, 16)),
        ({"good_low": 12.0}, (2, 12, 12, 16)),
        ({"good_low": 20.0}, (2, 20, 20, 20)),
        ({"hard_low": 5.0}, (5, 5, 10, 16)),
        ({"good_high": 3.0}, (2, 3, 3, 16)),
        ({"hard_high": 9.0}, (2, 4, 9, 9)),
        ({"hard_low": 5.0, "good_low": 6.0}, (5, 6, 10, 16)),
    ],
    ids=str,
)
def test_a_briefs_limit_pushes_the_untouched_ones_so_that_the_order_holds(change, limits):
    assert limits_of(with_changes(use_with(FIBRE), [BandChange("fibre_pct", **change)])) == limits


def test_contradicting_limits_of_a_brief_are_refused():
    with pytest.raises(BadInputError, match="out of order"):
        with_changes(use_with(FIBRE), [BandChange("fibre_pct", good_low=9, good_high=5)])


def test_a_wish_for_a_metric_without_a_band_makes_one_as_wide_as_is_possible():
    made = with_changes(use_with(), [BandChange("protein_pct", good_low=8)])
    assert limits_of(made) == (0, 8, 100, 100)
    with pytest.raises(UnknownNameError):
        with_changes(use_with(), [BandChange("protien", good_low=8)])


def test_an_unknown_use_suggests_the_nearest():
    with pytest.raises(UnknownNameError, match="/use: unknown use 'tset'; did you mean test"):
        rule_of_use({"test": use_with()}, "tset")

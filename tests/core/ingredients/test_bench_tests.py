"""Bench tests: worked examples by hand for cup, water, sieve and scale, and what cannot have been weighed."""

import math
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.ingredients.bench_tests import (
    Soak,
    cup_fact,
    cup_weight,
    scale_check,
    water_fact,
    water_taken_up,
)
from fallow_sieve.core.ingredients.bench_tests.sieve_grading import (
    GritPoint,
    OnMesh,
    grade,
    grit_fact,
    grit_for,
    grit_verdict,
    size_at,
)
from fallow_sieve.core.ingredients.ingredient import Quality
from fallow_sieve.core.numerics.repeated_readings import measured, t_95, verdict
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.estimates import Range
from fallow_sieve.reference.sieving import grit_mapping


@pytest.mark.parametrize(("n", "t"), [(2, 12.706), (3, 4.303), (4, 3.182), (10, 2.262)])
def test_students_t_is_that_of_the_printed_tables(n, t):
    assert t_95(n) == pytest.approx(t, abs=0.001)


def test_the_mean_of_three_with_its_interval_by_hand():
    """1.50, 1.54, 1.52: s = 0.02, 4.303 · 0.02 / √3 = 0.0497; the next: 4.303 · 0.02 · √(4/3) = 0.0994."""
    found = measured([1.50, 1.54, 1.52])
    assert (found.mean, found.sd) == pytest.approx((1.52, 0.02))
    assert (found.half_width, found.next_half_width) == pytest.approx((0.0497, 0.0994), abs=1e-4)


def test_an_interval_is_never_narrower_than_the_scale_can_tell():
    assert measured([1.0, 1.0, 1.0], 0.02).range == Range(0.98, 1.0, 1.02)


@pytest.mark.parametrize("readings", [[], [1.0], [1.0, math.nan], [1.0] * 31])
def test_too_few_readings_or_one_that_is_none_are_refused(readings):
    with pytest.raises(BadInputError):
        measured(readings)


@given(st.lists(st.floats(0.1, 10), min_size=2, max_size=8), st.floats(0.1, 10))
def test_scaling_every_reading_scales_mean_and_interval(readings, k):
    one, other = measured(readings), measured([k * r for r in readings])
    assert other.mean == pytest.approx(k * one.mean)
    assert other.half_width == pytest.approx(k * one.half_width, abs=1e-9)


def test_a_difference_inside_the_interval_is_none():
    words = ("is {} more", "is {} less", "1.30")
    assert verdict(Range(1.2, 1.3, 1.4), 1.35, *words).kind == "same"
    assert verdict(Range(1.40, 1.46, 1.51), 1.3, *words).say == "Your bag is 12 % more: 1.30."
    assert verdict(Range(1.0, 1.04, 1.08), 1.3, *words).say == "Your bag is 20 % less: 1.30."
    assert verdict(Range(1.0, 1.04, 1.08), None, *words).kind == "new"


def test_cup_weight_by_hand():
    """141, 138, 143 g in 250 mL: 0.564, 0.552, 0.572 g/mL, mean 0.5627, s 0.01007; next cup ± 0.0500."""
    found = cup_weight([141, 138, 143], 250, "spooned", 0.52)
    assert found.mean.mean == pytest.approx(0.56267, abs=1e-5)
    assert (found.density.low, found.density.high) == pytest.approx((0.5126, 0.6127), abs=1e-4)
    assert found.cup_g.typical == pytest.approx(140.67, abs=0.01)
    assert found.verdict.say.startswith("Your bag weighs 8 % more by the cup than typical: 0.563 ± 0.025 g/mL, 141 g")
    fact = cup_fact(found, "spooned", "2026-03-14")
    assert (fact.quality, fact.noted_on, fact.source) == (
        Quality.MEASURED,
        "2026-03-14",
        "cup weight, 3 cups spooned in",
    )


@pytest.mark.parametrize(
    ("args", "place"),
    [
        (([141, 0, 140], 250, "spooned"), "/net_g/1"),
        (([141, 1400, 140], 250, "spooned"), "/net_g/1"),
        (([141, 2, 140], 250, "spooned"), "/net_g/1"),
        (([141, 140], 0, "spooned"), "/cup_ml"),
        (([141, 140], 250, "poured"), "/way"),
        (([141], 250, "dipped"), "/readings"),
    ],
)
def test_a_cup_that_cannot_be_names_the_reading(args, place):
    with pytest.raises(BadInputError) as error:
        cup_weight(*args, None)
    assert error.value.place == place


RUNS = [Soak(50, 165), Soak(50, 167), Soak(50, 166)]


def test_water_taken_up_by_hand_with_what_stays_in_the_cloth_left_out():
    """(165 − 40 − 50) / 50 = 1.50; 1.54; 1.52: 1.52 ± 0.05, 17 % over 1.30. The cloth held 28 g."""
    found = water_taken_up(RUNS, 12, 40, 1.30)
    assert found.mean.readings == pytest.approx((1.50, 1.54, 1.52))
    assert found.cloth_water_g == 28
    assert found.verdict.say == "Your bag takes 17 % more water than typical: 1.52 ± 0.05 g/g."
    assert water_fact(found, "2026-03-14").range == found.thirst


def test_without_the_blank_run_the_cloths_water_would_have_been_the_flours():
    wrong = water_taken_up(RUNS, 12, 12, 1.30)
    assert wrong.mean.mean - water_taken_up(RUNS, 12, 40, 1.30).mean.mean == pytest.approx(28 / 50)


@pytest.mark.parametrize(
    ("runs", "dry", "wet", "place"),
    [
        ([Soak(50, 80), Soak(50, 165)], 12, 40, "/runs/0/drained_g"),
        ([Soak(50, 165), Soak(0, 165)], 12, 40, "/runs/1/flour_g"),
        (RUNS, 40, 12, "/cloth_wet_g"),
        ([Soak(50, 4000), Soak(50, 165)], 12, 40, "/runs/0/drained_g"),
        ([Soak(50, 165)], 12, 40, "/readings"),
    ],
)
def test_water_that_cannot_have_been_taken_up_names_the_reading(runs, dry, wet, place):
    with pytest.raises(BadInputError) as error:
        water_taken_up(runs, dry, wet, None)
    assert error.value.place == place


MAPPING = (GritPoint(100, 1, ""), GritPoint(200, 2, ""), GritPoint(400, 4, ""))
# 100 g: 10 on 400 µm, 20 on 200 µm, 30 on 100 µm, 40 in the pan.
STACK = [OnMesh(400, 10), OnMesh(200, 20), OnMesh(100, 30), OnMesh(0, 40)]


def test_a_grading_by_hand():
    """40, 70, 90 % pass 100, 200, 400 µm; d₅₀ = 100 · 2^(1/3) = 126 µm; d₉₀ = 400 µm: grit 4."""
    found = grade(100, STACK, MAPPING)
    assert [(p.opening_um, p.passing_pct) for p in found.passing] == [(100, 40), (200, 70), (400, 90)]
    assert found.d10_um is None
    assert found.d50_um == pytest.approx(100 * 2 ** (1 / 3))
    assert found.d90_um == pytest.approx(400)
    assert (found.grit.low, found.grit.typical, found.grit.high) == pytest.approx((3.5, 4.0, 4.0))
    assert found.loss_pct == 0
    assert found.warnings == ()
    assert "d₁₀ under 100 µm" in found.say
    assert grit_fact(found, "2026-03-14").source == "sieve grading, d₉₀ 400 µm"


def test_rosin_and_rammlers_own_distribution_is_found_again():
    """R = exp(−(d/200)^1.5) sampled at four meshes gives d′ 200 and n 1.5 back."""
    sizes = [500, 355, 180, 90]
    passing = [1 - math.exp(-((d / 200) ** 1.5)) for d in sizes]
    masses = [1 - passing[0], *(a - b for a, b in pairwise(passing)), passing[-1]]
    found = grade(100, [OnMesh(d, 100 * m) for d, m in zip([*sizes, 0], masses, strict=True)], MAPPING).fit
    assert (found.size_um, found.spread, found.r_squared) == pytest.approx((200, 1.5, 1.0))


@pytest.mark.parametrize(("start", "warns"), [(100, False), (102, False), (102.1, True), (97.9, True), (98.1, False)])
def test_a_loss_or_gain_over_2_percent_warns(start, warns):
    assert bool(grade(start, STACK, MAPPING).warnings) is warns


def test_outside_the_stack_only_one_end_is_known():
    coarse = grade(100, [OnMesh(400, 50), OnMesh(200, 30), OnMesh(100, 15), OnMesh(0, 5)], MAPPING)
    assert (coarse.d90_um, coarse.grit.low, coarse.grit.high) == (None, 4.0, 4.0)
    fine = grade(100, [OnMesh(400, 0), OnMesh(200, 1), OnMesh(100, 2), OnMesh(0, 97)], MAPPING)
    assert (fine.d90_um, fine.grit) == (None, Range(0.0, 0.5, 1.0))
    assert len(coarse.warnings) == len(fine.warnings) == 1


@given(st.lists(st.floats(0.1, 50), min_size=4, max_size=4), st.floats(0.01, 20))
def test_a_grading_depends_on_shares_alone(masses, k):
    def stack(factor):
        return [OnMesh(d, factor * m) for d, m in zip((400, 200, 100, 0), masses, strict=True)]

    one, other = grade(sum(masses), stack(1), MAPPING), grade(k * sum(masses), stack(k), MAPPING)
    assert [p.passing_pct for p in other.passing] == pytest.approx([p.passing_pct for p in one.passing])
    assert other.grit.typical == pytest.approx(one.grit.typical)


@given(st.lists(st.floats(0.1, 50), min_size=4, max_size=4), st.floats(1, 99))
def test_the_size_that_a_share_passes_lies_between_its_meshes(masses, share):
    found = grade(sum(masses), [OnMesh(d, m) for d, m in zip((400, 200, 100, 0), masses, strict=True)], MAPPING)
    size = size_at(found.passing, share)
    below = [p.opening_um for p in found.passing if p.passing_pct <= share]
    above = [p.opening_um for p in found.passing if p.passing_pct >= share]
    if size is not None:
        assert below[-1] - 1e-9 <= size <= above[0] + 1e-9


@pytest.mark.parametrize(
    ("start", "stack", "place"),
    [
        (0, STACK, "/start_g"),
        (100, STACK[:3], "/stack"),
        (100, [*STACK[:2], *STACK[1:]], "/stack"),
        (100, [OnMesh(400, -1), *STACK[1:]], "/stack/0/mass_g"),
        (100, [OnMesh(d, 0) for d in (400, 200, 100, 0)], "/stack"),
        (100, [OnMesh(5, 10), *STACK[1:]], "/stack/0/opening_um"),
    ],
)
def test_a_stack_that_cannot_be_names_the_mesh(start, stack, place):
    with pytest.raises(BadInputError) as error:
        grade(start, stack, MAPPING)
    assert error.value.place == place


def test_the_bundled_mapping_rises_and_is_straight_between_its_points():
    points = grit_mapping()
    assert [p.grit_index for p in points] == sorted(p.grit_index for p in points) == [0, 1, 2, 3, 4, 5]
    assert [p.d90_um for p in points] == sorted(p.d90_um for p in points)
    assert grit_for(205, points) == pytest.approx(2.5)
    assert (grit_for(1, points), grit_for(9000, points)) == (0, 5)


def test_grit_is_compared_to_half_a_step():
    found = grade(100, STACK, MAPPING)
    assert grit_verdict(found, 3.6).kind == "same"
    assert grit_verdict(found, 2).say == "Your bag is ground coarser than typical: grit 4.0 of 5 against 2."
    assert grit_verdict(found, None).kind == "new"


def test_a_scale_by_hand():
    """8 × 8 g, one 7, one 9: s = √(2/9) = 0.471 g; smallest dose 2 · 0.471 / 0.05 = 18.9 g."""
    found = scale_check([8, 8, 8, 7, 8, 8, 8, 9, 8, 8], 1.0)
    assert (found.repeatability_g, found.smallest_dose_g) == pytest.approx((0.4714, 18.856), abs=0.001)
    assert (
        found.say == "Your scale shows steps of 1 g and repeats within 0.94 g; it weighs 19 g and more to within 5 %."
    )


def test_a_scale_that_never_moves_still_hides_0_41_of_a_step():
    assert scale_check([8.0] * 10, 1.0).repeatability_g == pytest.approx(0.41)


@pytest.mark.parametrize(
    ("readings", "step", "place"),
    [([8] * 9, 1, "/readings_g"), ([8] * 9 + [0], 1, "/readings_g/9"), ([8] * 9 + [80], 1, "/readings_g"), ([8] * 10, 0, "/readability_g")],
)  # fmt: skip
def test_a_check_that_tells_nothing_is_refused(readings, step, place):
    with pytest.raises(BadInputError) as error:
        scale_check(readings, step)
    assert error.value.place == place

"""Scaling by flour, total, pieces and tin; rounding that keeps the total; whole eggs; tins by the prismatoid formula."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.formulas.analysis import analyse_formula
from fallow_sieve.core.formulas.formula import BLEND, Line, When
from fallow_sieve.core.formulas.pouring import counted_water
from fallow_sieve.core.formulas.scaling import by_flour, by_pieces, by_total, round_to_step, scale_lines, whole_eggs
from fallow_sieve.core.formulas.tins import FillRule, Tin, filling, parse_tin, volume_ml
from fallow_sieve.core.values.errors import BadInputError, QuantityError
from fallow_sieve.reference.ingredients import library_shelf
from kit import formula_of

SHELF = library_shelf()
LOAF = formula_of(
    [
        (BLEND, 500, "dry"),
        ("water", 400, "wet"),
        ("whole-egg", 55, "wet"),
        ("salt", 9, "dry"),
        ("raisins", 36, "filling"),
    ],
    {"sorghum-flour": 600, "potato-starch": 400},
)
FOUND = analyse_formula(LOAF, SHELF)
SLUGS = (
    "water",
    "whole-milk",
    "unsalted-butter",
    "salt",
    "honey",
    "sorghum-flour",
    "corn-starch",
    "whole-egg",
    "xanthan-gum",
)
LINES = st.lists(
    st.builds(Line, st.sampled_from(SLUGS), st.floats(0.05, 5000), st.sampled_from(list(When))),
    min_size=1,
    max_size=12,
).map(tuple)


def test_by_flour_by_total_and_by_pieces():
    assert by_flour(FOUND, LOAF.lines, 1000).factor == pytest.approx(2)
    assert by_total(FOUND, LOAF.lines, 482).factor == pytest.approx(0.5)  # the dough is 964 g; the filling goes with it
    found = by_pieces(FOUND, LOAF.lines, 10, 80, mixing_loss_pct=2)
    assert found.dough_g == pytest.approx(800 / 0.98)
    baked = by_pieces(FOUND, LOAF.lines, 10, 80, mixing_loss_pct=0, bake_loss_pct=12)
    assert baked.dough_g == pytest.approx(800 / 0.88)


@pytest.mark.parametrize(
    "ask",
    [
        lambda: by_pieces(FOUND, LOAF.lines, 0, 80), lambda: by_flour(FOUND, LOAF.lines, 0),
        lambda: by_pieces(FOUND, LOAF.lines, 1, 80, mixing_loss_pct=95), lambda: by_total(FOUND, LOAF.lines, float("inf")),
        lambda: by_flour(analyse_formula(formula_of({"water": 5}), SHELF), (), 5), lambda: by_flour(FOUND, LOAF.lines, 1e12),
    ],
)  # fmt: skip
def test_a_scale_that_cannot_be_is_refused(ask):
    with pytest.raises(BadInputError):
        ask()


@given(LINES, st.floats(0.01, 100))
def test_scaling_keeps_every_share_mass_and_water(lines, factor):
    done = scale_lines(lines, factor)
    assert math.fsum(x.mass_g for x in done) == pytest.approx(factor * math.fsum(x.mass_g for x in lines), rel=1e-9)
    assert counted_water(done, SHELF) == pytest.approx(factor * counted_water(lines, SHELF), rel=1e-9, abs=1e-9)
    assert [x.when for x in done] == [x.when for x in lines]


def test_largest_remainder_keeps_the_total():
    lines = [Line("water", g, When.WET) for g in (33.4, 33.4, 33.2)]
    done = round_to_step(lines, 1)
    assert [x.mass_g for x in done.lines] == [34, 33, 33]
    assert done.moved_pct == pytest.approx(100 * (34 / 33.4 - 1))


@given(LINES, st.sampled_from((0.1, 0.5, 1, 2, 5)))
def test_rounding_keeps_the_sum_to_the_step_and_no_line_moves_by_a_step(lines, step):
    done = round_to_step(lines, step)
    coarse = [n for n in range(len(lines)) if n not in done.too_fine]
    before, after = (math.fsum(x[n].mass_g for n in coarse) for x in (lines, done.lines))
    assert abs(before - after) <= step / 2 + 1e-6
    for n in coarse:
        assert abs(done.lines[n].mass_g - lines[n].mass_g) < step + 1e-6
        assert done.lines[n].mass_g / step == pytest.approx(round(done.lines[n].mass_g / step))
    for n in done.too_fine:
        assert done.lines[n] == lines[n]
    assert done.moved_pct <= 10.0001  # ten steps or more: one step is a tenth of it at most


def test_half_an_egg_is_weighed_or_made_whole_with_the_water_repaired():
    lines = (Line("whole-egg", 75, When.WET), Line("water", 100, When.WET))
    found = whole_eggs(lines, 50, SHELF)
    water = SHELF["whole-egg"].range_of("water_g").typical / 100
    assert (found.count, found.whole) == (1.5, 2)
    assert found.water_g == pytest.approx(-25 * water)
    assert counted_water(found.lines, SHELF) == pytest.approx(counted_water(lines, SHELF), rel=1e-9)
    assert "1.5 eggs: whisk and weigh 75 g, or take 2 whole (100 g)" in found.say
    assert whole_eggs((Line("water", 1, When.WET),), 50, SHELF) is None
    assert whole_eggs((Line("whole-egg", 10, When.WET),), 50, SHELF).whole == 1


@given(st.floats(1, 2000), st.floats(500, 3000), st.sampled_from((43, 50, 60)))
def test_whole_eggs_keep_the_water_of_the_dough(egg_g, water_g, each):
    lines = (Line("whole-egg", egg_g, When.WET), Line("water", water_g, When.WET))
    found = whole_eggs(lines, each, SHELF)
    assert counted_water(found.lines, SHELF) == pytest.approx(counted_water(lines, SHELF) + found.short_g, rel=1e-9)


def test_volumes_by_hand():
    assert volume_ml(Tin("box", 20, 10, 9)) == pytest.approx(1800)
    # Top 20 × 10, base 18 × 8, 6 high: 6/6 × (200 + 4 × 19 × 9 + 144).
    assert volume_ml(Tin("box", 20, 10, 6, 18, 8)) == pytest.approx(200 + 4 * 171 + 144)
    assert volume_ml(Tin("round", 20, 20, 5)) == pytest.approx(math.pi * 100 * 5)
    # A cone's frustum: π h (R² + R r + r²)/3.
    assert volume_ml(Tin("round", 20, 20, 6, 16)) == pytest.approx(math.pi * 6 * (100 + 80 + 64) / 3)
    assert volume_ml(Tin("ring", 20, 20, 5, hole_cm=6)) == pytest.approx(math.pi * (100 - 9) * 5)
    assert volume_ml(Tin("cups", 7, 7, 3, 5, count=12)) == pytest.approx(12 * math.pi * 3 * (12.25 + 8.75 + 6.25) / 3)


@given(st.floats(1, 50), st.floats(1, 50), st.floats(1, 20), st.floats(1, 50), st.floats(1, 50))
def test_a_tapered_box_lies_between_its_two_straight_ones(length, width, height, base_l, base_w):
    tapered = volume_ml(Tin("box", length, width, height, base_l, base_w))
    ends = length * width * height, base_l * base_w * height
    cross = length * base_w * height, base_l * width * height
    assert min(*ends, *cross) * (1 - 1e-9) <= tapered <= max(*ends, *cross) * (1 + 1e-9)
    assert tapered == pytest.approx(volume_ml(Tin("box", base_l, base_w, height, length, width)))


def test_dough_for_tins_and_a_warning_where_it_climbs_over_the_rim():
    fine = filling(Tin("box", 20, 10, 9), 2, FillRule(0.55, 1.7))
    assert (fine.each_g, fine.total_g) == (pytest.approx(0.55 * 1800 * 1.05), pytest.approx(2 * 0.55 * 1800 * 1.05))
    assert (fine.risen, fine.warning) == (pytest.approx(0.935), "")
    over = filling(Tin("box", 20, 10, 9), 1, FillRule(0.55, 1.7), fill=0.7)
    assert "119 %" in over.warning
    assert "59 %" in over.warning


@pytest.mark.parametrize(
    ("text", "volume"),
    [("20x10x9cm", 1800), ("8x4x3in", 96 * 2.54**3), ("20x8cm", math.pi * 100 * 8), ("20 × 10 × 9 cm", 1800)],
)
def test_a_tin_is_read_from_its_measures(text, volume):
    assert volume_ml(parse_tin(text)) == pytest.approx(volume)


@pytest.mark.parametrize("text", ["", "20x10", "20x10x9", "20x10x9mm", "axbxc cm", "0x10x9cm", "999x10x9cm"])
def test_what_is_no_tin_is_refused(text):
    with pytest.raises((QuantityError, BadInputError)):
        parse_tin(text, "--tin")


@pytest.mark.parametrize(
    "tin",
    [
        Tin("bag", 1, 1, 1),
        Tin("box", -1, 1, 1),
        Tin("ring", 20, 20, 5),
        Tin("ring", 20, 20, 5, hole_cm=20),
        Tin("cups", 7, 7, 3, count=0),
    ],
)
def test_a_tin_that_cannot_be_names_the_measure(tin):
    with pytest.raises(BadInputError) as refused:
        volume_ml(tin)
    assert refused.value.place.startswith("/tin/")

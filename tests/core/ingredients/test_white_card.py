"""Lightness beside a white card: by hand, what light and exposure may not change, and what no photo can show."""

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from fallow_sieve.core.ingredients.bench_tests import lightness_fact, white_card
from fallow_sieve.core.ingredients.bench_tests.white_card import lightness_of, luminance
from fallow_sieve.core.values import BadInputError

PAPER = (228.0, 226.0, 221.0)
CREAM = (214.0, 203.0, 180.0)


def test_a_crust_beside_paper_by_hand():
    """Y 0.761 and 0.167: 0.167 ÷ 0.761 × 0.86 = 0.189; 116·0.189^⅓ − 16 = 50.6."""
    assert luminance(PAPER) == pytest.approx(0.761, abs=5e-4)
    assert luminance((150, 104, 62)) == pytest.approx(0.167, abs=5e-4)
    found = white_card(PAPER, [(150, 104, 62)] * 3, None)
    assert found.lightness.typical == pytest.approx(50.6, abs=0.1)
    assert found.lightness.high - found.lightness.typical == pytest.approx((50.6 + 16) / 3 * 0.16, abs=0.01)


@pytest.mark.parametrize(("share", "lightness"), [(0.0, 0.0), (0.18, 49.5), (1.0, 100.0), (0.008, 7.23)])
def test_lightness_is_that_of_the_published_scale(share, lightness):
    """CIE 15: mid grey of 18 % is 49.5, white 100, black 0; near black the scale is straight (903.3 · Y)."""
    assert lightness_of(share) == pytest.approx(lightness, abs=0.05)


@given(st.tuples(*[st.floats(40, 180)] * 3), st.floats(0.3, 1.0))
def test_a_flour_as_bright_as_the_paper_is_as_light_as_paper_in_any_light(colour, dim):
    shade = tuple(c * dim for c in colour)
    assume(luminance(shade) > 0.06)
    found = white_card(shade, [shade, shade], None)
    assert found.lightness.typical == pytest.approx(lightness_of(0.86))


@given(st.floats(60, 200), st.floats(1, 20))
def test_a_brighter_spot_reads_lighter(grey, more):
    one, other = (white_card(PAPER, [(g, g, g)] * 2, None).lightness.typical for g in (grey, grey + more))
    assert other > one


def test_spots_that_differ_widen_the_range_and_say_so():
    even, uneven = (white_card(PAPER, spots, None) for spots in ([CREAM] * 3, [CREAM, (180, 170, 150), CREAM]))
    assert uneven.lightness.high - uneven.lightness.low > even.lightness.high - even.lightness.low
    assert not even.warnings
    assert "differ by more than 5" in uneven.warnings[0]


@pytest.mark.parametrize(("card", "word"), [((255.0, 254.0, 250.0), "burnt out"), ((120.0, 118.0, 110.0), "dark")])
def test_a_photo_too_bright_or_too_dark_is_said(card, word):
    assert word in white_card(card, [(100, 95, 80)] * 2, None).warnings[0]


@pytest.mark.parametrize(
    ("card", "spots", "place"),
    [
        ((20.0, 20.0, 20.0), [CREAM] * 2, "/card"),
        (PAPER, [CREAM, (250.0, 250.0, 250.0)], "/spots/1"),
        (PAPER, [(300.0, 0.0, 0.0), CREAM], "/spots/0"),
        (PAPER, [CREAM], "/readings"),
    ],
)
def test_what_cannot_be_a_card_beside_flour_is_refused_where_it_stands(card, spots, place):
    with pytest.raises(BadInputError) as wrong:
        white_card(card, spots, None)
    assert wrong.value.place == place


def test_the_verdict_is_against_the_flour_as_it_was_known():
    now = white_card(PAPER, [CREAM] * 3, None).lightness.typical
    assert white_card(PAPER, [CREAM] * 3, now + 2).verdict.kind == "same"
    assert white_card(PAPER, [CREAM] * 3, now + 20).verdict.say.startswith("Your bag is darker than typical by 20 L*")
    fact = lightness_fact(white_card(PAPER, [CREAM] * 3, None), "2026-03-14")
    assert (fact.source, fact.noted_on) == ("beside a white card, 3 spots", "2026-03-14")

"""Oven temperatures as people write them, and the bake that follows from a use."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.baking.ovens import in_words, oven_clashes, oven_mentions, parse_oven, setting
from fallow_sieve.core.baking.phases import pan_named, plan_bake
from fallow_sieve.core.values.errors import QuantityError, UnknownNameError
from fallow_sieve.reference.formulas import formula_rules, marks

RULES = formula_rules()


@pytest.mark.parametrize(
    ("text", "c", "f", "fan_c", "gas"),
    [
        ("350F", 175, 350, 155, 4), ("180C", 180, 355, 160, 4), ("gas4", 180, 355, 160, 4), ("160C-fan", 180, 355, 160, 4),
        ("160 °C fan", 180, 355, 160, 4), ("gas mark 7", 220, 430, 200, 7), ("gas ½", 120, 250, 100, 0.5), ("425f", 220, 425, 200, 7),
        ("450F", 230, 450, 210, 8), ("100C", 100, 210, 80, 0.25), ("300C", 300, 570, 280, None),
    ],
)  # fmt: skip
def test_a_temperature_reads_the_same_on_every_oven(text, c, f, fan_c, gas):
    found = parse_oven(text, marks())
    assert (found.conventional_c, found.conventional_f, found.fan_c, found.gas_mark) == (c, f, fan_c, gas)


@pytest.mark.parametrize("text", ["", "180", "hot", "gas 12", "20C", "999F", "180K", "gas1/3"])
def test_what_is_no_oven_temperature_is_refused_with_what_would_be_right(text):
    with pytest.raises(QuantityError, match=r"180C|gas|between 50"):
        parse_oven(text, marks(), "temperature")


@given(st.integers(60, 480))
def test_celsius_comes_back_the_same(temp_c):
    assert parse_oven(f"{temp_c}C", marks()).exact_c == temp_c
    assert abs(setting(temp_c, marks()).conventional_c - temp_c) <= 2.5


def test_the_kitchens_unit_stands_first():
    oven = setting(180, marks())
    assert in_words(oven, "c") == "180 °C, fan 160 °C, 355 °F, gas 4"
    assert in_words(oven, "f").startswith("355 °F, fan 320 °F, 180 °C")


@pytest.mark.parametrize(
    ("text", "clashes"),
    [
        ("Bake at 180 °C (350 °F).", 0), ("Bake at 180°C/400°F.", 1), ("180 C (fan 160 C, gas 4)", 0), ("180 C, fan 180 C", 1),
        ("gas mark 4 (220 °C)", 1), ("Gas 5 or 190 degrees C", 0), ("gas mark 12", 1), ("200 °C for 10 min, then 180 °C", 0),
        ("220 °C/200 °C fan/425 °F/gas 7", 0), ("At 350 F rest, much later on another rack far below, turn to 180 C", 0),
    ],
)  # fmt: skip
def test_temperatures_that_stand_together_must_be_one_setting(text, clashes):
    assert len(oven_clashes(oven_mentions(text, 3), marks())) == clashes


def test_a_clash_names_its_place_and_both_readings():
    (clash,) = oven_clashes(oven_mentions("Bake at 180 °C (400 °F).", 7), marks())
    assert (clash.line, clash.column) == (7, 9)
    assert "180 °C and 204 °C" in clash.say


def bake(use, pan=None, rich=0.0):
    return plan_bake(RULES.phases.get(use, ()), RULES.doneness.get(use), pan_named(pan, RULES.pans), RULES.marks, rich)


def test_the_pan_changes_the_time_of_what_is_baked_in_it_only():
    bright, clay = bake("tin-loaf"), bake("tin-loaf", "stone or clay")
    assert [p.minutes_typical for p in bright.phases] == [42, 7]
    assert [p.minutes_typical for p in clay.phases] == [pytest.approx(42 * 1.25), 7]
    with pytest.raises(UnknownNameError):
        pan_named("cardboard", RULES.pans)


def test_a_rich_dough_is_done_at_the_lower_core_and_a_lean_one_at_the_higher():
    assert "94 °C, the lower end, for it is rich" in bake("tin-loaf", rich=30).core_why
    assert "98 °C, the upper end, for it is lean" in bake("tin-loaf", rich=5).core_why


def test_cautions_stand_with_the_bake_and_steam_with_steam():
    assert {c.kind for c in bake("hearth-loaf").cautions} == {"raw", "steam", "hot"}
    assert {c.kind for c in bake("scone").cautions} == {"raw", "hot"}


def test_a_use_without_a_bake_says_so():
    found = bake("thickener")
    assert (found.phases, found.core_low_c, found.bake_loss_pct) == ((), None, None)
    assert "No bake is on record" in found.say

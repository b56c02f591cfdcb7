"""What plans teach: rises, doughs and ovens, each the more the more often, none of it by a slip."""

import pytest

from fallow_sieve.core.schedule.learning import (
    FinishedRise,
    HeatedOven,
    MixedDough,
    check_dough,
    check_heating,
    check_rise,
    heating_of,
    pace_of,
    warmth_of,
)
from fallow_sieve.core.values import BadInputError


def test_a_kitchen_in_which_everything_rises_slowly_says_so_of_a_new_formula_less_surely():
    rises = [FinishedRise("tin-loaf", "a", 1.0, 1.3)] * 4
    own, kin, other = (
        pace_of(rises, use, formula) for use, formula in (("tin-loaf", "a"), ("tin-loaf", "b"), ("scone", "c"))
    )
    assert own.factor > kin.factor > other.factor > 1
    assert own.level == "formula"
    assert kin.level == "use"
    assert other.level == "kitchen"
    assert own.high_factor / own.low_factor < other.high_factor / other.low_factor
    assert own.say == f"4 rises of this formula: {100 * (own.factor - 1):.0f} % slower than planned."


def test_nothing_learnt_is_the_rule_of_thumb():
    assert (pace_of([], "tin-loaf", "a").factor, warmth_of([], "tin-loaf", "a").offset_k, heating_of([], "deck")) == (
        1.0,
        0.0,
        (1.0, 0),
    )
    assert "rule of thumb" in pace_of([], "tin-loaf", "a").say


def test_a_mixer_that_warms_more_is_learnt_towards_what_was_measured():
    once = warmth_of([MixedDough("tin-loaf", "a", 26, 28)], "tin-loaf", "a")
    often = warmth_of([MixedDough("tin-loaf", "a", 26, 28)] * 6, "tin-loaf", "a")
    assert 0 < once.offset_k < often.offset_k < 2
    assert often.reach_k < once.reach_k


def test_an_oven_that_heats_slowly_says_little_of_another():
    heats = [HeatedOven("deck", 30, 45)] * 3
    own, other = heating_of(heats, "deck")[0], heating_of(heats, "fan")[0]
    assert 1.3 < own < 1.5
    assert 1 < other < own


@pytest.mark.parametrize(
    ("check", "what"),
    [
        (check_rise, FinishedRise("a", "b", 1.0, 9.0)), (check_rise, FinishedRise("a", "b", 0.0, 1.0)),
        (check_dough, MixedDough("a", "b", 26, 62)), (check_heating, HeatedOven("a", 10, 0)), (check_heating, HeatedOven("a", 10, 90)),
    ],
)  # fmt: skip
def test_a_slip_is_refused(check, what):
    with pytest.raises(BadInputError):
        check(what)

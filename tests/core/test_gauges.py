"""A gauge stands on its band: inside passes, between the band and the hard limit is close, outside is held."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.binders import BinderLoad
from fallow_sieve.core.gauges import Gauge, Limits, binder_gauge, lift_gauge, state_of, worst_first, yeast_gauges
from fallow_sieve.core.leavening import Lift, Load, Usual
from fallow_sieve.core.uses import Status

BAND = Limits(10, 20, 40, 50)


@pytest.mark.parametrize(
    ("value", "status", "off"),
    [
        (20, Status.PASS, -20), (40, Status.PASS, 0), (30, Status.PASS, -10), (19.9, Status.CLOSE, -0.1), (10, Status.CLOSE, -10),
        (9.9, Status.HELD, -10.1), (45, Status.CLOSE, 5), (50, Status.CLOSE, 10), (50.1, Status.HELD, 10.1),
    ],
)  # fmt: skip
def test_the_edge_of_a_band_is_inside_it(value, status, off):
    assert BAND.status(value) is status
    if status is not Status.PASS:
        assert BAND.off(value) == pytest.approx(off)


@given(st.lists(st.floats(0, 100), min_size=4, max_size=4).map(sorted), st.floats(-10, 110))
def test_further_from_the_band_is_never_better(edges, value):
    limits = Limits(*edges)
    order = [Status.PASS, Status.CLOSE, Status.HELD]
    middle = (limits.good_low + limits.good_high) / 2
    nearer = middle + (value - middle) / 2
    assert order.index(limits.status(nearer)) <= order.index(limits.status(value))


def test_a_lift_that_the_use_does_not_know_is_said_and_not_judged():
    g = lift_gauge(Lift("powder", "Baking powder", 1.2, None))
    assert (g.status, g.say, g.good_low, g.hard_high) == (Status.UNKNOWN, "not usual here", None, None)


@pytest.mark.parametrize(
    ("value", "status", "say"),
    [
        (1.5, Status.PASS, "passes"), (0.7, Status.CLOSE, "0.3 % short"), (0.4, Status.HELD, "0.6 % short"),
        (3.0, Status.CLOSE, "1.0 % over"), (3.2, Status.HELD, "1.2 % over"),
    ],
)  # fmt: skip
def test_the_hard_limits_of_a_lift_are_half_and_one_and_a_half_of_its_usual(value, status, say):
    g = lift_gauge(Lift("yeast", "Yeast, as instant", value, Usual(1.0, 1.6, 2.0)))
    assert (g.status, g.say) == (status, say)
    assert (g.hard_low, g.good_low, g.good_high, g.hard_high) == (0.5, 1.0, 2.0, 3.0)


@pytest.mark.parametrize(
    ("load", "state", "status", "say"),
    [
        (1.0, "good", Status.PASS, "passes"), (0.0, "none", Status.HELD, "none at all"), (0.5, "light", Status.CLOSE, "light"),
        (1.5, "heavy", Status.CLOSE, "heavy"), (2.0, "double", Status.HELD, "double dose?"),
    ],
)  # fmt: skip
def test_the_load_of_binder_is_good_from_seven_tenths_to_one_and_three_tenths(load, state, status, say):
    (g,) = binder_gauge(BinderLoad(load=load, state=state, doses=(), say=""))
    assert (g.status, g.say, g.good_low, g.good_high) == (status, say, 0.7, 1.3)


def test_where_nothing_binds_and_no_dose_is_usual_there_is_no_gauge():
    assert binder_gauge(BinderLoad(load=None, state="unknown", doses=(), say="no dose on record")) == ()


def test_salt_slows_yeast_over_three_percent_and_sugar_over_ten():
    salt, sugar = yeast_gauges([Load("salt", 3.5, 4.0, "slow"), Load("sugar", 9.0, 10.0, "")])
    assert (salt.status, salt.say, salt.good_high, salt.hard_high) == (Status.CLOSE, "slows yeast", 3, 4)
    assert (sugar.status, sugar.say, sugar.good_high) == (Status.PASS, "passes", 10)


def _gauge(name: str, status: Status, say: str = "passes") -> Gauge:
    return Gauge(name, name.capitalize(), "%", 1.0, status, say)


def test_the_state_names_what_holds_it_else_what_is_close():
    water, salt, yeast = (
        _gauge("water", Status.HELD, "60 g water short"),
        _gauge("salt", Status.CLOSE, "slows yeast"),
        _gauge("yeast", Status.PASS),
    )
    assert state_of([water, salt, yeast]) == "Held by 1 of 3: water (60 g water short)."
    assert state_of([salt, yeast]) == "Nothing holds it. Close: salt (slows yeast)."
    assert state_of([yeast]) == "Nothing holds it."
    assert state_of([_gauge("water", Status.UNKNOWN)]) == "Nothing can be judged yet."
    assert state_of([]) == "Nothing can be judged yet."
    assert worst_first([yeast, salt, water]) == (water, salt, yeast)

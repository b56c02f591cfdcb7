"""A gauge stands on its band: inside passes, between the band and the hard limit is close, outside is held."""

import pytest

from fallow_sieve.core.blends.bag import BinderInBag
from fallow_sieve.core.blends.binder_load import BinderLoad
from fallow_sieve.core.formulas.formula import Formula, Line, When
from fallow_sieve.core.formulas.gauges import Gauge, Lift, Load, Usual, binder_gauge, lift_gauge, yeast_gauges
from fallow_sieve.core.formulas.judgement import judge_formula
from fallow_sieve.core.values.bands import Band, Status, state_sentence, worst_first
from fallow_sieve.reference.formulas import formula_rules
from fallow_sieve.reference.ingredients import library_shelf


def test_a_lift_that_the_use_does_not_know_is_said_and_not_judged():
    g = lift_gauge(Lift("powder", "Baking powder", 1.2, None))
    assert (g.status, g.say, g.band) == (Status.UNKNOWN, "not usual here", None)


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
    assert g.band == Band(0.5, 1.0, 2.0, 3.0)


@pytest.mark.parametrize(
    ("load", "state", "status", "say"),
    [
        (1.0, "good", Status.PASS, "passes"), (0.0, "none", Status.HELD, "none at all"), (0.5, "light", Status.CLOSE, "light"),
        (1.5, "heavy", Status.CLOSE, "heavy"), (2.0, "double", Status.HELD, "double dose?"),
    ],
)  # fmt: skip
def test_the_load_of_binder_is_good_from_seven_tenths_to_one_and_three_tenths(load, state, status, say):
    found = BinderLoad(load=load, state=state, doses=(), say="")
    (g,) = binder_gauge(found, BinderInBag(load, load, load > 0), needed=True, carried_by="")
    assert (g.status, g.say, g.band.good_low, g.band.good_high) == (status, say, 0.7, 1.3)


def test_where_nothing_binds_and_no_dose_is_usual_there_is_no_gauge():
    unknown = BinderLoad(load=None, state="unknown", doses=(), say="no dose on record")
    assert binder_gauge(unknown, None, needed=True, carried_by="") == ()


def test_where_the_use_asks_for_no_binder_none_is_missed_and_egg_carries_where_it_does():
    none = BinderLoad(load=0.0, state="none", doses=(), say="")
    assert binder_gauge(none, BinderInBag(0.0, 0.0, False), needed=False, carried_by="") == ()
    (g,) = binder_gauge(none, BinderInBag(0.0, 1.6, False), needed=True, carried_by="")
    assert (g.status, g.value) == (Status.PASS, 1.0)


def test_salt_slows_yeast_over_three_percent_and_sugar_over_ten():
    salt, sugar = yeast_gauges([Load("salt", 3.5, 4.0, "slow"), Load("sugar", 9.0, 10.0, "")])
    assert (salt.status, salt.say, salt.band.good_high, salt.band.hard_high) == (Status.CLOSE, "slows yeast", 3, 4)
    assert (sugar.status, sugar.say, sugar.band.good_high) == (Status.PASS, "passes", 10)


def _gauge(name: str, status: Status, say: str = "passes") -> Gauge:
    return Gauge(name, name.capitalize(), "%", 1.0, status, say)


def test_the_state_names_what_holds_it_else_what_is_close():
    water, salt, yeast = (
        _gauge("water", Status.HELD, "60 g water short"),
        _gauge("salt", Status.CLOSE, "slows yeast"),
        _gauge("yeast", Status.PASS),
    )
    assert state_sentence([water, salt, yeast]) == "Held by 1 of 3: water (60 g water short)."
    assert state_sentence([salt, yeast]) == "Nothing holds it. One is close: salt (slows yeast)."
    assert state_sentence([yeast]) == "Nothing holds it."
    assert state_sentence([_gauge("water", Status.UNKNOWN)]) == "Nothing can be judged yet."
    assert state_sentence([]) == "Nothing can be judged yet."
    assert worst_first([yeast, salt, water]) == (water, salt, yeast)


@pytest.mark.parametrize(
    ("use", "line", "grams", "name", "status"),
    [
        ("pancake", "salt", 6, "salt", Status.HELD), ("pancake", "salt", 1, "salt", Status.PASS),
        ("layer-cake", "white-sugar", 95, "sugar", Status.PASS), ("layer-cake", "white-sugar", 130, "sugar", Status.CLOSE),
        ("layer-cake", "white-sugar", 220, "sugar", Status.HELD),
    ],
)  # fmt: skip
def test_salt_and_sugar_are_judged_by_the_usual_of_the_use_where_no_yeast_is_in(use, line, grams, name, status):
    lines = (("white-rice-flour", 100), (line, grams), ("whole-egg", 60), ("water", 80))
    formula = Formula(tuple(Line(s, m, When.DRY) for s, m in lines), use=use)
    gauges = judge_formula(formula, library_shelf(), formula_rules()).gauges
    assert next(g for g in gauges if g.name == name).status is status

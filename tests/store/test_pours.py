"""Pours in the store: they stand by their day, and one set aside teaches nothing."""

import pytest
from sqlalchemy.exc import IntegrityError

from fallow_sieve.core.formulas.formula import Formula, Line, When
from fallow_sieve.core.formulas.water_learning import Pour
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.formulas import FORMULAS
from fallow_sieve.store.pours import PourOnRecord, add_pour, pours_of_formula, withdraw_pour

NOW = "2026-03-14T09:30:00Z"


def made(store, name="Loaf"):
    with store.writing() as session:
        return FORMULAS.add(session, name, None, Formula((Line("water", 400.0, When.WET),)), NOW).id


def pour(formula_id, day, actual=90.0, predicted=80.0):
    return PourOnRecord(
        formula_id=formula_id, blend="blend:1", use="tin-loaf", family="yeasted", baked_on=day, flour_g=500.0,
        poured_g=450.0, actual_pct=actual, predicted_pct=predicted, note="", created_at=NOW,
    )  # fmt: skip


def test_bakes_stand_by_their_day_and_one_set_aside_teaches_nothing(store):
    formula_id, other = made(store), made(store, name="Other")
    with store.writing() as session:
        late = add_pour(session, pour(formula_id, "2026-03-12", 92)).id
        add_pour(session, pour(formula_id, "2026-03-10", 88))
        add_pour(session, pour(other, "2026-03-11", 70))
    with store.reading() as session:
        assert [b.baked_on for b in pours_of_formula(session, formula_id)] == ["2026-03-10", "2026-03-12"]
        assert [p.actual_pct for p in store.standing().pours] == [88, 70, 92]
    with store.writing() as session:
        withdraw_pour(session, formula_id, late, True)
    with store.reading() as session:
        assert [p.actual_pct for p in store.standing().pours] == [88, 70]
        assert len(pours_of_formula(session, formula_id)) == 2  # still on record
    with store.writing() as session:
        withdraw_pour(session, formula_id, late, False)
        assert pours_of_formula(session, formula_id)[1].pour == Pour(80, 92, "blend:1", "yeasted", "2026-03-12")


def test_a_bake_of_another_formula_cannot_be_set_aside_through_this_one(store):
    formula_id, other = made(store), made(store)
    with store.writing() as session:
        pour_id = add_pour(session, pour(formula_id, "2026-03-12")).id
    with pytest.raises(NotFoundError), store.writing() as session:
        withdraw_pour(session, other, pour_id, True)


def test_a_bake_rests_on_a_formula_that_is_there(store):
    with pytest.raises(IntegrityError), store.writing() as session:
        add_pour(session, pour(99, "2026-03-12"))

"""Pours told from trials: they stand by their day, one set aside teaches nothing, and the feel takes off too much."""

import pytest
from sqlalchemy.exc import IntegrityError

from fallow_sieve.core.formulas.formula import Formula, Line, When
from fallow_sieve.core.formulas.water_learning import Pour
from fallow_sieve.core.trials.plan import Planned, TrialPlan
from fallow_sieve.core.trials.readings import Reading, State
from fallow_sieve.store.errors import NotFoundError, OtherReadingError
from fallow_sieve.store.formulas import FORMULAS
from fallow_sieve.store.trials.pours import pour_of
from fallow_sieve.store.trials.records import (
    TrialOnRecord,
    add_trial,
    get_trial,
    put_reading,
    readings_of,
    save_trial,
    take_back,
    trials_of_formula,
)

NOW = "2026-03-14T09:30:00Z"
LOAF = Formula((Line("water", 400.0, When.WET),))


def made(store, name="Loaf"):
    with store.writing() as session:
        return FORMULAS.add(session, name, None, LOAF, NOW).id


def trial(formula_id, day, predicted=80.0):
    plan = {"flour_g": 500.0, "other_water_g": 0.0, "predicted_pct": predicted, "water_poured_g": 400.0}
    return TrialOnRecord(
        formula_id=formula_id, formula_revision=None, name="Loaf", formula=LOAF, blend="blend:1", use="tin-loaf",
        family="yeasted", plan=TrialPlan({n: Planned(v) for n, v in plan.items()}), baked_on=day, created_at=NOW,
    )  # fmt: skip


def baked(session, formula_id, day, poured, feel=None):
    found = add_trial(session, trial(formula_id, day))
    put_reading(session, found.id, Reading("water_poured_g", poured, at=NOW, id=f"{found.id}-water"))
    if feel is not None:
        put_reading(session, found.id, Reading("dough_feel", feel, at=NOW, id=f"{found.id}-feel"))
    return found.id


def test_bakes_stand_by_their_day_and_one_set_aside_teaches_nothing(store):
    formula_id, other = made(store), made(store, name="Other")
    with store.writing() as session:
        late = baked(session, formula_id, "2026-03-12", 460)
        baked(session, formula_id, "2026-03-10", 440)
        baked(session, other, "2026-03-11", 350)
    assert [p.actual_pct for p in store.standing().pours] == [88, 70, 92]
    with store.writing() as session:
        save_trial(session, late, {"set_aside": True}, 1, NOW)
    assert [p.actual_pct for p in store.standing().pours] == [88, 70]
    with store.writing() as session:
        save_trial(session, late, {"set_aside": False}, 2, NOW)
        (_, last) = trials_of_formula(session, formula_id)
        found = pour_of(last, readings_of(session, [last.id])[last.id])
    assert found.pour == Pour(80, 92, "blend:1", "yeasted", "2026-03-12")


def test_how_a_dough_felt_goes_with_its_water(store):
    formula_id = made(store)
    with store.writing() as session:
        baked(session, formula_id, "2026-03-12", 460, feel=1)
    assert [(p.actual_pct, p.feel) for p in store.standing().pours] == [(92, 1)]


def test_water_that_was_as_planned_is_known(store):
    formula_id = made(store)
    with store.writing() as session:
        found = add_trial(session, trial(formula_id, "2026-03-12"))
        put_reading(session, found.id, Reading("water_poured_g", None, state=State.PLANNED, at=NOW, id="w"))
    assert [p.actual_pct for p in store.standing().pours] == [80]


def test_a_trial_of_which_no_water_was_noted_teaches_none(store):
    formula_id = made(store)
    with store.writing() as session:
        found = add_trial(session, trial(formula_id, "2026-03-12"))
        put_reading(session, found.id, Reading("dough_feel", 1.0, at=NOW, id="f"))
    assert store.standing().pours == ()


def test_a_reading_sent_twice_is_one_and_another_under_its_id_is_refused(store):
    formula_id = made(store)
    reading = Reading("core_c", 96.0, at=NOW, id="a")
    with store.writing() as session:
        found = add_trial(session, trial(formula_id, "2026-03-12"))
        assert put_reading(session, found.id, reading) == put_reading(session, found.id, reading)
        with pytest.raises(OtherReadingError):
            put_reading(session, found.id, Reading("core_c", 91.0, at=NOW, id="a"))
        assert readings_of(session, [found.id])[found.id] == (reading,)


def test_a_reading_is_taken_back_not_deleted(store):
    formula_id = made(store)
    with store.writing() as session:
        found = add_trial(session, trial(formula_id, "2026-03-12"))
        put_reading(session, found.id, Reading("core_c", 96.0, at=NOW, id="a"))
        assert take_back(session, found.id, "a", True).withdrawn
        assert len(readings_of(session, [found.id])[found.id]) == 1
        with pytest.raises(NotFoundError):
            take_back(session, 99, "a", True)


@pytest.mark.parametrize(
    "statement",
    [
        "DELETE FROM trial", "DELETE FROM reading", "UPDATE reading SET value = 1", "UPDATE reading SET at = ''",
        "INSERT OR REPLACE INTO reading SELECT * FROM reading", "INSERT OR REPLACE INTO trial SELECT * FROM trial",
    ],
)  # fmt: skip
def test_the_database_itself_refuses_to_forget(store, statement):
    formula_id = made(store)
    with store.writing() as session:
        baked(session, formula_id, "2026-03-12", 460)
    with pytest.raises(IntegrityError), store.writing() as session:
        session.connection().exec_driver_sql(statement)


def test_a_plan_and_a_formula_are_frozen(store):
    formula_id = made(store)
    with store.writing() as session:
        found = add_trial(session, trial(formula_id, "2026-03-12"))
        saved = save_trial(session, found.id, {"plan": {}, "content": {}, "name": "Loaf 2"}, 1, NOW)
        assert (saved.name, saved.plan, saved.formula) == ("Loaf 2", found.plan, LOAF)
        assert get_trial(session, found.id).version == 2


def test_a_trial_rests_on_a_formula_that_is_there(store):
    with pytest.raises(IntegrityError), store.writing() as session:
        add_trial(session, trial(99, "2026-03-12"))

"""Plans as different people would ask for them: each ends as it should, keeps every rule, and says so in words."""

import json
from datetime import datetime, timedelta
from functools import cache
from pathlib import Path

import pytest

from fallow_sieve.core.schedule.planner.checking import bother_of, broken
from fallow_sieve.core.values import FallowSieveError
from fallow_sieve.formats.schedule import PlanFile
from fallow_sieve.reference import template_named
from fallow_sieve.services.kitchen import bundled_kitchen
from fallow_sieve.services.schedule.plans import planned
from fallow_sieve.services.schedule.telling import schedule_answer

ASKED = json.loads((Path(__file__).parent / "by_other_hands.json").read_text("utf-8"))
POSSIBLE = [a for a in ASKED if a["expect"] == "optimal"]
IMPOSSIBLE = [a for a in ASKED if a["expect"] == "infeasible"]


def answered(plan):
    return _answered(json.dumps(plan))


@cache
def _answered(text):
    file = PlanFile.model_validate_json(text)
    found = planned(file, bundled_kitchen())
    return found, schedule_answer(found, bundled_kitchen())


def who(asked):
    return asked["who"]


def instant(text):
    return datetime.fromisoformat(text)


@pytest.mark.parametrize("asked", POSSIBLE, ids=who)
def test_a_plan_that_can_be_keeps_every_rule(asked):
    found, answer = answered(asked["plan"])
    problem = found.plan.laid.problem
    assert answer.status == "optimal"
    assert broken(problem, found.plan.tasks) == ()
    assert bother_of(problem, found.plan.tasks) <= found.plan.bother + 60.0  # a bake heated at night is counted beside
    for given, ready in zip(asked["plan"]["products"], answer.products, strict=True):
        assert given["id"] == ready.id
    assert [s.at for s in answer.steps] == sorted(s.at for s in answer.steps)


@pytest.mark.parametrize("asked", POSSIBLE, ids=who)
def test_every_step_that_is_not_optional_stands_in_the_plan_after_what_it_follows(asked):
    _, answer = answered(asked["plan"])
    for product in asked["plan"]["products"]:
        steps = {s.step: s for s in answer.steps if s.product == product["id"]}
        for rule in template_named(product["use"], product["school"]):
            assert rule.step in steps or rule.optional != "no"
            for name in rule.after:
                if name in steps and rule.step in steps:
                    assert instant(steps[rule.step].at) >= instant(steps[name].end)


@pytest.mark.parametrize("asked", POSSIBLE, ids=who)
def test_what_ripens_ends_ripe(asked):
    found, answer = answered(asked["plan"])
    for product in found.request.products:
        rises = [s for s in answer.steps if s.product == product.name and s.ripeness is not None]
        if any(s.kind == "ferment" for s in rises):  # the last of a run: a rise, or the cold it ends in
            assert 0.8 <= rises[-1].ripeness <= 1.3


@pytest.mark.parametrize("asked", IMPOSSIBLE, ids=who)
def test_what_cannot_be_comes_with_a_time_that_works(asked):
    _, answer = answered(asked["plan"])
    assert answer.status == "infeasible"
    assert answer.conflicts
    works = answer.conflicts[0].works
    plan = json.loads(json.dumps(asked["plan"]))
    late = next(p for p in plan["products"] if p["id"] in answer.conflicts[0].say)
    late["ready_at"] = works
    for other in plan["products"]:
        if other is not late and len(answer.conflicts) > 1:
            other["ready_at"] = next(c.works for c in answer.conflicts if other["id"] in c.say)
    assert answered(plan)[1].status == "optimal"


@pytest.mark.parametrize("asked", [a for a in ASKED if a["expect"] == "bad input"], ids=who)
def test_what_makes_no_sense_is_refused_with_its_place(asked):
    with pytest.raises(FallowSieveError, match="/"):
        answered(asked["plan"])


def test_shifting_every_time_shifts_the_whole_plan():
    plan = json.loads(json.dumps(POSSIBLE[0]["plan"]))
    plan["zone"], plan["kitchen"]["hours"] = "UTC", [["00:00", "24:00"]]
    before = answered(plan)[1]
    plan["now"], plan["products"][0]["ready_at"] = "2026-12-04T17:00", "2026-12-05T21:00"
    after = answered(plan)[1]
    by = timedelta(hours=5)
    assert [(s.step, instant(s.at) + by) for s in before.steps] == [(s.step, instant(s.at)) for s in after.steps]


def test_nobody_works_in_hours_that_are_blocked():
    plan = json.loads(json.dumps(POSSIBLE[1]["plan"]))
    plan["kitchen"]["blocked"] = [["10:00", "11:30"]]
    _, answer = answered(plan)
    for step in answer.steps:
        for begin, end in step.hands:
            assert instant(end).strftime("%H:%M") <= "17:00" or instant(begin).strftime("%H:%M") >= "18:30"


def test_two_bakes_and_one_oven_clash_and_the_clash_says_so():
    plan = json.loads(json.dumps(ASKED[4]["plan"]))
    plan["kitchen"]["people"] = 3
    plan["products"][0] |= {"use": "scone", "school": "plain", "dough_g": 700}
    plan["products"][1] |= {"use": "quick-bread", "school": "plain", "dough_g": 700}
    _, answer = answered(plan)
    assert answer.status == "infeasible"
    assert "oven" in answer.say
    assert "works" in answer.say


def sourdough(**more):
    plan = json.loads(json.dumps(ASKED[0]["plan"]))
    plan["kitchen"] |= {"hours": [["07:00", "22:00"]], "room_c": 24}
    plan["products"] = [
        {"id": "loaf", "use": "tin-loaf", "school": "sourdough", "dough_g": 900, "pieces": 1, "rest_days": 1, **more}
    ]
    return plan


def test_a_rise_may_end_in_the_cold_and_ends_early_for_it():
    warm = answered(sourdough(ready_at="2026-12-06T15:00", switches={"proof-cold": False}))[1]
    cold = answered(sourdough(ready_at="2026-12-06T15:00", switches={"proof-cold": True}))[1]
    assert "proof-cold" not in {s.step for s in warm.steps}
    proof, chill = (next(s for s in cold.steps if s.step == name) for name in ("proof", "proof-cold"))
    assert proof.ripeness < 1
    assert 0.8 <= chill.ripeness <= 1.3
    assert timedelta(hours=8) <= instant(chill.end) - instant(chill.at) <= timedelta(hours=24)


def test_nobody_gets_up_at_night_where_the_fridge_would_do():
    plan = sourdough(ready_at="2026-12-06T12:00")
    found, answer = answered(plan)
    forced = answered(sourdough(ready_at="2026-12-06T12:00", switches={"proof-cold": False}))[0]
    assert found.plan.bother <= forced.plan.bother
    assert answer.status == "optimal"


def test_a_preferment_gets_its_yeast_from_the_hours_it_stands():
    formula = {"format": "fallow-sieve/formula", "version": 1, "use": "hearth-loaf", "lines": [{"ingredient": "sorghum-flour", "mass_g": 600, "stage": "dry"}, {"ingredient": "potato-starch", "mass_g": 400, "stage": "dry"}, {"ingredient": "psyllium-husk", "mass_g": 40, "stage": "gel"}, {"ingredient": "water", "mass_g": 900, "stage": "wet"}, {"ingredient": "salt", "mass_g": 20, "stage": "dry"}, {"ingredient": "instant-dry-yeast", "mass_g": 8, "stage": "dry"}]}  # fmt: skip
    plan = json.loads(json.dumps(ASKED[0]["plan"]))
    plan["products"] = [{"id": "loaf", "school": "preferment", "formula": formula, "ready_at": "2026-12-05T18:00"}]
    answer = answered(plan)[1]
    step = next(s for s in answer.steps if s.step == "preferment")
    flour, water, yeast = (g.mass_g for g in step.grams)
    assert flour == water == pytest.approx(300)
    hours = (instant(step.end) - instant(step.at)).total_seconds() / 3600
    units = hours * 0.68479  # at 22 °C
    assert yeast == pytest.approx(300 * 0.01 * (3 / units) ** (1 / 0.7), rel=1e-3)
    assert [s.state for s in answer.steps] == ["planned"] * len(answer.steps)

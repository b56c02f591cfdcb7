"""The bench instance of three products, two ovens, one mixer, one person: chain lengths and both proven optima."""

import json
from pathlib import Path

import numpy as np
import pytest

from fallow_sieve.core.schedule.ovens import OvenKind
from fallow_sieve.core.schedule.planner.checking import bother_of, broken
from fallow_sieve.core.schedule.planner.problem import (
    Bother,
    Crew,
    Link,
    Oven,
    OvenPhase,
    Problem,
    Task,
    Wanted,
    lasting,
)
from fallow_sieve.core.schedule.planner.solving import Found, find_times

CASES = Path(__file__).parents[2] / "cases"
INSTANCE = json.loads((CASES / "plan_instance.json").read_text("utf-8"))
CHAINS = next(c for c in json.loads((CASES / "schedule.json").read_text("utf-8")) if c["id"] == "S28")["outputs"]
ELECTRIC = OvenKind("electric", "Electric", 16.5, 330, 65, 25, 25, 15, 1, 250)
FREE = ("gel", "cool")  # of these no length costs
CELLS = 576


def crew():
    day = (np.arange(CELLS) * 5 + 6 * 60) % 1440
    asleep = (day >= 23 * 60) | (day < 6 * 60)
    edge = ((day >= 6 * 60) & (day < 7 * 60)) | ((day >= 21.5 * 60) & (day < 23 * 60))
    return Crew(1, 1, np.where(asleep, 10.0, np.where(edge, 3.0, 0.0)), asleep)


def oven_phases(steps, n):
    """All phases of the bake that begins with step n, on its first step; none on the others."""
    if not steps[n]["oven_c"] or (n and steps[n - 1]["oven_c"]):
        return ()
    phases = []
    while n < len(steps) and steps[n]["oven_c"]:
        phases.append(OvenPhase(steps[n]["min_typical"], steps[n]["oven_c"]))
        n += 1
    return tuple(phases)


def instance(ready, products=("tin", "hearth", "roll")):
    tasks, links, wanted = [], [], []
    for p in INSTANCE["products"]:
        if p["product"] not in products:
            continue
        for n, s in enumerate(p["steps"]):
            off = 0.0 if s["name"] in FREE else 0.2
            lengths = lasting(s["min_low"], s["min_typical"], s["min_high"])
            tasks.append(
                Task(
                    p["product"],
                    s["name"],
                    lengths,
                    s["hands_start_min"],
                    s["hands_end_min"],
                    s["resource"] == "mixer",
                    off,
                    off,
                    oven_phases(p["steps"], n),
                )
            )
            if n:
                links.append(Link(len(tasks) - 2, len(tasks) - 1, s["lag_low_min"], s["lag_high_min"]))
        wanted.append(Wanted(p["product"], len(tasks) - 1, p[ready], 600))
    ovens = (Oven("a", ELECTRIC, 1), Oven("b", ELECTRIC, 1))
    return Problem(tuple(tasks), tuple(links), tuple(wanted), crew(), ovens, 22, CELLS, Bother(asleep_visit=0))


@pytest.mark.parametrize("product", CHAINS)
def test_s28_the_least_typical_and_most_that_a_chain_takes(product):
    steps = next(p["steps"] for p in INSTANCE["products"] if p["product"] == product)
    lags = sum(s["lag_high_min"] for s in steps)
    assert sum(s["min_low"] for s in steps) == CHAINS[product]["shortest_min"]
    assert sum(s["min_typical"] for s in steps) == CHAINS[product]["typical_min"]
    assert sum(s["min_high"] for s in steps) + lags == CHAINS[product]["longest_min"]


@pytest.mark.parametrize(("ready", "optimum"), [("ready_min", "relaxed"), ("ready_tight_min", "tight")])
def test_s29_the_plan_costs_what_two_solvers_proved_to_be_least(ready, optimum):
    problem = instance(ready)
    found = find_times(problem)
    assert found.found is Found.OPTIMAL
    assert found.bother == pytest.approx(INSTANCE["optimum"][optimum], abs=1e-6)
    assert broken(problem, found.times) == ()
    assert bother_of(problem, found.times) == pytest.approx(found.bother, abs=1e-6)


def test_leaving_a_product_out_never_costs_more():
    whole = find_times(instance("ready_tight_min")).bother
    for left_out in CHAINS:
        rest = tuple(p for p in CHAINS if p != left_out)
        assert find_times(instance("ready_tight_min", rest)).bother <= whole + 1e-6


def test_a_broken_plan_is_seen():
    problem = instance("ready_min")
    times = list(find_times(problem).times)
    bakes = [n for n, t in enumerate(problem.tasks) if t.phases]
    moved = times[bakes[0]]
    times[bakes[0]] = type(moved)(moved.begin - 60, moved.end - 60, moved.oven)
    assert any("begins" in say for say in broken(problem, times))

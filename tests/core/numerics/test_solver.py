"""What a search must keep to: proven answers, a word to stop, what is known already, and silence."""

from __future__ import annotations

import subprocess
import sys

import numpy as np
import pytest

from fallow_sieve.core.numerics.programs import Effort, Outcome, Program
from fallow_sieve.core.numerics.solver import prices, solve


def knapsack() -> tuple[Program, np.ndarray]:
    """Worths 10, 13, 7, 11 of masses 5, 7, 4, 6 in 15 kg: the best is 5 + 4 + 6, worth 28."""
    program = Program()
    taken = program.variables(np.zeros(4), np.ones(4), True)
    program.row([(taken, np.array([5.0, 7.0, 4.0, 6.0]))], high=15.0)
    return program, np.array([-10.0, -13.0, -7.0, -11.0])


def test_a_small_program_has_the_answer_that_is_found_by_hand():
    program, cost = knapsack()
    answer = solve(program, cost)
    assert answer.found is Outcome.OPTIMAL
    assert answer.values == pytest.approx([1, 0, 1, 1])
    assert (answer.objective, answer.gap) == (pytest.approx(-28), 0.0)


@pytest.mark.parametrize("begin", [[1, 1, 0, 0], [0, 0], [1, 1, 1, 1]])
def test_what_is_known_already_does_not_change_the_answer_even_where_it_does_not_fit(begin: list[float]):
    program, cost = knapsack()
    assert solve(program, cost, begin=np.array(begin, dtype=float)).objective == pytest.approx(-28)


def test_what_cannot_be_is_said_to_be_impossible():
    program, cost = knapsack()
    program.row([(slice(0, 4), np.ones(4))], low=5.0)
    assert solve(program, cost).found is Outcome.INFEASIBLE


def test_a_running_search_asks_whether_to_stop_and_stops():
    rng = np.random.default_rng(3)
    program = Program()
    taken = program.variables(np.zeros(60), np.ones(60), True)
    for _ in range(30):
        masses = rng.integers(100, 1000, 60).astype(float)
        program.row([(taken, masses)], high=float(masses.sum() // 3))
    asked = 0

    def stopped() -> bool:
        nonlocal asked
        asked += 1
        return asked > 3

    answer = solve(program, -rng.integers(100, 1000, 60).astype(float), Effort(stopped=stopped))
    assert answer.found in (Outcome.STOPPED, Outcome.NOTHING)
    assert asked > 3


def test_a_search_that_was_told_to_stop_is_not_begun():
    program, cost = knapsack()
    assert solve(program, cost, Effort(stopped=lambda: True)).found is Outcome.NOTHING


def test_one_kilogram_more_is_worth_what_the_last_thing_taken_is_worth_by_the_kilogram():
    program, cost = knapsack()
    found = prices(program, cost)
    # By worth for its mass: 10/5, 13/7, 11/6, 7/4; the first two and half of the third fill 15 kg.
    assert found.answer.objective == pytest.approx(-(10 + 13 + 3 * 11 / 6))
    assert found.prices == pytest.approx([-11 / 6])


def test_the_solver_says_nothing_on_standard_output():
    code = (
        "import numpy as np\nfrom fallow_sieve.core.numerics.programs import Program\n"
        "from fallow_sieve.core.numerics.solver import solve\n"
        "p = Program(); p.variables([0.0], [1.0], True); solve(p, np.array([1.0]))"
    )
    told = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, check=True)
    assert (told.stdout, told.stderr) == ("", "")

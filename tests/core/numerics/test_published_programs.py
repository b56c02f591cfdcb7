"""Programs with published answers, and one that has none."""

from __future__ import annotations

import math

import numpy as np
import pytest

from fallow_sieve.core.numerics.programs import Outcome, Program
from fallow_sieve.core.numerics.solver import prices, solve

# Two small programs from the literature, by their published optima.


def test_the_glass_company_of_hillier_and_lieberman():
    # Maximise 3x + 5y; x ≤ 4, 2y ≤ 12, 3x + 2y ≤ 18: 36 at (2, 6), shadow prices 0, 3/2, 1.
    # Hillier & Lieberman, Introduction to Operations Research, 7th ed. 2001, § 3.1 and § 4.7.
    program = Program()
    v = program.variables([0.0, 0.0], [math.inf, math.inf])
    program.row([(v, np.array([1.0, 0.0]))], high=4)
    program.row([(v, np.array([0.0, 2.0]))], high=12)
    program.row([(v, np.array([3.0, 2.0]))], high=18)
    cost = -program.cost([(v, np.array([3.0, 5.0]))])
    answer = solve(program, cost)
    assert (answer.found, answer.objective) == (Outcome.OPTIMAL, pytest.approx(-36))
    assert answer.values == pytest.approx([2, 6])
    assert prices(program, cost).prices == pytest.approx([0, -1.5, -1])


def test_the_whole_number_program_of_chvatal_rounds_down_from_its_relaxation():
    # Maximise 5x + 4y; 6x + 4y ≤ 24, x + 2y ≤ 6: 21 at (3, 1.5) relaxed, 20 at (4, 0) in whole numbers.
    # Taha, Operations Research: An Introduction, 8th ed. 2007, § 2.2 (the paint company).
    program = Program()
    v = program.variables([0.0, 0.0], [math.inf, math.inf], True)
    program.row([(v, np.array([6.0, 4.0]))], high=24)
    program.row([(v, np.array([1.0, 2.0]))], high=6)
    cost = -program.cost([(v, np.array([5.0, 4.0]))])
    assert solve(program, cost).objective == pytest.approx(-20)
    assert prices(program, cost).answer.objective == pytest.approx(-21)


def test_a_program_that_cannot_be_met_says_so():
    program = Program()
    v = program.variables([0.0], [1.0])
    program.row([(v, 1.0)], low=2.0)
    assert solve(program, program.cost([(v, 1.0)])).found is Outcome.INFEASIBLE

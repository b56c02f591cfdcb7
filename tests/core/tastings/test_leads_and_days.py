"""Just about right as worked out by hand, and days pooled as printed."""

import json
import math
from pathlib import Path

import numpy as np
import pytest

from fallow_sieve.core.tastings.answers import Marks
from fallow_sieve.core.tastings.just_about_right import right_for
from fallow_sieve.core.tastings.pooling import (
    by_taster,
    day_by_sample,
    difference_over_days,
    level_of_looks,
    over_studies,
    seen_twice,
)

CASES = Path(__file__).parents[2] / "cases" / "tastings"


def case(name):
    return json.loads((CASES / f"{name}.json").read_text(encoding="utf-8"))


def test_just_about_right_is_as_the_worked_case():
    whole = case("paired_liking")
    right = whole["just_about_right"]
    told = [
        (str(n), float(liking), mark)
        for n, (likings, marks) in enumerate(zip(whole["data"], right["data"], strict=True))
        for liking, mark in zip(likings, marks, strict=True)
    ]
    found = right_for(told)
    # too much: 7 of 18 marks; too little: 2 of 18, under a fifth, so nothing is said of it
    assert found.too_much.points == pytest.approx(right["low_high_raw_drop"][1], abs=1e-9)
    assert (found.too_much.low, found.too_much.high) == pytest.approx(tuple(right["high_interval_95"]), abs=1e-6)
    assert found.too_much.estimate == pytest.approx(right["high"], abs=1e-6)
    assert found.too_much.backed
    assert found.too_little.points is None
    assert found.too_little.estimate == pytest.approx(right["low"], abs=1e-6)
    assert not found.too_little.backed


def test_two_marks_back_nothing_however_far_they_fall():
    told = [(str(n), 8.0, 3) for n in range(6)] + [("6", 1.0, 5), ("7", 1.0, 5)]
    found = right_for(told)
    assert found.too_much.points == pytest.approx(7.0)
    assert not found.too_much.backed
    assert right_for([]).too_much.points is None


def test_studies_are_pooled_as_printed():
    given = case("pooled_days")
    values = [math.log(a / (a + b) * (c + d) / c) for a, b, c, d in given["data"]]
    variances = [1 / a - 1 / (a + b) + 1 / c - 1 / (c + d) for a, b, c, d in given["data"]]
    found, printed = over_studies(values, variances), given["published"]
    assert found.estimate == pytest.approx(printed["estimate"], abs=5e-5)
    assert found.se == pytest.approx(printed["se"], abs=5e-5)
    assert found.tau2 == pytest.approx(printed["tau2"], abs=5e-5)
    assert found.q == pytest.approx(printed["Q"], abs=5e-4)
    assert found.i2_pct == pytest.approx(printed["I2_pct"], abs=5e-3)
    assert found.low < found.estimate < found.high


def day(rows, tasters, samples=("A", "B")):
    return Marks(samples, tuple(tasters), tuple(map(tuple, rows)))


def test_who_sat_twice_is_averaged():
    together = by_taster([day([[7, 5], [6, 6]], ["Ola", "Ida"]), day([[9, 5], [4, 4]], ["ola", "Per"], ("A", "C"))])
    assert together.samples == ("A", "B", "C")
    assert together.tasters == ("Ola", "Ida", "Per")
    assert together.rows[0] == (8.0, 5.0, 5.0)
    assert seen_twice([day([[7, 5]], ["Ola"]), day([[7, 5]], [" OLA"])])


def test_days_are_studies_only_from_three_with_nobody_twice():
    rows = [[7, 5], [8, 7], [6, 5], [7, 4]]
    days = [day(rows, [f"{d}{n}" for n in range(4)]) for d in range(3)]
    found = difference_over_days(days, "A", "B")
    # the same day three times: no spread between days, the mean is 1.75
    assert found.estimate == pytest.approx(1.75)
    assert found.tau2 == 0
    assert difference_over_days(days[:2], "A", "B") is None
    assert difference_over_days([days[0], days[0], days[1]], "A", "B") is None


def test_days_that_turn_round_are_told():
    random = np.random.default_rng(5)
    up = day((6 + random.normal(0, 0.5, (6, 2)) + [2, 0]).tolist(), "abcdef")
    down = day((6 + random.normal(0, 0.5, (6, 2)) + [0, 2]).tolist(), "ghijkl")
    assert day_by_sample([up, down]) < 0.001
    assert day_by_sample([up]) is None
    assert day_by_sample([up, day([[1, 2]] * 3, "xyz", ("A", "C"))]) is None


def test_days_that_agree_seldom_cry():
    random, cried = np.random.default_rng(7), 0
    for _ in range(200):
        days = [day((6 + random.normal(0, 1, (6, 2))).tolist(), [f"{d}{n}" for n in range(6)]) for d in range(2)]
        cried += day_by_sample(days) <= 0.05
    assert cried <= 22  # 5 % of 200 and three standard errors


def test_looks_share_the_level():
    assert (level_of_looks(1), level_of_looks(4)) == (0.05, 0.0125)

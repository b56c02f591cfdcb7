"""Liking within tasters: means, pairs, a winner, and how many tasters it would take."""

import json
from pathlib import Path

import numpy as np
import pytest

from fallow_sieve.core.tastings.liking import differences, lower_limit, mean_of, sample_means, winner
from fallow_sieve.core.tastings.permutation import permutation_test
from fallow_sieve.core.tastings.planning import power, seen_with, tasters_needed

CASE = json.loads((Path(__file__).parents[2] / "cases/tastings/paired_liking.json").read_text(encoding="utf-8"))
ROWS = CASE["data"]


def test_means_have_their_t_intervals():
    assert sample_means(ROWS) == pytest.approx(CASE["means"])
    for column, (low, high) in enumerate(CASE["t_interval_95"]):
        found = mean_of([r[column] for r in ROWS])
        assert (found.low, found.high) == pytest.approx((low, high), abs=1e-8)


def test_pairs_are_compared_within_tasters():
    for pair in CASE["pairs"]:
        a, b = (CASE["columns"].index(x) for x in pair["pair"])
        found = mean_of(differences(ROWS, a, b))
        assert found.value == pytest.approx(pair["mean"])
        assert found.p == pytest.approx(pair["p"], abs=1e-9)
        assert (found.low, found.high) == pytest.approx(tuple(pair["interval_95"]), abs=1e-8)


def test_who_beats_one_and_not_the_other_has_not_won():
    assert permutation_test(ROWS).p < 0.05
    assert winner(ROWS, permutation_test(ROWS).p) is None  # A against C: p 0.062
    apart = [[9, 4, 5], [8, 4, 4], [9, 5, 4], [8, 3, 4], [9, 4, 3], [7, 4, 4]]
    assert winner(apart, permutation_test(apart).p) == 0
    assert winner(apart, 0.2) is None


def test_new_is_no_more_than_a_point_worse():
    found = CASE["no_worse"]
    assert lower_limit(found["differences"]) == pytest.approx(found["lower_95_one_sided"], abs=1e-8)


def test_rows_with_gaps_are_read_as_if_the_taster_had_tasted_all():
    # Marks are sample + taster exactly; the second taster, two points kinder, missed the best sample.
    rows = [[8, 5, 4], [None, 7, 6], [8, 5, 4]]
    means = sample_means(rows)
    assert np.diff(means) == pytest.approx([-3, -1])
    assert means[0] == pytest.approx(8 + 2 / 3)


def test_all_alike_is_judged_by_its_signs():
    assert mean_of([1, 1, 1, 1, 1, 1]).p == pytest.approx(1 / 32)
    assert mean_of([0, 0, 0]).p == 1.0


def test_tasters_for_a_point_are_as_in_the_tables_of_power():
    # Non-central t, two-sided 5 %, 80 %: sd 1.7 wants 25 tasters, sd 1.2 wants 14
    assert (tasters_needed(1.0, 1.7), tasters_needed(1.0, 1.2)) == (25, 14)
    assert power(1.0, 1.7, 24) < 0.8 <= power(1.0, 1.7, 25)
    assert power(seen_with(1.7, 8), 1.7, 8) == pytest.approx(0.8, abs=1e-5)

"""The verdict of a tasting: the first rule that holds, and never "the same"."""

import json
from pathlib import Path

import numpy as np
import pytest

from fallow_sieve.core.tastings.verdicts.liking import Margin, liking_verdict

CASE = json.loads((Path(__file__).parents[2] / "cases/tastings/paired_liking.json").read_text(encoding="utf-8"))


def test_two_tasters_too_few_are_told_how_often_agreement_comes_by_chance():
    four = liking_verdict(["old", "new"], [[6, 8], [5, 7], [7, 8], [4, 9]])
    assert four.say == (
        "Too few to say. With 4 tasters even full agreement comes by chance 1 time in 8; 6 are the least."
    )
    assert four.winner is None
    assert "1 time in 6; 3 are the least." in liking_verdict(["A", "B", "C"], [[9, 5, 4], [8, 5, 4]]).say


def test_a_winner_beats_each_other():
    rows = [[9, 4, 5], [8, 4, 4], [9, 5, 4], [8, 3, 4], [9, 4, 3], [7, 4, 4]]
    found = liking_verdict(["A", "B", "C"], rows)
    assert found.winner == 0
    # means 50 ÷ 6 and 24 ÷ 6 for B and C alike
    assert found.say.startswith("A won. 6 tasters; A 8.3, next B, 4.3 less (")
    # the same sample first at all six tables: 3 · (1/3)⁶ = 1/243
    assert found.say.endswith("1 time in 243.")
    assert found.foot == "These 6 people; others may differ."


def test_they_differ_with_no_single_winner_as_in_the_worked_case():
    found = liking_verdict(CASE["columns"], CASE["data"])
    assert CASE["verdict"] == "differ, no single winner"
    assert found.say == "They differ, no single winner. A and C could not be told apart. Left behind: B."
    assert found.winner is None


def test_all_alike_is_not_called_the_same():
    found = liking_verdict(["A", "B"], [[7, 7]] * 6)
    assert found.say == (
        "No difference shown between A and B. 6 tasters, each gave them the same mark; less than a mark may be there."
    )


def test_one_loves_it_one_hates_it_is_too_few():
    found = liking_verdict(["A", "B"], [[9, 2], [2, 9], [8, 3], [3, 8], [6, 6], [7, 5]])
    assert found.say.startswith("Too few to say. Only ")
    assert found.tasters_next > 100


def test_a_margin_set_beforehand_is_said_whatever_else_holds():
    rows = [[7 + d, 7] for d in CASE["no_worse"]["differences"]]
    found = liking_verdict(["new", "old"], rows, margin=Margin(1.0, 0, 1))
    # the worked limit: −0.383
    assert found.say == "new is no more than 1 worse: at worst 0.4 (95 % sure)."


@pytest.mark.parametrize(("tasters", "samples"), [(6, 2), (8, 2), (6, 3), (8, 3)])
def test_false_winners_stay_under_six_in_a_hundred_with_two_equal_best(tasters, samples):
    random, panels, won = np.random.default_rng(16), 150, 0
    best = np.array([6.5, 6.5, 4.5][:samples])
    for _ in range(panels):
        marks = best + random.normal(0, 0.8, (tasters, 1)) + random.normal(0, 1.2, (tasters, samples))
        rows = np.clip(np.round(marks), 1, 9).astype(int).tolist()
        won += liking_verdict([*"ABC"[:samples]], rows).winner is not None
    # 6 % of 150 is 9; three standard errors (9) are what a simulation of this size may stray
    assert won <= 9 + 9

"""Cochran's Q as printed, tasters for a forced choice, and preferences of small tables."""

import json
from pathlib import Path

import pytest

from fallow_sieve.core.tastings.discrimination import Forced, answers_for
from fallow_sieve.core.tastings.permutation import permutation_test
from fallow_sieve.core.tastings.preference import least_agreeing, preferences_needed, preferred, share_seen
from fallow_sieve.core.tastings.ticks import cochran_q

CASES = Path(__file__).parents[2] / "cases" / "tastings"


def test_cochrans_q_is_as_printed_and_its_exact_p_as_counted():
    case = json.loads((CASES / "words_checked.json").read_text(encoding="utf-8"))
    q, p = cochran_q(case["data"])
    assert q == pytest.approx(case["published"]["Q"], abs=1e-9)
    assert p == pytest.approx(case["published"]["p"], abs=5e-7)
    assert permutation_test(case["data"]).p == pytest.approx(32 / 81, abs=1e-12)


def test_words_nobody_parted_say_nothing():
    assert cochran_q([[1, 1], [0, 0]]) == (0.0, 1.0)


@pytest.mark.parametrize(("method", "tasters"), [("triangle", 57), ("tetrad", 20), ("2-afc", 13)])
def test_answers_for_a_forced_choice(method, tasters):
    assert answers_for(Forced(method)) == tasters


def test_a_preference_needs_six_of_six():
    assert (least_agreeing(5), least_agreeing(6), least_agreeing(8)) == (None, 6, 8)
    assert preferred(0, 0).p == 1.0
    assert share_seen(5) is None
    # 0.8 = s⁶
    assert share_seen(6) == pytest.approx(0.8 ** (1 / 6), abs=1e-5)
    assert preferences_needed(0.95) < preferences_needed(0.75)

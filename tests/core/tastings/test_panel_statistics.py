"""Statistics of small panels against published tables, exact fractions and brute force."""

import itertools
import json
from fractions import Fraction
from pathlib import Path

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy import stats

from fallow_sieve.core.tastings.discrimination import Forced, d_prime, least_right, noticed, right_at
from fallow_sieve.core.tastings.permutation import permutation_test
from fallow_sieve.core.tastings.ranks import friedman, rank_pairs, ranked, skillings_mack
from fallow_sieve.core.values import BadInputError

CASES = Path(__file__).parents[2] / "cases" / "tastings"


def case(name):
    return json.loads((CASES / f"{name}.json").read_text(encoding="utf-8"))


@pytest.mark.parametrize("given", [c for c in case("friedman")["cases"] if "data" in c], ids=lambda c: c["name"])
def test_friedman_is_as_printed(given):
    found, computed = friedman(given["data"]), given["computed"]
    printed, near = given["published"], given["tolerance"]
    chi2 = "chi2" if "chi2" in printed else "T1"
    assert found.chi2 == pytest.approx(printed[chi2], abs=near[chi2])
    expected = sorted(printed["rank_sums"])
    assert sorted(found.rank_sums) == pytest.approx(expected)
    assert found.f == pytest.approx(computed.get("iman_davenport_F", computed.get("T2")), abs=1e-8)
    assert found.f_p == pytest.approx(computed["F_p"], abs=1e-9)


def test_pairs_of_ranks_are_as_others_compute_them():
    grass = next(c for c in case("friedman")["cases"] if "ties" in c["name"])
    found, computed = rank_pairs(grass["data"]), grass["computed"]
    assert [[p.a + 1, p.b + 1] for p in found] == computed["pairs"]
    for values, name in (
        ([p.conover_p for p in found], "conover_p"),
        ([p.conover_holm_p for p in found], "conover_holm_p"),
        ([p.nemenyi_p for p in found], "nemenyi_p"),
    ):
        assert values == pytest.approx(computed[name], abs=1e-6), name


def test_skillings_mack_is_as_printed():
    given = case("incomplete_ranks")
    statistic, p = skillings_mack(given["data"])
    assert statistic == pytest.approx(given["published"]["statistic"], abs=given["tolerance"])
    assert p == pytest.approx(given["computed"]["p_chi2"], abs=1e-9)


def test_scores_permuted_within_tasters_are_counted_exactly():
    given = case("paired_liking")
    found = permutation_test(given["data"])
    assert found.exact
    assert found.p == pytest.approx(float(Fraction(given["exact_scores"]["p"])), abs=1e-12)
    ranks = permutation_test([ranked(r) for r in given["data"]])
    assert ranks.p == pytest.approx(float(Fraction(given["friedman"]["exact_p"])), abs=1e-12)


def rows_with(chi2, tasters, samples):
    """Rows of ranks without ties with that Friedman statistic, found by walking through arrangements."""
    orders = list(itertools.permutations(range(1, samples + 1)))
    for rest in itertools.product(orders, repeat=tasters - 1):
        rows = [orders[0], *rest]
        sums = np.sum(rows, axis=0)
        value = 12 * (sums**2).sum() / (tasters * samples * (samples + 1)) - 3 * tasters * (samples + 1)
        if abs(value - chi2) < 1e-6:
            return rows
    raise AssertionError("no such rows")


@pytest.mark.parametrize(
    "tail", [t for t in case("friedman_exact")["computed"]["tails"] if t["tasters"] * t["samples"] <= 15],
    ids=lambda t: f"{t['tasters']}x{t['samples']}",
)  # fmt: skip
def test_the_exact_table_of_friedman_holds_to_its_fraction(tail):
    for row in tail["tail"]:
        found = permutation_test(rows_with(row["chi2"], tail["tasters"], tail["samples"]))
        assert found.p == pytest.approx(float(Fraction(row["p_exact"])), abs=1e-12)


@given(st.lists(st.lists(st.integers(1, 9), min_size=3, max_size=3), min_size=2, max_size=4))
@settings(max_examples=40, deadline=None)
def test_the_convolution_is_what_walking_through_every_arrangement_gives(rows):
    observed = (np.sum(rows, axis=0) ** 2).sum()
    every = [
        (np.sum(a, axis=0) ** 2).sum() for a in itertools.product(*(list(itertools.permutations(r)) for r in rows))
    ]
    assert permutation_test(rows).p == pytest.approx(np.mean(np.array(every) >= observed), abs=1e-12)


def test_missing_marks_are_permuted_among_what_was_tasted():
    rows = [[7, 5, None], [8, 6, 6], [7, None, 6], [9, 5, 7], [8, 6, 5], [7, 4, 6]]
    found = permutation_test(rows)
    assert not found.exact
    assert 0.0 < found.p < 0.05
    assert found == permutation_test(rows)  # seeded: the same again


def test_everyone_alike_is_no_difference_and_nobody_is_an_error():
    assert permutation_test([[7, 7, 7], [5, 5, 5]]).p == 1.0
    with pytest.raises(BadInputError):
        permutation_test([[7, None, None]])
    with pytest.raises(BadInputError):
        friedman([[1, 1, 1], [2, 2, 2]])


def test_the_curves_of_forced_choices_are_as_computed_by_others():
    given = case("thurstone")["computed"]
    for d, *shares in given["proportion_correct"]:
        for method, share in zip((Forced.TRIANGLE, Forced.TETRAD, Forced.TWO_AFC), shares, strict=True):
            assert right_at(method, d) == pytest.approx(share, abs=given["tolerance"]), (method, d)
    for name, method in (("triangle", Forced.TRIANGLE), ("tetrad", Forced.TETRAD), ("two_afc", Forced.TWO_AFC)):
        assert d_prime(method, 2 / 3) == pytest.approx(given["d_prime_of_two_thirds"][name], abs=1e-6)


def test_ten_of_fifteen_in_a_triangle():
    example, printed = case("thurstone")["computed"]["example"], case("thurstone")["published"][0]
    found = noticed(Forced.TRIANGLE, 10, 15)
    assert found.p == pytest.approx(example["p"], abs=1e-9)
    assert found.share[1:] == pytest.approx(example["clopper_pearson_95"], abs=1e-9)
    assert found.discriminators[0] == pytest.approx(example["discriminators"])
    assert found.discriminators[1:] == pytest.approx(example["discriminators_95"], abs=1e-6)
    assert found.d_prime[0] == pytest.approx(printed["d_prime"], abs=printed["tolerance"])


def test_least_right_answers_in_a_triangle_are_as_printed():
    for answers, least in case("triangle_critical")["published_0.05"].items():
        assert least_right(Forced.TRIANGLE, int(answers)) == least
    for answers, levels in case("triangle_critical")["computed"].items():
        for level, least in levels.items():
            assert least_right(Forced.TRIANGLE, int(answers), float(level)) == least


@given(st.floats(0, 6), st.floats(0, 6))
def test_a_larger_difference_is_noticed_more_often(one, other):
    for method in Forced:
        assert (right_at(method, max(one, other)) - right_at(method, min(one, other))) >= -1e-12


def test_none_right_and_all_right_have_limits():
    assert noticed(Forced.TWO_AFC, 0, 6).share == pytest.approx((0.0, 0.0, stats.beta.ppf(0.975, 1, 6)))
    assert noticed(Forced.TWO_AFC, 6, 6).share[2] == 1.0
    with pytest.raises(BadInputError):
        noticed(Forced.TETRAD, 7, 6)

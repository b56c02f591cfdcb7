"""The ranking of faults: worked cases whole, and what holds of every ranking."""

import json
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.trials.faults.counts import Found, Step, found_after, own_priors
from fallow_sieve.core.trials.faults.ranking import evidence_of, rank
from fallow_sieve.core.trials.faults.sentences import asks, by_name, told
from fallow_sieve.core.trials.faults.several import joined
from fallow_sieve.core.values import UnknownNameError
from fallow_sieve.reference import fault_tables, quantities

CASES = json.loads((Path(__file__).parents[2] / "cases/trials/faults.json").read_text("utf-8"))["cases"]
TABLES = fault_tables()
T1 = CASES[0]
ROWS = [row for rows in TABLES.evidence.values() for row in rows]


def ranked(case, **more):
    return rank(case["fault"], case["applies"], {**case["quantities"], **more}, TABLES)


@pytest.mark.parametrize("case", CASES, ids=[c["name"] for c in CASES])
def test_a_worked_ranking_comes_out_whole(case):
    found = ranked(case)
    assert [(c.rank, c.cause) for c in found.causes] == [(e["rank"], e["cause"]) for e in case["expect"]]
    for cause, expected in zip(found.causes, case["expect"], strict=True):
        assert cause.p == pytest.approx(expected["p"], abs=6e-5)
        assert cause.evidence == pytest.approx(expected["evidence"], abs=6e-4)
    assert found.something_else == pytest.approx(case["something_else"], abs=6e-5)
    assert [q for q, _ in found.tells_most[:1]] == case["tells_most"]


def test_only_causes_down_to_half_the_first_are_shown():
    assert [c.cause for c in ranked(T1).shown] == ["too-much-water", "cut-warm"]


def test_about_as_likely_takes_the_cheaper_lever_first():
    first, second = ranked(CASES[6]).causes[:2]
    assert (first.cause, second.cause) == ("stored-cold", "starch-high")
    assert first.rank == second.rank == 1
    assert first.p < second.p


def test_without_a_number_there_is_no_likelihood_but_what_is_common():
    silent = ranked(CASES[8])
    assert not silent.speaks
    assert dict(silent.tells_most)["foamed"] == pytest.approx(0.918)
    assert dict(silent.tells_most)["liquid_over"] == pytest.approx(0.72)


def test_a_cause_behind_two_faults_rises():
    wet = rank("wet-line", T1["applies"], T1["quantities"], TABLES)
    share = {j.cause: j.share for j in joined([ranked(T1), wet])}
    assert share["too-much-water"] == pytest.approx(0.67, abs=0.005)
    assert share["cut-warm"] == pytest.approx(0.31, abs=0.005)
    assert share["underbaked"] == pytest.approx(0.15, abs=0.005)
    assert share["left-in-tin"] == pytest.approx(0.12, abs=0.005)
    assert joined([wet]) == ()


def test_a_fault_that_is_not_known_suggests_the_nearest():
    with pytest.raises(UnknownNameError, match="did you mean gummy"):
        rank("gumy", [], {}, TABLES)


_KNOWN = {q: x for q, x in quantities().items() if any(q in r.quantities for r in ROWS)}
_SOME = st.dictionaries(st.sampled_from(sorted(_KNOWN)), st.floats(0, 1), max_size=12).map(
    lambda d: {q: _KNOWN[q].least + v * (_KNOWN[q].most - _KNOWN[q].least) for q, v in d.items()}
)
_FAULTS = st.sampled_from(sorted(TABLES.faults))
_WORDS = st.sets(st.sampled_from(sorted({w for c in TABLES.causes.values() for w in c.applies})))


@given(_FAULTS, _WORDS, _SOME)
def test_the_causes_and_something_else_are_everything(fault, words, known):
    found = rank(fault, words, known, TABLES)
    assert sum(c.p for c in found.causes) + found.something_else == pytest.approx(1)
    assert all(-2 <= c.evidence <= 2 for c in found.causes)
    assert all(TABLES.causes[c.cause].applies <= words | {"always"} for c in found.causes)
    assert [c.rank for c in found.causes] == sorted(c.rank for c in found.causes)


@given(_FAULTS, _SOME, st.data())
def test_a_quantity_left_out_moves_no_cause_whose_test_does_not_name_it(fault, known, data):
    if not known:
        return
    gone = data.draw(st.sampled_from(sorted(known)))
    less = {q: v for q, v in known.items() if q != gone}
    for row in TABLES.evidence[fault]:
        if gone not in row.quantities:
            assert evidence_of(row, known) == evidence_of(row, less)


@given(_FAULTS, _WORDS, _SOME)
def test_every_cause_is_told_in_sentences_without_a_gap(fault, words, known):
    for cause in rank(fault, words, known, TABLES).causes:
        said = told(cause, fault, known, TABLES, quantities())
        assert said.explanation
        assert len(said.for_it) + len(said.against) == len(cause.known)
        assert not any("{" in s for s in (*said.for_it, *said.against))


def test_a_sentence_has_the_numbers_and_a_minus_that_is_one():
    underbaked = next(c for c in ranked(T1, core_delta=-3).causes if c.cause == "underbaked")
    said = told(underbaked, "gummy", {**T1["quantities"], "core_delta": -3}, TABLES, quantities())
    assert said.for_it == ("The core was −3 K from its target.",)


def test_where_a_sentence_lacks_its_number_the_quantity_is_named():
    facts = {"dough_feel": 2.0}
    found = rank("gummy", [], facts, TABLES)
    water = next(c for c in found.causes if c.cause == "too-much-water")
    assert told(water, "gummy", facts, TABLES, quantities()).for_it == ("How it came together: far too wet.",)
    assert by_name("greased", 0.0, quantities()) == "Tin greased: no."


def test_what_is_asked_is_what_a_cook_can_say():
    assert asks(ranked(CASES[8]), quantities()) == "Did the yeast foam?"
    tough = rank("tough", [], {"dough_feel": 0.0, "water_ratio": 1.0}, TABLES)
    assert tough.tells_most[0][0] == "binder_load"  # known from the formula, or from nobody
    assert asks(tough, quantities()) != ""


# The kitchen's own counts: worked example W18 by hand.
GUMMY = TABLES.evidence["gummy"]
GONE = Step("gummy", "cut-warm", Found.GONE)


@pytest.mark.parametrize(
    ("steps", "prior"),
    [
        ([GONE], 0.213),
        ([GONE] * 3, 0.297),
        ([Step("gummy", "cut-warm", Found.SAME)], 0.127),
        ([Step("gummy", "cut-warm", Found.LESS)], 0.172),
        ([Step("gummy", "cut-warm", Found.GONE, things_changed=2)], 0.180),
        ([Step("gummy", "cut-warm", Found.NOT_LOOKED)], 0.14),
        ([Step("dense", "cut-warm", Found.GONE)], 0.14),
        ([], 0.14),
    ],
)
def test_a_step_teaches_the_kitchens_prior(steps, prior):
    assert own_priors("gummy", GUMMY, steps)["cut-warm"] == pytest.approx(prior, abs=6e-4)


def test_after_three_loaves_saved_by_waiting_cut_warm_leads():
    priors = own_priors("gummy", GUMMY, [GONE] * 3)
    found = rank("gummy", T1["applies"], T1["quantities"], TABLES, priors)
    assert [(c.cause, round(c.p, 2)) for c in found.causes[:2]] == [("cut-warm", 0.53), ("too-much-water", 0.27)]


def test_what_goes_away_by_itself_counts_less():
    alone = [Step("gummy", "cut-warm", Found.GONE, gone_alone=1 / 3)]
    assert 0.14 < own_priors("gummy", GUMMY, alone)["cut-warm"] < own_priors("gummy", GUMMY, [GONE])["cut-warm"]


@given(
    st.lists(st.builds(Step, st.just("gummy"), st.sampled_from([r.cause for r in GUMMY]), st.sampled_from(list(Found))))
)
def test_a_kitchens_priors_keep_a_tenth_for_something_else(steps):
    assert sum(own_priors("gummy", GUMMY, steps).values()) == pytest.approx(0.90)


@pytest.mark.parametrize(
    ("before", "after", "found"),
    [(2, 0, "gone"), (2, 1, "less"), (1, 1, "same or worse"), (1, 3, "same or worse"), (2, None, "not looked")],
)
def test_how_a_fault_is_found_after_a_change(before, after, found):
    assert found_after(before, after) == found


# The tables, walked.


@pytest.mark.parametrize("fault", sorted(TABLES.faults))
def test_a_faults_priors_leave_a_tenth_and_it_has_three_causes(fault):
    rows = TABLES.evidence[fault]
    assert sum(r.prior for r in rows) == pytest.approx(0.90)
    assert len(rows) >= 3
    assert len({r.cause for r in rows}) == len(rows)


def test_tests_rise_within_two_and_name_what_is_known():
    for row in ROWS:
        for curve in (c for test in row.tests for c in test):
            assert curve.quantity in quantities(), (row.fault, row.cause)
            assert list(curve.xs) == sorted(set(curve.xs)), (row.fault, row.cause)
            assert all(abs(w) <= 2 for w in curve.weights)
        if all(quantities()[q].is_yes_or_no for q in row.quantities):
            assert all(len(c.xs) == 2 for test in row.tests for c in test)


def test_every_cause_is_used_and_can_be_acted_on():
    assert {r.cause for r in ROWS} == set(TABLES.causes)

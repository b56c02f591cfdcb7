"""Trials as different people write them down: the first cause is one that a practitioner would accept."""

import json
from pathlib import Path

import pytest

from fallow_sieve.core.trials.trial import faults_seen
from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.shared import validate
from fallow_sieve.formats.trials import TrialFile
from fallow_sieve.services.kitchen import bundled_kitchen
from fallow_sieve.services.trials.making import trial_of_file, trial_rules
from fallow_sieve.services.trials.telling import trial_answer

PATH = Path(__file__).parents[2] / "cases/trials/by_other_hands.json"
CASES = json.loads(PATH.read_text("utf-8"))["cases"]
RIGHT = [c for c in CASES if "error" not in c["expect"]]
SLIPS = [c for c in CASES if "error" in c["expect"]]
HERE = bundled_kitchen()


def trial(case):
    return trial_of_file(validate(TrialFile, case["trial"]), HERE)


@pytest.mark.parametrize("case", RIGHT, ids=[c["who"] for c in RIGHT])
def test_the_first_cause_is_one_that_a_practitioner_accepts(case):
    (seen,) = [f for f in faults_seen(trial(case), trial_rules()) if f.fault.fault == case["expect"]["fault"]]
    assert seen.ranking.causes[0].cause in case["expect"]["first"]
    if "tells_most" in case["expect"]:
        assert seen.ranking.tells_most[0][0] in case["expect"]["tells_most"]


@pytest.mark.parametrize("case", SLIPS, ids=[c["who"] for c in SLIPS])
def test_a_slip_is_named_with_its_place(case):
    with pytest.raises(BadInputError) as error:
        trial(case)
    assert error.value.place == case["expect"]["error"]


@pytest.mark.parametrize("case", RIGHT, ids=[c["who"] for c in RIGHT])
def test_a_bake_against_itself_at_twice_the_batch_changed_nothing(case):
    once = trial(case)
    twice = json.loads(json.dumps(case["trial"]))
    for line in twice["formula"]["lines"]:
        line["mass_g"] *= 2
    twice["formula"]["pieces"] = 2 * twice["formula"].get("pieces", 1)
    for r in twice["readings"]:
        if r["quantity"] == "water_poured_g":
            r["value"] *= 2
    answer = trial_answer(trial_of_file(validate(TrialFile, twice), HERE), "twice", once)
    assert answer.difference is not None
    assert answer.difference.changes == []
    assert answer.difference.things_changed == 0


def test_a_dough_that_egg_or_a_scald_carries_is_not_short_of_binder():
    biscuits = next(c for c in RIGHT if c["expect"]["fault"] == "spread-flat")
    (seen,) = faults_seen(trial(biscuits), trial_rules())
    assert "binder_load" not in seen.facts

"""`trial` and `faults`, run as a person would: documents, exit codes, and errors with a place."""

import json
import re
from pathlib import Path

import pytest

from running import run as in_process

FORMATS = (Path(__file__).parents[2] / "docs/formats.md").read_text("utf-8")
SUMMIT = next(
    d
    for t in re.findall(r"```json\n(.*?)```", FORMATS, re.DOTALL)
    if (d := json.loads(t)).get("format") == "fallow-sieve/trial"
)
CASES = json.loads((Path(__file__).parents[1] / "cases/trials/faults.json").read_text("utf-8"))["cases"]


def run(command, document, *options):
    done = in_process(command, "-", *options, stdin=json.dumps(document).encode())
    return done.returncode, done.stdout.decode(), done.stderr.decode()


def reading(quantity, value, **more):
    return {"quantity": quantity, "value": value, **more}


def trial(*readings, **more):
    return {**SUMMIT, "readings": list(readings), **more}


def test_a_fault_case_is_ranked_whole():
    case = CASES[0]
    code, out, _ = run("faults", {n: case[n] for n in ("fault", "applies", "quantities")}, "--json")
    found = json.loads(out)
    assert code == 0
    assert [c["cause"] for c in found["causes"]] == [e["cause"] for e in case["expect"]]
    assert found["causes"][0]["p"] == pytest.approx(0.4075, abs=5e-5)
    assert (round(found["something_else"], 3), found["tells_most"]) == (0.072, "piece_ratio")


def test_faults_in_words_ends_with_something_else():
    code, out, _ = run("faults", {"fault": "gummy"})
    assert code == 0
    assert out.strip().splitlines()[-1].endswith("something else")


def test_a_trial_tells_measures_faults_and_what_would_tell_most():
    code, out, _ = run("trial", SUMMIT, "--json")
    found = json.loads(out)
    assert code == 1  # gummy, clearly
    assert found["measures"]["core_c"]["planned"] == 96
    assert found["measures"]["water_poured_g"]["value"] == 894
    (gummy,) = found["faults"]
    assert gummy["causes"][0]["rank"] == 1
    assert gummy["tells_most"]
    assert sum(c["p"] for c in gummy["causes"]) + gummy["something_else"] == pytest.approx(1)
    assert any("Mouldy" in c for c in found["cautions"])


def test_a_trial_that_nothing_holds_ends_well():
    code, out, _ = run("trial", trial(reading("fault:gummy", 0), reading("crust_shade", 4)), "--json")
    assert code == 0
    assert json.loads(out)["faults"] == []


def test_a_measure_outside_its_hard_limits_is_a_no():
    assert run("trial", trial(reading("specific_volume_ml_g", 1.2)))[0] == 1


def test_the_arm_that_stuck_is_asked_about_its_own_tin():
    stuck = trial(
        reading("fault:stuck", 3, arm="dark tin"), reading("greased", 0, arm="dark tin"),
        reading("fault:stuck", 0, arm="bright tin"), reading("greased", 1, arm="bright tin"),
    )  # fmt: skip
    (fault,) = json.loads(run("trial", stuck, "--json")[1])["faults"]
    assert fault["arm"] == "dark tin"
    assert "Tin greased: no." in fault["causes"][0]["say"]


def test_two_trials_side_by_side(tmp_path):
    before = tmp_path / "before.json"
    before.write_text(
        json.dumps(trial(reading("oven_c", 190), reading("specific_volume_ml_g", 2.1), plan={"oven_c": 190}))
    )
    after = trial(reading("oven_c", 210), reading("specific_volume_ml_g", 2.2), plan={"oven_c": 190})
    found = json.loads(run("trial", after, "--against", str(before), "--json")[1])["difference"]
    assert found["things_changed"] == 1
    assert found["say"] == "One thing changed, and it was not meant."
    assert found["effects"][0]["shown"] is False
    words = run("trial", after, "--against", str(before))[1]
    assert "no difference shown" in words


def test_a_trial_in_words_names_causes_and_cautions():
    _, out, _ = run("trial", SUMMIT)
    assert "Gummy crumb:" in out
    assert "It would tell most." in out
    assert "Mouldy" in out


@pytest.mark.parametrize(
    ("document", "place"),
    [
        (trial(reading("coer_c", 96)), "/readings/0/quantity"),
        (trial(reading("core_c", 205)), "/readings/0/value"),
        (trial(reading("core_c", 96, arm="third")), "/readings/0/arm"),
        (trial({"quantity": "core_c"}), "/readings/0"),
        (trial(plan={"oven": 1}), "/plan/oven"),
        (trial(arms=["a", "a"]), "/arms"),
        (trial(reading("fault:gummy", 1, day=9)), "/readings/0/day"),
        ({**SUMMIT, "formulas": 1}, "/formulas"),
        (trial(reading("water_poured_g", 9000)), "/readings/0/value"),
    ],
)
def test_bad_input_names_its_place(document, place):
    code, _, error = run("trial", document)
    assert code == 2
    assert f"{place}: " in error


def test_a_fault_that_is_not_known_suggests_the_nearest():
    code, _, error = run("faults", {"fault": "gumy"})
    assert code == 2
    assert "gummy" in error

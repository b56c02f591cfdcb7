"""Experiments as other people would bring them, put away before the code was written."""

import json
from pathlib import Path

import pytest

from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.experiments import ExperimentFile
from fallow_sieve.formats.shared import validate
from fallow_sieve.services.experiments.telling import experiment_answer

HANDS = json.loads((Path(__file__).parents[2] / "cases/experiments/by_other_hands.json").read_text("utf-8"))["cases"]


@pytest.mark.parametrize("given", HANDS, ids=lambda c: c["name"])
def test_an_experiment_of_other_hands(given):
    expect = given["expect"]
    if "error" in expect:
        with pytest.raises(BadInputError, match=f"/{expect['error']}"):
            experiment_answer(validate(ExperimentFile, given["file"]))
        return
    found = experiment_answer(validate(ExperimentFile, given["file"]))
    assert len(found.runs) == expect.get("runs", len(found.runs))
    assert all(sum(r.x.values()) == pytest.approx(1) for r in found.runs)
    assert all(0 <= v <= 1 for c in found.corners for v in c.values())
    if "map" in expect:
        assert found.map is None
    low, high = expect.get("best_mean", (-99, 99))
    assert found.map is None or low <= found.map.best.mean <= high
    if "best_width_at_least" in expect:
        assert found.map.best.high - found.map.best.low >= expect["best_width_at_least"]
    for name, (least, most) in expect.get("best_near", {}).items():
        assert least <= found.map.best.x[name] <= most
    if "fitted" in expect:
        assert found.map.fitted == expect["fitted"]
    if "lucky" in expect:
        assert bool(found.map.lucky) == expect["lucky"]
    if "stop_not" in expect:
        assert not found.map.stop.say.startswith(expect["stop_not"])
    assert expect.get("no_least_squares") not in found.least_squares

"""Worked examples as files: a blend file goes in, and every number that a person worked out comes out."""

import json
from pathlib import Path

import pytest

from fallow_sieve.core.blends.judgement import judge
from fallow_sieve.formats.blends.answers import analysis_document
from fallow_sieve.formats.blends.file import read_blend
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules

FILE = json.loads(Path(__file__).parents[1].joinpath("cases/nutrition.json").read_text(encoding="utf-8"))


@pytest.mark.parametrize("case", FILE["cases"], ids=lambda c: c["name"])
def test_the_numbers_worked_out_by_hand(case):
    blend = {
        "format": "fallow-sieve/blend",
        "version": 1,
        "parts": [{"ingredient": s, "mass_g": m} for s, m in case["parts"].items()],
        "ingredients": FILE["ingredients"],
    }
    document = read_blend(json.dumps(blend).encode())
    found = analysis_document(
        judge(document.blend, library_shelf().with_ingredients(document.ingredients), None, rules())
    )
    for name, value in case["nutrients"].items():
        assert found.nutrients[name].typical == pytest.approx(value), name
    for name, value in case["metrics"].items():
        assert found.metrics[name].typical == pytest.approx(value), name
    assert found.cost_per_kg == pytest.approx(case["cost_per_kg"])
    assert found.gluten.known_mg_per_kg == pytest.approx(case["gluten"])
    assert found.allergens == ["lupin"]

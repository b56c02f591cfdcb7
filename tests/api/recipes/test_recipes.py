"""Recipes read and made over, over HTTP."""

import pytest

API = "/api/v1"


def post(client, path, status=200, **body):
    answer = client.post(f"{API}/{path}", json=body)
    assert answer.status_code == status, answer.json
    return answer.json


RECIPE = "Trial cake\n2 cups plain flour\n2 tsp baking powder\n1 cup milk\n2 eggs\n200 g truffle butter\n"


def test_a_recipe_is_read_with_the_kitchens_cups_and_every_guess(client):
    found = post(client, "recipes/read", text=RECIPE)
    assert [x["understood"] for x in found["lines"]] == ["guessed", "yes", "guessed", "guessed", "part"]
    assert any("250 mL (metric)" in g for g in found["lines"][0]["guesses"])
    assert [x["ingredient"] for x in found["content"]["lines"]] == [
        "wheat-flour",
        "baking-powder",
        "whole-milk",
        "whole-egg",
        "@words",
    ]
    chosen = post(client, "recipes/read", text=RECIPE, chosen={"6": "almond-meal"})
    assert chosen["lines"][-1]["ingredient"] == "almond-meal"
    assert post(client, "recipes/read", 422, text=RECIPE, chosen={"six": "almond-meal"})["place"] == "/chosen"


def test_a_recipe_is_made_over_and_becomes_a_formula(client):
    blend = client.get(f"{API}/blends/8").json
    pinned = {
        "blend_id": 8,
        "revision": 1,
        "name": "Everyday buffet mix",
        "parts": blend["revisions"][0]["content"]["parts"],
    }
    found = post(client, "recipes/convert", text=RECIPE, blend=pinned, use="layer-cake", off=["rest"])
    assert {c["change"]["what"]: c["on"] for c in found["changes"]}["rest"] is False
    made = post(client, "formulas", 201, name="Made over", content=found["content"])
    judged = post(client, "formula-judgements", content=made["draft"]["content"])
    assert judged["analysis"]["hydration_pct"] == pytest.approx(found["after"]["hydration_pct"])

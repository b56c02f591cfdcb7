"""Formulas in and out as files, and what the pages need of them."""

import json

import pytest

API = "/api/v1"


def content_of(client, formula_id=1):
    return client.get(f"{API}/formulas/{formula_id}/draft").json["content"]


def post(client, path, status=200, **body):
    answer = client.post(f"{API}/{path}", json=body)
    assert answer.status_code == status, answer.json
    return answer.json


RECIPE = "Trial cake\n2 cups plain flour\n2 tsp baking powder\n1 cup milk\n2 eggs\n200 g truffle butter\n"


@pytest.mark.parametrize("kind", ["json", "jsonld"])
def test_a_formula_goes_out_and_comes_back_the_same(client, kind):
    out = client.get(f"{API}/formulas/3/export?format={kind}")
    back = client.post(f"{API}/formulas/import", data=out.data, content_type=out.mimetype)
    assert back.status_code == 201
    was, now = content_of(client, 3), back.json["formula"]["draft"]["content"]
    assert now["lines"] == was["lines"]
    assert [(p["ingredient"], p["mass_g"]) for p in now["blend"]["parts"]] == [
        (p["ingredient"], p["mass_g"]) for p in was["blend"]["parts"]
    ]
    first, second = (post(client, "formula-judgements", content=c)["analysis"] for c in (was, now))
    assert first == second


def test_a_plain_recipe_comes_in_with_its_guesses_said(client):
    back = client.post(f"{API}/formulas/import", data=RECIPE.encode(), content_type="text/plain")
    assert back.status_code == 201
    assert any("truffle butter" in n for n in back.json["notes"])
    assert any("milk read as whole milk" in n for n in back.json["notes"])
    other = json.dumps(
        {"@context": "https://schema.org", "@type": "Recipe", "name": "X", "recipeIngredient": ["100 g plain flour"]}
    )
    back = client.post(f"{API}/formulas/import", data=other, content_type="application/ld+json")
    assert back.json["formula"]["draft"]["content"]["lines"][0]["ingredient"] == "wheat-flour"


def test_a_formula_goes_out_as_markdown_and_as_a_card(client):
    assert client.get(f"{API}/formulas/1/export?format=markdown").text.startswith("# Summit tin loaf\n")
    card = client.get(f"{API}/formulas/1/card").json
    assert any("Bake 1" in s for s in card["steps"])
    assert client.get(f"{API}/formulas/1/export?format=pdf").json["right"] == "json, jsonld or markdown"
    assert client.post(f"{API}/formulas/import", data=b"x", content_type="image/png").status_code == 422


def test_what_the_pages_need_once(client):
    found = client.get(f"{API}/formula-reference").json
    assert found["moments"][:2] == ["dry", "gel"]
    assert {s["name"] for s in found["schools"]} == {"by-moisture", "gum", "psyllium", "gels", "none"}
    assert found["consistencies"]["tin-loaf"] == ["soft", "batter"]
    assert found["scale_shows_g"] == 1.0
    assert {"psyllium-husk", "xanthan-gum", "ground-flaxseed"} < set(found["binders"])
    check = {"kind": "scale", "readability_g": 0.1, "readings_g": [8.1] * 10}
    post(client, "bench-tests", 201, readings=check)
    assert client.get(f"{API}/formula-reference").json["scale_shows_g"] == 0.1


def test_the_search_finds_a_formula_by_its_name_and_use(client):
    found = client.get(f"{API}/search?q=dumpling").json["items"]
    assert ("formula", "Night-train dumpling sheets", "Fresh pasta and dumpling sheets") in [
        (x["kind"], x["name"], x["about"]) for x in found
    ]

"""Formulas as documents: drafts, revisions, pins, lists."""

import json

import pytest

API = "/api/v1"


def content_of(client, formula_id=1):
    return client.get(f"{API}/formulas/{formula_id}/draft").json["content"]


def post(client, path, status=200, **body):
    answer = client.post(f"{API}/{path}", json=body)
    assert answer.status_code == status, answer.json
    return answer.json


def test_the_demo_has_eight_formulas_each_with_its_state(client):
    items = client.get(f"{API}/formulas").json["items"]
    assert [(x["head"]["name"], x["standing"]["state"]) for x in items] == [
        ("Summit tin loaf", "passes"), ("Viaduct crispbread", "passes"), ("Trolley hand pies", "passes"),
        ("Night-train dumpling sheets", "passes"), ("Signal box cake", "passes"), ("Points soft rolls", "held"),
        ("Coaling stage loaf", "passes"), ("Buffet custard", "passes"), ("Ridge sandwich loaf", "passes"),
    ]  # fmt: skip
    loaf = items[0]["standing"]
    assert loaf["bakes"] == 9
    assert loaf["wanted_low_pct"] < loaf["hydration_pct"] < loaf["wanted_high_pct"]


def test_the_planted_contradiction_is_found(client):
    found = post(client, "formula-judgements", content=content_of(client, 6))
    assert any("10 times the usual 2 %" in w for w in found["warnings"])
    assert any("185 °C and 400 °F are not the same" in w for w in found["warnings"])


def test_a_formula_is_added_saved_kept_and_put_away(client):
    content = content_of(client)
    made = post(client, "formulas", 201, name="  Trial ", content=content)
    path = f"{API}/formulas/{made['head']['id']}"
    assert made["head"]["name"] == "Trial"
    content["lines"][0]["mass_g"] = 500
    saved = client.put(f"{path}/draft", json={"content": content}, headers={"If-Match": '"1"'})
    assert (saved.status_code, saved.headers["ETag"]) == (200, '"2"')
    stale = client.put(f"{path}/draft", json={"content": content}, headers={"If-Match": '"1"'})
    assert (stale.status_code, stale.json["current"]["version"]) == (412, 2)
    kept = client.post(f"{path}/revisions", json={"why": "Half a batch."}, headers={"If-Match": '"2"'})
    assert [(r["number"], r["why"]) for r in kept.json["revisions"]] == [(1, "Half a batch.")]
    assert kept.json["revisions"][0]["content"]["lines"][0]["mass_g"] == 500
    away = client.put(path, json={"name": "Trial", "archived": True}, headers={"If-Match": '"1"'})
    assert away.json["archived"]
    assert made["head"]["id"] not in [x["head"]["id"] for x in client.get(f"{API}/formulas").json["items"]]
    assert [x["head"]["name"] for x in client.get(f"{API}/formulas?archived=1").json["items"]] == ["Trial"]


def test_an_empty_formula_may_be_saved_but_not_kept(client):
    made = post(client, "formulas", 201, name="Empty", content={})
    path = f"{API}/formulas/{made['head']['id']}"
    assert client.post(f"{path}/revisions", json={"why": "x"}, headers={"If-Match": '"1"'}).status_code == 422
    assert client.get(f"{path}/export").status_code == 422
    assert client.get(f"{path}/card").status_code == 422


def test_a_revision_once_kept_can_not_be_changed_in_the_database(client):
    from sqlalchemy.exc import DBAPIError

    store = client.application.extensions["kitchen"]
    with pytest.raises(DBAPIError, match="append-only"), store.writing() as session:
        session.connection().exec_driver_sql("UPDATE formula_revision SET why = 'other'")


@pytest.mark.parametrize(
    ("change", "place"),
    [
        ({"lines": [{"ingredient": "no-such", "mass_g": 1, "when": "wet"}]}, "/content/lines/0/ingredient"),
        ({"lines": [{"ingredient": "water", "mass_g": 0, "when": "wet"}]}, "/content/lines/0/mass_g"),
        ({"lines": [{"ingredient": "water", "mass_g": 1, "when": "cold"}]}, "/content/lines/0/when"),
        ({"use": "sponge-boat"}, "/use"),
        ({"pan": "cardboard"}, "/pan"),
        ({"pieces": 0}, "/content/pieces"),
        ({"blend": {"parts": [{"ingredient": "no-such", "mass_g": 1}]}}, "/content/blend/parts/0/ingredient"),
    ],
)
def test_a_wrong_formula_is_refused_with_its_place(client, change, place):
    found = post(client, "formulas", 422, name="x", content={**content_of(client), **change})
    assert found["place"] == place


def test_a_duplicate_starts_from_the_draft(client):
    made = client.post(f"{API}/formulas/1/duplicate", json={"name": "Copy"}).json
    assert made["draft"]["content"] == content_of(client)
    assert made["revisions"] == []


def test_a_pinned_blend_says_when_a_newer_revision_is_there_and_what_it_changes(client):
    found = post(client, "formula-pins", content=content_of(client))
    assert found["newer"] == 4
    chickpea = next(c for c in found["changes"] if c["what"] == "chickpea-flour")
    assert (chickpea["before"], chickpea["after"], chickpea["unit"]) == (None, pytest.approx(7.0), "% of flour")
    content = content_of(client)
    content["blend"] = {**content["blend"], "revision": 4, "parts": found["parts"]}
    assert post(client, "formula-pins", content=content)["newer"] is None
    assert post(client, "formula-pins", content={**content, "blend": None, "lines": []})["newer"] is None


def test_one_formula_that_cannot_be_judged_does_not_take_the_list_with_it(client):
    store = client.application.extensions["kitchen"]
    content = {**content_of(client), "lines": [{"ingredient": "gone-flour", "mass_g": 5, "stage": "dry", "note": ""}]}
    with store.writing() as session:
        session.connection().exec_driver_sql(
            "UPDATE formula_draft SET content = ? WHERE formula_id = 4", (json.dumps(content),)
        )
    items = client.get(f"{API}/formulas").json["items"]
    assert len(items) == 9
    assert (items[3]["standing"]["state"], items[3]["standing"]["say"]) == (
        "unjudged",
        "It cannot be judged: unknown ingredient 'gone-flour'.",
    )


def test_an_own_ingredient_that_a_formula_rests_on_is_not_deleted(client):
    post(client, "ingredients", 201, name="Fell syrup", role="other")
    slug = "fell-syrup"
    lines = [{"ingredient": slug, "mass_g": 5, "when": "wet"}]
    post(client, "formulas", 201, name="Sweet", content={"lines": lines})
    gone = client.delete(f"{API}/ingredients/{slug}")
    assert gone.status_code == 409
    assert "Sweet" in gone.json["detail"]

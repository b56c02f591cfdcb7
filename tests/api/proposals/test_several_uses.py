"""A brief for several uses over HTTP: written, judged, proposed for, traded; and variants near a proposal."""

from __future__ import annotations

import json

import pytest

API = "/api/v1"
NAMED = [{"use": "drop-cookie", "weight": 3}, {"use": "layer-cake", "weight": 1}]


def lines(response):
    return [json.loads(line) for line in response.get_data(as_text=True).splitlines()]


@pytest.fixture
def pantry(client):
    """The demo's mix for five bakes, as the bench sends it, and its wishes."""
    head = next(
        b["head"] for b in client.get(f"{API}/blends?limit=50").json["items"] if b["head"]["name"] == "Pantry mix"
    )
    content = client.get(f"{API}/blends/{head['id']}").json["draft"]["content"]
    given = {**content, "brief_id": head["brief_id"]}
    return given, client.post(f"{API}/wishes", json=given).json


def test_a_brief_for_several_uses_comes_back_as_it_was_written(client):
    made = client.post(f"{API}/briefs", json={"name": "Two", "use": "drop-cookie", "limits": {"uses": NAMED}})
    assert made.status_code == 201
    assert made.json["brief"]["limits"]["uses"] == NAMED
    assert made.json["use_name"] == "Drop cookies, Sponge and layer cake"


@pytest.mark.parametrize(
    ("uses", "words"),
    [
        ([{"use": "drop-cookie"}, {"use": "layer-cak"}], "/limits/uses/1/use: unknown use"),
        ([{"use": "drop-cookie"}, {"use": "drop-cookie"}], "stands twice"),
        ([{"use": "drop-cookie"}, {"use": "scone", "weight": 0}], "/limits/uses/1/weight"),
    ],
    ids=["unknown", "twice", "no weight"],
)
def test_a_slip_in_the_uses_of_a_brief_is_named(client, uses, words):
    answer = client.post(f"{API}/briefs", json={"name": "N", "use": "drop-cookie", "limits": {"uses": uses}})
    assert answer.status_code == 422
    assert words in json.dumps(answer.json)


def test_a_blend_of_that_brief_is_judged_for_all_of_them_and_elsewhere_for_its_own(client, pantry):
    given, _ = pantry
    fit = client.post(f"{API}/analyse", json=given).json["fit"]
    assert [u["weight"] for u in fit["each"]] == [3, 1, 2, 1, 2]
    assert fit["score"] == min(u["score"] for u in fit["each"])
    alone = client.post(f"{API}/analyse", json={**given, "brief_id": None}).json["fit"]
    assert alone["each"] == []
    assert alone["score"] == fit["each"][0]["score"]
    other = client.post(f"{API}/analyse", json={**given, "use": "scone"}).json["fit"]
    assert (other["use"], other["each"]) == ("scone", [])


def test_what_is_proposed_for_several_uses_fits_every_one_of_them(client, pantry):
    given, wishes = pantry
    asked = {"wishes": {**wishes, "aims": ["nearest"]}, "parts": given["parts"]}
    (found,) = [x["proposal"] for x in lines(client.post(f"{API}/proposals", json=asked)) if "proposal" in x]
    parts = [{"ingredient": p["ingredient"], "mass_g": p["mass_g"]} for p in found["parts"]]
    for use in (u["use"] for u in wishes["uses"]):
        alone = client.post(f"{API}/analyse", json={"parts": parts, "use": use}).json["fit"]
        assert alone["score"] >= found["score"] - 1e-6


def test_one_use_is_traded_against_the_others_and_only_one_that_is_named(client, pantry):
    given, wishes = pantry
    asked = {"wishes": wishes, "parts": given["parts"], "against": "pancake"}
    points = [x["point"] for x in lines(client.post(f"{API}/tradeoffs-between-uses", json=asked)) if "point" in x]
    assert points
    assert all(0 <= p["x"] <= 100 and 0 <= p["y"] <= 100 for p in points)
    assert [p["x"] for p in points] == sorted((p["x"] for p in points), reverse=True)
    wrong = client.post(f"{API}/tradeoffs-between-uses", json={**asked, "against": "bagel"})
    assert (wrong.status_code, "none of several uses" in json.dumps(wrong.json)) == (422, True)


def test_near_a_proposal_there_is_one_with_a_bin_fewer_that_the_bench_judges_alike(client, pantry):
    given, wishes = pantry
    asked = {"wishes": {**wishes, "aims": ["most-fibre"]}, "parts": given["parts"]}
    (found,) = [x["proposal"] for x in lines(client.post(f"{API}/proposals", json=asked)) if "proposal" in x]
    shares = {p["ingredient"]: p["share_pct"] for p in found["parts"] if p["in_flour_base"]}
    near = client.post(f"{API}/near-variants", json={**asked, "aim": "most-fibre", "shares": shares}).json["variants"]
    assert [v["kind"] for v in near] == ["one bin fewer", "with what is in stock", "with the dear one halved"]
    fewer = near[0]["proposal"]
    assert len(fewer["parts"]) == len(found["parts"]) - 1
    parts = [{"ingredient": p["ingredient"], "mass_g": p["mass_g"]} for p in fewer["parts"]]
    judged = client.post(f"{API}/analyse", json={**given, "parts": parts}).json
    assert judged["fit"]["score"] == pytest.approx(fewer["score"])
    dear = near[2]["proposal"]
    assert dear is None or dear["cost_per_kg"] < found["cost_per_kg"]

"""Blends judged over HTTP: the same numbers as the core gives."""

from __future__ import annotations

import pytest

API = "/api/v1"


PARTS = [{"ingredient": "sorghum-flour", "mass_g": 300}, {"ingredient": "potato-starch", "mass_g": 200}]


def test_analyse_is_the_judgement_of_the_core(client):
    found = client.post(f"{API}/analyse", json={"parts": PARTS, "use": "tin-loaf"}).json
    assert found["analysis"]["mass_g"] == 500
    assert found["fit"]["use"] == "tin-loaf"
    order = ["held", "close", "unknown", "pass"]
    statuses = [s["status"] for s in found["fit"]["bands"]]
    assert statuses == sorted(statuses, key=order.index)


def test_analyse_within_a_brief_minds_its_limits(client):
    found = client.post(f"{API}/analyse", json={"parts": PARTS, "use": "tin-loaf", "brief_id": 1}).json
    fibre = next(s for s in found["fit"]["bands"] if s["band"]["metric"] == "fibre_pct")
    assert (fibre["band"]["good_low"], fibre["band"]["basis"]) == (6.0, "this brief")
    assert {x["limit"] for x in found["limits"]} == {"allergens", "price"}


def test_prices_come_from_the_bins(client):
    cost = client.post(f"{API}/analyse", json={"parts": PARTS}).json["analysis"]["cost_per_kg"]
    assert cost["typical"] == pytest.approx((300 * 3.10 + 200 * 2.60) / 500)


def test_explain_gives_terms_that_add_up_to_what_analyse_said(client):
    said = client.post(f"{API}/analyse", json={"parts": PARTS}).json["analysis"]["metrics"]["fibre_pct"]["typical"]
    found = client.post(f"{API}/explain", json={"parts": PARTS, "metric": "fibre_pct"}).json
    assert sum(t["gives"] for t in found["terms"]) == pytest.approx(said)


def test_compose_sets_a_share_scales_and_adds(client):
    def compose(**change):
        return client.post(f"{API}/compose", json={"parts": PARTS, **change})

    shared = compose(action="set-flour-share", ingredient="potato-starch", value=25).json["parts"]
    assert [p["mass_g"] for p in shared] == pytest.approx([375, 125])
    assert [p["mass_g"] for p in compose(action="scale-to", value=1000).json["parts"]] == [600, 400]
    added = compose(action="add", ingredient="psyllium-husk", use="tin-loaf").json["parts"][-1]
    assert added == {
        "ingredient": "psyllium-husk",
        "mass_g": pytest.approx(25, abs=10),
        "locked": False,
        "lot_id": None,
        "low_ratio": 1.0,
        "high_ratio": 1.0,
    }
    missing = compose(action="scale-to")
    assert (missing.status_code, missing.json["place"]) == (422, "/value")


def test_differences_say_what_moved(client):
    other = [{"ingredient": "sorghum-flour", "mass_g": 400}, {"ingredient": "potato-starch", "mass_g": 100}]
    found = client.post(f"{API}/differences", json={"before": PARTS, "after": other}).json
    assert found["moved_pct"] == pytest.approx(20)


def test_nutrition_stands_on_three_bases_with_known_shares(client):
    columns = client.post(f"{API}/nutrition", json={"parts": PARTS}).json["columns"]
    assert [c["label"] for c in columns] == ["100 g", "¼ cup", "serving"]
    hundred, cup, serving = (c["values"] for c in columns)
    assert (hundred["mass_g"], serving["mass_g"]) == (100, 30)
    protein = hundred["nutrients"]["protein_g"]["typical"]
    assert cup["nutrients"]["protein_g"]["typical"] == pytest.approx(protein * cup["mass_g"] / 100)
    assert columns[0]["known_mass_pct"]["protein_g"] == pytest.approx(100)


def test_a_mix_is_judged_for_all_uses_the_best_first(client):
    parts = [{"ingredient": "white-rice-flour", "mass_g": 70}, {"ingredient": "tapioca-starch", "mass_g": 30}]
    found = client.post(f"{API}/good-for", json={"parts": parts}).json
    assert len(found["uses"]) == 31
    assert found["uses"][0]["status"] == "pass"
    assert found["say"].startswith("Good for ")
    alone = client.post(f"{API}/analyse", json={"parts": parts, "use": "tin-loaf"}).json["fit"]["score"]
    assert next(u for u in found["uses"] if u["use"] == "tin-loaf")["score"] == pytest.approx(alone)
    assert client.post(f"{API}/good-for", json={"parts": []}).status_code == 422


def test_what_a_judgement_rests_on_names_the_two_tests_that_would_make_it_surer(client):
    found = client.post(f"{API}/analyse", json={"parts": PARTS, "use": "tin-loaf"}).json["rests"]
    assert sum(found["by_quality"].values()) + found["taste_pct"] == pytest.approx(100)
    assert len(found["tests"]) == 2
    assert found["after_pct"] < found["unsure_pct"]
    assert client.post(f"{API}/analyse", json={"parts": PARTS, "use": None}).json["rests"] is None

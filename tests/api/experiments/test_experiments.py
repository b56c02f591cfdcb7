"""An experiment over HTTP: begun, set, planned, noted, mapped, gone on with, kept; outcomes of trials and panels."""

import csv
import io

import pytest

API = "/api/v1/experiments"


def begun(client, formula=1, **asked):
    made = client.post(API, json={"formula_id": formula})
    assert made.status_code == 201
    if not asked:
        return made.json
    sent = {n: made.json[n] for n in ("name", "note", "archived")} | {"asked": {**made.json["asked"], **asked}}
    saved = client.put(f"{API}/{made.json['id']}", json=sent, headers={"If-Match": made.headers["ETag"]})
    assert saved.status_code == 200, saved.json
    return saved.json


def part(name, slug, low, high):
    return {"name": name, "ratio": {slug: 1.0}, "low_pct": low, "high_pct": high}


def note(client, experiment, number, value, **more):
    found = client.put(f"{API}/{experiment}/runs/{number}", json={"value": value, **more})
    assert found.status_code == 200, found.json
    return found.json


def test_a_first_guess_is_about_todays_shares(client):
    found = begun(client)
    assert [p["name"] for p in found["asked"]["parts"]] == ["Sorghum flour", "Potato starch", "Brown rice flour"]
    assert sum(found["today"]) == pytest.approx(1)
    assert found["total_pct"] == pytest.approx(73)
    for p, share in zip(found["asked"]["parts"], found["today"], strict=True):
        assert p["low_pct"] <= share * 73 <= p["high_pct"]
        assert p["high_pct"] - share * 73 <= 12.01
    assert found["map"] is None
    assert found["say"].startswith("Say what is varied")


def test_bakes_are_planned_in_steps_of_the_scale_at_the_bakes_size(client):
    made = begun(client, flour_g=500.0, step_g=5.0, bakes=9, days=3)
    found = client.post(f"{API}/{made['id']}/plan").json
    assert [r["number"] for r in found["runs"]] == list(range(1, 10))
    assert sorted({r["day"] for r in found["runs"]}) == [1, 2, 3]
    assert sum(r["is_today"] for r in found["runs"]) >= 3
    for run in found["runs"]:
        assert sum(run["grams"]) == pytest.approx(365)
        if not run["is_today"]:
            assert all(abs(g / 5 - round(g / 5)) < 1e-6 for g in run["grams"])
    assert found["planned_se"] > 0
    assert found["cost"] > 0


def test_the_uses_own_walls_and_a_price_are_rows(client):
    free, walled = begun(client, walls="none"), begun(client, walls="good")
    assert free["rows"] == []
    assert any(r.startswith("starch share ≤") for r in walled["rows"])
    cheap = begun(client, max_price=3.6)
    assert cheap["rows"][-1] == "price ≤ 3.60 per kg"
    assert "Nothing can be planned" in begun(client, max_price=0.5)["say"]


def test_two_bakes_make_a_map_and_the_point_is_judged_by_it(client):
    made = begun(client)
    client.post(f"{API}/{made['id']}/plan")
    assert note(client, made["id"], 1, 6.4)["map"] is None
    found = note(client, made["id"], 2, 5.2)
    assert found["map"]["fitted"] == 2
    assert len(found["picture"]["lattice"]["mean"]) == 61 * 61
    x = list(found["map"]["best"]["x"].values())
    at = client.post(f"{API}/{made['id']}/point", json={"x": x}).json
    assert at["mean"] == pytest.approx(found["map"]["best"]["mean"], abs=1e-6)
    assert at["inside"]
    assert sum(p["mass_g"] for p in at["parts"] if p["varied"]) == pytest.approx(730)
    assert {s["band"]["metric"] for s in at["judgement"]["fit"]["bands"]} >= {"starch_share_pct", "grit_index"}


def test_next_bakes_a_point_of_ones_own_and_a_twin(client):
    found = client.post(f"{API}/1/runs", json={"count": 3}).json
    assert [r["number"] for r in found["runs"]][-3:] == [10, 11, 12]
    assert {r["day"] for r in found["runs"][-3:]} == {4}
    own = client.post(f"{API}/1/runs", json={"x": found["today"]}).json["runs"][-1]
    assert own["replicate_of"] == 1
    assert client.post(f"{API}/1/runs", json={"x": [1.0, 0.0, 0.0]}).status_code == 422
    for wrong in ([0.5, 0.5], [0.5, 0.5, 0.5]):
        for way in ("keep", "point"):
            assert client.post(f"{API}/1/{way}", json={"x": wrong}).status_code == 422


def test_a_bake_is_a_trial_with_its_own_mix_and_its_verdict_is_the_outcome(client):
    made = begun(client)
    client.post(f"{API}/{made['id']}/plan")
    runs = client.get(f"{API}/{made['id']}").json["runs"]
    other = next(r for r in runs if not r["is_today"])
    trial = client.post(f"{API}/{made['id']}/runs/{other['number']}/bake").json["trial_id"]
    again = client.post(f"{API}/{made['id']}/runs/{other['number']}/bake").json["trial_id"]
    assert trial == again
    told = client.get(f"/api/v1/trials/{trial}").json
    assert told["because"]["say"] == f"experiment {made['name']}, bake {other['number']}"
    assert told["blend_name"] == made["name"]
    put = f"/api/v1/trials/{trial}/readings"
    client.put(f"{put}/verdict-one", json={"quantity": "verdict", "value": 7})
    run = next(r for r in client.get(f"{API}/{made['id']}").json["runs"] if r["number"] == other["number"])
    assert (run["value"], run["source"], run["se"]) == (7, "the verdict", 0.8)
    note(client, made["id"], other["number"], 6.1)
    run = next(r for r in client.get(f"{API}/{made['id']}").json["runs"] if r["number"] == other["number"])
    assert (run["value"], run["source"]) == (6.1, "by hand")


def test_a_panels_mean_comes_with_its_own_error(app, client):
    from fallow_sieve.store.experiments import RunOnRecord, put_run

    tasted = next(s for s in client.get("/api/v1/tastings/1").json["samples"] if s["name"] == "Ridge almond")
    made = begun(client)
    client.post(f"{API}/{made['id']}/plan")
    with app.extensions["kitchen"].writing() as session:
        put_run(session, made["id"], RunOnRecord(1, 1, tuple(made["today"]), trial_id=tasted["about"]))
    run = client.get(f"{API}/{made['id']}").json["runs"][0]
    mean = next(
        s["mean"]
        for s in client.get("/api/v1/tastings/1").json["result"]["told"]["samples"]
        if s["sample"] == "Ridge almond"
    )
    assert run["value"] == pytest.approx(mean)
    assert run["source"] == "Tuesday table, 7 tasters"
    assert 0.3 < run["se"] < 1.0


def test_a_point_is_kept_on_the_blend_it_began_with_and_the_draft_stays(client):
    before = client.get("/api/v1/blends/1").json
    best = list(client.get(f"{API}/1").json["map"]["best"]["x"].values())
    kept = client.post(f"{API}/1/keep", json={"x": best})
    assert kept.status_code == 201
    after = client.get("/api/v1/blends/1").json
    assert after["draft"] == before["draft"]
    made = next(r for r in after["revisions"] if r["number"] == kept.json["revision"])
    assert made["why"].startswith("experiment Summit, best three: 8 bakes, ")
    assert sum(p["mass_g"] for p in made["content"]["parts"]) == pytest.approx(1050, abs=1)


def test_parts_stay_once_bakes_came_to_something_and_limits_may_widen(client):
    found = client.get(f"{API}/1")
    asked = found.json["asked"]
    sent = {n: found.json[n] for n in ("name", "note", "archived")}
    head = {"If-Match": found.headers["ETag"]}
    others = [part("Millet", "millet-flour", 0, 20), *asked["parts"][1:]]
    refused = client.put(f"{API}/1", json={**sent, "asked": {**asked, "parts": others}}, headers=head)
    assert refused.status_code == 422
    assert "begin another experiment" in refused.json["detail"]
    wider = [{**asked["parts"][0], "high_pct": 45.0}, *asked["parts"][1:]]
    saved = client.put(f"{API}/1", json={**sent, "asked": {**asked, "parts": wider}}, headers=head)
    assert saved.status_code == 200
    assert client.put(f"{API}/1", json={**sent, "asked": asked}, headers=head).status_code == 412
    assert client.post(f"{API}/1/plan").status_code == 422  # bakes were made already


@pytest.mark.parametrize(
    ("asked", "right"),
    [
        ({"parts": [part("A", "sorghum-flour", 30, 20), part("B", "potato-starch", 0, 40)]}, "least over most"),
        ({"parts": [part("A", "psyllium-husk", 0, 20), part("B", "potato-starch", 0, 40)]}, "no flour or starch"),
        ({"parts": [part("A", "sorghum-flour", 0, 40), part("B", "sorghum-flour", 0, 40)]}, "stands in two parts"),
        ({"response": "smell"}, "one of liking"),
    ],
)
def test_what_cannot_be_varied_is_said(client, asked, right):
    made = client.post(API, json={"formula_id": 1})
    sent = {n: made.json[n] for n in ("name", "note", "archived")} | {"asked": {**made.json["asked"], **asked}}
    refused = client.put(f"{API}/{made.json['id']}", json=sent, headers={"If-Match": made.headers["ETag"]})
    assert refused.status_code == 422
    assert right in refused.json["detail"]


def test_a_plan_of_other_parts_is_dropped_with_them(client):
    made = begun(client)
    client.post(f"{API}/{made['id']}/plan")
    found = client.get(f"{API}/{made['id']}")
    asked = {**found.json["asked"], "parts": found.json["asked"]["parts"][:2]}
    sent = {n: found.json[n] for n in ("name", "note", "archived")} | {"asked": asked}
    saved = client.put(f"{API}/{made['id']}", json=sent, headers={"If-Match": found.headers["ETag"]})
    assert (saved.status_code, saved.json["runs"], len(saved.json["today"])) == (200, [], 2)


def test_a_part_that_hardly_moves_is_refused_by_the_scale(client):
    made = begun(client, flour_g=50.0, step_g=10.0)
    assert "the scale shows 10 g" in made["trouble"]


def test_a_group_in_a_fixed_ratio_moves_as_one(client):
    group = {"name": "Starches", "ratio": {"potato-starch": 3.0, "tapioca-starch": 1.0}, "low_pct": 30, "high_pct": 54}
    made = begun(client, parts=[part("Sorghum", "sorghum-flour", 18, 42), group])
    at = client.post(f"{API}/{made['id']}/point", json={"x": [0.4, 0.6]}).json
    grams = {p["ingredient"]: p["mass_g"] for p in at["parts"]}
    assert grams["potato-starch"] == pytest.approx(3 * grams["tapioca-starch"])
    assert made["picture"]["edges"][0]["say"]


def test_four_parts_are_drawn_at_a_share_of_the_fourth(client):
    more = [part("Sorghum", "sorghum-flour", 18, 42), part("Potato starch", "potato-starch", 13, 35),
            part("Brown rice", "brown-rice-flour", 6, 30), part("Teff", "teff-flour", 0, 22)]  # fmt: skip
    made = begun(client, parts=more)
    assert made["picture"]["fourth"] == pytest.approx(made["today"][3])
    cut = client.get(f"{API}/{made['id']}?fourth=0.05").json["picture"]
    assert all(v[3] == pytest.approx(0.05) for v in [*cut["vertices"], *cut["outline"]])
    assert client.get(f"{API}/{made['id']}?fourth=much").status_code == 422


def test_bakes_go_out_as_a_tidy_table(client):
    rows = list(csv.DictReader(io.StringIO(client.get(f"{API}/1/export").text)))
    assert len(rows) == 9
    assert rows[0]["replicate group"] == rows[4]["replicate group"]
    assert rows[7]["value"] == ""  # it failed
    assert sum(float(rows[0][f"x {n}"]) for n in ("Sorghum", "Teff", "Potato starch")) == pytest.approx(1)


def test_without_a_blend_there_is_nothing_to_vary(client):
    refused = client.post(API, json={"formula_id": 8})
    assert refused.status_code == 422
    assert "no blend" in refused.json["detail"]


def test_several_responses_are_joined_and_one_without_data_is_named(client):
    wishes = [
        {"response": "liking", "at_least": 5.0, "at_best": 8.0, "weight": 2.0},
        {"response": "volume", "at_least": 1.5, "at_best": 2.5, "weight": 1.0},
        {"response": "height", "at_least": 50.0, "at_best": 90.0, "weight": 1.0},
    ]
    made = begun(client, also=wishes)
    client.post(f"{API}/{made['id']}/plan")
    for number, (liking, litres) in enumerate(((6.4, 2.1), (5.0, 2.6), (6.9, 1.9)), start=1):
        note(client, made["id"], number, liking)
        trial = client.post(f"{API}/{made['id']}/runs/{number}/bake").json["trial_id"]
        put = f"/api/v1/trials/{trial}/readings"
        client.put(f"{put}/volume-{number}-a", json={"quantity": "volume_seed_ml", "value": litres * 850})
        client.put(f"{put}/volume-{number}-b", json={"quantity": "mass_out_g", "value": 850})
    found = client.get(f"{API}/{made['id']}").json["joined"]
    assert [r["name"] for r in found["responses"]] == ["liking", "volume"]
    assert found["left_out"] == ["height"]
    assert 0 < found["low"] <= found["mean"] <= found["high"] <= 1
    assert sum(found["x"]) == pytest.approx(1)
    assert len(found["line"]) >= 1


def test_bands_are_proposed_from_eight_bakes_on(client):
    assert client.get(f"{API}/2").json["bands"] == []
    told = client.get(f"{API}/1").json["bands"]
    assert all(" here, now " in t for t in told)
    assert told

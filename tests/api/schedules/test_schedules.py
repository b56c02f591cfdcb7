"""Schedules over HTTP: documents, plans as they are found, running, learning, files, the workplace, starters."""

import json
from datetime import datetime, timedelta

import pytest

API = "/api/v1"
HEADER = {"content-type": "application/json"}


def content_of(client, schedule_id=1):
    return client.get(f"{API}/schedules/{schedule_id}/draft").json["content"]


def post(client, path, status=200, **body):
    answer = client.post(f"{API}/{path}", json=body)
    assert answer.status_code == status, answer.json
    return answer


def planned(client, content):
    lines = [json.loads(x) for x in post(client, "plans", content=content).data.decode().splitlines()]
    assert lines[-1] == {"done": True}, lines
    return next(x["plan"] for x in lines if "plan" in x)


def tin_loaf(content):
    """The demo's schedule with its tin loaf alone."""
    return {**content, "products": [p for p in content["products"] if p["id"] == "Summit tin loaf"]}


def step_of(plan, step, product="Summit tin loaf"):
    return next(s for s in plan["steps"] if (s["product"], s["step"]) == (product, step))


def test_the_demo_has_a_schedule_that_can_be_read_saved_and_kept(client):
    item = client.get(f"{API}/schedules").json["items"][0]
    assert item["standing"]["products"] == ["Coaling stage loaf", "Sleeper rolls", "Summit tin loaf"]
    content = content_of(client)
    saved = client.put(f"{API}/schedules/1/draft", json={"content": content}, headers={"If-Match": '"1"'})
    assert saved.status_code == 200
    stale = client.put(f"{API}/schedules/1/draft", json={"content": content}, headers={"If-Match": '"1"'})
    assert (stale.status_code, stale.json["current"]["version"]) == (412, 2)
    kept = client.post(f"{API}/schedules/1/revisions", json={"why": "As announced."}, headers={"If-Match": '"2"'})
    assert kept.status_code == 201


def test_a_coarse_plan_comes_first_and_then_the_fine_one(client):
    lines = [json.loads(x) for x in post(client, "plans", content=content_of(client)).data.decode().splitlines()]
    assert [next(iter(x)) for x in lines] == ["coarse", "plan", "done"]
    assert lines[1]["plan"]["say"].startswith("Ready Sunday: Coaling stage loaf")


def test_every_step_carries_its_grams_and_the_water_its_temperature(client):
    plan = planned(client, content_of(client))
    mix = step_of(plan, "mix")
    water = next(g for g in mix["grams"] if g["name"] == "Water")
    assert 20 < water["temp_c"] < 30
    assert any(note.startswith("Water at") for note in mix["notes"])
    weigh = step_of(plan, "weigh")
    assert sum(g["mass_g"] for g in weigh["grams"]) == pytest.approx(1900)
    leaven = step_of(plan, "leaven", "Coaling stage loaf")
    assert sum(g["mass_g"] for g in leaven["grams"]) == pytest.approx(210)
    assert any("never screw" in note for note in leaven["notes"])
    assert any("Done at a core" in note for note in step_of(plan, "bake")["notes"])


def test_a_rise_shows_its_gate_its_likely_end_and_its_rim(client):
    proof = step_of(planned(client, content_of(client)), "proof")
    assert proof["gate"][0] < proof["end"] <= proof["gate"][1] < proof["rim_at"]
    assert proof["likely"][0] < proof["end"] < proof["likely"][1]
    assert proof["curve"] == sorted(proof["curve"])


def test_a_pinned_step_stands_where_it_was_put_and_what_may_move_moves(client):
    content = tin_loaf(content_of(client))
    before = planned(client, content)
    at = datetime.fromisoformat(step_of(before, "mix")["at"]) - timedelta(minutes=30)
    content["products"][0]["pins"] = {"mix": at.isoformat()}
    after = planned(client, content)
    assert datetime.fromisoformat(step_of(after, "mix")["at"]) == at
    assert step_of(after, "mix")["pinned"]
    assert step_of(after, "bake")["at"] < step_of(before, "bake")["at"]


def test_a_pin_that_cannot_be_is_said_to_clash(client):
    content = tin_loaf(content_of(client))
    content["products"][0]["pins"] = {"bake": "2026-03-15T12:40"}
    plan = planned(client, content)
    assert (plan["status"], plan["steps"]) == ("infeasible", [])
    assert plan["conflicts"][0]["works"]


def test_why_then_names_what_the_step_waits_for(client):
    content = tin_loaf(content_of(client))
    reasons = post(client, "plans/why", content=content, product="Summit tin loaf", step="bake").json
    assert {r["say"] for r in reasons} == {"proof ripe", "in time"}
    assert all(r["at"] is None or r["end"] is None or r["at"] <= r["end"] for r in reasons)


@pytest.fixture
def running(client):
    """The tin loaf mixed at once, filled, and rising since ten minutes ago."""
    content = tin_loaf(content_of(client))
    done = {s: {"began": f"2026-03-14T0{8 + n // 6}:{10 * (n % 6):02}", "ended": f"2026-03-14T0{8 + (n + 1) // 6}:{10 * ((n + 1) % 6):02}"} for n, s in enumerate(("weigh", "dry-blend", "mix", "rest", "fill"))}  # fmt: skip
    content["products"][0] |= {"done": {**done, "proof": {"began": "2026-03-14T08:50"}}, "ready_at": "2026-03-14T14:00"}
    return content


def test_what_is_done_stays_and_the_rest_goes_on_from_now(client, running):
    plan = planned(client, running)
    assert [s["state"] for s in plan["steps"]][:6] == ["done"] * 5 + ["running"]
    assert step_of(plan, "bake")["at"] >= "2026-03-14T09:30"
    assert step_of(plan, "proof")["at"] == "2026-03-14T08:50:00Z"


def test_readings_that_are_ahead_move_the_rest_forward(client, running):
    before = planned(client, running)
    readings = [{"at": "2026-03-14T09:10", "rise_pct": 30}, {"at": "2026-03-14T09:28", "rise_pct": 62}]
    running["products"][0]["readings"] = {"proof": readings}
    after = planned(client, running)
    assert step_of(after, "proof")["gate"][0] < step_of(before, "proof")["gate"][0]
    spans = [[datetime.fromisoformat(t) for t in step_of(p, "proof")["likely"]] for p in (before, after)]
    assert spans[1][1] - spans[1][0] < spans[0][1] - spans[0][0]


def test_a_dough_that_has_sunk_is_flagged_on_its_step(client, running):
    readings = [{"at": f"2026-03-14T09:{m:02}", "rise_pct": r} for m, r in ((0, 60), (10, 80), (28, 66))]
    running["products"][0]["readings"] = {"proof": readings}
    assert any("sunk" in f for f in step_of(planned(client, running), "proof")["flags"])


def test_four_ways_out_of_a_rise_that_is_ahead_are_simulated(client, running):
    ways = post(client, "plans/ways-out", content=running, product="Summit tin loaf", step="proof").json
    assert [w["way"] for w in ways] == ["leave", "colder", "warmer", "bake now"]
    leave, colder, warmer, _ = ways
    assert leave["over_min"] > warmer["over_min"]
    assert colder["over_min"] is None or colder["over_min"] > leave["over_min"]  # none: not within a day


def test_a_finished_rise_teaches_the_next_plan(client, running):
    product = running["products"][0]
    product["done"]["proof"]["ended"] = "2026-03-14T09:25"
    client.put(f"{API}/schedules/1/draft", json={"content": running}, headers={"If-Match": '"1"'})
    body = {"product": "Summit tin loaf", "step": "proof"}
    for _ in range(2):  # said again, it is the same rise
        assert client.post(f"{API}/schedules/1/observations", json=body).status_code == 204
    pace = planned(client, {**running, "products": [{**product, "done": {}, "ready_at": "2026-03-15T13:00"}]})["paces"][
        0
    ]
    assert (pace["rises"], pace["level"]) == (1, "formula")
    assert pace["factor"] < 1
    assert "1 rise of this formula" in pace["say"]


def test_a_rise_that_has_not_ended_teaches_nothing(client, running):
    client.put(f"{API}/schedules/1/draft", json={"content": running}, headers={"If-Match": '"1"'})
    answer = client.post(f"{API}/schedules/1/observations", json={"product": "Summit tin loaf", "step": "proof"})
    assert (answer.status_code, "teaches nothing yet" in answer.json["detail"]) == (422, True)


def test_a_formula_in_which_nothing_rises_is_refused_with_its_place(client):
    formula = client.get(f"{API}/formulas/6/export?format=json").json or json.loads(
        client.get(f"{API}/formulas/6/export?format=json").data
    )
    content = content_of(client) | {"products": [{"id": "Rolls", "formula": formula, "ready_at": "2026-03-15T13:00"}]}
    answer = client.post(f"{API}/plans", json={"content": content})
    assert (answer.status_code, answer.json["place"]) == (422, "/products/0/formula")


def test_the_workplace_is_asked_once_and_every_plan_uses_it(client):
    place = client.get(f"{API}/workplace")
    assert [o["kind"] for o in place.json["kitchen"]["ovens"]] == ["deck", "fan"]
    kitchen = place.json["kitchen"] | {"ovens": [{"id": "one", "kind": "electric", "levels": 1}]}
    saved = client.put(
        f"{API}/workplace",
        json={"zone": "Europe/London", "kitchen": kitchen},
        headers={"If-Match": place.headers["ETag"]},
    )
    assert saved.status_code == 200
    assert {s["oven"] for s in planned(client, content_of(client))["steps"]} == {"one", None}
    wrong = kitchen | {"ovens": [{"id": "x", "kind": "campfire"}]}
    answer = client.put(
        f"{API}/workplace",
        json={"zone": "Europe/London", "kitchen": wrong},
        headers={"If-Match": saved.headers["ETag"]},
    )
    assert (answer.status_code, answer.json["place"]) == (422, "/kitchen/ovens/0/kind")


def test_a_starters_peaks_teach_its_speed(client):
    jar = client.get(f"{API}/starters").json["items"][0]
    assert (jar["peaks"], len(jar["starter"]["feedings"])) == (3, 3)
    assert 0 < jar["rest_days"] < 1
    fed = {"fed_at": "2026-03-14T08:00Z", "seed_g": 30, "flour_g": 60, "water_g": 60, "temp_c": 22}
    more = post(client, f"starters/{jar['starter']['id']}/feedings", 201, **fed).json["items"][0]
    assert more["rest_days"] == pytest.approx(1.5 / 24)
    feeding = more["starter"]["feedings"][0]["id"]
    slow = client.put(f"{API}/feedings/{feeding}", json={"peaked_at": "2026-03-14T23:00Z"}).json["items"][0]
    assert slow["factor"] > jar["factor"]
    assert client.put(f"{API}/feedings/{feeding}", json={"withdrawn": True}).json["items"][0]["peaks"] == 3


def test_a_schedule_file_is_read_again_as_it_was_written(client):
    content = content_of(client)
    answer = client.post(f"{API}/plans/file", json={"content": content, "name": "Sunday"})
    again = json.loads(answer.data)
    made = post(client, "schedules", 201, name="Again", content=again).json
    assert [p["id"] for p in made["draft"]["content"]["products"]] == [p["id"] for p in content["products"]]
    assert planned(client, again)["bother"] == planned(client, content)["bother"]


def test_the_table_has_a_line_a_step_with_both_clocks(client):
    rows = client.post(f"{API}/plans/csv", json={"content": content_of(client), "name": "S"}).data.decode().splitlines()
    assert rows[0].startswith("product,step,do,state,at_utc")
    assert len(rows) == 1 + len(planned(client, content_of(client))["steps"])
    assert "+0000" in rows[1]


def test_the_card_of_a_loaf_now_says_what_it_waits_for(client):
    steps = client.get(f"{API}/formulas/1/card").json["steps"]
    rise = next(n for n, s in enumerate(steps) if "until it has risen by 70 %" in s)
    assert steps[rise + 1].startswith("Bake 1")
    assert any(s.startswith("Fill") for s in steps[:rise])


def test_a_warmer_dough_than_planned_makes_the_next_water_cooler(client, running):
    product = running["products"][0]
    before = planned(client, {**running, "products": [{**product, "done": {}, "ready_at": "2026-03-15T13:00"}]})
    product |= {"dough_c": 29, "planned_dough_c": 26, "readings": {"rest": [{"at": "2026-03-14T08:32", "dough_c": 29}]}}
    client.put(f"{API}/schedules/1/draft", json={"content": running}, headers={"If-Match": '"1"'})
    assert (
        client.post(f"{API}/schedules/1/observations", json={"product": "Summit tin loaf", "step": "rest"}).status_code
        == 204
    )
    again = {
        **product,
        "done": {},
        "readings": {},
        "dough_c": 26,
        "planned_dough_c": None,
        "ready_at": "2026-03-15T13:00",
    }
    after = planned(client, {**running, "products": [again]})
    water = [next(g["temp_c"] for g in step_of(p, "mix")["grams"] if g["name"] == "Water") for p in (before, after)]
    assert water[1] < water[0] - 1


def test_an_oven_that_heats_slowly_is_switched_on_earlier_next_time(client):
    content = tin_loaf(content_of(client))
    before = planned(client, content)["heating"][0]
    content["products"][0]["heats"] = {"bake": {"began": "2026-03-14T08:00", "ended": "2026-03-14T09:10"}}
    client.put(f"{API}/schedules/1/draft", json={"content": content}, headers={"If-Match": '"1"'})
    assert (
        client.post(f"{API}/schedules/1/observations", json={"product": "Summit tin loaf", "step": "bake"}).status_code
        == 204
    )
    after = planned(
        client, {**content, "products": [{**content["products"][0], "heats": {}, "ovens": {"bake": before["oven"]}}]}
    )["heating"][0]
    length = [datetime.fromisoformat(h["hot_at"]) - datetime.fromisoformat(h["at"]) for h in (before, after)]
    assert length[1] > length[0]


def test_a_plan_that_runs_late_is_as_little_late_as_may_be_and_says_so(client, running):
    running["products"][0]["ready_at"] = "2026-03-14T11:30"
    plan = planned(client, running)
    assert plan["status"] == "optimal"
    assert "late" in plan["say"]
    assert plan["products"][0]["ready_at"] < "2026-03-14T13:00"


def test_an_oven_is_hot_when_its_bake_begins_and_cools_shut_after_the_last(client):
    plan = planned(client, tin_loaf(content_of(client)))
    bake = step_of(plan, "bake")
    points = [p for p in plan["warmth"] if p["oven"] == bake["oven"]]
    assert points[0]["temp_c"] == 22
    assert {"oven": bake["oven"], "at": bake["at"], "temp_c": 190.0} in points
    assert [p["temp_c"] for p in points[-4:]] == sorted((p["temp_c"] for p in points[-4:]), reverse=True)
    assert points[-1]["temp_c"] > 22

"""Measures taken by hand, over HTTP: what numbers come to, and what a trial then says."""

import pytest

API = "/api/v1"


def test_every_way_says_what_it_asks(client):
    ways = client.get(f"{API}/measures").json["items"]
    assert {w["name"] for w in ways} == {"seeds", "tin", "round", "free", "spread", "give", "whole", "light"}
    assert all(w["how"] and w["asks"] and w["label"] for w in ways)


def test_give_on_two_days_is_told_as_a_difference(client):
    trial = client.post(f"{API}/trials", json={"formula_id": 1}).json["id"]
    for day, sunk in ((0, [5.5, 6.0, 5.0]), (2, [3.0, 3.5, 3.0])):
        body = {"way": "give", "numbers": {"sunk_mm": sunk}}
        m = client.post(f"{API}/measures", json=body).json
        reading = {"quantity": m["quantity"], "value": m["value"], "sd": m["sd"], "n": m["n"], "day": day}
        assert client.put(f"{API}/trials/{trial}/readings/give-on-day-{day}", json=reading).status_code == 200
    told = client.get(f"{API}/trials/{trial}").json["told"]
    # W6: 1.74 times as firm
    assert told["kept"] == "On day 2 it was 1.7 times as firm as on day 0 (from two days: a difference, no rate)."


def test_a_number_that_is_missing_is_named(client):
    wrong = client.post(f"{API}/measures", json={"way": "seeds", "numbers": {"box_ml": [3000]}})
    assert wrong.status_code == 422
    assert "/numbers/full_g" in wrong.text


def test_the_demo_says_what_its_own_steps_taught(client):
    causes = [
        c for t in range(1, 16) for f in client.get(f"{API}/trials/{t}").json["told"]["faults"] for c in f["causes"]
    ]
    lessons = [c["lesson"] for c in causes if c["lesson"]]
    assert lessons
    assert all(line.startswith("After ") and "→" in line for line in lessons)


def test_a_measure_that_is_worked_out_says_what_each_reading_would_move(client):
    found = client.get(f"{API}/trials/1/measures/specific_volume_ml_g").json
    assert found["value"] == pytest.approx(3400 / 1652)
    moves = {r["quantity"]: (r["step"], r["moves"]) for r in found["rests"]}
    assert moves["volume_seed_ml"] == (30, pytest.approx(3430 / 1652 - 3400 / 1652))
    assert moves["mass_out_g"] == (20, pytest.approx(3400 / 1672 - 3400 / 1652))
    loss = client.get(f"{API}/trials/1/measures/bake_loss_pct").json
    assert {r["quantity"]: round(r["moves"], 2) for r in loss["rests"]} == {"mass_in_g": 0.93, "mass_out_g": -1.07}


def test_a_measure_that_was_read_rests_on_nothing_else_and_names_its_rule(client):
    found = client.get(f"{API}/trials/1/measures/soft").json
    assert (found["rests"], found["basis"]) == ([], "rule of thumb")
    assert "hard, firm" in found["rule"]


def test_every_measure_of_every_bake_says_how_it_came_about(client):
    for trial in client.get(f"{API}/trials").json["items"]:
        for name in client.get(f"{API}/trials/{trial['id']}").json["told"]["measures"]:
            found = client.get(f"{API}/trials/{trial['id']}/measures/{name}").json
            assert all(found[n] for n in ("say", "rule", "basis"))


def test_a_measure_that_a_bake_does_not_have_is_named_with_those_it_has(client):
    answer = client.get(f"{API}/trials/1/measures/specific_volume")
    assert answer.status_code == 422
    assert "specific_volume_ml_g" in str(answer.json)

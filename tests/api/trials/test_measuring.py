"""Measures taken by hand, over HTTP: what numbers come to, and what a trial then says."""

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

"""A table over HTTP: set, blocked, opened, answered, closed, unblinded once; and what never leaves the server."""

import pytest

API = "/api/v1/tastings"
NUTS, LEGUME = {"allergies": ["tree-nuts"]}, {"by_choice": ["legume"]}
CHICKPEA, TEFF, ALMOND = "Ridge chickpea", "Ridge teff", "Ridge almond"


def trials_of(client):
    return {t["name"]: t["id"] for t in client.get("/api/v1/trials?limit=100").json["items"]}


def setting(found, **more):
    sent = {
        "name": found["name"],
        "samples": [
            {"number": s["number"], "kind": s["kind"], "about": s["about"], "name": s["name"]} for s in found["samples"]
        ],
        "asked": {"main": "liking"},
        "seats": [{"number": n, "name": f"Taster {n}"} for n in range(1, 7)],
    }
    return {**sent, **more}


def made(client, names=(CHICKPEA, TEFF, ALMOND), **more):
    ids = trials_of(client)
    found = client.post(API, json={"trials": [ids[n] for n in names]})
    assert found.status_code == 201
    saved = client.put(
        f"{API}/{found.json['id']}", json=setting(found.json, **more), headers={"If-Match": found.headers["ETag"]}
    )
    assert saved.status_code == 200, saved.json
    return saved.json


def opened(client, **more):
    table = made(client, **more)
    found = client.post(f"{API}/{table['id']}/open")
    assert found.status_code == 200, found.json
    return found.json


def type_in(client, table, seat, marks, method="liking"):
    """Marks in the order of the seat's own plates."""
    codes = client.get(f"{API}/{table['id']}/seats/{seat}/paper").json["codes"]
    answers = [{"code": c, "method": method, "value": m} for c, m in zip(codes, marks, strict=False)]
    return client.put(f"{API}/{table['id']}/seats/{seat}/paper", json={"answers": answers})


def finish(client, table, who="Berit"):
    client.post(f"{API}/{table['id']}/close")
    return client.post(f"{API}/{table['id']}/unblind", json={"who": who})


def test_a_block_serves_nothing_until_it_is_met(client):
    seats = [{"number": 1, "name": "Tor", **NUTS}, {"number": 2, "name": "Ida"}]
    table = opened(client, seats=seats)
    assert "seat 1 is blocked" in table["say"]
    assert client.get(f"{API}/{table['id']}/seats/1/paper").json["codes"] == []
    refused = client.post(f"{API}/{table['id']}/links", json={"host": "127.0.0.1", "seat": 1})
    assert refused.status_code == 422
    almond = next(s["number"] for s in table["samples"] if s["name"] == ALMOND)
    left = client.post(f"{API}/{table['id']}/seats/1/leave-out", json={"sample": almond})
    assert "blocked" not in left.json["say"]
    assert len(client.get(f"{API}/{table['id']}/seats/1/paper").json["codes"]) == 2


def test_an_allergy_is_never_lifted_and_a_choice_by_name_and_reason(client):
    seats = [{"number": 1, "name": "Tor", **NUTS}, {"number": 2, "name": "Per", **LEGUME}]
    table = opened(client, seats=seats)
    number = {s["name"]: s["number"] for s in table["samples"]}
    allergy = {"sample": number[ALMOND], "name": "Tor", "why": "I want to"}
    refused = client.post(f"{API}/{table['id']}/seats/1/lift", json=allergy)
    assert refused.status_code == 422
    assert "cannot be lifted" in refused.json["detail"]
    by_other = {"sample": number[CHICKPEA], "name": "Tor", "why": "he said so"}
    assert client.post(f"{API}/{table['id']}/seats/2/lift", json=by_other).status_code == 422
    own = client.post(f"{API}/{table['id']}/seats/2/lift", json={**by_other, "name": "per", "why": "only today"})
    assert own.status_code == 200
    assert any(x["what"] == "lifted" and "only today" in x["detail"] for x in own.json["log"])
    plating = client.post(f"{API}/{table['id']}/plating", json={"who": "Eva"}).json
    assert plating["seats"][0]["blocked"]
    assert plating["seats"][1]["lifted"] == [f"{CHICKPEA}: only today"]


def test_a_host_sees_no_scores_and_no_names_of_codes_before_unblinding(client):
    table = opened(client)
    type_in(client, table, 1, [8, 6, 5])
    now = client.get(f"{API}/{table['id']}").json
    assert now["result"] is None
    assert all(s["codes"] == [] for s in now["samples"])
    assert [s["state"] for s in now["mats"][0]["slices"]] == ["full"] * 3
    assert "8" not in str(now["mats"][0]).replace(str(now["mats"][0]["slices"]), "")
    assert ALMOND not in client.get(f"{API}/{table['id']}/export").text


def test_it_is_unblinded_once_and_what_comes_later_is_late(client):
    table = opened(client)
    for seat, marks in enumerate(([9, 5, 4], [8, 5, 5], [9, 4, 4], [8, 6, 5], [7, 4, 4]), start=1):
        assert type_in(client, table, seat, marks).status_code == 200
    done = finish(client, table)
    assert done.json["unblinded_by"] == "Berit"
    assert done.json["result"]["told"]["n"] == 5
    assert client.post(f"{API}/{table['id']}/unblind", json={"who": "Ola"}).status_code == 422
    before = done.json["result"]
    assert type_in(client, table, 6, [1, 9, 9]).status_code == 200
    after = client.get(f"{API}/{table['id']}").json
    assert after["result"] == before
    assert after["late"] == 3
    assert ALMOND in client.get(f"{API}/{table['id']}/export").text


def test_a_seat_taken_out_is_shown_both_ways(client):
    table = opened(client)
    for seat in range(1, 7):
        type_in(client, table, seat, [8, 5, 5])
    client.post(f"{API}/{table['id']}/close")
    assert client.post(f"{API}/{table['id']}/seats/6/drop", json={"why": " "}).status_code == 422
    client.post(f"{API}/{table['id']}/seats/6/drop", json={"why": "had a cold"})
    result = client.post(f"{API}/{table['id']}/unblind", json={"who": "Berit"}).json["result"]
    assert (result["told"]["n"], result["with_dropped"]["n"]) == (5, 6)
    late = client.post(f"{API}/{table['id']}/seats/5/drop", json={"why": "too late to say"})
    assert late.status_code == 422


def test_one_who_comes_late_gets_no_plate_that_they_must_not_have(client):
    table = opened(client)
    found = client.post(f"{API}/{table['id']}/seats", json={"name": "Tor", **NUTS})
    assert found.status_code == 201
    mat = found.json["mats"][-1]
    assert [s["state"] for s in mat["slices"]].count("left out") == 1
    assert mat["blocks"][0]["done"] == "left out"


def test_raw_dough_and_a_core_that_was_not_reached_are_refused(client):
    ids = trials_of(client)
    begun = client.post("/api/v1/trials", json={"formula_id": 1, "name": "still dough"}).json
    table = client.post(API, json={"trials": [begun["id"], ids[TEFF]]}).json
    assert "raw dough" in table["samples"][0]["refused"]
    assert client.post(f"{API}/{table['id']}/open").status_code == 422
    put = f"/api/v1/trials/{begun['id']}/readings"
    client.put(f"{put}/core-read-1", json={"quantity": "core_c", "value": 80})
    now = client.get(f"{API}/{table['id']}").json
    assert "not baked through" in now["samples"][0]["refused"]
    client.put(f"{put}/core-read-2", json={"quantity": "core_c", "value": 98, "replaces": "core-read-1"})
    assert client.get(f"{API}/{table['id']}").json["samples"][0]["refused"] == ""


def test_a_filling_and_a_bag_count_with_what_they_hold(client):
    table = made(client, names=(CHICKPEA, TEFF))
    samples = [
        {"number": 1, "kind": "trial", "about": table["samples"][1]["about"], "name": TEFF, "marks": ["milk"]},
        {"number": 2, "kind": "bag", "name": "market loaf", "marks": ["soya"], "lot": "L1"},
    ]
    seats = [{"number": 1, "name": "Eva", "allergies": ["milk"]}, {"number": 2, "name": "Jon", "allergies": ["egg"]}]
    sent = setting(table, samples=samples, seats=seats)
    found = client.put(f"{API}/{table['id']}", json=sent, headers={"If-Match": f'"{table["version"]}"'}).json
    assert [b["say"] for b in found["mats"][0]["blocks"]] == [
        "contains milk · allergy, cannot be lifted",
        "milk: not known · allergy, cannot be lifted",  # nobody read the whole list of the bag
    ]
    assert [b["sample"] for b in found["mats"][1]["blocks"]] == [2]


def test_the_same_trial_twice_is_told_by_a_number(client):
    ids = trials_of(client)
    table = client.post(API, json={"trials": [ids[TEFF], ids[TEFF]]}).json
    assert [s["name"] for s in table["samples"]] == [TEFF, f"{TEFF} (2)"]


def test_codes_of_the_last_tables_are_not_used_again(client):
    seen = set()
    for _ in range(3):
        codes = {s["code"] for s in opened(client)["mats"][0]["slices"]}
        assert not codes & seen
        seen |= codes


def test_a_stale_setting_is_not_saved_over_anothers(client):
    table = made(client)
    sent = setting(table, name="mine")
    head = {"If-Match": f'"{table["version"]}"'}
    assert client.put(f"{API}/{table['id']}", json=sent, headers=head).status_code == 200
    assert client.put(f"{API}/{table['id']}", json={**sent, "name": "theirs"}, headers=head).status_code == 412
    assert client.get(f"{API}/{table['id']}").json["name"] == "mine"


@pytest.mark.parametrize(
    ("asked", "names", "right"),
    [
        ({"main": "paired"}, (CHICKPEA, TEFF, ALMOND), "two"),
        ({"main": "2-afc", "new": 1}, (CHICKPEA, TEFF), "name it"),
        ({"main": "2-afc", "attribute": "sweet"}, (CHICKPEA, TEFF), "name that sample"),
        ({"main": "words"}, (CHICKPEA, TEFF), "crumbly"),
    ],
)
def test_what_cannot_be_asked_is_said_at_opening(client, asked, names, right):
    table = made(client, names=names, asked=asked)
    refused = client.post(f"{API}/{table['id']}/open")
    assert refused.status_code == 422
    assert right in refused.json["detail"]


def test_a_triangle_is_counted_by_the_odd_one(client):
    table = opened(client, names=(CHICKPEA, TEFF), asked={"main": "triangle"})
    plating = client.post(f"{API}/{table['id']}/plating", json={"who": "Eva"}).json
    sample = {p["code"]: p["sample"] for p in plating["plates"]}
    for seat in plating["seats"]:
        names = [sample[c] for c in seat["codes"]]
        odd = next(c for c in seat["codes"] if names.count(sample[c]) == 1)
        answer = {"method": "triangle", "value": odd}
        sent = client.put(f"{API}/{table['id']}/seats/{seat['number']}/paper", json={"answers": [answer]})
        assert sent.status_code == 200, sent.json
    told = finish(client, table).json["result"]["told"]
    assert told["noticed"]["right"] == told["noticed"]["answers"] == 6
    assert told["verdict"].startswith("Noticed: 6 of 6 right, 2 by guessing;")


def test_days_are_pooled_and_a_table_still_open_is_not(client):
    found = client.get(f"{API}/pooled?ids=1,2").json
    assert found["told"]["n"] == 13
    assert [d["n"] for d in found["days"]] == [7, 6]
    assert client.get(f"{API}/pooled?ids=1,3").status_code == 422
    assert client.get(f"{API}/pooled?ids=1,x").status_code == 422


def test_paper_has_a_page_a_seat_that_may_taste(client):
    answer = client.get(f"{API}/3/paper")
    assert answer.mimetype == "application/pdf"
    assert answer.data.startswith(b"%PDF")
    # seats 3 and 6 of the demo's open table are blocked
    assert answer.data.count(b"/Type /Page\n") == 5
    assert client.get(f"{API}/1/paper").status_code == 422


def test_answers_that_nobody_asked_for_are_refused_by_place(client):
    table = opened(client)
    bad = [{"method": "words", "attribute": "dry", "value": 1}, {"code": 100, "method": "liking", "value": 5}]
    for answer in bad:
        refused = client.put(f"{API}/{table['id']}/seats/1/paper", json={"answers": [answer]})
        assert refused.status_code == 422
    assert type_in(client, table, 1, [10, 5, 5]).status_code == 422
    assert client.get(f"{API}/{table['id']}").json["mats"][0]["done"] == 0

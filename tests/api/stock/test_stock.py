"""Stock over HTTP: traced both ways with the same grams, held with all it went into, counted blind, bought in packs."""

from __future__ import annotations

import pytest

API = "/api/v1"
SORGHUM = "LI-061"


def lot_id(client, slug, code):
    return next(x["id"] for x in client.get(f"{API}/ingredients/{slug}/lots").json["items"] if x["code"] == code)


@pytest.fixture
def sorghum(client):
    return lot_id(client, "sorghum-flour", SORGHUM)


def test_forward_then_back_gives_the_same_grams(client, sorghum):
    forward = client.get(f"{API}/trace/lots/{sorghum}").json
    assert len(forward["batches"]) == 3
    for batch in forward["batches"]:
        back = client.get(f"{API}/trace/batches/{batch['id']}").json
        there = [k["mass_g"] for k in forward["links"] if (k["lot_id"], k["batch_id"]) == (sorghum, batch["id"])]
        here = [k["mass_g"] for k in back["links"] if k["lot_id"] == sorghum]
        assert there == here
        drawn = sum(k["mass_g"] for k in back["links"] if k["lot_id"] is not None)
        assert drawn == pytest.approx(batch["in_g"])


def test_a_trace_says_it_in_one_sentence_and_finds_every_gram(client, sorghum):
    found = client.get(f"{API}/trace/lots/{sorghum}").json
    assert found["say"] == "LI-061 is in 3 batches and 9 bags: 4.0 kg in the house, 1.0 kg gone to 2 places."
    for batch in found["batches"]:
        places = sum(k["mass_g"] for k in found["links"] if k["batch_id"] == batch["id"] and k["lot_id"] is None)
        assert places + batch["nobody_knows_g"] == pytest.approx(batch["made_g"])
        assert batch["balanced"]


def test_holding_a_lot_holds_its_bags(client, sorghum):
    would = client.get(f"{API}/lots/{sorghum}/hold").json
    assert len(would["batches"]) == 3
    assert client.post(f"{API}/lots/{sorghum}/hold", json={"why": " "}).status_code == 422
    assert client.post(f"{API}/lots/{sorghum}/hold", json={"why": "no test"}).json["bags"] == 9
    batch = next(b for b in client.get(f"{API}/batches").json["items"] if b["left_g"] and b["hand"] == "held")
    bag = next(b for b in client.get(f"{API}/batches/{batch['id']}").json["bags"] if b["left_g"])
    out = {"kind": "gone-out", "mass_g": 10, "where": "Viaduct halt"}
    assert "held" in client.post(f"{API}/bags/{bag['id']}/moves", json=out).json["detail"]
    thrown = {"kind": "thrown-away", "mass_g": 10, "why": "recall"}
    assert client.post(f"{API}/bags/{bag['id']}/moves", json=thrown).status_code == 201
    plan = client.post(f"{API}/batches", json={"blend_id": 1}).json
    part = next(p for p in plan["parts"] if p["ingredient"] == "sorghum-flour")
    assert [d["code"] for d in part["draws"]] == []
    assert any(SORGHUM in why and "held" in why for why in part["left_out"])
    label = client.get(f"{API}/batches/{batch['id']}/label").json
    assert any(x["key"] == "hold" for x in label["lines"])


def test_what_is_held_by_another_cause_stays_held(client, sorghum):
    other = next(b for b in client.get(f"{API}/batches").json["items"] if b["hand"] == "held")["id"]
    client.post(f"{API}/lots/{sorghum}/hold", json={"why": "no test"})
    assert client.post(f"{API}/lots/{sorghum}/release", json={"why": "tested at 5"}).json["ended"] == 4
    held = [b["id"] for b in client.get(f"{API}/batches").json["items"] if b["hand"] == "held"]
    assert held == [other]
    assert client.post(f"{API}/batches/{other}/release", json={"why": "found"}).status_code == 204
    assert client.get(f"{API}/batches/{other}").json["holds"] == []


def test_a_count_hides_the_book_and_a_large_difference_wants_a_cause(client, sorghum):
    listed = client.get(f"{API}/stock/count").json
    item = next(x for x in listed["items"] if x["code"] == SORGHUM)
    assert set(item) == {"kind", "id", "code", "what", "place"}
    book = next(
        x["stock_g"] for x in client.get(f"{API}/ingredients/sorghum-flour/lots").json["items"] if x["code"] == SORGHUM
    )
    body = {"kind": "lot", "id": sorghum, "mass_g": book - 400}
    first = client.post(f"{API}/stock/count", json=body).json
    assert (first["kept"], first["book_g"]) == (False, book)
    second = client.post(f"{API}/stock/count", json={**body, "cause": "spilled"}).json
    assert (second["kept"], second["difference_g"]) == (True, -400)
    moves = client.get(f"{API}/lots/{sorghum}/moves").json["items"]
    assert moves[-1]["why"] == "spilled"
    assert sum(m["mass_g"] for m in moves) == pytest.approx(book - 400)
    small = client.post(f"{API}/stock/count", json={**body, "mass_g": book - 401}).json
    assert small["kept"]


def test_a_count_finds_no_more_than_a_bag_can_hold(client):
    batch = next(b for b in client.get(f"{API}/batches").json["items"] if b["bags"] > 2)
    bag = next(b for b in client.get(f"{API}/batches/{batch['id']}").json["bags"] if b["left_g"])
    body = {"kind": "bag", "id": bag["id"], "mass_g": bag["net_g"] * 1.2, "cause": "scale"}
    assert "no more can be left" in client.post(f"{API}/stock/count", json=body).json["right"]


def test_a_drill_takes_its_time_and_holds_nothing(client, sorghum):
    begun = client.post(f"{API}/lots/{sorghum}/drills").json
    ended = client.post(f"{API}/drills/{begun['id']}/found", json={"found_g": 4000, "missing": "one label"}).json
    assert (ended["found_g"], ended["missing"]) == (4000, "one label")
    assert ended["wanted_g"] == pytest.approx(4040)
    assert len([b for b in client.get(f"{API}/batches").json["items"] if b["hand"] == "held"]) == 1


def test_what_plans_need_beyond_the_bins_is_bought_in_whole_packs(client):
    page = client.post(f"{API}/batches", json={"blend_id": 1}).json
    sent = {"name": page["name"], "wanted": {**page["wanted"], "bags": 80}, "making": page["making"]}
    client.put(f"{API}/batches/{page['id']}", json=sent, headers={"If-Match": str(page["version"])})
    rows = {x["ingredient"]: x for x in client.get(f"{API}/stock/buy").json["items"]}
    row = rows["potato-starch"]
    bought = sum(p["size_g"] * p["count"] for p in row["packs"])
    assert row["planned_g"] > row["free_g"]
    assert bought >= row["need_g"] > 0
    assert bought - row["left_over_g"] == pytest.approx(row["need_g"])

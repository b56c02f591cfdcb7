"""A bag of one batch poured into the next: mass, lots, trace and stock stand, and a slip goes back whole."""

from __future__ import annotations

import pytest
from tests.api.batches.making import API, bring, lot_g, planned, stocked, weigh_all


@pytest.fixture
def two(client):
    """A batch in bags of 500 g, and one of the same blend that is being weighed."""
    first = planned(client, bags=2)
    lots = stocked(client, first)
    first = bring(client, first, "weighing").json
    weigh_all(client, first, lots)
    assert bring(client, first, "blended").status_code == 200
    filled = client.post(f"{API}/batches/{first['id']}/bags", json={"count": 2, "size_g": 500, "net_g": 500})
    second = bring(client, planned(client, bags=4), "weighing").json
    return filled.json, second, lots


def pour(client, batch, bag, mass_g, key="pour-0001"):
    body = {"bag_id": bag["id"], "mass_g": mass_g}
    return client.put(f"{API}/batches/{batch['id']}/pours-in/{key}", json=body)


def test_a_mix_in_a_mix_brings_its_parts_in_their_shares_and_leaves_the_lots_alone(client, two):
    first, second, lots = two
    before = {s: lot_g(client, s, n) for s, n in lots.items()}
    page = pour(client, second, first["bags"][0], 200).json
    assert page["in_g"] == pytest.approx(200)
    for a, b in zip(first["parts"], page["parts"], strict=True):
        assert b["poured_g"] / 200 == pytest.approx(a["poured_g"] / first["in_g"], abs=1e-6)
    assert {s: lot_g(client, s, n) for s, n in lots.items()} == before
    assert client.get(f"{API}/batches/{first['id']}").json["bags"][0]["left_g"] == pytest.approx(300)


def test_the_same_pour_sent_twice_counts_once_and_another_under_its_key_is_refused(client, two):
    first, second, _ = two
    pour(client, second, first["bags"][0], 200)
    assert pour(client, second, first["bags"][0], 200).json["in_g"] == pytest.approx(200)
    assert pour(client, second, first["bags"][0], 150).status_code == 409


def test_voiding_one_part_of_a_pour_gives_all_of_it_back_to_its_bag(client, two):
    first, second, _ = two
    page = pour(client, second, first["bags"][0], 500).json
    key = page["weighings"][2]["key"]
    body = {"why": "wrong bag", "key": "void-0001"}
    page = client.post(f"{API}/batches/{second['id']}/weighings/{key}/void", json=body).json
    assert page["in_g"] == pytest.approx(0)
    bag = client.get(f"{API}/batches/{first['id']}").json["bags"][0]
    assert (bag["left_g"], bag["emptied_on"]) == (pytest.approx(500), "")


def test_it_is_traced_to_the_end_both_ways_and_every_gram_is_found(client, two):
    first, second, lots = two
    pour(client, second, first["bags"][0], 200)
    for of in (first, second):
        trace = client.get(f"{API}/trace/batches/{of['id']}").json
        assert {b["id"] for b in trace["batches"]} == {first["id"], second["id"]}
        (mix,) = trace["mixes"]
        assert (mix["from_batch_id"], mix["batch_id"], mix["mass_g"]) == (first["id"], second["id"], 200)
        assert trace["balanced"]
    lot_id = next(iter(lots.values()))
    forward = client.get(f"{API}/trace/lots/{lot_id}").json
    assert {b["id"] for b in forward["batches"]} == {first["id"], second["id"]}
    drawn = sum(k["mass_g"] for k in forward["links"] if k["lot_id"] == lot_id)
    assert drawn == pytest.approx(first["parts"][0]["poured_g"])  # once, not again for what went on inside the mix


@pytest.mark.parametrize("mass_g", [0.0, -5.0, 500.1])
def test_no_more_than_the_bag_holds_is_poured(client, two, mass_g):
    first, second, _ = two
    assert pour(client, second, first["bags"][0], mass_g).status_code in (400, 422)


def test_a_held_batch_is_poured_into_no_other(client, two):
    first, second, lots = two
    client.post(f"{API}/lots/{next(iter(lots.values()))}/hold", json={"why": "a doubtful test"})
    refused = pour(client, second, first["bags"][0], 100)
    assert refused.status_code == 422
    assert "held" in refused.json["detail"]


def test_a_move_of_today_is_taken_back_under_its_own_kind(client, two):
    first, _, _ = two
    bag = first["bags"][0]
    out = {"kind": "gone-out", "mass_g": 120, "where": "market"}
    page = client.post(f"{API}/bags/{bag['id']}/moves", json=out).json
    move = page["bags"][0]["moves"][-1]
    assert move["can_go_back"]
    assert client.post(f"{API}/moves/{move['id']}/back").json == {"kind": "gone-out", "mass_g": 120.0}
    page = client.get(f"{API}/batches/{first['id']}").json
    assert page["bags"][0]["left_g"] == 500
    assert not any(m["can_go_back"] for m in page["bags"][0]["moves"])
    again = client.post(f"{API}/moves/{move['id']}/back")
    assert again.status_code == 422
    assert "already" in again.json["detail"]
    trace = client.get(f"{API}/trace/batches/{first['id']}").json
    assert trace["balanced"]
    assert "market" not in trace["places"]

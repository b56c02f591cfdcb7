"""Stock out in open forms: tidy tables that add up, and events that hold the same grams as the ledger."""

from __future__ import annotations

import csv
import io
import json

import pytest

API = "/api/v1"


def rows(client, path):
    found = client.get(f"{API}{path}")
    assert found.status_code == 200
    return list(csv.DictReader(io.StringIO(found.get_data(as_text=True))))


def test_the_moves_of_a_batch_add_up_to_what_is_left_in_its_bags(client):
    bags = rows(client, "/batches/3/export?format=bags")
    moves = rows(client, "/batches/3/export?format=moves")
    for bag in bags:
        mine = sum(float(m["mass_g"]) for m in moves if m["bag"] == bag["bag"])
        assert mine == pytest.approx(float(bag["left_g"]))
    weighed = rows(client, "/batches/3/export?format=weighings")
    assert sum(float(w["net_g"]) for w in weighed) >= sum(float(b["net_g"]) for b in bags)
    assert client.get(f"{API}/batches/3/export?format=photos").status_code == 422


def test_what_is_to_be_bought_is_the_same_on_the_page_and_in_the_table(client):
    page = client.get(f"{API}/stock/buy").json["items"]
    table = rows(client, "/stock/buy.csv")
    assert [(x["ingredient"], x["need_g"]) for x in page] == [(r["ingredient"], float(r["need_g"])) for r in table]


def test_events_hold_the_grams_of_the_ledger_and_are_the_same_again(client):
    text = client.get(f"{API}/stock/events").get_data(as_text=True)
    assert text == client.get(f"{API}/stock/events").get_data(as_text=True)
    events = [json.loads(line) for line in text.splitlines()]
    assert len({e["eventID"] for e in events}) == len(events)
    assert [e["eventTime"] for e in events] == sorted(e["eventTime"] for e in events)
    made = [e for e in events if e["type"] == "TransformationEvent"]
    assert len(made) == 4
    for e in made:
        into = sum(q["quantity"] for q in e["inputQuantityList"])
        assert into == pytest.approx(sum(q["quantity"] for q in e["outputQuantityList"]))
    gone = [e for e in events if e["bizStep"] == "shipping"]
    assert {e["destinationList"][0]["destination"] for e in gone} == {"Watershed tea room", "Viaduct halt"}

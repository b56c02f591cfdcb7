"""Bins: one batch at a time, emptied → cleaned → filled, weighed with what is in them; unknown is said, not nothing."""

from __future__ import annotations

import pytest
from tests.api.batches.making import API, bring, planned, stocked, weigh_all


@pytest.fixture
def blended(client):
    page = planned(client, bags=2)
    lots = stocked(client, page)
    page = bring(client, page, "weighing").json
    weigh_all(client, page, lots)
    return bring(client, page, "blended").json


def add(client, name="Bin 3", **more):
    made = client.post(f"{API}/bins", json={"name": name, "place": "shelf 1", **more})
    assert made.status_code == 201, made.json
    return next(b for b in made.json["items"] if b["name"] == name)


def seen(client, name="Bin 3"):
    return next(b for b in client.get(f"{API}/bins").json["items"] if b["name"] == name)


def fill(client, batch, bin_id, net_g=900):
    body = {"size_g": net_g, "net_g": net_g, "bin_id": bin_id}
    return client.post(f"{API}/batches/{batch['id']}/bags", json=body)


def test_a_bin_nothing_is_known_of_holds_an_unknown_mix_and_is_not_filled(client, blended):
    found = add(client)
    assert found["say"] == "unknown mix"
    refused = fill(client, blended, found["id"])
    assert (refused.status_code, refused.json["place"]) == (422, "/bin_id")


def test_filled_emptied_cleaned_and_filled_again_each_from_and_to(client, blended):
    found = add(client, clean=True)
    bag = fill(client, blended, found["id"]).json["bags"][0]
    assert (bag["is_bin"], bag["place"]) == (True, "shelf 1")
    assert seen(client)["say"] == f"{blended['name']}, {bag['code']}"
    assert fill(client, blended, found["id"], 50).status_code == 422  # no topping up
    client.post(f"{API}/bags/{bag['id']}/moves", json={"kind": "used", "mass_g": 900})
    assert seen(client)["say"] == "empty, to be cleaned"
    assert client.post(f"{API}/bins/{found['id']}/cleaned").status_code == 200
    assert seen(client)["say"] == "clean and empty"
    (filling,) = seen(client)["fillings"]
    assert filling["until"] == filling["since"] != ""
    assert fill(client, blended, found["id"], 90).status_code == 201
    assert len(seen(client)["fillings"]) == 2


def test_what_is_left_is_what_it_weighs_less_its_tare(client, blended):
    found = add(client, clean=True, tare_g=400, capacity_g=1000)
    assert fill(client, blended, found["id"], 1001).status_code == 422
    fill(client, blended, found["id"], 900)
    assert client.post(f"{API}/bins/{found['id']}/weighed", json={"gross_g": 1150}).status_code == 200
    assert seen(client)["fillings"][0]["left_g"] == 750
    assert client.post(f"{API}/bins/{found['id']}/weighed", json={"gross_g": 399}).status_code == 422


def test_two_bins_of_one_name_are_refused_and_a_full_one_is_not_cleaned(client, blended):
    found = add(client, clean=True)
    assert client.post(f"{API}/bins", json={"name": "Bin 3"}).status_code == 422
    fill(client, blended, found["id"])
    assert client.post(f"{API}/bins/{found['id']}/cleaned").status_code == 422

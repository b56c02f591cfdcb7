"""The first hour: words into a brief and into the bins, a pasted text to where it goes on, and a look next door."""

from __future__ import annotations

import json
from pathlib import Path

import pytest

API = "/api/v1"
DOORS = json.loads((Path(__file__).parents[1] / "cases" / "doors.json").read_text(encoding="utf-8"))


def said(client, door, text):
    found = client.post(f"{API}/begin/{door}", json={"text": text})
    assert found.status_code == 200, found.json
    return found.json


@pytest.mark.parametrize("case", DOORS["bins"], ids=lambda c: c["text"][:24])
def test_bins_are_read_as_people_write_them(client, case):
    items = said(client, "bins", case["text"])["items"]
    found = {b["ingredient"]: (b["stock_g"], b["price_per_kg"]) for b in items if b["ingredient"]}
    assert set(found) == set(case["want"])
    for slug, wanted in case["want"].items():
        assert found[slug] == tuple(None if w is None else pytest.approx(w, rel=0.01) for w in wanted), slug
    assert sum(b["ingredient"] is None for b in items) == case.get("open", 0)


@pytest.mark.parametrize("case", DOORS["briefs"], ids=lambda c: c["text"][:24])
def test_a_brief_is_read_as_people_say_it(client, case):
    found = said(client, "brief", case["text"])
    limits = found["limits"]
    read = {
        "use": found["use"], "aim": found["aim"], "allergens": limits["exclude_allergens"],
        "exclude": limits["exclude"], "price": limits["price_cap_per_kg"], "bins": limits["max_bins"],
        "gum": limits["max_gum_pct"],
    }  # fmt: skip
    for name, wanted in case["want"].items():
        if isinstance(wanted, list):
            assert set(wanted) <= set(read[name]), name
        else:
            assert read[name] == wanted, name


@pytest.mark.parametrize("case", DOORS["hand"], ids=lambda c: c["text"][:24])
def test_a_pasted_text_is_sorted_to_where_it_goes_on(client, case):
    assert said(client, "text", case["text"])["kind"] == case["want"]


def test_what_was_read_is_a_brief_that_can_be_kept(client):
    found = said(client, "brief", "tin loaf for the school, no nuts, no moon dust, under 4 per kg")
    assert found["left"] == ["moon dust"]
    kept = {k: found[k] for k in ("name", "use", "aim", "eaters", "limits")}
    made = client.post(f"{API}/briefs", json={**kept, "note": "", "archived": False})
    assert made.status_code == 201, made.json
    assert made.json["wishes"] == found["said"] == ["no tree nuts", "under 4.00 per kg"]


def test_bins_are_kept_as_lots_and_prices_all_or_nothing(client):
    bins = [
        {"ingredient": "amaranth-flour", "stock_g": 5000, "price_per_kg": 3.2},
        {"ingredient": "fonio-flour", "price_per_kg": 9.0},
        {"ingredient": "acorn-flour"},
    ]
    kept = client.post(f"{API}/begin/bins/keep", json={"bins": bins}).json
    assert (kept["lots"], kept["prices"]) == (1, 1)
    (lot,) = client.get(f"{API}/ingredients/amaranth-flour/lots").json["items"]
    assert (lot["stock_g"], lot["price_per_kg"]) == (5000, 3.2)
    again = [bins[0], {"ingredient": "moon-dust", "stock_g": 1}]
    assert client.post(f"{API}/begin/bins/keep", json={"bins": again}).status_code == 404
    assert len(client.get(f"{API}/ingredients/amaranth-flour/lots").json["items"]) == 1


@pytest.mark.parametrize("door", ["bins", "brief", "text"])
@pytest.mark.parametrize("text", ["", "   \n", "x" * 20_000, "💥", "\x00", "1 2 3", ";;;;", "no no no no"])
def test_whatever_is_typed_is_answered_or_refused(client, door, text):
    assert client.post(f"{API}/begin/{door}", json={"text": text}).status_code in (200, 422)


def test_a_paragraph_is_no_bin_and_a_thousand_digits_are_not_searched(client):
    refused = client.post(f"{API}/begin/bins", json={"text": "brown rice 2 kg\n" + "01" * 5000})
    assert refused.status_code == 422
    assert "10000 characters for one bin" in refused.json["detail"]
    items = said(client, "bins", "0" * 20_000)["items"]
    assert [b["name"] for b in items if b["ingredient"]] == []


def test_a_look_into_the_demo_kitchen_touches_nothing_of_ones_own(client):
    mine = len(client.get(f"{API}/briefs").json["items"])
    assert client.put(f"{API}/look", json={"demo": True}).status_code == 204
    try:
        shown = client.get(f"{API}/briefs", headers={"X-Kitchen": "demo"}).json["items"]
        assert len(shown) > 3
        brief = {"name": "Only a look", "use": "tin-loaf"}
        assert client.post(f"{API}/briefs", json=brief).status_code == 201
        stale = client.post(f"{API}/briefs", json=brief, headers={"X-Kitchen": "own"})
        assert (stale.status_code, stale.json["title"]) == (409, "Another kitchen")
    finally:
        assert client.put(f"{API}/look", json={"demo": False}).status_code == 204
    names = [b["brief"]["name"] for b in client.get(f"{API}/briefs").json["items"]]
    assert len(names) == mine
    assert "Only a look" not in names
    client.application.extensions["demo"].close()

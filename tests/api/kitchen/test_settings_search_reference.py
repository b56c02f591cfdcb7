"""The kitchen's settings, the search, and what the pages need once."""

from __future__ import annotations

import pytest

API = "/api/v1"


PARTS = [{"ingredient": "sorghum-flour", "mass_g": 300}, {"ingredient": "potato-starch", "mass_g": 200}]


def put(client, path, body, version):
    return client.put(f"{API}{path}", json=body, headers={"If-Match": f'"{version}"'})


def test_settings_are_saved_and_change_what_a_cup_weighs(client):
    def cup() -> float:
        return client.post(f"{API}/analyse", json={"parts": PARTS}).json["analysis"]["metrics"]["cup_g"]["typical"]

    metric = cup()
    settings = client.get(f"{API}/kitchen")
    body = {k: v for k, v in settings.json.items() if k != "version"}
    assert put(client, "/kitchen", {**body, "cup": "us"}, settings.json["version"]).status_code == 200
    assert cup() == pytest.approx(metric * 236.5882365 / 250)


@pytest.mark.parametrize(
    ("query", "first"), [("cassava", "cassava-flour"), ("besan", "chickpea-flour"), ("TEFF", "teff-flour"), ("psylium", "psyllium-husk")]
)  # fmt: skip
def test_ingredients_are_found_by_what_people_call_them(client, query, first):
    assert client.get(f"{API}/ingredients?q={query}").json["items"][0]["slug"] == first


def test_a_look_alike_tells_the_two_apart(client):
    found = client.get(f"{API}/ingredients/potato-starch").json["look_alikes"]
    assert found[0]["ingredient"] == "potato-flour"
    assert "gummy" in found[0]["differ"]
    assert client.get(f"{API}/ingredients/nobody").status_code == 404


def test_search_finds_briefs_and_blends(client):
    kinds = {(f["kind"], f["name"]) for f in client.get(f"{API}/search?q=summit").json["items"]}
    assert {("brief", "Summit tin loaf"), ("blend", "Summit mix")} <= kinds


def test_the_reference_says_once_what_the_pages_need(client):
    found = client.get(f"{API}/reference").json
    assert len(found["uses"]) == 31
    assert next(m["name"] for m in found["metrics"] if m["banded"]) == "sticky_share_pct"
    assert found["roles"][0]["name"] == "whole_grain"
    assert {"name": "animal", "label": "animal products"} in found["allergens"]

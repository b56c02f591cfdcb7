"""Briefs over HTTP."""

from __future__ import annotations

import json

import pytest

API = "/api/v1"


def put(client, path, body, version):
    return client.put(f"{API}{path}", json=body, headers={"If-Match": f'"{version}"'})


def test_a_brief_is_written_changed_and_put_away(client):
    body = {"name": "New", "use": "scone", "limits": {"max_bins": 4, "bands": [{"metric": "fibre_pct", "good_low": 5}]}}
    made = client.post(f"{API}/briefs", json=body)
    assert made.status_code == 201
    assert made.json["wishes"] == ["at least 5 g/100 g fibre", "at most 4 bins"]
    brief_id = made.json["brief"]["id"]
    assert put(client, f"/briefs/{brief_id}", {**body, "archived": True}, 1).status_code == 200
    assert brief_id not in [b["brief"]["id"] for b in client.get(f"{API}/briefs").json["items"]]
    assert [b["brief"]["id"] for b in client.get(f"{API}/briefs?archived=1").json["items"]] == [brief_id]
    assert put(client, f"/briefs/{brief_id}", body, 1).status_code == 412


@pytest.mark.parametrize(
    ("body", "words"),
    [
        ({"name": "N", "use": "tin-lof"}, "did you mean tin-loaf"),
        ({"name": "N", "use": "scone", "limits": {"exclude": ["nobody"]}}, "unknown ingredient 'nobody'"),
        ({"name": "N", "use": "scone", "limits": {"bands": [{"metric": "fiber_pct"}]}}, "did you mean fibre_pct"),
        ({"name": "N", "use": "scone", "limits": {"bands": [{"metric": "fibre_pct", "good_low": 9, "good_high": 2}]}}, "out of order"),
        ({"name": " ", "use": "scone"}, "/name"),
        ({"name": "N", "use": "scone", "aim": "tastiest"}, "/aim"),
        ({"name": "N", "use": "scone", "limits": {"price_cap_per_kg": -1}}, "/limits/price_cap_per_kg"),
    ],
    ids=str,
)  # fmt: skip
def test_a_brief_that_cannot_hold_says_what_and_where(client, body, words):
    answer = client.post(f"{API}/briefs", json=body)
    assert answer.status_code == 422
    assert words in json.dumps(answer.json)


def test_briefs_say_their_state_and_next_step(client):
    briefs = {b["brief"]["name"]: b for b in client.get(f"{API}/briefs").json["items"]}
    assert briefs["Summit tin loaf"]["progress"]["say"] == "2 of 3 blends get through."
    assert briefs["Summit tin loaf"]["progress"]["action"] == "keep"

"""Blends as documents: drafts, revisions, versions, pages of a list."""

from __future__ import annotations

import pytest

API = "/api/v1"


PARTS = [{"ingredient": "sorghum-flour", "mass_g": 300}, {"ingredient": "potato-starch", "mass_g": 200}]


def put(client, path, body, version):
    return client.put(f"{API}{path}", json=body, headers={"If-Match": f'"{version}"'})


def draft_of(client, blend_id=1):
    return client.get(f"{API}/blends/{blend_id}/draft").json


def test_a_draft_is_saved_by_etag(client):
    before = draft_of(client)
    saved = put(client, "/blends/1/draft", {"content": {"parts": PARTS}, "based_on": 4}, before["version"])
    assert saved.status_code == 200
    assert saved.headers["ETag"] == f'"{before["version"] + 1}"'
    assert [p["mass_g"] for p in draft_of(client)["content"]["parts"]] == [300, 200]


def test_a_stale_save_gets_412_and_both_versions_and_overwrites_nothing(client):
    version = draft_of(client)["version"]
    put(client, "/blends/1/draft", {"content": {"parts": PARTS}}, version)
    stale = put(client, "/blends/1/draft", {"content": {"parts": PARTS[:1]}}, version)
    assert stale.status_code == 412
    assert len(stale.json["current"]["content"]["parts"]) == 2
    assert len(stale.json["submitted"]["content"]["parts"]) == 1
    assert len(draft_of(client)["content"]["parts"]) == 2


@pytest.mark.parametrize("value", [None, "3", '"x"', "*", '"999999999999999999999"'], ids=str)
def test_an_edit_without_a_usable_if_match_is_refused(client, value):
    headers = {} if value is None else {"If-Match": value}
    answer = client.put(f"{API}/blends/1/draft", json={"content": {"parts": PARTS}}, headers=headers)
    assert answer.status_code == (412 if value == "3" else 422)


def test_a_revision_is_kept_with_why_and_the_bench_goes_on_from_it(client):
    version = draft_of(client)["version"]
    kept = client.post(
        f"{API}/blends/1/revisions", json={"why": " Less starch. "}, headers={"If-Match": f'"{version}"'}
    )
    assert kept.status_code == 201
    assert kept.json["revisions"][-1]["why"] == "Less starch."
    assert kept.json["draft"]["based_on"] == 5


@pytest.mark.parametrize("why", ["", "   ", "x" * 501])
def test_a_revision_without_a_reason_is_refused(client, why):
    version = draft_of(client)["version"]
    answer = client.post(f"{API}/blends/1/revisions", json={"why": why}, headers={"If-Match": f'"{version}"'})
    assert (answer.status_code, answer.json["place"]) == (422, "/why")


def test_a_new_blend_of_a_brief_is_for_its_use_and_starts_empty(client):
    made = client.post(f"{API}/blends", json={"name": "Next", "brief_id": 2})
    assert (made.status_code, made.json["draft"]["content"]) == (201, {"use": "crispbread", "parts": []})


def test_a_blend_is_renamed_put_away_and_duplicated(client):
    body = {"name": "Renamed", "brief_id": 1, "archived": True}
    assert put(client, "/blends/1", body, 1).json["name"] == "Renamed"
    assert 1 not in [b["head"]["id"] for b in client.get(f"{API}/blends").json["items"]]
    assert [b["head"]["id"] for b in client.get(f"{API}/blends?archived=1").json["items"]] == [1]
    copy = client.post(f"{API}/blends/1/duplicate", json={"name": "Copy"}).json
    assert copy["draft"]["content"]["parts"] == draft_of(client)["content"]["parts"]


def test_lists_page_by_cursor_without_gaps_or_doubles(client):
    seen, cursor = [], "0"
    while cursor:
        page = client.get(f"{API}/blends?limit=3&cursor={cursor}").json
        seen += [b["head"]["id"] for b in page["items"]]
        cursor = page["next"]
    assert seen == list(range(1, 15))


@pytest.mark.parametrize("query", ["limit=0", "limit=101", "limit=x", "cursor=-1", "cursor=1e3"])
def test_a_page_that_cannot_be_is_refused_by_name(client, query):
    answer = client.get(f"{API}/blends?{query}")
    assert (answer.status_code, answer.json["place"]) == (422, f"?{query.split('=')[0]}")

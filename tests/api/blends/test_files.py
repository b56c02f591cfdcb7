"""Blends in and out as files."""

from __future__ import annotations

import json

import pytest

API = "/api/v1"


def draft_of(client, blend_id=1):
    return client.get(f"{API}/blends/{blend_id}/draft").json


def test_a_blend_goes_out_as_a_file_and_comes_back_the_same(client):
    out = client.get(f"{API}/blends/1/export?format=json")
    assert out.headers["Content-Disposition"] == 'attachment; filename="summit-mix.json"'
    back = client.post(f"{API}/blends/import", data=out.data, content_type="application/json")
    assert back.status_code == 201
    strip = [(p["ingredient"], p["mass_g"]) for p in draft_of(client)["content"]["parts"]]
    assert [(p["ingredient"], p["mass_g"]) for p in back.json["blend"]["draft"]["content"]["parts"]] == strip


def test_a_revision_goes_out_as_csv_and_comes_back(client):
    out = client.get(f"{API}/blends/1/export?format=csv&revision=1")
    assert out.mimetype == "text/csv"
    back = client.post(f"{API}/blends/import?name=First", data=out.data, content_type="text/csv").json["blend"]
    assert (back["head"]["name"], len(back["draft"]["content"]["parts"])) == ("First", 5)


def test_an_imported_definition_joins_the_kitchen_and_goes_out_again(client):
    mine = {
        "slug": "my-flour",
        "name": "My flour",
        "role": "whole_grain",
        "per_100_g": {"protein_g": 9},
        "price_per_kg": 3,
    }
    file = {"format": "fallow-sieve/blend", "version": 1, "name": "M", "parts": [{"ingredient": "my-flour", "mass_g": 9}], "ingredients": [mine]}  # fmt: skip
    added = client.post(f"{API}/blends/import", json=file).json
    assert added["notes"] == ["my-flour was added to your ingredients."]
    again = client.post(f"{API}/blends/import", json=file).json
    assert "its own numbers were kept" in again["notes"][0]
    out = client.get(f"{API}/blends/{again['blend']['head']['id']}/export?format=json").json
    assert out["ingredients"][0]["slug"] == "my-flour"


@pytest.mark.parametrize(
    ("data", "kind", "words"),
    [
        (b"{", "application/json", "not JSON"),
        (b"ingredient,mass_g\nnobody,5", "text/csv", "unknown ingredient 'nobody'"),
        (b"x", "image/png", "send a blend file"),
    ],
)
def test_a_broken_file_is_refused_and_nothing_is_added(client, data, kind, words):
    before = client.get(f"{API}/blends").json
    answer = client.post(f"{API}/blends/import", data=data, content_type=kind)
    assert answer.status_code == 422
    assert words in json.dumps(answer.json)
    assert client.get(f"{API}/blends").json == before


def test_an_empty_blend_has_nothing_to_export(client):
    blend_id = client.post(f"{API}/blends", json={"name": "Empty"}).json["head"]["id"]
    assert client.get(f"{API}/blends/{blend_id}/export").status_code == 422
    assert client.get(f"{API}/blends/1/export?format=xml").json["place"] == "?format"

"""Texts that cannot be seen or printed are refused on entry; a host is known by any of its own names."""

from __future__ import annotations

import io
import json
import sqlite3
import zipfile

import pytest
from openpyxl import load_workbook

JSON = "application/json"
TEXTS = {
    "a brief's name": ("/briefs", {"name": "{}", "use": "tin-loaf", "limits": {}}),
    "a blend's name": ("/blends", {"name": "{}"}),
    "a lot's code": ("/ingredients/teff-flour/lots", {"code": "{}", "bought_g": 1000, "stock_g": 1000}),
    "a kitchen's word": ("/kitchen/words", {"phrase": "{}", "ingredient": "teff-flour"}),
    "why a revision is kept": ("/blends/1/revisions", {"why": "{}"}),
}


def send(client, path, body, text):
    filled = json.loads(json.dumps(body).replace('"{}"', json.dumps(text)))
    return client.post(f"/api/v1{path}", json=filled, headers={"If-Match": '"1"'})


@pytest.mark.parametrize("name", TEXTS)
@pytest.mark.parametrize("bad", ["lot\x00", "a\x0bb", "\x7f", "\x85x", "\ud800", "\ufffe"], ids=ascii)
def test_a_control_character_is_refused_with_its_place(client, name, bad):
    answer = send(client, *TEXTS[name], bad)
    assert answer.status_code == 422
    assert "control character (U+" in answer.json["detail"]
    assert answer.json["place"].startswith("/")


@pytest.mark.parametrize("name", TEXTS)
@pytest.mark.parametrize("unseen", [" \u200b ", "\u3164", "\u2800\u00ad", "\u202e"], ids=ascii)
def test_a_name_of_which_nothing_can_be_seen_is_refused(client, name, unseen):
    answer = send(client, *TEXTS[name], unseen)
    assert answer.status_code == 422
    assert "nothing in it that can be seen" in answer.json["detail"]


@pytest.mark.parametrize("good", ["Café №7", "ทดสอบ", "🍞", "tab\tand line\nend", "é"], ids=ascii)
def test_what_people_write_in_any_script_is_taken(client, good):
    assert send(client, "/blends", {"name": "{}"}, good).status_code == 201


def test_a_kitchen_that_holds_a_control_character_from_before_can_be_exported(client, app):
    path = app.extensions["kitchen"].path
    with sqlite3.connect(path) as connection:
        connection.execute("UPDATE lot SET code = code || char(7)")
        connection.execute("UPDATE kitchen SET shelf_version = shelf_version + 1")
    lots = client.get("/api/v1/shelf/export?what=lots&format=xlsx").data
    codes = [row[1].value for row in load_workbook(io.BytesIO(lots)).worksheets[0].iter_rows(min_row=2)]
    assert codes
    assert not any("\x07" in code for code in codes)


def test_a_brief_that_is_not_there_is_said(client):
    for path in ("/blends", "/blends/import"):
        body = {"json": {"name": "x", "brief_id": 4711}}
        if path.endswith("import"):
            body = {"data": b"ingredient,mass_g\nteff-flour,1\n", "content_type": "text/csv"}
        answer = client.post(f"/api/v1{path}?brief_id=4711", **body)
        assert answer.status_code == 404
        assert "no brief 4711" in answer.json["detail"]


def test_a_damaged_package_is_a_problem_not_a_fault(client):
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr("ingredients.csv", "slug,name\n" * 300)
    data = bytearray(out.getvalue())
    data[50:70] = bytes(20)
    answer = client.post("/api/v1/shelf/import/preview", data=bytes(data), content_type="application/zip")
    assert answer.status_code == 422
    assert "not a package that can be read" in answer.json["detail"]


@pytest.mark.parametrize("host", ["localhost", "LocalHost:8765", "127.0.0.1:8765", "[::1]", "[::1]:8765", "localhost."])
def test_this_machine_answers_to_each_of_its_own_names(client, host):
    assert client.get("/api/v1/ping", headers={"Host": host}).status_code == 204
    changed = client.post("/api/v1/blends", json={"name": "x"}, headers={"Host": host, "Origin": f"http://{host}"})
    assert changed.status_code == 201


@pytest.mark.parametrize(
    "host", ["evil.test", "localhost.evil.test", "127.0.0.1.evil.test", "[::2]", "", "[::1", "10.0.0.1"]
)
def test_it_answers_to_no_other(client, host):
    answer = client.get("/api/v1/ping", headers={"Host": host})
    assert answer.status_code == 400

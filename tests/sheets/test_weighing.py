"""Weighing up on a phone: a form without script; a token opens this one batch and nothing else; sent twice counts once."""

import re
from datetime import UTC, datetime

import pytest

from fallow_sieve.sheets.app import create_sheets
from fallow_sieve.store.trials import hand_out

NOW = datetime(2026, 3, 14, 9, 30, tzinfo=UTC)
ENDS = "2026-03-15T09:30:00Z"
TOKEN = "weigh-up-abcdefghijklmn"


@pytest.fixture
def batch(app):
    items = app.test_client().get("/api/v1/batches").json["items"]
    return next(b["id"] for b in items if b["state"] == "weighing")


@pytest.fixture
def phone(app, batch, tmp_path):
    with app.extensions["kitchen"].writing() as session:
        hand_out(session, TOKEN, batch, "2026-03-14T09:30:00Z", ENDS, "batch")
    return create_sheets(app.extensions["kitchen"], lambda: NOW, tmp_path).test_client()


def form_of(text):
    named = re.findall(r'<input type="hidden" name="(\w+)" value="([^"]*)"', text)
    lot = re.search(r'<option value="(\d+)" selected', text)
    return dict(named) | {"lot": lot[1] if lot else ""}


def page(phone):
    return phone.get(f"/s/{TOKEN}/").get_data(as_text=True)


def test_a_part_is_weighed_and_the_next_one_is_asked_for(phone, app, batch):
    text = page(phone)
    assert "<script" not in text
    assert "404 g of chickpea flour still to pour" in text
    form = form_of(text)
    for _ in range(2):  # tapped twice: it counts once
        done = phone.post(f"/s/{TOKEN}/", data={**form, "net": "404 g", "go": "take"})
        assert done.status_code == 303
    assert "of potato starch still to pour" in page(phone)
    weighed = app.test_client().get(f"/api/v1/batches/{batch}").json["weighings"]
    assert [(w["net_g"], w["typed"]) for w in weighed if w["ingredient"] == "chickpea-flour"] == [(404, True)]


def test_a_slip_is_voided_with_its_reason_and_what_cannot_be_is_said(phone):
    form = form_of(page(phone))
    wrong = phone.post(f"/s/{TOKEN}/", data={**form, "net": "plenty", "go": "take"})
    assert wrong.status_code == 422
    assert "grams, such as 597" in wrong.get_data(as_text=True)
    phone.post(f"/s/{TOKEN}/", data={**form, "net": "40,5", "go": "take"})
    text = page(phone)
    assert "363.5 g of chickpea flour still to pour" in text
    slip = dict(re.findall(r'<input type="hidden" name="(last|void_key)" value="([^"]*)"', text))
    phone.post(f"/s/{TOKEN}/", data={**slip, "why": "wrong bowl", "go": "void"})
    assert "404 g of chickpea flour still to pour" in page(phone)


def test_a_lot_that_is_empty_is_counted_so(phone, app):
    form = form_of(page(phone))
    assert phone.post(f"/s/{TOKEN}/", data={**form, "go": "empty"}).status_code == 303
    lots = app.test_client().get("/api/v1/ingredients/chickpea-flour/lots").json["items"]
    assert next(x["stock_g"] for x in lots if x["id"] == int(form["lot"])) == 0


def test_a_lot_of_another_flour_is_not_touched_from_here(phone, app):
    lots = app.test_client().get("/api/v1/ingredients/oat-flour/lots").json["items"]
    refused = phone.post(f"/s/{TOKEN}/", data={"lot": str(lots[0]["id"]), "go": "empty"})
    assert refused.status_code == 422
    assert app.test_client().get("/api/v1/ingredients/oat-flour/lots").json["items"] == lots


def test_a_token_opens_this_one_sheet_and_no_other_route(phone):
    assert phone.get(f"/s/{TOKEN}x/").status_code == 404
    for path in ("/api/v1/batches", "/", f"/s/{TOKEN}/kitchen.db"):
        assert phone.get(path).status_code == 404
    far = phone.post(f"/s/{TOKEN}/", data={"net": "1", "go": "take"}, headers={"Origin": "http://elsewhere"})
    assert far.status_code == 403


def test_a_sheet_is_handed_out_for_a_day_and_taken_back(app, batch):
    client = app.test_client()
    made = client.post(f"/api/v1/batches/{batch}/sheets", json={"host": "127.0.0.1", "port": 0})
    assert made.status_code == 201
    assert made.json["ends_at"] == "2026-03-15T09:30:00Z"
    assert made.json["qr_svg"].startswith("<svg")
    assert client.delete(f"/api/v1/batches/{batch}/sheets").status_code == 204
    app.extensions["sheets"].close()

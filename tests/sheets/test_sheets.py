"""Sheets on a port of their own: a token opens one sheet for a day, and nothing else answers."""

from datetime import UTC, datetime, timedelta

import pytest

from fallow_sieve.sheets.app import create_sheets
from fallow_sieve.store import KitchenStore
from fallow_sieve.store.trials import get_trial, hand_out, readings_of, sheet_opened, take_in

NOW = datetime(2026, 3, 14, 9, 30, tzinfo=UTC)
TOKEN, OTHER = "abcdefghijklmnopqrstuv", "vutsrqponmlkjihgfedcba"
ENDS = "2026-03-15T09:30:00Z"


class Clock:
    now = NOW

    def __call__(self):
        return self.now


@pytest.fixture
def demo(demo_db):
    kitchen = KitchenStore(demo_db)
    yield kitchen
    kitchen.close()


@pytest.fixture
def clock():
    return Clock()


@pytest.fixture
def phone(demo, clock, tmp_path):
    (tmp_path / "sheet").mkdir()
    for name in ("sheet.js", "sheet.css"):
        (tmp_path / "sheet" / name).write_text("/* */")
    with demo.writing() as session:
        hand_out(session, TOKEN, 4, "2026-03-14T09:30:00Z", ENDS)
    return create_sheets(demo, clock, tmp_path).test_client()


def noted(demo, trial_id=4):
    with demo.reading() as session:
        return [(r.quantity, r.value) for r in readings_of(session, [trial_id])[trial_id] if not r.withdrawn]


def test_a_token_opens_its_one_sheet(phone):
    page = phone.get(f"/s/{TOKEN}/")
    assert page.status_code == 200
    assert "Summit tin loaf 4" in page.text
    assert page.headers["Cache-Control"] == "no-store"
    assert "script-src 'self'" in page.headers["Content-Security-Policy"]


@pytest.mark.parametrize(
    "path",
    [
        "/", "/s/", f"/s/{OTHER}/", f"/s/{TOKEN}", f"/s/{TOKEN}/../", "/api/v1/trials", "/api/v1/kitchen", "/api/v1/ping",
        "/sheet/4/", f"/s/{TOKEN}/index.html", f"/s/{TOKEN}/../../kitchen.db", f"/s/{OTHER}/sheet.js", "/assets/x.js",
        f"/s/{TOKEN}/readings", "/favicon.svg", f"/s/{TOKEN}/readings/abcdefgh",
    ],
)  # fmt: skip
def test_no_other_route_answers(phone, path):
    answer = phone.get(path)
    assert answer.status_code in (404, 405, 308)
    assert b"Summit" not in answer.data


def test_every_route_of_the_application_lies_under_a_token(phone):
    rules = {str(r) for r in phone.application.url_map.iter_rules()}
    assert rules
    assert all(r.startswith("/s/<key>/") for r in rules)


def test_only_the_hash_of_a_token_is_kept(demo, phone):
    with demo.reading() as session:
        rows = session.connection().exec_driver_sql("SELECT * FROM sheet").all()
    assert len(rows) == 1
    assert TOKEN not in str(rows)


def test_after_a_day_it_is_shut(phone, clock):
    clock.now = NOW + timedelta(hours=23, minutes=59)
    assert phone.get(f"/s/{TOKEN}/").status_code == 200
    clock.now = NOW + timedelta(hours=24)
    assert phone.get(f"/s/{TOKEN}/").status_code == 404
    assert phone.put(f"/s/{TOKEN}/readings/abcdefgh", json={"quantity": "core_c", "value": 96}).status_code == 404


def test_it_can_be_closed_to_every_phone(demo, phone):
    with demo.writing() as session:
        assert take_in(session, 4) == 1
    assert phone.get(f"/s/{TOKEN}/").status_code == 404


def test_a_token_of_one_sheet_opens_no_other(demo, phone):
    with demo.writing() as session:
        hand_out(session, OTHER, 9, "2026-03-14T09:30:00Z", ENDS)
        assert sheet_opened(session, OTHER, "2026-03-14T10:00:00Z") == 9
        assert get_trial(session, sheet_opened(session, TOKEN, "2026-03-14T10:00:00Z")).id == 4
    phone.put(f"/s/{TOKEN}/readings/abcdefgh", json={"quantity": "core_c", "value": 96})
    assert ("core_c", 96) in noted(demo, 4)
    assert ("core_c", 96) not in noted(demo, 9)


def test_a_tap_is_saved_once_and_another_under_its_id_is_refused(demo, phone):
    tap = {"quantity": "core_c", "value": 96.5}
    assert [phone.put(f"/s/{TOKEN}/readings/abcdefgh", json=tap).status_code for _ in range(2)] == [204, 204]
    assert noted(demo).count(("core_c", 96.5)) == 1
    assert phone.put(f"/s/{TOKEN}/readings/abcdefgh", json={**tap, "value": 91}).status_code == 422
    assert phone.put(f"/s/{TOKEN}/readings/abcdefgh/back", json={}).status_code == 204
    assert ("core_c", 96.5) not in noted(demo)


@pytest.mark.parametrize(
    "tap",
    [
        {"quantity": "core_c", "value": 205},
        {"quantity": "coer_c", "value": 96},
        {"quantity": "core_c", "more": 1},
        [],
        3,
    ],
)
def test_what_cannot_be_is_refused_and_nothing_is_lost(demo, phone, tap):
    before = noted(demo)
    answer = phone.put(f"/s/{TOKEN}/readings/abcdefgh", json=tap)
    assert answer.status_code == 422
    assert answer.json["detail"]
    assert noted(demo) == before


def test_changes_from_another_page_are_refused(phone):
    tap = {"quantity": "core_c", "value": 96}
    from_elsewhere = {"Origin": "http://elsewhere.example"}
    assert phone.put(f"/s/{TOKEN}/readings/abcdefgh", json=tap, headers=from_elsewhere).status_code == 403


# Without script: forms.


def form(phone, tap="", **more):
    data = {"id": "form-id-1", "at": "oven", "arm": "", "day": "0", **more}
    return phone.post(f"/s/{TOKEN}/", data={**data, "tap": tap} if tap else data)


def test_a_form_notes_a_number_and_comes_back_to_its_moment(demo, phone):
    answer = form(phone, "core_c=96")
    assert (answer.status_code, answer.headers["Location"]) == (303, "?at=oven&arm=")
    assert ("core_c", 96) in noted(demo)
    form(phone, "core_c=96")  # sent twice by an impatient thumb
    assert noted(demo).count(("core_c", 96)) == 1


def test_a_form_takes_a_number_with_a_comma(demo, phone):
    assert form(phone, quantity="core_c", typed="96,5").status_code == 303
    assert ("core_c", 96.5) in noted(demo)


def test_a_whole_moment_is_taken_as_planned_and_the_next_one_comes(demo, phone):
    answer = form(phone, "moment:oven")
    assert answer.headers["Location"] == "?at=cut&arm="
    assert {q for q, v in noted(demo) if v is None} == {"core_c", "oven_c", "bake_min"}
    form(phone, "moment:oven")
    assert len(noted(demo)) == 4


def test_a_form_that_cannot_be_says_so_on_the_page(demo, phone):
    before = noted(demo)
    answer = form(phone, quantity="core_c", typed="ninety")
    assert answer.status_code == 422
    assert "cannot read the number" in answer.text
    assert noted(demo) == before


def test_the_last_tap_is_taken_back_by_a_form(demo, phone):
    form(phone, "fault:gummy=2")
    assert ("fault:gummy", 2) in noted(demo)
    form(phone, "back:form-id-1")
    assert ("fault:gummy", 2) not in noted(demo)


def test_nothing_raw_is_tasted(phone, demo):
    assert "nothing raw is tasted" in phone.get(f"/s/{TOKEN}/?at=cut").text
    form(phone, "core_c=97")
    assert "nothing raw is tasted" not in phone.get(f"/s/{TOKEN}/?at=cut").text


def test_the_sheet_is_handed_out_by_the_trial_page(client):
    made = client.post("/api/v1/trials/9/sheets", json={"host": "127.0.0.1"}).json
    try:
        assert made["url"].startswith(f"http://127.0.0.1:{made['port']}/s/")
        assert made["qr_svg"].startswith("<svg")
        assert made["ends_at"] == ENDS
        door = client.get("/api/v1/sheets").json
        assert (door["host"], door["port"]) == ("127.0.0.1", made["port"])
        assert client.delete("/api/v1/trials/9/sheets").status_code == 204
    finally:
        client.application.extensions["sheets"].close()
    assert client.get("/api/v1/sheets").json["port"] is None


@pytest.mark.parametrize(("host", "place"), [("kitchen.example", "/host"), ("203.0.113.9", "/port")])
def test_where_it_cannot_listen_is_said(client, host, place):
    answer = client.post("/api/v1/trials/9/sheets", json={"host": host})
    assert (answer.status_code, answer.json["place"]) == (422, place)

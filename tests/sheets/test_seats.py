"""A seat's sheet: forms without script, nothing that is blocked leaves the server, thirty phones lose nothing."""

import re
from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime

import pytest

from fallow_sieve.sheets.app import create_sheets
from fallow_sieve.sheets.limits import Limit
from fallow_sieve.store.tastings import seats_of
from fallow_sieve.store.trials import hand_out

NOW = datetime(2026, 3, 14, 9, 30, tzinfo=UTC)
ENDS = "2026-03-15T09:30:00Z"
OPEN = 3  # the demo's table that is open
API = f"/api/v1/tastings/{OPEN}"


@pytest.fixture
def host(app):
    return app.test_client()


@pytest.fixture
def sheets(app, tmp_path):
    return create_sheets(app.extensions["kitchen"], lambda: NOW, tmp_path)


@pytest.fixture
def phone(app, sheets):
    """Return a way to open a seat's sheet of the open table, by the number of the seat."""
    kitchen = app.extensions["kitchen"]

    def opened(number):
        token = f"seat-{number}-abcdefghijklmn"
        with kitchen.writing() as session:
            seat = next(s for s in seats_of(session, [OPEN])[OPEN] if s.seat.number == number)
            hand_out(session, token, seat.id, "2026-03-14T09:30:00Z", ENDS, "seat")
        return Phone(sheets.test_client(), f"/s/{token}/")

    return opened


class Phone:
    def __init__(self, client, path):
        self.client, self.path = client, path

    def page(self, at=""):
        return self.client.get(self.path + (f"?at={at}" if at else ""))

    def send(self, at, **form):
        return self.client.post(self.path, data={"at": at, **form})


def codes_of(host, number):
    return [s["code"] for s in host.get(API).json["mats"][number - 1]["slices"]]


def test_a_slice_a_page_in_the_seats_own_order_until_it_is_handed_in(host, phone):
    seat, codes = phone(7), codes_of(host, 7)
    for place, code in enumerate(codes, start=1):
        page = seat.page(str(place)).text
        assert f"Slice {place} of 3" in page
        assert f'class="code">{code}<' in page
        answer = seat.send(str(place), liking=str(5 + place), go="next")
        assert answer.status_code == 303
    assert answer.headers["Location"] == "?at=end"
    assert "Not all" not in seat.page("end").text
    assert "checked" in seat.page("2").text  # back until hand in
    seat.send("2", liking="3", go="next")
    seat.send("end", go="hand-in")
    assert "Handed in." in seat.page().text
    paper = host.get(f"{API}/seats/7/paper").json
    assert [a["value"] for a in sorted(paper["answers"], key=lambda a: codes.index(a["code"]))] == [6, 3, 8]
    assert host.get(API).json["mats"][6]["stands"] == "handed in"


def test_no_blocked_code_leaves_the_server(host, phone):
    for number in (3, 6):
        page = phone(number).page().text
        assert "Nothing is served at this seat." in page
        assert not any(str(c) in page for c in codes_of(host, number))


def test_an_anonymous_seat_is_asked_first_and_what_matches_is_withheld(host, phone):
    seat, codes = phone(4), codes_of(host, 4)
    first = seat.page("1").text
    assert "Do you avoid any of these?" in first
    assert not any(str(c) in first for c in codes)
    assert seat.send("1", liking="7").status_code == 303  # nothing can be answered before
    assert host.get(f"{API}/seats/4/paper").json["answers"] == []
    seat.send("avoid", avoid="tree-nuts", go="next")
    mat = host.get(API).json["mats"][3]
    out = next(s["code"] for s in mat["slices"] if s["state"] == "left out")
    pages = "".join(seat.page(at).text for at in ("1", "2", "3", "end"))
    assert str(out) not in pages
    assert sum(str(c) in pages for c in codes) == 2
    assert any(x["what"] == "withheld" for x in host.get(API).json["log"])


@pytest.mark.parametrize("path", ["/s/wrong-token/", "/s/seat-1-abcdefghijklmn/x", "/api/v1/tastings/3", "/", "/s/"])
def test_nothing_else_answers(phone, sheets, path):
    phone(1)
    assert sheets.test_client().get(path).status_code == 404


def test_closed_and_taken_out_are_the_same_404(host, phone):
    seat, other = phone(1), phone(2)
    wrong = seat.client.get("/s/nobody-knows-this-token/")
    host.post(f"{API}/seats/2/drop", json={"why": "left early"})
    assert other.page().status_code == 404
    host.post(f"{API}/close")
    shut = seat.page()
    assert (shut.status_code, shut.data) == (wrong.status_code, wrong.data) == (404, wrong.data)
    assert seat.send("1", liking="9").status_code == 404


def test_no_names_stand_on_a_sheet(phone):
    seat = phone(5)
    text = "".join(seat.page(at).text for at in ("1", "2", "3", "end"))
    assert "Ida" not in text
    assert "Ridge" not in text


def test_a_form_that_is_too_long_or_wrong_is_refused_and_nothing_is_lost(host, phone):
    seat = phone(5)
    before = host.get(f"{API}/seats/5/paper").json["answers"]
    assert seat.send("1", liking="7", comment="x" * 9000).status_code == 413
    refused = seat.send("1", liking="12")
    assert refused.status_code == 422
    assert "1 to 9" in refused.text
    assert host.get(f"{API}/seats/5/paper").json["answers"] == before


def test_a_mark_is_saved_as_it_is_made(host, phone):
    seat, codes = phone(7), codes_of(host, 7)
    assert seat.send("1", liking="4", go="stay").status_code == 204
    assert host.get(f"{API}/seats/7/paper").json["answers"][0]["value"] == 4
    assert host.get(API).json["mats"][6]["slices"][0] == {"code": codes[0], "state": "full", "why": ""}
    seat.send("1", liking="4", go="skip")
    assert host.get(f"{API}/seats/7/paper").json["answers"][0]["value"] is None


def test_sixty_requests_a_minute_and_then_a_moment():
    now = [0.0]
    limit = Limit(clock=lambda: now[0])
    assert all(limit.allows("a") for _ in range(60))
    assert not limit.allows("a")
    assert limit.allows("b")
    now[0] = 60.1
    assert limit.allows("a")


def test_thirty_phones_at_once_lose_nothing(app, host, sheets):
    seats = [{"number": n, "name": f"T{n}"} for n in range(1, 31)]
    ids = [t["id"] for t in host.get("/api/v1/trials").json["items"] if t["name"].startswith("Ridge")]
    table = host.post("/api/v1/tastings", json={"trials": ids}).json
    samples = [{k: s[k] for k in ("number", "kind", "about", "name")} for s in table["samples"]]
    sent = {"name": "hall", "samples": samples, "asked": {"main": "liking"}, "seats": seats}
    url = f"/api/v1/tastings/{table['id']}"
    host.put(url, json=sent, headers={"If-Match": f'"{table["version"]}"'})
    host.post(f"{url}/open")
    with app.extensions["kitchen"].writing() as session:
        for seat in seats_of(session, [table["id"]])[table["id"]]:
            hand_out(session, f"hall-{seat.seat.number}", seat.id, "2026-03-14T09:30:00Z", ENDS, "seat")

    def taste(number):
        phone = Phone(sheets.test_client(), f"/s/hall-{number}/")
        sent = [phone.send(str(p), liking=str(1 + (number + p) % 9)).status_code for p in (1, 2, 3)]
        return [*sent, phone.send("end", go="hand-in").status_code]

    with ThreadPoolExecutor(30) as pool:
        assert {status for sent in pool.map(taste, range(1, 31)) for status in sent} == {303}
    now = host.get(url).json
    assert now["say"] == "30 of 30 handed in."
    for number in range(1, 31):
        paper = host.get(f"{url}/seats/{number}/paper").json
        marks = {a["code"]: a["value"] for a in paper["answers"]}
        assert [marks[c] for c in paper["codes"]] == [1 + (number + p) % 9 for p in (1, 2, 3)]


def test_a_seats_page_holds_no_script_of_its_own(phone):
    assert not re.findall(r"<script(?![^>]*src=)", phone(1).page("1").text)

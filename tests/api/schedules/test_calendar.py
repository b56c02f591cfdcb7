"""The calendar of a plan, read by a second reader that knows only RFC 5545."""

import re
from datetime import UTC, datetime

import pytest

API = "/api/v1"


def unfolded(data):
    return data.decode("utf-8").replace("\r\n ", "").split("\r\n")


def events_of(data):
    found, event, depth = [], None, 0
    for line in unfolded(data):
        if line == "BEGIN:VEVENT":
            event, depth = {}, 0
        elif line == "END:VEVENT":
            found.append(event)
            event = None
        elif event is not None and line.startswith(("BEGIN:", "END:")):
            depth += 1 if line.startswith("BEGIN:") else -1
            event.setdefault("parts", []).append(line)
        elif event is not None and depth == 0:
            name, _, value = line.partition(":")
            event[name.split(";")[0]] = value
    return found


def instant(text):
    return datetime.strptime(text, "%Y%m%dT%H%M%SZ").replace(tzinfo=UTC)


@pytest.fixture
def content(client):
    return client.get(f"{API}/schedules/1/draft").json["content"]


def calendar(client, content, sequence=1):
    body = {"content": content, "name": "Sunday", "schedule_id": 1, "sequence": sequence}
    answer = client.post(f"{API}/plans/calendar", json=body)
    assert answer.status_code == 200
    assert answer.mimetype == "text/calendar"
    return answer.data


def test_lines_are_folded_at_75_octets_and_end_in_crlf(client, content):
    data = calendar(client, content)
    lines = data.split(b"\r\n")
    assert lines[-1] == b""
    assert max(map(len, lines)) <= 75
    assert b"\n" not in data.replace(b"\r\n", b"")
    assert unfolded(data)[:2] == ["BEGIN:VCALENDAR", "VERSION:2.0"]


def test_every_event_has_what_the_standard_wants_in_utc(client, content):
    events = events_of(calendar(client, content))
    assert len(events) > 15
    for e in events:
        assert {"UID", "DTSTAMP", "DTSTART", "DTEND", "SUMMARY", "SEQUENCE", "LOCATION", "CATEGORIES"} <= set(e)
        assert instant(e["DTSTART"]) < instant(e["DTEND"])
    assert len({e["UID"] for e in events}) == len(events)


def test_visits_have_an_alarm_and_rests_take_nobodys_time(client, content):
    events = events_of(calendar(client, content))
    rests = [e for e in events if e.get("TRANSP") == "TRANSPARENT"]
    visits = [e for e in events if e not in rests]
    assert rests
    assert all("rests" in e["SUMMARY"] for e in rests)
    assert all("BEGIN:VALARM" in e["parts"] for e in visits)


def test_an_event_keeps_its_uid_through_a_new_plan_and_its_sequence_rises(client, content):
    first = {e["UID"]: e for e in events_of(calendar(client, content, 1))}
    content["products"][2]["ready_at"] = "2026-03-15T14:00"
    second = {e["UID"]: e for e in events_of(calendar(client, content, 2))}
    assert first.keys() == second.keys()
    assert {e["SEQUENCE"] for e in second.values()} == {"2"}
    moved = [u for u in first if first[u]["DTSTART"] != second[u]["DTSTART"]]
    assert any("Summit tin loaf" in second[u]["SUMMARY"] for u in moved)


def test_a_step_that_fell_away_is_cancelled(client, content):
    content["products"][2] |= {"announced": {"rest": "2026-03-15T08:30"}, "switches": {"rest": False}}
    gone = [e for e in events_of(calendar(client, content)) if e.get("STATUS") == "CANCELLED"]
    assert [e["SUMMARY"] for e in gone] == ["Summit tin loaf: rest"]


def test_the_description_carries_grams_and_degrees(client, content):
    mix = next(e for e in events_of(calendar(client, content)) if re.match("Summit tin loaf: Mix", e["SUMMARY"]))
    assert "Water" in mix["DESCRIPTION"]
    assert "°C" in mix["DESCRIPTION"]

"""Kill the server or the tab in the middle of an edit, or let two people edit at once: nothing is lost."""

from __future__ import annotations

import json
import time
import urllib.request

import pytest
from playwright.sync_api import expect

from served import RealServer


@pytest.fixture
def real(demo_db):
    server = RealServer(demo_db)
    server.start()
    yield server
    server.kill()


@pytest.fixture
def base_url(real):
    return real.url


def test_a_server_killed_in_the_middle_of_an_edit_loses_nothing(bench, real):
    bench.open()
    real.kill()
    bench.type_in(bench.mass("teff-flour"), "170")
    expect(bench.page.get_by_text("not saved yet: the kitchen does not answer")).to_be_visible()
    bench.type_in(bench.mass("sorghum-flour"), "240")
    real.start()
    bench.saved()
    expect(bench.say).to_be_visible()
    assert (real.draft()["teff-flour"], real.draft()["sorghum-flour"]) == (170, 240)


def test_a_tab_closed_while_the_server_is_dead_finds_its_changes_again(bench, real):
    bench.open()
    real.kill()
    bench.type_in(bench.mass("teff-flour"), "170")
    expect(bench.page.get_by_text("not saved yet")).to_be_visible()
    bench.page.goto("about:blank")
    real.start()
    assert real.draft()["teff-flour"] == 120
    bench.open()
    expect(bench.mass("teff-flour")).to_have_value("170")
    expect(bench.page.get_by_text("found in this browser and put back")).to_be_visible()
    bench.saved()
    assert real.draft()["teff-flour"] == 170


def test_a_page_left_at_once_after_an_edit_is_saved(bench, real):
    bench.open()
    bench.type_in(bench.mass("teff-flour"), "171")
    bench.page.goto("about:blank")
    for _ in range(300):
        if real.draft()["teff-flour"] == 171:
            break
        time.sleep(0.05)
    assert real.draft()["teff-flour"] == 171


def test_a_server_killed_while_a_hand_drags_comes_back_with_the_last_saved_state_whole(bench, real):
    bench.open()
    handle = bench.page.get_by_role("slider", name="Boundary of Teff flour and Potato starch")
    box = handle.locator(".grip").bounding_box()
    x, y = box["x"] + 20, box["y"] + 9
    bench.page.mouse.move(x, y)
    bench.page.mouse.down()
    for n in range(1, 30):
        bench.page.mouse.move(x, y - n)
        if n == 15:
            real.kill()
    bench.page.mouse.up()
    real.start()
    bench.saved()
    assert sum(real.draft().values()) == pytest.approx(1050)
    assert real.draft()["teff-flour"] > 120


def other_person(real, mass_g: float) -> None:
    request = urllib.request.Request(f"{real.url}/api/v1/blends/1/draft")
    with urllib.request.urlopen(request) as answer:
        draft, etag = json.load(answer), answer.headers["ETag"]
    parts = [
        {**p, "mass_g": mass_g if p["ingredient"] == "potato-starch" else p["mass_g"]}
        for p in draft["content"]["parts"]
    ]
    body = json.dumps({"content": {**draft["content"], "parts": parts}, "based_on": draft["based_on"]}).encode()
    put = urllib.request.Request(
        f"{real.url}/api/v1/blends/1/draft", body, {"If-Match": etag, "content-type": "application/json"}, method="PUT"
    )
    urllib.request.urlopen(put).close()


def test_two_people_at_once_are_shown_both_drafts_and_may_keep_both(bench, real):
    bench.open()
    other_person(real, 260)
    bench.type_in(bench.mass("teff-flour"), "170")
    dialog = bench.page.get_by_role("dialog", name="This blend was changed somewhere else")
    expect(dialog).to_contain_text("Potato starch")
    expect(dialog).to_contain_text("Teff flour")
    assert real.draft()["teff-flour"] == 120
    dialog.get_by_role("button", name="Take theirs, keep mine as a copy").click()
    expect(bench.mass("potato-starch")).to_have_value("260")
    expect(bench.page.get_by_text("Summit mix (my draft)")).to_be_visible()
    copy = real.draft(real.newest_blend())
    assert (copy["teff-flour"], copy["potato-starch"]) == (170, 220)
    bench.type_in(bench.mass("teff-flour"), "130")
    bench.saved()
    assert real.draft()["teff-flour"] == 130


def test_mine_goes_over_theirs_only_when_i_say_so(bench, real):
    bench.open()
    other_person(real, 260)
    bench.type_in(bench.mass("teff-flour"), "170")
    dialog = bench.page.get_by_role("dialog", name="This blend was changed somewhere else")
    expect(dialog).to_be_visible()
    bench.page.keyboard.press("Escape")
    expect(bench.page.get_by_text("Not saved: someone else changed this blend.")).to_be_visible()
    assert real.draft()["potato-starch"] == 260
    bench.page.get_by_role("button", name="Choose").click()
    dialog.get_by_role("button", name="Put mine over theirs").click()
    bench.saved()
    assert (real.draft()["teff-flour"], real.draft()["potato-starch"]) == (170, 220)

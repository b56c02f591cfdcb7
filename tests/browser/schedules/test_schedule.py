"""The schedule in the browser: planned in one step, moved by keys, worked by, printed, and usable by everyone."""

from __future__ import annotations

import re
from datetime import timedelta

import pytest
from playwright.sync_api import expect

from browser.conftest import OF_COLOUR, over_the_side, violations

SHEETS = re.compile(rb"/Type\s*/Page\b")


def knot(page, name):
    return page.locator(".knot").and_(page.get_by_role("button", name=re.compile(name)))


@pytest.fixture
def bench(page):
    page.goto("/#/schedule/1")
    expect(page.locator("h1.say")).to_contain_text("Ready Sunday: Coaling stage loaf")
    return page


def test_a_formula_is_planned_for_tomorrow_in_one_step(page):
    page.goto("/#/formula/1")
    page.get_by_role("link", name="Plan it").click()
    expect(page.locator("h1.say")).to_contain_text("Ready Saturday 23:00 for Sunday 09:00.")
    expect(page.get_by_label("Name of the schedule")).to_have_value("Summit tin loaf")
    assert knot(page, "Mix to an even dough").count() == 1


def test_an_empty_schedule_teaches_its_next_step(page):
    page.goto("/#/schedules")
    page.get_by_role("button", name="New schedule").click()
    expect(page.get_by_role("heading", name="Nothing to be ready yet")).to_be_visible()
    page.get_by_role("button", name="Plan Summit tin loaf for tomorrow 09:00").click()
    expect(page.locator("h1.say")).to_contain_text("Ready Saturday 23:00 for Sunday 09:00.")


def test_a_step_is_chosen_told_and_moved_by_keys_and_given_back(bench):
    mix = knot(bench, "Summit tin loaf, Mix")
    mix.focus()
    panel = bench.get_by_role("region", name="The step that is chosen")
    expect(panel).to_contain_text("Water at 24 °C, for a dough of 26 °C.")
    expect(panel.get_by_role("heading", name=re.compile("^Why then"))).to_be_visible()
    before = panel.locator(".at").inner_text()
    bench.keyboard.press("ArrowLeft")
    expect(knot(bench, "Summit tin loaf, Mix.*pinned")).to_be_visible()
    expect(panel.locator(".at")).not_to_have_text(before)
    bench.keyboard.press("Escape")
    expect(panel.locator(".at")).to_have_text(before)
    expect(knot(bench, "pinned")).to_have_count(0)


def test_down_and_up_walk_from_knot_to_knot_in_time(bench):
    first = bench.locator(".knot").first
    first.focus()
    bench.keyboard.press("ArrowDown")
    focused = bench.evaluate("document.activeElement.getAttribute('aria-label')")
    assert focused != first.get_attribute("aria-label")
    bench.keyboard.press("ArrowUp")
    assert bench.evaluate("document.activeElement.getAttribute('aria-label')") == first.get_attribute("aria-label")


def test_a_wish_that_cannot_be_met_says_so_and_is_taken_back(bench):
    bench.get_by_label("Coaling stage loaf ready at").fill("2026-03-14T12:00")
    expect(bench.locator("h1.say")).to_contain_text("at least and there are")
    assert bench.locator(".knot").count() > 10  # the last plan that could be
    bench.get_by_role("button", name="Take the last change back").click()
    expect(bench.locator("h1.say")).to_contain_text("Ready Sunday: Coaling stage loaf")


def test_where_the_kitchen_works_is_asked_once(bench):
    bench.get_by_role("button", name=re.compile("Kitchen: hours")).click()
    sheet = bench.get_by_role("dialog")
    sheet.get_by_label("Up to").fill("21:00")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_have_count(0)
    bench.reload()
    bench.get_by_role("button", name=re.compile("Kitchen: hours")).click()
    expect(bench.get_by_label("Up to")).to_have_value("21:00")


def until_the_leaven_is_due(page, clock):
    """Let the day go on until the leaven is to be built; when that is depends on how far the search for times came."""
    page.goto("/#/now/1")
    now = page.get_by_role("region", name="Now")
    for _ in range(5):
        expect(page.locator("main")).to_contain_text(re.compile("Build the leaven|Until"))
        page.wait_for_timeout(1500)  # a better plan may still come
        until = re.search(r"Until (\d+):(\d+)", page.locator("main").inner_text())
        if until is None:
            break
        clock["now"] = clock["now"].replace(hour=int(until[1]), minute=int(until[2])) + timedelta(minutes=1)
        page.reload()
    expect(now).to_contain_text("Build the leaven")
    expect(page.get_by_role("button", name="Done")).to_be_enabled()
    return now


def test_working_by_a_plan_outlives_a_reload(page, clock):
    page.set_viewport_size({"width": 390, "height": 844})
    now = until_the_leaven_is_due(page, clock)
    expect(now).to_contain_text("starter")
    page.get_by_role("button", name="Done").click()
    expect(page.get_by_role("region", name="Resting")).to_contain_text("Coaling stage loaf: leaven")
    page.wait_for_timeout(600)  # the draft saves itself a moment later
    page.reload()
    expect(page.get_by_role("region", name="Resting")).to_contain_text("Coaling stage loaf: leaven")
    expect(page.get_by_role("timer")).to_be_visible()
    assert over_the_side(page) == []


def test_a_reading_is_taken_as_two_heights_of_the_jar(page, clock):
    until_the_leaven_is_due(page, clock)
    page.get_by_role("button", name="Done").click()
    page.get_by_role("button", name=re.compile("Reading")).click()
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("button", name="Take the reading").click()
    expect(sheet.get_by_role("alert")).to_contain_text("Give a rise")
    sheet.get_by_label("Jar at first, mm").fill("40")
    sheet.get_by_label("Jar now, mm").fill("50")
    sheet.get_by_role("button", name="Take the reading").click()
    expect(sheet).to_have_count(0)


def test_the_day_sheet_fits_one_page(page):
    page.goto("/#/day/1")
    expect(page.locator(".box").first).to_be_visible()
    assert len(SHEETS.findall(page.pdf(format="A4"))) == 1


@pytest.mark.parametrize("address", ["/#/now/1", "/#/day/1"])
def test_the_pages_can_be_used_by_everyone_at_every_width(page, address):
    page.goto(address)
    page.wait_for_load_state("networkidle")
    page.wait_for_timeout(300)
    assert violations(page) == []
    page.get_by_role("button", name="Dark appearance").click()
    assert violations(page, OF_COLOUR) == []
    for width in (1024, 390) if "day" not in address else (1024,):  # paper has one width
        page.set_viewport_size({"width": width, "height": 800})
        page.wait_for_timeout(150)
        assert over_the_side(page) == [], width


def test_a_starter_is_fed_and_its_peak_noted(page):
    page.goto("/#/starters")
    jar = page.get_by_role("region", name="Brown rice jar")
    for label, value in (("seed", "20"), ("flour", "40"), ("water", "40"), ("at", "22")):
        jar.get_by_label(re.compile(f"{label}$|{label} ")).first.fill(value)
    jar.get_by_role("button", name="Note it").click()
    expect(jar.get_by_role("row")).to_have_count(5)
    expect(jar.get_by_role("button", name="it peaks now")).to_be_visible()

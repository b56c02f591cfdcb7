"""Under a finger: whatever is pressed, chosen or typed into is 44 px high, and pages still fit."""

from __future__ import annotations

import pytest
from playwright.sync_api import expect

from browser.conftest import over_the_side

PRESSED = ".action, .field, .tab, nav a, select, summary, textarea, .tools a, .tools button, td.pick label"
TYPED = "input:not([type=checkbox], [type=radio], [type=range], [type=color], [type=file], [data-cell])"
SMALL = """(which) => [...document.querySelectorAll(which)]
    .filter((e) => e.checkVisibility({visibilityProperty: true, opacityProperty: true}))
    .map((e) => [e, e.getBoundingClientRect()])
    .filter(([, b]) => b.width > 1 && b.height > 1 && b.height < 43.5)
    .map(([e, b]) => `${Math.round(b.height)} px: ${e.outerHTML.slice(0, 120)}`)"""
PAGES = [
    "begin", "briefs/1", "ingredients", "ingredients/teff-flour", "bench/12", "formula/1", "schedule/1", "now/1",
    "trial/1", "tasting/3", "experiment/1", "batches", "batch/1", "weigh/4", "settings",
]  # fmt: skip


@pytest.fixture
def browser_context_args(browser_context_args):
    return {**browser_context_args, "viewport": {"width": 390, "height": 844}, "has_touch": True, "is_mobile": True}


@pytest.mark.parametrize("address", PAGES)
def test_a_finger_finds_whatever_is_pressed_chosen_or_typed_into(page, address):
    page.goto(f"/#/{address}")
    expect(page.locator("h1").first).to_be_visible()
    expect(page.locator("main")).not_to_contain_text("Looking")
    page.wait_for_timeout(300)
    assert page.evaluate(SMALL, f"{PRESSED}, {TYPED}") == []
    assert over_the_side(page) == []


STAGES = ["Briefs", "Ingredients", "Blends", "Formulas", "Schedule", "Trials", "Tastings", "Experiments", "Batches"]


def test_every_stage_is_two_taps_away_and_its_neighbours_one(page):
    page.goto("/#/bench/12")
    path = page.get_by_role("navigation", name="Path of the work")
    for n, stage in enumerate(STAGES):
        path.get_by_role("button").tap()
        path.get_by_role("link", name=stage).last.tap()
        expect(path.get_by_role("button", name=stage, exact=True)).to_have_attribute("aria-expanded", "false")
        expect(page.locator("h1").first).to_be_visible()
        assert path.get_by_role("link").all_inner_texts() == [*STAGES[max(0, n - 1) : n], *STAGES[n + 1 : n + 2]]
    path.get_by_role("link", name="Experiments").tap()
    expect(path.get_by_role("button", name="Experiments")).to_be_visible()


def test_the_opened_path_closes_by_escape_and_by_a_tap_elsewhere(page):
    page.goto("/#/settings")
    opener = page.get_by_role("button", name="Path of the work")
    opener.press("Enter")
    expect(page.get_by_role("link", name="Batches")).to_be_visible()
    page.keyboard.press("Tab")
    page.keyboard.press("Escape")
    expect(opener).to_be_focused()
    expect(opener).to_have_attribute("aria-expanded", "false")
    opener.tap()
    page.touchscreen.tap(195, 780)
    expect(page.get_by_role("link", name="Batches")).to_have_count(0)

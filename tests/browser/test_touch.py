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

"""Keys on a knot of the schedule."""

from __future__ import annotations

import re

from playwright.sync_api import Locator, Page, expect

from browser.keys.pressing import closes, dialog, key, press


def knot(page: Page, name: str) -> Locator:
    return page.locator(".knot").and_(page.get_by_role("button", name=re.compile(name)))


MIX = "Summit tin loaf, Mix"


@key("On a knot of the schedule", "← →")
def moves_a_step(page):
    at = page.get_by_role("region", name="The step that is chosen").locator(".at")
    expect(page.locator("h1.say")).to_contain_text("Ready Sunday")
    knot(page, MIX).focus()
    hour, minute = map(int, at.inner_text().split(":"))
    for keys, minutes in (
        (["ArrowLeft"], -5),
        (["ArrowRight"], 0),
        (["Shift+ArrowLeft"], -30),
        (["Shift+ArrowRight"], 0),
    ):
        press(page, *keys)
        then = hour * 60 + minute + minutes
        expect(at).to_have_text(f"{then // 60:02d}:{then % 60:02d}")
    expect(knot(page, f"{MIX}.*pinned")).to_be_visible()


@key("On a knot of the schedule", "↑ ↓")
def walks_knots(page):
    press(page, "ArrowDown")
    expect(knot(page, MIX)).not_to_be_focused()
    press(page, "ArrowUp")
    expect(knot(page, MIX)).to_be_focused()


@key("On a knot of the schedule", "P")
def lets_go_and_holds(page):
    press(page, "p")
    expect(knot(page, "pinned")).to_have_count(0)
    press(page, "p")
    expect(knot(page, f"{MIX}.*pinned")).to_be_visible()
    press(page, "p")
    expect(knot(page, "pinned")).to_have_count(0)


@key("On a knot of the schedule", "O")
def takes_the_other_oven(page):
    panel = page.get_by_role("region", name="The step that is chosen")
    knot(page, "Summit tin loaf, Bake").first.focus()
    was = panel.inner_text()
    press(page, "o")
    expect(panel).not_to_have_text(was, use_inner_text=True)
    press(page, "o")


@key("On a knot of the schedule", "N")
def sets_it_now(page):
    knot(page, "Coaling stage loaf, Build the leaven").focus()
    press(page, "n")
    expect(knot(page, "Build the leaven.*pinned")).to_be_visible()
    press(page, "p")


@key("On a knot of the schedule", "D")
def notes_it_done(page):
    knot(page, "Coaling stage loaf, Build the leaven").focus()
    press(page, "d")
    expect(knot(page, "Build the leaven")).to_have_count(0)  # a knot is where hands are wanted: they are done


@key("On a knot of the schedule", "R")
def asks_for_a_reading(page):
    knot(page, "Sleeper rolls, In the fridge overnight").focus()
    press(page, "r")
    expect(dialog(page)).to_contain_text("Reading: Sleeper rolls")
    closes(page)


@key("On a knot of the schedule", "S")
def leaves_a_step_out(page):
    knot(page, MIX).focus()
    press(page, "s")
    expect(page.get_by_text("cannot be left out")).to_be_visible()
    knot(page, "Coaling stage loaf, Stir husk or seeds").focus()
    press(page, "s")
    expect(knot(page, "Coaling stage loaf, Stir husk or seeds")).to_have_count(0)
    for one in page.locator(".knot").all():
        one.focus()  # each can be looked at


@key("On a knot of the schedule", "Esc")
def gives_a_knot_back(page):
    knot(page, MIX).focus()
    press(page, "p")
    expect(knot(page, f"{MIX}.*pinned")).to_be_visible()
    press(page, "Escape")
    expect(knot(page, "pinned")).to_have_count(0)

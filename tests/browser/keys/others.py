"""Keys of the shelf, the family of bakes, the tasters, the map and the scale."""

from __future__ import annotations

import re

from playwright.sync_api import Page, expect

from browser.keys.pressing import API, closes, dialog, key, press


@key("On the shelf", "↑ ↓ ← →")
def walks_numbers(page):
    page.locator('[data-at][tabindex="0"]').first.focus()
    press(page, "ArrowDown", "ArrowRight", "ArrowRight")
    reading = page.locator("p.reading")
    expect(reading).to_contain_text("from")
    said = reading.inner_text()
    press(page, "ArrowUp", "ArrowLeft")
    expect(reading).not_to_have_text(said)


@key("On the shelf", "Space")
def lays_a_flour_out(page):
    press(page, " ")
    expect(page.get_by_role("link", name=re.compile("side by side", re.I)).or_(page.locator(".tray"))).to_be_visible()


@key("On the shelf", "Enter")
def opens_the_ingredient(page):
    press(page, "Enter")
    expect(page).to_have_url(re.compile(r"#/ingredients/[a-z-]+$"))


@key("Among the bakes of a formula", "↑ ↓")
def walks_bakes(page):
    page.locator('[data-trial="11"]').focus()
    press(page, "ArrowDown")
    expect(page.locator('[data-trial="10"]')).to_be_focused()
    press(page, "ArrowUp")
    expect(page.locator('[data-trial="11"]')).to_be_focused()


@key("Among the bakes of a formula", "← →")
def crosses_branches(page):
    press(page, "ArrowRight")
    expect(page.locator('[data-trial="12"]')).to_be_focused()
    press(page, "ArrowLeft")
    expect(page.locator('[data-trial="11"]')).to_be_focused()


@key("Among the bakes of a formula", "=")
def compares_bakes(page):
    press(page, "=")
    expect(dialog(page)).to_contain_text("changed")
    closes(page)


@key("At a table of tasters", "← →")
def walks_seats(page):
    seats = page.locator("button[data-seat]")
    seats.nth(1).click()
    press(page, "ArrowRight")
    expect(seats.nth(2)).to_be_focused()
    press(page, "ArrowLeft")
    expect(seats.nth(1)).to_have_attribute("aria-pressed", "true")


@key("At a table of tasters", "L")
def hands_a_sheet_out(page):
    press(page, "l")
    expect(dialog(page).get_by_label("Address")).to_be_visible()
    closes(page)


@key("At a table of tasters", "P")
def gives_paper(page):
    with page.expect_download() as paper:
        press(page, "p")
    assert paper.value.suggested_filename.endswith(".pdf")


@key("On the map of an experiment", "↑ ↓ ← →")
def moves_the_point(page):
    point = page.locator("[data-point]")
    page.locator("[data-map]").focus()
    for name in ("ArrowRight", "Shift+ArrowLeft", "ArrowUp", "Shift+ArrowDown"):
        was = point.get_attribute("transform")
        press(page, name)
        expect(point).not_to_have_attribute("transform", was)


def on_the_pan(page: Page, mass_g: float) -> None:
    page.request.put(f"{page.url.split('#')[0].rstrip('/')}{API}/devices/scale/load", data={"mass_g": mass_g})
    for _ in range(2):  # the first may have been asked for before it lay there
        page.wait_for_event("response", lambda r: r.url.endswith("/devices/scale"))


@key("At the scale", "Enter")
def takes_what_stands_still(page):
    origin = page.url.split("#")[0].rstrip("/")
    batches = page.request.get(f"{origin}{API}/batches").json()["items"]
    page.goto(f"/#/weigh/{next(b['id'] for b in batches if b['state'] == 'weighing')}")
    expect(page.locator("[data-says]")).to_contain_text("still to pour")
    on_the_pan(page, 404)
    expect(page.locator("[data-says]")).to_contain_text("passes: take it")
    expect(page.get_by_role("button", name=re.compile("^Take this"))).to_be_enabled()
    with page.expect_response(re.compile("/weighings/")):
        press(page, "Enter")


@key("At the scale", "T")
def tares(page):
    on_the_pan(page, 404)
    missing = page.get_by_label("Still missing")
    bare = missing.inner_text()
    on_the_pan(page, 454)  # 50 g on top of what was taken
    expect(missing).not_to_have_text(bare, use_inner_text=True)
    loaded = missing.inner_text()
    press(page, "t")
    expect(missing).not_to_have_text(loaded, use_inner_text=True)


@key("At the scale", "N")
def goes_on(page):
    says = page.locator("[data-says]")
    was = says.inner_text()
    press(page, "n")
    expect(says).not_to_have_text(was, use_inner_text=True)

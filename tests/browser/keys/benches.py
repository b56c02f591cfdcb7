"""Keys of the benches of blends and formulas, and of the proposals."""

from __future__ import annotations

import re

from playwright.sync_api import expect

from browser.keys.pressing import closes, dialog, key, mass, press


@key("Everywhere", "/")
def finds(page):
    press(page, "/")
    expect(dialog(page).get_by_role("combobox", name="Find")).to_be_focused()
    page.keyboard.type("summit")
    options = dialog(page).get_by_role("option")
    expect(options.filter(has_text="Summit tin loaf").first).to_be_visible()
    press(page, "ArrowDown", "ArrowUp", "ArrowDown")
    expect(options.nth(1)).to_have_attribute("aria-selected", "true")
    to = options.nth(1).locator("a").get_attribute("href")
    press(page, "Enter")
    expect(page).to_have_url(re.compile(re.escape(to)))
    page.goto("/#/bench/1")
    expect(mass(page, "teff-flour")).to_have_value("120")


@key("Everywhere", "?")
def lists_the_keys(page):
    mass(page, "teff-flour").click()  # also while a number is in focus
    press(page, "?")
    expect(page.get_by_role("dialog", name="Keys")).to_be_visible()
    closes(page)


@key("Everywhere", "Ctrl Z")
def undoes(page):
    cell = mass(page, "teff-flour")
    cell.fill("111")
    press(page, "Enter", "Control+z")
    expect(cell).to_have_value("120")
    press(page, "Control+Shift+z")
    expect(cell).to_have_value("111")


@key("Everywhere", "Esc")
def gives_back(page):
    cell = mass(page, "teff-flour")
    cell.fill("9")
    press(page, "Escape")
    expect(cell).to_have_value("111")


@key("In a row of the bench", "↑ ↓")
def walks_rows(page):
    mass(page, "teff-flour").click()
    press(page, "ArrowUp")
    expect(mass(page, "potato-starch")).to_be_focused()
    press(page, "ArrowDown")
    expect(mass(page, "teff-flour")).to_be_focused()


@key("In a row of the bench", "← →")
def walks_cells(page):
    press(page, "ArrowRight")
    expect(page.locator('[data-row="teff-flour"] [data-cell=share]')).to_be_focused()
    press(page, "ArrowLeft")
    expect(mass(page, "teff-flour")).to_be_focused()


@key("In a row of the bench", "+ −")
def nudges(page):
    for name, then in (("+", "125"), ("-", "120"), ("PageUp", "170"), ("PageDown", "120")):
        press(page, name)
        expect(mass(page, "teff-flour")).to_have_value(then)


@key("In a row of the bench", "L")
def locks(page):
    lock = page.locator('[data-row="teff-flour"]').get_by_role("button", name="Lock")
    press(page, "l")
    expect(lock).to_have_attribute("aria-pressed", "true")
    press(page, "l")
    expect(lock).to_have_attribute("aria-pressed", "false")


@key("In a row of the bench", "B")
def asks_for_the_bag(page):
    press(page, "b")
    expect(dialog(page)).to_contain_text("Which teff flour?")
    closes(page)


@key("In a row of the bench", "Del")
def removes(page):
    mass(page, "teff-flour").fill("")
    press(page, "Delete")
    expect(mass(page, "teff-flour")).to_have_count(0)


@key("In a row of the bench", "Enter")
def takes(page):
    mass(page, "sorghum-flour").fill("300")
    press(page, "Enter")
    expect(page.locator('[data-row="sorghum-flour"] [data-cell=mass]')).to_have_value("300")


@key("On a boundary of the column", "↑ ↓")
def moves_mass_across(page):
    page.get_by_role("slider", name="Boundary of Brown rice flour and Teff flour").first.focus()
    press(page, "ArrowUp")
    expect(mass(page, "teff-flour")).to_have_value("115")
    press(page, "ArrowDown")
    expect(mass(page, "teff-flour")).to_have_value("120")


@key("On a boundary of the column", "Page ↑ ↓")
def moves_ten_steps(page):
    press(page, "PageUp")
    expect(mass(page, "teff-flour")).to_have_value("70")
    press(page, "PageDown")
    expect(mass(page, "teff-flour")).to_have_value("120")


@key("On a boundary of the column", "Esc")
def puts_a_drag_back(page):
    box = page.get_by_role("slider", name="Boundary of Brown rice flour and Teff flour").first.bounding_box()
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x, y - 12, steps=3)
    expect(mass(page, "teff-flour")).not_to_have_value("120")
    press(page, "Escape")
    page.mouse.up()
    expect(mass(page, "teff-flour")).to_have_value("120")


@key("On the bench", "A")
def adds(page):
    mass(page, "teff-flour").fill("111")
    press(page, "Enter", "a")
    expect(page.locator("[data-add]")).to_be_focused()
    expect(page.locator(".cell [role=alert]")).to_have_count(0)
    press(page, "Escape")


@key("On the bench", "V")
def pastes(page):
    mass(page, "teff-flour").click()
    press(page, "v")
    expect(page.get_by_role("dialog", name="Paste a mix")).to_be_visible()
    closes(page)


@key("On the bench", "K")
def keeps(page):
    mass(page, "teff-flour").click()
    press(page, "k")
    expect(dialog(page)).to_contain_text("revision")
    closes(page)


@key("On the bench", "P")
def proposes(page):
    mass(page, "teff-flour").click()
    press(page, "p")
    expect(page.get_by_role("tab", name="Propose")).to_have_attribute("aria-selected", "true")


@key("On the bench", "M")
def mends(page):
    mass(page, "teff-flour").click()
    press(page, "m")
    expect(page.get_by_role("region", name="Mend")).to_be_visible()
    assert mass(page, "teff-flour").input_value() == "111"


@key("On the bench", "U")
def says_what_else_it_is_good_for(page):
    press(page, "u")
    expect(page.get_by_role("tab", name="Good for")).to_have_attribute("aria-selected", "true")


@key("On the formula bench", "A")
def adds_a_line(page):
    mass(page, "salt").fill("19")
    press(page, "Enter", "a")
    expect(page.locator("[data-add]")).to_be_focused()
    press(page, "Escape")


@key("On the formula bench", "K")
def keeps_a_formula(page):
    mass(page, "salt").click()
    press(page, "k")
    expect(dialog(page)).to_contain_text("revision")
    closes(page)


@key("On the formula bench", "W")
def shows_water(page):
    mass(page, "salt").click()
    press(page, "w")
    expect(page.get_by_role("tab", name="Water")).to_have_attribute("aria-selected", "true")


@key("On the formula bench", "S")
def swaps(page):
    mass(page, "olive-oil").click()
    press(page, "s")
    expect(page.get_by_text("Olive oil").last).to_be_visible()
    expect(page.locator(".cell [role=alert]")).to_have_count(0)


@key("On the formula bench", "Alt ↑ ↓")
def carries_a_line(page):
    mass(page, "olive-oil").click()
    rows = page.locator("li[data-row]")
    names = [r.get_attribute("data-row") for r in rows.all()]
    at = names.index("olive-oil")
    press(page, "Alt+ArrowUp")
    expect(rows.nth(at - 1)).to_have_attribute("data-row", "olive-oil")
    press(page, "Alt+ArrowDown")
    expect(rows.nth(at)).to_have_attribute("data-row", "olive-oil")


@key("On the formula bench", "← →")
def pours_water(page):
    page.get_by_role("slider", name="Water in the dough").focus()
    for name, then in (("ArrowRight", "840"), ("ArrowLeft", "830"), ("PageUp", "930"), ("PageDown", "830")):
        press(page, name)  # a percent of 950 g of flour, in whole grams
        expect(mass(page, "water")).to_have_value(then)


@key("Among the proposals", "← →")
def walks_proposals(page):
    press(page, "p")
    expect(page.get_by_role("button", name="Search again")).to_be_visible(timeout=60_000)
    page.locator(".one").first.focus()
    press(page, "ArrowRight")
    expect(page.locator(".one").nth(1)).to_have_attribute("aria-pressed", "true")
    press(page, "ArrowLeft")
    expect(page.locator(".one").first).to_have_attribute("aria-pressed", "true")


@key("Among the proposals", "Enter")
def takes_a_proposal(page):
    press(page, "Enter")
    expect(page.get_by_text(re.compile("Kept as revision"))).to_be_visible()


@key("Among the proposals", "Esc")
def stops_the_search(page):
    page.get_by_role("button", name=re.compile("Search again|Find blends")).click()
    expect(page.get_by_role("button", name="Stop")).to_be_visible()
    press(page, "Escape")
    expect(page.get_by_text("Stopped, with the best so far.")).to_be_visible()

"""Every key that the list of keys names does what the list says, on the page that it is listed for."""

from __future__ import annotations

import re
from collections.abc import Callable

import pytest
from playwright.sync_api import Locator, Page, expect

API = "/api/v1"
Step = Callable[[Page], None]
STEPS: dict[str, dict[str, Step]] = {}
STARTS = {
    "Everywhere": "bench/1",
    "In a row of the bench": "bench/1",
    "On a boundary of the column": "bench/1",
    "On the shelf": "ingredients",
    "On the bench": "bench/1",
    "On the formula bench": "formula/1",
    "On a knot of the schedule": "schedule/1",
    "Among the proposals": "bench/1",
    "Among the bakes of a formula": "family/2",
    "At a table of tasters": "tasting/3",
    "On the map of an experiment": "experiment/1",
    "At the scale": "batches",
}


def key(group: str, name: str) -> Callable[[Step], Step]:
    """Mark a step as the one that tries the key `name` of a group of the list."""

    def marked(step: Step) -> Step:
        STEPS.setdefault(group, {})[name] = step
        return step

    return marked


def mass(page: Page, slug: str) -> Locator:
    return page.locator(f'[data-row="{slug}"] [data-cell=mass]')


def press(page: Page, *keys: str) -> None:
    for name in keys:
        page.keyboard.press(name)


def dialog(page: Page) -> Locator:
    return page.get_by_role("dialog")


def closes(page: Page) -> None:
    press(page, "Escape")
    expect(dialog(page)).to_have_count(0)


@pytest.mark.parametrize("group", STARTS)
def test_every_key_of_a_group_does_what_it_says(page, group):
    page.goto(f"/#/{STARTS[group]}")
    expect(page.locator("h1").first).not_to_have_text("Nothing to judge yet.")
    press(page, "?")
    listed = dialog(page).locator(f'dl[aria-label="{group}"] dt')
    expect(listed).not_to_have_count(0)
    assert listed.all_inner_texts() == list(STEPS[group])
    assert dialog(page).locator("dl").count() == len(STARTS)
    closes(page)
    for step in STEPS[group].values():
        step(page)


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
    on_the_pan(page, 50)
    missing = page.get_by_label("Still missing")
    loaded = missing.inner_text()
    press(page, "t")
    expect(missing).not_to_have_text(loaded, use_inner_text=True)


@key("At the scale", "N")
def goes_on(page):
    says = page.locator("[data-says]")
    was = says.inner_text()
    press(page, "n")
    expect(says).not_to_have_text(was, use_inner_text=True)

"""A batch in the real browser: planned, weighed with one thumb, bagged, labelled, followed; nothing lost out of reach."""

import re

import pytest
from playwright.sync_api import expect

from browser.conftest import violations

API = "/api/v1"
PHONE = {"width": 390, "height": 844}


def load(page, mass_g):
    """Put a mass on the simulated scale, as a hand would pour it."""
    origin = page.url.split("#")[0].rstrip("/")
    page.request.put(f"{origin}{API}/devices/scale/load", data={"mass_g": mass_g})


def batch_in_state(page, state):
    origin = page.url.split("#")[0].rstrip("/")
    found = page.request.get(f"{origin}{API}/batches").json()["items"]
    return next(b["id"] for b in found if b["state"] == state)


def test_what_needs_a_hand_stands_first_and_a_code_leads_to_its_batch(page):
    page.goto("/#/batches")
    expect(page.locator("[data-says]")).to_contain_text("use by 22 March")
    rows = page.locator("main li")
    expect(rows.nth(0)).to_contain_text("use it: 8 days left")
    expect(rows.nth(1)).to_contain_text("held: drill")
    expect(rows.nth(2)).to_contain_text("half weighed")
    code = rows.nth(3).locator(".code").inner_text()
    assert violations(page) == []
    page.get_by_label("Code on a bag").fill(code.replace("-", " ").lower())
    page.get_by_role("button", name="Find", exact=True).click()
    page.wait_for_url(re.compile("#/batch/"))
    expect(page.get_by_role("heading", name="What was weighed, from which lots")).to_be_visible()
    page.goto("/#/batches")
    expect(page.locator("[data-says]")).to_contain_text("use by 22 March")
    page.get_by_label("Code on a bag").fill(f"{code[:-1]}{'2' if code[-1] != '2' else '3'}")
    page.get_by_role("button", name="Find", exact=True).click()
    expect(page.get_by_text("its check does not hold")).to_be_visible()


def test_a_plan_says_what_is_short_and_begins_weighing(page):
    page.goto("/#/batches")
    page.get_by_label("Blend to make in bulk").select_option(label="Summit mix")
    page.get_by_role("button", name="Plan a batch").click()
    expect(page.locator("[data-says]")).to_contain_text("all of it is in the bins")
    bags = page.get_by_label("Bags", exact=True)
    bags.fill("90")
    bags.press("Tab")
    expect(page.locator("[data-says]")).to_contain_text("short")
    bags.fill("2")
    bags.press("Tab")
    expect(page.locator("[data-says]")).to_have_text(re.compile(r"1\.01 kg planned, and all of it"))
    assert violations(page) == []
    page.get_by_role("button", name="Begin weighing").click()
    expect(page.locator("[data-says]")).to_contain_text("of sorghum flour still to pour")


def test_weigh_up_with_one_thumb(page):
    page.set_viewport_size(PHONE)
    page.goto("/#/batches")
    batch = batch_in_state(page, "weighing")
    page.goto(f"/#/weigh/{batch}")
    says = page.locator("[data-says]")
    expect(says).to_contain_text("404 g of chickpea flour still to pour")
    for name in ("Tare", "Take this", "Next", "thin stream", "thick stream"):
        box = page.get_by_role("button", name=re.compile(f"^{name}")).bounding_box()
        assert box["height"] >= 56, name
    load(page, 300)
    expect(says).to_contain_text("104 g of chickpea flour still to pour")
    load(page, 404)
    expect(says).to_contain_text("Chickpea flour passes")
    take = page.get_by_role("button", name=re.compile("^Take this"))
    expect(take).to_be_enabled()
    take.tap() if page.evaluate("'ontouchstart' in window") else take.click()
    expect(says).to_contain_text("1270 g of potato starch still to pour".replace("1270", "1\u202f270"))
    expect(page.get_by_text("Binder is not in yet")).to_be_visible()
    assert violations(page) == []


def test_keys_tare_and_take_and_a_typed_mass_counts(page):
    page.goto("/#/batches")
    batch = batch_in_state(page, "weighing")
    page.goto(f"/#/weigh/{batch}")
    says = page.locator("[data-says]")
    expect(says).to_contain_text("chickpea")
    load(page, 850)
    expect(says).to_contain_text("446 g of chickpea flour too much")  # it has come to rest
    page.keyboard.press("t")
    expect(says).to_contain_text("404 g of chickpea flour still to pour")
    load(page, 1254)
    expect(says).to_contain_text("passes")
    expect(page.get_by_role("button", name=re.compile("^Take this"))).to_be_enabled()
    page.keyboard.press("Enter")
    expect(says).to_contain_text("potato starch")
    page.get_by_label("or type what was weighed, g").fill("1270")
    page.get_by_role("button", name="Take", exact=True).click()
    expect(says).to_contain_text("tapioca starch")
    page.goto(f"/#/batch/{batch}")
    expect(page.get_by_text("Potato starch 1 270 g from CB-0874, typed".replace("1 270", "1\u202f270"))).to_be_visible()


def test_too_much_has_three_ways_and_making_more_is_one(page):
    page.goto("/#/batches")
    batch = batch_in_state(page, "weighing")
    page.goto(f"/#/weigh/{batch}")
    page.get_by_label("or type what was weighed, g").fill("444,4")
    page.get_by_role("button", name="Take", exact=True).click()
    over = page.get_by_role("region", name="Over-poured")
    expect(over).to_contain_text("Take out")
    expect(over).to_contain_text("1.100 times as much")
    over.get_by_role("button", name="Make more").click()
    expect(page.locator("[data-says]")).to_contain_text("of sorghum flour still to pour")
    expect(page.get_by_text(re.compile("of 6\u202f667 g weighed"))).to_be_visible()


def test_a_weighing_out_of_reach_waits_and_is_kept_once(page):
    page.goto("/#/batches")
    batch = batch_in_state(page, "weighing")
    page.goto(f"/#/weigh/{batch}")
    expect(page.locator("[data-says]")).to_contain_text("chickpea")
    page.route(re.compile("/weighings/"), lambda route: route.abort())
    page.get_by_label("or type what was weighed, g").fill("404")
    page.get_by_role("button", name="Take", exact=True).click()
    expect(page.get_by_text("1 wait to be kept")).to_be_visible()
    page.unroute(re.compile("/weighings/"))
    expect(page.get_by_text("wait to be kept")).to_have_count(0)
    page.goto(f"/#/batch/{batch}")
    expect(page.get_by_role("listitem").filter(has_text="Chickpea flour 404 g")).to_have_count(1)


def test_another_lot_is_chosen_by_its_code_and_another_flour_is_refused(page):
    page.goto("/#/batches")
    batch = batch_in_state(page, "weighing")
    page.goto(f"/#/weigh/{batch}")
    page.get_by_role("button", name=re.compile("^Lot SM-2219")).click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_label("Scan or type its code").fill("CB-0874")
    dialog.get_by_role("button", name="Take it", exact=True).click()
    expect(dialog.get_by_role("alert")).to_contain_text("is no lot of chickpea flour")
    assert violations(page) == []


def test_a_bag_goes_out_and_is_found_by_its_trace(page):
    page.goto("/#/batch/3")
    page.get_by_role("button", name="Open, take, count bag 4").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_label("What happens").select_option("gone-out")
    dialog.get_by_label("Where to, in words").fill("Signal box")
    dialog.get_by_role("button", name="Note it").click()
    expect(page.locator("[data-says]")).to_contain_text("2.18 kg of 4 kg left in 5 bags")
    page.get_by_role("link", name="Trace").click()
    expect(page.locator("[data-says]")).to_contain_text("1.5 kg gone to 3 places")
    expect(page.get_by_role("cell", name="Signal box")).to_be_visible()
    assert violations(page) == []


def test_holding_a_lot_names_what_goes_with_it(page):
    page.goto("/#/trace/lot/4")
    page.get_by_role("button", name="Hold it").click()
    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("9 bags")
    dialog.get_by_label("Why").fill("no test")
    dialog.get_by_role("button", name="Hold it").click()
    expect(page.locator("[data-says]")).to_contain_text("Held: no test.")
    expect(page.get_by_role("button", name="Release")).to_be_visible()


@pytest.mark.parametrize("scheme", ["eu", "us"])
def test_a_label_is_drawn_as_it_prints_and_proofed_line_by_line(page, scheme):
    page.goto("/#/label/1")
    page.get_by_label("scheme", exact=True).select_option(scheme)
    picture = page.get_by_role("img", name=re.compile("^The label as it prints"))
    expect(picture).to_contain_text("Summit")
    if scheme == "us":
        expect(picture).to_contain_text("Contains:almond")
    expect(page.locator("[data-says]")).to_be_visible()
    assert violations(page) == []
    page.get_by_label("size", exact=True).select_option("small-57x32")
    expect(picture).not_to_contain_text("Nutrition")
    page.get_by_role("button", name="Record checked").click()
    page.get_by_role("dialog").get_by_label("Evidence").fill("sheet 26-20")
    page.get_by_role("button", name="Record it").click()
    expect(page.get_by_text("sheet 26-20.")).to_be_visible()
    expect(picture).not_to_contain_text("Draft")


def test_a_stock_take_shows_the_book_once_the_count_is_in(page):
    page.goto("/#/stock")
    field = page.get_by_label("LI-061 counted, g")
    field.fill("9000")
    field.press("Tab")
    expect(page.get_by_text("less than the book: what explains it?")).to_be_visible()
    page.get_by_role("button", name="spilled").click()
    expect(page.get_by_text("1 of 46 counted.")).to_be_visible()
    assert violations(page) == []

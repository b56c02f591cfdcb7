"""The trial page, its faults opened, the family as strata, the last bakes: seen, walked by keys, usable by everyone."""

import re
from io import BytesIO

import pytest
from PIL import Image
from playwright.sync_api import expect

from browser.conftest import OF_COLOUR, over_the_side, violations


@pytest.fixture
def nine(page):
    page.goto("/#/trial/9")
    expect(page.locator("[data-went]")).to_contain_text("To plan but for two:")
    return page


def test_a_bake_is_told_in_one_sentence_with_its_measures_on_their_bands(nine):
    expect(nine.locator("[data-went]")).to_have_text(
        "To plan but for two: 7.6 % more water, cut early: cooled 67 % shorter."
    )
    expect(nine.locator("[data-stands]")).to_have_text("Held by 1 of 6: gummy crumb.")
    expect(nine.locator('[data-measure="specific_volume_ml_g"]')).to_contain_text("2.19")


def test_a_measure_opens_to_what_it_rests_on_and_how_far_its_limit_is(page):
    page.goto("/#/trial/1")
    page.get_by_role("button", name="Specific volume").click()
    measure = page.locator("[data-measure=specific_volume_ml_g]")
    expect(measure).to_contain_text("0.16 less and it would be close.")
    expect(measure.get_by_role("row", name="Mass after cooling")).to_contain_text("−0.02")
    page.get_by_role("button", name="Bake loss").press("Enter")
    expect(measure.get_by_role("table")).to_have_count(0)
    expect(page.get_by_role("row", name="Mass into the oven")).to_contain_text("+0.93")
    page.get_by_role("link", name="How is this worked out?").first.click()
    expect(page.get_by_role("heading", name="Measures")).to_be_in_viewport()


def test_why_is_opened_on_a_mark_and_says_what_speaks_for_and_against(nine):
    nine.get_by_role("button", name="Gummy crumb clearly why?").click()
    first = nine.locator("[data-cause]").first
    expect(first).to_contain_text("It cooled 33 % of the time advised.")
    expect(nine.locator('[data-cause="too-much-water"]')).to_contain_text("Against it: Water was")
    expect(nine.get_by_text("It would tell most.")).to_be_visible()
    expect(nine.get_by_text("not a measured frequency")).to_be_visible()
    expect(nine.locator("[data-together]")).to_contain_text("Over all of them:")


def test_what_is_tried_is_planned_in_one_action_and_undone(nine):
    nine.get_by_role("button", name="Gummy crumb clearly why?").click()
    nine.locator('[data-cause="cut-warm"]').get_by_role("button", name="Try it").click()
    again = nine.get_by_role("region", name="Same again, but")
    expect(again.get_by_label("Wait the cooling time of the use.")).to_be_checked()
    again.get_by_role("button", name="Plan it").click()
    expect(nine.get_by_text("Because: Wait the cooling time of the use.")).to_be_visible()
    expect(nine.get_by_text("No bake yet.")).to_be_visible()
    nine.get_by_role("button", name="Undo: do not bake it").click()
    expect(nine.locator("[data-went]")).to_be_visible()
    expect(again.get_by_label("Wait the cooling time of the use.")).to_be_checked()


def test_a_draft_that_was_made_is_put_back(page):
    content = page.request.get("/api/v1/formulas/1").json()["draft"]["content"]
    next(x for x in content["lines"] if x["ingredient"] == "water")["mass_g"] = 1000
    made = page.request.post("/api/v1/trials", data={"formula_id": 1, "content": content}).json()
    for quantity, value in (("water_poured_g", 1000), ("fault:gummy", 2)):
        path = f"/api/v1/trials/{made['id']}/readings/browser-{value}"
        page.request.put(path, data={"quantity": quantity, "value": value})
    page.goto(f"/#/trial/{made['id']}")
    page.get_by_role("button", name="Gummy crumb clearly why?").click()
    card = page.locator('[data-cause="too-much-water"]')
    card.get_by_role("button", name="Try it").click()
    expect(card.get_by_role("link", name="Look at the draft")).to_be_visible()
    expect(card).to_contain_text(re.compile("Water 10. → 9. % of flour"))
    card.get_by_role("button", name="Put it back").click()
    expect(page.get_by_text("Put back as it was.")).to_be_visible()


def test_a_slip_is_taken_back_from_the_trial_page(nine):
    nine.get_by_text("All that was noted").click()
    row = nine.get_by_role("listitem").filter(has_text="Gummy crumb").filter(has_text="take back")
    row.get_by_role("button", name="take back").click()
    expect(nine.get_by_role("button", name="Gummy crumb clearly why?")).to_have_count(0)
    nine.get_by_role("button", name="count it again").click()
    expect(nine.get_by_role("button", name="Gummy crumb clearly why?")).to_be_visible()


def test_a_trial_begins_from_the_list_and_teaches_its_next_step(page):
    page.goto("/#/trials")
    page.get_by_label("Formula to bake").select_option(label="Trolley hand pies")
    page.get_by_role("button", name="Begin a trial").click()
    expect(page.get_by_text("No bake yet. Start with this formula's plan")).to_be_visible()
    expect(page.get_by_role("link", name="Open the sheet")).to_be_visible()


def test_a_sheet_is_handed_to_a_phone_with_a_code(nine):
    nine.get_by_role("button", name="Onto a phone").click()
    nine.get_by_label("Address").fill("127.0.0.1")
    nine.get_by_role("button", name="Hand it out").click()
    expect(nine.get_by_role("img", name="Code with the address")).to_be_visible()
    expect(nine.get_by_text(re.compile(r"http://127\.0\.0\.1:\d+/s/"))).to_be_visible()
    nine.get_by_role("button", name="Close it to every phone").click()
    expect(nine.get_by_role("img", name="Code with the address")).to_have_count(0)


def test_strata_are_walked_by_keys_and_two_bakes_compared(page):
    page.goto("/#/family/1")
    expect(page.get_by_role("heading", level=1)).to_contain_text("is the one to beat")
    seven = page.locator('[data-trial="7"]')
    seven.focus()
    page.keyboard.press("ArrowDown")
    page.keyboard.press("ArrowDown")
    expect(page.locator('[data-trial="9"]')).to_be_focused()
    page.keyboard.press("=")
    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("changed")
    expect(dialog.locator("[data-effect]").first).to_be_visible()
    assert violations(page) == []
    page.keyboard.press("Escape")
    seven.focus()
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("#/trial/7"))


def test_left_and_right_go_across_branches(page):
    page.goto("/#/family/2")
    page.locator('[data-trial="10"]').focus()
    page.keyboard.press("ArrowRight")
    expect(page.locator('[data-trial="12"]')).to_be_focused()
    page.keyboard.press("ArrowLeft")
    expect(page.locator('[data-trial="11"]')).to_be_focused()


def test_a_hand_writes_over_what_was_learnt(page):
    page.goto("/#/family/2")
    plane = page.locator('[data-plane="1-2"]')
    expect(plane).to_contain_text("More than one thing changed: unclear which.")
    plane.get_by_role("button", name="in my words").click()
    plane.get_by_label("What was found, in your words").fill("it was the rest")
    plane.get_by_role("button", name="keep").click()
    expect(plane).to_contain_text("it was the rest (Less grit")


@pytest.mark.parametrize("page_of", ["#/trial/9", "#/trial/6", "#/family/2", "#/family/7", "#/last/1", "#/last/4"])
def test_the_pages_can_be_used_by_everyone_at_every_width(page, page_of):
    page.goto(f"/{page_of}")
    expect(page.get_by_role("heading", level=1)).to_be_visible()
    for fault in page.locator(".fault .head").all()[:1]:
        fault.click()
    assert violations(page) == []
    for width, height in ((1280, 800), (1024, 768), (390, 844)):
        page.set_viewport_size({"width": width, "height": height})
        assert over_the_side(page) == [], width
    page.emulate_media(color_scheme="dark")
    page.get_by_role("button", name="Dark").first.click() if page.get_by_role("button", name="Dark").count() else None
    assert violations(page, OF_COLOUR) == []


def test_a_loaf_measured_by_seeds_is_noted_with_its_uncertainty(page):
    page.goto("/#/trial/1")
    page.get_by_role("button", name="Measure it").click()
    page.get_by_role("textbox", name="Box mL").fill("3000")
    page.get_by_label("Seeds, box alone").fill("2029 2044 2047")
    page.get_by_label("Seeds, with the bake in it").fill("1312; 1318")
    expect(page.get_by_role("status").filter(has_text="1 066 mL ± 33")).to_be_visible()  # worked by hand
    page.get_by_role("button", name="Note it").click()
    expect(page.locator("[data-measure=volume_seed_ml]")).to_contain_text("1 066")


def test_the_crust_of_a_photo_is_read_by_two_taps(page):
    drawn = BytesIO()
    photo = Image.new("RGB", (400, 300), (228, 226, 221))
    photo.paste((150, 104, 62), (200, 0, 400, 300))
    photo.save(drawn, "PNG")
    page.goto("/#/trial/2")
    page.set_input_files(
        "input[type=file][accept^='image']", {"name": "l.png", "mimeType": "image/png", "buffer": drawn.getvalue()}
    )
    page.get_by_role("button", name="Photo 1").click()
    canvas = page.locator("canvas")
    expect(canvas).to_have_js_property("width", 400)
    box = canvas.bounding_box()
    assert box
    canvas.click(position={"x": box["width"] * 0.2, "y": box["height"] / 2})
    canvas.click(position={"x": box["width"] * 0.8, "y": box["height"] / 2})
    expect(page.get_by_role("status").filter(has_text="Lightness 51 of 100 ± 10")).to_be_visible()  # 50.6 by hand
    page.get_by_role("button", name="Note it for the crust").click()
    expect(page.locator("[data-measure=crust_l]")).to_contain_text("51")


def test_a_trial_file_that_went_out_comes_in(page):
    file = page.request.get("/api/v1/trials/9/export").body()
    page.goto("/#/trials")
    page.set_input_files("input[type=file]", {"name": "t.json", "mimeType": "application/json", "buffer": file})
    expect(page.get_by_text("It stands with your bakes of Summit tin loaf.")).to_be_visible()
    expect(page.locator("[data-went]")).to_have_text(
        "To plan but for two: 7.6 % more water, cut early: cooled 67 % shorter."
    )

"""The trial page, its faults opened, the family as strata, the last bakes: seen, walked by keys, usable by everyone."""

import re

import pytest
from playwright.sync_api import expect

from browser.conftest import OF_COLOUR, over_the_side, violations


@pytest.fixture
def nine(page):
    page.goto("/#/trial/9")
    expect(page.locator("[data-went]")).to_contain_text("To plan but for two:")
    return page


def test_a_bake_is_told_in_one_sentence_with_its_measures_on_their_bands(nine):
    expect(nine.locator("[data-went]")).to_have_text(
        "To plan but for two: 7.6 % more water, cut 67 % of the cooling early."
    )
    expect(nine.locator("[data-stands]")).to_have_text("Held by 1 of 6: gummy crumb.")
    expect(nine.locator('[data-measure="specific_volume_ml_g"]')).to_contain_text("2.19")


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


@pytest.mark.parametrize(
    "page_of", ["#/trials", "#/trial/9", "#/trial/6", "#/family/1", "#/family/2", "#/family/7", "#/last/1", "#/last/4"]
)
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

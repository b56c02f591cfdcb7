"""Bins, moves taken back and a bag poured in, in the real browser."""

import re

from playwright.sync_api import expect

from browser.batches.test_batches import API, batch_in_state
from browser.conftest import violations


def test_a_bin_is_emptied_cleaned_and_filled_each_by_a_tap(page):
    page.goto("/#/bins")
    says = page.locator("[data-says]")
    expect(says).to_contain_text("1 of 3 bins hold a mix, of 1 nobody knows what is in it")
    assert violations(page) == []
    page.get_by_role("button", name="Emptied and cleaned").click()
    expect(says).to_have_text("1 of 3 bins hold a mix.")
    page.get_by_label("Bin A weighs with what is in it, g").fill("1900")
    page.get_by_role("button", name="Weighed").click()
    expect(page.get_by_text("1\u202f280 of 3\u202f000 g")).to_be_visible()
    page.get_by_role("button", name="Add a bin").click()
    page.get_by_label("What stands on it").fill("Tin 7")
    page.get_by_role("button", name="Save", exact=True).click()
    expect(says).to_contain_text("1 of 4 bins")


def test_what_went_out_today_is_taken_back_by_one_tap(page):
    page.goto("/#/batches")
    page.goto(f"/#/batch/{batch_in_state(page, 'bagged')}")
    page.get_by_role("button", name=re.compile("^Open, take, count bag")).first.click()
    page.get_by_label("g", exact=True).fill("60")
    page.get_by_role("button", name="Note it").last.click()
    cell = page.locator("table.lines td", has_text="of 3").first
    expect(cell).to_contain_text("1\u202f300")
    page.get_by_role("button", name=re.compile("^Open, take, count bag")).first.click()
    page.get_by_role("button", name="Take back").click()
    expect(cell).to_contain_text("1\u202f360")


def test_a_bag_is_poured_into_the_batch_at_the_scale_and_traced_both_ways(page):
    page.goto("/#/batches")
    batch = batch_in_state(page, "weighing")
    origin = page.url.split("#")[0].rstrip("/")
    bag = page.request.get(f"{origin}{API}/batches/3").json()["bags"][3]
    page.goto(f"/#/batch/{batch}")
    page.get_by_text("Pour in what is left of an earlier batch").click()
    page.get_by_label("Code on the bag").fill(bag["code"].split("/")[0])
    page.get_by_role("button", name="Pour it in").click()
    expect(page.get_by_text("Which bag?")).to_contain_text(bag["code"])
    page.get_by_label("Code on the bag").fill(bag["code"])
    page.get_by_label("g", exact=True).last.fill("250")
    page.get_by_role("button", name="Pour it in").click()
    expect(page.get_by_text("250 g of it are in")).to_be_visible()
    page.get_by_role("link", name="Trace").click()
    expect(page.get_by_role("link", name=bag["code"].split("/")[0]).first).to_be_visible()
    expect(page.locator("[data-says]")).to_contain_text("It shares flour with")


def test_how_mixes_are_made_ahead_is_set_once(page):
    page.goto("/#/settings")
    page.locator("main").get_by_label("Scale", exact=True).fill("Bench scale")
    page.get_by_label("Step, g").fill("0.5")
    page.get_by_role("button", name="Add scale").click()
    expect(page.get_by_text("Bench scale: step 0.5 g")).to_be_visible()
    letters = page.get_by_label("Letters before a code")
    letters.fill("SO")
    letters.press("Tab")
    expect(page.get_by_role("alert")).to_contain_text("none of I, L, O, S, U")
    page.goto("/#/batches")
    page.get_by_label("Blend to make in bulk").select_option(label="Summit mix")
    page.get_by_role("button", name="Plan a batch").click()
    expect(page.get_by_label("On the scale")).to_have_value("Bench scale")
    expect(page.get_by_label("Scale step, g")).to_have_value("0.5")

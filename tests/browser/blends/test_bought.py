"""A bag opened on its page, kept, made alike; a mix pasted on the bench."""

import re

from playwright.sync_api import expect

from browser.conftest import violations


def test_a_bag_is_opened_kept_as_a_blend_within_ranges_and_made_alike(page):
    page.goto("/#/blends")
    page.get_by_role("link", name="Open a bag").click()
    page.get_by_role("button", name="Try with a sample").click()
    shares = page.get_by_role("table", name=re.compile("Shares of the bag"))
    expect(shares.get_by_role("row")).to_have_count(6)
    expect(shares.get_by_role("row", name=re.compile("Chickpea"))).to_contain_text(re.compile(r"9\.5–10"))
    assert violations(page) == []
    page.get_by_label("Use", exact=True).select_option("tin-loaf")
    page.get_by_label("chickpea flour (besan)").check()
    page.get_by_role("button", name="Find it").click()
    parts = page.get_by_role("list", name="Its parts")
    expect(parts).to_contain_text("White rice flour")
    expect(parts).not_to_contain_text("Chickpea")
    page.get_by_role("button", name="Keep it as a blend").click()
    expect(page.get_by_label("Name of the blend")).to_have_value("A bought mix, opened")
    row = page.get_by_role("button", name="White rice flour").first
    expect(row).to_contain_text(re.compile(r"\d+–\d+"))


def test_a_name_of_the_list_that_nobody_knows_is_a_gap_that_can_be_filled(page):
    page.goto("/#/blends/open")
    page.get_by_label("Ingredients, in the order of the bag").fill("rice flour, moon dust, salt")
    expect(page.get_by_text("Left out, for it is not known here: moon dust.")).to_be_visible()
    page.get_by_label("What is moon dust?").fill("teff")
    page.get_by_role("button", name="Teff flour", exact=True).click()
    shares = page.get_by_role("table", name=re.compile("Shares of the bag"))
    expect(shares.get_by_role("row", name=re.compile("Teff"))).to_be_visible()


def test_a_mix_in_cups_is_pasted_on_an_empty_bench_and_undone(page):
    page.goto("/#/blends")
    page.get_by_role("button", name="New blend").click()
    page.get_by_role("button", name="Paste a mix").click()
    page.get_by_label("Mix", exact=True).fill("2 cups white rice flour\n2/3 cup potato starch, moon dust")
    expect(page.get_by_text("1 piece not understood")).to_be_visible()
    page.get_by_role("button", name="Put it on the bench").click()
    expect(page.get_by_label("White rice flour, g")).to_have_value("310")
    expect(page.get_by_label("Potato starch, g")).to_be_visible()
    page.keyboard.press("Control+z")
    expect(page.get_by_role("heading", name="Nothing in the tube yet")).to_be_visible()

"""A brief for several uses, as a person writes it, reads its sieves and takes what is proposed for it."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import expect

from browser.conftest import violations

PANTRY = 13


def test_the_sieves_say_which_use_is_the_worst_and_one_can_be_looked_at_alone(bench):
    bench.open(PANTRY)
    page = bench.page
    expect(bench.say).to_contain_text("Of five uses it is worst for muffins and quick breads: starch share")
    uses = page.get_by_role("list", name="Uses of the brief")
    expect(uses.get_by_role("button")).to_have_count(5)
    starch = bench.sieve("starch_share_pct")
    expect(starch).to_contain_text("close, 14.0 over")
    uses.get_by_role("button", name=re.compile("Sponge")).click()
    expect(starch).to_contain_text("passes")
    page.get_by_role("button", name="All together").click()
    starch.get_by_role("button").first.click()
    rows = page.get_by_role("list", name="Starch share for each use").get_by_role("listitem")
    expect(rows).to_have_count(5)
    expect(rows.nth(2)).to_contain_text("close, 14.0 over")
    assert violations(page) == []


def test_what_is_proposed_for_five_passes_for_five_and_nearly_the_same_is_taken(bench):
    bench.open(PANTRY)
    page = bench.page
    page.keyboard.press("p")
    expect(page.get_by_role("button", name="Search again")).to_be_visible(timeout=60_000)
    expect(page.get_by_role("group", name="Wishes")).to_contain_text("5 uses at once")
    page.locator(".one").first.focus()
    near = page.get_by_role("table", name="Nearly the same")
    expect(near.get_by_role("rowheader")).to_have_text(
        ["one bin fewer", "with what is in stock", "with the dear one halved"]
    )
    count = len(bench.masses())
    near.get_by_role("row", name=re.compile("one bin fewer")).get_by_role("button", name="take").click()
    expect(page.get_by_text("Kept as revision 3")).to_be_visible()
    assert len(bench.masses()) < count
    expect(bench.say).to_contain_text("all five uses")


def test_one_use_is_traded_against_the_others(bench):
    bench.open(PANTRY)
    page = bench.page
    page.keyboard.press("p")
    expect(page.get_by_role("button", name="Search again")).to_be_visible(timeout=60_000)
    page.get_by_role("button", name="trade two aims off").click()
    curve = page.get_by_role("region", name="Trade-off")
    curve.get_by_role("button", name=re.compile("First aim")).click()
    page.get_by_label("the fit for pancakes and waffles").check()
    expect(curve).to_contain_text("that for the others.")
    expect(curve.locator(".point").first).to_be_visible(timeout=60_000)


@pytest.mark.parametrize("width", [1280, 390])
def test_a_brief_is_written_for_two_bakes_and_read_again(page, width):
    page.set_viewport_size({"width": width, "height": 800})
    page.goto("/#/briefs/new")
    page.get_by_label("This brief is called").fill("Two bakes")
    page.get_by_label("It asks for a mix for").select_option("scone")
    page.get_by_role("button", name="The same mix for another bake, too").click()
    page.get_by_label("Further use 1").first.select_option("pancake")
    page.get_by_label("counting").fill("2")
    page.get_by_role("button", name="Save the brief").click()
    row = page.get_by_role("region", name="Two bakes")
    expect(row).to_contain_text("Pancakes and waffles, Scones and soft biscuits")
    row.get_by_role("link", name="Two bakes").click()
    expect(page.get_by_label("counting")).to_have_value("2")
    page.get_by_role("button", name="Drop further use 1").click()
    page.get_by_role("button", name="Save the brief").click()
    expect(page.get_by_role("region", name="Two bakes")).not_to_contain_text("Pancakes")


def test_the_price_of_a_part_is_typed_beside_it(bench):
    bench.open(PANTRY)
    page = bench.page
    cost = page.get_by_text(re.compile(r"^\d+\.\d\d per kg$")).first
    before = cost.text_content()
    bench.row("corn-starch").locator(".pick").click()
    cell = page.get_by_label("Price of Corn starch")
    cell.fill("9,90")
    cell.press("Enter")
    expect(cell).to_have_value("9.90")
    expect(cost).not_to_have_text(before)

"""Propose, mend and trade off, as a person does them at the bench."""

from __future__ import annotations

import json
import re
from pathlib import Path

import pytest
from playwright.sync_api import expect

from fallow_sieve.formats.briefs.file import read_brief

ALMOND, SUMMIT, HALT = 3, 1, 9


@pytest.fixture
def proposing(bench):
    """The bench with the proposals found for a blend."""

    def start(blend_id):
        bench.open(blend_id)
        bench.page.keyboard.press("p")
        expect(bench.page.get_by_role("button", name="Search again")).to_be_visible(timeout=60_000)
        return bench.page

    return start


def test_proposals_stand_side_by_side_and_the_one_under_the_keys_beside_the_column(proposing):
    page = proposing(ALMOND)
    columns = page.locator(".one")
    assert columns.count() >= 4
    expect(page.get_by_role("group", name="Wishes")).to_contain_text("without egg")
    columns.first.focus()
    expect(page.locator(".ghost-head")).to_have_text("nearest the use")
    page.keyboard.press("ArrowRight")
    expect(page.locator(".ghost-head")).to_have_text("cheapest")
    expect(page.get_by_role("region", name="The proposal looked at")).to_contain_text("per kg cheaper")
    expect(columns.nth(1)).to_have_attribute("aria-pressed", "true")


def test_enter_takes_a_proposal_as_a_revision_with_the_wishes_as_its_why_and_undo_takes_it_off(bench, proposing):
    page = proposing(ALMOND)
    before = bench.masses()
    page.locator(".one").first.focus()
    page.keyboard.press("Enter")
    expect(page.get_by_text("Kept as revision 2, with the wishes as its why.")).to_be_visible()
    assert bench.masses() != before
    expect(bench.say).to_contain_text("Nothing holds it.")
    page.get_by_role("tab", name="Revisions").click()
    expect(page.get_by_text("Proposed: nearest the use, for Tin loaf, yeasted; without egg")).to_be_visible()
    page.keyboard.press("Control+z")
    assert bench.masses() == before


def test_a_wish_is_typed_over_dropped_and_added_in_its_sentence(proposing):
    page = proposing(SUMMIT)
    wishes = page.get_by_role("group", name="Wishes")
    price = wishes.get_by_label("at most  per kg")
    price = price if price.count() else wishes.get_by_label("at most per kg")
    price.fill("3,5")
    price.press("Enter")
    find = page.get_by_role("button", name="Find blends for these wishes")
    expect(find).to_be_visible()
    wishes.get_by_role("button", name="Drop: without soya").click()
    expect(wishes).not_to_contain_text("soya")
    page.get_by_label("Add a wish").select_option("max_bins")
    expect(wishes).to_contain_text("bins of flour")
    find.click()
    expect(page.get_by_role("button", name="Search again")).to_be_visible(timeout=60_000)
    for text in page.locator(".one .num:first-of-type").all_text_contents():
        assert float(text.split()[0].replace("\u00a0", "")) <= 3.5


def test_clashing_wishes_are_said_and_one_click_lets_one_out(proposing):
    page = proposing(HALT)
    clash = page.get_by_role("region", name="What clashes")
    expect(clash).to_contain_text("at most 2.40 per kg")
    clash.get_by_role("button", name="Allow 2.60 per kg").click()
    expect(page.locator(".one").first).to_be_visible(timeout=60_000)
    expect(page.get_by_label("at most per kg")).to_have_value(re.compile("2.6"))


def test_proposals_and_wishes_leave_as_files(proposing):
    page = proposing(ALMOND)
    page.locator(".one").first.focus()
    with page.expect_download() as blend:
        page.get_by_role("region", name="The proposal looked at").get_by_role("button", name="blend file").click()
    document = json.loads(Path(blend.value.path()).read_text(encoding="utf-8"))
    assert (document["format"], document["use"]) == ("fallow-sieve/blend", "tin-loaf")
    with page.expect_download() as brief:
        page.get_by_role("button", name="brief file").click()
    assert read_brief(Path(brief.value.path()).read_bytes()).wishes.limits.price_cap_per_kg == 4.2


def test_a_trade_off_is_a_curve_whose_points_can_be_opened(proposing):
    page = proposing(SUMMIT)
    page.get_by_role("button", name="trade two aims off").click()
    curve = page.get_by_role("region", name="Trade-off")
    expect(curve.get_by_text("points so far")).to_have_count(0, timeout=60_000)
    points = curve.locator(".point")
    assert points.count() >= 5
    expect(curve.get_by_text("on the bench")).to_be_visible()
    points.first.focus()
    page.keyboard.press("ArrowRight")
    expect(page.locator(".ghost-head")).to_have_text("point 2")
    curve.get_by_role("button", name="what would more cost?").click()
    expect(curve.get_by_text("One more g per 100 g fibre")).to_be_visible()


def test_mending_shows_the_mass_that_moves_and_applies_as_one_step_of_undo(bench):
    bench.open(ALMOND)
    before = bench.masses()
    bench.page.keyboard.press("m")
    ways = bench.page.get_by_role("region", name="Mend").locator("li")
    expect(ways.first).to_contain_text("moved, everything passes")
    ways.first.hover()
    expect(bench.page.locator(".ghost-head")).to_have_text("mended")
    ways.first.get_by_role("button", name="Apply").click()
    expect(bench.say).to_have_text("Nothing holds it.")
    assert sum(bench.masses().values()) == pytest.approx(sum(before.values()))
    bench.page.keyboard.press("Control+z")
    expect(bench.say).to_have_text("Held by 1 of 13: price.")
    assert bench.masses() == before


def test_a_sieve_says_with_how_many_bags_it_passes(bench):
    bench.open(SUMMIT)
    expect(bench.sieve("fibre_pct")).to_contain_text("% of bags")
    expect(bench.page.get_by_text("Passes with")).to_contain_text("of 100 bags; weak point:")


def test_an_empty_bench_offers_to_propose_a_mix(bench, page, base_url):
    fresh = {"name": "Fresh", "content": {"use": "scone", "parts": []}}
    added = page.request.post(f"{base_url}/api/v1/blends", data=fresh).json()
    page.goto(f"/#/bench/{added['head']['id']}")
    page.get_by_role("button", name="Propose a mix").click()
    expect(page.locator(".one").first).to_be_visible(timeout=60_000)

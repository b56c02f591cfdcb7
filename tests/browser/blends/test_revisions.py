"""Revisions of a blend, what its bag must say, a first blend, and a tablet."""

from __future__ import annotations

import json
import urllib.request

from playwright.sync_api import expect

SUMMIT = {
    "sorghum-flour": 290, "brown-rice-flour": 140, "teff-flour": 120, "chickpea-flour": 80, "potato-starch": 220,
    "tapioca-starch": 150, "psyllium-husk": 50,
}  # fmt: skip


def stored(base_url: str, blend_id: int = 1) -> dict[str, float]:
    with urllib.request.urlopen(f"{base_url}/api/v1/blends/{blend_id}/draft") as answer:
        return {p["ingredient"]: p["mass_g"] for p in json.load(answer)["content"]["parts"]}


def test_a_revision_stands_beside_the_column_as_a_ghost_with_hairlines(bench):
    bench.open()
    expect(bench.page.locator("svg .ghost")).to_have_count(1)
    expect(bench.page.locator("svg .hair")).to_have_count(7)
    bench.page.get_by_role("tab", name="Revisions").click()
    bench.page.get_by_role("button", name="put beside the column").last.click()
    expect(bench.page.get_by_text("rev 1", exact=True)).to_be_visible()
    expect(bench.page.locator("svg .hair")).to_have_count(5)


def test_a_revision_is_kept_with_why_and_says_what_changed(bench):
    bench.open()
    bench.page.get_by_role("button", name="Keep revision").click()
    bench.page.get_by_role("button", name="Keep", exact=True).click()
    expect(bench.page.get_by_role("alert")).to_contain_text("Say in one line why")
    bench.page.get_by_label("Why, in one line").fill("Chickpea up for browning.")
    bench.page.keyboard.press("Enter")
    expect(bench.page.get_by_text("Kept as revision 5.")).to_be_visible()
    expect(bench.page.get_by_role("button", name="Keep revision")).to_be_disabled()
    bench.page.get_by_role("tab", name="Revisions (5)").click()
    bench.page.get_by_role("button", name="what changed").first.click()
    expect(bench.page.get_by_text("2.0 % of the flour moved")).to_be_visible()


def test_an_earlier_revision_goes_back_on_the_bench_and_undo_leaves_it_again(bench):
    bench.open()
    bench.page.get_by_role("tab", name="Revisions").click()
    bench.page.get_by_role("button", name="put on the bench").last.click()
    expect(bench.mass("potato-starch")).to_have_value("300")
    expect(bench.row("teff-flour")).to_have_count(0)
    bench.page.get_by_role("button", name="Undo").click()
    expect(bench.mass("teff-flour")).to_have_value("120")


def test_the_bag_names_cautions_allergens_gluten_and_nutrition_with_what_is_known(bench):
    bench.open(8)
    foot = bench.page.get_by_label("The bag line")
    for words in ("per kg", "mg/kg", "months", "legume", "oats"):
        expect(foot).to_contain_text(words)
    bench.page.get_by_role("button", name="cautions and the whole bag").click()
    expect(bench.page.get_by_text("Oats need a gluten-free supply")).to_be_visible()
    expect(bench.page.get_by_role("row", name="Protein g")).to_contain_text("6.9")
    expect(bench.page.get_by_text("wheat flour, L*")).to_be_visible()


def test_an_untested_flour_makes_gluten_unknown_never_free(bench):
    bench.open(4)  # buckwheat in its bin has no test
    expect(bench.page.get_by_label("The bag line")).to_contain_text("unknown")
    expect(bench.page.get_by_label("The bag line")).to_contain_text("untested")


def test_a_first_blend_starts_empty_and_teaches_the_next_step(bench):
    bench.page.goto("/#/blends")
    bench.page.get_by_role("button", name="New blend").click()
    expect(bench.page.get_by_role("heading", name="Nothing in the tube yet")).to_be_visible()
    bench.page.get_by_label("What the mix is for").select_option("scone")
    bench.page.get_by_role("button", name="Add a first flour").click()
    bench.page.keyboard.type("sorghum")
    bench.page.get_by_role("option", name="Sorghum flour (whole grain)").click()
    expect(bench.mass("sorghum-flour")).to_have_value("500")
    expect(bench.say).to_contain_text("Nothing holds it. Three are close: ")
    bench.page.get_by_label("Name of the blend").fill("Scones, first go")
    bench.page.keyboard.press("Enter")
    bench.saved()
    bench.page.reload()
    expect(bench.page.get_by_label("Name of the blend")).to_have_value("Scones, first go")
    expect(bench.mass("sorghum-flour")).to_have_value("500")


def test_a_blend_is_duplicated_and_the_first_stays_as_it_was(bench, base_url):
    bench.open()
    bench.page.get_by_role("button", name="Duplicate").click()
    expect(bench.page.get_by_label("Name of the blend")).to_have_value("Summit mix, copy")
    bench.type_in(bench.mass("teff-flour"), "10")
    bench.saved()
    assert stored(base_url) == SUMMIT


def test_big_buttons_serve_floury_hands_on_a_tablet(browser, browser_context_args, base_url):
    context = browser.new_context(
        **{**browser_context_args, "viewport": {"width": 1024, "height": 768}}, has_touch=True
    )
    page = context.new_page()
    page.goto("/#/bench/1")
    page.get_by_role("button", name="Teff flour", exact=True).tap()
    more = page.get_by_role("button", name="More Teff flour")
    box = more.bounding_box()
    assert box["width"] >= 44
    assert box["height"] >= 44
    more.tap()
    expect(page.locator('[data-row="teff-flour"] [data-cell=mass]')).to_have_value("125")
    context.close()

"""The shelf: found, filtered, sorted, read with the keys, in and out as a table."""

import csv
import io
import re

import pytest
from playwright.sync_api import Page, expect


def say(page: Page):
    return page.locator("h1")


@pytest.fixture
def shelf(page: Page) -> Page:
    page.goto("/#/ingredients")
    expect(say(page)).to_have_text("115 ingredients on the shelf.")
    return page


def row(page: Page, slug: str):
    return page.locator(f'tr[data-row="{slug}"]')


def choose(page: Page, blank: str, *options: str) -> None:
    page.get_by_role("button", name=re.compile(f"^{blank}: ")).click()
    for option in options:
        page.locator(".choice").get_by_text(option, exact=True).click()
    page.keyboard.press("Escape")


def number(page: Page, field: str):
    return page.locator(f'[data-number="{field}"]')


def test_typing_finds_by_name_and_other_name(shelf):
    shelf.get_by_label("Find an ingredient").fill("jowar")
    expect(say(shelf)).to_have_text("1 of 115 ingredients.")
    expect(row(shelf, "sorghum-flour")).to_contain_text("“jowar flour”")


def test_the_sentence_filters_and_says_how_many_are_left(shelf):
    choose(shelf, "Kinds", "starch")
    expect(say(shelf)).to_have_text("10 of 115 ingredients.")
    choose(shelf, "Where", "in a bin")
    expect(say(shelf)).to_have_text("3 of 115 ingredients.")
    shelf.get_by_role("button", name="Show all again").click()
    expect(say(shelf)).to_have_text("115 ingredients on the shelf.")


def test_nothing_found_says_what_to_do(shelf):
    shelf.get_by_label("Find an ingredient").fill("zzzz")
    expect(shelf.get_by_text("Nothing on the shelf is all of this.")).to_be_visible()
    shelf.get_by_role("button", name="Show everything again").click()
    expect(row(shelf, "amaranth-flour")).to_be_visible()


def test_all_numbers_stand_on_the_basis_that_is_chosen_and_it_is_remembered(shelf):
    expect(row(shelf, "amaranth-flour").locator('[data-at="1"]')).to_contain_text("13.2")
    choose(shelf, "Numbers for", "¼ metric cup")
    expect(row(shelf, "amaranth-flour").locator('[data-at="1"]')).not_to_contain_text("13.2")
    shelf.reload()
    expect(shelf.get_by_role("button", name="Numbers for: ¼ metric cup")).to_be_visible()


def test_columns_are_chosen_and_sort(shelf):
    choose(shelf, "Columns", "Iron")
    head = shelf.get_by_role("columnheader", name="Iron mg")
    head.get_by_role("button").click()
    expect(head).to_have_attribute("aria-sort", "descending")
    head.get_by_role("button").click()
    expect(head).to_have_attribute("aria-sort", "ascending")


def test_a_number_read_with_the_keys_says_its_range_and_source(shelf):
    shelf.get_by_label("Find an ingredient").press("ArrowDown")
    for key in ("ArrowDown", "ArrowRight", "ArrowRight"):
        shelf.keyboard.press(key)
    reading = shelf.locator(".reading")
    expect(reading).to_contain_text("Brown rice flour, fibre:")
    expect(reading).to_contain_text("19 times in 20 from")
    shelf.keyboard.press("Space")
    expect(shelf.get_by_text("Laid out:")).to_be_visible()
    shelf.keyboard.press("Enter")
    expect(say(shelf)).to_have_text("Brown rice flour")


def test_only_rows_in_sight_are_there_and_scrolling_brings_the_others(shelf):
    assert shelf.locator("tr[data-row]").count() < 60
    shelf.locator(".frame table").evaluate("t => t.parentElement.scrollTo(0, 1e6)")
    last = shelf.locator("tr[data-row]").last
    expect(last).to_have_attribute("aria-rowindex", "116")
    shelf.locator(".frame table").evaluate("t => t.parentElement.scrollTo(0, 0)")
    expect(row(shelf, "amaranth-flour")).to_be_visible()


def test_flours_laid_out_are_put_side_by_side_and_one_can_stand_in(shelf):
    for slug in ("teff-flour", "cassava-flour", "tapioca-starch"):
        shelf.get_by_label("Find an ingredient").fill(slug.split("-")[0])
        row(shelf, slug).get_by_role("checkbox").check()
    shelf.get_by_role("link", name="Put side by side").click()
    expect(say(shelf)).to_contain_text("They differ most in")
    expect(shelf.get_by_text("Not the same:")).to_be_visible()
    expect(shelf.get_by_role("row", name=re.compile("^Contains"))).to_contain_text("none recorded")
    expect(shelf.get_by_role("row", name=re.compile("^Gluten up to"))).to_contain_text("unknown")
    near = shelf.get_by_role("listitem").filter(has_text="Finger millet flour")
    near.get_by_role("button", name="how far").click()
    expect(near.get_by_role("row", name="Grit")).to_contain_text("of 5")
    near.get_by_role("button", name="put beside Finger millet flour").click()
    expect(shelf.get_by_role("columnheader", name="Finger millet flour")).to_be_visible()


def test_a_table_is_looked_at_before_it_comes_in_and_a_refused_cell_is_named(page, tmp_path):
    page.goto("/#/shelf/files")
    bad = tmp_path / "mine.csv"
    bad.write_text("slug,name,role,protein_g_per_100_g\nfell-mix,Fell mix,starch,many\nteff-flour,,,14.1\n")
    page.get_by_label("Table or data package").set_input_files(bad)
    expect(page.get_by_text("1 refused, so nothing can come in yet")).to_be_visible()
    expect(page.get_by_role("row", name="refused")).to_contain_text("protein_g_per_100_g: 'many' is no number")
    expect(page.get_by_role("button", name="Bring it in")).to_be_disabled()
    bad.write_text("slug,name,role,protein_g_per_100_g\nfell-mix,Fell mix,starch,1.2\nteff-flour,,,14.1\n")
    page.get_by_label("Table or data package").set_input_files([])
    page.get_by_label("Table or data package").set_input_files(bad)
    expect(page.get_by_text("1 new, 1 changed, 0 the same. Nothing is refused.")).to_be_visible()
    expect(page.get_by_role("row", name="changed")).to_contain_text("13.3 (11.43–14.63) → 14.1")
    page.get_by_role("button", name="Bring it in").click()
    expect(page.get_by_text("mine.csv is in: 2 rows.")).to_be_visible()
    page.goto("/#/ingredients/teff-flour")
    expect(number(page, "protein_g")).to_contain_text("brought in from mine.csv")


def test_the_shelf_goes_out_as_a_table(page):
    page.goto("/#/shelf/files")
    with page.expect_download() as download:
        page.get_by_role("link", name="CSV").first.click()
    text = download.value.path().read_text(encoding="utf-8")
    rows = list(csv.DictReader(io.StringIO(text)))
    assert len(rows) == 115
    assert next(r for r in rows if r["slug"] == "teff-flour")["protein_g_per_100_g"] == "13.3"


def test_a_price_is_typed_where_it_stands_and_what_is_no_price_changes_nothing(shelf):
    headings = shelf.locator("thead th").all_inner_texts()
    price = next(n for n, text in enumerate(headings) if text.startswith("Price"))
    cell = row(shelf, "amaranth-flour").locator("td, th").nth(price)
    cell.focus()
    shelf.keyboard.type("7,25")
    shelf.keyboard.press("Enter")
    expect(cell).to_contain_text("7.25")
    expect(cell).to_be_focused()
    shelf.keyboard.press("Enter")
    shelf.keyboard.type("2x")
    shelf.keyboard.press("Enter")
    expect(cell.get_by_role("alert")).to_have_text("Type a price above 0, such as 4.20.")
    shelf.keyboard.press("Escape")
    expect(cell).to_contain_text("7.25")
    expect(cell).to_be_focused()
    shelf.reload()
    expect(cell).to_contain_text("7.25")

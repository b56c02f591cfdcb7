"""Knowing your flours, as a person does it: the shelf, one ingredient, its label, the four bench tests, files."""

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
    expect(say(page)).to_have_text("101 ingredients on the shelf.")
    return page


def row(page: Page, slug: str):
    return page.locator(f'tr[data-row="{slug}"]')


def choose(page: Page, blank: str, *options: str) -> None:
    page.get_by_role("button", name=re.compile(f"^{blank}: ")).click()
    for option in options:
        page.locator(".choice").get_by_text(option, exact=True).click()
    page.keyboard.press("Escape")


def test_typing_finds_by_name_and_other_name(shelf):
    shelf.get_by_label("Find an ingredient").fill("jowar")
    expect(say(shelf)).to_have_text("1 of 101 ingredients.")
    expect(row(shelf, "sorghum-flour")).to_contain_text("“jowar flour”")


def test_the_sentence_filters_and_says_how_many_are_left(shelf):
    choose(shelf, "Kinds", "starch")
    expect(say(shelf)).to_have_text("4 of 101 ingredients.")
    choose(shelf, "Where", "in a bin")
    expect(say(shelf)).to_have_text("3 of 101 ingredients.")
    shelf.get_by_role("button", name="Show all again").click()
    expect(say(shelf)).to_have_text("101 ingredients on the shelf.")


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
    expect(last).to_have_attribute("aria-rowindex", "102")
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


def opened(page: Page, slug: str, name: str) -> Page:
    page.goto(f"/#/ingredients/{slug}")
    expect(say(page)).to_have_text(name)
    return page


def number(page: Page, field: str):
    return page.locator(f'[data-number="{field}"]')


def test_an_own_number_is_typed_over_the_tables_and_one_can_go_back(page):
    opened(page, "teff-flour", "Teff flour")
    cell = number(page, "fibre_g").locator("input")
    cell.click()
    cell.fill("9.4 ± 0.3")
    cell.press("Enter")
    expect(number(page, "fibre_g")).to_contain_text("9.1–9.7")
    expect(number(page, "fibre_g")).to_contain_text("Table: 8.0 (6.4–10.6)")
    page.get_by_role("button", name="Back to the table’s").click()
    expect(cell).to_have_value("8.0")
    expect(number(page, "fibre_g")).to_contain_text("Yours: 9.4")
    page.get_by_role("button", name="Use yours again").click()
    page.reload()
    expect(number(page, "fibre_g").locator("input")).to_have_value("9.4")


def test_a_number_that_cannot_be_is_refused_and_what_was_typed_stays(page):
    opened(page, "teff-flour", "Teff flour")
    cell = number(page, "grit_index").locator("input")
    for text, words in (("much", "A number, or one with its reach"), ("9", "it must be from 0 to 5")):
        cell.click()
        cell.fill(text)
        cell.press("Enter")
        expect(number(page, "grit_index").get_by_role("alert")).to_contain_text(words)
        expect(cell).to_have_value(text)


def test_an_own_ingredient_is_copied_changed_put_away_and_deleted(page):
    opened(page, "teff-flour", "Teff flour")
    page.get_by_role("button", name="Copy").click()
    page.get_by_label("Called", exact=True).fill("Ivory teff")
    page.get_by_role("button", name="Make the copy").click()
    expect(say(page)).to_have_text("Ivory teff")
    page.get_by_role("button", name="What it is").click()
    page.get_by_role("button", name="soya").click()
    page.get_by_role("dialog").get_by_role("button", name="Save").click()
    expect(page.get_by_text("Contains soya.")).to_be_visible()
    page.get_by_role("button", name="Delete it for good").click()
    expect(say(page)).to_have_text("101 ingredients on the shelf.")


def test_a_lot_is_put_in_the_bin_and_a_wrong_one_is_refused_with_its_field(page):
    opened(page, "teff-flour", "Teff flour")
    page.get_by_role("button", name="Add a lot").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_label("Code").fill("T-9")
    dialog.get_by_label("Bought", exact=True).fill("5")
    dialog.get_by_label("Left").fill("6")
    dialog.get_by_role("button", name="Put it in the bin").click()
    expect(dialog.get_by_role("alert")).to_contain_text("no more can be left than was bought")
    dialog.get_by_label("Left").fill("4,5")
    dialog.get_by_label("Best before").fill("2026-04-01")
    dialog.get_by_role("button", name="Put it in the bin").click()
    item = page.get_by_role("listitem").filter(has=page.get_by_role("button", name="Open lot T-9"))
    expect(item).to_contain_text("18 days left")
    expect(item).to_contain_text("gluten unknown")


def test_a_label_is_judged_while_it_is_typed_and_then_used(page):
    page.goto("/#/ingredients/quinoa-flour/label")
    expect(say(page)).to_contain_text("Type what the bag prints")
    page.get_by_label("Serving", exact=True).fill("15")
    page.get_by_label("Protein, g").fill("1")
    expect(page.get_by_role("row", name="Protein").last).to_contain_text("± 3.3")
    page.get_by_label("Convention").select_option("inside")
    page.get_by_label("Carbohydrate, g").fill("2")
    page.get_by_label("Fibre, g").fill("9")
    expect(say(page)).to_have_text("One thing in it cannot be.")
    expect(page.get_by_role("button", name="Use these numbers")).to_be_disabled()
    page.get_by_role("button", name="It counts fibre apart").click()
    expect(page.get_by_role("button", name="Use these numbers")).to_be_enabled()
    page.reload()
    expect(page.get_by_label("Fibre, g")).to_have_value("9")
    page.get_by_role("button", name="Use these numbers").click()
    expect(say(page)).to_have_text("Quinoa flour")
    expect(number(page, "protein_g")).to_contain_text("label")


def test_a_pasted_panel_fills_the_form_and_marks_what_was_not_understood(page):
    page.goto("/#/ingredients/quinoa-flour/label")
    page.get_by_label("Or paste its text").fill("Serving size 1/4 cup (30g)\nCalories 110\nTotal Fat 1g\nKeep dry")
    page.get_by_role("button", name="Fill in what is understood").click()
    expect(page.get_by_label("Serving", exact=True)).to_have_value("0.25")
    expect(page.get_by_label("Energy, kcal")).to_have_value("110")
    expect(page.get_by_label("Convention")).to_have_value("inside")
    expect(page.get_by_text("1 line was not understood.")).to_be_visible()


class TestBench:
    """The hands at a bench test."""

    __test__ = False

    def __init__(self, page: Page, slug: str, kind: str) -> None:
        self.page = page
        page.goto(f"/#/ingredients/{slug}/test/{kind}" if slug else "/#/scale/check")

    def weigh(self, mass_g: float, title: str) -> None:
        """Puts it on the simulated scale and takes the reading."""
        expect(self.page.get_by_role("heading", name=title, exact=True)).to_be_visible()
        self.page.get_by_label("Simulated: on the pan").fill(str(mass_g))
        self.page.get_by_role("button", name="Put on").click()
        expect(self.page.get_by_label("The scale shows")).to_have_text(f"{mass_g} g")
        self.page.get_by_role("button", name="Take this reading").click()
        self.next()

    def type(self, value: str) -> None:
        self.page.locator("input.huge").fill(value)
        self.page.keyboard.press("Enter")

    def wait(self) -> None:
        self.page.get_by_role("button", name="Done waiting").click()

    def next(self) -> None:
        self.page.get_by_role("button", name=re.compile("^(Next|See the result)$")).click()


def test_cup_weight_with_the_simulated_scale(page):
    test = TestBench(page, "quinoa-flour", "cup")
    page.get_by_label("This is").select_option(label="lot CB-0933")
    page.get_by_role("button", name="Dip and level").click()
    test.type("250")
    for mass_g, title in ((131, "First cup"), (128, "Second cup"), (133, "Third cup")):
        test.weigh(mass_g, title)
    expect(page.locator(".verdict")).to_contain_text("0.523 ± 0.025 g/mL, 131 g in your cup, dipped and levelled")
    page.get_by_label("Note").fill("rainy day")
    page.get_by_role("button", name="Use this from now on").click()
    expect(page.get_by_text("Cup weight of CB-0933, 14 Mar 2026")).to_be_visible()
    expect(page.get_by_text("rainy day")).to_be_visible()


def test_water_taken_up_with_the_simulated_scale_then_the_bench_uses_it(page, bench):
    test = TestBench(page, "sorghum-flour", "water")
    page.get_by_label("This is").select_option(label="lot LI-061")
    test.weigh(12, "The dry cloth")
    expect(page.get_by_label("Time left")).to_have_text("5:00")
    test.wait()
    test.weigh(40, "The wet cloth")
    for nth, drained in (("First", 165), ("Second", 167), ("Third", 166)):
        test.weigh(50, f"{nth} run: the flour")
        expect(page.get_by_label("Time left")).to_have_text("10:00")
        test.wait()
        test.wait()
        test.weigh(drained, f"{nth} run: the wet flour")
    expect(page.locator(".verdict")).to_contain_text("Your bag takes 27 % more water than typical: 1.52 ± 0.05 g/g.")
    page.get_by_role("button", name="Use this from now on").click()
    expect(page.get_by_text("Water taken up of LI-061")).to_be_visible()

    bench.open(1)
    thirst = bench.sieve("thirst_g_per_g")
    before = thirst.inner_text()
    bench.row("sorghum-flour").get_by_role("button", name=re.compile("^Sorghum flour")).first.click()
    bench.row("sorghum-flour").get_by_role("button", name="Which lot of").click()
    page.get_by_role("button", name="Lot LI-061").click()
    expect(bench.row("sorghum-flour")).to_contain_text("lot LI-061")
    expect(thirst).not_to_have_text(before)
    thirst.get_by_role("button", name="Thirst").click()
    term = page.get_by_role("row", name="Sorghum flour")
    expect(term).to_contain_text("measured of lot LI-061")
    expect(term).to_contain_text("14 Mar 2026")
    expect(page.get_by_text(re.compile("Numbers rest on .* measured"))).to_be_visible()
    bench.saved()
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Undo").click()
    expect(bench.row("sorghum-flour")).not_to_contain_text("lot LI-061")


def test_sieve_grading_with_the_simulated_scale(page):
    test = TestBench(page, "quinoa-flour", "sieve")
    expect(page.get_by_role("button", name="250 µm")).to_have_attribute("aria-pressed", "true")
    page.get_by_role("button", name="355 µm").click()
    test.next()
    test.weigh(100, "What you put in")
    test.wait()
    for mesh, mass_g in (("500", 2), ("250", 18), ("180", 30), ("125", 25)):
        test.weigh(mass_g, f"On the {mesh} µm mesh")
    test.weigh(22, "In the pan")
    expect(page.locator(".verdict")).to_contain_text("grit")
    expect(page.get_by_text("3.0 % was lost: brush the meshes out")).to_be_visible()
    expect(page.get_by_role("img", name="Share finer than each size")).to_be_visible()
    expect(page.get_by_text("Rosin–Rammler: 36.8 %")).to_be_visible()


def test_the_scale_is_checked_with_ten_weighings_of_a_coin(page):
    test = TestBench(page, "", "scale")
    page.get_by_role("button", name="1 g", exact=True).click()
    for n, mass_g in enumerate((8, 8, 8, 7, 8, 8, 8, 9, 8, 8), start=1):
        test.weigh(mass_g, f"Weighing {n} of 10")
    expect(page.locator(".verdict")).to_contain_text("Your scale shows steps of 1 g and repeats within 0.94 g")
    page.get_by_role("button", name="Put it on record").click()
    expect(say(page)).to_contain_text("it weighs 19 g and more to within 5 %")


def test_a_bench_test_left_half_way_goes_on_where_it_was(page):
    test = TestBench(page, "quinoa-flour", "cup")
    page.get_by_role("button", name="Spoon it in").click()
    test.type("250")
    test.type("130")
    expect(page.get_by_role("heading", name="Second cup")).to_be_visible()
    page.reload()
    expect(page.get_by_role("heading", name="Second cup")).to_be_visible()
    page.get_by_role("button", name="Back").click()
    expect(page.locator("input.huge")).to_have_value("130")
    page.get_by_role("button", name="Start over").click()
    expect(page.get_by_role("heading", name="How do you fill a cup?")).to_be_visible()


def test_a_reading_that_cannot_be_is_said_at_the_end_and_can_be_mended(page):
    test = TestBench(page, "quinoa-flour", "cup")
    page.get_by_role("button", name="Spoon it in").click()
    for value in ("250", "130", "1300", "131"):
        test.type(value)
    expect(page.get_by_role("alert")).to_contain_text("1300 g in 250 mL")
    page.get_by_role("button", name="Back").click()
    page.get_by_role("button", name="Back").click()
    test.type("132")
    test.type("131")
    expect(page.locator(".verdict")).to_contain_text("g/mL")


def test_the_scale_fills_any_mass_field(page, bench):
    bench.open()
    page.get_by_role("button", name="Scale", exact=True).click()
    bench.mass("teff-flour").click()
    page.get_by_label("Simulated: on the pan").fill("131")
    page.get_by_role("button", name="Put on").click()
    expect(page.get_by_label("The scale shows")).to_have_text("131 g")
    page.get_by_role("button", name="Into Teff flour, g").click()
    expect(bench.mass("teff-flour")).to_have_value("131")
    bench.saved()
    page.get_by_role("button", name="Tare").click()
    expect(page.get_by_label("The scale shows")).to_have_text("0 g")


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
    assert len(rows) == 101
    assert next(r for r in rows if r["slug"] == "teff-flour")["protein_g_per_100_g"] == "13.3"


def test_what_an_own_flour_does_is_chosen_on_its_page_and_swaps_go_by_it(page, base_url):
    page.request.post(f"{base_url}/api/v1/ingredients", data={"name": "Fell spread", "role": "other"})
    page.goto("/#/ingredients/fell-spread")
    page.get_by_role("button", name="What it is").click()
    page.get_by_label("In a dough it works as").select_option("butter")
    page.get_by_label("In a dough it works as").select_option("salt")
    page.get_by_role("button", name="Not as salt").click()
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog", name="What it is")).to_be_hidden()
    page.goto("/#/formula/3")
    page.get_by_role("button", name="Swap Butter, unsalted").click()
    expect(page.get_by_role("button", name="Take it: Half apple purée")).to_be_visible()
    found = page.request.get(f"{base_url}/api/v1/ingredients/fell-spread/whole").json()
    assert found["functions"] == ["butter"]

"""The other pages: briefs, blends, compare, print, settings, method; and that all of them can be used by everyone."""

from __future__ import annotations

import json
import re
from pathlib import Path

import pytest
from playwright.sync_api import expect

from browser.conftest import OF_COLOUR, over_the_side, violations


def test_the_front_page_shows_each_brief_with_its_state_and_next_step(page):
    page.goto("/#/")
    summit = page.get_by_role("region", name="Summit tin loaf")
    expect(summit).to_contain_text("2 of 3 blends get through.")
    expect(summit).to_contain_text("no egg · no soya · at least 6 g/100 g fibre · under 4.20 per kg")
    summit.get_by_role("link", name="Keep Summit mix as a revision").click()
    expect(page.get_by_label("Name of the blend")).to_have_value("Summit mix")
    page.get_by_role("link", name=re.compile("Summit tin loaf")).click()
    expect(page.get_by_label("This brief is called")).to_have_value("Summit tin loaf")


def test_a_brief_is_written_as_sentences_and_a_first_blend_is_composed_for_it(page):
    page.goto("/#/briefs/new")
    page.get_by_label("This brief is called").fill("Platform scones")
    page.get_by_label("It asks for a mix for").select_option("scone")
    page.get_by_label("eaten by").fill("early walkers")
    page.get_by_role("button", name="milk").click()
    page.get_by_label("It may cost at most").fill("4,5")
    page.get_by_label("need at most").fill("five")
    page.get_by_role("button", name="Save the brief").click()
    expect(page.get_by_role("alert")).to_contain_text("Bins: “five” will not do; give a whole number")
    page.get_by_label("need at most").fill("5")
    page.get_by_role("button", name="Add a wish").click()
    page.get_by_label("Wish 1: how much").fill("4")
    page.get_by_role("button", name="Save the brief").click()
    scones = page.get_by_role("region", name="Platform scones")
    expect(scones).to_contain_text("no milk · at least 4 g/100 g fibre · under 4.50 per kg · at most 5 bins")
    expect(scones).to_contain_text("No blend yet.")
    scones.get_by_role("button", name="Compose a first blend").click()
    expect(page.get_by_label("Name of the blend")).to_have_value("Platform scones mix 1")
    expect(page.get_by_role("heading", name="Nothing in the tube yet")).to_be_visible()


def test_a_brief_is_put_away_and_taken_up_again(page):
    page.goto("/#/briefs/2")
    page.get_by_role("button", name="Put the brief away").click()
    expect(page.get_by_role("region", name="Summit tin loaf")).to_be_visible()
    expect(page.get_by_role("region", name="Viaduct crispbread")).to_have_count(0)
    page.get_by_role("button", name="Briefs put away").click()
    page.get_by_role("link", name="Viaduct crispbread").first.click()
    page.get_by_role("button", name="Take it up again").click()
    expect(page.get_by_role("region", name="Viaduct crispbread")).to_be_visible()


def test_an_empty_kitchen_teaches_the_first_step(page, base_url):
    page.route("**/api/v1/briefs?*", lambda r: r.fulfill(json={"items": [], "next": None}))
    page.goto("/#/")
    expect(page.get_by_label("What do you want to bake?")).to_be_visible()
    page.get_by_role("link", name="New brief").click()
    expect(page.get_by_role("heading", name="A new brief")).to_be_visible()


def bring_in(page, path: Path) -> None:
    page.goto("/#/blends")
    page.get_by_label("Blend file or CSV").set_input_files(path)


def test_a_blend_file_is_brought_in_and_stands_on_the_bench(page, bench, tmp_path):
    path = tmp_path / "mine.json"
    path.write_text(
        json.dumps(
            {
                "format": "fallow-sieve/blend",
                "version": 1,
                "name": "Brought mix",
                "use": "scone",
                "parts": [{"ingredient": "teff-flour", "mass_g": 80}],
            }
        )
    )
    bring_in(page, path)
    expect(page.get_by_label("Name of the blend")).to_have_value("Brought mix")
    expect(bench.mass("teff-flour")).to_have_value("80")


@pytest.mark.parametrize(
    ("name", "text", "words"),
    [
        (
            "broken.json",
            '{"format": "fallow-sieve/blend", "version": 1, "parts": [{"ingredient": "tef-flour", "mass_g": 5}]}',
            "did you mean teff-flour",
        ),
        (
            "minus.json",
            '{"format": "fallow-sieve/blend", "version": 1, "parts": [{"ingredient": "teff-flour", "mass_g": -5}]}',
            "/parts/0/mass_g",
        ),
        ("nonsense.json", "nonsense", "line 1, column 1"),
        ("broken.csv", "ingredient,mass_g\nteff-flour,much", "row 2, column mass_g"),
    ],
    ids=["slug", "minus", "nonsense", "csv"],
)
def test_a_broken_file_says_where_and_changes_nothing(page, tmp_path, name, text, words):
    path = tmp_path / name
    path.write_text(text)
    bring_in(page, path)
    alert = page.get_by_role("alert")
    expect(alert).to_contain_text(f"{name} was not taken in, and nothing was changed.")
    page.goto("/#/")
    page.goto("/#/blends")
    expect(page.locator("a.blend")).to_have_count(14)


def test_the_message_of_a_broken_file_names_the_place(page, tmp_path):
    path = tmp_path / "broken.csv"
    path.write_text("ingredient,mass_g\nteff-flour,much")
    bring_in(page, path)
    expect(page.get_by_role("alert")).to_contain_text("a mass of 'much'")


def test_a_blend_goes_out_as_a_file(page, bench):
    bench.open()
    with page.expect_download() as download:
        page.get_by_role("link", name="Blend file").click()
    document = json.loads(Path(download.value.path()).read_text(encoding="utf-8"))
    assert (document["name"], len(document["parts"])) == ("Summit mix", 7)
    assert download.value.suggested_filename == "summit-mix.json"


def test_a_blend_is_put_away_and_taken_up_again(page):
    page.goto("/#/blends")
    page.get_by_role("button", name="put away Viaduct plain").click()
    expect(page.locator("a.blend")).to_have_count(13)
    page.get_by_role("button", name="Show those put away").click()
    page.get_by_role("button", name="take up again Viaduct plain").click()
    expect(page.get_by_text("Viaduct plain is back.")).to_be_visible()


def test_two_blends_are_compared_with_what_changed_and_both_marks(page):
    page.goto("/#/compare/1")
    expect(page.get_by_text("Summit mix, revision 4")).to_be_visible()
    expect(page.get_by_text("2.0 % of the flour moved")).to_be_visible()
    page.get_by_label("Left blend").select_option(label="Summit mix, pale")
    expect(page.get_by_text("Left: Nothing holds it. One is close: fibre.")).to_be_visible()
    row = page.get_by_role("row", name=re.compile("^Fibre"))
    expect(row).to_contain_text("+")
    page.get_by_role("button", name="Swap sides").click()
    expect(page.get_by_text("Right: Nothing holds it. One is close: fibre.")).to_be_visible()
    expect(row).to_contain_text("−")


def test_the_sheet_prints_on_one_page_with_what_is_to_be_weighed(page):
    page.goto("/#/print/1")
    expect(page.get_by_role("row", name="Together")).to_contain_text("1\u202f050")
    expect(page.get_by_text("Raw flour is not safe to taste")).to_be_visible()
    pdf = page.pdf(format="A4", margin={"top": "12mm", "bottom": "12mm", "left": "12mm", "right": "12mm"})
    assert len(re.findall(rb"/Type\s*/Page\b", pdf)) == 1
    page.emulate_media(media="print")
    expect(page.get_by_role("button", name="Print this sheet")).to_be_hidden()


def test_the_kitchens_units_are_shown_everywhere(page, bench):
    page.goto("/#/settings")
    page.get_by_label("Mass is shown in").select_option("oz")
    expect(page.get_by_text("Saved.")).to_be_visible()
    page.get_by_label("Energy is shown in").select_option("kcal")
    page.get_by_label("Currency").fill("TL")
    page.get_by_label("Currency").press("Tab")
    bench.open()
    expect(bench.mass("sorghum-flour")).to_have_value("10.23")
    expect(page.get_by_label("The bag line")).to_contain_text("kcal")
    expect(page.get_by_label("The bag line")).to_contain_text("3.94\u00a0TL per kg")
    bench.type_in(bench.mass("sorghum-flour"), "10")
    bench.saved()
    page.reload()
    expect(bench.mass("sorghum-flour")).to_have_value("10.00")


def test_a_setting_that_cannot_be_says_so(page):
    page.goto("/#/settings")
    page.get_by_label("Own serving of dry mix").fill("-3")
    page.get_by_label("Own serving of dry mix").press("Tab")
    expect(page.get_by_role("alert")).to_contain_text("greater than 0")


def test_an_address_of_nothing_leads_home(page):
    page.goto("/#/nowhere")
    page.get_by_role("link", name="Go to the briefs").click()
    expect(page.get_by_role("region", name="Summit tin loaf")).to_be_visible()
    page.goto("/#/bench/999")
    expect(page.get_by_text("there is no blend 999")).to_be_visible()


PAGES = {
    "front": "/#/", "bench passing": "/#/bench/1", "bench held": "/#/bench/12", "bench close": "/#/bench/5", "blends": "/#/blends",
    "brief": "/#/briefs/1", "compare": "/#/compare/1", "print": "/#/print/1", "settings": "/#/settings", "method": "/#/method",
    "begin": "/#/begin", "bins": "/#/bins", "weigh-sheet": "/#/weigh-sheet/4", "batches": "/#/batches",
    "batch": "/#/batch/1", "label of a batch": "/#/label/3", "trace": "/#/trace/batch/3", "stock": "/#/stock",
    "ingredients": "/#/ingredients",
    "ingredient": "/#/ingredients/teff-flour",
    "label": "/#/ingredients/teff-flour/label",
    "bench test": "/#/ingredients/teff-flour/test/water",
    "side by side": "/#/side-by-side/teff-flour,sorghum-flour,tapioca-starch",
    "shelf files": "/#/shelf/files",
    "scale": "/#/scale",
    "formulas": "/#/formulas",
    "formula": "/#/formula/6",
    "recipe": "/#/recipe",
    "card": "/#/card/3",
    "tastings": "/#/tastings", "tasting open": "/#/tasting/3", "tasting told": "/#/tasting/1", "plating": "/#/plating/1",
    "experiments": "/#/experiments", "experiment": "/#/experiment/1", "experiment of two": "/#/experiment/2",
    "schedules": "/#/schedules", "schedule": "/#/schedule/1", "trials": "/#/trials", "trial": "/#/trial/1", "starters": "/#/starters",
    "family": "/#/family/1", "weigh-up": "/#/weigh/4",
}  # fmt: skip


@pytest.mark.parametrize("name", PAGES)
def test_a_page_has_no_accessibility_violations_light_or_dark_and_fits_every_width(page, name):
    page.goto(PAGES[name])
    expect(page.locator("h1").first).to_be_visible()
    page.wait_for_timeout(500)  # not until the network is idle: a page with a scale reads it over and over
    assert violations(page) == []
    page.emulate_media(color_scheme="dark")
    page.wait_for_timeout(100)  # what fades from one scheme to the other
    assert violations(page, OF_COLOUR) == [], "dark"
    for width in (1024, 640, 390, 1280):  # 640 is 1280 at a zoom of 200 %
        page.set_viewport_size({"width": width, "height": 800})
        page.wait_for_timeout(100)  # what is measured after it is drawn: the picture of a bench, the rows of a shelf
        assert over_the_side(page) == [], width


@pytest.mark.parametrize("tab", ["The bag", "Propose", "Revisions"])
def test_a_tab_of_the_bench_has_no_accessibility_violations(bench, tab):
    bench.open()
    bench.page.get_by_role("tab", name=tab).click()
    bench.page.wait_for_load_state("networkidle")
    assert violations(bench.page) == []


def test_dialogs_and_open_sieves_have_no_accessibility_violations(bench):
    bench.open()
    bench.sieve("grit_index").get_by_role("button").first.click()
    bench.page.wait_for_load_state("networkidle")
    assert violations(bench.page) == []
    bench.page.get_by_role("button", name="Keep revision").click()
    expect(bench.page.get_by_role("dialog")).to_be_visible()
    assert violations(bench.page) == []

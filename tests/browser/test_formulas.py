"""The formula bench, the pasted recipe and the card, used as a person uses them."""

import json
import re

import pytest
from playwright.sync_api import expect

from browser.conftest import BenchDriver, violations


class FormulaDriver(BenchDriver):
    """The formula bench as a person uses it; rows and cells are those of a blend's bench."""

    def open(self, formula_id=1, tab=None):
        self.page.goto(f"/#/formula/{formula_id}")
        expect(self.say).not_to_have_text("Nothing to judge yet.")
        if tab:
            self.tab(tab)
        return self

    def tab(self, name):
        self.page.get_by_role("tab", name=name).click()

    def gauge(self, name):
        return self.page.locator(f'[data-gauge="{name}"]')

    @property
    def water(self):
        return self.page.get_by_role("slider", name="Water in the dough")


@pytest.fixture
def formula(page):
    return FormulaDriver(page)


def test_the_list_leads_to_the_bench_and_each_formula_says_how_it_stands(page):
    page.goto("/#/formulas")
    rolls = page.get_by_role("link", name=re.compile("Points soft rolls"))
    expect(rolls).to_contain_text("Held by 1 of 5: salt on yeast (slows yeast). 3 to look at.")
    rolls.click()
    expect(page.get_by_label("Name of the formula")).to_have_value("Points soft rolls")
    expect(page.get_by_role("list", name="To look at")).to_contain_text("10 times the usual 2 %")


def test_a_mass_that_is_typed_is_judged_saved_and_taken_back(page, formula):
    formula.open()
    formula.type_in(formula.mass("water"), "300")
    expect(formula.say).to_contain_text("Held by 1 of 5: water (")
    formula.saved()
    page.keyboard.press("Control+z")
    expect(formula.mass("water")).to_have_value("830")
    expect(formula.say).to_have_text("Nothing holds it.")
    formula.type_in(formula.share("salt"), "2,5")
    expect(formula.mass("salt")).to_have_value("23.8")
    formula.type_in(formula.mass("salt"), "much")
    expect(page.get_by_role("alert")).to_contain_text("Give a number of g over 0")


def test_a_line_is_taken_up_with_the_keys_and_sorted_by_its_stage(page, formula):
    formula.open()
    formula.mass("olive-oil").click()
    page.keyboard.press("Alt+ArrowUp")
    rows = page.locator("li[data-row]")
    expect(rows.nth(5)).to_have_attribute("data-row", "olive-oil")
    expect(formula.mass("olive-oil")).to_be_focused()
    page.keyboard.press("ArrowDown")
    expect(formula.mass("cider-vinegar")).to_be_focused()
    page.get_by_role("button", name="Sort the lines by stage").click()
    expect(rows.nth(6)).to_have_attribute("data-row", "olive-oil")
    page.keyboard.press("Control+z")
    expect(rows.nth(5)).to_have_attribute("data-row", "olive-oil")


def test_an_added_ingredient_begins_at_what_is_usual_or_missing(page, formula):
    formula.open()
    page.get_by_role("button", name="Take out Water").click()
    expect(formula.say).to_contain_text("water short")
    page.get_by_label("Add an ingredient").fill("water")
    page.get_by_role("option", name=re.compile("^Water")).click()
    expect(formula.mass("water")).to_be_focused()
    expect(formula.say).to_have_text("Nothing holds it.")


def test_the_end_of_the_water_moves_with_the_keys_and_the_hand(page, formula):
    formula.open()
    formula.water.focus()
    page.keyboard.press("PageUp")
    expect(formula.water).to_have_attribute("aria-valuetext", re.compile("^99 % of flour, passes"))
    page.keyboard.press("Control+z")
    expect(formula.mass("water")).to_have_value("830")
    box = formula.water.bounding_box()
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    page.mouse.down()
    page.mouse.move(box["x"] - 200, box["y"] + 20, steps=5)
    page.mouse.up()
    expect(formula.say).to_contain_text("water short")
    page.get_by_role("button", name="Undo").click()
    expect(formula.say).to_have_text("Nothing holds it.")


def test_a_revision_is_kept_and_an_earlier_one_stands_beside_it(page, formula):
    formula.open()
    formula.type_in(formula.mass("water"), "880")
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Keep revision").click()
    page.get_by_label("Why, in one line").fill("As the bakes ask.")
    page.get_by_role("button", name="Keep", exact=True).click()
    formula.tab("Revisions (3)")
    page.get_by_role("button", name="put beside the lines").nth(2).click()
    expect(formula.row("water")).to_contain_text("was 760")
    page.get_by_role("button", name="put on the bench").nth(1).click()
    expect(formula.mass("water")).to_have_value("830")


def test_a_blend_that_has_moved_on_says_what_would_change_and_can_be_taken(page, formula):
    formula.open()
    page.get_by_text("Summit mix is at revision 4 now").click()
    expect(page.get_by_text("Chickpea flour (besan) 0.0 → 7.0 % of flour")).to_be_visible()
    expect(page.get_by_text(re.compile("Water wanted .* % of flour"))).to_be_visible()
    page.get_by_role("button", name="Move to revision 4").click()
    expect(formula.row("@blend")).to_contain_text("revision 4")
    page.keyboard.press("Control+z")
    expect(formula.row("@blend")).to_contain_text("revision 3")


def test_a_formula_is_begun_from_nothing(page, formula):
    page.goto("/#/formulas")
    page.get_by_role("button", name="New formula").click()
    page.get_by_role("button", name="Choose the blend").click()
    page.get_by_role("button", name="Trolley short mix").click()
    page.get_by_role("button", name="Revision 2").click()
    page.get_by_label("What it is for").select_option("short-pastry")
    page.get_by_label("Add an ingredient").fill("butter")
    page.get_by_role("option", name=re.compile("Butter, unsalted")).click()
    expect(formula.mass("unsalted-butter")).to_be_focused()
    expect(formula.row("unsalted-butter").get_by_label("Stage")).to_have_value("fat")
    expect(formula.say).to_contain_text("water short")
    expect(page.get_by_role("status").filter(has_text="saved").first).to_have_text("saved")


def test_a_blend_goes_on_to_a_formula_and_the_search_leads_back_to_it(page, bench, formula):
    bench.open(6)
    page.get_by_role("button", name="Make a formula").click()
    expect(page.get_by_label("Name of the formula")).to_have_value("Trolley short mix")
    expect(formula.row("@blend")).to_contain_text("revision 2")
    expect(page.get_by_role("link", name=re.compile("Trolley short pastry"))).to_be_visible()
    page.keyboard.press("/")
    page.get_by_label("Find", exact=True).fill("signal box")
    page.keyboard.press("Enter")
    expect(page.get_by_label("Name of the formula")).to_have_value("Signal box cake")


def test_what_went_in_is_written_down_and_teaches(page, formula):
    formula.open(2, "Water")
    page.get_by_label("Poured in all, g").fill("2500")
    page.get_by_role("button", name="Record the bake").click()
    expect(page.get_by_role("alert")).to_contain_text("more than three times as much")
    page.get_by_label("Poured in all, g").fill("262")
    page.get_by_role("button", name="Record the bake").click()
    expect(page.get_by_role("img", name=re.compile("The window narrowed"))).to_be_visible()
    page.get_by_text("1 bake, one by one").click()
    page.get_by_role("button", name="set aside").click()
    expect(page.get_by_role("button", name="count it again")).to_be_visible()


def test_the_nine_bakes_narrow_the_window_and_the_water_can_be_set_to_it(page, formula):
    formula.open(1, "Water")
    expect(page.get_by_role("heading", name="Wanted: 95 % of flour")).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("to 87–101 % of flour in 9 bakes"))).to_be_visible()
    expect(page.get_by_text("water at 25 °C")).to_be_visible()
    page.get_by_role("button", name="Set the water line to it").click()
    expect(formula.mass("water")).to_have_value("891")


def test_the_binder_is_told_converted_and_diluted(page, formula):
    formula.open(2, "Binder")
    expect(page.get_by_role("heading", name="Load 0.50 of the usual")).to_be_visible()
    page.get_by_role("button", name=re.compile("Add .* g xanthan gum")).click()
    expect(page.get_by_role("heading", name="Load 1.01 of the usual")).to_be_visible()
    expect(page.get_by_text("dilute it twice with flour, 1 to 9")).to_be_visible()
    page.get_by_label("on a scale that shows").fill("0.01")
    page.get_by_label("on a scale that shows").press("Enter")
    expect(page.get_by_text("Every line can be weighed on it.")).to_be_visible()


def test_a_swap_is_taken_as_one_step(page, formula):
    formula.open(3)
    page.get_by_role("button", name="Swap Butter, unsalted").click()
    expect(page.get_by_text("210 g butter → 170 g ghee, 38 g more water.")).to_be_visible()
    page.get_by_role("button", name="Take it: Ghee").click()
    expect(formula.mass("ghee")).to_have_value(re.compile("169|170"))
    page.get_by_role("button", name="Undo").click()
    expect(formula.mass("unsalted-butter")).to_have_value("210")


def test_a_tin_is_filled_drawn_and_taken(page, formula):
    formula.open(1, "Scale")
    page.locator("[data-wish=tins]").fill("2")
    expect(page.get_by_text(re.compile("2.121.g of dough"))).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("Filled to 55 % of the tin, risen to about 94 %"))).to_be_visible()
    page.locator("[data-wish=fill_pct]").fill("70")
    expect(page.get_by_text("climb over the rim")).to_be_visible()
    page.locator("[data-wish=length_cm]").fill("0")
    page.get_by_label("pieces", exact=True).check()
    page.locator("[data-wish=piece_g]").fill("90")
    expect(page.get_by_text(re.compile("1.102.g of dough"))).to_be_visible()
    page.get_by_role("button", name="Take it, rounded").click()
    expect(page.get_by_label("Pieces", exact=True)).to_have_value("12")
    expect(formula.mass("@blend")).to_have_value("570")


def test_the_bake_follows_the_pan_and_the_method_is_checked(page, formula):
    formula.open(1, "Bake")
    page.get_by_label("Tin or tray of").select_option("stone or clay")
    expect(page.get_by_role("row", name=re.compile("190 °C .* in the tin"))).to_contain_text("53")
    page.get_by_label("Your own method").fill("Bake at 190 °C (450 °F).")
    page.get_by_label("Your own method").blur()
    expect(formula.say).to_contain_text("1 to look at.")


def test_the_finished_bake_tells_nutrition_and_cost(page, formula):
    formula.open(1, "Finished")
    expect(page.get_by_role("heading", name="2 pieces of 850 g after 232 g of water has left")).to_be_visible()
    expect(page.get_by_text(re.compile(r"2\.34.* a piece")).first).to_be_visible()
    page.get_by_label("With a bought blend at").fill("8")
    page.get_by_label("With a bought blend at").blur()
    expect(page.get_by_text(re.compile(r"^4\.\d\d.* a piece$"))).to_be_visible()


RECIPE = (
    "Platform cake\nMakes 9\n\n2 cups plain flour\n2 tsp baking powder\n115 g butter\n2 large eggs\n1 1/4 cups milk\n"
    "50 g nut butter\n\nBake at 180 °C (400 °F)."
)


def test_a_recipe_is_read_mended_made_over_and_becomes_a_formula(page, formula):
    page.goto("/#/recipe")
    page.get_by_role("textbox", name="Recipe").fill(RECIPE)
    expect(page.get_by_text("6 lines: 2 understood, 3 with a guess, 1 open.")).to_be_visible()
    expect(page.get_by_role("list", name="What is odd")).to_contain_text("180 °C and 400 °F are not the same")
    page.get_by_label("What is nut butter?").fill("almond meal")
    page.get_by_role("button", name="Almond meal").click()
    expect(page.get_by_text("3 understood, 3 with a guess, 0 open.")).to_be_visible()
    page.get_by_label("Blend", exact=True).select_option(label="Everyday buffet mix")
    page.get_by_label("Use", exact=True).select_option("layer-cake")
    changes = page.get_by_role("list", name="Changes")
    expect(changes).to_contain_text("262 g wheat flour → the same grams of the blend.")
    leavening = changes.get_by_role("checkbox", name=re.compile("Chemical leavening"))
    leavening.uncheck()
    over = page.get_by_role("region", name="Made over")
    expect(over.get_by_role("row", name=re.compile("Baking powder"))).to_contain_text(re.compile(r"9\.3.*9\.3"))
    page.reload()
    expect(page.get_by_role("textbox", name="Recipe")).to_have_value(RECIPE)
    page.get_by_label("Blend", exact=True).select_option(label="Everyday buffet mix")
    page.get_by_label("Use", exact=True).select_option("layer-cake")
    page.get_by_role("button", name="Make it a formula", exact=True).click()
    expect(page.get_by_label("Name of the formula")).to_have_value("Platform cake")
    expect(formula.mass("@blend")).to_have_value("262.1")


def test_a_poor_candidate_is_told_plainly(page):
    page.goto("/#/recipe")
    page.get_by_role("textbox", name="Recipe").fill("Apple strudel\n250 g flour\n120 ml water")
    page.get_by_label("Blend", exact=True).select_option(label="Everyday buffet mix")
    expect(page.get_by_role("alert")).to_contain_text("A poor candidate.")


def test_a_formula_file_is_brought_in_and_a_broken_one_says_where(page, formula, tmp_path):
    path = tmp_path / "mine.json"
    good = {
        "format": "fallow-sieve/formula",
        "version": 1,
        "name": "Brought",
        "lines": [{"ingredient": "water", "mass_g": 5, "stage": "wet"}],
    }
    path.write_text(json.dumps({**good, "lines": [{"ingredient": "water", "mass_g": -5, "stage": "wet"}]}))
    page.goto("/#/formulas")
    page.get_by_label("Formula file, JSON-LD or recipe as text").set_input_files(path)
    expect(page.get_by_role("alert")).to_contain_text("/lines/0/mass_g")
    path.write_text(json.dumps(good))
    page.get_by_label("Formula file, JSON-LD or recipe as text").set_input_files(path)
    expect(page.get_by_label("Name of the formula")).to_have_value("Brought")


def test_two_people_at_once_lose_nothing(page, formula, context):
    formula.open()
    other = FormulaDriver(context.new_page()).open()
    formula.type_in(formula.mass("salt"), "20")
    formula.saved()
    other.type_in(other.mass("salt"), "16")
    expect(other.page.get_by_text("This formula was changed somewhere else")).to_be_visible()
    other.page.get_by_role("button", name="Take theirs, keep mine as a copy").click()
    expect(other.mass("salt")).to_have_value("20")
    page.goto("/#/formulas")
    expect(page.get_by_role("link", name=re.compile(r"Summit tin loaf \(my draft\)"))).to_be_visible()


def test_a_page_left_at_once_after_an_edit_finds_it_again(page, formula):
    formula.open()
    formula.type_in(formula.mass("salt"), "21")
    page.goto("/#/formulas")
    formula.open()
    expect(formula.mass("salt")).to_have_value("21")


@pytest.mark.parametrize("tab", ["Water", "Binder", "Swap", "Scale", "Bake", "Finished", "Revisions"])
def test_a_tab_of_the_formula_bench_has_no_accessibility_violations(page, formula, tab):
    formula.open(3)
    if tab == "Swap":
        page.get_by_role("button", name="Swap Butter, unsalted").click()
        expect(page.get_by_role("button", name="Take it: Ghee")).to_be_visible()
    else:
        formula.tab(tab)
        page.locator(".tab-body > *").first.wait_for()
        page.wait_for_timeout(400)
    assert violations(page) == []

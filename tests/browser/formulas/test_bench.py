"""The formula bench: lines, water, revisions, pins, files, two people at once."""

import json
import re

from playwright.sync_api import expect

from browser.conftest import FormulaDriver, violations


def test_the_list_leads_to_the_bench_and_each_formula_says_how_it_stands(page):
    page.goto("/#/formulas")
    rolls = page.get_by_role("link", name=re.compile("Points soft rolls"))
    expect(rolls).to_contain_text("Held by 1 of 7: salt on yeast (slows yeast). 3 to look at.")
    rolls.click()
    expect(page.get_by_label("Name of the formula")).to_have_value("Points soft rolls")
    expect(page.get_by_role("list", name="To look at")).to_contain_text("10 times the usual 2 %")


def test_a_mass_that_is_typed_is_judged_saved_and_taken_back(page, formula):
    formula.open()
    formula.type_in(formula.mass("water"), "300")
    expect(formula.say).to_contain_text("Held by 1 of 6: water (")
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
    page.get_by_role("option", name=re.compile("^Water")).first.click()
    expect(formula.mass("water")).to_be_focused()
    expect(formula.say).to_have_text("Nothing holds it.")


def test_the_end_of_the_water_moves_with_the_keys_and_the_hand(page, formula):
    formula.open()
    formula.water.focus()
    page.keyboard.press("PageUp")
    expect(formula.water).to_have_attribute("aria-valuetext", re.compile("^99 % of flour, passes"))
    page.keyboard.press("Control+z")
    expect(formula.mass("water")).to_have_value("830")
    # The grip is drawn where the judgement says, a moment after the line is back.
    expect(formula.water).not_to_have_attribute("aria-valuetext", re.compile("^99 %"))
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


def test_all_that_is_dry_becomes_a_mix_and_the_mix_lines_again(page, formula):
    formula.open(5)
    page.get_by_role("tab", name="As a mix").click()
    expect(page.get_by_role("heading", name=re.compile("To 100 g of mix add 24 g water"))).to_be_visible()
    page.get_by_role("button", name="Make this mix").click()
    expect(page.get_by_label("Name of the formula")).to_have_value("Signal box cake, complete mix")
    expect(page.get_by_role("link", name="Signal box cake, complete mix")).to_be_visible()
    expect(formula.say).to_have_text("Nothing holds it.")
    page.get_by_role("tab", name="As a mix").click()
    expect(page.get_by_text("All that is dry lies in the bag already.")).to_be_visible()
    page.get_by_role("button", name="Take this bag apart").click()
    expect(formula.mass("white-sugar")).to_have_value("200")
    expect(formula.mass("whole-milk")).to_have_value("126.3")
    page.keyboard.press("Control+z")
    expect(formula.mass("water")).to_have_value("113.7")


def test_a_gauge_opens_to_its_rule_and_to_what_each_line_would_move(page, formula):
    formula.open()
    gauge = formula.gauge("water")
    gauge.get_by_role("button", name="Water").click()
    expect(gauge.get_by_role("row", name=re.compile("^Water"))).to_contain_text("+1.05")
    formula.type_in(formula.mass("water"), "600")
    expect(gauge.get_by_role("row", name=re.compile("^Water"))).to_contain_text("600 g")
    assert violations(page) == []
    gauge.get_by_role("link", name="How is this worked out?").click()
    expect(page.get_by_role("heading", name="Wanted water")).to_be_visible()

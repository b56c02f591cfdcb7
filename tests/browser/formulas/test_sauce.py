"""A sauce: what thickens it, and what acid leaves of it; and a recipe line that names two things."""

import re

from playwright.sync_api import expect

from browser.conftest import violations


def test_a_sauce_is_judged_by_its_thickness_and_acid_takes_from_it(page, formula):
    formula.open(8)
    expect(formula.say).to_have_text("Nothing holds it.")
    what = page.get_by_role("figure", name="What thickens it")
    expect(what).to_contain_text("33 g of corn starch to a litre of its water; coating wants 25–45")
    formula.type_in(formula.mass("corn-starch"), "60")
    expect(formula.say).to_contain_text("thickness")
    page.get_by_role("button", name="Undo").click()
    expect(formula.say).to_have_text("Nothing holds it.")
    page.get_by_label("Add an ingredient").fill("lemon juice")
    page.get_by_role("option", name=re.compile("Lemon juice")).first.click()
    formula.type_in(formula.mass("lemon-juice"), "40")
    expect(what.get_by_role("row", name=re.compile("Corn starch"))).to_contain_text("acid")
    assert violations(page) == []


def test_a_line_that_names_two_things_is_shown_and_taken_as_two(page, formula):
    page.goto("/#/recipe")
    page.get_by_role("textbox", name="Recipe").fill(
        "Buffet muffins\n250 g teff flour\n1 tsp each baking powder and salt\n2 eggs"
    )
    row = page.get_by_role("table", name=re.compile("as it was pasted")).get_by_role("row", name=re.compile("each"))
    expect(row).to_contain_text(re.compile(r"Baking powder.*and [56]\.\d g Salt"))
    page.get_by_role("button", name="Make it a formula as it is").click()
    expect(formula.mass("baking-powder")).to_have_value(re.compile("4"))
    expect(formula.mass("salt")).to_have_value(re.compile("5|6"))

"""A wheat recipe read, mended and made over."""

import re

from playwright.sync_api import expect

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
    page.get_by_role("textbox", name="Recipe").fill("Apple strudel\n250 g plain flour\n120 ml water")
    page.get_by_label("Blend", exact=True).select_option(label="Everyday buffet mix")
    expect(page.get_by_role("alert")).to_contain_text("A poor candidate.")

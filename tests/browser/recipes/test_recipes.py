"""A wheat recipe read, mended and made over."""

import re

from playwright.sync_api import expect

from browser.conftest import violations

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


GLUTEN_FREE = (
    "Coaling stage loaf\nMakes 1\n\nFor the gel\n20 g psylium husk\n400 g water\nDough\n150 g sorghum flour\n100 g teff flour\n"
    "150 g tapioca flour\n9 g salt\n40 g Low Ings brose meal\n\nBake at 400°F for 55 minutes.\nBetter the second day."
)


def test_a_gluten_free_recipe_becomes_a_blend_and_a_formula_and_a_line_in_words_goes_along(page, formula):
    page.goto("/#/recipe")
    page.get_by_role("textbox", name="Recipe").fill(GLUTEN_FREE)
    text = page.get_by_role("table", name=re.compile("as it was pasted"))
    expect(text.get_by_role("row", name=re.compile("Coaling stage loaf"))).to_contain_text("title")
    expect(text.get_by_role("row", name=re.compile("For the gel"))).to_contain_text("a component")
    expect(text.get_by_role("row", name=re.compile("Better the second day"))).to_contain_text("note")
    expect(page.get_by_role("heading", name=re.compile("US cups and eggs: °F"))).to_be_visible()
    mix = page.get_by_role("region", name="The mix in it")
    expect(mix).to_contain_text("As tin loaf, yeasted")
    assert violations(page) == []
    mix.get_by_role("button", name="Make it a blend and a formula").click()
    expect(page.get_by_label("Name of the formula")).to_have_value("Coaling stage loaf")
    expect(formula.mass("@blend")).to_have_value("400")
    expect(page.get_by_text("One line in words is not judged.")).to_be_visible()
    expect(page.get_by_text("40 g Low Ings brose meal").first).to_be_visible()


def test_flour_alone_is_asked_and_answered_in_one_click(page):
    page.goto("/#/recipe")
    page.get_by_role("textbox", name="Recipe").fill("Cornbread\n200 g cornmeal\n60 g flour\n300 ml milk")
    row = page.get_by_role("row", name=re.compile("60 g flour"))
    expect(row).to_contain_text("Which flour?")
    row.get_by_role("button", name="a bought gluten-free mix").click()
    expect(row).to_contain_text("Gluten-free plain flour, bought")

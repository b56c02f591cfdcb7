"""What else the formula bench holds: water, binder, swaps, tin, bake, finished bake."""

import re

import pytest
from playwright.sync_api import expect

from browser.conftest import violations


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


def test_the_nine_bakes_narrow_the_window_and_the_water_can_be_set_to_it(
    page, formula
):  # two felt wet: they wanted less
    formula.open(1, "Water")
    expect(page.get_by_role("heading", name="Wanted: 94 % of flour")).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("to 86–103 % of flour in 9 bakes"))).to_be_visible()
    expect(page.get_by_text("water at 25 °C")).to_be_visible()
    page.get_by_role("button", name="Set the water line to it").click()
    # 94.18 % of 952.38 g of flour, less the 13.38 g that other lines bring: 883.6 g
    expect(formula.mass("water")).to_have_value("884")


def test_the_binder_is_told_converted_and_diluted(page, formula):
    formula.open(2, "Binder")
    expect(page.get_by_role("heading", name="Load 0.50 of the usual")).to_be_visible()
    page.get_by_role("button", name=re.compile("Add .* g xanthan gum")).click()
    expect(page.get_by_role("heading", name="Load 1.00 of the usual")).to_be_visible()
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
    expect(page.get_by_role("heading", name="2 pieces of 831 g after 270 g of water has left")).to_be_visible()
    expect(page.get_by_text(re.compile(r"0\.11.* a slice")).first).to_be_visible()
    page.get_by_label("A portion is").select_option("piece")
    expect(page.get_by_text(re.compile(r"2\.34.* a piece")).first).to_be_visible()
    page.get_by_label("With a bought blend at").fill("8")
    page.get_by_label("With a bought blend at").blur()
    expect(page.get_by_text(re.compile(r"^4\.\d\d.* a piece$"))).to_be_visible()


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

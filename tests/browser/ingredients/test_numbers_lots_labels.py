"""An ingredient's page: own numbers, lots, labels, what it does."""

from playwright.sync_api import Page, expect


def say(page: Page):
    return page.locator("h1")


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
    expect(cell).to_have_value("9.4")  # kept, before the page is left
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
    expect(say(page)).to_have_text("115 ingredients on the shelf.")


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

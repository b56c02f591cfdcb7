"""The keys of the benches do what the list of keys says, also while a number is in focus, and leave no error behind."""

import pytest
from playwright.sync_api import expect


@pytest.mark.parametrize(
    ("key", "shows"),
    [
        ("a", lambda p: expect(p.locator("[data-add]")).to_be_focused()),
        ("k", lambda p: expect(p.get_by_role("dialog")).to_be_visible()),
        ("p", lambda p: expect(p.get_by_role("tab", name="Propose")).to_have_attribute("aria-selected", "true")),
        ("v", lambda p: expect(p.get_by_role("dialog", name="Paste a mix")).to_be_visible()),
        ("m", lambda p: expect(p.get_by_role("tab", name="Sieves")).to_have_attribute("aria-selected", "true")),
        ("u", lambda p: expect(p.get_by_role("tab", name="Good for")).to_have_attribute("aria-selected", "true")),
        ("?", lambda p: expect(p.get_by_role("dialog", name="Keys")).to_be_visible()),
        ("/", lambda p: expect(p.get_by_role("dialog")).to_be_visible()),
    ],
    ids=lambda x: x if isinstance(x, str) else "",
)
def test_a_letter_is_a_key_of_the_bench_while_a_number_is_in_focus(bench, key, shows):
    bench.open()
    cell = bench.mass("teff-flour")
    bench.type_in(cell, "111")  # so that there is something to keep
    before = cell.input_value()
    cell.click()
    bench.page.keyboard.press(key)
    shows(bench.page)
    assert cell.input_value() == before
    expect(bench.page.locator(".cell [role=alert]")).to_have_count(0)


def test_a_letter_after_a_digit_belongs_to_what_is_typed(bench):
    bench.open()
    cell = bench.mass("teff-flour")
    cell.click()
    bench.page.keyboard.type("12 a")
    expect(bench.page.locator("[data-add]")).not_to_be_focused()
    bench.page.keyboard.press("Escape")
    expect(bench.page.locator(".cell [role=alert]")).to_have_count(0)


def test_l_locks_the_row_and_plus_nudges_it(bench):
    bench.open()
    cell = bench.mass("teff-flour")
    cell.click()
    bench.page.keyboard.press("l")
    expect(bench.row("teff-flour").get_by_role("button", name="Lock")).to_have_attribute("aria-pressed", "true")
    bench.page.keyboard.press("l")
    bench.page.keyboard.press("+")
    expect(cell).to_have_value("125")


@pytest.mark.parametrize(("key", "tab"), [("w", "Water"), ("k", None), ("a", None)])
def test_letters_are_keys_of_the_formula_bench_too(page, formula, key, tab):
    page.goto("/#/formula/1")
    cell = formula.mass("salt")
    cell.click()
    page.keyboard.type("19")
    page.keyboard.press("Enter")
    cell.click()
    page.keyboard.press(key)
    if tab:
        expect(page.get_by_role("tab", name=tab)).to_have_attribute("aria-selected", "true")
    elif key == "k":
        expect(page.get_by_role("dialog")).to_be_visible()
    else:
        expect(page.locator("[data-add]")).to_be_focused()
    expect(page.locator(".cell [role=alert]")).to_have_count(0)

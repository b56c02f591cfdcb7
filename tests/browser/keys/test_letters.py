"""A letter is a key of the bench until something is typed; see test_every_key beside it for what each key does."""

from playwright.sync_api import expect


def test_a_letter_after_a_digit_belongs_to_what_is_typed(bench):
    bench.open()
    cell = bench.mass("teff-flour")
    cell.click()
    bench.page.keyboard.type("12 a")
    expect(bench.page.locator("[data-add]")).not_to_be_focused()
    bench.page.keyboard.press("Escape")
    expect(bench.page.locator(".cell [role=alert]")).to_have_count(0)

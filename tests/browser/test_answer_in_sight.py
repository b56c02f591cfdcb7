"""On a phone the sentence that answers a page stays in sight while the page is scrolled."""

import pytest
from playwright.sync_api import expect

from browser.conftest import over_the_side, violations


@pytest.mark.parametrize("address", ["/#/bench/12", "/#/batch/1", "/#/trial/9", "/#/experiment/1"])
def test_the_answer_stays_in_sight_on_a_phone(page, address):
    page.set_viewport_size({"width": 390, "height": 700})
    page.goto(address)
    says = page.locator("main h1.say, main [data-says], main [data-went]").first
    expect(says).to_be_visible()
    expect(says).not_to_have_text("Nothing to judge yet.")
    said = says.inner_text().strip()
    page.evaluate("document.querySelector('main').scrollTo(0, 1e6)")
    expect(page.locator("[data-answer]")).to_have_text(said)
    assert over_the_side(page) == []
    assert violations(page) == []
    says.scroll_into_view_if_needed()
    expect(page.locator("[data-answer]")).to_have_count(0)


def test_it_is_not_said_twice_on_a_wide_page(page):
    page.goto("/#/trial/9")
    expect(page.locator("main [data-went]")).to_be_visible()
    expect(page.locator("[data-answer]")).to_have_count(0)

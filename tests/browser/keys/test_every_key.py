"""Every key that the list of keys names does what the list says, on the page that it is listed for."""

from __future__ import annotations

import pytest
from playwright.sync_api import expect

from browser.keys import benches, others, plans  # noqa: F401 (each marks its steps)
from browser.keys.pressing import STARTS, STEPS, closes, dialog, press


@pytest.mark.parametrize("group", STARTS)
def test_every_key_of_a_group_does_what_it_says(page, group):
    page.goto(f"/#/{STARTS[group]}")
    expect(page.locator("h1").first).not_to_have_text("Nothing to judge yet.")
    press(page, "?")
    listed = dialog(page).locator(f'dl[aria-label="{group}"] dt')
    expect(listed).not_to_have_count(0)
    assert listed.all_inner_texts() == list(STEPS[group])
    assert dialog(page).locator("dl").count() == len(STARTS)
    closes(page)
    for step in STEPS[group].values():
        step(page)

"""The keys of the list of keys, each with the step that tries it; see test_every_key."""

from __future__ import annotations

from collections.abc import Callable

from playwright.sync_api import Locator, Page, expect

API = "/api/v1"
Step = Callable[[Page], None]
STEPS: dict[str, dict[str, Step]] = {}
STARTS = {
    "Everywhere": "bench/1",
    "In a row of the bench": "bench/1",
    "On a boundary of the column": "bench/1",
    "On the shelf": "ingredients",
    "On the bench": "bench/1",
    "On the formula bench": "formula/1",
    "On a knot of the schedule": "schedule/1",
    "Among the proposals": "bench/1",
    "Among the bakes of a formula": "family/2",
    "At a table of tasters": "tasting/3",
    "On the map of an experiment": "experiment/1",
    "At the scale": "batches",
}


def key(group: str, name: str) -> Callable[[Step], Step]:
    """Mark a step as the one that tries the key `name` of a group of the list."""

    def marked(step: Step) -> Step:
        STEPS.setdefault(group, {})[name] = step
        return step

    return marked


def mass(page: Page, slug: str) -> Locator:
    return page.locator(f'[data-row="{slug}"] [data-cell=mass]')


def press(page: Page, *keys: str) -> None:
    for name in keys:
        page.keyboard.press(name)


def dialog(page: Page) -> Locator:
    return page.get_by_role("dialog")


def closes(page: Page) -> None:
    expect(dialog(page).locator(":focus")).to_have_count(1)  # it listens once it has the focus
    press(page, "Escape")
    expect(dialog(page)).to_have_count(0)

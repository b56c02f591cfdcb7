"""The first hour in an empty kitchen, every action counted: from nothing to a judged blend with own prices and numbers."""

import re
from datetime import UTC, datetime

import pytest
from playwright.sync_api import Locator, Page, expect

from browser.conftest import over_the_side, violations

MOST_ACTIONS = 40
BINS = (
    "Sorghum 5 kg at 3.20/kg, brown rice 10 kg 2.10/kg, 2 kg potato starch 2.90/kg, tapioca starch 2 kg 3.10/kg, "
    "teff 1 kg at 5.80/kg, psyllium husk 500 g at 12/kg"
)
MIX = "30% sorghum, 20% brown rice flour, 10% teff, 20% potato starch, 15% tapioca starch, 5% psyllium husk"
PANEL = (
    "Teff flour\nTypical values per 100 g\nEnergy 1520 kJ / 360 kcal\nFat 2.4 g\nof which saturates 0.5 g\n"
    "Carbohydrate 65 g\nof which sugars 1.8 g\nFibre 8.0 g\nProtein 13.3 g\nSalt 0.03 g"
)


@pytest.fixture
def demo_db(tmp_path):
    """An empty kitchen in the place of the demo."""
    return tmp_path / "empty.db"


class Hand:
    """One person's hand: what it does is counted."""

    def __init__(self, page: Page) -> None:
        self.page, self.actions = page, 0

    def click(self, what: Locator) -> None:
        self.actions += 1
        what.click()

    def fill(self, what: Locator, text: str) -> None:
        self.actions += 1
        what.fill(text)

    def choose(self, what: Locator, label: str) -> None:
        self.actions += 1
        what.select_option(label=label)

    def press(self, key: str) -> None:
        self.actions += 1
        self.page.keyboard.press(key)

    def button(self, name: str | re.Pattern[str]) -> None:
        self.click(self.page.get_by_role("button", name=name))


def test_from_nothing_to_a_judged_blend_in_forty_actions(page):
    hand = Hand(page)
    page.goto("/")
    hand.fill(page.get_by_label("What is in your bins?"), BINS)
    hand.button("Put 6 on the shelf")
    expect(page.get_by_text("6 in the bins.")).to_be_visible()
    hand.fill(page.get_by_label("What have you in hand?"), MIX)
    hand.button("Judge the mix")
    hand.choose(page.get_by_label("What the mix is for"), "Tin loaf, yeasted")
    expect(page.locator("h1.say")).to_contain_text(re.compile("holds|Held|lose"))
    expect(page.locator("[data-row]")).to_have_count(6)
    expect(page.locator("footer")).to_contain_text(re.compile(r"\d\.\d\d.*per kg"))
    # one flour from its label
    hand.click(page.get_by_role("link", name="Briefs", exact=True))
    hand.fill(page.get_by_label("What have you in hand?"), PANEL)
    hand.button("Take the label’s numbers")
    hand.button("Use these numbers")
    expect(page.get_by_text("The label is on record")).to_be_visible()
    # a cup weighed
    hand.click(page.get_by_role("link", name="Weigh a cup"))
    hand.button("Dip and level")
    hand.fill(page.locator("input.huge"), "250")
    hand.press("Enter")
    for mass_g in (151, 148, 153):
        hand.fill(page.get_by_label("Simulated: on the pan"), str(mass_g))
        hand.button("Put on")
        hand.button("Take this reading")
        hand.button(re.compile("^(Next|See the result)$"))
    hand.button("Use this from now on")
    assert hand.actions <= MOST_ACTIONS, hand.actions


def test_what_one_wants_to_bake_becomes_a_brief_with_blends_proposed_from_ones_own_bins(page):
    hand = Hand(page)
    page.goto("/")
    expect(page.get_by_role("heading", name="Where do you begin?")).to_be_visible()
    assert violations(page) == []
    hand.fill(page.get_by_label("What is in your bins?"), BINS)
    hand.button("Put 6 on the shelf")
    expect(page.get_by_label("What do you want to bake?")).to_be_focused()
    hand.fill(page.get_by_label("What do you want to bake?"), "a sandwich loaf in a tin, no nuts")
    expect(page.get_by_text("no tree nuts")).to_be_visible()
    hand.press("Enter")
    take = page.get_by_role("button", name=re.compile("^Take it as revision"))
    page.get_by_role("toolbar", name="Proposals").get_by_role("button").first.click()
    hand.click(take)
    expect(page.locator("h1.say")).to_contain_text(re.compile("holds|Held|lose"))
    assert hand.actions <= 6


@pytest.mark.parametrize("door", ["What do you want to bake?", "What is in your bins?", "What have you in hand?"])
def test_what_is_not_known_is_said_and_nothing_is_kept(page, door):
    page.goto("/")
    page.get_by_label(door).fill("moon dust")
    expect(
        page.get_by_text(re.compile("For which bake|not known here|Nothing that is known here")).first
    ).to_be_visible()
    assert violations(page) == []


def test_the_doors_stand_under_one_another_on_a_phone(page):
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto("/")
    page.get_by_label("What is in your bins?").fill(BINS)
    expect(page.get_by_label("Teff flour, kg")).to_have_value("1")
    assert over_the_side(page) == []
    assert violations(page) == []


@pytest.mark.parametrize("kitchen_time", [datetime(2026, 3, 14, 9, 30, tzinfo=UTC)])
def test_one_looks_into_a_kitchen_at_work_and_comes_back_to_ones_own(page, kitchen_time):
    page.goto("/")
    page.get_by_role("button", name="look into a kitchen that is at work").click()
    expect(page.get_by_text("all of it invented. What you do here stays here")).to_be_visible()
    expect(page.get_by_role("heading", name="Summit tin loaf")).to_be_visible()
    assert violations(page) == []
    page.get_by_role("button", name="Back to your own kitchen").click()
    expect(page.get_by_role("heading", name="Where do you begin?")).to_be_visible()

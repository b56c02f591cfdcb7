"""The sheet on a phone: taps counted, nothing lost through a cut connection, usable without script and by everyone."""

import pytest
from playwright.sync_api import expect

from browser.conftest import OF_COLOUR, over_the_side, violations

API = "/api/v1"


class Phone:
    """A sheet as floury hands use it, every tap counted."""

    def __init__(self, page):
        self.page, self.taps = page, 0
        page.set_viewport_size({"width": 390, "height": 844})
        made = page.request.post(f"{API}/trials", data={"formula_id": 1})
        self.trial = made.json()["id"]
        page.goto(f"/sheet/{self.trial}/")

    def tap(self, target):
        target.click()
        self.taps += 1

    def moment(self):
        return self.page.locator("[data-moment]:not([hidden])")

    def rung(self, quantity, label):
        self.tap(self.moment().locator(f'[data-ladder="{quantity}"]').get_by_role("button", name=label, exact=True))

    def as_planned(self):
        self.tap(self.moment().get_by_role("button", name="Rest of this moment: as planned"))

    def go(self, name):
        self.tap(self.page.get_by_role("link", name=name, exact=True))

    def saved(self):
        expect(self.page.locator("[data-status]")).to_have_attribute("data-waiting", "0")
        expect(self.page.get_by_text("saved", exact=True)).to_be_visible()

    def readings(self):
        found = self.page.request.get(f"{API}/trials/{self.trial}").json()["readings"]
        return {r["quantity"]: r["value"] for r in found if not r["withdrawn"]}


@pytest.fixture
def phone(page):
    return Phone(page)


def test_a_bake_that_went_to_plan_is_logged_in_eight_taps(phone):
    for _ in range(4):
        phone.as_planned()
    phone.go("cut")
    phone.rung("verdict", "7")
    phone.saved()
    assert phone.taps <= 8
    found = phone.page.request.get(f"{API}/trials/{phone.trial}").json()
    assert found["stage"] == "judged"
    assert found["told"]["say"] == "All that was noted went to plan."
    assert {q for q, v in phone.readings().items() if v is None} == {
        "water_poured_g", "dough_c", "proof_min", "rise_pct", "proof_c", "core_c", "oven_c", "bake_min", "cool_min",
    }  # fmt: skip


def test_with_four_numbers_it_takes_sixteen_at_most(phone):
    phone.rung("water_poured_g", "850")
    phone.rung("dough_feel", "right")
    phone.as_planned()
    phone.as_planned()
    phone.rung("core_c", "97")
    phone.rung("bake_min", "48")
    phone.as_planned()
    phone.rung("verdict", "7")
    phone.as_planned()
    phone.saved()
    assert phone.taps <= 16
    found = phone.readings()
    assert (found["water_poured_g"], found["core_c"], found["bake_min"], found["verdict"]) == (850, 97, 48, 7)


def test_a_mark_grows_stronger_is_not_there_and_shows_it_in_words(phone):
    phone.go("oven")
    pale = phone.moment().get_by_role("button", name="Pale")
    for said in ("a little", "clearly", "not there"):
        phone.tap(pale)
        expect(pale).to_contain_text(said)
    phone.saved()
    assert phone.readings()["fault:pale"] == 0


def test_taps_wait_through_a_cut_connection_and_none_is_lost(phone):
    phone.rung("water_poured_g", "850")
    phone.saved()
    phone.page.context.set_offline(True)
    phone.rung("dough_feel", "wet")
    phone.rung("dough_c", "27")
    expect(phone.page.get_by_text("2 taps wait to be saved")).to_be_visible()
    assert phone.page.locator('[data-ladder="dough_c"] [aria-pressed="true"]').inner_text() == "27"
    phone.page.context.set_offline(False)
    phone.saved()
    assert phone.readings() == {"water_poured_g": 850, "dough_feel": 1, "dough_c": 27}


def test_taps_that_wait_outlive_the_page(phone):
    phone.page.context.set_offline(True)
    phone.rung("dough_feel", "wet")
    expect(phone.page.get_by_text("1 tap waits to be saved")).to_be_visible()
    phone.page.context.set_offline(False)
    phone.page.goto(f"/sheet/{phone.trial}/")
    phone.saved()
    assert phone.readings() == {"dough_feel": 1}


def test_the_last_tap_is_taken_back(phone):
    phone.rung("dough_feel", "wet")
    phone.saved()
    with phone.page.expect_navigation():
        phone.tap(phone.page.get_by_role("button", name="Take back the last tap"))
    expect(phone.page.locator('[data-ladder="dough_feel"] [aria-pressed="true"]')).to_have_count(0)
    assert phone.readings() == {}


def test_another_number_is_typed(phone):
    ladder = phone.moment().locator('[data-ladder="water_poured_g"]')
    ladder.get_by_label("other number for Water poured").click()
    ladder.get_by_label("Water poured, g").fill("833,5")
    ladder.get_by_role("button", name="Note it").click()
    expect(ladder.get_by_text("833.5 noted")).to_be_visible()
    phone.saved()
    assert phone.readings() == {"water_poured_g": 833.5}


def test_a_slip_is_said_and_not_kept(phone):
    ladder = phone.moment().locator('[data-ladder="water_poured_g"]')
    ladder.get_by_label("other number for Water poured").click()
    ladder.get_by_label("Water poured, g").fill("8300")
    ladder.get_by_role("button", name="Note it").click()
    expect(phone.page.get_by_text("taken for a slip")).to_be_visible()
    assert phone.readings() == {}


def test_what_is_tasted_waits_until_the_core_is_noted(phone):
    phone.go("cut")
    gummy = phone.moment().get_by_role("button", name="Gummy crumb")
    expect(gummy).to_be_disabled()
    expect(phone.moment().get_by_text("nothing raw is tasted")).to_be_visible()
    phone.go("oven")
    phone.rung("core_c", "98")
    phone.go("cut")
    expect(gummy).to_be_enabled()


def test_it_works_without_script(browser, base_url, phone):
    context = browser.new_context(java_script_enabled=False, base_url=base_url)
    page = context.new_page()
    page.goto(f"/sheet/{phone.trial}/?at=oven")
    page.get_by_role("button", name="97", exact=True).click()
    expect(page.locator('[data-ladder="core_c"] [aria-pressed="true"]')).to_have_text("97")
    page.get_by_role("button", name="Rest of this moment: as planned").click()
    expect(page.get_by_role("link", name="cut")).to_have_attribute("aria-current", "step")
    context.close()
    assert phone.readings() == {"core_c": 97, "oven_c": None, "bake_min": None}


def test_the_sheet_can_be_used_by_everyone_and_stands_within_the_phone(phone):
    for name in ("mixing", "oven", "cut"):
        phone.go(name)
        assert violations(phone.page) == []
        assert over_the_side(phone.page) == []
    for target in phone.moment().locator(".words button, .rungs button").all():
        assert target.bounding_box()["height"] >= 56
    phone.page.emulate_media(color_scheme="dark")
    assert violations(phone.page, OF_COLOUR) == []

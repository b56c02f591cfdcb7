"""An experiment in the real browser: planned, noted, mapped; the point moved by hand and keys; kept with its reason."""

import re

import pytest
from playwright.sync_api import expect

from browser.conftest import violations

API = "/api/v1"


def test_an_experiment_is_begun_planned_and_mapped_from_two_bakes(page):
    page.goto("/#/experiments")
    page.get_by_label("Formula to experiment on").select_option(label="Summit tin loaf")
    page.get_by_role("button", name="Begin").click()
    expect(page.locator("[data-says]")).to_contain_text("Say what is varied")
    page.get_by_label("Most of Sorghum flour, % of flour").fill("40")
    page.get_by_label("Most of Sorghum flour, % of flour").press("Tab")
    page.get_by_role("button", name="Plan 8 bakes").click()
    expect(page.locator("[data-run]")).to_have_count(8)
    expect(page.get_by_text("With these bakes the map will be known to ±")).to_be_visible()
    for bake, value in ((1, "6,4"), (2, "5.1")):
        page.get_by_label(f"liking of bake {bake}", exact=True).fill(value)
        page.get_by_label(f"liking of bake {bake}", exact=True).press("Tab")
    expect(page.locator("[data-gain]")).to_contain_text("Best so far")
    expect(page.locator("[data-value]")).to_have_text(re.compile(r"\d\.\d ± \d\.\d"))
    assert violations(page) == []


def test_arrows_move_the_point_and_grams_and_sieves_follow(page):
    page.goto("/#/experiment/1")
    board = page.locator("[data-map]")
    expect(page.locator("[data-value]")).to_be_visible()
    before = page.get_by_role("row", name=re.compile("^potato starch")).inner_text()
    board.focus()
    with page.expect_response(re.compile("/point")):
        board.press("Shift+ArrowRight")
    expect(page.get_by_role("row", name=re.compile("^potato starch"))).not_to_have_text(before)
    grams = [int(t) for t in page.locator("tr.varied td:nth-child(2)").all_inner_texts()]
    assert sum(grams) == pytest.approx(650, abs=2)  # what is varied keeps its sum


def test_the_point_follows_a_hand_within_a_frame(page):
    page.goto("/#/experiment/1")
    board = page.locator("[data-map]")
    expect(page.locator("[data-value]")).to_be_visible()
    box = board.bounding_box()
    page.mouse.move(box["x"] + box["width"] * 0.5, box["y"] + box["height"] * 0.3)
    page.mouse.down()
    for n in range(8):
        page.mouse.move(box["x"] + box["width"] * (0.5 + 0.01 * n), box["y"] + box["height"] * 0.32)
    place = page.locator("[data-point]").get_attribute("transform")
    page.mouse.up()
    x = float(re.match(r"translate\(([\d.]+)", place)[1])
    assert x == pytest.approx(700 * 0.57, abs=4)


def test_next_bakes_are_added_and_a_point_is_kept_with_its_reason(page):
    page.goto("/#/experiment/1")
    page.get_by_role("button", name="Plan bake 10").click()
    expect(page.locator('[data-run="10"]')).to_be_visible()
    page.get_by_role("button", name="Keep the point as a revision").click()
    expect(page.get_by_text(re.compile("Kept as revision"))).to_be_visible()
    kept = page.request.get(f"{API}/blends/1").json()["revisions"]
    assert any(r["why"].startswith("experiment Summit, best three: 8 bakes, ") for r in kept)
    page.locator('[data-run="10"]').get_by_role("button", name=re.compile("bake it")).click()
    expect(page).to_have_url(re.compile("#/trial/"))
    expect(page.get_by_text("Because: experiment Summit, best three, bake 10")).to_be_visible()


def test_a_failed_bake_is_shown_and_not_fitted(page):
    page.goto("/#/experiment/1")
    expect(page.get_by_text("6 terms from 8 bakes")).to_be_visible()
    page.locator('[data-run="9"]').get_by_role("button", name=re.compile("failed")).click()
    expect(page.get_by_text("6 terms from 7 bakes")).to_be_visible()


def test_checks_stand_beside_the_map(page):
    page.goto("/#/experiment/1")
    page.get_by_text("Checks: least squares beside the map").click()
    expect(page.get_by_text(re.compile(r"R² \d\.\d\d, adjusted"))).to_be_visible()
    expect(page.get_by_role("img", name="Residuals against fitted values")).to_be_visible()
    assert violations(page) == []


def test_limits_that_clash_are_said_and_taken_back(page):
    page.goto("/#/experiments")
    page.get_by_label("Formula to experiment on").select_option(label="Summit tin loaf")
    page.get_by_role("button", name="Begin").click()
    for name in ("Sorghum flour", "Potato starch", "Brown rice flour"):
        box = page.get_by_label(f"Least of {name}, % of flour")
        box.fill("29")
        with page.expect_response(re.compile("/experiments/")):
            box.press("Tab")
    expect(page.locator("[data-says]")).to_contain_text("Nothing can be planned")
    page.get_by_role("button", name="Undo").click()
    expect(page.locator("[data-says]")).to_contain_text("Say what is varied")


def test_what_is_set_stays_open_while_one_sets_it(page):
    page.goto("/#/experiment/1")
    page.locator("details.setting summary").click()
    for wish, label in (("liking", "liking"), ("soft", "softness")):
        with page.expect_response(re.compile("/experiments/1")):
            page.get_by_label("Wish of several responses").select_option(wish)
        expect(page.get_by_label(f"{label} at least", exact=True)).to_be_visible()
    page.get_by_label("liking at best", exact=True).fill("8.5")
    page.get_by_label("liking at best", exact=True).press("Tab")
    expect(page.get_by_role("button", name="Undo")).to_be_enabled()

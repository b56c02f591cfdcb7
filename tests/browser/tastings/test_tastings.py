"""A table from setting it to its verdict in the real browser: blocked, served, answered by phone and paper, told."""

import re

from playwright.sync_api import expect

from browser.conftest import over_the_side, violations

API = "/api/v1"


def says(page):
    return page.locator("[data-says]")


def choose_trial(page, name):
    box = page.get_by_label("Trial to taste")
    expect(box.locator("option", has_text=name).first).to_be_attached()
    label = next(o for o in box.locator("option").all_inner_texts() if o.startswith(name))
    box.select_option(label=label)
    expect(page.get_by_text(name, exact=True).first).to_be_visible()


def test_a_table_is_set_blocked_opened_answered_on_paper_and_told(page):
    page.goto("/#/tastings")
    page.get_by_role("button", name="Set a table").click()
    expect(says(page)).to_contain_text("Set the table")
    choose_trial(page, "Ridge chickpea")
    choose_trial(page, "Ridge almond")
    page.get_by_label("Who sits at seat 2").fill("Tor")
    page.get_by_label("Who sits at seat 2").press("Tab")
    page.locator('[data-seat="2"] .avoids').click()
    page.get_by_label("tree nuts").select_option("allergy")
    page.keyboard.press("Escape")
    expect(says(page)).to_have_text("Seat 2 must not have everything: say what is left out there.")
    expect(page.locator('[data-seat="2"]')).to_contain_text("allergy, cannot be lifted")
    page.get_by_role("button", name="Leave it out here").click()
    expect(says(page)).to_contain_text("ready to open")
    page.get_by_role("button", name="Undo").click()
    expect(says(page)).to_contain_text("must not have everything")
    page.get_by_role("button", name="Open the table").click()
    expect(says(page)).to_have_text("0 of 6 handed in; seat 2 is blocked.")
    assert violations(page) == []
    # the blocked seat stands open first, and nothing is typed in for it
    expect(page.get_by_role("button", name="Type its paper sheet in")).to_have_count(0)
    for seat in (1, 3, 4, 5, 6):
        page.locator(f'button[data-seat="{seat}"]').click()
        page.get_by_role("button", name="Type its paper sheet in").click()
        form = page.locator("form").filter(has=page.get_by_role("button", name="Save this sheet"))
        form.locator("input").first.press("7")
        expect(form.locator("input").nth(1)).to_be_focused()  # a digit goes on to the next
        form.locator("input").nth(1).press("-")
        form.get_by_role("button", name="Save this sheet").click()
        expect(page.locator(f'button[data-seat="{seat}"]')).to_contain_text("handed in")
        page.get_by_role("button", name="Type its paper sheet in").click()
    page.get_by_role("button", name="Close the table").click()
    page.get_by_label("Who unblinds").fill("Berit")
    page.get_by_role("button", name="Unblind, once").click()
    expect(page.locator("[data-verdict]")).to_contain_text("Too few to say.")


def test_the_verdict_is_read_from_a_metre_and_leads_are_told_as_leads(page):
    page.goto("/#/tasting/1")
    verdict = page.locator("[data-verdict]")
    expect(verdict).to_contain_text("Ridge chickpea won.")
    assert float(verdict.evaluate("e => getComputedStyle(e).fontSize").removesuffix("px")) >= 28
    figures = page.locator(".means .num").first
    assert float(figures.evaluate("e => getComputedStyle(e).fontSize").removesuffix("px")) >= 24
    expect(page.get_by_role("heading", name=re.compile(r"Leads, not proof: 6 things"))).to_be_visible()
    expect(page.get_by_text("These 7 people; others may differ.")).to_be_visible()
    expect(page.get_by_text("Without any one of the 7 it says the same.")).to_be_visible()
    assert violations(page) == []


def test_arrows_walk_round_the_table(page):
    page.goto("/#/tasting/1")
    mat = page.locator('button[data-seat="1"]')
    mat.click()
    mat.press("ArrowRight")
    expect(page.locator('button[data-seat="2"]')).to_be_focused()
    page.locator('button[data-seat="2"]').press("ArrowLeft")
    expect(mat).to_have_attribute("aria-pressed", "true")
    mat.press("ArrowLeft")
    expect(page.locator('button[data-seat="8"]')).to_be_focused()


def test_a_link_is_handed_out_by_key_and_opens_one_sheet(page, context, base_url):
    page.goto("/#/tasting/3")
    page.locator('button[data-seat="7"]').click()
    page.keyboard.press("l")
    page.get_by_label("Address").fill("127.0.0.1")
    page.get_by_role("button", name="Hand it out").click()
    expect(page.get_by_role("img", name="Code for seat 7")).to_be_visible()
    url = page.locator("figure p.num").inner_text()
    answer = page.request.get(url)
    assert answer.status == 200
    assert "Slice 1 of 3" in answer.text()
    assert page.request.get(url.replace("/s/", "/api/v1/")).status == 404


def test_the_plating_sheet_stands_apart_and_asks_who_looks(page):
    page.goto("/#/plating/3")
    expect(page.get_by_text("Ridge teff")).to_have_count(0)
    page.get_by_label("Who plates").fill("Eva")
    page.get_by_role("button", name="Open it").click()
    expect(page.get_by_role("cell", name="Ridge teff", exact=True)).to_be_visible()
    expect(page.get_by_role("row", name=re.compile("3 Tor"))).to_contain_text("nothing: blocked")
    log = page.request.get(f"{API}/tastings/3").json()["log"]
    assert [x["who"] for x in log if x["what"] == "saw the plating sheet"] == ["Eva"]


def test_days_are_pooled_from_the_list(page):
    page.goto("/#/tastings")
    page.get_by_label("pool Tuesday table").check()
    page.get_by_label("pool Night crew, two loaves").check()
    page.get_by_role("link", name="Pool 2 days").click()
    expect(page.locator("[data-verdict]")).to_contain_text("13 tasters")
    expect(page.get_by_role("row", name=re.compile("together"))).to_contain_text("13")
    assert violations(page) == []
    page.set_viewport_size({"width": 390, "height": 844})
    assert over_the_side(page) == []


def test_three_mixes_without_agreement_are_tasted_from_the_family(page):
    page.goto("/#/family/9")
    page.get_by_role("link", name="Taste these").click()
    expect(says(page)).to_have_text("3 samples, 6 seats: ready to open.")

"""What was done on a page is there when one comes back: undo goes on, and a brief's fields stand as they were typed."""

from playwright.sync_api import expect


def test_undo_outlives_leaving_a_bench(page, bench):
    bench.open()
    before = bench.mass("teff-flour").input_value()
    bench.type_in(bench.mass("teff-flour"), "150")
    expect(page.get_by_text("saved", exact=False).first).to_be_visible()
    page.get_by_role("link", name="Blends", exact=True).click()
    expect(page.locator("a.blend").first).to_be_visible()
    page.goto("/#/bench/1")
    expect(bench.mass("teff-flour")).to_have_value("150")
    page.get_by_role("button", name="Undo").click()
    expect(bench.mass("teff-flour")).to_have_value(before)
    page.get_by_role("button", name="Redo").click()
    expect(bench.mass("teff-flour")).to_have_value("150")


def test_what_is_typed_in_a_brief_stays_until_it_is_saved_or_given_back(page):
    page.goto("/#/briefs/1")
    eaters = page.get_by_label("eaten by")
    expect(eaters).to_be_visible()
    was = eaters.input_value()
    eaters.fill("walkers in the rain")
    page.get_by_label("It may cost at most").fill("four")
    page.goto("/#/blends")
    expect(page.locator("a.blend").first).to_be_visible()
    page.reload()
    page.goto("/#/briefs/1")
    expect(page.get_by_text("did not save is here again")).to_be_visible()
    expect(eaters).to_have_value("walkers in the rain")
    expect(page.get_by_label("It may cost at most")).to_have_value("four")
    page.get_by_role("button", name="Back to what is saved").click()
    expect(eaters).to_have_value(was)
    page.goto("/#/briefs/new")
    expect(page.get_by_role("heading", name="A new brief")).to_be_visible()
    page.get_by_label("This brief is called").fill("Half a thought")
    page.goto("/#/")
    expect(page.get_by_role("region", name="Summit tin loaf")).to_be_visible()
    page.goto("/#/briefs/new")
    expect(page.get_by_label("This brief is called")).to_have_value("Half a thought")
    page.get_by_role("button", name="Save the brief").click()
    expect(page.get_by_role("region", name="Half a thought")).to_be_visible()
    page.goto("/#/briefs/new")
    expect(page.get_by_label("This brief is called")).to_have_value("")

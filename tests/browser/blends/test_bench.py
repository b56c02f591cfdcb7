"""The blend bench: typed, dragged, locked, added to, by hand and by keys."""

from __future__ import annotations

import json
import re
import urllib.request

import pytest
from playwright.sync_api import expect

SUMMIT = {
    "sorghum-flour": 290, "brown-rice-flour": 140, "teff-flour": 120, "chickpea-flour": 80, "potato-starch": 220,
    "tapioca-starch": 150, "psyllium-husk": 50,
}  # fmt: skip


def stored(base_url: str, blend_id: int = 1) -> dict[str, float]:
    with urllib.request.urlopen(f"{base_url}/api/v1/blends/{blend_id}/draft") as answer:
        return {p["ingredient"]: p["mass_g"] for p in json.load(answer)["content"]["parts"]}


def drag(bench, name: str, by_px: int, steps: int = 12) -> None:
    handle = bench.page.get_by_role("slider", name=name)
    box = handle.locator(".grip").bounding_box()
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    bench.page.mouse.move(x, y)
    bench.page.mouse.down()
    bench.page.mouse.move(x, y + by_px, steps=steps)


def test_the_state_is_one_sentence_and_what_holds_comes_first(bench):
    bench.open(12)
    expect(bench.say).to_have_text("Held by 1 of 10: binder.")
    first = bench.page.locator("[data-metric]").first
    expect(first).to_have_attribute("data-metric", "binder_load")
    expect(first).to_contain_text("held, 12.99 over")


def test_the_mixes_on_record_stand_under_a_sieve_and_what_it_gives_to_eat_is_told_not_judged(bench):
    bench.open(12)
    ticks = bench.sieve("sticky_share_pct").locator(".tick")
    expect(ticks.first).to_be_attached()
    assert ticks.count() >= 10
    assert "white rice flour" in " ".join(ticks.locator("title").all_text_contents())
    quiet = bench.page.get_by_role("table", name="What it gives to eat, not judged")
    expect(quiet.get_by_role("row", name=re.compile("^Protein"))).to_contain_text("g/100 g")
    expect(bench.sieve("protein_pct")).to_have_count(0)
    bench.open(9)  # its brief wishes for fibre
    expect(bench.sieve("fibre_pct")).to_contain_text("held")


def test_the_column_stands_on_the_whole_grains_with_the_binder_on_top(bench):
    bench.open()
    slugs = [r.get_attribute("data-row") for r in bench.page.locator("[data-row]").all()]
    assert slugs[0] == "psyllium-husk"
    assert slugs[-1] == "sorghum-flour"
    assert slugs.index("potato-starch") < slugs.index("teff-flour")


def test_grams_typed_in_place_change_the_judgement_and_are_saved(bench, base_url):
    bench.open()
    bench.type_in(bench.mass("potato-starch"), "900")
    expect(bench.say).to_contain_text("Two are close: binder")
    expect(bench.sieve("binder_load")).to_contain_text("close")
    bench.saved()
    assert stored(base_url)["potato-starch"] == 900


def test_percent_typed_in_place_takes_from_the_others_and_keeps_the_flour(bench, base_url):
    bench.open()
    bench.type_in(bench.share("teff-flour"), "20")
    expect(bench.mass("teff-flour")).to_have_value("200")
    bench.saved()
    flour = {s: m for s, m in stored(base_url).items() if s != "psyllium-husk"}
    assert sum(flour.values()) == pytest.approx(1000)
    assert flour["sorghum-flour"] / flour["potato-starch"] == pytest.approx(290 / 220)


def test_the_batch_is_scaled_with_every_share_kept(bench):
    bench.open()
    bench.type_in(bench.page.get_by_label("Batch, g"), "2100")
    expect(bench.mass("sorghum-flour")).to_have_value("580")
    expect(bench.share("sorghum-flour")).to_have_value("29.0")


@pytest.mark.parametrize("text", ["lots", "-5", "0", "1e9", ""])
def test_a_cell_keeps_what_was_typed_and_says_what_would_do(bench, text):
    bench.open()
    bench.type_in(bench.mass("teff-flour"), text)
    expect(bench.row("teff-flour").get_by_role("alert")).to_contain_text("over 0")
    expect(bench.mass("teff-flour")).to_have_value(text)
    bench.mass("teff-flour").press("Escape")
    expect(bench.mass("teff-flour")).to_have_value("120")


def test_a_share_that_the_locks_leave_no_room_for_says_how_much_there_is(bench):
    bench.open()
    for slug in ("sorghum-flour", "brown-rice-flour", "potato-starch", "tapioca-starch"):
        bench.row(slug).get_by_role("button", name="Lock").click()
    bench.type_in(bench.share("teff-flour"), "60")
    expect(bench.row("teff-flour").get_by_role("alert")).to_contain_text("room for less than 20.0 %")


def test_a_dragged_boundary_moves_mass_from_one_layer_to_the_other_as_one_step_of_undo(bench):
    bench.open()
    before = bench.masses()
    drag(bench, "Boundary of Teff flour and Potato starch", -60)
    bench.page.mouse.up()
    after = bench.masses()
    moved = after["teff-flour"] - before["teff-flour"]
    assert moved > 50
    assert after["potato-starch"] == pytest.approx(before["potato-starch"] - moved)
    assert sum(after.values()) == pytest.approx(1050)
    assert {s: m for s, m in after.items() if s not in ("teff-flour", "potato-starch")} == {
        s: m for s, m in before.items() if s not in ("teff-flour", "potato-starch")
    }
    bench.page.get_by_role("button", name="Undo").click()
    assert bench.masses() == before
    bench.page.get_by_role("button", name="Redo").click()
    assert bench.masses() == after


def test_the_judgement_follows_while_the_hand_is_still_moving(bench):
    bench.open()
    with bench.page.expect_response("**/api/v1/analyse"):
        drag(bench, "Boundary of Brown rice flour and Teff flour", 40)
    expect(bench.sieve("fibre_pct")).not_to_contain_text("8.0")
    bench.page.keyboard.press("Escape")
    bench.page.mouse.up()
    assert bench.masses() == SUMMIT


def test_a_layer_cannot_be_dragged_below_a_trace(bench):
    bench.open()
    drag(bench, "Boundary of Teff flour and Potato starch", 700)
    bench.page.mouse.up()
    expect(bench.mass("teff-flour")).to_have_value("0.1")
    assert sum(bench.masses().values()) == pytest.approx(1050)


def test_a_locked_layer_keeps_its_mass_and_passes_the_drag_on(bench):
    bench.open()
    bench.row("teff-flour").get_by_role("button", name="Lock").click()
    expect(bench.page.get_by_role("slider", name="Boundary of Brown rice flour and Potato starch")).to_have_count(2)
    handle = bench.page.get_by_role("slider", name="Boundary of Brown rice flour and Potato starch").first
    handle.focus()
    handle.press("ArrowUp")
    expect(bench.mass("brown-rice-flour")).to_have_value("145")
    expect(bench.mass("potato-starch")).to_have_value("215")
    expect(bench.mass("teff-flour")).to_have_value("120")


def test_an_ingredient_is_added_by_another_name_and_told_from_its_look_alike(bench):
    bench.open()
    bench.page.get_by_label("Add an ingredient").click()
    bench.page.keyboard.type("cassava")
    option = bench.page.get_by_role("option", name="Cassava flour")
    expect(option).to_be_visible()
    expect(bench.page.get_by_text("Not tapioca starch.")).to_be_visible()
    option.click()
    expect(bench.mass("cassava-flour")).to_have_value("100")
    expect(bench.mass("cassava-flour")).to_be_focused()


def test_a_binder_is_added_at_its_usual_dose_for_the_use(bench):
    bench.open(5)
    bench.page.get_by_label("Add an ingredient").fill("xanthan")
    bench.page.get_by_role("option", name="Xanthan gum").click()
    dose = bench.number(bench.mass("xanthan-gum").input_value())
    assert 1 <= dose <= 20  # 1000 g of flour, crispbread


def test_a_part_is_removed_and_undo_brings_it_back(bench, base_url):
    bench.open()
    bench.row("chickpea-flour").get_by_role("button", name="Remove").click()
    expect(bench.row("chickpea-flour")).to_have_count(0)
    expect(bench.page.get_by_text("was taken out. Undo brings it back.")).to_be_visible()
    bench.page.keyboard.press("Control+z")
    expect(bench.mass("chickpea-flour")).to_have_value("80")
    bench.saved()
    assert stored(base_url) == SUMMIT


def test_the_keyboard_alone_composes_a_mix(bench):
    bench.open()
    cell = bench.mass("teff-flour")
    cell.focus()
    bench.page.keyboard.press("+")
    expect(cell).to_have_value("125")
    bench.page.keyboard.press("Shift+_")  # not a nudge: nothing happens
    bench.page.keyboard.press("Escape")
    bench.page.keyboard.press("-")
    expect(cell).to_have_value("120")
    bench.page.keyboard.press("l")
    expect(bench.row("teff-flour")).to_contain_text("locked")
    bench.page.keyboard.press("ArrowUp")
    expect(bench.mass("potato-starch")).to_be_focused()
    bench.page.keyboard.press("ArrowRight")
    expect(bench.share("potato-starch")).to_be_focused()
    bench.page.keyboard.type("25")
    bench.page.keyboard.press("Enter")
    expect(bench.mass("potato-starch")).to_have_value("250")
    bench.page.keyboard.press("Control+z")
    expect(bench.mass("potato-starch")).to_have_value("220")


def test_keys_reach_the_list_of_keys_the_search_and_the_adding(bench):
    bench.open()
    bench.page.keyboard.press("?")
    expect(bench.page.get_by_role("dialog", name="Keys")).to_be_visible()
    bench.page.keyboard.press("Escape")
    bench.page.keyboard.press("/")
    expect(bench.page.get_by_role("dialog", name="Find a brief, a blend, a formula or a flour")).to_be_visible()
    bench.page.keyboard.type("viaduct plain")
    expect(bench.page.get_by_role("option", name="Viaduct plain")).to_be_visible()
    bench.page.keyboard.press("Enter")
    expect(bench.page.get_by_label("Name of the blend")).to_have_value("Viaduct plain")
    expect(bench.say).to_contain_text("Two are close")
    bench.page.keyboard.press("a")
    expect(bench.page.get_by_label("Add an ingredient")).to_be_focused()


def test_a_sieve_opens_to_how_it_is_worked_out_with_a_way_to_the_method(bench):
    bench.open()
    bench.sieve("flour_starch_pct").get_by_role("button", name="Starch to set").click()
    expect(bench.sieve("flour_starch_pct")).to_contain_text("The band comes from 35 mixes that people bake.")
    terms = bench.sieve("flour_starch_pct").get_by_role("row")
    expect(terms).to_have_count(7)
    total = sum(bench.number(t.get_by_role("cell").nth(2).inner_text()) for t in terms.all()[1:])
    assert total == pytest.approx(71.3, abs=0.3)
    bench.sieve("flour_starch_pct").get_by_role("link", name="The method").click()
    expect(bench.page.get_by_role("heading", name="Sums over the parts")).to_be_in_viewport()


@pytest.mark.parametrize("open_up", ["sieve", "bag", "revisions"])
def test_a_page_that_lies_still_asks_for_nothing(bench, open_up):
    bench.open()
    if open_up == "sieve":
        bench.sieve("fibre_pct").get_by_role("button").first.click()
    else:
        bench.page.get_by_role("tab", name={"bag": "The bag", "revisions": "Revisions"}[open_up]).click()
    bench.page.wait_for_load_state("networkidle")
    bench.page.wait_for_timeout(1500)
    asked: list[str] = []
    bench.page.on("request", lambda r: asked.append(r.url))
    bench.page.wait_for_timeout(800)
    assert asked == []


def test_what_a_mix_is_good_for_stands_in_order_and_a_use_opens_to_its_sieves(page, bench):
    bench.open(8)
    page.keyboard.press("u")
    expect(page.get_by_role("heading", name=re.compile("^Good for sponge and layer cake"))).to_be_visible()
    uses = page.get_by_role("list", name="Uses in order of fit").locator("button.row")
    expect(uses).to_have_count(31)
    cookies = page.get_by_role("button", name=re.compile("Drop cookies"))
    expect(cookies).to_contain_text("binder 0.17 × usual over")
    cookies.focus()
    page.keyboard.press("Enter")
    expect(page.locator(".sieves [data-metric=binder_load]")).to_contain_text("1.47")
    page.get_by_role("button", name="Make it this mix’s use").click()
    expect(page.get_by_label("What the mix is for")).to_have_value("drop-cookie")
    page.keyboard.press("Control+z")
    expect(page.get_by_label("What the mix is for")).to_have_value("all-purpose")

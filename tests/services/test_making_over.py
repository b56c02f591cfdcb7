"""Recipes made over by other habits: self-raising flour, gels, sauces, fillings, and gluten-free ones made better."""

from __future__ import annotations

from dataclasses import replace

import pytest

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.formulas.formula import BLEND
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.pins import Pin
from fallow_sieve.reference.uses import rules
from fallow_sieve.services.kitchen import bundled_kitchen
from fallow_sieve.services.recipes import make_over, read_text

PLAIN = {"sorghum-flour": 500, "potato-starch": 300, "tapioca-starch": 200}
HUSK = PLAIN | {"psyllium-husk": 50}
GUM = {"white-rice-flour": 500, "potato-starch": 300, "tapioca-starch": 195, "xanthan-gum": 5}
RAISING = {"white-rice-flour": 480, "potato-starch": 290, "tapioca-starch": 185, "baking-powder": 45}


def made(text, use, blend, off=()):
    kitchen = bundled_kitchen()
    parts = tuple(Part(slug, g) for slug, g in blend.items())
    recipe = replace(read_text(text, kitchen).formula, blend=parts, pin=Pin("blend", 1, None, "Mix"))
    return make_over(recipe, rules().uses[use], kitchen, off, text)


def masses(found):
    return {x.ingredient: x.mass_g for x in found.conversion.formula.lines}


def changes(found):
    return {c.change.what: c for c in found.conversion.changes}


def test_self_raising_flour_gives_its_powder_back_before_leavening_is_judged():
    # 225 g × 5 % = 11.25 g, which is the usual most of a cake (5 %) already: it is not multiplied.
    found = made("Cake\n225 g self-raising flour\n225 g butter\n225 g sugar\n4 eggs", "layer-cake", GUM)
    assert masses(found)["baking-powder"] == pytest.approx(11.25)
    assert changes(found)["raising"].change.size == pytest.approx(11.25)
    off = made("Cake\n225 g self-raising flour\n225 g butter\n225 g sugar\n4 eggs", "layer-cake", GUM, off={"raising"})
    assert "baking-powder" not in masses(off)


def test_leavening_is_never_raised_beyond_its_usual_most():
    # 9.2 g on 200 g are 4.6 %; × 1.25 would be 5.7 %, the usual most of a cake is 5 %.
    found = made("Cake\n200 g plain flour\n9.2 g baking powder\n100 g butter\n150 g sugar\n2 eggs", "layer-cake", PLAIN)
    assert masses(found)["baking-powder"] == pytest.approx(10)


def test_what_a_self_raising_bag_brings_is_taken_off():
    # 200 g of a bag of which 45 in 1000 are powder bring 9 g; wanted are 4 × 1.25 = 5 g.
    found = made("Cake\n200 g plain flour\n4 g baking powder\n100 g butter\n150 g sugar\n2 eggs", "layer-cake", RAISING)
    assert "baking-powder" not in masses(found)


def test_soda_is_raised_only_as_far_as_its_acid_goes():
    soda = "Soda bread\n450 g plain flour\n{} g bicarbonate of soda\n400 g buttermilk"
    enough, too_much = (masses(made(soda.format(g), "scone", PLAIN))["baking-soda"] for g in (2, 5.5))
    assert enough == pytest.approx(2.5)
    assert 5.5 <= too_much < 5.5 * 1.25


def test_wheat_beside_the_dough_goes_by_power_in_a_filling_and_gram_for_gram_for_dusting():
    text = "Pie\nPastry\n250 g plain flour\n125 g butter\n60 g water\nFilling\n600 g cherries\n30 g plain flour"
    found = masses(made(text, "short-pastry", GUM))
    assert found["corn-starch"] == pytest.approx(15)  # wheat thickens half as well as corn starch
    dusted = made("Loaf\n500 g bread flour\n7 g yeast\n320 g water\n20 g plain flour for dusting", "tin-loaf", HUSK)
    assert masses(dusted)["white-rice-flour"] == pytest.approx(20)
    assert "wheat-flour" not in masses(dusted)


def test_a_sauce_is_made_over_by_thickening_power():
    found = made("White sauce\n40 g butter\n40 g plain flour\n500 ml milk", "thickener", {"corn-starch": 100})
    assert masses(found)[BLEND] == pytest.approx(20)
    assert "rest" not in changes(found)


LOAF = (
    "Loaf\nGel\n25 g psyllium husk\n300 g water\nDough\n250 g sorghum flour\n150 g tapioca starch\n100 g potato starch\n"
    "7 g yeast\n9 g salt\n150 g water"
)


def test_a_gluten_free_recipe_is_made_better_its_own_mix_and_its_gel_give_way_to_the_bag():
    found = made(LOAF, "tin-loaf", HUSK)
    after = masses(found)
    # 500 g of a bag with 50 g husk in 1050 bring 23.8 g of it: no more than the gel brought.
    assert after[BLEND] == pytest.approx(500)
    assert "sorghum-flour" not in after
    assert after.get("psyllium-husk", 0) + 500 * 50 / 1050 == pytest.approx(25, abs=1.5)
    assert found.conversion.own_mix
    assert [*changes(found)] == ["flour", "own-binder", "binder", "water"]


def test_its_water_keeps_the_bakers_consistency_and_moves_by_what_the_mixes_drink():
    same = {"sorghum-flour": 250, "tapioca-starch": 150, "potato-starch": 100}
    found = made(LOAF, "tin-loaf", same)
    assert changes(found)["water"].change.size == pytest.approx(0, abs=0.5)
    assert masses(found)["psyllium-husk"] == pytest.approx(25)


def test_a_bought_self_raising_flour_gives_its_powder_back_and_leavening_is_not_multiplied():
    text = "Scones\n225 g gluten-free self-raising flour\n55 g butter\n25 g sugar\n150 ml milk"
    found = made(text, "scone", PLAIN)
    assert masses(found)["baking-powder"] == pytest.approx(11.25)
    assert changes(found)["leavening"].change.size is None


def test_a_very_thirsty_own_flour_stands_for_three_times_its_grams():
    found = made("Loaf\n60 g coconut flour\n4 eggs\n60 g butter\n1 tsp baking powder", "quick-bread", PLAIN)
    assert masses(found)[BLEND] == pytest.approx(200)


def test_what_holds_the_result_is_traced_to_the_change_that_did_it():
    text = "Sponge\n175 g self-raising flour\n1 1/2 tsp baking powder\n175 g butter\n175 g sugar\n3 eggs"
    (cause,) = made(text, "layer-cake", PLAIN).causes
    assert cause.startswith("Baking powder holds it")
    assert "given back" in cause


def test_a_recipe_without_any_flour_says_so():
    with pytest.raises(BadInputError, match="no flour"):
        made("Trifle\n200 g cream\n3 eggs", "layer-cake", PLAIN)


def test_other_gluten_is_changed_for_its_like_or_named():
    text = "Ale bread\n400 g plain flour\n300 ml stout\n1 tbsp malt vinegar\n2 tsp baking powder"
    found = made(text, "quick-bread", PLAIN)
    assert "malt-vinegar" not in masses(found)
    assert masses(found)["cider-vinegar"] > 0
    assert "Malt vinegar → cider vinegar" in changes(found)["gluten"].say
    assert "stout" in changes(found)["gluten"].say


def test_ones_own_starch_thickens_by_what_it_does_not_by_its_name():
    kitchen = bundled_kitchen()
    mine = replace(kitchen.shelf["corn-starch"], slug="fell-starch", name="Fell starch", own=True)
    kitchen = replace(kitchen, shelf=kitchen.shelf.with_ingredients((mine,)))
    text = "White sauce\n40 g butter\n40 g plain flour\n500 ml milk"
    recipe = replace(read_text(text, kitchen).formula, blend=(Part("fell-starch", 100),), pin=Pin("blend", 1, None, "Mix"))  # fmt: skip
    assert masses(make_over(recipe, rules().uses["thickener"], kitchen, (), text))[BLEND] == pytest.approx(20)

"""Swaps conserve what the thing was for, then repair the water; what is lost is listed."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.formulas.formula import BLEND, Formula, Line, When
from fallow_sieve.core.formulas.pouring import counted_water
from fallow_sieve.core.formulas.swaps.offers import swaps_for
from fallow_sieve.core.formulas.swaps.sweeteners import HIGH_INTENSITY
from fallow_sieve.core.ingredients.functions import Kind
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.reference.formulas import swap_rules
from fallow_sieve.reference.ingredients import library_shelf
from kit import formula_of

SHELF = library_shelf()
RULES = swap_rules("layer-cake")
FLOUR = {"sorghum-flour": 600, "potato-starch": 400}


def cake(slug, mass, when="wet", use="layer-cake", water=400.0):
    lines = [(slug, mass, when), (BLEND, 500, "dry"), ("water", water, "wet")]
    return formula_of(lines, FLOUR, use=use)


def swaps(formula, at=0):
    return {
        s.name if s.name.startswith("Half") or ", bulk from" in s.name else s.to: s
        for s in swaps_for(formula, at, SHELF, swap_rules(formula.use))
    }


def amount(lines, nutrient):
    return math.fsum(
        x.mass_g * SHELF[x.ingredient].range_of(nutrient).typical / 100 for x in lines if x.ingredient != BLEND
    )


def test_fat_goes_by_fat_and_the_butters_water_is_given_back():
    oil = swaps(cake("unsalted-butter", 100, "fat"))["vegetable-oil"]
    fat, water = (SHELF["unsalted-butter"].range_of(n).typical for n in ("fat_g", "water_g"))
    assert oil.lines[0].mass_g == pytest.approx(fat)
    assert oil.water_change_g == pytest.approx(water)
    assert any("creamed or rubbed" in x.say for x in oil.losses)


def test_at_most_half_of_a_fat_by_puree():
    half = swaps(cake("unsalted-butter", 100, "fat"))["Half apple purée"]
    assert [(x.ingredient, x.mass_g) for x in half.lines[:2]] == [("apple-puree", 50), ("unsalted-butter", 50)]
    assert any("Never more than half" in x.say for x in half.losses)


def test_a_sweetener_goes_by_sweetness_and_says_what_bulk_is_lost():
    honey = swaps(cake("white-sugar", 120, "dry"))["honey"]
    assert honey.lines[0].mass_g == pytest.approx(100)  # 1.2 times as sweet
    bulk = 120 * (1 - 0.0002) - 100 * (1 - 0.171)
    assert any(x.say == f"{bulk:.0f} g less bulk." for x in honey.losses)
    assert swaps(cake("white-sugar", 65, "dry"))["erythritol"].lines[0].mass_g == pytest.approx(100)


def test_the_bulk_of_a_stronger_sweetener_is_given_back_by_the_blend():
    before = cake("white-sugar", 120, "dry")
    honey = swaps(before)["Honey, bulk from the blend"]
    bulk = 120 * (1 - 0.0002) - 100 * (1 - 0.171)
    assert [x.mass_g for x in honey.lines[:2]] == [pytest.approx(100), pytest.approx(500 + bulk)]
    assert honey.say.endswith(f"{bulk:.0f} g more of the blend.")
    assert not any("less bulk" in x.say for x in honey.losses)
    assert counted_water(honey.lines, SHELF) == pytest.approx(counted_water(before.lines, SHELF))
    dry = sum(x.mass_g * (1 - SHELF[x.ingredient].range_of("water_g").typical / 100) for x in honey.lines[:1])
    assert dry + bulk == pytest.approx(120 * (1 - 0.0002), rel=1e-3)


def test_bulk_is_given_back_only_where_there_is_flour_to_give_it():
    syrup = formula_of(
        [("white-sugar", 120, "filling"), ("water", 100, "filling"), (BLEND, 300, "dry")], FLOUR, use="layer-cake"
    )
    assert not [n for n in swaps(syrup) if "bulk from" in n]
    plain = formula_of(
        [("white-sugar", 120, "dry"), ("teff-flour", 200, "dry"), ("water", 100, "wet")], use="layer-cake"
    )
    assert swaps(plain)["Honey, bulk from teff flour"].lines[1].mass_g > 200


def test_a_weaker_sweetener_has_more_bulk_and_nothing_to_give_back():
    found = swaps(cake("white-sugar", 65, "dry"))
    assert any("more bulk." in x.say for x in found["erythritol"].losses)
    assert not [n for n in found if n.startswith("Erythritol, bulk")]


def test_an_egg_replacer_that_would_double_the_binder_offers_less_and_says_so():
    bound = formula_of(
        [("whole-egg", 100, "wet"), (BLEND, 204, "dry"), ("water", 150, "wet")],
        {**FLOUR, "xanthan-gum": 5},
        use="quick-bread",
    )
    bare = formula_of([("whole-egg", 100, "wet"), (BLEND, 200, "dry"), ("water", 150, "wet")], FLOUR, use="quick-bread")
    full, less = (swaps(f)["psyllium-powder"] for f in (bare, bound))
    assert full.lines[0].mass_g == pytest.approx(4)  # 2 g for each 50 g of egg
    assert 1 <= less.lines[0].mass_g < 2
    assert any("doubles the dose" in x.say for x in less.losses)
    assert not any("doubles the dose" in x.say for x in full.losses)
    assert counted_water(less.lines, SHELF) == pytest.approx(counted_water(bound.lines, SHELF))


def test_an_egg_goes_by_its_replacers_table_and_keeps_the_doughs_water():
    flax = swaps(cake("whole-egg", 100))["ground-flaxseed"]
    assert [(x.ingredient, x.mass_g, x.when) for x in flax.lines[:2]] == [
        ("ground-flaxseed", 14, When.GEL), ("water", 86, When.GEL),
    ]  # fmt: skip
    assert any("Not for this use" in x.say for x in flax.losses)  # a gel does not lift a sponge
    powder = swaps(cake("whole-egg", 100))["egg-white-powder"]
    assert any("egg allergen stays" in x.say for x in powder.losses)


def test_milk_goes_by_its_water():
    soy = swaps(cake("whole-milk", 200))["soy-milk"]
    assert amount(soy.lines, "water_g") == pytest.approx(amount(cake("whole-milk", 200).lines, "water_g"), rel=1e-9)
    assert swaps(cake("whole-milk", 200))["water"].losses


def test_a_thickener_goes_by_power_in_a_sauce_or_filling_but_a_starch_in_a_dough_is_flour():
    sauce = swaps(cake("corn-starch", 30, "dry", use="thickener"))["tapioca-starch"]
    assert sauce.lines[0].mass_g == pytest.approx(40)  # three quarters of the power
    filling = swaps(cake("corn-starch", 30, "filling"))
    assert filling["xanthan-gum"].lines[0].mass_g == pytest.approx(3)
    assert "wheat-flour" not in filling
    assert swaps(cake("corn-starch", 30, "dry")) == {}


def test_a_binder_goes_by_load_and_its_water_follows_what_it_holds():
    husk = swaps(cake("xanthan-gum", 2.5, "dry", use="tin-loaf"))["psyllium-husk"]
    dose = 2.5 * 5 / 1.2
    assert husk.lines[0].mass_g == pytest.approx(dose)
    assert husk.water_change_g == pytest.approx(dose * 5 - 2.5 * 8)


def test_what_loses_least_stands_first():
    found = swaps_for(cake("unsalted-butter", 100, "fat"), 0, SHELF, RULES)
    order = [(s.in_larder, s.lost) for s in found]
    assert order == sorted(order)
    assert found[0].to == "ghee"


def test_water_that_cannot_be_taken_away_is_said_and_weighs_heavily():
    syrup = swaps(cake("white-sugar", 200, "dry", water=5))["maple-syrup"]
    assert syrup.short_g == pytest.approx(
        200 / 0.7 * SHELF["maple-syrup"].range_of("water_g").typical / 100 - 5, abs=0.1
    )
    assert any("there is no plain water left" in x.say for x in syrup.losses)


def test_the_blend_and_a_line_that_is_not_there_are_refused():
    with pytest.raises(BadInputError, match="on its own bench"):
        swaps_for(cake("salt", 5), 1, SHELF, RULES)
    with pytest.raises(BadInputError, match="no line 9"):
        swaps_for(cake("salt", 5), 9, SHELF, RULES)
    assert swaps_for(cake("salt", 5), 0, SHELF, RULES) == ()


FATS = tuple(i.slug for i in SHELF.ingredients if i.function(Kind.FAT))
MILKS = tuple(i.slug for i in SHELF.ingredients if i.function(Kind.MILK))
SWAPPED = ("whole-egg", *FATS, *MILKS, *(s for s in RULES.sweeteners if s in SHELF))
STAGES = st.sampled_from((When.WET, When.FAT, When.DRY))


def given_for_bulk(formula, swap):
    """The water that a swap gives besides: 0.4 g for each g of sugar's bulk that flour has to bring back."""
    flour = [sum(x.mass_g for x in lines if x.ingredient == "teff-flour") for lines in (formula.lines, swap.lines)]
    strong = SHELF[swap.to].function(Kind.SWEETENER) in HIGH_INTENSITY
    return 0.4 * (flour[1] - flour[0]) if strong else 0.0


@given(st.sampled_from(SWAPPED), st.floats(1, 800), st.floats(0.5, 3000), STAGES, st.booleans())
def test_every_swap_conserves_the_doughs_water(slug, mass, water, when, with_milk):
    lines = [Line(slug, mass, when), Line("water", water, When.WET), Line("teff-flour", 300.0, When.DRY)]
    lines += [Line("oat-milk", 80.0, When.WET)] * with_milk
    formula = Formula(tuple(lines), use="layer-cake")
    before = counted_water(formula.lines, SHELF)
    for swap in swaps_for(formula, 0, SHELF, RULES):
        after = counted_water(swap.lines, SHELF)
        moist = given_for_bulk(formula, swap)
        assert after == pytest.approx(before + moist + swap.short_g, rel=1e-9, abs=1e-9), swap.say
        assert all(x.mass_g > 0 for x in swap.lines)


@given(st.sampled_from(FATS), st.floats(1, 800))
def test_every_whole_fat_swap_conserves_the_fat(slug, mass):
    formula = Formula((Line(slug, mass, When.FAT), Line("water", 2000, When.WET)), use="scone")
    fat = mass * SHELF[slug].range_of("fat_g").typical / 100
    for swap in swaps_for(formula, 0, SHELF, RULES):
        if swap.to in FATS:
            new = swap.lines[0]
            assert new.mass_g * SHELF[new.ingredient].range_of("fat_g").typical / 100 == pytest.approx(fat, rel=1e-9)


def test_a_strong_sweetener_gives_back_bulk_and_moisture():
    # 200 g sugar: 1 g of what is 200 times as sweet; the blend brings 199 g of bulk, and 0.4 g of water for each.
    stevia = swaps(cake("white-sugar", 200, "dry"))["Stevia extract (steviol glycosides), bulk from the blend"]
    masses = {x.ingredient: x.mass_g for x in stevia.lines}
    assert masses["stevia-extract"] == pytest.approx(1)
    assert masses[BLEND] == pytest.approx(500 + 199, abs=0.1)
    assert masses["water"] == pytest.approx(400 + 0.4 * 199, abs=0.2)
    assert stevia.in_larder


def test_nothing_that_contains_gluten_is_ever_offered():
    for slug, when in (("cider-vinegar", "wet"), ("baking-powder", "dry"), ("corn-starch", "filling")):
        found = swaps(cake(slug, 20, when))
        assert found
        assert not any(SHELF[x.ingredient].contains_gluten for s in found.values() for x in s.lines if x.ingredient != BLEND)  # fmt: skip


def test_cream_goes_gram_for_gram_and_says_what_fat_is_missing():
    single = swaps(cake("double-cream", 100))["single-cream"]
    assert single.lines[0].mass_g == 100
    assert any("29 g less fat" in x.say for x in single.losses)  # 48 against 19.1 g


def test_buttermilk_goes_for_milk_with_a_spoon_of_acid():
    soured = next(s for s in swaps_for(cake("buttermilk", 200), 0, SHELF, RULES) if s.name.startswith("Whole milk"))
    assert [(x.ingredient, x.mass_g) for x in soured.lines[:2]] == [("whole-milk", 188), ("lemon-juice", 12)]


@pytest.mark.parametrize(
    ("old", "mass", "new", "becomes"),
    [
        ("instant-dry-yeast", 7, "fresh-yeast", 21),
        ("baking-soda", 3, "baking-powder", 9),
        ("cider-vinegar", 15, "cream-of-tartar", 15 * 0.07 / 0.45),
    ],
)
def test_what_lifts_goes_by_strength_and_an_acid_by_its_soda(old, mass, new, becomes):
    assert swaps(cake(old, mass))[new].lines[0].mass_g == pytest.approx(becomes)


def test_powder_is_soda_and_the_tartar_that_soda_needs():
    pair = next(s for s in swaps_for(cake("baking-powder", 9), 0, SHELF, RULES) if s.to == "baking-soda")
    assert [x.mass_g for x in pair.lines[:2]] == [pytest.approx(3), pytest.approx(3 / 0.45)]


def test_two_for_one_is_a_school_of_thickening():
    pie = cake("corn-starch", 20, "filling")
    by_power, two = (
        next(s for s in swaps_for(pie, 0, SHELF, swap_rules("layer-cake", school)) if s.to == "tapioca-starch")
        for school in ("by-power", "two-for-one")
    )
    assert (by_power.lines[0].mass_g, two.lines[0].mass_g) == (pytest.approx(20 / 0.75), pytest.approx(40))

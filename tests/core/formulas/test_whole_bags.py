"""A complete mix weighs what its formula weighs, brings no allergen of its own, and can be taken apart again."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.formulas import into_bag, judge_formula, out_of_bag
from fallow_sieve.core.formulas.analysis import analyse_formula
from fallow_sieve.core.formulas.formula import BLEND, opened
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.reference import formula_rules, library_shelf, powders
from kit import formula_of

SHELF, POWDERS = library_shelf(), powders()
FLOUR = {"sorghum-flour": 200, "potato-starch": 100}
PANCAKES = formula_of(
    [
        (BLEND, 300, "dry"), ("baking-powder", 10, "dry"), ("salt", 3, "dry"), ("white-sugar", 30, "dry"),
        ("whole-milk", 400, "wet"), ("whole-egg", 100, "wet"), ("unsalted-butter", 40, "fat"), ("raisins", 50, "fold-in"),
        ("water", 60, "wet"),
    ], FLOUR, use="pancake", name="Pancakes",
)  # fmt: skip


def masses(formula):
    return {p.ingredient: p.mass_g for p in opened(formula.lines, formula.blend)}


def total(formula):
    return sum(x.mass_g for x in formula.lines)


def test_what_is_dry_goes_in_and_milk_as_powder_and_water():
    made = into_bag(PANCAKES, SHELF, POWDERS)
    bag = {p.ingredient: p.mass_g for p in made.parts}
    # 400 g of milk are 40 g of powder and 360 g of water, to the 60 g that are poured: 420 g on 383 g of mix
    assert bag == pytest.approx({**FLOUR, "baking-powder": 10, "salt": 3, "white-sugar": 30, "skim-milk-powder": 40})
    assert made.water_g == pytest.approx(100 * 420 / 383)
    assert {s.ingredient for s in made.stays} == {"whole-egg", "unsalted-butter", "raisins"}
    assert next(s for s in made.stays if s.ingredient == "whole-egg").g_per_100_g == pytest.approx(100 * 100 / 383)
    assert "its fat stays outside" in made.notes[0]


def test_egg_goes_in_as_powder_where_that_is_wished():
    made = into_bag(PANCAKES, SHELF, POWDERS, dry_egg=True)
    assert {p.ingredient: p.mass_g for p in made.parts}["whole-egg-powder"] == pytest.approx(25)
    assert made.water_g * 408 / 100 == pytest.approx(495)


@pytest.mark.parametrize("dry_egg", [False, True])
def test_the_dough_is_the_same_and_weighs_the_same(dry_egg):
    made = into_bag(PANCAKES, SHELF, POWDERS, dry_egg=dry_egg)
    assert total(made.formula) == pytest.approx(total(PANCAKES))
    was, now = (analyse_formula(f, SHELF) for f in (PANCAKES, made.formula))
    assert now.flour_g == pytest.approx(was.flour_g)  # dried milk and egg are no flour
    assert now.hydration_pct == pytest.approx(was.hydration_pct, abs=4)


@pytest.mark.parametrize("dry_egg", [False, True])
def test_a_bag_taken_apart_is_the_formula_again(dry_egg):
    made = into_bag(PANCAKES, SHELF, POWDERS, dry_egg=dry_egg)
    assert masses(out_of_bag(made.formula, SHELF, POWDERS)) == pytest.approx(masses(PANCAKES))


def test_a_powder_never_brings_what_the_liquid_does_not():
    vegan = formula_of([(BLEND, 300, "dry"), ("oat-milk", 400, "wet")], FLOUR, use="pancake")
    made = into_bag(vegan, SHELF, POWDERS)
    assert [s.ingredient for s in made.stays] == ["oat-milk"]
    assert "skim-milk-powder" not in {p.ingredient for p in made.parts}


def test_a_formula_counts_what_its_bag_brings():
    made = into_bag(PANCAKES, SHELF, POWDERS).formula
    found = {g.name: g.value for g in judge_formula(made, SHELF, formula_rules()).gauges}
    assert found["powder"] == pytest.approx(100 * 10 / 300)
    assert found["salt"] == pytest.approx(1.0, abs=0.35)  # 3 g on 300, and what milk and butter bring


def test_a_bag_of_flour_cannot_be_taken_apart_and_a_wet_formula_makes_none():
    assert out_of_bag(formula_of([(BLEND, 300, "dry")], FLOUR), SHELF, POWDERS) is None
    with pytest.raises(BadInputError, match="nothing in it is dry"):
        into_bag(formula_of({"olive-oil": 100}), SHELF, POWDERS)


LINES = (
    "white-sugar",
    "salt",
    "honey",
    "whole-milk",
    "whole-egg",
    "plain-yoghurt",
    "fresh-yeast",
    "olive-oil",
    "water",
)


@given(st.dictionaries(st.sampled_from(LINES), st.floats(1, 500), max_size=9), st.booleans())
def test_nothing_is_lost_and_no_allergen_comes_on_the_way(lines, dry_egg):
    formula = formula_of([(BLEND, 300, "dry"), *((s, g, "wet") for s, g in lines.items())], FLOUR)
    made = into_bag(formula, SHELF, POWDERS, dry_egg=dry_egg)
    assert total(made.formula) == pytest.approx(total(formula))
    had, has = ({a for s in masses(f) for a in SHELF[s].allergens} for f in (formula, made.formula))
    assert has <= had
    bag_g = sum(p.mass_g for p in made.parts)
    outside = sum(s.g_per_100_g for s in made.stays) + made.water_g
    assert bag_g * (1 + outside / 100) == pytest.approx(total(formula))

"""What meets the water: each line by what it is mostly made of, eggs and milk out of the cold."""

import pytest

from fallow_sieve.core.formulas.dough_temperature import SPECIFIC_HEAT, Mass, heat_kind, masses_of
from fallow_sieve.core.formulas.formula import BLEND
from fallow_sieve.core.formulas.pouring import poured_water_g
from fallow_sieve.reference.ingredients import library_shelf
from kit import formula_of

SHELF = library_shelf()


@pytest.mark.parametrize(
    ("slug", "kind"),
    [
        ("whole-egg", "egg"), ("egg-white", "egg"), ("egg-white-powder", "flour"), ("whole-milk", "milk"), ("plain-yoghurt", "milk"),
        ("unsalted-butter", "fat"), ("olive-oil", "fat"), ("white-sugar", "sugar"), ("honey", "sugar"), ("teff-flour", "flour"),
        ("salt", "flour"), ("almond-flour", "flour"), ("apple-puree", "milk"),
    ],
)  # fmt: skip
def test_an_ingredient_counts_as_what_it_is_mostly_made_of(slug, kind):
    assert heat_kind(SHELF[slug]) == kind


def test_every_ingredient_has_a_heat():
    assert {heat_kind(i) for i in SHELF.rows} <= set(SPECIFIC_HEAT)


def test_only_the_dough_meets_the_water_and_the_water_is_not_among_it():
    lines = [
        (BLEND, 500, "dry"), ("water", 300, "wet"), ("whole-egg", 100, "wet"), ("whole-milk", 50, "finish"), ("apple-puree", 200, "filling"),
    ]  # fmt: skip
    found = masses_of(formula_of(lines, {"teff-flour": 1}), SHELF, room_c=21, cold_c=4)
    assert found == (Mass("flour", 500, 21), Mass("egg", 100, 4))


def test_the_water_of_a_gel_stood_in_the_room_and_is_not_warmed_any_more():
    lines = [(BLEND, 500, "dry"), ("psyllium-husk", 20, "gel"), ("water", 200, "gel"), ("water", 250, "wet")]
    formula = formula_of(lines, {"teff-flour": 1})
    assert Mass("water", 200, 21) in masses_of(formula, SHELF, room_c=21, cold_c=4)
    assert poured_water_g(formula.lines) == 250

"""Lines as other kitchens write them: several things in one, other units and numbers, headings in other words."""

from __future__ import annotations

import pytest

from fallow_sieve.services.kitchen import bundled_kitchen
from fallow_sieve.services.recipes import read_text

KITCHEN = bundled_kitchen()


def lines_of(text):
    return read_text(f"A cake\n{text}", KITCHEN).recipe.lines


@pytest.mark.parametrize(
    ("line", "found"),
    [
        ("1 tsp each baking powder and salt", [("baking-powder", 4.5), ("salt", 5.8)]),
        ("salt and pepper, to taste", [("salt", None), ("black-pepper", None)]),
        ("2 eggs + 1 egg yolk", [("whole-egg", 100), ("egg-yolk", 18)]),
        ("1 cup white sugar + 1/2 cup brown", [("white-sugar", 200), ("brown-sugar", 107)]),
        ("baking soda and salt, 1/2 tsp each", [("baking-soda", 2.4), ("salt", 2.9)]),
    ],
)
def test_a_line_that_names_several_things_gives_each_its_own_mass(line, found):
    (first,) = lines_of(line)
    both = (first, *first.also)
    assert [x.ingredient for x in both] == [slug for slug, _ in found]
    for x, (_, grams) in zip(both, found, strict=True):
        assert x.mass is None if grams is None else x.mass.low * 0.95 <= grams <= x.mass.high * 1.05


def test_a_name_with_and_in_it_stays_one_thing_and_what_is_half_known_is_not_split():
    (one,) = lines_of("1/2 cup half and half")
    assert (one.ingredient, one.also) == ("half-and-half", ())
    (other,) = lines_of("1 tsp each salt and moon dust")
    assert (other.ingredient, other.also) == (None, ())


@pytest.mark.parametrize(
    ("line", "grams"),
    [
        ("6 eggs (60 g)", 360),  # six eggs never weigh 60 g
        ("6 eggs (300 g)", 300),
        ("2 bananas (230 g)", 230),
    ],
)
def test_a_mass_in_brackets_is_that_of_each_where_it_can_be_no_other(line, grams):
    (found,) = lines_of(line)
    assert found.mass.typical == pytest.approx(grams)


@pytest.mark.parametrize(
    ("line", "slug", "grams"),
    [
        ("15 dag Reismehl", "white-rice-flour", 150),
        ("1 gestr. TL Salz", "salt", 5.8),
        ("1 Handvoll Walnüsse", "walnuts", 30),
        ("une douzaine d'olives", "olives", 42),
        ("heaping 1/2 cup sorghum flour", "sorghum-flour", 83),
        ("half a dozen eggs", "whole-egg", 300),
        ("200 g rice, potato and maize flour blend", "bought-gf-plain-flour", 200),
        ("225 g medium oatmeal, gluten free", "gluten-free-rolled-oats", 225),
        ("100 g gruyère râpé", "gruyere", 100),
    ],
)
def test_amounts_and_names_of_other_kitchens(line, slug, grams):
    (found,) = lines_of(line)
    assert found.ingredient == slug
    assert found.mass.low * 0.97 <= grams <= found.mass.high * 1.03


@pytest.mark.parametrize(
    ("row", "kind"),
    [
        ("Yeast mixture", "section"),
        ("Toppings", "section"),
        ("Cuts into 16 squares", "yield"),
        ("Ingredienti per 4 piadine", "yield"),
        ("für eine Kastenform 25 cm", "yield"),
        ("Springform 24 cm", "yield"),
        ("Im vorgeheizten Ofen bei 230 °C 50 Min. backen.", "step"),
        ("Eier trennen und Eiweiß steif schlagen.", "step"),
        ("Prep 10 min | Rise 1 hr", "note"),
    ],
)
def test_every_line_is_of_its_kind_in_other_languages_too(row, kind):
    assert read_text(f"A cake\n100 g teff flour\n{row}", KITCHEN).recipe.rows[-1].kind == kind


@pytest.mark.parametrize(
    ("line", "slug", "low", "typical", "high"),
    [
        ("1/2 Würfel Hefe (ca. 20 g), zerbröckelt", "fresh-yeast", 10, 20, 20),
        ("1/2 tin pumpkin purée (400 g)", "pumpkin-puree", 200, 200, 400),
        ("2 tins pumpkin purée (400 g)", "pumpkin-puree", 800, 800, 800),
    ],
)
def test_half_a_pack_with_a_mass_in_brackets_may_mean_either_and_is_marked(line, slug, low, typical, high):
    (found,) = lines_of(line)
    assert found.ingredient == slug
    assert (found.mass.low, found.mass.typical, found.mass.high) == pytest.approx((low, typical, high))
    assert (found.understood == "guessed") is (low != high)

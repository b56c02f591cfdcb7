"""What is not known of how a flour behaves is borrowed from a relative, with twice the range."""

import pytest

from fallow_sieve.core.ingredients import Fact, Ingredient, Quality, Role, borrowed, lacking, relatives_of
from fallow_sieve.core.ingredients.borrowing import BORROWABLE, CONTENTS
from fallow_sieve.core.values import Range, exactly
from fallow_sieve.reference import library_shelf
from kit import flour, shelf_of

LIBRARY = library_shelf()


def labelled(slug, name, role, **numbers):
    facts = {n: Fact(exactly(v), Quality.LABEL) for n, v in numbers.items()}
    return Ingredient(slug, name, Role(role), facts)


@pytest.mark.parametrize(
    ("own", "among"),
    [
        (labelled("mine", "Moulin rice flour", "refined_flour"), {"white-rice-flour"}),
        (labelled("mine", "Ivory teff", "whole_grain"), {"teff-flour"}),
        (labelled("mine", "Red lentil flour", "legume", protein_g=24, fibre_g=11), {"lentil-flour"}),
        (labelled("mine", "Fonio", "whole_grain", protein_g=8, fat_g=1, fibre_g=3, starch_g=75), {"brown-rice-flour", "millet-flour", "sorghum-flour"}),
    ],
    ids=lambda x: x.name if isinstance(x, Ingredient) else "",
)  # fmt: skip
def test_the_nearest_relative_has_a_word_of_the_name_or_is_alike_in_what_is_in_it(own, among):
    first = relatives_of("mine", LIBRARY.with_ingredients([own]))[0]
    assert first.ingredient in among
    assert set(first.gives) <= {*BORROWABLE, *(() if own.facts else CONTENTS)}


def test_what_is_borrowed_keeps_its_typical_value_and_reaches_twice_as_far():
    rice = flour(
        "rice", "refined_flour", thirst_g_per_g=(1.0, 1.2, 1.7), grit_index=(1.0, 2.0, 4.0), lightness_l=(90, 93, 95)
    )
    mine = flour("mine", "refined_flour", thirst_g_per_g=1.4)
    facts = borrowed(mine, rice, "2026-03-14")
    assert "thirst_g_per_g" not in facts  # it is known
    assert facts["grit_index"].range == Range(0, 2, 5)  # 2 - 2 x 1, and not over 5
    assert facts["lightness_l"].range == Range(87, 93, 97)
    assert (facts["grit_index"].source, facts["grit_index"].quality) == ("borrowed from Rice", Quality.ESTIMATE)


def test_what_lacks_nothing_borrows_nothing():
    whole = LIBRARY["white-rice-flour"]
    assert lacking(whole) == ()
    assert relatives_of("white-rice-flour", LIBRARY) == ()


def test_a_gluten_cereal_lends_nothing():
    wheat = flour("wheat", "whole_grain", thirst_g_per_g=(0.8, 0.9, 1.0), more={"gluten_risk": "contains-gluten"})
    assert relatives_of("wheat-free", shelf_of(wheat, flour("wheat-free", "whole_grain"))) == ()

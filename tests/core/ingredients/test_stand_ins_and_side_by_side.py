"""What could stand in for a flour, and flours laid side by side."""

from dataclasses import replace

import pytest

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.ingredients.ingredient import Fact, Quality
from fallow_sieve.core.ingredients.search import LookAlike
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.ingredients.side_by_side import SIDE_BY_SIDE, laid_side_by_side
from fallow_sieve.core.ingredients.stand_ins import stand_ins_for
from fallow_sieve.core.values.errors import BadInputError, UnknownNameError
from fallow_sieve.core.values.estimates import Range
from fallow_sieve.core.values.quantities import parse_basis
from fallow_sieve.reference.ingredients import library_shelf
from kit import flour, shelf_of

GRAMS = parse_basis("100g")
TEFF = flour("teff", thirst_g_per_g=(1.0, 1.3, 1.6), protein_g=(12, 13, 14), density_g_per_ml=(0.5, 0.6, 0.8), more={"price_per_kg": 5.0, "gluten_mg_per_kg": None})  # fmt: skip
STARCH = flour("starch", "starch", thirst_g_per_g=0.8, protein_g=0, density_g_per_ml=0.75, more={"price_per_kg": 2.0, "gluten_mg_per_kg": 5.0})  # fmt: skip
WET = Fact(Range(1.5, 1.6, 1.7), Quality.MEASURED, "water taken up", "2026-03-02")
LOT = replace(TEFF, facts={**TEFF.facts, "thirst_g_per_g": WET}, price_per_kg=6.0, gluten_mg_per_kg=4.0, lot_id=7, lot_code="S-7")  # fmt: skip
SHELF = Shelf.of([TEFF, STARCH], [LOT])
HALF = (Part("teff", 100), Part("starch", 100))
FROM_LOT = (Part("teff", 100, lot_id=7), Part("starch", 100))


def test_the_nearest_stand_in_is_the_one_that_differs_least_and_says_in_what():
    base = {"thirst_g_per_g": 1.2, "grit_index": 2, "stickiness": 0, "flavour_index": 2, "lightness_l": 80, "density_g_per_ml": 0.6}  # fmt: skip
    shelf = shelf_of(
        flour("wanted", **base),
        flour("near", **{**base, "grit_index": 3}),
        flour("far", **{**base, "thirst_g_per_g": 3.0, "lightness_l": 60}, more={"allergens": ("soya",)}),
        flour("wheat", **base, more={"gluten_risk": "contains-gluten"}),
        flour("away", **base, more={"archived": True}),
        flour("gum", "binder", **base),
        flour("bare", protein_g=8),
    )
    found = stand_ins_for("wanted", shelf, "behaviour")
    assert [f.ingredient for f in found] == ["near", "far"]
    assert found[0].changes[0].change.what == "grit_index"
    assert found[0].changes[0].share_pct == pytest.approx(100)
    assert found[0].say == "Grittier by 1 of 5."
    assert found[1].adds == ("soya",)
    assert "1.80 g/g more water" in found[1].say
    assert found[1].say.endswith("brings soya.")


def test_what_only_one_of_two_has_on_record_is_not_taken_for_equal():
    full = {"thirst_g_per_g": 1.2, "grit_index": 2, "stickiness": 0, "flavour_index": 2, "lightness_l": 80, "density_g_per_ml": 0.6}  # fmt: skip
    gappy = {k: v for k, v in full.items() if k != "stickiness"}
    shelf = shelf_of(flour("wanted", **full), flour("gappy", **gappy), flour("other", **{**full, "grit_index": 4}))
    found = {f.ingredient: f for f in stand_ins_for("wanted", shelf, "behaviour")}
    assert found["gappy"].distance == pytest.approx((1 / 6) ** 0.5)
    assert found["gappy"].known_pct == pytest.approx(100 * 5 / 9)


def test_distance_is_the_same_both_ways_and_nothing_stands_in_for_itself():
    shelf = library_shelf()
    there = {f.ingredient: f.distance for f in stand_ins_for("teff-flour", shelf, "both", 90)}
    back = {f.ingredient: f.distance for f in stand_ins_for("sorghum-flour", shelf, "both", 90)}
    assert there["sorghum-flour"] == pytest.approx(back["teff-flour"])
    assert "teff-flour" not in there
    assert not any(shelf[s].contains_gluten for s in there)
    assert list(there.values()) == sorted(there.values())


def test_wheat_can_be_asked_for_a_stand_in_and_gets_flours_of_the_base():
    found = stand_ins_for("wheat-flour", library_shelf(), "both")
    assert found
    assert all(library_shelf()[f.ingredient].in_flour_base for f in found)


def test_flours_side_by_side_share_a_scale_and_name_what_sets_them_apart():
    pairs = (LookAlike("tapioca-starch", "corn-starch", "One is sticky."),)
    found = laid_side_by_side(["tapioca-starch", "corn-starch"], library_shelf(), GRAMS, pairs)
    assert [x.column.name for x in found.lines] == list(SIDE_BY_SIDE)
    assert all(x.scale >= max((c.high for c in x.cells if c), default=0) for x in found.lines)
    assert found.look_alikes == pairs
    assert found.say.startswith("They differ most in stickiness: Tapioca starch 1.0")


@pytest.mark.parametrize("slugs", [[], ["teff-flour"] * 2, ["teff-flour"] * 7])
def test_none_too_many_or_one_twice_are_not_put_side_by_side(slugs):
    with pytest.raises(BadInputError):
        laid_side_by_side(slugs, library_shelf(), GRAMS, ())


def test_a_flour_that_is_not_there_is_named_with_the_nearest():
    with pytest.raises(UnknownNameError, match="teff-flour"):
        laid_side_by_side(["tef-flour"], library_shelf(), GRAMS, ())

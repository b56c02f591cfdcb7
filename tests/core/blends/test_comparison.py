"""Flours on one basis: a mass, a cup, a spoon; and a whole mix on the same."""

import pytest

from fallow_sieve.core.blends.analysis import of_mix
from fallow_sieve.core.ingredients.side_by_side import compare
from fallow_sieve.core.values.errors import UnknownNameError
from fallow_sieve.core.values.quantities import CupStandard, parse_basis
from kit import flour, mix, shelf_of

SHELF = shelf_of(
    flour("light", protein_g=(18, 20, 22), fibre_g=10, density_g_per_ml=(0.4, 0.5, 0.6)),
    flour("heavy", protein_g=10, fibre_g=2, density_g_per_ml=(0.6, 0.8, 1.0)),
    flour("no-cup", protein_g=5),
)


def on(basis: str, slug: str = "light", cup: CupStandard = CupStandard.METRIC):
    return compare([slug], SHELF, parse_basis(basis, cup))[0]


@pytest.mark.parametrize(
    ("basis", "mass_g", "low_g", "high_g"),
    [
        ("100g", 100, 100, 100),
        ("30g", 30, 30, 30),
        ("cup", 125, 100, 150),
        ("quarter-cup", 31.25, 25, 37.5),
        ("tablespoon", 7.5, 6, 9),
    ],
)
def test_a_volume_becomes_a_mass_with_the_spread_of_its_density(basis, mass_g, low_g, high_g):
    found = on(basis)
    assert (found.mass_g, found.mass_low_g, found.mass_high_g) == pytest.approx((mass_g, low_g, high_g))


def test_nutrients_carry_the_compositions_range_at_the_typical_mass():
    protein = on("cup").nutrients["protein_g"]
    assert (protein.low, protein.typical, protein.high) == pytest.approx((22.5, 25, 27.5))


def test_what_is_unknown_stays_unknown_on_any_basis():
    assert on("100g").nutrients["iron_mg"].typical is None
    no_density = on("cup", "no-cup")
    assert (no_density.mass_g, no_density.nutrients["protein_g"].typical) == (None, None)


def test_the_order_asked_for_is_kept_and_an_unknown_flour_named():
    assert [c.ingredient for c in compare(["heavy", "light"], SHELF, parse_basis("100g"))] == ["heavy", "light"]
    with pytest.raises(UnknownNameError, match="did you mean heavy"):
        compare(["hevy"], SHELF, parse_basis("100g"))


def test_a_whole_mix_on_a_quarter_cup():
    # Equal masses: volumes 1/0.5 + 1/0.8, density 2/3.25 g/mL; 62.5 mL of it hold 38.46 g at 15 g protein per 100 g.
    found = of_mix(mix({"light": 50, "heavy": 50}, SHELF), parse_basis("quarter-cup", CupStandard.METRIC))
    assert found.mass_g == pytest.approx(62.5 * 2 / 3.25)
    assert found.nutrients["protein_g"].typical == pytest.approx(0.15 * 62.5 * 2 / 3.25)


def test_a_lower_bound_of_a_mix_stays_one_on_a_serving():
    found = of_mix(mix({"light": 50, "no-cup": 50}, SHELF), parse_basis("30g"))
    assert found.nutrients["fibre_g"].typical == pytest.approx(1.5)
    assert found.nutrients["fibre_g"].high is None
    assert of_mix(mix({"no-cup": 1}, SHELF), parse_basis("cup")).mass_g is None

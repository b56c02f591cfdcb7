"""What follows from an ingredient's facts: energy both ways, salt and sodium, the spread of a bare number."""

import pytest

from fallow_sieve.core.ingredients.ingredient import Fact, Quality, Role, range_from_number, with_derived
from fallow_sieve.core.ingredients.nutrients import available_carbohydrate_g, energy_kcal, energy_kj
from fallow_sieve.core.values.estimates import Range, exactly
from kit import flour


def facts(**numbers):
    return {n: Fact(exactly(v), Quality.LABEL) for n, v in numbers.items()}


def test_energy_by_the_factors_of_the_regulation():
    # 10 g protein, 2 g fat, 70 g available carbohydrate, 5 g fibre:
    # 170 + 74 + 1190 + 40 = 1474 kJ; 40 + 18 + 280 + 10 = 348 kcal.
    assert energy_kj(10, 2, 70, 5) == 1474
    assert energy_kcal(10, 2, 70, 5) == 348
    assert energy_kj(0, 0, 0, 0, polyols_g=3) == 30
    assert energy_kcal(0, 0, 0, 0, polyols_g=10) == 24


def test_available_carbohydrate_is_total_less_fibre_and_never_negative():
    assert available_carbohydrate_g(76, 6) == 70
    assert available_carbohydrate_g(5, 8) == 0


def test_energy_follows_from_the_parts_of_a_flour():
    found = with_derived(facts(protein_g=10, fat_g=2, carbohydrate_g=75, fibre_g=5))
    assert found["energy_kj"].range.typical == pytest.approx(1474)
    assert found["energy_kcal"].range.typical == pytest.approx(348)


def test_energy_is_as_uncertain_as_its_parts():
    # Only protein is uncertain: σ = 1 g, so energy is ± 1.96 × 17 kJ.
    given = {**facts(fat_g=2, carbohydrate_g=75, fibre_g=5), "protein_g": Fact(Range(8.04, 10, 11.96), Quality.TABLE)}
    found = with_derived(given)["energy_kj"].range
    assert (found.high - found.low) / 2 == pytest.approx(1.96 * 17, rel=1e-6)


@pytest.mark.parametrize("missing", ["protein_g", "fat_g", "carbohydrate_g", "fibre_g"])
def test_without_one_of_its_parts_energy_stays_unknown(missing):
    given = facts(protein_g=10, fat_g=2, carbohydrate_g=75, fibre_g=5)
    del given[missing]
    assert "energy_kj" not in with_derived(given)


def test_a_given_energy_is_never_replaced_and_gives_the_other_unit():
    found = with_derived(facts(energy_kj=1500, protein_g=10, fat_g=2, carbohydrate_g=75, fibre_g=5))
    assert found["energy_kj"].range.typical == 1500
    assert found["energy_kcal"].range.typical == pytest.approx(1500 / 4.184)
    assert with_derived(facts(energy_kcal=350))["energy_kj"].range.typical == pytest.approx(1464.4)


def test_salt_is_two_and_a_half_times_sodium():
    assert with_derived(facts(sodium_mg=400))["salt_g"].range.typical == pytest.approx(1.0)
    assert with_derived(facts(salt_g=1.0))["sodium_mg"].range.typical == pytest.approx(400)


@pytest.mark.parametrize(
    ("name", "low", "high"),
    [("protein_g", 9, 11), ("fat_g", 9, 11), ("fibre_g", 8, 12), ("iron_mg", 8, 12), ("density_g_per_ml", 10, 10)],
)
def test_a_bare_number_gets_the_usual_spread_of_its_kind(name, low, high):
    found = range_from_number(name, 10)
    assert (found.low, found.typical, found.high) == pytest.approx((low, 10, high))


def test_the_spread_of_a_bare_number_stays_under_100_g():
    assert range_from_number("fibre_g", 90).high == 100


def test_binders_and_other_stand_outside_the_flour_base():
    outside = {r for r in Role if not flour("x", r).in_flour_base}
    assert outside == {Role.BINDER, Role.OTHER}


def test_what_is_absent_is_unknown():
    assert flour("x", protein_g=8).range_of("fibre_g") is None

"""Rounding on labels against a second program written from the rules alone, over ten thousand values."""

from __future__ import annotations

import random
from decimal import ROUND_HALF_UP, Decimal
from fractions import Fraction

import pytest

from fallow_sieve.reference.labelling import print_eu, print_us


def values(seed: int) -> list[str]:
    """Ten thousand values as decimals, half of them on or a hair beside a tie or an edge."""
    rng = random.Random(seed)
    free = [f"{rng.uniform(0, 10 ** rng.randint(-2, 3)):.4f}" for _ in range(5000)]
    edges = [Decimal(rng.randint(0, 4000)) / Decimal(rng.choice([2, 20, 200])) for _ in range(5000)]
    return [
        *free,
        *(str(max(Decimal(0), e + rng.choice([0, 0, Decimal("0.0001"), Decimal("-0.0001")]))) for e in edges),
    ]


def half_up(x: Fraction, step: Fraction) -> Fraction:
    return ((x / step + Fraction(1, 2)).__floor__()) * step


def text(x: Fraction, places: int) -> str:
    return str((Decimal(x.numerator) / Decimal(x.denominator)).quantize(Decimal(1).scaleb(-places), ROUND_HALF_UP))


def eu_macro(x: Fraction, least: Fraction, small: str) -> str:
    if x <= least:
        return small
    fine = half_up(x, Fraction(1, 10))
    return text(fine, 1) if x < 10 and fine < 10 else text(half_up(x, Fraction(1)), 0)


def eu_salt(x: Fraction) -> str:
    if x <= Fraction(125, 10000):
        return "<0.01"
    fine = half_up(x, Fraction(1, 100))
    return text(fine, 2) if x < 1 and fine < 1 else text(half_up(x, Fraction(1, 10)), 1)


def us_fat(x: Fraction) -> str:
    if x < Fraction(1, 2):
        return "0"
    fine = half_up(x, Fraction(1, 2))
    return text(fine, 1) if x < 5 and fine < 5 else text(half_up(x, Fraction(1)), 0)


def us_gram(x: Fraction) -> str:
    if x < Fraction(1, 2):
        return "0"
    return "less than 1 g" if x < 1 else text(half_up(x, Fraction(1)), 0)


def us_stepped(x: Fraction, least: int, edge: int) -> str:
    if x < least:
        return "0"
    fine = half_up(x, Fraction(5))
    return text(fine, 0) if x <= edge and fine <= edge else text(half_up(x, Fraction(10)), 0)


PROGRAMS = {
    "fat_g": lambda x: eu_macro(x, Fraction(1, 2), "<0.5"),
    "saturated_fat_g": lambda x: eu_macro(x, Fraction(1, 10), "<0.1"),
    "salt_g": eu_salt,
    "energy_kj": lambda x: text(half_up(x, Fraction(1)), 0),
}
US_PROGRAMS = {
    "fat_g": us_fat,
    "fibre_g": us_gram,
    "sodium_mg": lambda x: us_stepped(x, 5, 140),
    "energy_kcal": lambda x: us_stepped(x, 5, 50),
}


@pytest.mark.parametrize("nutrient", PROGRAMS)
def test_the_european_unions_rounding_agrees_with_a_second_program(nutrient):
    for v in values(1):
        assert print_eu(nutrient, float(v)) == PROGRAMS[nutrient](Fraction(v)), v


@pytest.mark.parametrize("nutrient", US_PROGRAMS)
def test_the_united_states_rounding_agrees_with_a_second_program(nutrient):
    for v in values(2):
        assert print_us(nutrient, float(v)) == US_PROGRAMS[nutrient](Fraction(v)), v


def test_a_binary_tie_is_the_tie_it_is_meant_to_be():
    assert print_eu("fat_g", 0.1 + 0.45) == "0.6"
    assert print_eu("salt_g", 0.145) == "0.15"
    assert print_eu("calcium_mg", 123.45) == "123"
    assert print_eu("iron_mg", 2.349) == "2.3"

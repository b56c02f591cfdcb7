"""Units at the edge: each conversion has its way back, and cups keep their standard."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.values import quantities as q
from fallow_sieve.core.values.errors import QuantityError, UnknownNameError

MASSES = st.floats(min_value=1e-3, max_value=1e6)


@given(MASSES, st.sampled_from(["g", "kg", "mg", "oz", "lb"]))
def test_masses_go_to_grams_and_back(amount, unit):
    assert q.from_grams(q.to_grams(amount, unit), unit) == pytest.approx(amount)


@given(st.floats(min_value=-40, max_value=300))
def test_temperatures_go_to_fahrenheit_and_back(temp_c):
    assert q.celsius_from_fahrenheit(q.fahrenheit_from_celsius(temp_c)) == pytest.approx(temp_c, abs=1e-9)


@pytest.mark.parametrize(
    ("amount", "unit", "grams"), [(1, "oz", 28.349523125), (1, "lb", 453.59237), (2, "kg", 2000), (250, "mg", 0.25)]
)
def test_masses_by_definition(amount, unit, grams):
    assert q.to_grams(amount, unit) == pytest.approx(grams, rel=1e-12)


@pytest.mark.parametrize(("temp_c", "temp_f"), [(0, 32), (100, 212), (-40, -40), (180, 356)])
def test_temperatures_by_definition(temp_c, temp_f):
    assert q.fahrenheit_from_celsius(temp_c) == pytest.approx(temp_f)


def test_cups_and_spoons_by_standard():
    assert [round(q.cup_ml(c), 1) for c in q.CupStandard] == [236.6, 250.0, 284.1]
    assert [round(q.tablespoon_ml(s), 1) for s in q.SpoonStandard] == [14.8, 15.0, 17.8, 20.0]


def test_a_teaspoon_is_a_third_of_a_tablespoon_but_a_quarter_of_20_ml():
    assert q.teaspoon_ml(q.SpoonStandard.US) == pytest.approx(4.93, abs=0.01)
    assert q.teaspoon_ml(q.SpoonStandard.AUSTRALIAN) == 5


@pytest.mark.parametrize("convert", [q.to_grams, q.from_grams])
def test_an_unknown_unit_suggests_a_known_one(convert):
    with pytest.raises(UnknownNameError, match="unit of mass 'ozz'"):
        convert(1, "ozz")


@pytest.mark.parametrize(("text", "mass_g"), [("100g", 100), ("30 g", 30), ("12.5g", 12.5)])
def test_a_basis_of_mass(text, mass_g):
    assert q.parse_basis(text).mass_g == mass_g


@pytest.mark.parametrize(
    ("text", "standard", "volume_ml"),
    [
        ("cup", "us", 236.588),
        ("quarter-cup", "metric", 62.5),
        ("tablespoon", "us", 14.787),
        ("cup", "imperial", 284.131),
    ],
)
def test_a_basis_of_volume_follows_the_cup_in_force(text, standard, volume_ml):
    assert q.parse_basis(text, q.CupStandard(standard)).volume_ml == pytest.approx(volume_ml, abs=1e-3)


@pytest.mark.parametrize("text", ["", "0g", "-5g", "100", "g", "half-cup", "1e3g", "100kg", "nan g", "9" * 40 + "g"])
def test_a_basis_that_cannot_be_read_says_what_would_do(text):
    with pytest.raises(QuantityError, match="give 100g"):
        q.parse_basis(text)

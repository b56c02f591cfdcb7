"""A sauce is judged by the power of its starches a litre, and by what acid, boiling and freezing leave of it."""

import pytest

from fallow_sieve.core.formulas.formula import Formula, Line, When
from fallow_sieve.core.formulas.judgement import judge_formula
from fallow_sieve.core.formulas.rules import FormulaSetting
from fallow_sieve.core.values.errors import UnknownNameError
from fallow_sieve.reference.formulas import formula_rules
from fallow_sieve.reference.ingredients import library_shelf

SHELF = library_shelf()


def judged(lines, consistency=None, method="", school="by-power"):
    formula = Formula(tuple(Line(s, g, When.WET) for s, g in lines.items()), use="thickener", consistency=consistency, method=method)  # fmt: skip
    return judge_formula(formula, SHELF, formula_rules(), FormulaSetting(thickener_school=school))


def test_power_counts_for_each_litre_of_water():
    # 10 g of corn starch in half a litre: 20 g a litre.
    found = judged({"corn-starch": 10, "water": 500}, "pourable")
    assert found.thickening.per_litre == pytest.approx(20, rel=1e-3)
    assert found.say == "Nothing holds it."
    assert [g.name for g in found.gauges] == ["thickness"]


@pytest.mark.parametrize(
    ("lines", "says"),
    [
        # Coating wants 33 g a litre: 16.5 in half a litre.
        ({"corn-starch": 3.2, "water": 500}, "13 g more corn starch"),
        ({"corn-starch": 100, "water": 500}, "84 g less corn starch"),
        # White rice flour does the work of 0.55 corn starch: 5.5 of 16.5 g are there, 20 g of it are missing.
        ({"white-rice-flour": 10, "water": 500}, "20 g more white rice flour"),
        # Tapioca by its own power of 0.75: 6 of 16.5; 14 g of it, or twice the starch where two go for one.
        ({"tapioca-starch": 8, "water": 500}, "14 g more tapioca starch (two for one: 21 g)"),
    ],
)
def test_what_is_missing_or_too_much_is_said_in_grams_of_its_own_starch(lines, says):
    found = judged(lines, "batter")
    assert found.thickening.more == f"{says}."
    assert found.gauges[0].say == says


@pytest.mark.parametrize(
    ("lines", "method", "left_of_it", "warning"),
    [
        ({"corn-starch": 10, "water": 300, "lemon-juice": 30}, "", 0.6, "Corn starch thins in so much acid."),
        ({"arrowroot-starch": 10, "water": 300, "lemon-juice": 30}, "", 1.0, None),
        ({"potato-starch": 10, "water": 300}, "Simmer for 45 minutes.", 0.6, "Potato starch thins boiled so long."),
        ({"potato-starch": 10, "water": 300}, "Boil for 1 minute.", 1.0, None),
        ({"corn-starch": 10, "water": 300}, "Freeze in portions.", 1.0, "Corn starch weeps after freezing."),
        ({"glutinous-rice-flour": 10, "water": 300}, "Freeze in portions.", 1.0, None),
    ],
)
def test_acid_and_long_boiling_take_of_the_power_and_freezing_makes_weep(lines, method, left_of_it, warning):
    found = judged(lines, "pourable", method)
    (part,) = found.thickening.parts
    assert part.left_g == pytest.approx(part.does_g.typical * left_of_it)
    assert list(found.warnings) == ([warning] if warning else [])


def test_the_school_of_two_for_one_counts_tapioca_as_half():
    lines = {"tapioca-starch": 20, "water": 500}
    by_power, halved = (judged(lines, "batter", school=s).thickening for s in ("by-power", "two-for-one"))
    assert (by_power.per_litre, halved.per_litre) == (pytest.approx(30, rel=1e-3), pytest.approx(20, rel=1e-3))
    assert (by_power.low, by_power.high) == (pytest.approx(20, rel=1e-3), pytest.approx(40, rel=1e-3))


def test_a_consistency_that_is_not_said_is_the_nearest():
    named = [judged({"corn-starch": g, "water": 1000}).consistency for g in (12, 33, 55, 90)]
    assert named == ["pourable", "batter", "soft", "stiff"]


def test_a_flour_of_unknown_power_is_named_and_nothing_is_claimed():
    found = judged({"oat-flour": 30, "whole-milk": 500}, "batter")
    assert found.thickening.per_litre is None
    assert found.warnings == ("How oat flour (whole) thickens is not on record.",)
    assert found.thickening.more == ""


def test_no_dough_has_a_thickness_and_no_sauce_a_word_that_is_not_one():
    assert judge_formula(Formula((Line("teff-flour", 100, When.DRY),), use="scone"), SHELF, formula_rules()).thickening is None  # fmt: skip
    assert judged({"corn-starch": 10, "water": 300}, "batter").consistency == "batter"
    with pytest.raises(UnknownNameError):
        judged({"corn-starch": 10, "water": 300}, "slimy")

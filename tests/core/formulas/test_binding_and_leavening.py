"""Binders over blend and formula, small doses, conversion; what lifts, and what slows yeast."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.blends.binder_load import BinderLoad, load_of_binders
from fallow_sieve.core.formulas.analysis import analyse_formula
from fallow_sieve.core.formulas.binder_choice import SCHOOLS, convert_binder, dilute, disperse, suggest
from fallow_sieve.core.formulas.formula import BLEND
from fallow_sieve.core.formulas.gauges import lifts, loads_on_yeast, soda_of
from fallow_sieve.core.formulas.gauges.leavening import POWDER_ALONE
from fallow_sieve.core.values.errors import BadInputError, UnknownNameError
from fallow_sieve.reference.formulas import formula_rules
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from kit import formula_of

SHELF, RULES = library_shelf(), formula_rules()
TIN, PASTRY, SAUCE = (rules().uses[u] for u in ("tin-loaf", "short-pastry", "thickener"))
DOSES = rules().doses["tin-loaf"]
FLOUR = {"sorghum-flour": 600, "potato-starch": 400}


def load(lines, blend=FLOUR, use="tin-loaf"):
    found = analyse_formula(formula_of(lines, blend), SHELF)
    return load_of_binders(found.dough.parts, rules().doses.get(use))


def test_the_load_counts_the_bags_binder_and_the_formulas_together():
    half = load([(BLEND, 1025, "dry")], {**FLOUR, "psyllium-husk": 25})
    both = load([(BLEND, 1025, "dry"), ("psyllium-husk", 25, "gel")], {**FLOUR, "psyllium-husk": 25})
    assert half.load == pytest.approx(0.5)  # 2.5 % of a usual 5 %
    assert both.load == pytest.approx(1.0)


def test_a_binder_dosed_again_is_a_double_dose_and_none_is_none():
    twice = load([(BLEND, 1050, "dry"), ("xanthan-gum", 12, "dry")], {**FLOUR, "psyllium-husk": 50})
    assert (twice.load, twice.state) == (pytest.approx(2.0), "double")
    assert load([(BLEND, 1000, "dry")]).state == "none"


@pytest.mark.parametrize(
    ("school", "use", "binder"),
    [
        ("by-moisture", TIN, "psyllium-husk"), ("by-moisture", PASTRY, "xanthan-gum"), ("gum", TIN, "xanthan-gum"),
        ("psyllium", PASTRY, "psyllium-husk"), ("gels", TIN, "ground-flaxseed"), ("none", TIN, None), ("gum", SAUCE, None),
    ],
)  # fmt: skip
def test_the_school_chooses_the_binder_and_says_why(school, use, binder):
    found = suggest(school, use, BinderLoad(0.0, (), "none", ""), 500, rules().doses.get(use.slug, {}))
    assert found.binder == binder
    assert found.why
    if binder:
        typical = rules().doses[use.slug][binder].typical_pct
        assert (found.add_pct, found.add_g) == (pytest.approx(typical), pytest.approx(typical * 5))


def test_what_is_there_already_is_not_dosed_again():
    light = suggest("psyllium", TIN, BinderLoad(0.4, (), "light", ""), 1000, DOSES)
    assert light.add_pct == pytest.approx(0.6 * 5)
    assert suggest("psyllium", TIN, BinderLoad(0.9, (), "good", ""), 1000, DOSES).binder is None
    with pytest.raises(UnknownNameError):
        suggest("glue", TIN, BinderLoad(0.0, (), "none", ""), 1000, DOSES)
    assert set(SCHOOLS) == {"by-moisture", "gum", "psyllium", "gels", "none"}


def test_a_conversion_keeps_the_load_and_husk_goes_by_mass():
    done = convert_binder(50, "psyllium-husk", "psyllium-powder", DOSES)
    assert done.mass_g == pytest.approx(50 * 4.2 / 5)
    assert (done.low_g, done.high_g) == (pytest.approx(50 * 2.5 / 3), pytest.approx(50 * 8.4 / 10))
    assert any("never by spoon" in m for m in done.minds)
    with pytest.raises(UnknownNameError):
        convert_binder(5, "psyllium-husk", "glue", DOSES)


@given(st.floats(0.01, 100), st.sampled_from(sorted(DOSES)), st.sampled_from(sorted(DOSES)))
def test_converting_there_and_back_gives_the_same_mass(mass, a, b):
    there = convert_binder(mass, a, b, DOSES)
    assert there.mass_g / DOSES[b].typical_pct == pytest.approx(mass / DOSES[a].typical_pct)
    assert convert_binder(there.mass_g, b, a, DOSES).mass_g == pytest.approx(mass)
    assert there.low_g <= there.mass_g * (1 + 1e-9)
    assert there.mass_g <= there.high_g * (1 + 1e-9)


def test_a_small_dose_is_diluted_once_or_twice():
    once, twice = dilute(5, 1), dilute(0.6, 1)
    assert [(m.of_g, m.flour_g, m.one_in) for m in once.premixes] == [(20, 180, 10)]
    assert (once.take_g, once.flour_g) == (50, 45)
    assert [m.one_in for m in twice.premixes] == [10, 100]
    assert (twice.take_g, twice.flour_g) == (pytest.approx(60), pytest.approx(59.4))
    assert not dilute(20, 1).needed
    assert dilute(19.9, 1).needed


@given(st.floats(0.03, 500), st.sampled_from((0.01, 0.1, 0.5, 1, 2, 5)))
def test_a_dilution_holds_the_dose_can_be_weighed_and_loses_nothing(dose, readability):
    try:
        done = dilute(dose, readability)
    except BadInputError:
        assert dose < 20 * readability / 1000
        return
    strength = done.premixes[-1].one_in if done.needed else 1
    assert done.take_g / strength == pytest.approx(dose)
    assert done.take_g == pytest.approx(dose + done.flour_g)
    assert done.take_g >= 20 * readability * (1 - 1e-9)
    for mix in done.premixes:
        assert mix.flour_g == pytest.approx(9 * mix.of_g)
        assert mix.of_g >= 20 * readability
    assert not done.needed or done.take_g <= 10 * done.premixes[-1].of_g * (1 + 1e-9)


def test_each_binder_is_told_how_to_go_in():
    assert "to a gel" in disperse(["Psyllium husk (whole)"], [], [], False)[0]
    assert "never in one spot" in disperse([], ["Xanthan gum", "Guar gum"], [], False)[0]
    assert "in the blend already" in disperse([], [], ["Psyllium husk"], False)[0]
    assert disperse([], [], [], True) == ("Gelatin: soak it cold in part of the water, warm until clear, and stir in.",)


def found(lines):
    return analyse_formula(formula_of([(BLEND, 1000, "dry"), *lines], FLOUR), SHELF)


def lifting(lines, rule, blend=FLOUR):
    formula = analyse_formula(formula_of([(BLEND, 1000, "dry"), *lines], blend), SHELF)
    return lifts(formula, rule, soda_of(formula, RULES.acids))


def test_fresh_yeast_counts_a_third_and_soda_that_meets_acid_three_times():
    lines = [("fresh-yeast", 45, "wet"), ("baking-soda", 5, "dry"), ("cider-vinegar", 100, "wet")]
    got = {x.kind: x.value_pct for x in lifting(lines, None)}
    assert got == {"yeast": pytest.approx(1.5), "powder": pytest.approx(1.5)}


@pytest.mark.parametrize(
    ("acid", "grams", "met"),
    [
        ("cider-vinegar", 60, 4.2),  # 5 % of acetic acid: 0.05 / 60.05 x 84.01 = 0.07 g of soda a gram
        ("plain-yoghurt", 240, 2.4),  # half a teaspoon of soda to a cup
        ("cocoa-powder", 40, 2.0), ("brown-sugar", 250, 1.0), ("water", 300, 0.0), ("cider-vinegar", 200, 6.0),
    ],
)  # fmt: skip
def test_soda_is_counted_against_the_acid_that_it_meets(acid, grams, met):
    soda = soda_of(found([("baking-soda", 6, "dry"), (acid, grams, "wet")]), RULES.acids)
    assert soda.met_pct * 10 == pytest.approx(met, rel=0.01)
    assert soda.met_pct + soda.unmet_pct == pytest.approx(0.6)


def test_what_the_bag_brings_lifts_too():
    raising = {**FLOUR, "baking-powder": 40}
    got = lifting([("baking-powder", 10, "dry")], RULES.leavening["quick-bread"], raising)
    assert got[0].value_pct == pytest.approx(100 * (1000 * 40 / 1040 + 10) / (1000 * 1000 / 1040))


def test_a_bread_that_powder_lifts_misses_no_yeast_and_one_of_egg_and_starch_misses_neither():
    rule = RULES.leavening["tin-loaf"]
    powder = lifting([("baking-powder", 40, "dry")], rule)
    assert [(x.kind, x.usual) for x in powder] == [("powder", POWDER_ALONE)]
    puffs = {"tapioca-starch": 1000}
    assert lifting([("whole-egg", 400, "wet")], rule, puffs) == ()
    assert {x.kind for x in lifting([], rule, puffs)} == {"yeast", "leaven"}


def test_a_leaven_stands_for_yeast_where_a_use_has_both():
    rule = RULES.leavening["hearth-loaf"]
    kinds = [x.kind for x in lifting([("water", 200, "leaven"), ("sorghum-flour", 200, "leaven")], rule)]
    assert kinds == ["leaven"]
    assert {x.kind for x in lifting([], rule)} == {"yeast", "leaven"}


def test_salt_and_sugar_are_also_told_on_the_water_and_slow_yeast_over_their_limits():
    lines = [("water", 800, "wet"), ("instant-dry-yeast", 12, "dry"), ("salt", 40, "dry"), ("white-sugar", 150, "dry")]
    salt, sugar = loads_on_yeast(found(lines))
    assert salt.flour_pct == pytest.approx(4, abs=0.15)
    assert salt.water_pct == pytest.approx(5, abs=0.2)
    assert "3 %" in salt.slows
    assert "10 %" in sugar.slows
    still = loads_on_yeast(found([x for x in lines if x[0] != "instant-dry-yeast"]))
    assert [x.slows for x in still] == ["", ""]

"""What a newly added line of a formula begins at: what is missing of it, or its usual share."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.formulas.formula import BLEND, When
from fallow_sieve.core.formulas.judgement import judge_formula
from fallow_sieve.core.formulas.new_line import begin_line
from fallow_sieve.core.values.bands import Status
from fallow_sieve.reference.formulas import formula_rules
from fallow_sieve.reference.ingredients import library_shelf
from kit import formula_of

SHELF, RULES = library_shelf(), formula_rules()
FLOUR = {"sorghum-flour": 600, "potato-starch": 400}


def begun(slug, lines=((BLEND, 1000, "dry"),), use="tin-loaf"):
    formula = formula_of(list(lines), FLOUR, use=use)
    so_far = judge_formula(formula, SHELF, RULES) if lines else None
    return begin_line(SHELF[slug], use, so_far, RULES)


# On 1 000 g of flour: the usual of a tin loaf is 1.6 % instant yeast and 1 % baking powder (leavening.csv); fresh
# yeast counts as a third of instant and soda as three of powder (docs/method.md); salt 2 % (usual_shares.csv). Of fat, sugar and egg
# two fifths of the most that is usual (14, 15 and 45 %, usual_amounts.csv), less the 1.2 % of sugar in the flours.
@pytest.mark.parametrize(
    ("slug", "mass_g", "stage"),
    [
        ("instant-dry-yeast", 20, When.DRY), ("fresh-yeast", 60, When.DRY), ("baking-powder", 10, When.DRY),
        ("baking-soda", 3.3, When.DRY), ("salt", 20, When.DRY), ("white-sugar", 48, When.DRY), ("olive-oil", 56, When.FAT),
        ("whole-egg", 180, When.WET), ("psyllium-husk", 50, When.GEL), ("xanthan-gum", 10, When.DRY),
    ],
)  # fmt: skip
def test_an_ingredient_begins_at_its_usual_share_where_it_commonly_goes_in(slug, mass_g, stage):
    line = begun(slug)
    usual = {"psyllium-husk", "xanthan-gum"}
    if slug in usual:  # the dose table is the user's to change: by it, not by a number written twice
        mass_g = 10 * RULES.doses["tin-loaf"][slug].typical_pct
    assert (line.mass_g, line.when) == (pytest.approx(mass_g), stage)


def test_the_first_flour_is_half_a_kilogram_and_what_comes_before_it_is_on_half_a_kilogram():
    assert begun("teff-flour", ()).mass_g == 500
    assert begun("salt", ()).mass_g == 10
    assert begun("teff-flour").mass_g == 100


def test_water_begins_at_what_the_dough_still_wants():
    wanted = judge_formula(formula_of([(BLEND, 1000, "dry")], FLOUR, use="tin-loaf"), SHELF, RULES).wanted.typical_pct
    line = begun("water")
    assert line.mass_g == pytest.approx(10 * wanted, abs=0.6)
    with_milk = begun("water", [(BLEND, 1000, "dry"), ("whole-milk", 300, "wet")])
    assert with_milk.mass_g == pytest.approx(
        10 * wanted - 300 * SHELF["whole-milk"].range_of("water_g").typical / 100, abs=0.6
    )


def test_where_no_water_is_wanted_any_more_a_tenth_of_it_begins():
    wet = [(BLEND, 1000, "dry"), ("whole-milk", 2000, "wet")]
    wanted = judge_formula(formula_of(wet, FLOUR, use="tin-loaf"), SHELF, RULES).wanted.typical_pct
    assert begun("water", wet).mass_g == pytest.approx(wanted, abs=0.6)


def test_without_a_use_water_begins_at_sixty_percent_and_a_binder_at_two():
    assert begun("water", use=None).mass_g == pytest.approx(600, abs=1)
    assert begun("xanthan-gum", use=None).mass_g == 20


def test_a_binder_begins_at_what_the_load_still_lacks():
    dose = RULES.doses["tin-loaf"]
    half = 10 * dose["psyllium-husk"].typical_pct / 2
    line = begun("xanthan-gum", [(BLEND, 1000, "dry"), ("psyllium-husk", half, "gel")])
    assert line.mass_g == pytest.approx(10 * dose["xanthan-gum"].typical_pct / 2, abs=0.06)
    full = begun("xanthan-gum", [(BLEND, 1000, "dry"), ("psyllium-husk", 2 * half, "gel")])
    assert full.mass_g == pytest.approx(dose["xanthan-gum"].typical_pct, abs=0.06)


@pytest.mark.parametrize("use", sorted(RULES.hydration))
def test_water_added_to_a_dry_blend_passes_at_once(use):
    lines = [(BLEND, 1000, "dry")]
    line = begun("water", lines, use)
    found = judge_formula(formula_of([*lines, ("water", line.mass_g, "wet")], FLOUR, use=use), SHELF, RULES)
    assert next(g for g in found.gauges if g.name == "water").status is Status.PASS


@given(st.sampled_from(sorted(SHELF.row_of)), st.floats(1, 50_000), st.sampled_from([*sorted(RULES.uses), None]))
def test_every_ingredient_begins_with_a_mass_that_can_be_weighed(slug, flour_g, use):
    line = begun(slug, [(BLEND, flour_g, "dry")], use)
    assert line.mass_g >= 0.1
    assert round(line.mass_g, 1) == line.mass_g
    assert line.ingredient == slug

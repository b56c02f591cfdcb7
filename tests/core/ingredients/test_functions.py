"""What an ingredient does is on record: one's own butter is butter, whatever it is called."""

from dataclasses import replace

import pytest

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.judgement import judge
from fallow_sieve.core.formulas.formula import BLEND, Formula, Line, When
from fallow_sieve.core.formulas.judgement import judge_formula
from fallow_sieve.core.formulas.new_line import begin_line
from fallow_sieve.core.formulas.swaps.offers import swaps_for
from fallow_sieve.core.ingredients.functions import MEANINGS, Kind, functions_named
from fallow_sieve.core.values.errors import UnknownNameError
from fallow_sieve.core.values.pins import Pin
from fallow_sieve.reference.formulas import formula_rules, swap_rules
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from fallow_sieve.services.kitchen import bundled_kitchen
from fallow_sieve.services.recipes import make_over

SHELF, RULES = library_shelf(), formula_rules()
FUNCTIONAL = [i for i in SHELF.ingredients if i.functions]
MIX = (Part("sorghum-flour", 600.0), Part("amaranth-flour", 400.0))


def under_a_new_name(item):
    """A shelf where the kitchen's own copy stands beside the library's."""
    mine = replace(item, slug="fell-made", name="Fell-made", own=True)
    return SHELF.with_ingredients((mine,))


def cake(slug, when=When.WET):
    lines = (Line(BLEND, 500.0, When.DRY), Line("water", 300.0, When.WET), Line(slug, 40.0, when))
    return Formula(lines, MIX, use="layer-cake", pin=Pin("blend", None, None, "Mix"))


def told(judgement):
    """What is said of a formula, without names."""
    gauges = [(g.name, g.value, g.status) for g in judgement.gauges]
    return gauges, judgement.binder.load, judgement.wanted, [x.kind for x in judgement.cautions]


@pytest.mark.parametrize(
    ("written", "functions"),
    [
        ("butter", ["butter"]),
        ("Butter", ["butter"]),
        ("butter, salt", ["butter", "salt"]),
        ("butter;;salt;", ["butter", "salt"]),
        ("Psyllium-Husk", ["psyllium-husk"]),
        ("instant yeast", ["instant-yeast"]),
        ("XANTHAN GUM", ["xanthan"]),
        ("unsalted-butter", ["butter"]),
        ("dried fruit, folded in", ["dried-fruit"]),
        ("oil + oil", ["oil"]),
        ("", []),
    ],
)
def test_a_function_is_read_as_people_write_it(written, functions):
    assert [str(f) for f in functions_named(written)] == functions


@pytest.mark.parametrize(("written", "hint"), [("butterr", "butter"), ("xantan", "xanthan"), ("gist", "known names")])
def test_one_that_is_not_known_is_refused_with_the_nearest(written, hint):
    with pytest.raises(UnknownNameError, match=hint):
        functions_named(written)


def test_every_standard_is_an_ingredient_of_the_library_that_has_the_function():
    for function, meaning in MEANINGS.items():
        assert function in SHELF[meaning.standard].functions, function


@pytest.mark.parametrize("item", FUNCTIONAL, ids=lambda i: i.slug)
def test_a_copy_under_another_name_is_judged_as_the_original(item):
    shelf = under_a_new_name(item)
    was, now = (judge_formula(cake(slug), shelf, RULES) for slug in (item.slug, "fell-made"))
    assert told(now) == told(was)
    mixes = (Blend((*MIX, Part(slug, 30.0)), use="tin-loaf") for slug in (item.slug, "fell-made"))
    before, after = (judge(mix, shelf, rules().uses["tin-loaf"], rules()) for mix in mixes)
    assert (after.binder.load, after.binder.state) == (before.binder.load, before.binder.state)
    assert [(s.band.metric, s.status) for s in after.sieves] == [(s.band.metric, s.status) for s in before.sieves]
    assert [c.kind for c in after.cautions] == [c.kind for c in before.cautions]


@pytest.mark.parametrize("item", FUNCTIONAL, ids=lambda i: i.slug)
def test_a_copy_is_swapped_for_the_same_things_in_the_same_amounts(item):
    shelf, by = under_a_new_name(item), swap_rules("layer-cake")
    was, now = ({s.to: s for s in swaps_for(cake(slug), 2, shelf, by)} for slug in (item.slug, "fell-made"))
    others = set(was) & set(now) - {item.slug, "fell-made"}
    assert others >= set(was) - {item.slug, "fell-made"}
    for to in others:
        assert [x.mass_g for x in now[to].lines] == pytest.approx([x.mass_g for x in was[to].lines]), to


@pytest.mark.parametrize("item", FUNCTIONAL, ids=lambda i: i.slug)
def test_a_copy_goes_in_at_the_same_moment_and_amount(item):
    shelf = under_a_new_name(item)
    base = replace(cake("salt"), lines=cake("salt").lines[:2])
    so_far = judge_formula(base, shelf, RULES)
    was, now = (begin_line(shelf[slug], "layer-cake", so_far, RULES) for slug in (item.slug, "fell-made"))
    assert (now.when, now.mass_g) == (was.when, was.mass_g)


@pytest.mark.parametrize("item", FUNCTIONAL, ids=lambda i: i.slug)
def test_a_copy_in_a_wheat_recipe_is_made_over_the_same(item):
    kitchen = replace(bundled_kitchen(), shelf=under_a_new_name(item))
    use = rules().uses["layer-cake"]

    def steps(slug):
        lines = (Line("wheat-flour", 500.0, When.DRY), Line("water", 300.0, When.WET), Line(slug, 20.0, When.DRY))
        recipe = Formula(lines, MIX, pin=Pin("blend", None, None, "Mix"))
        return {c.change.what: c.change.size for c in make_over(recipe, use, kitchen).conversion.changes}

    assert steps("fell-made") == pytest.approx(steps(item.slug))


def test_one_without_a_function_has_no_usual_dose_and_that_is_said():
    plain = under_a_new_name(replace(SHELF["psyllium-husk"], functions=()))
    found = judge_formula(cake("fell-made"), plain, RULES)
    assert found.binder.load is None
    assert "Fell-made" in found.binder.say
    assert Kind.BINDER in MEANINGS[SHELF["psyllium-husk"].functions[0]].kinds

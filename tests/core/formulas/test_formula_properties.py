"""Properties that hold for any formula of the library, and for any text that is pasted."""

import math
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.formulas.analysis import COUNTED, analyse_formula
from fallow_sieve.core.formulas.card import card_of
from fallow_sieve.core.formulas.finished_bake import finish
from fallow_sieve.core.formulas.formula import BLEND, OUTSIDE_DOUGH, Formula, Line, When
from fallow_sieve.core.formulas.judgement import FormulaSetting, judge_formula
from fallow_sieve.core.formulas.scaling import scale_lines
from fallow_sieve.core.formulas.water_learning import Pour
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.pins import Pin
from fallow_sieve.reference.formulas import formula_rules
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from fallow_sieve.services.kitchen import bundled_kitchen
from fallow_sieve.services.recipes import make_over, read_text
from fuzzing import examples

SHELF, RULES = library_shelf(), formula_rules()
SLUGS = [i.slug for i in SHELF.ingredients]
FLOURS = [i.slug for i in SHELF.ingredients if i.in_flour_base]
MASS = st.floats(0.05, 5000)
STAGES = st.sampled_from(list(When))
BLENDS = st.dictionaries(st.sampled_from([*FLOURS, "psyllium-husk", "xanthan-gum"]), MASS, min_size=1, max_size=6).map(
    lambda m: tuple(Part(s, g) for s, g in m.items())
)
LINES = st.lists(st.builds(Line, st.sampled_from([*SLUGS, BLEND]), MASS, STAGES), min_size=1, max_size=10).map(tuple)
USES = st.sampled_from(sorted(rules().uses))
FORMULAS = st.builds(Formula, lines=LINES, blend=BLENDS, use=st.one_of(USES, st.none()), pieces=st.integers(1, 60))


def judged(formula, kitchen=None):
    return judge_formula(formula, SHELF, RULES, kitchen)


def numbers(found):
    gauges = sorted((g.name, g.value, *(g.band.limits if g.band else ()), str(g.status)) for g in found.gauges)
    return [found.analysis.hydration_pct, found.binder.load, *[v for g in gauges for v in g]]


def same(a, b):
    left, right = numbers(a), numbers(b)
    assert len(left) == len(right)
    for x, y in zip(left, right, strict=True):
        assert x == (pytest.approx(y, rel=1e-9, abs=1e-9) if isinstance(y, float) else y)


@settings(max_examples=examples(100))
@given(FORMULAS)
def test_any_formula_is_judged_and_its_sums_are_its_lines(formula):
    a = judged(formula).analysis
    assert a.mass_g == pytest.approx(math.fsum(x.mass_g for x in formula.lines), rel=1e-9)
    mixed = [x for x in a.lines if x.in_dough]
    assert a.dough_g == pytest.approx(math.fsum(x.mass_g for x in mixed), rel=1e-9)
    water = math.fsum(x.brings_g["water_g"] or 0.0 for x in mixed if x.water_counts)
    assert a.water_g == pytest.approx(water, rel=1e-9, abs=1e-9)
    for name in COUNTED:
        known = [x.brings_g[name] for x in a.lines]
        if None not in known:
            assert a.totals_g[name].typical == pytest.approx(math.fsum(known), rel=1e-9, abs=1e-9)
    assert (a.hydration_pct is None) == (a.flour_g <= 0)


@settings(max_examples=examples(100))
@given(FORMULAS, st.floats(0.01, 50))
def test_the_size_of_the_batch_changes_no_judgement(formula, factor):
    same(judged(formula), judged(replace(formula, lines=scale_lines(formula.lines, factor))))


@settings(max_examples=examples(100))
@given(FORMULAS, st.randoms())
def test_the_order_of_the_lines_changes_no_judgement(formula, order):
    lines = list(formula.lines)
    order.shuffle(lines)
    same(judged(formula), judged(replace(formula, lines=tuple(lines))))


@settings(max_examples=examples(100))
@given(FORMULAS)
def test_a_blend_is_no_more_than_its_parts_written_as_lines(formula):
    total = math.fsum(p.mass_g for p in formula.blend)
    lines = []
    for x in formula.lines:
        parts = formula.blend if x.ingredient == BLEND else (Part(x.ingredient, total),)
        lines += [Line(p.ingredient, x.mass_g * p.mass_g / total, x.when) for p in parts]
    opened = judged(replace(formula, lines=tuple(lines), blend=()))
    # A leaven counts whole as what is in its stage, and salt and sugar as what is in the dough: all by mass.
    same(judged(formula), opened)
    assert opened.allergens == judged(formula).allergens


@settings(max_examples=examples(100))
@given(FORMULAS, st.lists(st.floats(60, 140), max_size=6))
def test_bakes_move_the_window_only_and_never_widen_it(formula, waters):
    bakes = [Pour(100.0, w, "blend:1", "yeasted") for w in waters]
    formula = replace(formula, pin=PIN)
    plain, taught = judged(formula), judged(formula, FormulaSetting(pours=bakes))
    assert taught.prediction == plain.prediction
    assert (taught.wanted is None) == (plain.wanted is None)
    if plain.wanted and taught.wanted and plain.wanted.low_pct > 0:
        assert taught.wanted.low_pct <= taught.wanted.typical_pct <= taught.wanted.high_pct
        before, after = (w.high_pct / w.low_pct for w in (plain.wanted, taught.wanted))
        assert after <= before * (1 + 1e-9)


@settings(max_examples=examples(100))
@given(FORMULAS, st.floats(0, 60))
def test_any_formula_is_finished_and_has_a_card(formula, loss):
    found = judged(formula)
    done = finish(formula, analyse_formula(formula, SHELF), SHELF, loss)
    assert 0 <= done.lost_g <= done.before_g
    assert done.piece_g * formula.pieces == pytest.approx(done.after_g, rel=1e-9)
    card = card_of(found)
    assert any("Raw flour" in c for c in card.cautions)
    shown = " ".join(card.steps)
    for x in formula.lines:
        if x.when not in OUTSIDE_DOUGH and x.ingredient != BLEND:
            assert SHELF[x.ingredient].name[1:] in shown


@settings(max_examples=examples(60))
@given(
    LINES, BLENDS, USES, st.sets(st.sampled_from(("flour", "egg", "binder", "leavening", "water"))), st.floats(20, 2000)
)
def test_any_wheat_recipe_is_made_over_and_what_is_off_is_not_done(lines, blend, use, off, wheat_g):
    wheat = Line("wheat-flour", wheat_g, When.DRY)
    recipe = Formula((*(x for x in lines if x.ingredient != BLEND), wheat), tuple(blend), pin=PIN)
    found = make_over(recipe, rules().uses[use], bundled_kitchen(), off)
    done = found.conversion
    assert {c.change.what for c in done.changes if not c.on} == off & {c.change.what for c in done.changes}
    if "flour" not in off:
        left = [SHELF[x.ingredient] for x in done.formula.lines if x.ingredient != BLEND]
        named = next((c.say.lower() for c in done.changes if c.change.what == "gluten"), "")
        assert all(i.name.lower() in named for i in left if i.contains_gluten)
    outside = [x for x in recipe.lines if x.when in OUTSIDE_DOUGH and not SHELF[x.ingredient].contains_gluten]
    assert all(x in done.formula.lines for x in outside)
    every = {c.change.what for c in done.changes} | {"egg", "leavening"}
    nothing = make_over(recipe, rules().uses[use], bundled_kitchen(), every)
    assert nothing.conversion.formula.lines == recipe.lines


PIN = Pin("blend", 1, None, "Mix")
WORDS = st.sampled_from(
    ["1", "½", "2-3", "1/0", "a", "cup", "cups", "g", "T", "tbsp", "(120 g)", "/", "of", "or", "flour", "salt", "eggs", ",", "180 °C", "400F", "gas 4", "x", "-", "•", "\n", "For the filling:", "Method", "scant", "1,200", "²", "１２"]
)  # fmt: skip
TEXTS = st.one_of(st.text(max_size=300), st.lists(WORDS, max_size=40).map(" ".join))


@settings(max_examples=examples(100))
@given(TEXTS)
def test_any_text_is_read_or_refused_and_no_line_says_more_than_it_knows(text):
    try:
        found = read_text(text, bundled_kitchen())
    except BadInputError:
        assert not text.strip()
        return
    for x in found.recipe.lines:
        assert x.understood in ("yes", "guessed", "part", "no")
        assert (x.understood in ("part", "no")) == bool(x.wrong)
        if x.understood == "yes":
            assert x.ingredient
            assert x.mass is not None
            assert x.guesses == ()
        if x.mass is not None:
            assert 0 <= x.mass.low <= x.mass.typical <= x.mass.high
    assert all(x.mass_g > 0 or x.ingredient == "@words" for x in found.formula.lines)

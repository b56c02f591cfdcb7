"""Whole recipes: read, checked, and made over for a blend, every change with its reason and a switch."""

from dataclasses import replace

import pytest

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.formulas.formula import BLEND, When
from fallow_sieve.core.ingredients import WORDS
from fallow_sieve.core.values.errors import BadInputError, UnknownNameError
from fallow_sieve.core.values.pins import Pin
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from fallow_sieve.services.kitchen import bundled_kitchen
from fallow_sieve.services.recipes import make_over, read_text

SHELF = library_shelf()
BLEND_PARTS = (Part("sorghum-flour", 500), Part("potato-starch", 300), Part("tapioca-starch", 200))
CAKE = """Lamp room cake
Makes 12

Ingredients
250 g plain flour
2 tsp baking powder
150 g butter, softened
200 g sugar
3 large eggs
60 ml water

For the filling:
200 g apple purée

Method
Heat the oven to 180 °C (350 °F).
Bake for 30 minutes."""


def read(text, **more):
    return read_text(text, bundled_kitchen(), **more)


def convert(text=CAKE, use="layer-cake", parts=BLEND_PARTS, off=(), school="by-moisture"):
    recipe = replace(read(text).formula, blend=tuple(parts), pin=Pin("blend", 1, None, "Mix"))
    return make_over(recipe, rules().uses[use], replace(bundled_kitchen(), school=school), off, text)


def changes(found):
    return {c.change.what: c for c in found.conversion.changes}


def masses(formula):
    return {(x.ingredient, str(x.when)): x.mass_g for x in formula.lines}


def test_title_yield_sections_and_steps_are_told_apart():
    found = read(CAKE)
    assert (found.recipe.title, found.recipe.pieces) == ("Lamp room cake", 12)
    assert [x.number for x in found.recipe.lines] == [5, 6, 7, 8, 9, 10, 13]
    assert found.recipe.lines[-1].when is When.FILLING
    assert [n for n, _ in found.recipe.steps] == [16, 17]
    assert found.formula.method == "Heat the oven to 180 °C (350 °F).\nBake for 30 minutes."
    assert found.checks == ()


def test_every_guess_names_its_line():
    assert "Line 8: 4" not in read(CAKE).recipe.guesses
    assert any(g.startswith("Line 9: a large egg taken as US large: 50 g") for g in read(CAKE).recipe.guesses)


def test_ones_own_eggs_are_counted_as_eggs_are():
    mine = replace(SHELF["whole-egg"], slug="fell-eggs", name="Fell eggs", own=True)
    kitchen = replace(bundled_kitchen(), shelf=SHELF.with_ingredients((mine,)))
    text = "Cake\n250 g plain flour\n3 large fell eggs"
    (line,) = [x for x in read_text(text, kitchen).recipe.lines if x.ingredient == "fell-eggs"]
    assert line.mass.typical == pytest.approx(3 * 60)  # a large British egg, as plain flour is British


def test_what_was_not_understood_stays_in_words_and_is_not_lost():
    found = read(CAKE + "\n").formula
    more = read(CAKE.replace("60 ml water", "60 ml water\n1 tsp truffle essence\nsome love"))
    assert [x.note for x in more.formula.lines if x.ingredient == WORDS] == ["1 tsp truffle essence", "some love"]
    assert len(more.formula.lines) == len(found.lines) + 2
    assert [x.wrong for x in more.recipe.lines if x.wrong] == [
        "“truffle essence” is not an ingredient that is known here",
        "“some love” is not an ingredient that is known here",
    ]
    assert [x.text for x in more.recipe.open] == ["1 tsp truffle essence", "some love"]


def test_a_person_may_choose_what_a_line_is():
    text = "100 g plain flour\n50 g nut butter"
    assert read(text, chosen={2: "almond-meal"}).formula.lines[1].ingredient == "almond-meal"
    with pytest.raises(UnknownNameError):
        read(text, chosen={2: "no-such-thing"})


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("", "nothing to read"),
        ("  \n ", "nothing to read"),
        ("x\n" * 400, "400 lines"),
        ("x" * 30_000, "30000 characters"),
    ],
)
def test_a_text_that_is_no_recipe_is_refused(text, says):
    with pytest.raises(BadInputError, match=says):
        read(text)


@pytest.mark.parametrize(
    ("line", "kind", "says"),
    [
        ("Bake at 180 °C (400 °F).", "temperature", "not the same"),
        ("1 cup (500 g) corn starch", "twin", "weighs about 132 g"),
        ("1 cup (12 g) corn starch", "twin", "weighs about 132 g"),
        ("500 mg potato starch", "unit", "mg where g"),
        ("7 kg water", "unit", "kg where g is usual"),
        ("100 g salt", "share", "times the usual 2 %"),
        ("2 tbsp baking soda", "share", "times the usual"),
        ("1.5 tbsp salt", "unit", "a tablespoon where a teaspoon"),
        ("30 g tapioca flour", "look-alike", "not cassava flour"),
    ],
)
def test_a_check_finds_the_slip_and_names_the_line(line, kind, says):
    text = f"Trial\n500 g plain flour\n{line}"
    found = [c for c in read(text).checks if c.kind == kind]
    assert [c.line for c in found] == [3], read(text).checks
    assert says in found[0].say


@pytest.mark.parametrize(
    "line",
    [
        "1 cup (125 g) corn starch",
        "9 g salt",
        "1 tsp salt",
        "2 tsp baking powder",
        "350 ml water",
        "Bake at 180 °C (350 °F, gas 4, fan 160 °C).",
    ],
)
def test_what_is_usual_is_not_complained_about(line):
    assert [c for c in read(f"Trial\n500 g plain flour\n{line}").checks if c.kind != "look-alike"] == []


def test_the_wheat_goes_gram_for_gram_and_the_rest_follows():
    found = convert()
    after = masses(found.conversion.formula)
    assert after[BLEND, "dry"] == 250
    assert ("wheat-flour", "dry") not in after
    assert after["xanthan-gum", "dry"] == pytest.approx(0.005 * 250)
    assert after["baking-powder", "dry"] == pytest.approx(1.25 * 2 * 4.92892 * 0.93, rel=1e-4)
    assert after["apple-puree", "filling"] == 200
    assert [*changes(found)] == ["flour", "binder", "leavening", "water", "rest", "tin"]
    assert all(c.change.why for c in found.conversion.changes)


def test_the_water_is_the_prediction_less_what_the_recipe_brings():
    found = convert()
    assert found.after.analysis.hydration_pct == pytest.approx(found.after.wanted.typical_pct, rel=1e-6)
    size = changes(found)["water"].change.size
    before = convert(off={"water"})
    assert size == pytest.approx(found.after.analysis.water_g - before.after.analysis.water_g)


@pytest.mark.parametrize("key", ["flour", "binder", "leavening", "water"])
def test_a_change_that_is_switched_off_is_not_made(key):
    on, off = convert(), convert(off={key})
    assert [c.on for c in off.conversion.changes if c.change.what == key] == [False]
    assert masses(off.conversion.formula) != masses(on.conversion.formula)
    assert all(c.on for c in off.conversion.changes if c.change.what != key)


def test_with_everything_off_only_the_names_of_the_settings_change():
    off = {"flour", "binder", "leavening", "water", "rest", "tin"}
    found = convert(off=off)
    assert masses(found.conversion.formula) == masses(read(CAKE).formula)


def test_a_school_may_bind_otherwise():
    assert ("ground-flaxseed", "dry") in masses(convert(school="gels").conversion.formula)
    assert changes(convert(school="none"))["binder"].change.size is None


def test_a_very_thirsty_blend_never_goes_one_for_one():
    found = convert(parts=(Part("coconut-flour", 100),))
    assert masses(found.conversion.formula)[BLEND, "dry"] == pytest.approx(0.3 * 250)
    assert changes(found)["egg"].change.size == pytest.approx(75)
    assert "25–35 %" in changes(found)["flour"].change.why


def test_a_thirsty_blend_that_is_not_taken_asks_for_no_egg_and_one_without_flour_for_no_binder():
    assert "egg" not in changes(convert(parts=(Part("coconut-flour", 100),), off={"flour"}))
    only_husk = changes(convert(parts=(Part("psyllium-husk", 100),)))
    assert only_husk["binder"].change.why.endswith("There is no flour to bind yet.")


def test_a_yeasted_dough_is_mixed_not_kneaded_and_rises_once():
    text = "Loaf\n500 g strong white bread flour\n7 g instant yeast\n10 g salt\n320 ml water"
    found = changes(convert(text, "tin-loaf"))
    assert "instead of kneading" in found["mixing"].say
    assert "leavening" not in found
    assert found["binder"].change.size == pytest.approx(25)
    assert "high sides" in found["tin"].say


def test_two_wheat_flours_become_one_line_of_blend():
    text = "Loaf\n300 g strong white flour\n200 g wholemeal flour\n300 ml water"
    found = convert(text, "tin-loaf").conversion.formula
    assert [x.mass_g for x in found.lines if x.ingredient == BLEND] == [500]


@pytest.mark.parametrize(
    ("title", "says"),
    [
        ("Apple strudel", "stretched over the hands"),
        ("Puff pastry tarts", "hundreds of gluten sheets"),
        ("Morning croissants", "Yeasted layers"),
    ],
)
def test_a_poor_candidate_is_told_plainly(title, says):
    found = convert(CAKE.replace("Lamp room cake", title))
    assert any(says in why for why in found.conversion.poor)
    assert convert().conversion.poor == ()


def test_what_cannot_be_made_over_says_why():
    with pytest.raises(BadInputError, match="no flour in the recipe"):
        convert("Drink\n200 g sugar\n100 ml water")
    with pytest.raises(BadInputError, match="no blend"):
        convert(parts=())

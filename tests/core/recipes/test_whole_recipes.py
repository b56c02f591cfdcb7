"""Recipes as people of ten countries write them (tests/cases/recipes): every line accounted for, and what it must be."""

from __future__ import annotations

import math
from dataclasses import replace
from pathlib import Path

import pytest

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.formulas.card import card_of
from fallow_sieve.core.formulas.judgement import judge_formula
from fallow_sieve.core.formulas.scaling import scale_lines
from fallow_sieve.core.ingredients import WORDS
from fallow_sieve.core.recipes.habits import habit_of
from fallow_sieve.core.recipes.reading import as_formula
from fallow_sieve.core.values.pins import Pin
from fallow_sieve.formats.formulas.file import read_formula, write_formula
from fallow_sieve.reference.formulas import formula_rules
from fallow_sieve.reference.uses import rules
from fallow_sieve.services.kitchen import bundled_kitchen
from fallow_sieve.services.recipes import make_over, read_text

KITCHEN = bundled_kitchen()
KINDS = ("title", "yield", "section", "step", "note")


def recipes():
    """Give (name, [(line, what it must be)]) of every recipe in the set."""
    for path in sorted((Path(__file__).parents[2] / "cases/recipes").glob("*.txt")):
        for n, block in enumerate(path.read_text(encoding="utf-8").split("=== ")[1:]):
            rows = [row.partition(" || ") for row in block.splitlines()[1:] if row]
            yield f"{path.stem} {n} {rows[0][0]}", [(text, said) for text, _, said in rows]


RECIPES = dict(recipes())


def wanted(said):
    """The slugs that a line may be, what it weighs (g; None: not told), and whether it may stay open."""
    words = said.removeprefix("out ").split()
    slugs = set(words[0].split("/"))
    grams = None if len(words) < 2 or words[1] == "-" else float(words[1])
    return slugs - {"words", "ask"}, grams, bool(slugs & {"words", "ask"})


def is_right(line, said):
    slugs, grams, may_stay_open = wanted(said)
    if line.ingredient is None or (line.mass is None and may_stay_open):
        return may_stay_open
    if line.ingredient not in slugs:
        return False
    if grams is None:
        return True
    # What was written down is a typical value too: 3 % beside the line's own honest range.
    return line.mass is not None and line.mass.low * 0.97 <= grams <= line.mass.high * 1.03


def read(name):
    rows = RECIPES[name]
    return read_text("\n".join(text for text, _ in rows), KITCHEN).recipe, rows


def judged():
    for name in RECIPES:
        found, rows = read(name)
        lines = {x.number: x for x in found.lines}
        for number, (text, said) in enumerate(rows, start=1):
            if said.split()[0] not in KINDS:
                yield name, text, said, lines.get(number)


def test_the_set_is_large_and_of_many_habits():
    lines = list(judged())
    assert len(RECIPES) >= 40
    assert len(lines) >= 390


@pytest.mark.parametrize("name", RECIPES)
def test_every_line_that_is_not_blank_is_of_the_kind_it_is(name):
    found, rows = read(name)
    kinds = {r.number: r.kind for r in found.rows}
    for number, (text, said) in enumerate(rows, start=1):
        kind = said.split()[0] if said.split()[0] in KINDS else "ingredient"
        assert kinds.get(number) == kind, text
    assert len(found.rows) == len(rows)


def test_at_least_97_of_100_lines_are_what_they_say_with_an_honest_mass():
    lines = list(judged())
    wrong = [
        (text, line and line.ingredient) for _, text, said, line in lines if line is None or not is_right(line, said)
    ]
    assert len(wrong) <= 0.03 * len(lines), wrong


def test_hardly_a_line_is_wrong_without_a_mark():
    wrong = [
        text for _, text, said, x in judged()
        if x is not None and x.ingredient and not is_right(x, said) and x.understood == "yes"
    ]  # fmt: skip
    # A teaspoon of coarse salt is 4.5 g by its density, and was written down as 6.
    assert wrong == ["1 cuillère à café de gros sel"]


GLUTEN_FREE = (
    "500 g gluten-free bread flour", "2 cups GF all-purpose flour", "250 g glutenfreies Mehl", "300 g farine sans gluten",
    "250 g de harina sin gluten", "300 g di farina senza glutine", "3 dl glutenfri mjölmix", "1 cup gluten free plain flour mix",
    "200g plain flour, gluten-free", "200 g plain flour (gluten free)", "1 3/4 cups gluten free 1-to-1 baking flour",
    "300g gluten & wheat free self raising flour", "2 cups coeliac-safe flour", "200 g GF flour with xanthan gum",
    "100 g gluten-free flour blend without gum", "225g g.f. plain flour", "1 cup one-for-one flour blend",
)  # fmt: skip


@pytest.mark.parametrize("line", GLUTEN_FREE)
def test_gluten_free_flour_is_never_wheat(line):
    (found,) = read_text(f"A cake\n{line}", KITCHEN).recipe.lines
    assert found.ingredient.startswith("bought-gf-"), found.ingredient
    assert not KITCHEN.shelf[found.ingredient].contains_gluten
    assert found.understood == "guessed"


@pytest.mark.parametrize(
    ("line", "slug"),
    [
        ("200 g GF flour with xanthan gum", "bought-gf-plain-flour-gum"),
        ("100 g gluten-free flour blend without gum", "bought-gf-plain-flour-no-gum"),
        ("300g gluten-free self-raising flour", "bought-gf-self-raising-flour"),
        ("1 cup gluten-free oat flour", "oat-flour"),
        ("1 cup gluten-free buckwheat flour", "buckwheat-flour"),
        ("100 g gluten-free oats", "gluten-free-rolled-oats"),
    ],
)
def test_a_gluten_free_flour_is_what_is_said_beside_it(line, slug):
    assert read_text(f"A cake\n{line}", KITCHEN).recipe.lines[0].ingredient == slug


@pytest.mark.parametrize(
    "line", ["250 g flour", "2 cups flour, sifted", "250 g Mehl", "250 g de farine", "300 g harina"]
)
def test_flour_alone_is_asked_and_keeps_its_mass(line):
    (found,) = read_text(f"A cake\n{line}", KITCHEN).recipe.lines
    assert found.ingredient is None
    assert "Which flour?" in found.wrong
    assert found.near == ("wheat-flour", "bought-gf-plain-flour")


@pytest.mark.parametrize(
    ("text", "key", "why"),
    [
        ("2 cups all-purpose flour\nBake at 350°F", "us", "all-purpose"),
        ("200g caster sugar\nGas mark 4", "uk", "gas mark"),
        ("1 tbsp (20 ml) oil\n1 tsp bicarb soda", "au", "tablespoons of 20 mL"),
        ("250 g Mehl\n3 Eier\n1 TL Backpulver", "eu", "German"),
        ("100 g sorghum", "", ""),
    ],
    ids=["us", "uk", "au", "de", "none"],
)
def test_whose_cups_is_judged_from_the_whole_text_and_said(text, key, why):
    found = habit_of(text)
    assert found.key == key
    assert not why or why in found.why


@pytest.mark.parametrize(
    ("line", "slug", "grams"),
    [
        ("1 cup (130 g) sorghum flour", "sorghum-flour", 130),
        ("4 eggs (59 g each)", "whole-egg", 236),
        ("1 (15 oz) can pumpkin puree", "pumpkin-puree", 425.24),
        ("2 x 7 g sachets instant yeast", "instant-dry-yeast", 14),
        ("1-1/2 tsp (9 g) salt", "salt", 9),
        ("1 1/2 kg brown rice flour", "brown-rice-flour", 1500),
        ("½ kg millet flour", "millet-flour", 500),
        ("1,5 kg Reismehl", "white-rice-flour", 1500),
    ],
)
def test_what_the_line_states_wins(line, slug, grams):
    (found,) = read_text(f"A cake\n{line}", KITCHEN).recipe.lines
    assert (found.ingredient, found.mass.typical) == (slug, pytest.approx(grams, rel=1e-3))


def test_a_point_that_may_set_thousands_apart_is_asked():
    (found,) = read_text("A cake\n1.000 g water", KITCHEN).recipe.lines
    assert found.mass is None
    assert "thousands" in found.wrong


@pytest.mark.parametrize(
    ("line", "inside"),
    [
        ("2 tbsp oil, plus extra for frying", True),
        ("rice flour for dusting", False),
        ("beaten egg, to glaze", False),
        ("2 EL Butter zum Braten", False),
        ("75 g sugar", True),
    ],
)
def test_what_only_dusts_or_greases_is_not_in_the_dough(line, inside):
    assert read_text(f"A cake\n100 g millet flour\n{line}", KITCHEN).recipe.lines[-1].in_dough is inside


def test_a_slip_of_the_pen_is_read_with_a_mark():
    (found,) = read_text("A loaf\n3 g xantham gum", KITCHEN).recipe.lines
    assert (found.ingredient, found.understood) == ("xanthan-gum", "guessed")
    assert "xantham" in found.guesses[0]


IN_WORDS = "A loaf\n500 g sorghum flour\n400 g water\n40 g Low Ings brose meal, toasted\na handful of guard's seed mix\n9 g salt"


def test_what_is_not_understood_goes_along_in_words_with_its_mass_where_that_is_known():
    formula = read_text(IN_WORDS, KITCHEN).formula
    words = [(x.note, x.mass_g) for x in formula.lines if x.ingredient == WORDS]
    assert words == [("40 g Low Ings brose meal, toasted", 40), ("a handful of guard's seed mix", 30)]
    assert len(formula.lines) == 5


def test_while_a_line_is_in_words_nothing_is_certain_of_what_it_holds():
    formula = replace(read_text(IN_WORDS.replace("a handful of ", ""), KITCHEN).formula, use="tin-loaf")
    found = judge_formula(formula, KITCHEN.shelf, formula_rules())
    assert found.in_words == ("40 g Low Ings brose meal, toasted", "guard's seed mix")
    assert "Two lines in words are not judged." in found.say
    assert found.say_more.startswith("at least 949 g dough")
    assert found.gluten.status == "unknown"
    assert WORDS in found.gluten.unknown_parts
    assert "40 g Low Ings brose meal, toasted" in found.analysis.doubts
    assert any("guard's seed mix" in step for step in card_of(found).steps)


def test_a_line_in_words_is_scaled_made_over_and_written_to_a_file_like_any_other():
    formula = read_text(IN_WORDS.replace("sorghum flour", "plain flour"), KITCHEN).formula
    twice = scale_lines(formula.lines, 2)
    assert [x.mass_g for x in twice if x.ingredient == WORDS] == [80, 60]
    blend = (Part("sorghum-flour", 70), Part("tapioca-starch", 30))
    use = rules().uses["tin-loaf"]
    made = make_over(replace(formula, blend=blend, pin=Pin("blend", 1, 1, "B"), use="tin-loaf"), use, KITCHEN)
    after = made.conversion.formula
    assert [x.note for x in after.lines if x.ingredient == WORDS] == [
        x.note for x in formula.lines if x.ingredient == WORDS
    ]
    assert "in words" in made.after.say
    back = read_formula(write_formula(after, "B", None, ()).encode()).formula
    assert [(x.ingredient, x.mass_g, x.note) for x in back.lines] == [
        (x.ingredient, x.mass_g, x.note) for x in after.lines
    ]


@pytest.mark.parametrize("name", RECIPES)
def test_no_mass_is_lost_between_the_text_and_the_formula(name):
    found, _ = read(name)
    lines = [one for x in found.lines for one in (x, *x.also)]
    known = math.fsum(x.mass.typical for x in lines if x.mass)
    formula = as_formula(found)
    assert math.fsum(x.mass_g for x in formula.lines) == pytest.approx(known, rel=1e-12)
    assert len(formula.lines) == len(lines)


MARKDOWN = """# Summit **seed** loaf
*Makes 1 loaf*
## For the gel
- **20 g** psyllium husk
- [ ] 400&nbsp;g water
## Dough
* 250 g [sorghum flour](there.html)
| 150 g | tapioca starch |
|---|---|
+ 30 g seeds & love
---
### Method
> Mix `everything`.
"""


def test_markdown_and_entities_are_read_and_no_line_of_them_is_lost():
    recipe = read_text(MARKDOWN, KITCHEN).recipe
    assert recipe.title == "Summit seed loaf"
    assert [(r.number, r.kind) for r in recipe.rows if r.kind != "ingredient"] == [
        (1, "title"), (2, "yield"), (3, "section"), (6, "section"), (12, "section"), (13, "step"),
    ]  # fmt: skip
    assert [(x.number, x.ingredient, x.mass.typical) for x in recipe.lines] == [
        (4, "psyllium-husk", 20), (5, "water", 400), (7, "sorghum-flour", 250), (8, "tapioca-starch", 150), (10, None, 30),
    ]  # fmt: skip

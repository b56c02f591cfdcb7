"""Formula files, schema.org JSON-LD and Markdown: strict in, stable out, and the same formula after a round trip."""

import json

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.formulas.analysis import analyse_formula
from fallow_sieve.core.formulas.card import card_of
from fallow_sieve.core.formulas.finished_bake import finish
from fallow_sieve.core.formulas.formula import BLEND, CONSISTENCIES, Formula, Line, When
from fallow_sieve.core.formulas.judgement import judge_formula
from fallow_sieve.core.formulas.portions import Portion
from fallow_sieve.core.ingredients import WORDS
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.formats.formulas.file import FormulaFile, formula_dict, read_formula, write_formula
from fallow_sieve.formats.formulas.markdown import plain, write_markdown
from fallow_sieve.formats.recipes.jsonld import read_jsonld, write_jsonld
from fallow_sieve.reference.formulas import formula_rules
from fallow_sieve.reference.ingredients import library_shelf
from fuzzing import examples

SHELF = library_shelf()
FILE = {
    "format": "fallow-sieve/formula",
    "version": 1,
    "name": "Trial loaf",
    "use": "tin-loaf",
    "pieces": 2,
    "blend": {"name": "Trial mix", "revision": 3, "parts": [{"ingredient": "sorghum-flour", "mass_g": 300.0}]},
    "lines": [
        {"ingredient": "@blend", "mass_g": 500.0, "stage": "dry"},
        {"ingredient": "water", "mass_g": 400.0, "stage": "wet", "note": "tepid"},
    ],
}
MASS = st.floats(0.001, 1e6)
NAMES = st.text(st.characters(codec="utf-8", exclude_categories=("Cs", "Cc")), max_size=40)
SLUGS = st.sampled_from([i.slug for i in SHELF.ingredients])
PARTS = SLUGS.filter(lambda slug: slug != WORDS)  # a line in words is no part of a blend
FORMULAS = st.builds(
    Formula,
    lines=st.lists(st.builds(Line, st.one_of(SLUGS, st.just(BLEND)), MASS, st.sampled_from(list(When)), NAMES), min_size=1, max_size=8).map(tuple),
    blend=st.dictionaries(PARTS, MASS, min_size=1, max_size=5).map(lambda m: tuple(Part(s, g) for s, g in m.items())),
    name=NAMES,
    use=st.sampled_from(("tin-loaf", "scone", None)),
    consistency=st.sampled_from((*CONSISTENCIES, None)),
    school=st.sampled_from(("gum", "gels", None)),
    pieces=st.integers(1, 500),
    pan=st.sampled_from(("glass", None)),
    method=NAMES,
    portion=st.sampled_from((None, Portion("slice", 40.0), Portion("wedge", shares=8))),
)  # fmt: skip


def read(**changes):
    return read_formula(json.dumps({**FILE, **changes}).encode())


def test_a_formula_file_is_read():
    found = read()
    assert found.formula.lines == (Line(BLEND, 500, When.DRY), Line("water", 400, When.WET, "tepid"))
    assert (found.formula.use, found.formula.pieces, found.blend_name, found.blend_revision) == (
        "tin-loaf",
        2,
        "Trial mix",
        3,
    )
    assert found.formula.blend == (Part("sorghum-flour", 300),)


@given(FORMULAS)
def test_a_formula_file_comes_back_as_it_went_to_the_last_bit(formula):
    text = write_formula(formula, "A mix", 4)
    found = read_formula(text.encode())
    assert found.formula == formula
    assert write_formula(found.formula, found.blend_name, found.blend_revision) == text


@pytest.mark.parametrize(
    ("changes", "place", "says"),
    [
        ({"lines": [{"ingredient": "water", "mass_g": -1, "stage": "wet"}]}, "/lines/0/mass_g", "greater than or equal to 0"),
        ({"lines": [{"ingredient": "water", "mass_g": 1, "stage": "cold"}]}, "/lines/0/stage", "'dry'"),
        ({"lines": [{"ingredient": "Water!", "mass_g": 1, "stage": "wet"}]}, "/lines/0/ingredient", "pattern"),
        ({"lines": []}, "/lines", "at least 1"),
        ({"colour": "brown"}, "/colour", "unknown key"),
        ({"lines": [{"ingredient": "water", "mass_g": 1, "stage": "wet", "gram": 2}]}, "/lines/0/gram", "did you mean mass_g|unknown key"),
        ({"version": 2}, "/version", "1"),
        ({"consistency": "runny"}, "/consistency", "'soft'"),
        ({"blend": {"parts": [{"ingredient": "a", "mass_g": 1}, {"ingredient": "a", "mass_g": 1}]}}, "/blend/parts/1/ingredient", "twice"),
    ],
)  # fmt: skip
def test_a_wrong_file_names_its_place(changes, place, says):
    with pytest.raises(BadInputError, match=says) as refused:
        read(**changes)
    assert refused.value.place == place


def test_a_syntax_error_names_line_and_column():
    with pytest.raises(BadInputError, match="line 2, column"):
        read_formula(b'{"format": "fallow-sieve/formula",\n "version": }')


def test_own_ingredients_travel_with_the_file():
    own = {
        "slug": "my-flour",
        "name": "My flour",
        "role": "whole_grain",
        "per_100_g": {"protein_g": 9.0, "water_g": 11.0},
    }
    lines = [{"ingredient": "my-flour", "mass_g": 100.0, "stage": "dry"}]
    found = read(ingredients=[own], lines=lines, blend=None)
    again = read_formula(write_formula(found.formula, own=found.ingredients).encode())
    assert again.ingredients[0].facts["protein_g"].range.typical == 9.0


def made(formula):
    judgement = judge_formula(formula, SHELF, formula_rules())
    return judgement, card_of(judgement, "Trial mix"), finish(formula, analyse_formula(formula, SHELF), SHELF, 12)


def jsonld(formula, name="Trial loaf"):
    judgement, card, finished = made(formula)
    return write_jsonld(name, judgement.analysis, card, finished, "Trial mix", formula_dict(formula, "Trial mix", 3))


@settings(max_examples=examples(25))
@given(FORMULAS)
def test_json_ld_brings_the_whole_formula_back(formula):
    formula = Formula(formula.lines, formula.blend, formula.name, pieces=formula.pieces, method=formula.method)
    found = read_jsonld(jsonld(formula).encode())
    assert found.formula == formula


def test_json_ld_is_a_recipe_that_any_reader_knows():
    document = json.loads(jsonld(read().formula))
    assert (document["@context"], document["@type"], document["name"]) == ("https://schema.org", "Recipe", "Trial loaf")
    assert document["recipeIngredient"] == ["500 g Trial mix", "400 g Water"]
    assert all(step["@type"] == "HowToStep" for step in document["recipeInstructions"])
    assert document["nutrition"]["proteinContent"].endswith(" g")
    assert "gluten" in document["disclaimer"].lower()


@pytest.mark.parametrize(
    "wrap",
    [lambda r: r, lambda r: [r], lambda r: {"@context": "x", "@graph": [{"@type": "WebPage"}, r]}, lambda r: {**r, "@type": ["Thing", "Recipe"]}],
)  # fmt: skip
def test_anyone_elses_json_ld_is_read_line_by_line(wrap):
    recipe = {
        "@type": "Recipe", "name": "Plain loaf", "recipeYield": "2 loaves", "recipeIngredient": ["500 g flour", "9 g salt"],
        "recipeInstructions": [{"@type": "HowToSection", "itemListElement": [{"@type": "HowToStep", "text": "Bake it well."}]}],
    }  # fmt: skip
    text = read_jsonld(json.dumps(wrap(recipe)).encode())
    assert text.splitlines() == [
        "Plain loaf",
        "Makes 2",
        "",
        "Ingredients",
        "500 g flour",
        "9 g salt",
        "",
        "Method",
        "Bake it well.",
    ]


@pytest.mark.parametrize(
    "document", [{}, [], {"@type": "Event"}, {"@type": "Recipe"}, {"@type": "Recipe", "recipeIngredient": [1]}]
)
def test_what_holds_no_recipe_says_so(document):
    with pytest.raises(BadInputError, match="no Recipe|no list of ingredients"):
        read_jsonld(json.dumps(document).encode())


def test_markdown_holds_lines_steps_nutrition_and_cautions():
    judgement, card, finished = made(read().formula)
    text = write_markdown("Trial *loaf*", judgement, card, finished, "Trial mix")
    assert text.startswith("# Trial \\*loaf\\*\n")
    assert "| wet | Water | 400 | 80.0 |" in text
    assert "1. Whisk together 500 g Trial mix" in text
    assert "## Cautions" in text
    assert "| Salt, g |" in text


@given(st.text())
def test_nothing_in_a_name_becomes_markdown(text):
    shown = plain(text)
    assert "\n" not in shown
    assert shown.replace("\\", "").split() == text.replace("\\", "").split()


def test_the_file_says_no_more_than_it_must():
    bare = formula_dict(Formula((Line("water", 1.0, When.WET),)))
    assert bare == {
        "format": "fallow-sieve/formula",
        "version": 1,
        "name": "",
        "pieces": 1,
        "lines": [{"ingredient": "water", "mass_g": 1.0, "stage": "wet"}],
    }
    assert FormulaFile.model_validate(bare).pieces == 1


def test_no_ingredient_and_no_step_of_a_recipe_file_is_dropped():
    recipe = {
        "@type": "Recipe", "name": "Pie", "recipeIngredient": ["200 g rice flour", {"amount": "5 g", "name": "salt"}, 7],
        "recipeInstructions": [
            {"@type": "HowToSection", "name": "Filling", "itemListElement": [{"@type": "HowToStep", "text": "Stir."}]},
            {"@type": "HowToStep", "name": "Bake it."},
        ],
    }  # fmt: skip
    text = read_jsonld(json.dumps(recipe).encode())
    assert text.splitlines() == ["Pie", "", "Ingredients", "200 g rice flour", "5 g salt", "7", "", "Method", "Filling:", "Stir.", "Bake it."]  # fmt: skip

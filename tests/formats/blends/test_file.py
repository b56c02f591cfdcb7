"""The blend file: read strictly, written stably, and round again without loss."""

import json

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.ingredients.ingredient import PROPERTIES, WORDS
from fallow_sieve.core.ingredients.nutrients import NUTRIENTS
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.formats.blends.file import read_blend, write_blend
from fallow_sieve.reference.ingredients import library, library_shelf

MINE = {"slug": "my-flour", "name": "My flour", "role": "whole_grain", "per_100_g": {"protein_g": 9.1, "fibre_g": 6.0}}


def file(**changes):
    return {
        "format": "fallow-sieve/blend", "version": 1, "name": "Trial mix", "use": "tin-loaf",
        "parts": [{"ingredient": "sorghum-flour", "mass_g": 300}, {"ingredient": "my-flour", "mass_g": 24.5}],
        "ingredients": [MINE], **changes,
    }  # fmt: skip


def read(document) -> object:
    return read_blend(json.dumps(document).encode())


def test_a_blend_file_is_read():
    found = read_blend(json.dumps(file()).encode())
    assert found.blend == Blend((Part("sorghum-flour", 300), Part("my-flour", 24.5)), "Trial mix", "tin-loaf")
    mine = found.ingredients[0]
    assert (mine.slug, mine.range_of("protein_g").typical, mine.range_of("fat_g")) == ("my-flour", 9.1, None)


def mine(**changes):
    return file(ingredients=[{**MINE, **changes}])


def per_100_g(**numbers):
    return mine(per_100_g=numbers)


def part(**changes):
    return file(parts=[{"ingredient": "sorghum-flour", "mass_g": 300, **changes}])


@pytest.mark.parametrize(
    ("document", "place", "words"),
    [
        (file(format="other"), "/format", "fallow-sieve/blend"),
        (file(version=2), "/version", "it must be 1"),
        (file(extra=1), "/extra", "unknown key"),
        (file(parts=[]), "/parts", "at least 1"),
        (file(parts={}), "/parts", "a list in [ ]"),
        (file(name=5), "/name", "a text in quotes"),
        (file(use="Tin Loaf"), "/use", "pattern"),
        (part(mass_g=0), "/parts/0/mass_g", "greater than 0"),
        (part(mass_g=-1), "/parts/0/mass_g", "greater than 0"),
        (part(mass_g="300"), "/parts/0/mass_g", "it must be a number"),
        (part(mass_g=True), "/parts/0/mass_g", "true will not do"),
        (part(mass_g=None), "/parts/0/mass_g", "null will not do"),
        (part(mass_g=1e300), "/parts/0/mass_g", "less than or equal"),
        (part(mass=1), "/parts/0/mass", "did you mean mass_g"),
        (part(ingredient="no/slash"), "/parts/0/ingredient", "pattern"),
        (file(parts=[{"ingredient": "oat-flour"}]), "/parts/0/mass_g", "is missing"),
        (file(parts=[{"ingredient": "a", "mass_g": 1}] * 2), "/parts/1/ingredient", "first at /parts/0"),
        (file(ingredients=[MINE, MINE]), "/ingredients/1/slug", "stands twice"),
        (mine(role="grain"), "/ingredients/0/role", "whole_grain"),
        (mine(colour=1), "/ingredients/0/colour", "unknown key"),
        (mine(lab=[1, 2]), "/ingredients/0/lab", "at least 3"),
        (mine(lab=[200, 0, 0]), "/ingredients/0/lab/0", "from 0 to 100"),
        (mine(stickiness=1.2), "/ingredients/0/stickiness", "from 0 to 1"),
        (mine(density_g_per_ml=0), "/ingredients/0/density_g_per_ml", "it must be over 0"),
        (mine(allergens="soya"), "/ingredients/0/allergens", "a list in [ ]"),
        (mine(price_per_kg=-2), "/ingredients/0/price_per_kg", "it must be 0 or more"),
        (per_100_g(protein_mg=4), "/ingredients/0/per_100_g/protein_mg", "did you mean protein_g"),
        (per_100_g(protein_g=101), "/ingredients/0/per_100_g/protein_g", "from 0 to 100"),
        (per_100_g(protein_g={"low": 1, "typical": 2}), "/ingredients/0/per_100_g/protein_g/high", "is missing"),
        (per_100_g(protein_g={"low": 3, "typical": 2, "high": 4}), "/ingredients/0/per_100_g/protein_g", "out of order"),
        (per_100_g(protein_g={"low": 1, "typical": 2, "high": 4, "unit": "g"}), "/ingredients/0/per_100_g/protein_g/unit", "unknown key"),
        (per_100_g(protein_g=60, fat_g=60), "/ingredients/0/per_100_g", "add up to 120 g in 100 g"),
        (per_100_g(carbohydrate_g=5, fibre_g=20), "/ingredients/0/per_100_g/fibre_g", "counted with its fibre"),
    ],
    ids=str,
)  # fmt: skip
def test_what_cannot_be_read_names_the_place_by_json_pointer(document, place, words):
    with pytest.raises(BadInputError) as caught:
        read(document)
    assert caught.value.place == place
    assert words in str(caught.value)


@pytest.mark.parametrize("number", ["NaN", "Infinity", "-Infinity", "1e999", "1" + "0" * 400, "9" * 5000])
def test_a_number_that_is_not_finite_names_its_place(number):
    text = json.dumps(part()).replace("300", number)
    with pytest.raises(BadInputError, match="/parts/0/mass_g: -?Infinity will not do|NaN will not do"):
        read_blend(text.encode())


@pytest.mark.parametrize(
    ("data", "words"),
    [
        (b"", "line 1, column 1: not JSON"),
        (b'{"format": "fallow-sieve/blend",}', "line 1, column 33"),
        (b"\xff\xfe{}", "byte 0: not UTF-8 text"),
        (bytes(range(256)), "not UTF-8 text"),
        (b"[" * 60_000, "byte 32: nested more than 32 deep"),
        (b'{"a":' * 60_000, "nested more than 32 deep"),
        (b'{"parts": [{"a": 1, "b": 2, "a": 3}]}', "/parts/0: the key 'a' stands twice"),
        (b"null", "/: null will not do; it must be an object"),
        (b" " * (8 * 1024 * 1024 + 1), "at most 8388608 are read"),
    ],
    ids=lambda v: str(v)[:40],
)
def test_a_document_that_is_no_json_says_where(data, words):
    with pytest.raises(BadInputError) as caught:
        read_blend(data)
    assert words in str(caught.value)


def test_brackets_inside_a_string_are_no_nesting():
    assert read(file(name="[" * 150)).blend.name == "[" * 150


def test_gluten_given_as_a_range_counts_at_its_high_end():
    found = read(mine(gluten_mg_per_kg={"low": 3, "typical": 5, "high": 9}))
    assert found.ingredients[0].gluten_mg_per_kg == 9


def test_an_allergen_of_wheat_without_a_tested_value_says_that_it_contains_gluten():
    assert read(mine(allergens=["wheat"])).ingredients[0].contains_gluten
    assert not read(mine(allergens=["soya"])).ingredients[0].contains_gluten


@pytest.mark.parametrize("item", library()[::7], ids=lambda i: i.slug)
def test_an_ingredient_of_ones_own_goes_out_and_comes_back_the_same(item):
    text = write_blend(Blend((Part(item.slug, 10),)), [item])
    back = read_blend(text.encode()).ingredients[0]
    for name in (*NUTRIENTS, *PROPERTIES):
        assert back.range_of(name) == item.range_of(name), name
    assert (back.role, back.allergens, back.watch) == (
        item.role,
        tuple(sorted(item.allergens)),
        tuple(sorted(item.watch)),
    )


SLUG = st.sampled_from([i.slug for i in library() if i.slug != WORDS])


@given(
    st.dictionaries(SLUG, st.floats(1e-6, 1e9), min_size=1, max_size=20),
    st.text(max_size=60).filter(lambda s: s.isprintable()),
    st.none() | st.sampled_from(["tin-loaf", "scone"]),
)
def test_a_blend_goes_out_and_comes_back_the_same(masses, name, use):
    blend = Blend(tuple(Part(s, m) for s, m in masses.items()), name, use)
    assert read_blend(write_blend(blend).encode()).blend == blend


def test_writing_is_stable_and_holds_only_the_definitions_it_needs():
    own = [i for i in library_shelf().ingredients if i.slug in ("teff-flour", "oat-flour")]
    blend = Blend((Part("teff-flour", 10),), "Mix")
    text = write_blend(blend, own)
    assert text == write_blend(blend, reversed(own))
    assert [i["slug"] for i in json.loads(text)["ingredients"]] == ["teff-flour"]


@pytest.mark.parametrize("written", ["psyllium husk", ["Psyllium-Husk"], ["psyllium-husk", "psyllium-husk"]], ids=str)
def test_what_an_own_flour_does_may_be_one_word_or_several_as_people_write_them(written):
    mine = {"slug": "isabgol", "name": "Isabgol", "role": "binder", "function": written}
    file = {"format": "fallow-sieve/blend", "version": 1, "parts": [{"ingredient": "isabgol", "mass_g": 5}], "ingredients": [mine]}  # fmt: skip
    (item,) = read_blend(json.dumps(file).encode()).ingredients
    assert [str(f) for f in item.functions] == ["psyllium-husk"]


def test_an_unknown_function_is_refused_with_its_place_and_the_nearest():
    mine = {"slug": "goma", "name": "Goma", "role": "binder", "function": ["xantan"]}
    file = {"format": "fallow-sieve/blend", "version": 1, "parts": [{"ingredient": "goma", "mass_g": 5}], "ingredients": [mine]}  # fmt: skip
    with pytest.raises(BadInputError, match="xanthan") as refused:
        read_blend(json.dumps(file).encode())
    assert refused.value.place == "/ingredients/0/function"

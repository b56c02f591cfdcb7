"""The list of a bag, and a mix as people paste it: cases written before the rules, each with what it must become."""

from __future__ import annotations

import json
from pathlib import Path

import pytest

from fallow_sieve.core.recipes.bag_list import read_list
from fallow_sieve.core.recipes.pasted_mix import read_mix
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.quantities import CupStandard, SpoonStandard
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.recipes import words

SHELF = library_shelf()
WORDS = words(CupStandard.US, SpoonStandard.US)
CASES = Path(__file__).parents[2] / "cases"


def cases(name):
    return json.loads((CASES / name).read_text(encoding="utf-8"))


def told(listed):
    printed = f" {listed.printed_pct} %" if listed.printed_pct else ""
    return f"{listed.ingredient}{printed}{' (2 % or less)' if listed.under_2 else ''}"


@pytest.mark.parametrize("case", cases("bag_lists.json"), ids=lambda c: c["list"][:40])
def test_a_bags_list_is_read_in_its_order_with_printed_shares(case):
    assert [told(x) for x in read_list(case["list"], WORDS.names, SHELF)] == case["names"]


def test_a_name_nobody_knows_stays_in_its_place_and_can_be_chosen():
    found = read_list("rice flour, moon dust, salt", WORDS.names, SHELF)
    assert [x.ingredient for x in found] == ["white-rice-flour", None, "salt"]
    assert read_list("rice flour, moon dust, salt", WORDS.names, SHELF, {1: "teff-flour"})[1].ingredient == "teff-flour"


@pytest.mark.parametrize("case", cases("pasted_mixes.json"), ids=lambda c: c["text"][:40])
def test_a_pasted_mix_becomes_masses(case):
    found = {x.ingredient: x.mass.typical for x in read_mix(case["text"], SHELF, WORDS)}
    assert found == {s: pytest.approx(g, abs=0.06) for s, g in case["parts"].items()}


def test_parts_in_percent_give_no_more_than_the_percent_that_are_written():
    found = read_mix("60 % teff flour, 40 % potato starch", SHELF, WORDS)
    assert [x.mass.typical for x in found] == [60, 40]
    assert all("percent by mass" in x.guesses for x in found)


@pytest.mark.parametrize("read", [lambda t: read_list(t, WORDS.names, SHELF), lambda t: read_mix(t, SHELF, WORDS)])
@pytest.mark.parametrize("text", ["", "  \n ", "x" * 6000])
def test_an_empty_text_or_a_book_is_refused_with_what_would_be_right(read, text):
    with pytest.raises(BadInputError) as error:
        read(text)
    assert error.value.right


def test_what_is_named_without_an_amount_stands_by_itself_and_asks():
    text = "1/3 cup tapioca flour, moon dust, 2 tbsp flaxseed, ground, xanthan gum"
    found = [(x.ingredient, x.mass is None, bool(x.wrong)) for x in read_mix(text, SHELF, WORDS)]
    assert found == [
        ("tapioca-starch", False, False),
        (None, True, True),
        ("ground-flaxseed", False, False),
        ("xanthan-gum", True, True),
    ]


def test_a_class_of_fibre_is_what_stands_in_its_brackets():
    text = "almidón de maíz, fibra vegetal (psyllium), sal"
    assert [x.ingredient for x in read_list(text, WORDS.names, SHELF)] == ["corn-starch", "psyllium-husk", "salt"]


def test_atta_of_another_grain_is_no_wheat():
    found = [x.ingredient for x in read_mix("2 cups jowar atta, 1 cup ragi atta", SHELF, WORDS)]
    assert found == ["sorghum-flour", "finger-millet-flour"]

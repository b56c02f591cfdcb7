"""Finding an ingredient by what somebody calls it, and what errors say."""

import pytest

from fallow_sieve.core.ingredients.search import Searchable, find
from fallow_sieve.core.values.errors import (
    BadInputError,
    FallowSieveError,
    QuantityError,
    UnknownNameError,
    nearest_names,
    shown,
)

ITEMS = [
    Searchable("tapioca-starch", "Tapioca starch", ("cassava starch", "manioc starch"), ("Cassava flour",)),
    Searchable("cassava-flour", "Cassava flour (whole root)", ("yuca flour",), ("Tapioca starch",)),
    Searchable("corn-starch", "Corn starch", ("cornflour",), ("Maize flour",)),
    Searchable("maize-flour", "Maize flour", ("corn flour",), ("Corn starch",)),
    Searchable("sorghum-flour", "Sorghum flour (whole grain)", ("jowar flour",)),
]


def hits(query: str) -> list[str]:
    return [f.slug for f in find(query, ITEMS)]


def test_an_empty_query_gives_everything_in_its_order():
    assert hits("  ") == [i.slug for i in ITEMS]


@pytest.mark.parametrize(
    ("query", "first"),
    [("sor", "sorghum-flour"), ("jowar", "sorghum-flour"), ("Tapioca", "tapioca-starch"), ("cornflour", "corn-starch"), ("whole grain", "sorghum-flour"), ("sorgum", "sorghum-flour")],
)  # fmt: skip
def test_it_is_found_by_name_other_name_part_of_a_word_and_slip_of_the_pen(query, first):
    assert hits(query)[0] == first


def test_a_hit_by_another_name_says_by_which():
    assert find("manioc", ITEMS)[0].by == "manioc starch"
    assert find("tapioca", ITEMS)[0].by == ""


def test_what_it_is_taken_for_comes_last_so_that_the_two_can_be_told_apart():
    assert hits("corn starch") == ["corn-starch", "maize-flour"]
    assert find("corn starch", ITEMS)[1].by == "Corn starch"


def test_nothing_alike_finds_nothing():
    assert hits("zzz") == []


def test_errors_quote_the_value_say_where_and_what_would_be_right():
    error = BadInputError("a mass of -3 g", place="/parts/0/mass_g", right="it must be over 0")
    assert str(error) == "/parts/0/mass_g: a mass of -3 g; it must be over 0"
    assert str(error.at("/blend")) == "/blend/parts/0/mass_g: a mass of -3 g; it must be over 0"


def test_the_tree_of_errors_fits_the_builtins():
    assert issubclass(BadInputError, FallowSieveError | ValueError)
    assert issubclass(UnknownNameError, LookupError)
    assert issubclass(QuantityError, BadInputError)


def test_an_unknown_name_far_from_all_suggests_nothing():
    assert "see the list of known names" in str(UnknownNameError("use", "xyzzy", ["tin-loaf"]))


def test_nearest_names_look_past_case_and_spaces():
    assert nearest_names("Brown Rice Flour", ["brown-rice-flour", "oat-flour"])[0] == "brown-rice-flour"
    assert nearest_names("rice", ["brown-rice-flour", "oat-flour"]) == ["brown-rice-flour"]
    assert nearest_names("", ["a"]) == []


def test_a_long_value_is_cut_in_a_message():
    assert len(shown("x" * 500)) == 60

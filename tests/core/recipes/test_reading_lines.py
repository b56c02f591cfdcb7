"""Lines of recipes as people write them. The set and what each line says are in tests/cases/recipe_lines.json."""

import json
from pathlib import Path

import pytest

from fallow_sieve.core.recipes.amounts import amount_at, plain
from fallow_sieve.core.recipes.lines import read_line
from fallow_sieve.core.values.quantities import CupStandard, SpoonStandard
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.recipes import words

SHELF = library_shelf()
WORDS = words()
LINES = json.loads((Path(__file__).parents[2] / "cases/recipe_lines.json").read_text(encoding="utf-8"))["lines"]
SAID = [x for x in LINES if x["is"]]
US_LARGE_G = {"whole-egg": 50, "egg-white": 33, "egg-yolk": 17}
US_MEDIUM_G = 44


def grams(case):
    """What the line weighs, from what was written down by hand for it."""
    if "g" in case:
        return case["g"]
    if "ml" in case:
        return case["ml"] * SHELF[case["is"]].range_of("density_g_per_ml").typical
    each = US_MEDIUM_G if "medium" in case["text"] else US_LARGE_G[case["is"]]
    return case["count"] * each


def read(text, when=None):
    return read_line(text, 1, SHELF, WORDS, when)


def is_right(case, found):
    if found is None or found.ingredient != case["is"] or found.mass is None:
        return False
    return found.mass.typical == pytest.approx(grams(case), rel=1e-3)


def test_the_set_is_large_enough_and_of_many_habits():
    assert len(SAID) >= 80
    assert len({x["text"] for x in LINES}) == len(LINES)


def test_at_least_95_of_100_lines_are_fully_understood():
    right = [x for x in SAID if is_right(x, read(x["text"]))]
    wrong = [x["text"] for x in SAID if x not in right]
    assert len(right) >= 0.95 * len(SAID), wrong


@pytest.mark.parametrize("case", LINES, ids=lambda c: c["text"])
def test_no_line_is_wrongly_understood_without_a_mark(case):
    found = read(case["text"])
    if case["is"] is None:
        assert found is None or (found.ingredient is None and found.understood in ("part", "no"))
    elif not is_right(case, found):
        assert found is None or found.understood != "yes" or found.wrong
    if found is not None and found.understood == "yes":
        assert not found.guesses


@pytest.mark.parametrize(
    ("text", "low", "typical", "high"),
    [
        ("1 1/2", 1.5, 1.5, 1.5), ("1½", 1.5, 1.5, 1.5), ("¾", 0.75, 0.75, 0.75), ("2,5", 2.5, 2.5, 2.5),
        ("1.250", 1.25, 1.25, 1.25), ("2–3", 2, 2.5, 3), ("1 to 1 1/2", 1, 1.25, 1.5), ("2 x 400", 800, 800, 800),
        ("half a", 0.5, 0.5, 0.5), ("one and a half", 1.5, 1.5, 1.5), ("a quarter", 0.25, 0.25, 0.25), ("an", 1, 1, 1),
        ("1,000", 1000, 1000, 1000), (".5", 0.5, 0.5, 0.5), ("1 1 / 2", 1.5, 1.5, 1.5), ("1 000 000", 1e6, 1e6, 1e6),
    ],
)  # fmt: skip
def test_a_number_is_read_in_any_habit(text, low, typical, high):
    amount, end = amount_at(plain(text), 0)
    assert (amount.low, amount.typical, amount.high) == pytest.approx((low, typical, high))
    assert end == len(plain(text))


@pytest.mark.parametrize(
    ("text", "guess"),
    [
        ("1,200 g flour", "thousands"), ("a scant cup of milk", "scant"), ("1 cup sorghum flour", "cup taken as 237 mL (US)"),
        ("1 T honey", "lone T"), ("2–3 g salt", "2–3 taken as 2.5"),
        ("3 eggs", "US large: 50 g"), ("100 g butter or lard", "left aside"), ("2 tbsp cornflour", "in some countries"),
        ("100 g rice flour", "white rice flour"), ("1 tsp kosher salt", "by the spoon"),
    ],
)  # fmt: skip
def test_every_guess_is_said(text, guess):
    assert any(guess in g for g in read(text).guesses), read(text).guesses


def test_a_cup_comes_with_the_spread_of_its_density():
    mass = read("1 cup sorghum flour").mass
    assert (mass.low, mass.typical, mass.high) == pytest.approx(
        (236.588 * 0.46, 236.588 * 0.56, 236.588 * 0.72), rel=1e-3
    )


def test_of_a_mass_and_its_volume_twin_the_mass_counts_and_both_are_kept():
    found = read("1 cup (120 g) sorghum flour")
    assert found.mass.typical == 120
    assert found.mass_twin.typical == 120
    assert found.volume_twin_ml == pytest.approx(236.588, rel=1e-5)


def test_the_cup_and_spoon_are_the_kitchens():
    metric = words(CupStandard.METRIC, SpoonStandard.AUSTRALIAN)
    assert read_line("1 cup water", 1, SHELF, metric).mass.typical == pytest.approx(250)
    assert read_line("1 tbsp water", 1, SHELF, metric).mass.typical == pytest.approx(20)
    assert read_line("1 egg", 1, SHELF, metric).mass.typical == 51  # EU M, without the shell


def test_what_lacks_an_amount_or_a_density_is_left_open_with_the_reason():
    assert "How much salt?" in read("salt to taste").wrong
    assert "not an ingredient that is known" in read("1 tsp truffle essence").wrong
    assert "What one" in read("3 raisins").wrong
    assert read("Whisk it all together") is None


def test_near_names_are_offered_not_taken():
    found = read("200 g truffle butter")
    assert (found.ingredient, found.near) == (None, ("unsalted-butter",))


def test_a_person_may_say_what_a_line_is():
    found = read_line("200 g almond butter", 3, SHELF, WORDS, chosen="almond-meal")
    assert (found.ingredient, found.mass.typical, found.understood) == ("almond-meal", 200, "yes")


def test_thousands_are_set_apart_one_way_or_not_at_all():
    assert amount_at("1,000 000 g", 0)[0].typical == 1000


@pytest.mark.parametrize(
    ("line", "becomes"),
    [
        ("110g GF breadcrumbs", None),
        ("110g vegetable suet (gluten free)", "gluten-free-suet"),
        ("75 ml stout (use GF)", None),
        ("2 tbsp gluten-free soy sauce", None),
        ("100 ml gluten-free beer", "gluten-free-beer"),
    ],
)
def test_what_says_gluten_free_is_never_a_thing_that_contains_gluten(line, becomes):
    found = read(line)
    assert found.ingredient is None or not SHELF[found.ingredient].contains_gluten
    if becomes is not None:
        assert found.ingredient == becomes

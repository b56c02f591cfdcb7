"""Labels as other hands bring their mixes: what is named, in which order, and what holds a line back."""

from __future__ import annotations

import json
from dataclasses import replace
from pathlib import Path

import pytest

from fallow_sieve.core.batches.codes import read_code
from fallow_sieve.core.blends import Blend, Part
from fallow_sieve.core.labels.label import label_of, label_sentence
from fallow_sieve.core.labels.lines import LabelAsked
from fallow_sieve.core.labels.wording import GlutenPart, MixTest, Rung, wording_of
from fallow_sieve.core.values import Status
from fallow_sieve.formats.blends import read_blend
from fallow_sieve.reference.labelling import gluten_scheme
from fallow_sieve.services.kitchen import bundled_kitchen
from fallow_sieve.services.labels.making import label_of_blend, mix_of_blend
from fallow_sieve.services.labels.rules import rules_of

HANDS = json.loads((Path(__file__).parents[2] / "cases/batches/by_other_hands.json").read_text(encoding="utf-8"))


@pytest.mark.parametrize("case", HANDS["labels"], ids=lambda c: c["who"])
def test_a_mix_as_somebody_brings_it(case):
    document = read_blend(json.dumps(case["blend"]).encode())
    kitchen = bundled_kitchen().with_ingredients(document.ingredients)
    label = label_of_blend(document.blend, kitchen, case["scheme"])
    found = {
        "allergens": list(label.allergens.mandatory),
        "recommended": [n.name for n in label.allergens.named if not n.mandatory],
        "wording": label.gluten.wording,
        "rung": int(label.gluten.rung),
        "binder_line": label.line("binder").text,
        "order": [x.ingredient for x in label.listed],
        "percent_of": [x.ingredient for x in label.listed if x.shows_share],
    }
    expected = dict(case["expect"])
    assert {x.key for x in label.held} >= set(expected.pop("held", []))
    assert {n: found[n] for n in expected} == expected


@pytest.mark.parametrize(("typed", "meant", "valid"), HANDS["codes"])
def test_a_code_as_somebody_types_it(typed, meant, valid):
    found = read_code(typed)
    assert (found.code, found.valid) == (meant, valid)


def almond_mix():
    parts = {"white-rice-flour": 500.0, "almond-flour": 300.0, "tapioca-starch": 200.0, "xanthan-gum": 5.0}
    return mix_of_blend(Blend(tuple(Part(s, g) for s, g in parts.items()), "Plain", "tin-loaf"), bundled_kitchen())


@pytest.mark.parametrize(
    ("scheme", "names"),
    [("eu", ("oats", "almond")), ("us", ("almond",)), ("anz", ("oats (gluten)", "almond")), ("jp", ("buckwheat",))],
)
def test_the_same_batch_is_named_by_each_schemes_list(scheme, names):
    parts = (Part("oat-flour", 500.0), Part("almond-flour", 300.0), Part("buckwheat-flour", 200.0))
    label = label_of(mix_of_blend(Blend(parts, "Plain"), bundled_kitchen()), rules_of(scheme))
    assert label.allergens.mandatory == names


def test_an_allergen_is_bold_inside_the_list_and_in_the_contains_line():
    label = label_of(almond_mix(), rules_of("us"))
    almond = next(x for x in label.listed if x.ingredient == "almond-flour")
    assert [(r.text, r.bold) for r in almond.runs] == [("almond", True), (" flour", False)]
    assert label.line("allergens").text == "Contains: almond."


def test_the_binder_line_says_what_is_in_or_what_to_add():
    rules = rules_of("eu")
    mix = almond_mix()
    assert label_of(mix, rules).line("binder").text.startswith("Some binder in: top up")
    bare = mix_of_blend(
        Blend((Part("white-rice-flour", 500.0), Part("tapioca-starch", 500.0)), "", "tin-loaf"), bundled_kitchen()
    )
    assert label_of(bare, rules).line("binder").text.startswith("No binder in: add")
    none = replace(bare, binder=replace(bare.binder, load=None))
    assert label_of(none, rules).line("binder").text == "Binder not judged: see the recipe."


def test_what_is_held_is_not_printed_and_the_sentence_says_so():
    mix = almond_mix()
    held = label_of(replace(mix, held_why="LI-061 is held"), rules_of("eu"))
    assert {x.key for x in held.held} == {"gluten wording", "hold"}
    assert label_sentence(held).startswith("Held by 2 of ")
    assert held.line("gluten wording").text == ""


TESTED = (GlutenPart("A", 640, 5.0, tested=True), GlutenPart("B", 5420, 5.0, tested=True))


def test_the_ladder_of_what_is_known_of_gluten():
    eu = gluten_scheme("eu")
    assert wording_of(TESTED, eu).rung == Rung.TESTED_LOTS
    assert wording_of((TESTED[0], replace(TESTED[1], tested=False)), eu).rung == Rung.DECLARED
    assert wording_of((TESTED[0], replace(TESTED[1], mg_per_kg=None)), eu).rung == Rung.UNKNOWN
    assert wording_of((TESTED[0], replace(TESTED[1], contains=True)), eu).rung == Rung.CONTAINS
    assert wording_of(TESTED, eu).wording == "Gluten-free"


def test_what_is_missing_is_said_with_what_would_mend_it():
    lots = (GlutenPart("LI-055", 640, 5.0), GlutenPart("LI-061", 1091.43), GlutenPart("all others", 4328.57, 5.0))
    found = wording_of(lots, gluten_scheme("eu"))
    assert found.wording is None
    assert found.missing == (
        "LI-061 has no test: 18.0 % of the mix. It could carry up to 88 mg/kg before the mix reaches 20.",
    )


@pytest.mark.parametrize(
    ("change", "why"),
    [
        ({"held": True}, "A is held."),
        ({"contains": True}, "A is made from a gluten cereal."),
        ({"mg_per_kg": 300.0}, "36.2 mg/kg; the limit is at most 20."),
        ({"oats": True, "mg_per_kg": 21.0}, "A: oats of 21 mg/kg themselves."),
    ],
)
def test_one_thing_is_enough_to_hold_the_wording(change, why):
    found = wording_of((replace(TESTED[0], **change), TESTED[1]), gluten_scheme("eu"))
    assert found.wording is None
    assert why in found.missing


def test_where_nothing_may_be_detectable_only_a_test_of_the_mix_will_do():
    anz = gluten_scheme("anz")
    assert wording_of(TESTED, anz).wording is None
    assert wording_of(TESTED, anz, MixTest(3.0, "R5", "2026-12-01", 3.0)).wording == "Gluten free"
    assert wording_of(TESTED, anz, MixTest(4.0, "R5", "2026-12-01", 3.0)).wording is None
    assert wording_of((replace(TESTED[0], oats=True), TESTED[1]), anz, MixTest(3.0, "R5", "d", 3.0)).wording is None


def test_an_unclean_line_holds_it_and_below_the_highest_rung_it_waits_for_a_check():
    assert wording_of(TESTED, gluten_scheme("eu"), clean_line=False).wording is None
    mix = replace(almond_mix(), gluten=TESTED)
    waiting = label_of(mix, rules_of("eu")).line("gluten wording")
    assert (waiting.text, waiting.status) == ("", Status.CLOSE)
    checked = label_of(mix, rules_of("eu"), LabelAsked(checked="2026-12-01, maker's certificates"))
    assert checked.line("gluten wording").text == "Gluten-free"
    assert checked.draft == ""


def test_nutrition_of_the_united_states_is_per_portion_and_holds_what_it_does_not_know():
    mix = almond_mix()
    table = label_of(mix, rules_of("us"), LabelAsked(portion_g=30)).table
    assert {r.per for r in table.rows} == {"100 g", "30 g"}
    assert next(r for r in table.rows if r.nutrient == "vitamin_d_ug").value == 0
    eggy = mix_of_blend(
        Blend((Part("white-rice-flour", 900.0), Part("egg-white-powder", 100.0)), "x"), bundled_kitchen()
    )
    assert "nutrition" in {x.key for x in label_of(eggy, rules_of("us")).held}


def test_a_language_or_a_scheme_that_is_not_there_is_named():
    with pytest.raises(LookupError, match="label scheme"):
        rules_of("mars")
    with pytest.raises(LookupError, match="language"):
        rules_of("eu", "nb")

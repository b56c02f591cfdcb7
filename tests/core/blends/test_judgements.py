"""The judgement as a whole: the state in one sentence, cautions, the usual most."""

import pytest

from fallow_sieve.core.blends.binder_load import DoseBand
from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.judgement import Rules, Setting, judge
from fallow_sieve.core.blends.limits import Limits
from fallow_sieve.core.blends.uses import BandChange, Use, UseBand
from kit import blend, flour, shelf_of

SHELF = shelf_of(
    flour("rice-flour", "refined_flour", protein_g=6, fibre_g=2, fat_g=1, more={"usual_max_pct": 60.0, "usual_max_reason": "gritty above"}),
    flour("teff", protein_g=12, fibre_g=8, fat_g=2),
    flour("oat", protein_g=12, fibre_g=8, fat_g=7, more={"watch": ("oats",)}),
    flour("almond", "nut_seed", protein_g=20, fibre_g=10, fat_g=50, more={"allergens": ("tree-nuts",)}),
    flour("fava-flour", "legume", protein_g=25, fibre_g=10, fat_g=2, more={"watch": ("legume",)}),
    flour("psyllium-husk", "binder", does="psyllium-husk", protein_g=0, fibre_g=80, fat_g=0),
    flour("bare", protein_g=9),
)  # fmt: skip
LOAF = Use(
    "loaf", "Loaf", "yeasted", "wet",
    (UseBand(4, 7, 11, 15, "protein_pct"), UseBand(2, 4, 10, 16, "fibre_pct"), UseBand(0, 0, 5, 9, "fat_pct")),
)  # fmt: skip
SAUCE = Use("sauce", "Sauce", "other", "none", ())
RULES = Rules({"loaf": LOAF, "sauce": SAUCE}, {"loaf": {"psyllium-husk": DoseBand(3, 5, 7)}})


def said(masses: dict[str, float], limits: Limits | None = None, use: Use | None = LOAF):
    return judge(blend(masses), SHELF, use, RULES, Setting(limits=limits or Limits()))


def kinds(masses: dict[str, float]) -> list[str]:
    return [c.kind for c in said(masses).cautions]


@pytest.mark.parametrize(
    ("masses", "say", "more"),
    [
        # Half and half: protein 9, fibre 5, fat 1.5.
        ({"rice-flour": 50, "teff": 50}, "Nothing holds it.", "3 of 3 pass · fit 100 of 100"),
        # Protein 6 and fibre 2: both short, fibre at its wall: (0.717 × 0.15 × 1)^(1/3).
        ({"rice-flour": 100}, "Nothing holds it. Two are close: fibre, protein.", "1 of 3 pass · fit 48 of 100"),
        # Far beyond two walls: 0.02 each, so (0.02 × 0.02 × 1)^(1/3).
        ({"almond": 100}, "Held by 2 of 3: fat, protein.", "1 of 3 pass · fit 7 of 100"),
        ({"teff": 50, "bare": 50}, "Nothing holds it. Two cannot be judged: fibre, fat.", "1 of 3 pass"),
    ],
    ids=str,
)
def test_one_sentence_says_the_state_worst_first(masses, say, more):
    found = said(masses)
    assert found.say == say
    assert found.say_more.startswith(more)


def test_a_briefs_limits_count_among_what_holds():
    found = said({"rice-flour": 50, "teff": 50}, Limits(max_bins=1, bands=(BandChange("fibre_pct", hard_low=6),)))
    assert found.say == "Held by 2 of 4: fibre, bins."
    assert found.is_held


def test_without_a_use_a_blend_is_told_but_not_judged():
    found = said({"teff": 1}, use=None)
    assert found.fit is None
    assert found.say == "No use is chosen, so nothing is judged."
    assert found.analysis.metrics["protein_pct"].typical == 12


def test_a_flour_over_its_usual_most_is_named_with_the_reason():
    (over,) = said({"rice-flour": 70, "teff": 30}).over_usual
    assert (over.ingredient, over.flour_pct, over.reason) == ("rice-flour", pytest.approx(70), "gritty above")
    assert said({"rice-flour": 60, "teff": 40}).over_usual == ()


def test_the_usual_most_is_lifted_where_the_use_is_made_of_one_part():
    assert said({"rice-flour": 100}, use=SAUCE).over_usual == ()


def test_allergens_are_the_union_and_the_bag_names_them_by_falling_mass():
    found = said({"oat": 10, "almond": 30, "fava-flour": 20})
    assert found.allergens == ("tree-nuts",)
    assert found.contains == ("tree-nuts", "legume", "oats")


@pytest.mark.parametrize(
    ("masses", "kind"),
    [
        ({"oat": 1}, "oats"),
        ({"almond": 1}, "allergens"),
        ({"fava-flour": 1}, "favism"),
        ({"fava-flour": 1}, "watch"),
        ({"teff": 95, "psyllium-husk": 5}, "gels"),
        ({"rice-flour": 50, "teff": 50}, "rice"),
        ({"teff": 1}, "raw-flour"),
        ({"teff": 1}, "gluten"),
    ],
)
def test_a_caution_stands_where_it_matters(masses, kind):
    assert kind in kinds(masses)


@pytest.mark.parametrize(
    ("masses", "kind"),
    [
        ({"teff": 1}, "oats"),
        ({"teff": 1}, "allergens"),
        ({"rice-flour": 49, "teff": 51}, "rice"),
        ({"teff": 1}, "gels"),
    ],
)
def test_a_caution_stays_away_where_it_does_not_matter(masses, kind):
    assert kind not in kinds(masses)


def test_unknown_gluten_is_never_said_to_be_free():
    text = next(c.say for c in said({"teff": 1, "oat": 1}).cautions if c.kind == "gluten")
    assert "Gluten unknown for Teff, Oat: not shown to be gluten-free" in text
    assert "testing and certification" in text


def test_locked_parts_are_judged_like_any_other():
    parts = (Part("teff", 50, locked=True), Part("rice-flour", 50))
    locked = judge(Blend(parts), SHELF, LOAF, RULES)
    assert locked.fit is not None
    assert locked.fit.score == 100

"""A mix for several uses at once: the worst of them, a band a use, and the binder that suits all; by hand."""

from __future__ import annotations

import pytest

from fallow_sieve.core.blends.judgement import Rules, Setting, judge
from fallow_sieve.core.blends.limits import Limits
from fallow_sieve.core.blends.uses import BandChange, NamedUse, Use, UseBand, fit_to, rule_of_use, say_binder
from fallow_sieve.core.blends.uses.several import common_doses
from fallow_sieve.core.values.bands import Status
from fallow_sieve.core.values.errors import BadInputError, UnknownNameError
from kit import blend, flour, mix, shelf_of

# Fibre 0 and 20 g in 100 g, so that the share of bran says the fibre: 30 % of it are 6 g.
SHELF = shelf_of(flour("bran", fibre_g=20), flour("white", "refined_flour", fibre_g=0))
LEAN = Use("lean", "Lean loaf", "general", "dry", (UseBand(0, 0, 4, 12, "fibre_pct"),), doses={"xanthan-gum": 1.0})
RICH = Use("rich", "Rich loaf", "general", "dry", (UseBand(0, 8, 16, 20, "fibre_pct"),), doses={"xanthan-gum": 1.5})
USES = {u.slug: u for u in (LEAN, RICH)}
BOTH = (NamedUse("lean", 2.0), NamedUse("rich"))


def use_of(*named: NamedUse, slug: str = "lean") -> Use:
    return rule_of_use(USES, slug, named=named)


def test_the_fit_is_that_of_the_worst_use_and_each_has_its_own():
    # 6 g: 2 of 8 past the edge of lean, d = 1 − 0.85 · 2/8 = 0.7875; 2 of 8 short of rich, the same; at 7 g 3/8 and 1/8.
    fit = fit_to(use_of(*BOTH), mix({"bran": 35, "white": 65}, SHELF))
    assert [(f.use, f.score, f.weight) for f in fit.each] == [
        ("lean", pytest.approx(100 * (1 - 0.85 * 3 / 8)), 2.0),
        ("rich", pytest.approx(100 * (1 - 0.85 / 8)), 1.0),
    ]
    assert (fit.worst, fit.score) == ("lean", fit.each[0].score)


def test_a_sieve_shows_the_band_it_stands_worst_in_and_those_of_all():
    (row,) = fit_to(use_of(*BOTH), mix({"bran": 10, "white": 90}, SHELF)).bands
    assert (row.status, row.distance, row.band.good_low) == (Status.CLOSE, pytest.approx(-6), 8)
    assert [(x.use, x.status, x.distance) for x in row.layers] == [
        ("lean", Status.PASS, 0.0),
        ("rich", Status.CLOSE, pytest.approx(-6)),
    ]


@pytest.mark.parametrize(
    ("bran", "say", "more"),
    [
        (
            10,
            "Of two uses it is worst for rich loaf: fibre 6.0 g/100 g short.",
            "that for rich loaf; the others have 100",
        ),
        (70, "Of two uses it is worst for lean loaf: fibre 10.0 g/100 g over.", "Held for one of two"),
    ],
)
def test_the_state_names_the_use_that_it_is_worst_for(bran, say, more):
    rules, given = Rules(USES, {}), blend({"bran": bran, "white": 100 - bran})
    found = judge(given, SHELF, use_of(*BOTH), rules, Setting(limits=Limits(uses=BOTH)))
    assert found.say == say
    assert more in found.say_more


def test_what_is_the_same_for_all_uses_is_said_once():
    wish = Limits(uses=BOTH, bands=(BandChange("fibre_pct", good_low=9.0, good_high=20.0),))
    found = judge(blend({"bran": 40, "white": 60}), SHELF, use_of(*BOTH), Rules(USES, {}), Setting(limits=wish))
    assert found.say == "Fibre 1.0 g/100 g short for all two uses."
    passing = judge(blend({"bran": 50, "white": 50}), SHELF, use_of(*BOTH), Rules(USES, {}), Setting(limits=wish))
    assert passing.say == "Passes every sieve of all two uses."


def test_a_blend_for_a_use_that_the_brief_does_not_name_is_judged_for_that_alone():
    assert rule_of_use(USES, "rich", named=(NamedUse("lean"),)).together == ()
    assert use_of(*BOTH, slug="rich").slug == "rich"
    assert [w.use.slug for w in use_of(*BOTH, slug="rich").weighed] == ["rich", "lean"]


def test_the_binder_that_suits_all_lies_in_the_usual_of_each():
    # 0.7–1.3 times 1.0 and 1.5: 1.05 is the least of the one, 1.3 the most of the other.
    common = common_doses(use_of(*BOTH))["xanthan-gum"]
    assert (common.low, common.high) == (pytest.approx(1.05), pytest.approx(1.3))
    assert "1.0–1.3 % xanthan gum of flour would suit all two" in say_binder(
        use_of(*BOTH), {"xanthan-gum": "Xanthan gum"}
    )
    far = {"lean": LEAN, "rich": Use("rich", "Rich", "general", "dry", (), doses={"xanthan-gum": 4.0})}
    assert say_binder(rule_of_use(far, "lean", named=BOTH), {}).startswith("No one dose of a binder suits all two")


@pytest.mark.parametrize(
    ("named", "error", "words"),
    [
        ((NamedUse("lean"), NamedUse("lean")), BadInputError, "/uses/1/use: 'lean' stands twice"),
        ((NamedUse("lean"), NamedUse("ritch")), UnknownNameError, "/uses/1/use: unknown use 'ritch'; did you mean rich"),
        ((NamedUse("lean"), NamedUse("rich", 0)), BadInputError, "/uses/1/weight: a weight of 0; it must be over 0"),
        ((NamedUse("lean", float("nan")), NamedUse("rich")), BadInputError, "/uses/0/weight"),
    ],
    ids=["twice", "unknown", "nought", "no number"],
)  # fmt: skip
def test_a_slip_in_several_uses_is_named_with_its_place(named, error, words):
    with pytest.raises(error, match=words.split(";")[0]):
        use_of(*named)

"""A brief that asks for a kind of bag, or for few gums or none, gets it: the flours are sought around its doses."""

from dataclasses import replace

import pytest

from fallow_sieve.core.blends import BagKind, Blend, Limits, Part
from fallow_sieve.core.numerics.programs import UNLIMITED
from fallow_sieve.core.optimise import Wishes
from fallow_sieve.core.values import Status
from fallow_sieve.reference import rules
from fallow_sieve.services.blends.asking import posed, wishes_for, with_bag_doses
from fallow_sieve.services.blends.judging import judged_blend
from fallow_sieve.services.blends.mending import answer_of, mended
from fallow_sieve.services.blends.proposals import ShownProposal, shown_as_found
from fallow_sieve.services.kitchen import bundled_kitchen

KITCHEN = bundled_kitchen()
FLOURS = ("white-rice-flour", "brown-rice-flour", "sorghum-flour", "tapioca-starch", "potato-starch", "corn-starch")


def doses(use, school="by-moisture", given=None, **limits):
    wishes = Wishes(rules().uses[use], Limits(**limits), binder=given or {})
    return with_bag_doses(wishes, KITCHEN.shelf, school).binder


@pytest.mark.parametrize(
    ("use", "school", "limits", "given", "expected"),
    [
        ("tin-loaf", "by-moisture", {"bag": BagKind.WITH_BINDER}, {}, {"psyllium-husk": 5.0}),
        # a dose of 1 % xanthan is wished at half: the other half of the load is husk's, 0.5 of its usual dose
        ("wrap", "gum", {"bag": BagKind.WITH_BINDER, "max_gum_pct": 0.3}, {}, {"xanthan-gum": 0.3, "psyllium-husk": 3.75}),
        ("quick-bread", "gum", {"bag": BagKind.SELF_RAISING, "max_gum_pct": 0.0}, {}, {"psyllium-husk": 1.2, "baking-powder": 3.8}),
        ("thin-crust", "none", {"bag": BagKind.SELF_RAISING}, {}, {"psyllium-husk": 4.0, "instant-dry-yeast": 1.2}),
        ("drop-cookie", "gum", {"bag": BagKind.FLOURS}, {"xanthan-gum": 0.3}, {}),
        ("quick-bread", "gum", {"bag": BagKind.WITH_BINDER}, {"xanthan-gum": 0.5, "baking-powder": 4}, {"xanthan-gum": 0.5}),
        ("quick-bread", "gum", {"max_gum_pct": 0.2}, {"xanthan-gum": 0.6, "guar-gum": 0.2}, {"xanthan-gum": 0.15, "guar-gum": 0.05}),
        ("quick-bread", "gum", {}, {"xanthan-gum": 0.6, "salt": 2}, {"xanthan-gum": 0.6, "salt": 2}),
    ],
)  # fmt: skip
def test_the_doses_follow_from_the_kind_of_bag_the_school_and_the_cap_of_gums(use, school, limits, given, expected):
    assert doses(use, school, given, **limits) == pytest.approx(expected)


@pytest.mark.parametrize("use", sorted(u for u in rules().uses if rules().doses.get(u)))
@pytest.mark.parametrize("kind", [BagKind.WITH_BINDER, BagKind.SELF_RAISING, BagKind.COMPLETE])
def test_the_doses_of_every_use_make_the_kind_that_was_asked_and_pass(use, kind):
    found = doses(use, bag=kind)
    mix = Blend((Part("white-rice-flour", 100), *(Part(s, d) for s, d in found.items())), use=use)
    judged = judged_blend(mix, replace(KITCHEN, limits=Limits(bag=kind)))
    of_doses = {"binder_load", "chemical_leavening_pct", "yeast_pct", "salt_pct", "sugar_pct"}
    assert all(s.status is Status.PASS for s in judged.sieves if s.band.metric in of_doses)
    if any(s in found for s in ("baking-powder", "instant-dry-yeast")) or kind is BagKind.WITH_BINDER:
        assert [x.status for x in judged.limits] == [Status.PASS]


def test_what_is_proposed_is_the_bag_that_was_asked():
    limits = Limits(bag=BagKind.SELF_RAISING, max_gum_pct=0.0)
    kitchen = replace(KITCHEN, limits=limits)
    asked = posed(Wishes(rules().uses["quick-bread"], limits, candidates=FLOURS), (), kitchen)
    first = next(p for p in shown_as_found(asked, UNLIMITED) if isinstance(p, ShownProposal))
    judged = judged_blend(Blend(tuple(Part(p.ingredient, p.mass_g) for p in first.parts), use="quick-bread"), kitchen)
    assert [x.status for x in judged.limits] == [Status.PASS, Status.PASS]
    assert not judged.is_held


def test_what_is_no_flour_on_the_bench_stays_as_it_is():
    bench = Blend((Part("white-rice-flour", 100), Part("salt", 2), Part("baking-powder", 4)), use="quick-bread")
    assert wishes_for(bench, KITCHEN, None).binder == {"salt": 2, "baking-powder": 4}


def test_a_gum_over_its_cap_is_mended_by_its_dose_and_one_that_may_not_be_goes():
    mix = Blend((Part("white-rice-flour", 70), Part("tapioca-starch", 30), Part("xanthan-gum", 0.5)), use="quick-bread")
    kitchen = replace(KITCHEN, limits=Limits(max_gum_pct=0.2))
    capped = answer_of(mended(mix, kitchen, 2, UNLIMITED), 2).options[0]
    assert {p.ingredient: p.mass_g for p in capped.parts}["xanthan-gum"] == pytest.approx(0.2)
    none = answer_of(mended(mix, replace(KITCHEN, limits=Limits(max_gum_pct=0.0)), 2, UNLIMITED), 2).options[0]
    assert "xanthan-gum" not in {p.ingredient for p in none.parts}

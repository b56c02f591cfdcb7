"""Every diet and aim finds a blend that a person would weigh, or names what clashes."""

import pytest

from fallow_sieve.core.blends import BandChange, Limits
from fallow_sieve.core.ingredients import Role
from fallow_sieve.core.numerics.programs import UNLIMITED
from fallow_sieve.core.optimise import Aim, Conflict, Proposal, Wishes, problem_of, search
from fallow_sieve.core.optimise.wishes import least_share_pct
from fallow_sieve.reference import diets, library_shelf, rules

SHELF, USES, DIETS = library_shelf(), rules().uses, diets()
KITCHEN = (
    "white-rice-flour", "brown-rice-flour", "sorghum-flour", "millet-flour", "teff-flour", "buckwheat-flour", "oat-flour",
    "tapioca-starch", "potato-starch", "corn-starch", "cassava-flour", "chickpea-flour", "almond-flour", "plantain-flour",
    "coconut-flour", "nixtamal-maize-flour", "arrowroot-starch", "chestnut-flour",
)  # fmt: skip
TURNS = [(use, (None, *DIETS)[n % (1 + len(DIETS))]) for n, use in enumerate(USES)]


def sought(use, diet=None, aims=(Aim.NEAREST,), limits=None, candidates=KITCHEN):
    chosen = (DIETS[diet],) if diet else ()
    wishes = Wishes(USES[use], limits or Limits(), diets=chosen, candidates=candidates, aims=aims)
    return list(search(problem_of(wishes, SHELF), SHELF, UNLIMITED))


@pytest.mark.parametrize(("use", "diet"), TURNS)
def test_every_use_finds_a_blend_for_a_diet_or_says_what_clashes(use, diet):
    found = sought(use, diet)
    proposals = [x for x in found if isinstance(x, Proposal)]
    assert proposals or all(isinstance(x, Conflict) and x.say for x in found)
    for p in proposals:
        for slug, share in p.parts:
            assert share >= least_share_pct(SHELF[slug]) - 1e-9  # no crumbs
            assert diet is None or DIETS[diet].allows(SHELF[slug])


@pytest.mark.parametrize("use", ["quick-bread", "pancake", "flatbread", "drop-cookie"])
def test_without_grain_there_is_a_quick_bread_a_pancake_a_flatbread_and_a_cookie(use):
    wish = Limits(bands=(BandChange("whole_grain_share_pct", good_low=30),))  # which the diet lifts
    first = sought(use, "grain-free", limits=wish, candidates=None)[0]
    assert isinstance(first, Proposal)
    assert first.score == pytest.approx(100)
    assert {SHELF[s].role for s, _ in first.parts} & {Role.WHOLE_GRAIN, Role.REFINED_FLOUR} == set()


@pytest.mark.parametrize("use", ["tin-loaf", "quick-bread", "crepe", "all-purpose"])
def test_the_aim_of_whole_grain_is_more_than_half_of_it_with_little_starch(use):
    nearest, grain = sought(use, aims=(Aim.NEAREST, Aim.WHOLE_GRAIN))
    share = sum(x for s, x in grain.parts if SHELF[s].role is Role.WHOLE_GRAIN)
    assert share >= 51 - 1e-9
    starch = [sum(x for s, x in p.parts if SHELF[s].role is Role.STARCH) for p in (nearest, grain)]
    assert starch[1] <= starch[0]


def test_the_aim_of_least_carbohydrate_has_less_than_the_nearest():
    nearest, low = sought("drop-cookie", aims=(Aim.NEAREST, Aim.LOW_CARBOHYDRATE))
    carbohydrate = [p.analysis.metrics["available_carbohydrate_pct"].typical for p in (nearest, low)]
    assert carbohydrate[1] < carbohydrate[0] - 5


def test_what_a_use_is_made_of_is_what_is_proposed_for_it():
    tortilla = sought("maize-tortilla", candidates=None)[0]
    assert tortilla.parts[0][0] == "nixtamal-maize-flour"
    loaf = sought("tin-loaf", candidates=None)[0]
    assert "rice" in loaf.parts[0][0]
    assert not {SHELF[s].role for s, _ in loaf.parts} & {Role.FIBRE, Role.PROTEIN}


def test_a_fibre_or_a_powder_is_thought_of_where_it_is_wished_for():
    wish = Limits(bands=(BandChange("fibre_pct", hard_low=14, good_low=15),))
    found = sought("quick-bread", limits=wish, candidates=None)[0]
    assert any(SHELF[s].role is Role.FIBRE or SHELF[s].range_of("fibre_g").typical > 15 for s, _ in found.parts)

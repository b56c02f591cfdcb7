"""Of thousands of flours a search looks at those that promise most: it misses little of what all of them would give."""

from __future__ import annotations

import random
from dataclasses import replace

import pytest

from fallow_sieve.core.blends.limits import Limits
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.optimise.posing import problem_of
from fallow_sieve.core.optimise.proposals import Proposal
from fallow_sieve.core.optimise.searching import search
from fallow_sieve.core.optimise.thousands import choosing
from fallow_sieve.core.optimise.wishes import Aim, Wishes
from fallow_sieve.core.values.estimates import Range
from fallow_sieve.reference.ingredients import library
from fallow_sieve.reference.uses import rules

AIMS = (Aim.NEAREST, Aim.CHEAPEST, Aim.MOST_FIBRE, Aim.MOST_PROTEIN, Aim.FEWEST_BINS, Aim.MILDEST)


def many(count, seed=3):
    """Flours of many mills, each a little other than the library's, with a price and a stock of its own."""
    chance = random.Random(seed)
    base = [i for i in library() if i.in_flour_base and not i.contains_gluten and "thirst_g_per_g" in i.facts]
    made = []
    for n in range(count):
        like = chance.choice(base)
        facts = {
            name: replace(
                f,
                range=Range(
                    *sorted(v * chance.uniform(0.92, 1.08) for v in (f.range.low, f.range.typical, f.range.high))
                ),
            )
            for name, f in like.facts.items()
        }
        price = round(chance.uniform(1, 9), 2)
        made.append(
            replace(
                like, slug=f"{like.slug}-{n}", name=f"{like.name} {n}", facts=facts, price_per_kg=price, stock_g=5000.0
            )
        )
    return made


def wishes_for(use, **limits):
    return Wishes(rules().uses[use], Limits(**limits), aims=AIMS)


@pytest.fixture(scope="module")
def large():
    return Shelf.of([*library(), *many(900)])


def posed(wishes, shelf):
    return problem_of(replace(wishes, candidates=tuple(i.slug for i in shelf.ingredients if i.stock_g > 0)), shelf)


def test_few_candidates_are_all_looked_at():
    shelf = Shelf.of(many(choosing.MOST_CANDIDATES))
    problem = posed(wishes_for("layer-cake"), shelf)
    assert not any("promise most" in n for n in problem.notes)


def test_what_is_not_looked_at_is_said(large):
    problem = posed(wishes_for("layer-cake"), large)
    (said,) = [n for n in problem.notes if "promise most" in n]
    assert f"the {problem.count} of" in said
    assert problem.count < 120


@pytest.mark.parametrize("use", ["tin-loaf", "drop-cookie"])
def test_among_three_hundred_the_chosen_give_what_all_of_them_give(use, monkeypatch):
    """What can still be gone through whole, gone through both ways: fit and aim are the same, or nearly."""
    shelf = Shelf.of(many(280, seed=5))
    wishes = wishes_for(use)
    whole = {p.aim: p for p in search(posed(wishes, shelf), shelf) if isinstance(p, Proposal)}
    monkeypatch.setattr("fallow_sieve.core.optimise.posing.MOST_CANDIDATES", 100)
    problem = posed(wishes, shelf)
    assert problem.count < 110
    few = {p.aim: p for p in search(problem, shelf) if isinstance(p, Proposal)}
    assert few[Aim.NEAREST].score >= whole[Aim.NEAREST].score - 0.1
    assert few[Aim.NEAREST].margin >= whole[Aim.NEAREST].margin - 0.02
    for aim in (Aim.CHEAPEST, Aim.MOST_FIBRE, Aim.MOST_PROTEIN, Aim.FEWEST_BINS, Aim.MILDEST):
        assert few[aim].value == pytest.approx(whole[aim].value, rel=0.005), aim


def test_what_must_be_in_is_looked_at_and_what_may_not_is_not(large):
    slug = next(i.slug for i in large.ingredients if i.slug.startswith("buckwheat-flour-"))
    banned = next(i.slug for i in large.ingredients if i.slug.startswith("tapioca-starch-"))
    wishes = replace(wishes_for("layer-cake", exclude=(banned,), exclude_allergens=("tree-nuts",)), lock={slug: 20.0})
    problem = posed(wishes, large)
    assert slug in problem.slugs
    assert banned not in problem.slugs
    assert not any("tree-nuts" in i.allergens for i in problem.mix.flours)


@pytest.mark.parametrize("use", ["tin-loaf", "drop-cookie"])
def test_what_is_said_to_be_proven_holds_against_all_of_them(use, monkeypatch):
    """The bound of each aim is never crossed by what a search of all flours finds, and is not far from it."""
    shelf = Shelf.of(many(120, seed=7))
    wishes = replace(wishes_for(use), aims=AIMS)
    whole = {p.aim: p for p in search(posed(wishes, shelf), shelf) if isinstance(p, Proposal)}
    assert all(p.better_by is None for p in whole.values())
    monkeypatch.setattr("fallow_sieve.core.optimise.posing.MOST_CANDIDATES", 60)
    few = {p.aim: p for p in search(posed(wishes, shelf), shelf) if isinstance(p, Proposal)}
    for aim in (Aim.CHEAPEST, Aim.MOST_FIBRE, Aim.MOST_PROTEIN, Aim.MILDEST, Aim.FEWEST_BINS):
        found, best, bound = few[aim].value, whole[aim].value, few[aim].better_by
        sign = -1.0 if aim in (Aim.MOST_FIBRE, Aim.MOST_PROTEIN) else 1.0
        assert sign * best >= sign * found - abs(found) * bound - 1e-6, aim
        assert bound < 0.25, aim
    assert few[Aim.NEAREST].better_by is None

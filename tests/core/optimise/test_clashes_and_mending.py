"""Wishes that clash, the smallest mendings, prices, trade-offs and bags."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from fallow_sieve.core.blends.analysis import analyse
from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.fit import BandChange, Use, UseBand, fit_to
from fallow_sieve.core.blends.limits import Limits
from fallow_sieve.core.ingredients.ingredient import Fact, Ingredient, Role
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.core.optimise.bags import bags_of
from fallow_sieve.core.optimise.conflicts import Conflict, conflicts_of, holds
from fallow_sieve.core.optimise.explaining import explain_proposal, prices_of_more
from fallow_sieve.core.optimise.gains import gives_and_gives_up
from fallow_sieve.core.optimise.mending import mend
from fallow_sieve.core.optimise.posing import problem_of
from fallow_sieve.core.optimise.proposals import Proposal, propose
from fallow_sieve.core.optimise.searching import least_bad, search
from fallow_sieve.core.optimise.tradeoffs import front
from fallow_sieve.core.optimise.wishes import Aim, Share, Wishes
from fallow_sieve.core.values.bands import Status
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.estimates import Range
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from fuzzing import examples

LIBRARY = library_shelf()
USES = rules().uses


def flour(slug, role, price, **numbers):
    facts = {k: Fact(v if isinstance(v, Range) else Range(v, v, v)) for k, v in numbers.items()}
    return Ingredient(slug, slug.title(), Role(role), facts, price_per_kg=price)


GRAIN = flour("grain", "whole_grain", 4.0, fibre_g=10.0)
WHITE = flour("white", "refined_flour", 2.0, fibre_g=2.0)
STARCH = flour("starch", "starch", 1.0, fibre_g=0.0)
SHELF = Shelf.of([GRAIN, WHITE, STARCH])
FIBRE = Use("fibre", "Fibre", "general", "dry", (UseBand(1, 3, 6, 9, "fibre_pct"),))


def clash(limits=None, use=FIBRE, shelf=SHELF, **changes):
    problem = problem_of(Wishes(use, limits or Limits(), **changes), shelf)
    return problem, conflicts_of(problem)


def gives(conflict):
    return {g.limit: pytest.approx(g.by) for g in conflict.gives}


@pytest.mark.parametrize(
    ("changes", "names", "least"),
    [
        # Locks of 70 and 40 %: one of them must give 10.
        (
            {"lock": {"white": 70.0, "grain": 40.0}},
            {"lock/white", "lock/grain"},
            {"lock/white": -10, "lock/grain": -10},
        ),
        # Nothing but starch: no fibre at all, and the hard limit is 1.
        ({"limits": Limits(exclude=("grain", "white"))}, {"exclude/grain", "exclude/white", "fibre_pct"}, None),
        # At most 10 % grain, and fibre at least 5: 10 % grain and 90 % white give 2.8.
        (
            {
                "require": {"grain": Share(0, 10)},
                "limits": Limits(bands=(BandChange("fibre_pct", hard_low=5),)),
            },
            {"require/grain", "fibre_pct"},
            {"fibre_pct": -2.2},
        ),
        # Fibre at least 5 at 2 per kg: 5 needs 37.5 % grain (in steps 38) with white, or 50 with starch at 2.50.
        (
            {"limits": Limits(price_cap_per_kg=2.0, bands=(BandChange("fibre_pct", hard_low=5),))},
            {"price_cap_per_kg", "fibre_pct"},
            {"price_cap_per_kg": 0.5},
        ),
    ],
)
def test_what_clashes_is_found_and_what_each_would_have_to_give(changes, names, least):
    _, found = clash(**changes)
    assert {n for c in found for n in c.names} == names
    if least:
        assert {k: v for k, v in gives(found[0]).items() if k in least} == least


def test_a_clash_is_irreducible_and_every_part_of_it_is_needed():
    wishes = Wishes(
        USES["tin-loaf"],
        Limits(max_bins=2, price_cap_per_kg=None, bands=(BandChange("fibre_pct", hard_low=8),)),
        candidates=("white-rice-flour", "sorghum-flour", "potato-starch", "teff-flour", "ground-flaxseed"),
        lock={"white-rice-flour": 40.0},
    )
    problem = problem_of(wishes, LIBRARY)
    found = conflicts_of(problem)
    assert found
    for conflict in found:
        assert not holds(problem, conflict.limits)
        for limit in conflict.limits:
            assert holds(problem, [x for x in conflict.limits if x is not limit]), limit.name


def test_giving_the_least_is_enough_and_a_little_less_is_not():
    limits = Limits(max_bins=2, bands=(BandChange("fibre_pct", hard_low=8, good_low=8),))
    kitchen = ("white-rice-flour", "sorghum-flour", "potato-starch", "corn-starch")
    wishes = Wishes(USES["scone"], limits, candidates=kitchen)
    (conflict, *_) = conflicts_of(problem_of(wishes, LIBRARY))
    give = next(g for g in conflict.gives if g.limit == "fibre_pct")
    for by, can in ((give.by - 1e-6, True), (give.by + 0.05, False)):
        looser = Limits(max_bins=2, bands=(BandChange("fibre_pct", hard_low=8 + by, good_low=8),))
        assert bool(list(propose(problem_of(replace(wishes, limits=looser), LIBRARY), LIBRARY))) is can


def test_where_the_time_is_up_nothing_is_called_a_clash():
    problem, found = clash(lock={"white": 70.0, "grain": 40.0})
    assert found
    assert conflicts_of(problem, Effort(seconds_left=lambda: 0.0)) == ()
    assert list(search(problem, SHELF, Effort(stopped=lambda: True))) == []


def test_a_step_that_makes_no_hundred_clashes_with_itself_and_a_loose_lock_with_the_step():
    _, found = clash(step_pct=7.0)
    assert [c.names for c in found] == [("step_pct",)]
    _, found = clash(lock={"white": 20.3})
    assert set(found[0].names) == {"lock/white", "step_pct"}


def test_the_least_bad_is_found_where_it_is_asked_for():
    limits = Limits(bands=(BandChange("fibre_pct", hard_low=12, good_low=13, good_high=20, hard_high=30),))
    wishes = Wishes(FIBRE, limits, least_bad=True, aims=(Aim.NEAREST,))
    problem = problem_of(wishes, SHELF)
    (best,) = [p for p in search(problem, SHELF) if isinstance(p, Proposal)]
    assert dict(best.parts) == {"grain": 100}
    assert best.score == pytest.approx(2)  # far beyond the wall, and nothing else is judged
    assert least_bad(problem_of(replace(wishes, lock={"white": 60.0, "grain": 60.0}), SHELF)) is None
    strict = list(search(problem_of(replace(wishes, least_bad=False), SHELF), SHELF))
    assert all(isinstance(c, Conflict) for c in strict)


# Mending.


def mended(masses, use=FIBRE, shelf=SHELF, locked=(), wishes=None, touch=3):
    blend = Blend(tuple(Part(s, m, s in locked) for s, m in masses.items()))
    return mend(blend, analyse(blend, shelf), wishes or Wishes(use), shelf, touch)


def test_two_parts_are_mended_by_the_mass_that_one_works_out():
    # 10 % grain, 90 % starch: 1 g fibre. 3 g wants 20 % more of what has 10 g fibre: 20 % moved from starch to grain.
    found = mended({"grain": 100, "starch": 900})
    two = found.options[-1]
    assert two.moved_pct == pytest.approx(20)
    assert {c.what: (c.before, c.after) for c in two.changes} == {
        "grain": (pytest.approx(10), pytest.approx(30)),
        "starch": (pytest.approx(90), pytest.approx(70)),
    }
    assert two.passes


def test_one_part_is_mended_by_setting_its_share_and_the_others_give_in_proportion():
    short = mended({"grain": 100, "white": 450, "starch": 450}, touch=1).options[0]
    # fibre = 10 g + 2 w, with w = (100 − g)/2: 0.1 g + (100 − g)/100 = 3 → g = 200/9
    assert dict(short.shares)["grain"] == pytest.approx(200 / 9)
    assert short.touched == 1


def test_locked_parts_stay_and_stock_limits_hold():
    found = mended({"grain": 100, "white": 300, "starch": 600}, locked=("starch",))
    assert all("starch" not in {c.what for c in m.changes} for m in found.options)
    assert found.options
    short = Shelf.of([replace(GRAIN, stock_g=150.0), replace(WHITE, stock_g=5000.0), replace(STARCH, stock_g=900.0)])
    wishes = Wishes(FIBRE, in_stock=True, batch_g=1000.0)
    for m in mended({"grain": 100, "white": 200, "starch": 700}, shelf=short, wishes=wishes).options:
        assert dict(m.shares)["grain"] <= 15 + 1e-6


def test_at_most_one_part_is_new_and_a_new_one_is_no_pinch():
    found = mended({"white": 500, "starch": 500})
    for m in found.options:
        new = [c for c in m.changes if not c.before]
        assert len(new) <= 1
        assert all(c.after >= 3 - 1e-9 for c in new)


def test_a_blend_that_passes_needs_no_mending_and_one_beyond_it_says_which_sieve():
    assert mended({"grain": 300, "starch": 700}).options == ()
    high = Use("high", "High", "general", "dry", (UseBand(20, 25, 30, 40, "fibre_pct"),))
    found = mended({"grain": 300, "starch": 700}, use=high)
    assert found.options == ()
    assert found.beyond == ("fibre_pct",)


@pytest.mark.parametrize("touch", [2, 3])
def test_no_smaller_move_on_a_grid_mends_it(touch):
    slugs = ("white-rice-flour", "corn-starch", "sorghum-flour")
    masses = {"white-rice-flour": 20, "corn-starch": 75, "sorghum-flour": 5}
    use = USES["scone"]
    found = mended(masses, use, LIBRARY, wishes=Wishes(use, candidates=slugs), touch=touch)
    best = min((m.moved_pct for m in found.options if m.touched <= touch and m.passes), default=None)
    fine = []
    for a in range(0, 101, 1):
        for b in range(0, 101 - a, 1):
            shares = np.array([a, b, 100 - a - b], dtype=float)
            parts = tuple(Part(s, x) for s, x in zip(slugs, shares, strict=True) if x > 0)
            moved = 0.5 * np.abs(shares - np.array([20.0, 75.0, 5.0])).sum()
            if best is not None and moved >= best - 1e-6:
                continue
            if all(r.status == "pass" for r in fit_to(use, analyse(Blend(parts), LIBRARY)).bands):
                fine.append((moved, parts))
    assert fine == []


KITCHEN = (
    "white-rice-flour",
    "sorghum-flour",
    "teff-flour",
    "corn-starch",
    "potato-starch",
    "chickpea-flour",
    "oat-flour",
)


@settings(max_examples=examples(25))
@given(
    st.dictionaries(st.sampled_from(KITCHEN), st.floats(1, 900) | st.integers(1, 900), min_size=2, max_size=6),
    st.sampled_from(["tin-loaf", "scone", "crispbread", "pancake"]),
    st.integers(0, 1),
)
def test_any_blend_is_mended_to_what_its_judgement_calls_mended(masses, use, locks):
    locked = tuple(sorted(masses))[:locks]
    found = mended(masses, USES[use], LIBRARY, locked, Wishes(USES[use], candidates=KITCHEN))
    flour_g = sum(masses.values())
    for m in found.options:
        shares = dict(m.shares)
        assert sum(shares.values()) == pytest.approx(100, abs=1e-6)
        assert all(shares.get(s) == pytest.approx(100 * masses[s] / flour_g) for s in locked)
        assert len(m.changes) <= 3 or m.touched == 1
        seen = fit_to(USES[use], analyse(Blend(tuple(Part(s, x) for s, x in shares.items())), LIBRARY))
        statuses = {b.status for b in seen.bands}
        assert statuses == {Status.PASS} if m.passes else Status.HELD not in statuses


# Explanations, fronts and bags.


def test_the_price_of_one_more_gram_of_fibre_is_what_one_works_out():
    # Grain for starch: 10 g fibre and 3 per kg dearer for all of it, so a gram of fibre is 0.30 per kg.
    shelf = Shelf.of([GRAIN, STARCH])
    problem = problem_of(Wishes(FIBRE, aims=(Aim.CHEAPEST,)), shelf)
    (best,) = propose(problem, shelf)
    assert dict(best.parts) == {"starch": 70, "grain": 30}
    (binding,) = explain_proposal(problem, Aim.CHEAPEST, best.shares).binding
    assert (binding.limit, binding.side) == ("fibre_pct", "good_low")
    assert binding.marginal == pytest.approx(0.3)
    more = {m.metric: m for m in prices_of_more(problem, Aim.CHEAPEST, best.shares)}
    assert more["fibre_pct"].price == pytest.approx(0.3, abs=1e-6)
    assert more["fibre_pct"].until == pytest.approx(6.0, abs=0.02)


def test_the_front_of_two_aims_runs_from_one_best_to_the_other_and_none_beats_another():
    bands = (UseBand(1, 2, 6, 9, "fibre_pct"),)
    problem = problem_of(Wishes(replace(FIBRE, bands=bands)), SHELF)
    points = list(front(problem, Aim.CHEAPEST, Aim.MOST_FIBRE))
    assert len(points) == 12
    xs, ys = [p.x for p in points], [p.y for p in points]
    assert (xs, ys) == (sorted(xs), sorted(ys))
    assert (ys[0], ys[-1]) == (pytest.approx(2), pytest.approx(6))
    with pytest.raises(BadInputError, match="two different"):
        next(front(problem, Aim.CHEAPEST, Aim.CHEAPEST))


def test_the_share_of_bags_is_the_normal_tail_where_one_number_decides():
    # Fibre 4 ± 1.96 (σ 1), good from 3 to 6: Φ(2) − Φ(−1) = 0.8186; through 1–9: 0.9987.
    only = Shelf.of([flour("only", "whole_grain", None, fibre_g=Range(2.04, 4.0, 5.96))])
    analysis = analyse(Blend((Part("only", 100),)), only)
    bags = bags_of(analysis, only, FIBRE, np.random.default_rng(1), draws=40_000)
    assert bags.passes_pct == pytest.approx(81.86, abs=0.7)
    assert bags.through_pct == pytest.approx(99.87, abs=0.1)
    assert bags.weakest == "fibre_pct"
    again = bags_of(analysis, only, FIBRE, np.random.default_rng(1), draws=40_000)
    assert again == bags


def test_bags_without_ranges_all_pass_or_all_fail():
    analysis = analyse(Blend((Part("grain", 40), Part("starch", 60))), SHELF)
    bags = bags_of(analysis, SHELF, FIBRE, np.random.default_rng(0))
    assert (bags.passes_pct, bags.weakest, bags.draws) == (100, "", 2000)


def test_what_a_proposal_gives_and_gives_up_is_said_in_words():
    mine = analyse(Blend((Part("grain", 50), Part("starch", 50))), SHELF)
    other = analyse(Blend((Part("grain", 30), Part("white", 30), Part("starch", 40))), SHELF)
    gives, up = gives_and_gives_up(mine, other, {"starch"}, "TL")
    assert gives == ("1.4 g more fibre", "1 bin fewer")
    assert up == ("0.30 TL per kg dearer", "needs grain, which you do not stock")

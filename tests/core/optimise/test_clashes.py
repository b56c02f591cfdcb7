"""Wishes that clash, prices of more, trade-offs and bags."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.limits import Limits
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.blends.uses import BandChange, Use, UseBand
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.core.optimise.bags import bags_of
from fallow_sieve.core.optimise.conflicts import Conflict, conflicts_of, holds
from fallow_sieve.core.optimise.explaining import explain_proposal, prices_of_more
from fallow_sieve.core.optimise.gains import gives_and_gives_up
from fallow_sieve.core.optimise.posing import problem_of
from fallow_sieve.core.optimise.proposals import Proposal, propose
from fallow_sieve.core.optimise.searching import least_bad, search
from fallow_sieve.core.optimise.trades import front
from fallow_sieve.core.optimise.wishes import Aim, Share, Wishes
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.estimates import Range
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from kit import priced as flour

LIBRARY = library_shelf()
USES = rules().uses


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

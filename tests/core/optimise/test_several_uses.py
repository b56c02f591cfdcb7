"""Blends for several uses, and what one use costs the others; by hand."""

from __future__ import annotations

import math
from dataclasses import replace

import numpy as np
import pytest

from fallow_sieve.core.blends.limits import Limits
from fallow_sieve.core.blends.uses import NamedUse, Use, UseBand, fit_to, rule_of_use
from fallow_sieve.core.optimise.fit_model import best_fit, log_fit, use_log_fit
from fallow_sieve.core.optimise.posing import problem_of
from fallow_sieve.core.optimise.proposals import propose
from fallow_sieve.core.optimise.searching import search
from fallow_sieve.core.optimise.trades import front_between
from fallow_sieve.core.optimise.wishes import Aim, Wishes
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from kit import flour, shelf_of

# Fibre 0 and 20: x % of bran is x / 5 g. Lean is good to 4 and walled at 12, rich good from 8 and walled at 0.
SHELF = shelf_of(flour("bran", fibre_g=20), flour("white", "refined_flour", fibre_g=0))
LEAN = Use("lean", "Lean loaf", "general", "dry", (UseBand(0, 0, 4, 12, "fibre_pct"),))
RICH = Use("rich", "Rich loaf", "general", "dry", (UseBand(0, 8, 20, 20, "fibre_pct"),))
USES = {u.slug: u for u in (LEAN, RICH)}


def asked(*named: NamedUse, uses=USES, **more) -> Wishes:
    return Wishes(rule_of_use(uses, named[0].use, named=named), Limits(uses=named), aims=(Aim.NEAREST,), **more)


def test_the_best_for_two_is_where_they_lose_alike():
    # d = 1 − 0.85 (f − 4) / 8 and 1 − 0.85 (8 − f) / 8 meet at f = 6: 30 % of bran, 78.75 for either.
    best = next(iter(propose(problem_of(asked(NamedUse("lean"), NamedUse("rich")), SHELF), SHELF)))
    assert dict(best.parts) == {"bran": 30, "white": 70}
    assert best.score == pytest.approx(78.75)


def test_a_weight_does_not_move_the_worst_but_decides_between_mixes_alike_in_it():
    # Fat is 5 whatever is taken: stuck at 1 − 0.85 · 3/8. Lean is above that to 7 g of fibre, rich from 5 g on.
    shelf = shelf_of(flour("bran", fibre_g=20, fat_g=5), flour("white", "refined_flour", fibre_g=0, fat_g=5))
    stuck = Use("stuck", "Stuck", "general", "dry", (UseBand(0, 0, 2, 10, "flour_fat_pct"),))
    for weights, bran in (((9, 1), 25), ((1, 9), 35)):
        named = (NamedUse("lean", weights[0]), NamedUse("rich", weights[1]), NamedUse("stuck"))
        problem = problem_of(asked(*named, uses=USES | {"stuck": stuck}), shelf)
        found = best_fit(problem)
        assert dict(zip(problem.slugs, found.shares, strict=True))["bran"] == pytest.approx(bran, abs=5)
        lean, rich, other = (use_log_fit(problem, f, found.shares) for f in problem.fits)
        assert min(lean, rich) >= other - 0.1
        assert (lean > rich) == (weights[0] > weights[1])


def test_a_clash_of_walls_says_whose_they_are():
    far = {"lean": replace(LEAN, bands=(UseBand(0, 0, 2, 4, "fibre_pct"),)), "rich": replace(RICH, bands=(UseBand(8, 9, 20, 20, "fibre_pct"),))}  # fmt: skip
    (clash,) = search(problem_of(asked(NamedUse("lean"), NamedUse("rich"), uses=far), SHELF), SHELF)
    assert {"fibre at most 4 g/100 g, for lean loaf", "fibre at least 8 g/100 g, for rich loaf"} == {
        x.say for x in clash.limits
    }


def test_the_front_between_two_uses_runs_from_the_best_of_the_one_to_the_best_of_the_other():
    problem = problem_of(asked(NamedUse("lean"), NamedUse("rich"), step_pct=0.0), SHELF)
    points = list(front_between(problem, "lean", points=3))
    # All for lean: 4 g, rich 4 of 8 short, 1 − 0.85 / 2 = 57.5; all for rich: 8 g, lean the same; between 78.75.
    assert [(p.x, p.y) for p in points] == [
        (pytest.approx(100, abs=0.05), pytest.approx(57.5, abs=0.05)),
        (pytest.approx(78.75, abs=0.1), pytest.approx(78.75, abs=0.1)),
        (pytest.approx(57.5, abs=0.05), pytest.approx(100, abs=0.05)),
    ]


def test_there_is_one_point_where_nothing_is_to_be_traded():
    both = {"lean": LEAN, "rich": replace(RICH, bands=(UseBand(0, 2, 20, 20, "fibre_pct"),))}
    points = list(front_between(problem_of(asked(NamedUse("lean"), NamedUse("rich"), uses=both), SHELF), "rich"))
    assert [(round(p.x, 3), round(p.y, 3)) for p in points] == [(100, 100)]


@pytest.mark.parametrize("named", [(NamedUse("lean"),), (NamedUse("lean"), NamedUse("rich"))])
def test_only_one_of_several_uses_can_be_traded(named):
    with pytest.raises(BadInputError, match="'scone' is none of several uses"):
        next(front_between(problem_of(asked(*named), SHELF), "scone"))


FIVE = tuple(NamedUse(u) for u in ("drop-cookie", "layer-cake", "quick-bread", "pancake", "short-pastry"))


def test_a_mix_for_five_bakes_is_found_in_the_library_and_fits_each_as_the_bench_says():
    shelf, uses = library_shelf(), rules().uses
    problem = problem_of(asked(*FIVE, uses=uses), shelf)
    best = next(iter(propose(problem, shelf)))
    assert best.score == 100
    for named in FIVE:
        assert fit_to(uses[named.use], best.analysis).score >= best.score - 1e-9


def test_the_log_fit_of_several_is_the_worst_and_a_little_of_their_mean():
    problem = problem_of(asked(NamedUse("lean", 3), NamedUse("rich")), SHELF)
    shares = [20.0 if s == "bran" else 80.0 for s in problem.slugs]
    lean, rich = (use_log_fit(problem, f, np.array(shares)) for f in problem.fits)
    assert (lean, rich) == (0.0, pytest.approx(100 * math.log(0.575)))
    assert log_fit(problem, np.array(shares)) == pytest.approx(rich + 0.05 * (3 * lean + rich) / 4)

"""Which bakes: the published optimum, an exchange that never falls, today's blend on every day, twins apart."""

import itertools
import json
from collections import Counter
from pathlib import Path

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from fallow_sieve.core.experiments.candidates import candidates, grid
from fallow_sieve.core.experiments.designs import Asked, Criterion, _Problem, design, exchange
from fallow_sieve.core.experiments.fitting import replicate_pairs
from fallow_sieve.core.experiments.regions import Region
from fallow_sieve.core.experiments.terms import Model, day_columns, pseudo, scheffe
from fallow_sieve.core.values import BadInputError
from fuzzing import examples

CASE = json.loads((Path(__file__).parents[2] / "cases/experiments/map_and_design.json").read_text("utf-8"))["cases"][1]
WHOLE = Region(tuple("abc"), (0.0, 0.0, 0.0), (1.0, 1.0, 1.0))
SMALL = Region(tuple("abc"), (0.2, 0.0, 0.15), (0.6, 0.4, 0.5))


def test_kiefers_design_is_found_corners_and_edge_middles():
    points = grid(WHOLE, 0.1)
    chosen = exchange(points, 6, np.empty((0, 3)), np.ones(6, dtype=np.intp), 1, Criterion(0.0))
    columns = scheffe(points[chosen], Model.QUADRATIC)
    assert np.linalg.slogdet(columns.T @ columns)[1] == pytest.approx(CASE["log_det"], abs=1e-9)
    kinds = Counter(tuple(sorted(np.round(points[c], 6))) for c in chosen)
    assert kinds == {(0.0, 0.0, 1.0): 3, (0.0, 0.5, 0.5): 3}


@settings(max_examples=examples(25))
@given(st.integers(0, 10**6), st.integers(4, 9), st.booleans())
def test_the_criterion_never_falls_in_an_exchange(seed, bakes, by_variance):
    random = np.random.default_rng(seed)
    points = pseudo(SMALL, candidates(SMALL))
    days = random.integers(1, 3, bakes)
    how = Criterion(region=points if by_variance else None)
    problem = _Problem(points, np.empty((0, 3)), day_columns(days.astype(float)), how)
    start = random.integers(0, len(points), bakes)
    assert problem.improved(start)[0] >= problem.value(start) - 1e-9


def made(bakes, days, seed=1, region=SMALL):
    today = np.array([0.4, 0.2, 0.4]) if region is SMALL else np.array([1 / 3] * 3)
    points = np.vstack([candidates(region), today])
    return design(points, pseudo(region, points), Asked(bakes, days, seed, today)), today


@pytest.mark.parametrize(("bakes", "days"), [(6, 1), (6, 2), (8, 2), (9, 3), (10, 3), (12, 4)])
def test_todays_blend_is_baked_every_day_and_days_are_even(bakes, days):
    runs, today = made(bakes, days)
    assert [r.order for r in runs] == list(range(1, bakes + 1))
    sizes = Counter(r.day for r in runs)
    assert max(sizes.values()) - min(sizes.values()) <= 1
    for day in range(1, days + 1):
        assert any(np.allclose(r.x, today) for r in runs if r.day == day)
    assert SMALL.holds(np.array([r.x for r in runs]), 1e-7).all()


def test_two_replicate_pairs_where_there_are_bakes_enough():
    for bakes, days in ((9, 1), (8, 2), (10, 3)):
        runs, _ = made(bakes, days)
        assert replicate_pairs(np.array([r.x for r in runs])) >= 2
        twins = [r for r in runs if r.replicate_of]
        assert all(np.allclose(r.x, runs[r.replicate_of - 1].x) for r in twins)


def test_no_twin_stands_next_to_its_twin_on_one_day():
    for seed in range(12):
        runs, _ = made(9, 1, seed)
        assert all(not np.allclose(a.x, b.x) for a, b in itertools.pairwise(runs))


def test_the_same_seed_gives_the_same_plan_and_another_another():
    assert made(10, 3, 5)[0] == made(10, 3, 5)[0]
    assert any(made(10, 3, 5)[0] != made(10, 3, s)[0] for s in (6, 7, 8))


@pytest.mark.parametrize(
    ("bakes", "days", "place"), [(4, 6, "/days"), (2, 1, "/bakes"), (3, 2, "/days"), (50, 1, "/bakes")]
)
def test_what_cannot_be_planned_is_said(bakes, days, place):
    with pytest.raises(BadInputError, match=place):
        made(bakes, days)


def test_fewer_bakes_than_terms_work():
    runs, _ = made(4, 1)
    assert len({r.x for r in runs}) == 4


def test_by_variance_the_map_is_told_better_on_average():
    points = grid(WHOLE, 0.1)
    wide = scheffe(grid(WHOLE, 0.05), Model.QUADRATIC)
    mean = {}
    for name, how in (("d", Criterion()), ("i", Criterion(region=grid(WHOLE, 0.05)))):
        chosen = exchange(points, 8, np.empty((0, 3)), np.ones(8, dtype=np.intp), 1, how)
        columns = scheffe(points[chosen], Model.QUADRATIC)
        mean[name] = float(np.einsum("ij,jk,ik->i", wide, np.linalg.inv(columns.T @ columns), wide).mean())
    assert mean["i"] < mean["d"] < 0.75
    assert mean["i"] < 0.55

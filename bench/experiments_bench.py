"""Experiments: how surely the map's interval holds over simulated kitchens, what is lost at the blend it picks, and its cost."""

from __future__ import annotations

import os
import time

import numpy as np

from fallow_sieve.core.experiments.best import best_of
from fallow_sieve.core.experiments.candidates import grid
from fallow_sieve.core.experiments.fitting import fit
from fallow_sieve.core.experiments.regions import Array, Region, Row
from fallow_sieve.core.experiments.study import Baked, Study, WhereSay, read, study_of
from fallow_sieve.core.experiments.terms import Model, scheffe
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.experiments.telling import planned
from measuring import noted

SURFACES, SEED = int(os.environ.get("SURFACES", "300")), 20261129
BAKES = (6, 8, 10)
REGION = Region(
    ("sorghum", "teff", "starch"), (0.2, 0.0, 0.15), (0.6, 0.4, 0.5), (Row((11.0, 13.0, 0.3), 5.0, None, "fibre"),)
)


def surface(rng: np.random.Generator, points: Array) -> Array:
    """A true surface over points: a quadratic whose range is 1 to 3 points, every third with a bump it lacks."""
    low, wide = points.min(axis=0), np.ptp(points, axis=0).max()
    u = (points - low) / wide
    values = scheffe(u, Model.QUADRATIC) @ rng.normal(0, 1, 6) * np.array(1.0)
    if rng.random() < 1 / 3:
        at = u[rng.integers(len(u))]
        values = values + rng.normal(0, 1) * np.exp(-((u - at) ** 2).sum(axis=1) / (2 * 0.25**2))
    size = np.ptp(values)
    found: Array = 5.5 + (values - values.mean()) / max(size, 1e-9) * rng.uniform(1, 3)
    return found


def simulated() -> None:
    """Bakes by the plan on two days; what the map says against the truth at every point."""
    over = grid(REGION)
    print(
        f"{SURFACES} surfaces of three parts, range 1–3 points, a third with a bump, noise 0.35–0.7, days apart by 0.3"
    )
    for bakes in BAKES:
        rng = np.random.default_rng(SEED)
        held, lost, lost_ls, lost_best, widths = [], [], [], [], []
        for n in range(SURFACES):
            truth = surface(rng, over)
            study = _baked(rng, over, truth, bakes, n)
            known = study.map
            assert known is not None
            mean, se = known.at(over)
            held.append(float((np.abs(truth - mean) <= 1.96 * se).mean()))
            widths.append(float(1.96 * se.mean()))
            best = truth.max()
            lost.append(best - truth[int(mean.argmax())])
            lost_ls.append(best - truth[_by_least_squares(study, over)])
            top = max(study.fitted, key=lambda b: b.y or 0.0)
            lost_best.append(best - truth[_nearest(over, np.array(top.x))])
        print(
            f"  {bakes:2} bakes: interval holds {100 * np.mean(held):.0f} % (aim 86–98), ± {np.mean(widths):.2f}; points lost: "
            f"map {np.mean(lost):.2f}, least squares {np.mean(lost_ls):.2f}, the best-tasting bake {np.mean(lost_best):.2f}"
        )


def _baked(rng: np.random.Generator, over: Array, truth: Array, bakes: int, seed: int) -> Study:
    today = tuple(float(v) for v in over[len(over) // 2])
    runs = planned(study_of(REGION, (), today), bakes, 2, seed % 5)
    noise, days = rng.uniform(0.35, 0.7), rng.normal(0, 0.3, 3)
    baked = [
        Baked(
            r.x, float(truth[_nearest(over, np.array(r.x))] + days[r.day] + rng.normal(0, noise)), r.day, number=r.order
        )
        for r in runs
    ]
    return study_of(REGION, baked, today)


def _nearest(over: Array, x: Array) -> int:
    return int(((over - x) ** 2).sum(axis=1).argmin())


def _by_least_squares(study: Study, over: Array) -> int:
    for model in (Model.QUADRATIC, Model.LINEAR):
        try:
            found = fit(scheffe(study.points, model), study.y, study.points)
            return int((scheffe(over, model) @ found.coefficients).argmax())
        except BadInputError:
            continue
    return 0


def cost() -> None:
    """A plan of ten in three parts (aim 2 s), map and next bake (aim 1 s), beside ten thousand small solves."""
    rng = np.random.default_rng(SEED)
    over = grid(REGION)
    truth = surface(rng, over)
    began = time.perf_counter()
    planned(study_of(REGION, (), None), 10, 3, 1)
    plan = time.perf_counter() - began
    study = _baked(rng, over, truth, 10, 1)
    began = time.perf_counter()
    read(study, WhereSay(REGION.names), 3)
    told = time.perf_counter() - began
    began = time.perf_counter()
    for _ in range(1000):
        np.linalg.solve(np.eye(10), np.ones(10))
    anchor = time.perf_counter() - began
    noted("plan of ten bakes", plan, "1 000 small solves", anchor, "≤ 2 s")
    noted("map, best, next three, stop", told, "1 000 small solves", anchor, "≤ 1 s")
    print(f"  plan of 10: {1000 * plan:.0f} ms, {plan / anchor:.0f} × 1 000 small solves")
    print(f"  map, best, next three, stop: {1000 * told:.0f} ms, {told / anchor:.0f} ×")
    best_of(study.map, over)  # type: ignore[arg-type]


if __name__ == "__main__":
    simulated()
    print("Cost")
    cost()

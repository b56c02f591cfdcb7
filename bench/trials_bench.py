"""Trials: how well the learnt water serves simulated kitchens, and what a ranking, a family and a tap cost beside nothing."""

from __future__ import annotations

import json
import math
import statistics
import tempfile
import time
from collections.abc import Callable
from dataclasses import replace
from datetime import UTC, datetime
from pathlib import Path

import numpy as np
from flask.testing import FlaskClient

from fallow_sieve.api.app import create_app
from fallow_sieve.core.formulas.water_learning import Pour, learn
from fallow_sieve.core.trials.faults.ranking import rank
from fallow_sieve.core.trials.readings import Reading
from fallow_sieve.demo.kitchen import fill
from fallow_sieve.reference import fault_tables
from fallow_sieve.services.kitchen import kitchen_now
from fallow_sieve.services.trials.beginning import Asked, begin
from fallow_sieve.store import FORMULAS, KitchenStore
from fallow_sieve.store.trials import TrialOnRecord, add_trial, put_reading
from measuring import noted

KITCHENS, BAKES, PREDICTED = 200, 12, 80.0
AFTER = (1, 3, 6, 12)
NOW = datetime(2026, 3, 14, 9, 30, tzinfo=UTC)
CASES = Path(__file__).parents[1] / "tests/cases/trials/faults.json"


def kitchen_of(rng: np.random.Generator, shape: str) -> tuple[float, list[tuple[float, float]]]:
    """A kitchen's true log factor, and its bakes: log of what was poured over predicted, and the feel that was noted.

    `own` is the model's own shape; `other` has heavy tails, a feel in steps of 6 % with more noise, and a baker who
    pours 5 % too much.
    """
    other = shape == "other"
    factor = float(np.clip(rng.standard_t(3) * 0.08, -0.6, 0.6)) if other else float(rng.normal(0, 0.12))
    bias, step, noise = (0.05, 0.06, 0.04) if other else (0.0, 0.04, 0.02)
    bakes = []
    for _ in range(BAKES):
        wanted = factor + (float(rng.standard_t(4)) * 0.04 if other else float(rng.normal(0, 0.06 / math.sqrt(2))))
        poured = float(np.clip(wanted + bias + rng.normal(0, 0.05), -1, 1))  # further is taken for a slip
        felt = (poured - wanted + float(rng.normal(0, noise))) / step
        bakes.append((poured, float(np.clip(np.round(felt), -2, 2))))
    return factor, bakes


def errors(shape: str, with_feel: bool) -> tuple[dict[int, list[float]], list[bool]]:
    """The error of the learnt log factor after so many bakes, and whether the next bake's want lay in its interval."""
    rng = np.random.default_rng(20261129)
    found: dict[int, list[float]] = {n: [] for n in AFTER}
    held: list[bool] = []
    for _ in range(KITCHENS):
        factor, bakes = kitchen_of(rng, shape)
        pours = [
            Pour(PREDICTED, PREDICTED * math.exp(p), "b", "yeasted", feel=f if with_feel else 0.0) for p, f in bakes
        ]
        for n in AFTER:
            level = learn(pours[:n], "b", "yeasted")[-1]
            found[n].append(level.mean - factor)
            reach = 1.96 * math.hypot(level.sd, 0.06)
            nxt = factor + (float(rng.standard_t(4)) * 0.04 if shape == "other" else float(rng.normal(0, 0.06)))
            held.append(abs(nxt - level.mean) <= reach)
    return found, held


def simulate() -> None:
    """Print the root mean square error with and without the feel, for both shapes."""
    print(
        f"{KITCHENS} kitchens of {BAKES} bakes; error of the learnt ln factor after {AFTER} bakes, and intervals that hold"
    )
    for shape in ("own", "other"):
        for with_feel in (False, True):
            found, held = errors(shape, with_feel)
            rms = "  ".join(f"{math.sqrt(statistics.fmean(e * e for e in found[n])):.3f}" for n in AFTER)
            name = f"{shape} shape, {'with' if with_feel else 'without'} feel"
            print(f"  {name:<28} {rms}   {100 * statistics.fmean(held):.0f} %")


def ranking() -> None:
    """Print what ranking six faults of one trial costs."""
    tables, case = fault_tables(), json.loads(CASES.read_text("utf-8"))["cases"][0]
    faults = ("gummy", "dense", "wet-line", "pale", "dry-next-day", "crumbly")
    took = least(lambda: [rank(f, case["applies"], case["quantities"], tables) for f in faults], 50)
    noted("ranking six faults", took, aim="≤ 5 ms")
    print(f"ranking six faults           {1e3 * took:7.2f} ms (aim 5)")


def least(work: Callable[[], object], runs: int) -> float:
    """Return the median time of a few runs, s."""
    found = []
    for _ in range(runs):
        begun = time.perf_counter()
        work()
        found.append(time.perf_counter() - begun)
    return statistics.median(found)


def served() -> None:
    """Print what a family of 300 trials and a tap cost, as multiples of an empty answer and an empty PUT."""
    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Path(folder) / "kitchen.db", clock=lambda: NOW)
        store = app.extensions["kitchen"]
        fill(store, NOW)
        with store.writing() as session:
            here = kitchen_now(store, NOW.date())
            kept = FORMULAS.newest(session, 1)
            assert kept is not None
            formula = kept.content
            first = begin(session, 1, formula, Asked(), here, "2026-03-14T09:30:00Z")
        _more(store, first, 300)
        client = app.test_client()
        empty = least(lambda: client.get("/api/v1/ping"), 100)
        once = least(lambda: client.get("/api/v1/formulas/1/family"), 1)
        family = least(lambda: client.get("/api/v1/formulas/1/family"), 100)
        anew = statistics.median([_after_a_tap(client, n) for n in range(10)])
        print(f"empty endpoint               {1e3 * empty:7.2f} ms")
        noted("family of 300 trials", family, "empty endpoint", empty, "≤ 3")
        print(f"family of 300 trials         {1e3 * family:7.2f} ms, {family / empty:.1f} x (aim 3)")
        print(f"  the first time             {1e3 * once:7.0f} ms; after a tap {1e3 * anew:.0f} ms")
        _taps(client, first.id)
        store.close()


def _more(store: KitchenStore, first: TrialOnRecord, count: int) -> None:
    """Copies of a trial with readings as a full sheet leaves them."""
    noted = {"water_poured_g": 890.0, "core_c": 97.0, "oven_c": 191.0, "bake_min": 45.0, "cool_min": 90.0, "verdict": 7.0,
             "mass_in_g": 1900.0, "mass_out_g": 1670.0, "fault:gummy": 0.0, "crust_shade": 4.0}  # fmt: skip
    with store.writing() as session:
        for n in range(count):
            made = add_trial(session, replace(first, baked_on=f"2026-{1 + n // 28 % 12:02d}-{1 + n % 28:02d}"))
            for quantity, value in noted.items():
                put_reading(session, made.id, Reading(quantity, value, at=f"{n:06d}", id=f"bench-{made.id}-{quantity}"))


def _after_a_tap(client: FlaskClient, n: int) -> float:
    client.put(f"/api/v1/trials/9/readings/bench-tap-{n}", json={"quantity": "room_c", "value": 20 + n % 5})
    begun = time.perf_counter()
    client.get("/api/v1/formulas/1/family")
    return time.perf_counter() - begun


def _taps(client: FlaskClient, trial: int) -> None:
    """A tap beside the emptiest PUT there is: taking back a reading that is taken back already."""
    body = {"quantity": "room_c", "value": 20}
    client.put(f"/api/v1/trials/{trial}/readings/bench-none", json=body)
    empty, taps = [], []
    for n in range(60):
        begun = time.perf_counter()
        client.put(f"/api/v1/trials/{trial}/readings/bench-none/withdrawn", json={"withdrawn": True})
        empty.append(time.perf_counter() - begun)
        begun = time.perf_counter()
        client.put(f"/api/v1/trials/{trial}/readings/bench-{n:04d}", json={"quantity": "room_c", "value": 20 + n % 9})
        taps.append(time.perf_counter() - begun)
    e, t = statistics.median(empty), statistics.median(taps)
    print(f"an empty PUT                 {1e3 * e:7.2f} ms")
    print(f"a tap saved                  {1e3 * t:7.2f} ms, {t / e:.1f} x (aim 3)")


def main() -> None:
    """Print the simulation, then what things cost."""
    simulate()
    ranking()
    served()


if __name__ == "__main__":
    main()

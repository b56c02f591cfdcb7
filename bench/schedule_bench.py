"""Finding the times of a plan: the bench instance of three products, and the demo's schedule, against one product alone."""

from __future__ import annotations

import json
import sys
import time
from collections.abc import Callable
from functools import partial
from pathlib import Path

from fallow_sieve.formats.schedule import PlanFile
from fallow_sieve.services.kitchen import KitchenNow, bundled_kitchen
from fallow_sieve.services.schedule.plans import planned
from fallow_sieve.services.schedule.telling import schedule_answer
from measuring import noted

TESTS = Path(__file__).parents[1] / "tests"
sys.path.insert(0, str(TESTS / "core/schedule"))
from test_plan_instance import instance  # type: ignore[import-not-found]  # noqa: E402 (the instance is written down once, with its proven optima)

from fallow_sieve.core.schedule.planner.solving import find_times  # noqa: E402

RUNS = 5


def best(work: Callable[[], object]) -> float:
    """Return the least processor time of a few runs, s."""
    found = []
    for _ in range(RUNS):
        begun = time.process_time()
        work()
        found.append(time.process_time() - begun)
    return min(found)


def _answered(file: PlanFile, kitchen: KitchenNow) -> None:
    schedule_answer(planned(file, kitchen), kitchen)


def main() -> None:
    """Print processor times and their ratios."""
    kitchen = bundled_kitchen()
    asked = [
        a
        for a in json.loads((TESTS / "core/schedule/by_other_hands.json").read_text("utf-8"))
        if a["expect"] == "optimal"
    ]
    files = {a["who"]: PlanFile.model_validate(a["plan"]) for a in asked}
    one = best(lambda: planned(next(iter(files.values())), kitchen))
    print(f"one product, 28 h            {1e3 * one:7.0f} ms")
    for ready in ("ready_min", "ready_tight_min"):
        took = best(partial(find_times, instance(ready)))
        noted(f"times of the bench instance, {ready}", took, "one product", one, "≤ 2.8 s")
        print(f"bench instance, {ready:<12} {1e3 * took:7.0f} ms, {took / one:.1f} x one product (aim: 2.8 s)")
    for who, file in files.items():
        took = best(partial(_answered, file, kitchen))
        print(f"{who[:60]:<60} {1e3 * took:7.0f} ms, {took / one:.1f} x")


if __name__ == "__main__":
    main()

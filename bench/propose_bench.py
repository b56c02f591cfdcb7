"""How fast blends are found: six aims over a kitchen's flours, and the tight statement against the plain one.

Prints seconds for the first (the wish is 1.5 s at the 95th percentile on two cores) and ratios within one run for the
second (the wish is 0.5 at the median; see docs/decisions/0007). Then how long a running search goes on after it is told
to stop (the wish is 0.2 s; see docs/decisions/0014).
"""

from __future__ import annotations

import statistics
import sys
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from random import Random
from threading import Event, Timer
from time import perf_counter

from fallow_sieve.core.blends.limits import Limits
from fallow_sieve.core.blends.uses import NamedUse, Use, rule_of_use
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.core.numerics.solver import solve
from fallow_sieve.core.optimise.aims import add_margin
from fallow_sieve.core.optimise.fit_model import add_fit, limits_of_floor
from fallow_sieve.core.optimise.model import Model, state
from fallow_sieve.core.optimise.posing import problem_of
from fallow_sieve.core.optimise.problem import Problem
from fallow_sieve.core.optimise.proposals import propose
from fallow_sieve.core.optimise.wishes import Aim, Wishes
from fallow_sieve.demo.bins import BINS
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from measuring import noted

SHELF = library_shelf()
KITCHEN = tuple(b.ingredient for b in BINS if SHELF[b.ingredient].in_flour_base)
SIX = (Aim.NEAREST, Aim.MOST_FIBRE, Aim.MOST_PROTEIN, Aim.FEWEST_BINS, Aim.MILDEST, Aim.LIGHTEST)


def problem(use: Use, candidates: tuple[str, ...] | None) -> Problem:
    """Return a typical brief for `use`: six bins at most, a binder by its moisture."""
    binder = {"psyllium-husk": 5.0} if use.moisture == "wet" else {"xanthan-gum": 1.0}
    return problem_of(Wishes(use, Limits(max_bins=6), candidates=candidates, binder=binder, aims=SIX), SHELF)


def plain(p: Problem) -> Model:
    """The big-M statement: links of 100, the fit by its tangents."""
    model = state(p, tight=False)
    model.program.row(add_fit(model, {}), low=-1e-4)
    return model


def nearest(p: Problem, stated: Callable[[Problem], Model]) -> tuple[float, float]:
    """Return the seconds that the nearest blend took, and its margin."""
    start = perf_counter()
    model = stated(p)
    answer = solve(model.program, model.program.cost([(add_margin(model), -1.0)]), Effort())
    return perf_counter() - start, -answer.objective


def after_the_word(use: Use, seconds: float) -> float:
    """Return how many seconds the search for `use` went on after it was told to stop, 0 where it had ended."""
    stop, told = Event(), [float("inf")]

    def tell() -> None:
        told[0] = perf_counter()
        stop.set()

    timer = Timer(seconds, tell)
    timer.start()
    list(propose(problem(use, None), SHELF, Effort(stopped=stop.is_set)))
    timer.cancel()
    return max(0.0, perf_counter() - told[0])


def timed(uses: list[Use]) -> tuple[list[float], list[float]]:
    """Return the seconds that six aims took for each use, and those to the first proposal."""
    whole, first = [], []
    with ThreadPoolExecutor(2) as pool:
        for use in uses:
            start = perf_counter()
            for n, _ in enumerate(propose(problem(use, KITCHEN), SHELF, Effort(map=pool.map))):
                if n == 0:
                    first.append(perf_counter() - start)
            whole.append(perf_counter() - start)
    return whole, first


def fives() -> list[list[str]]:
    """Return thirty sets of five uses, drawn the same every time; many have nothing in common."""
    draw = Random(7)
    return [draw.sample(sorted(rules().uses), 5) for _ in range(30)]


def late(seconds: list[float]) -> float:
    """Return the 95th percentile."""
    return sorted(seconds)[round(0.95 * (len(seconds) - 1))]


def main() -> int:
    """Print the measurements; returns 1 where the tight statement finds a worse blend."""
    ratios, worse = [], 0
    uses = rules().uses
    alone, first = timed(list(uses.values()))
    five = [rule_of_use(uses, names[0], named=[NamedUse(n) for n in names]) for names in fives()]
    several, _ = timed(five)
    for use in rules().uses.values():
        p = problem(use, None)
        slow, before = nearest(p, plain)
        fast, after = nearest(p, lambda q: state(q, extra=limits_of_floor(q, 0.0)))
        ratios.append(fast / slow)
        worse += after < before - 1e-6
    over = f"six aims over {len(KITCHEN)} flours"
    print(f"{over}: median {statistics.median(alone):.2f} s, p95 {late(alone):.2f} s (aim 1.5)")
    noted("six aims, median", statistics.median(alone), aim="≤ 1.5 s at p95")
    noted("the first proposal, median", statistics.median(first), aim="≤ 0.4 s")
    noted("tight statement", statistics.median(ratios), "plain statement", 1.0, "≤ 0.5")
    print(f"the first proposal: median {statistics.median(first):.2f} s (aim 0.4)")
    print(f"{over} for five uses: median {statistics.median(several):.2f} s, p95 {late(several):.2f} s (aim 3)")
    print(f"tight against plain statement, full library: median ratio {statistics.median(ratios):.2f} (aim 0.5)")
    late_stops = [after_the_word(use, s) for use in list(rules().uses.values())[:6] for s in (0.1, 0.4, 1.0)]
    print(f"told to stop, it stopped within {max(late_stops):.2f} s at worst of {len(late_stops)} (aim 0.2)")
    print(f"uses where the tight statement finds a worse blend: {worse} (aim 0)")
    return int(worse > 0)


if __name__ == "__main__":
    sys.exit(main())

"""Tastings: how often panels cry a false winner, how often they see a true one, and what an exact test costs."""

from __future__ import annotations

import itertools
import os
import time
from typing import cast

import numpy as np

from fallow_sieve.core.tastings.permutation import permutation_test
from fallow_sieve.core.tastings.verdicts.liking import liking_verdict
from fallow_sieve.core.tastings.verdicts.ranking import ranking_verdict
from measuring import noted

PANELS, SEED = int(os.environ.get("PANELS", "300")), 20261129
TASTERS, SAMPLES = (4, 6, 8, 12), (2, 3, 4)
SPREADS = {"alike": (1.2,), "one wide": (1.2, 1.2, 2.4)}  # sd of a mark by sample, points; the last is the wide one
MOST_FALSE = 0.06


def panel(
    rng: np.random.Generator, tasters: int, best: list[float], spread: tuple[float, ...], *, rounds: bool = True
) -> list[list[float]]:
    """Marks of a panel: a taster's own level (sd 1), the samples' means, and a mark's own spread; whole steps 1–9."""
    k = len(best)
    sd = np.array([spread[min(j, len(spread) - 1)] for j in range(k)])
    marks = rng.normal(0, 1, (tasters, 1)) + np.array(best) + rng.normal(0, 1, (tasters, k)) * sd
    return cast(list[list[float]], np.clip(np.rint(marks) if rounds else marks, 1, 9).tolist())


def crowned(tasters: int, best: list[float], spread: tuple[float, ...], *, ranks: bool) -> list[int | None]:
    """The winners of many panels of one setting."""
    rng = np.random.default_rng(SEED)
    names = [chr(65 + j) for j in range(len(best))]
    found = []
    for _ in range(PANELS):
        rows = panel(rng, tasters, best, spread)
        marks = [[-v for v in r] for r in rows] if ranks else rows
        found.append((ranking_verdict(names, marks) if ranks else liking_verdict(names, rows)).winner)
    return found


def false_winners() -> None:
    """Two equal best, the others left a point and a half behind: whoever is crowned is crowned falsely."""
    print(f"False winners, two equal best, {PANELS} panels a setting (aim at most {100 * MOST_FALSE:.0f} %)")
    worst = 0.0
    for k, n, (name, spread) in itertools.product(SAMPLES, TASTERS, SPREADS.items()):
        best = [6.5, 6.5, 5.0, 4.5][:k]
        shares = []
        for ranks in (False, True):
            found = crowned(n, best, spread, ranks=ranks)
            shares.append(sum(w in (0, 1) for w in found) / PANELS)
        worst = max(worst, *shares)
        print(f"  {k} samples, {n:2} tasters, spread {name:8}: liking {shares[0]:.3f}, ranking {shares[1]:.3f}")
    print(f"  worst {worst:.3f} (a share of 0.06 has a standard error of 0.0075)")


def true_winners() -> None:
    """One sample a point and a half ahead of two others."""
    print("True winners, one 1.5 points ahead of two")
    for n in TASTERS:
        found = crowned(n, [7.0, 5.5, 5.5], (1.2,), ranks=False)
        print(f"  {n:2} tasters: {found.count(0) / PANELS:.2f} crowned, {sum(w in (1, 2) for w in found)} wrong ones")


def cost() -> None:
    """The exact test at 8 × 4, and the drawn one beyond, beside a plain sum of the same table."""
    rng = np.random.default_rng(SEED)
    for tasters, samples in ((6, 3), (8, 4), (12, 3), (12, 5)):
        rows = rng.integers(1, 10, (tasters, samples)).astype(float).tolist()
        began = time.perf_counter()
        found = permutation_test(rows)
        took = time.perf_counter() - began
        anchor = min(_sorted_sum(rows) for _ in range(20))
        how = "exact" if found.exact else "drawn"
        noted(f"global test {tasters} × {samples}, {how}", took, "10 000 plain sums", anchor, "8 × 4 ≤ 1 s")
        print(f"  {tasters} × {samples}, {how}: {1000 * took:.0f} ms, {took / anchor:.0f} × 10 000 plain sums")


def _sorted_sum(rows: list[list[float]]) -> float:
    table = np.array(rows)
    began = time.perf_counter()
    for _ in range(10_000):
        table.sum(axis=0)
    return time.perf_counter() - began


if __name__ == "__main__":
    false_winners()
    true_winners()
    print("Cost of the global test (aim: 8 × 4 within 1 s)")
    cost()

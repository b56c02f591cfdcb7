"""Timing helpers shared by the benchmarks: medians and percentiles, interleaved so that both sides share the noise."""

from __future__ import annotations

import json
import os
import time
from collections.abc import Callable
from functools import partial
from pathlib import Path

ROWS = "BENCH_ROWS"


def percentile(values: list[float], share: float) -> float:
    """Return the value below which `share` (0–1) of the values lie."""
    ordered = sorted(values)
    return ordered[min(len(ordered) - 1, int(len(ordered) * share))]


def timed(work: Callable[[], object]) -> float:
    """Return how long one call takes, in s."""
    start = time.perf_counter()
    work()
    return time.perf_counter() - start


def interleaved(
    first: Callable[[], object], second: Callable[[], object], rounds: int
) -> tuple[list[float], list[float]]:
    """Return the times of both, called in turn, so that what slows one slows the other too (s)."""
    one, two = [], []
    for _ in range(rounds):
        one.append(timed(first))
        two.append(timed(second))
    return one, two


def _called(work: Callable[[], object], calls: int) -> None:
    for _ in range(calls):
        work()


def in_blocks(*works: Callable[[], object], rounds: int = 60, calls: int = 50) -> list[list[float]]:
    """Return for each work the time of one call (s), a value a block; blocks take turns, each warmed by its first call."""
    times: list[list[float]] = [[] for _ in works]
    for _ in range(rounds):
        for work, found in zip(works, times, strict=True):
            work()
            found.append(timed(partial(_called, work, calls)) / calls)
    return times


def noted(work: str, took_s: float, anchor: str = "", anchor_s: float | None = None, aim: str = "") -> None:
    """Note a row of the one table that `make bench` prints at its end: what it took, beside what, and the aim."""
    if path := os.environ.get(ROWS):
        with Path(path).open("a", encoding="utf-8") as rows:
            rows.write(json.dumps([work, took_s, anchor, anchor_s, aim]) + "\n")

"""Mend: the smallest change to a blend with which it passes, touching one, two or three of its parts.

Touching one part sets its share and takes from the others in proportion, as a typed share does on the bench. Touching
two or three moves mass between them and leaves the rest alone; one of them may be new. Least is ½ Σ |Δx|.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from fallow_sieve.core.blends import OF_FLOUR, Analysis, Blend, Fit, fit_to
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.numerics.programs import UNLIMITED, Array, Effort
from fallow_sieve.core.optimise.fit_model import passing_limits
from fallow_sieve.core.optimise.mending_moves import BenchShares, move_some
from fallow_sieve.core.optimise.model import TOTAL_PCT, moved_pct, short_of
from fallow_sieve.core.optimise.posing import problem_of
from fallow_sieve.core.optimise.problem import Problem
from fallow_sieve.core.optimise.proposals import judged
from fallow_sieve.core.optimise.wishes import Wishes
from fallow_sieve.core.values import Change, CupStandard, Status, came_or_went

MOST_TOUCHED = 3
_HAIR = 1e-7


@dataclass(frozen=True, slots=True)
class Mending:
    """One way to mend: how many parts are handled, the mass that moves (% of flour), and the blend that results.

    `passes` is whether every sieve passes then, or only nothing holds it any more.
    """

    touched: int
    moved_pct: float
    changes: tuple[Change, ...]
    shares: tuple[tuple[str, float], ...]
    fit: Fit
    passes: bool


@dataclass(frozen=True, slots=True)
class Mend:
    """The ways to mend a blend, the fewest touched first, and the sieves that no small change can satisfy."""

    options: tuple[Mending, ...]
    beyond: tuple[str, ...]


def mend(
    blend: Blend,
    analysis: Analysis,
    wishes: Wishes,
    shelf: Shelf,
    touch: int = MOST_TOUCHED,
    effort: Effort = UNLIMITED,
    cup: CupStandard = CupStandard.US,
) -> Mend:
    """Return the smallest changes to `blend` that let it pass, touching 1 up to `touch` parts.

    Locked parts stay; the limits of `wishes` hold. Where not everything can pass, what is held is mended and nothing
    else made worse. Raises BadInputError for parts that cannot be used.
    """
    bench = _bench(blend, analysis, wishes, shelf, cup)
    ways: list[Mending] = []
    for count in range(1, touch + 1):
        for target in (bench, _lets_through(bench, analysis)):
            shares = None if target is None or effort.is_spent else _smallest(target, count, effort)
            if shares is not None and target is not None:
                found = _mending(target, shelf, shares, count)
                if not any(w.shares == found.shares for w in ways):
                    ways.append(found)
                break
    return Mend(tuple(ways), () if ways else _beyond(bench, touch, effort))


def _bench(blend: Blend, analysis: Analysis, wishes: Wishes, shelf: Shelf, cup: CupStandard) -> BenchShares:
    shares = {p.ingredient: p.flour_pct for p in analysis.parts if p.flour_pct and shelf[p.ingredient].in_flour_base}
    doses = {p.ingredient: p.flour_pct for p in analysis.parts if p.ingredient not in shares and p.flour_pct}
    named = wishes.candidates
    every = replace(
        wishes,
        candidates=None if named is None else tuple(dict.fromkeys([*named, *shares])),
        lock={},
        require={},
        use_up=(),
        binder=doses,
        binder_apart=False,
        step_pct=0.0,
    )
    problem = _keeping(problem_of(every, shelf, cup), shares, every, shelf, cup)
    now = np.array([shares.get(s, 0.0) for s in problem.slugs])
    locked = {p.ingredient for p in blend.parts if p.locked}
    marks = np.array([s in locked for s in problem.slugs])
    whole = all(abs(p.mass_g - round(p.mass_g)) < 1e-9 for p in blend.parts if p.ingredient in shares)
    step = TOTAL_PCT / analysis.flour_base_g if whole and analysis.flour_base_g >= 50 else 0.0
    return BenchShares(problem, now, marks, (*problem.limits, *passing_limits(problem)), step, True)


def _keeping(problem: Problem, shares: dict[str, float], wishes: Wishes, shelf: Shelf, cup: CupStandard) -> Problem:
    """A part of the blend stays a candidate also where it lacks a value: then that band is not judged."""
    if set(shares) <= set(problem.slugs):
        return problem
    return problem_of(replace(wishes, use_up=tuple(shares)), shelf, cup).without(
        [(f"use_up/{s}", "low") for s in shares]
    )


def _lets_through(bench: BenchShares, analysis: Analysis) -> BenchShares | None:
    """The lesser target: what is held comes into its good band, and nothing gets worse. None if nothing is held."""
    p = bench.problem
    fit = fit_to(p.wishes.bands_use, analysis)
    held = {r.band.metric for r in fit.bands if r.status is Status.HELD}
    if not held:
        return None
    rows = []
    for limit in passing_limits(p):
        short = short_of(limit, bench.now) if limit.name not in held else 0.0
        rows.append(replace(limit, a0=limit.a0 + short))
    return replace(bench, target=(*p.limits, *rows), passes=False)


def _smallest(bench: BenchShares, touched: int, effort: Effort) -> Array | None:
    if all(short_of(x, bench.now) <= _HAIR for x in bench.target):
        return None
    return _one(bench) if touched == 1 else move_some(bench, touched, effort)


def _one(bench: BenchShares) -> Array | None:
    """Set one share; the unlocked others shrink or grow in proportion. Every limit is then linear in that share."""
    best: Array | None = None
    for i in np.flatnonzero(~bench.locked.astype(bool)):
        found = _set_share(bench, int(i))
        if found is not None and (best is None or moved_pct(found, bench.now) < moved_pct(best, bench.now) - _HAIR):
            best = found
    return best


def _set_share(bench: BenchShares, i: int) -> Array | None:
    others = np.where(bench.locked.astype(bool), 0.0, bench.now)
    others[i] = 0.0
    room = TOTAL_PCT - float(bench.now[bench.locked.astype(bool)].sum())
    if others.sum() <= _HAIR:
        return None
    base = np.where(bench.locked.astype(bool), bench.now, others * room / others.sum())
    direction = -others / others.sum()
    direction[i] = 1.0
    least = float(bench.problem.least[i])
    low, high = (0.0 if bench.now[i] > 0 else least), room
    used = (base > 0) | (np.arange(len(base)) == i)
    for limit in bench.target:
        slope = float(limit.a @ direction)
        at_zero = float(limit.a @ base) + float(limit.c @ used) + limit.a0
        if abs(slope) < 1e-12:
            if at_zero < -_HAIR:
                return None
        elif slope > 0:
            low = max(low, -at_zero / slope)
        else:
            high = min(high, at_zero / -slope)
    if low > high + 1e-12:
        return None
    share = min(max(float(bench.now[i]), low), high)
    if share < least and 0 < share < bench.now[i]:
        share = least if low <= least <= high else share
    return np.asarray(base + share * direction)


def _mending(bench: BenchShares, shelf: Shelf, shares: Array, touched: int) -> Mending:
    p = bench.problem
    fit, _ = judged(p, shelf, shares)
    changed = np.flatnonzero(np.abs(shares - bench.now) > _HAIR)
    changes = tuple(
        came_or_went(p.slugs[i], p.mix.flours[i].name, float(bench.now[i]), float(shares[i]), OF_FLOUR)
        for i in map(int, changed)
    )
    after = tuple((s, float(x)) for s, x in zip(p.slugs, shares, strict=True) if x > 0)
    handled = 1 if touched == 1 else len(changes)
    return Mending(handled, moved_pct(shares, bench.now), changes, after, fit, bench.passes)


def _beyond(bench: BenchShares, touch: int, effort: Effort) -> tuple[str, ...]:
    """The limits that no change of so few parts meets, each looked at alone."""
    found: list[str] = []
    for limit in bench.target:
        if limit.name not in found and short_of(limit, bench.now) > _HAIR:
            alone = replace(bench, target=(limit,))
            if _one(alone) is None and (touch < 2 or move_some(alone, touch, effort) is None):
                found.append(limit.name)
    return tuple(found)

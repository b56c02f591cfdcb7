"""Near variants of a proposal: nearly the same with a bin fewer, with what is in stock, with the dear part halved.

Of all blends that fit nearly as well (3 points less at most, a rule of thumb) it is the one with the least mass moved,
½ Σ |Δx|; where none does, the one that fits best.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from enum import StrEnum

import numpy as np

from fallow_sieve.core.ingredients import short_name
from fallow_sieve.core.numerics.programs import UNLIMITED, Array, Effort
from fallow_sieve.core.optimise.aims import strangeness
from fallow_sieve.core.optimise.fit_model import RIGHT_TO, Cuts, best_fit, log_fit, refined
from fallow_sieve.core.optimise.model import moved_pct, solve_kept
from fallow_sieve.core.optimise.problem import Limit, Problem
from fallow_sieve.core.optimise.proposals import with_floor
from fallow_sieve.core.optimise.slack import floor_below

NEAR_SLACK = 3.0
HALF = 0.5
LEAST_SAVED = 0.1  # of what the dear part costs over the mean; rule of thumb
_STRANGE_AS_MOVED = 10.0  # % of flour moved that a mix of nothing but strange flours is worth; rule of thumb
_ROUNDS = 8


class Kind(StrEnum):
    """How a variant differs from its proposal."""

    FEWER_BINS = "one bin fewer"
    FROM_STOCK = "with what is in stock"
    DEAR_HALVED = "with the dear one halved"


@dataclass(frozen=True, slots=True)
class Variant:
    """A blend near a proposal: shares (% of flour base), how much mass moved (% of flour), and what it does."""

    kind: Kind
    say: str
    shares: Array
    moved_pct: float
    gap: float


@dataclass(frozen=True, slots=True)
class NoVariant:
    """A kind of variant that there is none of, and why."""

    kind: Kind
    why: str


def near_variants(problem: Problem, shares: Array, effort: Effort = UNLIMITED) -> Iterator[Variant | NoVariant]:
    """Return one by one the variants near a proposal of `shares` (% of flour base), or why there is none of a kind."""
    for kind, narrowing in _NARROWINGS.items():
        found = narrowing(problem, shares)
        if isinstance(found, str):
            yield NoVariant(kind, found)
            continue
        limits, say = found
        made = _nearest(replace(problem, limits=(*problem.limits, *limits)), shares, effort)
        if made is None:
            yield NoVariant(kind, "the time was up" if effort.is_spent else "no blend is possible so")
            continue
        near, gap = made
        yield Variant(kind, say or _left_out(problem, shares, near), near, moved_pct(near, shares), gap)


Narrowed = tuple[tuple[Limit, ...], str]


def _fewer_bins(p: Problem, shares: Array) -> Narrowed | str:
    used = shares > 0
    count = int(used.sum())
    if count < 2:
        return "it is one bin already"
    zero = np.zeros(p.count)
    fewer = Limit("near/bins", "", zero, -np.ones(p.count), count - 1, f"at most {count - 1} bins")
    none_new = Limit("near/new", "", -(~used).astype(float), zero, 0.0, "nothing new")
    return (fewer, none_new), ""


def _left_out(p: Problem, before: Array, after: Array) -> str:
    gone = [short_name(i.name).lower() for i, b, a in zip(p.mix.flours, before, after, strict=True) if b > 0 and a <= 0]
    return f"without {' and '.join(gone)}" if gone else ""


def _from_stock(p: Problem, shares: Array) -> Narrowed | str:
    lacking = shares > np.minimum(p.stock_pct, 100.0) + 1e-9
    if not np.any(lacking):
        return "all of it is in stock"
    if not np.any(p.stock_pct > 0):
        return "nothing is in stock"
    rows = []
    for n in np.flatnonzero(p.stock_pct < 100):
        one = np.zeros(p.count)
        one[n] = -1.0
        rows.append(Limit(f"near/stock/{p.slugs[n]}", "", one, 0 * one, float(p.stock_pct[n]), "what is in stock"))
    short = [short_name(i.name).lower() for i, lacks in zip(p.mix.flours, lacking, strict=True) if lacks]
    return tuple(rows), f"without what is not there: {', '.join(short)}"


def _dear_halved(p: Problem, shares: Array) -> Narrowed | str:
    """Half of the part that costs most over the mean of the mix, and for less money in all."""
    known = ~np.isnan(p.price) & (shares > 0)
    if not np.any(known):
        return "no price is known"
    price = np.where(np.isnan(p.price), 0.0, p.price)
    mean = float(price[known] @ shares[known]) / float(shares[known].sum())
    extra = np.where(known, (price - mean) * shares, 0.0)
    dear = int(np.argmax(extra))
    name = short_name(p.mix.flours[dear].name).lower()
    if extra[dear] <= 0:
        return "no part is dearer than the others"
    if p.slugs[dear] in p.wishes.lock:
        return f"{name} is locked"
    one = np.zeros(p.count)
    one[dear] = -1.0
    most = HALF * float(shares[dear])
    less = float(price @ shares) - LEAST_SAVED * float(extra[dear])
    unpriced = Limit("near/priced", "", -np.isnan(p.price).astype(float), 0 * one, _unpriced(p, shares), "no new price")
    cheaper = Limit("near/cheaper", "", -price, 0 * one, less, "cheaper")
    halved = Limit("near/dear", "", one, 0 * one, most, f"half the {name}")
    return (halved, unpriced, cheaper), f"{name} {shares[dear]:.0f} → {most:.0f} % at most"


def _unpriced(p: Problem, shares: Array) -> float:
    """What lies in a mix without a price, % of flour base: a variant that is to cost less holds no more of it."""
    return float(np.isnan(p.price).astype(float) @ shares)


_NARROWINGS: dict[Kind, Callable[[Problem, Array], Narrowed | str]] = {
    Kind.FEWER_BINS: _fewer_bins,
    Kind.FROM_STOCK: _from_stock,
    Kind.DEAR_HALVED: _dear_halved,
}


def _nearest(problem: Problem, before: Array, effort: Effort) -> tuple[Array, float] | None:
    floor = floor_below(log_fit(problem, before), NEAR_SLACK)
    used = np.flatnonzero(before > 0)
    cuts: Cuts = {}
    for _ in range(_ROUNDS):
        model = with_floor(problem, floor, cuts)
        fell = model.program.variables(np.zeros(len(used)), before[used])
        for n, i in enumerate(used):
            x, at = slice(model.x.start + int(i), model.x.start + int(i) + 1), slice(fell.start + n, fell.start + n + 1)
            model.program.row([(at, 1.0), (x, float(model.unit[i]))], low=float(before[i]))
        strange = [(at, _STRANGE_AS_MOVED * np.asarray(c)) for at, c in strangeness(model)]
        answer, shares = solve_kept(model, model.program.cost([(fell, 1.0), *strange]), effort)
        if not answer.is_usable:
            break
        if log_fit(problem, shares) >= floor - RIGHT_TO or effort.is_spent:
            return shares, answer.gap
        cuts = refined(problem, shares, cuts)
    best = best_fit(problem, effort)
    return (best.shares, best.answer.gap) if best.kept else None

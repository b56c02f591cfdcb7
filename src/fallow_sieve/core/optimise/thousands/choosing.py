"""Which of very many candidates a search looks at: those that the relaxed problem uses, or nearly uses, aim by aim.

Relaxed, a problem has shares without steps, bins without number, and sieves that may be missed at a cost: it is solved
over all candidates in a moment, once for each aim. Taken are those that have a share in an answer, and those whose
reduced cost is least: what one per cent of them would add to the answer. A rule of thumb, and said where it is used:
what is left out is not proven to be of no use.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from fallow_sieve.core.blends import METRICS
from fallow_sieve.core.ingredients import Ingredient
from fallow_sieve.core.numerics.programs import Array, Program
from fallow_sieve.core.numerics.solver import prices
from fallow_sieve.core.optimise.linear_metrics import Form, form_of
from fallow_sieve.core.optimise.problem import FitTo, Problem
from fallow_sieve.core.optimise.wishes import Wishes

Marks = NDArray[np.bool_]
MOST_CANDIDATES = 300  # the whole library is gone through
_OF_EACH = 6
_MISSED = 100.0  # a band width missed costs as much as all that an aim may win
_SOUGHT = {
    "fibre_pct": -1.0,
    "protein_pct": -1.0,
    "flavour_index": 1.0,
    "lightness_l": -1.0,
    "available_carbohydrate_pct": 1.0,
}


@dataclass(frozen=True, slots=True)
class Row:
    """A side of a band, in band widths: a·x + a₀ ≥ 0 where it is kept, x in % of flour base."""

    a: Array
    a0: float


def most_promising(whole: Problem) -> Marks:
    """Return which candidates of the problem over all flours to look at."""
    wishes, flours = whole.wishes, whole.mix.flours
    must = np.array([i.slug in {*wishes.forced, *wishes.lock, *wishes.use_up} for i in flours])
    useless = np.array([_is_useless(i, wishes) for i in flours])
    most = np.minimum(whole.usual_most, whole.stock_pct) if wishes.in_stock else whole.usual_most
    high = np.where(useless | (most < whole.least), 0.0, np.minimum(most, 100.0))
    rows = list(_rows(whole.forms, whole.fits))
    chosen = must.copy()
    for cost in _costs(whole):
        chosen |= _nearly_used(rows, cost, high)
    chosen |= _best_alone(rows, high)
    kept: Marks = chosen & (must | (high > 0))
    return kept


def _is_useless(item: Ingredient, wishes: Wishes) -> bool:
    """Whether a limit of the brief lets none of it in."""
    limits = wishes.limits
    marks = {*item.allergens, *item.watch}
    if not marks.isdisjoint(limits.exclude_allergens) or item.slug in limits.exclude:
        return True
    unknown = item.gluten_mg_per_kg is None and not wishes.allow_unknown_gluten
    return (limits.gluten_cap_mg_per_kg is not None and unknown) or not all(d.allows(item) for d in wishes.diets)


def _rows(forms: Mapping[str, Form], fits: Sequence[FitTo]) -> Iterator[Row]:
    for band in (b for f in fits for b in f.bands if b.metric in forms):
        form, metric = forms[band.metric], METRICS[band.metric]
        usual = float(np.mean(form.b)) * 100 + form.b0
        width = max(band.good_high - band.good_low, 0.05 * max(abs(band.good_low), 1.0)) if usual else 1.0
        for edge, sign in ((band.good_low, 1.0), (band.good_high, -1.0)):
            if metric.lowest < edge < metric.highest:
                scale = sign / (width * usual)
                yield Row(scale * (form.a - edge * form.b), scale * (form.a0 - edge * form.b0))


def _costs(whole: Problem) -> Iterator[Array]:
    """What each aim seeks, from 0 to 1 over the candidates: and once nothing but to pass with room to spare."""
    price = whole.price
    yield np.zeros(whole.count)
    yield _from_0_to_1(np.where(np.isnan(price), np.nanmax(price, initial=0.0), price))
    yield _from_0_to_1(whole.unfamiliar)
    for metric, sign in _SOUGHT.items():
        form = form_of(metric, whole.mix)
        if form is not None:
            yield _from_0_to_1(sign * form.a)


def _from_0_to_1(line: Array) -> Array:
    low, high = float(np.min(line)), float(np.max(line))
    return (line - low) / (high - low) if high > low else np.zeros(len(line))


def _nearly_used(rows: Sequence[Row], cost: Array, high: Array) -> Marks:
    """Those that the relaxed answer uses, and those that it would use next."""
    program = Program()
    x = program.variables(np.zeros(len(cost)), high)
    room = program.variables([0.0], [0.25])  # a quarter of a band width inside is room enough
    missed = program.variables(np.zeros(len(rows)), np.full(len(rows), 1e6))
    program.row([(x, np.ones(len(cost)))], 100.0, 100.0)
    for n, row in enumerate(rows):
        at = slice(missed.start + n, missed.start + n + 1)
        program.row([(x, row.a), (at, 1.0), (room, -1.0)], low=-row.a0)
    line = program.cost([(x, cost / 100), (missed, _MISSED), (room, 0.0 if np.any(cost) else -1.0)])
    found = prices(program, line)
    if not found.answer.is_usable:
        return np.zeros(len(cost), dtype=bool)
    adds = line[x] - found.prices[0] - sum(p * r.a for p, r in zip(found.prices[1:], rows, strict=True))
    used: Marks = found.answer.values[x] > 1e-6
    near: Marks = used | _least(np.where(high > 0, np.where(used, np.inf, adds), np.inf))
    return near


def _best_alone(rows: Sequence[Row], high: Array) -> Marks:
    """Those that miss least where they are all there is: a blend of few bins is made of such."""
    missed = sum((np.maximum(0.0, -(100 * r.a + r.a0)) for r in rows), np.zeros(len(high)))
    return _least(np.where(high > 0, missed, np.inf))


def _least(line: Array) -> Marks:
    found = np.zeros(len(line), dtype=bool)
    found[np.argsort(line, kind="stable")[:_OF_EACH]] = True
    kept: Marks = found & np.isfinite(line)
    return kept

"""The use's own metrics as rows over what is varied, ratios multiplied out, so that each is linear in the shares."""

from __future__ import annotations

import math
from collections.abc import Iterator
from enum import StrEnum

import numpy as np

from fallow_sieve.core.blends import METRICS, Use, UseBand
from fallow_sieve.core.experiments.regions import Array, Row
from fallow_sieve.core.experiments.varied import Mixture
from fallow_sieve.core.ingredients import Ingredient, Shelf
from fallow_sieve.core.optimise import Form, Mix, form_of
from fallow_sieve.core.values import CupStandard

NEARLY = 0.1  # by how much of a band's width "nearly passes" lets its hard walls out


class Walls(StrEnum):
    """Which walls of a use hold: its hard bands, its good ones, or the hard ones let out by a tenth; or none."""

    HARD = "hard"
    GOOD = "good"
    NEARLY = "nearly"
    NONE = "none"


def metric_rows(mixture: Mixture, use: Use | None, shelf: Shelf, which: Walls, cup: CupStandard) -> list[Row]:
    """Return the rows of a use over shares of what is varied (0–1), each named by its metric and wall.

    A metric that a part's unknown number leaves open gives no row: nothing is assumed of it.
    """
    if use is None or which is Walls.NONE:
        return []
    laid = _laid_out(mixture, shelf)
    return [row for band, form in _judged(laid, use, cup) for row in _rows(form, band, which, laid[2], laid[3])]


def metric_values(mixture: Mixture, use: Use, shelf: Shelf, cup: CupStandard, points: Array) -> dict[str, Array]:
    """Return the use's metrics at points (rows of shares 0–1), each in its unit; one that is not known is left out."""
    laid = _laid_out(mixture, shelf)
    s = points @ laid[2].T + laid[3]
    return {b.metric: (s @ f.a + f.a0) / (s @ f.b + f.b0) for b, f in _judged(laid, use, cup)}


Laid = tuple[tuple[Ingredient, ...], tuple[tuple[Ingredient, float], ...], Array, Array]


def _judged(laid: Laid, use: Use, cup: CupStandard) -> list[tuple[UseBand, Form]]:
    """Bands whose metric is known of every flour that lies in the mix or may."""
    flours, binders, moved, fixed = laid
    mix, there = Mix(flours, binders, cup), np.abs(moved).sum(axis=1) + fixed > 0
    forms = [(band, form_of(band.metric, mix)) for band in use.bands]
    return [(b, f) for b, f in forms if f is not None and bool(np.all(f.known[there]))]


def _laid_out(mixture: Mixture, shelf: Shelf) -> Laid:
    """Flours, binders with their doses, and shares (% of flour base) as moved @ x + fixed."""
    varied = [s for p in mixture.parts for s in p.ratio]
    slugs = list(dict.fromkeys([*varied, *(p.ingredient for p in mixture.blend.parts)]))
    flour_slugs = [s for s in slugs if s in shelf and shelf[s].in_flour_base]
    masses = {p.ingredient: p.mass_g for p in mixture.blend.parts}
    moved, fixed = np.zeros((len(flour_slugs), len(mixture.parts))), np.zeros(len(flour_slugs))
    for i, slug in enumerate(flour_slugs):
        if slug in varied:
            for j, part in enumerate(mixture.parts):
                moved[i, j] = mixture.total_pct * part.ratio.get(slug, 0.0)
        else:
            fixed[i] = 100 * masses.get(slug, 0.0) / mixture.flour_g
    binders = tuple(
        (shelf[s], 100 * masses[s] / mixture.flour_g) for s in slugs if s in shelf and not shelf[s].in_flour_base
    )
    return tuple(shelf[s] for s in flour_slugs), binders, moved, fixed


def _rows(form: Form, band: UseBand, which: Walls, moved: Array, fixed: Array) -> Iterator[Row]:
    metric = METRICS[band.metric]
    low, high = _walls(band, which)
    for bound, is_low in ((low, True), (high, False)):
        if not math.isfinite(bound) or (is_low and bound <= metric.lowest) or (not is_low and bound >= metric.highest):
            continue
        a = form.a - bound * form.b
        constant = float(a @ fixed) + form.a0 - bound * form.b0
        sign = "≥" if is_low else "≤"
        name = f"{metric.label.lower()} {sign} {bound:.3g} {metric.unit}".rstrip()
        coefficients = tuple(float(v) + constant for v in a @ moved)  # Σx = 1 carries the constant
        yield Row(coefficients, 0.0, None, name) if is_low else Row(coefficients, None, 0.0, name)


def _walls(band: UseBand, which: Walls) -> tuple[float, float]:
    if which is Walls.GOOD:
        return band.good_low, band.good_high
    low = band.hard_low if band.holds_low else -math.inf
    high = band.hard_high if band.holds_high else math.inf
    if which is Walls.HARD:
        return low, high
    width = NEARLY * (band.good_high - band.good_low)
    return low - width, high + width


def price_row(mixture: Mixture, shelf: Shelf, cap_per_kg: float, currency: str = "") -> Row | None:
    """Return the row of a price cap (per kg of mix) over shares of what is varied; None where a price is not known."""
    flours, binders, moved, fixed = _laid_out(mixture, shelf)
    prices = [i.price_per_kg for i in flours] + [b.price_per_kg for b, _ in binders]
    if any(p is None for p in prices):
        return None
    mass = 100.0 + sum(dose for _, dose in binders)
    per_pct = np.array([p or 0.0 for p in prices[: len(flours)]]) / mass
    constant = float(per_pct @ fixed) + sum((b.price_per_kg or 0.0) * dose for b, dose in binders) / mass
    name = f"price ≤ {cap_per_kg:.2f}{f' {currency}' if currency else ''} per kg"
    return Row(tuple(float(v) + constant for v in per_pct @ moved), None, cap_per_kg, name)

"""The finished bake: what is in 100 g and in a portion once water has left, and what a portion costs.

Water leaves in the oven and everything else stays, so contents rise by m / (m − loss). What is put on after baking
loses nothing.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.formulas.analysis import WorkedFormula
from fallow_sieve.core.formulas.formula import BLEND, WATER, Formula, When, opened
from fallow_sieve.core.formulas.portions import Portion, Served, served
from fallow_sieve.core.ingredients import NUTRIENTS, Shelf
from fallow_sieve.core.values import BadInputError, Estimate


@dataclass(frozen=True, slots=True)
class Finished:
    """The finished batch: g before and after baking, water lost (g), g of a piece, nutrients, and cost.

    Nutrients are per 100 g and per portion, in the units of their names; costs are in the kitchen's currency, None
    where a price is missing (`unpriced` names what). `bought_cost` is a portion with a bought blend at its price.
    """

    before_g: float
    after_g: float
    lost_g: float
    pieces: int
    piece_g: float
    per_100_g: dict[str, Estimate]
    portion: Served
    per_portion: dict[str, Estimate]
    cost: float | None
    cost_per_portion: float | None
    unpriced: tuple[str, ...]
    bought_cost_per_portion: float | None
    say: str


def finish(
    formula: Formula,
    analysis: WorkedFormula,
    shelf: Shelf,
    loss_pct: float | None,
    bought_per_kg: float | None = None,
    usual: Portion | None = None,
) -> Finished:
    """Return the finished bake after `loss_pct` % of the dough and filling has left as water (None: no loss known).

    No more water leaves than there is. `bought_per_kg` prices the blend as if it were bought;
    `usual` is the portion that the use commonly has.
    """
    loss = loss_pct or 0.0
    if not 0 <= loss < 100:
        raise BadInputError(f"a bake loss of {loss:g} %", place="/loss_pct", right="from 0 to under 100 %")
    baked_g = sum(x.mass_g for x in formula.lines if x.when is not When.FINISH)
    water = analysis.mix.nutrients["water_g"]
    # The moisture of the flours can leave too; what is on top of the finished bake cannot.
    held = water.typical * analysis.mass_g / 100 - _finish_water_g(analysis) if water.typical is not None else baked_g
    lost = min(baked_g * loss / 100, max(0.0, held))
    after = analysis.mass_g - lost
    per_100 = {n: _less_water(e, n, analysis.mass_g, after, lost) for n, e in analysis.mix.nutrients.items()}
    piece_g = after / formula.pieces
    portion = served(formula.portion, usual, piece_g, formula.pieces)
    cost, unpriced = _costs(formula, shelf, None)
    bought = _costs(formula, shelf, bought_per_kg)[0] if bought_per_kg is not None else None
    return Finished(
        before_g=analysis.mass_g,
        after_g=after,
        lost_g=lost,
        pieces=formula.pieces,
        piece_g=piece_g,
        per_100_g=per_100,
        portion=portion,
        per_portion={n: e.times(portion.mass_g / 100) for n, e in per_100.items()},
        cost=cost,
        cost_per_portion=None if cost is None else cost / portion.in_batch,
        unpriced=unpriced,
        bought_cost_per_portion=None if bought is None else bought / portion.in_batch,
        say=_words(loss_pct, lost, after, formula.pieces, piece_g),
    )


def _finish_water_g(analysis: WorkedFormula) -> float:
    """The g of water in what is put on after baking."""
    return sum(x.brings_g["water_g"] or 0.0 for x in analysis.lines if x.when is When.FINISH)


def _words(loss_pct: float | None, lost: float, after: float, pieces: int, piece_g: float) -> str:
    each = f"{pieces} pieces of {piece_g:.0f} g" if pieces > 1 else f"{after:.0f} g"
    if loss_pct is None:
        return f"{each}; no bake loss is on record for this use, so none is taken off."
    return f"{each} after {lost:.0f} g of water has left ({loss_pct:g} %, a rule of thumb)."


def _less_water(e: Estimate, nutrient: str, before: float, after: float, lost: float) -> Estimate:
    if nutrient == "water_g":
        whole = e.times(before / 100)
        left = Estimate(
            None if whole.typical is None else max(0.0, whole.typical - lost),
            None if whole.low is None else max(0.0, whole.low - lost),
            None if whole.high is None else max(0.0, whole.high - lost),
            e.known_mass_pct,
            whole.sigma_low,
            whole.sigma_high,
        )
        return left.times(100 / after)
    return e.times(before / after)


def _costs(formula: Formula, shelf: Shelf, blend_per_kg: float | None) -> tuple[float | None, tuple[str, ...]]:
    """The cost of everything (None where a price is missing), and the names of what has none. Tap water is free."""
    lines = formula.lines
    total = 0.0
    if blend_per_kg is not None:
        total = blend_per_kg * sum(x.mass_g for x in lines if x.ingredient == BLEND) / 1000
        lines = tuple(x for x in lines if x.ingredient != BLEND)
    missing = []
    for part in opened(lines, formula.blend):
        price = 0.0 if part.ingredient == WATER else shelf[part.ingredient].price_per_kg
        if price is None:
            missing.append(shelf[part.ingredient].name)
        else:
            total += part.mass_g / 1000 * price
    return None if missing else total, tuple(missing)


def label_nutrients() -> Sequence[str]:
    """Return the nutrients that a label of the finished bake names first, in its order."""
    first = (
        "energy_kj",
        "energy_kcal",
        "fat_g",
        "saturated_fat_g",
        "carbohydrate_g",
        "sugars_g",
        "fibre_g",
        "protein_g",
        "salt_g",
    )
    return tuple(n for n in (*first, "starch_g", "water_g") if n in NUTRIENTS)

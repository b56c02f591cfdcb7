"""A formula scaled to flour, dough, pieces or tins, and rounded to the kitchen's scale."""

from __future__ import annotations

from dataclasses import dataclass

from fallow_sieve.core.formulas import (
    MIXING_LOSS_PCT,
    Eggs,
    Filling,
    FillRule,
    Formula,
    Rounded,
    Scaled,
    Tin,
    WorkedFormula,
    analyse_formula,
    by_flour,
    by_pieces,
    by_total,
    filling,
    round_to_step,
    whole_eggs,
)
from fallow_sieve.core.values import BadInputError
from fallow_sieve.reference import egg_of, tin_fills
from fallow_sieve.services.formulas.working import bake_loss_pct
from fallow_sieve.services.kitchen import KitchenNow

UNKNOWN_USE_FILL = FillRule(0.55, 1.6)  # of a use without a fill on record; rule of thumb


@dataclass(frozen=True, slots=True)
class Scaling:
    """How to scale: to flour (g), dough (g), pieces of a mass (g), or tins; one of them. Losses in %, the step in g."""

    flour_g: float | None = None
    dough_g: float | None = None
    pieces: int | None = None
    piece_g: float | None = None
    baked: bool = False
    tin: Tin | None = None
    tins: int = 1
    fill: float | None = None
    mixing_loss_pct: float = MIXING_LOSS_PCT
    step_g: float = 1.0
    egg_g: float | None = None


@dataclass(frozen=True, slots=True)
class ScaledFormula:
    """A formula scaled: exact lines (g), the same rounded to the scale's step, its eggs, and its tins."""

    scaled: Scaled
    rounded: Rounded
    eggs: Eggs | None
    tin: Filling | None


def scaled(formula: Formula, how: Scaling, kitchen: KitchenNow) -> ScaledFormula:
    """Return `formula` scaled as `how` says and rounded to its step. Raises BadInputError."""
    ways = [how.flour_g, how.dough_g, how.pieces, how.tin]
    if sum(w is not None for w in ways) != 1:
        raise BadInputError("give one way to scale", right="flour_g, dough_g, pieces with piece_g, or tin")
    analysis = analyse_formula(formula, kitchen.shelf)
    filled = None
    if how.tin is not None:
        filled = filling(how.tin, how.tins, tin_fills().get(formula.use or "", UNKNOWN_USE_FILL), how.fill)
        found = by_pieces(analysis, formula.lines, how.tins, filled.each_g, mixing_loss_pct=how.mixing_loss_pct)
    else:
        found = _scaled(formula, analysis, how)
    egg_g = how.egg_g or egg_of("US" if kitchen.cup == "us" else "EU").edible_g
    return ScaledFormula(
        found, round_to_step(found.lines, how.step_g), whole_eggs(found.lines, egg_g, kitchen.shelf), filled
    )


def _scaled(formula: Formula, analysis: WorkedFormula, how: Scaling) -> Scaled:
    if how.flour_g is not None:
        return by_flour(analysis, formula.lines, how.flour_g)
    if how.dough_g is not None:
        return by_total(analysis, formula.lines, how.dough_g)
    if how.piece_g is None or how.pieces is None:
        raise BadInputError("the mass of a piece is missing", place="/piece_g", right="give it in g")
    lost = bake_loss_pct(formula) if how.baked else None
    return by_pieces(
        analysis,
        formula.lines,
        how.pieces,
        how.piece_g,
        mixing_loss_pct=how.mixing_loss_pct,
        bake_loss_pct=lost,
    )

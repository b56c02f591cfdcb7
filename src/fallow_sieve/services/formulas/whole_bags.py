"""A complete mix of a formula, as it is shown: what lies in 100 g, what to add to it, and how both are judged."""

from __future__ import annotations

from dataclasses import dataclass

from fallow_sieve.core.blends import BagContents, Blend
from fallow_sieve.core.formulas import (
    Formula,
    FormulaJudgement,
    Stays,
    WholeBag,
    into_bag,
    out_of_bag,
    poured_water_g,
)
from fallow_sieve.reference import powders
from fallow_sieve.services.blends.judging import judged_blend
from fallow_sieve.services.formulas.working import judged_formula
from fallow_sieve.services.kitchen import KitchenNow


@dataclass(frozen=True, slots=True)
class InBag:
    """What lies in a complete mix: name and g in 100 g of it."""

    ingredient: str
    name: str
    g_per_100_g: float


@dataclass(frozen=True, slots=True)
class WaterToAdd:
    """The g of water to add to 100 g of a mix: as the formula has it, and the range that is predicted (None: none)."""

    typical_g: float
    low_g: float | None
    high_g: float | None


@dataclass(frozen=True, slots=True)
class ShownBag:
    """A complete mix: what lies in 100 g, the water and what else to add, what was made of liquids.

    `is_as_before`: all that is dry lay in the bag already. `blend` is the mix (g for the batch) and `formula`
    the formula on it; `mix_say` and `dough_say` how they stand.
    """

    name: str
    in_bag: tuple[InBag, ...]
    water: WaterToAdd
    stays: tuple[Stays, ...]
    notes: tuple[str, ...]
    is_as_before: bool
    bag: BagContents
    mix_say: str
    dough_say: str
    blend: Blend
    formula: Formula


def bagged(formula: Formula, kitchen: KitchenNow, *, dry_egg: bool = False) -> ShownBag:
    """Return the complete mix of `formula`; `dry_egg` puts egg in as powder. Raises BadInputError."""
    made = into_bag(formula, kitchen.shelf, powders(), dry_egg=dry_egg)
    blend = Blend(made.parts, use=formula.use)
    mix, dough = judged_blend(blend, kitchen), judged_formula(made.formula, kitchen)
    bag_g = sum(p.mass_g for p in made.parts)
    return ShownBag(
        name=made.formula.pin.name if made.formula.pin else "",
        in_bag=tuple(
            InBag(p.ingredient, kitchen.shelf[p.ingredient].name, 100 * p.mass_g / bag_g)
            for p in sorted(made.parts, key=lambda p: -p.mass_g)
        ),
        water=_water(made, dough, bag_g),
        stays=made.stays,
        notes=made.notes,
        is_as_before=made.is_as_before,
        bag=mix.bag,
        mix_say=mix.say,
        dough_say=dough.say,
        blend=blend,
        formula=made.formula,
    )


def _water(made: WholeBag, dough: FormulaJudgement, bag_g: float) -> WaterToAdd:
    """What is poured moves with what the dough wants; what the rest brings stays."""
    wanted, has = dough.wanted, dough.analysis
    poured = poured_water_g(made.formula.lines)
    if wanted is None or has.hydration_pct is None:
        return WaterToAdd(made.water_g, None, None)
    low, high = (
        max(0.0, poured + (pct - has.hydration_pct) / 100 * has.flour_g) * 100 / bag_g
        for pct in (wanted.low_pct, wanted.high_pct)
    )
    return WaterToAdd(made.water_g, low, high)


def opened_bag(formula: Formula, kitchen: KitchenNow) -> Formula | None:
    """Return `formula` with its bag taken apart into lines; None where there is nothing to take out."""
    return out_of_bag(formula, kitchen.shelf, powders())

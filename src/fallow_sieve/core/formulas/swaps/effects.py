"""What a swap does to the whole batch: its cost, energy, fat and water, before against after, and its allergens.

Only what changes has to be known: the price of the salt does not matter where butter goes for oil.
"""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Callable
from dataclasses import dataclass

from fallow_sieve.core.blends import OF_FLOUR, drawing_on
from fallow_sieve.core.formulas.formula import WATER, Formula, opened
from fallow_sieve.core.formulas.judgement import FormulaJudgement
from fallow_sieve.core.ingredients import Ingredient, Shelf
from fallow_sieve.core.values import Change, moved

_LEAST_G = 1e-9


@dataclass(frozen=True, slots=True)
class Effects:
    """Allergens that come and go; changes of the batch: `cost` (currency), `energy_kj`, `fat_g`, `hydration_pct`.

    The size of a change is None where something that changes has no value; `unpriced` names what has no price.
    """

    brings: tuple[str, ...]
    rids_of: tuple[str, ...]
    changes: tuple[Change, ...]
    unpriced: tuple[str, ...]


def effects_of(before: Formula, was: FormulaJudgement, after: Formula, now: FormulaJudgement, shelf: Shelf) -> Effects:
    """Return what becomes of the batch where `after`, judged as `now`, takes the place of `before`, judged as `was`."""
    parts = _moved(before, after, drawing_on(before.blend, shelf))
    had, has = set(was.allergens), set(now.allergens)
    cost = _sum(parts, lambda i: None if (p := _price(i)) is None else p / 1000)
    return Effects(
        brings=tuple(sorted(has - had)),
        rids_of=tuple(sorted(had - has)),
        changes=(
            Change("cost", "Cost", None, None, "", cost),
            Change("energy_kj", "Energy", None, None, "kJ", _sum(parts, _per_g("energy_kj"))),
            Change("fat_g", "Fat", None, None, "g", _sum(parts, _per_g("fat_g"))),
            moved("hydration_pct", "Water", was.analysis.hydration_pct, now.analysis.hydration_pct, OF_FLOUR),
        ),
        unpriced=tuple(i.name for i, _ in parts if _price(i) is None),
    )


def _moved(before: Formula, after: Formula, shelf: Shelf) -> list[tuple[Ingredient, float]]:
    """What there is more (or less) of afterwards, with the g of it; a blend counts by its parts."""
    change: dict[str, float] = defaultdict(float)
    for formula, way in ((before, -1.0), (after, 1.0)):
        for part in opened(formula.lines, formula.blend):
            change[part.ingredient] += way * part.mass_g
    return [(shelf[slug], mass_g) for slug, mass_g in change.items() if abs(mass_g) > _LEAST_G]


def _price(item: Ingredient) -> float | None:
    """Its price a kg; tap water is free."""
    return 0.0 if item.slug == WATER else item.price_per_kg


def _per_g(nutrient: str) -> Callable[[Ingredient], float | None]:
    def of(item: Ingredient) -> float | None:
        found = item.range_of(nutrient)
        return None if found is None else found.typical / 100

    return of


def _sum(parts: list[tuple[Ingredient, float]], per_g: Callable[[Ingredient], float | None]) -> float | None:
    values = [(mass_g, per_g(item)) for item, mass_g in parts]
    known = [mass_g * value for mass_g, value in values if value is not None]
    return sum(known) if len(known) == len(values) else None

"""What a batch's mix is: binder, allergens, gluten, fit, how much a scoop holds."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.batches.adding import PartIn, comes_apart
from fallow_sieve.core.batches.batch import Batch, BatchState, Weighing, poured_g
from fallow_sieve.core.batches.yields import mix_density, scoop_g
from fallow_sieve.core.ingredients import Role, Shelf, short_name
from fallow_sieve.core.labels.binder_line import binder_line
from fallow_sieve.core.stock.budget import GlutenBudget, GlutenDraw, gluten_budget
from fallow_sieve.core.values import Range
from fallow_sieve.services.batches.made import Made, gluten_parts, mix_for_label
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.labels.rules import rules_of

SCOOP_ML = 60.0
_SHORT = 0.02  # of a dose of binder: what less is missing is within what a scale is off by
NO_ALLERGEN = "No allergen that is watched here; check the sacks."


@dataclass(frozen=True, slots=True)
class DrawSeen:
    """g of a mix from a lot, as % of the mix, with its gluten (mg/kg; None: unknown)."""

    ingredient: str
    name: str
    lot_id: int | None
    lot_code: str
    supplier: str
    mass_g: float
    mix_pct: float
    gluten_mg_per_kg: float | None


@dataclass(frozen=True, slots=True)
class MixSeen:
    """A made mix: its draws, binder in words, allergens, gluten in words and as a budget, fit, scoop (g)."""

    draws: list[DrawSeen]
    binder: str
    binder_is_in: bool | None
    allergens: str
    gluten: str
    budget: GlutenBudget
    fit: float | None
    scoop_ml: float
    scoop_g: Range | None
    comes_apart: bool
    cautions: list[str]


def mix_seen(
    batch: Batch, made: Made, weighings: Sequence[Weighing], kitchen: KitchenNow, held: dict[int, str]
) -> MixSeen:
    """Return what a made (or planned) mix is."""
    mix = mix_for_label(batch, made, weighings, kitchen, held, "")
    waits = _binder_to_come(batch, weighings, made.shelf)
    line = binder_line(mix, rules_of("eu").text)
    told = gluten_parts(made.draws, made.shelf, held)
    budget = gluten_budget([GlutenDraw(p.name, p.mass_g, p.mg_per_kg, p.contains) for p in told])
    load = mix.binder.load
    parts = [PartIn(made.shelf[p.ingredient], p.mass_g) for p in made.blend.parts]
    return MixSeen(
        draws=_draws(made),
        binder=waits or line.text or "No binder in, and none is usual for this use.",
        binder_is_in=None if load is None else load > 0 and not waits,
        allergens=next((c.say for c in made.judgement.cautions if c.kind == "allergens"), NO_ALLERGEN),
        gluten=gluten_words(budget),
        budget=budget,
        fit=made.judgement.fit.score if made.judgement.fit else None,
        scoop_ml=SCOOP_ML,
        scoop_g=scoop_of(made),
        comes_apart=comes_apart(parts, {}),
        cautions=[c.say for c in made.judgement.cautions if c.kind != "allergens"],
    )


def _binder_to_come(batch: Batch, weighings: Sequence[Weighing], shelf: Shelf) -> str:
    """Which binder of a batch that is not blended yet is still to be weighed; empty where none is."""
    if batch.state not in (BatchState.PLANNED, BatchState.WEIGHING):
        return ""
    there = poured_g(weighings)
    binders = {s: g for s, g in batch.targets_g.items() if s in shelf and shelf[s].role is Role.BINDER}
    left = {s: g - there.get(s, 0.0) for s, g in binders.items()}
    waits = [f"{short_name(shelf[s].name).lower()}, {g:.0f} g" for s, g in left.items() if g > _SHORT * binders[s]]
    return f"Not in yet: {'; '.join(waits)}." if waits else ""


def gluten_words(budget: GlutenBudget) -> str:
    """Return what is known of the gluten of a mix, in words."""
    if budget.status == "contains":
        return "■ a part of it is made from a gluten cereal"
    known = f"{budget.known_mg_per_kg:.1f} mg/kg known"
    if budget.status == "known":
        return f"{known} of all of it, by its lots; hot spots are not seen by a mean"
    left = budget.stay_under_mg_per_kg
    may = "" if left is None else f", which may carry {left:.0f} to stay under {budget.limit_mg_per_kg:g}"
    return f"◆ {known}; {budget.unknown_pct:.1f} % of it has no value{may}"


def scoop_of(made: Made) -> Range | None:
    """Return what a scoop of SCOOP_ML mL of a mix holds, g; None where a part's density is not known."""
    densities = {p.ingredient: made.shelf[p.ingredient].range_of("density_g_per_ml") for p in made.blend.parts}
    density = mix_density({p.ingredient: p.mass_g for p in made.blend.parts}, densities)
    return scoop_g(density, SCOOP_ML) if density else None


def _draws(made: Made) -> list[DrawSeen]:
    total_g = sum(d.mass_g for d in made.draws) or 1.0
    return [
        DrawSeen(
            d.ingredient, made.shelf[d.ingredient].name, d.lot.id if d.lot else None, d.lot.lot.code if d.lot else "",
            d.lot.lot.supplier if d.lot else "", d.mass_g, 100 * d.mass_g / total_g,
            d.lot.lot.gluten_mg_per_kg if d.lot else made.shelf[d.ingredient].gluten_mg_per_kg,
        )
        for d in made.draws
    ]  # fmt: skip

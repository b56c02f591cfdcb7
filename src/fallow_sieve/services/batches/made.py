"""The made mix: what was weighed with its lots' own numbers; of a plan, what it would be drawn from."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date

from fallow_sieve.core.batches.batch import Batch, Weighing, drawn_g, off_revision_pct
from fallow_sieve.core.batches.keeping import BestBefore, PartKept, best_before
from fallow_sieve.core.blends import Blend, Judgement, Part, drawing_on
from fallow_sieve.core.ingredients import Ingredient, Shelf, short_name
from fallow_sieve.core.labels.lines import MadeMix
from fallow_sieve.core.labels.wording import GlutenPart
from fallow_sieve.services.blends.judging import judged_blend
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.labels.making import made_of, use_name
from fallow_sieve.store.ingredients import LotOnRecord


@dataclass(frozen=True, slots=True)
class DrawOfBatch:
    """g of an ingredient from a lot (None: from no lot on record)."""

    ingredient: str
    mass_g: float
    lot: LotOnRecord | None = None


@dataclass(frozen=True, slots=True)
class Made:
    """A made mix judged: its draws, its parts as one blend, the judgement, until when it keeps, and the shelf."""

    draws: tuple[DrawOfBatch, ...]
    blend: Blend
    judgement: Judgement
    kept: BestBefore
    shelf: Shelf


def draws_of(weighings: Sequence[Weighing], lots: dict[int, LotOnRecord]) -> tuple[DrawOfBatch, ...]:
    """Return what weighings drew from which lots; a lot that is not among `lots` (by id) counts as none."""
    drawn = drawn_g(weighings)
    return tuple(DrawOfBatch(s, g, lots.get(lot_id) if lot_id else None) for (s, lot_id), g in drawn.items())


def made_mix(batch: Batch, draws: tuple[DrawOfBatch, ...], kitchen: KitchenNow, made_on: date) -> Made:
    """Return a mix as drawn, judged for its use. Raises BadInputError where it draws nothing."""
    blend = Blend(_parts(draws, kitchen.shelf), batch.name, batch.use)
    shelf = drawing_on(blend.parts, kitchen.shelf)
    kept = best_before([_kept(d, shelf[d.ingredient], made_on) for d in draws], made_on, kitchen.store_temp_c)
    return Made(draws, blend, judged_blend(blend, kitchen), kept, shelf)


def _parts(draws: tuple[DrawOfBatch, ...], shelf: Shelf) -> tuple[Part, ...]:
    """One part an ingredient, with the numbers of the lot that most of it came from, where that lot has its own."""
    sums: dict[str, float] = {}
    most: dict[str, DrawOfBatch] = {}
    for d in draws:
        sums[d.ingredient] = sums.get(d.ingredient, 0.0) + d.mass_g
        if d.ingredient not in most or d.mass_g > most[d.ingredient].mass_g:
            most[d.ingredient] = d
    return tuple(Part(s, g, lot_id=_own_row(most[s].lot, shelf)) for s, g in sums.items())


def _own_row(lot: LotOnRecord | None, shelf: Shelf) -> int | None:
    return lot.id if lot is not None and lot.id in shelf.lots else None


def _kept(draw: DrawOfBatch, item: Ingredient, made_on: date) -> PartKept:
    lot = draw.lot.lot if draw.lot else None
    since = "milling" if lot and lot.milled_on else "buying" if lot and lot.bought_on else "making"
    return PartKept(
        short_name(item.name),
        lot.best_before if lot else None,
        (lot.milled_on or lot.bought_on or made_on) if lot else made_on,
        since,
        item.range_of("shelf_months"),
        lot.code if lot else "",
    )


def gluten_parts(draws: Sequence[DrawOfBatch], shelf: Shelf, held: dict[int, str]) -> tuple[GlutenPart, ...]:
    """Return what each draw says of gluten: its lot's own value, else that of the ingredient without lots."""
    return tuple(_gluten(d, shelf[d.ingredient], held) for d in draws)


def _gluten(draw: DrawOfBatch, item: Ingredient, held: dict[int, str]) -> GlutenPart:
    lot = draw.lot.lot if draw.lot else None
    return GlutenPart(
        f"{short_name(item.name)} {lot.code}".strip() if lot else short_name(item.name),
        draw.mass_g,
        lot.gluten_mg_per_kg if lot else item.gluten_mg_per_kg,
        tested=bool(lot and lot.gluten_on and lot.gluten_mg_per_kg is not None),
        oats="oats" in item.watch,
        contains=item.contains_gluten,
        held=draw.lot is not None and draw.lot.id in held,
    )


def mix_for_label(
    batch: Batch, made: Made, weighings: Sequence[Weighing], kitchen: KitchenNow, held: dict[int, str], held_why: str
) -> MadeMix:
    """Return a made mix as a label is made from it."""
    use = use_name(made.blend, kitchen)
    mix = made_of(batch.name, made.judgement, made.shelf, gluten_parts(made.draws, made.shelf, held), use)
    return replace(
        mix,
        off_revision_pct=off_revision_pct(batch, weighings),
        made_on=date.fromisoformat(batch.made_on) if batch.made_on else None,
        best_before=made.kept.low if batch.made_on else None,
        best_before_why=kept_why(made.kept),
        code=batch.code,
        held_why=held_why,
    )


def kept_why(kept: BestBefore) -> str:
    """Return which part ends a mix and from what, in words."""
    if kept.ended_by is None:
        return f"keeping unknown of {', '.join(kept.unknown)}" if kept.unknown else "nothing is weighed yet"
    part = kept.ended_by
    by = "its printed date" if kept.by_printed_date else f"from its {part.ages_since}, at the low end of what it keeps"
    return f"{part.ingredient} {part.lot_code}".strip() + f": {by}"

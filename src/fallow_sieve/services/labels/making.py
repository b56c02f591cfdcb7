"""The label of a blend: judged for its use, drawn from the shelf as it is."""

from __future__ import annotations

from dataclasses import replace

from fallow_sieve.core.blends import Blend, Judgement, PartShare, drawing_on
from fallow_sieve.core.ingredients import Ingredient, Role, Shelf, short_name
from fallow_sieve.core.labels.label import label_of
from fallow_sieve.core.labels.lines import Label, LabelAsked, MadeMix
from fallow_sieve.core.labels.wording import GlutenPart
from fallow_sieve.reference.labelling import storage_words
from fallow_sieve.services.blends.judging import judged_blend
from fallow_sieve.services.kitchen import KitchenNow, use_within
from fallow_sieve.services.labels.rules import rules_of

US_PORTION_G = 30.0  # the reference amount of flour, 21 CFR 101.12(b)
_FATTY = frozenset({Role.NUT_SEED})


def label_of_blend(
    blend: Blend, kitchen: KitchenNow, scheme: str, asked: LabelAsked | None = None, language: str = ""
) -> Label:
    """Return the label of a blend as if it were made from the shelf as it is. Raises BadInputError."""
    wants = asked or LabelAsked()
    if scheme == "us" and wants.portion_g is None:
        wants = replace(wants, portion_g=US_PORTION_G)
    return label_of(mix_of_blend(blend, kitchen), rules_of(scheme, language), wants)


def mix_of_blend(blend: Blend, kitchen: KitchenNow) -> MadeMix:
    """Return a blend as what a label is made from."""
    shelf = drawing_on(blend.parts, kitchen.shelf)
    judgement = judged_blend(blend, kitchen)
    parts = judgement.analysis.parts
    return made_of(blend.name, judgement, shelf, tuple(_gluten(p, shelf) for p in parts), use_name(blend, kitchen))


def made_of(name: str, judgement: Judgement, shelf: Shelf, gluten: tuple[GlutenPart, ...], use: str) -> MadeMix:
    """Return what a label is made from: a judged mix, and what each draw of it says of gluten."""
    kind = storage_kind([shelf[p.ingredient] for p in judgement.analysis.parts])
    return MadeMix(
        name=name,
        analysis=judgement.analysis,
        shelf=shelf,
        binder=judgement.binder,
        bag=judgement.bag,
        gluten=gluten,
        use=use,
        fit=judgement.fit.score if judgement.fit else None,
        storage_kind=kind,
        storage_words=storage_words(kind),
    )


def use_name(blend: Blend, kitchen: KitchenNow) -> str:
    """Return the name of a blend's use, in lower case; empty without one."""
    use = use_within(blend.use, kitchen.limits)
    return use.name.lower() if use else ""


def storage_kind(items: list[Ingredient]) -> str:
    """Return how a mix is kept: `fat` with nut, seed, bran or soya flour, `whole` with whole grain, else `white`."""
    if any(i.role in _FATTY or "bran" in i.slug or "soya" in i.allergens for i in items):
        return "fat"
    return "whole" if any(i.role is Role.WHOLE_GRAIN for i in items) else "white"


def _gluten(part: PartShare, shelf: Shelf) -> GlutenPart:
    item = shelf[part.ingredient]
    return GlutenPart(
        short_name(item.name),
        part.mass_g,
        item.gluten_mg_per_kg,
        oats="oats" in item.watch,
        contains=item.contains_gluten,
    )

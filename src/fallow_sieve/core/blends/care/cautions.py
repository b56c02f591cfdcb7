"""Cautions that a mix calls for: short, calm, in the place where they matter, deferring to law and to testing."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from functools import lru_cache

from fallow_sieve.core.blends.analysis import PartShare
from fallow_sieve.core.blends.care.gluten import GlutenEstimate
from fallow_sieve.core.ingredients import SWELLS, Ingredient, Shelf
from fallow_sieve.core.values import spaced

RICE_HEAVY_PCT = 50.0
TREE_NUTS = "tree-nuts"
# Which nut it is stands beside it as a watched word: schemes of labelling want its name.
NUTS = frozenset(
    {"almond", "hazelnut", "walnut", "cashew", "pecan", "brazil-nut", "pistachio", "macadamia", "pine-nut"}
)


@dataclass(frozen=True, slots=True)
class Caution:
    """One caution: a slug for its kind, and the sentence to show."""

    kind: str
    say: str


def cautions_for(parts: Sequence[PartShare], shelf: Shelf, gluten: GlutenEstimate) -> tuple[Caution, ...]:
    """Return the cautions that a mix of `parts` calls for, the gravest first."""
    items = [shelf[p.ingredient] for p in parts]
    found = [
        _gluten(gluten, shelf),
        _oats(items),
        _allergens(items),
        _watched(items),
        _gels(items),
        _rice(parts),
        _favism(items),
        Caution("raw-flour", "Raw flour is not safe to taste: bake or cook the mix through."),
    ]
    return tuple(c for c in found if c is not None)


def cautions_of(item: Ingredient) -> tuple[Caution, ...]:
    """Return the cautions that one ingredient calls for, the gravest first."""
    items = [item]
    found = [
        _gluten_of(item),
        _oats(items),
        _allergens(items),
        _watched(items),
        _gels(items),
        _favism(items),
        Caution("raw-flour", "Raw flour is not safe to taste: bake or cook it through."),
    ]
    return tuple(c for c in found if c is not None)


_RISKS = {
    "high-needs-certified": "often carries gluten from field, mill or scoop: use a supply that is tested or certified",
    "medium": "can pick up gluten in field, mill or bulk bin: ask for a test",
    "low": "seldom carries gluten, but a shared mill or scoop is enough",
}


def _gluten_of(item: Ingredient) -> Caution:
    if item.contains_gluten:
        return Caution("gluten", "Contains a gluten cereal: not for people with coeliac disease.")
    risk = _RISKS.get(item.gluten_risk)
    known = item.gluten_mg_per_kg
    said = f"Gluten {known:g} mg/kg by what its lots state" if known is not None else "Gluten unknown"
    tail = "testing and certification show it, and legal limits differ."
    return Caution("gluten", f"{said}{f'; it {risk}' if risk else ''}. No estimate proves it free: {tail}")


def _gluten(gluten: GlutenEstimate, shelf: Shelf) -> Caution | None:
    if gluten.status == "contains":
        return Caution("gluten", "Contains a gluten cereal: not for people with coeliac disease.")
    tail = "An estimate proves nothing: testing and certification do, and legal limits differ."
    if gluten.status == "unknown":
        names = [shelf[s].name for s in gluten.unknown_parts]
        shown = ", ".join(names[:3]) + (f" and {len(names) - 3} more" if len(names) > 3 else "")
        return Caution("gluten", f"Gluten unknown for {shown}: not shown to be gluten-free. {tail}")
    return Caution("gluten", f"Gluten by declared or tested values {gluten.known_mg_per_kg:.1f} mg/kg. {tail}")


def _oats(items: Iterable[Ingredient]) -> Caution | None:
    if not any("oats" in i.watch for i in items):
        return None
    return Caution(
        "oats", "Oats need a gluten-free supply, and a few people with coeliac disease do not tolerate oats at all."
    )


def _allergens(items: Iterable[Ingredient]) -> Caution | None:
    kept = tuple(items)
    names = union_of(i.allergens for i in kept)
    if not names:
        return None
    nuts = [n for n in union_of(i.watch for i in kept) if n in NUTS]
    said = {TREE_NUTS: f"{spaced(TREE_NUTS)} ({', '.join(spaced(n) for n in nuts)})"} if nuts else {}
    return Caution("allergens", f"Contains {', '.join(said.get(n) or spaced(n) for n in names)}.")


_NOT_ALLERGENS = frozenset({"gum", "animal", "oats", "maize"}) | NUTS  # nuts are named with the allergens


def _watched(items: Iterable[Ingredient]) -> Caution | None:
    names = [n for n in union_of(i.watch for i in items) if n not in _NOT_ALLERGENS]
    if not names:
        return None
    say = f"Contains {', '.join(spaced(n) for n in names)}: an allergen to some, though not on every legal list."
    return Caution("watch", say)


def _gels(items: Iterable[Ingredient]) -> Caution | None:
    names = [i.name for i in items if not SWELLS.isdisjoint(i.functions)]
    if not names:
        return None
    say = (
        f"{', '.join(names)}: hydrate fully and drink with the bake; dry gel formers can choke or block the bowel, "
        "and may change how medicines are taken up. New eaters go slowly with fibre."
    )
    return Caution("gels", say)


@lru_cache(maxsize=4096)
def _is_rice(slug: str) -> bool:
    return "rice" in slug.split("-")


def _rice(parts: Sequence[PartShare]) -> Caution | None:
    share = sum(p.mix_pct for p in parts if _is_rice(p.ingredient))
    if share < RICE_HEAVY_PCT:
        return None
    return Caution("rice", f"{share:.0f} % rice: for infants and small children vary the grains (inorganic arsenic).")


def _favism(items: Iterable[Ingredient]) -> Caution | None:
    if not any(i.slug.startswith("fava") for i in items):
        return None
    return Caution("favism", "Broad beans harm people with favism (G6PD deficiency).")


def union_of(groups: Iterable[Iterable[str]]) -> tuple[str, ...]:
    """Return every name in `groups` once, in alphabetical order."""
    return tuple(sorted({name for group in groups for name in group}))


def contains_line(parts: Sequence[PartShare], shelf: Shelf) -> tuple[str, ...]:
    """Return the allergens and watched ingredients to name on the bag, by falling mass of what carries them."""
    by_mass = sorted(parts, key=lambda p: -p.mass_g)
    names = [n for p in by_mass for n in (*shelf[p.ingredient].allergens, *shelf[p.ingredient].watch)]
    return tuple(dict.fromkeys(n for n in names if n not in {"gum", "animal"}))

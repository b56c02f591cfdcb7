"""An ingredient: what it is, and every number known about it, each with its range, quality and source."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from enum import StrEnum
from types import MappingProxyType

from fallow_sieve.core.ingredients.functions import Function, Kind, of_kind, standard_of
from fallow_sieve.core.ingredients.nutrients import (
    KCAL_PER_G,
    KJ_PER_G,
    KJ_PER_KCAL,
    NUTRIENTS,
    SALT_PER_SODIUM,
    energy_kcal,
    energy_kj,
)
from fallow_sieve.core.values import Range, exactly, spread_of


class Role(StrEnum):
    """What an ingredient is in a mix, in the order of the column from base to top."""

    WHOLE_GRAIN = "whole_grain"
    REFINED_FLOUR = "refined_flour"
    ROOT_FLOUR = "root_flour"
    STARCH = "starch"
    NUT_SEED = "nut_seed"
    LEGUME = "legume"
    PROTEIN = "protein"
    FIBRE = "fibre"
    BINDER = "binder"
    OTHER = "other"


ROLE_LABELS: dict[Role, str] = {
    Role.WHOLE_GRAIN: "whole grain",
    Role.REFINED_FLOUR: "refined flour",
    Role.ROOT_FLOUR: "root flour",
    Role.STARCH: "starch",
    Role.NUT_SEED: "nut and seed",
    Role.LEGUME: "legume",
    Role.PROTEIN: "protein",
    Role.FIBRE: "fibre",
    Role.BINDER: "binder",
    Role.OTHER: "other",
}

NOT_FLOUR = frozenset({Role.BINDER, Role.OTHER})
DRIED = frozenset(
    {Function.EGG_WHITE_POWDER, Function.WHOLE_EGG_POWDER, Function.MILK_POWDER, Function.SOUR_MILK_POWDER}
)


class Quality(StrEnum):
    """How a number came to be known, the surest first."""

    MEASURED = "measured"
    LABEL = "label"
    TABLE = "table"
    BY_DIFFERENCE = "by-difference"
    ESTIMATE = "estimate"


@dataclass(frozen=True, slots=True)
class Fact:
    """One number about an ingredient: its range (unit by field), how it is known, from where, and since when.

    `noted_on` is the ISO date on which the user read or measured it; empty for the bundled tables.
    """

    range: Range
    quality: Quality = Quality.ESTIMATE
    source: str = ""
    noted_on: str = ""


@dataclass(frozen=True, slots=True)
class Property:
    """A functional property of an ingredient: name with its unit, label for people, unit, highest value."""

    name: str
    label: str
    unit: str
    highest: float


PROPERTIES: dict[str, Property] = {
    p.name: p
    for p in (
        Property("density_g_per_ml", "Bulk density", "g/mL", 3),
        Property("thirst_g_per_g", "Thirst", "g water per g", 100),
        Property("amylose_pct", "Amylose in its starch", "%", 100),
        Property("grit_index", "Grit", "of 5", 5),
        Property("flavour_index", "Flavour", "of 5", 5),
        Property("lightness_l", "Lightness", "L*", 100),
        Property("colour_a", "Red–green", "a*", 128),
        Property("colour_b", "Yellow–blue", "b*", 128),
        Property("stickiness", "Stickiness", "0–1", 1),
        Property("shelf_months", "Keeps at 20 °C", "months", 240),
        Property("gel_onset_c", "Starch gels from", "°C", 120),
        Property("gel_peak_c", "Starch gels most at", "°C", 120),
        Property("browning_index", "Browning", "of 5", 5),
    )
}


WORDS = "@words"  # stands for a line that is not understood; no slug can look so


def short_name(name: str) -> str:
    """Return the first words of a name, up to a comma or bracket.

    >>> short_name("Sorghum flour (white), fine")
    'Sorghum flour'
    """
    return name.split(" (")[0].split(",")[0]


@dataclass(frozen=True, slots=True)
class Ingredient:
    """One flour, starch, nut, fibre or binder.

    `facts` maps a nutrient (per 100 g) or a property to its Fact; what is absent is unknown, not zero.
    `functions` say what it does in a dough. `usual_max_pct` is % of flour base, `price_per_kg` in the kitchen's
    currency, `gluten_mg_per_kg` declared or tested (a "below 5" test counts as 5), `keeps_days` the days left to
    the earliest best-before in stock and `stock_g` the g in its bins. `own` is the kitchen's own, not the bundled
    library's; `archived` is put away; `in_larder` is what recipes call for, found by typing rather than on the shelf.
    One lot of an ingredient is an Ingredient too, with `lot_id` and `lot_code`:
    the numbers are then that lot's.
    """

    slug: str
    name: str
    role: Role
    facts: Mapping[str, Fact] = field(default_factory=lambda: MappingProxyType({}))
    price_per_kg: float | None = None
    gluten_mg_per_kg: float | None = None
    gluten_risk: str = ""
    allergens: tuple[str, ...] = ()
    watch: tuple[str, ...] = ()
    functions: tuple[Function, ...] = ()
    flavour_words: tuple[str, ...] = ()
    usual_max_pct: float | None = None
    usual_max_reason: str = ""
    confidence: str = ""
    keeps_days: float | None = None
    stock_g: float = 0.0
    own: bool = False
    archived: bool = False
    lot_id: int | None = None
    lot_code: str = ""
    in_larder: bool = False

    @property
    def in_flour_base(self) -> bool:
        """Whether its mass counts in the flour base: everything but binders, dried egg and milk, and `other`."""
        return self.role not in NOT_FLOUR and not DRIED.intersection(self.functions)

    @property
    def contains_gluten(self) -> bool:
        """Whether it is made from a cereal with gluten."""
        return self.gluten_risk == "contains-gluten"

    def function(self, kind: Kind) -> Function | None:
        """Return what it does of this kind, or None."""
        return of_kind(self.functions, kind)

    def standard(self, kind: Kind) -> str | None:
        """Return the slug by which tables know what it does of this kind, or None."""
        return standard_of(self.functions, kind)

    @property
    def lab(self) -> tuple[float, float, float] | None:
        """Its typical L*, a* and b*, or None where they are not all known."""
        lightness, a, b = (self.range_of(n) for n in ("lightness_l", "colour_a", "colour_b"))
        return None if lightness is None or a is None or b is None else (lightness.typical, a.typical, b.typical)

    def range_of(self, name: str) -> Range | None:
        """Return the range of a nutrient per 100 g or of a property in its unit, or None where unknown."""
        fact = self.facts.get(name)
        return fact.range if fact else None


def _typical(facts: Mapping[str, Fact], name: str) -> float | None:
    fact = facts.get(name)
    return fact.range.typical if fact else None


def _scaled(fact: Fact, factor: float, why: str) -> Fact:
    r = fact.range
    return Fact(Range(r.low * factor, r.typical * factor, r.high * factor), fact.quality, why, fact.noted_on)


_FROM_BEST = tuple(Quality)


def _from_parts(facts: Mapping[str, Fact], per_g: Mapping[str, float], total: float) -> Fact:
    """Energy from its terms; carbohydrate holds fibre, so a gram of fibre costs the difference of factors."""
    weights = {
        "protein_g": per_g["protein"],
        "fat_g": per_g["fat"],
        "carbohydrate_g": per_g["available"],
        "fibre_g": per_g["fibre"] - per_g["available"],
    }
    below, above = spread_of([(w, facts[n].range) for n, w in weights.items()])
    worst = max((facts[n].quality for n in weights), key=_FROM_BEST.index)
    return Fact(Range(max(0.0, total - below), total, total + above), worst, "from its parts, 4/9/4/2 factors")


def with_derived(facts: Mapping[str, Fact]) -> dict[str, Fact]:
    """Return the facts with what follows from them: salt or sodium, and energy both ways (per 100 g).

    A given value is never replaced. Energy needs protein, fat, carbohydrate and fibre; where they are not all
    known it follows from the other unit of energy (4.184 kJ/kcal), else it stays unknown.
    Source of the factors: Regulation (EU) 1169/2011, Annexes I and XIV.
    """
    full = dict(facts)
    if "salt_g" not in full and "sodium_mg" in full:
        full["salt_g"] = _scaled(full["sodium_mg"], SALT_PER_SODIUM / 1000, "sodium × 2.5")
    elif "sodium_mg" not in full and "salt_g" in full:
        full["sodium_mg"] = _scaled(full["salt_g"], 1000 / SALT_PER_SODIUM, "salt ÷ 2.5")
    _add_energy(full)
    return full


def _add_energy(full: dict[str, Fact]) -> None:
    given = {name: full[name] for name in ("energy_kj", "energy_kcal") if name in full}
    if len(given) == 2:
        return
    if given:
        if "energy_kj" in given:
            full["energy_kcal"] = _scaled(given["energy_kj"], 1 / KJ_PER_KCAL, "kJ ÷ 4.184")
        else:
            full["energy_kj"] = _scaled(given["energy_kcal"], KJ_PER_KCAL, "kcal × 4.184")
        return
    parts = [_typical(full, n) for n in ("protein_g", "fat_g", "carbohydrate_g", "fibre_g")]
    if any(p is None for p in parts):
        return
    protein, fat, carbohydrate, fibre = (p for p in parts if p is not None)
    available = carbohydrate - fibre  # not clamped here, so that a mix's energy is the sum of its parts'
    kj = max(0.0, energy_kj(protein, fat, available, fibre))
    kcal = max(0.0, energy_kcal(protein, fat, available, fibre))
    full["energy_kj"] = _from_parts(full, KJ_PER_G, kj)
    full["energy_kcal"] = _from_parts(full, KCAL_PER_G, kcal)


def range_from_number(name: str, value: float) -> Range:
    """Return the range taken where a source gives only a typical `value` for the nutrient or property `name`.

    ± 10 % for protein and fat, ± 20 % for fibre and minerals, see `nutrients.NUTRIENTS` for the others;
    properties are taken as given. The unit is the field's.
    """
    nutrient = NUTRIENTS.get(name)
    if nutrient is None:
        return exactly(value)
    reach = abs(value) * nutrient.spread_pct / 100
    high = value + reach if nutrient.unit != "g" else min(100.0, value + reach)
    return Range(max(0.0, value - reach), value, max(value, high))

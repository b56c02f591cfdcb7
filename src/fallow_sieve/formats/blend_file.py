"""The blend file, `fallow-sieve/blend` version 1: parts by slug and mass, with definitions of own ingredients."""

from __future__ import annotations

import json
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Discriminator, Field, Tag, create_model

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.ingredients.ingredient import Fact, Ingredient, Quality, Role
from fallow_sieve.core.ingredients.nutrients import NUTRIENTS
from fallow_sieve.core.ingredients.plausible import check_contents, range_for
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.estimates import Range
from fallow_sieve.formats.strict_json import parse_json
from fallow_sieve.formats.validating import validate

FORMAT = "fallow-sieve/blend"
SLUG_PATTERN = r"^[a-z0-9]+(-[a-z0-9]+)*$"
Slug = Annotated[str, Field(pattern=SLUG_PATTERN, max_length=80)]
MASS_LIMIT_G = 1e9
_GLUTEN_CEREALS = {"wheat", "rye", "barley", "spelt", "gluten"}


class Strict(BaseModel):
    """A part of a file that is read strictly: no unknown key, no coercion, no NaN or infinity."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False)


class RangeIn(Strict):
    """A number given as low, typical and high."""

    low: float
    typical: float
    high: float


def _number_or_range(value: object) -> str:
    return "range" if isinstance(value, dict | RangeIn) else "number"


NumberOrRange = Annotated[
    Annotated[float, Tag("number")] | Annotated[RangeIn, Tag("range")], Discriminator(_number_or_range)
]
Optional = NumberOrRange | None

_NUTRIENT_FIELDS: dict[str, Any] = {name: (NumberOrRange, Field(default=None)) for name in NUTRIENTS}
Per100G = create_model("Per100G", __base__=Strict, __doc__="Contents per 100 g.", **_NUTRIENT_FIELDS)


class PartIn(Strict):
    """One part: an ingredient by slug, and its mass in g."""

    ingredient: Slug
    mass_g: float = Field(gt=0, le=MASS_LIMIT_G)


class IngredientIn(Strict):
    """The definition of an ingredient; what is absent is unknown. Numbers may be ranges."""

    slug: Slug
    name: str = Field(default="", max_length=200)
    role: Literal[tuple(str(r) for r in Role)]  # type: ignore[valid-type]
    per_100_g: Per100G = Field(default_factory=Per100G)
    price_per_kg: NumberOrRange = Field(default=None)  # type: ignore[assignment]
    gluten_mg_per_kg: NumberOrRange = Field(default=None)  # type: ignore[assignment]
    allergens: list[Slug] = Field(default_factory=list, max_length=40)
    density_g_per_ml: NumberOrRange = Field(default=None)  # type: ignore[assignment]
    thirst_g_per_g: NumberOrRange = Field(default=None)  # type: ignore[assignment]
    grit_index: NumberOrRange = Field(default=None)  # type: ignore[assignment]
    flavour_index: NumberOrRange = Field(default=None)  # type: ignore[assignment]
    lab: list[NumberOrRange] | None = Field(default=None, min_length=3, max_length=3)
    stickiness: NumberOrRange = Field(default=None)  # type: ignore[assignment]
    amylose_pct: NumberOrRange = Field(default=None)  # type: ignore[assignment]
    usual_max_pct: NumberOrRange = Field(default=None)  # type: ignore[assignment]
    shelf_months: NumberOrRange = Field(default=None)  # type: ignore[assignment]
    gel_onset_c: NumberOrRange = Field(default=None)  # type: ignore[assignment]
    gel_peak_c: NumberOrRange = Field(default=None)  # type: ignore[assignment]
    browning_index: NumberOrRange = Field(default=None)  # type: ignore[assignment]
    watch: list[Slug] = Field(default_factory=list, max_length=40)


class BlendFile(Strict):
    """A blend file, version 1."""

    format: Literal["fallow-sieve/blend"]
    version: Literal[1]
    name: str = Field(default="", max_length=200)
    use: Slug | None = None
    parts: list[PartIn] = Field(min_length=1, max_length=200)
    ingredients: list[IngredientIn] = Field(default_factory=list, max_length=200)


@dataclass(frozen=True, slots=True)
class BlendDocument:
    """What a blend file holds: the blend, and the ingredients that it defines itself."""

    blend: Blend
    ingredients: tuple[Ingredient, ...]


def read_blend(data: bytes) -> BlendDocument:
    """Return the blend that a blend file holds. Raises BadInputError naming the place by JSON pointer."""
    file = validate(BlendFile, parse_json(data))
    parts = tuple(Part(p.ingredient, p.mass_g) for p in file.parts)
    no_twice([p.ingredient for p in parts], "/parts", "ingredient")
    no_twice([i.slug for i in file.ingredients], "/ingredients", "slug")
    own = tuple(defined(i, f"/ingredients/{n}") for n, i in enumerate(file.ingredients))
    return BlendDocument(Blend(parts, file.name, file.use), own)


def no_twice(slugs: list[str], place: str, key: str) -> None:
    """Raise BadInputError, naming the second place, where a slug stands twice in a list of objects."""
    for n, slug in enumerate(slugs):
        first = slugs.index(slug)
        if first != n:
            raise BadInputError(
                f"{slug!r} stands twice, first at {place}/{first}", place=f"{place}/{n}/{key}", right="keep one"
            )


_FACTS = (
    "density_g_per_ml",
    "thirst_g_per_g",
    "grit_index",
    "flavour_index",
    "stickiness",
    "amylose_pct",
    "shelf_months",
    "gel_onset_c",
    "gel_peak_c",
    "browning_index",
)


def _range(name: str, given: float | RangeIn, place: str) -> Range:
    try:
        if isinstance(given, RangeIn):
            return range_for(name, given.typical, given.low, given.high)
        return range_for(name, given)
    except BadInputError as error:
        raise error.at(place) from error


def defined(given: IngredientIn, place: str) -> Ingredient:
    """Return the ingredient that a file defines at `place`. Raises BadInputError under that place."""
    facts = {
        name: _range(name, value, f"{place}/per_100_g/{name}")
        for name in NUTRIENTS
        if (value := getattr(given.per_100_g, name)) is not None
    }
    try:
        check_contents(facts)
    except BadInputError as error:
        raise error.at(f"{place}/per_100_g") from error
    for name in _FACTS:
        value = getattr(given, name)
        if value is not None:
            facts[name] = _range(name, value, f"{place}/{name}")
    for n, name in enumerate(("lightness_l", "colour_a", "colour_b")):
        if given.lab is not None:
            facts[name] = _range(name, given.lab[n], f"{place}/lab/{n}")
    gluten = _number(given, "gluten_mg_per_kg", place)
    made_of_gluten = gluten is None and bool(_GLUTEN_CEREALS & set(given.allergens))
    usual = _number(given, "usual_max_pct", place)
    price = _number(given, "price_per_kg", place)
    return Ingredient(
        slug=given.slug,
        name=given.name or given.slug,
        role=Role(given.role),
        facts={n: Fact(r, Quality.LABEL, "given in the blend file") for n, r in facts.items()},
        price_per_kg=price.typical if price else None,
        gluten_mg_per_kg=gluten.high if gluten else None,
        gluten_risk="contains-gluten" if made_of_gluten else "",
        allergens=tuple(sorted(set(given.allergens))),
        watch=tuple(sorted(set(given.watch))),
        usual_max_pct=usual.typical if usual else None,
    )


def _number(given: IngredientIn, name: str, place: str) -> Range | None:
    value = getattr(given, name)
    return None if value is None else _range(name, value, f"{place}/{name}")


def write_blend(blend: Blend, own: Iterable[Ingredient] = ()) -> str:
    """Return the blend file of `blend` as JSON text, with definitions of the `own` ingredients it uses."""
    document: dict[str, Any] = {"format": FORMAT, "version": 1, "name": blend.name}
    if blend.use:
        document["use"] = blend.use
    document["parts"] = [{"ingredient": p.ingredient, "mass_g": p.mass_g} for p in blend.parts]
    used = {p.ingredient for p in blend.parts}
    definitions = [definition(i) for i in sorted(own, key=lambda i: i.slug) if i.slug in used]
    if definitions:
        document["ingredients"] = definitions
    return json.dumps(document, ensure_ascii=False, indent=2) + "\n"


def definition(item: Ingredient) -> dict[str, Any]:
    """Return the definition of `item` as a file holds it."""
    found: dict[str, Any] = {"slug": item.slug, "name": item.name, "role": str(item.role)}
    contents = {n: _range_out(item.facts[n].range) for n in NUTRIENTS if n in item.facts}
    if contents:
        found["per_100_g"] = contents
    found.update({n: _range_out(item.facts[n].range) for n in _FACTS if n in item.facts})
    if "lightness_l" in item.facts:
        found["lab"] = [item.facts[n].range.typical for n in ("lightness_l", "colour_a", "colour_b") if n in item.facts]
    for name in ("price_per_kg", "gluten_mg_per_kg", "usual_max_pct"):
        if getattr(item, name) is not None:
            found[name] = getattr(item, name)
    for name in ("allergens", "watch"):
        if getattr(item, name):
            found[name] = list(getattr(item, name))
    return found


def _range_out(r: Range) -> dict[str, float]:
    return {"low": r.low, "typical": r.typical, "high": r.high}

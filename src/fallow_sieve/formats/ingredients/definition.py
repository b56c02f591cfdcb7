"""The definition of an ingredient inside a file: what a kitchen has of its own, judged the same elsewhere."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import BaseModel, BeforeValidator, ConfigDict, Discriminator, Field, Tag, create_model

from fallow_sieve.core.ingredients import (
    NUTRIENTS,
    Fact,
    Function,
    Ingredient,
    Quality,
    Role,
    check_contents,
    functions_named,
    range_for,
)
from fallow_sieve.core.values import BadInputError, Range
from fallow_sieve.formats.shared import Slug, Strict

_GLUTEN_CEREALS = {"wheat", "rye", "barley", "spelt", "gluten"}


FunctionName = Literal[tuple(str(f) for f in Function)]  # type: ignore[valid-type]


def _functions(given: object) -> object:
    """One function or several as people write them; anything else is left for the schema to refuse."""
    words = [given] if isinstance(given, str) else given
    if not isinstance(words, list) or not all(isinstance(w, str) for w in words):
        return words
    return [str(f) for w in words for f in functions_named(w)]


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


def _is_none(value: object) -> bool:
    return value is None


def _absent() -> Any:
    """A number that may be absent, which is unknown; it is left out when written too, so that it can be read again."""
    return Field(default=None, exclude_if=_is_none)


def _absent_is_not_required(schema: dict[str, Any], model: type[BaseModel]) -> None:
    """What is left out when it is unknown is not said to be there."""
    absent = {n for n, field in model.model_fields.items() if field.exclude_if is not None}
    if "required" in schema:
        schema["required"] = [n for n in schema["required"] if n not in absent]


_ABSENT = ConfigDict(json_schema_extra=_absent_is_not_required)
_NUTRIENT_FIELDS: dict[str, Any] = {name: (NumberOrRange, _absent()) for name in NUTRIENTS}


class _Contents(Strict):
    model_config = _ABSENT


ContentsIn = create_model("ContentsIn", __base__=_Contents, __doc__="Contents per 100 g.", **_NUTRIENT_FIELDS)


class DefinitionIn(Strict):
    """The definition of an ingredient; what is absent is unknown. Numbers may be ranges."""

    model_config = _ABSENT

    slug: Slug
    name: str = Field(default="", max_length=200)
    role: Literal[tuple(str(r) for r in Role)]  # type: ignore[valid-type]
    per_100_g: ContentsIn = Field(default_factory=ContentsIn)
    price_per_kg: NumberOrRange = _absent()
    gluten_mg_per_kg: NumberOrRange = _absent()
    allergens: list[Slug] = Field(default_factory=list, max_length=40)
    density_g_per_ml: NumberOrRange = _absent()
    thirst_g_per_g: NumberOrRange = _absent()
    grit_index: NumberOrRange = _absent()
    flavour_index: NumberOrRange = _absent()
    lab: list[NumberOrRange] | None = Field(default=None, min_length=3, max_length=3, exclude_if=_is_none)
    stickiness: NumberOrRange = _absent()
    amylose_pct: NumberOrRange = _absent()
    usual_max_pct: NumberOrRange = _absent()
    shelf_months: NumberOrRange = _absent()
    gel_onset_c: NumberOrRange = _absent()
    gel_peak_c: NumberOrRange = _absent()
    browning_index: NumberOrRange = _absent()
    watch: list[Slug] = Field(default_factory=list, max_length=40)
    function: Annotated[list[FunctionName], BeforeValidator(_functions)] = Field(default_factory=list, max_length=20)  # type: ignore[valid-type]


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


def defined(given: DefinitionIn, place: str) -> Ingredient:
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
        functions=tuple(dict.fromkeys(Function(f) for f in given.function)),
        usual_max_pct=usual.typical if usual else None,
    )


def _number(given: DefinitionIn, name: str, place: str) -> Range | None:
    value = getattr(given, name)
    return None if value is None else _range(name, value, f"{place}/{name}")


def definition_of(item: Ingredient) -> dict[str, Any]:
    """Return the definition of `item` as a file holds it."""
    found: dict[str, Any] = {"slug": item.slug, "name": item.name, "role": str(item.role)}
    contents = {n: _range_out(item.facts[n].range) for n in NUTRIENTS if n in item.facts}
    if contents:
        found["per_100_g"] = contents
    found.update({n: _range_out(item.facts[n].range) for n in _FACTS if n in item.facts})
    if "lightness_l" in item.facts:
        found["lab"] = [
            _range_out(item.facts[n].range) for n in ("lightness_l", "colour_a", "colour_b") if n in item.facts
        ]
    for name in ("price_per_kg", "gluten_mg_per_kg", "usual_max_pct"):
        if getattr(item, name) is not None:
            found[name] = getattr(item, name)
    for name in ("allergens", "watch"):
        if getattr(item, name):
            found[name] = list(getattr(item, name))
    if item.functions:
        found["function"] = [str(f) for f in item.functions]
    return found


def _range_out(r: Range) -> dict[str, float]:
    return {"low": r.low, "typical": r.typical, "high": r.high}

"""The blend file, `fallow-sieve/blend` version 1: parts by slug and mass, with definitions of own ingredients."""

from __future__ import annotations

import json
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any, Literal

from pydantic import Field

from fallow_sieve.core.blends import Blend, Part
from fallow_sieve.core.ingredients import Ingredient
from fallow_sieve.formats.ingredients import DefinitionIn, defined, definition_of
from fallow_sieve.formats.shared import MASS_LIMIT_G, Slug, Strict, no_twice, parse_json, validate

FORMAT = "fallow-sieve/blend"


class PartFile(Strict):
    """One part: an ingredient by slug, its mass in g, and the range of a mass that was not weighed."""

    ingredient: Slug
    mass_g: float = Field(gt=0, le=MASS_LIMIT_G)
    mass_low_g: float | None = Field(default=None, ge=0, le=MASS_LIMIT_G)
    mass_high_g: float | None = Field(default=None, gt=0, le=MASS_LIMIT_G)

    def as_part(self) -> Part:
        """Return the part; a mass that was not weighed has its range as ratios to it."""
        low, high = (self.mass_g if m is None else m for m in (self.mass_low_g, self.mass_high_g))
        return Part(self.ingredient, self.mass_g, low_ratio=low / self.mass_g, high_ratio=high / self.mass_g)


class BlendFile(Strict):
    """A blend file, version 1."""

    format: Literal["fallow-sieve/blend"]
    version: Literal[1]
    name: str = Field(default="", max_length=200)
    use: Slug | None = None
    parts: list[PartFile] = Field(min_length=1, max_length=200)
    ingredients: list[DefinitionIn] = Field(default_factory=list, max_length=200)


@dataclass(frozen=True, slots=True)
class BlendDocument:
    """What a blend file holds: the blend, and the ingredients that it defines itself."""

    blend: Blend
    ingredients: tuple[Ingredient, ...]


def read_blend(data: bytes) -> BlendDocument:
    """Return the blend that a blend file holds. Raises BadInputError naming the place by JSON pointer."""
    file = validate(BlendFile, parse_json(data))
    parts = tuple(p.as_part() for p in file.parts)
    no_twice([p.ingredient for p in parts], "/parts", "ingredient")
    no_twice([i.slug for i in file.ingredients], "/ingredients", "slug")
    own = tuple(defined(i, f"/ingredients/{n}") for n, i in enumerate(file.ingredients))
    return BlendDocument(Blend(parts, file.name, file.use), own)


def write_blend(blend: Blend, own: Iterable[Ingredient] = ()) -> str:
    """Return the blend file of `blend` as JSON text, with definitions of the `own` ingredients it uses."""
    document: dict[str, Any] = {"format": FORMAT, "version": 1, "name": blend.name}
    if blend.use:
        document["use"] = blend.use
    document["parts"] = [_part(p) for p in blend.parts]
    used = {p.ingredient for p in blend.parts}
    definitions = [definition_of(i) for i in sorted(own, key=lambda i: i.slug) if i.slug in used]
    if definitions:
        document["ingredients"] = definitions
    return json.dumps(document, ensure_ascii=False, indent=2) + "\n"


def _part(part: Part) -> dict[str, Any]:
    made: dict[str, Any] = {"ingredient": part.ingredient, "mass_g": part.mass_g}
    if not part.is_weighed:
        made |= {"mass_low_g": part.mass_g * part.low_ratio, "mass_high_g": part.mass_g * part.high_ratio}
    return made

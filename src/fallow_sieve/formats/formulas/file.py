"""The formula file, `fallow-sieve/formula` version 1: lines by slug, mass and stage, with the pinned blend inside."""

from __future__ import annotations

import json
from collections.abc import Iterable
from dataclasses import asdict, dataclass
from typing import Annotated, Any, Literal

from pydantic import Field

from fallow_sieve.core.blends import Part
from fallow_sieve.core.formulas import BLEND, CONSISTENCIES, MAX_METHOD, MAX_NAME, Formula, Line, Portion, When
from fallow_sieve.core.ingredients import Ingredient
from fallow_sieve.formats.blends import PartFile
from fallow_sieve.formats.ingredients import DefinitionIn, defined, definition_of
from fallow_sieve.formats.shared import MASS_LIMIT_G, Slug, Strict, no_twice, parse_json, validate

FORMAT = "fallow-sieve/formula"
LineName = Annotated[str, Field(pattern=r"^(@blend|@words|[a-z0-9]+(-[a-z0-9]+)*)$", max_length=80)]


class LineFile(Strict):
    """One line: an ingredient by slug, or `@blend` for the pinned blend; its mass in g and its stage.

    `@words` is a line that was not understood: its text stands in `note`, its mass is 0 where it is not known.
    """

    ingredient: LineName
    mass_g: float = Field(ge=0, le=MASS_LIMIT_G)
    stage: Literal[tuple(str(s) for s in When)]  # type: ignore[valid-type]
    note: str = Field(default="", max_length=200)


class PinnedFile(Strict):
    """The blend that the formula rests on, as it was: its parts, and from which revision they are."""

    name: str = Field(default="", max_length=200)
    revision: int | None = Field(default=None, ge=1, le=2**31)
    parts: list[PartFile] = Field(min_length=1, max_length=200)


class PortionFile(Strict):
    """What is eaten at once: so many g of the finished bake, or one of so many shares of a piece; else a piece."""

    name: str = Field(min_length=1, max_length=MAX_NAME)
    mass_g: float | None = Field(default=None, gt=0, le=10_000)
    shares: int | None = Field(default=None, ge=1, le=1000)


class FormulaFile(Strict):
    """A formula file, version 1."""

    format: Literal["fallow-sieve/formula"]
    version: Literal[1]
    name: str = Field(default="", max_length=200)
    use: Slug | None = None
    consistency: Literal[CONSISTENCIES] | None = None  # type: ignore[valid-type]
    school: Literal["by-moisture", "gum", "psyllium", "gels", "none"] | None = None
    pieces: int = Field(default=1, ge=1, le=100_000)
    pan: str | None = Field(default=None, max_length=40)
    portion: PortionFile | None = None
    method: str = Field(default="", max_length=MAX_METHOD)
    blend: PinnedFile | None = None
    lines: list[LineFile] = Field(min_length=1, max_length=100)
    ingredients: list[DefinitionIn] = Field(default_factory=list, max_length=200)


@dataclass(frozen=True, slots=True)
class FormulaDocument:
    """What a formula file holds: the formula, its blend's name and revision, and ingredients it defines itself."""

    formula: Formula
    blend_name: str
    blend_revision: int | None
    ingredients: tuple[Ingredient, ...]


def read_formula(data: bytes) -> FormulaDocument:
    """Return the formula that a formula file holds. Raises BadInputError naming the place by JSON pointer."""
    return document_of(validate(FormulaFile, parse_json(data)))


def document_of(file: FormulaFile) -> FormulaDocument:
    """Return what a formula file that was read holds."""
    parts = tuple(Part(p.ingredient, p.mass_g) for p in file.blend.parts) if file.blend else ()
    no_twice([p.ingredient for p in parts], "/blend/parts", "ingredient")
    no_twice([i.slug for i in file.ingredients], "/ingredients", "slug")
    own = tuple(defined(i, f"/ingredients/{n}") for n, i in enumerate(file.ingredients))
    formula = Formula(
        lines=tuple(Line(x.ingredient, x.mass_g, When(x.stage), x.note) for x in file.lines),
        blend=parts,
        name=file.name,
        use=file.use,
        consistency=file.consistency,
        school=file.school,
        pieces=file.pieces,
        pan=file.pan,
        method=file.method,
        portion=Portion(**file.portion.model_dump()) if file.portion else None,
    )
    return FormulaDocument(
        formula, file.blend.name if file.blend else "", file.blend.revision if file.blend else None, own
    )


def formula_dict(
    formula: Formula, blend_name: str = "", revision: int | None = None, own: Iterable[Ingredient] = ()
) -> dict[str, Any]:
    """Return the formula file of `formula` as plain values, with definitions of the `own` ingredients it uses."""
    found: dict[str, Any] = {"format": FORMAT, "version": 1, "name": formula.name}
    for name in ("use", "consistency", "school", "pan", "method"):
        if getattr(formula, name):
            found[name] = getattr(formula, name)
    found["pieces"] = formula.pieces
    if formula.portion:
        found["portion"] = {n: v for n, v in asdict(formula.portion).items() if v is not None}
    if formula.blend:
        pinned: dict[str, Any] = {"name": blend_name}
        if revision is not None:
            pinned["revision"] = revision
        pinned["parts"] = [{"ingredient": p.ingredient, "mass_g": p.mass_g} for p in formula.blend]
        found["blend"] = pinned
    found["lines"] = [_line(x) for x in formula.lines]
    used = {x.ingredient for x in formula.lines if x.ingredient != BLEND} | {p.ingredient for p in formula.blend}
    definitions = [definition_of(i) for i in sorted(own, key=lambda i: i.slug) if i.slug in used]
    if definitions:
        found["ingredients"] = definitions
    return found


def _line(x: Line) -> dict[str, Any]:
    found: dict[str, Any] = {"ingredient": x.ingredient, "mass_g": x.mass_g, "stage": str(x.when)}
    return {**found, "note": x.note} if x.note else found


def write_formula(
    formula: Formula, blend_name: str = "", revision: int | None = None, own: Iterable[Ingredient] = ()
) -> str:
    """Return the formula file of `formula` as JSON text."""
    return json.dumps(formula_dict(formula, blend_name, revision, own), ensure_ascii=False, indent=2) + "\n"

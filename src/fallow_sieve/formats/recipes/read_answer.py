"""What `read --json` prints: every line of a recipe with what it was read as, its steps, its mix, and the formula."""

from __future__ import annotations

import re
from collections.abc import Sequence
from typing import Any

from pydantic import ConfigDict, Field

from fallow_sieve.core.baking import mention_c
from fallow_sieve.core.blends import Blend, Part
from fallow_sieve.core.ingredients import Ingredient, Kind, Role, Shelf
from fallow_sieve.core.recipes import ReadLine, ReadRecipe, RecipeCheck, Row
from fallow_sieve.formats.blends import write_blend
from fallow_sieve.formats.recipes.answers import FindingOut
from fallow_sieve.formats.shared import Out, parse_json
from fallow_sieve.reference import marks

_NUMBER = r"\d+(?:[.,]\d+)?"
_MINUTES = re.compile(
    rf"({_NUMBER})\s*(?:-|–|to|bis|à|a)?\s*({_NUMBER})?\s*"
    r"(hours?|hrs?|h|stunden?|heures?|horas?|ore|timmar?|min\w*)\b",
    re.IGNORECASE,
)


class YieldOut(Out):
    """How many pieces a recipe makes (null: it does not say), and that in words."""

    pieces: int | None
    say: str


class CupsOut(Out):
    """Whose cups and spoons and eggs were taken, and what in the text says so."""

    standard: str
    eggs: str
    why: str


class AlsoInLine(Out):
    """A further thing that the same line names, g."""

    ingredient: str | None
    mass_g: float | None


class LineOut(Out):
    """A line of the text that is not blank: its kind, and of an ingredient what it is and weighs, g."""

    line: int
    kind: str
    text: str
    section: str
    ingredient: str | None
    name: str | None
    function: str | None
    mass_g: float | None
    low_g: float | None
    high_g: float | None
    in_dough: bool
    guesses: list[str]
    open: bool
    also: list[AlsoInLine]


class StepOut(Out):
    """A step: its oven temperatures in °C, and its minutes."""

    line: int
    oven_c: list[float]
    minutes: list[float]


class ReadAnswer(Out):
    """The answer of `fallow-sieve read --json`; `blend` is null where the text names no gluten-free base of its own."""

    model_config = ConfigDict(serialize_by_alias=True)

    title: str
    yield_: YieldOut = Field(serialization_alias="yield")
    cups: CupsOut
    lines: list[LineOut]
    steps: list[StepOut]
    checks: list[FindingOut]
    blend: dict[str, Any] | None
    formula: dict[str, Any]


def read_answer(
    recipe: ReadRecipe,
    cups: CupsOut,
    checks: Sequence[RecipeCheck],
    mix: Sequence[Part],
    formula: dict[str, Any],
    shelf: Shelf,
) -> ReadAnswer:
    """Return the document of a recipe as read; `mix` is its own base (g; empty: none), `formula` a formula file."""
    by_number = {x.number: x for x in recipe.lines}
    use = formula.get("use")
    pieces = recipe.pieces
    mixed = Blend(tuple(mix), f"{recipe.title}, its mix", use)
    return ReadAnswer(
        title=recipe.title,
        yield_=YieldOut(pieces=pieces, say=f"makes {pieces}" if pieces else ""),
        cups=cups,
        lines=[_line(row, by_number.get(row.number), shelf) for row in recipe.rows],
        steps=[_step(n, text, recipe) for n, text in recipe.steps],
        checks=[FindingOut(kind=f.kind, line=f.line, column=f.column, say=f.say) for f in checks],
        blend=parse_json(write_blend(mixed).encode()) if mix else None,
        formula=formula,
    )


def _line(row: Row, x: ReadLine | None, shelf: Shelf) -> LineOut:
    item = shelf[x.ingredient] if x and x.ingredient else None
    mass = x.mass if x else None
    return LineOut(
        line=row.number,
        kind=row.kind,
        text=row.text,
        section=row.section,
        ingredient=item.slug if item else None,
        name=item.name if item else None,
        function=_function(item) if item else None,
        mass_g=mass.typical if mass else None,
        low_g=mass.low if mass else None,
        high_g=mass.high if mass else None,
        in_dough=x.in_dough if x else False,
        guesses=list(x.guesses) if x else [],
        open=x is not None and (item is None or mass is None),
        also=[AlsoInLine(ingredient=y.ingredient, mass_g=y.mass.typical if y.mass else None) for y in _also(x)],
    )


def _also(x: ReadLine | None) -> tuple[ReadLine, ...]:
    return x.also if x else ()


def _function(item: Ingredient) -> str:
    """What an ingredient does, in a word: flour, starch, binder, or the kind of its first function."""
    if item.role in (Role.BINDER, Role.STARCH):
        return str(item.role)
    if item.in_flour_base:
        return "flour"
    return next((str(kind) for kind in Kind if item.function(kind)), "other")


def _step(number: int, text: str, recipe: ReadRecipe) -> StepOut:
    found = [mention_c(m, marks()) for m in recipe.ovens if m.line == number]
    ovens = [round(c, 1) for c in found if c is not None]
    return StepOut(line=number, oven_c=ovens, minutes=[v for found in _MINUTES.finditer(text) for v in _minutes(found)])


def _minutes(found: re.Match[str]) -> list[float]:
    per = 1.0 if found.group(3).lower().startswith("min") else 60.0
    return [per * float(v.replace(",", ".")) for v in found.groups()[:2] if v]

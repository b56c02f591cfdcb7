"""Recipes that are pasted: read, checked, and made over for a blend. Nothing is stored here."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from flask import Blueprint, Response

from fallow_sieve.api.formula_values import content_out, kitchen_now, pinned_of
from fallow_sieve.api.http import answer, body, store
from fallow_sieve.api.recipe_models import (
    ChangeOut,
    ConvertIn,
    ConvertOut,
    ReadIn,
    ReadLineOut,
    ReadOut,
    SideLine,
    SideOut,
)
from fallow_sieve.api.spec import route
from fallow_sieve.core.blends.blend import check_parts
from fallow_sieve.core.blends.fit import rule_of_use
from fallow_sieve.core.formulas.judgement import FormulaJudgement
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.recipes.lines import ReadLine
from fallow_sieve.core.values.errors import BadInputError, shown
from fallow_sieve.core.values.quantities import SpoonStandard
from fallow_sieve.reference.conversions import Read, make_over, read_text
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.formulas import Content
from fallow_sieve.store.kitchens import kitchen_of

routes = Blueprint("recipes", __name__)


@routes.post("/recipes/read")
@route(ReadOut, json=ReadIn)
def read() -> Response:
    """Return a pasted recipe as read, with every guess, and what is odd about it."""
    given = body(ReadIn)
    found, shelf = read_here(given.text, _chosen(given.chosen))
    return answer(_read(found, shelf))


@routes.post("/recipes/convert")
@route(ConvertOut, json=ConvertIn)
def convert() -> Response:
    """Return a pasted wheat recipe made over for a blend, every change with its reason and size."""
    given = body(ConvertIn)
    use = rule_of_use(rules().uses, given.use)
    found, shelf = read_here(given.text, _chosen(given.chosen))
    pinned = pinned_of(given.blend)
    check_parts(pinned.parts, shelf, "/blend/parts")
    _, kitchen = kitchen_now(Content(found.formula, pinned))
    kitchen = replace(kitchen, school=given.school or kitchen.school)
    done = make_over(found.formula, pinned.parts, use, shelf, kitchen, given.off, given.text)
    return answer(
        ConvertOut(
            read=_read(found, shelf),
            changes=[
                ChangeOut(key=c.key, say=c.say, reason=c.reason, size_g=c.size_g, on=c.on)
                for c in done.conversion.changes
            ],
            poor=list(done.conversion.poor),
            before=_side(done.before),
            after=_side(done.after),
            content=content_out(Content(done.conversion.formula, pinned)),
        )
    )


def read_here(text: str, chosen: Mapping[int, str] | None = None) -> tuple[Read, Shelf]:
    """Return `text` read with this kitchen's cups, spoons and names, and its shelf. Raises BadInputError."""
    with store().reading() as session:
        spoon = SpoonStandard(kitchen_of(session).tablespoon)
    shelf, kitchen = kitchen_now()
    return read_text(text, shelf, kitchen, spoon, chosen), shelf


def _chosen(given: Mapping[str, str]) -> dict[int, str]:
    wrong = next((k for k in given if not (k.isascii() and k.isdigit() and len(k) < 6)), None)
    if wrong is not None:
        raise BadInputError(f"the line {shown(wrong)}", place="/chosen", right="name lines by their number")
    return {int(k): v for k, v in given.items()}


def _read(found: Read, shelf: Shelf) -> ReadOut:
    recipe = found.recipe
    return ReadOut(
        title=recipe.title,
        pieces=recipe.pieces,
        lines=[_line(x, shelf) for x in recipe.lines],
        steps=[text for _, text in recipe.steps],
        unread=[f"Line {n}: {text}" for n, text in recipe.unread],
        checks=list(found.checks),
        content=content_out(Content(found.formula, None)),
    )


def _line(x: ReadLine, shelf: Shelf) -> ReadLineOut:
    return ReadLineOut(
        number=x.number,
        text=x.text,
        name=x.name,
        ingredient=x.ingredient,
        ingredient_name=shelf[x.ingredient].name if x.ingredient else "",
        unit=x.unit,
        mass_g=x.mass.typical if x.mass else None,
        mass_low_g=x.mass.low if x.mass else None,
        mass_high_g=x.mass.high if x.mass else None,
        stage=str(x.stage),
        guesses=list(x.guesses),
        understood=x.understood,
        note=x.note,
        near=list(x.near),
        wrong=x.wrong,
    )


def _side(j: FormulaJudgement) -> SideOut:
    a = j.analysis
    lines = [
        SideLine(ingredient=x.ingredient, name=x.name, stage=str(x.stage), mass_g=x.mass_g, flour_pct=x.flour_pct)
        for x in a.lines
    ]
    return SideOut(
        lines=lines,
        dough_g=a.dough_g,
        flour_g=a.flour_g,
        hydration_pct=a.hydration_pct,
        gauges=list(j.gauges),
        say=j.say,
    )

"""Recipes that are pasted: read, checked, and made over for a blend. Nothing is stored here."""

from __future__ import annotations

from dataclasses import replace

from flask import Blueprint, Response

from fallow_sieve.api.formula_content import content_out
from fallow_sieve.api.http import answer, body, kitchen
from fallow_sieve.api.models import as_parts, places
from fallow_sieve.api.recipes.models import (
    AlsoOut,
    ConvertIn,
    ConvertOut,
    FoundMixOut,
    ReadIn,
    ReadLineOut,
    ReadMixIn,
    ReadMixOut,
    ReadOut,
)
from fallow_sieve.api.spec import route
from fallow_sieve.core.blends import check_parts, rule_of_use
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.recipes import ReadLine
from fallow_sieve.reference import rules
from fallow_sieve.services.recipes import MixStands, Read, make_over, read_pasted_mix, read_text, side_of

routes = Blueprint("recipes", __name__)


@routes.post("/recipes/read")
@route(ReadOut, json=ReadIn)
def read() -> Response:
    """Return a pasted recipe as read, with every guess, and what is odd about it."""
    given, here = body(ReadIn), kitchen()
    return answer(_read(read_text(given.text, here, places(given.chosen), given.habit), here.shelf))


@routes.post("/recipes/read-mix")
@route(ReadMixOut, json=ReadMixIn)
def read_a_mix() -> Response:
    """Return a pasted mix as read, part by part."""
    given, here = body(ReadMixIn), kitchen()
    found = read_pasted_mix(given.text, here, places(given.chosen))
    return answer(ReadMixOut(lines=[_line(x, here.shelf) for x in found]))


@routes.post("/recipes/convert")
@route(ConvertOut, json=ConvertIn)
def convert() -> Response:
    """Return a pasted recipe made over for a blend, from wheat or its own mix, every change with reason and size."""
    given, here = body(ConvertIn), kitchen()
    here = replace(here, school=given.school or here.school)
    use = rule_of_use(rules().uses, given.use)
    found = read_text(given.text, here, places(given.chosen), given.habit)
    parts = as_parts(given.blend.parts)
    check_parts(parts, here.shelf, "/blend/parts")
    recipe = replace(found.formula, blend=parts, pin=given.blend.pin)
    done = make_over(recipe, use, here, given.off, given.text)
    return answer(
        ConvertOut(
            read=_read(found, here.shelf),
            changes=list(done.conversion.changes),
            poor=list(done.conversion.poor),
            causes=list(done.causes),
            own_mix=done.conversion.own_mix,
            before=side_of(done.before),
            after=side_of(done.after),
            pairs=list(done.pairs),
            content=content_out(done.conversion.formula),
        )
    )


def _read(found: Read, shelf: Shelf) -> ReadOut:
    recipe = found.recipe
    return ReadOut(
        title=recipe.title,
        pieces=recipe.pieces,
        lines=[_line(x, shelf) for x in recipe.lines],
        steps=[text for _, text in recipe.steps],
        unread=[f"Line {x.number}: {x.text}" for x in recipe.open],
        checks=list(found.checks),
        content=content_out(found.formula),
        rows=list(recipe.rows),
        habit=found.habit,
        say=found.say,
        use=found.use,
        mix=_mix(found.mix) if found.mix else None,
    )


def _mix(found: MixStands) -> FoundMixOut:
    return FoundMixOut(parts=list(found.parts), score=found.score, say=found.say, content=content_out(found.formula))


def _line(x: ReadLine, shelf: Shelf) -> ReadLineOut:
    return ReadLineOut(
        number=x.number,
        text=x.text,
        name=x.name,
        ingredient=x.ingredient,
        ingredient_name=_name(x, shelf),
        unit=x.unit,
        mass_g=x.mass.typical if x.mass else None,
        mass_low_g=x.mass.low if x.mass else None,
        mass_high_g=x.mass.high if x.mass else None,
        when=str(x.when),
        guesses=list(x.guesses),
        understood=x.understood,
        note=x.note,
        near=list(x.near),
        wrong=x.wrong,
        in_dough=x.in_dough,
        also=[AlsoOut(ingredient_name=_name(y, shelf), mass_g=y.mass.typical if y.mass else None) for y in x.also],
    )


def _name(x: ReadLine, shelf: Shelf) -> str:
    return shelf[x.ingredient].name if x.ingredient else ""

"""One ingredient in full: what it is, its numbers layer by layer, and the kitchen's own over the library's."""

from __future__ import annotations

import re

from flask import Blueprint, Response
from sqlmodel import Session

from fallow_sieve.api.http import answer, body, if_match, store, today
from fallow_sieve.api.reference import lab_of, look_alikes_of
from fallow_sieve.api.shelf_models import (
    AsideIn,
    IngredientIn,
    LayerNumberOut,
    NewIngredientIn,
    NumberIn,
    NumberOut,
    WholeIngredientOut,
)
from fallow_sieve.api.spec import route
from fallow_sieve.core.blends.cautions import cautions_of
from fallow_sieve.core.blends.gluten import status_of
from fallow_sieve.core.ingredients.columns import COLUMNS, Column
from fallow_sieve.core.ingredients.ingredient import Fact, Ingredient, Quality, Role
from fallow_sieve.core.ingredients.lots import stock_sentence
from fallow_sieve.core.ingredients.nutrients import NUTRIENTS
from fallow_sieve.core.ingredients.plausible import HIGHEST, check_contents, range_for
from fallow_sieve.core.values.errors import BadInputError, UnknownNameError
from fallow_sieve.store.blends import blends_with
from fallow_sieve.store.formulas import formulas_with
from fallow_sieve.store.ingredients import (
    add_ingredient,
    choose_layer,
    copy_ingredient,
    delete_ingredient,
    get_ingredient,
    put_number,
    save_ingredient,
    take_number,
)
from fallow_sieve.store.lots import lot_of, lots_of
from fallow_sieve.store.numbers import Layered, layers_of, stacked
from fallow_sieve.store.shelves import aliases_by_ingredient
from fallow_sieve.store.tables import IngredientRow

routes = Blueprint("ingredients", __name__)
# What an own number may be given for, in the order of the page: contents, dough, and the bin's own.
NUMBERED = tuple(n for n in COLUMNS if n in HIGHEST)


@routes.post("/ingredients")
@route(WholeIngredientOut, status=201, json=NewIngredientIn)
def add() -> Response:
    """Add an ingredient of the kitchen's own, empty or as a copy of another."""
    given = body(NewIngredientIn)
    name = given.name.strip()
    slug = slug_for(name)
    with store().writing() as session:
        if given.copy_of is not None:
            row = copy_ingredient(session, given.copy_of, slug, name)
        else:
            if given.role is None:
                raise BadInputError("the role is missing", place="/role", right="say what it is in a mix")
            row = add_ingredient(session, Ingredient(slug, name, Role(given.role)))
        made = _whole(session, row)
    return answer(made, 201, made.version)


def slug_for(name: str) -> str:
    """Return the slug of a name. Raises BadInputError where nothing of it is left."""
    plain = name.lower().replace("ß", "ss").replace("æ", "ae").replace("ø", "o")
    slug = re.sub(r"[^a-z0-9]+", "-", plain).strip("-")[:80].strip("-")
    if not slug:
        raise BadInputError(f"the name {name!r}", place="/name", right="use at least one letter from a to z or a digit")
    return slug


@routes.get("/ingredients/<slug>/whole")
@route(WholeIngredientOut)
def whole(slug: str) -> Response:
    """Return an ingredient in full."""
    with store().reading() as session:
        found = _whole(session, get_ingredient(session, slug))
    return answer(found, version=found.version)


@routes.put("/ingredients/<slug>")
@route(WholeIngredientOut, json=IngredientIn, stale=True)
def save(slug: str) -> Response:
    """Save what an own ingredient is, or put one away."""
    given, version = body(IngredientIn), if_match()
    values = given.model_dump() | {"role": str(given.role), "name": given.name.strip()}
    with store().writing() as session:
        found = _whole(session, save_ingredient(session, slug, values, version))
    return answer(found, version=found.version)


@routes.delete("/ingredients/<slug>")
@route(None, status=204)
def delete(slug: str) -> Response:
    """Delete an own ingredient that nothing rests on; one that is used can only be put away."""
    with store().writing() as session:
        delete_ingredient(session, slug)
    return Response(status=204)


@routes.put("/ingredients/<slug>/numbers/<field>")
@route(WholeIngredientOut, json=NumberIn, stale=True)
def put(slug: str, field: str) -> Response:
    """Note an own number; the table's stays beneath."""
    given, version = body(NumberIn), if_match()
    _check_field(field)
    found = range_for(field, given.typical, given.low, given.high)
    source = given.source.strip() or "typed in"
    fact = Fact(found, Quality(given.quality), source, today().isoformat())
    with store().writing() as session:
        row = put_number(session, slug, field, fact, version)
        facts = store().shelf(session, today())[slug].facts
        if field in NUTRIENTS:
            check_contents({n: f.range for n, f in facts.items()})
        made = _whole(session, row)
    return answer(made, version=made.version)


@routes.delete("/ingredients/<slug>/numbers/<field>")
@route(WholeIngredientOut, stale=True)
def take(slug: str, field: str) -> Response:
    """Remove an own number."""
    version = if_match()
    _check_field(field)
    with store().writing() as session:
        made = _whole(session, take_number(session, slug, field, version))
    return answer(made, version=made.version)


@routes.put("/ingredients/<slug>/numbers/<field>/aside")
@route(WholeIngredientOut, json=AsideIn, stale=True)
def aside(slug: str, field: str) -> Response:
    """Go back to the table's number, or to the kitchen's own again; neither is lost."""
    given, version = body(AsideIn), if_match()
    _check_field(field)
    with store().writing() as session:
        made = _whole(session, choose_layer(session, slug, field, given.aside, version))
    return answer(made, version=made.version)


def _check_field(field: str) -> None:
    if field not in NUMBERED:
        raise UnknownNameError("number", field, NUMBERED)


def _whole(session: Session, row: IngredientRow) -> WholeIngredientOut:
    shelf = store().shelf(session, today())
    item = shelf[row.slug]
    aliases = aliases_by_ingredient(session).get(row.slug, [])
    stacks = stacked(layers_of(session, row.slug))
    lots = [lot_of(r) for r in lots_of(session, row.slug) if not r.archived]
    return WholeIngredientOut(
        slug=row.slug,
        name=row.name,
        role=row.role,
        own=row.origin == "own",
        archived=row.archived,
        version=row.version,
        aliases=[f"{a.alias} ({a.place})" if a.place else a.alias for a in aliases],
        look_alikes=look_alikes_of(item, shelf),
        flavour_words=row.flavour_words,
        allergens=row.allergens,
        watch=row.watch,
        gluten_risk=row.gluten_risk,
        gluten=status_of(item),
        gluten_mg_per_kg=item.gluten_mg_per_kg,
        usual_max_pct=item.usual_max_pct,
        usual_max_reason=row.usual_max_reason,
        confidence=row.confidence,
        lab=lab_of(item),
        stock_say=stock_sentence(lots, today()),
        numbers=[_number(COLUMNS[n], item, stacks.get(n, [])) for n in NUMBERED],
        cautions=[c.say for c in cautions_of(item)],
        used_by=[*blends_with(session, row.slug), *formulas_with(session, row.slug)],
    )


def _number(column: Column, item: Ingredient, layers: list[Layered]) -> NumberOut:
    counting = [x for x in layers if not x.aside]
    fact = item.facts.get(column.name) or (counting[-1].fact if counting else None)
    return NumberOut(
        field=column.name,
        label=column.label,
        unit=column.unit,
        group=column.group,
        decimals=column.decimals,
        in_force=counting[-1].layer if counting else "derived" if fact else "unknown",
        range=fact.range if fact else None,
        layers=[_layer(x) for x in layers],
    )


def _layer(x: Layered) -> LayerNumberOut:
    r = x.fact.range
    return LayerNumberOut(
        layer=x.layer,
        low=r.low,
        typical=r.typical,
        high=r.high,
        quality=str(x.fact.quality),
        source=x.fact.source,
        noted_on=x.fact.noted_on,
        aside=x.aside,
    )

"""What the pages need to know once, the ingredients on the shelf, and the API's own description."""

from __future__ import annotations

from math import isfinite

from flask import Blueprint, Response, current_app, request

from fallow_sieve import __version__
from fallow_sieve.api.http import answer, page, store, today
from fallow_sieve.api.openapi import openapi_text
from fallow_sieve.api.requests import FindQuery
from fallow_sieve.api.responses import (
    IngredientList,
    IngredientOut,
    LookAlikeOut,
    LotOut,
    MetricOut,
    NamedOut,
    NutrientInfo,
    ReferenceOut,
    UseOut,
)
from fallow_sieve.api.shelf import view_of
from fallow_sieve.api.spec import route
from fallow_sieve.core.blends.cautions import union_of
from fallow_sieve.core.blends.metrics import BANDED, METRICS, Metric
from fallow_sieve.core.briefs.brief import AIMS
from fallow_sieve.core.ingredients.ingredient import ROLE_LABELS, Ingredient, Role
from fallow_sieve.core.ingredients.nutrients import NUTRIENTS
from fallow_sieve.core.ingredients.search import Found, find
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.values.words import spaced
from fallow_sieve.reference.names import look_alikes
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.shelves import aliases_by_ingredient, lots_by_ingredient
from fallow_sieve.store.tables import AliasRow, LotRow

routes = Blueprint("reference", __name__)
WHEAT = "wheat-flour"  # the flour whose colour a mix is drawn beside


@routes.get("/openapi.json")
def openapi() -> Response:
    """Return the OpenAPI document of this API."""
    return Response(openapi_text(current_app), mimetype="application/json")


@routes.get("/reference")
@route(ReferenceOut)
def reference() -> Response:
    """Return uses, metrics, roles, nutrients, allergens and aims."""
    with store().reading() as session:
        shelf = store().shelf(session, today())
    names = union_of((*i.allergens, *i.watch) for i in shelf.ingredients)
    return answer(
        ReferenceOut(
            version=__version__,
            uses=[
                UseOut(slug=u.slug, name=u.name, family=u.family, moisture=u.moisture) for u in rules().uses.values()
            ],
            metrics=[_metric(m) for m in METRICS.values()],
            roles=[NamedOut(name=r, label=ROLE_LABELS[r]) for r in Role],
            nutrients=[NutrientInfo(name=n.name, label=n.label, unit=n.unit) for n in NUTRIENTS.values()],
            allergens=[NamedOut(name=n, label=spaced(n)) for n in names],
            aims=[NamedOut(name=n, label=label) for n, label in AIMS.items()],
            wheat_lab=lab_of(shelf[WHEAT]) if WHEAT in shelf else None,
        )
    )


def _metric(m: Metric) -> MetricOut:
    return MetricOut(
        name=m.name,
        label=m.label,
        unit=m.unit,
        decimals=m.decimals,
        lowest=m.lowest,
        highest=m.highest if isfinite(m.highest) else None,
        banded=m.name in BANDED,
    )


@routes.get("/ingredients")
@route(IngredientList, query=FindQuery)
def ingredients() -> Response:
    """Return ingredients that match `?q=` by name, other name or look-alike, best first; without it, all."""
    cursor, limit = page()
    with store().reading() as session:
        shelf = store().shelf(session, today())
        found = find(request.args.get("q", "")[:80], view_of(session, shelf).searchables)
        found = [f for f in found if not shelf[f.slug].archived]
        some = found[cursor : cursor + limit]
        aliases, lots = aliases_by_ingredient(session), lots_by_ingredient(session, [f.slug for f in some])
    items = [_ingredient(shelf, f, aliases.get(f.slug, []), lots.get(f.slug, [])) for f in some]
    more = str(cursor + limit) if len(found) > cursor + limit else None
    return answer(IngredientList(items=items, next=more))


@routes.get("/ingredients/<slug>")
@route(IngredientOut)
def ingredient(slug: str) -> Response:
    """Return one ingredient."""
    with store().reading() as session:
        shelf = store().shelf(session, today())
        aliases, lots = aliases_by_ingredient(session), lots_by_ingredient(session, [slug])
    if slug not in shelf:
        raise NotFoundError("ingredient", slug)
    return answer(_ingredient(shelf, Found(slug, ""), aliases.get(slug, []), lots.get(slug, [])))


def _ingredient(shelf: Shelf, found: Found, aliases: list[AliasRow], lots: list[LotRow]) -> IngredientOut:
    item = shelf[found.slug]
    return IngredientOut(
        slug=item.slug,
        name=item.name,
        role=item.role,
        aliases=[f"{a.alias} ({a.place})" if a.place else a.alias for a in aliases],
        look_alikes=look_alikes_of(item, shelf),
        flavour_words=list(item.flavour_words),
        allergens=list(item.allergens),
        watch=list(item.watch),
        gluten_risk=item.gluten_risk,
        gluten_mg_per_kg=item.gluten_mg_per_kg,
        price_per_kg=item.price_per_kg,
        usual_max_pct=item.usual_max_pct,
        usual_max_reason=item.usual_max_reason,
        confidence=item.confidence,
        lab=lab_of(item),
        lots=[_lot(lot) for lot in lots],
        found_by=found.by,
    )


def look_alikes_of(item: Ingredient, shelf: Shelf) -> list[LookAlikeOut]:
    """Return what `item` is taken for, and how they differ."""
    found = []
    for pair in look_alikes():
        if item.slug in (pair.ingredient, pair.taken_for):
            other = pair.taken_for if pair.ingredient == item.slug else pair.ingredient
            found.append(LookAlikeOut(ingredient=other, name=shelf[other].name, differ=pair.differ))
    return found


def lab_of(item: Ingredient) -> list[float] | None:
    """Return the L*, a*, b* of `item`, or None where they are not all known."""
    ranges = [item.range_of(n) for n in ("lightness_l", "colour_a", "colour_b")]
    known = [r.typical for r in ranges if r is not None]
    return known if len(known) == len(ranges) else None


def _lot(lot: LotRow) -> LotOut:
    return LotOut(**{name: getattr(lot, name) for name in LotOut.model_fields})

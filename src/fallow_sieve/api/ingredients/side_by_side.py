"""Flours side by side, and what could stand in for one."""

from __future__ import annotations

from flask import Blueprint, Response, request

from fallow_sieve.api.http import answer, store, today, whole
from fallow_sieve.api.ingredients.models import (
    SideBySideOut,
    SideFlourOut,
    SideLineOut,
    SideQuery,
    StandInOut,
    StandInsOut,
    StandInsQuery,
)
from fallow_sieve.api.ingredients.shelf import Notes, basis_asked, basis_out, cell_out
from fallow_sieve.api.spec import route
from fallow_sieve.core.blends import status_of
from fallow_sieve.core.ingredients import WAYS, Ingredient, Shelf, StandIn, laid_side_by_side, stand_ins_for
from fallow_sieve.core.values import UnknownNameError
from fallow_sieve.reference import look_alikes
from fallow_sieve.services.ingredients.shelf import look_alikes_of
from fallow_sieve.store import NotFoundError

routes = Blueprint("flours", __name__)


@routes.get("/side-by-side")
@route(SideBySideOut, query=SideQuery)
def beside() -> Response:
    """Return up to six flours side by side, on one basis."""
    slugs = [s for s in request.args.get("slugs", "")[:600].split(",") if s]
    with store().reading() as session:
        shelf = store().shelf(session, today())
    basis = basis_asked()
    found = laid_side_by_side(slugs, shelf, basis, look_alikes())
    notes = Notes()
    lines = [
        SideLineOut(column=x.column, cells=[cell_out(c, notes) for c in x.cells], scale=x.scale) for x in found.lines
    ]
    return answer(
        SideBySideOut(
            say=found.say,
            basis=basis_out(basis),
            flours=[_flour(shelf[s], shelf) for s in slugs],
            lines=lines,
            notes=notes.all,
            look_alikes=list(found.look_alikes),
        )
    )


def _flour(item: Ingredient, shelf: Shelf) -> SideFlourOut:
    return SideFlourOut(
        slug=item.slug,
        name=item.name,
        role=item.role,
        lab=list(item.lab) if item.lab else None,
        flavour_words=list(item.flavour_words),
        allergens=list(item.allergens),
        watch=list(item.watch),
        gluten=status_of(item),
        gluten_mg_per_kg=item.gluten_mg_per_kg,
        gluten_risk=item.gluten_risk,
        usual_max_pct=item.usual_max_pct,
        usual_max_reason=item.usual_max_reason,
        look_alikes=list(look_alikes_of(item.slug, shelf)),
    )


@routes.get("/ingredients/<slug>/stand-ins")
@route(StandInsOut, query=StandInsQuery)
def standing_in(slug: str) -> Response:
    """Return what could stand in for a flour, the nearest first, by behaviour, composition or both."""
    way = request.args.get("way", "both")
    if way not in WAYS:
        raise UnknownNameError("way", way, WAYS, place="?way")
    count = whole("limit", 8, 1, 30)
    with store().reading() as session:
        shelf = store().shelf(session, today())
    if slug not in shelf:
        raise NotFoundError("ingredient", slug)
    return answer(StandInsOut(items=[_stand_in(f, shelf) for f in stand_ins_for(slug, shelf, way, count)]))


def _stand_in(found: StandIn, shelf: Shelf) -> StandInOut:
    item = shelf[found.ingredient]
    return StandInOut(
        found=found,
        role=item.role,
        stock_g=item.stock_g,
        price_per_kg=item.price_per_kg,
        gluten=status_of(item),
    )

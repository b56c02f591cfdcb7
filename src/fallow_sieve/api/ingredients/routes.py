"""One ingredient in full: what it is, its numbers layer by layer, and the kitchen's own over the library's."""

from __future__ import annotations

import re
from collections.abc import Sequence
from datetime import date

from flask import Blueprint, Response, request
from sqlmodel import Session

from fallow_sieve.api.http import answer, body, if_match, page, store, today
from fallow_sieve.api.ingredients.listed_models import IngredientList, IngredientOut, LotOut
from fallow_sieve.api.ingredients.models import (
    AsideIn,
    BorrowIn,
    IngredientIn,
    LayerNumberOut,
    NewIngredientIn,
    NumberIn,
    NumberOut,
    RelativesOut,
    WholeIngredientOut,
)
from fallow_sieve.api.models import FindQuery
from fallow_sieve.api.spec import route
from fallow_sieve.core.blends import status_of
from fallow_sieve.core.ingredients import (
    COLUMNS,
    NUTRIENTS,
    Fact,
    Hit,
    Ingredient,
    Layered,
    Quality,
    Role,
    Shelf,
    borrowed,
    check_contents,
    lacking,
    range_for,
    relatives_of,
)
from fallow_sieve.core.values import BadInputError, UnknownNameError
from fallow_sieve.services.ingredients.shelf import (
    NUMBERED,
    LayeredNumber,
    look_alikes_of,
    looked_for,
    view_of,
    whole_ingredient,
)
from fallow_sieve.store import NotFoundError
from fallow_sieve.store.ingredients import (
    IngredientOnRecord,
    LotOnRecord,
    OtherName,
    add_ingredient,
    choose_layer,
    copy_ingredient,
    delete_ingredient,
    get_ingredient,
    lots_of_each,
    other_names,
    put_borrowed,
    put_number,
    save_ingredient,
    take_number,
)

routes = Blueprint("ingredients", __name__)


@routes.get("/ingredients")
@route(IngredientList, query=FindQuery)
def ingredients() -> Response:
    """Return ingredients that match `?q=` by name, other name or look-alike, best first; without it, all."""
    cursor, limit = page()
    with store().reading() as session:
        shelf = store().shelf(session, today())
        found = looked_for(request.args.get("q", "")[:80], view_of(store(), session, shelf))
        items = _listed(session, shelf, found[cursor : cursor + limit])
    more = str(cursor + limit) if len(found) > cursor + limit else None
    return answer(IngredientList(items=items, next=more))


@routes.get("/ingredients/<slug>")
@route(IngredientOut)
def ingredient(slug: str) -> Response:
    """Return one ingredient."""
    with store().reading() as session:
        shelf = store().shelf(session, today())
        if slug not in shelf:
            raise NotFoundError("ingredient", slug)
        (found,) = _listed(session, shelf, [Hit(slug, "")])
    return answer(found)


def _listed(session: Session, shelf: Shelf, found: Sequence[Hit]) -> list[IngredientOut]:
    slugs = [f.slug for f in found]
    names, lots = other_names(session, slugs), lots_of_each(session, slugs)
    return [_out(f, shelf, names[f.slug], lots[f.slug]) for f in found]


def _out(found: Hit, shelf: Shelf, names: Sequence[OtherName], records: Sequence[LotOnRecord]) -> IngredientOut:
    item = shelf[found.slug]
    values = {n: getattr(item, n) for n in IngredientOut.model_fields if n in Ingredient.__dataclass_fields__}
    lots = [x.lot for x in records if not x.archived]
    lots.sort(key=lambda lot: lot.best_before or date.max)
    return IngredientOut(
        **values | {n: list(values[n]) for n in ("flavour_words", "allergens", "watch")},
        aliases=[n.shown for n in names],
        look_alikes=list(look_alikes_of(item.slug, shelf)),
        lab=list(item.lab) if item.lab else None,
        lots=[LotOut.model_validate({n: getattr(x, n) for n in LotOut.model_fields}) for x in lots],
        found_by=found.by,
    )


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
    values = given.model_dump(mode="json") | {"name": given.name.strip()}
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


@routes.get("/ingredients/<slug>/relatives")
@route(RelativesOut)
def relatives(slug: str) -> Response:
    """Return the flours that one whose behaviour is not known can borrow from, and what it lacks."""
    with store().reading() as session:
        get_ingredient(session, slug)
        shelf = store().shelf(session, today())
    lacks = [COLUMNS[n].label if n in COLUMNS else n for n in lacking(shelf[slug])]
    return answer(RelativesOut(lacks=lacks, relatives=list(relatives_of(slug, shelf))))


@routes.post("/ingredients/<slug>/borrowings")
@route(WholeIngredientOut, json=BorrowIn, stale=True)
def borrow(slug: str) -> Response:
    """Take what an ingredient lacks from another, with twice the range, as estimates that say whose they are."""
    given, version = body(BorrowIn), if_match()
    with store().writing() as session:
        get_ingredient(session, slug)
        shelf = store().shelf(session, today())
        relative = shelf.rows[shelf.row(given.relative, "/relative")]
        facts = borrowed(shelf[slug], relative, today().isoformat())
        if not facts:
            raise BadInputError(f"{relative.name} has nothing that it lacks", place="/relative", right="choose another")
        made = _whole(session, put_borrowed(session, slug, facts, version))
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


def _whole(session: Session, record: IngredientOnRecord) -> WholeIngredientOut:
    shelf = store().shelf(session, today())
    found = whole_ingredient(session, record, shelf, today())
    item, lab = found.item, found.item.lab
    stored = {n: getattr(record, n) for n in record.__dataclass_fields__ if n not in ("origin", "usual_max_pct")}
    return WholeIngredientOut(
        **stored,
        own=record.origin == "own",
        aliases=list(found.aliases),
        look_alikes=list(found.look_alikes),
        gluten=status_of(item),
        gluten_mg_per_kg=item.gluten_mg_per_kg,
        usual_max_pct=item.usual_max_pct,
        lab=list(lab) if lab else None,
        stock_say=found.stock_say,
        numbers=[_number(n) for n in found.numbers],
        cautions=list(found.cautions),
        used_by=list(found.used_by),
    )


def _number(n: LayeredNumber) -> NumberOut:
    return NumberOut(
        field=n.column.name,
        label=n.column.label,
        unit=n.column.unit,
        group=n.column.group,
        decimals=n.column.decimals,
        in_force=n.in_force,
        range=n.range,
        layers=[_layer(x) for x in n.layers],
    )


def _layer(x: Layered) -> LayerNumberOut:
    r, fact = x.fact.range, x.fact
    return LayerNumberOut(
        layer=x.layer,
        low=r.low,
        typical=r.typical,
        high=r.high,
        quality=str(fact.quality),
        source=fact.source,
        noted_on=fact.noted_on,
        aside=x.aside,
    )

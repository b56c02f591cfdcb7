"""Batches: planned, begun, brought on, told."""

from __future__ import annotations

from flask import Blueprint, Response, request
from sqlmodel import Session

from fallow_sieve.api.batches.models import (
    BatchesQuery,
    BatchExportQuery,
    BatchIn,
    BatchList,
    BatchOut,
    BatchStepIn,
    CodeOut,
    CodeQuery,
    EvennessIn,
    GrowIn,
    MixingList,
    NewBatchIn,
    OrderOut,
    OverPouredOut,
    OverQuery,
    StateIn,
)
from fallow_sieve.api.http import (
    answer,
    answer_value,
    body,
    file_answer,
    if_match,
    kitchen,
    now_text,
    stem_of,
    store,
    today,
    whole,
)
from fallow_sieve.api.spec import route
from fallow_sieve.core.batches.batch import BatchState, Making
from fallow_sieve.core.batches.codes import read_code
from fallow_sieve.core.batches.planning import Wanted
from fallow_sieve.core.values import BadInputError
from fallow_sieve.reference.labelling import mixing_rows
from fallow_sieve.services.batches.bags.even import note_evenness
from fallow_sieve.services.batches.files import batch_file
from fallow_sieve.services.batches.line import order_of_planned
from fallow_sieve.services.batches.listing import batches_seen
from fallow_sieve.services.batches.noting import note_step
from fallow_sieve.services.batches.over import grow, ways_out
from fallow_sieve.services.batches.page import batch_page, on_record
from fallow_sieve.services.batches.planning import Planned, begin_plan, set_plan
from fallow_sieve.services.batches.stepping import Going, go_on
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.stock.tables_out import as_csv, batch_table
from fallow_sieve.store.batches import StepDone, ahead_of, batch_by_code

routes = Blueprint("batches", __name__)
LONGEST_CODE = 400


def told(session: Session, batch_id: int, here: KitchenNow, status: int = 200) -> Response:
    """Answer with a batch as its page shows it, its version as ETag."""
    page = batch_page(session, batch_id, here, today())
    response = answer_value(BatchOut, page, status)
    response.headers["ETag"] = f'"{page.version}"'
    return response


@routes.get("/batches")
@route(BatchList, query=BatchesQuery)
def listed() -> Response:
    """Return the batches, what needs a hand first."""
    cursor, limit, here = whole("cursor", 0, 1, 2**53), whole("limit", 50, 1, 100), kitchen()
    with store().reading() as session:
        return answer_value(BatchList, batches_seen(session, here, today(), cursor, limit))


@routes.post("/batches")
@route(BatchOut, status=201, json=NewBatchIn)
def add() -> Response:
    """Plan a batch of a kept revision; a draft cannot be made in bulk."""
    given, here = body(NewBatchIn), kitchen()
    with store().writing() as session:
        made = begin_plan(session, given.blend_id, given.revision, now_text())
        return told(session, made.id, here, 201)


@routes.get("/batches/code")
@route(CodeOut, query=CodeQuery)
def by_code() -> Response:
    """Return how a typed or scanned code is meant, and the batch that has it."""
    found = read_code(request.args.get("typed", "")[:LONGEST_CODE])
    with store().reading() as session:
        batch = batch_by_code(session, found.code)
    return answer(CodeOut(code=found.code, valid=found.valid, bag=found.bag, batch_id=batch.id if batch else None))


@routes.get("/batches/order")
@route(OrderOut)
def order() -> Response:
    """Return the order in which the planned batches are made with fewest cleans."""
    here = kitchen()
    with store().reading() as session:
        return answer_value(OrderOut, order_of_planned(session, here.shelf))


@routes.get("/batches/ways")
@route(MixingList)
def ways() -> Response:
    """Return the ways of mixing, by hand and in machines."""
    return answer(MixingList(items=list(mixing_rows())))


@routes.get("/batches/<int:batch_id>")
@route(BatchOut)
def one(batch_id: int) -> Response:
    """Return a batch with all that its page shows."""
    here = kitchen()
    with store().reading() as session:
        return told(session, batch_id, here)


@routes.get("/batches/<int:batch_id>/export")
@route(None, query=BatchExportQuery)
def export(batch_id: int) -> Response:
    """Return a batch as a file: `?format=json` (batch-1.json), or as CSV its `weighings`, `bags` or `moves`."""
    kind = request.args.get("format", "json")
    with store().reading() as session:
        found = on_record(session, batch_id)
        if kind != "json":
            text = as_csv(batch_table(session, found, kind))
            return file_answer(text, "text/csv", f"{stem_of(found.batch.code, 'batch')}-{kind}.csv")
    data = batch_file(found).model_dump_json(indent=1)
    return file_answer(data, "application/json", f"{stem_of(found.batch.code, 'batch')}.json")


@routes.put("/batches/<int:batch_id>")
@route(BatchOut, json=BatchIn, stale=True)
def save(batch_id: int) -> Response:
    """Set a plan anew; amounts stand once weighing has begun. With If-Match."""
    given, version, here = body(BatchIn), if_match(), kitchen()
    wanted, making = Wanted(**given.wanted.model_dump()), Making(**given.making.model_dump())
    planned = Planned(given.name.strip(), wanted, making, given.note.strip(), given.archived)
    with store().writing() as session:
        set_plan(session, batch_id, planned, version, now_text())
        return told(session, batch_id, here)


@routes.post("/batches/<int:batch_id>/state")
@route(BatchOut, json=StateIn, stale=True)
def bring_on(batch_id: int) -> Response:
    """Bring a batch on, or back one step; its code is given when weighing begins. With If-Match."""
    given, version, here = body(StateIn), if_match(), kitchen()
    going = Going(BatchState(given.to), dict(given.fate), given.why)
    with store().writing() as session:
        go_on(session, batch_id, going, version, now_text(), today(), ahead_of(session).letters)
        return told(session, batch_id, here)


@routes.post("/batches/<int:batch_id>/steps")
@route(BatchOut, json=BatchStepIn)
def step(batch_id: int) -> Response:
    """Note a step that was done."""
    given, here, now = body(BatchStepIn), kitchen(), now_text()
    with store().writing() as session:
        note_step(session, batch_id, StepDone(given.kind, now, given.minutes, dict(given.said), given.note.strip()))
        return told(session, batch_id, here)


@routes.post("/batches/<int:batch_id>/evenness")
@route(BatchOut, status=201, json=EvennessIn)
def note_even(batch_id: int) -> Response:
    """Note an evenness test: at least five samples of the smallest amount anyone bakes from."""
    given, here = body(EvennessIn), kitchen()
    with store().writing() as session:
        note_evenness(session, batch_id, given.method, given.values, given.sample_g, given.note, now_text())
        return told(session, batch_id, here, 201)


@routes.get("/batches/<int:batch_id>/over")
@route(OverPouredOut, query=OverQuery)
def over(batch_id: int) -> Response:
    """Return the ways out of an over-poured part, named by ?ingredient=."""
    ingredient, here = request.args.get("ingredient", ""), kitchen()
    if not ingredient:
        raise BadInputError("no ingredient", place="?ingredient", right="the part of which too much is in")
    with store().reading() as session:
        return answer_value(OverPouredOut, ways_out(session, batch_id, ingredient, here))


@routes.post("/batches/<int:batch_id>/grow")
@route(BatchOut, json=GrowIn, stale=True)
def make_more(batch_id: int) -> Response:
    """Make a batch larger so that an over-poured part is right. With If-Match."""
    given, version, here = body(GrowIn), if_match(), kitchen()
    with store().writing() as session:
        grow(session, batch_id, given.ingredient, version, now_text())
        return told(session, batch_id, here)

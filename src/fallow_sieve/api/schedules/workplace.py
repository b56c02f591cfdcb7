"""Where the kitchen works: its zone, hours, ovens and temperatures, asked once."""

from __future__ import annotations

from flask import Blueprint, Response

from fallow_sieve.api.http import answer, body, if_match, now_text, store
from fallow_sieve.api.schedules.models import WorkplaceIn, WorkplaceOut
from fallow_sieve.api.spec import route
from fallow_sieve.core.schedule.clock import zone_named
from fallow_sieve.formats.schedule import USUAL_KITCHEN, KitchenIn
from fallow_sieve.services.schedule.plans import check_kitchen
from fallow_sieve.store import Workplace, save_workplace, workplace_of

routes = Blueprint("workplace", __name__)


@routes.get("/workplace")
@route(WorkplaceOut)
def workplace() -> Response:
    """Return where the kitchen works; as most do, where it was never said."""
    with store().reading() as session:
        found = workplace_of(session)
    return answer(_out(found), version=found.version)


@routes.put("/workplace")
@route(WorkplaceOut, json=WorkplaceIn, stale=True)
def save() -> Response:
    """Save where the kitchen works."""
    given, version = body(WorkplaceIn), if_match()
    zone_named(given.zone, "/zone")
    check_kitchen(given.kitchen)
    content = given.kitchen.model_dump(exclude_defaults=True) | {"ovens": [o.model_dump() for o in given.kitchen.ovens]}
    with store().writing() as session:
        found = save_workplace(session, given.zone, content, version)
    return answer(_out(found), version=found.version)


def _out(found: Workplace) -> WorkplaceOut:
    kitchen = KitchenIn.model_validate(found.content) if found.content else USUAL_KITCHEN
    return WorkplaceOut(
        zone=found.zone, kitchen=kitchen, said=bool(found.content), now=now_text(), version=found.version
    )

"""How mixes are made ahead, over HTTP: scales, vessels, bag sizes, tolerances, letters, the usual label."""

from __future__ import annotations

from flask import Blueprint, Response
from sqlmodel import Session

from fallow_sieve.api.http import answer, body, if_match, store
from fallow_sieve.api.kitchen.models import AheadIn, AheadOut
from fallow_sieve.api.spec import route
from fallow_sieve.core.batches.ahead import Ahead, KitchenScale, Vessel
from fallow_sieve.services.batches.planning import set_ahead
from fallow_sieve.store import settings_of
from fallow_sieve.store.batches import ahead_of

routes = Blueprint("ahead", __name__)


@routes.get("/kitchen/ahead")
@route(AheadOut)
def ahead() -> Response:
    """Return how mixes are made ahead."""
    with store().reading() as session:
        return _told(session)


@routes.put("/kitchen/ahead")
@route(AheadOut, json=AheadIn, stale=True)
def save() -> Response:
    """Save how mixes are made ahead; plans that are there keep what they have. With If-Match of the settings."""
    given, version = body(AheadIn), if_match()
    lists = {
        "scales": tuple(KitchenScale(**s.model_dump()) for s in given.scales),
        "vessels": tuple(Vessel(**v.model_dump()) for v in given.vessels),
        "bag_sizes_g": tuple(given.bag_sizes_g),
    }
    with store().writing() as session:
        set_ahead(session, Ahead(**given.model_dump() | lists), version)
        return _told(session)


def _told(session: Session) -> Response:
    version = settings_of(session).version
    found = AheadOut.model_validate({"version": version, "ahead": ahead_of(session)}, from_attributes=True)
    return answer(found, version=version)

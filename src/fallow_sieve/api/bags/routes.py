"""Bought mixes: opened from their label, and made alike from one's own bins. Nothing is stored here."""

from __future__ import annotations

from time import monotonic

from flask import Blueprint, Response

from fallow_sieve.api.bags.models import (
    BoughtBagIn,
    BoughtBagOut,
    BoughtNameOut,
    BoughtShareOut,
    LikeIn,
    LikeOut,
    LikePartOut,
)
from fallow_sieve.api.http import answer, body, kitchen
from fallow_sieve.api.models import as_parts, places
from fallow_sieve.api.spec import route
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.services.bought.alike import like_it
from fallow_sieve.services.bought.page import OpenedBag, opened_bag

routes = Blueprint("opened_bags", __name__)
_SECONDS = 5.0


@routes.post("/bags/open")
@route(BoughtBagOut, json=BoughtBagIn)
def open_it() -> Response:
    """Return what is in a bought mix by its list and panel."""
    given, here = body(BoughtBagIn), kitchen()
    found = opened_bag(given.list, given.panel, here, places(given.chosen), given.use)
    return answer(_opened(found, here.shelf))


@routes.post("/bags/alike")
@route(LikeOut, json=LikeIn)
def alike() -> Response:
    """Return the mix of the kitchen's bins that is most like the parts given."""
    given, here = body(LikeIn), kitchen()
    end = monotonic() + _SECONDS
    effort = Effort(lambda: end - monotonic())
    found = like_it(as_parts(given.parts), given.use, here, effort, without=given.without, cheaper=given.cheaper)
    cost = found.judgement.analysis.cost_per_kg
    return answer(
        LikeOut(
            parts=[
                LikePartOut(part=p, name=here.shelf[p.ingredient].name, role=str(here.shelf[p.ingredient].role))
                for p in found.parts
            ],
            likeness=list(found.likeness),
            notes=list(found.notes),
            fit=found.judgement.fit.score if found.judgement.fit else None,
            say=found.judgement.say,
            cost_per_kg=cost.typical if cost.is_known else None,
        )
    )


def _opened(found: OpenedBag, shelf: Shelf) -> BoughtBagOut:
    opened, judged = found.opened, found.judgement
    return BoughtBagOut(
        names=[BoughtNameOut(listed=x, name=shelf[x.ingredient].name if x.ingredient else "") for x in found.listed],
        panel=list(found.panel.lines) if found.panel else [],
        panel_say=found.panel_say,
        shares=[
            BoughtShareOut(share=s, name=shelf[s.ingredient].name, role=str(shelf[s.ingredient].role))
            for s in (opened.shares if opened else ())
        ],
        together=list(opened.together) if opened else [],
        draws=opened.draws if opened else 0,
        parts=list(found.parts),
        left_out=list(found.left_out),
        fit=judged.fit.score if judged and judged.fit else None,
        say=judged.say if judged and judged.fit else "",
    )

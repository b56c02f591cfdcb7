"""What the pages need to know once, and the API's own description."""

from __future__ import annotations

from math import isfinite

from flask import Blueprint, Response

from fallow_sieve import __version__
from fallow_sieve.api.http import answer, kitchen
from fallow_sieve.api.models import NamedOut
from fallow_sieve.api.reference.models import MetricOut, NutrientInfo, ReferenceOut, UseOut
from fallow_sieve.api.spec import DOCUMENT, route
from fallow_sieve.core.blends import BANDED, METRICS, Metric, union_of
from fallow_sieve.core.briefs import AIMS
from fallow_sieve.core.ingredients import FUNCTION_LABELS, NUTRIENTS, ROLE_LABELS, Role
from fallow_sieve.core.values import spaced
from fallow_sieve.reference import rules

routes = Blueprint("reference", __name__)
WHEAT = "wheat-flour"  # the flour whose colour a mix is drawn beside


@routes.get("/openapi.json")
def openapi() -> Response:
    """Return the OpenAPI document of this API."""
    return Response(DOCUMENT.read_text(encoding="utf-8"), mimetype="application/json")


@routes.get("/reference")
@route(ReferenceOut)
def reference() -> Response:
    """Return uses, metrics, roles, functions, nutrients, allergens and aims."""
    shelf = kitchen().shelf
    names = union_of((*i.allergens, *i.watch) for i in shelf.ingredients)
    wheat = shelf[WHEAT].lab if WHEAT in shelf else None
    return answer(
        ReferenceOut(
            version=__version__,
            uses=[UseOut.model_validate(u) for u in rules().uses.values()],
            metrics=[_metric(m) for m in METRICS.values()],
            roles=[NamedOut(name=r, label=ROLE_LABELS[r]) for r in Role],
            functions=[NamedOut(name=f, label=label) for f, label in FUNCTION_LABELS.items()],
            nutrients=[NutrientInfo.model_validate(n) for n in NUTRIENTS.values()],
            allergens=[NamedOut(name=n, label=spaced(n)) for n in names],
            aims=[NamedOut(name=n, label=label) for n, label in AIMS.items()],
            wheat_lab=list(wheat) if wheat else None,
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

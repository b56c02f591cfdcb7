"""The first hour: words into a brief, into the bins, and a pasted text to where it goes on."""

from __future__ import annotations

from dataclasses import asdict

from flask import Blueprint, Response

from fallow_sieve.api.beginning.models import (
    KeepBinsIn,
    KeptBinsOut,
    LookIn,
    SaidBinOut,
    SaidBinsOut,
    SaidBriefOut,
    SaidIn,
    SortedOut,
)
from fallow_sieve.api.briefs.models import LimitsIn
from fallow_sieve.api.http import answer, body, kitchen, now_text, store, today
from fallow_sieve.api.looking import shown_in
from fallow_sieve.api.spec import route
from fallow_sieve.core.recipes import ReadBin
from fallow_sieve.services.beginning import InBin, bins_said, brief_said, keep_bins, text_sorted
from fallow_sieve.services.kitchen import KitchenNow, use_named

routes = Blueprint("beginning", __name__)


@routes.post("/begin/brief")
@route(SaidBriefOut, json=SaidIn)
def brief() -> Response:
    """Return a brief read from words. Nothing is kept."""
    given, here = body(SaidIn), kitchen()
    found = brief_said(given.text, here)
    use = use_named(found.use)
    said = {n: getattr(found, n) for n in ("name", "use", "aim", "eaters")}
    lists = {"said": list(found.said), "left": list(found.left)}
    limits = LimitsIn.model_validate(asdict(found.limits), strict=False)
    return answer(SaidBriefOut(**said, **lists, use_name=use.name if use else "", limits=limits))


@routes.post("/begin/bins")
@route(SaidBinsOut, json=SaidIn)
def bins() -> Response:
    """Return what a text says is in the bins. Nothing is kept."""
    given, here = body(SaidIn), kitchen()
    return answer(SaidBinsOut(items=[_bin(b, here) for b in bins_said(given.text, here)]))


def _bin(b: ReadBin, here: KitchenNow) -> SaidBinOut:
    name = here.shelf[b.ingredient].name if b.ingredient else ""
    values = {**asdict(b), "guesses": list(b.guesses), "near": list(b.near)}
    return SaidBinOut(**values, ingredient_name=name)


@routes.post("/begin/bins/keep")
@route(KeptBinsOut, status=201, json=KeepBinsIn)
def keep() -> Response:
    """Keep what is in the bins: lots where it is said how much, prices where only those are; all or nothing."""
    given = body(KeepBinsIn)
    rows = [InBin(b.ingredient, b.stock_g, b.price_per_kg) for b in given.bins]
    with store().writing() as session:
        kept = keep_bins(session, rows, today(), now_text())
    return answer(KeptBinsOut(lots=kept.lots, prices=kept.prices, say=kept.say), 201)


@routes.post("/begin/text")
@route(SortedOut, json=SaidIn)
def text() -> Response:
    """Return what a pasted text is, and where it goes on. Nothing is kept."""
    given, here = body(SaidIn), kitchen()
    return answer(SortedOut(**asdict(text_sorted(given.text, here))))


@routes.put("/look")
@route(None, status=204, json=LookIn)
def look() -> Response:
    """Look into the demo kitchen from this browser, or come back to one's own."""
    return shown_in(Response(status=204), demo=body(LookIn).demo)

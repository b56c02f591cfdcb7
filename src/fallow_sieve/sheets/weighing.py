"""Weighing up on a phone: a form without script, one part after the other, each weighing under a key of its own."""

from __future__ import annotations

from typing import cast
from uuid import uuid4

from flask import Response, redirect, render_template, request
from sqlmodel import Session
from werkzeug.exceptions import HTTPException

from fallow_sieve.core.values import BadInputError, FallowSieveError, shown
from fallow_sieve.services.batches.page import BatchSeen, batch_page
from fallow_sieve.services.batches.parts import PartAtScale
from fallow_sieve.services.batches.weighing import Weighed, found_empty, void, weigh
from fallow_sieve.sheets.at_hand import Tokens, kitchen_at_hand, kitchen_store, now, now_text

BATCH = "batch"
MOST_BYTES = 8 * 1024
_SHORT = 300


class WeighSheets:
    """Weigh-up sheets under their tokens; None where a token is not one of a batch that is weighed."""

    def __init__(self) -> None:
        self._tokens = Tokens(BATCH)

    def knows(self, token: str) -> bool:
        """Return whether a token opens a weigh-up sheet now."""
        return self._tokens.about(token) is not None

    def show(self, token: str) -> Response | None:
        """Return the page of the part that is asked for, or that comes next."""
        batch_id = self._tokens.allowed(token)
        return None if batch_id is None else _page(batch_id, request.args.get("part", ""))

    def take(self, token: str) -> Response | None:
        """Take what the form says: a weighing, a slip voided, a lot found empty."""
        batch_id = self._tokens.allowed(token)
        if batch_id is None:
            return None
        if (request.content_length or 0) > MOST_BYTES:
            raise HTTPException(response=Response("that is too long", 413))
        try:
            with kitchen_store().writing() as session:
                _taken(session, batch_id)
        except FallowSieveError as error:
            return _page(batch_id, request.form.get("part", ""), str(error), 422)
        return cast(Response, redirect("./", 303))


def _page(batch_id: int, asked: str, problem: str = "", status: int = 200) -> Response:
    here = kitchen_at_hand()
    with kitchen_store().reading() as session:
        batch = batch_page(session, batch_id, here, now().date())
    part = part_asked(batch, asked)
    last = next((w for w in reversed(batch.weighings) if w.counts), None)
    lot_ids = [d.id for d in part.draws] if part else []
    text = render_template(
        "weigh.html", batch=batch, part=part, last=last, key=str(uuid4()), void_key=str(uuid4()), problem=problem,
        first_lot=lot_ids[0] if lot_ids else None, names={p.ingredient: p.name for p in batch.parts},
    )  # fmt: skip
    return Response(text, status, mimetype="text/html")


def part_asked(batch: BatchSeen, asked: str) -> PartAtScale | None:
    """Return the part that is asked for, else the first that is not up to its least; None where all are in."""
    open_now = (p for p in batch.parts if p.stands in ("open", "close"))
    return next((p for p in batch.parts if p.ingredient == asked), None) or next(open_now, None)


def _taken(session: Session, batch_id: int) -> None:
    form, at, today = request.form, now_text(), now().date()
    lot_id = _whole(form.get("lot", ""))
    if form.get("go") == "void":
        void(session, batch_id, form.get("last", ""), form.get("void_key", ""), form.get("why", "")[:_SHORT], at)
    elif form.get("go") == "empty" and lot_id is not None:
        found_empty(session, batch_id, lot_id, at)
    else:
        weighed = Weighed(
            key=form.get("key", "")[:64],
            ingredient=form.get("part", ""),
            net_g=_grams(form.get("net", "")),
            lot_id=lot_id,
            typed=True,
            why=form.get("why", "")[:_SHORT],
        )
        weigh(session, batch_id, weighed, at, today)


def _whole(text: str) -> int | None:
    return int(text) if text.isdecimal() and len(text) < 16 else None


def _grams(text: str) -> float:
    """The mass that was typed, with a point or a comma. Raises BadInputError."""
    clean = text.strip().removesuffix("g").strip().replace("\u202f", "").replace(" ", "").replace(",", ".")
    try:
        return float(clean)
    except ValueError as error:
        raise BadInputError(f"the mass {shown(text)}", place="/net", right="grams, such as 597") from error

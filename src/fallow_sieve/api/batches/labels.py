"""The label of a batch: proofed, checked, noted as printed."""

from __future__ import annotations

from flask import Blueprint, Response, request

from fallow_sieve.api.batches.models import ChoicesOut, LabelNoteIn, LabelQuery, ProofOut
from fallow_sieve.api.http import (
    answer,
    answer_value,
    body,
    file_answer,
    kitchen,
    now_text,
    stem_of,
    store,
    today,
    whole,
)
from fallow_sieve.api.spec import route
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.formats.labels import pdf_of, svg_of
from fallow_sieve.reference.labelling import LANGUAGES, SCHEMES, label_sizes
from fallow_sieve.services.batches.labels.printing import for_bags, laid_out
from fallow_sieve.services.batches.labels.proof import ProofAsked, label_of_batch, note_print, proof_of
from fallow_sieve.store import settings_of

routes = Blueprint("labels", __name__)
MOST_BAG_G = 50_000


def asked() -> ProofAsked:
    """Return by what the query asks a label to be proofed. Raises BadInputError."""
    given = request.args
    words = (given.get("scheme", "eu"), given.get("language", ""), given.get("size", ""))
    return ProofAsked(*words, _grams("bag_g"), _grams("portion_g"), whole("formula", 0, 1, 2**53) or None)


def _grams(name: str) -> float | None:
    text = request.args.get(name, "")
    if not text:
        return None
    try:
        value = float(text)
    except ValueError:
        value = -1.0
    if not 0 < value <= MOST_BAG_G:
        raise BadInputError(f"{shown(text)} will not do", place=f"?{name}", right=f"g, over 0 and at most {MOST_BAG_G}")
    return value


@routes.get("/batches/<int:batch_id>/label")
@route(ProofOut, query=LabelQuery)
def proof(batch_id: int) -> Response:
    """Return the label of a batch by a scheme, every line with how it stands."""
    here, wants = kitchen(), asked()
    with store().reading() as session:
        of = label_of_batch(session, batch_id, wants, here, today())
        return answer_value(ProofOut, proof_of(session, of, wants))


@routes.get("/batches/<int:batch_id>/label.svg")
@route(None, query=LabelQuery)
def picture(batch_id: int) -> Response:
    """Return the label of a batch as a picture (SVG) of its own size."""
    here, wants = kitchen(), asked()
    with store().reading() as session:
        of = label_of_batch(session, batch_id, wants, here, today())
        made = laid_out(of, wants, settings_of(session).name)
    return Response(svg_of(made.page), mimetype="image/svg+xml")


@routes.get("/batches/<int:batch_id>/label.pdf")
@route(None, query=LabelQuery)
def paper(batch_id: int) -> Response:
    """Return labels of all bags of a batch as a file to print (PDF); what is held does not print."""
    here, wants = kitchen(), asked()
    with store().reading() as session:
        of = label_of_batch(session, batch_id, wants, here, today())
        made = for_bags(of, wants, settings_of(session).name)
    data = pdf_of([m.page for m in made], f"{of.found.batch.name} {of.found.batch.code}", made[0].size.per_sheet)
    return file_answer(data, "application/pdf", f"{stem_of(of.found.batch.code, 'label')}-label.pdf")


@routes.get("/labels/choices")
@route(ChoicesOut)
def choices() -> Response:
    """Return the schemes, languages and sizes of labels."""
    return answer(ChoicesOut(schemes=SCHEMES, languages=LANGUAGES, sizes=list(label_sizes().values())))


@routes.post("/batches/<int:batch_id>/labels")
@route(ProofOut, status=201, json=LabelNoteIn)
def note(batch_id: int) -> Response:
    """Note that a label was printed, or checked and by which evidence."""
    given, here = body(LabelNoteIn), kitchen()
    wants = ProofAsked(given.scheme, given.language, given.size, given.bag_g)
    with store().writing() as session:
        of = label_of_batch(session, batch_id, wants, here, today())
        note_print(session, batch_id, given.kind, wants, of.label, given.evidence, now_text())
        again = label_of_batch(session, batch_id, wants, here, today())
        return answer_value(ProofOut, proof_of(session, again, wants), 201)

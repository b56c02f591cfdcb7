"""Formulas in and out: the formula file, schema.org JSON-LD and Markdown."""

from __future__ import annotations

from dataclasses import replace

from flask import Blueprint, Response, request

from fallow_sieve.api.formulas.models import CardOut, FormulaExportQuery, FormulaImportOut
from fallow_sieve.api.formulas.routes import FORMULA_API
from fallow_sieve.api.http import answer, answer_value, file_answer, kitchen, now_text, stem_of, store, today, whole
from fallow_sieve.api.spec import route
from fallow_sieve.core.formulas import Formula
from fallow_sieve.core.values import BadInputError, Pin, shown
from fallow_sieve.formats.formulas import FormulaDocument, formula_dict, read_formula, write_formula, write_markdown
from fallow_sieve.formats.recipes import read_jsonld, write_jsonld
from fallow_sieve.services.formulas import cards
from fallow_sieve.services.formulas import working as work
from fallow_sieve.services.ingredients.transfer import bring_ingredients
from fallow_sieve.services.recipes import read_text
from fallow_sieve.store import FORMULAS

routes = Blueprint("formula_files", __name__)


@routes.post("/formulas/import")
@route(FormulaImportOut, status=201)
def import_formula() -> Response:
    """Add the formula in a formula file, a schema.org Recipe (JSON-LD), or plain text (the body, as it is)."""
    document, notes = _read(request.get_data(), request.mimetype)
    formula = document.formula
    if formula.blend:
        formula = replace(formula, pin=Pin("blend", None, document.blend_revision, document.blend_name))
    with store().writing() as session:
        brought = bring_ingredients(session, document.ingredients)
        work.check_formula(formula, store().shelf(session, today()))
        name = formula.name.strip()[:120] or "Imported formula"
        made = FORMULA_API.whole_out(session, FORMULAS.add(session, name, None, formula, now_text()))
    return answer(FormulaImportOut.model_validate({"formula": made, "notes": notes + brought}), 201)


def _read(data: bytes, mimetype: str) -> tuple[FormulaDocument, list[str]]:
    if mimetype == "text/plain":
        return _read_text(data.decode("utf-8", "replace"))
    if mimetype not in ("application/json", "application/ld+json", ""):
        raise BadInputError(
            f"a file of type {shown(mimetype)}", right="send a formula file, JSON-LD, or a recipe as text/plain"
        )
    if b'"@type"' not in data or b'"@context"' not in data:
        return read_formula(data), []
    found = read_jsonld(data)
    return _read_text(found) if isinstance(found, str) else (found, [])


def _read_text(text: str) -> tuple[FormulaDocument, list[str]]:
    """A recipe's own lines: what was understood comes in, and every guess and gap is said."""
    found = read_text(text, kitchen())
    if not found.formula.lines:
        raise BadInputError("no line of it could be understood", right="paste it under Formulas and mend its lines")
    notes = list(found.recipe.guesses)
    notes += [f"Line {x.number}, “{x.text}”, was left out: {x.wrong}" for x in found.recipe.lines if x.wrong]
    return FormulaDocument(found.formula, "", None, ()), notes + [c.say for c in found.checks]


@routes.get("/formulas/<int:formula_id>/export")
@route(None, query=FormulaExportQuery)
def export_formula(formula_id: int) -> Response:
    """Return the draft, or `?revision=`, as a file: `?format=json` (formula file), `jsonld` or `markdown`."""
    kind = request.args.get("format", "json")
    number = whole("revision", 0, 1, 2**31)
    with store().reading() as session:
        head = FORMULAS.get(session, formula_id)
        kept = FORMULAS.revision(session, formula_id, number) if number else FORMULAS.draft(session, formula_id)
    work.refuse_empty(kept.content)
    return _exported(replace(kept.content, name=head.name), kind)


@routes.get("/formulas/<int:formula_id>/card")
@route(CardOut)
def card(formula_id: int) -> Response:
    """Return the card of a formula's draft: steps in order, and cautions."""
    with store().reading() as session:
        formula = FORMULAS.draft(session, formula_id).content
    return answer_value(CardOut, cards.card(formula, kitchen()))


def _exported(formula: Formula, kind: str) -> Response:
    here, pin, stem = kitchen(), formula.pin, stem_of(formula.name, "formula")
    of_file = (
        formula,
        pin.name if pin else "",
        pin.revision if pin else None,
        work.defined_in_file(formula, here.shelf),
    )
    if kind == "json":
        return file_answer(write_formula(*of_file), "application/json", f"{stem}.json")
    judgement, done = work.judged_formula(formula, here), work.finished(formula, here)
    card, blend = cards.card(formula, here), work.blend_name(formula)
    if kind == "markdown":
        text = write_markdown(formula.name, judgement, card, done, blend)
        return file_answer(text, "text/markdown", f"{stem}.md")
    if kind == "jsonld":
        text = write_jsonld(formula.name, judgement.analysis, card, done, blend, formula_dict(*of_file))
        return file_answer(text, "application/ld+json", f"{stem}.jsonld")
    raise BadInputError(f"the format {shown(kind)}", place="?format", right="json, jsonld or markdown")

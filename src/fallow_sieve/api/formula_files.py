"""Formulas in and out: the formula file, schema.org JSON-LD and Markdown."""

from __future__ import annotations

import re
from dataclasses import replace

from flask import Blueprint, Response, request
from pydantic import TypeAdapter

from fallow_sieve.api.formula_models import CardOut, FormulaExportQuery, FormulaImportOut
from fallow_sieve.api.formula_values import check_content, judged, kitchen_now
from fallow_sieve.api.formulas import formula_out
from fallow_sieve.api.http import answer, answer_core, now_text, store, whole
from fallow_sieve.api.recipes import read_here
from fallow_sieve.api.spec import route
from fallow_sieve.api.transfer import file_answer, own_numbers
from fallow_sieve.core.blends.blend import Blend
from fallow_sieve.core.blends.fit import rule_of_use
from fallow_sieve.core.formulas.analysis import analyse_formula
from fallow_sieve.core.formulas.card import Card, card_of
from fallow_sieve.core.formulas.finished_bake import finish
from fallow_sieve.core.formulas.formula import opened
from fallow_sieve.core.values.errors import BadInputError, shown
from fallow_sieve.formats.formula_file import FormulaDocument, formula_dict, read_formula, write_formula
from fallow_sieve.formats.formula_markdown import write_markdown
from fallow_sieve.formats.recipe_jsonld import read_jsonld, write_jsonld
from fallow_sieve.reference.formulas import formula_rules
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.formulas import (
    Content,
    Pinned,
    add_formula,
    content_in,
    get_formula,
    get_formula_draft,
    get_formula_revision,
)
from fallow_sieve.store.ingredients import add_own_ingredients
from fallow_sieve.store.kitchens import kitchen_of

routes = Blueprint("formula_files", __name__)
_card = TypeAdapter(Card)


@routes.post("/formulas/import")
@route(FormulaImportOut, status=201)
def import_formula() -> Response:
    """Add the formula in a formula file, a schema.org Recipe (JSON-LD), or plain text (the body, as it is)."""
    document, notes = _read(request.get_data(), request.mimetype)
    formula = document.formula
    if formula.use is not None:
        rule_of_use(rules().uses, formula.use)
    pinned = Pinned(None, document.blend_revision, document.blend_name, formula.blend) if formula.blend else None
    content = Content(formula, pinned)
    with store().writing() as session:
        added, there = add_own_ingredients(session, document.ingredients)
        check_content(session, content)
        name = formula.name.strip()[:120] or "Imported formula"
        made = formula_out(session, add_formula(session, name, None, content, now_text()))
    notes += [f"{slug} was added to your ingredients." for slug in added]
    notes += [f"{slug} is in your kitchen already: its own numbers were kept." for slug in there]
    return answer(FormulaImportOut(formula=made, notes=notes), 201)


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
    found, _ = read_here(text)
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
        row = get_formula(session, formula_id)
        revision = get_formula_revision(session, formula_id, number) if number else None
        record = revision.content if revision else get_formula_draft(session, formula_id).content
        temp_unit = kitchen_of(session).temp_unit
    content = content_in(record)
    if not content.formula.lines:
        raise BadInputError("the formula is empty", right="add an ingredient first")
    return _exported(row.name, content, kind, temp_unit)


@routes.get("/formulas/<int:formula_id>/card")
@route(CardOut)
def card(formula_id: int) -> Response:
    """Return the card of a formula's draft: steps in order, and cautions."""
    with store().reading() as session:
        content = content_in(get_formula_draft(session, formula_id).content)
        temp_unit = kitchen_of(session).temp_unit
    if not content.formula.lines:
        raise BadInputError("the formula is empty", right="add an ingredient first")
    name = (content.pinned.name if content.pinned else "") or "the blend"
    return answer_core(_card, card_of(judged(content), name, temp_unit))


def _exported(name: str, content: Content, kind: str, temp_unit: str) -> Response:
    shelf, _ = kitchen_now(content)
    formula, pin = content.formula, content.pinned
    stem = re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-") or "formula"
    blend_name = (pin.name if pin else "") or "the blend"
    own = own_numbers(Blend(opened(formula.lines, formula.blend)), shelf)
    named = replace(formula, name=name)
    revision = pin.revision if pin else None
    if kind == "json":
        return file_answer(
            write_formula(named, pin.name if pin else "", revision, own), "application/json", f"{stem}.json"
        )
    judgement = judged(content)
    card = card_of(judgement, blend_name, temp_unit)
    done = formula_rules().doneness.get(formula.use or "")
    finished = finish(formula, analyse_formula(formula, shelf), shelf, done.bake_loss_pct if done else None)
    if kind == "markdown":
        text = write_markdown(name, judgement, card, finished, blend_name)
        return file_answer(text, "text/markdown", f"{stem}.md")
    if kind == "jsonld":
        file = formula_dict(named, pin.name if pin else "", revision, own)
        text = write_jsonld(name, judgement.analysis, card, finished, blend_name, file)
        return file_answer(text, "application/ld+json", f"{stem}.jsonld")
    raise BadInputError(f"the format {shown(kind)}", place="?format", right="json, jsonld or markdown")

"""Blends in and out: the blend file and CSV."""

from __future__ import annotations

import re

from flask import Blueprint, Response, request

from fallow_sieve.api.blends import blend_out
from fallow_sieve.api.http import answer, now_text, store, today, whole
from fallow_sieve.api.requests import ExportQuery, ImportQuery
from fallow_sieve.api.responses import ImportOut
from fallow_sieve.api.spec import route
from fallow_sieve.core.blends.analysis import analyse
from fallow_sieve.core.blends.blend import Blend, check_parts, drawing_on
from fallow_sieve.core.blends.fit import rule_of_use
from fallow_sieve.core.ingredients.ingredient import Ingredient
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.values.errors import BadInputError, shown
from fallow_sieve.formats.blend_csv import read_blend_csv, write_blend_csv
from fallow_sieve.formats.blend_file import BlendDocument, read_blend, write_blend
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.blends import add_blend, get_blend, get_draft, get_revision, parts_in
from fallow_sieve.store.briefs import get_brief
from fallow_sieve.store.ingredients import add_own_ingredients

routes = Blueprint("transfer", __name__)


@routes.post("/blends/import")
@route(ImportOut, status=201, query=ImportQuery)
def import_blend() -> Response:
    """Add the blend in a blend file or CSV (the body, as it is); `?name=` and `?brief_id=` apply."""
    document = _read(request.get_data(), request.mimetype, request.args.get("name", "")[:120])
    brief_id = whole("brief_id", 0, 1, 2**53) or None
    use = document.blend.use
    with store().writing() as session:
        if brief_id is not None:
            use = get_brief(session, brief_id).use
        elif use is not None:
            rule_of_use(rules().uses, use)
        shelf = store().shelf(session, today()).with_ingredients(document.ingredients)
        check_parts(document.blend.parts, shelf)
        added, there = add_own_ingredients(session, document.ingredients)
        name = document.blend.name.strip() or "Imported blend"
        row = add_blend(session, name[:120], use, brief_id, document.blend.parts, now_text())
        made = blend_out(session, row)
    notes = [f"{slug} was added to your ingredients." for slug in added]
    notes += [f"{slug} is in your kitchen already: its own numbers were kept." for slug in there]
    return answer(ImportOut(blend=made, notes=notes), 201)


def _read(data: bytes, mimetype: str, name: str) -> BlendDocument:
    if mimetype == "text/csv":
        return BlendDocument(read_blend_csv(data, name), ())
    if mimetype in ("application/json", ""):
        return read_blend(data)
    raise BadInputError(
        f"a file of type {shown(mimetype)}", right="send a blend file (application/json) or CSV (text/csv)"
    )


@routes.get("/blends/<int:blend_id>/export")
@route(None, query=ExportQuery)
def export_blend(blend_id: int) -> Response:
    """Return the draft, or `?revision=`, as a file: `?format=json` (blend file) or `csv`."""
    kind = request.args.get("format", "json")
    number = whole("revision", 0, 1, 2**31)
    with store().reading() as session:
        row = get_blend(session, blend_id)
        records = get_revision(session, blend_id, number).parts if number else get_draft(session, blend_id).parts
        shelf = store().shelf(session, today())
    blend = Blend(parts_in(records), row.name, row.use)
    if not blend.parts:
        raise BadInputError("the blend is empty", right="add an ingredient first")
    stem = re.sub(r"[^a-z0-9]+", "-", row.name.lower()).strip("-") or "blend"
    if kind == "csv":
        return file_answer(write_blend_csv(analyse(blend, shelf)), "text/csv", f"{stem}.csv")
    if kind == "json":
        return file_answer(write_blend(blend, own_numbers(blend, shelf)), "application/json", f"{stem}.json")
    raise BadInputError(f"the format {shown(kind)}", place="?format", right="json or csv")


def own_numbers(blend: Blend, shelf: Shelf) -> list[Ingredient]:
    """Return what a file must define itself to be judged the same elsewhere: whose numbers are not the library's."""
    used = [drawing_on(blend.parts, shelf)[p.ingredient] for p in blend.parts]
    bundled = library_shelf()
    return [i for i in used if i.slug not in bundled or bundled[i.slug].facts != i.facts]


def file_answer(text: str, mimetype: str, name: str) -> Response:
    """Return `text` as a file to save under `name`."""
    response = Response(text, mimetype=mimetype)
    response.headers["Content-Disposition"] = f'attachment; filename="{name}"'
    return response

"""Blends in and out: the blend file and CSV."""

from __future__ import annotations

from dataclasses import replace

from flask import Blueprint, Response, request

from fallow_sieve.api.blends.models import BlendExportQuery, BlendImportOut, BlendImportQuery
from fallow_sieve.api.blends.routes import BLEND_API
from fallow_sieve.api.http import answer, file_answer, kitchen, now_text, stem_of, store, today, whole
from fallow_sieve.api.spec import route
from fallow_sieve.core.blends import analyse
from fallow_sieve.core.values import BadInputError, is_visible, shown, without_controls
from fallow_sieve.formats.blends import BlendDocument, read_blend, read_blend_csv, write_blend, write_blend_csv
from fallow_sieve.services.blends.judging import check_blend, must_define
from fallow_sieve.services.ingredients.transfer import bring_ingredients
from fallow_sieve.store import BLENDS, get_brief

routes = Blueprint("blend_files", __name__)


@routes.post("/blends/import")
@route(BlendImportOut, status=201, query=BlendImportQuery)
def import_blend() -> Response:
    """Add the blend in a blend file or CSV (the body, as it is); `?name=` and `?brief_id=` apply."""
    document = _read(request.get_data(), request.mimetype, without_controls(request.args.get("name", ""))[:120])
    brief_id = whole("brief_id", 0, 1, 2**53) or None
    blend = document.blend
    with store().writing() as session:
        if brief_id is not None:
            blend = replace(blend, use=get_brief(session, brief_id).use)
        check_blend(blend, store().shelf(session, today()).with_ingredients(document.ingredients))
        notes = bring_ingredients(session, document.ingredients)
        name = blend.name.strip()[:120] if is_visible(blend.name) else "Imported blend"
        head = BLENDS.add(session, name, brief_id, blend, now_text())
        made = BLEND_API.whole_out(session, head)
    return answer(BlendImportOut.model_validate({"blend": made, "notes": notes}), 201)


def _read(data: bytes, mimetype: str, name: str) -> BlendDocument:
    if mimetype == "text/csv":
        return BlendDocument(read_blend_csv(data, name), ())
    if mimetype in ("application/json", ""):
        return read_blend(data)
    raise BadInputError(
        f"a file of type {shown(mimetype)}", right="send a blend file (application/json) or CSV (text/csv)"
    )


@routes.get("/blends/<int:blend_id>/export")
@route(None, query=BlendExportQuery)
def export_blend(blend_id: int) -> Response:
    """Return the draft, or `?revision=`, as a file: `?format=json` (blend file) or `csv`."""
    kind = request.args.get("format", "json")
    number = whole("revision", 0, 1, 2**31)
    with store().reading() as session:
        head = BLENDS.get(session, blend_id)
        kept = BLENDS.revision(session, blend_id, number) if number else BLENDS.draft(session, blend_id)
    blend, shelf, stem = replace(kept.content, name=head.name), kitchen().shelf, stem_of(head.name, "blend")
    if not blend.parts:
        raise BadInputError("the blend is empty", right="add an ingredient first")
    if kind == "csv":
        return file_answer(write_blend_csv(analyse(blend, shelf)), "text/csv", f"{stem}.csv")
    if kind == "json":
        return file_answer(write_blend(blend, must_define(blend, shelf)), "application/json", f"{stem}.json")
    raise BadInputError(f"the format {shown(kind)}", place="?format", right="json or csv")

"""Blends: documents whose content is a use and parts."""

from __future__ import annotations

from flask import Blueprint

from fallow_sieve.api.blends.models import (
    BlendContentOut,
    BlendDraftIn,
    BlendDraftOut,
    BlendList,
    BlendOut,
    BlendRevisionOut,
    BlendSummary,
    NewBlendIn,
)
from fallow_sieve.api.documents import DocumentApi, Models, document_routes
from fallow_sieve.api.http import store
from fallow_sieve.api.models import as_parts
from fallow_sieve.core.blends import Blend
from fallow_sieve.services.blends.judging import check_blend
from fallow_sieve.services.blends.standing import blend_standing
from fallow_sieve.store import BLENDS, get_brief

routes = Blueprint("blends", __name__)


def blend_of(given: NewBlendIn | BlendDraftIn) -> Blend:
    """Return what a request carries as a blend; a new one for a brief and without a use has the brief's."""
    content, use = given.content, given.content.use
    if use is None and isinstance(given, NewBlendIn) and given.brief_id is not None:
        with store().reading() as session:
            use = get_brief(session, given.brief_id).use
    return Blend(as_parts(content.parts), use=use)


def content_out(blend: Blend) -> BlendContentOut:
    """Return a blend as the API gives it."""
    return BlendContentOut(use=blend.use, parts=list(blend.parts))


BLEND_API: DocumentApi[Blend] = DocumentApi(
    path="blends",
    documents=BLENDS,
    models=Models(NewBlendIn, BlendDraftIn, BlendDraftOut, BlendRevisionOut, BlendOut, BlendSummary, BlendList),
    read=blend_of,
    show=content_out,
    check=check_blend,
    standing=blend_standing,
)
document_routes(routes, BLEND_API)

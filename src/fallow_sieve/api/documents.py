"""The eight routes that every document with revisions has: list, add, get, save, draft, keep draft, keep, duplicate."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, Generic, TypeVar

from flask import Blueprint, Response, request
from sqlmodel import Session

from fallow_sieve.api.http import answer, body, if_match, kitchen, now_text, page, store, today, whole
from fallow_sieve.api.models import (
    DocumentIn,
    DocumentOut,
    DocumentsQuery,
    DraftIn,
    DraftOut,
    DuplicateIn,
    HeadOut,
    KeepIn,
    ListOut,
    NewDocumentIn,
    RevisionOut,
    SummaryOut,
    head_out,
)
from fallow_sieve.api.spec import route
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.store import Documents, Draft, Head, Revision, get_brief

ContentT = TypeVar("ContentT")


@dataclass(frozen=True, slots=True)
class Models:
    """A noun's models: to add, to save a draft, a draft, a revision, the whole, one in a list, a list."""

    new: type[NewDocumentIn]
    draft_in: type[DraftIn]
    draft: type[DraftOut]
    revision: type[RevisionOut]
    whole: type[DocumentOut]
    summary: type[SummaryOut]
    list: type[ListOut]


@dataclass(frozen=True, slots=True)
class DocumentApi(Generic[ContentT]):
    """What a noun gives to have its documents served.

    `read` makes content of a request, `show` of content what an answer carries, `check` refuses what cannot be used,
    `standing` says how a document stands in a list.
    """

    path: str
    documents: Documents[ContentT]
    models: Models
    read: Callable[[Any], ContentT]
    show: Callable[[ContentT], object]
    check: Callable[[ContentT, Shelf], None]
    standing: Callable[[Session, Head, KitchenNow], object]

    def draft_out(self, draft: Draft[ContentT]) -> DraftOut:
        """Return a draft as the API gives it."""
        content = self.show(draft.content)
        return self.models.draft.model_validate(
            {"content": content, "based_on": draft.based_on, "updated_at": draft.updated_at, "version": draft.version}
        )

    def whole_out(self, session: Session, head: Head) -> DocumentOut:
        """Return a document with its draft and revisions."""
        draft = self.draft_out(self.documents.draft(session, head.id))
        revisions = [self._revision(r) for r in self.documents.revisions(session, head.id)]
        return self.models.whole.model_validate({"head": head_out(head), "draft": draft, "revisions": revisions})

    def _revision(self, r: Revision[ContentT]) -> RevisionOut:
        return self.models.revision.model_validate(
            {
                "number": r.number,
                "content": self.show(r.content),
                "why": r.why,
                "based_on": r.based_on,
                "kept_at": r.kept_at,
            }
        )


def document_routes(routes: Blueprint, noun: DocumentApi[Any]) -> None:
    """Add the routes of a noun's documents to a blueprint."""
    _list_and_add(routes, noun)
    _head(routes, noun)
    _draft(routes, noun)
    _revisions(routes, noun)


def _list_and_add(routes: Blueprint, noun: DocumentApi[Any]) -> None:
    docs, models, path = noun.documents, noun.models, noun.path

    @routes.get(f"/{path}", endpoint="list")
    @route(models.list, query=DocumentsQuery)
    def every() -> Response:
        """Return a page of documents with their state; `?archived=1` for those put away."""
        cursor, limit = page()
        archived = request.args.get("archived") == "1"
        brief_id = whole("brief_id", 0, 1, 2**53) or None
        with store().reading() as session:
            heads = docs.page(session, brief_id, cursor, limit + 1, archived)
            items = [_summary(session, noun, h) for h in heads[:limit]]
        more = str(heads[limit - 1].id) if len(heads) > limit else None
        return answer(models.list.model_validate({"items": items, "next": more}))

    @routes.post(f"/{path}", endpoint="add")
    @route(models.whole, status=201, json=models.new)
    def add() -> Response:
        """Add a document."""
        given = body(models.new)
        content = noun.read(given)
        with store().writing() as session:
            if given.brief_id is not None:
                get_brief(session, given.brief_id)
            noun.check(content, store().shelf(session, today()))
            head = docs.add(session, given.name.strip(), given.brief_id, content, now_text())
            made = noun.whole_out(session, head)
        return answer(made, 201)


def _summary(session: Session, noun: DocumentApi[Any], head: Head) -> SummaryOut:
    standing = noun.standing(session, head, kitchen(head.brief_id))
    return noun.models.summary.model_validate({"head": head_out(head), "standing": standing})


def _head(routes: Blueprint, noun: DocumentApi[Any]) -> None:
    docs, models, path = noun.documents, noun.models, noun.path

    @routes.get(f"/{path}/<int:document_id>", endpoint="get")
    @route(models.whole)
    def one(document_id: int) -> Response:
        """Return a document with its draft and revisions."""
        with store().reading() as session:
            head = docs.get(session, document_id)
            return answer(noun.whole_out(session, head), version=head.version)

    @routes.put(f"/{path}/<int:document_id>", endpoint="save")
    @route(HeadOut, json=DocumentIn, stale=True)
    def save(document_id: int) -> Response:
        """Save a document's name, brief, or whether it is put away."""
        given, version = body(DocumentIn), if_match()
        with store().writing() as session:
            if given.brief_id is not None:
                get_brief(session, given.brief_id)
            head = docs.save(session, document_id, given.model_dump(), version, now_text())
        return answer(head_out(head), version=head.version)


def _draft(routes: Blueprint, noun: DocumentApi[Any]) -> None:
    docs, models, path = noun.documents, noun.models, noun.path

    @routes.get(f"/{path}/<int:document_id>/draft", endpoint="draft")
    @route(models.draft)
    def draft(document_id: int) -> Response:
        """Return the draft on the bench."""
        with store().reading() as session:
            found = docs.draft(session, document_id)
        return answer(noun.draft_out(found), version=found.version)

    @routes.put(f"/{path}/<int:document_id>/draft", endpoint="save_draft")
    @route(models.draft, json=models.draft_in, stale=True)
    def save_draft(document_id: int) -> Response:
        """Save the draft; a stale save gets 412 and both versions."""
        given, version = body(models.draft_in), if_match()
        content = noun.read(given)
        with store().writing() as session:
            noun.check(content, store().shelf(session, today()))
            if given.based_on is not None:
                docs.revision(session, document_id, given.based_on)
            saved = docs.save_draft(session, document_id, content, given.based_on, version, now_text())
        return answer(noun.draft_out(saved), version=saved.version)


def _revisions(routes: Blueprint, noun: DocumentApi[Any]) -> None:
    docs, models, path = noun.documents, noun.models, noun.path

    @routes.post(f"/{path}/<int:document_id>/revisions", endpoint="keep")
    @route(models.whole, status=201, json=KeepIn, stale=True)
    def keep(document_id: int) -> Response:
        """Keep the draft as the next revision, with why."""
        given, version = body(KeepIn), if_match()
        with store().writing() as session:
            docs.keep(session, document_id, given.why.strip(), version, now_text())
            made = noun.whole_out(session, docs.get(session, document_id))
            draft = docs.draft(session, document_id)
        return answer(made, 201, draft.version)

    @routes.post(f"/{path}/<int:document_id>/duplicate", endpoint="duplicate")
    @route(models.whole, status=201, json=DuplicateIn)
    def duplicate(document_id: int) -> Response:
        """Add a document that starts from this one's draft."""
        given = body(DuplicateIn)
        with store().writing() as session:
            made = noun.whole_out(session, docs.duplicate(session, document_id, given.name.strip(), now_text()))
        return answer(made, 201)

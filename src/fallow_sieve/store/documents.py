"""Documents with revisions: a head, a draft on the bench, kept revisions with why. One machine for every noun.

A noun gives its three tables and a codec. A save is one transaction on the version that was read; revisions are never
changed. What goes in and comes out is the noun's own content, never a stored record.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any, Generic, Protocol, TypeVar

from sqlalchemy import func
from sqlmodel import Session, col, select

from fallow_sieve.core.values import BadInputError
from fallow_sieve.store.errors import NotFoundError, StaleSaveError
from fallow_sieve.store.tables import DraftColumns, HeadColumns, RevisionColumns
from fallow_sieve.store.versions import save_versioned

ContentT = TypeVar("ContentT")
Record = dict[str, Any]


class Codec(Protocol[ContentT]):
    """How a noun's content is stored, and what it has to be to be kept."""

    def record(self, content: ContentT) -> Record:
        """Return the content as the record that is stored."""

    def content(self, record: Record) -> ContentT:
        """Return a stored record as the content."""

    def check_worth_keeping(self, content: ContentT) -> None:
        """Raise BadInputError unless there is something to keep."""

    def ingredients(self, record: Record) -> set[str]:
        """Return the slugs of the ingredients that a stored record names."""


@dataclass(frozen=True, slots=True)
class Tables:
    """The three tables of a noun, and the column by which drafts and revisions name their document."""

    head: type[HeadColumns]
    draft: type[DraftColumns]
    revision: type[RevisionColumns]
    owner: str


@dataclass(frozen=True, slots=True)
class Head:
    """A document without what is in it."""

    id: int
    brief_id: int | None
    name: str
    archived: bool
    created_at: str
    updated_at: str
    version: int


@dataclass(frozen=True, slots=True)
class Draft(Generic[ContentT]):
    """A document as it stands on the bench, and the number of the revision that it started from."""

    content: ContentT
    based_on: int | None
    updated_at: str
    version: int


@dataclass(frozen=True, slots=True)
class Revision(Generic[ContentT]):
    """A kept state of a document, with why, and the number of the one before it."""

    number: int
    content: ContentT
    why: str
    based_on: int | None
    kept_at: str


class Documents(Generic[ContentT]):
    """The documents of one kind in a kitchen: `kind` names it in errors, `codec` stores it."""

    def __init__(self, kind: str, tables: Tables, codec: Codec[ContentT]) -> None:
        self.kind, self._tables, self.codec = kind, tables, codec
        self._owner_of_draft: Any = getattr(tables.draft, tables.owner)
        self._owner_of_revision: Any = getattr(tables.revision, tables.owner)

    def get(self, session: Session, document_id: int) -> Head:
        """Return the head of a document, also an archived one. Raises NotFoundError."""
        return _head(self._head_row(session, document_id))

    def page(
        self, session: Session, brief_id: int | None = None, after: int = 0, limit: int = 50, archived: bool = False
    ) -> list[Head]:
        """Return at most `limit` heads with an id over `after`, of one brief or of all."""
        head = self._tables.head
        query = select(head).where(col(head.id) > after, head.archived == archived)
        if brief_id is not None:
            query = query.where(head.brief_id == brief_id)
        return [_head(row) for row in session.exec(query.order_by(col(head.id)).limit(limit))]

    def named(self, session: Session, name: str) -> list[Head]:
        """Return the heads of this name that are not put away, the first made first."""
        head = self._tables.head
        query = select(head).where(head.name == name, col(head.archived).is_(False)).order_by(col(head.id))
        return [_head(row) for row in session.exec(query)]

    def add(self, session: Session, name: str, brief_id: int | None, content: ContentT, now: str) -> Head:
        """Add a document whose draft is `content`; return its head."""
        row = self._tables.head(name=name, brief_id=brief_id, created_at=now, updated_at=now)
        session.add(row)
        session.flush()
        owner: Record = {self._tables.owner: row.id}
        session.add(self._tables.draft(**owner, content=self.codec.record(content), updated_at=now))
        session.flush()
        return _head(row)

    def save(self, session: Session, document_id: int, values: Record, version: int, now: str) -> Head:
        """Save name, brief or archived if `version` is current, else raise StaleSaveError."""
        row = self._head_row(session, document_id)
        save_versioned(session, row, {**values, "updated_at": now}, version)
        return _head(row)

    def draft(self, session: Session, document_id: int) -> Draft[ContentT]:
        """Return the draft of a document. Raises NotFoundError."""
        return self._draft(self._draft_row(session, document_id))

    def save_draft(
        self, session: Session, document_id: int, content: ContentT, based_on: int | None, version: int, now: str
    ) -> Draft[ContentT]:
        """Save the draft if `version` is current, else raise StaleSaveError with both versions."""
        row = self._draft_row(session, document_id)
        values = {"content": self.codec.record(content), "based_on": based_on, "updated_at": now}
        save_versioned(session, row, values, version)
        return self._draft(row)

    def revisions(self, session: Session, document_id: int) -> list[Revision[ContentT]]:
        """Return the kept revisions of a document, the first first."""
        table = self._tables.revision
        query = select(table).where(self._owner_of_revision == document_id).order_by(col(table.number))
        return [self._revision(row) for row in session.exec(query)]

    def revision(self, session: Session, document_id: int, number: int) -> Revision[ContentT]:
        """Return one kept revision. Raises NotFoundError."""
        table = self._tables.revision
        query = select(table).where(self._owner_of_revision == document_id, table.number == number)
        row = session.exec(query).first()
        if row is None:
            raise NotFoundError("revision", number)
        return self._revision(row)

    def newest(self, session: Session, document_id: int) -> Revision[ContentT] | None:
        """Return the last kept revision, or None."""
        return next(iter(reversed(self.revisions(session, document_id))), None)

    def keep(self, session: Session, document_id: int, why: str, version: int, now: str) -> Revision[ContentT]:
        """Keep the draft as the next revision with `why`, if `version` of the draft is current.

        Raises StaleSaveError, and BadInputError for a draft with nothing in it.
        """
        draft = self._draft_row(session, document_id)
        if draft.version != version:
            raise StaleSaveError(draft.model_dump(), {"why": why})
        self.codec.check_worth_keeping(self.codec.content(draft.content))
        table = self._tables.revision
        last = session.exec(select(func.max(table.number)).where(self._owner_of_revision == document_id)).one()
        owner: Record = {self._tables.owner: document_id}
        row = table(
            **owner,
            number=(last or 0) + 1,
            content=dict(draft.content),
            why=why,
            based_on=draft.based_on,
            kept_at=now,
        )
        session.add(row)
        save_versioned(session, draft, {"based_on": row.number, "updated_at": now}, version)
        session.flush()
        return self._revision(row)

    def kept_as(self, session: Session, document_id: int, content: ContentT, why: str, now: str) -> int:
        """Return the number of the revision with this content, the newest; where none has it, it is kept with `why`.

        The draft stays as it is, and starts from the new revision where it has that content itself. Raises
        BadInputError for a content with nothing in it.
        """
        kept = self.revisions(session, document_id)
        found = next((r.number for r in reversed(kept) if r.content == content), None)
        if found is not None:
            return found
        draft = self._draft_row(session, document_id)
        if self.codec.content(draft.content) == content:
            return self.keep(session, document_id, why, draft.version, now).number
        self.codec.check_worth_keeping(content)
        owner: Record = {self._tables.owner: document_id}
        last = kept[-1].number if kept else 0
        record = self.codec.record(content)
        made: Record = {"number": last + 1, "content": record, "why": why, "based_on": draft.based_on, "kept_at": now}
        session.add(self._tables.revision(**owner, **made))
        session.flush()
        return last + 1

    def duplicate(self, session: Session, document_id: int, name: str, now: str) -> Head:
        """Add a document that starts from the draft of another; return its head."""
        head, draft = self.get(session, document_id), self.draft(session, document_id)
        return self.add(session, name, head.brief_id, draft.content, now)

    def mentioning(self, session: Session, ingredient: str) -> list[str]:
        """Return the names of the documents that name `ingredient`, in their draft or in a kept revision."""
        tables = self._tables
        records: list[Any] = [*session.exec(select(self._owner_of_draft, tables.draft.content))]
        records += session.exec(select(self._owner_of_revision, tables.revision.content))
        found = {owner for owner, record in records if ingredient in self.codec.ingredients(record)}
        return [row.name for row in session.exec(select(tables.head).where(col(tables.head.id).in_(found)))]

    def _head_row(self, session: Session, document_id: int) -> HeadColumns:
        row = session.get(self._tables.head, document_id)
        if row is None:
            raise NotFoundError(self.kind, document_id)
        return row

    def _draft_row(self, session: Session, document_id: int) -> DraftColumns:
        row = session.get(self._tables.draft, document_id)
        if row is None:
            raise NotFoundError(self.kind, document_id)
        return row

    def _draft(self, row: DraftColumns) -> Draft[ContentT]:
        return Draft(self.codec.content(row.content), row.based_on, row.updated_at, row.version)

    def _revision(self, row: RevisionColumns) -> Revision[ContentT]:
        return Revision(row.number, self.codec.content(row.content), row.why, row.based_on, row.kept_at)


def _head(row: HeadColumns) -> Head:
    assert row.id is not None
    return Head(row.id, row.brief_id, row.name, row.archived, row.created_at, row.updated_at, row.version)


def refuse_empty(items: Sequence[object], kind: str, place: str) -> None:
    """Raise BadInputError at `place` where a document of `kind` has no `items`: it is not worth keeping."""
    if not items:
        raise BadInputError(f"an empty {kind} cannot be kept", place=place, right="add an ingredient first")

"""What requests and answers of every noun share. Core values go out as they are: their fields are the answer's."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Annotated, Any, Literal

from pydantic import AfterValidator, BaseModel, ConfigDict, Field

from fallow_sieve.core.blends import MAX_MASS_G, MAX_PARTS, MAX_RATIO, Part
from fallow_sieve.core.values import BadInputError, is_visible, shown
from fallow_sieve.formats.shared import SLUG_PATTERN
from fallow_sieve.store import Head

Slug = Annotated[str, Field(pattern=SLUG_PATTERN, max_length=80)]


def _seen(text: str) -> str:
    """Refuses a text in which nothing can be seen, though it is not empty: such a name could never be found again."""
    if text and not is_visible(text):
        raise ValueError("there is nothing in it that can be seen")
    return text


Seen = AfterValidator(_seen)
Name = Annotated[str, Field(min_length=1, max_length=120, pattern=r"\S"), Seen]
Text = Annotated[str, Field(max_length=2000)]
RowId = Annotated[int, Field(ge=1, le=2**53)]
RevisionNumber = Annotated[int, Field(ge=1, le=2**31)]
Metric = Annotated[str, Field(max_length=60)]
Limit = Annotated[float, Field(ge=0, le=1e6)]
Grams = Annotated[float, Field(gt=0, le=MAX_MASS_G)]
Gluten = Literal["contains", "unknown", "known"]


class In(BaseModel):
    """What a request may carry: nothing else, nothing coerced, no NaN."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False, defer_build=True)


class Out(BaseModel):
    """What an answer carries."""

    model_config = {"json_schema_serialization_defaults_required": True, "from_attributes": True, "defer_build": True}


class PartIn(In):
    """One part of a blend on the bench; with `lot_id` it draws on that lot, ratios: the range of a mass not weighed."""

    ingredient: Slug
    mass_g: Grams
    locked: bool = False
    lot_id: RowId | None = None
    low_ratio: Annotated[float, Field(ge=0, le=1)] = 1.0
    high_ratio: Annotated[float, Field(ge=1, le=MAX_RATIO)] = 1.0


Parts = Annotated[list[PartIn], Field(max_length=MAX_PARTS)]


def as_parts(given: list[PartIn]) -> tuple[Part, ...]:
    """Return parts of a request as parts of the core (g)."""
    return tuple(Part(p.ingredient, p.mass_g, p.locked, p.lot_id, p.low_ratio, p.high_ratio) for p in given)


def places(given: Mapping[str, str]) -> dict[int, str]:
    """Return choices of a request by line number. Raises BadInputError for what is no number."""
    wrong = next((k for k in given if not (k.isascii() and k.isdigit() and len(k) < 6)), None)
    if wrong is not None:
        raise BadInputError(f"the line {shown(wrong)}", place="/chosen", right="name lines by their number")
    return {int(k): v for k, v in given.items()}


class PageQuery(In):
    """Which page of a list: start after `cursor`, at most `limit` items."""

    cursor: int = Field(default=0, ge=0, le=2**53)
    limit: int = Field(default=50, ge=1, le=100)


class FindQuery(PageQuery):
    """What to look for."""

    q: Annotated[str, Field(max_length=80)] = ""


class DocumentsQuery(PageQuery):
    """Which documents: of one brief, or those put away."""

    brief_id: RowId | None = None
    archived: Literal["0", "1"] = "0"


class DocumentIn(In):
    """What a document is called, for which brief, and whether it is put away."""

    name: Name
    brief_id: RowId | None = None
    archived: bool = False


class NewDocumentIn(In):
    """A document to add; a noun says what is in it."""

    name: Name
    brief_id: RowId | None = None


class DraftIn(In):
    """A draft to save, and the revision that it started from; a noun says what is in it."""

    based_on: RevisionNumber | None = None


class KeepIn(In):
    """Why the draft is kept as a revision."""

    why: Annotated[str, Field(min_length=1, max_length=500, pattern=r"\S"), Seen]


class DuplicateIn(In):
    """The name of the copy."""

    name: Name


class DraftOut(Out):
    """A draft on the bench; a noun says what is in it."""

    based_on: int | None
    updated_at: str
    version: int


class RevisionOut(Out):
    """A kept revision; a noun says what is in it."""

    number: int
    why: str
    based_on: int | None
    kept_at: str


class HeadOut(Out):
    """A document without what is in it."""

    id: int
    brief_id: int | None
    name: str
    archived: bool
    created_at: str
    updated_at: str
    version: int


class DocumentOut(Out):
    """A document with its draft and revisions, which a noun fills in."""

    head: HeadOut


class SummaryOut(Out):
    """A document in a list; a noun says how it stands."""

    head: HeadOut


class ListOut(Out):
    """A page of a list; `next` is the cursor of the next page."""

    next: str | None


class NamedOut(Out):
    """A name and its label."""

    name: str
    label: str


class Problem(BaseModel):
    """An error (RFC 9457): what is wrong, where, and what would be right."""

    type: str
    title: str
    status: int
    detail: str
    place: str | None = None
    right: str | None = None
    current: dict[str, Any] | None = None
    submitted: dict[str, Any] | None = None


def head_out(head: Head) -> HeadOut:
    """Return a head as the API gives it."""
    return HeadOut.model_validate(head)

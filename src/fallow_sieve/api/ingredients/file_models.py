"""What files of the shelf take and answer. An import answers with one such line after the other."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import Field

from fallow_sieve.api.models import In, Out, Slug
from fallow_sieve.core.ingredients import Role
from fallow_sieve.store.ingredients import RowChange

Words = Annotated[list[Slug], Field(max_length=40)]
RoleName = Annotated[Role, Field(strict=False)]


class ShelfExportQuery(In):
    """What to write, in which format; a package holds the shelf and the lots."""

    what: Literal["shelf", "lots"] = "shelf"
    format: Literal["csv", "xlsx", "package"] = "csv"
    own: Literal["0", "1"] = "0"


class ImportQueryIn(In):
    """What a file is a table of, and what it is called."""

    what: Literal["shelf", "lots"] = "shelf"
    name: Annotated[str, Field(max_length=120)] = ""


class PreviewOut(Out):
    """What a file would do: how many rows of each status, the first of each, and the state it is for."""

    counts: dict[str, int]
    rows: list[RowChange]
    version: int


class ImportLine(Out):
    """One line of an import: how many rows are done of how many; the last says how it ended."""

    done: int | None = None
    of: int | None = None
    finished: bool | None = None
    problem: dict[str, Any] | None = None

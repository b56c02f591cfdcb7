"""What each route takes and answers, noted on its view: the OpenAPI document is made from these notes."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from pathlib import Path
from typing import Any, TypeVar

from pydantic import BaseModel

DOCUMENT = Path(__file__).with_name("openapi.json")
ViewT = TypeVar("ViewT", bound=Callable[..., Any])
Model = type[BaseModel]
_NOTE = "_described_as"


@dataclass(frozen=True, slots=True)
class Described:
    """A route: the model that it answers with (`lines`: one a line), its status, and what it takes; `stale`: 412."""

    out: Model | None
    status: int = 200
    json: Model | None = None
    query: Model | None = None
    stale: bool = False
    lines: bool = False


def route(out: Model | None, **more: Any) -> Callable[[ViewT], ViewT]:
    """Describe a view by the fields of Described. `http` reads bodies and queries: it says better what is wrong."""
    described = Described(out, **more)

    def note(view: ViewT) -> ViewT:
        setattr(view, _NOTE, described)
        return view

    return note


def description_of(view: Callable[..., Any]) -> Described | None:
    """Return how a view is described, or None where it is not part of the API."""
    found: Described | None = getattr(view, _NOTE, None)
    return found

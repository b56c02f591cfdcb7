"""Describes routes for the OpenAPI document."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from pydantic import BaseModel
from spectree import Response as Described
from spectree import SpecTree

from fallow_sieve import __version__
from fallow_sieve.api.responses import Problem

spec = SpecTree(
    "flask",
    title="Fallow Sieve",
    version=__version__,
    path="apidoc",
    mode="strict",
    naming_strategy=lambda model: model.__name__,
    nested_naming_strategy=lambda _parent, child: child,
)


def route(
    out: type[BaseModel] | None,
    *,
    status: int = 200,
    json: type[BaseModel] | None = None,
    query: type[BaseModel] | None = None,
    stale: bool = False,
) -> Callable[[Callable[..., Any]], Callable[..., Any]]:
    """Describe a route: what it takes and answers. `http` reads bodies and queries: it says better what is wrong."""
    codes: dict[str, Any] = {f"HTTP_{status}": out, "HTTP_404": Problem, "HTTP_422": Problem}
    if stale:
        codes["HTTP_412"] = Problem
    if json is not None:
        codes["HTTP_413"] = Problem
    return spec.validate(json=json, query=query, resp=Described(**codes), skip_validation=True)

"""The OpenAPI document, made from the routes. `python -m fallow_sieve.api.openapi` writes it beside this file."""

from __future__ import annotations

import json
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from spectree import Response, SpecTree

from fallow_sieve import __version__
from fallow_sieve.api.models import Problem
from fallow_sieve.api.spec import DOCUMENT, Described, description_of

_made: list[str] = []


def openapi_text(app: Any) -> str:
    """Return the OpenAPI document of `app` as stable JSON text.

    It is made once a process: every application here has the same routes, and SpecTree takes its models apart
    as it writes, so that a second document would lack the nested ones.
    """
    if not _made:
        views = {name: (view, description_of(view)) for name, view in app.view_functions.items()}
        streams = {d.out.__name__ for _, d in views.values() if d is not None and d.lines and d.out is not None}
        spec = _spec_tree()
        described = {name: _told(spec, view, d) if d else view for name, (view, d) in views.items()}
        with app.app_context(), _standing_in(app, described):
            spec.app = app
            document = _completed(spec.spec, streams)
        _made.append(json.dumps(document, ensure_ascii=False, indent=1, sort_keys=True) + "\n")
    return _made[0]


def _spec_tree() -> SpecTree:
    named: dict[str, type] = {}

    def name_of(model: Any) -> str:
        """Return the name of a model; two of one name would describe one another's answers."""
        name: str = model.__name__
        if named.setdefault(name, model) is not model:
            raise ValueError(f"{model.__module__} and {named[name].__module__} both have a model {name}")
        return name

    return SpecTree(
        "flask",
        title="Fallow Sieve",
        version=__version__,
        path="apidoc",
        mode="strict",
        naming_strategy=name_of,
        nested_naming_strategy=lambda _parent, child: child,
    )


def _told(spec: SpecTree, view: Any, d: Described) -> Any:
    codes: dict[str, Any] = {f"HTTP_{d.status}": d.out, "HTTP_404": Problem, "HTTP_422": Problem}
    if d.stale:
        codes["HTTP_412"] = Problem
    if d.json is not None:
        codes["HTTP_413"] = Problem
    return spec.validate(json=d.json, query=d.query, resp=Response(**codes), skip_validation=True)(view)


@contextmanager
def _standing_in(app: Any, views: dict[str, Any]) -> Iterator[None]:
    """Let `views` stand in for those of the application while they are looked at."""
    own = dict(app.view_functions)
    app.view_functions.update(views)
    try:
        yield
    finally:
        app.view_functions.update(own)


def _completed(document: dict[str, Any], streams: set[str]) -> dict[str, Any]:
    """Name the If-Match header on every operation that may answer 412, and say what answers always carry."""
    header = {
        "name": "If-Match",
        "in": "header",
        "required": True,
        "schema": {"type": "string", "pattern": '^"[0-9]{1,15}"$'},
        "description": "The ETag that the record was read with.",
    }
    for path in document["paths"].values():
        for operation in path.values():
            if "412" in operation.get("responses", {}):
                operation.setdefault("parameters", []).append(header)
            _problem_type(operation)
            _lines_type(operation, streams)
    for name, schema in document["components"]["schemas"].items():
        if name not in {"Problem", *streams} and not name.endswith(("In", "Query")):
            _as_answered(schema)
    return document


def _as_answered(schema: dict[str, Any]) -> None:
    """An answer carries every field, also those with a default; a tuple is a list of so many."""
    properties = schema.get("properties", {})
    if properties:
        schema["required"] = sorted(properties)
    for field in properties.values():
        for option in (field, *field.get("anyOf", [])):
            if "prefixItems" in option:
                option["items"] = option.pop("prefixItems")[0]


def _lines_type(operation: dict[str, Any], streams: set[str]) -> None:
    for response in operation.get("responses", {}).values():
        content = response.get("content", {})
        schema = content.get("application/json", {}).get("schema", {})
        if schema.get("$ref", "").rsplit("/", 1)[-1] in streams:
            response["content"] = {"application/x-ndjson": content["application/json"]}


def _problem_type(operation: dict[str, Any]) -> None:
    for code, response in operation.get("responses", {}).items():
        content = response.get("content", {})
        if code.startswith("4") and "application/json" in content:
            response["content"] = {"application/problem+json": content["application/json"]}


if __name__ == "__main__":
    from tempfile import TemporaryDirectory

    from fallow_sieve.api.app import create_app

    with TemporaryDirectory() as folder:
        DOCUMENT.write_text(openapi_text(create_app(Path(folder) / "spec.db")), encoding="utf-8")

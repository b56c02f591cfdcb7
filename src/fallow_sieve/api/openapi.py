"""The OpenAPI document, made from the routes. `python -m fallow_sieve.api.openapi` writes it beside this file."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

from fallow_sieve.api.spec import spec

DOCUMENT = Path(__file__).with_name("openapi.json")


_made: list[str] = []


def openapi_text(app: Any) -> str:
    """Return the OpenAPI document of `app` as stable JSON text.

    It is made once a process: every application here has the same routes, and SpecTree takes its models apart
    as it writes, so that a second document would lack the nested ones.
    """
    if not _made:
        with app.app_context():
            spec.app = app
            _made.append(json.dumps(_completed(spec.spec), ensure_ascii=False, indent=1, sort_keys=True) + "\n")
    return _made[0]


def _completed(document: dict[str, Any]) -> dict[str, Any]:
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
    for name, schema in document["components"]["schemas"].items():
        if name != "Problem" and not name.endswith(("In", "Query")):
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

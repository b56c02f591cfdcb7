"""Turns what Pydantic finds wrong into one message with a JSON pointer, what is wrong and what would be right."""

from __future__ import annotations

import json
from collections.abc import Sequence
from typing import Any, TypeVar

from pydantic import BaseModel, ValidationError

from fallow_sieve.core.values import BadInputError, nearest_names, shown

ModelT = TypeVar("ModelT", bound=BaseModel)
# Tags of a choice (a number or a range, a kind of readings) are no part of the document.
_TAGS = {"number", "range"}
_CHOICES = {"readings"}
_SHOWN = 60


def validate(model: type[ModelT], value: object) -> ModelT:
    """Return `value` as `model`. Raises BadInputError naming the first wrong place by JSON pointer."""
    try:
        return model.model_validate(value)
    except ValidationError as error:
        raise as_bad_input(error, model) from error


def as_bad_input(error: ValidationError, model: type[BaseModel] | None = None) -> BadInputError:
    """Return the first of Pydantic's findings as a BadInputError."""
    first = error.errors(include_url=False)[0]
    return BadInputError(_wrong(first), place=pointer(first["loc"]), right=_right(first, model))


def pointer(loc: Sequence[int | str]) -> str:
    """Return the JSON pointer (RFC 6901) of a location; the whole document is "/".

    >>> pointer(("parts", 0, "mass_g"))
    '/parts/0/mass_g'
    """
    return "/" + "/".join(str(s).replace("~", "~0").replace("/", "~1")[:80] for s in _untagged(loc))


def _untagged(loc: Sequence[int | str]) -> list[int | str]:
    def is_tag(n: int) -> bool:
        return loc[n] in _TAGS or (n > 0 and loc[n - 1] in _CHOICES and not isinstance(loc[n], int))

    return [s for n, s in enumerate(loc) if not is_tag(n)]


def _wrong(finding: Any) -> str:
    kind, value = finding["type"], finding.get("input")
    if kind == "extra_forbidden":
        return f"unknown key {shown(str(finding['loc'][-1]))}"
    if kind == "missing":
        return f"{shown(str(finding['loc'][-1]))} is missing"
    if kind == "value_error":
        return str(finding["ctx"]["error"])
    return f"{_as_json(value)} will not do"


def _as_json(value: object) -> str:
    """A value as its author wrote it: null and true, not None and True."""
    text = json.dumps(value, default=repr)
    return text if len(text) <= _SHOWN else text[: _SHOWN - 1] + "…"


_PLAIN = {
    "float_type": "it must be a number",
    "int_type": "it must be a whole number",
    "string_type": "it must be a text in quotes",
    "bool_type": "it must be true or false",
    "list_type": "it must be a list in [ ]",
    "model_type": "it must be an object in { }",
    "dict_type": "it must be an object in { }",
    "finite_number": "it must be a finite number",
    "json_invalid": "it must be valid JSON",
}


def _right(finding: Any, model: type[BaseModel] | None) -> str:
    kind, context = finding["type"], finding.get("ctx") or {}
    if kind == "extra_forbidden":
        return _known_keys(finding["loc"], model)
    if kind in _PLAIN:
        return _PLAIN[kind]
    if kind == "literal_error":
        return f"it must be {context['expected']}"
    if kind in ("missing", "value_error"):
        return ""
    if kind in ("too_short", "too_long"):
        least, most = context.get("min_length"), context.get("max_length")
        return f"it must hold at least {least}" if kind == "too_short" else f"it must hold at most {most}"
    text = str(finding["msg"])
    return "it must" + text.removeprefix("Input should").removeprefix("String should") if "should" in text else text


def _known_keys(loc: Sequence[int | str], model: type[BaseModel] | None) -> str:
    names = _fields_at(_untagged(loc[:-1]), model)
    if not names:
        return "leave it out"
    near = nearest_names(str(loc[-1]), names, 2)
    return f"did you mean {' or '.join(near)}?" if near else f"known here: {', '.join(sorted(names))}"


def _fields_at(loc: Sequence[int | str], model: type[BaseModel] | None) -> list[str]:
    """Follow the JSON schema of `model` along `loc` to the names that may stand there."""
    if model is None:
        return []
    schema = model.model_json_schema()
    node: Any = schema
    for step in loc:
        node = _resolved(node, schema)
        node = node.get("items", {}) if isinstance(step, int) else node.get("properties", {}).get(step, {})
    return list(_resolved(node, schema).get("properties", {}))


def _resolved(node: Any, schema: Any) -> Any:
    for _ in range(8):
        options = [o for o in node.get("anyOf", node.get("oneOf", [])) if o.get("type") not in ("null", "number")]
        if "$ref" in node:
            node = schema["$defs"][node["$ref"].rsplit("/", 1)[-1]]
        elif options:
            node = options[0]
        else:
            break
    return node

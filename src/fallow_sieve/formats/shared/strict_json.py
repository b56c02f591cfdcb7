"""Reads JSON as strictly as the formats promise: UTF-8, no key twice, no bottomless nesting, no control characters.

How much is in a document is counted before it is laid out: eight megabytes of keys would take a gigabyte.

NaN, infinities and numbers too large for a float are let through as such, so that validation can refuse them with
the place where they stand.
"""

from __future__ import annotations

import json
import math
import re
from typing import Any

from fallow_sieve.core.values import BadInputError, control_at, shown

MAX_BYTES = 8 * 1024 * 1024
MAX_DEPTH = 32
MAX_VALUES = 50_000
_STRINGS = re.compile(rb'"[^"\\]*(?:\\.[^"\\]*)*"', re.DOTALL)
_MOST_DIGITS = 308
_BETWEEN_VALUES = re.compile(rb"[,:]")
# What may stand for a control character: as an escape, or as it is. The text that it gives is then looked at.
_PERHAPS_CONTROL = re.compile(r"\\[bf]|\\u(?:00[0189]|007[fF]|[dD][89a-fA-F]|[fF]{3}[eEfF])|[\x7f-\x9f\ufffe\uffff]")


def parse_json(data: bytes) -> Any:
    """Return the value that the JSON document `data` holds. Raises BadInputError naming the place."""
    if len(data) > MAX_BYTES:
        raise BadInputError(f"{len(data)} bytes of JSON", right=f"at most {MAX_BYTES} are read")
    if data.count(b'"') > 4 * MAX_VALUES:
        raise BadInputError(f"more than {2 * MAX_VALUES} texts", place="/", right="no format here needs that many")
    _check_depth(data)
    _check_amount(data)
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise BadInputError(
            "not UTF-8 text", place=f"byte {error.start}", right="give a JSON document in UTF-8"
        ) from error
    try:
        twice: list[_Twice] = []
        value = json.loads(text, object_pairs_hook=lambda pairs: _object(pairs, twice), parse_int=_whole)
    except json.JSONDecodeError as error:
        raise BadInputError(
            f"not JSON: {error.msg.lower()}",
            place=f"line {error.lineno}, column {error.colno}",
            right="check for a missing comma, quote or bracket",
        ) from error
    if twice:
        _refuse_twice(value, "")
    if _PERHAPS_CONTROL.search(text):
        _refuse_controls(value, "")
    return value


def _check_amount(data: bytes) -> None:
    """Refuse more values than any format here has. Commas and colons of texts count only where there are that many."""
    if data.count(b",") + data.count(b":") <= MAX_VALUES:
        return
    for n, between in enumerate(_BETWEEN_VALUES.finditer(_STRINGS.sub(_blank, data))):
        if n >= MAX_VALUES:
            raise BadInputError(
                f"more than {MAX_VALUES} keys and values",
                place=f"byte {between.start()}",
                right="no format here needs that many",
            )


def _check_depth(data: bytes) -> None:
    if data.count(b"[") + data.count(b"{") <= MAX_DEPTH:
        return
    depth = 0
    for bracket in re.finditer(rb"[\[\]{}]", _STRINGS.sub(_blank, data)):
        depth += 1 if bracket[0] in b"[{" else -1
        if depth > MAX_DEPTH:
            raise BadInputError(
                f"nested more than {MAX_DEPTH} deep", place=f"byte {bracket.start()}", right="no format here needs that"
            )


def _blank(string: re.Match[bytes]) -> bytes:
    """A string without what is in it, as long as it was, so that places stay true."""
    return b" " * len(string[0])


def _whole(text: str) -> int | float:
    return int(text) if len(text) <= _MOST_DIGITS else math.copysign(math.inf, -1 if text[0] == "-" else 1)


class _Twice(dict[str, Any]):
    """An object in which a key stands twice; `key` is the first that does."""

    key: str


def _object(pairs: list[tuple[str, Any]], twice: list[_Twice]) -> dict[str, Any]:
    """The object of `pairs`; one in which a key stands twice is noted in `twice` too."""
    found = dict(pairs)
    if len(found) == len(pairs):
        return found
    marked = _Twice(found)
    keys = [k for k, _ in pairs]
    marked.key = next(k for k in keys if keys.count(k) > 1)
    twice.append(marked)
    return marked


def _refuse_twice(value: Any, place: str) -> None:
    if isinstance(value, _Twice):
        raise BadInputError(
            f"the key {shown(value.key)} stands twice in one object", place=place or "/", right="keep one of them"
        )
    if isinstance(value, dict):
        for key, inner in value.items():
            _refuse_twice(inner, f"{place}/{key}")
    elif isinstance(value, list):
        for n, inner in enumerate(value):
            _refuse_twice(inner, f"{place}/{n}")


def _refuse_controls(value: Any, place: str) -> None:
    if isinstance(value, str):
        at = control_at(value)
        if at is not None:
            wrong = f"a control character (U+{ord(value[at]):04X}) as character {at + 1}"
            raise BadInputError(wrong, place=place or "/", right="take it out: it cannot be seen or printed")
    elif isinstance(value, dict):
        for key, inner in value.items():
            _refuse_controls(key, place)
            _refuse_controls(inner, f"{place}/{key}")
    elif isinstance(value, list):
        for n, inner in enumerate(value):
            _refuse_controls(inner, f"{place}/{n}")

"""Reads JSON as strictly as the formats promise: UTF-8, no key twice, no bottomless nesting.

NaN, infinities and numbers too large for a float are let through as such, so that validation can refuse them with
the place where they stand.
"""

from __future__ import annotations

import json
import math
import re
from typing import Any

from fallow_sieve.core.values import BadInputError, shown

MAX_BYTES = 8 * 1024 * 1024
MAX_DEPTH = 32
_STRINGS = re.compile(rb'"(?:[^"\\]|\\.)*"', re.DOTALL)
_MOST_DIGITS = 308


def parse_json(data: bytes) -> Any:
    """Return the value that the JSON document `data` holds. Raises BadInputError naming the place."""
    if len(data) > MAX_BYTES:
        raise BadInputError(f"{len(data)} bytes of JSON", right=f"at most {MAX_BYTES} are read")
    _check_depth(data)
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
    return value


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

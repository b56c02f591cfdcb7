"""Reads JSON as strictly as the formats promise: UTF-8, no NaN, no key twice, no bottomless nesting."""

from __future__ import annotations

import json
import re
from typing import Any, NoReturn

from fallow_sieve.core.errors import BadInputError, shown

MAX_BYTES = 8 * 1024 * 1024
MAX_DEPTH = 32
_STRINGS = re.compile(rb'"(?:[^"\\]|\\.)*"', re.DOTALL)


def parse_json(data: bytes) -> Any:
    """Return the value that the JSON document `data` holds. Raises BadInputError naming line and column."""
    if len(data) > MAX_BYTES:
        raise BadInputError(f"{len(data)} bytes of JSON", right=f"at most {MAX_BYTES} are read")
    _check_depth(data)
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise BadInputError(f"byte {error.start} is not UTF-8 text", right="give a JSON document in UTF-8") from error
    try:
        return json.loads(text, parse_constant=_no_constant, object_pairs_hook=_no_twice, parse_float=_finite)
    except json.JSONDecodeError as error:
        raise BadInputError(
            f"not JSON: {error.msg.lower()}",
            place=f"line {error.lineno}, column {error.colno}",
            right="check for a missing comma, quote or bracket",
        ) from error
    except (ValueError, RecursionError) as error:
        if isinstance(error, BadInputError):
            raise
        raise BadInputError(f"not JSON that can be read: {shown(str(error))}") from error


def _check_depth(data: bytes) -> None:
    depth = 0
    for byte in re.findall(rb"[\[\]{}]", _STRINGS.sub(b'""', data)):
        depth += 1 if byte in b"[{" else -1
        if depth > MAX_DEPTH:
            raise BadInputError(f"nested more than {MAX_DEPTH} deep", right="no format here needs that")


def _no_constant(name: str) -> NoReturn:
    raise BadInputError(f"{name} is not a number", right="leave out what is not known")


def _finite(text: str) -> float:
    value = float(text)
    if value in (float("inf"), float("-inf")):
        raise BadInputError(f"{shown(text)} is too large a number")
    return value


def _no_twice(pairs: list[tuple[str, Any]]) -> dict[str, Any]:
    found = dict(pairs)
    if len(found) < len(pairs):
        keys = [k for k, _ in pairs]
        twice = next(k for k in keys if keys.count(k) > 1)
        raise BadInputError(f"the key {shown(twice)} stands twice in one object", right="keep one of them")
    return found

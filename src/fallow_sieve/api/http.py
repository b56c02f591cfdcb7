"""Small parts that every route uses: reading a body, answering with JSON, ETag and If-Match, cursors."""

from __future__ import annotations

import json
import re
from collections.abc import Callable, Iterable, Iterator
from datetime import UTC, date, datetime
from functools import cache
from typing import Any, TypeVar, cast

from flask import Response, current_app, request, stream_with_context
from pydantic import BaseModel, RootModel, TypeAdapter
from pydantic_core import SchemaSerializer

from fallow_sieve.api.looking import demo_store, is_looking
from fallow_sieve.api.problems import detail_of
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.formats.shared import parse_json, validate
from fallow_sieve.services.kitchen import KitchenNow, kitchen_now
from fallow_sieve.store import KitchenStore

ModelT = TypeVar("ModelT", bound=BaseModel)
PAGE_LIMIT = 100


def store() -> KitchenStore:
    """Return the kitchen's store of this application, or of the demo kitchen that the request looks into."""
    return demo_store() if is_looking() else cast(KitchenStore, current_app.extensions["kitchen"])


def kitchen(brief_id: int | None = None) -> KitchenNow:
    """Return the kitchen as it is now, within the limits of a brief where one is named. Raises NotFoundError."""
    return kitchen_now(store(), today(), brief_id)


def now_text() -> str:
    """Return the time as ISO 8601 text in UTC, by the application's clock."""
    clock = current_app.extensions["clock"]
    return cast(datetime, clock()).astimezone(UTC).strftime("%Y-%m-%dT%H:%M:%SZ")


def today() -> date:
    """Return the date by the application's clock."""
    return cast(datetime, current_app.extensions["clock"]()).date()


def body(model: type[ModelT]) -> ModelT:
    """Return the request's JSON body as `model`. Raises BadInputError naming the place."""
    if request.mimetype not in ("application/json", "application/merge-patch+json"):
        raise BadInputError(f"a body of type {shown(request.mimetype)}", right="send application/json")
    return validate(model, parse_json(request.get_data()))


def answer(value: BaseModel, status: int = 200, version: int | None = None) -> Response:
    """Return `value` as JSON; with `version` as its ETag."""
    return _json(value.model_dump_json().encode(), status, version)


def json_answer(value: dict[str, Any]) -> Response:
    """Return plain values as JSON, where there are too many of them for a model each."""
    return _json(json.dumps(value, ensure_ascii=False, allow_nan=False).encode(), 200, None)


def answer_value(model: type[RootModel[Any]], value: object, status: int = 200) -> Response:
    """Return a value of the core or of a service as JSON: its fields are those of `model`, which is made of it."""
    return _json(_writer(model).to_json(value), status, None)


@cache
def _writer(model: type[RootModel[Any]]) -> SchemaSerializer:
    """What writes the values that `model` is made of, without making a model of each first."""
    adapter: TypeAdapter[Any] = TypeAdapter(cast(Any, model.model_fields["root"].annotation))
    return adapter.serializer


def file_answer(data: bytes | str, mimetype: str, name: str) -> Response:
    """Return `data` as a file to save under `name`."""
    response = Response(data, mimetype=mimetype)
    response.headers["Content-Disposition"] = f'attachment; filename="{name}"'
    return response


def stem_of(name: str, otherwise: str) -> str:
    """Return the start of a file's name for a document of this name."""
    return re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-") or otherwise


def streamed(lines: Iterable[BaseModel], stopped: Callable[[], None] = lambda: None) -> Response:
    """Return one JSON object a line, each with what it has; an error on the way is the last line.

    `stopped` is told when the stream ends, also because its reader left.
    """

    def written() -> Iterator[str]:
        try:
            for line in lines:
                yield line.model_dump_json(exclude_unset=True) + "\n"
        except Exception as error:
            yield json.dumps({"problem": detail_of(error)}) + "\n"
        finally:
            stopped()

    return Response(stream_with_context(written()), mimetype="application/x-ndjson")


def _json(data: bytes, status: int, version: int | None) -> Response:
    response = Response(data, status, mimetype="application/json")
    if version is not None:
        response.headers["ETag"] = f'"{version}"'
    return response


_ETAG = re.compile(r'(?:W/)?"?(\d{1,15})"?')


def if_match() -> int:
    """Return the version that If-Match names. Raises BadInputError where it is missing or not one of ours."""
    given = request.headers.get("If-Match", "")
    match = _ETAG.fullmatch(given.strip())
    if match is None:
        raise BadInputError(
            f"If-Match {shown(given)}" if given else "the header If-Match is missing",
            place="If-Match",
            right='send the ETag that the record was read with, such as "3"',
        )
    return int(match.group(1))


def whole(name: str, default: int, lowest: int, highest: int) -> int:
    """Return the whole number of the query parameter `name`, between lowest and highest."""
    given = request.args.get(name, "")
    if not given:
        return default
    if not re.fullmatch(r"\d{1,15}", given) or not lowest <= int(given) <= highest:
        raise BadInputError(
            f"{shown(given)} will not do", place=f"?{name}", right=f"a whole number from {lowest} to {highest}"
        )
    return int(given)


def page(usual: int = 50) -> tuple[int, int]:
    """Return the cursor (the id to start after) and the limit that the query asks for, else the `usual` one."""
    return whole("cursor", 0, 0, 2**53), whole("limit", usual, 1, PAGE_LIMIT)

"""The description of the API is the one the code makes."""

from __future__ import annotations

import re

from fallow_sieve.api.openapi import openapi_text
from fallow_sieve.api.spec import DOCUMENT

API = "/api/v1"


def test_the_openapi_document_beside_the_code_is_the_one_the_code_makes(app):
    assert DOCUMENT.read_text(encoding="utf-8") == openapi_text(app), "run `make schemas`"


def test_the_openapi_document_is_served_and_names_every_route(client, app):
    paths = client.get(f"{API}/openapi.json").json["paths"]
    routes = {re.sub(r"<int[^:]*:", "{", r.rule).replace("<", "{").replace(">", "}") for r in app.url_map.iter_rules() if r.rule.startswith(API)}  # fmt: skip
    assert routes - {f"{API}/ping", f"{API}/openapi.json"} == set(paths)

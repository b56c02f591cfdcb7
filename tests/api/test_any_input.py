"""Schemathesis: whatever comes in, valid or not, nothing is answered with a fault of ours."""

from __future__ import annotations

import json
import tempfile
from pathlib import Path

import pytest
import schemathesis
from hypothesis import HealthCheck, settings
from schemathesis.checks import not_a_server_error
from schemathesis.specs.openapi.checks import (  # fmt: skip
    content_type_conformance,
    response_schema_conformance,
    status_code_conformance,
)

from fallow_sieve.api.app import create_app
from fallow_sieve.api.openapi import openapi_text
from fallow_sieve.demo.kitchen import fill
from fuzzing import examples

FOLDER = tempfile.TemporaryDirectory()
APP = create_app(Path(FOLDER.name) / "any.db")
fill(APP.extensions["kitchen"], APP.extensions["clock"]())
SCHEMA = schemathesis.openapi.from_wsgi("/api/v1/openapi.json", APP)


@SCHEMA.parametrize()
@settings(max_examples=examples(6), deadline=None, suppress_health_check=list(HealthCheck))
def test_no_input_is_answered_with_a_fault_of_ours(case):
    case.call_and_validate(checks=[not_a_server_error, status_code_conformance, content_type_conformance, response_schema_conformance])  # fmt: skip


@pytest.mark.parametrize("operation", sorted(json.loads(openapi_text(APP))["paths"]))
def test_every_operation_says_how_it_fails(operation):
    for method in json.loads(openapi_text(APP))["paths"][operation].values():
        assert "422" in method["responses"]

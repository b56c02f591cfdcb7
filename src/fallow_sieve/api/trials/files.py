"""Trials in and out: the trial file, and readings as a tidy table (CSV)."""

from __future__ import annotations

from flask import Blueprint, Response, request

from fallow_sieve.api.http import answer, file_answer, kitchen, now_text, stem_of, store
from fallow_sieve.api.spec import route
from fallow_sieve.api.trials.family_models import BroughtOut, TrialExportQuery
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.formats.shared import parse_json, validate
from fallow_sieve.formats.trials import TrialFile
from fallow_sieve.services.trials.files import Brought, bring_readings, bring_trial, readings_table, trial_file
from fallow_sieve.store import FORMULAS
from fallow_sieve.store.trials import get_trial

routes = Blueprint("trial_files", __name__)


@routes.post("/trials/import")
@route(BroughtOut, status=201)
def import_trial() -> Response:
    """Add the trial in a trial file (the body, as it is), onto a formula of its name and use, or one that is added."""
    if request.mimetype not in ("application/json", ""):
        raise BadInputError(f"a file of type {shown(request.mimetype)}", right="send a trial file (application/json)")
    file, here = validate(TrialFile, parse_json(request.get_data())), kitchen()
    with store().writing() as session:
        found = bring_trial(session, file, here, now_text())
    return _brought(found, 201)


@routes.post("/trials/<int:trial_id>/readings/import")
@route(BroughtOut)
def import_readings(trial_id: int) -> Response:
    """Note the readings in a table (CSV, the body as it is) on a trial; the same again adds nothing."""
    if request.mimetype != "text/csv":
        raise BadInputError(f"a file of type {shown(request.mimetype)}", right="send readings as CSV (text/csv)")
    with store().writing() as session:
        found = bring_readings(session, trial_id, request.get_data(), now_text())
    return _brought(found)


@routes.get("/trials/<int:trial_id>/export")
@route(None, query=TrialExportQuery)
def export_trial(trial_id: int) -> Response:
    """Return a trial as a file: `?format=json` (trial file) or `csv` (its readings)."""
    kind, here = request.args.get("format", "json"), kitchen()
    with store().reading() as session:
        record = get_trial(session, trial_id)
        stem = stem_of(record.name, "trial")
        if kind == "csv":
            return file_answer(readings_table(session, record.formula_id, trial_id), "text/csv", f"{stem}.csv")
        if kind == "json":
            return file_answer(trial_file(session, trial_id, here), "application/json", f"{stem}.json")
    raise BadInputError(f"the format {shown(kind)}", place="?format", right="json or csv")


@routes.get("/formulas/<int:formula_id>/readings")
@route(None)
def export_readings(formula_id: int) -> Response:
    """Return the readings of all trials of a formula as CSV, the first bake first."""
    with store().reading() as session:
        name = FORMULAS.get(session, formula_id).name
        found = readings_table(session, formula_id)
    return file_answer(found, "text/csv", f"{stem_of(name, 'formula')}-readings.csv")


def _brought(found: Brought, status: int = 200) -> Response:
    out = BroughtOut(id=found.trial.id, name=found.trial.name, formula_id=found.trial.formula_id, notes=found.notes)
    return answer(out, status)

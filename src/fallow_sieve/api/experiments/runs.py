"""Bakes of an experiment: the next ones, what they came to, their trials."""

from __future__ import annotations

from dataclasses import replace

from flask import Blueprint, Response

from fallow_sieve.api.experiments.models import BakedOut, ExperimentOut, NextIn, RunIn
from fallow_sieve.api.experiments.routes import here_of, told
from fallow_sieve.api.http import answer, body, now_text, store
from fallow_sieve.api.spec import route
from fallow_sieve.services.experiments.known import experiment_now
from fallow_sieve.services.experiments.making import add_next, add_point, bake, note_run, run_named

routes = Blueprint("experiment_runs", __name__)


@routes.post("/experiments/<int:experiment_id>/runs")
@route(ExperimentOut, json=NextIn)
def go_on(experiment_id: int) -> Response:
    """Add the bakes that would teach most, or one of one's own."""
    given, here = body(NextIn), here_of(experiment_id)
    with store().writing() as session:
        if given.x is None:
            add_next(session, experiment_id, given.count, here)
        else:
            add_point(session, experiment_id, given.x, here)
        return told(session, experiment_id, here)


@routes.put("/experiments/<int:experiment_id>/runs/<int:number>")
@route(ExperimentOut, json=RunIn)
def note(experiment_id: int, number: int) -> Response:
    """Set what came out of a bake by hand; an empty value gives the word back to its trial and tables."""
    given, here = body(RunIn), here_of(experiment_id)
    with store().writing() as session:
        run = run_named(experiment_now(session, experiment_id, here), number)
        noted = replace(run, value=given.value, se=given.se, failed=given.failed, seen=given.seen.strip())
        note_run(session, experiment_id, noted)
        return told(session, experiment_id, here)


@routes.post("/experiments/<int:experiment_id>/runs/<int:number>/bake")
@route(BakedOut, status=201)
def bake_it(experiment_id: int, number: int) -> Response:
    """Begin the trial of a bake, its mix kept as a revision; where it has one already, that."""
    here = here_of(experiment_id)
    with store().writing() as session:
        return answer(BakedOut(trial_id=bake(session, experiment_id, number, here, now_text())), 201)

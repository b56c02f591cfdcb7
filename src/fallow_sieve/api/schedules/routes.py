"""Schedules: documents whose content is a schedule file."""

from __future__ import annotations

from flask import Blueprint, Response

from fallow_sieve.api.documents import DocumentApi, Models, document_routes
from fallow_sieve.api.http import answer
from fallow_sieve.api.schedules.models import (
    NewScheduleIn,
    ScheduleDraftIn,
    ScheduleDraftOut,
    ScheduleList,
    ScheduleOut,
    ScheduleRevisionOut,
    ScheduleSummary,
    SchoolOut,
    SchoolsOut,
)
from fallow_sieve.api.spec import route
from fallow_sieve.formats.schedule import PlanFile
from fallow_sieve.reference import oven_names, rules, schools_by_use
from fallow_sieve.services.schedule.standing import check_schedule, schedule_standing
from fallow_sieve.store import SCHEDULES

routes = Blueprint("schedules", __name__)


def plan_of(given: NewScheduleIn | ScheduleDraftIn) -> PlanFile:
    """Return what a request carries as a schedule."""
    return given.content


def as_it_is(content: PlanFile) -> PlanFile:
    """Return the content as an answer carries it."""
    return content


SCHEDULE_API: DocumentApi[PlanFile] = DocumentApi(
    path="schedules",
    documents=SCHEDULES,
    models=Models(
        NewScheduleIn,
        ScheduleDraftIn,
        ScheduleDraftOut,
        ScheduleRevisionOut,
        ScheduleOut,
        ScheduleSummary,
        ScheduleList,
    ),
    read=plan_of,
    show=as_it_is,
    check=check_schedule,
    standing=schedule_standing,
)
document_routes(routes, SCHEDULE_API)


@routes.get("/schools")
@route(SchoolsOut)
def schools() -> Response:
    """Return every use that can be planned with its schools, and the kinds of ovens by name."""
    names = {u.slug: u.name for u in rules().uses.values()}
    uses = [SchoolOut(use=u, name=names.get(u, u), schools=s) for u, s in schools_by_use().items()]
    return answer(SchoolsOut(uses=uses, ovens=oven_names()))

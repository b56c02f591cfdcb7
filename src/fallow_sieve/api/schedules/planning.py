"""Plans: found while one waits, followed while they run, and written as files."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import UTC, datetime
from queue import Queue
from threading import Event, Thread
from time import monotonic
from typing import cast

from flask import Blueprint, Response, current_app

from fallow_sieve.api.http import answer_value, body, file_answer, kitchen, now_text, stem_of, store, streamed
from fallow_sieve.api.schedules.models import FileIn, ObservedIn, PlanIn, PlanLine, StepIn, WaysOut, WhyOut
from fallow_sieve.api.spec import route
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.core.schedule.clock import instant_of, zone_named
from fallow_sieve.core.schedule.learning import Taught
from fallow_sieve.formats.schedule import KitchenIn, PlanFile, ProductIn, plan_text, write_plan_csv
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.schedule.plans import Planned, planned, request_of
from fallow_sieve.services.schedule.running import cancelled_steps, observations, ways_from_here
from fallow_sieve.services.schedule.starters import StarterTold, told_starters
from fallow_sieve.services.schedule.telling import schedule_answer
from fallow_sieve.services.schedule.why import why_then
from fallow_sieve.store import SCHEDULES, add_observation, starters_of, taught_in, workplace_of

TIME_LIMIT_S, WHY_LIMIT_S = 10.0, 8.0
routes = Blueprint("planning", __name__)


def clock_now() -> datetime:
    """Return the instant by the application's clock, UTC."""
    return cast(datetime, current_app.extensions["clock"]()).astimezone(UTC)


def here_and_now(content: PlanFile) -> tuple[PlanFile, KitchenNow, Taught]:
    """Return a schedule as of now and in this kitchen, the kitchen, and what its plans have taught."""
    with store().reading() as session:
        place, taught = workplace_of(session), taught_in(session)
        jars = {t.starter.id: t for t in told_starters(starters_of(session), clock_now())}
    zone = zone_named(content.zone)
    now = max(clock_now(), instant_of(content.now, zone, "/content/now"))
    products = [_from_jar(p, jars.get(p.starter_id or 0)) for p in content.products]
    changes: dict[str, object] = {"now": now.isoformat(), "products": products}
    if content.kitchen is None and place.content:
        changes["kitchen"] = KitchenIn.model_validate(place.content)
    return content.model_copy(update=changes), kitchen(), taught


def _from_jar(product: ProductIn, jar: StarterTold | None) -> ProductIn:
    """The product with the rest and the pace of its own starter's jar."""
    if jar is None:
        return product
    rest = product.rest_days if jar.rest_days is None else min(365.0, jar.rest_days)
    return product.model_copy(update={"rest_days": rest, "leaven_pace": min(4.9, max(0.21, jar.factor))})


def effort(stop: Event, seconds: float) -> Effort:
    """Return a search that ends after `seconds`, or when nobody listens any more."""
    begun: list[float] = []

    def left() -> float:
        begun.append(monotonic()) if not begun else None
        return begun[0] + seconds - monotonic()

    return Effort(left, stop.is_set)


@routes.post("/plans")
@route(PlanLine, json=PlanIn, lines=True)
def plan() -> Response:
    """Find times, and give what is found as it is found, one JSON object a line: coarse, then fine or why not.

    It stops after 10 s with the best so far and says the gap, or when nobody listens any more.
    """
    file, here, taught = here_and_now(body(PlanIn).content)
    request_of(file, here, taught)  # what is wrong with it is said before anything streams
    stop, found = Event(), Queue[PlanLine | Exception]()

    def search() -> None:
        try:

            def coarse(at_first: Planned) -> None:
                found.put(PlanLine(coarse=schedule_answer(at_first, here)))

            done = planned(file, here, effort(stop, TIME_LIMIT_S), effort(stop, WHY_LIMIT_S), taught, coarse)
            found.put(PlanLine(plan=schedule_answer(done, here)))
        except Exception as error:
            found.put(error)
        found.put(PlanLine(done=True))

    Thread(target=search, daemon=True).start()
    return streamed(_until_done(found), stop.set)


def _until_done(found: Queue[PlanLine | Exception]) -> Iterator[PlanLine]:
    while True:
        line = found.get()
        if isinstance(line, Exception):
            raise line
        yield line
        if line.done:
            return


def found_plan(content: PlanFile) -> tuple[Planned, KitchenNow]:
    """Return the plan of a schedule as of now, and the kitchen. Raises BadInputError."""
    file, here, taught = here_and_now(content)
    stop = Event()
    return planned(file, here, effort(stop, TIME_LIMIT_S), effort(stop, WHY_LIMIT_S), taught), here


@routes.post("/plans/ways-out")
@route(WaysOut, json=StepIn)
def ways_out() -> Response:
    """Return what comes of leaving a running rise, cooling it, warming it, or baking it now."""
    given = body(StepIn)
    found, _ = found_plan(given.content)
    return answer_value(WaysOut, list(ways_from_here(found, given.product, given.step, clock_now())))


@routes.post("/plans/why")
@route(WhyOut, json=StepIn)
def why() -> Response:
    """Return what lets a step begin when it does, each as a window, and which of them hold it."""
    given = body(StepIn)
    found, _ = found_plan(given.content)
    return answer_value(WhyOut, list(why_then(found, given.product, given.step)))


@routes.post("/schedules/<int:document_id>/observations")
@route(None, status=204, json=ObservedIn)
def observed(document_id: int) -> Response:
    """Learn from a step of a schedule, as its draft says: a rise that ended, a dough measured, an oven heated.

    Said again, it takes the place of what was said before.
    """
    given = body(ObservedIn)
    with store().reading() as session:
        content = SCHEDULES.draft(session, document_id).content
    found, _ = found_plan(content)
    what = observations(found, given.product, given.step)
    with store().writing() as session:
        for one in what:
            add_observation(session, document_id, f"{given.product}/{given.step}", one, now_text())
    return Response(status=204)


@routes.post("/plans/calendar")
@route(None, json=FileIn)
def calendar() -> Response:
    """Return a plan as an iCalendar file."""
    given = body(FileIn)
    found, here = found_plan(given.content)
    key = f"schedule {given.schedule_id or given.name}"
    from fallow_sieve.formats.schedule.calendar import CalendarOf, write_calendar  # only a calendar needs the library

    of = CalendarOf(given.name, key, given.sequence, clock_now(), cancelled_steps(found))
    made = write_calendar(schedule_answer(found, here), of)
    return file_answer(made, "text/calendar", f"{stem_of(given.name, 'schedule')}.ics")


@routes.post("/plans/csv")
@route(None, json=FileIn)
def table() -> Response:
    """Return a plan as a table, one line a step."""
    given = body(FileIn)
    found, here = found_plan(given.content)
    made = write_plan_csv(schedule_answer(found, here), found.clock.zone)
    return file_answer(made, "text/csv", f"{stem_of(given.name, 'schedule')}.csv")


@routes.post("/plans/file")
@route(None, json=FileIn)
def schedule_file() -> Response:
    """Return a schedule as a schedule file."""
    given = body(FileIn)
    file, _, _ = here_and_now(given.content)
    made = plan_text(file.model_copy(update={"name": given.name}))
    return file_answer(made, "application/json", f"{stem_of(given.name, 'schedule')}.json")

"""The search for blends: proposals as they are found, the trade-off of two aims, mending, and how sure a blend is."""

from __future__ import annotations

from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from itertools import chain
from threading import Event
from time import monotonic

from flask import Blueprint, Response

from fallow_sieve.api.http import answer, answer_value, body, kitchen, store, streamed
from fallow_sieve.api.models import as_parts
from fallow_sieve.api.proposals.models import (
    AskIn,
    BagsIn,
    BagsOut,
    BetweenUsesIn,
    BriefFileIn,
    FrontLine,
    MendIn,
    MendOut,
    MoreIn,
    MorePrices,
    NearOut,
    SearchLine,
    SweepIn,
    WishesIn,
    WishesOut,
)
from fallow_sieve.api.spec import route
from fallow_sieve.core.blends import Blend, rule_of_use
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.core.optimise import TIME_LIMIT_S, Aim, Wishes
from fallow_sieve.formats.briefs import WishListIn, body_of, named_uses, wishes_of, write_brief
from fallow_sieve.reference import rules
from fallow_sieve.services.blends.asking import Posed, posed, wishes_for
from fallow_sieve.services.blends.mending import answer_of, bags, mended
from fallow_sieve.services.blends.proposals import (
    Clash,
    ShownProposal,
    SkippedAim,
    prices_near,
    shown_as_found,
    shown_front,
    shown_front_between,
    shown_near,
)
from fallow_sieve.store import get_brief

routes = Blueprint("proposals", __name__)
_POOL = ThreadPoolExecutor(2, thread_name_prefix="search")


@routes.post("/wishes")
@route(WishesOut, json=WishesIn)
def wishes() -> Response:
    """Return the wishes that a blend on the bench starts from: its brief's limits, its locks and its binder."""
    given = body(WishesIn)
    here, aim = kitchen(given.brief_id), None
    if given.brief_id is not None:
        with store().reading() as session:
            aim = get_brief(session, given.brief_id).aim
    blend = Blend(as_parts(given.parts), use=given.use)
    return answer(body_of(wishes_for(blend, here, aim)))


@routes.post("/proposals")
@route(SearchLine, json=AskIn, lines=True)
def propose() -> Response:
    """Search, and give each proposal as it is found, one JSON object a line: a proposal, a skipped aim, a conflict.

    The last line says how it ended. It stops after 5 s with the best so far, or when nobody listens any more.
    """
    asked, stop = _posed(body(AskIn)), Event()
    effort = _effort(stop)

    def lines() -> Iterator[SearchLine]:
        for found in shown_as_found(asked, effort):
            yield _line(found)
        yield SearchLine(done=True, notes=list(asked.problem.notes), stopped=effort.seconds_left() <= 0)

    return streamed(lines(), stop.set)


def _line(found: ShownProposal | SkippedAim | Clash) -> SearchLine:
    if isinstance(found, ShownProposal):
        return SearchLine(proposal=found)
    return SearchLine(skipped=found) if isinstance(found, SkippedAim) else SearchLine(conflict=found)


@routes.post("/tradeoffs")
@route(FrontLine, json=SweepIn, lines=True)
def sweep() -> Response:
    """Give the points of the trade-off between two aims as they are found, one JSON object a line."""
    given, stop = body(SweepIn), Event()
    found = shown_front(_posed(given), Aim(given.x), Aim(given.y), _effort(stop, seconds=2 * TIME_LIMIT_S))
    first = next(found, None)  # what is wrong with it is said before anything streams
    points = (FrontLine(point=p) for p in chain([first] if first else [], found))
    return streamed(chain(points, [FrontLine(done=True)]), stop.set)


@routes.post("/tradeoffs-between-uses")
@route(FrontLine, json=BetweenUsesIn, lines=True)
def between_uses() -> Response:
    """Give blends between the best for one use and the best for the others as they are found, one JSON object a line.

    `x` is the fit for the one, `y` that of the worst of the others.
    """
    given, stop = body(BetweenUsesIn), Event()
    found = shown_front_between(_posed(given), given.against, _effort(stop, seconds=2 * TIME_LIMIT_S))
    first = next(found, None)
    points = (FrontLine(point=p) for p in chain([first] if first else [], found))
    return streamed(chain(points, [FrontLine(done=True)]), stop.set)


@routes.post("/near-variants")
@route(NearOut, json=MoreIn)
def near() -> Response:
    """Return what lies near a proposal: a bin fewer, what is in stock, the dear one halved; or why there is none."""
    given = body(MoreIn)
    return answer(NearOut(variants=list(shown_near(_posed(given), Aim(given.aim), given.shares, _effort(Event())))))


@routes.post("/prices-of-more")
@route(MorePrices, json=MoreIn)
def more() -> Response:
    """Return what a little more fibre, protein and the like would cost in a proposal, and the slack of its limits."""
    given = body(MoreIn)
    return answer_value(MorePrices, prices_near(_posed(given), Aim(given.aim), given.shares))


@routes.post("/brief-files")
@route(None, json=BriefFileIn)
def brief_file() -> Response:
    """Return wishes as a brief file."""
    given = body(BriefFileIn)
    made = write_brief(given.name, _wishes(given.wishes))
    return Response(made, mimetype="application/json")


@routes.post("/mend")
@route(MendOut, json=MendIn)
def mend() -> Response:
    """Return the smallest changes with which a blend passes, touching one, two and three of its parts."""
    given = body(MendIn)
    blend = Blend(as_parts(given.parts), use=given.use)
    done = mended(blend, kitchen(given.brief_id), given.touch, _effort(Event()))
    return answer_value(MendOut, answer_of(done, given.touch))


@routes.post("/bags")
@route(BagsOut, json=BagsIn)
def bags_of_blend() -> Response:
    """Return with how many of 100 bags a blend passes its sieves: 2 000 draws within the ranges of its numbers."""
    given = body(BagsIn)
    return answer_value(BagsOut, bags(Blend(as_parts(given.parts), use=given.use), kitchen(given.brief_id)))


def _posed(given: AskIn) -> Posed:
    return posed(_wishes(given.wishes), as_parts(given.parts), kitchen(), library=given.library)


def _wishes(given: WishListIn) -> Wishes:
    named = named_uses(given)
    return wishes_of(given, rule_of_use(rules().uses, given.use, "/wishes/use", named, "/wishes/uses"))


def _effort(stop: Event, seconds: float = TIME_LIMIT_S) -> Effort:
    end = monotonic() + seconds
    return Effort(lambda: end - monotonic(), stop.is_set, _POOL.map)

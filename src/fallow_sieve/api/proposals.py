"""The search for blends: proposals as they are found, the trade-off of two aims, mending, and how sure a blend is."""

from __future__ import annotations

import json
from collections.abc import Iterable, Iterator, Mapping, Sequence
from concurrent.futures import ThreadPoolExecutor
from dataclasses import replace
from threading import Event
from time import monotonic
from typing import Any

import numpy as np
from flask import Blueprint, Response
from pydantic import TypeAdapter

from fallow_sieve.api.http import answer, as_parts, body, store, today
from fallow_sieve.api.problems import detail_of
from fallow_sieve.api.proposal_models import (
    AskIn,
    BagShareOut,
    BagsIn,
    BagsOut,
    BriefFileIn,
    MendAnswer,
    MendIn,
    MendOptionOut,
    MoreIn,
    MoreOut,
    MorePrices,
    MoveOut,
    SlackOut,
    SweepIn,
    WishesIn,
    WishesOut,
)
from fallow_sieve.api.spec import route
from fallow_sieve.api.summaries import limits_of, part_out
from fallow_sieve.core.blends.analysis import Analysis, analyse
from fallow_sieve.core.blends.blend import Blend, Part, check_parts, drawing_on
from fallow_sieve.core.blends.fit import BandResult, fit_to, rule_of_use
from fallow_sieve.core.blends.limits import Limits
from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.ingredients.ingredient import Role
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.numerics.solver import Effort
from fallow_sieve.core.optimise.bags import SEED, bags_of
from fallow_sieve.core.optimise.conflicts import Conflict
from fallow_sieve.core.optimise.explaining import explain_proposal, prices_of_more
from fallow_sieve.core.optimise.gains import gives_and_gives_up
from fallow_sieve.core.optimise.mending import Mending, mend
from fallow_sieve.core.optimise.posing import in_bins, problem_of
from fallow_sieve.core.optimise.problem import Problem
from fallow_sieve.core.optimise.proposals import TIME_LIMIT_S, Proposal, Skipped, blend_of, proposal_of
from fallow_sieve.core.optimise.searching import search
from fallow_sieve.core.optimise.tradeoffs import Point, front
from fallow_sieve.core.optimise.wishes import AIM_LABELS, Aim, Wishes
from fallow_sieve.core.values.bands import Status, worst_first
from fallow_sieve.core.values.quantities import CupStandard
from fallow_sieve.formats.brief_file import body_of, wishes_of, write_brief
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.briefs import get_brief

routes = Blueprint("proposals", __name__)
_SIEVES = TypeAdapter(list[BandResult])
_POOL = ThreadPoolExecutor(2, thread_name_prefix="search")
_FLOUR_G = 1000.0
_AIM_OF_BRIEF = {"cheapest": Aim.CHEAPEST, "more-fibre": Aim.MOST_FIBRE, "more-protein": Aim.MOST_PROTEIN}
_AIMS = (Aim.NEAREST, Aim.CHEAPEST, Aim.MOST_FIBRE, Aim.MOST_PROTEIN, Aim.FEWEST_BINS, Aim.MILDEST)


@routes.post("/wishes")
@route(WishesOut, json=WishesIn)
def wishes() -> Response:
    """Return the wishes that a blend on the bench starts from: its brief's limits, its locks and its binder."""
    given = body(WishesIn)
    parts = as_parts(given.parts)
    aims: tuple[Aim, ...] = _AIMS
    limits = Limits()
    with store().reading() as session:
        shelf = store().shelf(session, today())
        if given.brief_id is not None:
            brief = get_brief(session, given.brief_id)
            limits = limits_of(brief.limits)
            first = _AIM_OF_BRIEF.get(brief.aim, Aim.NEAREST)
            aims = (first, *(a for a in _AIMS if a is not first))
    use = rule_of_use(rules().uses, given.use)
    asked = Wishes(use, limits, aims=aims)
    if parts:
        check_parts(parts, shelf)
        analysis = analyse(Blend(parts), shelf)
        locked = {p.ingredient for p in parts if p.locked}
        shares = {p.ingredient: round(p.flour_pct, 6) for p in analysis.parts if p.flour_pct is not None}
        flour = {s: x for s, x in shares.items() if shelf[s].in_flour_base}
        binder = {p.ingredient: shares[p.ingredient] for p in analysis.parts if p.role is Role.BINDER and shares}
        asked = replace(asked, lock={s: x for s, x in flour.items() if s in locked}, binder=binder)
    return answer(body_of(asked))


@routes.post("/proposals")
@route(None, json=AskIn)
def propose() -> Response:
    """Search, and give each proposal as it is found, one JSON object a line: a proposal, a skipped aim, a conflict.

    The last line says how it ended. It stops after 5 s with the best so far, or when nobody listens any more.
    """
    given = body(AskIn)
    problem, shelf, parts, currency = _problem(given)
    now = analyse(Blend(parts), shelf, problem.mix.cup) if parts else None
    stop = Event()
    effort = _effort(stop)

    def lines() -> Iterator[dict[str, Any]]:
        first = now
        for found in search(problem, shelf, effort):
            if isinstance(found, Proposal):
                yield {"proposal": _proposal(problem, shelf, found, first, parts, currency)}
                first = first or found.analysis
            else:
                yield _other(found)
        yield {"done": True, "notes": list(problem.notes), "stopped": effort.seconds_left() <= 0}

    return _stream(lines(), stop)


def _stream(lines: Iterable[dict[str, Any]], stop: Event) -> Response:
    """One JSON object a line; an error on the way is the last line, and a reader that leaves stops the search."""

    def written() -> Iterator[str]:
        try:
            for line in lines:
                yield json.dumps(line, allow_nan=False) + "\n"
        except Exception as error:
            yield json.dumps({"problem": detail_of(error)}) + "\n"
        finally:
            stop.set()

    return Response(written(), mimetype="application/x-ndjson")


@routes.post("/tradeoffs")
@route(None, json=SweepIn)
def sweep() -> Response:
    """Give the points of the trade-off between two aims as they are found, one JSON object a line."""
    given = body(SweepIn)
    problem, shelf, parts, _ = _problem(given)
    x, y = Aim(given.x), Aim(given.y)
    stop = Event()
    found = front(problem, x, y, _effort(stop, seconds=2 * TIME_LIMIT_S))
    first = next(found, None)  # what is wrong with it is said before anything streams

    def lines() -> Iterator[dict[str, Any]]:
        for point in _after(first, found):
            made = proposal_of(problem, shelf, x, point.shares, point.gap)
            yield {"point": {"x": point.x, "y": point.y, **_proposal(problem, shelf, made, None, parts, "")}}
        yield {"done": True}

    return _stream(lines(), stop)


def _after(first: Point | None, rest: Iterable[Point]) -> Iterator[Point]:
    if first is not None:
        yield first
        yield from rest


@routes.post("/prices-of-more")
@route(MorePrices, json=MoreIn)
def more() -> Response:
    """Return what a little more fibre, protein and the like would cost in a proposal, and the slack of its limits."""
    given = body(MoreIn)
    problem, _, _, _ = _problem(given)
    shares = _shares(problem, given.shares)
    prices = [MoreOut(**_plain(m)) for m in prices_of_more(problem, Aim(given.aim), shares)]
    slack = [SlackOut(**_plain(s)) for s in explain_proposal(problem, Aim(given.aim), shares).slack]
    return answer(MorePrices(prices=prices, slack=slack))


@routes.post("/brief-files")
@route(None, json=BriefFileIn)
def brief_file() -> Response:
    """Return wishes as a brief file."""
    given = body(BriefFileIn)
    made = write_brief(given.name, wishes_of(given.wishes, rule_of_use(rules().uses, given.wishes.use)))
    return Response(made, mimetype="application/json")


@routes.post("/mend")
@route(MendAnswer, json=MendIn)
def mend_blend() -> Response:
    """Return the smallest changes with which a blend passes, touching one, two and three of its parts."""
    given = body(MendIn)
    parts, shelf, within, cup = _bench(given)
    asked = replace(within, candidates=in_bins(shelf) or None)
    blend = Blend(parts, use=asked.use.slug)
    analysis = analyse(blend, shelf, cup)
    is_fine = all(b.status in (Status.PASS, Status.UNKNOWN) for b in fit_to(asked.bands_use, analysis).bands)
    found = mend(blend, analysis, asked, shelf, given.touch, _effort(Event()), cup)
    options = [_option(m, parts, analysis) for m in found.options]
    beyond = [METRICS[m].label.lower() if m in METRICS else m for m in found.beyond]
    state = "fine" if is_fine and not options else ("mended" if options else "beyond")
    return answer(MendAnswer(state=state, say=_mend_sentence(state, beyond, given.touch), options=options))


def _mend_sentence(state: str, beyond: Sequence[str], touch: int) -> str:
    if state == "fine":
        return "Every sieve passes: there is nothing to mend."
    if state == "mended":
        return "The smallest changes that let it through:"
    if not beyond:
        return f"No change of {touch} parts satisfies all its sieves at once. Propose looks further."
    return f"No change of {touch} parts can satisfy {' or '.join(beyond)}. Propose looks further."


@routes.post("/bags")
@route(BagsOut, json=BagsIn)
def bags() -> Response:
    """Return with how many of 100 bags a blend passes its sieves: 2 000 draws within the ranges of its numbers."""
    given = body(BagsIn)
    parts, shelf, within, cup = _bench(given)
    found = bags_of(analyse(Blend(parts), shelf, cup), shelf, within.bands_use, np.random.default_rng(SEED), cup=cup)
    sieves = [BagShareOut(metric=s.metric, passes_pct=s.passes_pct, through_pct=s.through_pct) for s in found.sieves]
    return answer(
        BagsOut(
            passes_pct=found.passes_pct,
            through_pct=found.through_pct,
            sieves=sieves,
            weakest=found.weakest,
            draws=found.draws,
        )
    )


def _bench(given: MendIn | BagsIn) -> tuple[tuple[Part, ...], Shelf, Wishes, CupStandard]:
    """The parts on the bench with the shelf they draw on, and the use within its brief's limits."""
    parts = as_parts(given.parts)
    standing = store().standing(given.brief_id)
    shelf = drawing_on(parts, store().shelf_now(standing, today()))
    check_parts(parts, shelf)
    limits = limits_of(standing.limits) if standing.limits is not None else Limits()
    return parts, shelf, Wishes(rule_of_use(rules().uses, given.use), limits), CupStandard(standing.cup)


def _problem(given: AskIn) -> tuple[Problem, Shelf, tuple[Part, ...], str]:
    parts = as_parts(given.parts)
    standing = store().standing(None)
    shelf = drawing_on(parts, store().shelf_now(standing, today()))
    if parts:
        check_parts(parts, shelf)
    asked = wishes_of(given.wishes, rule_of_use(rules().uses, given.wishes.use, "/wishes/use"))
    if asked.candidates is None and not given.library:
        asked = replace(asked, candidates=in_bins(shelf) or None)
    return problem_of(asked, shelf, CupStandard(standing.cup)), shelf, parts, standing.currency


def _effort(stop: Event, seconds: float = TIME_LIMIT_S) -> Effort:
    end = monotonic() + seconds
    return Effort(lambda: end - monotonic(), stop.is_set, _POOL.map)


def _proposal(
    problem: Problem,
    shelf: Shelf,
    p: Proposal,
    against: Analysis | None,
    bench: Sequence[Part],
    currency: str,
) -> dict[str, Any]:
    flour_g = sum(x.mass_g for x in bench if shelf[x.ingredient].in_flour_base) or problem.wishes.batch_g or _FLOUR_G
    now = {x.ingredient: x for x in bench}
    blend = blend_of(problem, p.shares, flour_g)
    gives, up = gives_and_gives_up(p.analysis, against, in_bins_or_jars(shelf), currency) if against else ((), ())
    found = bags_of(p.analysis, shelf, problem.wishes.bands_use, np.random.default_rng(SEED), cup=problem.mix.cup)
    explained = explain_proposal(problem, p.aim, p.shares)
    return {
        "aim": str(p.aim),
        "label": AIM_LABELS[p.aim],
        "parts": [
            {
                **part_out(_like(x, now)).model_dump(),
                "name": shelf[x.ingredient].name,
                "role": str(shelf[x.ingredient].role),
                "in_flour_base": shelf[x.ingredient].in_flour_base,
                "share_pct": 100 * x.mass_g / flour_g,
            }
            for x in blend.parts
        ],
        "score": p.score,
        "margin": p.margin,
        "tightest": p.tightest,
        "value": p.value,
        "unit": p.unit,
        "gap": p.gap,
        "cost_per_kg": p.analysis.cost_per_kg.typical if p.analysis.cost_per_kg.is_known else None,
        "over_usual_most": list(p.over_usual),
        "gives": list(gives),
        "gives_up": list(up),
        "bags": {"passes_pct": found.passes_pct, "through_pct": found.through_pct, "weakest": found.weakest},
        "binding": [_plain(b) for b in explained.binding],
        "sieves": _SIEVES.dump_python(list(worst_first(p.fit.bands)), mode="json"),
    }


def in_bins_or_jars(shelf: Shelf) -> frozenset[str]:
    """Return the slugs of everything in stock, binders too."""
    return frozenset(i.slug for i in shelf.ingredients if i.stock_g > 0)


def _like(part: Part, bench: Mapping[str, Part]) -> Part:
    """A part with the lock and lot that the bench has for it."""
    was = bench.get(part.ingredient)
    mass_g = round(part.mass_g, 6)
    return replace(part, mass_g=mass_g, locked=was.locked if was else False, lot_id=was.lot_id if was else None)


def _other(found: Skipped | Conflict) -> dict[str, Any]:
    if isinstance(found, Skipped):
        return {"skipped": {"aim": str(found.aim), "label": AIM_LABELS[found.aim], "why": found.why}}
    limits = [{"limit": x.name, "side": x.side, "say": x.say} for x in found.limits]
    return {"conflict": {"say": found.say, "limits": limits, "gives": [_plain(g) for g in found.gives]}}


def _option(m: Mending, parts: Sequence[Part], analysis: Analysis) -> MendOptionOut:
    per_pct = analysis.flour_base_g / 100
    shares = dict(m.shares)
    changed = {c.ingredient for c in m.changes}
    kept = [p for p in parts if p.ingredient in shares or p.ingredient not in changed]
    new = [Part(s, 0.0) for s in shares if s not in {p.ingredient for p in parts}]
    after = [
        replace(p, mass_g=round(shares[p.ingredient] * per_pct, 6)) if p.ingredient in changed else p
        for p in (*kept, *new)
    ]
    moves = [MoveOut(ingredient=c.ingredient, name=c.name, from_pct=c.from_pct, to_pct=c.to_pct) for c in m.changes]
    return MendOptionOut(
        touched=m.touched,
        moved_pct=m.moved_pct,
        moved_g=m.moved_pct * per_pct,
        changes=moves,
        parts=[part_out(p) for p in after],
        score=m.fit.score or 0.0,
        passes=m.passes,
    )


def _shares(problem: Problem, given: Mapping[str, float]) -> np.ndarray[tuple[int], np.dtype[np.float64]]:
    return np.array([given.get(s, 0.0) for s in problem.slugs])


def _plain(value: object) -> dict[str, Any]:
    return {name: getattr(value, name) for name in value.__dataclass_fields__}  # type: ignore[attr-defined]

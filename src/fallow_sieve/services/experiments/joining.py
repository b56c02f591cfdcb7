"""Several responses of one experiment joined: each its own map, one point that meets all wishes best."""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np
from sqlmodel import Session

from fallow_sieve.core.experiments.study import Baked, Study
from fallow_sieve.core.experiments.wishes import Wish, join
from fallow_sieve.services.experiments.asked import WishAlso, response_named
from fallow_sieve.services.experiments.known import ExperimentNow
from fallow_sieve.services.experiments.responses import outcomes
from fallow_sieve.services.kitchen import KitchenNow

MOST_POINTS = 700  # of the grid over which several responses are drawn


@dataclass(frozen=True, slots=True)
class ResponseAt:
    """What a response is thought to be at the joined best: mean and standard error in its unit."""

    name: str
    label: str
    unit: str
    mean: float
    se: float


@dataclass(frozen=True, slots=True)
class OnLine:
    """A point of the trade between the first two responses: shares (0–1) and both means."""

    x: list[float]
    first: float
    second: float


@dataclass(frozen=True, slots=True)
class JoinedSeen:
    """The point that meets all wishes best: D (0–1) with its interval, each response there; who has no data."""

    x: list[float]
    mean: float
    low: float
    high: float
    responses: list[ResponseAt]
    line: list[OnLine]
    left_out: list[str]


def joined_of(session: Session, here: ExperimentNow, kitchen: KitchenNow) -> JoinedSeen | None:
    """Return the wishes of an experiment joined; None with fewer than two responses that have a map."""
    if here.study is None or len(here.asked.also) < 2:
        return None
    found = [(w, _study(session, here, w, kitchen)) for w in here.asked.also]
    known = [(w, s) for w, s in found if s.map is not None]
    left_out = [response_named(w.response).label for w, s in found if s.map is None]
    if len(known) < 2:
        return None
    points = here.study.drawn_over[:: max(1, len(here.study.drawn_over) // MOST_POINTS)]
    maps = [s.map for _, s in known if s.map is not None]
    best = join(maps, [Wish(w.at_least, w.at_best, w.weight) for w, _ in known], points)
    return JoinedSeen(
        x=list(best.x), mean=best.mean, low=best.low, high=best.high,
        responses=[_at(w, s, best.x) for w, s in known],
        line=[OnLine(list(x), a, b) for x, a, b in best.line], left_out=left_out,
    )  # fmt: skip


def _study(session: Session, here: ExperimentNow, wish: WishAlso, kitchen: KitchenNow) -> Study:
    """The study of another response: typed values are of the main one, so others come from trials and panels."""
    assert here.study is not None
    response = response_named(wish.response)
    own = wish.response == here.asked.response
    runs = here.runs if own else tuple(replace(r, value=None) for r in here.runs)
    found = here.outcomes if own else outcomes(session, runs, wish.response, kitchen)
    baked = tuple(
        Baked(r.x, None if r.failed or r.number not in found else found[r.number].value, r.day,
              found[r.number].se if r.number in found else 0.0, number=r.number)
        for r in runs
    )  # fmt: skip
    return Study(here.study.region, baked, here.study.today, response.matters, here.asked.worth)


def _at(wish: WishAlso, study: Study, x: tuple[float, ...]) -> ResponseAt:
    assert study.map is not None
    mean, se = study.map.at(np.array(x))
    r = response_named(wish.response)
    return ResponseAt(r.name, r.label, r.unit, float(mean[0]), float(se[0]))

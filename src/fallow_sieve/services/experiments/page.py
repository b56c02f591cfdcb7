"""What the page of an experiment shows: the sentence, the picture, its bakes, what to know; and a point moved on it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from sqlmodel import Session

from fallow_sieve.core.blends import METRICS, Judgement, analyse, judge
from fallow_sieve.core.experiments.bands_of_map import BandOfMap, about_as_good, bands_of_map
from fallow_sieve.core.experiments.best import point_of
from fallow_sieve.core.experiments.designs import Run
from fallow_sieve.core.experiments.stopping import WORTH_SHARE
from fallow_sieve.core.experiments.study import WhereSay, checks_of, fits_of, names_of
from fallow_sieve.core.experiments.walls import metric_values
from fallow_sieve.formats.experiments import FitTold, MapTold
from fallow_sieve.reference import rules
from fallow_sieve.services.blends.column import PartOfMix, column_of
from fallow_sieve.services.experiments.asked import ExperimentAsked, Response
from fallow_sieve.services.experiments.drawing import Drawn, drawn, vertices_of
from fallow_sieve.services.experiments.joining import JoinedSeen, joined_of
from fallow_sieve.services.experiments.known import ExperimentNow, experiment_now
from fallow_sieve.services.experiments.making import check_shares, twins_in
from fallow_sieve.services.experiments.responses import seen_words
from fallow_sieve.services.experiments.telling import fit_told, map_told, planned_se
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.store.experiments import ExperimentOnRecord, page_of_experiments, runs_of

FOUR = 4  # parts from which the picture is a slice; it begins where the best lies


@dataclass(frozen=True, slots=True)
class RunSeen:
    """A bake: shares of what is varied and in % of flour, g of each part, its trial, what it came to and from where."""

    number: int
    day: int
    x: list[float]
    flour_pct: list[float]
    grams: list[float]
    replicate_of: int | None
    group: int
    asked_by: str
    is_today: bool
    trial_id: int | None
    value: float | None
    se: float
    source: str
    by_hand: bool
    failed: bool
    seen: str


@dataclass(frozen=True, slots=True)
class ExperimentPage:
    """An experiment with all that its page shows; `map` and `picture` None where there is none, `trouble` says why."""

    record: ExperimentOnRecord
    asked: ExperimentAsked
    response: Response
    today: list[float]
    total_pct: float
    rows: list[str]
    runs: list[RunSeen]
    map: MapTold | None
    picture: Drawn | None
    columns: list[list[PartOfMix]]
    checks: list[str]
    fits: dict[str, FitTold]
    bands: list[str]
    joined: JoinedSeen | None
    planned_se: float | None
    cost: float | None
    say: str
    trouble: str


def experiment_page(
    session: Session, experiment_id: int, kitchen: KitchenNow, fourth: float | None = None
) -> ExperimentPage:
    """Return all that the page of an experiment shows; of four parts at a share (0–1) of the fourth. NotFoundError."""
    here = experiment_now(session, experiment_id, kitchen)
    study = here.study
    told = map_told(study, _where(here)) if study is not None and study.map is not None else None
    if fourth is None and told is not None and len(here.mixture.parts) == FOUR:
        fourth = told.best.x[here.mixture.names[-1]]
    return ExperimentPage(
        record=here.record, asked=here.asked, response=here.response, today=list(here.mixture.today()),
        total_pct=here.mixture.total_pct, rows=[r.name for r in here.rows], runs=_runs(session, here),
        map=told, picture=drawn(study, here.mixture.total_pct / 100, fourth) if study is not None else None,
        columns=_columns(here, kitchen, fourth),
        checks=checks_of(study) if study is not None and study.fitted else [],
        fits={str(m): fit_told(f, names_of(study, m)) for m, f in fits_of(study).items()} if study is not None else {},
        bands=_bands(here, kitchen), joined=joined_of(session, here, kitchen), planned_se=_planned_se(here),
        cost=_cost(here, kitchen), say=say_of(here, told), trouble=here.trouble,
    )  # fmt: skip


def _columns(here: ExperimentNow, kitchen: KitchenNow, fourth: float | None) -> list[list[PartOfMix]]:
    """The mixes at the corners of the picture, as columns."""
    if here.study is None:
        return []
    return [
        column_of(here.mixture.blend_at([max(0.0, v) for v in x]).parts, kitchen.shelf)
        for x in vertices_of(here.study, fourth)
    ]


def _where(here: ExperimentNow) -> WhereSay:
    """Points are said in % of flour base, parts in lower case."""
    return WhereSay([n.lower() for n in here.mixture.names], 0, " % of flour", here.mixture.total_pct / 100)


def _runs(session: Session, here: ExperimentNow) -> list[RunSeen]:
    seen, groups, today = seen_words(session, here.runs), twins_in(here.runs), np.array(here.mixture.today())
    found = []
    for r in here.runs:
        told = here.outcomes.get(r.number)
        pct = here.mixture.flour_pct(r.x)
        found.append(
            RunSeen(
                number=r.number, day=r.day, x=list(r.x), flour_pct=list(pct),
                grams=[here.asked.flour_g * p / 100 for p in pct], replicate_of=r.replicate_of,
                group=groups[r.number], asked_by=r.asked_by, is_today=bool(np.allclose(r.x, today, atol=1e-6)),
                trial_id=r.trial_id, value=told.value if told else None, se=told.se if told else 0.0,
                source=told.source if told else "", by_hand=r.value is not None, failed=r.failed, seen=seen[r.number],
            )
        )  # fmt: skip
    return found


def _bands(here: ExperimentNow, kitchen: KitchenNow) -> list[str]:
    """Good bands that the map speaks for, in words; taken by hand, never by themselves."""
    study, use = here.study, here.use
    if study is None or study.map is None or use is None:
        return []
    good = about_as_good(study.map, study.drawn_over, WORTH_SHARE * study.worth)
    values = metric_values(here.mixture, use, kitchen.shelf, kitchen.cup, good)
    found = bands_of_map(values, {b.metric: b for b in use.bands}, len(study.fitted))
    return [_band_words(b) for b in found]


def _band_words(b: BandOfMap) -> str:
    m = METRICS[b.metric]
    low, high, was_low, was_high = (
        f"{v:.{m.decimals}f}" for v in (b.low, b.high, b.present.good_low, b.present.good_high)
    )
    return f"{m.label}: {low} to {high} {m.unit} here, now {was_low} to {was_high}"


def _planned_se(here: ExperimentNow) -> float | None:
    """How surely the map will be known on average once these bakes are made (response unit), before any is."""
    if here.study is None or not here.runs or here.study.fitted:
        return None
    return planned_se(here.study, [Run(r.number, r.day, r.x, r.replicate_of) for r in here.runs])


def _cost(here: ExperimentNow, kitchen: KitchenNow) -> float | None:
    """What the mixes of all bakes cost together, in the kitchen's currency; None where a price is not known."""
    total = 0.0
    for run in here.runs:
        mix = here.mixture.blend_at(run.x)
        found = analyse(mix, kitchen.shelf, kitchen.cup).cost_per_kg.typical
        if found is None or any(kitchen.shelf[p.ingredient].price_per_kg is None for p in mix.parts):
            return None
        size = here.asked.flour_g / here.mixture.flour_g
        total += found * sum(p.mass_g for p in mix.parts) * size / 1000
    return round(total, 2) if here.runs else None


def say_of(here: ExperimentNow, told: MapTold | None) -> str:
    """Return how an experiment stands, in one sentence."""
    if here.trouble:
        return f"Nothing can be planned: {here.trouble}"
    if told is not None:
        return told.stop.say
    if not here.runs:
        return "Say what is varied and between which limits, then plan the first bakes."
    waiting = sum(1 for r in here.runs if r.number not in here.outcomes and not r.failed)
    days = len({r.day for r in here.runs})
    return (
        f"{len(here.runs)} bakes planned on {days} {'day' if days == 1 else 'days'}; {waiting} have come to nothing "
        "yet. Two make a map."
    )


@dataclass(frozen=True, slots=True)
class PartSeen:
    """A part of the mix at a point: ingredient, name, role, g, % of flour base (None: it is none), whether varied."""

    ingredient: str
    name: str
    role: str
    mass_g: float
    flour_pct: float | None
    varied: bool


@dataclass(frozen=True, slots=True)
class PointSeen:
    """A point moved on the map: shares, g at the bake's size, mean and se (None: no map), and the mix judged."""

    x: list[float]
    flour_pct: list[float]
    parts: list[PartSeen]
    mean: float | None
    se: float | None
    inside: bool
    judgement: Judgement


def point_seen(session: Session, experiment_id: int, x: Sequence[float], kitchen: KitchenNow) -> PointSeen:
    """Return a point of an experiment (shares 0–1) as it is seen. Raises BadInputError for shares that are none."""
    here = experiment_now(session, experiment_id, kitchen)
    check_shares(here, x)
    size = here.asked.flour_g / here.mixture.flour_g
    mix = here.mixture.blend_at(x)
    varied = {s for p in here.mixture.parts for s in p.ratio}
    known = here.study.map if here.study is not None else None
    at = point_of(known, np.array(x)) if known is not None else None
    return PointSeen(
        x=list(x),
        flour_pct=list(here.mixture.flour_pct(x)),
        parts=[_part(p.ingredient, p.mass_g * size, here, varied, kitchen) for p in mix.parts],
        mean=at.mean if at else None,
        se=at.se if at else None,
        inside=here.study is not None and bool(here.study.region.holds(np.array(x), 1e-6).all()),
        judgement=judge(mix, kitchen.shelf, here.use, rules(), kitchen.setting),
    )


def _part(slug: str, mass_g: float, here: ExperimentNow, varied: set[str], kitchen: KitchenNow) -> PartSeen:
    item = kitchen.shelf[slug]
    pct = 100 * mass_g / here.asked.flour_g if item.in_flour_base else None
    return PartSeen(slug, item.name, str(item.role), mass_g, pct, slug in varied)


@dataclass(frozen=True, slots=True)
class ExperimentStanding:
    """How an experiment stands in a list: its parts, bakes made of those planned, and its sentence."""

    id: int
    name: str
    created_at: str
    parts: list[str]
    planned: int
    made: int
    say: str


def standings(session: Session, kitchen: KitchenNow, before: int, limit: int) -> list[ExperimentStanding]:
    """Return how experiments stand, the newest first, at most `limit` (a count) before the id `before`."""
    records = page_of_experiments(session, before, limit)
    runs = runs_of(session, [r.id for r in records])
    found = []
    for r in records:
        here = experiment_now(session, r.id, kitchen)
        told = map_told(here.study, _where(here)) if here.study is not None and here.study.map is not None else None
        found.append(
            ExperimentStanding(
                r.id, r.name, r.created_at, list(here.mixture.names), len(runs[r.id]),
                len(here.outcomes), say_of(here, told),
            )
        )  # fmt: skip
    return found

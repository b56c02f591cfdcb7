"""An experiment begun, planned, gone on with, baked, and kept as a revision of the blend it began with."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date

import numpy as np
from sqlmodel import Session

from fallow_sieve.core.blends import Blend
from fallow_sieve.core.experiments.candidates import to_scale
from fallow_sieve.core.experiments.fitting import replicate_groups
from fallow_sieve.core.experiments.next_bake import next_bakes
from fallow_sieve.core.experiments.regions import Array
from fallow_sieve.core.experiments.study import Study
from fallow_sieve.core.experiments.varied import first_guess
from fallow_sieve.core.formulas import Formula
from fallow_sieve.core.values import BadInputError, Pin
from fallow_sieve.services.experiments.asked import ExperimentAsked, asked_record
from fallow_sieve.services.experiments.known import ExperimentNow, experiment_now
from fallow_sieve.services.experiments.telling import map_told, planned
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.beginning import Asked, begin
from fallow_sieve.services.trials.drawing import drawn
from fallow_sieve.services.trials.making import made_of
from fallow_sieve.store import BLENDS, FORMULAS
from fallow_sieve.store.experiments import (
    ExperimentOnRecord,
    RunOnRecord,
    add_experiment,
    keep_bakes_under,
    put_run,
    put_runs,
    save_experiment,
)

MOST_NEXT, MOST_RUNS = 3, 60
ALMOST = 1e-6


@dataclass(frozen=True, slots=True)
class Setting:
    """What is set by hand: name, note, what is asked, whether it is put away."""

    name: str
    asked: ExperimentAsked
    note: str = ""
    archived: bool = False


def begin_experiment(session: Session, formula_id: int, name: str, kitchen: KitchenNow, now: str) -> int:
    """Begin an experiment on a formula as its draft stands, its largest flours varied; return its id.

    Raises BadInputError where the formula has no blend with two flours.
    """
    formula = FORMULAS.draft(session, formula_id).content
    parts = first_guess(Blend(formula.blend, use=formula.use), kitchen.shelf)
    if formula.pin is None or len(parts) < 2:
        raise BadInputError("this formula has no blend of two flours", place="/formula_id", right="choose another")
    head = FORMULAS.get(session, formula_id)
    asked = ExperimentAsked(tuple(parts), flour_g=_flour_g(formula, kitchen))
    record = ExperimentOnRecord(
        name=name or f"{head.name}, best mix", formula_id=formula_id, formula=formula, asked=asked_record(asked),
        created_at=now, updated_at=now,
    )  # fmt: skip
    return add_experiment(session, record).id


def _flour_g(formula: Formula, kitchen: KitchenNow) -> float:
    return round(sum(p.mass_g for p in formula.blend if kitchen.shelf[p.ingredient].in_flour_base), 1)


def change(session: Session, experiment_id: int, given: Setting, version: int, kitchen: KitchenNow, now: str) -> None:
    """Save what is set. Parts stay as they are once a bake was made; until then a plan of other parts is dropped."""
    here = experiment_now(session, experiment_id, kitchen)
    asked = given.asked
    others = [dict(p.ratio) for p in asked.parts] != [dict(p.ratio) for p in here.asked.parts]
    if others and made_already(here):
        right = "begin another experiment for other parts"
        raise BadInputError("bakes were made already", place="/asked/parts", right=right)
    if others:
        put_runs(session, experiment_id, [])
    values = {"name": given.name, "note": given.note, "archived": given.archived, "asked": asked_record(asked)}
    save_experiment(session, experiment_id, values, version, now)


def plan(session: Session, experiment_id: int, kitchen: KitchenNow) -> None:
    """Plan the first set of bakes anew; what was baked already stays. Raises BadInputError where it cannot be."""
    here = experiment_now(session, experiment_id, kitchen)
    study = _study(here)
    if made_already(here):
        raise BadInputError("bakes were made already", place="/runs", right="add the next ones instead")
    runs = planned(study, here.asked.bakes, here.asked.days, here.asked.seed, i_optimal=here.asked.i_optimal)
    kept = [RunOnRecord(r.order, r.day, weighed(here, study, r.x), r.replicate_of) for r in runs]
    put_runs(session, experiment_id, kept)


def check_shares(here: ExperimentNow, x: Sequence[float]) -> None:
    """Raise BadInputError unless x are shares of what is varied: one a part, none under 0, together 1."""
    if len(x) != len(here.mixture.parts) or abs(sum(x) - 1) > ALMOST or min(x) < -ALMOST:
        raise BadInputError("shares that are none", place="/x", right="one for each part, 0 to 1, together 1")


def made_already(here: ExperimentNow) -> bool:
    """Return whether any bake was begun, failed or came to something."""
    return any(r.trial_id or r.failed or r.number in here.outcomes for r in here.runs)


def _study(here: ExperimentNow) -> Study:
    if here.study is None:
        raise BadInputError(here.trouble, place="/parts", right="widen a limit")
    return here.study


def weighed(here: ExperimentNow, study: Study, x: Sequence[float]) -> tuple[float, ...]:
    """Return shares (0–1) as they can be weighed at the bake's size; today's blend stays as it is."""
    if np.allclose(x, study.today, atol=1e-9):
        return tuple(float(v) for v in x)
    total_g = here.asked.flour_g * here.mixture.total_pct / 100
    return tuple(float(v) for v in to_scale(study.region, np.array(x), total_g, here.asked.step_g))


def add_next(session: Session, experiment_id: int, count: int, kitchen: KitchenNow) -> None:
    """Add the bakes that would teach most, as one more day with today's blend left out. Raises BadInputError."""
    here = experiment_now(session, experiment_id, kitchen)
    study = _study(here)
    if study.map is None:
        raise BadInputError("no map yet", place="/runs", right="bake two first")
    found = next_bakes(study.map, study.drawn_over, study.candidates, min(count, MOST_NEXT))
    add_points(session, here, study, [study.candidates[i] for i, _ in found], "next")


def add_point(session: Session, experiment_id: int, x: Sequence[float], kitchen: KitchenNow) -> None:
    """Add a bake that somebody chose. Raises BadInputError outside the limits."""
    here = experiment_now(session, experiment_id, kitchen)
    study = _study(here)
    point = np.array(x, float)
    if len(point) != study.region.size or not study.region.holds(point, 1e-6).all():
        raise BadInputError("a point outside the limits", place="/x", right="move it inside, or widen a limit")
    add_points(session, here, study, [point], "hand")


def add_points(session: Session, here: ExperimentNow, study: Study, points: Sequence[Array], by: str) -> None:
    """Add bakes at points (shares 0–1) as another day; a point that was baked is its twin."""
    number = max((r.number for r in here.runs), default=0)
    day = max((r.day for r in here.runs if r.trial_id or r.number in here.outcomes), default=0) + 1
    if number + len(points) > MOST_RUNS:
        raise BadInputError(f"{number} bakes", place="/runs", right=f"at most {MOST_RUNS}")
    for n, point in enumerate(points, start=1):
        x = weighed(here, study, tuple(float(v) for v in point))
        twin = next((r.number for r in here.runs if np.abs(np.array(r.x) - x).max() < 1e-7), None)
        put_run(session, here.record.id, RunOnRecord(number + n, day, x, twin, by))


def note_run(session: Session, experiment_id: int, run: RunOnRecord) -> None:
    """Set what came out of a bake by hand: value and se in the response's unit, failed, what was seen."""
    put_run(session, experiment_id, run)


def bake(session: Session, experiment_id: int, number: int, kitchen: KitchenNow, now: str) -> int:
    """Begin the trial of a bake with its own mix, kept as a revision; return the trial's id. Raises BadInputError."""
    here = experiment_now(session, experiment_id, kitchen)
    run = run_named(here, number)
    if run.trial_id:
        return run.trial_id
    formula = _formula_at(session, here, run, now)
    made = made_of(formula, kitchen)
    say = f"experiment {here.record.name}, bake {number}"
    setup = {**drawn(session, here.record.formula_id, made, date.fromisoformat(now[:10])), "arms": []}
    asked = Asked(name=f"{here.record.name}, bake {number}", baked_on=now[:10], because={"say": say}, setup=setup)
    trial = begin(session, here.record.formula_id, formula, asked, kitchen, now)
    put_run(session, experiment_id, replace(run, trial_id=trial.id))
    return trial.id


def run_named(here: ExperimentNow, number: int) -> RunOnRecord:
    """Return a bake by its number. Raises BadInputError."""
    found = next((r for r in here.runs if r.number == number), None)
    if found is None:
        raise BadInputError(f"there is no bake {number}", place="/number", right="one of the experiment's")
    return found


def _formula_at(session: Session, here: ExperimentNow, run: RunOnRecord, now: str) -> Formula:
    """The formula with the bake's mix: today's as it was, another as a revision of the experiment's own blend."""
    formula = here.record.formula
    if here.study is not None and np.allclose(run.x, here.study.today, atol=1e-9):
        return formula
    mix = here.mixture.blend_at(run.x)
    blend_id = here.record.blend_id or _blend_of(session, here, now)
    number = BLENDS.kept_as(session, blend_id, mix, f"Experiment {here.record.name}, bake {run.number}.", now)
    return replace(formula, blend=mix.parts, pin=Pin("blend", blend_id, number, here.record.name))


def _blend_of(session: Session, here: ExperimentNow, now: str) -> int:
    """The blend that the bakes' mixes are revisions of; it begins with the mix of today."""
    brief = FORMULAS.get(session, here.record.formula_id).brief_id
    head = BLENDS.add(session, here.record.name, brief, here.mixture.blend, now)
    keep_bakes_under(session, here.record.id, head.id)
    return head.id


def keep(session: Session, experiment_id: int, x: Sequence[float], kitchen: KitchenNow, now: str) -> tuple[int, int]:
    """Keep a point as a revision of the blend the experiment began with; return the blend's id and the revision.

    Its reason is the experiment's sentence; the blend's draft on the bench stays as it is.
    """
    here = experiment_now(session, experiment_id, kitchen)
    pin = here.record.formula.pin
    if pin is None or pin.id is None:
        raise BadInputError("the formula has no blend", place="/formula", right="choose one with a blend")
    study = _study(here)
    check_shares(here, x)
    mix = here.mixture.blend_at(weighed(here, study, x))
    say = map_told(study).stop.say if study.map is not None else "no map yet"
    why = f"experiment {here.record.name}: {len(study.fitted)} bakes, {say}"
    return pin.id, BLENDS.kept_as(session, pin.id, mix, why, now)


def twins_in(runs: Sequence[RunOnRecord]) -> dict[int, int]:
    """Return the group of replicates of each bake, by its number: bakes of one point have one group, 1, 2, …"""
    if not runs:
        return {}
    groups = replicate_groups(np.array([r.x for r in runs]))
    return {runs[i].number: n for n, group in enumerate(groups, start=1) for i in group}

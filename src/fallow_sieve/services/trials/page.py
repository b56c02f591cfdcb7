"""What the page of a trial shows: the trial told, its plan, its day, its sheet; and how trials stand in a list."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.trials.day import DayStage, day_of_bake
from fallow_sieve.core.trials.explaining import MeasureExplained, measure_explained
from fallow_sieve.core.trials.faults.counts import Lessons
from fallow_sieve.core.trials.plan import PLANNED
from fallow_sieve.core.trials.readings import Reading, in_force, marks
from fallow_sieve.core.trials.sheet import MomentSheet, comes_next, sheet_of
from fallow_sieve.core.trials.status import stage_of
from fallow_sieve.core.trials.trial import Trial, facts, faults_seen, noted
from fallow_sieve.formats.trials import TrialAnswer
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.kept import one_before, readings_with_those_of_the_dough, trial_kept
from fallow_sieve.services.trials.making import trial_rules
from fallow_sieve.services.trials.telling import trial_answer
from fallow_sieve.store import FORMULAS
from fallow_sieve.store.trials import TrialOnRecord, get_trial, readings_of


@dataclass(frozen=True, slots=True)
class TrialStanding:
    """How a trial stands in a list: formula, day, how far it is, verdict 1–9 (None: not judged), faults in short."""

    id: int
    name: str
    formula_id: int
    formula_name: str
    formula_revision: int | None
    baked_on: str
    stage: str
    verdict: float | None
    say: str
    because: str
    set_aside: bool
    parent_id: int | None
    readings: int


@dataclass(frozen=True, slots=True)
class PlanLine:
    """One planned quantity: what it is called, its value and range in its unit, where it is from."""

    quantity: str
    label: str
    unit: str
    value: float
    low: float | None
    high: float | None
    source: str


@dataclass(frozen=True, slots=True)
class TrialPage:
    """A trial with all that its page shows; `before` is the bake that it follows (None: it is the first)."""

    record: TrialOnRecord
    formula_name: str
    stage: str
    readings: tuple[Reading, ...]
    told: TrialAnswer
    plan: tuple[PlanLine, ...]
    day: tuple[DayStage, ...]
    before: TrialStanding | None


def standing_of(record: TrialOnRecord, readings: Sequence[Reading], formula_name: str) -> TrialStanding:
    """Return how a trial stands in a list, told from its readings alone."""
    holding = in_force(readings)
    verdicts = [r.value for r in holding if r.quantity == "verdict" and r.value is not None]
    return TrialStanding(
        id=record.id,
        name=record.name,
        formula_id=record.formula_id,
        formula_name=formula_name,
        formula_revision=record.formula_revision,
        baked_on=record.baked_on,
        stage=stage_of(readings),
        verdict=sum(verdicts) / len(verdicts) if verdicts else None,
        say=faults_in_short(marks(readings)),
        because=str(record.because.get("say", "")),
        set_aside=record.set_aside,
        parent_id=record.parent_id,
        readings=len(holding),
    )


def faults_in_short(marked: Mapping[str, float]) -> str:
    """Return the faults that were marked in short, the strongest first; empty for none."""
    names = trial_rules().faults.faults
    seen = sorted((f for f, s in marked.items() if s > 0), key=lambda f: -marked[f])
    return ", ".join(names[f].name.lower() if f in names else f for f in seen)


def standings_of(session: Session, records: Iterable[TrialOnRecord]) -> list[TrialStanding]:
    """Return how trials stand in a list, in their order."""
    every = list(records)
    readings = readings_of(session, [t.id for t in every])
    names = {t.formula_id: "" for t in every}
    names = {n: FORMULAS.get(session, n).name for n in names}
    return [standing_of(t, readings[t.id], names[t.formula_id]) for t in every]


def trial_page(session: Session, trial_id: int, kitchen: KitchenNow, lessons: Lessons | None = None) -> TrialPage:
    """Return all that the page of a trial shows; `lessons` are the kitchen's own. Raises NotFoundError."""
    record = get_trial(session, trial_id)
    trial, before = seen_trial(session, record, kitchen), one_before(session, record)
    arm = trial.arm_names[0]
    return TrialPage(
        record=record,
        formula_name=FORMULAS.get(session, record.formula_id).name,
        stage=stage_of(trial.readings),
        readings=trial.readings,
        told=trial_answer(trial, record.name, None, lessons),
        plan=plan_lines(trial),
        day=day_of_bake(trial.plan_of(arm), noted(trial, arm), facts(trial, trial_rules(), arm)),
        before=standings_of(session, [before])[0] if before else None,
    )


def seen_trial(session: Session, record: TrialOnRecord, kitchen: KitchenNow, *, fresh: bool = False) -> Trial:
    """Return a trial on record with its readings, those of its dough among them; see `kept.trial_kept`."""
    return trial_kept(record, readings_with_those_of_the_dough(session, record), kitchen, fresh=fresh)


def measure_seen(session: Session, trial_id: int, name: str, kitchen: KitchenNow, arm: str = "") -> MeasureExplained:
    """Return how a measure of a trial's arm (its first, unless named) came about. NotFoundError, UnknownNameError."""
    trial = seen_trial(session, get_trial(session, trial_id), kitchen)
    return measure_explained(trial, trial_rules(), name, arm if arm in trial.arm_names else trial.arm_names[0])


def plan_lines(trial: Trial) -> tuple[PlanLine, ...]:
    """Return the plan of a trial line by line, in the order of the work."""
    known = trial.plan.values
    return tuple(
        PlanLine(n, label, unit, known[n].value, known[n].low, known[n].high, known[n].source)
        for n, (unit, label) in PLANNED.items()
        if n in known
    )


@dataclass(frozen=True, slots=True)
class SheetNow:
    """The sheet of a trial's arm on a day: its moments, which of them comes next, and the arms."""

    name: str
    stage: str
    because: str
    arms: tuple[str, ...]
    arm: str
    moments: tuple[MomentSheet, ...]
    next: str


def sheet_now(session: Session, trial_id: int, kitchen: KitchenNow, arm: str = "", day: int = 0) -> SheetNow:
    """Return the sheet of a trial; it asks first for what would have told most at the bake before. NotFoundError."""
    record = get_trial(session, trial_id)
    trial = seen_trial(session, record, kitchen)
    arm = arm if arm in trial.arm_names else trial.arm_names[0]
    moments = sheet_of(trial, trial_rules(), arm, _would_have_told(session, record, kitchen), day)
    return SheetNow(
        name=record.name,
        stage=stage_of(trial.readings),
        because=str(record.because.get("say", "")),
        arms=tuple(a.name for a in trial.arms),
        arm=arm,
        moments=moments,
        next=comes_next(moments),
    )


def _would_have_told(session: Session, record: TrialOnRecord, kitchen: KitchenNow) -> str:
    before = one_before(session, record)
    if before is None:
        return ""
    seen = faults_seen(seen_trial(session, before, kitchen), trial_rules())
    tells = seen[0].ranking.tells_most if seen else ()
    return tells[0][0] if tells else ""

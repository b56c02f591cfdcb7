"""Trials beside one another: two of them, and the last of a formula as small multiples."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise

from sqlmodel import Session

from fallow_sieve.core.trials.differences.changes import difference
from fallow_sieve.core.trials.seen import MeasureSeen, measures_seen
from fallow_sieve.core.trials.trial import Trial, standing
from fallow_sieve.core.values import BadInputError, Band
from fallow_sieve.formats.trials import DifferenceTold
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.making import trial_rules
from fallow_sieve.services.trials.page import TrialStanding, seen_trial, standings_of
from fallow_sieve.services.trials.telling import compared, is_outcome, measured
from fallow_sieve.store.trials import TrialOnRecord, get_trial, trials_of_formula

_ALSO = ("core_c", "oven_c", "bake_min")  # what was done otherwise, beside what came of it


def side_by_side(session: Session, before_id: int, after_id: int, kitchen: KitchenNow) -> DifferenceTold:
    """Return what changed from one trial to another and what it did; repeats of both formulas say how surely."""
    before, after = get_trial(session, before_id), get_trial(session, after_id)
    if before.use != after.use:
        raise BadInputError("two bakes for different uses", right="compare bakes of one use")
    pool = [t for f in {before.formula_id, after.formula_id} for t in trials_of_formula(session, f)]
    return compared(
        seen_trial(session, before, kitchen), seen_trial(session, after, kitchen), repeats(session, pool, kitchen)
    )


def repeats(session: Session, records: Sequence[TrialOnRecord], kitchen: KitchenNow) -> dict[str, list[list[float]]]:
    """Return groups of values of one formula revision by measure: how much bakes of one thing differ by themselves."""
    groups: dict[tuple[str, int, int | None], list[float]] = {}
    for record in records:
        if record.set_aside:
            continue
        for name, taken in measured(seen_trial(session, record, kitchen)).items():
            groups.setdefault((name, record.formula_id, record.formula_revision), []).append(taken[0][0])
    found: dict[str, list[list[float]]] = {}
    for (name, _, _), values in groups.items():
        found.setdefault(name, []).append(values)
    return found


@dataclass(frozen=True, slots=True)
class PointOfTrial:
    """A measure of one trial in its unit: value, sd (None: unknown), what was planned; None where it was not taken."""

    value: float | None
    sd: float | None
    planned: float | None


@dataclass(frozen=True, slots=True)
class MeasureOverTrials:
    """One measure over the last trials, in its unit, with its band."""

    measure: str
    label: str
    unit: str
    band: Band | None
    points: tuple[PointOfTrial, ...]


@dataclass(frozen=True, slots=True)
class PlaneBetween:
    """What changed between two neighbours: how many things, in one sentence, and whether their formula did."""

    things_changed: int
    say: str
    formula: bool


@dataclass(frozen=True, slots=True)
class Multiples:
    """The last trials of a formula, the first first: a row a measure, and the planes between the trials."""

    formula_name: str
    trials: tuple[TrialStanding, ...]
    rows: tuple[MeasureOverTrials, ...]
    planes: tuple[PlaneBetween, ...]


def multiples(session: Session, formula_id: int, last: int, kitchen: KitchenNow, name: str) -> Multiples:
    """Return the last trials of a formula side by side, those set aside left out."""
    records = [t for t in trials_of_formula(session, formula_id) if not t.set_aside][-last:]
    trials = [seen_trial(session, r, kitchen) for r in records]
    seen = [{m.name: m for m in measures_seen(t, trial_rules(), t.arm_names[0])} for t in trials]
    names = [q for q in trial_rules().quantities if sum(q in s for s in seen) and (is_shown(q))]
    rows = [_row(n, seen) for n in sorted(names, key=lambda n: -sum(n in s for s in seen))]
    planes = [_plane(a, b, records[n], records[n + 1]) for n, (a, b) in enumerate(pairwise(trials))]
    return Multiples(name, tuple(standings_of(session, records)), tuple(rows), tuple(planes))


def is_shown(measure: str) -> bool:
    """Return whether a measure has a row: what a bake came to, and what of its oven it came from."""
    q = trial_rules().quantities[measure]
    return q.source == "measure" and (is_outcome(measure) or measure in _ALSO)


def _row(name: str, seen: Sequence[Mapping[str, MeasureSeen]]) -> MeasureOverTrials:
    first = next(s[name] for s in seen if name in s)
    points = tuple(_point(s.get(name)) for s in seen)
    return MeasureOverTrials(name, first.label, first.unit, first.band, points)


def _point(m: MeasureSeen | None) -> PointOfTrial:
    return PointOfTrial(None, None, None) if m is None else PointOfTrial(m.value, m.sd, m.planned)


def _plane(a: Trial, b: Trial, before: TrialOnRecord, after: TrialOnRecord) -> PlaneBetween:
    rules = trial_rules()
    found = difference(standing(a, rules, a.arm_names[0]), standing(b, rules, b.arm_names[0]), rules.sizes)
    listed = "; ".join(c.say for c in found.counted)
    return PlaneBetween(
        found.things_changed, listed or "nothing by a step", before.formula_revision != after.formula_revision
    )

"""What to bake next of a formula: at most three, each with its worth in steps of the verdict; and what is owed."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date

from sqlmodel import Session

from fallow_sieve.core.trials.next_change.worth import (
    VERDICT_SD,
    worth_of_mend,
    worth_of_parting,
    worth_of_repeat,
)
from fallow_sieve.core.trials.readings import LAST_DAY, in_force
from fallow_sieve.core.trials.trial import faults_seen
from fallow_sieve.core.values import counted
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.family import Family, Stratum, family_of
from fallow_sieve.services.trials.lessons import kitchen_lessons
from fallow_sieve.services.trials.making import trial_rules
from fallow_sieve.services.trials.page import seen_trial
from fallow_sieve.store.trials import TrialOnRecord, readings_of, trials_of_formula

TASTED = 3  # mixes that a table is asked to tell apart
MOST, LEAST = 3, 0.01  # what is worth less than a hundredth of a step is not listed


@dataclass(frozen=True, slots=True)
class NextBake:
    """A bake that would be worth it: `mend`, `repeat` or `part`, its worth, in words, and the trial it follows.

    `fault` and `cause` are those that it would mend.
    """

    kind: str
    worth: float
    say: str
    trial_id: int | None
    fault: str = ""
    cause: str = ""


@dataclass(frozen=True, slots=True)
class Debt:
    """What is owed without a bake: which trial, and what is missing."""

    trial_id: int
    name: str
    say: str


@dataclass(frozen=True, slots=True)
class NextBakes:
    """The bakes that would be worth most, what is owed, and trials of three mixes that a table should tell apart."""

    items: tuple[NextBake, ...]
    debts: tuple[Debt, ...]
    taste: tuple[int, ...] = ()


def next_bakes(session: Session, formula_id: int, kitchen: KitchenNow, today: date) -> NextBakes:
    """Return what to bake next of a formula, the worthiest first. Raises NotFoundError."""
    family = family_of(session, formula_id, kitchen)
    records = [t for t in trials_of_formula(session, formula_id) if not t.set_aside]
    every = (*_mend(session, records, kitchen), *_repeat(family), *_part(family))
    found = [n for n in every if n.worth >= LEAST]
    items = tuple(sorted(found, key=lambda n: -n.worth)[:MOST])
    return NextBakes(items, tuple(_debts(session, records, today)), _taste(family))


def _mend(session: Session, records: Sequence[TrialOnRecord], kitchen: KitchenNow) -> Iterator[NextBake]:
    """The fault of the last bake that was marked, by the cause that is likeliest here."""
    rules = trial_rules()
    priors = kitchen_lessons(session, kitchen).priors
    for record in reversed(records):
        trial = seen_trial(session, record, kitchen)
        if not trial.readings:
            continue
        seen = faults_seen(trial, rules, priors)
        if seen:
            fault, first = seen[0], seen[0].ranking.causes[0]
            worth = worth_of_mend(first.p, fault.fault.severity, fault.strength)
            cause = rules.faults.causes[first.cause]
            say = f"Mend {fault.fault.name.lower()} of {record.name}: {cause.change}"
            yield NextBake("mend", worth, say, record.id, fault.fault.fault, first.cause)
        return


def _repeat(family: Family) -> Iterator[NextBake]:
    ranked = sorted((s for s in family.strata if s.mean is not None), key=lambda s: -(s.mean or 0.0))
    if not ranked:
        return
    best = ranked[0]
    last = best.trials[-1].id if best.trials else None
    if len(ranked) < 2:
        if best.n == 1:
            say = f"Bake revision {best.revision} once more: what it can do rests on one bake."
            yield NextBake("repeat", worth_of_repeat(0.0, VERDICT_SD, (1, 1)), say, last)
        return
    second = ranked[1]
    lead = (best.mean or 0.0) - (second.mean or 0.0)
    worth = worth_of_repeat(lead, VERDICT_SD, (best.n, second.n))
    by = f"by {lead:.1f}, on {counted(best.n, 'bake')} and {counted(second.n, 'bake')}"
    say = f"Bake revision {best.revision} again: it leads {second.revision} {by}."
    yield NextBake("repeat", worth, say, last)


def _part(family: Family) -> Iterator[NextBake]:
    """Two changes made at once: one of them alone would tell which did it."""
    by_revision = {s.revision: s for s in family.strata}
    for plane in family.planes:
        a, b = by_revision[plane.before], by_revision[plane.after]
        if plane.things_changed > 1 and a.mean is not None and b.mean is not None and a.trials:
            worth = worth_of_parting(b.mean - a.mean, plane.things_changed)
            both = "; ".join(filter(None, [plane.say, plane.happened]))
            say = f"Part what changed at once from {plane.before} to {plane.after} ({both}): bake one of them alone."
            yield NextBake("part", worth, say, a.trials[-1].id)


def _taste(family: Family) -> tuple[int, ...]:
    """The last bakes of the three mixes that stand highest, where none leads by more than bakes differ by chance."""
    by_mix: dict[int | None, Stratum] = {}
    baked = [s for s in family.strata if s.trials and s.blend_revision is not None]
    for stratum in sorted(baked, key=lambda s: -(s.mean or 0.0)):
        by_mix.setdefault(stratum.blend_revision, stratum)
    best = list(by_mix.values())[:TASTED]
    if len(best) < TASTED:
        return ()
    first, second = best[0], best[1]
    if first.mean is not None and second.mean is not None:
        chance = VERDICT_SD * math.sqrt(1 / max(1, first.n) + 1 / max(1, second.n))
        if first.mean - second.mean > chance:
            return ()
    return tuple(s.trials[-1].id for s in best)


def _debts(session: Session, records: Sequence[TrialOnRecord], today: date) -> Iterator[Debt]:
    """Marks that are due today: how it kept."""
    readings = readings_of(session, [t.id for t in records])
    for record in records:
        age = (today - date.fromisoformat(record.baked_on)).days
        holding = in_force(readings[record.id])
        if 1 <= age <= LAST_DAY and holding and not any(r.day == age for r in holding):
            yield Debt(record.id, record.name, f"How is it on day {age}? Two taps: soft, moist.")

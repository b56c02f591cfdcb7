"""A trial told: its measures, what went otherwise, its faults with their causes in sentences, and a comparison."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import asdict

from fallow_sieve.core.baking import BakePlan
from fallow_sieve.core.trials.differences.changes import Difference, TrialChange, difference
from fallow_sieve.core.trials.differences.effects import Effect, Values, effects_of
from fallow_sieve.core.trials.faults.counts import Lessons
from fallow_sieve.core.trials.faults.ranking import RankedCause, rank
from fallow_sieve.core.trials.faults.sentences import COMMON, against_line, asks, told
from fallow_sieve.core.trials.faults.several import joined
from fallow_sieve.core.trials.measures.keeping import keeping_line
from fallow_sieve.core.trials.quantities import check_value, quantity_named
from fallow_sieve.core.trials.readings import in_force, marks
from fallow_sieve.core.trials.seen import MeasureSeen, mark_seen, measures_seen, state_of, went
from fallow_sieve.core.trials.trial import FaultSeen, Trial, faults_seen, standing
from fallow_sieve.formats.shared import rounded
from fallow_sieve.formats.trials import (
    BandTold,
    CauseBrief,
    CauseTold,
    ChangeSeen,
    ChangeTold,
    DifferenceTold,
    EffectSeen,
    FaultCaseIn,
    FaultsAnswer,
    FaultTold,
    JointTold,
    MeasureTold,
    TrialAnswer,
)
from fallow_sieve.services.trials.making import trial_rules

MOULD = "Mouldy, or smelling of paint: throw it away, do not taste it."


def trial_answer(trial: Trial, name: str, against: Trial | None = None, lessons: Lessons | None = None) -> TrialAnswer:
    """Return a trial as it is told, with its difference from another where one is given, and the kitchen's lessons."""
    rules, measures = trial_rules(), measures_seen(trial, trial_rules(), trial.arm_names[0])
    learnt = lessons or Lessons()
    seen = faults_seen(trial, rules, learnt.priors)
    changes, sentence = went(trial, rules, trial.arm_names[0])
    marked, names = marks(trial.readings), {f.fault: f.name for f in rules.faults.faults.values()}
    return TrialAnswer(
        name=name,
        say=sentence,
        state=state_of(measures, marked, names),
        measures={m.name: measure_told(m) for m in measures},
        deviations=[change_seen(c) for c in changes],
        faults=[fault_told(f, learnt.lines.get(f.fault.fault, {})) for f in seen],
        together=[
            JointTold(cause=j.cause, name=rules.faults.causes[j.cause].name, share=_r(j.share), faults=list(j.faults))
            for j in joined([f.ranking for f in seen])
        ],
        kept=keeping_line(give_by_day(trial)),
        difference=compared(against, trial) if against is not None else None,
        cautions=cautions(trial.made.judged.bake),
    )


def give_by_day(trial: Trial) -> dict[int, float]:
    """Return the give under a weight (%) of each day that it was measured on, of the first arm or the whole dough."""
    arms = ("", trial.arm_names[0])
    noted = [r for r in in_force(trial.readings) if r.quantity == "compression_pct" and r.arm in arms]
    return {r.day: r.value for r in noted if r.value}


def cautions(bake: BakePlan) -> list[str]:
    """Return what to beware of while a bake is judged: raw dough, steam and hot tins, mould."""
    return [*(c.say for c in bake.cautions), MOULD]


def measure_told(m: MeasureSeen) -> MeasureTold:
    """Return a measure as it is told."""
    band = BandTold(**asdict(m.band)) if m.band is not None else None
    sd = None if m.sd is None else _r(m.sd)
    return MeasureTold(
        label=m.label, unit=m.unit, value=_r(m.value), word=word_of(m), sd=sd, how=m.how, as_planned=m.as_planned,
        status=str(m.status), band=band, planned=None if m.planned is None else _r(m.planned),
    )  # fmt: skip


def word_of(m: MeasureSeen) -> str:
    """Return the word that a value has on its scale: "as it should"; empty for a plain number."""
    q = trial_rules().quantities[m.name]
    place = round(m.value - q.least)
    return q.words[place] if 0 <= place < len(q.words) else ""


def change_seen(c: TrialChange) -> ChangeSeen:
    """Return a change as it is told."""
    return ChangeSeen(group=c.group, say=c.say, steps=_r(c.steps), meant=c.meant, follows=list(c.follows))


def fault_told(seen: FaultSeen, lines: Mapping[str, str] | None = None) -> FaultTold:
    """Return a fault with every cause that applies, the likeliest first; `lines` say what was learnt of each."""
    rules, ranking = trial_rules(), seen.ranking
    first = ranking.tells_most[0][0] if ranking.tells_most else None
    say = against_line(ranking, rules.faults.causes) if ranking.speaks else COMMON
    return FaultTold(
        fault=seen.fault.fault,
        name=seen.fault.name,
        strength=seen.strength,
        status=str(mark_seen(seen.fault.name, seen.strength).status),
        arm=seen.arm,
        causes=[_cause(c, seen, (lines or {}).get(c.cause, "")) for c in ranking.causes],
        something_else=_r(ranking.something_else),
        tells_most=first,
        asks=asks(ranking, rules.quantities),
        say=say,
    )


def _cause(c: RankedCause, seen: FaultSeen, lesson: str) -> CauseTold:
    rules, fault, facts = trial_rules(), seen.fault.fault, seen.facts
    cause, said = rules.faults.causes[c.cause], told(c, fault, facts, rules.faults, rules.quantities)
    change = ChangeTold(say=cause.change, side_effect=cause.side_effect, **asdict(cause.edit))
    return CauseTold(
        **_brief(c),
        name=cause.name,
        likelihood=c.likelihood if seen.ranking.speaks else "",
        say=" ".join([*said.for_it, said.explanation]),
        against=" ".join(said.against),
        lesson=lesson,
        change=change,
    )


def _brief(c: RankedCause) -> dict[str, object]:
    return {"cause": c.cause, "rank": c.rank, "p": _r(c.p), "evidence": _r(c.evidence), "not_noted": list(c.not_noted)}


def compared(
    before: Trial, after: Trial, repeats: Mapping[str, Sequence[Sequence[float]]] | None = None
) -> DifferenceTold:
    """Return what changed from one bake to another and what it did; `repeats` are groups of repeats by measure."""
    rules = trial_rules()
    was, now = (standing(t, rules, t.arm_names[0]) for t in (before, after))
    found = difference(was, now, rules.sizes)
    values = {n: Values(a, b, (repeats or {}).get(n, ())) for n, (a, b) in _on_both(before, after).items()}
    return difference_told(found, effects_of(values, rules.quantities))


def difference_told(found: Difference, effects: Sequence[Effect]) -> DifferenceTold:
    """Return a difference with its effects as they are told."""
    return DifferenceTold(
        things_changed=found.things_changed,
        say=found.say,
        changes=[change_seen(c) for c in found.changes],
        follows=list(found.follows),
        may_have_changed=list(found.may_have_changed),
        effects=[effect_seen(e) for e in effects],
    )


def effect_seen(e: Effect) -> EffectSeen:
    """Return an effect as it is told."""
    return EffectSeen(
        measure=e.measure, before=_r(e.before), after=_r(e.after), difference=_r(e.difference),
        half_width=_r(e.half_width), n_before=e.n[0], n_after=e.n[1], shown=e.shown, leans_on_the_table=e.leans,
        say=e.say,
    )  # fmt: skip


def _on_both(before: Trial, after: Trial) -> dict[str, tuple[list[float], list[float]]]:
    """What both measured in the same way, arms pooled."""
    a, b = measured(before), measured(after)
    return {n: ([v for v, _ in a[n]], [v for v, _ in b[n]]) for n in a if n in b and _one_way(n, a[n], b[n])}


Taken = tuple[float, str]  # a value and the way it was taken


def measured(trial: Trial) -> dict[str, list[Taken]]:
    """Return the values of a trial's measures that can be compared, of each arm, with the way they were taken."""
    found: dict[str, list[Taken]] = {}
    rules = trial_rules()
    for arm in trial.arm_names:
        for m in measures_seen(trial, rules, arm):
            if is_outcome(m.name) and not m.as_planned:
                found.setdefault(m.name, []).append((m.value, m.how))
    return found


def is_outcome(measure: str) -> bool:
    """Return whether a measure is what a bake came to, and not how it was made."""
    return bool(trial_rules().quantities[measure].sd_bake) and measure not in _MADE_SO


_MADE_SO = frozenset({"dough_feel", "dough_c", "sheet_mm", "oven_c", "bake_min", "core_c"})


def _one_way(name: str, a: Sequence[Taken], b: Sequence[Taken]) -> bool:
    """Ways of volume are never compared with one another."""
    return "volume" not in name or {w for _, w in a} == {w for _, w in b}


def faults_answer(case: FaultCaseIn) -> FaultsAnswer:
    """Return the ranking of a fault by what is known. Raises BadInputError for a quantity that is not known."""
    rules = trial_rules()
    for name, value in case.quantities.items():
        check_value(quantity_named(name, rules.quantities, f"/quantities/{name}"), value, f"/quantities/{name}")
    found = rank(case.fault, case.applies, case.quantities, rules.faults)
    return FaultsAnswer(
        fault=case.fault,
        causes=[CauseBrief(**_brief(c)) for c in found.causes],
        something_else=_r(found.something_else),
        tells_most=found.tells_most[0][0] if found.tells_most else None,
    )


def _r(value: float) -> float:
    return rounded(value) or 0.0

"""The family of a formula: strata of its revisions with their bakes, what was changed between them, what was learnt."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.blends import Blend, analyse
from fallow_sieve.core.formulas import Formula
from fallow_sieve.core.trials.differences.changes import Difference, difference
from fallow_sieve.core.trials.differences.effects import Values, effects_of
from fallow_sieve.core.trials.differences.standing import Standing, composition_of, numbers_of
from fallow_sieve.core.trials.evidence.composition import facts_of_formula
from fallow_sieve.core.trials.lineage import Place, learned, placed, plane_of
from fallow_sieve.core.trials.next_change.worth import Ranked, ranked_by_verdict
from fallow_sieve.core.trials.predicting import predicted_plan
from fallow_sieve.core.trials.readings import marks
from fallow_sieve.core.trials.trial import Trial, standing
from fallow_sieve.core.values import BadInputError, counted
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.kept import trial_kept
from fallow_sieve.services.trials.making import made_of, process_of, trial_rules
from fallow_sieve.services.trials.page import TrialStanding, seen_trial, standing_of
from fallow_sieve.services.trials.telling import measured
from fallow_sieve.store import FORMULAS, Revision
from fallow_sieve.store.trials import StepOnRecord, TrialOnRecord, readings_of, steps_on_record, trials_of_formula

_Kept = Revision[Formula]


@dataclass(frozen=True, slots=True)
class LayerOfStratum:
    """A part of the blend as the thin column of a stratum shows it."""

    ingredient: str
    role: str
    mix_pct: float


@dataclass(frozen=True, slots=True)
class Stratum:
    """A formula revision: its column, the one it began from, its blend, its bakes, and how it stands by verdict.

    `mean` is the posterior mean of its verdicts, 1–9 (None: none), of `n` of them.
    """

    revision: int
    column: int
    parent: int | None
    why: str
    kept_at: str
    blend_name: str
    blend_revision: int | None
    layers: tuple[LayerOfStratum, ...]
    trials: tuple[TrialStanding, ...]
    mean: float | None
    n: int
    to_beat: bool


@dataclass(frozen=True, slots=True)
class PlaneTold:
    """The plane between two strata: what changed (the role that `grew`), what happened beside it, what was learnt.

    `things_changed` counts both what was meant and what happened, by a step or more; `by_hand` are a hand's words.
    """

    before: int
    after: int
    kind: str
    grew: str
    say: str
    happened: str
    things_changed: int
    learned: str
    by_hand: str
    step_to: int | None


@dataclass(frozen=True, slots=True)
class Family:
    """A formula's family: in one sentence, its strata with the first first, and the planes between them."""

    formula_id: int
    name: str
    say: str
    more: str
    strata: tuple[Stratum, ...]
    planes: tuple[PlaneTold, ...]


@dataclass(frozen=True, slots=True)
class _Bake:
    record: TrialOnRecord
    trial: Trial | None
    standing: TrialStanding
    measures: Mapping[str, float]


def family_of(session: Session, formula_id: int, kitchen: KitchenNow) -> Family:
    """Return the family of a formula. Raises NotFoundError."""
    head, revisions = FORMULAS.get(session, formula_id), FORMULAS.revisions(session, formula_id)
    bakes = _bakes(session, formula_id, head.name, kitchen)
    verdicts = {r.number: [v for b in _of(bakes, r.number) if (v := b.standing.verdict) is not None] for r in revisions}
    ranked = ranked_by_verdict(verdicts)
    places = placed({r.number: r.based_on for r in revisions})
    steps = steps_on_record(session, [b.record.id for b in bakes])
    strata = [_stratum(r, p, bakes, ranked, kitchen) for r, p in zip(revisions, places, strict=True)]
    by_number = {r.number: r for r in revisions}
    planes = [
        _plane(by_number[p.parent], by_number[p.revision], bakes, steps, kitchen)
        for p in places
        if p.parent is not None
    ]
    say, more = _said(strata, planes, bakes)
    return Family(formula_id, head.name, say, more, tuple(strata), tuple(planes))


def _bakes(session: Session, formula_id: int, name: str, kitchen: KitchenNow) -> list[_Bake]:
    records = trials_of_formula(session, formula_id)
    readings = readings_of(session, [t.id for t in records])
    found = []
    for record in records:
        try:
            own = readings[record.id]
            trial = (
                trial_kept(record, own, kitchen) if record.dough_of is None else seen_trial(session, record, kitchen)
            )
        except BadInputError:  # its formula names what the kitchen no longer has
            trial = None
        measures = {n: taken[0][0] for n, taken in measured(trial).items()} if trial else {}
        found.append(_Bake(record, trial, standing_of(record, readings[record.id], name), measures))
    return found


def _of(bakes: Sequence[_Bake], revision: int) -> list[_Bake]:
    return [b for b in bakes if b.record.formula_revision == revision and not b.record.set_aside]


def _stratum(r: _Kept, p: Place, bakes: Sequence[_Bake], ranked: Sequence[Ranked], kitchen: KitchenNow) -> Stratum:
    by_verdict = next((s for s in ranked if s.key == r.number), None)
    pin = r.content.pin
    return Stratum(
        revision=r.number,
        column=p.column,
        parent=p.parent,
        why=r.why,
        kept_at=r.kept_at,
        blend_name=pin.name if pin else "",
        blend_revision=pin.revision if pin else None,
        layers=_layers(r, kitchen),
        trials=tuple(b.standing for b in bakes if b.record.formula_revision == r.number),
        mean=by_verdict.mean if by_verdict else None,
        n=by_verdict.n if by_verdict else 0,
        to_beat=bool(ranked) and by_verdict is ranked[0],
    )


def _layers(r: _Kept, kitchen: KitchenNow) -> tuple[LayerOfStratum, ...]:
    if not r.content.blend:
        return ()
    try:
        parts = analyse(Blend(r.content.blend), kitchen.shelf).parts
    except BadInputError:
        return ()
    return tuple(LayerOfStratum(p.ingredient, p.role, p.mix_pct) for p in parts)


def _as_planned(r: _Kept, kitchen: KitchenNow) -> Standing:
    """A revision as it is compared with another: what its plan would be, done to the letter."""
    made = made_of(r.content, kitchen)
    facts = facts_of_formula(made, trial_rules().formulas)
    plan = predicted_plan(made, process_of(made))
    parts, lines = composition_of(made)
    planned, _ = numbers_of(made, facts, {}, plan, trial_rules().yeast)
    names = {p.ingredient: p.name for p in made.worked.dough.parts}
    kinds = {"tin": made.formula.pan} if made.formula.pan else {}
    return Standing(parts, lines, planned, planned, kinds, {}, plan.value("predicted_pct"), names)


def _plane(
    before: _Kept,
    after: _Kept,
    bakes: Sequence[_Bake],
    steps: Sequence[StepOnRecord],
    kitchen: KitchenNow,
) -> PlaneTold:
    try:
        a, b = _as_planned(before, kitchen), _as_planned(after, kitchen)
        change = difference(a, b, trial_rules().sizes)
        plane = plane_of(change, b.parts, a.parts)
        kind, say = plane.kind, plane.say
        grew = kitchen.shelf[plane.grew].role if plane.grew else ""
    except BadInputError:
        change, kind, grew, say = Difference((), (), ""), "double", "", "cannot be judged any more"
    was, now = _of(bakes, before.number), _of(bakes, after.number)
    step = next((s for s in steps if s.to_trial in {x.record.id for x in now}), None)
    because = next((str(x.record.because.get("say", "")) for x in now if x.record.because), "") or after.why
    happened = _happened(was, now)
    things = change.things_changed + len(happened)
    told = learned(because.rstrip("."), _faults(was, now), _effects(was, now, bakes), things)
    return PlaneTold(
        before.number, after.number, kind, grew, say, "; ".join(happened), things, told,
        step.found_by_hand if step else "", step.to_trial if step else None,
    )  # fmt: skip


def _happened(was: Sequence[_Bake], now: Sequence[_Bake]) -> list[str]:
    """What changed beside what was meant, from the bake that was followed to the first that followed it."""
    first = next((b for b in now if b.trial), None)
    before = [b for b in was if b.trial]
    if first is None or first.trial is None or not before:
        return []
    parent = next((b for b in before if b.record.id == first.record.parent_id), before[-1])
    rules = trial_rules()
    assert parent.trial is not None
    a, b = (standing(t, rules, t.arm_names[0]) for t in (parent.trial, first.trial))
    return [c.say[0].lower() + c.say[1:] for c in difference(a, b, rules.sizes).counted if not c.meant]


def _faults(was: Sequence[_Bake], now: Sequence[_Bake]) -> list[str]:
    """The faults that were looked for on both sides, with their mean strength: "Gritty 3 → 1"."""
    a, b = _strengths(was), _strengths(now)
    names = trial_rules().faults.faults
    both = [f for f in a if f in b and (a[f] > 0 or b[f] > 0)]
    moved = sorted(both, key=lambda f: b[f] - a[f])[:3]
    return [f"{names[f].name} {a[f]:.2g} → {b[f]:.2g}." for f in moved if f in names]


def _strengths(bakes: Sequence[_Bake]) -> dict[str, float]:
    every: dict[str, list[float]] = {}
    for b in bakes:
        for fault, strength in (marks(b.trial.readings) if b.trial else {}).items():
            every.setdefault(fault, []).append(strength)
    return {f: sum(v) / len(v) for f, v in every.items()}


def _effects(was: Sequence[_Bake], now: Sequence[_Bake], bakes: Sequence[_Bake]) -> list[str]:
    """What the measures did, decided together; those that show something first."""
    a, b = _values(was), _values(now)
    repeated = [_values(_of(bakes, r)) for r in _revisions(bakes)]
    groups = {n: [values.get(n, []) for values in repeated] for n in a if n in b}
    found = effects_of({n: Values(a[n], b[n], groups[n]) for n in groups}, trial_rules().quantities)
    ordered = sorted(found, key=lambda e: (not e.shown, e.p))
    return [e.say for e in ordered[:2]]


def _revisions(bakes: Sequence[_Bake]) -> set[int]:
    return {b.record.formula_revision for b in bakes if b.record.formula_revision is not None}


def _values(bakes: Sequence[_Bake]) -> dict[str, list[float]]:
    found: dict[str, list[float]] = {}
    for b in bakes:
        for name, value in b.measures.items():
            found.setdefault(name, []).append(value)
    return found


def _said(strata: Sequence[Stratum], planes: Sequence[PlaneTold], bakes: Sequence[_Bake]) -> tuple[str, str]:
    best = next((s for s in strata if s.to_beat), None)
    blends = len({s.blend_revision for s in strata if s.blend_revision is not None})
    confounded = sum(p.things_changed > 1 for p in planes)
    parts = [
        f"{counted(len(strata), 'formula revision')}" + (f" on {counted(blends, 'blend revision')}" if blends else ""),
        counted(len(bakes), "bake"),
        *([f"{counted(confounded, 'step')} changed more than one thing"] if confounded else []),
    ]
    if best is None:
        return ("No bake is judged yet." if bakes else "No bake yet."), " · ".join(parts)
    rests = "it rests on one bake" if best.n == 1 else f"by {counted(best.n, 'bake')}"
    joint = ", but " if best.n == 1 else ", "
    return f"Revision {best.revision} is the one to beat: {best.mean:.1f} of 9{joint}{rests}.", " · ".join(parts)

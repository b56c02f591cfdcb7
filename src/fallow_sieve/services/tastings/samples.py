"""What is tasted: a trial, with all that its blend and formula bring, or a bought product, with what its bag says."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from datetime import UTC, datetime
from typing import Any

from sqlmodel import Session

from fallow_sieve.core.blends.care import status_of
from fallow_sieve.core.formulas import BLEND, Formula
from fallow_sieve.core.ingredients import WORDS, Ingredient, Shelf
from fallow_sieve.core.tastings.avoiding import Holds, State
from fallow_sieve.core.tastings.panels import Sample
from fallow_sieve.core.trials.readings import Reading, in_force
from fallow_sieve.core.trials.status import Stage, stage_of
from fallow_sieve.core.values import GLUTEN_LIMIT_MG_PER_KG
from fallow_sieve.store.trials import TrialOnRecord, readings_of, trials_named

TRIAL, BAG = "trial", "bag"
CORE_SHORT_C = 1.0  # °C under its aim at which a core counts as not reached: a probe's own error
_MATTERS = frozenset({"medium", "high-needs-certified", "contains-gluten"})
RAW = "nothing says that it was baked: raw dough is not tasted"


def samples_of(session: Session, chosen: Sequence[Mapping[str, Any]], shelf: Shelf) -> tuple[Sample, ...]:
    """Return the samples of a table as they stand now: what they hold, when they were made, what speaks against."""
    ids = [int(c["about"]) for c in chosen if c["kind"] == TRIAL and c.get("about")]
    trials = {t.id: t for t in trials_named(session, ids)}
    readings = readings_of(session, ids)
    found = []
    for c in chosen:
        trial = trials.get(c.get("about") or 0)
        if c["kind"] == TRIAL:
            found.append(_of_trial(c, trial, readings.get(trial.id if trial else 0, ()), shelf))
        else:
            found.append(_of_bag(c))
    return tuple(found)


def _of_bag(c: Mapping[str, Any]) -> Sample:
    holds = Holds(frozenset(c.get("marks", ())), bool(c.get("complete")), State(c.get("gluten", State.UNKNOWN)))
    return Sample(c["number"], BAG, None, c["name"], c.get("because", ""), holds, "", c.get("lot", ""))


def _of_trial(c: Mapping[str, Any], trial: TrialOnRecord | None, readings: Sequence[Reading], shelf: Shelf) -> Sample:
    if trial is None:
        return Sample(c["number"], TRIAL, c.get("about"), c["name"], refused="this trial is not on record")
    because = c.get("because") or str(trial.because.get("say", ""))
    holds = holds_of_formula(trial.formula, shelf, c.get("marks", ()))
    return Sample(
        c["number"], TRIAL, trial.id, c["name"], because, holds, _made_at(readings), "", refusal(trial, readings)
    )  # fmt: skip


def holds_of_formula(formula: Formula, shelf: Shelf, more: Iterable[str] = ()) -> Holds:
    """Return what a formula holds: the union over its blend, its lines, and what goes on or in it (`more`)."""
    slugs = {p.ingredient for p in formula.blend} | {x.ingredient for x in formula.lines}
    named = [shelf[s] for s in sorted(slugs) if s in shelf]
    opened = BLEND not in slugs or bool(formula.blend)  # a blend that is named and not known may hold anything
    complete = opened and WORDS not in slugs and all(s in shelf or s.startswith("@") for s in slugs)
    marks = {m for item in named for m in (*item.allergens, *item.watch)} | set(more)
    return Holds(frozenset(marks), complete, _gluten(named, complete=complete))


def _gluten(items: Sequence[Ingredient], *, complete: bool) -> State:
    """Made of a gluten cereal or over the limit: contains. What may carry it and was not tested: unknown."""
    if any(i.contains_gluten or (i.gluten_mg_per_kg or 0.0) > GLUTEN_LIMIT_MG_PER_KG for i in items):
        return State.CONTAINS
    untested = any(i.gluten_risk in _MATTERS and status_of(i) == "unknown" for i in items)
    return State.UNKNOWN if untested or not complete else State.KNOWN


def _made_at(readings: Sequence[Reading]) -> str:
    """When it came out of the oven: the instant of the first reading of its core, or that it is baked through."""
    told = [r.at for r in in_force(readings) if r.quantity in ("core_c", "baked_through") and r.at]
    return datetime.fromisoformat(min(told)).astimezone(UTC).isoformat() if told else ""


def refusal(trial: TrialOnRecord, readings: Sequence[Reading]) -> str:
    """Return why a trial must not be tasted (empty: it may be): raw, its core not reached, or said not to be done."""
    told = in_force(readings)
    if stage_of(readings) in (Stage.PLANNED, Stage.AT_THE_BENCH):
        return RAW
    core = [r.value for r in told if r.quantity == "core_c" and r.value is not None]
    aim = trial.plan.value("core_target_c")
    if core and aim is not None and min(core) < aim - CORE_SHORT_C:
        return f"its core came to {min(core):.0f} °C of {aim:.0f}: not baked through"
    if any(r.quantity == "baked_through" and r.value is not None and r.value < 1 for r in told):
        return "it was noted as not baked through"
    return ""

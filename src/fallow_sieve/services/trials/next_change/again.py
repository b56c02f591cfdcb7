"""Same again, but …: a planned trial after another one, with what is to be tried taken up; and its undoing."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import date
from typing import Any

from sqlmodel import Session

from fallow_sieve.core.formulas import Formula
from fallow_sieve.core.trials.readings import in_force
from fallow_sieve.core.trials.trial import Trial, noted
from fallow_sieve.core.values import BadInputError, Pin
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.beginning import Asked, begin
from fallow_sieve.services.trials.drawing import drawn
from fallow_sieve.services.trials.making import made_of
from fallow_sieve.services.trials.page import seen_trial
from fallow_sieve.store import BLENDS, FORMULAS
from fallow_sieve.store.trials import StepOnRecord, TrialOnRecord, add_step, get_trial, readings_of, save_trial

GOOD_VERDICT = 7.0
_AS_DONE = ("water_poured_g", "bake_min", "proof_min", "proof_c", "oven_c")


@dataclass(frozen=True, slots=True)
class Again:
    """What is asked of the next bake: one line, the causes whose change is taken up, planned values, the day (ISO)."""

    say: str = ""
    take: Sequence[str] = ()
    plan: Mapping[str, float] = field(default_factory=dict)
    baked_on: str = ""


def again(session: Session, trial_id: int, asked: Again, kitchen: KitchenNow, now: str, today: date) -> TrialOnRecord:
    """Add the planned trial after another, one action; return it. Raises BadInputError for a change nobody offered."""
    record = get_trial(session, trial_id)
    trial = seen_trial(session, record, kitchen, fresh=True)
    taken = _taken(record, asked.take)
    formula = _formula(session, record, taken, now)
    plan = {**_plan(trial), **{n: v for t in taken for n, v in t["plan"].items()}, **asked.plan}
    setup = {**drawn(session, record.formula_id, made_of(formula, kitchen), today), "took": list(taken)}
    setup |= {n: record.setup[n] for n in ("arms", "school", "switches", "altitude_m") if n in record.setup}
    say = asked.say.strip() or "; ".join(t["say"] for t in taken) or "the same again"
    first: Mapping[str, Any] = taken[0] if taken else {}
    because = {"say": say[:200], **{n: first[n] for n in ("fault", "cause") if n in first}}
    made = begin(
        session,
        record.formula_id,
        formula,
        Asked(baked_on=asked.baked_on, because=because, setup=setup, plan=plan, parent_id=record.id),
        kitchen,
        now,
    )
    for t in taken or [{"fault": "", "cause": "", "say": say}]:
        add_step(session, StepOnRecord(record.id, made.id, t["fault"], t["cause"], t["say"], created_at=now))
    _leave(session, record, [t for t in record.setup.get("to_try", []) if t not in taken], now)
    return made


def _taken(record: TrialOnRecord, causes: Sequence[str]) -> list[Mapping[str, Any]]:
    offered = {t["cause"]: t for t in record.setup.get("to_try", [])}
    unknown = next((c for c in causes if c not in offered), None)
    if unknown is not None:
        right = f"one of {', '.join(offered)}" if offered else "choose Try it at a cause first"
        raise BadInputError(f"no change for {unknown!r} is to be tried", place="/take", right=right)
    return [offered[c] for c in causes]


def _plan(trial: Trial) -> dict[str, float]:
    """Water, minutes, proof and oven as they were done where the bake was good; else as they are predicted anew."""
    read = noted(trial, trial.arm_names[0])
    if read.get("verdict", 0.0) >= GOOD_VERDICT:
        return {n: read[n] for n in _AS_DONE if n in read}
    wanted, flour, other = (trial.plan.value(n) for n in ("wanted_pct", "flour_g", "other_water_g"))
    judged = trial.made.judged.wanted
    wanted = judged.typical_pct if judged is not None else wanted
    if wanted is None or flour is None or other is None or trial.plan.value("water_poured_g") is None:
        return {}
    return {"water_poured_g": round(max(0.0, wanted / 100 * flour - other), 1)}


def _formula(session: Session, record: TrialOnRecord, taken: Sequence[Mapping[str, Any]], now: str) -> Formula:
    """The formula of the next bake: the draft where a change was made there, on a newer blend where it was mended."""
    levers = {t.get("lever") for t in taken}
    formula = FORMULAS.draft(session, record.formula_id).content if "formula" in levers else record.formula
    if "blend" not in levers or formula.pin is None or formula.pin.id is None:
        return formula
    pin, blend_id = formula.pin, formula.pin.id
    draft = BLENDS.draft(session, blend_id)
    why = next(t["say"] for t in taken if t.get("lever") == "blend")
    number = BLENDS.kept_as(session, blend_id, draft.content, why, now)
    newer = Pin(pin.kind, blend_id, number, pin.name)
    return replace(formula, blend=draft.content.parts, pin=newer)


def _leave(session: Session, record: TrialOnRecord, to_try: Sequence[Mapping[str, Any]], now: str) -> None:
    if list(to_try) == record.setup.get("to_try", []):
        return
    fresh = get_trial(session, record.id)
    save_trial(session, record.id, {"setup": {**fresh.setup, "to_try": list(to_try)}}, fresh.version, now)


def undo(session: Session, trial_id: int, now: str) -> None:
    """Undo a trial of which nothing was noted: it is shown nowhere, and what it took up is to be tried again.

    Raises BadInputError for one that something was noted of: that one is set aside instead.
    """
    record = get_trial(session, trial_id)
    if in_force(readings_of(session, [trial_id])[trial_id]):
        raise BadInputError("something was noted of this bake", right="set it aside: then nothing is learnt from it")
    save_trial(session, trial_id, {"withdrawn": True}, record.version, now)
    took = record.setup.get("took", [])
    if record.parent_id is not None and took:
        parent = get_trial(session, record.parent_id)
        _leave(session, parent, [*parent.setup.get("to_try", []), *took], now)

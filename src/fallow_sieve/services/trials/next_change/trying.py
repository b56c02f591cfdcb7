"""Try it: the draft that a cause asks for, made in the right place, with why, and one undo.

A formula and a blend get a draft, never a kept revision; what is done otherwise at the bench becomes the plan of the
next bake. What is to be tried is kept with the trial until the next one takes it up.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import asdict, dataclass, field
from typing import Any

from sqlmodel import Session

from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.core.trials.faults.tables import Cause
from fallow_sieve.core.trials.next_change.formula_edits import formula_edit
from fallow_sieve.core.trials.next_change.plan_edits import plan_edit
from fallow_sieve.core.trials.trial import FaultSeen, Trial, faults_seen
from fallow_sieve.core.values import BadInputError, UnknownNameError
from fallow_sieve.services.blends.judging import check_blend
from fallow_sieve.services.formulas.working import check_formula
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.making import trial_rules
from fallow_sieve.services.trials.next_change.blend_trying import mended_blend
from fallow_sieve.services.trials.page import seen_trial
from fallow_sieve.store import BLENDS, FORMULAS
from fallow_sieve.store.trials import TrialOnRecord, get_trial, save_trial

_TO_PLAN = frozenset({"water-temperature"})  # of the levers on a formula, what a formula does not hold


@dataclass(frozen=True, slots=True)
class Tried:
    """What was made to try a change: in words, the page where it stands, and what undoes it.

    `undo` is the document (`formula` or `blend`), its number, the version that was saved and the record before.
    """

    say: str
    page: str
    lever: str
    undo: Mapping[str, Any] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class ToTry:
    """What is to be tried at the next bake: fault and cause, in one line, where it is changed, planned values."""

    fault: str
    cause: str
    say: str
    lever: str
    plan: Mapping[str, float] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class _Work:
    """A change that is tried: of which trial, seen as what, in which kitchen, when, and how long it may search."""

    session: Session
    record: TrialOnRecord
    trial: Trial
    seen: FaultSeen
    cause: Cause
    kitchen: KitchenNow
    now: str
    effort: Effort

    def why(self, change: str) -> str:
        fault, cause = self.seen.fault.name.lower(), self.cause.name.lower()
        return f"{change}: {self.record.name} was {fault}, {cause} may be behind it."


def try_cause(
    session: Session, trial_id: int, fault: str, cause: str, kitchen: KitchenNow, now: str, effort: Effort
) -> Tried:
    """Make the draft that `cause` asks for. Raises UnknownNameError, BadInputError where nothing is to be changed."""
    record = get_trial(session, trial_id)
    trial = seen_trial(session, record, kitchen, fresh=True)
    seen, found = _asked(trial, fault, cause)
    work = _Work(session, record, trial, seen, found, kitchen, now, effort)
    lever = "plan" if found.edit.target in _TO_PLAN else found.edit.lever
    if lever == "formula":
        return _on_formula(work)
    if lever == "blend":
        return _on_blend(work)
    if lever == "test":
        flour = max(record.formula.blend, key=lambda p: p.mass_g).ingredient if record.formula.blend else "water"
        return Tried(found.change, f"/ingredients/{flour}/test/water", lever)
    edit = plan_edit(found, trial.plan_of(seen.arm), seen.facts)
    _keep(work, ToTry(fault, cause, edit.say, lever, edit.values))
    return Tried(f"For the next bake: {edit.say}", "", lever)


def _asked(trial: Trial, fault: str, cause: str) -> tuple[FaultSeen, Cause]:
    rules = trial_rules()
    every = {f.fault.fault: f for f in faults_seen(trial, rules)}
    if fault not in every:
        raise UnknownNameError("fault of this trial", fault, every, place="/fault")
    causes = {c.cause for c in every[fault].ranking.causes}
    if cause not in causes:
        raise UnknownNameError("cause of this fault", cause, causes, place="/cause")
    return every[fault], rules.faults.causes[cause]


def _on_formula(work: _Work) -> Tried:
    edit, of = formula_edit(work.cause, work.trial.made, trial_rules().formulas), work.record.formula_id
    draft = FORMULAS.draft(work.session, of)
    before = FORMULAS.codec.record(draft.content)
    saved = FORMULAS.save_draft(work.session, of, edit.formula, work.record.formula_revision, draft.version, work.now)
    _keep(work, ToTry(work.seen.fault.fault, work.cause.cause, edit.say, "formula"))
    undo = {"kind": "formula", "id": of, "version": saved.version, "before": before, "based_on": draft.based_on}
    return Tried(work.why(edit.say), f"/formula/{of}", "formula", undo)


def _on_blend(work: _Work) -> Tried:
    pin = work.record.formula.pin
    if pin is None or pin.id is None:
        raise BadInputError("this formula rests on no blend of the kitchen", right="mend its lines by hand")
    blend, said = mended_blend(work.cause, work.trial, work.kitchen, work.effort)
    draft = BLENDS.draft(work.session, pin.id)
    before = BLENDS.codec.record(draft.content)
    saved = BLENDS.save_draft(work.session, pin.id, blend, pin.revision, draft.version, work.now)
    _keep(work, ToTry(work.seen.fault.fault, work.cause.cause, said, "blend"))
    undo = {"kind": "blend", "id": pin.id, "version": saved.version, "before": before, "based_on": draft.based_on}
    return Tried(work.why(said), f"/bench/{pin.id}", "blend", undo)


def take_draft_back(session: Session, undo: Mapping[str, Any], shelf: Shelf, now: str) -> None:
    """Put a draft back as it was before a change was tried, where nobody saved it since.

    Raises StaleSaveError, and BadInputError for what was no draft that could stand.
    """
    documents: Any = {"formula": FORMULAS, "blend": BLENDS}[undo["kind"]]
    check: Any = {"formula": check_formula, "blend": check_blend}[undo["kind"]]
    try:
        content = documents.codec.content(dict(undo["before"]))
        check(content, shelf)
    except (KeyError, TypeError, AttributeError) as error:
        raise BadInputError("no draft", place="/before", right="send what the change answered with") from error
    documents.save_draft(session, undo["id"], content, undo["based_on"], undo["version"], now)


def _keep(work: _Work, what: ToTry) -> None:
    """Keep with the trial what is to be tried next, until the next bake takes it up."""
    setup = dict(work.record.setup)
    others = [t for t in setup.get("to_try", []) if t["cause"] != what.cause]
    setup["to_try"] = [*others, asdict(what)]
    save_trial(work.session, work.record.id, {"setup": setup}, work.record.version, work.now)

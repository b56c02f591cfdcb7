"""A trial as its file, so that it is told the same elsewhere; and the readings of trials as one table."""

from __future__ import annotations

from dataclasses import replace

from sqlmodel import Session

from fallow_sieve.core.trials.readings import in_force
from fallow_sieve.formats.formulas import formula_dict
from fallow_sieve.formats.trials import reading_file, trial_text, write_readings_csv
from fallow_sieve.reference import quantities
from fallow_sieve.services.formulas.working import defined_in_file
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.kept import readings_with_those_of_the_dough
from fallow_sieve.store import FORMULAS
from fallow_sieve.store.trials import TrialOnRecord, get_trial, readings_of, trials_of_formula


def trial_file(session: Session, trial_id: int, kitchen: KitchenNow) -> str:
    """Return the file of a trial as JSON text: its formula, the plan that was frozen, what holds."""
    record = get_trial(session, trial_id)
    formula = replace(record.formula, name=FORMULAS.get(session, record.formula_id).name)
    pin = formula.pin
    own = defined_in_file(formula, kitchen.shelf)
    readings = in_force(readings_with_those_of_the_dough(session, record))
    rest = {
        "name": record.name,
        "baked_on": record.baked_on,
        "because": _because(record),
        "plan": {n: p.value for n, p in sorted(record.plan.values.items())},
        "arms": [a["name"] for a in record.setup.get("arms", [])],
        "kept_h": record.kept_h,
        "kept_c": record.kept_c,
        "note": record.note,
        "set_aside": record.set_aside,
        "readings": [reading_file(r) for r in readings],
    }
    written = formula_dict(formula, pin.name if pin else "", pin.revision if pin else None, own)
    return trial_text(written, rest)


def _because(record: TrialOnRecord) -> dict[str, str]:
    return {n: record.because[n] for n in ("say", "fault", "cause") if record.because.get(n)}


def readings_table(session: Session, formula_id: int, trial_id: int | None = None) -> str:
    """Return the readings of one trial, or of all trials of a formula, as CSV text, the oldest bake first."""
    found = trials_of_formula(session, formula_id)
    chosen = [t for t in found if trial_id is None or t.id == trial_id]
    readings = readings_of(session, [t.id for t in chosen])
    return write_readings_csv([(t.name, in_force(readings[t.id])) for t in chosen], quantities())

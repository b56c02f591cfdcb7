"""A trial on record as the core sees it: its formula judged in the kitchen of today, its plan as it was frozen."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from sqlmodel import Session

from fallow_sieve.core.baking import pan_named
from fallow_sieve.core.trials.evidence.log import Setting
from fallow_sieve.core.trials.quantities import Moment
from fallow_sieve.core.trials.readings import Reading
from fallow_sieve.core.trials.trial import Arm, Trial
from fallow_sieve.reference import formula_rules, quantities
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.making import made_of, made_once, process_of
from fallow_sieve.store.trials import TrialOnRecord, readings_of, trials_of_formula


def trial_kept(
    record: TrialOnRecord, readings: Sequence[Reading], kitchen: KitchenNow, *, fresh: bool = False
) -> Trial:
    """Return a trial on record with its readings. Raises BadInputError where its formula can no longer be judged.

    `fresh` judges its formula by what bakes taught of water up to now; else that is left out, and found at once.
    """
    made = made_of(record.formula, kitchen) if fresh else made_once(record.formula, kitchen)
    return Trial(
        made=made,
        process=process_of(made, record.setup.get("school"), record.setup.get("switches")),
        plan=record.plan,
        readings=tuple(readings),
        arms=tuple(_arm(a) for a in record.setup.get("arms", [])),
        setting=Setting(record.plan.value("altitude_m"), record.kept_h, record.kept_c),
        known=record.setup.get("known", {}),
        kinds=record.setup.get("kinds", {}),
        lots=record.setup.get("lots", {}),
    )


def _arm(given: Mapping[str, str]) -> Arm:
    pan = given.get("pan")
    return Arm(given["name"], pan_named(pan, formula_rules().pans).time_factor if pan else None)


def readings_with_those_of_the_dough(session: Session, record: TrialOnRecord) -> tuple[Reading, ...]:
    """Return the readings of a trial; of a batch that was kept for later those of its mixing come from the first."""
    wanted = [record.id, *([record.dough_of] if record.dough_of else [])]
    found = readings_of(session, wanted)
    if record.dough_of is None:
        return found[record.id]
    own = {r.quantity for r in found[record.id] if not r.withdrawn}
    mixed = [r for r in found[record.dough_of] if _is_of_mixing(r) and r.quantity not in own]
    return (*(replace(r, id=f"of-{record.dough_of}-{r.id}", arm="") for r in mixed), *found[record.id])


def _is_of_mixing(reading: Reading) -> bool:
    q = quantities().get(reading.quantity)
    return q is not None and q.moment is Moment.MIXING


def one_before(session: Session, record: TrialOnRecord) -> TrialOnRecord | None:
    """Return the trial that this one is compared with: its parent, else the bake of its formula before it."""
    of_formula = trials_of_formula(session, record.formula_id)
    parent = next((t for t in of_formula if t.id == record.parent_id), None)
    before = [t for t in of_formula if (t.baked_on, t.id) < (record.baked_on, record.id)]
    return parent or (before[-1] if before else None)

"""A trial brought in from a file, onto a formula of the same name and use or one that comes with it; and readings."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from uuid import uuid4

from sqlmodel import Session

from fallow_sieve.core.formulas import Formula
from fallow_sieve.core.trials.readings import INSTANT, Reading, check_reading, in_force
from fallow_sieve.core.values import BadInputError, Pin
from fallow_sieve.formats.formulas import FormulaFile, document_of
from fallow_sieve.formats.trials import TrialFile, read_readings_csv
from fallow_sieve.formats.trials import readings_of as readings_in
from fallow_sieve.reference import quantities
from fallow_sieve.services.ingredients.transfer import bring_ingredients
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.beginning import Asked, begin, day_of
from fallow_sieve.services.trials.making import checked
from fallow_sieve.services.trials.slips import check_slip
from fallow_sieve.store import FORMULAS
from fallow_sieve.store.trials import TrialOnRecord, get_trial, put_reading, readings_of, save_trial


@dataclass(frozen=True, slots=True)
class Brought:
    """What a file brought in: the trial, and what there is to say of it."""

    trial: TrialOnRecord
    notes: list[str]


def bring_trial(session: Session, file: TrialFile, kitchen: KitchenNow, now: str) -> Brought:
    """Add the trial of a file with its formula, plan and readings. Raises BadInputError; nothing is added then."""
    readings = checked(readings_in(file), tuple(file.arms))
    formula, notes = _formula(session, file.formula)
    formula_id, said = _home(session, formula, now)
    asked = Asked(
        name=file.name,
        baked_on=day_of(file.baked_on, now),
        note=file.note,
        because=file.because.model_dump(exclude_none=True, exclude_defaults=True),
        setup={"arms": [{"name": a} for a in file.arms]},
        plan=file.plan,
        kept_h=file.kept_h,
        kept_c=file.kept_c,
    )
    trial = begin(session, formula_id, formula, asked, kitchen, now)
    _note_all(session, trial, readings)
    if file.set_aside:
        values = {n: getattr(trial, n) for n in ("name", "note", "baked_on", "because")}
        trial = save_trial(session, trial.id, {**values, "set_aside": True}, trial.version, now)
    return Brought(trial, [said, *notes])


def _formula(session: Session, file: FormulaFile) -> tuple[Formula, list[str]]:
    document = document_of(file)
    notes = bring_ingredients(session, document.ingredients)
    formula = document.formula
    if formula.blend:
        formula = replace(formula, pin=Pin("blend", None, document.blend_revision, document.blend_name))
    return formula, notes


def _home(session: Session, formula: Formula, now: str) -> tuple[int, str]:
    """The formula that the trial is one of: of the same name and use, so that its bakes stand together; else new."""
    name = formula.name.strip()[:120] or "Imported formula"
    for head in FORMULAS.named(session, name):
        if FORMULAS.draft(session, head.id).content.use == formula.use:
            return head.id, f"It stands with your bakes of {head.name}."
    return FORMULAS.add(session, name, None, formula, now).id, f"{name} was added to your formulas."


def _note_all(session: Session, trial: TrialOnRecord, readings: Sequence[Reading]) -> None:
    poured = trial.plan.value("water_poured_g")
    for n, r in enumerate(readings):
        check_slip(r, poured, f"/readings/{n}/value")
        put_reading(session, trial.id, replace(r, id=f"file-{trial.id}-{n}"))


def bring_readings(session: Session, trial_id: int, data: bytes, now: str) -> Brought:
    """Note the readings of a table (CSV) on a trial; rows that name another are left out and counted.

    The same table again adds nothing; a row without an instant is of `now`, in the order of the table. Raises
    BadInputError naming the row, or where no row is of this trial.
    """
    trial = get_trial(session, trial_id)
    rows = read_readings_csv(data, quantities())
    own = [(n, r) for n, (name, r) in enumerate(rows) if name in ("", trial.name)]
    if not own:
        others = sorted({name for name, _ in rows if name})
        wrong = f"rows of {', '.join(others[:3])} alone" if others else "no rows"
        raise BadInputError(wrong, place="row 2", right=f"give rows of {trial.name}, or leave the trial's name out")
    noted = [_checked(r, n, trial) for n, r in own]
    there = in_force(readings_of(session, [trial_id])[trial_id])
    new = [r for r in noted if not any(_is_same(r, x) for x in there)]
    for n, r in enumerate(new):
        put_reading(session, trial_id, replace(r, id=str(uuid4()), at=r.at or _instant(now, n)))
    notes = [f"{len(new)} readings were noted."]
    if len(new) < len(noted):
        notes.append(f"{len(noted) - len(new)} stood there already.")
    if len(own) < len(rows):
        notes.append(f"{len(rows) - len(own)} rows of other bakes were left out.")
    return Brought(get_trial(session, trial_id), notes)


def _checked(r: Reading, n: int, trial: TrialOnRecord) -> Reading:
    place = f"row {n + 2}"
    check_reading(r, quantities(), tuple(a["name"] for a in trial.setup.get("arms", [])), place)
    check_slip(r, trial.plan.value("water_poured_g"), place)
    return r


def _is_same(new: Reading, there: Reading) -> bool:
    return replace(new, id="", at=new.at or there.at) == replace(there, id="", replaces="")


def _instant(now: str, n: int) -> str:
    return (datetime.fromisoformat(now) + timedelta(microseconds=n)).strftime(INSTANT)

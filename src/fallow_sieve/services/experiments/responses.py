"""What a bake came to: a panel's mean with its standard error, else its verdict; measures of its trial; by hand."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.tastings.answers import Marks, Method
from fallow_sieve.core.tastings.panels import Stage
from fallow_sieve.core.tastings.tallies import main_answers
from fallow_sieve.core.trials.quantities import FAULT
from fallow_sieve.core.trials.readings import Reading, in_force
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.tastings.samples import TRIAL
from fallow_sieve.services.tastings.table import table_now
from fallow_sieve.services.trials.page import faults_in_short, seen_trial
from fallow_sieve.services.trials.telling import measured
from fallow_sieve.store.experiments import RunOnRecord
from fallow_sieve.store.tastings import page_of_tastings
from fallow_sieve.store.trials import get_trial, readings_of, trials_named

VERDICT_SE = 0.8  # a verdict of one person against what a panel would say, points: a rule of thumb
_MEASURE = {"volume": ("specific_volume_ml_g",), "height": ("height_mm",)}
MOST_TABLES = 200


@dataclass(frozen=True, slots=True)
class Outcome:
    """What a bake came to, in the response's unit, with its own standard error (0: none) and where it is from."""

    value: float | None
    se: float
    source: str


def outcomes(session: Session, runs: Sequence[RunOnRecord], response: str, kitchen: KitchenNow) -> dict[int, Outcome]:
    """Return what the bakes came to, by the number of the run; what was typed in stands over all else."""
    linked = [r.trial_id for r in runs if r.trial_id]
    panels = _panels(session, set(linked), kitchen) if response == "liking" else {}
    readings = readings_of(session, linked)
    found = {}
    for run in runs:
        if run.value is not None:
            found[run.number] = Outcome(run.value, run.se or 0.0, "by hand")
        elif run.trial_id in panels:
            found[run.number] = panels[run.trial_id]
        elif run.trial_id:
            found[run.number] = _of_trial(session, run.trial_id, readings[run.trial_id], response, kitchen)
    return {n: o for n, o in found.items() if o.value is not None}


def _panels(session: Session, trials: set[int], kitchen: KitchenNow) -> Mapping[int | None, Outcome]:
    """The means of panels that tasted these trials; of several the one with the least standard error."""
    found: dict[int | None, Outcome] = {}
    for record in page_of_tastings(session, limit=MOST_TABLES):
        tasted = {c["about"]: n for n, c in enumerate(record.samples) if c["kind"] == TRIAL and c["about"] in trials}
        if not tasted or record.stage is not Stage.UNBLINDED or record.asked.main is not Method.LIKING:
            continue
        marks = main_answers(table_now(session, record.id, kitchen).table)
        if isinstance(marks, Marks):
            for trial, place in tasted.items():
                told = _mean([r[place] for r in marks.rows], record.name)
                if told and (trial not in found or told.se < found[trial].se):
                    found[trial] = told
    return found


def _mean(marks: Sequence[float | None], name: str) -> Outcome | None:
    given = [m for m in marks if m is not None]
    if not given:
        return None
    mean, n = sum(given) / len(given), len(given)
    spread = math.sqrt(sum((m - mean) ** 2 for m in given) / (n - 1)) if n > 1 else VERDICT_SE
    return Outcome(mean, spread / math.sqrt(n), f"{name}, {n} tasters")


def _of_trial(
    session: Session, trial_id: int, readings: Sequence[Reading], response: str, kitchen: KitchenNow
) -> Outcome:
    if response == "liking":
        told = [r.value for r in in_force(readings) if r.quantity == "verdict" and r.value is not None]
        return Outcome(sum(told) / len(told), VERDICT_SE, "the verdict") if told else Outcome(None, 0.0, "")
    if response in ("soft", "moist"):
        marks = [r.value for r in in_force(readings) if r.quantity == response and r.value is not None]
        return Outcome(marks[-1], 0.0, "a mark") if marks else Outcome(None, 0.0, "")
    return _measured(session, trial_id, response, kitchen)


def _measured(session: Session, trial_id: int, response: str, kitchen: KitchenNow) -> Outcome:
    try:
        trial = seen_trial(session, get_trial(session, trial_id), kitchen)
    except BadInputError:  # its formula names what the kitchen no longer has
        return Outcome(None, 0.0, "")
    taken = measured(trial)
    for name in _MEASURE.get(response, ()):
        if name in taken:
            values = [v for v, _ in taken[name]]
            return Outcome(sum(values) / len(values), 0.0, "measured")
    return Outcome(None, 0.0, "")


def seen_words(session: Session, runs: Sequence[RunOnRecord]) -> dict[int, str]:
    """Return what was seen of bakes, in words, by the number of the run: as typed, else the faults that were marked."""
    linked = {t.id: t for t in trials_named(session, [r.trial_id for r in runs if r.trial_id])}
    readings = readings_of(session, list(linked))
    found = {}
    for run in runs:
        told = in_force(readings.get(run.trial_id or 0, ()))
        marked = {r.quantity.removeprefix(FAULT): r.value or 0.0 for r in told if r.quantity.startswith(FAULT)}
        found[run.number] = run.seen or faults_in_short(marked)
    return found

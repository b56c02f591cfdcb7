"""Bands of a use that the kitchen's judged bakes speak for moving."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.blends import METRICS
from fallow_sieve.core.trials.learning.bands_proposed import BandProposal, JudgedBake, proposals
from fallow_sieve.core.trials.trial import noted
from fallow_sieve.core.values import BadInputError, Band, counted
from fallow_sieve.reference import rules
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.kept import trial_kept
from fallow_sieve.store.trials import every_trial, readings_of


@dataclass(frozen=True, slots=True)
class BandOffer:
    """An edge of a band that could move, with what it is called and in words."""

    proposal: BandProposal
    label: str
    unit: str
    say: str


def bands_offered(session: Session, use: str, kitchen: KitchenNow) -> list[BandOffer]:
    """Return what the judged bakes of a use speak for; nothing where no bake was outside, or few were judged."""
    rule = rules().uses.get(use)
    if rule is None:
        return []
    bakes: dict[str, list[JudgedBake]] = {}
    records = [t for t in every_trial(session) if t.use == use and not t.set_aside]
    readings = readings_of(session, [t.id for t in records])
    for record in records:
        try:
            trial = trial_kept(record, readings[record.id], kitchen)
        except BadInputError:
            continue
        verdict = noted(trial, trial.arm_names[0]).get("verdict")
        pin = record.formula.pin
        if verdict is None or trial.made.mix is None or pin is None:
            continue
        for name, estimate in trial.made.mix.metrics.items():
            if estimate.typical is not None:
                judged = JudgedBake(estimate.typical, verdict, f"{pin.key}@{pin.revision}")
                bakes.setdefault(name, []).append(judged)
    bands: Mapping[str, Band] = {b.metric: b for b in rule.bands}
    return [_offer(p) for m, band in bands.items() if m in bakes for p in proposals(m, band, bakes[m])]


def _offer(p: BandProposal) -> BandOffer:
    metric = METRICS[p.metric]
    number = f"{p.after:.{metric.decimals}f} {metric.unit}"
    way = "may reach to" if p.widens else "might begin at" if p.side == "low" else "might end at"
    say = (
        f"{metric.label} {way} {number}: {counted(p.bakes, 'bake')} on {counted(p.blends, 'blend revision')} say so "
        f"({p.sure:.2f}). Other things differed too."
    )
    return BandOffer(p, metric.label, metric.unit, say)

"""A blend mended for a cause: one metric into its good band, at most two parts touched, what passes stays passing."""

from __future__ import annotations

from dataclasses import replace

from fallow_sieve.core.blends import METRICS, Analysis, Blend, Use, UseBand, fit_to
from fallow_sieve.core.ingredients import Role
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.core.trials.faults.tables import Cause
from fallow_sieve.core.trials.trial import Trial
from fallow_sieve.core.values import BadInputError, Status, in_words
from fallow_sieve.services.blends.mending import answer_of, mended
from fallow_sieve.services.kitchen import KitchenNow

TOUCH = 2
_WIDE = 1e-6


def mended_blend(cause: Cause, trial: Trial, kitchen: KitchenNow, effort: Effort) -> tuple[Blend, str]:
    """Return the trial's blend with the change that `cause` asks for, and that in words.

    Raises BadInputError where it is so already, or nothing within two parts does it.
    """
    formula, mix, use = trial.made.formula, trial.made.mix, trial.made.use
    blend = Blend(formula.blend, use=formula.use)
    if cause.edit.op == "scale":
        return _less_legume(blend, trial, cause.edit.size)
    if mix is None or use is None:
        raise BadInputError("there is no blend to mend", right="look at the next cause")
    band = _wanted(cause, mix, use)
    own = {b.metric for b in use.bands}
    kept = [b for b in fit_to(use, mix).bands if b.status is Status.PASS and b.band.metric in own]
    bands = (*(b.band for b in kept if b.band.metric != band.metric), band)
    asked = replace(use, bands=bands, classes={}, bag=(), doses={}, needs_binder=False)
    answer = answer_of(mended(blend, kitchen, TOUCH, effort, asked), TOUCH)
    if not answer.options:
        label = METRICS[band.metric].label.lower()
        raise BadInputError(
            f"nothing within two parts brings {label} there", right="look at the next cause, or Propose"
        )
    best = min(answer.options, key=lambda o: len(o.changes))  # two parts alone, rather than all by a little
    said = ", ".join(in_words(c) for c in best.changes)
    return replace(blend, parts=best.parts), said


def _wanted(cause: Cause, mix: Analysis, use: Use) -> UseBand:
    """The band that the metric has to stand on: the use's own, or so many points from where it is."""
    metric = cause.edit.target
    value = mix.metrics[metric].typical
    if value is None:
        raise BadInputError(f"{METRICS[metric].label.lower()} of this blend is not known", right="fill in its numbers")
    if cause.edit.size:
        most = value + cause.edit.size
        return UseBand(METRICS[metric].lowest, METRICS[metric].lowest, most, most + _WIDE, metric)
    own = next((b for b in use.bands if b.metric == metric), None)
    usual = next((u for u in use.nutrition if u.metric == metric), None)
    limits = (own.good_low, own.good_high) if own else (usual.low, usual.high) if usual else None
    if limits is None:
        raise BadInputError(
            f"no band of {METRICS[metric].label.lower()} is on record for this use", right="look further"
        )
    if limits[0] <= value <= limits[1]:
        raise BadInputError(
            f"{METRICS[metric].label.lower()} is {value:.1f} {METRICS[metric].unit}, inside its band already",
            right="look at the next cause",
        )
    return UseBand(limits[0], *limits, limits[1], metric)


def _less_legume(blend: Blend, trial: Trial, factor: float) -> tuple[Blend, str]:
    shelf = trial.made.worked.shelf
    legumes = [p for p in blend.parts if shelf[p.ingredient].role is Role.LEGUME]
    others = [p for p in blend.parts if shelf[p.ingredient].in_flour_base and p not in legumes]
    if not legumes or not others:
        raise BadInputError("there is no bean flour in the blend to halve", right="look at the next cause")
    freed = sum(p.mass_g * (1 - factor) for p in legumes)
    most = max(others, key=lambda p: p.mass_g)
    parts = tuple(
        replace(p, mass_g=p.mass_g * factor) if p in legumes
        else replace(p, mass_g=p.mass_g + freed) if p is most else p
        for p in blend.parts
    )  # fmt: skip
    names = ", ".join(shelf[p.ingredient].name for p in legumes)
    return replace(blend, parts=parts), f"{names} halved for {shelf[most.ingredient].name.lower()}"

"""What a formula's gauges rest on, worked out once, and all of its gauges from that."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends import BinderLoad, MixClass, Use, binder_in_bag
from fallow_sieve.core.formulas.analysis import WorkedFormula
from fallow_sieve.core.formulas.formula import Formula
from fallow_sieve.core.formulas.gauges.browning import browning_gauge
from fallow_sieve.core.formulas.gauges.gauge import Gauge
from fallow_sieve.core.formulas.gauges.leavening import Lift, Soda, has_yeast, lift_gauge, soda_gauge
from fallow_sieve.core.formulas.gauges.richness import UsualAmount, richness_gauges
from fallow_sieve.core.formulas.gauges.thickening import Thickening, thickness_gauge
from fallow_sieve.core.formulas.gauges.water_and_binder import binder_gauge, carried_by, water_gauge
from fallow_sieve.core.formulas.gauges.yeast_loads import Load, yeast_gauges
from fallow_sieve.core.formulas.water import HydrationBand, Prediction
from fallow_sieve.core.formulas.water_learning import Corrected


@dataclass(frozen=True, slots=True)
class Worked:
    """A formula worked out: `usual` are amounts for its thirst, `hottest_c` and `minutes` those of its bake.

    `sauce` is how thick it is where it is one; `hydration` the usual water of its consistency.
    """

    formula: Formula
    analysis: WorkedFormula
    use: Use | None
    sauce: Thickening | None
    prediction: Prediction
    wanted: Corrected | None
    hydration: HydrationBand | None
    binder: BinderLoad
    soda: Soda
    lifts: tuple[Lift, ...]
    loads: tuple[Load, ...]
    usual: tuple[UsualAmount, ...]
    hottest_c: float | None
    minutes: float


def gauges_of(w: Worked) -> tuple[Gauge, ...]:
    """Return every gauge of the formula: a sauce is judged by its thickness, else water, binder, lift and richness."""
    if w.sauce is not None:
        return tuple(thickness_gauge(w.sauce))
    return (
        *water_gauge(w.analysis, w.prediction, w.wanted, w.hydration),
        *_binder(w),
        *map(lift_gauge, w.lifts),
        *_soda(w.soda, w.usual),
        *_rich(w),
        *browning_gauge(w.analysis, w.hottest_c, w.minutes),
    )


def _binder(w: Worked) -> tuple[Gauge, ...]:
    if w.use is None:
        return binder_gauge(w.binder, None, needed=False, carried_by="")
    doses = w.use.doses
    carries = binder_in_bag(w.analysis.dough.parts, doses, w.use.family, MixClass.PLAIN) if doses else None
    return binder_gauge(w.binder, carries, needed=w.use.needs_binder, carried_by=carried_by(w.formula))


def _soda(soda: Soda, usual: Sequence[UsualAmount]) -> tuple[Gauge, ...]:
    row = next((u for u in usual if u.metric == "unmet_soda_pct"), None)
    return soda_gauge(soda, row.band if row else None, row.why_high if row else "")


def _rich(w: Worked) -> tuple[Gauge, ...]:
    """Salt, sugar, egg and fat; where yeast lifts, salt and sugar are judged by what it bears."""
    salt_pct = next((x.flour_pct for x in w.loads if x.kind == "salt"), 0.0)
    if not has_yeast(w.analysis):
        return richness_gauges(w.formula, w.analysis, salt_pct, w.usual)
    borne = frozenset({"salt", "sugar"})
    return (*yeast_gauges(w.loads), *richness_gauges(w.formula, w.analysis, salt_pct, w.usual, borne))

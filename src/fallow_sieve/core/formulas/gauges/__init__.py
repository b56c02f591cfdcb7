"""The gauges of a formula: each a value on its band, with a word for it."""

from fallow_sieve.core.formulas.gauges.browning import browning_gauge, stays_pale
from fallow_sieve.core.formulas.gauges.gauge import Gauge
from fallow_sieve.core.formulas.gauges.leavening import (
    LeaveningRule,
    Lift,
    Usual,
    has_yeast,
    lift_gauge,
    lifts,
    powder_equivalent,
    soda_of,
    usual_share_pct,
)
from fallow_sieve.core.formulas.gauges.moving import LineMoves, moves_of
from fallow_sieve.core.formulas.gauges.richness import UsualAmount, for_thirst
from fallow_sieve.core.formulas.gauges.state_words import odd, said, said_more, unjudged
from fallow_sieve.core.formulas.gauges.thickening import (
    SAUCE,
    SauceBand,
    Thickener,
    Thickening,
    by_school,
    sauce_warnings,
    thickening_of,
)
from fallow_sieve.core.formulas.gauges.unusual_shares import TOO_MUCH, UsualShare, odd_shares
from fallow_sieve.core.formulas.gauges.water_and_binder import binder_gauge, carried_by
from fallow_sieve.core.formulas.gauges.whole import Worked, gauges_of
from fallow_sieve.core.formulas.gauges.yeast_loads import Load, loads_on_yeast, yeast_gauges

__all__ = [
    "SAUCE",
    "TOO_MUCH",
    "Gauge",
    "LeaveningRule",
    "Lift",
    "LineMoves",
    "Load",
    "SauceBand",
    "Thickener",
    "Thickening",
    "Usual",
    "UsualAmount",
    "UsualShare",
    "Worked",
    "binder_gauge",
    "browning_gauge",
    "by_school",
    "carried_by",
    "for_thirst",
    "gauges_of",
    "has_yeast",
    "lift_gauge",
    "lifts",
    "loads_on_yeast",
    "moves_of",
    "odd",
    "odd_shares",
    "powder_equivalent",
    "said",
    "said_more",
    "sauce_warnings",
    "soda_of",
    "stays_pale",
    "thickening_of",
    "unjudged",
    "usual_share_pct",
    "yeast_gauges",
]

"""The gauges of a formula: each a value on its band, with a word for it."""

from fallow_sieve.core.formulas.gauges.browning import browning_gauge, stays_pale
from fallow_sieve.core.formulas.gauges.gauge import Gauge
from fallow_sieve.core.formulas.gauges.leavening import (
    LeaveningRule,
    Lift,
    Soda,
    Usual,
    has_yeast,
    lift_gauge,
    lifts,
    powder_equivalent,
    soda_gauge,
    soda_of,
    usual_share_pct,
)
from fallow_sieve.core.formulas.gauges.richness import UsualAmount, for_thirst, richness_gauges
from fallow_sieve.core.formulas.gauges.state_words import odd, said, said_more, unjudged
from fallow_sieve.core.formulas.gauges.thickening import (
    SAUCE,
    SauceBand,
    Thickener,
    Thickening,
    by_school,
    sauce_warnings,
    thickening_of,
    thickness_gauge,
)
from fallow_sieve.core.formulas.gauges.unusual_shares import TOO_MUCH, UsualShare, odd_shares
from fallow_sieve.core.formulas.gauges.water_and_binder import binder_gauge, carried_by, water_gauge
from fallow_sieve.core.formulas.gauges.yeast_loads import Load, loads_on_yeast, yeast_gauges

__all__ = [
    "SAUCE",
    "TOO_MUCH",
    "Gauge",
    "LeaveningRule",
    "Lift",
    "Load",
    "SauceBand",
    "Soda",
    "Thickener",
    "Thickening",
    "Usual",
    "UsualAmount",
    "UsualShare",
    "binder_gauge",
    "browning_gauge",
    "by_school",
    "carried_by",
    "for_thirst",
    "has_yeast",
    "lift_gauge",
    "lifts",
    "loads_on_yeast",
    "odd",
    "odd_shares",
    "powder_equivalent",
    "richness_gauges",
    "said",
    "said_more",
    "sauce_warnings",
    "soda_gauge",
    "soda_of",
    "stays_pale",
    "thickening_of",
    "thickness_gauge",
    "unjudged",
    "usual_share_pct",
    "water_gauge",
    "yeast_gauges",
]

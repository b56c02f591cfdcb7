"""The rules that a formula is judged by, and where it is judged."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

from fallow_sieve.core.baking import Doneness, GasMark, Pan, Phase
from fallow_sieve.core.blends import DoseBand, Use
from fallow_sieve.core.formulas.gauges import LeaveningRule, SauceBand, Thickener, UsualAmount, UsualShare
from fallow_sieve.core.formulas.water import HydrationBand
from fallow_sieve.core.formulas.water_learning import Pour
from fallow_sieve.core.values import CupStandard, Range


@dataclass(frozen=True, slots=True)
class FormulaRules:
    """The rules a formula is judged by, each by use where it depends on it. Rules of thumb, from the tables."""

    uses: Mapping[str, Use]
    doses: Mapping[str, Mapping[str, DoseBand]]
    hydration: Mapping[str, Mapping[str, HydrationBand]]
    holds: Mapping[str, Range]
    leavening: Mapping[str, LeaveningRule]
    phases: Mapping[str, Sequence[Phase]]
    doneness: Mapping[str, Doneness]
    pans: Sequence[Pan]
    marks: Sequence[GasMark]
    usual_shares: Sequence[UsualShare]
    usual: Mapping[str, Sequence[UsualAmount]] = field(default_factory=dict)
    acids: Mapping[str, float] = field(default_factory=dict)
    thickeners: Mapping[str, Thickener] = field(default_factory=dict)
    sauces: Mapping[str, SauceBand] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class FormulaSetting:
    """Where a formula is judged: cup, schools of binder and thickener, and the pours of the kitchen so far."""

    cup: CupStandard = CupStandard.US
    school: str = "by-moisture"
    pours: Sequence[Pour] = field(default=())
    thickener_school: str = "by-power"

"""Lines that are far out of their usual share of the flour: salt, leavening and binder, ten times too much."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.formulas.analysis import FormulaAnalysis
from fallow_sieve.core.ingredients import standards

TOO_MUCH = 10.0


@dataclass(frozen=True, slots=True)
class UsualShare:
    """The usual share of an ingredient (slug) in doughs: typical and highest, % of flour base; from where."""

    ingredient: str
    typical_pct: float
    high_pct: float
    basis: str = "rule of thumb"


def odd_shares(analysis: FormulaAnalysis, usual: Sequence[UsualShare]) -> tuple[str, ...]:
    """Return a sentence for each line at ten times its usual share (% of flour base) or more."""
    if analysis.flour_g <= 0:
        return ()
    by = {u.ingredient: u for u in usual}
    found = []
    for x in analysis.lines:
        rule = next((by[s] for s in standards(x.functions) if s in by), None)
        if rule is not None and x.in_dough and x.flour_pct is not None and x.flour_pct >= TOO_MUCH * rule.typical_pct:
            found.append(
                f"{x.name}: {x.flour_pct:.0f} % of flour is {x.flour_pct / rule.typical_pct:.0f} times the usual "
                f"{rule.typical_pct:g} %. A slip of a unit?"
            )
    return tuple(found)

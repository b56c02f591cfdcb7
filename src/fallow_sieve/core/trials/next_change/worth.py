"""What a next bake would be worth, in steps of the verdict: mending a fault, repeating the best, parting two changes.

The worth of a repeat is the unit normal loss (Raiffa & Schlaifer 1961): how much is lost on average by keeping to the
one that leads, if the other should be better after all.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.numerics import distributions as stats

VERDICT_SD = 0.8  # from bake to bake, measures.csv
FAMILY_SD = 1.5  # between the formulas of a family; a rule of thumb
MOST_STRENGTH = 3.0


def worth_of_repeat(lead: float, s: float, n: tuple[int, int]) -> float:
    """Return σ_d · [φ(z) − z (1 − Φ(z))] with z = lead ÷ σ_d, σ_d = s √(1/n₁ + 1/n₂), in steps of the verdict.

    >>> round(worth_of_repeat(0.5, 0.8, (1, 2)), 6)
    0.190702
    """
    sigma = s * math.sqrt(1 / n[0] + 1 / n[1])
    z = lead / sigma
    return float(sigma * (stats.norm.pdf(z) - z * stats.norm.sf(z)))


def worth_of_mend(p: float, severity: float, strength: float) -> float:
    """Return p(cause) × severity (1–3) × strength (0–3) ÷ 3.

    >>> round(worth_of_mend(0.4075, 3, 3), 2)
    1.22
    """
    return p * severity * strength / MOST_STRENGTH


def worth_of_parting(difference: float, things_changed: int) -> float:
    """Return |difference| ÷ things changed: what each of several changes made at once may have done."""
    return abs(difference) / max(1, things_changed)


@dataclass(frozen=True, slots=True)
class Ranked:
    """How a formula revision stands by its verdicts: their posterior mean, and how many."""

    key: int
    mean: float
    n: int


def ranked_by_verdict(verdicts: Mapping[int, Sequence[float]], s: float = VERDICT_SD) -> tuple[Ranked, ...]:
    """Return the revisions (by key) that have a verdict, the best posterior mean first: few lean on the family's."""
    judged = {k: v for k, v in verdicts.items() if v}
    if not judged:
        return ()
    family = sum(sum(v) for v in judged.values()) / sum(len(v) for v in judged.values())
    prior = 1 / FAMILY_SD**2
    found = [Ranked(k, (sum(v) / s**2 + family * prior) / (len(v) / s**2 + prior), len(v)) for k, v in judged.items()]
    return tuple(sorted(found, key=lambda x: -x.mean))

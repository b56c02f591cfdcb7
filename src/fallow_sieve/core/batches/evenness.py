"""Is a mix even? What chance alone leaves, what samples show, and what a counted tracer shows.

Chance: n = p M / m particles in a sample, CV = 100 √((1 − p)/n), m = ρπd³/6 (Stange 1954). Measured samples: CV with
its 95 % limits from χ². Counted grains: D = Σ(x − x̄)²/x̄ against χ² with n − 1 degrees of freedom.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from statistics import fmean, stdev

from fallow_sieve.core.numerics import distributions as stats
from fallow_sieve.core.values import BadInputError

WANTED_CV_PCT = 10.0
LEAST_SAMPLES = 5
_UG_PER_G = 1e6
_CM_PER_UM = 1e-4


@dataclass(frozen=True, slots=True)
class Chance:
    """What chance alone leaves: µg of a particle, particles in the sample, and the CV in %."""

    particle_ug: float
    particles: float
    cv_pct: float


@dataclass(frozen=True, slots=True)
class Evenness:
    """Samples that were measured: mean (their unit), CV with its 95 % limits (%), and what they say."""

    mean: float
    cv_pct: float
    lower95_pct: float
    upper95_pct: float
    say: str


@dataclass(frozen=True, slots=True)
class Counted:
    """Grains that were counted: mean, CV, the CV that chance leaves (%), dispersion, its 95 % limit, what they say."""

    mean: float
    cv_pct: float
    chance_cv_pct: float
    dispersion: float
    limit_95: float
    say: str


def random_limit(diameter_um: float, density_g_per_ml: float, mass_fraction: float, sample_g: float) -> Chance:
    """Return what chance leaves of a part of `mass_fraction` (0–1) in a sample of `sample_g` g.

    `diameter_um` is the mass-mean size (µm), `density_g_per_ml` in g a mL; to be safe take the d90.

    >>> round(random_limit(200, 1.5, 0.003, 10).cv_pct, 2)
    1.45
    """
    if not (diameter_um > 0 and density_g_per_ml > 0 and 0 < mass_fraction <= 1 and sample_g > 0):
        raise BadInputError("a size, density, share or sample of nothing", right="all over 0, the share at most 1")
    particle_g = density_g_per_ml * math.pi * (diameter_um * _CM_PER_UM) ** 3 / 6
    particles = mass_fraction * sample_g / particle_g
    return Chance(particle_g * _UG_PER_G, particles, 100 * math.sqrt((1 - mass_fraction) / particles))


def least_sample_g(particle_ug: float, mass_fraction: float, cv_pct: float = 5.0) -> float:
    """Return the smallest sample, g, in which chance leaves no more than `cv_pct` %.

    >>> round(least_sample_g(6.28, 0.003), 2)
    0.84
    """
    return particle_ug / _UG_PER_G / (mass_fraction * (cv_pct / 100) ** 2)


def evenness(values: Sequence[float], wanted_cv_pct: float = WANTED_CV_PCT) -> Evenness:
    """Return what measured samples show of a mix. Raises BadInputError under five samples or for a mean of nothing."""
    _enough(values)
    n, mean = len(values), fmean(values)
    if mean <= 0:
        raise BadInputError("samples whose mean is nothing", place="/values", right="readings over 0")
    cv = 100 * stdev(values) / mean
    # One-sided limits: 95 % sure to be under, or over.
    lower, upper = (cv * math.sqrt((n - 1) / float(stats.chi2.ppf(q, n - 1))) for q in (0.95, 0.05))
    return Evenness(mean, cv, lower, upper, _verdict(lower, upper, wanted_cv_pct))


def _verdict(lower_pct: float, upper_pct: float, wanted_pct: float) -> str:
    if upper_pct <= wanted_pct:
        return "even"
    return "uneven" if lower_pct > wanted_pct else "not shown"


def counts(grains: Sequence[float]) -> Counted:
    """Return what counted coloured grains show of the way of mixing; not of the gum itself. Raises BadInputError."""
    _enough(grains)
    n, mean = len(grains), fmean(grains)
    if mean <= 0 or any(x < 0 or x != int(x) for x in grains):
        raise BadInputError("counts that are no counts", place="/counts", right="whole numbers, not all 0")
    dispersion = sum((x - mean) ** 2 for x in grains) / mean
    limit = float(stats.chi2.ppf(0.95, n - 1))
    say = "uneven: mix again" if dispersion > limit else "no unevenness shown"
    return Counted(mean, 100 * stdev(grains) / mean, 100 / math.sqrt(mean), dispersion, limit, say)


def _enough(samples: Sequence[float]) -> None:
    if len(samples) < LEAST_SAMPLES:
        right = f"at least {LEAST_SAMPLES}; ten are better"
        raise BadInputError(f"{len(samples)} samples show nothing", place="/values", right=right)
    if not all(map(math.isfinite, samples)):
        raise BadInputError("a sample that is no number", place="/values", right="leave it out")

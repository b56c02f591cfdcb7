"""What a batch came to: yield, what nobody can explain, the loss a vessel teaches, and what a scoop holds."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from statistics import median

from fallow_sieve.core.values import Range

LEARNT_FROM = 8


@dataclass(frozen=True, slots=True)
class Taken:
    """What left a batch beside its bags, g: samples kept, the rest on the sieve, pre-mix left over."""

    kept_sample_g: float = 0.0
    sieve_rest_g: float = 0.0
    left_over_premix_g: float = 0.0

    @property
    def total_g(self) -> float:
        """Their sum, g."""
        return self.kept_sample_g + self.sieve_rest_g + self.left_over_premix_g


@dataclass(frozen=True, slots=True)
class Yield:
    """Yield (%), what is unexplained (g and % of what went in), and whether that is within the loss that was wanted."""

    yield_pct: float
    unexplained_g: float
    unexplained_pct: float
    ok: bool


def balance_of(weighed_in_g: float, bags_g: float, taken: Taken, wanted_loss_pct: float = 1.0) -> Yield:
    """Return how what came out of a batch stands against what went in, g; `wanted_loss_pct` in %.

    >>> balance_of(6060, 6008, Taken(40, 6)).unexplained_g
    6.0
    """
    missing_g = float(weighed_in_g - bags_g - taken.total_g)
    share = 100 * missing_g / weighed_in_g if weighed_in_g else 0.0
    ok = abs(share) <= wanted_loss_pct + 1e-9
    return Yield(100 * bags_g / weighed_in_g if weighed_in_g else 0.0, missing_g, share, ok)


def learnt_loss_pct(losses_pct: Sequence[float], usual_pct: float = 1.0) -> float:
    """Return the loss to plan with, %: the median of a vessel's last eight, or the usual where it has none."""
    return median(losses_pct[-LEARNT_FROM:]) if losses_pct else usual_pct


def mix_density(parts_g: Mapping[str, float], densities: Mapping[str, Range | None]) -> Range | None:
    """Return g/mL of a mix, loose–typical–packed: ρ = Σm / Σ(m/ρᵢ); None where a part's is unknown."""
    known = {slug: r for slug in parts_g if (r := densities.get(slug)) is not None and r.low > 0}
    total_g = sum(parts_g.values())
    if len(known) < len(parts_g) or total_g <= 0:
        return None
    low, typical, high = (
        total_g / sum(g / getattr(known[slug], side) for slug, g in parts_g.items())
        for side in ("low", "typical", "high")
    )
    return Range(low, typical, high)


def scoop_g(density: Range, scoop_ml: float) -> Range:
    """Return what a scoop of `scoop_ml` mL holds, g, loose–typical–packed."""
    return Range(density.low * scoop_ml, density.typical * scoop_ml, density.high * scoop_ml)

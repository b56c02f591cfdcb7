"""What a little more of one part would do to a number: the number again with that part heavier, all else as it is."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass, replace

from fallow_sieve.core.blends.blend import Blend

OF_WHOLE, OF_PART = 0.01, 0.1


def step_for(mass_g: float, whole_g: float) -> float:
    """Return g to try a part with: 1, 2 or 5 of a power of ten, at most a hundredth of the whole and a tenth of it.

    >>> step_for(290, 1050), step_for(50, 1050), step_for(3, 1050)
    (10.0, 5.0, 0.2)
    """
    most = min(OF_WHOLE * whole_g, OF_PART * mass_g)
    power = 10.0 ** math.floor(math.log10(most))
    return next(round(n * power, 9) for n in (5, 2, 1) if n * power <= most * (1 + 1e-9))


@dataclass(frozen=True, slots=True)
class Moved:
    """By how much a number moves, in its own unit, with `step_g` more of a part."""

    step_g: float
    by: float


def moved_by(blend: Blend, value: Callable[[Blend], float | None]) -> dict[str, Moved]:
    """Return by how much `value` of `blend` moves with a little more of each part, by slug; not where it is unknown."""
    now, whole_g = value(blend), sum(p.mass_g for p in blend.parts)
    found = {}
    for n, part in enumerate(blend.parts):
        step_g = step_for(part.mass_g, whole_g)
        more = (*blend.parts[:n], replace(part, mass_g=part.mass_g + step_g), *blend.parts[n + 1 :])
        then = value(replace(blend, parts=more))
        if now is not None and then is not None:
            found[part.ingredient] = Moved(step_g, then - now)
    return found

"""How high a dough stands as it ripens, and when it climbs over the rim.

y(φ) = A exp(−exp(s (0.25 − φ) + 1)), A = R/0.80, with s so that y(1) = R (Gompertz in the form of Zwietering et al.
1990). R is the rise that the step is wanted to reach, % of the dough's volume; lag and share are rules of thumb.
"""

from __future__ import annotations

import math

LAG = 0.25  # of the way to ripe, before it rises
ATTAINED = 0.80  # of the plateau, when ripe
SHAPE = (1 - math.log(-math.log(ATTAINED))) / (1 - LAG)
PLATEAU_FLAG = 0.90


def rise_pct(ripeness: float, target_pct: float) -> float:
    """Return the rise (% of the volume at first) at `ripeness`, where `target_pct` % is the rise when ripe.

    >>> round(rise_pct(1.0, 70), 6)
    70.0
    """
    return target_pct / ATTAINED * math.exp(-math.exp(SHAPE * (LAG - ripeness) + 1))


def ripeness_at(share: float) -> float:
    """Return the ripeness at which `share` (0–1) of the plateau is reached.

    >>> round(ripeness_at(0.90), 4)
    1.2251
    """
    return LAG + (1 - math.log(-math.log(share))) / SHAPE


def rim_ripeness(fill: float, target_pct: float) -> float | None:
    """Return the ripeness at which a tin that is `fill` (0–1) full is full to the rim; None where it never is.

    `target_pct` is the rise when ripe, %.
    """
    if target_pct <= 0:
        return 0.0 if fill >= 1 else None
    share = 100 * (1 / fill - 1) * ATTAINED / target_pct
    if share >= 1:
        return None
    return max(0.0, ripeness_at(share)) if share > 0 else 0.0

"""Several faults of one bake: what stands behind more than one of them rises. Noisy-or after Pearl 1988."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.trials.faults.ranking import Ranking


@dataclass(frozen=True, slots=True)
class JointCause:
    """A cause over all faults that were marked: A = 1 − Π (1 − p), and the faults that it may stand behind.

    Independence is assumed and is not true: it is an order, no more.
    """

    cause: str
    share: float
    faults: tuple[str, ...]


def joined(rankings: Sequence[Ranking]) -> tuple[JointCause, ...]:
    """Return the causes of several faults, the greatest A first; empty for fewer than two faults."""
    if len(rankings) < 2:
        return ()
    found: dict[str, list[tuple[str, float]]] = {}
    for ranking in rankings:
        for c in ranking.causes:
            found.setdefault(c.cause, []).append((ranking.fault, c.p))
    joint = [JointCause(cause, _any([p for _, p in at]), tuple(f for f, _ in at)) for cause, at in found.items()]
    return tuple(sorted(joint, key=lambda j: (-j.share, j.cause)))


def _any(shares: Sequence[float]) -> float:
    none = 1.0
    for p in shares:
        none *= 1 - p
    return 1 - none

"""Whether to bake on: what may still be gained against what one's taste can tell, in one sentence."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from fallow_sieve.core.experiments.maps import Map
from fallow_sieve.core.experiments.regions import Array

LOST = 1.4  # really lost against expected, in simulated kitchens: 0.31/0.23 at 6 bakes, 0.18/0.13 at 10
WORTH_SHARE, HARDLY = 0.25, 1 / 20  # of the difference worth having; of that, the gain under which a bake hardly helps
ASK_AT = 10


class Advice(StrEnum):
    """What to do next."""

    STOP = "stop"
    NOISE = "noise"
    GO_ON = "go-on"


@dataclass(frozen=True, slots=True)
class Stop:
    """The loss that may still be there (response unit), what it is held against, and what to do, in words."""

    loss: float
    tau: float
    advice: Advice
    say: str
    ask: bool


def stop_rule(loss: float, gain: float, worth: float, where: str, bakes: int, unit: str = "points of liking") -> Stop:
    """Return whether to bake on: `loss`, `gain` and `worth` in the response's unit, `where` the next bake in words."""
    tau = WORTH_SHARE * worth
    ask = bakes >= ASK_AT
    if loss <= tau:
        say = f"Stop: another bake would move the answer by less than your taste can tell (about {loss:.1g})."
        return Stop(loss, tau, Advice.STOP, say, ask)
    if gain < tau * HARDLY:
        say = (
            "More bakes like these will hardly help: what is left is noise. "
            "More tasters, or the winner and today's blend side by side."
        )
        return Stop(loss, tau, Advice.NOISE, say, ask)
    say = f"{loss:.1f} {unit} may still be gained; next bake: {where}."
    return Stop(loss, tau, Advice.GO_ON, say, ask)


def expected_loss(known: Map, grid: Array, best: Array) -> float:
    """Return what is lost on average by keeping to `best` (shares 0–1), in the response's unit, over 2 000 draws."""
    drawn = known.draws(np.vstack([grid, best]))
    return LOST * float((drawn.max(axis=0) - drawn[-1]).mean())

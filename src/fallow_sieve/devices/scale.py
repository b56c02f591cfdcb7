"""A kitchen scale: the interface that a real one would have, and a simulated one."""

from __future__ import annotations

import math
import random
from collections.abc import Callable
from dataclasses import dataclass
from threading import Lock
from typing import Protocol

from fallow_sieve.core.values import BadInputError

MOST_G = 20_000.0
MOST_G_PER_S = 200.0


@dataclass(frozen=True, slots=True)
class Reading:
    """What a scale shows: g after tare, in steps of its readability, whether it stands still, and whether it bears it.

    `gross_g` is what stands on it in all, `overload` that this is more than it can weigh: then no mass counts.
    """

    mass_g: float
    stable: bool
    gross_g: float = 0.0
    overload: bool = False


class Scale(Protocol):
    """A scale on the bench."""

    @property
    def name(self) -> str:
        """What it is called."""

    @property
    def readability_g(self) -> float:
        """The step that it shows, in g."""

    @property
    def capacity_g(self) -> float:
        """The most that it weighs, container and all, in g."""

    def read(self) -> Reading:
        """Return what it shows now."""

    def tare(self) -> None:
        """Make what stands on it count as nothing."""


class SimulatedScale:
    """A scale that is not there: it settles, is a little noisy, drifts slowly, shows whole steps, and can be poured on.

    `clock` gives seconds. `noise_g` is the standard deviation of one reading, `drift_g_per_min` how its zero
    wanders, `settles_s` the time constant in which it comes to rest.
    """

    name = "Simulated scale"

    def __init__(
        self,
        clock: Callable[[], float],
        *,
        seed: int = 1,
        readability_g: float = 1.0,
        noise_g: float = 0.3,
        drift_g_per_min: float = 0.1,
        settles_s: float = 0.15,
        capacity_g: float = 5000.0,
    ) -> None:
        self.readability_g = readability_g
        self.capacity_g = capacity_g
        self._clock = clock
        self._random = random.Random(seed)
        self._noise_g = noise_g
        self._drift_g_per_s = drift_g_per_min / 60
        self._settles_s = settles_s
        self._lock = Lock()
        self._before_g = self._load_g = self._tare_g = 0.0
        self._changed_s = self._zeroed_s = clock()
        self._stream_g_per_s = 0.0

    def load(self, mass_g: float) -> None:
        """Put `mass_g` g on the pan in all. Raises BadInputError outside what it bears."""
        if not 0 <= mass_g <= MOST_G:
            raise BadInputError(f"{mass_g:g} g on the scale", place="/mass_g", right=f"from 0 to {MOST_G:g} g")
        with self._lock:
            self._before_g, self._load_g, self._changed_s = self._felt_g(), mass_g, self._clock()
            self._stream_g_per_s = 0.0

    def pour(self, g_per_s: float) -> None:
        """Let flour run onto the pan at `g_per_s` from now on; 0 stops it. Raises BadInputError."""
        if not 0 <= g_per_s <= MOST_G_PER_S:
            right = f"from 0 to {MOST_G_PER_S:g} g/s"
            raise BadInputError(f"a stream of {g_per_s:g} g/s", place="/g_per_s", right=right)
        with self._lock:
            felt_g = self._felt_g()
            self._load_g = min(MOST_G, self._loaded_g())
            self._before_g, self._changed_s, self._stream_g_per_s = felt_g, self._clock(), g_per_s

    def tare(self) -> None:
        """Make what stands on it count as nothing; the drift starts anew."""
        with self._lock:
            self._tare_g, self._zeroed_s = self._felt_g(), self._clock()

    def read(self) -> Reading:
        """Return what it shows now."""
        with self._lock:
            drift_g = self._drift_g_per_s * (self._clock() - self._zeroed_s)
            felt_g, step = self._felt_g(), self.readability_g
            noise_g = drift_g + self._random.gauss(0.0, self._noise_g)
            shown, gross = (_in_steps(g + noise_g, step) for g in (felt_g - self._tare_g, felt_g))
            still = abs(felt_g - self._load_g) < step / 2 and not self._stream_g_per_s
            over = felt_g > self.capacity_g + step / 2
        return Reading(shown, still and not over, gross, over)

    def _loaded_g(self) -> float:
        """What lies on the pan, also while something runs onto it."""
        return self._load_g + self._stream_g_per_s * (self._clock() - self._changed_s)

    def _felt_g(self) -> float:
        """What is felt of the load while the pan comes to rest."""
        since_s = self._clock() - self._changed_s
        left = math.exp(-since_s / self._settles_s) if self._settles_s > 0 else 0.0
        loaded_g = min(MOST_G, self._loaded_g())
        return loaded_g + (self._before_g - self._load_g) * left


def _in_steps(mass_g: float, step_g: float) -> float:
    return round(round(mass_g / step_g) * step_g, 6) + 0.0

"""How a kitchen makes mixes ahead: its scales, vessels, bag sizes, tolerances, letters before a code, and its label."""

from __future__ import annotations

from dataclasses import dataclass

from fallow_sieve.core.batches.batch import Making
from fallow_sieve.core.batches.planning import TOLERANCE_OF_SMALL_PCT, TOLERANCE_PCT

USUAL_BAG_G = 500.0


@dataclass(frozen=True, slots=True)
class KitchenScale:
    """A scale: its name, step and capacity, g."""

    name: str
    step_g: float
    capacity_g: float


@dataclass(frozen=True, slots=True)
class Vessel:
    """A vessel to mix in: its name, the way of mixing (slug), what it holds (L) and weighs empty (g)."""

    name: str
    blender: str
    litres: float | None = None
    empty_g: float = 0.0


@dataclass(frozen=True, slots=True)
class Ahead:
    """How mixes are made ahead here. The first scale, vessel and size are those of a new plan."""

    letters: str = ""
    scales: tuple[KitchenScale, ...] = ()
    vessels: tuple[Vessel, ...] = ()
    bag_sizes_g: tuple[float, ...] = ()
    tolerance_pct: float = TOLERANCE_PCT
    tolerance_of_small_pct: float = TOLERANCE_OF_SMALL_PCT
    scheme: str = "eu"
    language: str = ""

    @property
    def bag_g(self) -> float:
        """What a bag of a new plan holds, g."""
        return self.bag_sizes_g[0] if self.bag_sizes_g else USUAL_BAG_G

    def making(self) -> Making:
        """Return how a new plan is made: on the first scale, in the first vessel, by the kitchen's tolerances."""
        usual = Making(tolerance_pct=self.tolerance_pct, tolerance_of_small_pct=self.tolerance_of_small_pct)
        scale = self.scales[0] if self.scales else KitchenScale(usual.scale, usual.step_g, usual.capacity_g)
        vessel = self.vessels[0] if self.vessels else Vessel("", usual.blender)
        return Making(
            blender=vessel.blender,
            vessel_l=vessel.litres,
            scale=scale.name,
            step_g=scale.step_g,
            capacity_g=scale.capacity_g,
            container_g=vessel.empty_g,
            tolerance_pct=self.tolerance_pct,
            tolerance_of_small_pct=self.tolerance_of_small_pct,
        )

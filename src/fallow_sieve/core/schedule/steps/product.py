"""A product to be made: how much, of which steps, when it is to be ready, and what its dough is."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from fallow_sieve.core.schedule.leaven.builds import Starter
from fallow_sieve.core.schedule.planner.problem import OvenPhase
from fallow_sieve.core.schedule.ripening.organism import Organism
from fallow_sieve.core.schedule.steps.rules import StepRule


@dataclass(frozen=True, slots=True)
class Done:
    """A step that was begun, and when it ended (minutes; None: it goes on)."""

    begin: float
    end: float | None


@dataclass(frozen=True, slots=True)
class Product:
    """A product: its steps, g of dough, pieces, dough °C when mixed, ready at (minutes; None: as soon as may be, or
    as `near` to a minute as may be).

    `speed` is how fast its dough is beside the template's (its own yeast, salt, sugar and water); `pace` what the
    kitchen's rises have taught. `phases` are the bake's, `cool_min` the minutes before cutting; `rim` the ripeness at
    which it stands over the rim of its tin (None: it does not). `rest_days` is how long the starter's jar stood cold,
    `leaven_pace` a factor on its hours to a peak.
    What is `done` stays as it was; nothing else begins before `now`. `paces` is what a rise's own readings say of it,
    `reaches` the 95 % interval of that as shares of it, `flags` what they warn of.
    """

    name: str
    use: str
    rules: tuple[StepRule, ...]
    dough_g: float
    pieces: int
    ready: float | None
    organism: Organism
    leaven: Organism
    starter: Starter
    phases: tuple[OvenPhase, ...]
    cool_min: float | None
    dough_c: float = 26.0
    speed: float = 1.0
    pace: float = 1.0
    rim: Mapping[str, float] = field(default_factory=dict)
    rest_days: float = 3.0
    leaven_pace: float = 1.0
    near: float = 0.0
    may_wait_min: float | None = None
    pins: Mapping[str, float] = field(default_factory=dict)
    announced: Mapping[str, float] = field(default_factory=dict)
    ovens: Mapping[str, str] = field(default_factory=dict)
    done: Mapping[str, Done] = field(default_factory=dict)
    now: float = 0.0
    paces: Mapping[str, float] = field(default_factory=dict)
    reaches: Mapping[str, tuple[float, float]] = field(default_factory=dict)
    flags: Mapping[str, tuple[str, ...]] = field(default_factory=dict)

    @property
    def piece_g(self) -> float:
        """What one piece weighs, g."""
        return self.dough_g / self.pieces

    def ferments_with(self, rule: StepRule) -> Organism:
        """Return what ferments it at a step."""
        return self.leaven if rule.ref_of == "leaven" else self.organism

"""The plan of a trial: every quantity that the core predicts of a bake, frozen at its start with range and source."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from fallow_sieve.core.values import BadInputError, UnknownNameError

# What a plan can say, with its unit and what it is called. Those of one name with a measure are what it is compared to.
PLANNED: dict[str, tuple[str, str]] = {
    "flour_g": ("g", "Flour base"),
    "other_water_g": ("g", "Water of the other lines"),
    "predicted_pct": ("% of flour", "Water as predicted"),
    "wanted_pct": ("% of flour", "Water wanted"),
    "water_poured_g": ("g", "Water to pour"),
    "liquid_c": ("°C", "Liquid temperature"),
    "yeast_limit_c": ("°C", "The yeast's limit"),
    "friction_k": ("K", "Warmth of mixing"),
    "dough_c": ("°C", "Dough temperature"),
    "mix_min": ("min", "Mixing"),
    "rest_min": ("min", "Rest"),
    "sheet_mm": ("mm", "Sheet thickness"),
    "chill_min": ("min", "Chilled"),
    "rise_pct": ("%", "Rise"),
    "proof_min": ("min", "Proof"),
    "proof_c": ("°C", "Where it proofs"),
    "proof_h26": ("h at 26 °C", "Fermentation"),
    "preheat_min": ("min", "Preheating"),
    "set_c": ("°C", "Oven as set"),
    "oven_c": ("°C", "Oven"),
    "bake_min": ("min", "Bake"),
    "boil_min": ("min", "Boil"),
    "core_target_c": ("°C", "Core to reach"),
    "pieces": ("", "Pieces"),
    "piece_g": ("g", "Piece"),
    "mass_in_g": ("g", "Mass into the oven"),
    "bake_loss_pct": ("%", "Bake loss"),
    "in_tin_min": ("min", "In the tin after the oven"),
    "cool_min": ("min", "Cooling"),
    "pan_factor": ("ratio", "Time factor of the pan"),
    "tin_ml": ("mL", "Tin"),
    "specific_volume_ml_g": ("mL/g", "Specific volume"),
    "altitude_m": ("m", "Height above the sea"),
}
_OF_READING = {"core_c": "core_target_c"}  # a reading of the one goes with the other of the plan


@dataclass(frozen=True, slots=True)
class Planned:
    """One planned quantity in its unit, with its range (None: none is known) and where it is from."""

    value: float
    low: float | None = None
    high: float | None = None
    source: str = "rule of thumb"


@dataclass(frozen=True, slots=True)
class TrialPlan:
    """What was planned, by quantity; what cannot be predicted is absent, never 0."""

    values: Mapping[str, Planned] = field(default_factory=dict)

    def value(self, name: str) -> float | None:
        """Return the planned value of a quantity in its unit; None where it was not planned."""
        found = self.values.get(name)
        return None if found is None else found.value

    def for_reading(self, quantity: str) -> float | None:
        """Return what a reading "as planned" of `quantity` stands for; None where nothing was planned."""
        return self.value(_OF_READING.get(quantity, quantity))

    def with_values(self, given: Mapping[str, float], source: str, place: str = "/plan") -> TrialPlan:
        """Return the plan with values of one's own over those predicted. Raises UnknownNameError, BadInputError."""
        for name, value in given.items():
            if name not in PLANNED:
                raise UnknownNameError("planned quantity", name, PLANNED, place=f"{place}/{name}")
            if not -100 <= value <= 1e6:
                raise BadInputError(f"{value:g} {PLANNED[name][0]}", place=f"{place}/{name}", right="check the number")
        return TrialPlan({**self.values, **{n: Planned(v, source=source) for n, v in given.items()}})

"""Numbers in the units that other kitchens read off their scale, thermometer and ruler, brought to those of the job."""

from __future__ import annotations

from fallow_sieve.core.values.quantities import GRAMS_PER_OUNCE, GRAMS_PER_POUND

# From a unit to another: what one of it is, and at how much the zero of the first stands in the second.
_TO: dict[tuple[str, str], tuple[float, float]] = {
    ("°F", "°C"): (5 / 9, -160 / 9),
    ("kg", "g"): (1000.0, 0.0),
    ("oz", "g"): (GRAMS_PER_OUNCE, 0.0),
    ("lb", "g"): (GRAMS_PER_POUND, 0.0),
    ("in", "mm"): (25.4, 0.0),
    ("in", "cm"): (2.54, 0.0),
    ("cm", "mm"): (10.0, 0.0),
    ("mm", "cm"): (0.1, 0.0),
    ("h", "min"): (60.0, 0.0),
    ("L", "mL"): (1000.0, 0.0),
    ("l", "mL"): (1000.0, 0.0),
    ("ml", "mL"): (1.0, 0.0),
}
_WRITTEN = {"F": "°F", "C": "°C", "ºF": "°F", "ºC": "°C", "°f": "°F", "°c": "°C", "inch": "in", "hours": "h", "gr": "g"}


def in_unit(value: float, given: str, wanted: str, *, spread: bool = False) -> float | None:
    """Return a value in the unit `wanted`, from the unit `given`; None where one does not lead to the other.

    A `spread` (an sd) has no zero of its own: only its size is brought over.

    >>> in_unit(212.0, "°F", "°C"), in_unit(1.8, "°F", "°C", spread=True), in_unit(1.0, "g", "°C")
    (100.0, 1.0, None)
    """
    given = _WRITTEN.get(given, given)
    if given == wanted:
        return value
    found = _TO.get((given, wanted))
    if found is None:
        return None
    # Only so many digits as a thermometer has: 212 °F are 100 °C, not 99.99999999999999.
    return round(value * found[0] + (0.0 if spread else found[1]), 9)

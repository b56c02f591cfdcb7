"""Values that every noun of the core uses: estimates, bands, changes, pins, quantities, words, errors."""

from fallow_sieve.core.values.bands import AT_WALL, EDGE, Band, Status, state_sentence, worst_first
from fallow_sieve.core.values.changes import Change, Value, came_or_went, moved
from fallow_sieve.core.values.errors import (
    BadInputError,
    FallowSieveError,
    QuantityError,
    UnknownNameError,
    nearest_names,
    shown,
)
from fallow_sieve.core.values.estimates import (
    UNKNOWN,
    Z_95,
    Estimate,
    Range,
    around,
    estimate,
    exactly,
    probability_between,
    spread_of,
)
from fallow_sieve.core.values.pins import Pin
from fallow_sieve.core.values.quantities import (
    Basis,
    CupStandard,
    SpoonStandard,
    celsius_from_fahrenheit,
    cup_ml,
    fahrenheit_from_celsius,
    parse_basis,
    tablespoon_ml,
    teaspoon_ml,
    to_grams,
)
from fallow_sieve.core.values.words import counted, grams, spaced

__all__ = [
    "AT_WALL",
    "EDGE",
    "UNKNOWN",
    "Z_95",
    "BadInputError",
    "Band",
    "Basis",
    "Change",
    "CupStandard",
    "Estimate",
    "FallowSieveError",
    "Pin",
    "QuantityError",
    "Range",
    "SpoonStandard",
    "Status",
    "UnknownNameError",
    "Value",
    "around",
    "came_or_went",
    "celsius_from_fahrenheit",
    "counted",
    "cup_ml",
    "estimate",
    "exactly",
    "fahrenheit_from_celsius",
    "grams",
    "moved",
    "nearest_names",
    "parse_basis",
    "probability_between",
    "shown",
    "spaced",
    "spread_of",
    "state_sentence",
    "tablespoon_ml",
    "teaspoon_ml",
    "to_grams",
    "worst_first",
]

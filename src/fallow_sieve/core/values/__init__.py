"""Values that every noun of the core uses: estimates, bands, changes, pins, quantities, words, errors."""

from fallow_sieve.core.values.bands import AT_WALL, EDGE, WORST_FIRST, Band, Status, state_sentence, worst_first
from fallow_sieve.core.values.changes import Change, Value, came_or_went, in_words, moved
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
from fallow_sieve.core.values.gluten import GLUTEN_LIMIT_MG_PER_KG
from fallow_sieve.core.values.other_units import in_unit
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
from fallow_sieve.core.values.texts import control_at, is_visible, without_controls, without_long_runs
from fallow_sieve.core.values.words import counted, grams, number_word, spaced

__all__ = [
    "AT_WALL",
    "EDGE",
    "GLUTEN_LIMIT_MG_PER_KG",
    "UNKNOWN",
    "WORST_FIRST",
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
    "control_at",
    "counted",
    "cup_ml",
    "estimate",
    "exactly",
    "fahrenheit_from_celsius",
    "grams",
    "in_unit",
    "in_words",
    "is_visible",
    "moved",
    "nearest_names",
    "number_word",
    "parse_basis",
    "probability_between",
    "shown",
    "spaced",
    "spread_of",
    "state_sentence",
    "tablespoon_ml",
    "teaspoon_ml",
    "to_grams",
    "without_controls",
    "without_long_runs",
    "worst_first",
]

"""Loads the tables of labels and of mixing in bulk. What is law in them is quoted from memory: check locally."""

from fallow_sieve.reference.labelling.bulk import Mixing, mixing_rows, net_masses, storage_clock, storage_words
from fallow_sieve.reference.labelling.caps import label_caps
from fallow_sieve.reference.labelling.numbers import daily_values, eu_tolerances, print_eu, print_us
from fallow_sieve.reference.labelling.schemes import (
    SCHEMES,
    allergen_rules,
    claim_rules,
    gluten_scheme,
)
from fallow_sieve.reference.labelling.texts import (
    LANGUAGES,
    LabelSize,
    label_names,
    label_size,
    label_sizes,
    label_text,
)

__all__ = [
    "LANGUAGES",
    "SCHEMES",
    "LabelSize",
    "Mixing",
    "allergen_rules",
    "claim_rules",
    "daily_values",
    "eu_tolerances",
    "gluten_scheme",
    "label_caps",
    "label_names",
    "label_size",
    "label_sizes",
    "label_text",
    "mixing_rows",
    "net_masses",
    "print_eu",
    "print_us",
    "storage_clock",
    "storage_words",
]

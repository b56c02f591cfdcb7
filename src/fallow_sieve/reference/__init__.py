"""The bundled tables (CSV, each row one fact with its source or basis) and one small loader each."""

from fallow_sieve.reference.formulas import (
    formula_rules,
    marks,
    poor_candidates,
    portions,
    powders,
    swap_rules,
    thickening_power,
    tin_fills,
)
from fallow_sieve.reference.ingredients import library, library_shelf
from fallow_sieve.reference.kitchen import eggs
from fallow_sieve.reference.labelling import label_caps
from fallow_sieve.reference.listing import diets, traits
from fallow_sieve.reference.names import aliases, look_alikes
from fallow_sieve.reference.practice import MixRow, blend_on_record, practice_mixes, record
from fallow_sieve.reference.recipes import egg_of, words
from fallow_sieve.reference.schedule import (
    container_named,
    containers,
    organism_named,
    oven_named,
    oven_names,
    refreshes,
    schools_by_use,
    starters,
    template_named,
)
from fallow_sieve.reference.sieving import grit_mapping
from fallow_sieve.reference.tables import tables_version
from fallow_sieve.reference.tastings import asked_so, code_meanings, just_right_rows, steps_of
from fallow_sieve.reference.trials import fault_tables, learners, measure_bands, quantities, step_sizes
from fallow_sieve.reference.uses import rules
from fallow_sieve.reference.words import flour_words

__all__ = [
    "MixRow",
    "aliases",
    "asked_so",
    "blend_on_record",
    "code_meanings",
    "container_named",
    "containers",
    "diets",
    "egg_of",
    "eggs",
    "fault_tables",
    "flour_words",
    "formula_rules",
    "grit_mapping",
    "just_right_rows",
    "label_caps",
    "learners",
    "library",
    "library_shelf",
    "look_alikes",
    "marks",
    "measure_bands",
    "organism_named",
    "oven_named",
    "oven_names",
    "poor_candidates",
    "portions",
    "powders",
    "practice_mixes",
    "quantities",
    "record",
    "refreshes",
    "rules",
    "schools_by_use",
    "starters",
    "step_sizes",
    "steps_of",
    "swap_rules",
    "tables_version",
    "template_named",
    "thickening_power",
    "tin_fills",
    "traits",
    "words",
]

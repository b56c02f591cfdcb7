"""What the formats share: strict JSON, tables, places of errors, rounded answers."""

from fallow_sieve.formats.shared.answers import (
    DECIMALS,
    BinderOut,
    DoseOut,
    EstimateOut,
    GlutenOut,
    NutrientOut,
    Out,
    estimate_out,
    nutrient_out,
    rounded,
)
from fallow_sieve.formats.shared.csv_rows import Most
from fallow_sieve.formats.shared.days import Day, day_of
from fallow_sieve.formats.shared.packed import opened_archive
from fallow_sieve.formats.shared.pages import FAMILY, PDF_TYPE, Pages
from fallow_sieve.formats.shared.spreadsheets import write_xlsx
from fallow_sieve.formats.shared.strict import MASS_LIMIT_G, SLUG_PATTERN, Slug, Strict, no_twice
from fallow_sieve.formats.shared.strict_json import parse_json
from fallow_sieve.formats.shared.tables import (
    CSV_TYPE,
    XLSX_TYPE,
    Cells,
    Table,
    guarded,
    read_csv,
    read_table,
    unguarded,
    write_csv,
)
from fallow_sieve.formats.shared.validating import validate

__all__ = [
    "CSV_TYPE",
    "DECIMALS",
    "FAMILY",
    "MASS_LIMIT_G",
    "PDF_TYPE",
    "SLUG_PATTERN",
    "XLSX_TYPE",
    "BinderOut",
    "Cells",
    "Day",
    "DoseOut",
    "EstimateOut",
    "GlutenOut",
    "Most",
    "NutrientOut",
    "Out",
    "Pages",
    "Slug",
    "Strict",
    "Table",
    "day_of",
    "estimate_out",
    "guarded",
    "no_twice",
    "nutrient_out",
    "opened_archive",
    "parse_json",
    "read_csv",
    "read_table",
    "rounded",
    "unguarded",
    "validate",
    "write_csv",
    "write_xlsx",
]

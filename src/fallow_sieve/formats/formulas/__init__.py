"""Formulas as files, schema.org recipes and text, and what `formula` and `scale` write."""

from fallow_sieve.formats.formulas.answers import FormulaAnswer, formula_answer
from fallow_sieve.formats.formulas.file import (
    FormulaDocument,
    FormulaFile,
    LineName,
    document_of,
    formula_dict,
    read_formula,
    write_formula,
)
from fallow_sieve.formats.formulas.markdown import write_markdown
from fallow_sieve.formats.formulas.scaling_answers import (
    ScaleAnswer,
    TemperatureAnswer,
    scale_answer,
    temperature_answer,
)

__all__ = [
    "FormulaAnswer",
    "FormulaDocument",
    "FormulaFile",
    "LineName",
    "ScaleAnswer",
    "TemperatureAnswer",
    "document_of",
    "formula_answer",
    "formula_dict",
    "read_formula",
    "scale_answer",
    "temperature_answer",
    "write_formula",
    "write_markdown",
]

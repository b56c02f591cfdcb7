"""Ingredients as files: the shelf, lots and numbers as tables, the data package, label text."""

from fallow_sieve.formats.ingredients import lots_table
from fallow_sieve.formats.ingredients.answers import ComparisonDocument, comparison_document
from fallow_sieve.formats.ingredients.data_package import ZIP_TYPE, read_package, write_package
from fallow_sieve.formats.ingredients.definition import DefinitionIn, defined, definition_of
from fallow_sieve.formats.ingredients.lots_table import LotLine, lot_rows, read_lots
from fallow_sieve.formats.ingredients.numbers_table import NumberLine, number_rows, read_numbers
from fallow_sieve.formats.ingredients.panel_text import PanelLine, PanelText, read_label_text
from fallow_sieve.formats.ingredients.shelf_sums import refuse_impossible
from fallow_sieve.formats.ingredients.shelf_table import (
    HEADER_OF,
    LISTS,
    NUMBERS,
    TEXTS,
    FloatArray,
    Refusal,
    ShelfLine,
    ShelfTable,
    header,
    read_shelf,
    shelf_rows,
    slug_of,
)

__all__ = [
    "HEADER_OF",
    "LISTS",
    "NUMBERS",
    "TEXTS",
    "ZIP_TYPE",
    "ComparisonDocument",
    "DefinitionIn",
    "FloatArray",
    "LotLine",
    "NumberLine",
    "PanelLine",
    "PanelText",
    "Refusal",
    "ShelfLine",
    "ShelfTable",
    "comparison_document",
    "defined",
    "definition_of",
    "header",
    "lot_rows",
    "lots_table",
    "number_rows",
    "read_label_text",
    "read_lots",
    "read_numbers",
    "read_package",
    "read_shelf",
    "refuse_impossible",
    "shelf_rows",
    "slug_of",
    "write_package",
]

"""The texts of a label by language, the names of ingredients on it, and the sizes it is printed in."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.labels.listing import LabelName
from fallow_sieve.core.values import UnknownNameError, nearest_names
from fallow_sieve.reference.tables import read_table

LANGUAGES = {"en_gb": "English", "en_us": "English (US)", "de": "Deutsch", "fr": "Français"}


@dataclass(frozen=True, slots=True)
class TextRow:
    """A text of a label in each language."""

    key: str
    en_gb: str
    en_us: str
    de: str
    fr: str
    basis: str


@dataclass(frozen=True, slots=True)
class NameRow:
    """How an ingredient is named on a label: its name, an additive's class and number, whether it is a compound."""

    slug: str
    name_eu: str
    class_eu: str
    number_eu: str
    is_compound: bool
    ask: str
    note: str
    source: str
    sure: str


@dataclass(frozen=True, slots=True)
class LabelSize:
    """A size of label, mm, what it is for, the least type (pt), and the square that its QR takes (mm)."""

    name: str
    for_what: str
    width_mm: float
    height_mm: float
    per_sheet: int
    paper: str
    largest_surface: str
    least_x_height_mm: float
    least_size_pt: float
    qr_mm: float
    qr_holds: str
    basis: str


@cache
def _texts() -> dict[str, TextRow]:
    return {r.key: r for r in read_table("label_texts", TextRow)}


def label_text(key: str, language: str, **values: str) -> str:
    """Return a text of a label in a language, with `values` in their places. Raises UnknownNameError."""
    if language not in LANGUAGES:
        raise UnknownNameError("language", language, nearest_names(language, LANGUAGES) or list(LANGUAGES))
    text: str = getattr(_texts()[key], language)
    return text.format(**values) if values else text


@cache
def label_names(scheme: str) -> dict[str, LabelName]:
    """Return how ingredients are named on a label, by slug; the class of an additive where the scheme wants it."""
    wants_class = scheme in ("eu", "anz")
    return {
        r.slug: LabelName(
            r.name_eu or r.slug.replace("-", " "),
            r.class_eu if wants_class else "",
            needs_list=r.is_compound,
            note=r.note,
            sure=r.sure == "sure",
        )
        for r in read_table("label_names", NameRow)
    }


@cache
def label_sizes() -> dict[str, LabelSize]:
    """Return the sizes of labels and sheets, by name."""
    return {r.name: r for r in read_table("label_sizes", LabelSize)}


def label_size(name: str) -> LabelSize:
    """Return a size by name. Raises UnknownNameError."""
    if name not in label_sizes():
        raise UnknownNameError("label size", name, nearest_names(name, label_sizes()) or list(label_sizes()))
    return label_sizes()[name]

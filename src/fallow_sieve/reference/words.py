"""Loads the words of recipes in six languages (words.csv): names, units, headings, qualifiers, gluten-free."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.recipes import FlourWords
from fallow_sieve.reference.tables import read_table


@dataclass(frozen=True, slots=True)
class WordInRow:
    """A word or phrase in a language: what it means, its kind, and of a unit how much one is (g, mL or a number)."""

    language: str
    word: str
    meaning: str
    kind: str
    amount: float | None
    amount_unit: str


@cache
def word_rows(kind: str) -> tuple[WordInRow, ...]:
    """Return the words of one kind, in table order."""
    return tuple(r for r in read_table("words", WordInRow) if r.kind == kind)


@cache
def headings() -> Mapping[str, str]:
    """Return what each heading begins, by its words in lower case."""
    return {r.word.lower().rstrip(":"): r.meaning for r in word_rows("heading")}


@cache
def flour_words() -> FlourWords:
    """Return what says gluten-free, the longest phrase first."""
    said = {r.word.lower() for r in word_rows("gluten-free") if r.meaning == "gluten-free"}
    more = (
        "gluten & wheat free",
        "gluten and wheat free",
        "wheat and gluten free",
        "senza glutine",
        "sin gluten",
        "utan gluten",
    )
    return FlourWords(tuple(sorted(said | set(more), key=len, reverse=True)))

"""What carries a dough without a binder, as its method says: a scald gels the starch, a long ferment thickens it."""

from __future__ import annotations

import re

from fallow_sieve.core.formulas.formula import Formula, When

_WAYS = (
    ("a scald", re.compile(r"\b(scald\w*|boiling (water|milk)|hot water|roux|cook the (paste|dough))\b", re.I)),
    ("steam", re.compile(r"\bsteam(ed|er|ing)?\b(?! (oven|tray|in the oven))", re.I)),
    ("a long ferment", re.compile(r"\b(ferment\w*|sour(ed|ing|dough)?|overnight|leaven|starter)\b", re.I)),
)


def carried_by(formula: Formula) -> str:
    """Return what the method or a leaven says carries the dough, in words; empty where nothing does."""
    for words, way in _WAYS:
        if way.search(formula.method):
            return words
    return "a long ferment" if any(x.when is When.LEAVEN for x in formula.lines) else ""

"""Lines that name several things: "1 tsp each baking powder and salt", "2 eggs + 1 yolk", "salt and pepper"."""

from __future__ import annotations

import re
from dataclasses import replace

from fallow_sieve.core.formulas import When
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.recipes.lines import ReadLine, Words, read_line

_AND = r"\s*(?:,\s*(?:and\s+)?|\s(?:and|und|et|och|y|e)\s|\s&\s|\s\+\s|/)\s*"
_EACH = re.compile(r"^(?P<amount>\d.*?)\s+each(?:\s+of)?(?:\s+the)?\s+(?P<names>\D+)$", re.IGNORECASE)
_EACH_BEHIND = re.compile(r"^(?P<names>\D+?)\s*[,:-]\s*(?P<amount>\d.*?)\s+(?:each|of each)\s*$", re.IGNORECASE)
_AMOUNTS = re.compile(r"\s*(?:\+|\bplus\b|\band\b|&|\bund\b|\bet\b|\be\b|\by\b|\boch\b)\s+(?=\d)", re.IGNORECASE)
_NAMES = re.compile(r"^(?P<names>[^\d,]+?)(?P<tail>,.*|\s+(?:to|as per|au|nach|al|a)\s+\w+)?$", re.IGNORECASE)
_WORST = ("no", "part", "guessed", "yes")


def read_several(text: str, number: int, shelf: Shelf, words: Words, when: When | None = None) -> ReadLine | None:
    """Return the first thing that the line names with the others in `also`, or None where not all are understood."""
    for parts in _ways(text):
        found = [read_line(part, number, shelf, words, when) for part in parts]
        if len(found) > 1 and found[0] is not None and found[0].ingredient and found[-1] and not found[-1].ingredient:
            found[-1] = read_line(f"{parts[-1]} {found[0].name.split()[-1]}", number, shelf, words, when)
        known = [x for x in found if x is not None and x.ingredient]
        if len(known) > 1 and len(known) == len(found):
            return _as_one(text, known)
    return None


def _ways(text: str) -> list[list[str]]:
    """Each way in which the line may fall into lines of one thing, the surest first."""
    bare = re.sub(r"^\s*[-*•·]\s+", "", text).strip()
    ways = [[f"{m['amount']} {name}" for name in _split(m["names"])] for m in _matches(bare)]
    ways.append(_AMOUNTS.split(bare))
    names = _NAMES.match(bare)
    if names:
        ways.append([f"{name}{names['tail'] or ''}" for name in _split(names["names"])])
    return [w for w in ways if len(w) > 1]


def _matches(bare: str) -> list[re.Match[str]]:
    found = [_EACH.match(bare), _EACH_BEHIND.match(bare)]
    return [m for m in found if m is not None and m["names"] and m["amount"]]


def _split(names: str) -> list[str]:
    return [n.strip() for n in re.split(_AND, names, flags=re.IGNORECASE) if n.strip()]


def _as_one(text: str, known: list[ReadLine]) -> ReadLine:
    first = known[0]
    return replace(
        first,
        text=text.strip(),
        guesses=tuple(g for x in known for g in x.guesses),
        understood=min((x.understood for x in known), key=_WORST.index),
        wrong=next((x.wrong for x in known if x.wrong), ""),
        also=tuple(known[1:]),
    )

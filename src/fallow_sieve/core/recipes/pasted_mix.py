"""A mix as it was pasted: a part a line or all in one; in grams, cups, parts, percent, or a ratio before the names."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import replace

from fallow_sieve.core.ingredients import Role, Shelf
from fallow_sieve.core.recipes.lines import ReadLine, Words, read_line
from fallow_sieve.core.recipes.names import Lexicon, is_known, understand
from fallow_sieve.core.values import BadInputError, without_long_runs

MOST_CHARACTERS = 5000
MOST_PIECES = 60
_RATIO = re.compile(
    r"^\s*(\d+(?:[.,]\d+)?(?:\s*[:/]\s*\d+(?:[.,]\d+)?)+)\s*(?:of|by mass|parts?)?\s*(.*)$", re.IGNORECASE | re.DOTALL
)
_PERCENT = re.compile(r"(\d+(?:[.,]\d+)?)\s*(?:%|per ?cent|pct)", re.I)
_PART = re.compile(r"^\s*(\d+(?:[.,]\d+)?|[½⅓⅔¼¾]|an?)\s+parts?\s+(?:of\s+)?", re.I)
_BARE_END = re.compile(r"^(?P<name>[^\d]+?)[\s:=–-]+(?P<n>\d+(?:[.,]\d+)?)\s*$")
_BARE_START = re.compile(r"^(?P<n>\d+(?:[.,]\d+)?)\s+(?P<name>[^\d]+)$")


def read_mix(text: str, shelf: Shelf, words: Words, chosen: Mapping[int, str] | None = None) -> tuple[ReadLine, ...]:
    """Return the parts of a pasted mix, masses in g; `chosen` are ingredients picked by a person, by place (from 1).

    Percent and parts stand for g of 100 and of a part of 100. Raises BadInputError for a text that is empty or long.
    """
    if not text.strip():
        raise BadInputError("there is nothing to read", place="/text", right="paste a mix, such as 2 cups rice flour")
    pieces = _pieces(without_long_runs(text), words.names, shelf)
    if len(text) > MOST_CHARACTERS or len(pieces) > MOST_PIECES:
        raise BadInputError(
            f"{len(text)} characters, {len(pieces)} parts",
            place="/text",
            right=f"at most {MOST_CHARACTERS} characters and {MOST_PIECES} parts",
        )
    found = []
    for n, piece in enumerate(pieces, start=1):
        line = _read(piece, n, shelf, words, (chosen or {}).get(n))
        if line is not None:
            found.append(line)
    return tuple(found)


def _pieces(text: str, known: Lexicon, shelf: Shelf) -> list[str]:
    lines = [_fair(x) for x in text.splitlines() if x.strip()]
    ratio = _RATIO.match(" , ".join(lines)) if lines else None
    if ratio:
        numbers = re.split(r"\s*[:/]\s*", ratio[1])
        names = [n for n in _split(ratio[2]) if n]
        if len(names) == len(numbers):
            return [f"{n} parts {name}" for n, name in zip(numbers, names, strict=True)]
    return [piece for line in lines for piece in _split_by_amounts(line, known, shelf)]


def _fair(line: str) -> str:
    return re.sub(r"^\s*(?:[-*•·–]\s+)", "", line).strip()


def _split(line: str) -> list[str]:
    """At ; and +, at "and", and at commas that part no number and stand in no bracket."""
    found = re.split(r"\s*[;+]\s*|\s*,(?!\d)\s*(?![^()]*\))|\s+(?:and|und|et|y|och|e)\s+(?=\d)", line)
    return [f.strip(" .") for f in found if f.strip(" .")]


def _split_by_amounts(line: str, known: Lexicon, shelf: Shelf) -> list[str]:
    """The parts of a line: "flaxseed, ground" is one; what is named without an amount stands by itself."""
    found: list[str] = []
    for piece in _split(line):
        if found and not _has_amount(piece) and _says_more(piece, known, shelf):
            found[-1] += f", {piece}"
        else:
            found.append(piece)
    return found


def _says_more(piece: str, known: Lexicon, shelf: Shelf) -> bool:
    """Whether a piece only says more of the one before: words that are known, and no flour or binder of their own."""
    named = understand(piece, known).ingredient
    return is_known(piece, known) and not (named is not None and _dry(named, shelf))


def _has_amount(piece: str) -> bool:
    return bool(re.search(r"[\d½⅓⅔¼¾⅛]|\ban?\b|\bhalf\b|\bpinch\b", piece))


def _read(piece: str, number: int, shelf: Shelf, words: Words, chosen: str | None) -> ReadLine | None:
    written, said = _in_grams(piece)
    pick = chosen or _flour_meant(written, shelf, words)
    line = read_line(written, number, shelf, words, None, pick)
    if line is None:
        wrong = f"“{piece}” has no amount and no name that is known"
        line = read_line(f"1 g {piece}", number, shelf, words, None, chosen)
        if line is None or not line.ingredient:
            return None if line is None else replace(line, text=piece, mass=None, wrong=wrong)
        return replace(line, text=piece, mass=None, understood="part", wrong="How much of it?")
    guesses = (*line.guesses, *said)
    return replace(line, text=piece, guesses=guesses, understood=line.understood)


def _in_grams(piece: str) -> tuple[str, tuple[str, ...]]:
    """The piece with percent, parts and bare numbers as grams, and what was taken for granted."""
    part = _PART.match(piece)
    if part:
        n = {"a": "1", "an": "1"}.get(part[1].lower(), part[1])
        return f"{n} parts {piece[part.end() :]}", ()
    percent = _PERCENT.search(piece)
    if percent:
        name = (piece[: percent.start()] + " " + piece[percent.end() :]).strip(" :,–-()")
        return f"{percent[1]} g {name}", ("percent by mass",)
    bare = _BARE_END.match(piece) or _BARE_START.match(piece)
    if bare and not re.search(r"\b(?:cups?|tbsp|tsp|g|kg|oz|lb|ml|dl|parts?)\b", bare["name"], re.I):
        return f"{bare['n']} g {bare['name'].strip()}", ("a bare number taken as grams",)
    return piece, ()


def _flour_meant(written: str, shelf: Shelf, words: Words) -> str | None:
    """What a short name means in a mix: millet is its flour there, not the grain, and starch (potato) its starch."""
    line = read_line(written, 1, shelf, words)
    if line is None:
        return None
    grain = line.ingredient is not None and shelf[line.ingredient].role is Role.WHOLE_GRAIN
    milled = understand(f"{line.name} flour", words.names).ingredient if grain else None
    if milled is not None and shelf[milled].role is Role.WHOLE_GRAIN:
        return milled
    if line.ingredient and _dry(line.ingredient, shelf) and "(" not in line.text:
        return None
    inside = re.search(r"^(.*?)\s*[(,]\s*([^()]+?)\s*\)?$", _name_in(written, line))
    tries = [f"{inside[2]} {inside[1]}"] if inside else []
    tries += [f"{line.name} flour", f"{line.name} starch"]
    for name in tries:
        found = understand(name, words.names).ingredient
        if found is not None and _dry(found, shelf):
            return found
    return None


def _name_in(written: str, line: ReadLine) -> str:
    at = written.find(line.name) if line.name else -1
    return written[at:] if at >= 0 else written


def _dry(slug: str, shelf: Shelf) -> bool:
    return shelf[slug].in_flour_base or shelf[slug].role is Role.BINDER

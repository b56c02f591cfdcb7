"""What a recipe calls an ingredient: names, other names and everyday words, with what each takes for granted."""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Meaning:
    """What a phrase stands for: an ingredient (slug), and what is taken for granted (empty where nothing is)."""

    ingredient: str
    guess: str = ""


@dataclass(frozen=True, slots=True)
class Lexicon:
    """Phrases by their words in lower case, words that say nothing of what it is, and the longest phrase's length."""

    phrases: Mapping[tuple[str, ...], Meaning]
    harmless: frozenset[str]
    longest: int


@dataclass(frozen=True, slots=True)
class Named:
    """What a name was understood as (None: not), what was guessed, and phrases of it that look like something."""

    ingredient: str | None
    guess: str
    near: tuple[str, ...]


def words_of(text: str) -> tuple[str, ...]:
    """Return the words of `text` in lower case, plural endings taken off, hyphens opened."""
    found = re.findall(r"[a-zà-öø-ÿ]+|\d+%?", text.lower().replace("’", "'"))
    return tuple(_singular(w) for w in found)


def _singular(word: str) -> str:
    if len(word) > 4 and word.endswith("ies"):
        return word[:-3] + "y"
    if len(word) > 4 and word.endswith(("ches", "shes", "sses", "xes", "oes")):
        return word[:-2]
    if len(word) > 3 and word.endswith("s") and not word.endswith(("ss", "us")):
        return word[:-1]
    return word


def lexicon(entries: Iterable[tuple[str, Meaning]], harmless: Iterable[str]) -> Lexicon:
    """Return the lexicon of `entries` (phrase and meaning); the first meaning of a phrase stays."""
    phrases: dict[tuple[str, ...], Meaning] = {}
    for phrase, meaning in entries:
        words = words_of(phrase)
        if words:
            phrases.setdefault(words, meaning)
    return Lexicon(phrases, frozenset(_singular(w) for w in harmless), max(map(len, phrases), default=0))


def understand(text: str, known: Lexicon) -> Named:
    """Return what `text` names. A phrase counts only where every other word says nothing of what it is.

    "almond butter" is not butter: it is left open, with butter among what it is near.
    """
    words = words_of(text)
    found = _phrases(words, known)
    for start, end, meaning in found:
        rest = [*words[:start], *words[end:]]
        if all(w in known.harmless for w in rest):
            return Named(meaning.ingredient, meaning.guess, ())
    near = tuple(dict.fromkeys(m.ingredient for _, _, m in found))
    return Named(None, "", near[:3])


def _phrases(words: Sequence[str], known: Lexicon) -> list[tuple[int, int, Meaning]]:
    """The known phrases in `words`, longest first, later ones before earlier: the head of an English name is last."""
    found = []
    for length in range(min(len(words), known.longest), 0, -1):
        for start in range(len(words) - length, -1, -1):
            meaning = known.phrases.get(tuple(words[start : start + length]))
            if meaning is not None:
                found.append((start, start + length, meaning))
    return found

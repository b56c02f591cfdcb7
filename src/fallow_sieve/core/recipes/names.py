"""What a recipe calls an ingredient: names, other names and everyday words, with what each takes for granted."""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from difflib import get_close_matches
from functools import lru_cache
from unicodedata import combining, normalize


@dataclass(frozen=True, slots=True)
class Meaning:
    """What a phrase stands for: an ingredient (slug), and what is taken for granted (empty where nothing is)."""

    ingredient: str
    guess: str = ""


@dataclass(frozen=True, slots=True)
class Lexicon:
    """Phrases by their words in lower case, words that say nothing of what it is, and the longest phrase's length.

    `vocabulary` are all words of the phrases, among which a slip of the pen is looked for.
    """

    phrases: Mapping[tuple[str, ...], Meaning]
    harmless: frozenset[str]
    longest: int
    vocabulary: frozenset[str]


@dataclass(frozen=True, slots=True)
class Named:
    """What a name was understood as (None: not), what was guessed, and phrases of it that look like something."""

    ingredient: str | None
    guess: str
    near: tuple[str, ...]


def words_of(text: str) -> tuple[str, ...]:
    """Return the words of `text` in lower case and without accents, plural endings taken off, hyphens opened."""
    low = text.lower().replace("’", "'").replace("l'", " ").replace("d'", " ").replace("œ", "oe")
    bare = "".join(c for c in normalize("NFD", low) if not combining(c))
    found = re.findall(r"\d+%?|[^\W\d_]+", bare)
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
    vocabulary = frozenset(w for words in phrases for w in words if len(w) >= _SHORTEST_SLIP)
    quiet = frozenset(_singular(w) for phrase in harmless for w in words_of(phrase))
    return Lexicon(phrases, quiet, max(map(len, phrases), default=0), vocabulary)


def with_names(known: Lexicon, entries: Iterable[tuple[str, Meaning]], short: Iterable[tuple[str, Meaning]]) -> Lexicon:
    """Return `known` with `entries` before what it has, and with `short` where it has nothing yet."""
    phrases = dict(known.phrases)
    fresh = {words: meaning for phrase, meaning in short if (words := words_of(phrase)) and words not in phrases}
    fresh |= {words: meaning for phrase, meaning in entries if (words := words_of(phrase))}
    if not fresh:
        return known
    vocabulary = known.vocabulary | {w for words in fresh for w in words if len(w) >= _SHORTEST_SLIP}
    return Lexicon(phrases | fresh, known.harmless, max(known.longest, *map(len, fresh)), vocabulary)


_SHORTEST_SLIP = 5
_ALIKE = 0.84


def understand(text: str, known: Lexicon) -> Named:
    """Return what `text` names. A phrase counts only where every other word says nothing of what it is.

    "almond butter" is not butter: where it is not known itself it is left open, with butter among what it is near.
    A word that is spelt a little otherwise is read with a mark.
    """
    found = _understood(words_of(text), known)
    if found.ingredient is not None:
        return found
    mended, said = _spelt(words_of(text), known)
    if not said:
        return found
    again = _understood(mended, known)
    if again.ingredient is None:
        return found
    return Named(again.ingredient, "; ".join(g for g in (*said, again.guess) if g), ())


def _understood(words: Sequence[str], known: Lexicon) -> Named:
    found = _phrases(words, known)
    for start, end, meaning in found:
        rest = [*words[:start], *words[end:]]
        if all(_says_nothing(w, known) for w in rest):
            return Named(meaning.ingredient, meaning.guess, ())
    left = _telling(words, known)
    if len(left) < len(words):  # "gluten-free medium oatmeal": a word that says nothing stood in between
        again = _understood(left, known)
        if again.ingredient is not None:
            return again
    near = tuple(dict.fromkeys(m.ingredient for _, _, m in found))
    return Named(None, "", near[:3])


def telling(text: str, known: Lexicon) -> str:
    """Return the words of `text` that say what a thing is.

    >>> telling("fresh teff", lexicon([("teff", Meaning("teff-flour"))], ["fresh"]))
    'teff'
    """
    return " ".join(_telling(words_of(text), known))


def _telling(words: Sequence[str], known: Lexicon) -> list[str]:
    return [w for w in words if not _says_nothing(w, known)]


_ENDINGS = ("", "e", "en", "er", "es", "em")  # German adjectives are bent to their noun


def is_known(text: str, known: Lexicon) -> bool:
    """Return whether every word of `text` is one of the tables', or one that says nothing of what a thing is."""
    return all(w in known.vocabulary or _says_nothing(w, known) for w in words_of(text))


def _says_nothing(word: str, known: Lexicon) -> bool:
    return word.isdigit() or len(word) == 1 or any(word.removesuffix(end) in known.harmless for end in _ENDINGS)


@lru_cache(maxsize=4096)
def _near(word: str, vocabulary: frozenset[str]) -> tuple[str, ...]:
    """The word that is probably meant: a slip seldom takes the first letter, or changes the length much."""
    alike = [v for v in vocabulary if v[0] == word[0] and abs(len(v) - len(word)) <= 2]
    return tuple(get_close_matches(word, sorted(alike), n=1, cutoff=_ALIKE))


def _spelt(words: Sequence[str], known: Lexicon) -> tuple[list[str], list[str]]:
    """The words with slips of the pen mended, and what was mended."""
    mended, said = [], []
    for word in words:
        fits = word in known.vocabulary or word in known.harmless or len(word) < _SHORTEST_SLIP
        near = () if fits else _near(word, known.vocabulary)
        mended.append(near[0] if near else word)
        said += [f"“{word}” read as {near[0]}"] if near else []
    return mended, said


def _phrases(words: Sequence[str], known: Lexicon) -> list[tuple[int, int, Meaning]]:
    """The known phrases in `words`, longest first, later ones before earlier: the head of an English name is last."""
    found = []
    for length in range(min(len(words), known.longest), 0, -1):
        for start in range(len(words) - length, -1, -1):
            meaning = known.phrases.get(tuple(words[start : start + length]))
            if meaning is not None:
                found.append((start, start + length, meaning))
    return found

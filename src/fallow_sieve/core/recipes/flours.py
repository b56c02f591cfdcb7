"""Flour by name: what says that it is gluten-free is never wheat, and flour alone is asked for.

A gluten-free flour that is not named further is one that is bought: its kind from its words, its binder as the line
says, else unknown.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.recipes.names import Lexicon, Named, understand

PLAIN, SELF_RAISING, BREAD = "bought-gf-plain-flour", "bought-gf-self-raising-flour", "bought-gf-bread-flour"
_WITH_GUM = {PLAIN: f"{PLAIN}-gum", SELF_RAISING: f"{SELF_RAISING}-gum", BREAD: f"{BREAD}-gum"}
_WITHOUT_GUM = {PLAIN: f"{PLAIN}-no-gum", SELF_RAISING: f"{SELF_RAISING}-no-gum", BREAD: f"{BREAD}-no-gum"}
_FLOUR = re.compile(
    r"\b(?:flours?|mehle?|\w*mehl|mehlmischung|farines?|harinas?|farin[ae]|mjöl\w*)\b|\b(?:mix|blend)\b", re.IGNORECASE
)
_BARE = re.compile(r"^(?:flours?|mehl|farine|harina|farina|mjöl)$", re.IGNORECASE)
_SELF_RAISING = re.compile(r"\bself[- ]?(?:rais|ris)ing\b", re.IGNORECASE)
_FOR_BREAD = re.compile(r"\b(?:bread|brot|pain|pan|pane|bröd)\b", re.IGNORECASE)
_ONE_FOR_ONE = re.compile(r"\b(?:1|one)[- ](?:to|for)[- ](?:1|one)\b", re.IGNORECASE)
_NO_GUM = re.compile(r"\b(?:no|without|free of)\s+(?:added\s+)?(?:gums?|xanthan)", re.IGNORECASE)
_GUM = re.compile(r"\b(?:with|containing|includes?|including|contains)\s+(?:added\s+)?(?:gums?|xanthan)", re.IGNORECASE)
ASKED = "Which flour? The recipe does not say: wheat, a gluten-free mix, or one of your own."


@dataclass(frozen=True, slots=True)
class FlourWords:
    """Words that say gluten-free, in lower case, the longest first."""

    gluten_free: tuple[str, ...]


def says_gluten_free(text: str, words: FlourWords) -> bool:
    """Return whether `text` says that something is gluten-free, in any of the languages of the tables."""
    return bool(_said(words).search(re.sub(r"[-.]", " ", text.lower())))


@cache
def _said(words: FlourWords) -> re.Pattern[str]:
    phrases = (re.escape(re.sub(r"[-.]", " ", w).strip()) for w in words.gluten_free)
    return re.compile(rf"(?<!\w)(?:{'|'.join(phrases)})(?!\w)")


def bought_flour(text: str, note: str, words: FlourWords, known: Lexicon) -> Named | None:
    """Return the bought gluten-free flour that `text` names (`note`: what is said beside it), or None.

    "gluten-free oat flour" is oat flour: a flour that is named further is what its own name says.
    """
    whole = f"{text} {note}"
    if _is_list_of_flours(f"{text}, {note}" if note else text, known):
        return Named(PLAIN, "a bought mix taken; whether a binder is in it is not known", ())
    if not (says_gluten_free(whole, words) or _ONE_FOR_ONE.search(whole)) or not _FLOUR.search(text):
        return None
    rest = _without(text, words)
    if not _is_plain(rest) and understand(rest, known).ingredient is not None and not _is_wheat(rest, known):
        return None
    kind = _bought_kind(rest)
    if _NO_GUM.search(whole):
        kind = _WITHOUT_GUM[kind]
    elif _GUM.search(whole):
        kind = _WITH_GUM[kind]
    said = "" if kind in {*_WITH_GUM.values(), *_WITHOUT_GUM.values()} else "whether a binder is in it is not known"
    return Named(kind, f"a bought mix taken; {said}" if said else "a bought mix taken", ())


def _is_list_of_flours(text: str, known: Lexicon) -> bool:
    """Whether it is a mix by what is in it: "rice, potato and maize flour blend", with no wheat among them."""
    match = _LISTED.match(text.strip())
    listed = [w for w in re.split(r"\s*(?:,|&|\band\b|/)\s*", match[1]) if w] if match else []
    named = [understand(f"{w} flour", known).ingredient for w in listed]
    return len(named) > 1 and all(named) and not any(re.search(r"wheat|rye|barley|spelt", w.lower()) for w in listed)


_LISTED = re.compile(r"(.+(?:,|&|\band\b|/).+?)\s+(?:flours?|starch(?:es)?)\s+(?:blend|mix(?:ture)?)$", re.IGNORECASE)


def why_asked(phrase: str, name: str, contains_gluten: bool, words: FlourWords) -> str:
    """Return why `phrase` is asked for each time and not remembered as the ingredient `name`; empty where it may be."""
    if is_bare_flour(phrase):
        return f"“{phrase}” is wheat in one recipe and not in the next: it is asked each time."
    if contains_gluten and says_gluten_free(phrase, words):
        return f"“{phrase}” says gluten-free and {name.lower()} is not: this is not remembered."
    return ""


def is_bare_flour(text: str) -> bool:
    """Return whether `text` says flour and no more.

    >>> is_bare_flour("flour"), is_bare_flour("rice flour"), is_bare_flour("Mehl")
    (True, False, True)
    """
    return bool(_BARE.match(text.strip(" .,:;-")))


def _without(text: str, words: FlourWords) -> str:
    return re.sub(r"\s+", " ", _said(words).sub(" ", re.sub(r"[-.]", " ", text.lower()))).strip()


def without_gluten_free(name: str, words: FlourWords) -> str:
    """Return `name` without what says gluten-free; gluten-free oats are oats, and gluten-free stock is stock."""
    left = _as_written(words).sub(" ", name)
    return left if left.strip() else name


@cache
def _as_written(words: FlourWords) -> re.Pattern[str]:
    return re.compile(rf"(?<!\w)(?:{'|'.join(map(re.escape, words.gluten_free))})(?!\w)", re.IGNORECASE)


def _bought_kind(rest: str) -> str:
    if _SELF_RAISING.search(rest):
        return SELF_RAISING
    return BREAD if _FOR_BREAD.search(rest) else PLAIN


def _is_plain(rest: str) -> bool:
    return bool(re.fullmatch(r"(?:&|and|wheat|free|plain|white|flours?|mehl|farine|harina|farina|mix|blend|\s)+", rest))


def _is_wheat(rest: str, known: Lexicon) -> bool:
    found = understand(rest, known).ingredient or ""
    return bool(re.search(r"(?:^|-)wheat", found)) or found in ("tipo-00-flour", "durum-semolina")

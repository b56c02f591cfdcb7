"""The list of ingredients that a bag prints, read in its order: names, shares printed beside them, small groups."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass

from fallow_sieve.core.ingredients import Role, Shelf
from fallow_sieve.core.recipes.names import Lexicon, understand
from fallow_sieve.core.values import BadInputError

MOST_CHARACTERS = 4000


@dataclass(frozen=True, slots=True)
class Listed:
    """One name of a list: its text, the ingredient (slug; None: not understood), what was guessed, slugs it is near.

    `printed_pct` is the share as printed (empty: none), `under_2` whether it stands among "2 % or less of".
    """

    text: str
    ingredient: str | None
    guess: str
    near: tuple[str, ...]
    printed_pct: str = ""
    under_2: bool = False


_HEAD = re.compile(r"^\s*(?:ingr[ée]dient(?:es|i|ser|s)?|ingredienser|zutaten)\b\s*:?\s*", re.I)
_END = re.compile(
    r"(?:^|[.;\n])\s*(?:\*|†|(?:may|kann|peut|pu[oò]|puede|kan)\b(?=.*\b(?:contain|trace|spur|trac|sp[åa]r|cont))"
    r"|contains?:|allergen|produced|packed|store\b|for allergens)",
    re.I,
)
_SMALL = re.compile(
    r"(?:contains?\s+)?(?:less than\s+)?2\s*%\s*(?:or less|of less)?\s*(?:of\s*)?(?:each\s*(?:of\s*)?)?"
    r"(?:the\s*following)?\s*:?\s*",
    re.I,
)
_SAYS_SMALL = re.compile(r"2\s*%\s*or\s*less|less\s+than\s+2\s*%", re.I)
_GLUTEN_FREE = re.compile(r"\b(?:gluten[- ]?free|gf|sans gluten|glutenfreie?s?|sin gluten|senza glutine)\b", re.I)
_PRINTED = re.compile(r"\(?\s*(\d{1,3}(?:[.,]\d{1,2})?)\s*%\s*\)?")
_CLASS = re.compile(
    r"^(?:raising agents?|thickeners?|stabili[sz]ers?|emulsifiers?|acidity regulators?|acids?|leavening|binders?|gums?"
    r"|verdickungsmittel|backtriebmittel|stabilisator(?:en)?|emulgator(?:en)?"
    r"|épaississants?|stabilisants?|poudres? à lever"
    r"|espesantes?|estabilizantes?|gasificantes?|addensanti?|agenti lievitanti|förtjockningsmedel|bakpulver)"
    r"\s*[:(]?\s+(?=\S)|^(?:raising agents?|thickeners?|stabili[sz]ers?|emulsifiers?)\s*[:(]\s*",
    re.I,
)


def read_list(text: str, known: Lexicon, shelf: Shelf, chosen: Mapping[int, str] | None = None) -> tuple[Listed, ...]:
    """Return the names of a bag's list in order; `chosen` are ingredients picked by a person, by place in the list.

    Raises BadInputError for a text that is empty or far too long.
    """
    if not text.strip():
        raise BadInputError("there is nothing to read", place="/list", right="paste the list as the bag prints it")
    if len(text) > MOST_CHARACTERS:
        raise BadInputError(f"{len(text)} characters", place="/list", right=f"at most {MOST_CHARACTERS}")
    found: list[Listed] = []
    small = False
    for piece in _pieces(_body(text)):
        if _SAYS_SMALL.search(piece):
            small = True
            piece = _SMALL.sub("", piece, count=1)
        name, printed = _without_share(piece)
        if name:
            found.append(_named(name, printed, small, known, (chosen or {}).get(len(found)), shelf))
    return _once(found)


def _body(text: str) -> str:
    text = _HEAD.sub("", text.replace("’", "'"))
    end = _END.search(text)
    return (text[: end.start()] if end else text).strip(" .\n")


def _pieces(text: str) -> list[str]:
    """The names of the list: commas outside brackets part them; a bracket that holds a list is opened."""
    found = []
    for piece in _split(text):
        inside = re.fullmatch(r"([^(\[]*)[(\[](.*)[)\]]\s*", piece, re.S)
        parts = _split(inside[2]) if inside else []
        opens = len(parts) > 1 or (inside is not None and _CLASS.match(f"{inside[1].strip()}: x"))
        if inside and opens and not _PRINTED.fullmatch(inside[2].strip()):
            found += [p for part in parts for p in _pieces(part)]
        else:
            found.append(piece)
    return found


def _split(text: str) -> list[str]:
    found, depth, start = [], 0, 0
    for at, c in enumerate(text):
        depth += (c in "([") - (c in ")]")
        decimal = c == "," and text[at - 1 : at].isdigit() and text[at + 1 : at + 2].isdigit()
        if c in ",;\n" and depth <= 0 and not decimal:
            found.append(text[start:at])
            start = at + 1
    found.append(text[start:])
    return [p.strip(" .") for p in found if p.strip(" .")]


def _without_share(piece: str) -> tuple[str, str]:
    printed = _PRINTED.search(piece)
    name = _PRINTED.sub(" ", piece) if printed else piece
    name = _CLASS.sub("", re.sub(r"^(?:and|und|et|y|e|och)\s+", "", name.strip(" :*†."), flags=re.I)).strip(" :()*†.")
    return re.sub(r"[*†]", "", name), printed[1].replace(",", ".") if printed else ""


def _named(name: str, printed: str, small: bool, known: Lexicon, chosen: str | None, shelf: Shelf) -> Listed:
    if chosen is not None:
        return Listed(name, chosen, "", (), printed, small)
    found = understand(name, known)
    for tried, said in _other_ways(name) if found.ingredient is None else ():
        again = understand(tried, known)
        if again.ingredient is not None and (said or shelf[again.ingredient].role is Role.WHOLE_GRAIN):
            guess = "; ".join(g for g in (said, again.guess) if g)
            return Listed(name, again.ingredient, guess, (), printed, small)
    return Listed(name, found.ingredient, found.guess, found.near, printed, small)


def _other_ways(name: str) -> list[tuple[str, str]]:
    """How a bag may shorten a name, each with what is then taken for granted (nothing: it must be a whole grain)."""
    plain = re.sub(r"\bwhole[- ]?(?:grain|meal)\b", " ", name, flags=re.I)
    shorter = [(plain, "")] if plain != name else []
    shorter += [(name.split(":", 1)[1], "what it is said to do is left aside")] if ":" in name else []
    inside = re.fullmatch(r"(.*?)\s*\(([^()]*)\)?", name)  # "vegetable fibre (psyllium)": what it is made of
    shorter += [(inside[2], f"“{name}” by what stands in brackets")] if inside and inside[2].strip() else []
    free = _GLUTEN_FREE.sub(" ", name)
    shorter += [(free, "gluten-free, as the bag says")] if free != name else []
    return shorter + [(f"{name} {more}", f"“{name}” taken as {more}") for more in ("flour", "powder", "starch")]


def _once(found: list[Listed]) -> tuple[Listed, ...]:
    """A name that stands twice counts where it stands first: what it is later is part of that."""
    seen: set[str] = set()
    kept = []
    for x in found:
        if x.ingredient is None or x.ingredient not in seen:
            kept.append(x)
        seen.add(x.ingredient or "")
    return tuple(kept)

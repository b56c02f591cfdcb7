"""A brief said in words: what for, for whom, to what aim, without what, at what price. What was not read is named."""

from __future__ import annotations

import re
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.blends import Limits
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.values import BadInputError

MOST_CHARACTERS = 600
LONGEST_NAME = 60
_MORE = r"(?:more|high(?:er)?|lots? of|much|rich in|plenty of|extra)[\s-]*(?:in\s+)?"
_AIMS: tuple[tuple[str, str], ...] = (
    ("more-fibre", rf"{_MORE}fib(?:re|er)|fib(?:re|er)[\s-]rich"),
    ("more-protein", rf"{_MORE}protein|protein[\s-]rich"),
    ("cheapest", r"cheap(?:est|er)?|low[\s-]cost|inexpensive|on a budget|günstig|pas cher"),
    ("whole-grain", r"whole[\s-]?grain|whole[\s-]?meal|wholewheat|vollkorn"),
    ("low-carbohydrate", r"low[\s-]carb(?:ohydrate)?|least carb(?:ohydrate)?|keto"),
    ("mildest", r"mild(?:est|er)?|neutral|no aftertaste|bland"),
    ("nearest", r"(?:like|as|nearest to)\b.{0,12}\b(?:wheat|normal|ordinary|regular)"),
)
# Everyday words for what laws and people watch, by the name they have on the shelf.
_ALLERGENS: Mapping[str, tuple[str, ...]] = {
    "tree-nuts": ("nut", "tree nut", "nüsse", "nüssen", "noix"),
    "milk": ("milk", "milch", "lait", "leche", "dairy", "lactose", "whey"),
    "egg": ("egg", "ei", "eier", "oeuf", "huevo"),
    "soya": ("soya", "soy", "soja"),
    "peanut": ("peanut",),
    "sesame": ("sesame",),
    "lupin": ("lupin", "lupine"), "mustard": ("mustard",), "legume": ("legume", "bean", "pulse"),
    "maize": ("maize", "corn"), "oats": ("oat",), "coconut": ("coconut",),
}  # fmt: skip
_DIETS: Mapping[str, tuple[str, ...]] = {"vegan": ("milk", "egg"), "plant-based": ("milk", "egg")}
_GUMS = ("gum", "xanthan", "xanthan gum", "guar", "guar gum")
_NOT = re.compile(
    r"\b(?:without|no|not any|free (?:of|from)|avoid(?:ing)?|allergic to|can(?:'t|not) (?:eat|have)|ohne"
    r"|sans|sin)\s+(.+?)"
    r"(?=[.;:\n]|,\s*(?!and\b)(?:max|under|unter|höchstens|moins|at most|more|for|\d)|\b(?:under"
    r"|at most|max|but|for|with|please)\b|$)",
    re.I,
)
_FREE = re.compile(r"\b([a-z]+)[\s-]free\b", re.I)
_PRICE = re.compile(
    r"(?:under|below|max(?:imum)?\.?|at most|up to|less than|no more than|<|höchstens|unter"
    r"|moins de)\s*[€£$]?\s*(\d+(?:[.,]\d+)?)"
    r"\s*(?:[€£$]|[a-z]{2,6}\b)?\s*(?:/|\b(?:an?|per|pro|le|je)\b)\s*(?:kg|kilo)",
    re.I,
)
_COUNTS = {"three": 3, "four": 4, "five": 5, "six": 6, "seven": 7, "eight": 8, "nine": 9, "ten": 10}
_NUMBERS = "|".join(_COUNTS)
_BINS = re.compile(
    rf"(?:at most|max(?:imum)?|up to|only|no more than|from|of|with)\s*(\d{{1,2}}|{_NUMBERS})\s*(?:different\s+)?"
    r"(?:flours?|bins?|ingredients?|parts?)\b",
    re.I,
)
_EATERS = re.compile(
    r"\bfor\s+((?:(?:the|an?|my|our|two|three|four|some)\s+)?(?:[\w-]+\s+){0,2}(?:kids?|child(?:ren)?"
    r"|toddlers?|school|guests?|family"
    r"|customers?|coeliacs?|celiacs?|diabetics?|athletes?|son|daughter|wife|husband|mother|father|people"
    r"|eaters|caf[eé]|bakery))\b",
    re.I,
)


@dataclass(frozen=True, slots=True)
class SaidBrief:
    """A brief as read: name, use (None: none was named), aim, eaters, limits; in words what was read and what not."""

    name: str
    use: str | None
    aim: str
    eaters: str
    limits: Limits
    said: tuple[str, ...]
    left: tuple[str, ...]


def read_brief(
    text: str, shelf: Shelf, use_of: Callable[[str], str | None], named: Callable[[str], str | None]
) -> SaidBrief:
    """Return what `text` asks for. `use_of` finds a use in words, `named` the ingredient (slug) of a name.

    Raises BadInputError for nothing, or for far too much.
    """
    words = re.sub(r"\s+", " ", text.replace("’", "'")).strip()
    if not words or len(words) > MOST_CHARACTERS:
        right = f"what you want to bake, in at most {MOST_CHARACTERS} characters"
        wrong = f"{len(words)} characters" if words else "there is nothing to read"
        raise BadInputError(wrong, place="/text", right=right)
    limits, left = _without(words, shelf, named)
    price, bins = _PRICE.search(words), _BINS.search(words)
    if price:
        limits = replace(limits, price_cap_per_kg=float(price[1].replace(",", ".")))
    if bins:
        limits = replace(limits, max_bins=_COUNTS.get(bins[1].lower()) or int(bins[1]))
    eaters = _EATERS.search(words)
    aim = next((a for a, called in _AIMS if re.search(rf"\b(?:{called})", words, re.I)), "nearest")
    use = use_of(_NOT.sub(" ", words)) or use_of(words)
    name = _name(words)
    return SaidBrief(name, use, aim, eaters[1] if eaters else "", limits, (), left)


def _name(words: str) -> str:
    """The first clause, without its lead."""
    bare = re.sub(
        r"^(?:i|we)(?:'d| would)?\s*(?:want|like|need|am|are)\b.*?\b(?:bake|make|an?|some|something for)\b\s*",
        "",
        words,
        flags=re.I,
    )
    bare = re.split(r"[,;.:\n]|\s+(?:without|that(?:'s)?|which|under|no|with|for|like|from)\s", bare, maxsplit=1)[0]
    bare = re.sub(r"^(?:an?|some|the)\s+", "", bare.strip(), flags=re.I)[:LONGEST_NAME].strip()
    return (bare[:1].upper() + bare[1:]) or words[:LONGEST_NAME]


def _without(words: str, shelf: Shelf, named: Callable[[str], str | None]) -> tuple[Limits, tuple[str, ...]]:
    """What must not be in it, by allergen where the word is one, else by each flour that bears the word."""
    allergens: list[str] = [a for diet, out in _DIETS.items() if re.search(rf"\b{diet}\b", words, re.I) for a in out]
    slugs: list[str] = []
    left: list[str] = []
    gum: float | None = None
    watched = {w.replace("-", " "): w for i in shelf.ingredients for w in (*i.allergens, *i.watch)}
    for word in _unwanted(words):
        found = next((a for a, called in _ALLERGENS.items() if word in called), watched.get(word))
        if word in _GUMS:
            gum = 0.0
        elif found is not None:
            allergens.append(found)
        elif more := _bearing(word, shelf):
            slugs += more
        elif one := named(word):
            item = shelf[one]
            allergens += [] if item.in_flour_base else item.allergens
            slugs += [one] if item.in_flour_base or not item.allergens else []
        elif word not in _QUIET:
            left.append(word)
    unique = tuple(dict.fromkeys(allergens))
    return Limits(exclude_allergens=unique, exclude=tuple(dict.fromkeys(slugs)), max_gum_pct=gum), tuple(left)


_QUIET = ("gluten", "wheat", "sugar", "flour", "aftertaste", "more", "grit")


def _unwanted(words: str) -> list[str]:
    said = [m[1] for m in _NOT.finditer(words)]
    pieces = [
        p
        for s in said
        for p in re.split(r"\s*(?:,|\band\b|\bor\b|\bund\b|\bet\b|/)\s*(?:(?:no|any|ohne|keine?|sans|sin)\s+)?", s)
    ]
    pieces += [m[1] for m in _FREE.finditer(words)]
    return [w for p in pieces if (w := _singular(p.strip().lower()))]


def _singular(word: str) -> str:
    bare = re.sub(r"^(?:any|the|added)\s+|\s+(?:in it|at all|please)$", "", word)
    return bare[:-1] if len(bare) > 3 and bare.endswith("s") and not bare.endswith("ss") else bare


def _bearing(word: str, shelf: Shelf) -> Sequence[str]:
    """The flours, starches and binders whose name bears a word."""
    tokens = set(word.split()) - {"flour", "starch"}
    return [i.slug for i in shelf.ingredients if tokens and tokens <= set(i.slug.split("-")) and i.in_flour_base]

"""The list of ingredients: by falling mass at mixing, compounds opened, allergens emphasised, shares where named."""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends import PartShare
from fallow_sieve.core.ingredients import Shelf, short_name
from fallow_sieve.core.labels.allergens import Named
from fallow_sieve.core.values import spaced

_SAME_MASS_G = 1e-9
# Words that say how something is milled or what kind of thing it is, not which food it is.
_GENERIC = frozenset(
    [
        "flour",
        "starch",
        "meal",
        "powder",
        "ground",
        "white",
        "brown",
        "fine",
        "whole",
        "light",
        "dark",
        "defatted",
        "gum",
        "husk",
        "isolate",
        "protein",
        "fibre",
        "fiber",
        "mix",
        "blend",
        "superfine",
        "the",
        "of",
        "and",
        "with",
        "dried",
        "refined",
        "sweet",
        "plain",
        "bran",
        "baking",
        "low",
        "high",
        "free",
    ]
)
_WORD = re.compile(r"[^\W\d_]+")


@dataclass(frozen=True, slots=True)
class LabelName:
    """How an ingredient is named on a label: name, class and number of an additive, and what it is made of itself.

    `compound` is the list of a compound part, in its own words; `needs_list` where it is a compound whose list is not
    known yet.
    """

    name: str
    additive_class: str = ""
    compound: str = ""
    needs_list: bool = False
    note: str = ""
    sure: bool = True


@dataclass(frozen=True, slots=True)
class Run:
    """A run of text in one style."""

    text: str
    bold: bool = False


@dataclass(frozen=True, slots=True)
class Listed:
    """One ingredient of the list: slug, its text in runs, its share of the mix (%), and whether that is printed."""

    ingredient: str
    runs: tuple[Run, ...]
    share_pct: float
    shows_share: bool

    @property
    def text(self) -> str:
        """The text without emphasis."""
        return "".join(r.text for r in self.runs)


def listed(
    parts: Sequence[PartShare],
    shelf: Shelf,
    names: Mapping[str, LabelName],
    named: Sequence[Named],
    mix_name: str = "",
) -> tuple[Listed, ...]:
    """Return the ingredients by falling mass, equal masses in alphabetical order; `names` by slug.

    A share is given where the ingredient stands in the name of the mix (Regulation (EU) 1169/2011, Art. 22).
    """
    total_g = sum(p.mass_g for p in parts)
    rows = [(p, names.get(p.ingredient) or LabelName(_own_name(p, shelf))) for p in parts]
    rows.sort(key=lambda row: (-round(row[0].mass_g / _SAME_MASS_G), row[1].name.lower()))
    said = _words(mix_name)
    return tuple(_one(p, name, named, 100 * p.mass_g / total_g, said) for p, name in rows)


def _own_name(part: PartShare, shelf: Shelf) -> str:
    name = short_name(shelf[part.ingredient].name)
    return name[:1].lower() + name[1:] if name[1:2].islower() else name


def _one(part: PartShare, name: LabelName, named: Sequence[Named], share_pct: float, said: set[str]) -> Listed:
    shows = bool(_words(name.name) & said)
    head = f"{name.additive_class}: " if name.additive_class else ""
    wanted = [n.name for n in named if part.ingredient in n.parts and n.mandatory]
    runs = [Run(head)] if head else []
    runs += _emphasised(name.name, wanted)
    if name.compound:
        runs += [Run(" ("), *_emphasised(name.compound, wanted), Run(")")]
    missing = [w for w in wanted if not any(r.bold and _same_word(r.text, w) for r in runs)]
    if missing:
        words = [w.replace(" (", ", ").removesuffix(")") for w in missing]  # no brackets in brackets
        runs += [Run(" ("), Run(", ".join(words), bold=True), Run(")")]
    if shows:
        runs.append(Run(f" ({share_text(share_pct)} %)"))
    return Listed(part.ingredient, tuple(runs), share_pct, shows)


def share_text(share_pct: float) -> str:
    """Return a share (%) as it is printed: one place, none where it is whole.

    >>> share_text(7.62), share_text(70.0)
    ('7.6', '70')
    """
    return f"{share_pct:.1f}".removesuffix(".0")


def _emphasised(text: str, wanted: Sequence[str]) -> list[Run]:
    """The text in runs, with every word that is one of the `wanted` names in bold."""
    runs: list[Run] = []
    at = 0
    for word in _WORD.finditer(text):
        if any(_same_word(word.group(), w) for w in wanted):
            runs += [Run(text[at : word.start()]), Run(word.group(), bold=True)]
            at = word.end()
    return [r for r in (*runs, Run(text[at:])) if r.text]


def _same_word(word: str, name: str) -> bool:
    """Whether a word of a list is an allergen's name, in the singular or the plural."""
    a, b = word.lower(), name.lower()
    return a == b or f"{a}s" == b or a == f"{b}s"


def _words(text: str) -> set[str]:
    return {
        w.lower().removesuffix("s") for w in _WORD.findall(spaced(text)) if w.lower() not in _GENERIC and len(w) > 2
    }


def list_text(rows: Sequence[Listed]) -> str:
    """Return the whole list as text, with its full stop."""
    return ", ".join(r.text for r in rows) + "." if rows else ""

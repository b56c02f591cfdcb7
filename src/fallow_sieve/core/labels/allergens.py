"""What a scheme of law wants named: by the marks of each part, in the scheme's own words.

Marks are an ingredient's allergens and watched words. `tree-nuts` alone names no nut, and no label can be made of it.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends import PartShare
from fallow_sieve.core.blends.care import NUTS, TREE_NUTS
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.values import spaced

MANDATORY, RECOMMENDED = "mandatory", "recommended"


@dataclass(frozen=True, slots=True)
class AllergenRule:
    """A row of a scheme: which marks it names, how, whether by law or as advice; `sure` or to be checked."""

    item: str
    status: str
    names: dict[str, str]
    sure: bool
    source: str
    note: str = ""


@dataclass(frozen=True, slots=True)
class Named:
    """An allergen on the label: its mark, its name by the scheme, which parts (slugs) carry it, whether by law."""

    mark: str
    name: str
    parts: tuple[str, ...]
    mandatory: bool
    sure: bool


@dataclass(frozen=True, slots=True)
class Allergens:
    """What is named, by falling mass of what carries it; and the parts that say "nuts" and no more (slugs)."""

    named: tuple[Named, ...]
    unnamed_nuts: tuple[str, ...]

    @property
    def mandatory(self) -> tuple[str, ...]:
        """The names that law wants, once each."""
        return tuple(dict.fromkeys(n.name for n in self.named if n.mandatory))


def marks_of(slug: str, shelf: Shelf) -> tuple[str, ...]:
    """Return the marks of an ingredient: its allergens, then what is watched."""
    return (*shelf[slug].allergens, *shelf[slug].watch)


def allergens_of(parts: Sequence[PartShare], shelf: Shelf, scheme: Sequence[AllergenRule]) -> Allergens:
    """Return what the rules of `scheme` name in `parts`."""
    by_mass = sorted(parts, key=lambda p: -p.mass_g)
    carriers: dict[str, list[str]] = {}
    for part in by_mass:
        for mark in marks_of(part.ingredient, shelf):
            carriers.setdefault(mark, []).append(part.ingredient)
    rules = {mark: rule for rule in reversed(scheme) for mark in rule.names}
    named = [
        Named(mark, rules[mark].names[mark], tuple(who), rules[mark].status != RECOMMENDED, rules[mark].sure)
        for mark, who in carriers.items()
        if mark in rules
    ]
    return Allergens(tuple(named), _unnamed(by_mass, shelf))


def _unnamed(parts: Sequence[PartShare], shelf: Shelf) -> tuple[str, ...]:
    """The parts that say they are of nuts, and of which not."""
    marks = {p.ingredient: set(marks_of(p.ingredient, shelf)) for p in parts}
    return tuple(slug for slug, said in marks.items() if TREE_NUTS in said and not said & NUTS)


def plain_name(mark: str) -> str:
    """Return a mark as a word.

    >>> plain_name("brazil-nut")
    'Brazil nut'
    """
    return spaced(mark).replace("brazil", "Brazil")

"""Words for people: counts with their nouns, masses as they are weighed, slugs as words."""

from __future__ import annotations

_WORDS = {"animal": "animal products", "gum": "gums"}


def spaced(name: str) -> str:
    """Return the slug of an allergen or watched thing as words.

    >>> spaced("tree-nuts"), spaced("animal")
    ('tree nuts', 'animal products')
    """
    return _WORDS.get(name, name.replace("-", " "))


def grams(mass_g: float) -> str:
    """Return a mass in g as it is weighed: whole grams from 10 g on, tenths below, hundredths under 1 g.

    >>> grams(12.4), grams(3.14), grams(0.256)
    ('12 g', '3.1 g', '0.26 g')
    """
    return f"{mass_g:.0f} g" if mass_g >= 10 else f"{mass_g:.1f} g" if mass_g >= 1 else f"{mass_g:.2f} g"


def counted(count: int, noun: str, plural: str = "") -> str:
    """Return a count with its noun.

    >>> counted(1, "bake"), counted(3, "bake")
    ('1 bake', '3 bakes')
    """
    return f"{count} {noun if count == 1 else plural or noun + 's'}"


_NUMBERS = ("No", "One", "Two", "Three", "Four", "Five", "Six", "Seven", "Eight", "Nine", "Ten")


def number_word(count: int) -> str:
    """Return a count as the word that begins a sentence, from eleven on in figures.

    >>> number_word(2), number_word(12)
    ('Two', '12')
    """
    return _NUMBERS[count] if count < len(_NUMBERS) else str(count)


def moved(what: str, before: float, after: float, decimals: int, unit: str) -> str:
    """Return "what 1.0 → 2.0 unit", or nothing where the two look the same at so many decimals.

    >>> moved("load", 0.5, 0.75, 2, "")
    'load 0.50 → 0.75'
    """
    was, now = f"{before:.{decimals}f}", f"{after:.{decimals}f}"
    return "" if was == now else f"{what} {was} → {now}{unit}"

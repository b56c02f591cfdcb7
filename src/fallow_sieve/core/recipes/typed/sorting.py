"""What a pasted text is: a recipe, a mix, a bag's list, a nutrition panel; and why it is taken for that."""

from __future__ import annotations

import re
from dataclasses import dataclass
from enum import StrEnum

from fallow_sieve.core.ingredients import Role, Shelf
from fallow_sieve.core.recipes.lines import Words
from fallow_sieve.core.recipes.pasted_mix import read_mix
from fallow_sieve.core.values import BadInputError

MOST_CHARACTERS = 20_000


class TextKind(StrEnum):
    """What a text is taken for."""

    RECIPE = "recipe"
    MIX = "mix"
    LIST = "list"
    PANEL = "panel"
    NOTHING = "nothing"


@dataclass(frozen=True, slots=True)
class Sorted:
    """What a text is taken for, and why, in words; a nutrition panel that follows a list stands apart."""

    kind: TextKind
    why: str
    text: str
    panel: str = ""


_LIST = re.compile(r"\b(?:ingr[ée]dient(?:es|i|ser|s)?|ingredienser|zutaten)\s*:", re.I)
_PANEL = re.compile(
    r"\b(?:per|pro|pour|por|je|/)\s*100\s*(?:g|ml)\b|nutrition|nutritional|nährwert"
    r"|valeurs? nutritionnelles?|typical values",
    re.I,
)
_NUTRIENTS = re.compile(
    r"\b(?:energy|energie|[ée]nergie|calories|kcal|kj|fat|fett|matières grasses|protein|eiwei|protéines"
    r"|carbohydrate|kohlenhydrate"
    r"|glucides|fibre|fiber|salt|salz|sel|sodium)\b",
    re.I,
)
_STEP = re.compile(
    r"\b(?:bake|baking|mix (?:it|all|well|the|in)|stir|whisk|knead|fold|rub in|chill|roll|preheat|oven"
    r"|minutes?|mins?|backen|rühren"
    r"|mischen|cuire|mélanger|four|hornear|mezclar|grädda|blanda|cuocere|impastare|let (?:it )?r(?:ise|est))\b",
    re.I,
)
LEAST_NUTRIENTS = 3


def sort_text(text: str, shelf: Shelf, words: Words) -> Sorted:
    """Return what `text` is taken for. Raises BadInputError for nothing, or for far too much."""
    if not text.strip():
        raise BadInputError("there is nothing to read", place="/text", right="paste a recipe, a mix or a bag's label")
    if len(text) > MOST_CHARACTERS:
        raise BadInputError(f"{len(text)} characters", place="/text", right=f"at most {MOST_CHARACTERS}")
    nutrients = len({m.lower() for m in _NUTRIENTS.findall(text)})
    if _LIST.search(text) and not (_STEP.search(text) and re.search(r"\n\s*\d", text)):
        return _list(text, nutrients)
    if nutrients >= LEAST_NUTRIENTS and _PANEL.search(text):
        return Sorted(TextKind.PANEL, f"it names {nutrients} nutrients and their basis", text)
    return _by_its_lines(text, shelf, words)


def _list(text: str, nutrients: int) -> Sorted:
    at, start = _PANEL.search(text), _LIST.search(text)
    why = "it says what its ingredients are, as a bag does"
    if nutrients < LEAST_NUTRIENTS or at is None or start is None:
        return Sorted(TextKind.LIST, why, text)
    if at.start() > start.start():
        return Sorted(TextKind.LIST, why, text[: at.start()].strip(), text[at.start() :].strip())
    return Sorted(TextKind.LIST, why, text[start.start() :].strip(), text[: start.start()].strip())


def _by_its_lines(text: str, shelf: Shelf, words: Words) -> Sorted:
    """A mix is dry flours, binders and little else; a recipe has what is wet, or says what is done."""
    try:
        lines = [x for x in read_mix(text, shelf, words) if x.ingredient] if len(text) <= 5000 else []
    except BadInputError:
        lines = []
    dry = [x for x in lines if x.ingredient and _belongs(x.ingredient, shelf)]
    if dry and len(dry) == len(lines) and not _STEP.search(text):
        if any(x.amount for x in dry):
            return Sorted(TextKind.MIX, f"all {len(dry)} things in it are flours, starches or binders", text)
        return Sorted(TextKind.LIST, f"it names {len(dry)} things and says of none how much", text)
    if lines and (_STEP.search(text) or len(lines) > 1):
        return Sorted(TextKind.RECIPE, "it has more than a mix has, or says what is done with it", text)
    return Sorted(TextKind.NOTHING, "nothing in it is known here", text)


def _belongs(slug: str, shelf: Shelf) -> bool:
    item = shelf[slug]
    return (item.in_flour_base or item.role is Role.BINDER) and not item.contains_gluten

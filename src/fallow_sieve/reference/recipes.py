"""Loads the words of recipes: units by how they are written, everyday names, and what counted things weigh."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.ingredients import Ingredient, short_name
from fallow_sieve.core.recipes import Lexicon, Meaning, Piece, Unit, Words, lexicon
from fallow_sieve.core.values import CupStandard, Range, SpoonStandard, around, cup_ml, tablespoon_ml, teaspoon_ml
from fallow_sieve.reference.ingredients import library
from fallow_sieve.reference.kitchen import EggRow, eggs
from fallow_sieve.reference.names import aliases
from fallow_sieve.reference.tables import read_table

# mL; a US and an Imperial fluid ounce are 1/16 of a US pint of 473.2 mL and 1/20 of an Imperial one of 568.3 mL.
_PINT_ML = {CupStandard.US: 473.176473, CupStandard.METRIC: 568.26125, CupStandard.IMPERIAL: 568.26125}
_OUNCES_IN_PINT = {CupStandard.US: 16, CupStandard.METRIC: 20, CupStandard.IMPERIAL: 20}
USUAL_EGG = {"EU": "M", "US": "large"}


@dataclass(frozen=True, slots=True)
class UnitRow:
    """A word for a unit. `measure` is what its size depends on: cup, tablespoon, teaspoon … (empty: nothing)."""

    word: str
    unit: str
    kind: str
    measure: str
    size: float
    guess: str


@dataclass(frozen=True, slots=True)
class NameRow:
    """An everyday name of an ingredient in recipes, and what reading it so takes for granted."""

    phrase: str
    ingredient: str
    guess: str


@dataclass(frozen=True, slots=True)
class WordRow:
    """A word that says nothing of what an ingredient is."""

    word: str


@cache
def units(cup: CupStandard, spoon: SpoonStandard) -> dict[str, Unit]:
    """Return units by how they are written; cups, spoons, ounces and pints (mL) by the kitchen's standards."""
    pint = _PINT_ML[cup]
    sizes = {
        "cup": (cup_ml(cup), f"cup taken as {cup_ml(cup):.0f} mL ({_CUP_WORDS[cup]})"),
        "tablespoon": (tablespoon_ml(spoon), f"tablespoon taken as {tablespoon_ml(spoon):.1f} mL"),
        "teaspoon": (teaspoon_ml(spoon), ""),
        "fluid-ounce": (pint / _OUNCES_IN_PINT[cup], f"fluid ounce taken as {pint / _OUNCES_IN_PINT[cup]:.1f} mL"),
        "pint": (pint, f"pint taken as {pint:.0f} mL"),
        "quart": (2 * pint, f"quart taken as {2 * pint:.0f} mL"),
    }
    found = {}
    for row in read_table("recipe_units", UnitRow):
        size, guess = sizes[row.measure] if row.measure else (row.size, "")
        found[row.word] = Unit(row.unit, row.kind, size, "; ".join(g for g in (row.guess, guess) if g))
    return found


_CUP_WORDS = {CupStandard.US: "US", CupStandard.METRIC: "metric", CupStandard.IMPERIAL: "Imperial"}


@cache
def _bundled() -> Lexicon:
    return names_with(())


def names_with(own: Iterable[Ingredient]) -> Lexicon:
    """Return the lexicon of everyday names, bundled ingredients and their other names, and of the kitchen's `own`."""
    entries = [(r.phrase, Meaning(r.ingredient, r.guess)) for r in read_table("recipe_names", NameRow)]
    items = (*own, *library())
    for item in items:
        entries += [(item.name, Meaning(item.slug)), (item.slug.replace("-", " "), Meaning(item.slug))]
    for a in aliases():
        guess = f"“{a.alias}” read as it is meant in {a.where}" if a.where else ""
        entries.append((a.alias, Meaning(a.ingredient, guess)))
    # "Butter" of "Butter, unsalted": last, so that it never takes a name that is another ingredient's own.
    entries += [(short_name(i.name), Meaning(i.slug)) for i in items]
    return lexicon(entries, (r.word for r in read_table("recipe_words", WordRow)))


def egg_of(region: str, size: str | None = None) -> EggRow:
    """Return an egg's row (g) by region and size, the region's usual size where none is named."""
    wanted = size or USUAL_EGG[region]
    return next(e for e in eggs() if e.region == region and e.size == wanted)


def words(
    cup: CupStandard = CupStandard.US, spoon: SpoonStandard = SpoonStandard.US, own: Iterable[Ingredient] = ()
) -> Words:
    """Return everything that reading a recipe goes by, in a kitchen with these cups and spoons (mL)."""
    own = tuple(own)
    region = "US" if cup is CupStandard.US else "EU"
    return Words(units(cup, spoon), names_with(own) if own else _bundled(), egg_pieces(region))


_PARTS_OF_EGG = {"whole-egg": "edible_g", "egg-white": "white_g", "egg-yolk": "yolk_g"}
_SIZES = {"small": "S", "medium": "M", "large": "L", "extra large": "XL"}


@cache
def egg_pieces(region: str) -> dict[str, Piece]:
    """Return what an egg, its white and its yolk weigh (g) in a region, in general and by the size that is named."""
    sizes = {e.size: e for e in eggs() if e.region == region}
    found = {}
    for slug, column in _PARTS_OF_EGG.items():
        masses = {size: float(getattr(e, column)) for size, e in sizes.items()}
        usual = USUAL_EGG[region]
        span = Range(min(masses.values()), masses[usual], max(masses.values()))
        found[slug] = Piece(span, f"an egg taken as {region} {usual}: {masses[usual]:.0f} g")
        for word, short in _SIZES.items():
            size = short if region == "EU" else word
            if size in masses:
                g = masses[size]
                found[f"{slug}:{word}"] = Piece(around(g, 6), f"a {word} egg taken as {region} {size}: {g:.0f} g")
    return found

"""Loads the words of recipes: units by how they are written, everyday names, and what counted things weigh."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.ingredients import Ingredient, short_name
from fallow_sieve.core.recipes import Lexicon, Meaning, Piece, Unit, Words, is_bare_flour, lexicon, with_names
from fallow_sieve.core.values import CupStandard, Range, SpoonStandard, around, cup_ml, tablespoon_ml, teaspoon_ml
from fallow_sieve.reference.ingredients import library
from fallow_sieve.reference.kitchen import EggRow, eggs
from fallow_sieve.reference.larder import larder_pieces
from fallow_sieve.reference.names import aliases
from fallow_sieve.reference.tables import read_table
from fallow_sieve.reference.words import flour_words, headings, word_rows

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
    found = dict(_units_in_words(sizes))
    for row in read_table("recipe_units", UnitRow):
        size, guess = sizes[row.measure] if row.measure else (row.size, "")
        low, high = _LOOSE.get(row.unit, (1.0, 1.0)) if row.unit in _PINCHED else (1.0, 1.0)
        said = "; ".join(g for g in (row.guess, guess) if g)
        found[row.word] = Unit(row.unit, row.kind, size, said, low, high)
    return found


# How far one of them may lie from what is taken, ×: rules of thumb.
_LOOSE = {
    "handful": (0.3, 2.0), "knob": (0.5, 2.0), "splash": (0.4, 2.0), "glass": (0.8, 1.25), "bowl": (0.8, 1.25),
    "tub": (0.75, 1.5), "pinch": (0.5, 2.0), "dash": (0.5, 2.0), "cup": (0.8, 1.6), "ladle": (0.7, 1.4),
}  # fmt: skip
_PINCHED = ("pinch", "dash")
_COUNTED = ("clove", "sprig", "bunch", "slice", "pod", "piece")
_PACKS = ("packet", "tin", "jar", "tub", "block", "cube", "yoghurt-pot")
_BY_KITCHEN = {"tablespoon": "tablespoon", "teaspoon": "teaspoon", "pint": "pint"}


def _units_in_words(sizes: Mapping[str, tuple[float, str]]) -> Iterator[tuple[str, Unit]]:
    """The units of the words table: in mL or g as they stand there, spoons as the kitchen's."""
    for word in ("part", "parts"):
        yield word, Unit("part", "mass", 100.0, "a part taken as 100 g")
    yield "squeeze", Unit("squeeze", "volume", 5.0, "a squeeze taken as 5 mL", 0.4, 2.0)
    for r in word_rows("unit"):
        key = r.word.replace(".", "") if r.word in ("EL", "TL", "KL", "CS", "CC") else r.word.lower().replace(".", "")
        if r.meaning in _COUNTED:
            yield key, Unit(r.meaning, "count", 1.0)
        elif r.meaning in _PACKS and r.amount is None:
            yield key, Unit(r.meaning, "pack", 1.0)
        elif r.meaning in _BY_KITCHEN and r.language == "en":
            yield key, Unit(r.meaning, "volume", *(sizes[r.meaning] if r.amount is None else (r.amount, "")))
        elif (r.amount is not None and not r.meaning.count("-")) or r.meaning in (
            "coffee-spoon",
            "knife-tip",
            "metric-pound",
        ):
            kind = "mass" if r.amount_unit == "g" else "volume"
            low, high = _LOOSE.get(r.meaning, (1.0, 1.0))
            guess = f"“{r.word}” taken as {r.amount:g} {r.amount_unit}" if r.meaning in _LOOSE else ""
            yield key, Unit(r.meaning, kind, r.amount or 1.0, guess, low, high)


_CUP_WORDS = {CupStandard.US: "US", CupStandard.METRIC: "metric", CupStandard.IMPERIAL: "Imperial"}


def names_with(own: Iterable[Ingredient], said: Iterable[tuple[str, str]] = ()) -> Lexicon:
    """Return the lexicon of names, with the kitchen's `own` ingredients, and before all what it has `said` (a slug)."""
    own = tuple(own)
    entries = [(name, Meaning(i.slug)) for i in own for name in (i.name, i.slug.replace("-", " "))]
    entries += [(phrase, Meaning(slug)) for phrase, slug in said]
    return with_names(_bundled(), entries, [(short_name(i.name), Meaning(i.slug)) for i in own])


@cache
def _bundled() -> Lexicon:
    """The lexicon of everyday names, of bundled ingredients and of their other names."""
    entries = [(r.phrase, Meaning(r.ingredient, r.guess)) for r in read_table("recipe_names", NameRow)]
    entries += [(r.word, Meaning(r.meaning)) for r in word_rows("ingredient") if not is_bare_flour(r.word)]
    for item in library():
        entries += [(item.name, Meaning(item.slug)), (item.slug.replace("-", " "), Meaning(item.slug))]
    for a in aliases():
        guess = f"“{a.alias}” read as it is meant in {a.where}" if a.where else ""
        entries.append((a.alias, Meaning(a.ingredient, guess)))
    # "Butter" of "Butter, unsalted": last, so that it never takes a name that is another ingredient's own.
    entries += [(short_name(i.name), Meaning(i.slug)) for i in library()]
    harmless = [r.word for r in read_table("recipe_words", WordRow)]
    harmless += [r.word for r in word_rows("qualifier") if r.meaning in _SAY_NOTHING]
    return lexicon(entries, harmless)


_SAY_NOTHING = ("set-aside", "divided", "packed", "loose", "heaped", "level", "scant", "about", "optional")


def egg_of(region: str, size: str | None = None) -> EggRow:
    """Return an egg's row (g) by region and size, the region's usual size where none is named."""
    wanted = size or USUAL_EGG[region]
    return next(e for e in eggs() if e.region == region and e.size == wanted)


def words(
    cup: CupStandard = CupStandard.US,
    spoon: SpoonStandard = SpoonStandard.US,
    own: Iterable[Ingredient] = (),
    eggs_of: str = "",
    said: Iterable[tuple[str, str]] = (),
) -> Words:
    """Return everything that reading a recipe goes by, with these cups and spoons (mL) and the eggs of a region.

    The region is US or EU; without one it follows from the cup. `said` are the kitchen's own words with their slugs.
    """
    region = "US" if cup is CupStandard.US else "EU"
    return Words(
        units(cup, spoon),
        names_with(own, said),
        {**_pieces(), **egg_pieces(eggs_of or region)},
        flour_words(),
        headings(),
    )


PIECE_SPREAD_PCT = 30.0  # how far one counted thing lies from the usual: rule of thumb
_OF_FRUIT = {"lemon-juice": 45, "lime-juice": 30, "orange-juice": 80, "lemon-zest": 4, "lime-zest": 3, "orange-zest": 8}
_PACKED = {
    "instant-dry-yeast:packet": 7, "active-dry-yeast:packet": 7, "fresh-yeast:cube": 42, "baking-powder:packet": 14,
    "vanilla-sugar:packet": 8, "gelatin:packet": 7, "plain-yoghurt": 125, "plain-yoghurt:yoghurt-pot": 125,
}  # fmt: skip


@cache
def _pieces() -> dict[str, Piece]:
    """What counted things and packs weigh (g), by the slug, or by it and the pack: rules of thumb."""
    pieces = {slug: (g, of) for slug, (g, of) in larder_pieces().items()}
    found = {s: Piece(around(g, PIECE_SPREAD_PCT), f"one {of} taken as {g:g} g") for s, (g, of) in pieces.items()}
    for slug, g in _OF_FRUIT.items():
        found[slug] = Piece(around(g, 40), f"that of one fruit taken as {g} g")
    for key, g in _PACKED.items():
        found[key] = Piece(around(g, 25), f"one taken as {g} g")
    return found


_PARTS_OF_EGG = {"whole-egg": "edible_g", "egg-white": "white_g", "egg-yolk": "yolk_g"}
_WHICH = {"whole-egg": "an egg", "egg-white": "the white of an egg", "egg-yolk": "the yolk of an egg"}
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
        found[slug] = Piece(span, f"{_WHICH[slug]} taken as {region} {usual}: {masses[usual]:.0f} g")
        for word, short in _SIZES.items():
            size = short if region == "EU" else word
            if size in masses:
                g = masses[size]
                found[f"{slug}:{word}"] = Piece(around(g, 6), f"a {word} egg taken as {region} {size}: {g:.0f} g")
    return found

"""What an ingredient does in a dough, whatever it is called: one's own butter is butter, one's own yeast is yeast.

A function has a kind, by which swaps, leavening, stages, scaling and conversion go, and a standard: the slug by which
the tables of doses, powers, sweetness and usual shares know it.
"""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum

from fallow_sieve.core.values import UnknownNameError


class Kind(StrEnum):
    """A family of functions: things of one kind can stand in for one another."""

    FAT = "fat"
    FAT_REPLACER = "fat_replacer"
    SWEETENER = "sweetener"
    EGG = "egg"
    EGG_PART = "egg_part"
    MILK = "milk"
    THICKENER = "thickener"
    BINDER = "binder"
    YEAST = "yeast"
    POWDER = "powder"
    SALT = "salt"
    INCLUSION = "inclusion"
    FIBRE_GEL = "fibre_gel"
    DRIED_EGG = "dried_egg"
    DRIED_MILK = "dried_milk"
    ACID = "acid"
    CREAM = "cream"
    SOFT_CHEESE = "soft_cheese"
    HARD_CHEESE = "hard_cheese"
    SELF_RAISING = "self_raising"


class Function(StrEnum):
    """What an ingredient does, by the name that tables, files and the interface know it by."""

    BUTTER = "butter"
    SOLID_FAT = "solid-fat"
    ANIMAL_FAT = "animal-fat"
    COCONUT_FAT = "coconut-fat"
    OIL = "oil"
    OLIVE_OIL = "olive-oil"
    PUREE = "puree"
    SUGAR = "sugar"
    BROWN_SUGAR = "brown-sugar"
    COCONUT_SUGAR = "coconut-sugar"
    HONEY = "honey"
    MAPLE_SYRUP = "maple-syrup"
    AGAVE_SYRUP = "agave-syrup"
    ERYTHRITOL = "erythritol"
    XYLITOL = "xylitol"
    ALLULOSE = "allulose"
    EGG = "egg"
    EGG_WHITE = "egg-white"
    EGG_YOLK = "egg-yolk"
    MILK = "milk"
    CORN_STARCH = "corn-starch"
    TAPIOCA_STARCH = "tapioca-starch"
    POTATO_STARCH = "potato-starch"
    ARROWROOT = "arrowroot"
    STICKY_RICE = "sticky-rice"
    RICE = "rice"
    WHOLE_RICE = "whole-rice"
    CASSAVA = "cassava"
    WHEAT = "wheat"
    XANTHAN = "xanthan"
    GUAR = "guar"
    HPMC = "hpmc"
    PSYLLIUM_HUSK = "psyllium-husk"
    PSYLLIUM_POWDER = "psyllium-powder"
    FLAXSEED = "flaxseed"
    CHIA = "chia"
    GELATIN = "gelatin"
    EGG_WHITE_POWDER = "egg-white-powder"
    INULIN = "inulin"
    INSTANT_YEAST = "instant-yeast"
    FRESH_YEAST = "fresh-yeast"
    BAKING_POWDER = "baking-powder"
    BAKING_SODA = "baking-soda"
    SALT = "salt"
    DRIED_FRUIT = "dried-fruit"
    WHOLE_EGG_POWDER = "whole-egg-powder"
    MILK_POWDER = "milk-powder"
    SOUR_MILK = "sour-milk"
    SOUR_MILK_POWDER = "sour-milk-powder"
    VINEGAR = "vinegar"
    COCOA = "cocoa"
    CREAM_OF_TARTAR = "cream-of-tartar"
    STEVIA = "stevia"
    SUCRALOSE = "sucralose"
    SACCHARIN = "saccharin"
    CREAM = "cream"
    SOFT_CHEESE = "soft-cheese"
    HARD_CHEESE = "hard-cheese"
    SELF_RAISING = "self-raising"


@dataclass(frozen=True, slots=True)
class FunctionMeaning:
    """What a function means: its kinds, its label for people, and the slug by which tables know it."""

    kinds: tuple[Kind, ...]
    label: str
    standard: str


def _of(kind: Kind, label: str, standard: str, *more: Kind) -> FunctionMeaning:
    return FunctionMeaning((kind, *more), label, standard)


MEANINGS: dict[Function, FunctionMeaning] = {
    Function.BUTTER: _of(Kind.FAT, "butter", "unsalted-butter"),
    Function.SOLID_FAT: _of(Kind.FAT, "solid fat", "shortening"),
    Function.ANIMAL_FAT: _of(Kind.FAT, "animal fat, solid", "lard"),
    Function.COCONUT_FAT: _of(Kind.FAT, "coconut fat", "coconut-oil"),
    Function.OIL: _of(Kind.FAT, "oil", "vegetable-oil"),
    Function.OLIVE_OIL: _of(Kind.FAT, "olive oil", "olive-oil"),
    Function.PUREE: _of(Kind.FAT_REPLACER, "purée or yoghurt for half of a fat", "apple-puree"),
    Function.SUGAR: _of(Kind.SWEETENER, "sugar", "white-sugar"),
    Function.BROWN_SUGAR: _of(Kind.SWEETENER, "brown sugar", "brown-sugar"),
    Function.COCONUT_SUGAR: _of(Kind.SWEETENER, "coconut sugar", "coconut-sugar"),
    Function.HONEY: _of(Kind.SWEETENER, "honey", "honey"),
    Function.MAPLE_SYRUP: _of(Kind.SWEETENER, "maple syrup", "maple-syrup"),
    Function.AGAVE_SYRUP: _of(Kind.SWEETENER, "agave syrup", "agave-syrup"),
    Function.ERYTHRITOL: _of(Kind.SWEETENER, "erythritol", "erythritol"),
    Function.XYLITOL: _of(Kind.SWEETENER, "xylitol", "xylitol"),
    Function.ALLULOSE: _of(Kind.SWEETENER, "allulose", "allulose"),
    Function.EGG: _of(Kind.EGG, "whole egg", "whole-egg", Kind.EGG_PART),
    Function.EGG_WHITE: _of(Kind.EGG_PART, "egg white", "egg-white"),
    Function.EGG_YOLK: _of(Kind.EGG_PART, "egg yolk", "egg-yolk"),
    Function.MILK: _of(Kind.MILK, "milk, of animal or plant", "whole-milk"),
    Function.CORN_STARCH: _of(Kind.THICKENER, "thickens like maize starch", "corn-starch"),
    Function.TAPIOCA_STARCH: _of(Kind.THICKENER, "thickens like tapioca", "tapioca-starch"),
    Function.POTATO_STARCH: _of(Kind.THICKENER, "thickens like potato starch", "potato-starch"),
    Function.ARROWROOT: _of(Kind.THICKENER, "thickens like arrowroot", "arrowroot-starch"),
    Function.STICKY_RICE: _of(Kind.THICKENER, "thickens like sticky rice flour", "glutinous-rice-flour"),
    Function.RICE: _of(Kind.THICKENER, "thickens like white rice flour", "white-rice-flour"),
    Function.WHOLE_RICE: _of(Kind.THICKENER, "thickens like brown rice flour", "brown-rice-flour"),
    Function.CASSAVA: _of(Kind.THICKENER, "thickens like cassava flour", "cassava-flour"),
    Function.WHEAT: _of(Kind.THICKENER, "thickens like wheat flour", "wheat-flour"),
    Function.XANTHAN: _of(Kind.BINDER, "binds like xanthan", "xanthan-gum", Kind.THICKENER),
    Function.GUAR: _of(Kind.BINDER, "binds like guar", "guar-gum"),
    Function.HPMC: _of(Kind.BINDER, "binds like HPMC", "hpmc"),
    Function.PSYLLIUM_HUSK: _of(Kind.BINDER, "binds like psyllium husk", "psyllium-husk"),
    Function.PSYLLIUM_POWDER: _of(Kind.BINDER, "binds like psyllium powder", "psyllium-powder"),
    Function.FLAXSEED: _of(Kind.BINDER, "binds like milled flaxseed", "ground-flaxseed"),
    Function.CHIA: _of(Kind.BINDER, "binds like milled chia", "ground-chia"),
    Function.GELATIN: _of(Kind.BINDER, "binds like gelatin", "gelatin"),
    Function.EGG_WHITE_POWDER: _of(Kind.BINDER, "binds like egg white powder", "egg-white-powder"),
    Function.INULIN: _of(Kind.FIBRE_GEL, "a fibre that gels", "inulin"),
    Function.INSTANT_YEAST: _of(Kind.YEAST, "instant yeast", "instant-dry-yeast"),
    Function.FRESH_YEAST: _of(Kind.YEAST, "fresh yeast", "fresh-yeast"),
    Function.BAKING_POWDER: _of(Kind.POWDER, "baking powder", "baking-powder"),
    Function.BAKING_SODA: _of(Kind.POWDER, "baking soda", "baking-soda"),
    Function.SALT: _of(Kind.SALT, "salt", "salt"),
    Function.DRIED_FRUIT: _of(Kind.INCLUSION, "dried fruit, folded in", "raisins"),
    Function.WHOLE_EGG_POWDER: _of(Kind.DRIED_EGG, "whole egg, dried", "whole-egg-powder"),
    Function.MILK_POWDER: _of(Kind.DRIED_MILK, "milk, dried", "skim-milk-powder"),
    Function.SOUR_MILK: _of(Kind.ACID, "soured milk: buttermilk, kefir, yoghurt", "plain-yoghurt"),
    Function.SOUR_MILK_POWDER: _of(Kind.ACID, "soured milk, dried", "buttermilk-powder", Kind.DRIED_MILK),
    Function.VINEGAR: _of(Kind.ACID, "acid as strong as vinegar or lemon juice", "cider-vinegar"),
    Function.COCOA: _of(Kind.ACID, "natural cocoa", "cocoa-powder"),
    Function.CREAM_OF_TARTAR: _of(Kind.ACID, "cream of tartar", "cream-of-tartar"),
    Function.STEVIA: _of(Kind.SWEETENER, "high-intensity sweetener, as strong as stevia", "stevia-extract"),
    Function.SUCRALOSE: _of(Kind.SWEETENER, "high-intensity sweetener, as strong as sucralose", "sucralose"),
    Function.SACCHARIN: _of(Kind.SWEETENER, "high-intensity sweetener, as strong as saccharin", "saccharin"),
    Function.CREAM: _of(Kind.CREAM, "cream, of milk or plant", "whipping-cream"),
    Function.SOFT_CHEESE: _of(Kind.SOFT_CHEESE, "soft fresh cheese, of milk or plant", "cream-cheese"),
    Function.HARD_CHEESE: _of(Kind.HARD_CHEESE, "hard cheese, of milk or plant", "cheddar"),
    Function.SELF_RAISING: _of(Kind.SELF_RAISING, "flour with its baking powder in it", "self-raising-wheat-flour"),
}
FUNCTION_LABELS: dict[Function, str] = {f: m.label for f, m in MEANINGS.items()}
# Gels that are made dry, whisked into the flour; the other binders are stirred to a gel first.
WHISKED_IN_DRY = frozenset({Function.XANTHAN, Function.GUAR, Function.HPMC})
# What is stirred with water to a gel before it goes into a dough.
MADE_A_GEL = frozenset({Function.PSYLLIUM_HUSK, Function.PSYLLIUM_POWDER})
# What can choke or block the bowel where it is eaten dry.
SWELLS = WHISKED_IN_DRY | {
    Function.PSYLLIUM_HUSK,
    Function.PSYLLIUM_POWDER,
    Function.FLAXSEED,
    Function.CHIA,
    Function.INULIN,
}
SOLID_FATS = frozenset({Function.BUTTER, Function.SOLID_FAT, Function.ANIMAL_FAT, Function.COCONUT_FAT})


def functions_named(text: str) -> tuple[Function, ...]:
    """Return the functions that people write: one or several, by name, by label, or by what tables call it.

    Case, spaces and the marks between do not matter. Raises UnknownNameError, which suggests the nearest names.

    >>> functions_named("Butter, salt")
    (<Function.BUTTER: 'butter'>, <Function.SALT: 'salt'>)
    >>> functions_named("Xanthan Gum")
    (<Function.XANTHAN: 'xanthan'>,)
    """
    label = _BY_WORD.get(_plain(text))  # a label may hold a comma itself
    if label is not None:
        return (label,)
    return tuple(dict.fromkeys(_named(word) for word in re.split(r"[;,/|+]", text) if word.strip()))


def _plain(word: str) -> str:
    return re.sub(r"[\s_-]+", "-", word.strip().casefold())


def _named(word: str) -> Function:
    found = _BY_WORD.get(_plain(word))
    if found is None:
        raise UnknownNameError("function", word.strip(), [str(f) for f in Function])
    return found


_BY_WORD: dict[str, Function] = {
    **{_plain(m.standard): f for f, m in MEANINGS.items()},
    **{_plain(m.label): f for f, m in MEANINGS.items()},
    **{str(f): f for f in Function},
}


def of_kind(functions: Iterable[Function], kind: Kind) -> Function | None:
    """Return the first of `functions` that is of `kind`, or None.

    >>> of_kind((Function.SALT, Function.HONEY), Kind.SWEETENER)
    <Function.HONEY: 'honey'>
    """
    return next((f for f in functions if kind in MEANINGS[f].kinds), None)


def standard_of(functions: Iterable[Function], kind: Kind) -> str | None:
    """Return the slug by which tables know the first of `functions` that is of `kind`, or None.

    >>> standard_of((Function.XANTHAN,), Kind.BINDER)
    'xanthan-gum'
    """
    found = of_kind(functions, kind)
    return MEANINGS[found].standard if found is not None else None


def standards(functions: Iterable[Function]) -> tuple[str, ...]:
    """Return the slugs by which tables know `functions`."""
    return tuple(MEANINGS[f].standard for f in functions)

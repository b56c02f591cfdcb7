"""Reading a recipe that was typed or pasted: amounts, names, lines, the whole, and checks on it. No guess is silent."""

from fallow_sieve.core.recipes.amounts import Unit
from fallow_sieve.core.recipes.checks import RecipeCheck, check_recipe
from fallow_sieve.core.recipes.conversion import Conversion, ConversionRules, ConversionStep, convert
from fallow_sieve.core.recipes.lines import Piece, ReadLine, Words
from fallow_sieve.core.recipes.names import Lexicon, Meaning, lexicon
from fallow_sieve.core.recipes.pairing import Pairing, paired
from fallow_sieve.core.recipes.reading import ReadRecipe, as_formula, read_recipe

__all__ = [
    "Conversion",
    "ConversionRules",
    "ConversionStep",
    "Lexicon",
    "Meaning",
    "Pairing",
    "Piece",
    "ReadLine",
    "ReadRecipe",
    "RecipeCheck",
    "Unit",
    "Words",
    "as_formula",
    "check_recipe",
    "convert",
    "lexicon",
    "paired",
    "read_recipe",
]

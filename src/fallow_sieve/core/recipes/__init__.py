"""Reading a recipe that was typed or pasted: amounts, names, lines, the whole, and checks on it. No guess is silent."""

from fallow_sieve.core.recipes.amounts import Unit
from fallow_sieve.core.recipes.checks import RecipeCheck, check_recipe
from fallow_sieve.core.recipes.conversion import Conversion, ConversionRules, ConversionStep, convert
from fallow_sieve.core.recipes.flours import FlourWords, is_bare_flour
from fallow_sieve.core.recipes.habits import Habit, habit_of
from fallow_sieve.core.recipes.lines import ReadLine, Words
from fallow_sieve.core.recipes.names import Lexicon, Meaning, lexicon
from fallow_sieve.core.recipes.pairing import Pairing, paired
from fallow_sieve.core.recipes.reading import ReadRecipe, as_formula, read_recipe
from fallow_sieve.core.recipes.weights import Piece

__all__ = [
    "Conversion",
    "ConversionRules",
    "ConversionStep",
    "FlourWords",
    "Habit",
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
    "habit_of",
    "is_bare_flour",
    "lexicon",
    "paired",
    "read_recipe",
]

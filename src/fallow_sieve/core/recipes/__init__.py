"""Reading a recipe that was typed or pasted: amounts, names, lines, the whole, and checks on it. No guess is silent."""

from fallow_sieve.core.recipes.amounts import Unit
from fallow_sieve.core.recipes.bag_list import Listed, read_list
from fallow_sieve.core.recipes.checks import RecipeCheck, check_recipe
from fallow_sieve.core.recipes.flours import FlourWords, is_bare_flour, why_asked
from fallow_sieve.core.recipes.habits import Habit, habit_of
from fallow_sieve.core.recipes.lines import ReadLine, Words
from fallow_sieve.core.recipes.making_over import Conversion, ConversionRules, ConversionStep, convert
from fallow_sieve.core.recipes.mixes import mix_inside, use_in_words
from fallow_sieve.core.recipes.names import Lexicon, Meaning, lexicon, understand, with_names
from fallow_sieve.core.recipes.pairing import Pairing, paired
from fallow_sieve.core.recipes.pasted_mix import read_mix
from fallow_sieve.core.recipes.reading import ReadRecipe, Row, as_formula, read_recipe
from fallow_sieve.core.recipes.typed import ReadBin, Sorted, TextKind, read_bins, sort_text
from fallow_sieve.core.recipes.weights import Piece

__all__ = [
    "Conversion",
    "ConversionRules",
    "ConversionStep",
    "FlourWords",
    "Habit",
    "Lexicon",
    "Listed",
    "Meaning",
    "Pairing",
    "Piece",
    "ReadBin",
    "ReadLine",
    "ReadRecipe",
    "RecipeCheck",
    "Row",
    "Sorted",
    "TextKind",
    "Unit",
    "Words",
    "as_formula",
    "check_recipe",
    "convert",
    "habit_of",
    "is_bare_flour",
    "lexicon",
    "mix_inside",
    "paired",
    "read_bins",
    "read_list",
    "read_mix",
    "read_recipe",
    "sort_text",
    "understand",
    "use_in_words",
    "why_asked",
    "with_names",
]

"""Tastings as documents: answers in, what they say out."""

from fallow_sieve.formats.tastings.answers import MeanTold, NoticedTold, PairTold, TastingAnswer, TestTold, WordTold
from fallow_sieve.formats.tastings.answers_csv import read_answers

__all__ = ["MeanTold", "NoticedTold", "PairTold", "TastingAnswer", "TestTold", "WordTold", "read_answers"]

"""Blends as files, and what `analyse`, `explain` and `compare` write."""

from fallow_sieve.formats.blends.answers import AnalysisDocument, analysis_document
from fallow_sieve.formats.blends.bag import OpenedAnswer, opened_answer, read_bag
from fallow_sieve.formats.blends.csv import read_blend_csv, write_blend_csv
from fallow_sieve.formats.blends.file import BlendDocument, BlendFile, PartFile, read_blend, write_blend

__all__ = [
    "AnalysisDocument",
    "BlendDocument",
    "BlendFile",
    "OpenedAnswer",
    "PartFile",
    "analysis_document",
    "opened_answer",
    "read_bag",
    "read_blend",
    "read_blend_csv",
    "write_blend",
    "write_blend_csv",
]

"""Batches as files and answers."""

from fallow_sieve.formats.batches.answers import CodeAnswer

__all__ = ["CodeAnswer"]

"""Batches as files and answers."""

from fallow_sieve.formats.batches.answers import CodeAnswer, TraceAnswer, trace_link
from fallow_sieve.formats.batches.file import (
    BagFile,
    BatchFile,
    BatchPartFile,
    BatchStepFile,
    LotFile,
    WeighingFile,
)

__all__ = [
    "BagFile",
    "BatchFile",
    "BatchPartFile",
    "BatchStepFile",
    "CodeAnswer",
    "LotFile",
    "TraceAnswer",
    "WeighingFile",
    "trace_link",
]

"""Experiments as documents: the experiment file, and what is answered."""

from fallow_sieve.formats.experiments.answers import (
    ExperimentAnswer,
    FitTold,
    GainTold,
    LackTold,
    MapTold,
    NextTold,
    PointTold,
    RunTold,
    SourceTold,
    StopTold,
)
from fallow_sieve.formats.experiments.file import ExperimentFile, baked_of, region_of, shares_of

__all__ = [
    "ExperimentAnswer",
    "ExperimentFile",
    "FitTold",
    "GainTold",
    "LackTold",
    "MapTold",
    "NextTold",
    "PointTold",
    "RunTold",
    "SourceTold",
    "StopTold",
    "baked_of",
    "region_of",
    "shares_of",
]

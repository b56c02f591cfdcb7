"""Trials as documents: the trial file, a fault to rank, and what is answered."""

from fallow_sieve.formats.trials.answers import (
    BandTold,
    CauseBrief,
    CauseTold,
    ChangeSeen,
    ChangeTold,
    DifferenceTold,
    EffectSeen,
    FaultCaseIn,
    FaultsAnswer,
    FaultTold,
    JointTold,
    MeasureTold,
    TrialAnswer,
)
from fallow_sieve.formats.trials.file import TrialFile, readings_of
from fallow_sieve.formats.trials.pictures import picture_from

__all__ = [
    "BandTold",
    "CauseBrief",
    "CauseTold",
    "ChangeSeen",
    "ChangeTold",
    "DifferenceTold",
    "EffectSeen",
    "FaultCaseIn",
    "FaultTold",
    "FaultsAnswer",
    "JointTold",
    "MeasureTold",
    "TrialAnswer",
    "TrialFile",
    "picture_from",
    "readings_of",
]

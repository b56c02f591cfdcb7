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
from fallow_sieve.formats.trials.file import TrialFile, reading_file, readings_of, trial_text
from fallow_sieve.formats.trials.pictures import picture_from
from fallow_sieve.formats.trials.readings_csv import read_readings_csv, write_readings_csv

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
    "read_readings_csv",
    "reading_file",
    "readings_of",
    "trial_text",
    "write_readings_csv",
]

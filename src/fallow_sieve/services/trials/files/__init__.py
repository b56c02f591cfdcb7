"""Trials in and out: the trial file, and readings as a table."""

from fallow_sieve.services.trials.files.bringing import Brought, bring_readings, bring_trial
from fallow_sieve.services.trials.files.writing import readings_table, trial_file

__all__ = ["Brought", "bring_readings", "bring_trial", "readings_table", "trial_file"]

"""The command line: the same core without a screen. Exit 0 done, 1 the answer is no, 2 bad input."""

from fallow_sieve.cli import app_batches, app_experiments, app_schedules, app_tastings, app_trials  # noqa: F401 (their commands join the others)
from fallow_sieve.cli.app import main

__all__ = ["main"]

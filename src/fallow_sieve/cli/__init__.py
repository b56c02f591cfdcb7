"""The command line: the same core without a screen. Exit 0 done, 1 the answer is no, 2 bad input."""

from fallow_sieve.cli.app import main
from fallow_sieve.cli.apps import batches, experiments, schedules, tastings, trials  # noqa: F401 (their commands join the others)

__all__ = ["main"]

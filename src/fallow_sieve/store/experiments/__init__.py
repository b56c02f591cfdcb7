"""Experiments in the store: what is asked of which formula, and the bakes that were planned and made."""

from fallow_sieve.store.experiments.records import (
    ExperimentOnRecord,
    RunOnRecord,
    add_experiment,
    get_experiment,
    keep_bakes_under,
    page_of_experiments,
    put_run,
    put_runs,
    runs_of,
    save_experiment,
)

__all__ = [
    "ExperimentOnRecord",
    "RunOnRecord",
    "add_experiment",
    "get_experiment",
    "keep_bakes_under",
    "page_of_experiments",
    "put_run",
    "put_runs",
    "runs_of",
    "save_experiment",
]

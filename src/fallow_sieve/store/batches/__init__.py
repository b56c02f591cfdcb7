"""Batches on record: plans, weighings, steps, bags, and the labels that were printed."""

from fallow_sieve.store.batches.bags import add_bag, bags_of, get_bag, save_bag
from fallow_sieve.store.batches.records import (
    add_batch,
    batch_by_code,
    batches_of_lots,
    batches_on,
    get_batch,
    open_batches,
    page_of_batches,
    put_batch,
    save_batch,
    touch_batch,
)
from fallow_sieve.store.batches.said import Printed, StepDone, add_print, add_step, prints_of, steps_of, taken_of
from fallow_sieve.store.batches.weighings import add_weighing, weighing_by_key, weighings_of

__all__ = [
    "Printed",
    "StepDone",
    "add_bag",
    "add_batch",
    "add_print",
    "add_step",
    "add_weighing",
    "bags_of",
    "batch_by_code",
    "batches_of_lots",
    "batches_on",
    "get_bag",
    "get_batch",
    "open_batches",
    "page_of_batches",
    "prints_of",
    "put_batch",
    "save_bag",
    "save_batch",
    "steps_of",
    "taken_of",
    "touch_batch",
    "weighing_by_key",
    "weighings_of",
]

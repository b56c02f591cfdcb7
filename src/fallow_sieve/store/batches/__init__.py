"""Batches on record: plans, weighings, steps, bags, and the labels that were printed."""

from fallow_sieve.store.batches.ahead import ahead_of, save_ahead
from fallow_sieve.store.batches.bags import add_bag, bags_of, get_bag, save_bag
from fallow_sieve.store.batches.bins import Bin, add_bin, bags_of_bins, bins_of, get_bin, save_bin
from fallow_sieve.store.batches.records import (
    add_batch,
    batch_by_code,
    batches_fed_by,
    batches_of_bags,
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
    "Bin",
    "Printed",
    "StepDone",
    "add_bag",
    "add_batch",
    "add_bin",
    "add_print",
    "add_step",
    "add_weighing",
    "ahead_of",
    "bags_of",
    "bags_of_bins",
    "batch_by_code",
    "batches_fed_by",
    "batches_of_bags",
    "batches_of_lots",
    "batches_on",
    "bins_of",
    "get_bag",
    "get_batch",
    "get_bin",
    "open_batches",
    "page_of_batches",
    "prints_of",
    "put_batch",
    "save_ahead",
    "save_bag",
    "save_batch",
    "save_bin",
    "steps_of",
    "taken_of",
    "touch_batch",
    "weighing_by_key",
    "weighings_of",
]

"""Trials in the store: bakes with readings and steps, what was poured, photos, and sheets that were handed out."""

from fallow_sieve.store.trials.photos import PhotoOnRecord, add_photo, photos_of, picture_of, remove_photo
from fallow_sieve.store.trials.pours import POURS, PourOnRecord, pour_of, pours_from
from fallow_sieve.store.trials.records import (
    StepOnRecord,
    TrialOnRecord,
    add_step,
    add_trial,
    get_trial,
    last_at,
    next_trial,
    page_of_trials,
    put_reading,
    readings_of,
    save_trial,
    say_found,
    steps_on_record,
    take_back,
    trials_named,
    trials_of_formula,
)
from fallow_sieve.store.trials.sheets import hand_out, sheet_opened, take_in

__all__ = [
    "POURS",
    "PhotoOnRecord",
    "PourOnRecord",
    "StepOnRecord",
    "TrialOnRecord",
    "add_photo",
    "add_step",
    "add_trial",
    "get_trial",
    "hand_out",
    "last_at",
    "next_trial",
    "page_of_trials",
    "photos_of",
    "picture_of",
    "pour_of",
    "pours_from",
    "put_reading",
    "readings_of",
    "remove_photo",
    "save_trial",
    "say_found",
    "sheet_opened",
    "steps_on_record",
    "take_back",
    "take_in",
    "trials_named",
    "trials_of_formula",
]

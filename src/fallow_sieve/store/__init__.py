"""The kitchen's own records in SQLite: ingredients, lots, briefs, blends, drafts and revisions."""

from fallow_sieve.store.blends import BLENDS
from fallow_sieve.store.briefs import Brief, add_brief, get_brief, limits_of, list_briefs, save_brief
from fallow_sieve.store.documents import Documents, Draft, Head, Revision
from fallow_sieve.store.errors import (
    BusyError,
    InUseError,
    NotFoundError,
    OtherReadingError,
    ReplacedError,
    StaleSaveError,
)
from fallow_sieve.store.formulas import FORMULAS, formulas_on_blend
from fallow_sieve.store.kitchen import save_settings, settings_of, touch_shelf
from fallow_sieve.store.kitchen_store import KitchenStore
from fallow_sieve.store.schedules import SCHEDULES
from fallow_sieve.store.standings import BlendAtHand, KeptStanding, blends_of_brief, keep_standings, kept_standings
from fallow_sieve.store.words import KitchenWord, forget_word, kitchen_words, remember_word
from fallow_sieve.store.work import words_of_work, work_named
from fallow_sieve.store.workplaces import (
    FeedingOnRecord,
    StarterOnRecord,
    Workplace,
    add_feeding,
    add_observation,
    add_starter,
    change_feeding,
    save_workplace,
    starters_of,
    taught_in,
    workplace_of,
)

__all__ = [
    "BLENDS",
    "FORMULAS",
    "SCHEDULES",
    "BlendAtHand",
    "Brief",
    "BusyError",
    "Documents",
    "Draft",
    "FeedingOnRecord",
    "Head",
    "InUseError",
    "KeptStanding",
    "KitchenStore",
    "KitchenWord",
    "NotFoundError",
    "OtherReadingError",
    "ReplacedError",
    "Revision",
    "StaleSaveError",
    "StarterOnRecord",
    "Workplace",
    "add_brief",
    "add_feeding",
    "add_observation",
    "add_starter",
    "blends_of_brief",
    "change_feeding",
    "forget_word",
    "formulas_on_blend",
    "get_brief",
    "keep_standings",
    "kept_standings",
    "kitchen_words",
    "limits_of",
    "list_briefs",
    "remember_word",
    "save_brief",
    "save_settings",
    "save_workplace",
    "settings_of",
    "starters_of",
    "taught_in",
    "touch_shelf",
    "words_of_work",
    "work_named",
    "workplace_of",
]

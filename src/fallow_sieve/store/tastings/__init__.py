"""Tastings in the store: tables, seats, answers, and the log of what was done."""

from fallow_sieve.store.tastings.answers import answers_of, put_answer
from fallow_sieve.store.tastings.records import (
    Logged,
    SeatOnRecord,
    TastingOnRecord,
    add_seat,
    add_tasting,
    get_seat,
    get_tasting,
    go_on,
    latest_plates,
    log,
    log_of,
    page_of_tastings,
    put_seats,
    save_seat,
    save_tasting,
    seats_of,
)
from fallow_sieve.store.tastings.records_of import asked_record, plates_record

__all__ = [
    "Logged",
    "SeatOnRecord",
    "TastingOnRecord",
    "add_seat",
    "add_tasting",
    "answers_of",
    "asked_record",
    "get_seat",
    "get_tasting",
    "go_on",
    "latest_plates",
    "log",
    "log_of",
    "page_of_tastings",
    "plates_record",
    "put_answer",
    "put_seats",
    "save_seat",
    "save_tasting",
    "seats_of",
]

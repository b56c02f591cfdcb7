"""Judging behind a page that was answered: what was not looked at yet is, a little at a time, and kept."""

from __future__ import annotations

from collections.abc import Sequence
from contextlib import suppress
from datetime import date
from threading import Lock, Thread
from time import sleep

from sqlalchemy.exc import DBAPIError

from fallow_sieve.core.values import FallowSieveError
from fallow_sieve.services.blends.kept import Effort, standings
from fallow_sieve.services.kitchen import kitchen_now
from fallow_sieve.store import KeptStanding, KitchenStore, blends_of_brief, keep_standings

_AT_A_TIME = 10
_PAUSE_S = 0.03  # others ask meanwhile
_LOOKING = Lock()


def keep(store: KitchenStore, found: Sequence[KeptStanding]) -> None:
    """Keep how blends stand, where the kitchen can be written just now; else they are judged again."""
    if found:
        with suppress(DBAPIError, FallowSieveError), store.writing() as session:
            keep_standings(session, found)


def look_behind(store: KitchenStore, brief_ids: Sequence[int], today: date) -> None:
    """Begin to judge all blends of these briefs, unless somebody does already."""
    if _LOOKING.acquire(blocking=False):
        Thread(target=_look, args=(store, brief_ids, today), daemon=True).start()


def _look(store: KitchenStore, brief_ids: Sequence[int], today: date) -> None:
    try:
        for brief_id in brief_ids:
            with suppress(DBAPIError, FallowSieveError):
                while not store.is_closed and _some(store, brief_id, today):
                    sleep(_PAUSE_S)
    finally:
        _LOOKING.release()


def _some(store: KitchenStore, brief_id: int, today: date) -> bool:
    """Judge some blends of a brief; return whether there may be more."""
    effort = Effort(_AT_A_TIME, [])
    kitchen = kitchen_now(store, today, brief_id)
    with store.reading() as session:
        standings(session, blends_of_brief(session, brief_id), kitchen, effort)
    keep(store, effort.fresh)
    return effort.left == 0

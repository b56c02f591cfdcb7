"""Setting a table, opening it, and who comes late or does not come; each block is met before anything is served."""

from __future__ import annotations

import random
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

from sqlmodel import Session

from fallow_sieve.core.tastings.answers import plain
from fallow_sieve.core.tastings.avoiding import Avoids, Leaving, blocks
from fallow_sieve.core.tastings.codes import LAST_PANELS, deal_codes
from fallow_sieve.core.tastings.panels import MOST_SEATS, Asked, Seat, Stage, check_table
from fallow_sieve.core.tastings.plates import Plate, deal_plates, next_plates, stands_on
from fallow_sieve.core.values import BadInputError
from fallow_sieve.reference import code_meanings
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.tastings.samples import TRIAL
from fallow_sieve.services.tastings.table import TableNow, table_now
from fallow_sieve.store.tastings import (
    Logged,
    SeatOnRecord,
    add_seat,
    add_tasting,
    asked_record,
    get_tasting,
    go_on,
    latest_plates,
    log,
    plates_record,
    put_seats,
    save_seat,
    save_tasting,
)
from fallow_sieve.store.trials import take_in, trials_named

SEAT = "seat"


@dataclass(frozen=True, slots=True)
class Setting:
    """What a host sets: a name, the samples as chosen, what is asked, the seats, a note."""

    name: str
    samples: Sequence[Mapping[str, Any]]
    asked: Asked
    seats: Sequence[Seat]
    note: str = ""
    archived: bool = False


def begin(session: Session, name: str, trial_ids: Sequence[int], now: str) -> int:
    """Begin a table of trials, with six anonymous seats; return its id."""
    made = add_tasting(session, name, now)
    trials = {t.id: t for t in trials_named(session, trial_ids)}
    samples = [
        {"number": n, "kind": TRIAL, "about": i, "name": trials[i].name}
        for n, i in enumerate((i for i in trial_ids if i in trials), start=1)
    ]
    asked = asked_record(Asked())
    save_tasting(session, made.id, {"samples": named_apart(samples), "asked": asked}, made.version, now)
    put_seats(session, made.id, [Seat(n, asked=False) for n in range(1, 7)])
    return made.id


def named_apart(samples: Sequence[Mapping[str, Any]]) -> list[dict[str, Any]]:
    """Return samples with names of their own: one that stands twice, as a check, is told by a number."""
    found: list[dict[str, Any]] = []
    for sample in samples:
        name, again = " ".join(str(sample["name"]).split()), 2
        while plain(name) in {plain(f["name"]) for f in found}:
            name, again = f"{sample['name']} ({again})", again + 1
        found.append({**sample, "name": name})
    return found


def change(session: Session, tasting_id: int, given: Setting, version: int, now: str) -> None:
    """Save what a host sets, while nothing is open; later only name, note and whether it is put away."""
    stage = get_tasting(session, tasting_id).stage
    values: dict[str, Any] = {"name": given.name, "note": given.note, "archived": given.archived}
    if stage is Stage.SETTING:
        _check_seats(given.seats)
        values |= {"samples": named_apart(given.samples), "asked": asked_record(given.asked)}
    save_tasting(session, tasting_id, values, version, now)
    if stage is Stage.SETTING:
        put_seats(session, tasting_id, given.seats)


def _check_seats(seats: Sequence[Seat]) -> None:
    if len(seats) > MOST_SEATS:
        raise BadInputError(f"{len(seats)} seats", place="/seats", right=f"at most {MOST_SEATS}")
    if [s.number for s in seats] != list(range(1, len(seats) + 1)):
        raise BadInputError("seats out of order", place="/seats", right="number them 1, 2, …")


def open_table(session: Session, tasting_id: int, kitchen: KitchenNow, now: str, seed: int | None = None) -> None:
    """Deal codes and orders and open a table; a seat with a block is served nothing until that is met.

    `seed` is chance where it is not given. Raises BadInputError where it cannot be set so.
    """
    here = table_now(session, tasting_id, kitchen)
    _is_at(here, Stage.SETTING)
    check_table(here.table.samples, here.table.asked)
    if not here.seats:
        raise BadInputError("no seats", place="/seats", right="lay at least one")
    seed = random.SystemRandom().randrange(2**31) if seed is None else seed
    numbers = [s.number for s in here.table.samples]
    on = stands_on(here.table.asked.main, numbers)
    codes = deal_codes(len(on), latest_plates(session, LAST_PANELS), code_meanings(), seed)
    plates = {n: Plate(n, sample, code) for n, (sample, code) in enumerate(zip(on, codes, strict=True), start=1)}
    orders = deal_plates(here.table.asked.main, numbers, len(here.seats), seed)
    for seat, order in zip(here.seats, orders, strict=True):
        save_seat(session, seat.id, replace(seat.seat, order=order))
    go_on(session, tasting_id, Stage.OPEN, now, plates=plates_record(plates), opened_at=now)
    log(session, tasting_id, Logged(now, "opened", detail=f"seed {seed}"))


def _is_at(here: TableNow, *stages: Stage) -> None:
    if here.record.stage not in stages:
        raise BadInputError(f"the table is {here.record.stage}", place="/stage", right=f"only while {stages[0]}")


def late_seat(session: Session, tasting_id: int, name: str, avoids: Avoids, kitchen: KitchenNow, now: str) -> int:
    """Lay a seat for one who comes late, with the order that spreads best; return its number.

    Every block is left out there and then: a plate that must not be served is never put before anybody.
    """
    here = table_now(session, tasting_id, kitchen)
    _is_at(here, Stage.OPEN)
    taken = [s.seat.order for s in here.seats if not s.seat.dropped]
    samples = here.table.samples
    order = next_plates(here.table.asked.main, [s.number for s in samples], taken, tasting_id + len(here.seats))
    blocked = frozenset(s.number for s in samples if blocks(avoids, s.holds))
    number = max((s.seat.number for s in here.seats), default=0) + 1
    add_seat(session, tasting_id, Seat(number, name, avoids, Leaving(blocked), order, asked=bool(name)))
    log(session, tasting_id, Logged(now, "came late", detail=f"seat {number}"))
    return number


def seat_named(here: TableNow, number: int) -> SeatOnRecord:
    """Return the seat of that number. Raises BadInputError."""
    found = next((s for s in here.seats if s.seat.number == number), None)
    if found is None:
        raise BadInputError(f"there is no seat {number}", place="/seat", right="one of the table's")
    return found


def leave_out(session: Session, here: TableNow, seat: int, sample: int, now: str) -> None:
    """Leave a sample out at a seat: the first remedy of every block."""
    _is_at(here, Stage.OPEN, Stage.SETTING)
    found = seat_named(here, seat)
    leaving = replace(found.seat.leaving, left_out=found.seat.leaving.left_out | {sample})
    save_seat(session, found.id, replace(found.seat, leaving=leaving))
    log(session, here.record.id, Logged(now, "left out", detail=f"seat {seat}, sample {sample}"))


def lift(session: Session, here: TableNow, seat: int, sample: int, name: str, why: str, now: str) -> None:
    """Lift an avoidance by choice at a seat, by the taster's own name and why.

    Raises BadInputError for an allergy or coeliac disease, another name, or no reason.
    """
    _is_at(here, Stage.SETTING, Stage.OPEN)
    found = seat_named(here, seat)
    standing = here.blocked[seat].get(sample, ())
    fixed = next((b for b in standing if not b.liftable), None)
    if fixed is not None:
        raise BadInputError(fixed.say, place="/lift", right="leave it out here: this is never lifted")
    if not found.seat.name or plain(name) != plain(found.seat.name):
        raise BadInputError("another name than the seat's", place="/name", right="type the taster's name")
    if not why.strip():
        raise BadInputError("no reason", place="/why", right="say why, in the taster's words")
    leaving = replace(found.seat.leaving, lifted={**found.seat.leaving.lifted, sample: why.strip()})
    save_seat(session, found.id, replace(found.seat, leaving=leaving))
    log(session, here.record.id, Logged(now, "lifted", name, f"seat {seat}, sample {sample}: {why.strip()}"))


def drop(session: Session, here: TableNow, seat: int, why: str, now: str) -> None:
    """Take a seat out before unblinding, with a reason; the result is shown with it and without."""
    _is_at(here, Stage.OPEN, Stage.CLOSED)
    found = seat_named(here, seat)
    if not why.strip():
        raise BadInputError("no reason", place="/why", right="say why this seat does not count")
    save_seat(session, found.id, replace(found.seat, dropped=why.strip()))
    take_in(session, found.id, SEAT)
    log(session, here.record.id, Logged(now, "dropped", detail=f"seat {seat}: {why.strip()}"))


def close_table(session: Session, here: TableNow, now: str) -> None:
    """Close a table: no sheet answers any more."""
    _is_at(here, Stage.OPEN)
    for seat in here.seats:
        take_in(session, seat.id, SEAT)
    go_on(session, here.record.id, Stage.CLOSED, now, closed_at=now)
    log(session, here.record.id, Logged(now, "closed"))


def unblind(session: Session, here: TableNow, who: str, now: str) -> None:
    """Open the codes, once: who did it and when is kept, and the answers are frozen."""
    _is_at(here, Stage.CLOSED)
    if not who.strip():
        raise BadInputError("nobody's name", place="/who", right="say who unblinds")
    go_on(session, here.record.id, Stage.UNBLINDED, now, unblinded_at=now, unblinded_by=who.strip())
    log(session, here.record.id, Logged(now, "unblinded", who.strip()))


def see_plates(session: Session, here: TableNow, who: str, now: str) -> None:
    """Note that somebody opened the plating sheet: which sample is under which code."""
    _is_at(here, Stage.OPEN, Stage.CLOSED, Stage.UNBLINDED)
    log(session, here.record.id, Logged(now, "saw the plating sheet", who.strip()))

"""What a host sees of a table: how it is set and who is blocked, then who is where, and at the end what was said.

Before unblinding a host sees codes and never scores; which sample is under which code stands on the plating sheet.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.tastings.avoiding import blocks
from fallow_sieve.core.tastings.panels import LEAST_SAMPLES, Sample, Stage, warnings_of
from fallow_sieve.core.tastings.plates import Plate
from fallow_sieve.core.tastings.verdicts.told import listed
from fallow_sieve.core.values import number_word
from fallow_sieve.services.blends.column import PartOfMix, column_of
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.tastings.answering import SeatNow, asked_about, seats_now
from fallow_sieve.services.tastings.result import TastingResult, result_of
from fallow_sieve.services.tastings.table import TableNow, table_now
from fallow_sieve.store.tastings import Logged, TastingOnRecord, answers_of, log_of, page_of_tastings, seats_of
from fallow_sieve.store.trials import trials_named


@dataclass(frozen=True, slots=True)
class SampleSeen:
    """A sample as it stands: what it holds, what speaks against it; its codes only once the table was unblinded.

    `more` are allergens that the host named beside its formula, as of a filling.
    """

    number: int
    kind: str
    about: int | None
    name: str
    because: str
    lot: str
    marks: list[str]
    more: list[str]
    complete: bool
    gluten: str
    made_at: str
    refused: str
    codes: list[int]
    parts: list[PartOfMix]


@dataclass(frozen=True, slots=True)
class Slice:
    """A slice on a mat, in its order: waiting, now, full, left out, or withheld until a block of its seat is met.

    `why` is what blocks it (empty: nothing).
    """

    code: int
    state: str
    why: str


@dataclass(frozen=True, slots=True)
class BlockSeen:
    """Why a seat must not have a sample: its number, in words, whether it may be lifted; what was done (or empty)."""

    sample: int
    what: str
    say: str
    liftable: bool
    done: str


@dataclass(frozen=True, slots=True)
class Mat:
    """A seat: who, what they avoid, its slices, what blocks it, how far it is."""

    number: int
    name: str
    allergies: list[str]
    by_choice: list[str]
    coeliac: bool
    slices: list[Slice]
    blocks: list[BlockSeen]
    stands: str
    dropped: str
    asked: bool
    done: int


@dataclass(frozen=True, slots=True)
class TastingPage:
    """A table with all that its page shows; `result` once it was unblinded."""

    record: TastingOnRecord
    samples: list[SampleSeen]
    mats: list[Mat]
    say: str
    warnings: list[str]
    asked_about: list[str]
    log: list[Logged]
    late: int
    result: TastingResult | None


def tasting_page(session: Session, tasting_id: int, kitchen: KitchenNow) -> TastingPage:
    """Return all that the page of a table shows. Raises NotFoundError."""
    here = table_now(session, tasting_id, kitchen)
    open_to_see = here.record.stage is Stage.UNBLINDED
    mats = [_mat(s, here) for s in seats_now(here)]
    late = answers_of(session, [s.id for s in here.seats], late=True)
    return TastingPage(
        record=here.record,
        samples=_samples(session, here, kitchen.shelf, open_to_see=open_to_see),
        mats=mats,
        say=say_of(here, mats),
        warnings=warnings_of(here.table.samples) if here.record.stage is Stage.SETTING else [],
        asked_about=list(asked_about(here)),
        log=log_of(session, tasting_id),
        late=sum(len(a) for a in late.values()),
        result=result_of(here.table) if open_to_see else None,
    )


def _samples(session: Session, here: TableNow, shelf: Shelf, *, open_to_see: bool) -> list[SampleSeen]:
    trials = {t.id: t for t in trials_named(session, [s.about for s in here.table.samples if s.about])}
    plates = list(here.table.plates.values()) if open_to_see else []
    more = {c["number"]: list(c.get("marks", ())) for c in here.record.samples}
    found = []
    for s in here.table.samples:
        trial = trials.get(s.about or 0)
        parts = column_of(trial.formula.blend, shelf) if trial else []
        found.append(_sample(s, more.get(s.number, []), plates, parts))
    return found


def _sample(s: Sample, more: list[str], plates: Sequence[Plate], parts: list[PartOfMix]) -> SampleSeen:
    return SampleSeen(
        number=s.number, kind=s.kind, about=s.about, name=s.name, because=s.because, lot=s.lot,
        marks=sorted(s.holds.marks), more=more, complete=s.holds.complete, gluten=str(s.holds.gluten),
        made_at=s.made_at, refused=s.refused, codes=[p.code for p in plates if p.sample == s.number], parts=parts,
    )  # fmt: skip


def _mat(s: SeatNow, here: TableNow) -> Mat:
    seat = s.seat.seat
    done = [p for p in s.plates if s.is_done(p)]
    return Mat(
        number=seat.number,
        name=seat.name,
        allergies=sorted(seat.avoids.allergies),
        by_choice=sorted(seat.avoids.by_choice),
        coeliac=seat.avoids.coeliac,
        slices=_slices(s, here),
        blocks=_blocks(s, here),
        stands=_stands(s),
        dropped=seat.dropped,
        asked=seat.asked,
        done=len(done),
    )


def _stands(s: SeatNow) -> str:
    if s.seat.seat.dropped:
        return "taken out"
    if s.seat.seat.handed_in_at:
        return "handed in"
    return "tasting" if s.seat.begun_at or s.given else "waiting"


def _slices(s: SeatNow, here: TableNow) -> list[Slice]:
    from_now = _stands(s) == "tasting"
    found = []
    for number in s.seat.seat.order:
        plate = here.table.plates[number]
        why = _why(s, here, plate.sample)
        if number not in s.plates and (why or plate.sample in s.seat.seat.leaving.left_out):
            found.append(Slice(plate.code, "left out", why))
        elif number not in s.plates:
            found.append(Slice(plate.code, "withheld", ""))
        elif s.is_done(number):
            found.append(Slice(plate.code, "full", ""))
        else:
            found.append(Slice(plate.code, "now" if from_now else "waiting", ""))
            from_now = False
    return found


def _why(s: SeatNow, here: TableNow, sample: int) -> str:
    return next((b.say for b in _blocks(s, here) if b.sample == sample), "")


def _blocks(s: SeatNow, here: TableNow) -> list[BlockSeen]:
    leaving, found = s.seat.seat.leaving, []
    for sample in here.table.samples:
        for b in blocks(s.seat.seat.avoids, sample.holds):
            lifted = leaving.lifted.get(sample.number, "") if b.liftable else ""
            done = "left out" if sample.number in leaving.left_out else f"lifted: {lifted}" if lifted else ""
            found.append(BlockSeen(sample.number, b.what, b.say, b.liftable, done))
    return found


def say_of(here: TableNow, mats: Sequence[Mat]) -> str:
    """Return how a table stands, in one sentence."""
    counted = [m for m in mats if not m.dropped]
    standing = [str(m.number) for m in counted if any(not b.done for b in m.blocks)]
    if here.record.stage is Stage.SETTING:
        return _setting(here, len(counted), standing)
    handed = f"{sum(m.stands == 'handed in' for m in counted)} of {len(counted)} handed in"
    is_open = here.record.stage is Stage.OPEN
    on = next((m for m in counted if m.stands == "tasting"), None) if is_open else None
    where = f"; seat {on.number} is on its {_ordinal(on.done + 1)}" if on and on.done < len(on.slices) else ""
    return f"{handed}{where}{_blocked(standing, 'is' if is_open else 'stayed')}."


def _setting(here: TableNow, seats: int, standing: Sequence[str]) -> str:
    if len(here.table.samples) < LEAST_SAMPLES:
        return "Set the table: choose what is tasted, who sits down, what is asked."
    if standing:
        who = f"Seat {standing[0]}" if len(standing) == 1 else f"Seats {listed(standing)}"
        return f"{who} must not have everything: say what is left out there."
    return f"{len(here.table.samples)} samples, {seats} seats: ready to open."


def _blocked(standing: Sequence[str], verb: str) -> str:
    if not standing:
        return ""
    if len(standing) == 1:
        return f"; seat {standing[0]} {verb} blocked"
    return f"; seats {listed(standing)} {'are' if verb == 'is' else verb} blocked"


def _ordinal(n: int) -> str:
    words = ("first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth")
    return words[n - 1] if n <= len(words) else number_word(n)


@dataclass(frozen=True, slots=True)
class TastingStanding:
    """How a table stands in a list: stage, day, what is tasted, seats, and its verdict once it was unblinded."""

    id: int
    name: str
    stage: str
    created_at: str
    method: str
    samples: list[str]
    seats: int
    handed_in: int
    say: str


def standings(session: Session, kitchen: KitchenNow, before: int, limit: int) -> list[TastingStanding]:
    """Return how tables stand, the newest first, at most `limit` (a count) before the id `before`."""
    records = page_of_tastings(session, before, limit)
    seats = seats_of(session, [r.id for r in records])
    found = []
    for r in records:
        said = ""
        if r.stage is Stage.UNBLINDED:
            result = result_of(table_now(session, r.id, kitchen).table)
            said = result.told.verdict if result.told else result.trouble
        counted = [s.seat for s in seats[r.id] if not s.seat.dropped]
        found.append(
            TastingStanding(
                r.id, r.name, str(r.stage), r.created_at, str(r.asked.main), [str(c["name"]) for c in r.samples],
                len(counted), sum(bool(s.handed_in_at) for s in counted), said,
            )
        )  # fmt: skip
    return found

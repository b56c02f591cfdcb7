"""The tables of the demo kitchen: one with a clear winner, one without, one that is open. All of it is invented."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from sqlmodel import Session

from fallow_sieve.core.blends import Blend, Part
from fallow_sieve.core.formulas import Formula
from fallow_sieve.core.tastings.avoiding import Avoids, Leaving
from fallow_sieve.core.tastings.panels import Asked, Seat
from fallow_sieve.core.tastings.sheets import JUST_RIGHT, LIKING, Answer
from fallow_sieve.core.trials.readings import INSTANT, Reading, State
from fallow_sieve.core.values import Pin
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.tastings.answering import hand_in, note_answers, seat_of_table
from fallow_sieve.services.tastings.setting import Setting, begin, change, close_table, open_table, unblind
from fallow_sieve.services.tastings.table import table_now
from fallow_sieve.services.trials.beginning import Asked as AskedTrial
from fallow_sieve.services.trials.beginning import begin as begin_trial
from fallow_sieve.services.trials.drawing import drawn
from fallow_sieve.services.trials.making import made_of
from fallow_sieve.store import BLENDS, FORMULAS
from fallow_sieve.store.tastings import get_tasting
from fallow_sieve.store.trials import put_reading

FROM, RIDGE, MIX = "Summit tin loaf", "Ridge sandwich loaf", "Ridge mix"


@dataclass(frozen=True, slots=True)
class Loaf:
    """A loaf of the table: its name, why, and which ingredient of the mix gives way to which (share of its mass)."""

    name: str
    because: str
    gives_way: str
    to: str
    share: float


LOAVES = (
    Loaf("Ridge chickpea", "chickpea for browning", "brown-rice-flour", "chickpea-flour", 0.35),
    Loaf("Ridge teff", "teff for rice", "brown-rice-flour", "teff-flour", 0.6),
    Loaf("Ridge almond", "almond for rice", "brown-rice-flour", "almond-flour", 0.6),
)


@dataclass(frozen=True, slots=True)
class DemoTable:
    """A table: days ago, which loaves, the seats with what they avoid, marks of liking a seat, and how far it got.

    A row of marks is in the order of the loaves; a seat without a row has not answered.
    """

    name: str
    days_ago: int
    loaves: tuple[int, ...]
    seats: Sequence[tuple[str, Avoids]]
    liking: Sequence[Sequence[float] | None]
    just_right: Mapping[str, Sequence[Sequence[int] | None]]
    until: str
    seed: int


_ANY = Avoids()
TABLES = (
    DemoTable(
        "Tuesday table", 4, (0, 1, 2),
        (("Signe", _ANY), ("Ola", _ANY), ("Berit", _ANY), ("Nils", _ANY), ("Tor", Avoids(frozenset({"tree-nuts"}))),
         ("Maja", _ANY), ("Lars", _ANY), ("Ida", _ANY)),
        ((8, 6, 5), (7, 6, 5), (9, 6, 7), (7, 7, 4), None, (8, 5, 7), (7, 6, 3), (8, 6, 7)),
        {"moist": ((3, 3, 1), (3, 2, 2), (3, 3, 3), (3, 3, 1), None, (4, 3, 2), (3, 3, 1), (3, 4, 3)),
         "bitter": ((3, 4, 3), (3, 3, 3), (3, 3, 2), (2, 5, 3), None, (3, 4, 3), (3, 3, 3), (3, 3, 3))},
        "unblinded", 418,
    ),
    DemoTable(
        "Night crew, two loaves", 3, (0, 1),
        (("Arne", _ANY), ("Kari", _ANY), ("Jon", _ANY), ("Liv", _ANY), ("Stein", _ANY), ("Eva", _ANY)),
        ((7, 6), (6, 7), (7, 7), (6, 6), (8, 7), (5, 6)), {}, "unblinded", 572,
    ),
    DemoTable(
        "Today at the station", 0, (0, 1, 2),
        (("Signe", _ANY), ("Ola", _ANY), ("Tor", Avoids(frozenset({"tree-nuts"}))), ("", _ANY), ("Ida", _ANY),
         ("Per", Avoids(by_choice=frozenset({"legume"}))), ("Maja", _ANY)),
        ((8, 6, 5), (7, 5, 6), None, None, (8, 6), None, None), {}, "open", 936,
    ),
)  # fmt: skip


def add_tastings(session: Session, kitchen: KitchenNow, now: datetime) -> None:
    """Add the demo's loaves of one day and the tables that tasted them, as of `now`."""
    trials = _bake(session, kitchen, now)
    for table in TABLES:
        _serve(session, table, trials, kitchen, now - timedelta(days=table.days_ago))


def _bake(session: Session, kitchen: KitchenNow, now: datetime) -> list[int]:
    source = next(h for h in FORMULAS.page(session, limit=1000) if h.name == FROM)
    base = FORMULAS.revision(session, source.id, 2).content
    began = _text(now - timedelta(days=6))
    head = FORMULAS.add(session, RIDGE, None, base, began)
    blend = BLENDS.add(session, MIX, None, Blend(base.blend, use=base.use), began)
    found = []
    for n, loaf in enumerate(LOAVES):
        at = now - timedelta(days=4, hours=5, minutes=-12 * n)
        formula = _pinned(session, blend.id, _with(base, loaf), loaf.because, _text(at))
        draft = FORMULAS.draft(session, head.id)
        saved = FORMULAS.save_draft(session, head.id, formula, draft.based_on, draft.version, _text(at))
        FORMULAS.keep(session, head.id, loaf.because.capitalize() + ".", saved.version, _text(at))
        made = made_of(formula, kitchen)
        asked = AskedTrial(
            name=loaf.name, baked_on=at.date().isoformat(), because={"say": loaf.because},
            setup={**drawn(session, head.id, made, at.date()), "arms": []},
        )  # fmt: skip
        trial = begin_trial(session, head.id, formula, asked, kitchen, _text(at))
        for place, (quantity, value) in enumerate((("dough_feel", 0.0), ("core_c", 98.0), ("crust_shade", 4.0))):
            instant = (at + timedelta(minutes=place)).strftime(INSTANT)
            reading = Reading(quantity, value, "", State.NOTED, at=instant, id=f"ridge-{trial.id}-{place}")
            put_reading(session, trial.id, reading)
        found.append(trial.id)
    return found


def _pinned(session: Session, blend_id: int, formula: Formula, because: str, at: str) -> Formula:
    """The formula on a kept revision of its mix."""
    draft = BLENDS.draft(session, blend_id)
    mix = Blend(formula.blend, use=formula.use)
    saved = BLENDS.save_draft(session, blend_id, mix, draft.based_on, draft.version, at)
    kept = BLENDS.keep(session, blend_id, because.capitalize() + ".", saved.version, at)
    return replace(formula, pin=Pin("blend", blend_id, kept.number, MIX))


def _with(base: Formula, loaf: Loaf) -> Formula:
    gone = next(p.mass_g for p in base.blend if p.ingredient == loaf.gives_way) * loaf.share
    parts = [replace(p, mass_g=p.mass_g - gone) if p.ingredient == loaf.gives_way else p for p in base.blend]
    held = next((p for p in parts if p.ingredient == loaf.to), None)
    if held is not None:
        parts[parts.index(held)] = replace(held, mass_g=held.mass_g + gone)
    else:
        parts.append(Part(loaf.to, gone))
    return replace(base, blend=tuple(parts))


def _serve(session: Session, table: DemoTable, trials: Sequence[int], kitchen: KitchenNow, at: datetime) -> None:
    chosen = [trials[n] for n in table.loaves]
    made, now = begin(session, table.name, chosen, _text(at)), _text(at)
    seats = [Seat(n, name, avoids, Leaving(), asked=bool(name)) for n, (name, avoids) in enumerate(table.seats, 1)]
    record = get_tasting(session, made)
    setting = Setting(table.name, record.samples, Asked(just_right=tuple(table.just_right)), seats)
    change(session, made, setting, record.version, now)
    open_table(session, made, kitchen, now, table.seed)
    for number, marks in enumerate(table.liking, start=1):
        if marks is not None:
            _answer(session, made, table, number, kitchen, now)
    if table.until != "open":
        close_table(session, table_now(session, made, kitchen), _text(at + timedelta(minutes=40)))
        unblind(session, table_now(session, made, kitchen), "Berit", _text(at + timedelta(minutes=52)))


def _answer(session: Session, made: int, table: DemoTable, number: int, kitchen: KitchenNow, now: str) -> None:
    seat = seat_of_table(session, made, number, kitchen)
    marks = table.liking[number - 1] or ()
    by_sample = dict(enumerate(marks, start=1))
    answers = []
    for plate in seat.plates:
        sample = seat.here.table.plates[plate].sample
        if sample not in by_sample:
            continue
        answers.append(Answer(plate, LIKING, "", float(by_sample[sample])))
        for attribute, rows in table.just_right.items():
            row = rows[number - 1]
            if row:
                answers.append(Answer(plate, JUST_RIGHT, attribute, float(row[sample - 1])))
    note_answers(session, seat, answers, now)
    if len(by_sample) >= len(seat.plates):
        hand_in(session, seat_of_table(session, made, number, kitchen), now)


def _text(at: datetime) -> str:
    return at.strftime("%Y-%m-%dT%H:%M:%SZ")

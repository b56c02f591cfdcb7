"""`ripen`, `rise`, `starter`, `schedule`: a dough's hours, its readings, a leaven's grams, and when to do what."""

from __future__ import annotations

from datetime import UTC, datetime
from pathlib import Path
from time import monotonic

from fallow_sieve.cli.common import end_held, kitchen_at, read_file, say
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.core.values import BadInputError, grams
from fallow_sieve.formats.schedule import (
    DoughIn,
    PlanFile,
    RipenAnswer,
    RiseAnswer,
    RiseIn,
    ScheduleAnswer,
    StarterAnswer,
    StarterIn,
    ripen_answer,
    rise_answer,
    starter_answer,
)
from fallow_sieve.formats.shared import parse_json, validate
from fallow_sieve.services.schedule.plans import planned
from fallow_sieve.services.schedule.ripening import CAUTIONS, leaven, ripening, watched
from fallow_sieve.services.schedule.telling import schedule_answer, span_words


def ripen(path: str, json: bool) -> None:
    """Print when a dough is ripe on its path."""
    dough = validate(DoughIn, parse_json(read_file(path, "a dough file")))
    answer = ripen_answer(*ripening(dough))
    say(answer, _ripen_words(answer), json=json)


def rise(path: str, json: bool) -> None:
    """Print what readings say of a rise."""
    dough = validate(RiseIn, parse_json(read_file(path, "a file of readings")))
    answer = rise_answer(watched(dough))
    say(answer, _rise_words(answer), json=json)


def starter(path: str, json: bool) -> None:
    """Print the builds of a leaven."""
    wanted = validate(StarterIn, parse_json(read_file(path, "a leaven file")))
    answer = starter_answer(leaven(wanted), CAUTIONS)
    say(answer, _starter_words(answer), json=json)


def schedule(path: str, json: bool, db: Path | None, seconds: float, ics: Path | None) -> None:
    """Print when to do what. Exit 1 where it cannot be, with what clashes and a time that works."""
    file = validate(PlanFile, parse_json(read_file(path, "a schedule file")))
    here = kitchen_at(db, None)
    answer = schedule_answer(planned(file, here, _for(seconds), _for(3 * seconds)), here)
    if ics is not None and answer.steps:
        _write_calendar(ics, answer, file)
    say(answer, _schedule_words(answer), json=json)
    end_held(answer.status == "infeasible")


def _write_calendar(to: Path, answer: ScheduleAnswer, file: PlanFile) -> None:
    from fallow_sieve.formats.schedule.calendar import CalendarOf, write_calendar  # only a calendar needs the library

    name = file.name or ", ".join(p.id for p in file.products)
    of = CalendarOf(name, f"schedule file {name}", 0, datetime.now(UTC).replace(microsecond=0))
    try:
        to.write_bytes(write_calendar(answer, of))
    except OSError as error:
        raise BadInputError(f"cannot write {to}: {error.strerror}", place="--ics", right="name a file") from error


def _for(seconds: float) -> Effort:
    """A search that ends when its time is up; its clock begins with the first question."""
    ends: list[float] = []

    def left() -> float:
        if not ends:
            ends.append(monotonic() + seconds)
        return ends[0] - monotonic()

    return Effort(left)


def _schedule_words(a: ScheduleAnswer) -> str:
    rows = [f"{s.at}  {s.product}: {s.do}" for s in a.steps if s.hands]
    return "\n".join([a.say, *rows, *(c.say for c in a.conflicts[1:]), *a.cautions])


def _clock(hours: float) -> str:
    return span_words(60 * hours)


def _ripen_words(a: RipenAnswer) -> str:
    lines = [f"Ripe after {_clock(a.ripe_h)}." if a.ripe_h is not None else "It is not ripe on this path."]
    for word, hours in (("May be used from", a.early_h), ("Over after", a.over_h), ("Over the rim after", a.rim_h)):
        if hours is not None:
            lines.append(f"{word} {_clock(hours)}.")
    lines.append(f"At the end: ripeness {a.ripeness_at_end:.2f}, {a.dough_c_at_end:.1f} °C.")
    return "\n".join([*lines, *a.notes])


def _rise_words(a: RiseAnswer) -> str:
    if a.ripe_h is None or a.low_h is None:
        first = "It does not get there on this path."
    else:
        high = _clock(a.high_h) if a.high_h is not None else "later than the path"
        first = f"Ripe after {_clock(a.ripe_h)}; 19 times in 20 between {_clock(a.low_h)} and {high}."
    return "\n".join([first, *a.flags])


def _starter_words(a: StarterAnswer) -> str:
    lines = [
        f"{n}. {grams(b.seed_g)} seed, {grams(b.flour_g)} flour, {grams(b.water_g)} water: "
        f"peaks after {_clock(b.peak_h)}, usable from {_clock(b.usable_from_h)} to {_clock(b.usable_to_h)}."
        for n, b in enumerate(a.builds, start=1)
    ]
    lines.append(
        f"{grams(a.from_jar_g)} from the jar; {grams(a.keep_back_g)} kept back; {grams(a.left_over_g)} left over."
    )
    return "\n".join([*lines, *a.cautions])

"""Several days of one question, pooled: tasters seen twice averaged, days side by side, a test that the days agree."""

from __future__ import annotations

import itertools
from collections.abc import Sequence
from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.tastings.answers import Marks, Method
from fallow_sieve.core.tastings.liking import sample_means
from fallow_sieve.core.tastings.panels import Stage
from fallow_sieve.core.tastings.pooling import (
    by_taster,
    day_by_sample,
    difference_over_days,
    level_of_looks,
    seen_twice,
)
from fallow_sieve.core.tastings.tallies import main_answers
from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.tastings import TastingAnswer
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.tastings.table import TableNow, table_now
from fallow_sieve.services.tastings.telling import Asking, compared, told

MOST_DAYS = 20


@dataclass(frozen=True, slots=True)
class DayMeans:
    """One day: its table, and the mean (points or places) of each sample in the order of `samples`; None: not there."""

    id: int
    name: str
    on: str
    n: int
    means: list[float | None]


@dataclass(frozen=True, slots=True)
class PairOverDays:
    """a − b (points) with days as studies: the estimate, its 95 % interval, and the variance between days."""

    a: str
    b: str
    estimate: float
    low: float
    high: float
    tau2: float


@dataclass(frozen=True, slots=True)
class PooledDays:
    """Several days together: the verdict, each day, whether they agree (p, None: not tested), pairs over days."""

    told: TastingAnswer
    samples: list[str]
    days: list[DayMeans]
    agree_p: float | None
    say: str
    over_days: list[PairOverDays]
    level: float


def pooled_days(session: Session, ids: Sequence[int], looks: int, kitchen: KitchenNow) -> PooledDays:
    """Return several days of one question together. Raises BadInputError where they cannot be."""
    if not 2 <= len(set(ids)) <= MOST_DAYS:
        raise BadInputError(f"{len(set(ids))} tables", place="ids", right=f"2 to {MOST_DAYS}")
    tables = [table_now(session, i, kitchen) for i in dict.fromkeys(ids)]
    method = _one_method(tables)
    days = [_marks(t) for t in tables]
    together = by_taster(days)
    if method is Method.RANKING and seen_twice(days):
        raise BadInputError("a taster ranked twice", place="ids", right="pool liking, or tables of other people")
    level = level_of_looks(looks)
    p = day_by_sample(days)
    return PooledDays(
        told=told(together, method, Asking(worth=tables[0].record.asked.worth, level=level)),
        samples=list(together.samples),
        days=[_day(t, d, together.samples) for t, d in zip(tables, days, strict=True)],
        agree_p=p,
        say=_agree(p),
        over_days=_pairs(days, together) if method is Method.LIKING else [],
        level=level,
    )


def _one_method(tables: Sequence[TableNow]) -> Method:
    methods = {t.record.asked.main for t in tables}
    if len(methods) != 1 or not methods <= {Method.LIKING, Method.RANKING}:
        raise BadInputError("other questions", place="ids", right="tables of liking, or tables of ranking")
    closed = [t.record.name for t in tables if t.record.stage is not Stage.UNBLINDED]
    if closed:
        raise BadInputError(f"{closed[0]} is not unblinded", place="ids", right="close and unblind it first")
    return next(iter(methods))


def _marks(here: TableNow) -> Marks:
    """The marks of a day, tasters by name, so that one who sat twice is known; anonymous ones are each their own."""
    found = main_answers(here.table)
    if not isinstance(found, Marks):
        raise BadInputError(f"{here.record.name} has no answers", place="ids", right="leave it out")
    names = {str(s.number): s.name or f"table {here.record.id}, seat {s.number}" for s in here.table.seats}
    return Marks(found.samples, tuple(names[t] for t in found.tasters), found.rows)


def _day(here: TableNow, day: Marks, samples: Sequence[str]) -> DayMeans:
    rows = compared(day.rows)
    means = dict(zip(day.samples, sample_means(rows), strict=True)) if rows else {}
    return DayMeans(here.record.id, here.record.name, here.record.created_at[:10], len(rows),
                    [means.get(s) for s in samples])  # fmt: skip


def _agree(p: float | None) -> str:
    if p is None:
        return "Whether the days agree could not be tested."
    if p <= level_of_looks(1):
        return "The days differ in what they say: look at them side by side before the sum."
    return "No difference between the days was shown; a lesser one may be there."


def _pairs(days: Sequence[Marks], together: Marks) -> list[PairOverDays]:
    found = []
    for a, b in itertools.combinations(together.samples, 2):
        pooled = difference_over_days(days, a, b)
        if pooled is not None:
            found.append(PairOverDays(a, b, pooled.estimate, pooled.low, pooled.high, pooled.tau2))
    return found

"""The experiment file: parts between limits, rows, how many bakes on how many days, and what was baked."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Annotated

from pydantic import Field

from fallow_sieve.core.experiments.regions import Region, Row
from fallow_sieve.core.experiments.study import Baked
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.formats.shared import Strict

Term = Annotated[str, Field(min_length=1, max_length=80)]
Share = Annotated[float, Field(ge=0, le=100)]
Amounts = Annotated[dict[Term, Annotated[float, Field(ge=0, le=1e6)]], Field(min_length=1, max_length=8)]
ALMOST = 0.02  # how far shares may be from 1 together: thirds are written 0.33


class PartFile(Strict):
    """A part: an ingredient (or a group by its name) with its least and most share, as 0–1 or in %."""

    ingredient: Term
    low: Share = 0.0
    high: Share | None = None


class RowFile(Strict):
    """A row: Σ coefficients · share, at least `low` and at most `high`."""

    coefficients: Annotated[dict[Term, float], Field(min_length=1, max_length=8)]
    low: float | None = None
    high: float | None = None
    name: Annotated[str, Field(max_length=80)] = ""


class ResultFile(Strict):
    """A bake: shares (or amounts in one unit), its day, what came out (null: it failed) and that one's own se."""

    x: Amounts
    y: Annotated[float, Field(ge=-1e6, le=1e6)] | None = None
    day: Annotated[int, Field(ge=1, le=10_000)] | Annotated[str, Field(min_length=1, max_length=40)] = 1
    se: Annotated[float, Field(ge=0, le=1e6)] = 0.0


class ExperimentFile(Strict):
    """An experiment: what varies, the plan asked for, today's blend, what was baked; the unit that matters."""

    format: Annotated[str, Field(max_length=60)] = "fallow-sieve/experiment"
    version: Annotated[int, Field(ge=1, le=1)] = 1
    name: Annotated[str, Field(max_length=120)] = ""
    parts: Annotated[list[PartFile], Field(max_length=8)]
    rows: Annotated[list[RowFile], Field(max_length=60)] = Field(default_factory=list)
    bakes: Annotated[int, Field(ge=1, le=60)] = 8
    days: Annotated[int, Field(ge=1, le=60)] = 1
    seed: Annotated[int, Field(ge=0, le=2**31)] = 1
    today: Amounts | None = None
    unit: Annotated[float, Field(gt=0, le=1e6)] = 1.0
    worth: Annotated[float, Field(gt=0, le=1e6)] = 1.0
    i_optimal: bool = False
    results: Annotated[list[ResultFile], Field(max_length=200)] = Field(default_factory=list)


def region_of(file: ExperimentFile) -> Region:
    """Return the region of a file, limits in % brought to shares. Raises BadInputError naming the row."""
    names = tuple(p.ingredient for p in file.parts)
    limits = [v for p in file.parts for v in (p.low, p.high) if v is not None]
    by = 100.0 if any(v > 1 for v in limits) else 1.0
    low = tuple(p.low / by for p in file.parts)
    high = tuple(1.0 if p.high is None else p.high / by for p in file.parts)
    return Region(names, low, high, tuple(_row(r, names, n) for n, r in enumerate(file.rows)))


def _row(row: RowFile, names: Sequence[str], place: int) -> Row:
    unknown = next((n for n in row.coefficients if n not in names), None)
    if unknown is not None:
        right = f"one of {', '.join(names)}"
        raise BadInputError(f"{shown(unknown)} is no part", place=f"/rows/{place}/coefficients", right=right)
    if row.low is None and row.high is None:
        raise BadInputError("a row without a wall", place=f"/rows/{place}", right="give low, high or both")
    if row.low is not None and row.high is not None and row.low > row.high:
        raise BadInputError("low over high", place=f"/rows/{place}", right="the lower one first")
    return Row(tuple(row.coefficients.get(n, 0.0) for n in names), row.low, row.high, row.name or f"row {place + 1}")


def baked_of(file: ExperimentFile) -> list[Baked]:
    """Return the bakes of a file, amounts brought to shares, days counted 1, 2, … Raises BadInputError."""
    names = [p.ingredient for p in file.parts]
    days = _days(file.results)
    return [
        Baked(shares_of(r.x, names, f"/results/{n}/x"), r.y, days[str(r.day)], r.se, number=n + 1)
        for n, r in enumerate(file.results)
    ]


def _days(results: Sequence[ResultFile]) -> dict[str, int]:
    """Days as counts: numbers and dates in their order, other words as they come."""
    given = list(dict.fromkeys(str(r.day) for r in results))
    ordered = sorted(given, key=int) if all(d.isdigit() for d in given) else sorted(given)
    return {d: n for n, d in enumerate(ordered, start=1)}


def shares_of(amounts: Mapping[str, float], names: Sequence[str], place: str) -> tuple[float, ...]:
    """Return amounts as shares of 1 in the order of `names`: shares, % or masses. Raises BadInputError at `place`."""
    unknown = next((n for n in amounts if n not in names), None)
    if unknown is not None:
        raise BadInputError(f"{shown(unknown)} is no part", place=place, right=f"one of {', '.join(names)}")
    total = sum(amounts.values())
    if total <= 0 or (total < 1.5 and abs(total - 1) > ALMOST):
        raise BadInputError(f"the shares come to {total:g}", place=place, right="together 1, or 100 %, or masses in g")
    return tuple(amounts.get(n, 0.0) / total for n in names)

"""The trial file, `fallow-sieve/trial` version 1: a formula as it was baked, its plan, arms and readings."""

from __future__ import annotations

import json
from collections.abc import Mapping
from typing import Annotated, Any, Literal

from pydantic import Field, StrictBool

from fallow_sieve.core.trials.readings import Reading, State, instant_of
from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.formulas import FormulaFile
from fallow_sieve.formats.shared import Slug, Strict

FORMAT = "fallow-sieve/trial"
MOST_ARMS, MOST_READINGS = 12, 2000
Name = Annotated[str, Field(min_length=1, max_length=80)]
Number = Annotated[float, Field(ge=-1e6, le=1e6)]


class BecauseFile(Strict):
    """Why it was baked: one line, or the fault and the cause whose change was tried."""

    say: str = Field(default="", max_length=200)
    fault: Slug | None = None
    cause: Slug | None = None


class ReadingFile(Strict):
    """One reading: a quantity with its value, or as planned; of which arm, on which day, how it was taken."""

    quantity: str = Field(min_length=1, max_length=80)
    value: Number | None = None
    as_planned: StrictBool = False
    arm: Name | None = None
    day: int = Field(default=0, ge=0, le=3)
    method: str = Field(default="", max_length=200)
    n: int = Field(default=1, ge=1, le=1000)
    sd: float | None = Field(default=None, ge=0, le=1e6)
    at: str = Field(default="", max_length=40)


class TrialFile(Strict):
    """A trial file, version 1. `plan` holds what was planned otherwise than the formula predicts, by quantity."""

    format: Literal["fallow-sieve/trial"]
    version: Literal[1]
    name: str = Field(default="", max_length=200)
    formula: FormulaFile
    baked_on: str | None = Field(default=None, pattern=r"^\d{4}-\d\d-\d\d$")
    because: BecauseFile = Field(default_factory=BecauseFile)
    plan: dict[str, Number] = Field(default_factory=dict, max_length=60)
    arms: list[Name] = Field(default_factory=list, max_length=MOST_ARMS)
    kept_h: float | None = Field(default=None, ge=0, le=1000)
    kept_c: float | None = Field(default=None, ge=-30, le=60)
    note: str = Field(default="", max_length=2000)
    set_aside: StrictBool = False
    readings: list[ReadingFile] = Field(default_factory=list, max_length=MOST_READINGS)


def readings_of(file: TrialFile) -> tuple[Reading, ...]:
    """Return the readings of a file in its order, as the core's values. Raises BadInputError naming the place."""
    if len(set(file.arms)) != len(file.arms):
        raise BadInputError("two arms of one name", place="/arms", right="name each arm once")
    return tuple(_reading(r, n) for n, r in enumerate(file.readings))


def _reading(r: ReadingFile, n: int) -> Reading:
    if (r.value is None) != r.as_planned:
        place = f"/readings/{n}"
        raise BadInputError("a reading has a value, or is as planned", place=place, right="give one of the two")
    state = State.PLANNED if r.as_planned else State.NOTED
    # The place in the file stands for the instant: what is further down corrects what is above.
    at = instant_of(r.at, f"/readings/{n}/at") if r.at else f"{n:06d}"
    return Reading(r.quantity, r.value, r.arm or "", state, r.method, r.n, r.day, at, f"{n:06d}", sd=r.sd)


def reading_file(r: Reading) -> dict[str, Any]:
    """Return a reading as a file has it, what is usual left out."""
    found: dict[str, Any] = {"quantity": r.quantity}
    found |= {"as_planned": True} if r.value is None else {"value": r.value}
    for name, value, usual in (
        ("arm", r.arm, ""), ("day", r.day, 0), ("method", r.method, ""), ("n", r.n, 1), ("sd", r.sd, None),
        ("at", r.at, ""),
    ):  # fmt: skip
        if value != usual:
            found[name] = value
    return found


def trial_text(formula: Mapping[str, Any], rest: Mapping[str, Any]) -> str:
    """Return a trial file as JSON text: its formula as a formula file has it, and the rest, what is empty left out."""
    given = {n: v for n, v in rest.items() if v not in (None, "", {}, [], (), False)}
    first = {"format": FORMAT, "version": 1, "name": given.pop("name", ""), "formula": dict(formula)}
    return json.dumps({**first, **given}, ensure_ascii=False, indent=2) + "\n"

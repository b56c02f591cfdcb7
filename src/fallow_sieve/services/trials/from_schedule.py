"""A trial from a plan that ran: its school and steps, and what was done and read of them."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from fallow_sieve.core.values import UnknownNameError
from fallow_sieve.formats.schedule import DoneIn, PlanFile, ProductIn

_MINUTES_OF = {
    "mix": "mix_min", "rest": "rest_min", "proof": "proof_min", "bake": "bake_min", "cool": "cool_min",
    "boil": "boil_min", "chill": "chill_min",
}  # fmt: skip
_RISES = ("proof", "bulk", "rise-start")


@dataclass(frozen=True, slots=True)
class Ran:
    """What a product of a plan says of its bake: set-up, planned values by quantity, and what was noted already."""

    setup: dict[str, Any]
    plan: dict[str, float]
    noted: dict[str, float]


def ran(file: PlanFile, product: str) -> Ran:
    """Return what a plan says of the bake of one of its products. Raises UnknownNameError."""
    given = next((p for p in file.products if p.id == product), None)
    if given is None:
        raise UnknownNameError("product", product, [p.id for p in file.products], place="/product")
    setup: dict[str, Any] = {"product": product, "switches": given.switches}
    if given.school:
        setup["school"] = given.school
    return Ran(setup, {"dough_c": given.planned_dough_c or given.dough_c}, dict(_noted(given)))


def _noted(given: ProductIn) -> Iterator[tuple[str, float]]:
    for step, quantity in _MINUTES_OF.items():
        done = given.done.get(step)
        minutes = _minutes(done) if done is not None else None
        if minutes is not None:
            yield quantity, minutes
    heat = given.heats.get("bake")
    heated = _minutes(heat) if heat is not None else None
    if heated is not None:
        yield "preheat_min", heated
    warm = [r.dough_c for rows in given.readings.values() for r in rows if r.dough_c is not None]
    if warm and given.planned_dough_c is not None:
        yield "dough_c", warm[0]
    risen = [r.rise_pct for s in _RISES for r in given.readings.get(s, []) if r.rise_pct is not None]
    if risen:
        yield "rise_pct", risen[-1]


def _minutes(done: DoneIn) -> float | None:
    if done.ended is None:
        return None
    begun, ended = (datetime.fromisoformat(t) for t in (done.began, done.ended))
    return max(0.0, (ended - begun).total_seconds() / 60)

"""What an experiment asks, as it is stored and as the core knows it: parts, walls, the plan, the response."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import asdict, dataclass
from typing import Any

from fallow_sieve.core.experiments.varied import Varied
from fallow_sieve.core.experiments.walls import Walls
from fallow_sieve.core.values import BadInputError, shown

Record = dict[str, Any]


@dataclass(frozen=True, slots=True)
class Response:
    """What is mapped, of which more is better: name, unit, the unit that matters, how it is said in the sentence."""

    name: str
    label: str
    unit: str
    matters: float
    says: str


# Units that matter are rules of thumb.
RESPONSES = {
    r.name: r
    for r in (
        Response("liking", "liking", "of 9", 1.0, "points of liking"),
        Response("volume", "specific volume", "mL/g", 0.3, "mL/g"),
        Response("height", "height", "mm", 5.0, "mm"),
        Response("soft", "softness", "of 5", 1.0, "points of softness"),
        Response("moist", "moistness", "of 5", 1.0, "points of moistness"),
    )
}


@dataclass(frozen=True, slots=True)
class WishAlso:
    """What is wished of a response beside others, in its unit: at least, at best, how much it counts."""

    response: str
    at_least: float
    at_best: float
    weight: float = 1.0


@dataclass(frozen=True, slots=True)
class ExperimentAsked:
    """What is asked: parts, which walls hold, bakes on days (counts), seed, g of flour a bake, step of the scale (g).

    `also` are wishes of several responses that are joined.
    `response` is what is mapped, `worth` the difference worth having in its unit, `max_price` per kg (None: none).
    """

    parts: tuple[Varied, ...]
    walls: Walls = Walls.HARD
    bakes: int = 8
    days: int = 2
    seed: int = 1
    flour_g: float = 1000.0
    step_g: float = 1.0
    response: str = "liking"
    worth: float = 1.0
    max_price: float | None = None
    i_optimal: bool = False
    also: tuple[WishAlso, ...] = ()


def asked_record(asked: ExperimentAsked) -> Record:
    """Return what is asked as it is stored."""
    return {**asdict(asked), "parts": [{**asdict(p), "ratio": dict(p.ratio)} for p in asked.parts]}


def asked_of(record: Mapping[str, Any]) -> ExperimentAsked:
    """Return what is asked as it was stored."""
    given = dict(record)
    given["parts"] = tuple(varied_of(p) for p in given.get("parts", ()))
    given["walls"] = Walls(given.get("walls", Walls.HARD))
    given["also"] = tuple(WishAlso(**w) for w in given.get("also", ()))
    return ExperimentAsked(**given)


def varied_of(p: Mapping[str, Any]) -> Varied:
    """Return a part that is varied, its ratio brought to shares that sum to 1. Raises BadInputError."""
    total = sum(p["ratio"].values())
    if total <= 0:
        raise BadInputError(f"the group {shown(p['name'])} holds nothing", place="/parts", right="name its ingredients")
    return Varied(p["name"], {s: v / total for s, v in p["ratio"].items()}, p["low_pct"], p["high_pct"])


def response_named(name: str) -> Response:
    """Return a response by its name. Raises BadInputError."""
    if name not in RESPONSES:
        raise BadInputError(f"the response {shown(name)}", place="/response", right=f"one of {', '.join(RESPONSES)}")
    return RESPONSES[name]


def names_in(parts: Sequence[Varied]) -> tuple[str, ...]:
    """Return the names of parts in their order."""
    return tuple(p.name for p in parts)

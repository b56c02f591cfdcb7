"""What a change did: every measure that two bakes have, with the interval that repeats allow, decided after Holm."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.numerics.repeatability import effect, holm, least_told, pooled
from fallow_sieve.core.trials.quantities import Quantity


@dataclass(frozen=True, slots=True)
class Values:
    """The values of one measure on either side, and groups of repeats that say how steady the kitchen is."""

    before: Sequence[float]
    after: Sequence[float]
    repeats: Sequence[Sequence[float]] = ()


@dataclass(frozen=True, slots=True)
class Effect:
    """The difference of a measure in its unit with its 95 % half width, n on either side; whether it is shown.

    `leans` says that the spread is mostly the table's.
    """

    measure: str
    label: str
    unit: str
    before: float
    after: float
    difference: float
    half_width: float
    p: float
    n: tuple[int, int]
    shown: bool
    leans: bool
    say: str


def effects_of(measures: Mapping[str, Values], known: Mapping[str, Quantity]) -> tuple[Effect, ...]:
    """Return the effect on every measure that has values on both sides and a spread on record, decided together."""
    worked = []
    for name, v in measures.items():
        q = known[name]
        if v.before and v.after and q.sd_bake:
            spread = pooled(v.repeats, q.sd_bake, q.prior_df)
            worked.append((q, v, spread, effect(v.before, v.after, spread)))
    decided = holm([e.p for _, _, _, e in worked])
    found = []
    for (q, v, spread, e), is_shown in zip(worked, decided, strict=True):
        a, b = sum(v.before) / len(v.before), sum(v.after) / len(v.after)
        least = least_told(spread, e.n)
        said = _shown(q, a, b, e.half_width, e.n) if is_shown else _not_shown(q, e.n, least)
        found.append(
            Effect(
                q.name, q.label, q.unit, a, b, e.difference, e.half_width, e.p, e.n, is_shown, spread.own_df < 4, said
            )
        )
    return tuple(found)


def _shown(q: Quantity, a: float, b: float, half: float, n: tuple[int, int]) -> str:
    return f"{q.label} {a:.3g} → {b:.3g}{q.unit_shown} (± {half:.2g}, {_bakes(n)})."


def _not_shown(q: Quantity, n: tuple[int, int], least: float) -> str:
    if n == (1, 1):
        return (
            f"{q.label}: no difference shown; under {least:.2g}{q.unit_shown} two bakes of one formula differ as much."
        )
    shown = f"{least:.2g}{q.unit_shown} is the least that could be told"
    return f"{q.label}: no difference shown ({_bakes(n)}); {shown}."


def _bakes(n: tuple[int, int]) -> str:
    return f"n {n[0]} and {n[1]}"

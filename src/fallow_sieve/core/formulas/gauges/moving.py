"""What a little more of one line would do to a formula: every gauge again with that line heavier, all else as it is."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace

from fallow_sieve.core.blends import step_for
from fallow_sieve.core.formulas.formula import Formula
from fallow_sieve.core.formulas.gauges.gauge import Gauge

Judged = Callable[[Formula], tuple[Gauge, ...]]


@dataclass(frozen=True, slots=True)
class LineMoves:
    """A line by its place, and by how much `step_g` more of it moves each gauge, in that gauge's unit, by name.

    A gauge whose value is not known before or after is left out.
    """

    at: int
    ingredient: str
    mass_g: float
    step_g: float
    by: dict[str, float]


def moves_of(formula: Formula, judged: Judged) -> tuple[LineMoves, ...]:
    """Return what each line of `formula` moves; `judged` gives the gauges of a formula. Raises what that raises."""
    total_g, now = sum(x.mass_g for x in formula.lines), _values(judged(formula))
    found = []
    for at, line in enumerate(formula.lines):
        step_g = step_for(line.mass_g, total_g)
        more = replace(line, mass_g=line.mass_g + step_g)
        then = _values(judged(replace(formula, lines=(*formula.lines[:at], more, *formula.lines[at + 1 :]))))
        by = {name: then[name] - value for name, value in now.items() if name in then}
        found.append(LineMoves(at, line.ingredient, line.mass_g, step_g, by))
    return tuple(found)


def _values(gauges: tuple[Gauge, ...]) -> dict[str, float]:
    return {g.name: g.value for g in gauges if g.value is not None}

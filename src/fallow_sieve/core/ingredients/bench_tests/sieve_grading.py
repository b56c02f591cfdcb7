"""Sieve grading: what stays on each mesh of a stack tells how fine a flour is.

Sizes are read off the cumulative curve, straight between meshes in the logarithm of the size; the distribution of
Rosin and Rammler (1933), R = 100·exp(−(d/d′)ⁿ), is fitted by least squares on ln(−ln R) against ln d.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from fallow_sieve.core.ingredients.ingredient import Fact, Quality
from fallow_sieve.core.numerics.repeated_readings import Verdict
from fallow_sieve.core.values import BadInputError, Range

PAN_UM = 0.0
LOSS_WARNS_PCT = 2.0
MOST_MESHES = 12


@dataclass(frozen=True, slots=True)
class OnMesh:
    """What stayed on one mesh: its opening in µm (0 is the pan) and the mass in g."""

    opening_um: float
    mass_g: float


@dataclass(frozen=True, slots=True)
class GritPoint:
    """One point of the mapping from size to grit: d₉₀ in µm, and the grit index (0–5) that it stands for."""

    d90_um: float
    grit_index: float
    basis: str


@dataclass(frozen=True, slots=True)
class Passing:
    """A point of the cumulative curve: opening in µm, and % of the mass that passed it."""

    opening_um: float
    passing_pct: float


@dataclass(frozen=True, slots=True)
class RosinRammler:
    """The fitted distribution: d′ in µm (36.8 % stay on it), spread n (high is even), and r² of the line."""

    size_um: float
    spread: float
    r_squared: float


@dataclass(frozen=True, slots=True)
class Grading:
    """A grading: cumulative curve, sizes d₁₀ d₅₀ d₉₀ in µm (None outside the stack), fit, grit, and mass balance.

    `loss_pct` is what was lost (negative: gained) of the mass put in; `warnings` say what to look at.
    """

    passing: tuple[Passing, ...]
    d10_um: float | None
    d50_um: float | None
    d90_um: float | None
    fit: RosinRammler | None
    grit: Range
    loss_pct: float
    warnings: tuple[str, ...]
    say: str


def grade(start_g: float, stack: Sequence[OnMesh], mapping: Sequence[GritPoint]) -> Grading:
    """Return the grading of `start_g` g put on a `stack` of meshes (µm) with a pan; shares are of what was recovered.

    Grit comes from d₉₀ (µm) by `mapping`, straight between its points. Raises BadInputError naming the mesh.
    """
    meshes = _checked(start_g, stack)
    total_g = sum(m.mass_g for m in meshes)
    loss_pct = 100 * (start_g - total_g) / start_g
    passing = _passing(meshes, total_g)
    d10, d50, d90 = (size_at(passing, share) for share in (10.0, 50.0, 90.0))
    warnings = _warnings(loss_pct, passing)
    grit = _grit(passing, d90, mapping)
    return Grading(passing, d10, d50, d90, _fitted(passing), grit, loss_pct, warnings, _say(d10, d50, d90, passing))


def grit_fact(found: Grading, noted_on: str) -> Fact:
    """Return the grit (0–5) of a grading as a fact, measured on the ISO date `noted_on`."""
    size = f"d₉₀ {found.d90_um:.0f} µm" if found.d90_um is not None else "d₉₀ outside the stack"
    return Fact(found.grit, Quality.MEASURED, f"sieve grading, {size}", noted_on)


_HALF_STEP = 0.5


def grit_verdict(found: Grading, typical: float | None) -> Verdict:
    """Return how the grit of a grading stands to a `typical` one (both 0–5)."""
    grit = found.grit
    value = f"grit {grit.typical:.1f} of 5"
    if typical is None:
        return Verdict("new", None, f"There was no grit to compare with: {value}.")
    if abs(grit.typical - typical) <= _HALF_STEP:
        return Verdict("same", None, f"Your bag is ground like the typical one: {value}.")
    coarser = grit.typical > typical
    words = f"is ground {'coarser' if coarser else 'finer'} than typical"
    return Verdict("more" if coarser else "less", None, f"Your bag {words}: {value} against {typical:.0f}.")


def _checked(start_g: float, stack: Sequence[OnMesh]) -> list[OnMesh]:
    """The stack from the finest up, the pan first."""
    if not (math.isfinite(start_g) and start_g > 0):
        raise BadInputError(f"{start_g:g} g put in", place="/start_g", right="weigh the flour before sieving")
    meshes = sorted(stack, key=lambda m: m.opening_um)
    openings = [m.opening_um for m in meshes]
    if len(set(openings)) < len(openings):
        twice = next(o for o in openings if openings.count(o) > 1)
        raise BadInputError(f"the mesh of {twice:g} µm stands twice", place="/stack", right="add the two masses")
    if len(meshes) < 4 or len(meshes) > MOST_MESHES + 1 or meshes[0].opening_um != PAN_UM:
        raise BadInputError(
            f"{len(meshes)} masses", place="/stack", right=f"the pan and from 3 to {MOST_MESHES} meshes, one mass each"
        )
    for n, mesh in enumerate(stack):
        if not (math.isfinite(mesh.mass_g) and mesh.mass_g >= 0):
            raise BadInputError(f"{mesh.mass_g:g} g", place=f"/stack/{n}/mass_g", right="0 or more")
        if mesh.opening_um and not 10 <= mesh.opening_um <= 10_000:
            raise BadInputError(
                f"a mesh of {mesh.opening_um:g} µm", place=f"/stack/{n}/opening_um", right="10 to 10 000 µm"
            )
    if sum(m.mass_g for m in meshes) <= 0:
        raise BadInputError("nothing stayed anywhere", place="/stack", right="weigh each mesh and the pan")
    return meshes


def _passing(meshes: Sequence[OnMesh], total_g: float) -> tuple[Passing, ...]:
    points, below_g = [], 0.0
    for finer, mesh in pairwise(meshes):
        below_g += finer.mass_g
        points.append(Passing(mesh.opening_um, 100 * below_g / total_g))
    return tuple(points)


def size_at(passing: Sequence[Passing], share_pct: float) -> float | None:
    """Return the size (µm) that `share_pct` % of the mass is finer than, or None outside the stack.

    Straight between meshes in ln(size).
    """
    for a, b in pairwise(passing):
        if a.passing_pct <= share_pct <= b.passing_pct and b.passing_pct > a.passing_pct:
            part = (share_pct - a.passing_pct) / (b.passing_pct - a.passing_pct)
            return math.exp(math.log(a.opening_um) + part * math.log(b.opening_um / a.opening_um))
    return None


def _fitted(passing: Sequence[Passing]) -> RosinRammler | None:
    inside = [p for p in passing if 0 < p.passing_pct < 100]
    if len(inside) < 2:
        return None
    x = np.log([p.opening_um for p in inside])
    y = np.log(-np.log([1 - p.passing_pct / 100 for p in inside]))
    spread, offset = np.polyfit(x, y, 1)
    if spread <= 0:
        return None
    left = y - (spread * x + offset)
    whole = float(((y - y.mean()) ** 2).sum())
    r_squared = 1 - float((left**2).sum()) / whole if whole > 0 else 1.0
    return RosinRammler(math.exp(-offset / spread), float(spread), r_squared)


def _grit(passing: Sequence[Passing], d90: float | None, mapping: Sequence[GritPoint]) -> Range:
    """Grit for d₉₀; outside the stack only one end of it is known. An index stands for half a step either side."""
    top = mapping[-1].grit_index
    if d90 is not None:
        middle = grit_for(d90, mapping)
        return Range(max(0.0, middle - 0.5), middle, min(top, middle + 0.5))
    if passing[-1].passing_pct < 90:
        least = grit_for(passing[-1].opening_um, mapping)
        return Range(least, (least + top) / 2, top)
    most = grit_for(passing[0].opening_um, mapping)
    return Range(0.0, most / 2, most)


def grit_for(d90_um: float, mapping: Sequence[GritPoint]) -> float:
    """Return the grit index (0–5) that `mapping` gives for a d₉₀ in µm, straight between its points."""
    sizes, grits = [p.d90_um for p in mapping], [p.grit_index for p in mapping]
    return float(np.interp(d90_um, sizes, grits))


def _warnings(loss_pct: float, passing: Sequence[Passing]) -> tuple[str, ...]:
    found = []
    if loss_pct > LOSS_WARNS_PCT:
        found.append(f"{loss_pct:.1f} % was lost: brush the meshes out over the pan and weigh again.")
    if loss_pct < -LOSS_WARNS_PCT:
        found.append(f"{-loss_pct:.1f} % more came out than went in: check the tare of each mesh.")
    if passing[-1].passing_pct < 90:
        found.append("More than a tenth stayed on the coarsest mesh: add a coarser one to know d₉₀.")
    if passing[0].passing_pct > 90:
        found.append("Nine tenths passed the finest mesh: the flour is finer than this stack can tell.")
    return tuple(found)


def _say(d10: float | None, d50: float | None, d90: float | None, passing: Sequence[Passing]) -> str:
    finest, coarsest = passing[0].opening_um, passing[-1].opening_um

    def size(value: float | None, share: float) -> str:
        if value is not None:
            return f"{value:.0f} µm"
        return f"under {finest:.0f} µm" if passing[0].passing_pct > share else f"over {coarsest:.0f} µm"

    return f"Half of it is finer than d₅₀ {size(d50, 50)}; d₁₀ {size(d10, 10)}, d₉₀ {size(d90, 90)}."

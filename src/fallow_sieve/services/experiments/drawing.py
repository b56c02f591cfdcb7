"""What the sieve map is drawn of: a triangle (or a line), the region in it with its walls, the map on a lattice."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.experiments.best import best_lies
from fallow_sieve.core.experiments.regions import Array, Region, corners, edges
from fallow_sieve.core.experiments.study import Study

STEPS = {2: 120, 3: 60, 4: 60}
LEVELS, _THIN = 5, 0.25  # shades; a top shade thinner than this share of a step is joined with the next
_NICE = (0.05, 0.1, 0.2, 0.25, 0.5, 1.0, 2.0, 5.0, 10.0, 20.0, 50.0)


@dataclass(frozen=True, slots=True)
class EdgeSeen:
    """An edge of the region: its two ends (shares 0–1) and the wall that holds there, in words."""

    a: list[float]
    b: list[float]
    say: str


@dataclass(frozen=True, slots=True)
class Lattice:
    """The map on a lattice over the triangle, in steps of its sides: rows run with the second part.

    `mean` and `se` in the response's unit; `may_be` how densely the best lies, from `threshold` on it counts.
    """

    steps: int
    mean: list[float]
    se: list[float]
    may_be: list[float]
    threshold: float


@dataclass(frozen=True, slots=True)
class Drawn:
    """The picture: vertices (shares 0–1), the region's outline in order, its edges, the lattice, levels of the steps.

    `fourth` is the share of the fourth part at this slice (None: there is none); `chalk` the se over which it is grain.
    """

    vertices: list[list[float]]
    outline: list[list[float]]
    edges: list[EdgeSeen]
    lattice: Lattice | None
    levels: list[float]
    chalk: float
    fourth: float | None
    fourth_range: list[float]


def vertices_of(study: Study, fourth: float | None = None) -> list[list[float]]:
    """Return the corners of the picture (shares 0–1), of four parts at a share (0–1) of the fourth."""
    flat, at = _flat(study, fourth)
    return [[float(v) for v in x] for x in _vertices(flat, at)]


def _flat(study: Study, fourth: float | None) -> tuple[Region, float | None]:
    """The region that is drawn, and the share of the fourth part that it is drawn at."""
    region = study.region
    if region.size < 4:
        return region, None
    ends = corners(region)
    asked = study.today[3] if fourth is None else fourth
    at = float(np.clip(asked, ends[:, 3].min(), ends[:, 3].max()))
    return _slice(region, at), at


def drawn(study: Study, times: float, fourth: float | None = None) -> Drawn:
    """Return what the map of a study is drawn of; of four parts at a share (0–1) of the fourth.

    Walls of parts are said in % of flour: `times` is the share (0–1) of flour that is varied.
    """
    ends = corners(study.region)
    reach = [float(ends[:, 3].min()), float(ends[:, 3].max())] if study.region.size > 3 else []
    flat, at = _flat(study, fourth)
    vertices = _vertices(flat, at)
    lattice, levels, chalk = _lattice(study, vertices)
    cut = _with(corners(flat), at)
    return Drawn(
        vertices=[[float(v) for v in x] for x in vertices],
        outline=[[float(v) for v in x] for x in _around(cut)],
        edges=_edges(flat, at, times),
        lattice=lattice, levels=levels, chalk=chalk, fourth=at, fourth_range=reach,
    )  # fmt: skip


def _slice(region: Region, fourth: float) -> Region:
    """A region of three parts at a share of the fourth, in shares of what is left."""
    room = 1 - fourth
    rows = tuple(
        type(r)(tuple(c * room + r.coefficients[3] * fourth for c in r.coefficients[:3]), r.low, r.high, r.name)
        for r in region.rows
    )
    low, high = (tuple(min(1.0, v / room) for v in side[:3]) for side in (region.low, region.high))
    return Region(region.names[:3], low, high, rows)


def _with(points: Array, fourth: float | None) -> Array:
    """Points of a slice in shares of the whole."""
    if fourth is None or not len(points):
        return points
    return np.column_stack([points * (1 - fourth), np.full(len(points), fourth)])


def _vertices(region: Region, fourth: float | None) -> Array:
    """The triangle (or line) that the region stands in: each part at its most while the others are at their least.

    Drawn tight: the least of a part is what it comes to at the region's corners.
    """
    ends = corners(region)
    low = ends.min(axis=0)
    room = 1 - low.sum()
    return _with(low + room * np.eye(region.size), fourth)


def _around(points: Array) -> Array:
    """Corners in order about their middle."""
    if len(points) < 3:
        return points
    first = points - points.mean(axis=0)
    u = first[np.abs(first).sum(axis=1).argmax()]
    u = u / np.linalg.norm(u)
    normal = np.cross(u[:3], np.ones(3) / np.sqrt(3))
    angle = np.arctan2(first[:, :3] @ normal, first[:, :3] @ u[:3])
    found: Array = points[np.argsort(angle)]
    return found


def _edges(region: Region, fourth: float | None, times: float) -> list[EdgeSeen]:
    if region.size > 3:
        return []
    ends = _with(corners(region), fourth)
    found = []
    for a, b, wall in edges(region):
        if wall.is_part:
            share = 100 * times * (1 - (fourth or 0.0)) * wall.limit
            say = f"{wall.name.lower()} {'≤' if wall.is_most else '≥'} {share:.0f} %"
            say = f"{wall.name.lower()}: none" if not wall.is_most and wall.limit <= 0 else say
        else:
            say = wall.name
        found.append(EdgeSeen([float(v) for v in ends[a]], [float(v) for v in ends[b]], say))
    return found


def _lattice(study: Study, vertices: Array) -> tuple[Lattice | None, list[float], float]:
    known = study.map
    if known is None:
        return None, [], 0.0
    steps = STEPS[study.region.size]
    points = _points(vertices, steps)
    mean, se = known.at(points)
    lies = best_lies(known, study.drawn_over, points)
    inside = known.at(study.drawn_over)[0]
    levels = nice_levels(float(inside.min()), float(inside.max()))
    shown = (levels[-1] - levels[0]) / (LEVELS - 2) * LEVELS
    lattice = Lattice(steps, _list(mean), _list(se), _list(lies.density), lies.threshold)
    return lattice, levels, shown / 2


def _points(vertices: Array, steps: int) -> Array:
    """The lattice: vertex 0 to 1 along a row, 0 to 2 (or nothing) down the rows; the far half lies outside."""
    along = np.arange(steps + 1) / steps
    if len(vertices) == 2:
        return np.asarray(vertices[0] + np.outer(along, vertices[1] - vertices[0]), dtype=np.float64)
    a, b = np.meshgrid(along, along)
    flat = np.column_stack([a.ravel(), b.ravel()])
    found: Array = vertices[0] + flat @ (vertices[1:] - vertices[0])
    return found


def nice_levels(low: float, high: float) -> list[float]:
    """Return the four limits between five steps of shade (response unit), at numbers that read well.

    They are laid from the top, where the best lies; the palest shade takes what is under them.
    """
    span = max(high - low, 1e-6)
    step = min(_NICE, key=lambda s: abs(span / s - LEVELS))
    top = np.floor(high / step) * step
    top = top - step if high - top < _THIN * step else top
    return [round(float(top - step * n), 6) for n in reversed(range(LEVELS - 1))]


def _list(values: Array) -> list[float]:
    return [round(float(v), 5) for v in values]

"""What may be baked: shares of two to four parts between their limits and under rows, with corners, edges and faces.

A region is Σx = 1 with G x ≤ h. Corners: every set of q − 1 inequalities made equal together with Σx = 1, solved in one
batch and kept where feasible (McLean & Anderson 1966 for limits alone); so regions that are flat have theirs too.
"""

from __future__ import annotations

import itertools
from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from fallow_sieve.core.values import BadInputError

Array = NDArray[np.float64]
LEAST_PARTS, MOST_PARTS = 2, 4
FEASIBLE, SAME = 1e-9, 1e-7
_SINGULAR = 1e-12


@dataclass(frozen=True, slots=True)
class Row:
    """A wall across the region: Σ coefficients · x at most `high` and at least `low`; `name` says which metric's."""

    coefficients: tuple[float, ...]
    low: float | None = None
    high: float | None = None
    name: str = ""


@dataclass(frozen=True, slots=True)
class Wall:
    """One inequality Σ g x ≤ h in words: the part or metric that holds there, and whether it is its most or least."""

    name: str
    is_most: bool
    limit: float
    is_part: bool


@dataclass(frozen=True, slots=True)
class Region:
    """Parts by name with least and most share (0–1), and rows; `g`, `h` and `walls` are all of it as inequalities."""

    names: tuple[str, ...]
    low: tuple[float, ...]
    high: tuple[float, ...]
    rows: tuple[Row, ...] = ()
    g: Array = field(init=False, repr=False, compare=False)
    h: Array = field(init=False, repr=False, compare=False)
    walls: tuple[Wall, ...] = field(init=False, repr=False, compare=False)

    def __post_init__(self) -> None:
        """Lay the limits and rows out as inequalities."""
        q = len(self.names)
        eye = np.eye(q)
        sides: list[tuple[Array, float, Wall]] = []
        for i, name in enumerate(self.names):
            sides.append((-eye[i], -self.low[i], Wall(name, False, self.low[i], True)))
            sides.append((eye[i], self.high[i], Wall(name, True, self.high[i], True)))
        for row in self.rows:
            c = np.array(row.coefficients, float)
            if row.high is not None:
                sides.append((c, row.high, Wall(row.name, True, row.high, False)))
            if row.low is not None:
                sides.append((-c, -row.low, Wall(row.name, False, row.low, False)))
        object.__setattr__(self, "g", np.array([s[0] for s in sides]))
        object.__setattr__(self, "h", np.array([s[1] for s in sides]))
        object.__setattr__(self, "walls", tuple(s[2] for s in sides))

    @property
    def size(self) -> int:
        """The number of parts."""
        return len(self.names)

    def holds(self, x: Array, slack: float = FEASIBLE) -> NDArray[np.bool_]:
        """Return whether each point (rows of shares) lies inside, within `slack` of each wall's own size."""
        room = slack * np.maximum(1.0, np.abs(self.h))
        inside = np.atleast_2d(x) @ self.g.T <= self.h + room
        return np.asarray(inside.all(axis=1), dtype=np.bool_)


def check_region(region: Region) -> None:
    """Raise BadInputError, naming /parts or /rows, where there is nothing to vary: too few parts, no room, a clash."""
    q = region.size
    if not LEAST_PARTS <= q <= MOST_PARTS:
        raise BadInputError(f"{q} parts", place="/parts", right=f"{LEAST_PARTS} to {MOST_PARTS} are varied")
    if len(set(region.names)) < q:
        raise BadInputError("a part stands twice", place="/parts", right="name each once")
    for i, name in enumerate(region.names):
        if not 0 <= region.low[i] <= region.high[i] <= 1:
            wrong = f"{name} from {region.low[i]:g} to {region.high[i]:g}"
            raise BadInputError(wrong, place=f"/parts/{i}", right="shares from 0 to 1, the least first")
    if sum(region.low) > 1 + FEASIBLE or sum(region.high) < 1 - FEASIBLE:
        least = sum(region.low) > 1
        wrong = (
            f"the {'least' if least else 'most'} shares come to {100 * sum(region.low if least else region.high):.0f} %"
        )
        raise BadInputError(wrong, place="/parts", right=f"together {'at most' if least else 'at least'} 100 %")
    alone = Region(region.names, region.low, region.high)
    if not len(corners(alone)):
        raise BadInputError("the limits of the parts clash", place="/parts", right="widen one of them")
    found = corners(region)
    if not len(found):
        raise BadInputError(_clash(region), place="/rows", right="widen a limit or leave a row out")
    moves = found.max(axis=0) - found.min(axis=0)
    if moves.max() < SAME:
        raise BadInputError("nothing can move between these limits", place="/parts", right="widen one of them")


def _clash(region: Region) -> str:
    """Which row alone shuts everything out; else that they do together."""
    for row in region.rows:
        if not len(corners(Region(region.names, region.low, region.high, (row,)))):
            return f"no mix of these parts keeps {row.name or 'a row'} between its walls"
    return "no mix of these parts keeps all rows at once"


def corners(region: Region) -> Array:
    """Return the corners as rows of shares (0–1), each once, in the order of their shares; none where it is empty."""
    return _corners(region)[0]


def _corners(region: Region) -> tuple[Array, list[frozenset[int]]]:
    q = region.size
    sets = np.array(list(itertools.combinations(range(len(region.h)), q - 1)), dtype=np.intp).reshape(-1, q - 1)
    left = np.concatenate([np.ones((len(sets), 1, q)), region.g[sets]], axis=1)
    right = np.concatenate([np.ones((len(sets), 1)), region.h[sets]], axis=1)
    size = np.abs(left).max(axis=2, keepdims=True)
    solvable = np.abs(np.linalg.det(left / np.maximum(size, 1e-300))) > _SINGULAR
    if not solvable.any():
        return np.empty((0, q)), []
    x = np.linalg.solve(left[solvable], right[solvable][..., None])[..., 0]
    x = np.where(np.abs(x) < FEASIBLE, 0.0, x)
    return _merged(region, x[region.holds(x)])


def _merged(region: Region, x: Array) -> tuple[Array, list[frozenset[int]]]:
    found: list[Array] = []
    for point in x[np.lexsort(np.round(x, 8).T[::-1])] if len(x) else []:
        if not any(np.abs(point - other).max() < SAME for other in found):
            found.append(point)
    points = np.array(found) if found else np.empty((0, region.size))
    near = 1e-7 * np.maximum(1.0, np.abs(region.h))
    on = np.abs(points @ region.g.T - region.h) <= near
    return points, [frozenset(np.flatnonzero(r).tolist()) for r in on]


def edges(region: Region) -> tuple[tuple[int, int, Wall], ...]:
    """Return the edges as pairs of corners (by their place) that share walls of rank q − 2, with one of the walls."""
    points, on = _corners(region)
    found = []
    for a, b in itertools.combinations(range(len(points)), 2):
        shared = sorted(on[a] & on[b])
        if _rank(region, shared) >= region.size - 1 and (region.size > LEAST_PARTS or len(points) == 2):
            found.append((a, b, region.walls[shared[0]] if shared else region.walls[0]))
    return tuple(found)


def _rank(region: Region, walls: Sequence[int]) -> int:
    """The rank of these walls together with Σx = 1."""
    together = np.vstack([np.ones(region.size), region.g[list(walls)]])
    return int(np.linalg.matrix_rank(together, tol=1e-9))


def faces(region: Region) -> tuple[tuple[int, ...], ...]:
    """Return the faces of a region of four parts as corners (by their place) on one wall, three or more of each."""
    points, on = _corners(region)
    found: dict[tuple[int, ...], None] = {}
    for wall in range(len(region.h)):
        there = tuple(i for i in range(len(points)) if wall in on[i])
        if 3 <= len(there) < len(points):
            found.setdefault(there)
    return tuple(found)

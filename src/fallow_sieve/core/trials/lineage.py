"""The family of a formula: its revisions as strata, branches as columns of their own, and the planes between them."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.trials.differences.changes import Difference, TrialChange


@dataclass(frozen=True, slots=True)
class Place:
    """Where a revision stands: its column (0: the first line), and the revision it began from (None: the first)."""

    revision: int
    column: int
    parent: int | None


def placed(based_on: Mapping[int, int | None]) -> tuple[Place, ...]:
    """Return the place of each revision, the first first: it goes on its parent's column, or branches into a new one.

    >>> [p.column for p in placed({1: None, 2: 1, 3: 1, 4: 2})]
    [0, 0, 1, 0]
    """
    columns: dict[int, int] = {}
    gone_on: set[int] = set()
    found = []
    for revision in sorted(based_on):
        parent = based_on[revision]
        if parent not in columns:
            parent = max((r for r in columns if r < revision), default=None)
        if parent is None or parent in gone_on:
            column = max(columns.values(), default=-1) + 1
        else:
            column = columns[parent]
            gone_on.add(parent)
        columns[revision] = column
        found.append(Place(revision, column, parent))
    return tuple(found)


@dataclass(frozen=True, slots=True)
class Plane:
    """The change between two strata: `thin` for process, `double` for formula, `blend` with the part that grew.

    `say` is the change in one line.
    """

    kind: str
    grew: str
    say: str


def plane_of(change: Difference, parts: Mapping[str, float], before: Mapping[str, float]) -> Plane:
    """Return the plane of a change; `parts` and `before` are the flour base after and before, % by slug."""
    groups = {c.group for c in change.counted} or {c.group for c in change.changes[:1]}
    shown = change.counted or change.changes[:1]
    say = "; ".join(_short(c) for c in shown) or "kept again as it was"
    if "blend" in groups:
        grew = max(parts, key=lambda s: parts[s] - before.get(s, 0.0), default="")
        return Plane("blend", grew, say)
    process = {"mixing", "dough-temperature", "proof", "oven", "bake", "cooling", "steam-cover", "storage"}
    return Plane("thin" if groups and groups <= process else "double", "", say)


def _short(c: TrialChange) -> str:
    return c.say[0].lower() + c.say[1:]


def learned(because: str, faults: Sequence[str], effects: Sequence[str], things_changed: int) -> str:
    """Return what was learnt at a plane in one line: because → found; unclear where more than one thing changed."""
    found = " ".join([*faults, *effects]) or "nothing to compare yet."
    tail = " More than one thing changed: unclear which." if things_changed > 1 and (faults or effects) else ""
    whole = f"{because}. {found}" if because else found
    return f"{whole[0].upper()}{whole[1:]}{tail}"

"""What the commands of batches print as JSON."""

from __future__ import annotations

from fallow_sieve.formats.shared import Out


class CodeAnswer(Out):
    """How a code is meant, whether its check holds, and the number of a bag (null: none)."""

    code: str
    valid: bool
    bag: int | None


class TraceLinkOut(Out):
    """g that went from a lot into a batch, or from a batch to a place."""

    lot: str
    batch: str
    place: str
    mass_g: float


class TraceAnswer(Out):
    """What `trace` prints: of what, in one sentence, what links what, and whether every gram is found."""

    title: str
    say: str
    links: list[TraceLinkOut]
    nobody_knows_g: dict[str, float]
    balanced: bool


def trace_link(lot: str, batch: str, place: str, mass_g: float) -> TraceLinkOut:
    """Return a link as `trace` prints it."""
    return TraceLinkOut(lot=lot, batch=batch, place=place, mass_g=round(mass_g, 3))

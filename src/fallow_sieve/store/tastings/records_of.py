"""Stored records of tables and seats as values of the core, and back."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import asdict
from typing import Any, Protocol

from fallow_sieve.core.tastings.answers import Method
from fallow_sieve.core.tastings.avoiding import Avoids, Leaving
from fallow_sieve.core.tastings.panels import Asked, Seat
from fallow_sieve.core.tastings.plates import Plate

Record = dict[str, Any]


def asked_record(asked: Asked) -> Record:
    """Return what a table asks as it is stored."""
    return asdict(asked)


def asked_of(record: Mapping[str, Any]) -> Asked:
    """Return what a stored table asks."""
    given = dict(record)
    for name in ("just_right", "words"):
        given[name] = tuple(given.get(name, ()))
    given["main"] = Method(given.get("main", Method.LIKING))
    return Asked(**given)


def plates_record(plates: Mapping[int, Plate]) -> list[list[int]]:
    """Return plates as they are stored: number, sample, code."""
    return [[p.number, p.sample, p.code] for p in plates.values()]


def plates_of(record: Sequence[Sequence[int]]) -> dict[int, Plate]:
    """Return stored plates by their numbers."""
    return {n: Plate(n, sample, code) for n, sample, code in record}


def avoids_record(avoids: Avoids) -> Record:
    """Return what a taster avoids as it is stored."""
    return {
        "allergies": sorted(avoids.allergies),
        "by_choice": sorted(avoids.by_choice),
        "coeliac": avoids.coeliac,
    }


class StoredSeat(Protocol):
    """A seat as it is stored."""

    number: int
    name: str
    avoids: Record
    left_out: list[int]
    lifted: dict[str, str]
    plates: list[int]
    asked: bool
    handed_in_at: str
    dropped: str


def seat_of(row: StoredSeat) -> Seat:
    """Return a stored seat."""
    a = row.avoids
    return Seat(
        number=row.number,
        name=row.name,
        avoids=Avoids(
            frozenset(a.get("allergies", ())), frozenset(a.get("by_choice", ())), bool(a.get("coeliac", False))
        ),
        leaving=Leaving(frozenset(row.left_out), {int(n): why for n, why in row.lifted.items()}),
        order=tuple(row.plates),
        dropped=row.dropped,
        handed_in_at=row.handed_in_at,
        asked=row.asked,
    )

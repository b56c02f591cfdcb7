"""Moves of stock: the only way in which what is in a lot or a bag changes. They are added, never changed."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum

from fallow_sieve.core.values import BadInputError


class MoveKind(StrEnum):
    """What a move is; see SIGNS for which way it goes."""

    OPENING = "opening"
    BOUGHT = "bought"
    RETURNED = "returned"
    WEIGHED = "weighed"
    VOIDED = "voided"
    BAGGED = "bagged"
    USED = "used"
    GONE_OUT = "gone-out"
    COUNTED = "counted"
    THROWN_AWAY = "thrown-away"


INTO = frozenset({MoveKind.OPENING, MoveKind.BOUGHT, MoveKind.VOIDED, MoveKind.BAGGED})
OUT_OF = frozenset({MoveKind.RETURNED, MoveKind.WEIGHED, MoveKind.USED, MoveKind.GONE_OUT, MoveKind.THROWN_AWAY})


@dataclass(frozen=True, slots=True)
class Move:
    """± g of a lot or a bag: its kind, when (ISO, UTC), why, where to, and the batch or trial it belongs to.

    One that takes another back names it (`undoes`) and goes the other way, under the same kind.
    """

    kind: MoveKind
    mass_g: float
    at: str = ""
    lot_id: int | None = None
    bag_id: int | None = None
    batch_id: int | None = None
    trial_id: int | None = None
    why: str = ""
    where: str = ""
    undoes: int | None = None


def check_move(move: Move) -> None:
    """Raise BadInputError where a move goes the wrong way, or belongs to neither or both of a lot and a bag."""
    if (move.lot_id is None) == (move.bag_id is None):
        raise BadInputError("a move without its lot or bag, or with both", right="name one of them")
    way_g = move.mass_g if move.undoes is None else -move.mass_g
    wrong = (move.kind in INTO and way_g < 0) or (move.kind in OUT_OF and way_g > 0)
    if wrong or move.mass_g != move.mass_g:
        way = "into" if move.kind in INTO else "out of"
        raise BadInputError(f"{move.mass_g:g} g {move.kind}", place="/mass_g", right=f"this kind goes {way} stock")
    if move.kind is MoveKind.THROWN_AWAY and not move.why.strip():
        raise BadInputError("thrown away without a reason", place="/why", right="date, pests, smell, recall …")
    if move.kind is MoveKind.GONE_OUT and not move.where.strip():
        raise BadInputError("gone out without where to", place="/where", right="a name by which it can be found again")


def stock_of(moves: Iterable[Move]) -> float:
    """Return the stock that moves add up to, g."""
    return sum(m.mass_g for m in moves)

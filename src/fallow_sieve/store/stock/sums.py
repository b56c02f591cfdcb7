"""Moves added up where they lie: by bag, kind and place, and by week; for traces and for what is bought."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from sqlalchemy import bindparam, text
from sqlmodel import Session

from fallow_sieve.core.stock.moves import MoveKind

_MOST_IN_QUERY = 900


@dataclass(frozen=True, slots=True)
class BagSum:
    """What moves of one kind, to one place, add up to over the bags of a batch, g, and how many bags that concerns."""

    batch_id: int
    kind: MoveKind
    where: str
    mass_g: float
    bags: int


_BAG_SUMS = """
SELECT bag.batch_id, m.kind, m.where_to, SUM(m.mass_g), COUNT(DISTINCT m.bag_id)
FROM stock_move AS m JOIN bag ON bag.id = m.bag_id
WHERE bag.batch_id IN :ids
GROUP BY bag.batch_id, m.kind, m.where_to
"""
_DAILY_USE = """
SELECT lot.ingredient, substr(m.at, 1, 10) AS day, SUM(m.mass_g)
FROM stock_move AS m JOIN lot ON lot.id = m.lot_id
WHERE m.kind IN ('weighed', 'voided', 'used') AND m.at >= :since
GROUP BY lot.ingredient, day
"""


def bag_sums(session: Session, batch_ids: Iterable[int]) -> list[BagSum]:
    """Return the moves of the bags of batches, added up by batch, kind and place."""
    found: list[BagSum] = []
    query = text(_BAG_SUMS).bindparams(bindparam("ids", expanding=True))
    for some in _slices(list(batch_ids)):
        rows = session.connection().execute(query, {"ids": list(some)})
        found += [BagSum(batch, MoveKind(kind), where, float(g), n) for batch, kind, where, g, n in rows]
    return found


def weekly_use_g(session: Session, since: str) -> dict[str, dict[str, float]]:
    """Return what left lots by weighing and use since a day (ISO), g by ingredient and day."""
    found: dict[str, dict[str, float]] = {}
    for slug, day, mass_g in session.connection().execute(text(_DAILY_USE), {"since": since}):
        found.setdefault(slug, {})[day] = -float(mass_g)
    return found


def _slices(ids: Sequence[int]) -> list[Sequence[int]]:
    return [ids[n : n + _MOST_IN_QUERY] for n in range(0, len(ids), _MOST_IN_QUERY)]

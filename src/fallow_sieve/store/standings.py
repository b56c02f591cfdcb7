"""What is kept of judgements: how a document stood when it was last judged, with a mark of all that this rested on."""

from __future__ import annotations

import json
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Any

from sqlalchemy import insert
from sqlmodel import Session

from fallow_sieve.store.documents import Head
from fallow_sieve.store.tables import StandingRow

_HEAD = "h.id, h.brief_id, h.name, h.archived, h.created_at, h.updated_at, h.version"
_OF_BRIEF = (
    f"SELECT {_HEAD}, d.content, (SELECT count(*) FROM revision r WHERE r.blend_id = h.id) "
    "FROM blend h JOIN draft d ON d.blend_id = h.id WHERE h.brief_id = ? AND NOT h.archived ORDER BY h.id"
)
_KEPT = "SELECT document_id, mark, found FROM kept_standing WHERE kind = 'blend' AND document_id IN ({})"


@dataclass(frozen=True, slots=True)
class BlendAtHand:
    """A blend with its draft as it is stored (JSON), and how many revisions were kept."""

    head: Head
    draft: str
    revisions: int


@dataclass(frozen=True, slots=True)
class KeptStanding:
    """How a blend stood, as plain values, and the mark by which that holds."""

    blend_id: int
    mark: str
    found: dict[str, Any]


def blends_of_brief(session: Session, brief_id: int) -> list[BlendAtHand]:
    """Return every blend of a brief that is not put away, the oldest first."""
    rows = session.connection().exec_driver_sql(_OF_BRIEF, (brief_id,))
    return [BlendAtHand(_head(row), row[7], row[8]) for row in rows]


def _head(row: Any) -> Head:
    return Head(row[0], row[1], row[2], bool(row[3]), row[4], row[5], row[6])


def kept_standings(session: Session, blend_ids: Sequence[int]) -> dict[int, KeptStanding]:
    """Return what is kept of these blends, by id."""
    marks = ", ".join("?" * len(blend_ids))
    rows = session.connection().exec_driver_sql(_KEPT.format(marks), tuple(blend_ids))
    return {row[0]: KeptStanding(row[0], row[1], json.loads(row[2])) for row in rows}


def keep_standings(session: Session, found: Iterable[KeptStanding]) -> None:
    """Keep how blends stood, in the place of what was kept of them before; what is gone meanwhile stays away."""
    rows = [{"kind": "blend", "document_id": k.blend_id, "mark": k.mark, "found": k.found} for k in found]
    session.execute(insert(StandingRow).prefix_with("OR REPLACE"), rows)

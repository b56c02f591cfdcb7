"""How mixes are made ahead, kept with the kitchen's settings and saved under their version."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from sqlmodel import Session

from fallow_sieve.core.batches.ahead import Ahead, KitchenScale, Vessel
from fallow_sieve.store.kitchen import kitchen_row
from fallow_sieve.store.versions import save_versioned


def ahead_of(session: Session) -> Ahead:
    """Return how mixes are made ahead in this kitchen."""
    kept: dict[str, Any] = dict(kitchen_row(session).bulk)
    return Ahead(
        **kept
        | {
            "scales": tuple(KitchenScale(**s) for s in kept.get("scales", ())),
            "vessels": tuple(Vessel(**v) for v in kept.get("vessels", ())),
            "bag_sizes_g": tuple(kept.get("bag_sizes_g", ())),
        }
    )


def save_ahead(session: Session, ahead: Ahead, version: int) -> int:
    """Save how mixes are made ahead if `version` is the settings' current one; return the next. StaleSaveError."""
    row = kitchen_row(session)
    save_versioned(session, row, {"bulk": asdict(ahead)}, version)
    return row.version

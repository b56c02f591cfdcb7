"""The kitchen's settings, and loading the bundled library into it."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from sqlmodel import Session

from fallow_sieve.store.tables import KitchenRow
from fallow_sieve.store.versions import save_versioned


@dataclass(frozen=True, slots=True)
class Settings:
    """The kitchen's settings as stored, and the version of its shelf."""

    name: str
    cup: str
    tablespoon: str
    mass_unit: str
    temp_unit: str
    energy_unit: str
    currency: str
    binder_school: str
    thickener_school: str
    store_temp_c: float
    serving_g: float
    shelf_version: int
    version: int


def settings_of(session: Session) -> Settings:
    """Return the kitchen's settings."""
    return _settings(kitchen_row(session))


def _settings(row: KitchenRow) -> Settings:
    return Settings(**{n: getattr(row, n) for n in Settings.__dataclass_fields__})


def kitchen_row(session: Session) -> KitchenRow:
    """Return the kitchen's row; it is there from the first start on."""
    row = session.get(KitchenRow, 1)
    if row is None:
        row = KitchenRow()
        session.add(row)
        session.flush()
    return row


def save_settings(session: Session, changes: dict[str, Any], version: int) -> Settings:
    """Save `changes` to the settings if `version` is current, else raise StaleSaveError."""
    row = kitchen_row(session)
    save_versioned(session, row, changes, version)
    return _settings(row)


def touch_shelf(session: Session, slugs: Iterable[str]) -> None:
    """Note that the ingredients `slugs`, their numbers or lots changed, so that cached shelves read them anew."""
    row = kitchen_row(session)
    row.shelf_version += 1
    session.add(row)
    session.flush()
    changed = [(row.shelf_version, slug) for slug in slugs]
    if changed:
        session.connection().exec_driver_sql("UPDATE ingredient SET touched = ? WHERE slug = ?", changed)

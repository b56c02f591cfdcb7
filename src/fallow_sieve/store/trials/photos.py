"""Photos of trials: a picture that was re-encoded, and its thumbnail; what its camera wrote is not kept."""

from __future__ import annotations

from dataclasses import dataclass

from sqlmodel import Session, col, select

from fallow_sieve.core.values import BadInputError
from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.tables import PhotoRow

MOST = 6


@dataclass(frozen=True, slots=True)
class PhotoOnRecord:
    """A photo without its bytes: which moment and arm, width and height in pixels, when (ISO, UTC)."""

    id: str
    trial_id: int
    moment: str
    arm: str
    width: int
    height: int
    at: str


_NAMES = tuple(PhotoOnRecord.__dataclass_fields__)


def add_photo(session: Session, photo: PhotoOnRecord, picture: bytes, thumbnail: bytes) -> PhotoOnRecord:
    """Add a photo. Raises BadInputError where a trial has six already."""
    if len(photos_of(session, photo.trial_id)) >= MOST:
        raise BadInputError("this trial has six photos", right="take one away first")
    row = PhotoRow(**{n: getattr(photo, n) for n in _NAMES}, picture=picture, thumbnail=thumbnail)
    session.add(row)
    session.flush()
    return photo


def photos_of(session: Session, trial_id: int) -> list[PhotoOnRecord]:
    """Return the photos of a trial, the first first, without their bytes."""
    columns = [getattr(PhotoRow, n) for n in _NAMES]
    query = select(*columns).where(PhotoRow.trial_id == trial_id).order_by(col(PhotoRow.at), col(PhotoRow.id))
    return [PhotoOnRecord(*row) for row in session.exec(query)]


def picture_of(session: Session, photo_id: str, small: bool) -> bytes:
    """Return the bytes of a photo, or of its thumbnail. Raises NotFoundError."""
    row = session.get(PhotoRow, photo_id)
    if row is None:
        raise NotFoundError("photo", photo_id)
    return row.thumbnail if small else row.picture


def remove_photo(session: Session, trial_id: int, photo_id: str) -> None:
    """Take a photo away. Raises NotFoundError."""
    row = session.get(PhotoRow, photo_id)
    if row is None or row.trial_id != trial_id:
        raise NotFoundError("photo", photo_id)
    session.delete(row)
    session.flush()

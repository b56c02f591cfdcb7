"""The kitchen's own words: a name that nobody knew, answered once, and taken back where it was wrong."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from sqlmodel import Session, col, select

from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.tables import KitchenWordRow


@dataclass(frozen=True, slots=True)
class KitchenWord:
    """A name as it was written, the ingredient (slug) it stands for, and the day it was said."""

    id: int
    phrase: str
    ingredient: str
    said_on: str


def kitchen_words(session: Session) -> list[KitchenWord]:
    """Return the kitchen's own words, by name."""
    return [_value(row) for row in session.exec(select(KitchenWordRow).order_by(col(KitchenWordRow.phrase)))]


def remember_word(session: Session, phrase: str, ingredient: str, today: date) -> KitchenWord:
    """Remember that `phrase` is `ingredient` (slug); what it was said to be before gives way."""
    phrase = " ".join(phrase.split())
    row = session.exec(select(KitchenWordRow).where(KitchenWordRow.phrase == phrase)).one_or_none()
    row = row or KitchenWordRow(phrase=phrase, ingredient=ingredient, said_on="")
    row.ingredient, row.said_on = ingredient, today.isoformat()
    session.add(row)
    session.flush()
    return _value(row)


def forget_word(session: Session, word_id: int) -> None:
    """Take a word back. Raises NotFoundError."""
    row = session.get(KitchenWordRow, word_id)
    if row is None:
        raise NotFoundError("word", word_id)
    session.delete(row)


def _value(row: KitchenWordRow) -> KitchenWord:
    return KitchenWord(row.id or 0, row.phrase, row.ingredient, row.said_on)

"""A price typed where it is seen: it goes to the lot that is drawn from first, or stands by itself without one."""

from __future__ import annotations

from dataclasses import replace
from datetime import date

from sqlmodel import Session

from fallow_sieve.core.ingredients import Fact, Quality
from fallow_sieve.core.values import exactly
from fallow_sieve.store.ingredients import get_ingredient, lots_of, put_number, save_lot


def set_price(session: Session, slug: str, per_kg: float, today: date) -> str:
    """Note the price per kg of an ingredient; return where it went. Raises NotFoundError for an unknown slug.

    A pack price of the lot gives way to it: both cannot be true.
    """
    record = get_ingredient(session, slug)
    first = next((x for x in lots_of(session, slug) if not x.archived and x.lot.stock_g > 0), None)
    if first is None:
        fact = Fact(exactly(per_kg), Quality.LABEL, "typed on the shelf", today.isoformat())
        put_number(session, slug, "price_per_kg", fact, record.version)
        return f"{record.name}: {per_kg:.2f} per kg."
    priced = replace(first.lot, price_per_kg=per_kg, pack_g=None, pack_price=None)
    save_lot(session, first.id, priced, first.archived, first.version)
    return f"{record.name}: {per_kg:.2f} per kg, noted on its lot {first.lot.code}."

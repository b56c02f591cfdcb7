"""What a bake draws on: the bags of its larger flours, another than last time, and how much of their time is used."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import date
from typing import Any

from sqlmodel import Session

from fallow_sieve.core.ingredients import Lot, standings
from fallow_sieve.core.trials.evidence.composition import MATTERS_PCT, Made
from fallow_sieve.store.ingredients import LotOnRecord, all_lots
from fallow_sieve.store.trials import trials_of_formula

LARGE_PCT = 10.0  # % of the flour base from which on another bag is a change
_DAYS_PER_MONTH = 365.25 / 12


def drawn(session: Session, formula_id: int, made: Made, today: date) -> dict[str, Any]:
    """Return the set-up that says what is drawn on: lots by slug (their codes), and facts that are known of them."""
    bags = _bags(session, made, today)
    shares = {p.ingredient: p.flour_pct or 0.0 for p in made.worked.dough.parts}
    lots = {s: b.lot.code for s, b in bags.items() if shares.get(s, 0.0) >= LARGE_PCT}
    known: dict[str, float] = {}
    before = [t for t in trials_of_formula(session, formula_id) if t.setup.get("lots")]
    if before and lots:
        last: Mapping[str, str] = before[-1].setup["lots"]
        both = [s for s in lots if s in last]
        if both:
            known["lot_changed"] = float(any(lots[s] != last[s] for s in both))
    used = [
        u for s, b in bags.items() if shares.get(s, 0.0) >= MATTERS_PCT and (u := _used(made, s, b, today)) is not None
    ]
    if used:
        known["life_used"] = max(used)
    return {"lots": lots, "known": known}


def _bags(session: Session, made: Made, today: date) -> dict[str, LotOnRecord]:
    """The bag that each part draws on: the one that the blend names, else the first of those in stock."""
    named = {p.ingredient: p.lot_id for p in made.formula.blend if p.lot_id is not None}
    by_slug: dict[str, list[LotOnRecord]] = {}
    for record in all_lots(session):
        by_slug.setdefault(record.ingredient, []).append(record)
    found = {}
    for slug in {p.ingredient for p in made.worked.dough.parts}:
        records = [r for r in by_slug.get(slug, []) if not r.archived]
        own = next((r for r in records if r.id == named.get(slug)), None)
        bag = own or _first(records, today)
        if bag is not None:
            found[slug] = bag
    return found


def _first(records: list[LotOnRecord], today: date) -> LotOnRecord | None:
    lots: list[Lot] = [r.lot for r in records]
    return next((r for r, s in zip(records, standings(lots, today), strict=True) if s.draw == 1), None)


def _used(made: Made, slug: str, bag: LotOnRecord, today: date) -> float | None:
    """The share of its keeping time that a bag has used; unknown without the day it was bought."""
    months = made.worked.shelf[slug].range_of("shelf_months")
    if bag.lot.bought_on is None or months is None or months.typical <= 0:
        return None
    return max(0.0, (today - bag.lot.bought_on).days / _DAYS_PER_MONTH / months.typical)

"""Fills a kitchen with the demo scenario, at most once."""

from __future__ import annotations

from datetime import datetime, timedelta

from sqlmodel import Session

from fallow_sieve.core.blends import Part
from fallow_sieve.demo.scenario import BINS, BLENDS, BRIEFS, DemoBlend, Mix
from fallow_sieve.store.blends import add_blend, get_draft, keep_revision, save_draft
from fallow_sieve.store.briefs import add_brief, list_briefs
from fallow_sieve.store.kitchen_store import KitchenStore
from fallow_sieve.store.kitchens import kitchen_of, touch_shelf
from fallow_sieve.store.tables import LotRow

_TESTED = "supplier's test, at most"


def fill(kitchen: KitchenStore, now: datetime) -> bool:
    """Fill `kitchen` with the demo as of `now`; return False, changing nothing, where it holds briefs already."""
    with kitchen.writing() as session:
        if list_briefs(session):
            return False
        settings = kitchen_of(session)
        settings.name = "Tarn Line Provisions"
        session.add(settings)
        _fill_bins(session, now)
        briefs = _add_briefs(session, now)
        for n, blend in enumerate(BLENDS):
            _add_blend(session, blend, briefs, now - timedelta(days=21 - 2 * n))
    return True


def _fill_bins(session: Session, now: datetime) -> None:
    for b in BINS:
        session.add(
            LotRow(
                ingredient=b.ingredient,
                code=b.code,
                supplier=b.supplier,
                bought_g=b.bought_kg * 1000,
                stock_g=b.stock_kg * 1000,
                price_per_kg=b.price_per_kg,
                best_before=(now + timedelta(days=b.keeps_days)).date().isoformat(),
                gluten_mg_per_kg=b.gluten_mg_per_kg,
                gluten_basis=_TESTED if b.gluten_mg_per_kg is not None else "",
            )
        )
    touch_shelf(session, [b.ingredient for b in BINS])


def _add_briefs(session: Session, now: datetime) -> dict[str, int]:
    found = {}
    for brief in BRIEFS:
        values = {
            "name": brief.name,
            "use": brief.use,
            "eaters": brief.eaters,
            "aim": brief.aim,
            "note": brief.note,
            "limits": brief.limits,
        }
        row = add_brief(session, values, _text(now - timedelta(days=30)))
        assert row.id is not None
        found[brief.key] = row.id
    return found


def _add_blend(session: Session, blend: DemoBlend, briefs: dict[str, int], begun: datetime) -> None:
    brief_id = briefs[blend.brief] if blend.brief else None
    row = add_blend(session, blend.name, blend.use, brief_id, (), _text(begun))
    assert row.id is not None
    based_on = None
    for day, (why, mix) in enumerate(blend.revisions):
        at = _text(begun + timedelta(days=day * 2, hours=3))
        version = get_draft(session, row.id).version
        draft = save_draft(session, row.id, _parts(mix, blend), based_on, version, at)
        based_on = keep_revision(session, row.id, why, draft.version, at).number
    if blend.draft:
        version = get_draft(session, row.id).version
        save_draft(session, row.id, _parts(blend.draft, blend), based_on, version, _text(begun))


def _parts(mix: Mix, blend: DemoBlend) -> tuple[Part, ...]:
    return tuple(Part(slug, float(g), slug in blend.locked) for slug, g in mix.items())


def _text(at: datetime) -> str:
    return at.strftime("%Y-%m-%dT%H:%M:%SZ")

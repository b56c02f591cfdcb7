"""Fills a kitchen with the demo scenario, at most once."""

from __future__ import annotations

from dataclasses import replace
from datetime import date, datetime, timedelta

from sqlmodel import Session

from fallow_sieve.core.blends import Blend, Part
from fallow_sieve.core.ingredients import Fact, Lot, OnMesh, Quality, Soak, range_for
from fallow_sieve.core.values import CupStandard, SpoonStandard
from fallow_sieve.demo.batches import add_batches, drawn_g
from fallow_sieve.demo.bins import BINS, Bin
from fallow_sieve.demo.experiments import add_experiments
from fallow_sieve.demo.findings import (
    LABELS,
    LOTS_OF_BLENDS,
    OWN_FROM,
    OWN_NAME,
    OWN_NUMBERS,
    OWN_SOURCE,
    SECOND,
    SECOND_PACK_G,
    SECOND_PACK_PRICE,
    SECOND_YIELD_PCT,
    TESTS,
    USED_UP,
    DemoTest,
)
from fallow_sieve.demo.formulas import PANTRY, add_formulas
from fallow_sieve.demo.scenario import BLENDS, BRIEFS, DemoBlend, Mix
from fallow_sieve.demo.schedules import add_schedules
from fallow_sieve.demo.tastings import add_tastings
from fallow_sieve.demo.trials import add_trials
from fallow_sieve.formats.ingredients import slug_of
from fallow_sieve.services.ingredients.own_numbers import (
    CupReadings,
    Readings,
    ScaleReadings,
    SieveReadings,
    Target,
    WaterReadings,
    record_test,
)
from fallow_sieve.services.ingredients.panels import TypedPanel, record_panel
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.store import BLENDS as DOCUMENTS
from fallow_sieve.store import Draft, KitchenStore, add_brief, limits_of, list_briefs, save_settings, settings_of
from fallow_sieve.store.ingredients import add_lot, all_lots, copy_ingredient, put_number

_TESTED = "supplier's test, at most"


def fill(kitchen: KitchenStore, now: datetime) -> bool:
    """Fill `kitchen` with the demo as of `now`; return False, changing nothing, where it holds briefs already."""
    with kitchen.writing() as session:
        if list_briefs(session):
            return False
        save_settings(session, {"name": "Tarn Line Provisions"}, settings_of(session).version)
        _fill_bins(session, now)
        _add_own(session, now)
        _record_findings(session, kitchen, now)
        briefs = _add_briefs(session, now)
        for n, blend in enumerate(BLENDS):
            _add_blend(session, blend, briefs, now - timedelta(days=21 - 2 * n))
        session.flush()
        here = KitchenNow(kitchen.shelf(session, now.date()), CupStandard.METRIC, SpoonStandard.METRIC)
        add_formulas(session, here, briefs, now)
        add_schedules(session, here.shelf, now)
        add_trials(session, here, now)
        add_tastings(session, here, now)
        add_experiments(session, here, now)
        add_batches(session, here, now)
    return True


def _fill_bins(session: Session, now: datetime) -> None:
    drawn = drawn_g()
    for n, b in enumerate(BINS):
        lot = _lot(b, now, 25 + 3 * n)
        add_lot(session, b.ingredient, replace(lot, stock_g=lot.stock_g + drawn.get(b.ingredient, 0.0)))
    for n, b in enumerate(PANTRY):
        add_lot(session, b.ingredient, _lot(b, now, 4 + n % 5))
    for days_ago, b in USED_UP:
        add_lot(session, b.ingredient, _lot(b, now, days_ago))
    pack = replace(_lot(SECOND, now, 4), pack_g=SECOND_PACK_G, pack_price=SECOND_PACK_PRICE, yield_pct=SECOND_YIELD_PCT)
    add_lot(session, SECOND.ingredient, pack)


def _lot(b: Bin, now: datetime, days_ago: int) -> Lot:
    tested = b.gluten_mg_per_kg is not None
    return Lot(
        b.code,
        b.bought_kg * 1000,
        b.stock_kg * 1000,
        b.supplier,
        bought_on=_date(now, -days_ago),
        best_before=_date(now, b.keeps_days),
        price_per_kg=b.price_per_kg,
        gluten_mg_per_kg=b.gluten_mg_per_kg,
        gluten_basis=_TESTED if tested else "",
        gluten_on=_date(now, -days_ago) if tested else None,
    )


def _date(now: datetime, days: int) -> date:
    return (now + timedelta(days=days)).date()


def _day(now: datetime, days: int) -> str:
    return _date(now, days).isoformat()


def _add_own(session: Session, now: datetime) -> None:
    slug = slug_of(OWN_NAME)
    row = copy_ingredient(session, OWN_FROM, slug, OWN_NAME)
    for name, value in OWN_NUMBERS.items():
        fact = Fact(range_for(name, value), Quality.ESTIMATE, OWN_SOURCE, _day(now, -15))
        row = put_number(session, slug, name, fact, row.version)


def _record_findings(session: Session, kitchen: KitchenStore, now: datetime) -> None:
    lots = {x.lot.code: x.id for x in all_lots(session)}
    for t in TESTS:
        at = now - timedelta(days=t.days_ago)
        shelf = kitchen.shelf(session, now.date())
        record_test(session, shelf, Target(t.ingredient, lots.get(t.lot)), _readings(t), (at.date(), t.note, _text(at)))
    for label in LABELS:
        at = now - timedelta(days=label.days_ago)
        here = KitchenNow(kitchen.shelf(session, now.date()), CupStandard.METRIC, SpoonStandard.METRIC)
        of = Target(label.ingredient, lots[label.lot])
        record_panel(session, here, of, TypedPanel(**label.typed), (at.date(), _text(now)))


def _readings(t: DemoTest) -> Readings:
    r = t.readings
    if t.kind == "cup":
        return CupReadings(tuple(r["net_g"]), r["cup_ml"], r["way"])
    if t.kind == "water":
        runs = tuple(Soak(x["flour_g"], x["drained_g"]) for x in r["runs"])
        return WaterReadings(runs, r["cloth_dry_g"], r["cloth_wet_g"])
    if t.kind == "sieve":
        return SieveReadings(r["start_g"], tuple(OnMesh(x["opening_um"], x["mass_g"]) for x in r["stack"]))
    return ScaleReadings(tuple(r["readings_g"]), r["readability_g"])


def _add_briefs(session: Session, now: datetime) -> dict[str, int]:
    found = {}
    for brief in BRIEFS:
        values = {
            "name": brief.name,
            "use": brief.use,
            "eaters": brief.eaters,
            "aim": brief.aim,
            "note": brief.note,
        }
        made = add_brief(session, values, limits_of(brief.limits), _text(now - timedelta(days=30)))
        found[brief.key] = made.id
    return found


def _add_blend(session: Session, blend: DemoBlend, briefs: dict[str, int], begun: datetime) -> None:
    brief_id = briefs[blend.brief] if blend.brief else None
    head = DOCUMENTS.add(session, blend.name, brief_id, Blend((), use=blend.use), _text(begun))
    based_on = None
    for day, (why, mix) in enumerate(blend.revisions):
        at = _text(begun + timedelta(days=day * 2, hours=3))
        draft = _save(session, head.id, _blend(mix, blend, session), based_on, at)
        based_on = DOCUMENTS.keep(session, head.id, why, draft.version, at).number
    if blend.draft:
        _save(session, head.id, _blend(blend.draft, blend, session), based_on, _text(begun))


def _save(session: Session, blend_id: int, blend: Blend, based_on: int | None, at: str) -> Draft[Blend]:
    version = DOCUMENTS.draft(session, blend_id).version
    return DOCUMENTS.save_draft(session, blend_id, blend, based_on, version, at)


def _blend(mix: Mix, blend: DemoBlend, session: Session) -> Blend:
    lots = {x.lot.code: x.id for x in all_lots(session)}
    drawn = LOTS_OF_BLENDS.get(blend.name, {})
    parts = tuple(
        Part(slug, float(g), slug in blend.locked, lots[drawn[slug]] if slug in drawn else None)
        for slug, g in mix.items()
    )
    return Blend(parts, use=blend.use)


def _text(at: datetime) -> str:
    return at.strftime("%Y-%m-%dT%H:%M:%SZ")

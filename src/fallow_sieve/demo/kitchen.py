"""Fills a kitchen with the demo scenario, at most once."""

from __future__ import annotations

from datetime import datetime, timedelta

from sqlmodel import Session

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.ingredients.bench_tests import Soak, cup_fact, cup_weight, water_fact, water_taken_up
from fallow_sieve.core.ingredients.ingredient import Fact, Quality
from fallow_sieve.core.ingredients.lots import price_per_usable_kg
from fallow_sieve.core.ingredients.nutrition_panel import SoFar, facts_of, read_panel
from fallow_sieve.core.ingredients.plausible import range_for
from fallow_sieve.core.ingredients.sieve_grading import OnMesh, grade, grit_fact
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
from fallow_sieve.demo.scenario import BINS, BLENDS, BRIEFS, Bin, DemoBlend, Mix
from fallow_sieve.formats.shelf_table import slug_of
from fallow_sieve.reference.sieving import grit_mapping
from fallow_sieve.store.blends import add_blend, get_draft, keep_revision, save_draft
from fallow_sieve.store.briefs import add_brief, list_briefs
from fallow_sieve.store.findings import add_panel, add_test, panel_of, source_of
from fallow_sieve.store.ingredients import copy_ingredient, put_number
from fallow_sieve.store.kitchen_store import KitchenStore
from fallow_sieve.store.kitchens import kitchen_of, touch_shelf
from fallow_sieve.store.lots import all_lots, lot_of
from fallow_sieve.store.numbers import in_force, layers_of
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
        _add_own(session, now)
        _record_findings(session, now)
        briefs = _add_briefs(session, now)
        for n, blend in enumerate(BLENDS):
            _add_blend(session, blend, briefs, now - timedelta(days=21 - 2 * n))
        session.flush()
        add_formulas(session, kitchen.shelf(session, now.date()), briefs, now)
    return True


def _fill_bins(session: Session, now: datetime) -> None:
    for n, b in enumerate(BINS):
        session.add(_lot(b, now, 25 + 3 * n))
    for n, b in enumerate(PANTRY):
        session.add(_lot(b, now, 4 + n % 5))
    for days_ago, b in USED_UP:
        session.add(_lot(b, now, days_ago))
    second = _lot(SECOND, now, 4)
    pack = {"pack_g": SECOND_PACK_G, "pack_price": SECOND_PACK_PRICE, "yield_pct": SECOND_YIELD_PCT}
    for name, value in pack.items():
        setattr(second, name, value)
    second.price_per_kg = price_per_usable_kg(lot_of(second))
    session.add(second)
    session.flush()
    touch_shelf(session, {b.ingredient for b in (*BINS, *PANTRY)})


def _lot(b: Bin, now: datetime, days_ago: int) -> LotRow:
    tested = b.gluten_mg_per_kg is not None
    return LotRow(
        ingredient=b.ingredient,
        code=b.code,
        supplier=b.supplier,
        bought_on=_day(now, -days_ago),
        bought_g=b.bought_kg * 1000,
        stock_g=b.stock_kg * 1000,
        price_per_kg=b.price_per_kg,
        best_before=_day(now, b.keeps_days),
        gluten_mg_per_kg=b.gluten_mg_per_kg,
        gluten_basis=_TESTED if tested else "",
        gluten_on=_day(now, -days_ago) if tested else None,
    )


def _day(now: datetime, days: int) -> str:
    return (now + timedelta(days=days)).date().isoformat()


def _add_own(session: Session, now: datetime) -> None:
    slug = slug_of(OWN_NAME)
    row = copy_ingredient(session, OWN_FROM, slug, OWN_NAME)
    for name, value in OWN_NUMBERS.items():
        fact = Fact(range_for(name, value), Quality.ESTIMATE, OWN_SOURCE, _day(now, -15))
        row = put_number(session, slug, name, fact, row.version)


def _record_findings(session: Session, now: datetime) -> None:
    lots = {lot.code: lot for lot in all_lots(session)}
    for t in TESTS:
        lot = lots.get(t.lot)
        facts = _measured(session, t, _day(now, -t.days_ago))
        noted = (_day(now, -t.days_ago), t.note, _text(now - timedelta(days=t.days_ago)))
        target = (t.ingredient, lot.id if lot else None)
        add_test(session, t.kind, target, {"kind": t.kind, **t.readings}, facts, noted)
    for label in LABELS:
        on, lot_id = _day(now, -label.days_ago), lots[label.lot].id
        panel = panel_of(label.typed, kitchen_of(session))
        so_far = SoFar({n: f.range for n, f in in_force(layers_of(session, label.ingredient)).items()})
        facts = facts_of(read_panel(panel, so_far), so_far, source_of(label.typed), on)
        add_panel(session, label.ingredient, lot_id, dict(label.typed), facts, on, _text(now))


def _measured(session: Session, t: DemoTest, on: str) -> dict[str, Fact]:
    """The facts that a test's readings give."""
    r = t.readings
    if t.kind == "cup":
        return {"density_g_per_ml": cup_fact(cup_weight(r["net_g"], r["cup_ml"], r["way"], None), r["way"], on)}
    if t.kind == "water":
        runs = [Soak(x["flour_g"], x["drained_g"]) for x in r["runs"]]
        return {"thirst_g_per_g": water_fact(water_taken_up(runs, r["cloth_dry_g"], r["cloth_wet_g"], None), on)}
    if t.kind == "sieve":
        stack = [OnMesh(x["opening_um"], x["mass_g"]) for x in r["stack"]]
        return {"grit_index": grit_fact(grade(r["start_g"], stack, grit_mapping()), on)}
    return {}


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
        draft = save_draft(session, row.id, _parts(mix, blend, session), based_on, version, at)
        based_on = keep_revision(session, row.id, why, draft.version, at).number
    if blend.draft:
        version = get_draft(session, row.id).version
        save_draft(session, row.id, _parts(blend.draft, blend, session), based_on, version, _text(begun))


def _parts(mix: Mix, blend: DemoBlend, session: Session) -> tuple[Part, ...]:
    lots = {lot.code: lot.id for lot in all_lots(session)}
    drawn = LOTS_OF_BLENDS.get(blend.name, {})
    return tuple(
        Part(slug, float(g), slug in blend.locked, lots[drawn[slug]] if slug in drawn else None)
        for slug, g in mix.items()
    )


def _text(at: datetime) -> str:
    return at.strftime("%Y-%m-%dT%H:%M:%SZ")

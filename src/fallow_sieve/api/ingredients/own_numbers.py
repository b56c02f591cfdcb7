"""What is found out about a bag: bench tests and nutrition panels."""

from __future__ import annotations

from collections.abc import Mapping

from flask import Blueprint, Response

from fallow_sieve.api.http import answer, body, kitchen, now_text, store, today
from fallow_sieve.api.ingredients.own_number_models import (
    BenchResultOut,
    BenchTestIn,
    CardIn,
    CupIn,
    FindingOut,
    FindingsOut,
    LabelIn,
    LabelOut,
    LabelTextIn,
    LabelTextOut,
    ScaleIn,
    WaterIn,
    WithdrawnIn,
)
from fallow_sieve.api.spec import route
from fallow_sieve.core.ingredients import COLUMNS, Fact, OnMesh, Soak, scale_check
from fallow_sieve.formats.ingredients import read_label_text
from fallow_sieve.services.ingredients.own_numbers import (
    CardReadings,
    CupReadings,
    Readings,
    ScaleReadings,
    SieveReadings,
    Target,
    TestResult,
    WaterReadings,
    record_test,
    tried,
)
from fallow_sieve.services.ingredients.panels import PanelResult, TypedPanel, record_panel, tried_panel
from fallow_sieve.store.ingredients import (
    PanelOnRecord,
    TestOnRecord,
    get_ingredient,
    lots_of,
    panels_of,
    scale_checks,
    tests_of,
    withdraw_panel,
    withdraw_test,
)

routes = Blueprint("own_numbers", __name__)


def _colour(parts: list[float]) -> tuple[float, float, float]:
    red, green, blue = parts
    return red, green, blue


def _readings(given: BenchTestIn) -> Readings:
    r = given.readings
    if isinstance(r, CupIn):
        return CupReadings(tuple(r.net_g), r.cup_ml, r.way)
    if isinstance(r, WaterIn):
        return WaterReadings(tuple(Soak(x.flour_g, x.drained_g) for x in r.runs), r.cloth_dry_g, r.cloth_wet_g)
    if isinstance(r, CardIn):
        return CardReadings(_colour(r.card), tuple(map(_colour, r.spots)))
    if isinstance(r, ScaleIn):
        return ScaleReadings(tuple(r.readings_g), r.readability_g)
    return SieveReadings(r.start_g, tuple(OnMesh(m.opening_um, m.mass_g) for m in r.stack))


def _result(found: TestResult) -> BenchResultOut:
    return BenchResultOut.model_validate(
        {
            "kind": found.kind,
            "say": found.say,
            "verdict": found.verdict,
            "gives": list(found.gives),
            "warnings": list(found.warnings),
            found.kind: found.working,
        }
    )


@routes.post("/bench-tests/try")
@route(BenchResultOut, json=BenchTestIn)
def try_out() -> Response:
    """Return what readings give, without storing them."""
    given = body(BenchTestIn)
    with store().reading() as session:
        shelf = store().shelf(session, today())
        found = tried(session, shelf, Target(given.ingredient, given.lot_id), _readings(given), today())
    return answer(_result(found))


@routes.post("/bench-tests")
@route(BenchResultOut, status=201, json=BenchTestIn)
def record() -> Response:
    """Record a bench test; its numbers are used from now on."""
    given = body(BenchTestIn)
    noted = (today(), given.note, now_text())
    with store().writing() as session:
        shelf = store().shelf(session, today())
        found = record_test(session, shelf, Target(given.ingredient, given.lot_id), _readings(given), noted)
    return answer(_result(found), 201)


def _typed(given: LabelIn) -> TypedPanel:
    return TypedPanel(given.amount, given.unit, given.weighs_g, given.convention, given.printed)


def _panel(found: PanelResult) -> LabelOut:
    return LabelOut(
        numbers=list(found.reading.numbers.values()),
        serving_g=found.reading.serving_g,
        gives=list(found.gives),
        checks=list(found.checks),
        can_use=found.impossible is None and bool(found.gives),
    )


@routes.post("/labels/try")
@route(LabelOut, json=LabelIn)
def try_label() -> Response:
    """Return what a panel gives per 100 g and what does not fit, without storing it."""
    given = body(LabelIn)
    with store().reading() as session:
        of = Target(given.ingredient, given.lot_id)
        found = tried_panel(session, kitchen(), of, _typed(given), today())
    return answer(_panel(found))


@routes.post("/labels")
@route(LabelOut, status=201, json=LabelIn)
def record_label() -> Response:
    """Record a panel; its numbers are used from now on. One that cannot be true is refused."""
    given, here = body(LabelIn), kitchen()
    with store().writing() as session:
        of = Target(given.ingredient, given.lot_id)
        found = record_panel(session, here, of, _typed(given), (today(), now_text()))
    return answer(_panel(found), 201)


@routes.post("/labels/understand")
@route(LabelTextOut, json=LabelTextIn)
def understand() -> Response:
    """Return what the text of a panel was understood as, with every line that was not marked."""
    return answer(LabelTextOut.model_validate(read_label_text(body(LabelTextIn).text)))


@routes.get("/ingredients/<slug>/findings")
@route(FindingsOut)
def findings(slug: str) -> Response:
    """Return the bench tests and panels of an ingredient and its lots, the newest first."""
    with store().reading() as session:
        get_ingredient(session, slug)
        codes: dict[int | None, str] = {x.id: x.lot.code for x in lots_of(session, slug)}
        items = [_of_test(t, codes) for t in tests_of(session, slug)]
        items += [_of_panel(p, codes) for p in panels_of(session, slug)]
    items.sort(key=lambda f: (f.on, f.id), reverse=True)
    return answer(FindingsOut(items=items))


@routes.get("/scale-checks")
@route(FindingsOut)
def checks_of_the_scale() -> Response:
    """Return the checks of the kitchen's scale, the newest first."""
    with store().reading() as session:
        items = [_of_test(t, {}) for t in scale_checks(session)]
    return answer(FindingsOut(items=items[::-1]))


def _of_test(t: TestOnRecord, codes: Mapping[int | None, str]) -> FindingOut:
    said = _numbers(t.gives)
    if t.kind == "scale":
        said = scale_check(t.readings["readings_g"], t.readings["readability_g"]).say
    return FindingOut.model_validate(
        {
            "id": t.id,
            "what": t.kind,
            "lot_id": t.lot_id,
            "lot_code": codes.get(t.lot_id, ""),
            "on": t.on,
            "note": t.note,
            "say": said,
            "withdrawn": t.withdrawn,
            "readings": t.readings,
        }
    )


def _of_panel(p: PanelOnRecord, codes: Mapping[int | None, str]) -> FindingOut:
    shown: dict[str, Fact] = {
        n: p.gives[n] for n in ("protein_g", "fibre_g", "fat_g", "carbohydrate_g") if n in p.gives
    }
    return FindingOut(
        id=p.id,
        what="label",
        lot_id=p.lot_id,
        lot_code=codes.get(p.lot_id, ""),
        on=p.on,
        note="",
        say=_numbers(shown) or f"{len(p.gives)} numbers",
        withdrawn=p.withdrawn,
        readings=p.typed,
    )


def _numbers(gives: Mapping[str, Fact]) -> str:
    """Numbers in words, each with half of its width."""
    said = []
    for name, fact in gives.items():
        r, column = fact.range, COLUMNS[name]
        places = column.decimals if column.group == "composition" else max(1, column.decimals)
        said.append(f"{column.label.lower()} {r.typical:.{places}f} ± {(r.high - r.low) / 2:.{places}f} {column.unit}")
    return ", ".join(said)


@routes.put("/bench-tests/<int:test_id>/withdrawn")
@route(None, status=204, json=WithdrawnIn)
def withdraw(test_id: int) -> Response:
    """Take a bench test out of use, or back into it; it stays on record."""
    given = body(WithdrawnIn)
    with store().writing() as session:
        withdraw_test(session, test_id, given.withdrawn)
    return Response(status=204)


@routes.put("/labels/<int:label_id>/withdrawn")
@route(None, status=204, json=WithdrawnIn)
def withdraw_label(label_id: int) -> Response:
    """Take a panel out of use, or back into it; it stays on record."""
    given = body(WithdrawnIn)
    with store().writing() as session:
        withdraw_panel(session, label_id, given.withdrawn)
    return Response(status=204)

"""What is found out about a bag: bench tests and label panels."""

from __future__ import annotations

from collections.abc import Mapping

from flask import Blueprint, Response
from sqlmodel import Session

from fallow_sieve.api.finding_models import (
    BenchResultOut,
    BenchTestIn,
    CupIn,
    FindingOut,
    FindingsOut,
    GivenOut,
    LabelIn,
    LabelOut,
    LabelTextIn,
    LabelTextOut,
    ScaleIn,
    SieveIn,
    WaterIn,
    WithdrawnIn,
)
from fallow_sieve.api.http import answer, body, now_text, store, today
from fallow_sieve.api.spec import route
from fallow_sieve.core.ingredients.bench_tests import (
    ScaleCheck,
    Soak,
    cup_fact,
    cup_weight,
    scale_check,
    water_fact,
    water_taken_up,
)
from fallow_sieve.core.ingredients.columns import COLUMNS
from fallow_sieve.core.ingredients.ingredient import Fact, Ingredient
from fallow_sieve.core.ingredients.nutrition_panel import LabelReading, SoFar, facts_of, read_panel
from fallow_sieve.core.ingredients.panel_checks import Check, check_label
from fallow_sieve.core.ingredients.sieve_grading import OnMesh, grade, grit_fact, grit_verdict
from fallow_sieve.core.numerics.repeated_readings import Verdict
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.estimates import Range
from fallow_sieve.formats.label_text import read_label_text
from fallow_sieve.reference.sieving import grit_mapping
from fallow_sieve.store.findings import (
    add_panel,
    add_test,
    panel_of,
    panels_of,
    scale_checks,
    source_of,
    tests_of,
    withdraw_panel,
    withdraw_test,
)
from fallow_sieve.store.ingredients import get_ingredient
from fallow_sieve.store.kitchens import kitchen_of
from fallow_sieve.store.lots import lot_of_ingredient, lots_of
from fallow_sieve.store.numbers import Stored, fact_of, in_force, layers_of
from fallow_sieve.store.tables import BenchTestRow, PanelRow

routes = Blueprint("findings", __name__)
UNCHECKED_READABILITY_G = 1.0


@routes.post("/bench-tests/try")
@route(BenchResultOut, json=BenchTestIn)
def try_out() -> Response:
    """Return what readings give, without storing them."""
    given = body(BenchTestIn)
    with store().reading() as session:
        result, _ = _run(session, given)
    return answer(result)


@routes.post("/bench-tests")
@route(BenchResultOut, status=201, json=BenchTestIn)
def record() -> Response:
    """Record a bench test; its numbers are used from now on."""
    given = body(BenchTestIn)
    with store().writing() as session:
        result, facts = _run(session, given)
        noted = (today().isoformat(), given.note.strip(), now_text())
        readings = given.readings.model_dump()
        add_test(session, result.kind, (given.ingredient, given.lot_id), readings, facts, noted)
    return answer(result, 201)


def _run(session: Session, given: BenchTestIn) -> tuple[BenchResultOut, dict[str, Fact]]:
    """The result of a test and the facts it gives."""
    readings, on = given.readings, today().isoformat()
    if isinstance(readings, ScaleIn):
        found = scale_check(readings.readings_g, readings.readability_g)
        return BenchResultOut(kind="scale", say=found.say, verdict="new", gives=[], warnings=[], scale=found), {}
    item = _target(session, given.ingredient, given.lot_id)
    layers = layers_of(session, item.slug)
    step_g = readability_g(session)
    if isinstance(readings, CupIn):
        typical = _typical(layers, "density_g_per_ml")
        cup = cup_weight(readings.net_g, readings.cup_ml, readings.way, typical, step_g)
        facts = {"density_g_per_ml": cup_fact(cup, readings.way, on)}
        return _result("cup", cup.verdict, facts, item, cup=cup), facts
    if isinstance(readings, WaterIn):
        runs = [Soak(r.flour_g, r.drained_g) for r in readings.runs]
        typical = _typical(layers, "thirst_g_per_g")
        water = water_taken_up(runs, readings.cloth_dry_g, readings.cloth_wet_g, typical, step_g)
        facts = {"thirst_g_per_g": water_fact(water, on)}
        return _result("water", water.verdict, facts, item, water=water), facts
    return _sieve(readings, item, _typical(layers, "grit_index"), on)


def _sieve(
    readings: SieveIn, item: Ingredient, typical: float | None, on: str
) -> tuple[BenchResultOut, dict[str, Fact]]:
    stack = [OnMesh(m.opening_um, m.mass_g) for m in readings.stack]
    found = grade(readings.start_g, stack, grit_mapping())
    facts = {"grit_index": grit_fact(found, on)}
    result = _result("sieve", grit_verdict(found, typical), facts, item, sieve=found)
    return result.model_copy(update={"warnings": list(found.warnings)}), facts


def _result(
    kind: str, verdict: Verdict, facts: Mapping[str, Fact], item: Ingredient, **working: object
) -> BenchResultOut:
    return BenchResultOut.model_validate(
        {
            "kind": kind,
            "say": verdict.say,
            "verdict": verdict.kind,
            "gives": _gives(facts, item),
            "warnings": [],
            **working,
        }
    )


def _gives(facts: Mapping[str, Fact], item: Ingredient) -> list[GivenOut]:
    return [
        GivenOut(field=n, label=COLUMNS[n].label, unit=COLUMNS[n].unit, range=f.range, before=item.range_of(n))
        for n, f in facts.items()
    ]


def _typical(layers: Mapping[str, Stored], field: str) -> float | None:
    """The table's typical value, or else what counts now: a bag is judged against other bags, not against itself."""
    table = layers.get("table", {}).get(field)
    if table is not None:
        return fact_of(table).range.typical
    now = in_force({k: v for k, v in layers.items() if k != "measured"}).get(field)
    return now.range.typical if now else None


def _target(session: Session, slug: str | None, lot_id: int | None) -> Ingredient:
    """The ingredient or the lot that a finding is of, with the numbers that count for it now."""
    if slug is None:
        raise BadInputError("no ingredient", place="/ingredient", right="say which flour it is")
    get_ingredient(session, slug)
    lot_of_ingredient(session, slug, lot_id)
    shelf = store().shelf(session, today())
    return shelf.rows[shelf.row_of_lot(lot_id, slug, "/lot_id")] if lot_id is not None else shelf[slug]


def readability_g(session: Session) -> float:
    """Return the step (g) of the kitchen's scale as last checked; 1 g where it never was."""
    last = last_scale_check(session)
    return last.readability_g if last else UNCHECKED_READABILITY_G


def last_scale_check(session: Session) -> ScaleCheck | None:
    """Return what the last check of the scale told, or None."""
    kept = [t for t in scale_checks(session) if not t.withdrawn]
    if not kept:
        return None
    return scale_check(kept[-1].readings["readings_g"], kept[-1].readings["readability_g"])


@routes.post("/labels/try")
@route(LabelOut, json=LabelIn)
def try_label() -> Response:
    """Return what a panel gives per 100 g and what does not fit, without storing it."""
    given = body(LabelIn)
    with store().reading() as session:
        result, _ = _label(session, given)
    return answer(result)


@routes.post("/labels")
@route(LabelOut, status=201, json=LabelIn)
def record_label() -> Response:
    """Record a panel; its numbers are used from now on. One that cannot be true is refused."""
    given = body(LabelIn)
    with store().writing() as session:
        result, facts = _label(session, given)
        wrong = next((c for c in result.checks if c.severity == "impossible"), None)
        if wrong is not None:
            raise BadInputError(wrong.say.rstrip("."), place=f"/printed/{wrong.field}", right=wrong.look)
        if not facts:
            raise BadInputError("an empty panel", place="/printed", right="type at least one number")
        typed = given.model_dump(exclude={"ingredient", "lot_id"})
        add_panel(session, given.ingredient, given.lot_id, typed, facts, today().isoformat(), now_text())
    return answer(result, 201)


def _label(session: Session, given: LabelIn) -> tuple[LabelOut, dict[str, Fact]]:
    item = _target(session, given.ingredient, given.lot_id)
    so_far = SoFar({n: f.range for n, f in _without_label(session, given).items()})
    typed = given.model_dump()
    reading = read_panel(panel_of(typed, kitchen_of(session)), so_far)
    checks = check_label(reading, so_far)
    facts = facts_of(reading, so_far, source_of(typed), today().isoformat())
    return _label_out(reading, checks, _gives(facts, item)), facts


def _without_label(session: Session, given: LabelIn) -> dict[str, Fact]:
    """What is taken of the flour without any label of it: a label must not confirm itself."""
    layers = layers_of(session, given.ingredient)
    return in_force({k: v for k, v in layers.items() if k != "label"})


def _label_out(reading: LabelReading, checks: tuple[Check, ...], gives: list[GivenOut]) -> LabelOut:
    return LabelOut(
        numbers=list(reading.numbers.values()),
        serving_g=reading.serving_g,
        gives=gives,
        checks=list(checks),
        can_use=not any(c.severity == "impossible" for c in checks) and bool(gives),
    )


@routes.post("/labels/understand")
@route(LabelTextOut, json=LabelTextIn)
def understand() -> Response:
    """Return what the text of a panel was understood as, with every line that was not marked."""
    found = read_label_text(body(LabelTextIn).text)
    return answer(
        LabelTextOut(
            printed=found.printed,
            serving=found.serving,
            serving_unit=found.serving_unit,
            serving_g=found.serving_g,
            convention=found.convention,
            lines=list(found.lines),
        )
    )


@routes.get("/ingredients/<slug>/findings")
@route(FindingsOut)
def findings(slug: str) -> Response:
    """Return the bench tests and labels of an ingredient and its lots, the newest first."""
    with store().reading() as session:
        get_ingredient(session, slug)
        codes = {lot.id: lot.code for lot in lots_of(session, slug)}
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


def _of_test(row: BenchTestRow, codes: Mapping[int | None, str]) -> FindingOut:
    assert row.id is not None
    said = _numbers(row.gives)
    if row.kind == "scale":
        said = scale_check(row.readings["readings_g"], row.readings["readability_g"]).say
    return FindingOut(
        id=row.id,
        what=row.kind,
        lot_id=row.lot_id,
        lot_code=codes.get(row.lot_id, ""),
        on=row.taken_on,
        note=row.note,
        say=said,
        withdrawn=row.withdrawn,
        readings=row.readings,
    )


def _of_panel(row: PanelRow, codes: Mapping[int | None, str]) -> FindingOut:
    assert row.id is not None
    shown: Stored = {n: row.gives[n] for n in ("protein_g", "fibre_g", "fat_g", "carbohydrate_g") if n in row.gives}
    return FindingOut(
        id=row.id,
        what="label",
        lot_id=row.lot_id,
        lot_code=codes.get(row.lot_id, ""),
        on=row.read_on,
        note="",
        say=_numbers(shown) or f"{len(row.gives)} numbers",
        withdrawn=row.withdrawn,
        readings=row.typed,
    )


def _numbers(gives: Stored) -> str:
    """Numbers in words, each with half of its width."""
    said = []
    for name, record in gives.items():
        r: Range = fact_of(record).range
        column = COLUMNS[name]
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
    """Take a label out of use, or back into it; it stays on record."""
    given = body(WithdrawnIn)
    with store().writing() as session:
        withdraw_panel(session, label_id, given.withdrawn)
    return Response(status=204)

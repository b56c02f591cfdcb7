"""What is found out about a bag: a bench test or a nutrition panel worked out, recorded, and taken out of use."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import asdict, dataclass, field
from datetime import date
from typing import Any

from sqlmodel import Session

from fallow_sieve.core.ingredients import (
    COLUMNS,
    CupWeight,
    Fact,
    Grading,
    Ingredient,
    Lightness,
    OnMesh,
    ScaleCheck,
    Shelf,
    Soak,
    WaterTaken,
    bag_is_judged_against,
    cup_fact,
    cup_weight,
    grade,
    grit_fact,
    grit_verdict,
    lightness_fact,
    scale_check,
    water_fact,
    water_taken_up,
    white_card,
)
from fallow_sieve.core.numerics.repeated_readings import Verdict
from fallow_sieve.core.values import BadInputError, Range
from fallow_sieve.reference import grit_mapping
from fallow_sieve.store.ingredients import (
    Stored,
    add_test,
    check_lot_of,
    fact_of,
    facts_in_force,
    get_ingredient,
    layers_of,
    scale_checks,
)

UNCHECKED_READABILITY_G = 1.0


@dataclass(frozen=True, slots=True)
class CupReadings:
    """Levelled cups, each weighed without the cup (g), their volume (mL), and how they were filled."""

    net_g: tuple[float, ...]
    cup_ml: float
    way: str


@dataclass(frozen=True, slots=True)
class WaterReadings:
    """Water taken up: runs (g), and the cloth dry and after a blank run (g)."""

    runs: tuple[Soak, ...]
    cloth_dry_g: float
    cloth_wet_g: float


@dataclass(frozen=True, slots=True)
class SieveReadings:
    """A sieve grading: what was put in (g), and what stayed on each mesh and in the pan."""

    start_g: float
    stack: tuple[OnMesh, ...]


@dataclass(frozen=True, slots=True)
class CardReadings:
    """A photo beside white paper: the colour of the card and of spots of the flour (sRGB, 0–255)."""

    card: tuple[float, float, float]
    spots: tuple[tuple[float, float, float], ...]


@dataclass(frozen=True, slots=True)
class ScaleReadings:
    """Weighings of one coin (g), and the step that the scale shows (g)."""

    readings_g: tuple[float, ...]
    readability_g: float


Readings = CupReadings | WaterReadings | SieveReadings | CardReadings | ScaleReadings
KINDS: dict[type, str] = {
    CupReadings: "cup",
    WaterReadings: "water",
    SieveReadings: "sieve",
    CardReadings: "card",
    ScaleReadings: "scale",
}


@dataclass(frozen=True, slots=True)
class Target:
    """What a test or panel is of: an ingredient (slug), or one lot of it."""

    ingredient: str | None
    lot_id: int | None = None


@dataclass(frozen=True, slots=True)
class Given:
    """A number that a test or panel gives, in its unit, and what counted before."""

    field: str
    label: str
    unit: str
    range: Range
    before: Range | None


@dataclass(frozen=True, slots=True)
class TestResult:
    """What readings give: the verdict in one line, the numbers and facts, and the working of its kind."""

    kind: str
    say: str
    verdict: str
    gives: tuple[Given, ...] = ()
    facts: dict[str, Fact] = field(default_factory=dict)
    warnings: tuple[str, ...] = ()
    working: CupWeight | WaterTaken | Grading | Lightness | ScaleCheck | None = None


def tried(session: Session, shelf: Shelf, of: Target, readings: Readings, today: date) -> TestResult:
    """Return what `readings` give for `of`, beside what counts on `shelf` now; stores nothing. Raises BadInputError."""
    if isinstance(readings, ScaleReadings):
        found = scale_check(readings.readings_g, readings.readability_g)
        return TestResult("scale", found.say, "new", working=found)
    item = target_on(session, shelf, of)
    layers, on = layers_of(session, item.slug), today.isoformat()
    if isinstance(readings, CupReadings):
        return _cup(readings, item, layers, on, readability_g(session))
    if isinstance(readings, WaterReadings):
        return _water(readings, item, layers, on, readability_g(session))
    if isinstance(readings, CardReadings):
        return _card(readings, item, layers, on)
    return _sieve(readings, item, layers, on)


def _cup(r: CupReadings, item: Ingredient, layers: Mapping[str, Stored], on: str, step_g: float) -> TestResult:
    cup = cup_weight(r.net_g, r.cup_ml, r.way, _typical(layers, "density_g_per_ml"), step_g)
    return _result("cup", cup.verdict, {"density_g_per_ml": cup_fact(cup, r.way, on)}, item, cup)


def _water(r: WaterReadings, item: Ingredient, layers: Mapping[str, Stored], on: str, step_g: float) -> TestResult:
    water = water_taken_up(r.runs, r.cloth_dry_g, r.cloth_wet_g, _typical(layers, "thirst_g_per_g"), step_g)
    return _result("water", water.verdict, {"thirst_g_per_g": water_fact(water, on)}, item, water)


def _sieve(r: SieveReadings, item: Ingredient, layers: Mapping[str, Stored], on: str) -> TestResult:
    found = grade(r.start_g, r.stack, grit_mapping())
    verdict = grit_verdict(found, _typical(layers, "grit_index"))
    return _result("sieve", verdict, {"grit_index": grit_fact(found, on)}, item, found, found.warnings)


def _card(r: CardReadings, item: Ingredient, layers: Mapping[str, Stored], on: str) -> TestResult:
    found = white_card(r.card, r.spots, _typical(layers, "lightness_l"))
    facts = {"lightness_l": lightness_fact(found, on)}
    return _result("card", found.verdict, facts, item, found, found.warnings)


def _result(
    kind: str,
    verdict: Verdict,
    facts: dict[str, Fact],
    item: Ingredient,
    working: CupWeight | WaterTaken | Grading | Lightness,
    warnings: tuple[str, ...] = (),
) -> TestResult:
    return TestResult(kind, verdict.say, verdict.kind, given_by(facts, item), facts, warnings, working)


def given_by(facts: Mapping[str, Fact], item: Ingredient) -> tuple[Given, ...]:
    """Return the numbers of `facts` with what counted for `item` before, each in its unit."""
    return tuple(Given(n, COLUMNS[n].label, COLUMNS[n].unit, f.range, item.range_of(n)) for n, f in facts.items())


def _typical(layers: Mapping[str, Stored], name: str) -> float | None:
    table = layers.get("table", {}).get(name)
    others = facts_in_force({k: v for k, v in layers.items() if k != "measured"})
    return bag_is_judged_against(fact_of(table).range.typical if table is not None else None, others, name)


def record_test(
    session: Session, shelf: Shelf, of: Target, readings: Readings, noted: tuple[date, str, str]
) -> TestResult:
    """Record a bench test; its numbers count from now on. `noted` is its day, note and time. Raises BadInputError."""
    today, note, now = noted
    result = tried(session, shelf, of, readings, today)
    stored: dict[str, Any] = {"kind": result.kind, **asdict(readings)}
    target = (of.ingredient, of.lot_id)
    add_test(session, result.kind, target, stored, result.facts, (today.isoformat(), note.strip(), now))
    return result


def target_on(session: Session, shelf: Shelf, of: Target) -> Ingredient:
    """Return the ingredient or lot that a test or panel is of, with what counts for it now. Raises BadInputError."""
    if of.ingredient is None:
        raise BadInputError("no ingredient", place="/ingredient", right="say which flour it is")
    get_ingredient(session, of.ingredient)
    check_lot_of(session, of.ingredient, of.lot_id)
    if of.lot_id is None:
        return shelf[of.ingredient]
    return shelf.rows[shelf.row_of_lot(of.lot_id, of.ingredient, "/lot_id")]


def readability_g(session: Session) -> float:
    """Return the step (g) of the kitchen's scale as last checked; 1 g where it never was."""
    kept = [t for t in scale_checks(session) if not t.withdrawn]
    if not kept:
        return UNCHECKED_READABILITY_G
    last = kept[-1].readings
    return scale_check(last["readings_g"], last["readability_g"]).readability_g

"""Whether a label panel can be true: what does not fit, and what to look at."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

from fallow_sieve.core.ingredients.nutrients import KJ_PER_KCAL, NUTRIENTS, SALT_PER_SODIUM, energy_kcal
from fallow_sieve.core.ingredients.nutrition_panel import Convention, LabelReading, SoFar
from fallow_sieve.core.values import Range

ENERGY_OFF_PCT = 15.0


@dataclass(frozen=True, slots=True)
class PanelCheck:
    """Something that does not fit: its kind, whether it cannot be or only looks odd, the field, and what to do."""

    kind: str
    severity: Literal["impossible", "look"]
    field: str
    say: str
    look: str


def check_label(reading: LabelReading, so_far: SoFar) -> tuple[PanelCheck, ...]:
    """Return what does not fit in a label (numbers per 100 g), what cannot be at all first."""
    found = [
        *_over_100(reading),
        *_inside_one_another(reading),
        *_energy(reading),
        *_two_ways(reading),
        *_slipped(reading, so_far),
    ]
    return tuple(sorted(found, key=lambda c: c.severity != "impossible"))


def _range(reading: LabelReading, name: str) -> Range | None:
    number = reading.numbers.get(name)
    return number.per_100_g if number else None


def _over_100(reading: LabelReading) -> Iterable[PanelCheck]:
    names = ["protein_g", "fat_g", "carbohydrate_g"]
    if reading.convention is Convention.APART:
        names.append("fibre_g")
    known = [r for n in names if (r := _range(reading, n)) is not None]
    low, typical = sum(r.low for r in known), sum(r.typical for r in known)
    if low > 100:
        yield PanelCheck(
            "over-100",
            "impossible",
            "serving_g",
            f"Protein, fat, carbohydrate and fibre make {typical:.0f} g of 100 g.",
            f"Are these numbers per 100 g, typed beside a serving of {reading.serving_g.typical:.0f} g?",
        )


_HOLDS = (("fibre_g", "carbohydrate_g"), ("sugars_g", "carbohydrate_g"), ("saturated_fat_g", "fat_g"))


def _inside_one_another(reading: LabelReading) -> Iterable[PanelCheck]:
    for inner, outer in _HOLDS:
        a, b = _range(reading, inner), _range(reading, outer)
        if a is None or b is None or a.low <= b.high:
            continue
        if inner == "fibre_g" and reading.convention is Convention.APART:
            continue
        look = (
            "If the bag counts fibre apart from carbohydrate, say so above."
            if inner == "fibre_g"
            else "Are the two in each other's place?"
        )
        name, holder = NUTRIENTS[inner].label, _plain(outer)
        say = f"{name} ({a.typical:.1f} g) is more than the {holder} that holds it ({b.typical:.1f} g)."
        yield PanelCheck("inside", "impossible", inner, say, look)


def _plain(name: str) -> str:
    return NUTRIENTS[name].label.split(",")[0].lower()


def computed_kcal(reading: LabelReading) -> Range | None:
    """Return the energy (kcal per 100 g) of what is printed, by 4/9/4/2; None without protein, fat, carbohydrate."""
    protein, fat, carbohydrate = (_range(reading, n) for n in ("protein_g", "fat_g", "carbohydrate_g"))
    if protein is None or fat is None or carbohydrate is None:
        return None
    fibre = _range(reading, "fibre_g") or Range(0.0, 0.0, 0.0)
    inside = reading.convention is Convention.INSIDE

    def at(p: float, f: float, c: float, fi: float) -> float:
        return energy_kcal(p, f, max(0.0, c - fi) if inside else c, fi)

    typical = at(protein.typical, fat.typical, carbohydrate.typical, fibre.typical)
    low = at(protein.low, fat.low, carbohydrate.low, fibre.high if inside else fibre.low)
    high = at(protein.high, fat.high, carbohydrate.high, fibre.low if inside else fibre.high)
    return Range(min(low, typical), typical, max(high, typical))


def _energy(reading: LabelReading) -> Iterable[PanelCheck]:
    computed = computed_kcal(reading)
    if computed is None or computed.typical <= 0:
        return
    for name, per_kcal in (("energy_kcal", 1.0), ("energy_kj", KJ_PER_KCAL)):
        printed = _range(reading, name)
        if printed is not None:
            yield from _one_energy(name, printed, computed, per_kcal)


def _one_energy(name: str, printed: Range, computed: Range, per_kcal: float) -> Iterable[PanelCheck]:
    unit, other = ("kcal", "kJ") if name == "energy_kcal" else ("kJ", "kcal")
    expected = computed.typical * per_kcal
    off_pct = 100 * (printed.typical - expected) / expected
    if abs(off_pct) <= ENERGY_OFF_PCT:
        return
    ratio = printed.typical / expected
    slip = KJ_PER_KCAL if name == "energy_kcal" else 1 / KJ_PER_KCAL
    side = "over" if off_pct > 0 else "under"
    say = f"The energy is {abs(off_pct):.0f} % {side} what 4/9/4/2 gives ({expected:.0f} {unit})."
    if abs(ratio / slip - 1) <= ENERGY_OFF_PCT / 100:
        yield PanelCheck("unit", "look", name, say, f"It fits as {other}: is it typed under the wrong unit?")
    elif printed.low <= computed.high * per_kcal and printed.high >= computed.low * per_kcal:
        yield PanelCheck(
            "energy", "look", name, say, "Rounding on so small a serving can explain it; check the figures once."
        )
    else:
        yield PanelCheck(
            "energy", "look", name, say, "PanelCheck each figure, the serving, and which convention the bag follows."
        )


def _two_ways(reading: LabelReading) -> Iterable[PanelCheck]:
    pairs = (
        ("energy_kj", "energy_kcal", KJ_PER_KCAL, "kJ should be 4.184 × kcal"),
        ("salt_g", "sodium_mg", SALT_PER_SODIUM / 1000, "salt should be 2.5 × sodium"),
    )
    for one, two, factor, rule in pairs:
        a, b = _range(reading, one), _range(reading, two)
        if a is None or b is None or (a.low <= b.high * factor * 1.03 and a.high >= b.low * factor * 0.97):
            continue
        say = f"{NUTRIENTS[one].label} and {NUTRIENTS[two].label.lower()} do not agree: {rule}."
        yield PanelCheck("twice", "look", one, say, "One of the two has slipped: compare both with the bag.")


_FAR = 8.0
_LEAST_GAP = {"g": 2.0, "mg": 50.0, "kcal": 50.0, "kJ": 200.0}


def _slipped(reading: LabelReading, so_far: SoFar) -> Iterable[PanelCheck]:
    """A number far from what is usual for the flour: a unit or a decimal point has slipped, or it is another thing."""
    for name, number in reading.numbers.items():
        usual, found = so_far.of(name), number.per_100_g
        if name.startswith("energy") or usual is None or usual.typical <= 0:
            continue
        unit = NUTRIENTS[name].unit
        far = found.low > _FAR * usual.high or found.high < usual.low / _FAR
        if far and abs(found.typical - usual.typical) > _LEAST_GAP[unit]:
            say = (
                f"{NUTRIENTS[name].label} of {found.typical:.3g} {unit} per 100 g, where {usual.typical:.3g} is usual."
            )
            yield PanelCheck(
                "slipped", "look", name, say, f"Look at the decimal point, and whether the bag prints {_other(unit)}."
            )


def _other(unit: str) -> str:
    return "mg" if unit == "g" else "g"

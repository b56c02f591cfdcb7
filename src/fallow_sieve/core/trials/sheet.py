"""The sheet of a trial: five moments in the order of the work, each asking at most four things; the rest under more.

First the plan's own numbers, as ladders with what is planned in the middle; then marks in words, those first that
would tell most of what this use fails by: Σ severity · prior · spread of weights.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.trials.evidence.log import BEHIND
from fallow_sieve.core.trials.faults.tables import Fault, FaultTables
from fallow_sieve.core.trials.quantities import FAULT, Moment, Quantity
from fallow_sieve.core.trials.readings import Reading, State, of_arm
from fallow_sieve.core.trials.trial import Trial, TrialRules, faults_here, holds, noted

LADDERS, WORDS, RUNGS = 3, 6, 2  # shown of each at once; rungs on either side of what is planned
_NUMBERS = {
    Moment.MIXING: ("water_poured_g", "dough_feel", "dough_c", "mix_min", "rest_min", "liquid_c", "room_c",
                    "sheet_mm", "flour_dusted_g"),
    Moment.RISING: ("proof_min", "rise_pct", "proof_c", "room_c"),
    Moment.OVEN: ("core_c", "oven_c", "bake_min", "boil_min", "preheat_min", "mass_in_g", "crust_shade",
                  "crust_sound"),
    Moment.CUT: ("cool_min", "verdict", "light_for_size", "mass_out_g", "specific_volume_ml_g", "height_mm",
                 "spread_ratio", "intact_pct", "gap_mm", "wet_line_mm", "hole_mm"),
    Moment.DAY: ("soft", "moist", "weep_ml"),
}  # fmt: skip
# What needs no plan to be asked first: it has words of its own.
_OPEN = frozenset({"dough_feel", "verdict", "light_for_size", "soft", "moist"})
_NEEDS = {
    "proof_min": "rises", "rise_pct": "rises", "proof_c": "rises", "core_c": "baked", "oven_c": "baked",
    "bake_min": "baked", "preheat_min": "baked", "boil_min": "boiled", "sheet_mm": "sheeted", "gap_mm": "has-filling",
    "liquid_c": "has-yeast", "crust_shade": "baked", "crust_sound": "baked", "intact_pct": "boiled",
    "weep_ml": "thickened", "mass_in_g": "baked", "cool_min": "baked",
}  # fmt: skip
_CAUTIONS = {
    Moment.MIXING: "Raw flour and raw egg are not tasted.",
    Moment.OVEN: "Steam and tins burn.",
    Moment.DAY: "Mould: throw it away, do not smell it. What spoils is kept cold, whatever staling says.",
}


@dataclass(frozen=True, slots=True)
class Rung:
    """One step of a ladder: a value in the quantity's unit, and what stands on it."""

    value: float
    label: str


@dataclass(frozen=True, slots=True)
class Ladder:
    """A number to tap: what is planned (None: nothing is), its rungs, and what was noted (None: not yet)."""

    quantity: str
    label: str
    unit: str
    how: str
    planned: float | None
    rungs: tuple[Rung, ...]
    value: float | None
    as_planned: bool
    step: float


@dataclass(frozen=True, slots=True)
class Word:
    """A mark or a yes-or-no to tap: what it is called, and what was noted (None: not looked, 0: not there)."""

    quantity: str
    label: str
    is_fault: bool
    value: float | None
    ask: str = ""


@dataclass(frozen=True, slots=True)
class MomentSheet:
    """One moment: ladders and words that are asked, those under more, a caution, and why its marks wait, if they do."""

    moment: Moment
    ladders: tuple[Ladder, ...]
    words: tuple[Word, ...]
    more_ladders: tuple[Ladder, ...]
    more_words: tuple[Word, ...]
    caution: str
    waits: str
    planned: tuple[str, ...]

    @property
    def is_begun(self) -> bool:
        """Whether anything of it was noted."""
        ladders, words = (*self.ladders, *self.more_ladders), (*self.words, *self.more_words)
        return any(x.value is not None for x in ladders) or any(w.value is not None for w in words)


def sheet_of(trial: Trial, rules: TrialRules, arm: str = "", first: str = "", day: int = 0) -> tuple[MomentSheet, ...]:
    """Return the sheet of one arm; `first` is the quantity that would have told most last time, `day` that of days.

    What is read on several days is shown for `day`.
    """
    readings = [r for r in trial.readings if r.day in (0, day)] if day else list(trial.readings)
    seen = of_arm([r for r in readings if rules.quantities[r.quantity].moment is not Moment.DAY or r.day == day], arm)
    words, faults = holds(trial, rules) | _rises(trial), faults_here(trial, rules)
    weights = telling(faults, rules.faults)
    here = _Here(trial, rules, arm, seen, noted(trial, arm), words)
    return tuple(_moment(m, here, faults, weights, first) for m in Moment)


def _rises(trial: Trial) -> set[str]:
    return {"rises"} if trial.plan.value("proof_h26") is not None else set()


@dataclass(frozen=True, slots=True)
class _Here:
    trial: Trial
    rules: TrialRules
    arm: str
    seen: Mapping[str, Reading]
    values: Mapping[str, float]
    holds: set[str]

    def asks(self, quantity: str) -> bool:
        return _NEEDS.get(quantity) is None or _NEEDS[quantity] in self.holds


def comes_next(moments: Sequence[MomentSheet]) -> Moment:
    """Return the moment to go on with: the last that was begun while numbers of it are open, else the one after."""
    begun = [n for n, m in enumerate(moments) if m.is_begun]
    if not begun:
        return moments[0].moment
    at = begun[-1]
    return moments[at if moments[at].planned else min(at + 1, len(moments) - 1)].moment


def telling(faults: Iterable[Fault], tables: FaultTables) -> dict[str, float]:
    """Return how much each quantity can tell of `faults`: Σ severity · prior · spread of weights."""
    found: dict[str, float] = {}
    for fault in faults:
        for row in tables.evidence[fault.fault]:
            for test in row.tests:
                worth = fault.severity * row.prior * test[0].spread
                found[test[0].quantity] = found.get(test[0].quantity, 0.0) + worth
    return found


def _moment(
    moment: Moment, here: _Here, faults: Sequence[Fault], weights: Mapping[str, float], first: str
) -> MomentSheet:
    numbers = [_ladder(here.rules.quantities[q], here) for q in _NUMBERS[moment] if here.asks(q)]
    wanted = BEHIND.get(first, first)
    numbers.sort(key=lambda x: x.quantity != wanted)  # what would have told most last time comes first
    asked = [x for x in numbers if x.planned is not None or x.quantity in {*_OPEN, wanted}][:LADDERS]
    marks = [_fault_word(f, here) for f in sorted(faults, key=lambda f: -f.severity) if f.moment == moment]
    questions = _questions(moment, here, weights, first)
    words = _to_ask(marks, questions, first)
    return MomentSheet(
        moment=moment,
        ladders=tuple(asked),
        words=tuple(words),
        more_ladders=tuple(x for x in numbers if x not in asked),
        more_words=tuple(w for w in (*questions, *marks) if w not in words),
        caution=_CAUTIONS.get(moment, ""),
        waits=_waits(moment, here),
        planned=tuple(x.quantity for x in asked if x.planned is not None and x.value is None),
    )


def _to_ask(marks: Sequence[Word], questions: Sequence[Word], first: str) -> list[Word]:
    """What was asked for last time first, then the marks, and the question that would tell most."""
    asked = [w for w in questions if w.quantity == first]
    best = [w for w in questions if w not in asked][:1]
    return [*asked, *marks[: WORDS - len(asked) - len(best)], *best]


def _waits(moment: Moment, here: _Here) -> str:
    """Nothing raw is tasted: what is tasted waits until the core is noted, or it is said to be baked through."""
    if moment not in (Moment.CUT, Moment.DAY) or "baked" not in here.holds:
        return ""
    done = "core_c" in here.values or here.values.get("baked_through", 0.0) >= 1
    return "" if done else "Note the core, or say that it is baked through: nothing raw is tasted."


def _questions(moment: Moment, here: _Here, weights: Mapping[str, float], first: str) -> list[Word]:
    known = here.rules.quantities
    asked = [q for q in known.values() if q.moment is moment and q.ask and q.is_yes_or_no]
    told = [q for q in asked if weights.get(q.name, 0.0) > 0 or q.name in (first, "baked_through")]
    told.sort(key=lambda q: (q.name != first, -weights.get(q.name, 0.0)))
    return [Word(q.name, q.label, False, here.values.get(q.name), q.ask) for q in told]


def _fault_word(fault: Fault, here: _Here) -> Word:
    name = f"{FAULT}{fault.fault}"
    return Word(name, fault.name, True, here.values.get(name))


def _ladder(q: Quantity, here: _Here) -> Ladder:
    planned = here.trial.plan_of(here.arm).for_reading(q.name)
    step = rung_of(q, planned)
    reading = here.seen.get(q.name)
    value = here.values.get(q.name) if reading is not None else None
    return Ladder(
        q.name,
        q.label,
        q.unit,
        q.how,
        planned,
        rungs(q, planned, step),
        value,
        reading is not None and reading.state is State.PLANNED,
        step,
    )


def rung_of(q: Quantity, planned: float | None) -> float:
    """Return one step of a quantity's ladder in its unit; a share of what is planned is rounded to 1, 2 or 5."""
    if not q.rung.endswith("%"):
        return float(q.rung or 1.0)
    return nice((planned or 500.0) * float(q.rung[:-1]) / 100)


def nice(value: float) -> float:
    """Return `value` rounded to 1, 2 or 5 times a power of ten.

    >>> nice(17.7), nice(0.43)
    (20.0, 0.5)
    """
    power = 10.0 ** math.floor(math.log10(value))
    return float(min((1, 2, 5, 10), key=lambda n: abs(n * power - value)) * power)


def rungs(q: Quantity, planned: float | None, step: float) -> tuple[Rung, ...]:
    """Return the rungs of a ladder: all of a scale that has words or few steps, else around what is planned."""
    count = round((q.most - q.least) / step) + 1
    if q.words or count <= 9:
        every = [q.least + n * step for n in range(count)]
        return tuple(Rung(v, _word(q, n, v)) for n, v in enumerate(every) if v <= q.most)
    if planned is None:
        return ()
    middle = 5.0 * round(planned / 5) if step >= 5 and q.unit != "g" else round(planned, 0 if step >= 1 else 6)
    values = [middle + n * step for n in range(-RUNGS, RUNGS + 1)]
    return tuple(Rung(v, _number(v, step)) for v in values if q.least <= v <= q.most)


def _word(q: Quantity, n: int, value: float) -> str:
    return q.words[n] if n < len(q.words) else f"{value:g}"


def _number(value: float, step: float) -> str:
    return f"{value:.0f}" if step >= 1 else f"{value:.2f}".rstrip("0").rstrip(".")

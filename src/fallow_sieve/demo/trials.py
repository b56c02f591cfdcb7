"""The bakes of the demo kitchen: what was planned, read and marked of each. All of it is invented."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import datetime, timedelta
from typing import Any

from sqlmodel import Session

from fallow_sieve.core.formulas import WATER, Formula, Pour
from fallow_sieve.core.trials.readings import INSTANT, Reading, State
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.trials.beginning import Asked, begin
from fallow_sieve.services.trials.drawing import drawn
from fallow_sieve.services.trials.making import made_of
from fallow_sieve.store import FORMULAS
from fallow_sieve.store.trials import (
    StepOnRecord,
    TrialOnRecord,
    add_step,
    get_trial,
    pour_of,
    put_reading,
    readings_of,
    save_trial,
)

Marks = Mapping[str, float | None]  # None: as planned


@dataclass(frozen=True, slots=True)
class DemoTrial:
    """A bake: which formula and revision, days ago, what was noted (of an arm by its name), and what it followed.

    `after` is the place in this list of the trial it followed, `dough_of` of the one whose dough it was.
    """

    formula: str
    revision: int
    days_ago: int
    noted: Marks
    arms: Mapping[str, tuple[str, Marks]] = field(default_factory=dict)
    note: str = ""
    because: Mapping[str, Any] = field(default_factory=dict)
    change: str = ""
    after: int | None = None
    dough_of: int | None = None
    kept: tuple[float, float] | None = None
    set_aside: bool = False
    days: Mapping[int, Marks] = field(default_factory=dict)


SUMMIT, VIADUCT, TROLLEY, NIGHT = (
    "Summit tin loaf", "Viaduct crispbread", "Trolley hand pies", "Night-train dumpling sheets",
)  # fmt: skip
_TO_PLAN: Marks = {"core_c": None, "oven_c": None, "bake_min": None, "cool_min": None}

TRIALS = (
    DemoTrial(
        SUMMIT, 1, 52,
        {"water_poured_g": 862, "dough_feel": 0, "core_c": 97, "oven_c": 186, "bake_min": None, "cool_min": 75,
         "crust_shade": 3, "mass_in_g": 1870, "mass_out_g": 1652, "volume_seed_ml": 3400, "verdict": 5,
         "fault:side-burst": 2, "fault:crumbly": 1, "fault:dense": 1},
        note="cracked along the shoulder", days={1: {"soft": 2, "moist": 2, "fault:dry-next-day": 2}},
    ),
    DemoTrial(
        SUMMIT, 1, 48,
        {**_TO_PLAN, "water_poured_g": 890, "dough_feel": 0, "crust_shade": 3, "mass_in_g": 1896, "mass_out_g": 1672,
         "volume_seed_ml": 3520, "verdict": 5, "fault:side-burst": 1, "fault:dense": 1},
        note="better", days={1: {"soft": 3, "moist": 2, "fault:dry-next-day": 1}},
    ),
    DemoTrial(
        SUMMIT, 2, 45,
        {"water_poured_g": 905, "dough_feel": 1, "core_c": 98, "oven_c": 198, "bake_min": 48, "cool_min": 90,
         "crust_shade": 4, "mass_in_g": 1905, "mass_out_g": 1668, "volume_seed_ml": 3640, "verdict": 6,
         "fault:side-burst": 0, "fault:dense": 0, "fault:gummy": 1},
        note="a little sticky to shape", after=1, because={"say": "more water against the split", "fault": "side-burst",
                                                          "cause": "too-little-water"},
        change="Water 76 → 83 % of the blend", days={1: {"soft": 3, "moist": 3, "fault:dry-next-day": 0}},
    ),
    DemoTrial(SUMMIT, 2, 38, {"water_poured_g": 893}),
    DemoTrial(
        SUMMIT, 2, 31, {**_TO_PLAN, "water_poured_g": 880, "room_c": 16, "verdict": 4, "fault:dense": 2},
        note="damp day",
    ),
    DemoTrial(
        SUMMIT, 2, 24,
        {"water_poured_g": 901, "dough_feel": 0, "cool_min": None, "verdict": 7, "fault:gummy": 0},
        arms={
            "dark tin": ("dark metal", {"core_c": 98, "crust_shade": 5, "fault:stuck": 0, "greased": 1}),
            "bright tin": ("bright metal", {"core_c": 97, "crust_shade": 4, "fault:stuck": 0, "greased": 1}),
            "glass": ("glass", {"core_c": 95, "crust_shade": 3, "fault:stuck": 1, "greased": 1, "fault:pale": 1}),
            "silicone": ("silicone", {"core_c": 94, "crust_shade": 2, "fault:stuck": 0, "fault:pale": 2}),
        },
        note="four tins of one dough",
    ),
    DemoTrial(
        SUMMIT, 2, 17,
        {**_TO_PLAN, "water_poured_g": 898, "dough_feel": 0, "crust_shade": 4, "mass_in_g": 1902, "mass_out_g": 1673,
         "volume_seed_ml": 3880, "light_for_size": 1, "verdict": 8, "fault:gummy": 0, "fault:dense": 0},
        note="the one to beat", days={1: {"soft": 4, "moist": 3}, 2: {"soft": 3, "moist": 3}},
    ),
    DemoTrial(
        SUMMIT, 2, 10,
        {**_TO_PLAN, "water_poured_g": 909, "dough_feel": 0, "crust_shade": 4, "mass_in_g": 1910, "mass_out_g": 1684,
         "volume_seed_ml": 3790, "verdict": 7, "fault:gummy": 0, "fault:dense": 0},
        note="new sorghum bag", days={1: {"soft": 4, "moist": 3, "fault:dry-next-day": 0}},
    ),
    DemoTrial(
        SUMMIT, 2, 3,
        {"water_poured_g": 894, "dough_feel": 1, "dough_c": 26.5, "core_c": 97, "oven_c": 194, "bake_min": 45,
         "cool_min": 30, "crust_shade": 4, "mass_in_g": 1900, "mass_out_g": 1690, "volume_seed_ml": 3700,
         "light_for_size": 0, "verdict": 6, "fault:gummy": 2, "fault:wet-line": 1, "fault:dense": 0},
        note="cut for the early train",
    ),
    DemoTrial(
        VIADUCT, 1, 34, {**_TO_PLAN, "dough_feel": -1, "rest_min": 5, "verdict": 4, "fault:gritty": 3,
                         "fault:crumbly": 2},
        note="sheds crumbs",
    ),
    DemoTrial(
        VIADUCT, 2, 27, {**_TO_PLAN, "dough_feel": 0, "rest_min": 20, "verdict": 6, "fault:gritty": 1,
                         "fault:crumbly": 1},
        after=9, because={"say": "less grit: more water", "fault": "gritty", "cause": "too-little-water"},
        change="Water 47 → 52 % of the blend",
    ),
    DemoTrial(
        VIADUCT, 3, 20, {**_TO_PLAN, "dough_feel": 0, "rest_min": 5, "verdict": 3, "fault:gritty": 3,
                         "fault:tough": 2},
        after=9, because={"say": "xanthan against the crumbs", "fault": "crumbly", "cause": "binder-short"},
        change="Xanthan 1 % of the blend",
    ),
    DemoTrial(
        TROLLEY, 1, 13, {"dough_c": 21, "chill_min": 10, "core_c": 92, "oven_c": 182, "verdict": 4,
                         "preheat_ratio": 0.6, "fault:soggy-base": 3, "fault:shrinks": 1, "fault:greasy": 2},
        note="made before the lunch train",
    ),
    DemoTrial(NIGHT, 1, 9, {"dough_feel": 0, "rest_min": 30, "sheet_mm": 1.5, "verdict": 7,
                            "fault:tears-rolling": 0, "fault:sheet-dissolves": 0}),
    DemoTrial(
        NIGHT, 1, 8, {"boil_hard": 1, "verdict": 5, "fault:sheet-dissolves": 2},
        note="the second half; the fridge had been off", dough_of=13, kept=(20.0, 4.0), set_aside=True,
    ),
)  # fmt: skip


def add_trials(session: Session, kitchen: KitchenNow, now: datetime) -> None:
    """Add the demo's bakes with their readings, as of `now`."""
    heads = {h.name: h for h in FORMULAS.page(session, limit=1000)}
    _more_crispbread(session, heads[VIADUCT].id, now)
    made: list[TrialOnRecord] = []
    pours: list[Pour] = []  # each bake was planned by what those before it had taught
    for given in TRIALS:
        here = replace(kitchen, pours=tuple(pours))
        trial = _add(session, given, heads[given.formula].id, here, made, now)
        made.append(trial)
        found = pour_of(trial, readings_of(session, [trial.id])[trial.id])
        if found is not None and not trial.set_aside:
            pours.append(found.pour)


def _more_crispbread(session: Session, formula_id: int, now: datetime) -> None:
    """Two more states of the crispbread: wetter, and beside it one with xanthan that begins at the first."""
    first = FORMULAS.revision(session, formula_id, 1).content
    wetter = replace(first, lines=_with(first, WATER, 260))
    gum = replace(first, lines=(*first.lines, replace(first.lines[1], ingredient="xanthan-gum", mass_g=5)))
    kept = FORMULAS.draft(session, formula_id)
    for content, based_on, why, days in (
        (wetter, 1, "Wetter and rested, against the grit.", 28),
        (gum, 1, "Xanthan, against the crumbs.", 21),
    ):
        at = _text(now - timedelta(days=days))
        version = FORMULAS.draft(session, formula_id).version
        draft = FORMULAS.save_draft(session, formula_id, content, based_on, version, at)
        FORMULAS.keep(session, formula_id, why, draft.version, at)
    last = FORMULAS.draft(session, formula_id).version
    FORMULAS.save_draft(session, formula_id, wetter, 2, last, kept.updated_at)


def _with(formula: Formula, ingredient: str, mass_g: float) -> tuple[Any, ...]:
    return tuple(replace(x, mass_g=mass_g) if x.ingredient == ingredient else x for x in formula.lines)


def _add(
    session: Session, given: DemoTrial, formula_id: int, kitchen: KitchenNow, made: list[TrialOnRecord], now: datetime
) -> TrialOnRecord:
    at = now - timedelta(days=given.days_ago)
    formula = FORMULAS.revision(session, formula_id, given.revision).content
    setup = drawn(session, formula_id, made_of(formula, kitchen), at.date())
    setup["arms"] = [{"name": name, "pan": pan} for name, (pan, _) in given.arms.items()]
    asked = Asked(
        baked_on=at.date().isoformat(),
        note=given.note,
        because=given.because,
        setup=setup,
        parent_id=made[given.after].id if given.after is not None else None,
        dough_of=made[given.dough_of].id if given.dough_of is not None else None,
        kept_h=given.kept[0] if given.kept else None,
        kept_c=given.kept[1] if given.kept else None,
    )
    trial = begin(session, formula_id, formula, asked, kitchen, _text(at))
    _read(session, trial.id, given, at)
    if given.set_aside:
        trial = save_trial(session, trial.id, {"set_aside": True}, trial.version, _text(at))
    if given.after is not None:
        _step(session, given, made[given.after].id, trial.id, at)
    return get_trial(session, trial.id)


def _read(session: Session, trial_id: int, given: DemoTrial, at: datetime) -> None:
    count = 0
    every = [("", 0, given.noted), *((arm, 0, m) for arm, (_, m) in given.arms.items())]
    for arm, day, marks in [*every, *(("", day, m) for day, m in given.days.items())]:
        for quantity, value in marks.items():
            state = State.PLANNED if value is None else State.NOTED
            noted = None if value is None else float(value)
            reading = Reading(
                quantity, noted, arm, state, day=day, 
                at=(at + timedelta(days=day, minutes=count)).strftime(INSTANT),
                id=f"demo-{trial_id}-{count}",
            )  # fmt: skip
            put_reading(session, trial_id, reading)
            count += 1


def _step(session: Session, given: DemoTrial, before: int, after: int, at: datetime) -> None:
    fault, cause = str(given.because.get("fault", "")), str(given.because.get("cause", ""))
    add_step(session, StepOnRecord(before, after, fault, cause, given.change, created_at=_text(at)))


def _text(at: datetime) -> str:
    return at.strftime("%Y-%m-%dT%H:%M:%SZ")

"""Schedules as documents: a dough to ripen, readings, a leaven, and what is answered."""

from fallow_sieve.formats.schedule.answers import (
    ConflictOut,
    GramsOut,
    HeatOut,
    HoursOut,
    PaceOut,
    PhaseOut,
    ReadyOut,
    RipenAnswer,
    RiseAnswer,
    ScheduleAnswer,
    StarterAnswer,
    StepOut,
    ripen_answer,
    rise_answer,
    starter_answer,
)
from fallow_sieve.formats.schedule.dough import DoughIn, RiseIn, StarterIn
from fallow_sieve.formats.schedule.plan_csv import write_plan_csv
from fallow_sieve.formats.schedule.plan_file import USUAL_KITCHEN, DoneIn, KitchenIn, PlanFile, ProductIn, plan_text

__all__ = [
    "USUAL_KITCHEN",
    "ConflictOut",
    "DoneIn",
    "DoughIn",
    "GramsOut",
    "HeatOut",
    "HoursOut",
    "KitchenIn",
    "PaceOut",
    "PhaseOut",
    "PlanFile",
    "ProductIn",
    "ReadyOut",
    "RipenAnswer",
    "RiseAnswer",
    "RiseIn",
    "ScheduleAnswer",
    "StarterAnswer",
    "StarterIn",
    "StepOut",
    "calendar",
    "plan_text",
    "ripen_answer",
    "rise_answer",
    "starter_answer",
    "write_plan_csv",
]

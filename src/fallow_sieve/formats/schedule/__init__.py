"""Schedules as documents: a dough to ripen, readings, a leaven, and what is answered."""

from fallow_sieve.formats.schedule.answers import (
    ConflictOut,
    HeatOut,
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
from fallow_sieve.formats.schedule.plan_file import USUAL_KITCHEN, DoneIn, KitchenIn, PlanFile, ProductIn

__all__ = [
    "USUAL_KITCHEN",
    "ConflictOut",
    "DoneIn",
    "DoughIn",
    "HeatOut",
    "KitchenIn",
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
    "ripen_answer",
    "rise_answer",
    "starter_answer",
]

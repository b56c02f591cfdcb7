"""The card of a formula, with what it waits for between mixing and baking, from the templates of schedules."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from fallow_sieve.core.formulas import Card, Formula, FormulaJudgement, card_of
from fallow_sieve.core.schedule.ripening.organism import Organism
from fallow_sieve.core.schedule.steps.dough import MIXES
from fallow_sieve.core.schedule.steps.rules import Kind, StepRule, chosen
from fallow_sieve.core.values import counted
from fallow_sieve.reference import organism_named, schools_by_use, template_named
from fallow_sieve.services.formulas.working import blend_name, judged_formula, refuse_empty
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.schedule.products import amounts_of, speed_of

ROOM_C = 22.0
_WAITS = frozenset({Kind.FERMENT, Kind.CHILL, Kind.PASSIVE, Kind.HANDS})
_ON_CARD = frozenset({"rest", "fill", "shape", "portion", "roll", "pipe"})  # of the hands' steps and rests
_BAKES = ("Bake 1", "It is done at")


def card(formula: Formula, kitchen: KitchenNow) -> Card:
    """Return the card of `formula`, temperatures in the kitchen's unit. Raises BadInputError for an empty one."""
    refuse_empty(formula)
    judged = judged_formula(formula, kitchen)
    return with_waiting(card_of(judged, blend_name(formula), kitchen.temp_unit), formula, judged)


def with_waiting(card: Card, formula: Formula, judged: FormulaJudgement) -> Card:
    """Return the card with what its dough waits for between mixing and the oven, where its use has steps on record."""
    steps = _steps_of(formula, judged)
    if not steps:
        return card
    at = next((n for n, s in enumerate(card.steps) if s.startswith(_BAKES)), len(card.steps))
    said = [words for rule, speed in steps if (words := _words(rule, speed))]
    woken = ["Stir dried yeast into part of the liquid at 35–43 °C until it foams."] * any(
        rule.step == "wake-yeast" for rule, _ in steps
    )
    return replace(card, steps=(*woken, *card.steps[:at], *said, *card.steps[at:]))


def _steps_of(formula: Formula, judged: FormulaJudgement) -> list[tuple[StepRule, float]]:
    """The steps between mixing and the bake, each with how fast the dough is; nothing for a use without templates."""
    if formula.use not in schools_by_use():
        return []
    amounts = amounts_of(judged)
    rules = chosen(template_named(formula.use, _school(formula.use, amounts.leaven_pct)), amounts.switches)
    speed = speed_of(rules, amounts, organism_named("yeast"))
    if speed is None:
        return []
    mixed = next((n for n, r in enumerate(rules) if r.step in MIXES), None)
    if mixed is None:
        return []
    woken = [(r, speed) for r in rules[:mixed] if r.step == "wake-yeast"]
    until = next((n for n, r in enumerate(rules) if r.kind in (Kind.BAKE, Kind.COOK)), len(rules))
    return [*woken, *((r, speed) for r in rules[mixed + 1 : until] if r.kind in _WAITS)]


def _school(use: str, leaven_pct: float) -> str | None:
    """The sourdough school where a leaven lifts it; else the use's first."""
    schools: Sequence[str] = schools_by_use()[use]
    return "sourdough" if leaven_pct > 0 and "sourdough" in schools else None


def _words(rule: StepRule, speed: float) -> str:
    if rule.kind is Kind.FERMENT and rule.ref_hours is not None:
        warm, room = (60 * rule.ref_hours / speed / _speed(c) for c in (26.0, ROOM_C))
        until = f", until it has risen by {rule.target_rise_pct:.0f} %" if rule.target_rise_pct else ""
        return f"{rule.do}: about {_time(warm)} at 26 °C, {_time(room)} at {ROOM_C:.0f} °C{until}."
    if rule.kind is Kind.CHILL and rule.typical_min is not None:
        return f"{rule.do}: {_time(rule.typical_min)}."
    if rule.step in _ON_CARD:
        time = f": {_time(rule.typical_min)}" if rule.kind is Kind.PASSIVE and rule.typical_min else ""
        return f"{rule.do}{time}."
    return ""


def _speed(temp_c: float) -> float:
    return float(Organism("yeast").speed(temp_c))


def _time(minutes: float) -> str:
    if minutes < 90:
        return counted(5 * max(1, round(minutes / 5)), "minute")
    return f"{round(minutes / 30) / 2:g} hours"

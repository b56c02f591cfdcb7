"""The card of a formula: what to do, in order, in plain sentences with the grams, for paper and for files."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from fallow_sieve.core.baking import PlannedPhase, in_words
from fallow_sieve.core.formulas.analysis import LineFacts
from fallow_sieve.core.formulas.formula import AHEAD, When
from fallow_sieve.core.formulas.judgement import FormulaJudgement
from fallow_sieve.core.formulas.pouring import REST_MINUTES, is_poured, poured_water_g
from fallow_sieve.core.ingredients import WORDS
from fallow_sieve.core.values import fahrenheit_from_celsius, grams

_DO = {
    When.LEAVEN: "Make the leaven of {}.",
    When.SOAK: "Soak {}.",
    When.GEL: "Stir {} to a gel.",
    When.DRY: "Whisk together {}.",
    When.WET: "Mix in {}.",
    When.FAT: "Work in {}.",
    When.FOLD_IN: "Fold in {}.",
    When.FILLING: "Fill with {}.",
    When.FINISH: "After baking, finish with {}.",
}
_LAST = (When.FILLING, When.FINISH)


@dataclass(frozen=True, slots=True)
class Card:
    """Steps in order, and cautions, as sentences. Masses in g, temperatures in the unit asked for."""

    steps: tuple[str, ...]
    cautions: tuple[str, ...]


def card_of(judgement: FormulaJudgement, blend_name: str = "the blend", temp_unit: str = "c") -> Card:
    """Return the card of a formula that has been judged; `temp_unit` is c or f."""
    lines = judgement.analysis.lines
    mixed = dict.fromkeys(x.when for x in lines if x.when not in (*AHEAD, *_LAST))  # as the cook has them
    steps = [*_steps_of(AHEAD, lines, blend_name), *judgement.disperse, *_mixing(judgement, mixed, blend_name)]
    steps += _steps_of((When.FILLING,), lines, blend_name)
    steps += [_bake(n, p, temp_unit) for n, p in enumerate(judgement.bake.phases, start=1)]
    steps += _done(judgement, temp_unit)
    last = _step_of(When.FINISH, lines, blend_name)
    cautions = [c.say for c in (*judgement.cautions, *judgement.bake.cautions)]
    return Card((*steps, last) if last else tuple(steps), tuple(dict.fromkeys(cautions)))


def _mixing(judgement: FormulaJudgement, moments: Iterable[When], blend_name: str) -> list[str]:
    """The moments of the dough, its water poured step by step where it stands, or at the end where there is none."""
    lines = judgement.analysis.lines
    if not judgement.pour:
        return _steps_of(moments, lines, blend_name)
    wet = next((x.when for x in lines if is_poured(x)), None)
    rest = [x for x in lines if not is_poured(x)]
    steps = []
    for when in moments:
        steps += _steps_of((when,), rest, blend_name)
        steps += [_pour(judgement)] if when is wet else []
    return steps if wet else [*steps, _pour(judgement)]


def _steps_of(moments: Iterable[When], lines: Sequence[LineFacts], blend_name: str) -> list[str]:
    return [said for when in moments if (said := _step_of(when, lines, blend_name))]


def _step_of(when: When, lines: Sequence[LineFacts], blend_name: str) -> str:
    named = [_weighed(x, blend_name) for x in lines if x.when is when]
    return _DO[when].format(", ".join(named)) if named else ""


def _weighed(x: LineFacts, blend_name: str) -> str:
    """A line on the card; one in words stands as it was written, amount and all."""
    return x.name if x.ingredient == WORDS else f"{grams(x.mass_g)} {_name(x, blend_name)}"


def _name(x: LineFacts, blend_name: str) -> str:
    return blend_name if x.ingredient == "@blend" else x.name[0].lower() + x.name[1:]


def _pour(judgement: FormulaJudgement) -> str:
    """Of the formula's own water, what to pour first and how far to go."""
    own_g = poured_water_g(judgement.analysis.lines)
    first_g = min(judgement.pour[0].poured_g, own_g)
    most_g = max(judgement.pour[-1].poured_g, own_g)
    low, high = REST_MINUTES
    if most_g < _NOTHING_G:
        return f"Mix, and rest {low}–{high} minutes. It wants no water beside."
    in_formula = f"{grams(own_g)} in the formula" if own_g >= _NOTHING_G else "none in the formula"
    begin = f"Pour {grams(first_g)} water, mix," if first_g >= _NOTHING_G else "Mix,"
    return (
        f"{begin} and rest {low}–{high} minutes; then add water in small steps until it feels right "
        f"({in_formula}, at most {grams(most_g)}), and write down what went in."
    )


_NOTHING_G = 0.5


def _bake(n: int, p: PlannedPhase, unit: str) -> str:
    times = f"{_minutes(p.minutes_typical)} ({p.minutes_low:.0f}–{p.minutes_high:.0f})"
    return f"Bake {n}: {in_words(p.oven, unit)}; {times}, {p.say}."


def _done(judgement: FormulaJudgement, unit: str) -> list[str]:
    bake = judgement.bake
    if bake.core_low_c is None or bake.core_high_c is None or bake.cool_minutes is None:
        return []
    core = f"{_temp(bake.core_low_c, unit)}–{_temp(bake.core_high_c, unit)} {'°C' if unit == 'c' else '°F'}"
    return [
        f"It is done at a core of {core}. {bake.core_why}",
        f"Cool {_minutes(bake.cool_minutes)} before cutting. {bake.cool_why}",
    ]


def _minutes(minutes: float) -> str:
    return f"{minutes:.0f} minute{'' if round(minutes) == 1 else 's'}"


def _temp(temp_c: float, unit: str) -> str:
    return f"{temp_c if unit == 'c' else fahrenheit_from_celsius(temp_c):.0f}"

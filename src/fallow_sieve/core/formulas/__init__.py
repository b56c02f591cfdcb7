"""Formulas: a blend at work with water, fat, salt and what lifts it, judged as a whole."""

from fallow_sieve.core.formulas.analysis import FormulaAnalysis, LineFacts, WorkedFormula, analyse_formula
from fallow_sieve.core.formulas.binder_choice import SCHOOLS, Converted, Dilution, convert_binder, dilute, suggest
from fallow_sieve.core.formulas.card import Card, card_of
from fallow_sieve.core.formulas.dough_temperature import FRICTION_K, WaterPlan, masses_of, water_temperature
from fallow_sieve.core.formulas.finished_bake import Finished, finish, label_nutrients
from fallow_sieve.core.formulas.formula import (
    BLEND,
    CONSISTENCIES,
    MAX_LINES,
    MAX_METHOD,
    OUTSIDE_DOUGH,
    WATER,
    Formula,
    Line,
    When,
    check_lines,
    is_flour,
    opened,
    usual_when,
)
from fallow_sieve.core.formulas.gauges import Gauge
from fallow_sieve.core.formulas.judgement import FormulaJudgement, FormulaRules, FormulaSetting, judge_formula
from fallow_sieve.core.formulas.leavening import LeaveningRule, Usual, has_yeast, powder_equivalent
from fallow_sieve.core.formulas.new_line import begin_line
from fallow_sieve.core.formulas.newer_blend import changes_on
from fallow_sieve.core.formulas.pouring import counted_water, poured_pct, poured_water_g, with_water
from fallow_sieve.core.formulas.scaling import (
    MIXING_LOSS_PCT,
    Eggs,
    Rounded,
    Scaled,
    SmallDose,
    by_flour,
    by_pieces,
    by_total,
    egg_lines,
    round_to_step,
    small_doses,
    whole_eggs,
)
from fallow_sieve.core.formulas.tins import Filling, FillRule, Tin, filling, parse_tin
from fallow_sieve.core.formulas.unusual_shares import TOO_MUCH, UsualShare
from fallow_sieve.core.formulas.water import HydrationBand, Prediction
from fallow_sieve.core.formulas.water_learning import Corrected, Learnt, Pour, check_pour, correct, learn

__all__ = [
    "BLEND",
    "CONSISTENCIES",
    "FRICTION_K",
    "MAX_LINES",
    "MAX_METHOD",
    "MIXING_LOSS_PCT",
    "OUTSIDE_DOUGH",
    "SCHOOLS",
    "TOO_MUCH",
    "WATER",
    "Card",
    "Converted",
    "Corrected",
    "Dilution",
    "Eggs",
    "FillRule",
    "Filling",
    "Finished",
    "Formula",
    "FormulaAnalysis",
    "FormulaJudgement",
    "FormulaRules",
    "FormulaSetting",
    "Gauge",
    "HydrationBand",
    "Learnt",
    "LeaveningRule",
    "Line",
    "LineFacts",
    "Pour",
    "Prediction",
    "Rounded",
    "Scaled",
    "SmallDose",
    "Tin",
    "Usual",
    "UsualShare",
    "WaterPlan",
    "When",
    "WorkedFormula",
    "analyse_formula",
    "begin_line",
    "by_flour",
    "by_pieces",
    "by_total",
    "card_of",
    "changes_on",
    "check_lines",
    "check_pour",
    "convert_binder",
    "correct",
    "counted_water",
    "dilute",
    "egg_lines",
    "filling",
    "finish",
    "has_yeast",
    "is_flour",
    "judge_formula",
    "label_nutrients",
    "learn",
    "masses_of",
    "opened",
    "parse_tin",
    "poured_pct",
    "poured_water_g",
    "powder_equivalent",
    "round_to_step",
    "small_doses",
    "suggest",
    "usual_when",
    "water_temperature",
    "whole_eggs",
    "with_water",
]

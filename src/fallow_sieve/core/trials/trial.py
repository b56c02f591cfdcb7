"""One bake: what was made, planned and read, and everything that is worked out from that."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from functools import lru_cache

from fallow_sieve.core.formulas import FormulaRules
from fallow_sieve.core.ingredients import LookAlike
from fallow_sieve.core.schedule.ripening.organism import Organism
from fallow_sieve.core.trials.differences.changes import Sizes
from fallow_sieve.core.trials.differences.standing import Standing, composition_of, numbers_of
from fallow_sieve.core.trials.evidence.applies import belongs, what_holds
from fallow_sieve.core.trials.evidence.composition import Made, facts_of_formula
from fallow_sieve.core.trials.evidence.log import Setting, facts_of_log, values_of
from fallow_sieve.core.trials.faults.ranking import Ranking, rank
from fallow_sieve.core.trials.faults.tables import Fault, FaultTables
from fallow_sieve.core.trials.plan import TrialPlan
from fallow_sieve.core.trials.predicting import Process, in_pan
from fallow_sieve.core.trials.quantities import Quantity
from fallow_sieve.core.trials.readings import Reading, marks, of_arm
from fallow_sieve.core.values import Band

MADE_KEPT = 32  # formulas of which what was worked out is kept; each holds the whole shelf that it was made from


@dataclass(frozen=True, slots=True, eq=False)
class TrialRules:
    """The tables that trials are read by: quantities, faults, bands of measures, sizes of changes, what ferments."""

    quantities: Mapping[str, Quantity]
    faults: FaultTables
    bands: Mapping[tuple[str, str], Band]
    sizes: Sizes
    formulas: FormulaRules
    alike: Sequence[LookAlike]
    yeast: Organism
    order: Mapping[str, int] = field(default_factory=dict)  # of the quantities, as the table has them


@dataclass(frozen=True, slots=True)
class Arm:
    """One way of several in which a dough was baked: its name, and the factor on time of its pan where it differs."""

    name: str
    pan_factor: float | None = None


@dataclass(frozen=True, slots=True)
class Trial:
    """A bake: its formula as it was, how it was made, its frozen plan, readings and arms.

    `known` are facts from elsewhere (a bag's age, another lot), by quantity; `kinds` and `lots` those of its groups.
    """

    made: Made
    process: Process
    plan: TrialPlan
    readings: tuple[Reading, ...] = ()
    arms: tuple[Arm, ...] = ()
    setting: Setting = field(default_factory=Setting)
    known: Mapping[str, float] = field(default_factory=dict)
    kinds: Mapping[str, str] = field(default_factory=dict)
    lots: Mapping[str, str] = field(default_factory=dict)

    @property
    def arm_names(self) -> tuple[str, ...]:
        """The arms by name; one without a name where there are none."""
        return tuple(a.name for a in self.arms) or ("",)

    def plan_of(self, arm: str) -> TrialPlan:
        """Return the plan of one arm: the trial's, in its own pan."""
        found = next((a for a in self.arms if a.name == arm), None)
        return self.plan if found is None or found.pan_factor is None else in_pan(self.plan, found.pan_factor)


def noted(trial: Trial, arm: str = "") -> dict[str, float]:
    """Return what was noted of an arm, by quantity in its unit; what was as planned has the plan's value."""
    return values_of(of_arm(trial.readings, arm), trial.plan_of(arm))


def facts(trial: Trial, rules: TrialRules, arm: str = "") -> dict[str, float]:
    """Return everything known of an arm that can speak for or against a cause; what is unknown is absent.

    What was noted itself wins over what is worked out.
    """
    of_formula = formula_facts(trial.made, rules)
    read = noted(trial, arm)
    log = facts_of_log(read, trial.plan_of(arm), trial.setting, rules.yeast)
    return {**of_formula, **trial.known, **log}


def holds(trial: Trial, rules: TrialRules) -> set[str]:
    """Return the words that hold of the bake: baked, in-tin, has-yeast and so on."""
    return set(_words(trial.made, trial.process, rules))


@lru_cache(maxsize=MADE_KEPT)
def formula_facts(made: Made, rules: TrialRules) -> Mapping[str, float]:
    """Return what the analysis of a formula says, by quantity in its unit; a family's bakes are of few formulas."""
    return facts_of_formula(made, rules.formulas, rules.alike)


@lru_cache(maxsize=MADE_KEPT)
def _words(made: Made, process: Process, rules: TrialRules) -> frozenset[str]:
    risk = bool(formula_facts(made, rules).get("lookalike_risk"))
    return frozenset(what_holds(made, process.steps, made.formula.pan, risk))


def faults_here(trial: Trial, rules: TrialRules) -> tuple[Fault, ...]:
    """Return the faults that can be seen on this bake, in the order of the table."""
    use, words = trial.made.use, holds(trial, rules)
    slug, family = (use.slug, use.family) if use else ("", "")
    return tuple(f for f in rules.faults.faults.values() if belongs(f, slug, family, words))


@dataclass(frozen=True, slots=True)
class FaultSeen:
    """A fault that was marked: its strength 1–3, the arm that has it most, and its causes as they rank there."""

    fault: Fault
    strength: float
    arm: str
    ranking: Ranking
    facts: Mapping[str, float]


def faults_seen(
    trial: Trial, rules: TrialRules, priors: Mapping[str, Mapping[str, float]] | None = None
) -> tuple[FaultSeen, ...]:
    """Return the faults that were marked, the worst first, each ranked by the numbers of the arm that has it most."""
    words, found = holds(trial, rules), []
    by_arm = {arm: facts(trial, rules, arm) for arm in trial.arm_names}
    at = {arm: marks(trial.readings, arm) for arm in trial.arm_names}
    for name, strength in marks(trial.readings).items():
        if strength > 0 and name in rules.faults.evidence:
            arm = next(a for a in trial.arm_names if at[a].get(name, 0.0) == strength)
            ranking = rank(name, words, by_arm[arm], rules.faults, (priors or {}).get(name))
            found.append(FaultSeen(rules.faults.faults[name], strength, arm, ranking, by_arm[arm]))
    return tuple(sorted(found, key=lambda f: (-f.strength * f.fault.severity, f.fault.fault)))


def standing(trial: Trial, rules: TrialRules, arm: str = "") -> Standing:
    """Return the bake as it is compared with others."""
    known, read = facts(trial, rules, arm), noted(trial, arm)
    parts, lines = composition_of(trial.made)
    plan = trial.plan_of(arm)
    planned, done = numbers_of(trial.made, known, read, plan, rules.yeast)
    names = {p.ingredient: p.name for p in trial.made.worked.dough.parts}
    kinds = {**trial.kinds, **_kinds(trial, read)}
    return Standing(parts, lines, planned, done, kinds, trial.lots, plan.value("predicted_pct"), names)


def _kinds(trial: Trial, read: Mapping[str, float]) -> dict[str, str]:
    """Kinds in words, from the formula and from what was noted; what was not noted is absent."""
    pan = trial.made.formula.pan
    found = {"tin": pan} if pan is not None else {}
    for group, yes, no in (("steam-cover", "covered", "open"), ("storage", "in the fridge", "not in the fridge")):
        quantity = {"steam-cover": "covered", "storage": "stored_fridge"}[group]
        if quantity in read:
            found[group] = yes if read[quantity] >= 0.5 else no
    return found

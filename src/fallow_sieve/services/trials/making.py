"""A trial from a formula or a file: what is made, by which steps, and the plan that it begins with."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import replace
from functools import cache, lru_cache

from fallow_sieve.core.baking import pan_named
from fallow_sieve.core.blends import Blend, analyse
from fallow_sieve.core.formulas import COUNTED, Formula, analyse_formula
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.schedule.steps.rules import StepRule, chosen
from fallow_sieve.core.trials.evidence.composition import Made
from fallow_sieve.core.trials.evidence.log import Setting
from fallow_sieve.core.trials.predicting import Process, predicted_plan
from fallow_sieve.core.trials.readings import Reading, check_reading
from fallow_sieve.core.trials.trial import MADE_KEPT, Arm, Trial, TrialRules
from fallow_sieve.formats.formulas import document_of
from fallow_sieve.formats.trials import TrialFile, readings_of
from fallow_sieve.reference import (
    fault_tables,
    formula_rules,
    look_alikes,
    measure_bands,
    organism_named,
    quantities,
    rules,
    schools_by_use,
    step_sizes,
    template_named,
)
from fallow_sieve.services.formulas.working import judged_formula
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.schedule.products import amounts_of, speed_of
from fallow_sieve.services.trials.slips import check_slip


@cache
def trial_rules() -> TrialRules:
    """Return the tables that trials are read by."""
    return TrialRules(
        quantities(), fault_tables(), measure_bands(), step_sizes(), formula_rules(), look_alikes(),
        organism_named("yeast"),
        {name: n for n, name in enumerate(quantities())},
    )  # fmt: skip


def made_of(formula: Formula, kitchen: KitchenNow) -> Made:
    """Return a formula with all that is known of it. Raises BadInputError."""
    judged = judged_formula(formula, kitchen)
    worked = analyse_formula(formula, kitchen.shelf, COUNTED)
    use = rules().uses.get(formula.use or "")
    parts = formula.blend if any(x.ingredient == "@blend" for x in formula.lines) else ()
    return Made(formula, judged, worked, use, analyse(Blend(parts), kitchen.shelf) if parts else None)


_MOST_MADE = 512
_made: dict[int, tuple[Shelf, dict[Formula, Made]]] = {}


def made_once(formula: Formula, kitchen: KitchenNow) -> Made:
    """Return a formula with all that is known of it, whatever bakes taught of its water: made once for a shelf.

    A family's bakes are of few formulas; each is worked out once, not at every look.
    """
    shelf = kitchen.shelf
    kept = _made.get(id(shelf))
    if kept is None or kept[0] is not shelf:
        _made.clear()  # only the shelf of now is asked for again
        kept = _made[id(shelf)] = (shelf, {})
    found = kept[1].get(formula)
    if found is None:
        if len(kept[1]) >= _MOST_MADE:
            kept[1].clear()
        found = kept[1][formula] = made_of(formula, replace(kitchen, pours=()))
    return found


def process_of(made: Made, school: str | None = None, switches: Mapping[str, bool] | None = None) -> Process:
    """Return how a formula is made: the steps of its use (none where none are on record), and how fast it rises."""
    return _process(made, school, tuple(sorted((switches or {}).items())))


@lru_cache(maxsize=MADE_KEPT)
def _process(made: Made, school: str | None, switches: tuple[tuple[str, bool], ...]) -> Process:
    steps = _steps(made, school, dict(switches))
    yeast, use = organism_named("yeast"), made.use.slug if made.use else ""
    speed = speed_of(steps, amounts_of(made.judged), yeast) if steps else 1.0
    pan = pan_named(made.formula.pan, formula_rules().pans)
    return Process(steps, speed or 0.0, yeast, pan.time_factor, measure_bands().get((use, "specific_volume_ml_g")))


def _steps(made: Made, school: str | None, switches: Mapping[str, bool]) -> tuple[StepRule, ...]:
    use = made.use.slug if made.use else ""
    schools = schools_by_use().get(use)
    if schools is None:
        return ()
    amounts = amounts_of(made.judged)
    usual = "sourdough" if amounts.leaven_pct > 0 and "sourdough" in schools else None
    return chosen(template_named(use, school or usual), {**amounts.switches, **switches})


def checked(readings: Iterable[Reading], arms: tuple[str, ...], place: str = "/readings") -> tuple[Reading, ...]:
    """Return the readings where all can be used. Raises BadInputError naming the first that cannot."""
    found = tuple(readings)
    for n, r in enumerate(found):
        check_reading(r, quantities(), arms, f"{place}/{n}")
    return found


def trial_of_file(file: TrialFile, kitchen: KitchenNow) -> Trial:
    """Return the trial that a file holds, its plan predicted from the formula. Raises BadInputError."""
    document = document_of(file.formula)
    made = made_of(document.formula, kitchen.with_ingredients(document.ingredients))
    process = process_of(made)
    plan = predicted_plan(made, process).with_values(file.plan, "the file")
    found = Trial(
        made=made,
        process=process,
        plan=plan,
        readings=checked(readings_of(file), tuple(file.arms)),
        arms=tuple(Arm(name) for name in file.arms),
        setting=Setting(plan.value("altitude_m"), file.kept_h),
    )
    for n, r in enumerate(found.readings):
        check_slip(r, plan.value("water_poured_g"), f"/readings/{n}/value")
    return found

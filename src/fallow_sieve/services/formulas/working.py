"""Formulas at work: judged, begun line by line, scaled, swapped, warmed, finished, and brought to a newer blend."""

from __future__ import annotations

from dataclasses import dataclass, replace

from sqlmodel import Session

from fallow_sieve.core.baking import pan_named
from fallow_sieve.core.blends import Blend, Part, check_parts
from fallow_sieve.core.formulas import (
    FRICTION_K,
    Finished,
    Formula,
    FormulaJudgement,
    Line,
    LineMoves,
    WaterPlan,
    analyse_formula,
    begin_line,
    changes_on,
    check_lines,
    finish,
    judge_formula,
    masses_of,
    moves_of,
    opened,
    poured_water_g,
    water_temperature,
)
from fallow_sieve.core.formulas.swaps import Effects, Swap, effects_of, swaps_for
from fallow_sieve.core.ingredients import Ingredient, Shelf
from fallow_sieve.core.values import BadInputError, Change, Status
from fallow_sieve.reference import formula_rules, portions, swap_rules
from fallow_sieve.services.blends.judging import must_define
from fallow_sieve.services.blends.standing import State
from fallow_sieve.services.kitchen import KitchenNow, use_named
from fallow_sieve.store import BLENDS, FORMULAS, Head, Revision


def judged_formula(formula: Formula, kitchen: KitchenNow) -> FormulaJudgement:
    """Return the judgement of `formula` in `kitchen`. Raises BadInputError."""
    if formula.pin is not None:
        check_parts(formula.blend, kitchen.shelf, "/content/blend/parts")
    return judge_formula(formula, kitchen.shelf, formula_rules(), kitchen.formula_setting)


def moves(formula: Formula, kitchen: KitchenNow) -> tuple[LineMoves, ...]:
    """Return what a little more of each line would do to each gauge. Raises BadInputError."""
    return moves_of(formula, lambda f: judged_formula(f, kitchen).gauges)


def check_settings(formula: Formula) -> None:
    """Raise BadInputError for a use or a pan that is not known."""
    use_named(formula.use)
    pan_named(formula.pan, formula_rules().pans)


def check_formula(formula: Formula, shelf: Shelf) -> None:
    """Raise BadInputError unless settings, blend and lines can be used; an empty formula is where each one begins."""
    check_settings(formula)
    if formula.pin is not None:
        check_parts(formula.blend, shelf, "/content/blend/parts")
    if formula.lines:
        check_lines(formula.lines, shelf, formula.pin is not None, "/content/lines")


def begun_line(formula: Formula, ingredient: str, kitchen: KitchenNow) -> Line:
    """Return the line (g) with which `ingredient` begins in `formula`. Raises UnknownNameError."""
    item = kitchen.shelf.rows[kitchen.shelf.row(ingredient, "/ingredient")]
    so_far = judged_formula(formula, kitchen) if formula.lines else None
    return begin_line(item, formula.use, so_far, formula_rules())


@dataclass(frozen=True, slots=True)
class NewerBlend:
    """A newer revision of the pinned blend: its number (None: there is none), parts, and what would change."""

    newer: int | None = None
    parts: tuple[Part, ...] = ()
    say: str = ""
    changes: tuple[Change, ...] = ()


def newer_blend(formula: Formula, newest: Revision[Blend] | None, kitchen: KitchenNow) -> NewerBlend:
    """Return what would change in `formula` with the `newest` revision of its blend, where that is newer."""
    pin = formula.pin
    if pin is None or newest is None or (pin.revision is not None and newest.number <= pin.revision):
        return NewerBlend()
    parts = newest.content.parts
    changes = changes_on(formula, parts, kitchen.shelf, formula_rules(), kitchen.formula_setting)
    say = f"{pin.name} is at revision {newest.number} now ({newest.why.rstrip('.')})."
    return NewerBlend(newest.number, parts, say, changes)


def newest_of_pinned(session: Session, formula: Formula) -> Revision[Blend] | None:
    """Return the newest revision of the blend that `formula` rests on; None where it is from no blend here."""
    pin = formula.pin
    return BLENDS.newest(session, pin.id) if pin is not None and pin.id is not None else None


def bake_loss_pct(formula: Formula) -> float | None:
    """Return what a bake of the formula's use loses, %; None where there is no rule."""
    done = formula_rules().doneness.get(formula.use or "")
    return done.bake_loss_pct if done else None


@dataclass(frozen=True, slots=True)
class SwapOffer:
    """One candidate for a line, how much is lost with it in all (weights), and what it does to the whole batch."""

    swap: Swap
    lost: int
    effects: Effects


@dataclass(frozen=True, slots=True)
class SwapOffers:
    """The candidates for a line, the one that loses least first; or why there is none."""

    offers: tuple[SwapOffer, ...]
    say: str


def swaps(formula: Formula, at: int, kitchen: KitchenNow) -> SwapOffers:
    """Return what could stand in for line `at` of `formula`, each with its effects. Raises BadInputError."""
    found = swaps_for(formula, at, kitchen.shelf, swap_rules(formula.use, kitchen.thickener_school))
    before = judged_formula(formula, kitchen)
    offers = []
    for swap in found:
        after = replace(formula, lines=swap.lines)
        offers.append(
            SwapOffer(
                swap, swap.lost, effects_of(formula, before, after, judged_formula(after, kitchen), kitchen.shelf)
            )
        )
    name = before.analysis.lines[at].name
    return SwapOffers(tuple(offers), "" if offers else f"There is no swap for {name.lower()} in the tables.")


@dataclass(frozen=True, slots=True)
class Warming:
    """How warm the dough is to be and how warm everything else is (°C), the kind of mixing, and the yeast."""

    dough_c: float
    room_c: float
    cold_c: float
    mixing: str
    friction_k: float | None
    tap_c: float
    yeast: str


def water_plan(formula: Formula, how: Warming, kitchen: KitchenNow) -> WaterPlan:
    """Return how warm the water (°C) must be, and how much of it ice (g). Raises BadInputError without water."""
    friction = FRICTION_K[how.mixing] if how.friction_k is None else how.friction_k
    others = masses_of(formula, kitchen.shelf, how.room_c, how.cold_c)
    return water_temperature(others, poured_water_g(formula.lines), how.dough_c, friction, how.tap_c, how.yeast)


def finished(
    formula: Formula, kitchen: KitchenNow, loss_pct: float | None = None, bought_per_kg: float | None = None
) -> Finished:
    """Return the finished bake after `loss_pct` % (None: the use's own) and its cost."""
    loss = loss_pct if loss_pct is not None else bake_loss_pct(formula)
    analysis, usual = analyse_formula(formula, kitchen.shelf), portions().get(formula.use or "")
    return finish(formula, analysis, kitchen.shelf, loss, bought_per_kg, usual)


def refuse_empty(formula: Formula) -> None:
    """Raise BadInputError for a formula without lines."""
    if not formula.lines:
        raise BadInputError("the formula is empty", right="add an ingredient first")


def blend_name(formula: Formula) -> str:
    """Return what the blend is called on cards and in files."""
    return (formula.pin.name if formula.pin else "") or "the blend"


def defined_in_file(formula: Formula, shelf: Shelf) -> list[Ingredient]:
    """Return the ingredients that a formula file must define itself to be judged the same elsewhere."""
    return must_define(Blend(opened(formula.lines, formula.blend)), shelf)


@dataclass(frozen=True, slots=True)
class FormulaStanding:
    """How the draft of a formula stands: use, blend, state, water (% of flour), bakes behind it, what is kept."""

    use: str | None
    blend_name: str
    state: State
    say: str
    dough_g: float | None
    hydration_pct: float | None
    wanted_low_pct: float | None
    wanted_high_pct: float | None
    bakes: int
    revisions: int
    kept: bool


def formula_standing(session: Session, head: Head, kitchen: KitchenNow) -> FormulaStanding:
    """Return how the draft of a formula stands in `kitchen`; what cannot be judged does not take the list with it."""
    draft, revisions = FORMULAS.draft(session, head.id).content, FORMULAS.revisions(session, head.id)
    found, wrong = _judged_if_it_can_be(draft, kitchen)
    wanted = found.wanted if found else None
    return FormulaStanding(
        use=draft.use,
        blend_name=draft.pin.name if draft.pin else "",
        state="unjudged" if wrong else _state(found),
        say=found.say if found else wrong or "Nothing in it yet.",
        dough_g=found.analysis.dough_g if found else None,
        hydration_pct=found.analysis.hydration_pct if found else None,
        wanted_low_pct=wanted.low_pct if wanted else None,
        wanted_high_pct=wanted.high_pct if wanted else None,
        bakes=found.learnt[-1].bakes if found else 0,
        revisions=len(revisions),
        kept=any(r.content == draft for r in revisions),
    )


def _judged_if_it_can_be(formula: Formula, kitchen: KitchenNow) -> tuple[FormulaJudgement | None, str]:
    if not formula.lines:
        return None, ""
    try:
        return judged_formula(formula, kitchen), ""
    except BadInputError as error:
        return None, f"It cannot be judged: {error.wrong}."


def _state(found: FormulaJudgement | None) -> State:
    if found is None:
        return "empty"
    statuses = {g.status for g in found.gauges}
    if Status.HELD in statuses:
        return "held"
    if Status.CLOSE in statuses:
        return "close"
    return "passes" if Status.PASS in statuses else "unjudged"

"""What a search is asked: wishes laid out from a blend and its brief, and a problem posed on a kitchen."""

from __future__ import annotations

from dataclasses import dataclass, replace

from fallow_sieve.core.blends import Analysis, Blend, Part, analyse, check_parts, drawing_on
from fallow_sieve.core.formulas import BagAsked, doses_for
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.optimise import Aim, Problem, Wishes, in_bins, is_supplement, problem_of
from fallow_sieve.reference import formula_rules
from fallow_sieve.services.kitchen import KitchenNow, use_within

_AIM_OF_BRIEF = {
    "cheapest": Aim.CHEAPEST,
    "more-fibre": Aim.MOST_FIBRE,
    "more-protein": Aim.MOST_PROTEIN,
    "whole-grain": Aim.WHOLE_GRAIN,
    "low-carbohydrate": Aim.LOW_CARBOHYDRATE,
    "mildest": Aim.MILDEST,
}
_AIMS = (Aim.NEAREST, Aim.CHEAPEST, Aim.MOST_FIBRE, Aim.MOST_PROTEIN, Aim.FEWEST_BINS, Aim.MILDEST)


def wishes_for(blend: Blend, kitchen: KitchenNow, aim: str | None) -> Wishes:
    """Return the wishes that a blend on the bench starts from: limits and aim of its brief, its locks, its doses.

    Raises BadInputError for a blend without a use.
    """
    use = use_within(blend.use, kitchen.limits)
    assert use is not None  # the search is for a use
    first = _AIM_OF_BRIEF.get(aim or "", Aim.NEAREST)
    asked = Wishes(use, kitchen.limits, aims=(first, *(a for a in _AIMS if a is not first)))
    shelf = kitchen.shelf
    if not blend.parts:
        return with_bag_doses(asked, shelf, kitchen.school)
    check_parts(blend.parts, shelf)
    analysis = analyse(blend, shelf)
    locked = {p.ingredient for p in blend.parts if p.locked}
    shares = {p.ingredient: round(p.flour_pct, 6) for p in analysis.parts if p.flour_pct is not None}
    flour = {s: x for s, x in shares.items() if shelf[s].in_flour_base}
    doses = {p.ingredient: shares[p.ingredient] for p in analysis.parts if not p.in_flour_base and shares}
    asked = replace(asked, lock={s: x for s, x in flour.items() if s in locked}, binder=doses)
    return with_bag_doses(asked, shelf, kitchen.school)


def with_bag_doses(wishes: Wishes, shelf: Shelf, school: str) -> Wishes:
    """Return `wishes` with the doses (% of flour base) that its kind of bag asks for, by the kitchen's `school`."""
    asked = BagAsked(wishes.use, wishes.limits.bag, wishes.limits.max_gum_pct, school)
    return replace(wishes, binder=doses_for(wishes.binder, asked, shelf, formula_rules()))


@dataclass(frozen=True, slots=True)
class Posed:
    """A problem posed on a kitchen: the shelf that the bench draws on, and the blend there (or none)."""

    problem: Problem
    shelf: Shelf
    bench: tuple[Part, ...]
    currency: str

    @property
    def now(self) -> Analysis | None:
        """What the blend on the bench is."""
        return analyse(Blend(self.bench), self.shelf, self.problem.mix.cup) if self.bench else None


def posed(wishes: Wishes, bench: tuple[Part, ...], kitchen: KitchenNow, *, library: bool = False) -> Posed:
    """Return `wishes` posed on `kitchen`: from its bins, unless candidates are named or the whole `library` is asked.

    A kitchen that is kept nowhere has no bins. Raises BadInputError.
    """
    shelf = drawing_on(bench, kitchen.shelf)
    if bench:
        check_parts(bench, shelf)
    if wishes.candidates is None and not library and kitchen.is_kept:
        wishes = replace(wishes, candidates=own_flours(shelf, wishes, bench) or None)
    wishes = with_bag_doses(wishes, shelf, kitchen.school)
    return Posed(problem_of(wishes, shelf, kitchen.cup), shelf, bench, kitchen.currency)


def own_flours(shelf: Shelf, wishes: Wishes, bench: tuple[Part, ...]) -> tuple[str, ...]:
    """Return the flours in the kitchen's bins; a fibre or powder only where it is asked for or on the bench."""
    on_bench = {p.ingredient for p in bench}
    return tuple(s for s in in_bins(shelf) if s in on_bench or wishes.wants_supplements or not is_supplement(shelf[s]))

"""A blend for all uses at once, and what the judgement for one of them rests on."""

from __future__ import annotations

from fallow_sieve.core.blends import Blend, GoodFor, Rests, analyse, drawing_on, fit_to, good_for, rests_on
from fallow_sieve.reference import rules
from fallow_sieve.services.kitchen import KitchenNow, use_named


def good_for_what(blend: Blend, kitchen: KitchenNow) -> GoodFor:
    """Return how `blend` stands for every bundled use, the best first. Raises BadInputError for parts of no use."""
    shelf = drawing_on(blend.parts, kitchen.shelf)
    return good_for(analyse(blend, shelf, kitchen.cup), rules().uses.values())


def resting_on(blend: Blend, kitchen: KitchenNow) -> Rests | None:
    """Return what the judgement of `blend` rests on, and the tests that would make it surer; None without a use."""
    use = use_named(blend.use)
    if use is None:
        return None
    shelf = drawing_on(blend.parts, kitchen.shelf)
    analysis = analyse(blend, shelf, kitchen.cup)
    return rests_on(analysis, fit_to(use, analysis), shelf)

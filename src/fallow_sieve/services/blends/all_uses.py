"""A blend for all uses at once."""

from __future__ import annotations

from fallow_sieve.core.blends import Blend, GoodFor, analyse, drawing_on, good_for
from fallow_sieve.reference import rules
from fallow_sieve.services.kitchen import KitchenNow


def good_for_what(blend: Blend, kitchen: KitchenNow) -> GoodFor:
    """Return how `blend` stands for every bundled use, the best first. Raises BadInputError for parts of no use."""
    shelf = drawing_on(blend.parts, kitchen.shelf)
    return good_for(analyse(blend, shelf, kitchen.cup), rules().uses.values())

"""How a dough would be at each rise if every step took its typical time: where the search for times begins."""

from __future__ import annotations

from fallow_sieve.core.schedule.steps.dough import MIXES, RISES, Kitchen, State, dough_steps, stay
from fallow_sieve.core.schedule.steps.lengths import of_rise
from fallow_sieve.core.schedule.steps.product import Product
from fallow_sieve.core.schedule.steps.rules import Kind


def nominal_states(product: Product, kitchen: Kitchen, cells: int) -> dict[str, State]:
    """Return how the dough of `product` is when each rise begins. Raises BadInputError where one never gets there."""
    state, found, last = State(product.dough_c), {}, None
    before = frozenset(r.step for r in product.rules if r.step in MIXES)
    for rule in dough_steps(product.rules):
        if rule.kind not in RISES or last is None or last.kind not in RISES:
            state = State(state.temp_c)
        if rule.kind is Kind.FERMENT:
            found[rule.step] = state
            minutes = float(of_rise(product, rule, kitchen, before, state, 0.0, 0).typical[0])
        else:
            minutes = rule.typical_min or 0.0
        state = stay(product, kitchen, rule, before, state, 0.0, minutes).end
        last, before = rule, before | {rule.step}
    return found

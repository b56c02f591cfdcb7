"""What stands before each seat: plates with codes. Of a triangle or tetrad a sample stands on two, under two codes."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.tastings.answers import Method
from fallow_sieve.core.tastings.orders import Order, deal_orders, next_order, without

_ARRANGED = {
    Method.TRIANGLE: ("AAB", "ABA", "BAA", "BBA", "BAB", "ABB"),
    Method.TETRAD: ("AABB", "ABAB", "ABBA", "BBAA", "BABA", "BAAB"),
}
TWICE = frozenset(_ARRANGED)


@dataclass(frozen=True, slots=True)
class Plate:
    """A plate by its number: which sample (its number) stands on it, under which code (100–999)."""

    number: int
    sample: int
    code: int


def stands_on(method: Method, samples: Sequence[int]) -> tuple[int, ...]:
    """Return the sample (its number) of each plate that is needed, plates counted from 1."""
    return tuple(s for s in samples for _ in range(2 if method in TWICE else 1))


def deal_plates(method: Method, samples: Sequence[int], seats: int, seed: int) -> list[Order]:
    """Return the plates (numbers) of so many seats (a count), each in the order it tastes them."""
    if method in TWICE:
        return _arranged(method, seats, seed)
    return [tuple(p + 1 for p in row) for row in deal_orders(len(samples), seats, seed)]


def next_plates(method: Method, samples: Sequence[int], taken: Sequence[Order], seed: int) -> Order:
    """Return the plates (numbers) of one more seat, in the order that spreads best beside those that are taken."""
    if method in TWICE:
        every = _arranged(method, len(_ARRANGED[method]), seed)
        kinds = [_kind(t) for t in taken]
        return min(every, key=lambda order: kinds.count(_kind(order)))
    found = next_order(len(samples), [tuple(p - 1 for p in row) for row in taken], seed)
    return tuple(p + 1 for p in found)


def _arranged(method: Method, seats: int, seed: int) -> list[Order]:
    chance, found = np.random.default_rng(seed), []
    kinds: list[str] = []
    while len(kinds) < seats:
        kinds += [str(k) for k in chance.permutation(_ARRANGED[method])]
    for kind in kinds[:seats]:
        # Plates 1 and 2 are the first sample, 3 and 4 the second; which of the two codes comes first is chance.
        left = {"A": chance.permutation([1, 2]).tolist(), "B": chance.permutation([3, 4]).tolist()}
        found.append(tuple(left[letter].pop() for letter in kind))
    return found


def _kind(order: Order) -> str:
    return "".join("A" if p in (1, 2) else "B" for p in order)


def served(order: Order, plates: Mapping[int, Plate], left_out: Collection[int], method: Method) -> Order:
    """Return the plates that a seat gets: samples left out are cut; where a comparison is of both, nothing is left."""
    gone = {n for n, p in plates.items() if p.sample in left_out}
    kept = without(order, gone)
    needs_all = method in TWICE or method in (Method.PAIRED, Method.TWO_AFC)
    return () if needs_all and len(kept) < len(order) else kept


def is_right(method: Method, order: Order, plates: Mapping[int, Plate], chosen: int, more: int | None) -> bool:
    """Return whether a forced choice was right: the odd plate, the partner of the first, or the sample with more."""
    if chosen not in plates or chosen not in order:
        return False
    sample = plates[chosen].sample
    if method is Method.TWO_AFC:
        return sample == more
    if method is Method.TETRAD:
        return chosen != order[0] and sample == plates[order[0]].sample
    return sum(plates[p].sample == sample for p in order) == 1

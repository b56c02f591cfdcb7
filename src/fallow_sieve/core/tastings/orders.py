"""In which order each seat tastes: Williams squares, so that places and neighbours are spread as evenly as can be.

Williams (1949); MacFie et al. (1989): 1, 2, k, 3, k − 1 … and its shifts, and for odd k their mirrors.
"""

from __future__ import annotations

import itertools
import math
from collections.abc import Collection, Sequence

import numpy as np

Order = tuple[int, ...]
_MOST_LOOKED_THROUGH, _DRAWN = 6, 1000  # samples; orders drawn
_MOST_CHOSEN = 4000  # sets of rows that are looked through; beyond, rows are taken one by one


def williams(samples: int) -> tuple[Order, ...]:
    """Return the rows of the square for so many samples (a count), by their places 0, 1, …

    >>> williams(4)[0]
    (0, 1, 3, 2)
    """
    first = [0]
    for step in range(1, samples):
        first.append((step + 1) // 2 if step % 2 else samples - step // 2)
    rows = [tuple((place + shift) % samples for place in first) for shift in range(samples)]
    return tuple(rows + [row[::-1] for row in rows]) if samples % 2 else tuple(rows)


def deal_orders(samples: int, seats: int, seed: int) -> tuple[Order, ...]:
    """Return an order for each of so many seats (counts): whole squares, then the rows that spread best."""
    chance = np.random.default_rng(seed)
    names = chance.permutation(samples).tolist()
    square = [tuple(names[p] for p in row) for row in williams(samples)]
    found = square * (seats // len(square)) + list(_best_of(square, seats % len(square), chance))
    return tuple(found[n] for n in chance.permutation(len(found)))


def next_order(samples: int, taken: Sequence[Order], seed: int) -> Order:
    """Return the order of one more seat: that with which places, then neighbours, spread best beside those taken.

    Up to six samples every order is looked at; beyond, many by chance and the shifts of those that are taken.
    """
    chance, names = np.random.default_rng(seed), list(range(samples))
    if samples <= _MOST_LOOKED_THROUGH:
        found = list(itertools.permutations(names))
        every = [found[n] for n in chance.permutation(len(found))]
    else:
        shifts = [tuple((s + by) % samples for s in row) for row in taken for by in names]
        every = [*shifts, *(tuple(chance.permutation(samples).tolist()) for _ in range(_DRAWN))]
    return min(every, key=lambda row: unevenness([*taken, row], samples))


def without(order: Order, left_out: Collection[int]) -> Order:
    """Return an order with gaps cut out: samples by their places."""
    return tuple(s for s in order if s not in left_out)


def unevenness(orders: Sequence[Order], samples: int) -> tuple[int, int]:
    """Return how unevenly samples lie over places, and over ordered neighbours: sums of squared counts."""
    places, neighbours = np.zeros((samples, samples), int), np.zeros((samples, samples), int)
    for row in orders:
        for place, sample in enumerate(row):
            places[sample, place] += 1
        for a, b in itertools.pairwise(row):
            neighbours[a, b] += 1
    return int((places**2).sum()), int((neighbours**2).sum())


def _best_of(square: list[Order], rows: int, chance: np.random.Generator) -> Sequence[Order]:
    if rows == 0:
        return ()
    shuffled = [square[n] for n in chance.permutation(len(square))]
    samples = len(square[0])
    if math.comb(len(square), rows) <= _MOST_CHOSEN:
        return min(itertools.combinations(shuffled, rows), key=lambda found: unevenness(found, samples))
    taken: list[Order] = []
    for _ in range(rows):
        taken.append(min((r for r in shuffled if r not in taken), key=lambda row: unevenness([*taken, row], samples)))
    return taken

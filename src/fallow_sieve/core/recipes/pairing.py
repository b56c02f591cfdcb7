"""The two sides of a conversion, line beside line."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.formulas import BLEND, LineFacts
from fallow_sieve.core.ingredients import Shelf


@dataclass(frozen=True, slots=True)
class Pairing:
    """One line of the wheat recipe beside what became of it; either side is None where it has none."""

    name: str
    before: LineFacts | None
    after: LineFacts | None


def paired(before: Sequence[LineFacts], after: Sequence[LineFacts], shelf: Shelf, blend: str) -> tuple[Pairing, ...]:
    """Return the lines of both sides of a conversion paired (g), in the order of the one made over.

    The blend stands beside the wheat flours that it took the place of, one after the other, anything else beside the
    same ingredient that goes in at the same time; `blend` is the blend's name.
    """
    left = list(before)
    found = []
    for line in after:
        was = next((x for x in left if _is_other_side(x, line, shelf)), None)
        if was is not None:
            left.remove(was)
        name = line.name
        if line.ingredient == BLEND:
            name = f"{was.name.split(',')[0] if was else 'flour'} → {blend}"
        found.append(Pairing(name, was, line))
    return (*found, *(Pairing(x.name, x, None) for x in left))


def _is_other_side(before: LineFacts, after: LineFacts, shelf: Shelf) -> bool:
    if after.ingredient == BLEND:
        return before.ingredient != BLEND and shelf[before.ingredient].contains_gluten
    return (before.ingredient, before.when) == (after.ingredient, after.when)

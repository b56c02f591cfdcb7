"""The two sides of a conversion, line beside line."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.formulas import AHEAD, BLEND, LineFacts
from fallow_sieve.core.ingredients import Role, Shelf


@dataclass(frozen=True, slots=True)
class Pairing:
    """One line of the wheat recipe beside what became of it; either side is None where it has none."""

    name: str
    before: LineFacts | None
    after: LineFacts | None


def paired(before: Sequence[LineFacts], after: Sequence[LineFacts], shelf: Shelf, blend: str) -> tuple[Pairing, ...]:
    """Return the lines of both sides of a conversion paired (g), in the order of the one made over.

    The blend stands beside the wheat flours that it took the place of, one after the other, or beside the recipe's own
    mix as one; anything else beside the
    same ingredient that goes in at the same time; `blend` is the blend's name.
    """
    left, mix = _with_mix(before, after, shelf)
    found = []
    for line in after:
        was = mix if line.ingredient == BLEND and mix else next((x for x in left if _beside(x, line, shelf)), None)
        if was is not None and was in left:
            left.remove(was)
        name = line.name
        if line.ingredient == BLEND:
            name = f"{was.name.split(',')[0] if was else 'flour'} → {blend}"
            mix = None
        found.append(Pairing(name, was, line))
    return (*found, *(Pairing(x.name, x, None) for x in left))


def _with_mix(
    before: Sequence[LineFacts], after: Sequence[LineFacts], shelf: Shelf
) -> tuple[list[LineFacts], LineFacts | None]:
    """The lines before, and those of the recipe's own mix that a blend took the place of as one; None without."""
    stay = {(x.ingredient, x.when) for x in after}
    gone = [x for x in before if x.ingredient != BLEND and (x.ingredient, x.when) not in stay]
    mix = [x for x in gone if shelf[x.ingredient].in_flour_base or shelf[x.ingredient].role is Role.BINDER]
    ahead = [x for x in mix if not x.in_dough or x.when in AHEAD]
    mix = [x for x in mix if x not in ahead]
    if len(mix) < 2:
        return list(before), None
    pct = [x.flour_pct for x in mix if x.flour_pct is not None]
    one = replace(mix[0], name="Its own mix", mass_g=sum(x.mass_g for x in mix), flour_pct=sum(pct) if pct else None)
    return [x for x in before if x not in mix], one


def _beside(before: LineFacts, after: LineFacts, shelf: Shelf) -> bool:
    if after.ingredient == BLEND:
        return before.ingredient != BLEND and shelf[before.ingredient].contains_gluten
    return (before.ingredient, before.when) == (after.ingredient, after.when)

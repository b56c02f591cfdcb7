"""What to do where too much was poured: take it out, make more of the rest, or leave it and say what that does."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from fallow_sieve.core.values import BadInputError


@dataclass(frozen=True, slots=True)
class TakeOut:
    """How much to take out (g), and between which masses (g) to stop."""

    take_out_g: float
    stop_within_g: tuple[float, float]


@dataclass(frozen=True, slots=True)
class MakeMore:
    """By what factor the batch grows, what is topped up of what is in, the new targets (g), how much more (g)."""

    factor: float
    top_up_g: Mapping[str, float]
    targets_g: Mapping[str, float]
    more_g: float
    refused: str = ""


@dataclass(frozen=True, slots=True)
class LeaveIt:
    """What leaving it does: the part's share of the flour base and the binder's dose, each before and after, %."""

    part_flour_pct: tuple[float, float]
    binder_dose_pct: tuple[float, float]
    total_g: float


def take_out(target_g: float, tolerance_g: float, poured_g: float, others_under_it: bool = False) -> TakeOut | None:
    """Return how to take out what is too much, g; None where something lies under or over it already.

    >>> take_out(220, 2.2, 242)
    TakeOut(take_out_g=22, stop_within_g=(217.8, 222.2))
    """
    if others_under_it or poured_g <= target_g + tolerance_g:
        return None
    return TakeOut(poured_g - target_g, (target_g - tolerance_g, target_g + tolerance_g))


def make_more(
    targets_g: Mapping[str, float],
    poured_g: Mapping[str, float],
    part: str,
    stock_g: Mapping[str, float] | None = None,
    room_g: float | None = None,
) -> MakeMore:
    """Return the batch made larger so that `part` is right: every share stays. Masses in g by ingredient.

    `poured_g` is what is in; `stock_g` what the lots still hold beyond that, `room_g` what the vessel still takes
    (None: not known). It is refused, with why, where either is too small.
    """
    if targets_g.get(part, 0.0) <= 0 or poured_g.get(part, 0.0) <= targets_g[part]:
        raise BadInputError(
            f"{part!r} is not over-poured", place="/part", right="name the part that is over its target"
        )
    factor = poured_g[part] / targets_g[part]
    fresh = {slug: g * factor for slug, g in targets_g.items()}
    top_up = {s: fresh[s] - g for s, g in poured_g.items() if s != part and fresh[s] - g > 1e-9}
    more_g = sum(fresh.values()) - sum(targets_g.values())
    to_come = {s: fresh[s] - poured_g.get(s, 0.0) for s in fresh}
    short = [s for s, g in to_come.items() if stock_g is not None and g > stock_g.get(s, 0.0) + 1e-9]
    refused = f"too little left of {', '.join(short)}" if short else ""
    if not refused and room_g is not None and sum(max(0.0, g) for g in to_come.values()) > room_g + 1e-9:
        refused = "the vessel has no room for it"
    return MakeMore(factor, top_up, fresh, more_g, refused)


ROUGH_G_PER_ML = 0.6  # a loose mix; rule of thumb


def room_g(vessel_l: float | None, in_g: float) -> float | None:
    """Return g that a vessel of `vessel_l` L still takes over `in_g` g, roughly; None where its size is not known.

    >>> room_g(10.0, 4000.0), room_g(None, 4000.0)
    (2000.0, None)
    """
    return None if vessel_l is None else vessel_l * 1000 * ROUGH_G_PER_ML - in_g


def leave_it(flour_base_g: float, part_g: float, poured_g: float, binder_g: float) -> LeaveIt:
    """Return what it does to leave `poured_g` g of a flour whose target was `part_g` g in a flour base (g).

    >>> leave_it(2000, 220, 242, 100).total_g
    2122
    """
    after_g = flour_base_g - part_g + poured_g
    return LeaveIt(
        (100 * part_g / flour_base_g, 100 * poured_g / after_g),
        (100 * binder_g / flour_base_g, 100 * binder_g / after_g),
        after_g + binder_g,
    )

"""Binders: how much is in the mix, against what the use usually wants.

Load B = Σ doseⱼ / typicalⱼ(use), over every binder in the blend; milled flax, chia and the like count where the
dose table knows what they do. Good is 0.7–1.3; above 1.6 asks "double dose?". Rules of thumb.
"""

from __future__ import annotations

from collections.abc import Container, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends.analysis import PartShare
from fallow_sieve.core.ingredients import Kind, Role, standard_of

GOOD_LOAD = (0.7, 1.3)
DOUBLE_DOSE_LOAD = 1.6


@dataclass(frozen=True, slots=True)
class DoseBand:
    """The usual dose of a binder for a use, % of flour base."""

    low_pct: float
    typical_pct: float
    high_pct: float


@dataclass(frozen=True, slots=True)
class Dose:
    """A binder in the blend: slug, dose in % of flour base, its usual band for the use (None where no rule)."""

    binder: str
    name: str
    dose_pct: float
    usual: DoseBand | None


@dataclass(frozen=True, slots=True)
class BinderLoad:
    """The load of the blend (1 is the typical dose; None where it cannot be told) and what makes it up.

    `state` is one of none, light, good, heavy, double, unknown, no-rule.
    """

    load: float | None
    doses: tuple[Dose, ...]
    state: str
    say: str


def dosed(parts: Iterable[PartShare], known: Container[str]) -> Iterator[tuple[PartShare, str]]:
    """Give the parts that bind, each with the name that tables of doses know it by: every binder, and what is `known`.

    The name is empty where the tables know none.
    """
    for part in parts:
        name = standard_of(part.functions, Kind.BINDER) or ""
        if part.role is Role.BINDER or name in known:
            yield part, name


def load_of_binders(parts: Sequence[PartShare], usual: Mapping[str, DoseBand] | None) -> BinderLoad:
    """Return the binder load of `parts` for a use whose dose bands (% of flour base) are `usual`.

    `usual` None or empty means the use has no dose table: doses are listed, the load is unknown.
    """
    bands = usual or {}
    doses = tuple(
        Dose(p.ingredient, p.name, p.flour_pct, bands.get(name))
        for p, name in dosed(parts, bands)
        if p.flour_pct is not None
    )
    if not bands:
        return BinderLoad(None, doses, "no-rule", "No usual binder dose is on record for this use.")
    lacking = [d.name for d in doses if d.usual is None]
    if lacking:
        return BinderLoad(None, doses, "unknown", f"No usual dose is on record for {', '.join(lacking)}.")
    load = sum(d.dose_pct / d.usual.typical_pct for d in doses if d.usual)
    state = load_state(load)
    return BinderLoad(load, doses, state, _SAY[state])


_SAY = {
    "none": "No binder in the bag: the recipe has to bring it.",
    "light": "Light: top it up in the recipe, or expect a crumbly bake.",
    "good": "About the usual dose. Add no more in the recipe.",
    "heavy": "More than usual: may turn gummy or tight.",
    "double": "Double dose? Check whether a binder is counted twice.",
}


def load_state(load: float) -> str:
    """Return the word for a binder load (a ratio to the typical dose): none, light, good, heavy or double."""
    if load <= 0:
        return "none"
    if load < GOOD_LOAD[0]:
        return "light"
    if load <= GOOD_LOAD[1]:
        return "good"
    return "heavy" if load <= DOUBLE_DOSE_LOAD else "double"

"""In which order the parts go in: what is sieved, what is pre-mixed, what goes under and over, what comes last."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

from fallow_sieve.core.ingredients import Function, Ingredient, Role
from fallow_sieve.core.values import Range

TRACE_PCT = 2.0
TIMES = 10  # one part in nine
_SIEVED = frozenset({Role.STARCH, Role.NUT_SEED, Role.PROTEIN})
_MILKY = frozenset({Function.MILK_POWDER, Function.SOUR_MILK_POWDER})
_COARSE_WORDS = ("husk", "flake", "whole-", "bran")
COMES_APART_TIMES = 3.0
LEAST_SHARE_PCT = 5.0


class Handling(StrEnum):
    """What is done, in the order of the work."""

    SIEVE = "sieve"
    PREMIX = "premix"
    UNDER = "under"
    TOGETHER = "together"
    SPRINKLE = "sprinkle"
    OVER = "over"
    MIX = "mix"
    LAST = "last"


@dataclass(frozen=True, slots=True)
class AddingStep:
    """One step of filling the vessel: what is done with which parts (slugs), and in words."""

    kind: Handling
    parts: tuple[str, ...]
    say: str


@dataclass(frozen=True, slots=True)
class PartIn:
    """A part of a batch: the ingredient and its g."""

    item: Ingredient
    mass_g: float


def premix_steps(dose_g: float, batch_g: float, least_pct: float = TRACE_PCT) -> int:
    """Return how often a dose (g) is pre-mixed 1 : 9 until it is `least_pct` % of the batch.

    >>> premix_steps(18, 6000), premix_steps(1.2, 6000), premix_steps(130, 6000)
    (1, 2, 0)
    """
    return max(0, math.ceil(math.log10(least_pct / 100 * batch_g / dose_g) - 1e-12))


def order_of_adding(parts: Sequence[PartIn]) -> tuple[AddingStep, ...]:
    """Return the steps in which `parts` are brought together, so that no starch lies alone and no trace is lost."""
    batch_g = sum(p.mass_g for p in parts)
    coarse = [p for p in parts if _is_coarse(p.item) and p.mass_g >= batch_g * TRACE_PCT / 100]
    trace = [p for p in parts if p not in coarse and premix_steps(p.mass_g, batch_g)]
    body = [p for p in parts if p not in coarse and p not in trace]
    if not body:
        return (AddingStep(Handling.MIX, tuple(p.item.slug for p in parts), "Mix everything."),)
    base = max((p for p in body if _carries(p.item)), key=lambda p: p.mass_g, default=max(body, key=_mass))
    others = sorted((p for p in body if p is not base), key=lambda p: (p.item.role is not Role.STARCH, -p.mass_g))
    steps = [
        *_sieved(parts),
        *(_premixed(p, base, batch_g) for p in trace),
        AddingStep(
            Handling.UNDER, (base.item.slug,), f"Half of the {_name(base)}, {base.mass_g / 2:.0f} g, goes under."
        ),
    ]
    if others:
        say = f"{_listed(others)} together, so that no starch lies alone."
        steps.append(AddingStep(Handling.TOGETHER, tuple(p.item.slug for p in others), say[0].upper() + say[1:]))
    if trace:
        say = "The pre-mix is sprinkled over the whole face in three goes."
        steps.append(AddingStep(Handling.SPRINKLE, tuple(p.item.slug for p in trace), say))
    steps.append(AddingStep(Handling.OVER, (base.item.slug,), f"The rest of the {_name(base)} goes on top."))
    steps.append(AddingStep(Handling.MIX, tuple(p.item.slug for p in body), "Mix."))
    if coarse:
        say = f"{_listed(coarse)} last: it grinds and floats."
        steps.append(AddingStep(Handling.LAST, tuple(p.item.slug for p in coarse), say[0].upper() + say[1:]))
    return tuple(steps)


def comes_apart(parts: Sequence[PartIn], sizes_um: dict[str, Range]) -> bool:
    """Return whether two parts of over 5 % differ three times in median size (µm), by what sieve tests told."""
    batch_g = sum(p.mass_g for p in parts)
    large = [p.item.slug for p in parts if p.mass_g > batch_g * LEAST_SHARE_PCT / 100 and p.item.slug in sizes_um]
    medians = [sizes_um[s].typical for s in large if sizes_um[s].typical > 0]
    return len(medians) > 1 and max(medians) / min(medians) >= COMES_APART_TIMES


def _is_coarse(item: Ingredient) -> bool:
    return any(w in item.slug for w in _COARSE_WORDS)


def _carries(item: Ingredient) -> bool:
    return item.role is not Role.NUT_SEED and not _is_coarse(item)


def _mass(part: PartIn) -> float:
    return part.mass_g


def _name(part: PartIn) -> str:
    return part.item.name.split(" (")[0].lower()


def _listed(parts: Sequence[PartIn]) -> str:
    names = [_name(p) for p in parts]
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}"


def _sieved(parts: Sequence[PartIn]) -> list[AddingStep]:
    fine = [p for p in parts if p.item.role in _SIEVED or "soya" in p.item.allergens or _MILKY & set(p.item.functions)]
    if not fine:
        return []
    say = f"{_listed(fine)} through a sieve of about 1 mm; weigh what stays on it, and look at it."
    return [AddingStep(Handling.SIEVE, tuple(p.item.slug for p in fine), say[0].upper() + say[1:])]


def _premixed(part: PartIn, base: PartIn, batch_g: float) -> AddingStep:
    n = premix_steps(part.mass_g, batch_g)
    how = {1: "once", 2: "twice"}.get(n, f"{n} times")
    say = f"{_name(part).capitalize()} is pre-mixed {how}, 1 to 9, in the {_name(base)}."
    return AddingStep(Handling.PREMIX, (part.item.slug, base.item.slug), say)

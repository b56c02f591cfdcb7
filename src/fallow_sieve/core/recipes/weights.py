"""What a line of a recipe weighs: a mass as it is, a volume by density, a counted thing by what one weighs."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, replace

from fallow_sieve.core.ingredients import Ingredient, Kind
from fallow_sieve.core.recipes.amounts import Amount, WrittenAmount
from fallow_sieve.core.values import Range


@dataclass(frozen=True, slots=True)
class Piece:
    """What one counted thing weighs, g, and what that takes for granted."""

    mass: Range
    guess: str


_DRAINED = re.compile(r"\bdrained\b|abgetropft|égoutté|escurrid", re.IGNORECASE)
_TINNED = re.compile(r"\b(?:tins?|cans?|dose|boîte|lata|burk)\b", re.IGNORECASE)
LEFT_OF_A_TIN = Range(0.55, 0.6, 0.65)  # drained, of what stands on the tin: rule of thumb


def drained(mass: Range, text: str, note: str) -> Range | None:
    """Return what is left of a tin that is drained, g; None where it is no such line."""
    if not (_DRAINED.search(note) and _TINNED.search(text)):
        return None
    left = LEFT_OF_A_TIN
    return Range(mass.low * left.low, mass.typical * left.typical, mass.high * left.high)


def mass_first(pair: tuple[WrittenAmount | None, WrittenAmount | None]) -> WrittenAmount | None:
    """Return of two statements of one amount the mass: it has no spread."""
    first, second = pair
    if first is not None and second is not None and first.unit.kind != "mass" and second.unit.kind == "mass":
        return second
    return first


def of_kind(pair: tuple[WrittenAmount | None, WrittenAmount | None], kind: str) -> Range | None:
    """Return the statement of that kind where there are two, in g or mL."""
    if None in pair:
        return None
    found = next((m for m in pair if m is not None and m.unit.kind == kind), None)
    return Range(found.amount.low, found.amount.typical, found.amount.high) if found else None


def volume(pair: tuple[WrittenAmount | None, WrittenAmount | None]) -> float | None:
    """Return the volume of two statements, mL."""
    found = of_kind(pair, "volume")
    return found.typical if found else None


def mass_of(
    first: WrittenAmount | None, item: Ingredient | None, name: str, pieces: Mapping[str, Piece]
) -> tuple[Range | None, tuple[str, ...], str]:
    """Return the g of what was measured, what was guessed, and the spread in words.

    A mass is as it is, a volume goes by density, a count by what one weighs.
    """
    if first is None:
        return None, (), ""
    a = first.amount
    if first.unit.kind == "mass":
        return Range(a.low, a.typical, a.high), (), ""
    if item is None:
        return None, (), ""
    if first.unit.kind == "volume":
        density = item.range_of("density_g_per_ml")
        if density is None:
            return None, (), ""
        mass = Range(a.low * density.low, a.typical * density.typical, a.high * density.high)
        return mass, (), f"{mass.typical:.3g} g, {mass.low:.3g}–{mass.high:.3g}"
    piece = _piece(first, item, name, pieces)
    if piece is None:
        return None, (), ""
    return Range(a.low * piece.mass.low, a.typical * piece.mass.typical, a.high * piece.mass.high), (piece.guess,), ""


def _piece(counted: WrittenAmount, item: Ingredient, name: str, pieces: Mapping[str, Piece]) -> Piece | None:
    size = next((w for w in ("extra large", "large", "medium", "small") if w in name.lower()), "")
    known_as = item.standard(Kind.EGG_PART) or item.slug
    return (
        pieces.get(f"{known_as}:{size}")
        or pieces.get(f"{known_as}:{counted.unit.name}")
        or (None if counted.unit.kind == "pack" else pieces.get(known_as))
    )


def mass_of_each(
    pair: tuple[WrittenAmount | None, WrittenAmount | None],
    item: Ingredient | None,
    name: str,
    pieces: Mapping[str, Piece],
) -> WrittenAmount | None:
    """Return the mass of all where a bracket told that of one: "6 eggs (60 g)"; None where it is no such line.

    What one usually weighs decides: the bracket is nearer to one than to all of them.
    """
    counted, mass = pair
    if counted is None or mass is None or item is None or counted.unit.kind != "count" or mass.unit.kind != "mass":
        return None
    piece, n, g = _piece(counted, item, name, pieces), counted.amount.typical, mass.amount.typical
    if piece is None or n <= 1 or g * g * n >= (piece.mass.typical * n) ** 2:  # nearer by ratio
        return None
    all_of_them = mass.amount.times(counted.amount.low, n, counted.amount.high)
    said = f"{g:g} g taken as the mass of each"
    return replace(mass, amount=replace(all_of_them, guesses=(*all_of_them.guesses, said)))


def no_mass(first: WrittenAmount | None, item: Ingredient) -> str:
    """Return why a line has no mass, and what would give it one."""
    if first is None:
        return f"How much {item.name.lower()}? The line gives no amount."
    if first.unit.kind == "volume":
        return f"The density of {item.name.lower()} is not known: give its mass in g."
    return f"What one {item.name.lower()} weighs is not known: give its mass in g."


def of_packs(packs: WrittenAmount, each: Amount) -> Amount:
    """Return so many packs of what a bracket says; of half a pack it may mean the half, as it mostly does of a cube."""
    n = packs.amount
    if n.high >= 1:
        return each.times(n.low, n.typical, n.high)
    of_the_part = packs.unit.name == "cube"
    said = f"{each.typical:g} g taken as {'what goes in' if of_the_part else 'a whole one'}: it may be the other"
    whole = each.times(n.low, 1.0 if of_the_part else n.typical, 1.0)
    return replace(whole, guesses=(*whole.guesses, said))

"""Changing a blend: set a share, scale to a batch, add a part. Mass is kept where it must; locked parts keep theirs."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from fallow_sieve.core.blends.binder_load import DoseBand
from fallow_sieve.core.blends.blend import Part, check_parts
from fallow_sieve.core.ingredients import Kind, Shelf
from fallow_sieve.core.values import BadInputError


def set_flour_share(parts: Sequence[Part], ingredient: str, share_pct: float, shelf: Shelf) -> tuple[Part, ...]:
    """Return the parts with `ingredient` at `share_pct` (% of flour base).

    A part of the flour base takes from, or gives to, the unlocked flour parts in proportion, so that the flour
    base keeps its mass; a binder is dosed on the flour base and the total changes. Raises BadInputError where
    the locked parts leave no room.
    """
    check_parts(parts, shelf)
    if not any(p.ingredient == ingredient for p in parts):
        raise BadInputError(f"{ingredient!r} is not in the blend", right="add it first")
    flour_g = sum(p.mass_g for p in parts if shelf[p.ingredient].in_flour_base)
    if flour_g <= 0:
        raise BadInputError("there is no flour in the blend", right="set a mass in g instead")
    wanted_g = flour_g * share_pct / 100
    if not shelf[ingredient].in_flour_base:
        return _with_mass(parts, ingredient, wanted_g)
    givers = [p for p in parts if _gives(p, ingredient, shelf)]
    givers_g = sum(p.mass_g for p in givers)
    own_g = next(p.mass_g for p in parts if p.ingredient == ingredient)
    left_g = givers_g + own_g - wanted_g
    if not givers or left_g <= 0:
        most = 100 * (givers_g + own_g) / flour_g
        raise BadInputError(
            f"{share_pct:g} % is not to be had", right=f"the unlocked flours leave room for less than {most:.1f} %"
        )
    factor = left_g / givers_g
    scaled = [replace(p, mass_g=p.mass_g * factor) if _gives(p, ingredient, shelf) else p for p in parts]
    return _with_mass(scaled, ingredient, wanted_g)


def _gives(part: Part, ingredient: str, shelf: Shelf) -> bool:
    return part.ingredient != ingredient and not part.locked and shelf[part.ingredient].in_flour_base


def _with_mass(parts: Sequence[Part], ingredient: str, mass_g: float) -> tuple[Part, ...]:
    if not mass_g > 0:
        raise BadInputError(f"a share that leaves {mass_g:g} g", right="give more than 0 %, or remove the part")
    known = next(replace(p, mass_g=mass_g, low_ratio=1.0, high_ratio=1.0) for p in parts if p.ingredient == ingredient)
    return tuple(known if p.ingredient == ingredient else p for p in parts)


def scale_to(parts: Sequence[Part], mass_g: float, shelf: Shelf) -> tuple[Part, ...]:
    """Return the parts scaled together to a batch of `mass_g` (g); every share stays, locks too.

    A lock holds a share of the mix against other parts, not the size of the batch.
    """
    check_parts(parts, shelf)
    if not 0 < mass_g <= 1e7:
        raise BadInputError(f"a batch of {mass_g:g} g", right="give a mass over 0 and at most 10 000 kg")
    factor = mass_g / sum(p.mass_g for p in parts)
    return tuple(replace(p, mass_g=p.mass_g * factor) for p in parts)


FIRST_FLOUR_G = 500.0
NEW_FLOUR_PCT = 10.0
NEW_BINDER_PCT = 2.0


def add_part(
    parts: Sequence[Part], ingredient: str, shelf: Shelf, usual: Mapping[str, DoseBand] | None = None
) -> tuple[Part, ...]:
    """Return the parts with `ingredient` added on top, at a mass (g, whole where that is near) to begin from.

    The first part is 500 g; a binder its typical dose for the use (`usual`, % of flour base), or 2 %; another
    part 10 % of the flour base. Rules of thumb to start from. The other parts keep their mass.
    """
    item = shelf.rows[shelf.row(ingredient, "/ingredient")]
    if not parts:
        return (Part(ingredient, FIRST_FLOUR_G),)
    check_parts(parts, shelf)
    if any(p.ingredient == ingredient for p in parts):
        raise BadInputError(f"{ingredient!r} is in the blend already", place="/ingredient", right="change its mass")
    dose = (usual or {}).get(item.standard(Kind.BINDER) or "")
    share_pct = dose.typical_pct if dose else NEW_FLOUR_PCT if item.in_flour_base else NEW_BINDER_PCT
    flour_g = sum(p.mass_g for p in parts if shelf[p.ingredient].in_flour_base)
    mass_g = (flour_g or sum(p.mass_g for p in parts)) * share_pct / 100
    return (*parts, Part(ingredient, handy(mass_g)))


def handy(mass_g: float) -> float:
    """Return a mass (g) that can be weighed near `mass_g`: whole grams from 10 g on, tenths below, never nothing."""
    return float(round(mass_g)) if mass_g >= 10 else max(0.1, round(mass_g, 1))

"""What is varied of a blend: two to four parts or groups that share some of its flour; all else, binder too, stays."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from fallow_sieve.core.blends import Blend, Part
from fallow_sieve.core.experiments.regions import LEAST_PARTS, MOST_PARTS, Array
from fallow_sieve.core.ingredients import Shelf, short_name
from fallow_sieve.core.values import BadInputError

REACH_PCT, LEAST_STEPS = 12.0, 4  # points of flour about today's share; steps of the scale that a part has to move


@dataclass(frozen=True, slots=True)
class Varied:
    """A part that is varied: its name, and its ingredients in a fixed ratio (shares of it, together 1).

    `low_pct` and `high_pct` are its least and most share, % of flour base.
    """

    name: str
    ratio: Mapping[str, float]
    low_pct: float
    high_pct: float


@dataclass(frozen=True, slots=True)
class Mixture:
    """A blend of which some parts are varied: they share `total_pct` % of its flour base; x are shares of that."""

    blend: Blend
    parts: tuple[Varied, ...]
    flour_g: float
    total_pct: float

    @property
    def names(self) -> tuple[str, ...]:
        """The names of the parts."""
        return tuple(p.name for p in self.parts)

    def today(self) -> tuple[float, ...]:
        """Return the shares (0–1 of what is varied) that the blend has itself."""
        masses = {p.ingredient: p.mass_g for p in self.blend.parts}
        found = np.array([sum(masses.get(s, 0.0) for s in v.ratio) for v in self.parts])
        return tuple(float(v) for v in found / found.sum())

    def blend_at(self, x: Sequence[float]) -> Blend:
        """Return the blend at shares x (0–1 of what is varied), in g of the same flour; what is 0 is left out."""
        varied = {s: self.flour_g * self.total_pct / 100 * float(v) * r
                  for v, p in zip(x, self.parts, strict=True) for s, r in p.ratio.items()}  # fmt: skip
        kept = [replace(p, mass_g=varied.pop(p.ingredient)) if p.ingredient in varied else p for p in self.blend.parts]
        found = [p for p in kept if p.mass_g > 1e-9] + [Part(s, g) for s, g in varied.items() if g > 1e-9]
        return replace(self.blend, parts=tuple(found))

    def flour_pct(self, x: Sequence[float]) -> tuple[float, ...]:
        """Return shares x (0–1 of what is varied) in % of flour base."""
        return tuple(self.total_pct * float(v) for v in x)

    def limits(self) -> tuple[tuple[float, ...], tuple[float, ...]]:
        """Return least and most shares (0–1 of what is varied)."""
        low = tuple(max(0.0, p.low_pct / self.total_pct) for p in self.parts)
        return low, tuple(min(1.0, p.high_pct / self.total_pct) for p in self.parts)


def mixture_of(blend: Blend, parts: Sequence[Varied], shelf: Shelf) -> Mixture:
    """Return a blend with what is varied of it. Raises BadInputError naming /parts where it cannot be so."""
    if not LEAST_PARTS <= len(parts) <= MOST_PARTS:
        raise BadInputError(f"{len(parts)} parts", place="/parts", right=f"{LEAST_PARTS} to {MOST_PARTS} are varied")
    slugs = [s for p in parts for s in p.ratio]
    if len(set(slugs)) < len(slugs):
        raise BadInputError("an ingredient stands in two parts", place="/parts", right="each in one")
    for n, slug in enumerate(slugs):
        if slug not in shelf or not shelf[slug].in_flour_base:
            raise BadInputError(
                f"{slug} is no flour or starch of the shelf", place=f"/parts/{n}", right="choose another"
            )
    flour = [p for p in blend.parts if p.ingredient in shelf and shelf[p.ingredient].in_flour_base]
    flour_g = sum(p.mass_g for p in flour)
    shared = sum(p.mass_g for p in flour if p.ingredient in slugs)
    if flour_g <= 0 or shared <= 0:
        raise BadInputError("none of these parts lies in the blend", place="/parts", right="choose parts that do")
    return Mixture(blend, tuple(parts), flour_g, 100 * shared / flour_g)


def first_guess(blend: Blend, shelf: Shelf, count: int = 3) -> list[Varied]:
    """Return the largest flours and starches of a blend as parts, each about today's share (% of flour base).

    Twelve points to either side, inside the usual most: a rule of thumb.
    """
    flour = [p for p in blend.parts if p.ingredient in shelf and shelf[p.ingredient].in_flour_base]
    total = sum(p.mass_g for p in flour) or 1.0
    largest = sorted(flour, key=lambda p: -p.mass_g)[:count]
    return [varied_about(p.ingredient, 100 * p.mass_g / total, shelf) for p in largest]


def varied_about(slug: str, share_pct: float, shelf: Shelf) -> Varied:
    """Return an ingredient as a part that moves about its share (% of flour base)."""
    most = shelf[slug].usual_max_pct or 100.0
    high = max(share_pct, min(most, share_pct + REACH_PCT))
    return Varied(short_name(shelf[slug].name), {slug: 1.0}, round(max(0.0, share_pct - REACH_PCT), 1), round(high, 1))


def check_moves(mixture: Mixture, corners: Array, step_g: float, flour_g: float) -> None:
    """Raise BadInputError for a part that moves less than four steps of the scale (`step_g`, `flour_g` in g)."""
    moves = np.ptp(corners, axis=0) * mixture.total_pct / 100 * flour_g
    for n, (part, move) in enumerate(zip(mixture.parts, moves, strict=True)):
        if move < LEAST_STEPS * step_g - 1e-9:
            wrong = f"{part.name} can move {move:.1f} g, and the scale shows {step_g:g} g"
            raise BadInputError(wrong, place=f"/parts/{n}", right="widen its limits, bake more, or leave it as it is")

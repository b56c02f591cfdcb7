"""What could stand in for a flour: the nearest others by what they do in dough and by what is in them.

The distance is the root mean square of the differences in standardised properties: each divided by the spread of
that property over the flours of the shelf; what only one of the two has on record counts as one spread. It is a
way of ordering, not a promise, and every difference is shown.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.ingredients.ingredient import PROPERTIES, Ingredient
from fallow_sieve.core.ingredients.nutrients import NUTRIENTS
from fallow_sieve.core.ingredients.shelf import COLUMN, FloatArray, Shelf
from fallow_sieve.core.values import Change, moved

BEHAVIOUR = (
    "thirst_g_per_g",
    "grit_index",
    "stickiness",
    "amylose_pct",
    "gel_onset_c",
    "browning_index",
    "flavour_index",
    "lightness_l",
    "density_g_per_ml",
)
COMPOSITION = ("protein_g", "fat_g", "fibre_g", "starch_g", "sugars_g", "ash_g")
WAYS = {"behaviour": BEHAVIOUR, "composition": COMPOSITION, "both": (*BEHAVIOUR, *COMPOSITION)}
# A few flours of another kind must not set the scale for all: the spread is of ln(1 + x) where values run far.
_LOGARITHMIC = frozenset({"thirst_g_per_g", "protein_g", "fat_g", "fibre_g", "sugars_g", "ash_g"})
_KNOWN_NEEDED = 0.5
# What only one of the two has on record is not taken for equal: it counts as one spread apart.
_UNKNOWN_SPREADS = 1.0


@dataclass(frozen=True, slots=True)
class Shift:
    """What would change in one property: the change in its unit, the difference in spreads, and its share.

    `share_pct` is the part of the squared distance that it makes up.
    """

    change: Change
    spreads: float
    share_pct: float


@dataclass(frozen=True, slots=True)
class StandIn:
    """A flour that could stand in: how far it is (in spreads), what would change most, what it brings along.

    `known_pct` is the share of the compared properties that both have; `adds` and `loses` are marks (allergens and
    watched); `say` is the whole in one line.
    """

    ingredient: str
    name: str
    distance: float
    known_pct: float
    changes: tuple[Shift, ...]
    adds: tuple[str, ...]
    loses: tuple[str, ...]
    say: str


def stand_ins_for(slug: str, shelf: Shelf, way: str = "both", count: int = 8) -> tuple[StandIn, ...]:
    """Return up to `count` flours that are nearest to `slug`, the nearest first, by `way` (a key of WAYS).

    Candidates are flours of the base (for a binder: binders) that are not put away nor made of a gluten cereal.
    Distances are without unit. Raises UnknownNameError for an unknown slug.
    """
    fields = WAYS[way]
    own = shelf.row(slug)
    flours = [r for r, i in enumerate(shelf.ingredients) if _comparable(i, shelf[slug])]
    if own not in flours:
        flours.append(own)
    values, known = _standardised(shelf, flours, fields)
    me = flours.index(own)
    found = []
    for n, row in enumerate(flours):
        both, either = known[n] * known[me], np.maximum(known[n], known[me])
        if row == own or both.mean() < _KNOWN_NEEDED or shelf.ingredients[row].contains_gluten:
            continue
        gap = np.where(both > 0, values[n] - values[me], _UNKNOWN_SPREADS * either)
        distance = math.sqrt(float((gap**2).sum() / either.sum()))
        found.append((distance, shelf.ingredients[row].name, row, gap, 100 * float(both.mean())))
    found.sort(key=lambda f: f[:2])
    return tuple(
        _stand_in(shelf[slug], shelf.ingredients[row], fields, gap, (d, known_pct))
        for d, _, row, gap, known_pct in found[:count]
    )


def spreads_apart(
    items: Sequence[Ingredient], shelf: Shelf, fields: Sequence[str]
) -> tuple[str, Ingredient, Ingredient] | None:
    """Return the field in which `items` lie furthest apart in spreads, with the lowest and the highest of them.

    Only fields that all have count; None where there is none.
    """
    rows = [r for r, i in enumerate(shelf.ingredients) if i.in_flour_base]
    at = [shelf.row_of[i.slug] for i in items]
    everyone = list(dict.fromkeys([*rows, *at]))
    values, known = _standardised(shelf, everyone, fields)
    mine = [everyone.index(r) for r in at]
    gaps = np.ptp(values[mine], axis=0) * known[mine].all(axis=0)
    best = int(np.argmax(gaps))
    if gaps[best] <= 0:
        return None
    column = values[mine, best]
    return fields[best], items[int(np.argmin(column))], items[int(np.argmax(column))]


def _comparable(item: Ingredient, wanted: Ingredient) -> bool:
    is_flour = wanted.in_flour_base or wanted.contains_gluten
    kin = item.in_flour_base if is_flour else item.role is wanted.role
    return kin and not item.archived


def _standardised(shelf: Shelf, rows: Sequence[int], fields: Sequence[str]) -> tuple[FloatArray, FloatArray]:
    """Values in spreads (standard deviations over the known ones), and which are known, each (rows, fields)."""
    at = [COLUMN[f] for f in fields]
    values, known = shelf.typical[np.ix_(rows, at)].copy(), shelf.known[np.ix_(rows, at)]
    for n, name in enumerate(fields):
        if name in _LOGARITHMIC:
            values[:, n] = np.log1p(values[:, n])
    count = np.maximum(known.sum(axis=0), 1)
    mean = (values * known).sum(axis=0) / count
    spread = np.sqrt((((values - mean) * known) ** 2).sum(axis=0) / count)
    spread[spread == 0] = 1.0
    return values / spread, known


def _stand_in(
    old: Ingredient, new: Ingredient, fields: Sequence[str], gap: FloatArray, measure: tuple[float, float]
) -> StandIn:
    total = float((gap**2).sum()) or 1.0
    changes = [
        _change(name, old, new, float(g), 100 * float(g) ** 2 / total)
        for name, g in zip(fields, gap, strict=True)
        if name in old.facts and name in new.facts
    ]
    changes.sort(key=lambda c: -c.share_pct)
    marks, others = {*old.allergens, *old.watch}, {*new.allergens, *new.watch}
    adds = tuple(sorted(others - marks))
    most = [c for c in changes if abs(c.spreads) >= 0.25][:3]
    return StandIn(
        new.slug,
        new.name,
        measure[0],
        measure[1],
        tuple(changes),
        adds,
        tuple(sorted(marks - others)),
        _say(most, adds),
    )


def _change(name: str, old: Ingredient, new: Ingredient, spreads: float, share_pct: float) -> Shift:
    info = PROPERTIES.get(name) or NUTRIENTS[name]
    before, after = old.facts[name].range.typical, new.facts[name].range.typical
    return Shift(moved(name, info.label, before, after, info.unit), spreads, share_pct)


_WORDS = {
    "thirst_g_per_g": ("takes {0:.2f} g/g more water", "takes {0:.2f} g/g less water"),
    "grit_index": ("grittier by {0:.0f} of 5", "finer by {0:.0f} of 5"),
    "stickiness": ("stickier", "less sticky"),
    "amylose_pct": ("firmer when cold ({0:.0f} % more amylose)", "softer, stays so ({0:.0f} % less amylose)"),
    "gel_onset_c": ("gels {0:.0f} K later", "gels {0:.0f} K earlier"),
    "browning_index": ("browns more", "browns less"),
    "flavour_index": ("stronger flavour", "milder"),
    "lightness_l": ("paler", "darker"),
    "density_g_per_ml": ("heavier by the cup", "lighter by the cup"),
    "protein_g": ("{1} g more protein", "{1} g less protein"),
    "fat_g": ("{1} g more fat", "{1} g less fat"),
    "fibre_g": ("{1} g more fibre", "{1} g less fibre"),
    "starch_g": ("{1} g more starch", "{1} g less starch"),
    "sugars_g": ("{1} g more sugars", "{1} g less sugars"),
    "ash_g": ("{1} g more ash", "{1} g less ash"),
}


def _word(c: Shift) -> str:
    size = c.change.size or 0.0
    by = abs(size)
    return _WORDS[c.change.what][0 if size > 0 else 1].format(by, f"{by:.0f}" if by >= 2 else f"{by:.1f}")


def _say(most: Sequence[Shift], adds: Sequence[str]) -> str:
    said = [_word(c) for c in most]
    line = ", ".join(said) or "nearly the same"
    brought = f"; brings {', '.join(a.replace('-', ' ') for a in adds)}" if adds else ""
    return f"{line[0].upper()}{line[1:]}{brought}."

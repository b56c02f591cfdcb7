"""The mix inside a gluten-free recipe: its flours, starches and dry binders, and the recipe as a formula on it."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.blends import Part
from fallow_sieve.core.formulas import BLEND, OUTSIDE_DOUGH, Formula, Line, When
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.recipes.making_over import belongs_to_mix


@dataclass(frozen=True, slots=True)
class MixInside:
    """The parts of the mix (g), and the formula with the mix as one line of it (g)."""

    parts: tuple[Part, ...]
    formula: Formula


def mix_inside(formula: Formula, shelf: Shelf) -> MixInside | None:
    """Return the mix that a recipe names itself, or None where it has wheat flour or no flour of its own.

    A binder that is stirred to a gel ahead stays where it is: it is no part of a dry bag.
    """
    mixed = [x for x in formula.lines if x.when not in OUTSIDE_DOUGH and x.ingredient in shelf.row_of]
    items = [shelf[x.ingredient] for x in mixed]
    if any(i.contains_gluten for i in items) or not any(i.in_flour_base for i in items):
        return None
    base = [x for x, i in zip(mixed, items, strict=True) if belongs_to_mix(x, i)]
    masses: dict[str, float] = {}
    for x in base:
        masses[x.ingredient] = masses.get(x.ingredient, 0.0) + x.mass_g
    rest = [x for x in formula.lines if not any(x is b for b in base)]
    line = Line(BLEND, sum(masses.values()), When.DRY)
    parts = tuple(Part(slug, g) for slug, g in masses.items())
    return MixInside(parts, replace(formula, lines=(line, *rest), blend=parts))


# What a title or a step calls a bake, the more telling first; rules of thumb, in six languages.
_CALLED: tuple[tuple[str, str], ...] = (
    ("brownie", r"brownies?"),
    ("all-purpose", r"all[- ]?purpose|multi[- ]?purpose|every ?day (?:mix|blend|flour)|plain flour (?:mix|blend)"),
    ("machine-loaf", r"bread[- ]machines?|bread ?makers?"),
    ("laminated-dough", r"croissants?|puff pastry|danish pastr(?:y|ies)|blätterteig|pâte feuilletée"),
    ("steamed-bun", r"steamed buns?|bao"),
    ("frying-batter", r"tempura|(?:frying|fish) batter"),
    ("hearth-loaf", r"boules?|baguettes?|hearth (?:loaf|bread)|crusty (?:loaf|bread)"),
    ("pancake", r"pancakes?|flapjacks?|pikelets?|waffles?|pfannkuchen|pannkakor|tortitas"),
    ("crepe", r"cr[eê]pes?|galettes? de sarrasin"),
    ("fermented-pancake", r"idli|dosa|injera"),
    ("scone", r"scones?|soda bread"),
    ("quick-bread", r"muffins?|banana bread|pumpkin .*bread|quick bread|cornbread|corn bread|mealie bread"),
    ("layer-cake", r"sponge|cake|kuchen|g[âa]teau|moelleux|bizcocho|torta|tårta|pudding"),
    ("drop-cookie", r"cookies?|anzac"),
    ("rolled-cookie", r"biscuits?|shortbread|plätzchen|galletas|biscotti|kakor"),
    ("short-pastry", r"pastry|pie|tart|quiche|mürbeteig|pâte brisée"),
    ("choux", r"choux|eclairs?|éclairs?|profiteroles?"),
    ("batter-crust", r"focaccia|pizza"),
    ("flatbread", r"flatbreads?|bhakri|roti|chilla|naan"),
    ("maize-tortilla", r"maize tortillas?|corn tortillas?"),
    ("wrap", r"wraps?|tortillas?"),
    ("crispbread", r"crackers?|crispbread|knäckebröd|knäcke"),
    ("fresh-pasta", r"pasta|ravioli|dumplings?"),
    ("noodles", r"noodles?"),
    ("bagel", r"bagels?"),
    ("thickener", r"sauce|gravy"),
    ("soft-roll", r"rolls?|buns?|brötchen|cheese breads?|pan de bono"),
    ("sourdough-tin-loaf", r"sourdough"),
    ("tin-loaf", r"loaf|bread|\w*brot|pain|pan|pane|bröd|limpa"),
)  # fmt: skip


def use_in_words(title: str, steps: Sequence[str]) -> str | None:
    """Return the use (a slug) that a recipe's title speaks of, or else its steps; None where neither does.

    >>> use_in_words("Pumpkin roundhouse bread", []), use_in_words("White loaf", []), use_in_words("Trial", [])
    ('quick-bread', 'tin-loaf', None)
    """
    for text in (title, " ".join(steps)):
        for use, called in _CALLED:
            if re.search(rf"\b(?:{called})\b", text, re.IGNORECASE):
                return use
    return None

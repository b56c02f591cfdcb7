"""Bought mixes opened with a kitchen's shelf: what a bag prints, read as ranges, and what is in it."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence

import numpy as np

from fallow_sieve.core.blends.bought import BoughtLabel, Opened, open_bag
from fallow_sieve.core.ingredients import Convention, Shelf, printed_range
from fallow_sieve.core.values import BadInputError, Range
from fallow_sieve.reference import label_caps

_SEED = 20_417  # one bag, one answer
_INSIDE = {"inside": True, "apart": False, "": None}


def opened(
    ingredients: Sequence[str],
    printed: Mapping[str, str],
    shelf: Shelf,
    *,
    printed_pct: Mapping[str, str] | None = None,
    convention: str = "",
    serving_g: float | None = None,
    under_2_pct: Collection[str] = (),
) -> Opened:
    """Return what is in a bag: slugs in falling mass, numbers as printed per serving (g; None: per 100 g).

    `convention` is inside or apart, or empty where the panel does not show it. Raises BadInputError.
    """
    inside = _INSIDE[convention or _shown_by(printed)]
    by = Convention.INSIDE if inside and serving_g is not None else Convention.APART
    ranges = {name: _per_100_g(name, text, by, serving_g) for name, text in printed.items() if text.strip()}
    shares = {slug: _share(slug, text) for slug, text in (printed_pct or {}).items()}
    label = BoughtLabel(tuple(ingredients), ranges, shares, inside, frozenset(under_2_pct))
    return open_bag(label, shelf, label_caps(), np.random.default_rng(_SEED))


def _shown_by(printed: Mapping[str, str]) -> str:
    """Salt is printed in Europe, sodium in the Americas: that shows how carbohydrate is meant."""
    salt, sodium = printed.get("salt_g", ""), printed.get("sodium_mg", "")
    return "apart" if salt and not sodium else "inside" if sodium and not salt else ""


def _per_100_g(name: str, text: str, convention: Convention, serving_g: float | None) -> Range:
    try:
        found = printed_range(text, name, convention)
    except BadInputError as error:
        raise error.at(f"/per_100_g/{name}") from error
    k = 100 / (serving_g or 100)
    return Range(found.low * k, found.typical * k, found.high * k)


def _share(slug: str, text: str) -> Range:
    try:
        found = printed_range(text.strip(" %"), "share_g", Convention.APART)
    except BadInputError as error:
        raise error.at(f"/printed_pct/{slug}") from error
    if not 0 < found.typical <= 100:
        raise BadInputError(f"{text} %", place=f"/printed_pct/{slug}", right="over 0, at most 100")
    return Range(found.low, found.typical, min(100.0, found.high))

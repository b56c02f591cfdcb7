"""The first hour: what somebody says or pastes, read into a brief, into the bins, or sorted to where it goes on."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date

from sqlmodel import Session

from fallow_sieve.core.briefs import SaidBrief, read_brief, wishes
from fallow_sieve.core.ingredients import Lot, check_lot
from fallow_sieve.core.recipes import Lexicon, ReadBin, Sorted, TextKind, read_bins, sort_text, understand, use_in_words
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.ingredients.prices import set_price
from fallow_sieve.services.kitchen import KitchenNow, words_here
from fallow_sieve.store.ingredients import add_lot, get_ingredient, lots_of


def brief_said(text: str, kitchen: KitchenNow) -> SaidBrief:
    """Return what a brief in words asks for, with its limits in words. Raises BadInputError."""
    known: Lexicon = words_here(kitchen).names
    found = read_brief(text, kitchen.shelf, lambda t: use_in_words(t, []), lambda t: understand(t, known).ingredient)
    names = {i.slug: i.name for i in kitchen.shelf.ingredients}
    return replace(found, said=wishes(found.limits, names, kitchen.currency))


def bins_said(text: str, kitchen: KitchenNow) -> tuple[ReadBin, ...]:
    """Return what a text says is in the bins. Raises BadInputError."""
    return read_bins(text, kitchen.shelf, words_here(kitchen))


@dataclass(frozen=True, slots=True)
class SortedText:
    """A text sorted to where it goes on; `ingredient` is the flour that a nutrition panel names first (None: none)."""

    kind: str
    why: str
    text: str
    panel: str
    ingredient: str | None


def text_sorted(text: str, kitchen: KitchenNow) -> SortedText:
    """Return what a pasted text is. Raises BadInputError."""
    words = words_here(kitchen)
    found: Sorted = sort_text(text, kitchen.shelf, words)
    first = text.strip().splitlines()[0]
    named = understand(first[:80], words.names).ingredient if found.kind is TextKind.PANEL else None
    return SortedText(str(found.kind), found.why, found.text, found.panel, named)


@dataclass(frozen=True, slots=True)
class InBin:
    """What is kept of one bin: the ingredient, g that are there (None: not said), price per kg (None: not said)."""

    ingredient: str
    stock_g: float | None = None
    price_per_kg: float | None = None


@dataclass(frozen=True, slots=True)
class BinsKept:
    """How many lots and prices were kept, and that in words."""

    lots: int
    prices: int
    say: str


def keep_bins(session: Session, bins: Sequence[InBin], today: date, now: str) -> BinsKept:
    """Keep what is in the bins: a lot where it is said how much, a price by itself where only that is.

    Raises BadInputError, and then nothing is kept.
    """
    lots = prices = 0
    for n, b in enumerate(bins):
        get_ingredient(session, b.ingredient)
        if b.stock_g is not None:
            _add(session, b, today, now, f"/bins/{n}")
            lots += 1
        elif b.price_per_kg is not None:
            set_price(session, b.ingredient, b.price_per_kg, today)
            prices += 1
    unsaid = len(bins) - lots - prices
    said = [f"{lots} in the bins"] if lots else []
    said += [f"{prices} priced"] if prices else []
    said += [f"{unsaid} without an amount or a price: nothing is kept of them"] if unsaid else []
    return BinsKept(lots, prices, f"{', '.join(said) or 'Nothing was kept'}.")


def _add(session: Session, b: InBin, today: date, now: str, place: str) -> None:
    assert b.stock_g is not None
    taken = {x.lot.code for x in lots_of(session, b.ingredient)}
    stem = f"{today:%y%m%d}"
    code = next(c for k in range(1, len(taken) + 2) if (c := stem if k == 1 else f"{stem}-{k}") not in taken)
    lot = Lot(code, b.stock_g, b.stock_g, bought_on=today, price_per_kg=b.price_per_kg, note="as said at the start")
    try:
        check_lot(lot, today)
    except BadInputError as error:
        raise BadInputError(str(error), place=place + (error.place or ""), right=error.right) from error
    add_lot(session, b.ingredient, lot, now)

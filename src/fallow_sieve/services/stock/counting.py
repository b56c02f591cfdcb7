"""Stock take: each bin by its place, the book figure hidden until the count is in."""

from __future__ import annotations

from dataclasses import dataclass, replace

from sqlmodel import Session

from fallow_sieve.core.ingredients import check_count
from fallow_sieve.core.stock.counting import CAUSES, wants_cause
from fallow_sieve.core.stock.moves import Move, MoveKind
from fallow_sieve.store import touch_shelf
from fallow_sieve.store.batches import bags_of, get_bag, page_of_batches, save_bag, touch_batch
from fallow_sieve.store.ingredients import LotOnRecord, all_lots, get_lot
from fallow_sieve.store.stock import record

_LAST = 200


@dataclass(frozen=True, slots=True)
class ToCount:
    """Something that is counted: a lot or a bag, its code, what it is, where it stands. The book figure is not here."""

    kind: str
    id: int
    code: str
    what: str
    place: str


@dataclass(frozen=True, slots=True)
class Counted:
    """A count against the book, g; `kept` is False where the difference wants a cause first."""

    book_g: float
    counted_g: float
    difference_g: float
    kept: bool
    say: str


def to_count(session: Session) -> list[ToCount]:
    """Return all that holds something, bags by their place, then lots by ingredient."""
    lots = [ToCount("lot", x.id, x.lot.code, x.ingredient, x.lot.supplier) for x in all_lots(session) if _counts(x)]
    batches = {b.id: b for b in page_of_batches(session, limit=_LAST)}
    bags = [
        ToCount("bag", b.id, f"{batches[n].code}/{b.number:02d}", batches[n].name, b.place)
        for n, found in bags_of(session, list(batches)).items()
        for b in found
        if b.left_g > 0
    ]
    return sorted(bags, key=lambda x: (x.place, x.code)) + sorted(lots, key=lambda x: (x.what, x.code))


def _counts(x: LotOnRecord) -> bool:
    return not x.archived and x.lot.stock_g > 0


def count(session: Session, kind: str, about: int, counted_g: float, cause: str, now: str) -> Counted:
    """Count a lot or a bag. A difference over 1 % and 2 g wants a cause: without one nothing is kept."""
    book_g = get_lot(session, about).lot.stock_g if kind == "lot" else get_bag(session, about).left_g
    difference = round(counted_g - book_g, 6)
    asks = wants_cause(book_g, counted_g)
    if asks and cause not in CAUSES:
        say = f"{abs(difference):.0f} g {'more' if difference > 0 else 'less'} than the book: what explains it?"
        return Counted(book_g, counted_g, difference, False, say)
    if difference:
        _move(session, kind, about, difference, cause if asks else "stock take", now)
    return Counted(book_g, counted_g, difference, True, "as the book says" if not difference else "counted")


def _move(session: Session, kind: str, about: int, difference: float, why: str, now: str) -> None:
    move = Move(MoveKind.COUNTED, difference, now, why=why)
    if kind == "lot":
        lot = get_lot(session, about)
        check_count(lot.lot.stock_g + difference, lot.lot.bought_g)
        record(session, replace(move, lot_id=about))
        touch_shelf(session, [lot.ingredient])
        return
    bag = get_bag(session, about)
    check_count(bag.left_g + difference, bag.net_g)
    record(session, replace(move, bag_id=about, batch_id=bag.batch_id))
    if bag.left_g + difference <= 0:
        save_bag(session, about, emptied_on=now[:10])
    touch_batch(session, bag.batch_id, now)

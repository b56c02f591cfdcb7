"""A trace, both ways: lots into batches with their grams, batches into places; and whether every gram is found."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.batches.batch import Batch, Weighing, drawn_g, standing_of
from fallow_sieve.core.ingredients import Shelf, short_name
from fallow_sieve.core.stock.accounts import Account
from fallow_sieve.core.stock.moves import MoveKind
from fallow_sieve.core.values import counted
from fallow_sieve.store.batches import batches_fed_by, batches_of_bags, batches_of_lots, get_batch, weighings_of
from fallow_sieve.store.ingredients import LotOnRecord, get_lot, lots_by_id
from fallow_sieve.store.stock import BagSum, bag_sums, open_holds

HERE, USED, ON, AWAY = "in the house", "used here", "poured into another batch", "thrown away"
_NOTHING_G = 1e-6


@dataclass(frozen=True, slots=True)
class TraceLot:
    """A lot of a trace: its code, ingredient, supplier, dates (ISO), test, and whether it is held."""

    id: int
    code: str
    ingredient: str
    name: str
    role: str
    supplier: str
    supplier_code: str
    bought_on: str
    best_before: str
    gluten_mg_per_kg: float | None
    mass_g: float
    held: str
    asked: bool


@dataclass(frozen=True, slots=True)
class TraceBatch:
    """A batch of a trace: g weighed in all, and in bags; whether every gram of it is found, and whether it is held."""

    id: int
    code: str
    name: str
    made_on: str
    in_g: float
    made_g: float
    left_g: float
    bags: int
    nobody_knows_g: float
    found_pct: float
    balanced: bool
    held: str


@dataclass(frozen=True, slots=True)
class Link:
    """g that went from a lot into a batch, or from a batch to a place, and % of the batch."""

    lot_id: int | None
    batch_id: int
    place: str
    mass_g: float
    pct: float
    bags: int = 0


@dataclass(frozen=True, slots=True)
class MixLink:
    """g that went out of the bags of one batch into another, and % of the other."""

    from_batch_id: int
    batch_id: int
    mass_g: float
    pct: float


@dataclass(frozen=True, slots=True)
class Trace:
    """A trace: of what, in one sentence; lots, batches, places with their g, and what links them.

    A mix inside a mix is followed to the end, both ways: `mixes` says which batch went into which.
    """

    title: str
    say: str
    lots: list[TraceLot]
    batches: list[TraceBatch]
    places: list[str]
    links: list[Link]
    mixes: list[MixLink]
    balanced: bool


def trace_lot(session: Session, lot_id: int, shelf: Shelf) -> Trace:
    """Return where a lot went: its batches with all they were drawn from, their bags, their places. NotFoundError."""
    lot = get_lot(session, lot_id)
    batches = batches_of_lots(session, [lot_id])
    weighed = weighings_of(session, [b.id for b in batches])
    batches = [b for b in batches if (lot.ingredient, lot_id) in drawn_g(weighed[b.id])]
    return _traced(session, _Asked(lot.lot.code, shelf, lot_id), batches, weighed)


def trace_batch(session: Session, batch_id: int, shelf: Shelf) -> Trace:
    """Return from which lots a batch came, and where it went. Raises NotFoundError."""
    batch = get_batch(session, batch_id)
    batches = [get_batch(session, n) for n in related(session, batch_id)]
    weighed = weighings_of(session, [b.id for b in batches])
    return _traced(session, _Asked(batch.code or batch.name, shelf), batches, weighed)


@dataclass(frozen=True, slots=True)
class _Asked:
    title: str
    shelf: Shelf
    lot_id: int | None = None


def _traced(session: Session, asked: _Asked, batches: Sequence[Batch], weighed: dict[int, list[Weighing]]) -> Trace:
    sums = bag_sums(session, [b.id for b in batches])
    holds = open_holds(session)
    held_lots = {h.lot_id: h.why for h in holds}
    held = {h.batch_id: h.why for h in holds}
    lots = _lots(session, asked, batches, weighed)
    mixes = [m for b in batches for m in _from_mixes(session, b, weighed)]
    through = {(m.from_batch_id, m.batch_id) for m in mixes}
    sources = batches_of_bags(session, [w.bag_id for ws in weighed.values() for w in ws if w.bag_id is not None])
    own = {b.id: [w for w in weighed[b.id] if (sources.get(w.bag_id or 0, 0), b.id) not in through] for b in batches}
    links = [x for b in batches for x in (*_from_lots(b, weighed[b.id], own[b.id], lots), *_to_places(b, sums))]
    seen = [_batch(b, weighed[b.id], sums, held.get(b.id, "")) for b in batches]
    mass = {x.id: sum(k.mass_g for k in links if k.lot_id == x.id) for x in lots}
    return Trace(
        asked.title,
        _sentence(asked.title, seen, sums),
        [_lot(x, mass[x.id], held_lots.get(x.id, ""), asked) for x in lots],
        seen,
        list(dict.fromkeys(k.place for k in links if k.place)),
        links,
        mixes,
        all(b.balanced for b in seen),
    )


def _lots(
    session: Session, asked: _Asked, batches: Sequence[Batch], weighed: dict[int, list[Weighing]]
) -> list[LotOnRecord]:
    """The lots that batches were drawn from, the one that is asked for first."""
    ids = {n for b in batches for (_, n) in drawn_g(weighed[b.id])} | {asked.lot_id}
    found = lots_by_id(session, [n for n in ids if n is not None])
    return sorted(found, key=lambda x: (x.id != asked.lot_id, x.ingredient, x.id))


def related(session: Session, batch_id: int) -> list[int]:
    """Return a batch, those whose bags went into it, and those that its own went into, to the end; itself first."""
    found = [batch_id]
    for step in (_made_of, batches_fed_by):
        edge = [batch_id]
        while edge:
            edge = [n for n in step(session, edge) if n not in found]
            found += edge
    return found


def _made_of(session: Session, batch_ids: Sequence[int]) -> list[int]:
    weighed = weighings_of(session, list(batch_ids))
    bags = [w.bag_id for ws in weighed.values() for w in standing_of(ws) if w.bag_id is not None]
    return sorted(set(batches_of_bags(session, bags).values()))


def _from_mixes(session: Session, batch: Batch, weighed: dict[int, list[Weighing]]) -> list[MixLink]:
    """From which other batches of the trace a batch was made, with their g."""
    standing = standing_of(weighed[batch.id])
    sources = batches_of_bags(session, [w.bag_id for w in standing if w.bag_id is not None])
    total_g = sum(w.net_g for w in standing) or 1.0
    found: dict[int, float] = {}
    for w in standing:
        source = sources.get(w.bag_id or 0)
        if source in weighed:
            found[source] = found.get(source, 0.0) + w.net_g
    return [MixLink(n, batch.id, round(g, 6), 100 * g / total_g) for n, g in found.items()]


def _from_lots(
    batch: Batch, weighings: Sequence[Weighing], own: Sequence[Weighing], lots: Sequence[LotOnRecord]
) -> list[Link]:
    """What a batch drew from lots itself (`own`), % of all that was weighed."""
    drawn = drawn_g(own)
    total_g = sum(drawn_g(weighings).values()) or 1.0
    ids = {x.id for x in lots}
    return [Link(n, batch.id, "", g, 100 * g / total_g) for (_, n), g in drawn.items() if n in ids]


def account_of(batch_id: int, sums: Sequence[BagSum]) -> Account:
    """Return where what was made of a batch is, g, by the moves of its bags."""
    ours = [s for s in sums if s.batch_id == batch_id]

    def total(kind: MoveKind) -> float:
        return sum(s.mass_g for s in ours if s.kind is kind)

    return Account(
        made_g=total(MoveKind.BAGGED),
        in_stock_g=sum(s.mass_g for s in ours),
        used_g=-total(MoveKind.USED) + _poured_on_g(ours),
        gone_out_g=-total(MoveKind.GONE_OUT),
        thrown_away_g=-total(MoveKind.THROWN_AWAY),
        bags=max((s.bags for s in ours), default=0),
    )


def _poured_on_g(ours: Sequence[BagSum]) -> float:
    """What went out of bags into other batches, g, less what was given back."""
    return -sum(s.mass_g for s in ours if s.kind in (MoveKind.WEIGHED, MoveKind.VOIDED))


def _to_places(batch: Batch, sums: Sequence[BagSum]) -> list[Link]:
    account = account_of(batch.id, sums)
    made_g = account.made_g or 1.0
    ours = [s for s in sums if s.batch_id == batch.id]
    gone = [s for s in ours if s.kind is MoveKind.GONE_OUT]
    rows = [
        (HERE, account.in_stock_g, 0),
        (USED, account.used_g - _poured_on_g(ours), 0),
        (ON, _poured_on_g(ours), 0),
        *((s.where, -s.mass_g, s.bags) for s in gone),
        (AWAY, account.thrown_away_g, 0),
    ]
    return [Link(None, batch.id, where, g, 100 * g / made_g, bags) for where, g, bags in rows if g > _NOTHING_G]


def _batch(batch: Batch, weighings: Sequence[Weighing], sums: Sequence[BagSum], held: str) -> TraceBatch:
    account = account_of(batch.id, sums)
    in_g = sum(w.net_g for w in standing_of(weighings))
    return TraceBatch(
        batch.id, batch.code, batch.name, batch.made_on, in_g, account.made_g, account.in_stock_g, account.bags,
        account.nobody_knows_g, account.found_pct, account.balanced, held,
    )  # fmt: skip


def _lot(x: LotOnRecord, mass_g: float, held: str, asked: _Asked) -> TraceLot:
    lot, item = x.lot, next((asked.shelf[s] for s in (x.ingredient,) if s in asked.shelf), None)
    return TraceLot(
        x.id, lot.code, x.ingredient, short_name(item.name) if item else x.ingredient.replace("-", " "),
        str(item.role) if item else "other", lot.supplier, lot.supplier_code,
        lot.bought_on.isoformat() if lot.bought_on else "", lot.best_before.isoformat() if lot.best_before else "",
        lot.gluten_mg_per_kg, mass_g, held, x.id == asked.lot_id,
    )  # fmt: skip


def _sentence(title: str, batches: Sequence[TraceBatch], sums: Sequence[BagSum]) -> str:
    if not batches:
        return f"{title} is in no batch."
    of_batch = [b for b in batches if b.code == title]
    told = of_batch or batches
    bags, here = sum(b.bags for b in told), sum(b.left_g for b in told)
    out = [s for s in sums if s.kind is MoveKind.GONE_OUT and s.batch_id in {b.id for b in told}]
    gone = f"{_kg(-sum(s.mass_g for s in out))} gone to {counted(len({s.where for s in out}), 'place')}"
    where = f"{_kg(here)} in the house, {gone if out else 'nothing gone out'}"
    if not of_batch:
        return f"{title} is in {counted(len(batches), 'batch', 'batches')} and {counted(bags, 'bag')}: {where}."
    others = ", ".join(b.code for b in batches if b.code != title)
    return f"{title} is in {counted(bags, 'bag')}: {where}." + (f" It shares flour with {others}." if others else "")


def _kg(mass_g: float) -> str:
    return f"{mass_g / 1000:.1f} kg" if mass_g >= 1000 else f"{mass_g:.0f} g"

"""Weighings, bags and moves of a batch, and what is to be bought, as tidy tables: a row each, units in the heads."""

from __future__ import annotations

from collections.abc import Sequence

from sqlmodel import Session

from fallow_sieve.core.batches.codes import bag_code
from fallow_sieve.core.values import UnknownNameError
from fallow_sieve.formats.shared import guarded, write_csv
from fallow_sieve.services.batches.page import OnRecord
from fallow_sieve.services.stock.buying import ToBuy
from fallow_sieve.store.stock import moves_of_bags

Row = Sequence[str | float | None]
Tidy = tuple[tuple[str, ...], list[Row]]
TABLES = ("weighings", "bags", "moves")


def as_csv(table: Tidy) -> str:
    """Return a table as CSV, its words so that no spreadsheet takes one for a formula."""
    head, rows = table
    return write_csv(head, [[guarded(c) if isinstance(c, str) else c for c in row] for row in rows])


def batch_table(session: Session, found: OnRecord, name: str) -> Tidy:
    """Return the head and the rows of one of TABLES for a batch. Raises UnknownNameError for another name."""
    if name not in TABLES:
        raise UnknownNameError("table", name, ["json", *TABLES], place="?format")
    return {"weighings": _weighings, "bags": _bags}[name](found) if name != "moves" else _moves(session, found)


def _weighings(found: OnRecord) -> Tidy:
    head = ("batch", "ingredient", "lot", "target_g", "gross_g", "tare_g", "net_g", "typed", "at", "voids", "why")
    keys = {w.id: w.key for w in found.weighings}
    rows: list[Row] = []
    for w in found.weighings:
        lot = found.lot_of.get(w.lot_id or 0)
        rows.append(
            (
                found.batch.code, w.ingredient, lot.lot.code if lot else "", w.target_g, w.gross_g, w.tare_g, w.net_g,
                "yes" if w.typed else "no", w.at, keys.get(w.voids or 0, ""), w.why,
            )
        )  # fmt: skip
    return head, rows


def _bags(found: OnRecord) -> Tidy:
    head = ("batch", "bag", "is_bin", "size_g", "net_g", "left_g", "place", "opened_on", "emptied_on")
    rows: list[Row] = [
        (
            found.batch.code, bag_code(found.batch.code, b.number), "yes" if b.is_bin else "no", b.size_g, b.net_g,
            b.left_g, b.place, b.opened_on or "", b.emptied_on or "",
        )
        for b in found.bags
    ]  # fmt: skip
    return head, rows


def _moves(session: Session, found: OnRecord) -> Tidy:
    head = ("batch", "bag", "kind", "mass_g", "at", "why", "where_to", "takes_back")
    moves = moves_of_bags(session, [b.id for b in found.bags])
    code = found.batch.code
    rows: list[Row] = [
        (code, bag_code(code, b.number), m.move.kind, m.move.mass_g, m.move.at, m.move.why, m.move.where, m.move.undoes)
        for b in found.bags
        for m in moves[b.id]
    ]
    return head, rows


def buying_table(items: Sequence[ToBuy]) -> Tidy:
    """Return the head and the rows of what is to be bought, by supplier; an unknown price is empty."""
    head = ("supplier", "ingredient", "need_g", "free_g", "planned_g", "buy_at_g", "packs", "price", "left_over_g")
    rows: list[Row] = []
    for x in items:
        packs = " + ".join(f"{p.count} × {p.size_g:g} g" for p in x.packs)
        rows.append(
            (x.supplier, x.ingredient, x.need_g, x.free_g, x.planned_g, x.buy_at_g, packs, x.price, x.left_over_g)
        )
    return head, rows

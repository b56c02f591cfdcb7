"""What happened to lots, batches and bags as events, one JSON object a line, with the field names of EPCIS 2.0.

Shaped like that open standard, not certified: own URIs, no company numbers. The same kitchen gives the same lines.
"""

from __future__ import annotations

import json
from collections.abc import Iterator
from typing import Any
from uuid import NAMESPACE_URL, uuid5

from sqlmodel import Session

from fallow_sieve.core.batches.batch import BagLeft, Batch, drawn_g
from fallow_sieve.core.batches.codes import bag_code
from fallow_sieve.core.stock.moves import Move, MoveKind
from fallow_sieve.store.batches import bags_of, page_of_batches, weighings_of
from fallow_sieve.store.ingredients import LotOnRecord, all_lots
from fallow_sieve.store.stock import MoveOnRecord, moves_of_bags, moves_of_lot

_MOST = 100_000
_STEPS = {
    MoveKind.OPENING: ("ADD", "receiving", "in_progress"),
    MoveKind.BOUGHT: ("ADD", "receiving", "in_progress"),
    MoveKind.RETURNED: ("DELETE", "shipping", "returned"),
    MoveKind.GONE_OUT: ("OBSERVE", "shipping", "in_transit"),
    MoveKind.THROWN_AWAY: ("DELETE", "destroying", "destroyed"),
}


def events_of(session: Session) -> str:
    """Return every event of a kitchen, the first one first, one JSON object a line."""
    lots = {x.id: x for x in all_lots(session)}
    found = [e for x in lots.values() for e in _of_lot(x, moves_of_lot(session, x.id))]
    for batch in page_of_batches(session, limit=_MOST):
        bags = bags_of(session, [batch.id])[batch.id]
        found += _of_batch(session, batch, bags, lots)
        moves = moves_of_bags(session, [b.id for b in bags])
        found += [e for b in bags for e in _of_bag(batch, b, moves[b.id])]
    found.sort(key=lambda e: (e["eventTime"], e["eventID"]))
    return "".join(json.dumps(e, ensure_ascii=False) + "\n" for e in found)


def _event(kind: str, key: str, at: str, **said: Any) -> dict[str, Any]:
    number = uuid5(NAMESPACE_URL, f"urn:fallow-sieve:event:{key}")
    return {"type": kind, "eventID": f"urn:uuid:{number}", "eventTime": at, "eventTimeZoneOffset": "+00:00", **said}


def _quantity(of: str, code: str, mass_g: float) -> dict[str, Any]:
    return {"epcClass": f"urn:fallow-sieve:{of}:{code}", "quantity": round(mass_g / 1000, 9), "uom": "KGM"}


def _moved(move: MoveOnRecord, of: str, code: str, more: dict[str, Any]) -> Iterator[dict[str, Any]]:
    found: Move = move.move
    if found.kind not in _STEPS or found.undoes is not None or not found.at:
        return
    action, step, disposition = _STEPS[found.kind]
    where = {"destinationList": [{"type": "location", "destination": found.where}]} if found.where else {}
    yield _event(
        "ObjectEvent", f"move:{move.id}", found.at, action=action, bizStep=step, disposition=disposition,
        quantityList=[_quantity(of, code, abs(found.mass_g))], **where, **more,
    )  # fmt: skip


def _of_lot(x: LotOnRecord, moves: list[MoveOnRecord]) -> list[dict[str, Any]]:
    until = {"itemExpirationDate": x.lot.best_before.isoformat()} if x.lot.best_before else {}
    ilmd = {"ilmd": {"lotNumber": x.lot.supplier_code or x.lot.code, **until}}
    return [
        e for m in moves for e in _moved(m, "lot", f"{x.ingredient}:{x.lot.code}", ilmd if m.move.mass_g > 0 else {})
    ]


def _of_batch(
    session: Session, batch: Batch, bags: list[BagLeft], lots: dict[int, LotOnRecord]
) -> Iterator[dict[str, Any]]:
    weighings = weighings_of(session, [batch.id])[batch.id]
    drawn = drawn_g(weighings)
    if not drawn:
        return
    at = max(w.at for w in weighings)
    codes = {k: lots[k[1]].lot.code if k[1] in lots else "none" for k in drawn}
    yield _event(
        "TransformationEvent", f"batch:{batch.id}", at, bizStep="commissioning", disposition="active",
        inputQuantityList=[_quantity("lot", f"{k[0]}:{codes[k]}", g) for k, g in drawn.items()],
        outputQuantityList=[_quantity("batch", batch.code, sum(drawn.values()))],
        ilmd={"lotNumber": batch.code},
    )  # fmt: skip
    for b in bags:
        yield _event(
            "AggregationEvent", f"bag:{b.id}", at, action="ADD", bizStep="packing", disposition="in_progress",
            parentID=f"urn:fallow-sieve:bag:{bag_code(batch.code, b.number)}",
            childQuantityList=[_quantity("batch", batch.code, b.net_g)],
        )  # fmt: skip


def _of_bag(batch: Batch, bag: BagLeft, moves: list[MoveOnRecord]) -> list[dict[str, Any]]:
    back = {m.move.undoes for m in moves}
    code = bag_code(batch.code, bag.number)
    return [e for m in moves if m.id not in back for e in _moved(m, "bag", code, {})]

"""How the blends of a brief stand, from what was kept of their judgements; anew where what that rested on changed.

A mark holds all that a judgement rests on: the draft, how many revisions there are, the numbers of each part, the
kitchen's settings, the brief's limits, the bundled tables. What has the same mark need not be judged again.
"""

from __future__ import annotations

import json
from collections.abc import Sequence
from dataclasses import asdict, dataclass
from hashlib import blake2b
from typing import Any, cast

from sqlmodel import Session

from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.reference import tables_version
from fallow_sieve.services.blends.standing import BlendStanding, Layer, blend_standing
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.store import BlendAtHand, KeptStanding, kept_standings

JUDGED_AS = 1  # raise it whenever what a judgement says changes though its numbers do not


@dataclass(slots=True)
class Effort:
    """How many blends may still be judged anew, and what came of those that were: it is worth keeping."""

    left: int
    fresh: list[KeptStanding]


def standings(
    session: Session, blends: Sequence[BlendAtHand], kitchen: KitchenNow, effort: Effort
) -> dict[int, BlendStanding]:
    """Return how blends stand, by id, the last ones first; those for which no effort is left are not in it."""
    kept = kept_standings(session, [b.head.id for b in blends])
    context = repr((JUDGED_AS, tables_version(), kitchen.setting))
    found = {}
    for blend in reversed(blends):
        mark = _mark(blend, kitchen.shelf, context)
        old = kept.get(blend.head.id)
        if old is not None and old.mark == mark:
            found[blend.head.id] = _standing(old.found)
        elif effort.left > 0:
            effort.left -= 1
            made = found[blend.head.id] = blend_standing(session, blend.head, kitchen)
            effort.fresh.append(KeptStanding(blend.head.id, mark, asdict(made)))
    return found


def _standing(found: dict[str, Any]) -> BlendStanding:
    return BlendStanding(**{**found, "layers": tuple(Layer(**x) for x in found["layers"])})


def _mark(blend: BlendAtHand, shelf: Shelf, context: str) -> str:
    parts: list[dict[str, Any]] = json.loads(blend.draft).get("parts", [])
    prints = [_PRINTS.of(shelf, p["ingredient"], p.get("lot_id")) for p in parts]
    whole = "\n".join([context, blend.draft, str(blend.revisions), *prints])
    return blake2b(whole.encode(), digest_size=16).hexdigest()


class _Prints:
    """The print of each row of one shelf: another shelf, of which one row changed, is another one's."""

    def __init__(self) -> None:
        self._of: tuple[Shelf, dict[int, str]] | None = None

    def of(self, shelf: Shelf, slug: str, lot_id: int | None) -> str:
        """Return what tells the numbers of an ingredient, or of a lot of it, from any other numbers."""
        held = self._of
        if held is None or held[0] is not shelf:
            held = self._of = (shelf, {})
        row = shelf.lots.get(lot_id, -1) if lot_id is not None else shelf.row_of.get(slug, -1)
        found = held[1].get(row)
        if found is None:
            found = held[1][row] = _print(shelf, row) if row >= 0 else f"no {slug} {lot_id}"
        return found


def _print(shelf: Shelf, row: int) -> str:
    item = shelf.rows[row]
    named = (item.slug, item.name, item.role, item.functions, item.allergens, item.watch, item.lot_id)
    bought = (item.price_per_kg, item.gluten_mg_per_kg, item.gluten_risk, item.usual_max_pct, item.usual_max_reason)
    numbers = (shelf.values_and_known[row], shelf.variance[row], shelf.rests_on[row])
    whole = b"".join([repr((named, bought)).encode(), *(cast(bytes, n.tobytes()) for n in numbers)])
    return blake2b(whole, digest_size=12).hexdigest()


_PRINTS = _Prints()

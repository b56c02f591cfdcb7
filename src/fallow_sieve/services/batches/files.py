"""A batch out as a file, and read back from one to be labelled elsewhere."""

from __future__ import annotations

from datetime import date
from typing import Any

from fallow_sieve.core.batches.batch import BagLeft, Batch, BatchState, Weighing
from fallow_sieve.core.batches.planning import Wanted
from fallow_sieve.core.blends import Part
from fallow_sieve.core.ingredients import Lot
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.formats.batches import (
    BagFile,
    BatchFile,
    BatchPartFile,
    BatchStepFile,
    LotFile,
    WeighingFile,
)
from fallow_sieve.formats.shared import day_of
from fallow_sieve.services.batches.page import OnRecord
from fallow_sieve.store.batches import StepDone
from fallow_sieve.store.ingredients import LotOnRecord

_LOT = ("code", "supplier", "supplier_code", "best_before", "bought_on", "milled_on", "gluten_mg_per_kg", "gluten_on")


def batch_file(found: OnRecord) -> BatchFile:
    """Return a batch as a file."""
    b, keys = found.batch, {w.id: w.key for w in found.weighings}
    return BatchFile(
        code=b.code,
        name=b.name,
        revision=b.revision,
        use=b.use,
        state=b.state.value,
        made_on=b.made_on or None,
        bag_g=b.wanted.bag_g,
        parts=[
            BatchPartFile(ingredient=p.ingredient, mass_g=p.mass_g, target_g=b.targets_g.get(p.ingredient, 0.0))
            for p in b.parts
        ],
        weighings=[_weighing(w, found.lot_of.get(w.lot_id or 0), keys) for w in found.weighings],
        steps=[BatchStepFile(kind=s.kind, at=s.at, minutes=s.minutes, note=s.note) for s in found.steps],
        bags=[_bag(x) for x in found.bags],
        held=found.holds[0].why if found.holds else "",
    )


def _weighing(w: Weighing, lot: LotOnRecord | None, keys: dict[int, str]) -> WeighingFile:
    known = LotFile(**{n: _text(getattr(lot.lot, n)) for n in _LOT}) if lot else None
    return WeighingFile(
        key=w.key, ingredient=w.ingredient, net_g=w.net_g, lot=known, gross_g=w.gross_g, tare_g=w.tare_g,
        typed=w.typed, at=w.at, voids=keys.get(w.voids or 0, ""), why=w.why,
    )  # fmt: skip


def _bag(b: BagLeft) -> BagFile:
    return BagFile(
        number=b.number, is_bin=b.is_bin, size_g=b.size_g, net_g=b.net_g, left_g=b.left_g, place=b.place,
        opened_on=b.opened_on,
    )  # fmt: skip


def on_file(file: BatchFile) -> OnRecord:
    """Return what a file holds as a batch on record, its lots under numbers that no kitchen has. BadInputError."""
    lots: dict[tuple[str, str], LotOnRecord] = {}
    for w in file.weighings:
        if w.lot is not None and (w.ingredient, w.lot.code) not in lots:
            lot = _lot(w.lot)
            lots[w.ingredient, w.lot.code] = LotOnRecord(-1 - len(lots), w.ingredient, lot, False, 1)
    by_slug: dict[str, list[LotOnRecord]] = {p.ingredient: [] for p in file.parts}
    for (slug, _), lot_on_record in lots.items():
        by_slug.setdefault(slug, []).append(lot_on_record)
    batch = Batch(
        name=file.name,
        revision=file.revision,
        parts=tuple(Part(p.ingredient, p.mass_g) for p in file.parts),
        wanted=Wanted(bag_g=file.bag_g or 500.0),
        targets_g={p.ingredient: p.target_g or p.mass_g for p in file.parts},
        use=file.use,
        code=file.code,
        state=BatchState(file.state),
        made_on=day.isoformat() if (day := day_of(file.made_on, "/made_on")) else "",
    )
    steps = [StepDone(s.kind, s.at, s.minutes, {}, s.note) for s in file.steps]
    return OnRecord(batch, _weighings(file, lots), _bags(file), steps, by_slug, {}, [])


def _text(value: Any) -> Any:
    return value.isoformat() if isinstance(value, date) else value


def _lot(given: LotFile) -> Lot:
    values = {n: getattr(given, n) for n in _LOT}
    days = {n: day_of(values[n], f"/weighings/lot/{n}") for n in _LOT if n.endswith(("_on", "_before"))}
    return Lot(bought_g=1.0, stock_g=0.0, **{**values, **days})


def _weighings(file: BatchFile, lots: dict[tuple[str, str], LotOnRecord]) -> list[Weighing]:
    ids = {w.key: n for n, w in enumerate(file.weighings, start=1)}
    made = []
    for n, w in enumerate(file.weighings, start=1):
        if w.voids and w.voids not in ids:
            raise BadInputError(f"{shown(w.voids)} is voided, and not there", place=f"/weighings/{n - 1}/voids")
        lot = lots.get((w.ingredient, w.lot.code)) if w.lot else None
        made.append(
            Weighing(
                key=w.key, ingredient=w.ingredient, net_g=w.net_g, lot_id=lot.id if lot else None, gross_g=w.gross_g,
                tare_g=w.tare_g, typed=w.typed, at=w.at, voids=ids[w.voids] if w.voids else None, why=w.why, id=n,
            )
        )  # fmt: skip
    return made


def _bags(file: BatchFile) -> list[BagLeft]:
    return [_bag_left(n, b) for n, b in enumerate(file.bags, start=1)]


def _bag_left(n: int, b: BagFile) -> BagLeft:
    return BagLeft(n, 0, b.number, b.size_g, b.net_g, b.left_g, b.is_bin, b.place, b.opened_on)

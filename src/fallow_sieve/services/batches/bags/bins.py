"""Bins: each holds one batch at a time; emptied, cleaned, filled, one after the other. No topping up."""

from __future__ import annotations

from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.batches.codes import bag_code
from fallow_sieve.core.values import BadInputError
from fallow_sieve.store.batches import Bin, bags_of, bags_of_bins, bins_of, get_batch, get_bin, save_bin
from fallow_sieve.store.stock import moves_of_bags

HOLDS, TO_CLEAN, CLEAN, UNKNOWN = "holds", "to clean", "clean", "unknown"
_WORDS = {HOLDS: "it holds a batch", TO_CLEAN: "empty, to be cleaned", CLEAN: "clean and empty", UNKNOWN: "unknown mix"}


@dataclass(frozen=True, slots=True)
class BinFilling:
    """What a bin held: which batch, as which bag, from when to when (ISO; empty: still), g in and left."""

    batch_id: int
    code: str
    name: str
    since: str
    until: str
    net_g: float
    left_g: float
    opened_on: str


@dataclass(frozen=True, slots=True)
class BinSeen:
    """A bin with how it stands, in a word and in words, and its fillings, the last one first."""

    id: int
    version: int
    name: str
    place: str
    capacity_g: float | None
    tare_g: float | None
    stands: str
    say: str
    fillings: list[BinFilling]


def bins_seen(session: Session) -> list[BinSeen]:
    """Return the bins of a kitchen, by place and name."""
    return [_seen(b, _fillings(session, b.id)) for b in bins_of(session)]


def _seen(b: Bin, fillings: list[BinFilling]) -> BinSeen:
    stands = _stands(b, fillings)
    say = f"{fillings[0].name}, {fillings[0].code}" if stands == HOLDS else _WORDS[stands]
    return BinSeen(b.id, b.version, b.name, b.place, b.capacity_g, b.tare_g, stands, say, fillings)


def _stands(b: Bin, fillings: list[BinFilling]) -> str:
    if fillings and fillings[0].left_g > 0:
        return HOLDS
    if b.cleaned_at:
        return CLEAN
    return TO_CLEAN if fillings else UNKNOWN


def _fillings(session: Session, bin_id: int) -> list[BinFilling]:
    ids = [(bag_id, batch_id) for b, bag_id, batch_id, _ in bags_of_bins(session) if b == bin_id]
    moves = moves_of_bags(session, [bag_id for bag_id, _ in ids])
    found = []
    for bag_id, batch_id in reversed(ids):
        batch = get_batch(session, batch_id)
        bag = next(x for x in bags_of(session, [batch_id])[batch_id] if x.id == bag_id)
        found.append(
            BinFilling(
                batch_id, bag_code(batch.code, bag.number), batch.name, moves[bag_id][0].move.at[:10],
                bag.emptied_on or "", bag.net_g, bag.left_g, bag.opened_on or "",
            )
        )  # fmt: skip
    return found


def check_fits(session: Session, bin_id: int, net_g: float) -> Bin:
    """Return a bin that may be filled with `net_g` g: it is clean and empty, and holds as much. BadInputError."""
    found = get_bin(session, bin_id)
    stands = _stands(found, _fillings(session, bin_id))
    if stands != CLEAN:
        raise BadInputError(
            f"{found.name}: {_WORDS[stands]}", place="/bin_id", right="empty it, clean it, then fill it"
        )
    if found.capacity_g is not None and net_g > found.capacity_g:
        right = f"at most {found.capacity_g:g} g"
        raise BadInputError(f"{net_g:g} g into {found.name}", place="/net_g", right=right)
    return found


def clean(session: Session, bin_id: int, now: str) -> None:
    """Note that an emptied bin, or one of an unknown mix, was emptied and cleaned. Raises BadInputError."""
    found = get_bin(session, bin_id)
    if _stands(found, _fillings(session, bin_id)) == HOLDS:
        raise BadInputError(f"{found.name} holds a batch", place="/bin_id", right="empty it first")
    save_bin(session, bin_id, cleaned_at=now)


def held_in(session: Session, bin_id: int) -> int:
    """Return the bag that a bin is now, by id. Raises BadInputError where it holds no batch."""
    held = next((bag_id for b, bag_id, _, left_g in bags_of_bins(session) if b == bin_id and left_g > 0), None)
    if held is None:
        raise BadInputError(f"{get_bin(session, bin_id).name} holds no batch", place="/bin_id", right="fill it first")
    return held

"""The ledger: moves of stock, their sums, holds and drills."""

from fallow_sieve.store.stock.drills import Drill, begin_drill, end_drill
from fallow_sieve.store.stock.holds import Hold, hold, holds_of, is_held, open_holds, release
from fallow_sieve.store.stock.ledger import (
    MoveOnRecord,
    MoveSeen,
    add_moves,
    get_move,
    is_taken_back,
    moves_of_bags,
    moves_of_lot,
    moves_seen,
    record,
)
from fallow_sieve.store.stock.sums import BagSum, bag_sums, weekly_use_g

__all__ = [
    "BagSum",
    "Drill",
    "Hold",
    "MoveOnRecord",
    "MoveSeen",
    "add_moves",
    "bag_sums",
    "begin_drill",
    "end_drill",
    "get_move",
    "hold",
    "holds_of",
    "is_held",
    "is_taken_back",
    "moves_of_bags",
    "moves_of_lot",
    "moves_seen",
    "open_holds",
    "record",
    "release",
    "weekly_use_g",
]

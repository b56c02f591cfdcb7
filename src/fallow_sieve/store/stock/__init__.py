"""The ledger: moves of stock, holds and drills."""

from fallow_sieve.store.stock.holds import Hold, hold, holds_of, is_held, open_holds
from fallow_sieve.store.stock.ledger import add_moves, moves_of_bags, moves_of_lot, record

__all__ = [
    "Hold",
    "add_moves",
    "hold",
    "holds_of",
    "is_held",
    "moves_of_bags",
    "moves_of_lot",
    "open_holds",
    "record",
]

"""The record that a label's QR holds: the batch itself, in the letters of the code's dense mode, and no address.

Only capitals, digits, a blank and `$%*+-./:` are in it. Where it is too long, lots go first, then parts by rising
mass; the code and the binder never.
"""

from __future__ import annotations

import unicodedata
from collections.abc import Sequence
from dataclasses import dataclass, field, replace

import segno

KIND = "FSB1"
MODULE_MM = 0.4
QUIET = 4
_LETTERS = frozenset("0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ $%*+-./:")
Matrix = tuple[tuple[bool, ...], ...]


@dataclass(frozen=True, slots=True)
class RecordPart:
    """A part of the record: its name, its lot's code, g."""

    name: str
    lot: str
    mass_g: float


@dataclass(frozen=True, slots=True)
class BatchRecord:
    """What is recorded: code, name, made on, best before, g made, the bag, binder, allergens, parts by falling mass."""

    code: str
    name: str
    made_on: str = ""
    best_before: str = ""
    made_g: float = 0.0
    bag: str = ""
    binder: str = ""
    has: tuple[str, ...] = ()
    parts: Sequence[RecordPart] = field(default_factory=tuple)
    cut: bool = False


def record_text(record: BatchRecord, with_lots: bool = True) -> str:
    """Return a record as the text of its QR.

    >>> record_text(BatchRecord("26332-2-Q", "Summit mix R4", binder="in"))
    'FSB1$26332-2-Q$SUMMIT MIX R4$BINDER IN'
    """
    rows = [
        record.code,
        record.name,
        f"MADE {record.made_on}" if record.made_on else "",
        f"BB {record.best_before}" if record.best_before else "",
        f"{record.made_g:.0f} G" if record.made_g else "",
        f"BAG {record.bag}" if record.bag else "",
        f"BINDER {record.binder}" if record.binder else "",
        f"HAS {' + '.join(record.has)}" if record.has else "",
        *(f"{p.name} {p.lot + ' ' if with_lots and p.lot else ''}{p.mass_g:.0f}" for p in record.parts),
        "..." if record.cut else "",
    ]
    return "$".join([KIND, *(_dense(r) for r in rows if r)])


def _dense(text: str) -> str:
    plain = unicodedata.normalize("NFKD", text).upper().replace("$", " ")
    return " ".join("".join(c if c in _LETTERS else " " for c in plain if not unicodedata.combining(c)).split())


def code_of(record: BatchRecord, room_mm: float) -> tuple[str, Matrix]:
    """Return the fullest record whose QR fits into `room_mm` mm at 0.4 mm a module, and its modules with their rim."""
    tries = [record_text(record), record_text(record, False)]
    for n in range(len(record.parts) - 1, -1, -1):
        tries.append(record_text(replace(record, parts=record.parts[:n], cut=True), False))
    tries.append(f"{KIND}${_dense(record.code)}$BINDER {_dense(record.binder)}".removesuffix("$BINDER "))
    for text in tries:
        made = segno.make(text, mode="alphanumeric", error="m", micro=False)
        if (made.symbol_size(border=QUIET)[0]) * MODULE_MM <= room_mm + 1e-9:
            break
    return text, tuple(tuple(bool(m) for m in row) for row in made.matrix_iter(border=QUIET))

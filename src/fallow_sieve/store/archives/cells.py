r"""A value of the database as a cell of a CSV, and back to the same bits.

Numbers stand in the shortest form that reads back the same; `\N` is null, so that an empty text stays one; a text that
begins with `\` gets a second one; `\B` names the file that holds bytes.
"""

from __future__ import annotations

from collections.abc import Callable
from hashlib import sha256

NULL = r"\N"
BYTES = r"\B"
Value = str | int | float | bytes | None
_SIGNS = ((b"\xff\xd8\xff", "jpg"), (b"\x89PNG", "png"), (b"RIFF", "webp"))


def file_of(data: bytes) -> str:
    """Return the name under which bytes lie in an archive: by what they are, so each picture lies there once."""
    kind = next((k for sign, k in _SIGNS if data.startswith(sign)), "bin")
    return f"photos/{sha256(data).hexdigest()}.{kind}"


def cell_of(value: Value) -> str:
    r"""Return the cell of a value.

    >>> cell_of(None), cell_of(""), cell_of(0.1), cell_of("\\N")
    ('\\N', '', '0.1', '\\\\N')
    """
    if value is None:
        return NULL
    if isinstance(value, bytes):
        return f"{BYTES}{file_of(value)}"
    if isinstance(value, str):
        return f"\\{value}" if value.startswith("\\") else value
    return repr(value)


def value_of(cell: str, kind: str, read: Callable[[str], bytes]) -> Value:
    """Return the value of a cell in a column of a kind; `read` gives the bytes of a file. Raises ValueError."""
    if cell == NULL:
        return None
    if cell.startswith(BYTES):
        return read(cell.removeprefix(BYTES))
    if cell.startswith("\\"):
        return cell[1:]
    if kind in ("FLOAT", "REAL"):
        return float(cell)
    return int(cell) if kind in ("INTEGER", "BOOLEAN") else cell

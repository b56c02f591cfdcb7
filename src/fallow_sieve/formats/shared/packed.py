"""ZIP archives opened with care: how much is in one is known before any of it is unpacked."""

from __future__ import annotations

import io
import struct
import zipfile
import zlib
from collections.abc import Iterator
from contextlib import contextmanager

from fallow_sieve.core.values import BadInputError

MOST_UNPACKED_BYTES = 128 * 1024 * 1024
MOST_MEMBERS = 200
_END = b"PK\x05\x06"
_END_OF_LARGE = b"PK\x06\x07"
_LONGEST_COMMENT = 65_535
_BROKEN = (zipfile.BadZipFile, zlib.error, NotImplementedError, RuntimeError, EOFError, struct.error, OSError)


@contextmanager
def opened_archive(data: bytes, what: str) -> Iterator[zipfile.ZipFile]:
    """Give the archive in `data`, which is to be `what`. Raises BadInputError for one that is damaged or too large."""
    try:
        _check_listed(data)
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            size = sum(i.file_size for i in archive.infolist())
            if size > MOST_UNPACKED_BYTES:
                raise BadInputError(f"{size} bytes unpacked", right=f"at most {MOST_UNPACKED_BYTES}")
            yield archive
    except _BROKEN as error:
        raise BadInputError(f"not {what} that can be read", right="give the file as it was saved") from error


def _check_listed(data: bytes) -> None:
    """The list of an archive's members is read whole on opening: a list of a million must not be begun."""
    tail = data[-(_LONGEST_COMMENT + 22) :]
    at = tail.rfind(_END)
    if at < 0 or len(tail) < at + 22:
        raise zipfile.BadZipFile("no end of the list")
    members, size = struct.unpack("<HL", tail[at + 10 : at + 16])
    if members > MOST_MEMBERS or size > MOST_MEMBERS * 1024 or _END_OF_LARGE in tail:
        raise BadInputError(f"an archive of {members} files", right=f"at most {MOST_MEMBERS}")

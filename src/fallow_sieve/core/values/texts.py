"""What a text may hold: nothing that cannot be seen, printed or written to a spreadsheet."""

from __future__ import annotations

import re
import unicodedata

LONGEST_RUN = 60
_RUN = re.compile(rf"([^\n])\1{{{LONGEST_RUN},}}")
_CONTROL = re.compile("[\x00-\x08\x0b\x0c\x0e-\x1f\x7f-\x9f\ud800-\udfff\ufffe\uffff]")
# Letters and signs by their class that nevertheless show nothing.
_BLANK = frozenset("\u115f\u1160\u17b4\u17b5\u2800\u3164\uffa0\U0001d159")


def control_at(text: str) -> int | None:
    """Return where in `text` the first control character stands (tabs and line ends are none), or None.

    >>> control_at("lot 7"), control_at("lot" + chr(7))
    (None, 3)
    """
    match = _CONTROL.search(text)
    return match.start() if match else None


def without_controls(text: str) -> str:
    """Return `text` without control characters; tabs and line ends stay."""
    return _CONTROL.sub("", text)


def without_long_runs(text: str) -> str:
    """Return `text` with no character more than LONGEST_RUN times in a row, line ends apart.

    A thousand digits or spaces in a row mean nothing, and would be looked at for minutes.

    >>> len(without_long_runs("1" * 1000)), without_long_runs("100 g rice")
    (60, '100 g rice')
    """
    return _RUN.sub(lambda m: m[1] * LONGEST_RUN, text)


def is_visible(text: str) -> bool:
    """Return whether anything of `text` can be seen.

    >>> is_visible("teff"), is_visible(" " + chr(0x200b) + chr(0x3164))
    (True, False)
    """
    return any(unicodedata.category(c)[0] not in "CZ" and c not in _BLANK for c in text)

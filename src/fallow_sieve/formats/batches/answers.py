"""What the commands of batches print as JSON."""

from __future__ import annotations

from fallow_sieve.formats.shared import Out


class CodeAnswer(Out):
    """How a code is meant, whether its check holds, and the number of a bag (null: none)."""

    code: str
    valid: bool
    bag: int | None

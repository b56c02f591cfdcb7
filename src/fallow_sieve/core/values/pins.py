"""A pin: the revision of another document that this one rests on, as it was."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Pin:
    """Which document of a kind is pinned (None: one from a file), at which revision (None: its draft), and its name."""

    kind: str
    id: int | None
    revision: int | None
    name: str = ""

    @property
    def key(self) -> str:
        """What is learnt of the pinned document is kept under: it, whatever its revision.

        >>> Pin("blend", 3, 2).key, Pin("blend", None, None, "Bought").key
        ('blend:3', 'named:Bought')
        """
        return f"{self.kind}:{self.id}" if self.id is not None else f"named:{self.name}"

"""Sheets of several kinds under one address: the first kind that knows a key answers."""

from __future__ import annotations

from flask import Response

from fallow_sieve.sheets.pages import Others


class Several:
    """Kinds of sheets, asked one after the other."""

    def __init__(self, *kinds: Others) -> None:
        self._kinds = kinds

    def knows(self, token: str) -> bool:
        """Return whether a key is one of theirs."""
        return any(k.knows(token) for k in self._kinds)

    def show(self, token: str) -> Response | None:
        """Return the page of the first that knows the key."""
        return next((page for k in self._kinds if (page := k.show(token)) is not None), None)

    def take(self, token: str) -> Response | None:
        """Have the first that knows the key take what the form says."""
        return next((done for k in self._kinds if (done := k.take(token)) is not None), None)

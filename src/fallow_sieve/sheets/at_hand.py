"""What every sheet needs: the kitchen, the clock, and whom a token lets in how often."""

from __future__ import annotations

from datetime import UTC, datetime
from typing import cast

from flask import Response, current_app
from werkzeug.exceptions import HTTPException

from fallow_sieve.services.kitchen import KitchenNow, kitchen_now
from fallow_sieve.sheets.limits import Limit
from fallow_sieve.store import KitchenStore, NotFoundError
from fallow_sieve.store.trials import sheet_opened


def kitchen_store() -> KitchenStore:
    """Return the store of the kitchen whose sheets these are."""
    return cast(KitchenStore, current_app.extensions["kitchen"])


def now() -> datetime:
    """Return the time in UTC, by the application's clock."""
    return cast(datetime, current_app.extensions["clock"]()).astimezone(UTC)


def now_text() -> str:
    """Return the time as ISO 8601 text in UTC."""
    return now().strftime("%Y-%m-%dT%H:%M:%SZ")


def kitchen_at_hand() -> KitchenNow:
    """Return the kitchen as it is now."""
    return kitchen_now(kitchen_store(), now().date())


class Tokens:
    """Which tokens of a kind open a sheet now, each not too often."""

    def __init__(self, kind: str) -> None:
        self._kind, self._limit = kind, Limit()

    def about(self, token: str) -> int | None:
        """Return what the sheet of a token is about; None where it opens none of this kind."""
        with kitchen_store().reading() as session:
            try:
                return sheet_opened(session, token, now_text(), self._kind)
            except NotFoundError:
                return None

    def allowed(self, token: str) -> int | None:
        """Return the same, and count that it was asked. Raises HTTPException (429) where that was very often."""
        found = self.about(token)
        if found is not None and not self._limit.allows(token):
            raise HTTPException(response=Response("A moment, please: that was very often.", 429))
        return found

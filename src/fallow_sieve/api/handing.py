"""Handing a sheet to a phone: a port that listens where it is said, a token for a day, a code to point the phone at."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import cast

import segno
from flask import current_app

from fallow_sieve.api.http import now_text, store
from fallow_sieve.api.looking import refuse_looking
from fallow_sieve.sheets.server import Door, SheetServer, address_of, link_base
from fallow_sieve.store.trials import hand_out

HOURS = 24


@dataclass(frozen=True, slots=True)
class Handed:
    """An address that opens one sheet until `ends_at` (ISO, UTC), its code as SVG, and where it is served."""

    url: str
    qr_svg: str
    ends_at: str
    door: Door


def sheet_server() -> SheetServer:
    """Return the server of this kitchen's sheets."""
    return cast(SheetServer, current_app.extensions["sheets"])


def handed_out(host: str, port: int, about_id: int, kind: str) -> Handed:
    """Listen at `host` and `port`, and return an address that opens one sheet. Raises BadInputError."""
    refuse_looking("a sheet")
    address = address_of(host)
    opened = sheet_server().open(str(address), port)
    make: Callable[[int], str] = current_app.extensions["tokens"]
    token = make(16)
    ends = datetime.fromisoformat(now_text()).astimezone(UTC) + timedelta(hours=HOURS)
    ends_at = ends.strftime("%Y-%m-%dT%H:%M:%SZ")
    with store().writing() as session:
        hand_out(session, token, about_id, now_text(), ends_at, kind)
    url = f"{link_base(address, opened.port)}/{token}/"
    return Handed(url, segno.make(url, error="m").svg_inline(scale=4, border=2), ends_at, opened)

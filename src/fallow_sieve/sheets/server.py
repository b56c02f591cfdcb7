"""The port of the sheets: opened when somebody asks, where they say, and closed with the kitchen or when asked."""

from __future__ import annotations

import socket
from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime
from ipaddress import IPv4Address, IPv6Address, ip_address
from pathlib import Path
from threading import Lock, Thread
from typing import Any

from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.sheets.app import create_sheets
from fallow_sieve.store import KitchenStore


@dataclass(frozen=True, slots=True)
class Door:
    """Where sheets are served: an address and a port."""

    host: str
    port: int


class SheetServer:
    """Serves the sheets of one kitchen on a port of their own, once asked to."""

    def __init__(self, kitchen: KitchenStore, clock: Callable[[], datetime], web_dist: Path) -> None:
        self._app = create_sheets(kitchen, clock, web_dist)
        self._server: Any = None
        self._lock = Lock()
        self.door: Door | None = None

    def open(self, host: str, port: int) -> Door:
        """Listen at `host` and `port` (0: any that is free); an open door is closed first where it is another.

        Raises BadInputError where it cannot listen there.
        """
        with self._lock:
            if self.door is not None and self.door.host == host and port in (0, self.door.port):
                return self.door
            self._close()
            return self._listen(host, port)

    def _listen(self, host: str, port: int) -> Door:
        from waitress import create_server

        try:
            self._server = create_server(self._app, host=host, port=port, threads=8)
        except (OSError, ValueError) as error:
            why = getattr(error, "strerror", None) or str(error)
            raise BadInputError(
                f"cannot listen on {host}:{port}: {why}", place="/port", right="choose another"
            ) from error
        Thread(target=self._server.run, daemon=True, name="sheets").start()
        self.door = Door(host, int(self._server.effective_port))
        return self.door

    def close(self) -> None:
        """Listen no more."""
        with self._lock:
            self._close()

    def _close(self) -> None:
        if self._server is not None:
            self._server.close()
            self._server = None
        self.door = None


def address_of(text: str) -> IPv4Address | IPv6Address:
    """Return an address that sheets may be served at. Raises BadInputError for what is none."""
    try:
        return ip_address(text)
    except ValueError as error:
        right = f"one of this machine's, as {addresses_here()[0]}"
        raise BadInputError(f"the address {shown(text)}", place="/host", right=right) from error


def link_base(address: IPv4Address | IPv6Address, port: int) -> str:
    """Return what the address of every sheet begins with, served at `address` and `port`."""
    host = f"[{address}]" if address.version == 6 else str(address)
    return f"http://{host}:{port}/s"


def addresses_here() -> list[str]:
    """Return the addresses by which this machine may be reached in the house, the likeliest first; nothing is sent."""
    found = []
    try:
        with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
            probe.connect(("192.0.2.1", 9))  # a documentation address: it only chooses the way out
            found.append(str(probe.getsockname()[0]))
    except OSError:
        pass
    return list(dict.fromkeys([*found, "127.0.0.1"]))

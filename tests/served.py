"""The application as a user starts it: a process of its own that can be stopped, and killed."""

from __future__ import annotations

import json
import os
import signal
import socket
import subprocess
import sys
import time
import urllib.request
from pathlib import Path
from typing import Any


def free_port() -> int:
    """Return a port that nobody listens on."""
    with socket.socket() as s:
        s.bind(("127.0.0.1", 0))
        return int(s.getsockname()[1])


class RealServer:
    """The application as a user starts it, in a process of its own that can be killed."""

    def __init__(self, db: Path) -> None:
        self.db, self.port = db, free_port()
        self.url = f"http://127.0.0.1:{self.port}"
        self.process: subprocess.Popen[bytes] | None = None

    def start(self) -> None:
        command = [sys.executable, "-m", "fallow_sieve", "serve", "--db", str(self.db), "--port", str(self.port)]
        self.process = subprocess.Popen(command, stderr=subprocess.DEVNULL)
        for _ in range(600):
            try:
                urllib.request.urlopen(f"{self.url}/api/v1/ping").close()
                return
            except OSError:
                time.sleep(0.05)
        raise AssertionError("the server did not start")

    def kill(self) -> None:
        assert self.process
        if self.process.poll() is None:
            os.kill(self.process.pid, signal.SIGKILL)
            self.process.wait()

    def stop(self, how: int = signal.SIGINT) -> int:
        """End it as a person does, with Ctrl+C, or as a machine does that shuts down; return its exit code."""
        assert self.process
        self.process.send_signal(how)
        return self.process.wait(timeout=60)

    def ask(self, path: str, body: object = None, method: str = "POST", **headers: str) -> Any:
        """Return what the API answers, as plain values."""
        data = None if body is None else json.dumps(body).encode()
        request = urllib.request.Request(f"{self.url}/api/v1{path}", data, method=method if data else "GET")
        for name, value in {"content-type": "application/json", **headers}.items():
            request.add_header(name, value)
        with urllib.request.urlopen(request) as answer:
            return json.load(answer)

    def newest_blend(self) -> int:
        with urllib.request.urlopen(f"{self.url}/api/v1/blends") as answer:
            return max(b["head"]["id"] for b in json.load(answer)["items"])

    def draft(self, blend_id: int = 1) -> dict[str, float]:
        with urllib.request.urlopen(f"{self.url}/api/v1/blends/{blend_id}/draft") as answer:
            return {p["ingredient"]: p["mass_g"] for p in json.load(answer)["content"]["parts"]}

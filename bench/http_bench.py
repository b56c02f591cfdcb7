"""POST analyse over HTTP on loopback, against an empty endpoint of the same application in the same run."""

from __future__ import annotations

import json
import socket
import subprocess
import sys
import tempfile
import time
from http.client import HTTPConnection
from pathlib import Path

from measuring import interleaved, noted, percentile

AIM = 3.0
AIM_P50 = 2.0
CALLS = 500
COMMAND = [sys.executable, "-m", "fallow_sieve"]
BODY = json.dumps(
    {
        "use": "tin-loaf",
        "brief_id": 1,
        "parts": [
            {"ingredient": s, "mass_g": g}
            for s, g in (
                ("sorghum-flour", 290), ("brown-rice-flour", 140), ("teff-flour", 120), ("chickpea-flour", 80),
                ("potato-starch", 220), ("tapioca-starch", 150), ("psyllium-husk", 50),
            )
        ],
    }
)  # fmt: skip


def free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


def serve(folder: str) -> tuple[subprocess.Popen[bytes], HTTPConnection]:
    """Start the application on the demo kitchen (its shelf holds the whole library, over 60 ingredients)."""
    db = Path(folder) / "bench.db"
    subprocess.run([*COMMAND, "demo", "--db", str(db)], check=True, stderr=subprocess.DEVNULL)
    return serve_on(db)


def serve_on(db: Path) -> tuple[subprocess.Popen[bytes], HTTPConnection]:
    """Start the application on the kitchen in `db`."""
    port = free_port()
    server = subprocess.Popen([*COMMAND, "serve", "--db", str(db), "--port", str(port)], stderr=subprocess.DEVNULL)
    for _ in range(200):
        try:
            connection = HTTPConnection("127.0.0.1", port)
            connection.connect()
            return server, connection
        except OSError:
            time.sleep(0.05)
    raise SystemExit("the server did not start")


def main() -> None:
    with tempfile.TemporaryDirectory() as folder:
        server, connection = serve(folder)

        def ask(method: str, path: str, body: str | None = None) -> None:
            connection.request(method, path, body, {"content-type": "application/json"})
            answer = connection.getresponse()
            answer.read()
            if answer.status >= 300:
                raise SystemExit(f"{path} answered {answer.status}")

        def empty() -> None:
            ask("GET", "/api/v1/ping")

        def analyse() -> None:
            ask("POST", "/api/v1/analyse", BODY)

        try:
            interleaved(empty, analyse, 50)
            bare, whole = interleaved(empty, analyse, CALLS)
        finally:
            server.kill()
            server.wait()
    print(f"POST analyse over HTTP on loopback, {CALLS} calls, in turn with an empty endpoint")
    for name, times in (("analyse", whole), ("empty 204", bare)):
        print(f"  {name:<10} p50 {percentile(times, 0.5) * 1e3:.2f} ms, p95 {percentile(times, 0.95) * 1e3:.2f} ms")
    ratios = [percentile(whole, s) / percentile(bare, s) for s in (0.5, 0.95)]
    for share, aim in ((0.5, AIM_P50), (0.95, AIM)):
        whole_s, bare_s = percentile(whole, share), percentile(bare, share)
        noted(f"judgement over HTTP, p{100 * share:.0f}", whole_s, "empty endpoint", bare_s, f"≤ {aim:g}")
    print(f"  ratio at p50 {ratios[0]:.2f}, at p95 {ratios[1]:.2f} (aim: at most {AIM:g})")


if __name__ == "__main__":
    main()

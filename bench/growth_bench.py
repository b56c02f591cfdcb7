"""A kitchen of ten thousand blends against the demo kitchen, each figure of both in one run."""

from __future__ import annotations

import json
import subprocess
import sys
import tempfile
import time
from http.client import HTTPConnection
from pathlib import Path
from typing import Any

from http_bench import COMMAND, serve_on
from large_kitchen import make
from measuring import percentile

PAGES = (
    ("first shelf after the start", "GET", "/shelf?limit=50", 1),
    ("search", "GET", "/search?q=harbour", 20),
    ("search, nothing holds it", "GET", "/search?q=hxrbour", 20),
    ("briefs page, first time", "GET", "/briefs", 1),
    ("briefs page", "GET", "/briefs", 10),
    ("a brief", "GET", "/briefs/1", 10),
    ("blends page", "GET", "/blends", 10),
    ("formulas page", "GET", "/formulas", 10),
    ("shelf page", "GET", "/shelf?limit=50", 10),
    ("a judgement", "POST", "/analyse", 50),
    ("export as CSV", "GET", "/shelf/export", 2),
    ("export as XLSX", "GET", "/shelf/export?format=xlsx", 2),
    ("proposals", "POST", "/proposals", 1),
)  # fmt: skip
BACKGROUND_S = 20.0  # what is judged behind the briefs page


def megabytes(pid: int) -> float:
    """Return how much memory a process holds, MB."""
    text = Path(f"/proc/{pid}/status").read_text()
    return float(next(line.split()[1] for line in text.splitlines() if line.startswith("VmRSS"))) / 1024


def measured(db: Path) -> dict[str, tuple[float, float]]:
    """Return for each page the middle time (s) and the size of its answer (kB), and the start and memory beside."""
    begun = time.perf_counter()
    server, connection = serve_on(db)
    found = {"start": (time.perf_counter() - begun, 0.0)}
    try:
        bodies: dict[str, Any] = {}
        for name, method, path, calls in PAGES:
            if path not in bodies and method == "POST":
                bodies[path] = blend_of(connection) if path == "/analyse" else wishes_of(connection)
            times, size = [], 0
            for _ in range(calls):
                begun = time.perf_counter()
                size = len(ask(connection, method, path, bodies.get(path)))
                times.append(time.perf_counter() - begun)
            found[name] = (percentile(times, 0.5), size / 1000)
            if name == "briefs page, first time":
                time.sleep(BACKGROUND_S)
        found["memory, MB"] = (megabytes(server.pid), 0.0)
    finally:
        server.terminate()
        server.wait()
    return found


def ask(connection: HTTPConnection, method: str, path: str, body: Any = None) -> bytes:
    """Return what the server answers."""
    connection.request(method, f"/api/v1{path}", body and json.dumps(body), {"content-type": "application/json"})
    return connection.getresponse().read()


def blend_of(connection: HTTPConnection) -> Any:
    """Return the demo's first blend as it is judged."""
    content = json.loads(ask(connection, "GET", "/blends/1/draft"))["content"]
    return {"use": content["use"], "parts": content["parts"]}


def wishes_of(connection: HTTPConnection) -> Any:
    """Return the wishes of the first brief, over the kitchen's own bins."""
    wishes = json.loads(ask(connection, "POST", "/wishes", {"use": "tin-loaf", "parts": [], "brief_id": 1}))
    return {"wishes": wishes}


def main() -> None:
    """Print both kitchens side by side."""
    share = float(sys.argv[1]) if len(sys.argv) > 1 else 1.0
    with tempfile.TemporaryDirectory() as folder:
        small, large = Path(folder) / "demo.db", Path(folder) / "large.db"
        subprocess.run([*COMMAND, "demo", "--db", str(small)], check=True, stderr=subprocess.DEVNULL)
        make(large, share)
        demo, years = measured(small), measured(large)
    print(f"{'':<30}{'demo':>12}{'years of work':>16}{'ratio':>8}{'answer, kB':>12}")
    for name, (value, size) in years.items():
        unit, factor = ("", 1.0) if name.endswith("MB") else (" ms", 1e3)
        shown = f"{demo[name][0] * factor:>9.1f}{unit:<3}{value * factor:>13.1f}{unit:<3}"
        print(f"{name:<30}{shown}{value / demo[name][0]:>8.1f}{size or '':>12}")


if __name__ == "__main__":
    main()

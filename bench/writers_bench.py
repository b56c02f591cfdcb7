"""A judgement beside an import of ten thousand rows; eight people saving at once, alone and beside such an import."""

from __future__ import annotations

import json
import tempfile
import threading
import time
from http.client import HTTPConnection
from typing import Any

from http_bench import serve
from measuring import percentile

PEOPLE = 8
SAVES = 60
AIM_MS = 150.0
JUDGED_AIM_MS = 100.0
Ask = Any


def caller(port: int) -> Ask:
    """Return a function that asks the server, on a connection of its own."""
    connection = HTTPConnection("127.0.0.1", port, timeout=60)

    def ask(method: str, path: str, body: Any = None, **headers: str) -> tuple[int, Any]:
        sent = body if isinstance(body, bytes) else None if body is None else json.dumps(body)
        connection.request(method, f"/api/v1{path}", sent, {"content-type": "application/json", **headers})
        answer = connection.getresponse()
        data = answer.read()
        return answer.status, (json.loads(data) if answer.headers["content-type"] == "application/json" else data)

    return ask


def save(
    port: int, blend_id: int, times: list[float], statuses: list[int], until: threading.Event | None = None
) -> None:
    """Save one blend's draft again and again, as fast as the answers come, noting how long each took (s)."""
    ask = caller(port)
    _, draft = ask("GET", f"/blends/{blend_id}/draft")
    n = 0
    while n < SAVES or (until is not None and not until.is_set()):
        n += 1
        draft["content"]["parts"][0]["mass_g"] = 100.0 + n % 50
        body, tag = {"content": draft["content"], "based_on": draft["based_on"]}, f'"{draft["version"]}"'
        begun = time.perf_counter()
        status, found = ask("PUT", f"/blends/{blend_id}/draft", body, **{"If-Match": tag})
        times.append(time.perf_counter() - begun)
        statuses.append(status)
        draft = found if status == 200 else draft


def together(port: int, blends: list[int], until: threading.Event | None = None) -> tuple[list[float], list[int]]:
    """Return the times (s) and statuses of all who save at once."""
    times: list[float] = []
    statuses: list[int] = []
    people = [threading.Thread(target=save, args=(port, b, times, statuses, until)) for b in blends]
    for person in people:
        person.start()
    for person in people:
        person.join()
    return times, statuses


def bring_in(port: int, rows: int, done: threading.Event) -> None:
    """Bring in a table of new flours."""
    ask = caller(port)
    head = "slug,name,role,protein_g_per_100_g,fibre_g_per_100_g,starch_g_per_100_g\n"
    table = (head + "".join(f"row-{n},Row {n},starch,{n % 9},{n % 7},{n % 60}\n" for n in range(rows))).encode()
    _, seen = ask("POST", "/shelf/import/preview", table, **{"content-type": "text/csv"})
    tag = f'"{seen["version"]}"'
    status, _ = ask("POST", "/shelf/import?name=bench.csv", table, **{"content-type": "text/csv", "If-Match": tag})
    print(f"  {rows} rows came in: {status}")
    done.set()


def judged_meanwhile(port: int) -> None:
    """Print how long a judgement takes with nobody else there, and while ten thousand rows come in."""
    for what, rows in (("a judgement alone", 200), (f"beside an import (aim {JUDGED_AIM_MS:g} ms more)", 10_000)):
        done = threading.Event()
        moves: list[float] = []
        hand = threading.Thread(target=judged, args=(port, moves, done))
        hand.start()
        bring_in(port, rows, done)
        hand.join()
        say(what, moves, [])


def judged(port: int, times: list[float], until: threading.Event) -> None:
    """Have a blend judged, again and again, as a hand that drags does."""
    ask = caller(port)
    _, draft = ask("GET", "/blends/1/draft")
    body = {"use": draft["content"]["use"], "parts": draft["content"]["parts"]}
    while not until.is_set():
        begun = time.perf_counter()
        ask("POST", "/analyse", body)
        times.append(time.perf_counter() - begun)


def say(what: str, times: list[float], statuses: list[int]) -> None:
    """Print one line: the middle, the slow end, and what was refused."""
    refused = sum(s >= 500 for s in statuses)
    p50, p95, most = (percentile(times, s) * 1e3 for s in (0.5, 0.95, 1.0))
    print(f"  {what:<34} p50 {p50:6.1f} ms, p95 {p95:6.1f} ms, most {most:6.1f} ms, refused {refused}")


def main() -> None:
    """Print all of it."""
    with tempfile.TemporaryDirectory() as folder:
        server, connection = serve(folder)
        port = connection.port
        ask = caller(port)
        _, draft = ask("GET", "/blends/1/draft")
        blends = [
            ask("POST", "/blends", {"name": f"Of {n}", "content": draft["content"]})[1]["head"]["id"]
            for n in range(PEOPLE)
        ]
        try:
            judged_meanwhile(port)
            print(f"saving drafts over HTTP, {SAVES} each, as fast as answers come (aim: p95 at most {AIM_MS:g} ms)")
            say("one person", *together(port, blends[:1]))
            say(f"{PEOPLE} people", *together(port, blends))
            done = threading.Event()
            moves: list[float] = []
            others = [
                threading.Thread(target=bring_in, args=(port, 10_000, done)),
                threading.Thread(target=judged, args=(port, moves, done)),
            ]
            for other in others:
                other.start()
            say(f"{PEOPLE} people, 10 000 rows coming in", *together(port, blends, done))
            for other in others:
                other.join()
            say("a judgement beside all of them", moves, [])
        finally:
            server.terminate()
            server.wait()


if __name__ == "__main__":
    main()

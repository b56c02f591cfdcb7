"""A drag of 60 moves on the real bench: how long the page's own script takes in each frame."""

from __future__ import annotations

import tempfile
from typing import Any

from playwright.sync_api import CDPSession, Page, sync_playwright

from http_bench import serve
from measuring import noted, percentile

AIM_MS = 8
MOVES = 60
FLAGS = "--no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync"


TRACED = ["devtools.timeline", "disabled-by-default-devtools.timeline", "disabled-by-default-devtools.timeline.frame"]
SCRIPT = {"FunctionCall", "EventDispatch", "RunMicrotasks", "TimerFire", "FireAnimationFrame", "EvaluateScript"}
Event = dict[str, Any]


def traced_drag(page: Page, cdp: CDPSession) -> list[Event]:
    """Drag a boundary, about a move a frame, and return what the browser traced meanwhile."""
    events: list[Event] = []
    done: list[bool] = []
    cdp.on("Tracing.dataCollected", lambda data: events.extend(data["value"]))
    cdp.on("Tracing.tracingComplete", lambda _data: done.append(True))
    box = page.get_by_role("slider", name="Boundary of Teff flour and Potato starch").locator(".grip").bounding_box()
    if box is None:
        raise SystemExit("the boundary is not there")
    x, y = box["x"] + 20, box["y"] + 9
    page.mouse.move(x, y)
    page.mouse.down()
    cdp.send("Tracing.start", {"traceConfig": {"includedCategories": TRACED}, "transferMode": "ReportEvents"})
    for n in range(1, MOVES + 1):
        page.mouse.move(x, y - n)
        page.wait_for_timeout(16)
    page.mouse.up()
    page.wait_for_timeout(300)
    cdp.send("Tracing.end")
    while not done:
        page.wait_for_timeout(50)
    return events


def per_frame_ms(events: list[Event]) -> list[float]:
    """Return the script time of each frame of the page's main thread, in ms; nested events count once."""
    moves = [e for e in events if e["name"] == "EventDispatch" and e["args"]["data"]["type"] == "pointermove"]
    thread = {(e["pid"], e["tid"]) for e in moves}
    ours = sorted((e for e in events if (e["pid"], e["tid"]) in thread), key=lambda e: float(e["ts"]))
    frames, end = [0.0], 0.0
    for event in ours:
        start = float(event["ts"])
        if event["name"] == "BeginMainThreadFrame":
            frames.append(0.0)
        elif event["name"] in SCRIPT and event.get("ph") == "X" and start >= end:
            end = start + float(event["dur"])
            frames[-1] += float(event["dur"]) / 1000
    return [f for f in frames if f > 0]


def main() -> None:
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as p:
        server, connection = serve(folder)
        browser = p.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS.split())
        try:
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            page.goto(f"http://127.0.0.1:{connection.port}/#/bench/1")
            page.get_by_role("slider").first.wait_for()
            page.wait_for_timeout(500)
            frames = per_frame_ms(traced_drag(page, browser.new_browser_cdp_session()))
        finally:
            browser.close()
            server.kill()
            server.wait()
    noted("script a frame of a drag, p95", percentile(frames, 0.95) / 1e3, aim=f"≤ {AIM_MS} ms")
    print(f"A drag of {MOVES} moves on the bench: script time in {len(frames)} frames")
    print(
        f"  p50 {percentile(frames, 0.5):.1f} ms, p95 {percentile(frames, 0.95):.1f} ms, longest {max(frames):.1f} ms (aim: p95 under {AIM_MS} ms)"
    )


if __name__ == "__main__":
    main()

"""The real pages in headless Chromium, on a copy of the demo kitchen. Nothing may leave this machine."""

from __future__ import annotations

import logging
import threading
from collections.abc import Iterator
from datetime import UTC, datetime
from pathlib import Path
from time import monotonic
from typing import Any

import pytest
from flask import Flask
from playwright.sync_api import BrowserContext, ConsoleMessage, Page, Request, expect
from werkzeug.serving import make_server

from fallow_sieve.api.app import equip
from fallow_sieve.devices.scale import SimulatedScale

FLAGS = "--no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync"
AXE = Path(__file__).parents[2] / "web/node_modules/axe-core/axe.min.js"
PATIENCE_MS = 30_000
expect.set_options(timeout=PATIENCE_MS)
logging.getLogger("werkzeug").setLevel(logging.ERROR)


BROWSERS = [Path("/usr/bin/chromium-headless-shell"), Path("/usr/bin/chromium")]  # the quicker first


@pytest.fixture(scope="session")
def browser_type_launch_args() -> dict[str, Any]:
    there = next((b for b in BROWSERS if b.exists()), BROWSERS[-1])
    return {"executable_path": there, "args": FLAGS.split()}


@pytest.fixture
def browser_context_args(base_url: str) -> dict[str, Any]:
    return {
        "base_url": base_url,
        "viewport": {"width": 1280, "height": 800},
        "color_scheme": "light",
        "reduced_motion": "reduce",
    }


@pytest.fixture
def kitchen_time() -> datetime:
    """What the kitchen's clock says, all the time; a test that needs another moment gives it as a parameter."""
    return datetime(2026, 3, 14, 9, 30, tzinfo=UTC)


@pytest.fixture
def clock(kitchen_time: datetime) -> dict[str, datetime]:
    """The kitchen's clock: a test that lets the day go on sets `now`."""
    return {"now": kitchen_time}


@pytest.fixture
def base_url(routed: Flask, demo_db: Path, clock: dict[str, datetime]) -> Iterator[str]:
    # A scale that is at rest at once and shows what it bears: its noise has tests of its own.
    scale = SimulatedScale(monotonic, noise_g=0, drift_g_per_min=0, settles_s=0.02)
    equip(routed, demo_db, clock=lambda: clock["now"], scale=scale)
    # A server a test: what a page still sends when it closes must not reach the kitchen of the next.
    server = make_server("127.0.0.1", 0, routed, threaded=True)
    thread = threading.Thread(target=server.serve_forever, args=(0.02,), daemon=True)
    thread.start()
    yield f"http://127.0.0.1:{server.server_port}"
    server.shutdown()
    thread.join()
    server.server_close()
    routed.extensions["demo"].close()
    routed.extensions["kitchen"].close()


@pytest.fixture(autouse=True)
def at_home(context: BrowserContext, base_url: str) -> Iterator[None]:
    """Fails a test in which the pages ask another host, or log an error of their own."""
    strangers: list[str] = []
    errors: list[str] = []

    def seen(request: Request) -> None:
        if not request.url.startswith((base_url, "data:", "blob:")):
            strangers.append(request.url)

    def said(message: ConsoleMessage) -> None:
        # The browser itself notes answers such as 412 and 422, which the pages deal with.
        if message.type == "error" and "Failed to load resource" not in message.text:
            errors.append(message.text)

    context.set_default_timeout(2 * PATIENCE_MS)
    context.on("request", seen)
    context.on("console", said)
    context.on("weberror", lambda e: errors.append(str(e.error)))
    yield
    assert strangers == []
    assert errors == []


def over_the_side(page: Page) -> list[str]:
    """What stands wider than the page, innermost first: nothing, or the reader must scroll sideways."""
    return page.evaluate("""async () => {
        await document.fonts.ready;
        const scrolls = (e) => e && e.scrollWidth > e.clientWidth;
        if (![document.querySelector('main'), document.documentElement].some(scrolls)) return [];
        const edge = document.documentElement.clientWidth + 1;
        const wide = [...document.querySelectorAll('main *')].filter((e) => e.getBoundingClientRect().right > edge);
        return ['the page', ...wide.map((e) => `${e.tagName.toLowerCase()}.${e.className} ${e.id}`)].reverse().slice(0, 8);
    }""")


TAGS = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"]
OF_COLOUR = ["color-contrast", "link-in-text-block"]  # the rules that the other scheme may break


def violations(page: Page, rules: list[str] | None = None) -> list[str]:
    """What axe finds wrong with a page, by WCAG 2.2 AA and best practice, or by the rules named."""
    page.evaluate(AXE.read_text(encoding="utf-8"))
    asked = {"type": "rule", "values": rules} if rules else {"type": "tag", "values": TAGS}
    found = page.evaluate(
        "only => axe.run(document, {runOnly: only, resultTypes: ['violations']}).then((r) => r.violations)", asked
    )
    return [f"{v['id']}: {n['html'][:160]} {n['failureSummary'][:200]}" for v in found for n in v["nodes"]]


class BenchDriver:
    """The bench as a person uses it."""

    def __init__(self, page: Page) -> None:
        self.page = page
        self.say = page.locator("h1.say")

    def open(self, blend_id: int = 1) -> BenchDriver:
        self.page.goto(f"/#/bench/{blend_id}")
        expect(self.say).not_to_have_text("Nothing to judge yet.")
        return self

    def row(self, slug: str):
        return self.page.locator(f'[data-row="{slug}"]')

    def mass(self, slug: str):
        return self.row(slug).locator("[data-cell=mass]")

    def share(self, slug: str):
        return self.row(slug).locator("[data-cell=share]")

    def type_in(self, cell, text: str) -> None:
        cell.click()
        cell.fill(text)
        cell.press("Enter")

    def masses(self) -> dict[str, float]:
        rows = self.page.locator("[data-row]").all()
        return {r.get_attribute("data-row"): self.number(r.locator("[data-cell=mass]").input_value()) for r in rows}

    @staticmethod
    def number(text: str) -> float:
        return float(text.replace("\u202f", "").replace("\u2212", "-"))

    def saved(self) -> None:
        expect(self.page.get_by_role("status").filter(has_text="saved").first).to_have_text("saved")

    def sieve(self, metric: str):
        return self.page.locator(f'[data-metric="{metric}"]')


@pytest.fixture
def bench(page: Page) -> BenchDriver:
    return BenchDriver(page)


class FormulaDriver(BenchDriver):
    """The formula bench as a person uses it; rows and cells are those of a blend's bench."""

    def open(self, formula_id=1, tab=None):
        self.page.goto(f"/#/formula/{formula_id}")
        expect(self.say).not_to_have_text("Nothing to judge yet.")
        if tab:
            self.tab(tab)
        return self

    def tab(self, name):
        self.page.get_by_role("tab", name=name).click()

    def gauge(self, name):
        return self.page.locator(f'[data-gauge="{name}"]')

    @property
    def water(self):
        return self.page.get_by_role("slider", name="Water in the dough")


@pytest.fixture
def formula(page):
    return FormulaDriver(page)

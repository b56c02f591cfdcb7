"""Takes the pictures of docs/screenshots from a fresh demo kitchen. Run by `make screenshots`."""

from __future__ import annotations

import logging
import sys
import tempfile
import threading
from collections.abc import Callable
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

from playwright.sync_api import Browser, Page, sync_playwright
from werkzeug.serving import make_server

from fallow_sieve.api.app import create_app
from fallow_sieve.demo.kitchen import fill

FLAGS = "--no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync"
NOW = datetime(2026, 3, 14, 9, 30, tzinfo=UTC)
logging.getLogger("werkzeug").setLevel(logging.ERROR)


def nothing(_page: Page) -> None:
    """Leave the page as it opens."""


def three_doors(page: Page) -> None:
    """Say something at each door."""
    page.get_by_label("What do you want to bake?").fill("A sandwich loaf in a tin, no nuts, under 4 per kg")
    bins = "Sorghum 5 kg at 3.20/kg, brown rice 10 kg 2.10/kg, 2 kg potato starch, teff 1 kg at 5.80/kg, psyllium 500 g"
    page.get_by_label("What is in your bins?").fill(bins)
    page.get_by_label("What have you in hand?").fill(
        "40% brown rice flour, 30% tapioca starch, 25% sorghum, 5% psyllium"
    )
    page.get_by_text("no tree nuts").wait_for()
    page.get_by_label("Teff flour, kg").wait_for()


def propose(page: Page) -> None:
    """Find blends for the wishes, and look at one."""
    page.keyboard.press("p")
    page.get_by_role("button", name="Search again").wait_for(timeout=60_000)
    if page.locator(".one").count():
        page.locator(".one").nth(2).hover()


def trade_off(page: Page) -> None:
    """Trade cost off against fibre, and open a point of the curve."""
    propose(page)
    page.get_by_role("button", name="trade two aims off").click()
    page.get_by_text("points so far").wait_for(state="hidden", timeout=60_000)
    page.locator(".point").nth(4).hover()


def choose_knot(page: Page) -> None:
    """Choose a step of the plan, and see why it begins then."""
    page.get_by_role("button", name="Summit tin loaf, Mix").click()
    page.get_by_role("heading", name="Why then?").wait_for()


def read_number(page: Page) -> None:
    """Read a number of the shelf."""
    page.locator('tr[data-row="teff-flour"] [data-at="2"]').hover()


def paste_recipe(page: Page) -> None:
    """Paste a wheat recipe in cups and spoons, with a slip in it, and have it made over."""
    text = (
        "Lamp room gingerbread\nMakes 9\n\n2 cups plain flour\n2 tsp baking powder\na pinch of salt\n"
        "½ cup (115 g) butter, melted\n3/4 cup brown sugar\n2 heaped tbsp honey\n2 large eggs\n1 1/4 cups milk\n"
        "2 tsp ground ginger\n\nMethod\nBake at 180 °C (400 °F) for 35 minutes."
    )
    page.get_by_role("textbox", name="Recipe").fill(text)
    page.get_by_label("Blend", exact=True).select_option(label="Everyday buffet mix")
    page.get_by_label("Use", exact=True).select_option("layer-cake")
    page.get_by_role("list", name="Changes").wait_for()
    page.get_by_role("textbox", name="Recipe").evaluate("e => { e.scrollTop = 0; e.blur(); }")


def why_gummy(page: Page) -> None:
    """Open the gummy crumb of a bake to its causes."""
    page.get_by_role("button", name="Gummy crumb clearly why?").click()
    page.locator("[data-cause]").first.wait_for()
    page.locator("[data-stands]").scroll_into_view_if_needed()


def seat_sheet(page: Page) -> None:
    """Hand a seat's sheet out, and mark its second slice."""
    origin = page.url.split("#")[0].rstrip("/")
    asked = {"host": "127.0.0.1", "port": 0, "seat": 7}
    made = page.request.post(f"{origin}/api/v1/tastings/3/links", data=asked)
    page.goto(f"{made.json()['links'][0]['url']}?at=2")
    page.get_by_text("like slightly", exact=True).click()
    page.wait_for_timeout(400)


def pour(page: Page) -> None:
    """Pour most of the next part of a batch onto the simulated scale."""
    origin = page.url.split("#")[0].rstrip("/")
    page.request.put(f"{origin}/api/v1/devices/scale/load", data={"mass_g": 385})
    page.wait_for_timeout(1500)


SHOTS: tuple[tuple[str, str, Callable[[Page], None], dict[str, Any]], ...] = (
    ("bench-passing", "#/bench/1", nothing, {}),
    ("proposals", "#/bench/3", propose, {}),
    ("trade-off", "#/bench/1", trade_off, {}),
    ("shelf", "#/ingredients", read_number, {}),
    ("begin", "#/begin", three_doors, {}),
    ("batches", "#/batches", nothing, {}),
    ("formula", "#/formula/1", nothing, {}),
    ("conversion", "#/recipe", paste_recipe, {}),
    ("schedule", "#/schedule/1", choose_knot, {}),
    ("trial", "#/trial/9", why_gummy, {}),
    ("family", "#/family/2", nothing, {"color_scheme": "dark"}),
    ("tasting", "#/tasting/1", nothing, {}),
    ("experiment", "#/experiment/1", nothing, {}),
    ("label", "#/label/3", nothing, {}),
    ("trace", "#/trace/lot/4", nothing, {}),
    ("weigh-up", "#/weigh/4", pour, {"viewport": {"width": 390, "height": 844}, "has_touch": True}),
    ("trial-sheet", "sheet/9/?at=cut", nothing, {"viewport": {"width": 390, "height": 844}, "has_touch": True}),
    ("seat-sheet", "#/tastings", seat_sheet, {"viewport": {"width": 390, "height": 844}, "has_touch": True}),
    ("schedule-now", "#/now/1", nothing, {"viewport": {"width": 390, "height": 844}, "has_touch": True}),
)


def take(browser: Browser, address: str, folder: Path) -> None:
    """Take every picture into `folder`."""
    for name, path, act, options in SHOTS:
        context = browser.new_context(**{"viewport": {"width": 1280, "height": 800}, **options})
        page = context.new_page()
        page.goto(f"{address}/{path}")
        page.locator("h1").first.wait_for()
        page.wait_for_timeout(1500)  # not until the network is idle: a page with a scale reads it over and over
        act(page)
        page.wait_for_timeout(500)
        page.screenshot(path=folder / f"{name}.png")
        context.close()


def main(folder: Path) -> None:
    """Serve a fresh demo kitchen and take the pictures."""
    folder.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as place, sync_playwright() as p:
        app = create_app(Path(place) / "demo.db", clock=lambda: NOW)
        fill(app.extensions["kitchen"], NOW)
        server = make_server("127.0.0.1", 0, app, threaded=True)
        threading.Thread(target=server.serve_forever, daemon=True).start()
        browser = p.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS.split())
        take(browser, f"http://127.0.0.1:{server.server_port}", folder)
        browser.close()
        server.shutdown()


if __name__ == "__main__":
    main(Path(sys.argv[1]))

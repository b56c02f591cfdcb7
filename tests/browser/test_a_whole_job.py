"""One job from its first word to its archive, in one kitchen that was empty: every stage hands on what the next needs."""

import re

import pytest
from playwright.sync_api import expect

from fallow_sieve.api.app import create_app
from fallow_sieve.store.archives import unpack

API = "/api/v1"
BINS = (
    "Sorghum 5 kg at 3.20/kg, brown rice 10 kg 2.10/kg, 4 kg potato starch 2.90/kg, tapioca starch 3 kg 3.10/kg, "
    "teff 2 kg at 5.80/kg, psyllium husk 500 g at 12/kg"
)
RECIPE = (
    "Viaduct sandwich loaf\nMakes 1\n\n500 g bread flour\n340 g water\n9 g salt\n7 g instant yeast\n20 g olive oil\n"
    "1 tbsp honey\n\nKnead, prove for 90 minutes, bake at 220 °C for 35 minutes."
)


@pytest.fixture
def demo_db(tmp_path):
    """An empty kitchen in the place of the demo."""
    return tmp_path / "job.db"


class Job:
    """One person at the pages of one kitchen."""

    def __init__(self, page) -> None:
        self.page = page

    def get(self, path: str):
        return self.page.request.get(f"{API}{path}").json()

    def send(self, path: str, how: str = "post", **body):
        answer = getattr(self.page.request, how)(f"{API}{path}", data=body)
        assert answer.ok, answer.text()
        return answer.json() if answer.text() else {}

    def number(self, pattern: str) -> int:
        self.page.wait_for_url(re.compile(pattern))
        return int(re.search(pattern, self.page.url)[1])

    def button(self, name) -> None:
        self.page.get_by_role("button", name=name).first.click()


def brief_and_proposal(job: Job) -> int:
    """From words to a kept blend of one's own bins."""
    page = job.page
    page.goto("/")
    page.get_by_label("What is in your bins?").fill(BINS)
    job.button("Put 6 on the shelf")
    page.get_by_label("What do you want to bake?").fill("a sandwich loaf in a tin, no nuts")
    expect(page.get_by_text("no tree nuts")).to_be_visible()
    page.keyboard.press("Enter")
    blend = job.number(r"#/bench/(\d+)")
    page.get_by_role("toolbar", name="Proposals").get_by_role("button").first.click()
    job.button(re.compile("^Take it as revision"))
    expect(page.locator("h1.say")).to_contain_text(re.compile("holds|Held|lose"))
    return blend


def formula_from_a_recipe(job: Job) -> int:
    """A wheat recipe pasted at the third door, made over for the blend."""
    page = job.page
    page.goto("/#/begin")
    page.get_by_label("What have you in hand?").fill(RECIPE)
    job.button("Read the recipe")
    expect(page.get_by_text(re.compile(r"\d+ lines: "))).to_be_visible()
    page.get_by_label("Blend", exact=True).select_option(label="Sandwich loaf in a tin mix")
    page.get_by_label("Use", exact=True).select_option("tin-loaf")
    page.get_by_role("button", name="Make it a formula", exact=True).click()
    formula = job.number(r"#/formula/(\d+)")
    expect(page.get_by_label("Name of the formula")).to_have_value("Viaduct sandwich loaf")
    return formula


def schedule_that_runs(job: Job, formula: int, clock) -> int:
    """Planned for tomorrow, worked by: the first step done when its time has come, the flour's warmth read."""
    page = job.page
    page.goto(f"/#/formula/{formula}")
    page.get_by_role("link", name="Plan it").click()
    expect(page.get_by_label("Name of the schedule")).to_have_value("Viaduct sandwich loaf")
    schedule = job.number(r"#/(?:schedule|plan)/(\d+)")
    page.goto(f"/#/now/{schedule}")
    expect(page.get_by_text("nothing now")).to_be_visible()
    hour, minute = re.search(r"Until (\d+):(\d+)", page.locator("main").inner_text()).groups()
    clock["now"] = clock["now"].replace(hour=int(hour), minute=int(minute) + 1)
    page.reload()
    now = page.get_by_role("region", name="Now")
    expect(now).to_contain_text("Weigh everything")
    page.get_by_role("button", name="Done").click()
    expect(now).not_to_contain_text("Weigh everything")
    return schedule


def trial_with_a_fault(job: Job, formula: int) -> tuple[int, int]:
    """Baked too wet and gummy; its cause is named, and the bake that tries the change is planned."""
    page = job.page
    content = job.get(f"/formulas/{formula}")["draft"]["content"]
    water = next(x for x in content["lines"] if x["ingredient"] == "water")
    water["mass_g"] *= 1.25
    made = job.send("/trials", formula_id=formula, content=content)["id"]
    for n, (quantity, value) in enumerate((("water_poured_g", water["mass_g"]), ("core_c", 98.0), ("fault:gummy", 2))):
        job.send(f"/trials/{made}/readings/whole-job-{n}", "put", quantity=quantity, value=value)
    page.goto(f"/#/trial/{made}")
    job.button("Gummy crumb clearly why?")
    cause = page.locator("[data-cause]").first
    expect(cause).to_be_visible()
    cause.get_by_role("button", name="Try it").click()
    job.button("Plan it")
    expect(page.get_by_role("button", name="Undo: do not bake it")).to_be_visible()
    again = max(t["id"] for t in job.get("/trials")["items"])
    for n, (quantity, value) in enumerate((("core_c", 98.0), ("water_poured_g", 300.0))):
        job.send(f"/trials/{again}/readings/whole-job-again-{n}", "put", quantity=quantity, value=value)
    return made, again


def tasted(job: Job) -> None:
    """Both loaves before six tasters, on paper; unblinded once."""
    page = job.page
    page.goto("/#/tastings")
    job.button("Set a table")
    box = page.get_by_label("Trial to taste")
    for n in (1, 2):
        name = f"Viaduct sandwich loaf {n}"
        expect(box.locator("option", has_text=name)).to_have_count(1)
        box.select_option(label=next(o for o in box.locator("option").all_inner_texts() if o.startswith(name)))
        expect(page.get_by_text(name, exact=True).first).to_be_visible()
    job.button("Open the table")
    expect(page.locator("[data-says]")).to_contain_text("0 of 6 handed in")
    for seat in range(1, 7):
        page.locator(f'button[data-seat="{seat}"]').click()
        job.button("Type its paper sheet in")
        form = page.locator("form").filter(has=page.get_by_role("button", name="Save this sheet"))
        form.locator("input").first.press("7")
        form.locator("input").nth(1).press("5")
        form.get_by_role("button", name="Save this sheet").click()
        expect(page.locator(f'button[data-seat="{seat}"]')).to_contain_text("handed in")
        job.button("Type its paper sheet in")
    job.button("Close the table")
    page.get_by_label("Who unblinds").fill("Berit")
    job.button("Unblind, once")
    expect(page.locator("[data-verdict]")).to_be_visible()


def next_bake(job: Job, blend: int) -> None:
    """An experiment on the shares: planned, two bakes in, the point kept as the blend's next revision."""
    page = job.page
    page.goto("/#/experiments")
    page.get_by_label("Formula to experiment on").select_option(label="Viaduct sandwich loaf")
    job.button("Begin")
    job.button("Plan 8 bakes")
    expect(page.locator("[data-run]")).to_have_count(8)
    for bake, value in ((1, "6.4"), (2, "5.1")):
        page.get_by_label(f"liking of bake {bake}", exact=True).fill(value)
        page.get_by_label(f"liking of bake {bake}", exact=True).press("Tab")
    expect(page.locator("[data-gain]")).to_contain_text("Best so far")
    board = page.locator("[data-map]")
    board.focus()
    with page.expect_response(re.compile("/point")):
        board.press("Shift+ArrowRight")
    job.button("Keep the point as a revision")
    expect(page.get_by_text(re.compile("Kept as revision"))).to_be_visible()
    assert len(job.get(f"/blends/{blend}")["revisions"]) == 2


def batch_weighed_and_bagged(job: Job) -> int:
    """Made ahead from the newest revision: every part weighed from its lot, blended, in two bags."""
    page = job.page
    page.goto("/#/batches")
    page.get_by_label("Blend to make in bulk").select_option(label="Sandwich loaf in a tin mix")
    job.button("Plan a batch")
    batch = job.number(r"#/batch/(\d+)")
    page.get_by_label("Bags", exact=True).fill("2")
    page.get_by_label("Bags", exact=True).press("Tab")
    expect(page.locator("[data-says]")).to_contain_text("1.01 kg planned")
    job.button("Begin weighing")
    expect(page.locator("[data-says]")).to_contain_text("still to pour")
    for n, part in enumerate(job.get(f"/batches/{batch}")["parts"]):
        body = {"ingredient": part["ingredient"], "net_g": part["target_g"], "lot_id": part["draws"][0]["id"]}
        job.send(f"/batches/{batch}/weighings/whole-job-{n}", "put", typed=True, **body)
    page.goto(f"/#/batch/{batch}")
    job.button("It is blended")
    job.button(re.compile("^Fill$"))
    expect(page.locator("[data-says]")).to_contain_text("left in 2 bags")
    return batch


def numbers(get, blend: int, formula: int, batch: int, lot: int) -> dict:
    """What a person would read off the pages: fit, water, cost, allergens, dates, every line of the label, the trace."""
    made = get(f"/batches/{batch}")
    label = get(f"/batches/{batch}/label")
    trace = get(f"/trace/lots/{lot}")
    return {
        "blend": [(r["number"], r["why"], r["content"]["parts"]) for r in get(f"/blends/{blend}")["revisions"]],
        "formula": get(f"/formulas/{formula}")["draft"]["content"],
        "batch": {k: made[k] for k in ("code", "in_g", "left_g", "best_before", "say")} | {"mix": made["mix"]},
        "label": [(x["key"], x["text"], x["status"]) for x in label["lines"]],
        "trace": {k: trace[k] for k in ("say", "links", "balanced")},
        "trials": [(t["id"], t["name"]) for t in get("/trials")["items"]],
        "shelf": [(x["code"], x["stock_g"]) for x in get("/ingredients/sorghum-flour/lots")["items"]],
    }


def test_a_whole_job(page, tmp_path, clock):
    job = Job(page)
    blend = brief_and_proposal(job)
    formula = formula_from_a_recipe(job)
    schedule_that_runs(job, formula, clock)
    trial_with_a_fault(job, formula)
    tasted(job)
    next_bake(job, blend)
    batch = batch_weighed_and_bagged(job)
    page.goto(f"/#/label/{batch}")
    expect(page.get_by_role("heading", level=1)).to_be_visible()
    lot = job.get("/ingredients/sorghum-flour/lots")["items"][0]["id"]
    page.goto(f"/#/trace/batch/{batch}")
    expect(page.locator("[data-says]")).to_contain_text("is in 2 bags: 1.0 kg in the house")
    before = numbers(job.get, blend, formula, batch, lot)
    archive = tmp_path / "kitchen.zip"
    archive.write_bytes(page.request.get(f"{API}/kitchen/archive").body())
    unpack(archive, tmp_path / "elsewhere.db")
    elsewhere = create_app(tmp_path / "elsewhere.db", clock=lambda: clock["now"])
    client = elsewhere.test_client()
    assert numbers(lambda path: client.get(f"{API}{path}").json, blend, formula, batch, lot) == before
    elsewhere.extensions["kitchen"].close()

"""One formula, one set of numbers: the list, the bench, the card, the files and the command line say the same."""

import json
import re
import shutil
from pathlib import Path

import pytest

from fallow_sieve.api.app import create_app
from running import run

API = "/api/v1"
FORMULAS = range(1, 9)


@pytest.fixture(scope="module")
def db(demo_master, tmp_path_factory):
    return Path(shutil.copy(demo_master, tmp_path_factory.mktemp("shown") / "demo.db"))


@pytest.fixture(scope="module")
def client(db):
    """The application on a kitchen that these tests only look at."""
    app = create_app(db)
    yield app.test_client()
    app.extensions["kitchen"].close()


@pytest.fixture(scope="module", params=FORMULAS)
def shown(request, client, db, tmp_path_factory):
    """A demo formula by every way in which it is shown."""
    n = request.param
    content = client.get(f"{API}/formulas/{n}/draft").json["content"]
    file = tmp_path_factory.mktemp("file") / "formula.json"
    file.write_bytes(client.get(f"{API}/formulas/{n}/export?format=json").data)
    return {
        "content": content,
        "file": file,
        "judged": client.post(f"{API}/formula-judgements", json={"content": content}).json,
        "finished": client.post(f"{API}/finished-bakes", json={"content": content}).json,
        "listed": next(x for x in client.get(f"{API}/formulas").json["items"] if x["head"]["id"] == n)["standing"],
        "card": client.get(f"{API}/formulas/{n}/card").json,
        "markdown": client.get(f"{API}/formulas/{n}/export?format=markdown").text,
        "told": json.loads(run("formula", file, "--json", "--db", db).stdout),
    }


def test_water_and_masses_are_the_same_on_every_way(shown):
    a, told, listed = shown["judged"]["analysis"], shown["told"], shown["listed"]
    assert told["hydration"]["pct"] == pytest.approx(a["hydration_pct"], rel=1e-5)
    assert listed["hydration_pct"] == a["hydration_pct"]
    assert (told["dough_g"], told["flour_g"], told["mass_g"]) == pytest.approx(
        (a["dough_g"], a["flour_g"], a["mass_g"]), rel=1e-5
    )
    assert listed["dough_g"] == a["dough_g"]
    of_flour = "in it" if shown["judged"]["thickening"] else f"{a['hydration_pct']:.0f} % of flour"
    assert re.search(rf"{a['water_g']:.0f} g water,? {of_flour}", shown["markdown"])


def test_every_total_is_the_sum_of_what_the_lines_bring(shown):
    a = shown["judged"]["analysis"]
    for name, total in a["totals_g"].items():
        brings = [x["brings_g"][name] for x in a["lines"]]
        if None not in brings:
            assert sum(brings) == pytest.approx(total["typical"], rel=1e-9, abs=1e-9), name
    counted = [x["brings_g"]["water_g"] for x in a["lines"] if x["in_dough"] and x["water_counts"]]
    assert sum(counted) == pytest.approx(a["water_g"])


def test_the_file_tells_the_same_totals_where_no_lot_of_this_kitchen_speaks(shown, client):
    content = shown["content"]
    blend = content["blend"]
    parts = [{**p, "lot_id": None} for p in blend["parts"]] if blend else []  # a file knows no lots
    body = {"content": {**content, "blend": {**blend, "parts": parts} if blend else None}}
    totals = client.post(f"{API}/formula-judgements", json=body).json["analysis"]["totals_g"]
    for name, total in totals.items():
        assert shown["told"]["totals_g"][name]["typical"] == pytest.approx(total["typical"], rel=1e-4, abs=1e-4), name


def test_the_state_is_said_in_the_same_words(shown):
    say = shown["judged"]["say"]
    assert shown["listed"]["say"] == say
    assert shown["told"]["say"] == say
    assert say in shown["markdown"]
    held = any(g["status"] == "held" for g in shown["judged"]["gauges"])
    assert (shown["listed"]["state"] == "held") == held


def test_load_allergens_and_gluten_are_the_same_on_the_command_line(shown):
    j, told = shown["judged"], shown["told"]
    if j["binder"]["load"] is not None:
        assert told["binder"]["load"] == pytest.approx(j["binder"]["load"], rel=1e-4)
    assert (told["allergens"], told["gluten"]["status"]) == (j["allergens"], j["gluten"]["status"])


def test_the_card_weighs_every_line_once(shown):
    a, steps = shown["judged"]["analysis"], " ".join(shown["card"]["steps"])
    grams = [float(g) for g in re.findall(r"([\d.]+) g", steps)]
    for x in a["lines"]:
        if x["ingredient"] != "water":
            assert any(g == pytest.approx(x["mass_g"], abs=0.5) for g in grams), x["name"]
    core = shown["judged"]["bake"]["core_low_c"]
    assert core is None or f"core of {core:.0f}" in steps


def test_pieces_and_what_left_in_the_oven_add_up_to_the_batch(shown):
    f, a = shown["finished"], shown["judged"]["analysis"]
    assert f["before_g"] == pytest.approx(a["mass_g"])
    assert f["pieces"] * f["piece_g"] + f["lost_g"] == pytest.approx(f["before_g"])
    for name, per_100 in f["per_100_g"].items():
        if per_100["typical"] is not None:
            assert f["per_portion"][name]["typical"] == pytest.approx(per_100["typical"] * f["portion"]["mass_g"] / 100)
    if f["cost"] is not None:
        assert f["cost_per_portion"] * f["portion"]["in_batch"] == pytest.approx(f["cost"])


def test_what_does_not_leave_in_the_oven_is_as_much_as_before(shown):
    f, totals = shown["finished"], shown["judged"]["analysis"]["totals_g"]
    for name in ("fat_g", "sugars_g", "salt_g", "protein_g"):
        baked = f["per_100_g"][name]["typical"] * f["after_g"] / 100
        assert baked == pytest.approx(totals[name]["typical"], rel=1e-9, abs=1e-9), name
    water = f["per_100_g"]["water_g"]["typical"] * f["after_g"] / 100
    assert water == pytest.approx(totals["water_g"]["typical"] - f["lost_g"], rel=1e-6, abs=1e-6)


def test_scaled_to_its_own_dough_it_stays_as_it_is(shown, client):
    a = shown["judged"]["analysis"]
    same = client.post(
        f"{API}/formula-scalings", json={"content": shown["content"], "dough_g": a["dough_g"], "mixing_loss_pct": 0}
    ).json
    assert same["scaled"]["factor"] == pytest.approx(1)
    assert [x["mass_g"] for x in same["scaled"]["lines"]] == pytest.approx(
        [x["mass_g"] for x in shown["content"]["lines"]]
    )
    double = client.post(
        f"{API}/formula-scalings", json={"content": shown["content"], "flour_g": 2 * a["flour_g"]}
    ).json
    judged = client.post(
        f"{API}/formula-judgements", json={"content": {**shown["content"], "lines": double["scaled"]["lines"]}}
    ).json
    assert judged["analysis"]["hydration_pct"] == pytest.approx(a["hydration_pct"])
    assert judged["say"] == shown["judged"]["say"] or "g water" in judged["say"]  # a distance in grams doubles too


def test_the_file_on_the_command_line_scales_as_the_bench_does(shown, client, db):
    told = json.loads(run("scale", shown["file"], "--flour", "750g", "--json", "--db", db).stdout)
    here = client.post(f"{API}/formula-scalings", json={"content": shown["content"], "flour_g": 750}).json
    assert [x["mass_g"] for x in told["formula"]["lines"]] == pytest.approx(
        [x["mass_g"] for x in here["scaled"]["lines"]], rel=1e-5
    )

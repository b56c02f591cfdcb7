"""Proposals, mending, bags and trade-offs over HTTP, on the demo kitchen."""

from __future__ import annotations

import json

import pytest

from fallow_sieve.core.optimise.model import DIFFERENT_PCT
from fallow_sieve.formats.briefs.file import read_brief


@pytest.fixture
def bench(client):
    """The draft of a blend by its name, with its use and brief, as the bench sends them."""

    def draft(name):
        blends = client.get("/api/v1/blends").json["items"]
        head = next(b["head"] for b in blends if b["head"]["name"] == name)
        content = client.get(f"/api/v1/blends/{head['id']}").json["draft"]["content"]
        return {**content, "brief_id": head["brief_id"]}

    return draft


@pytest.fixture
def asked(client, bench):
    def wishes(name, **changes):
        given = bench(name)
        found = client.post("/api/v1/wishes", json=given)
        assert found.status_code == 200
        return {"wishes": {**found.json, **changes}, "parts": given["parts"]}

    return wishes


def lines(response):
    assert response.mimetype == "application/x-ndjson"
    return [json.loads(line) for line in response.get_data(as_text=True).splitlines()]


def test_wishes_start_from_the_brief_the_locks_and_the_binder(client, bench):
    given = bench("Summit mix")
    for p in given["parts"]:
        p["locked"] = p["ingredient"] in ("teff-flour", "psyllium-husk")
    wishes = client.post("/api/v1/wishes", json=given).json
    assert (wishes["use"], wishes["price_cap_per_kg"]) == ("tin-loaf", 4.2)
    assert wishes["exclude_allergens"] == ["egg", "soya"]
    assert wishes["bands"][0]["good_low"] == 6
    assert wishes["lock"] == {"teff-flour": 12.0}
    assert wishes["binder"] == {"psyllium-husk": 5.0}
    assert wishes["aims"][0] == "nearest"


def test_proposals_come_one_a_line_and_are_what_the_bench_judges_them_to_be(client, asked):
    given = asked("Summit mix with almond")
    found = lines(client.post("/api/v1/proposals", json=given))
    proposals = [x["proposal"] for x in found if "proposal" in x]
    assert len(proposals) >= 4
    assert found[-1]["done"] is True
    for p in proposals:
        assert sum(x["mass_g"] for x in p["parts"] if x["in_flour_base"]) == pytest.approx(1000)
        parts = [{k: x[k] for k in ("ingredient", "mass_g", "locked", "lot_id")} for x in p["parts"]]
        judged = client.post("/api/v1/analyse", json={"parts": parts, "use": "tin-loaf", "brief_id": 1}).json
        assert judged["fit"]["score"] == pytest.approx(p["score"], abs=1e-6)
        assert judged["analysis"]["cost_per_kg"]["typical"] == pytest.approx(p["cost_per_kg"])
        assert all(limit["status"] != "held" for limit in judged["limits"])
        assert p["gives"] or p["gives_up"]
    first, second = ({x["ingredient"]: x["share_pct"] for x in p["parts"]} for p in proposals[:2])
    moved = sum(abs(first.get(s, 0) - second.get(s, 0)) for s in {*first, *second}) / 2
    assert moved >= DIFFERENT_PCT - 1e-6 or len(set(first) ^ set(second)) >= 2


def test_a_brief_that_asks_too_much_is_answered_with_what_clashes(client, asked):
    found = lines(client.post("/api/v1/proposals", json=asked("Halt biscuit mix")))
    clash = found[0]["conflict"]
    assert {x["limit"] for x in clash["limits"]} >= {"price_cap_per_kg", "fibre_pct"}
    price = next(g for g in clash["gives"] if g["limit"] == "price_cap_per_kg")
    looser = asked("Halt biscuit mix", price_cap_per_kg=price["to"] + 0.01)
    assert any("proposal" in x for x in lines(client.post("/api/v1/proposals", json=looser)))


def test_wishes_leave_as_a_brief_file_that_reads_back(client, asked):
    given = asked("Viaduct seed crisp", lock={"millet-flour": 16.5})
    made = client.post("/api/v1/brief-files", json={"name": "Crisp", "wishes": given["wishes"]})
    document = read_brief(made.data)
    assert (document.name, document.wishes.use.slug) == ("Crisp", "crispbread")
    assert document.wishes.lock == {"millet-flour": 16.5}
    assert document.wishes.limits.exclude_allergens == ("tree-nuts",)


def test_a_held_blend_is_mended_and_passes_when_the_change_is_applied(client, bench):
    given = bench("Summit mix with almond")
    answer = client.post("/api/v1/mend", json={**given, "touch": 3}).json
    assert answer["state"] == "mended"
    before = sum(p["mass_g"] for p in given["parts"])
    for option in answer["options"]:
        assert sum(p["mass_g"] for p in option["parts"]) == pytest.approx(before)
        judged = client.post("/api/v1/analyse", json={**given, "parts": option["parts"]}).json
        statuses = {s["status"] for s in (*judged["fit"]["bands"], *judged["limits"])}
        assert statuses == {"pass"} if option["passes"] else "held" not in statuses
    fine = client.post("/api/v1/mend", json=bench("Trolley short mix")).json
    assert (fine["state"], fine["options"]) == ("fine", [])


def test_the_share_of_bags_is_the_same_when_asked_twice(client, bench):
    given = bench("Summit mix")
    first, again = (client.post("/api/v1/bags", json=given).json for _ in range(2))
    assert first == again
    assert 0 < first["passes_pct"] < 100
    assert first["weakest"] in {s["metric"] for s in first["sieves"]}
    assert all(s["passes_pct"] <= s["through_pct"] for s in first["sieves"])


def test_a_trade_off_comes_point_by_point_and_what_more_costs_can_be_asked(client, asked):
    given = asked("Summit mix")
    found = lines(client.post("/api/v1/tradeoffs", json={**given, "x": "cheapest", "y": "most-fibre"}))
    points = [x["point"] for x in found if "point" in x]
    assert len(points) >= 5
    assert [p["x"] for p in points] == sorted(p["x"] for p in points)
    shares = {x["ingredient"]: x["share_pct"] for x in points[0]["parts"] if x["in_flour_base"]}
    more = client.post("/api/v1/prices-of-more", json={**given, "aim": "cheapest", "shares": shares}).json
    fibre = next(m for m in more["prices"] if m["metric"] == "fibre_pct")
    assert fibre["price"] > 0
    assert fibre["until"] > fibre["at"]


@pytest.mark.parametrize(
    ("changes", "place"),
    [
        ({"candidates": ["sorghum-flur"]}, "/candidates/0"),
        ({"use": "no-such-use"}, "/wishes/use"),
        ({"lock": {"teff-flour": 250.0}}, "/lock/teff-flour"),
        ({"bands": [{"metric": "fibre_pct", "good_low": 9, "good_high": 3}]}, "/bands/0"),
        ({"max_bins": 0}, "/wishes/max_bins"),
    ],
)
def test_wishes_that_cannot_be_are_refused_with_their_place(client, asked, changes, place):
    answer = client.post("/api/v1/proposals", json=asked("Summit mix", **changes))
    assert answer.status_code == 422
    assert answer.json["place"] == place


def test_two_equal_aims_are_no_trade_off(client, asked):
    answer = client.post("/api/v1/tradeoffs", json={**asked("Summit mix"), "x": "mildest", "y": "mildest"})
    assert (answer.status_code, answer.json["place"]) == (422, "/y")

"""Formulas at work over HTTP: scaled, swapped, poured, diluted, priced."""

import pytest

API = "/api/v1"


def content_of(client, formula_id=1):
    return client.get(f"{API}/formulas/{formula_id}/draft").json["content"]


def post(client, path, status=200, **body):
    answer = client.post(f"{API}/{path}", json=body)
    assert answer.status_code == status, answer.json
    return answer.json


def test_scaling_to_a_tin_gives_lines_the_tin_and_the_eggs(client):
    tin = {"shape": "box", "length_cm": 20, "width_cm": 10, "height_cm": 9}
    found = post(client, "formula-scalings", content=content_of(client, 6), tin=tin, tins=2, mixing_loss_pct=0)
    assert found["scaled"]["dough_g"] == pytest.approx(2 * 0.55 * 1800 * 1.05)
    assert found["tin"]["volume_ml"] == pytest.approx(1800)
    assert "eggs" in found["eggs"]["say"]
    assert post(client, "formula-scalings", 422, content=content_of(client))["detail"].startswith("give one way")
    assert post(client, "formula-scalings", 422, content=content_of(client), pieces=3)["place"] == "/piece_g"


def test_pieces_that_are_weighed_baked_take_the_uses_loss(client):
    raw = post(client, "formula-scalings", content=content_of(client), pieces=2, piece_g=800)
    baked = post(client, "formula-scalings", content=content_of(client), pieces=2, piece_g=800, baked=True)
    assert baked["scaled"]["dough_g"] == pytest.approx(raw["scaled"]["dough_g"] / 0.86)


def test_swaps_say_what_is_lost_and_what_else_changes(client):
    content = content_of(client, 3)
    at = next(n for n, x in enumerate(content["lines"]) if x["ingredient"] == "unsalted-butter")
    found = post(client, "formula-swaps", content=content, at=at)["offers"]
    oil = next(s for s in found if s["swap"]["to"] == "olive-oil")
    does = oil["effects"]
    changes = {c["what"]: c for c in does["changes"]}
    assert changes["hydration_pct"]["after"] == pytest.approx(changes["hydration_pct"]["before"])
    assert (does["rids_of"], does["brings"]) == ([], [])  # the milk of the finish stays
    assert changes["cost"]["size"] is not None
    lost = [s["lost"] for s in found]
    assert lost == [sum(x["weight"] for x in s["swap"]["losses"]) for s in found]
    assert lost == [s["lost"] for s in sorted(found, key=lambda s: (s["swap"]["in_larder"], s["lost"]))]
    salt = post(client, "formula-swaps", content=content, at=1)
    assert (salt["offers"], salt["say"]) == ([], "There is no swap for salt in the tables.")


def test_a_bake_is_recorded_and_narrows_the_window_of_its_blend(client):
    before = post(client, "formula-judgements", content=content_of(client, 2))["wanted"]
    found = post(client, "formulas/2/bakes", 201, content=content_of(client, 2), poured_g=260, note="snaps")
    after = post(client, "formula-judgements", content=content_of(client, 2))["wanted"]
    assert [(b["poured_g"], b["note"], b["baked_on"]) for b in found["items"]] == [(260, "snaps", "2026-03-14")]
    assert [x["bakes"] for x in found["learnt"]] == [10, 1, 1]
    assert after["high_pct"] - after["low_pct"] < before["high_pct"] - before["low_pct"]
    bake = found["items"][0]["id"]
    aside = client.put(f"{API}/formulas/2/bakes/{bake}", json={"withdrawn": True}).json
    assert [x["bakes"] for x in aside["learnt"]] == [9, 0, 0]
    assert post(client, "formula-judgements", content=content_of(client, 2))["wanted"] == before
    assert client.put(f"{API}/formulas/1/bakes/{bake}", json={"withdrawn": True}).status_code == 404


def test_the_range_narrows_over_the_nine_bakes(client):
    steps = client.get(f"{API}/formulas/1/bakes").json["steps"]
    assert [s["bakes"] for s in steps] == list(range(10))
    widths = [s["high_pct"] / s["low_pct"] for s in steps]
    assert widths == sorted(widths, reverse=True)


@pytest.mark.parametrize(
    ("body", "says"),
    [
        ({"poured_g": 9000}, "more than three times"),
        ({"poured_g": 800, "baked_on": "2026-02-30"}, "the day"),
        ({"poured_g": -1}, "will not do"),
    ],
)
def test_a_bake_that_is_a_slip_is_refused(client, body, says):
    assert says in post(client, "formulas/1/bakes", 422, content=content_of(client), **body)["detail"]


def test_water_temperature_dilution_and_conversion_of_a_binder(client):
    plan = post(client, "water-temperatures", content=content_of(client), dough_c=27, yeast="instant")
    assert 20 < plan["water_c"] < 40
    assert post(client, "dilutions", dose_g=0.6, readability_g=1)["take_g"] == pytest.approx(60)
    assert post(client, "dilutions", 422, dose_g=5e-324, readability_g=1)["right"]
    found = post(
        client, "binder-conversions", use="tin-loaf", mass_g=50, from_binder="psyllium-husk", to_binder="xanthan-gum"
    )
    assert found["mass_g"] == pytest.approx(12)


def test_what_is_too_little_for_the_scale_is_told_with_how_it_is_weighed(client):
    content = content_of(client)
    lines = [
        {"ingredient": "xanthan-gum", "mass_g": 2.5, "when": "dry"},
        {"ingredient": "water", "mass_g": 4, "when": "wet"},
    ]
    body = {"content": {**content, "lines": [*content["lines"], *lines]}}
    assert "Xanthan gum" in [x["name"] for x in post(client, "small-doses", **body, readability_g=1)["items"]]
    fine = [x["name"] for x in post(client, "small-doses", **body, readability_g=0.01)["items"]]
    assert fine == []
    assert "Water" not in fine  # a liquid is poured


def test_the_finished_bake_has_a_price_and_a_bought_blends(client):
    found = post(client, "finished-bakes", content=content_of(client), bought_per_kg=7.5)
    assert found["pieces"] == 2
    assert found["bought_cost_per_portion"] > found["cost_per_portion"] > 0
    assert found["lost_g"] == pytest.approx(0.14 * found["before_g"])


def test_an_added_ingredient_begins_as_a_line_of_its_own(client):
    content = content_of(client)
    line = post(client, "formula-lines", content=content, ingredient="white-sugar")
    judged = post(client, "formula-judgements", content=content)
    sugar = next(g["value"] for g in judged["gauges"] if g["name"] == "sugar")
    # two fifths of the 15 % that a tin loaf has at most, less what is in already
    missing = (0.4 * 15 - sugar) / 100 * judged["analysis"]["flour_g"]
    assert line == {"ingredient": "white-sugar", "mass_g": pytest.approx(missing, abs=0.6), "when": "dry", "note": ""}
    first = post(client, "formula-lines", content={"lines": []}, ingredient="teff-flour")
    assert (first["mass_g"], first["when"]) == (500, "dry")
    wrong = post(client, "formula-lines", 422, content=content, ingredient="tef-flour")
    assert "teff-flour" in wrong["detail"]


def test_a_portion_is_kept_with_the_formula_and_goes_into_its_files(client):
    content = content_of(client, 1) | {"portion": {"name": "wedge", "mass_g": None, "shares": 6}}
    done = post(client, "finished-bakes", content=content, loss_pct=None, bought_per_kg=None)
    assert done["portion"]["name"] == "wedge"
    assert done["portion"]["mass_g"] == pytest.approx(done["piece_g"] / 6)
    usual = post(client, "finished-bakes", content=content | {"portion": None}, loss_pct=None, bought_per_kg=None)
    assert (usual["portion"]["name"], usual["portion"]["mass_g"]) == ("slice", 40)
    draft = client.get(f"{API}/formulas/1/draft").json
    saved = client.put(f"{API}/formulas/1/draft", json={"content": content, "based_on": draft["based_on"]}, headers={"If-Match": f'"{draft["version"]}"'})  # fmt: skip
    assert saved.status_code == 200, saved.json
    assert client.get(f"{API}/formulas/1/draft").json["content"]["portion"] == content["portion"]
    file = client.get(f"{API}/formulas/1/export?format=json").json
    assert file["portion"] == {"name": "wedge", "shares": 6}


def test_what_a_little_more_of_a_line_moves_is_what_the_judgement_says_when_it_is_done(client):
    content = content_of(client)
    water = next(m for m in post(client, "formula-moves", content=content)["items"] if m["ingredient"] == "water")
    assert (water["mass_g"], water["step_g"]) == (830, 10)

    def gauge():
        gauges = post(client, "formula-judgements", content=content)["gauges"]
        return next(g["value"] for g in gauges if g["name"] == "water")

    before = gauge()
    content["lines"][water["at"]]["mass_g"] += water["step_g"]
    assert gauge() - before == pytest.approx(water["by"]["water"])
    assert water["by"]["water"] == pytest.approx(100 * 10 / 952.4, abs=0.01)  # of the flour in the blend
    assert post(client, "formula-moves", 422, content=content | {"lines": []})["place"] == "/lines"

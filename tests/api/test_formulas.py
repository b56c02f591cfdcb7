"""Formulas over the API: kept, judged, scaled, swapped, learnt from, read, made over, in and out."""

import json

import pytest

API = "/api/v1"


def content_of(client, formula_id=1):
    return client.get(f"{API}/formulas/{formula_id}/draft").json["content"]


def post(client, path, status=200, **body):
    answer = client.post(f"{API}/{path}", json=body)
    assert answer.status_code == status, answer.json
    return answer.json


def test_the_demo_has_six_formulas_each_with_its_state(client):
    items = client.get(f"{API}/formulas").json["items"]
    assert [(x["head"]["name"], x["standing"]["state"]) for x in items] == [
        ("Summit tin loaf", "passes"), ("Viaduct crispbread", "close"), ("Trolley hand pies", "passes"),
        ("Night-train dumpling sheets", "passes"), ("Signal box cake", "passes"), ("Points soft rolls", "held"),
    ]  # fmt: skip
    loaf = items[0]["standing"]
    assert loaf["bakes"] == 9
    assert loaf["wanted_low_pct"] < loaf["hydration_pct"] < loaf["wanted_high_pct"]


def test_the_planted_contradiction_is_found(client):
    found = post(client, "formula-judgements", content=content_of(client, 6))
    assert any("10 times the usual 2 %" in w for w in found["warnings"])
    assert any("185 °C and 400 °F are not the same" in w for w in found["warnings"])


def test_a_formula_is_added_saved_kept_and_put_away(client):
    content = content_of(client)
    made = post(client, "formulas", 201, name="  Trial ", content=content)
    path = f"{API}/formulas/{made['head']['id']}"
    assert made["head"]["name"] == "Trial"
    content["lines"][0]["mass_g"] = 500
    saved = client.put(f"{path}/draft", json={"content": content}, headers={"If-Match": '"1"'})
    assert (saved.status_code, saved.headers["ETag"]) == (200, '"2"')
    stale = client.put(f"{path}/draft", json={"content": content}, headers={"If-Match": '"1"'})
    assert (stale.status_code, stale.json["current"]["version"]) == (412, 2)
    kept = client.post(f"{path}/revisions", json={"why": "Half a batch."}, headers={"If-Match": '"2"'})
    assert [(r["number"], r["why"]) for r in kept.json["revisions"]] == [(1, "Half a batch.")]
    assert kept.json["revisions"][0]["content"]["lines"][0]["mass_g"] == 500
    away = client.put(path, json={"name": "Trial", "archived": True}, headers={"If-Match": '"1"'})
    assert away.json["archived"]
    assert made["head"]["id"] not in [x["head"]["id"] for x in client.get(f"{API}/formulas").json["items"]]
    assert [x["head"]["name"] for x in client.get(f"{API}/formulas?archived=1").json["items"]] == ["Trial"]


def test_an_empty_formula_may_be_saved_but_not_kept(client):
    made = post(client, "formulas", 201, name="Empty", content={})
    path = f"{API}/formulas/{made['head']['id']}"
    assert client.post(f"{path}/revisions", json={"why": "x"}, headers={"If-Match": '"1"'}).status_code == 422
    assert client.get(f"{path}/export").status_code == 422
    assert client.get(f"{path}/card").status_code == 422


def test_a_revision_once_kept_can_not_be_changed_in_the_database(client):
    from sqlalchemy.exc import DBAPIError

    store = client.application.extensions["kitchen"]
    with pytest.raises(DBAPIError, match="append-only"), store.writing() as session:
        session.connection().exec_driver_sql("UPDATE formula_revision SET why = 'other'")


@pytest.mark.parametrize(
    ("change", "place"),
    [
        ({"lines": [{"ingredient": "no-such", "mass_g": 1, "when": "wet"}]}, "/content/lines/0/ingredient"),
        ({"lines": [{"ingredient": "water", "mass_g": 0, "when": "wet"}]}, "/content/lines/0/mass_g"),
        ({"lines": [{"ingredient": "water", "mass_g": 1, "when": "cold"}]}, "/content/lines/0/when"),
        ({"use": "sponge-boat"}, "/use"),
        ({"pan": "cardboard"}, "/pan"),
        ({"pieces": 0}, "/content/pieces"),
        ({"blend": {"parts": [{"ingredient": "no-such", "mass_g": 1}]}}, "/content/blend/parts/0/ingredient"),
    ],
)
def test_a_wrong_formula_is_refused_with_its_place(client, change, place):
    found = post(client, "formulas", 422, name="x", content={**content_of(client), **change})
    assert found["place"] == place


def test_a_duplicate_starts_from_the_draft(client):
    made = client.post(f"{API}/formulas/1/duplicate", json={"name": "Copy"}).json
    assert made["draft"]["content"] == content_of(client)
    assert made["revisions"] == []


def test_a_pinned_blend_says_when_a_newer_revision_is_there_and_what_it_changes(client):
    found = post(client, "formula-pins", content=content_of(client))
    assert found["newer"] == 4
    chickpea = next(c for c in found["changes"] if c["what"] == "chickpea-flour")
    assert (chickpea["before"], chickpea["after"], chickpea["unit"]) == (None, pytest.approx(7.0), "% of flour")
    content = content_of(client)
    content["blend"] = {**content["blend"], "revision": 4, "parts": found["parts"]}
    assert post(client, "formula-pins", content=content)["newer"] is None
    assert post(client, "formula-pins", content={**content, "blend": None, "lines": []})["newer"] is None


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
    assert baked["scaled"]["dough_g"] == pytest.approx(raw["scaled"]["dough_g"] / 0.88)


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
    assert lost == sorted(lost)
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
    assert found["bought_cost_per_piece"] > found["cost_per_piece"] > 0
    assert found["lost_g"] == pytest.approx(0.12 * found["before_g"])


RECIPE = "Trial cake\n2 cups plain flour\n2 tsp baking powder\n1 cup milk\n2 eggs\n200 g almond butter\n"


def test_a_recipe_is_read_with_the_kitchens_cups_and_every_guess(client):
    found = post(client, "recipes/read", text=RECIPE)
    assert [x["understood"] for x in found["lines"]] == ["guessed", "yes", "guessed", "guessed", "part"]
    assert any("250 mL (metric)" in g for g in found["lines"][0]["guesses"])
    assert [x["ingredient"] for x in found["content"]["lines"]] == [
        "wheat-flour",
        "baking-powder",
        "whole-milk",
        "whole-egg",
    ]
    chosen = post(client, "recipes/read", text=RECIPE, chosen={"6": "almond-meal"})
    assert chosen["lines"][-1]["ingredient"] == "almond-meal"
    assert post(client, "recipes/read", 422, text=RECIPE, chosen={"six": "almond-meal"})["place"] == "/chosen"


def test_a_recipe_is_made_over_and_becomes_a_formula(client):
    blend = client.get(f"{API}/blends/8").json
    pinned = {
        "blend_id": 8,
        "revision": 1,
        "name": "Everyday buffet mix",
        "parts": blend["revisions"][0]["content"]["parts"],
    }
    found = post(client, "recipes/convert", text=RECIPE, blend=pinned, use="layer-cake", off=["rest"])
    assert {c["change"]["what"]: c["on"] for c in found["changes"]}["rest"] is False
    made = post(client, "formulas", 201, name="Made over", content=found["content"])
    judged = post(client, "formula-judgements", content=made["draft"]["content"])
    assert judged["analysis"]["hydration_pct"] == pytest.approx(found["after"]["hydration_pct"])


@pytest.mark.parametrize("kind", ["json", "jsonld"])
def test_a_formula_goes_out_and_comes_back_the_same(client, kind):
    out = client.get(f"{API}/formulas/3/export?format={kind}")
    back = client.post(f"{API}/formulas/import", data=out.data, content_type=out.mimetype)
    assert back.status_code == 201
    was, now = content_of(client, 3), back.json["formula"]["draft"]["content"]
    assert now["lines"] == was["lines"]
    assert [(p["ingredient"], p["mass_g"]) for p in now["blend"]["parts"]] == [
        (p["ingredient"], p["mass_g"]) for p in was["blend"]["parts"]
    ]
    first, second = (post(client, "formula-judgements", content=c)["analysis"] for c in (was, now))
    assert first == second


def test_a_plain_recipe_comes_in_with_its_guesses_said(client):
    back = client.post(f"{API}/formulas/import", data=RECIPE.encode(), content_type="text/plain")
    assert back.status_code == 201
    assert any("almond butter" in n for n in back.json["notes"])
    assert any("milk read as whole milk" in n for n in back.json["notes"])
    other = json.dumps(
        {"@context": "https://schema.org", "@type": "Recipe", "name": "X", "recipeIngredient": ["100 g flour"]}
    )
    back = client.post(f"{API}/formulas/import", data=other, content_type="application/ld+json")
    assert back.json["formula"]["draft"]["content"]["lines"][0]["ingredient"] == "wheat-flour"


def test_a_formula_goes_out_as_markdown_and_as_a_card(client):
    assert client.get(f"{API}/formulas/1/export?format=markdown").text.startswith("# Summit tin loaf\n")
    card = client.get(f"{API}/formulas/1/card").json
    assert any("Bake 1" in s for s in card["steps"])
    assert client.get(f"{API}/formulas/1/export?format=pdf").json["right"] == "json, jsonld or markdown"
    assert client.post(f"{API}/formulas/import", data=b"x", content_type="image/png").status_code == 422


def test_what_the_pages_need_once(client):
    found = client.get(f"{API}/formula-reference").json
    assert found["moments"][:2] == ["dry", "gel"]
    assert {s["name"] for s in found["schools"]} == {"by-moisture", "gum", "psyllium", "gels", "none"}
    assert found["consistencies"]["tin-loaf"] == ["soft", "batter"]
    assert found["scale_shows_g"] == 1.0
    assert {"psyllium-husk", "xanthan-gum", "ground-flaxseed"} < set(found["binders"])
    check = {"kind": "scale", "readability_g": 0.1, "readings_g": [8.1] * 10}
    post(client, "bench-tests", 201, readings=check)
    assert client.get(f"{API}/formula-reference").json["scale_shows_g"] == 0.1


def test_the_search_finds_a_formula_by_its_name_and_use(client):
    found = client.get(f"{API}/search?q=dumpling").json["items"]
    assert ("formula", "Night-train dumpling sheets", "Fresh pasta and dumpling sheets") in [
        (x["kind"], x["name"], x["about"]) for x in found
    ]


def test_one_formula_that_cannot_be_judged_does_not_take_the_list_with_it(client):
    store = client.application.extensions["kitchen"]
    content = {**content_of(client), "lines": [{"ingredient": "gone-flour", "mass_g": 5, "stage": "dry", "note": ""}]}
    with store.writing() as session:
        session.connection().exec_driver_sql(
            "UPDATE formula_draft SET content = ? WHERE formula_id = 4", (json.dumps(content),)
        )
    items = client.get(f"{API}/formulas").json["items"]
    assert len(items) == 6
    assert (items[3]["standing"]["state"], items[3]["standing"]["say"]) == (
        "unjudged",
        "It cannot be judged: unknown ingredient 'gone-flour'.",
    )


def test_an_own_ingredient_that_a_formula_rests_on_is_not_deleted(client):
    post(client, "ingredients", 201, name="Fell syrup", role="other")
    slug = "fell-syrup"
    lines = [{"ingredient": slug, "mass_g": 5, "when": "wet"}]
    post(client, "formulas", 201, name="Sweet", content={"lines": lines})
    gone = client.delete(f"{API}/ingredients/{slug}")
    assert gone.status_code == 409
    assert "Sweet" in gone.json["detail"]


def test_an_added_ingredient_begins_as_a_line_of_its_own(client):
    content = content_of(client)
    line = post(client, "formula-lines", content=content, ingredient="white-sugar")
    flour_g = post(client, "formula-judgements", content=content)["analysis"]["flour_g"]
    assert line == {"ingredient": "white-sugar", "mass_g": round(flour_g / 10), "when": "dry", "note": ""}
    first = post(client, "formula-lines", content={"lines": []}, ingredient="teff-flour")
    assert (first["mass_g"], first["when"]) == (500, "dry")
    wrong = post(client, "formula-lines", 422, content=content, ingredient="tef-flour")
    assert "teff-flour" in wrong["detail"]

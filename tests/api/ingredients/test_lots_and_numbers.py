"""Own numbers, lots, bench tests and labels over HTTP."""

import pytest

API = "/api/v1"


TEFF = f"{API}/ingredients/teff-flour"


def whole(client, slug="teff-flour"):
    return client.get(f"{API}/ingredients/{slug}/whole")


def number(client, field, slug="teff-flour"):
    return next(n for n in whole(client, slug).json["numbers"] if n["field"] == field)


def lot_id(client, slug="teff-flour", at=0):
    return client.get(f"{API}/ingredients/{slug}/lots").json["items"][at]["id"]


def place(answer):
    assert answer.status_code == 422, answer.json
    assert answer.mimetype == "application/problem+json"
    return answer.json["place"]


LOT = {"code": "T-1", "bought_g": 5000, "stock_g": 4000}


WATER = {"kind": "water", "runs": [{"flour_g": 50, "drained_g": d} for d in (165, 167, 166)], "cloth_dry_g": 12, "cloth_wet_g": 40}  # fmt: skip


PANEL = {"ingredient": "teff-flour", "amount": 0.25, "unit": "cup", "weighs_g": 30, "convention": "inside", "printed": {"energy_kcal": "110", "protein_g": "4", "fat_g": "1", "carbohydrate_g": "22", "fibre_g": "3"}}  # fmt: skip


def test_an_own_number_is_noted_beside_the_tables_and_taken_away_again(client):
    answer = client.put(f"{TEFF}/numbers/fibre_g", json={"typical": 9.4, "low": 9.0, "high": 9.8, "quality": "label", "source": "mill sheet"}, headers={"If-Match": '"1"'})  # fmt: skip
    assert answer.status_code == 200
    found = number(client, "fibre_g")
    assert [(x["layer"], x["typical"]) for x in found["layers"]] == [("table", 8.0), ("own", 9.4)]
    assert (found["in_force"], found["range"]["low"], found["layers"][1]["noted_on"]) == ("own", 9.0, "2026-03-14")
    stamp = {"If-Match": answer.headers["ETag"]}
    client.put(f"{TEFF}/numbers/fibre_g/aside", json={"aside": True}, headers=stamp)
    assert (number(client, "fibre_g")["in_force"], number(client, "fibre_g")["range"]["typical"]) == ("table", 8.0)
    client.delete(f"{TEFF}/numbers/fibre_g", headers={"If-Match": '"3"'})
    assert len(number(client, "fibre_g")["layers"]) == 1


@pytest.mark.parametrize(
    ("field", "body", "words"),
    [
        ("fibre_g", {"typical": 140}, "out of range"),
        ("fibre_g", {"typical": 5, "low": 6, "high": 7}, "out of order"),
        ("fibre_g", {"typical": 97, "low": 96, "high": 98}, "more than the"),
        ("nothing", {"typical": 1}, "unknown number"),
        ("fibre_g", {"typical": "9"}, "typical"),
    ],
)
def test_an_own_number_that_cannot_be_is_refused_and_nothing_is_changed(client, field, body, words):
    answer = client.put(f"{TEFF}/numbers/{field}", json=body, headers={"If-Match": '"1"'})
    assert answer.status_code == 422
    assert words in answer.json["detail"]
    assert whole(client).json["version"] == 1


def test_two_people_at_one_ingredient_get_both_versions(client):
    client.put(f"{TEFF}/numbers/fibre_g", json={"typical": 9}, headers={"If-Match": '"1"'})
    late = client.put(f"{TEFF}/numbers/fibre_g", json={"typical": 8}, headers={"If-Match": '"1"'})
    assert (late.status_code, late.json["submitted"], late.json["current"]["version"]) == (412, {"fibre_g": 8.0}, 2)


def test_a_lot_is_added_and_saved_and_says_which_is_drawn_first(client):
    added = client.post(f"{TEFF}/lots", json={**LOT, "best_before": "2026-04-02", "pack_g": 1000, "pack_price": 5.5, "yield_pct": 98, "bought_on": "2026-03-01"})  # fmt: skip
    first = added.json["items"][0]
    assert (added.status_code, first["code"], first["standing"]["say"]) == (201, "T-1", "19 days left")
    assert first["price_per_kg"] == pytest.approx(5.5 / 0.98)
    assert added.json["say"] == "8.3 kg in 2 lots; draw from T-1 first, best before 2 Apr 2026."
    assert [p["day"] for p in added.json["prices"]] == sorted(p["day"] for p in added.json["prices"])
    saved = client.put(f"{API}/lots/{first['id']}", json={**LOT, "stock_g": 0}, headers={"If-Match": '"1"'})
    assert next(x for x in saved.json["items"] if x["code"] == "T-1")["standing"]["say"] == "used up"
    assert client.put(f"{API}/lots/{first['id']}", json=LOT, headers={"If-Match": '"1"'}).status_code == 412


@pytest.mark.parametrize(
    ("change", "where"),
    [({"stock_g": 6000}, "/stock_g"), ({"stock_g": -1}, "/stock_g"), ({"bought_on": "2026-03-15"}, "/bought_on"), ({"bought_on": "2026-02-30"}, "/bought_on"), ({"gluten_mg_per_kg": 3}, "/gluten_basis"), ({"code": "SM-2240"}, "/code"), ({"pack_g": 10}, "/pack_price")],
)  # fmt: skip
def test_a_lot_that_cannot_be_names_its_field(client, change, where):
    assert place(client.post(f"{TEFF}/lots", json={**LOT, **change})) == where


def test_a_bench_test_is_tried_then_recorded_and_used_from_then_on(client):
    lot = lot_id(client, "quinoa-flour")
    body = {"ingredient": "quinoa-flour", "lot_id": lot, "note": "dry day", "readings": WATER}
    tried = client.post(f"{API}/bench-tests/try", json=body)
    assert (tried.status_code, tried.json["verdict"]) == (200, "more")
    assert client.get(f"{API}/ingredients/quinoa-flour/findings").json["items"] == []
    assert client.post(f"{API}/bench-tests", json=body).status_code == 201
    finding = client.get(f"{API}/ingredients/quinoa-flour/findings").json["items"][0]
    assert (finding["say"], finding["note"], finding["on"]) == (
        "thirst 1.52 ± 0.05 g water per g",
        "dry day",
        "2026-03-14",
    )
    parts = [{"ingredient": "quinoa-flour", "mass_g": 100}]
    drawn = [{**parts[0], "lot_id": lot}]
    ask = lambda p: client.post(f"{API}/analyse", json={"parts": p}).json["analysis"]["metrics"]["thirst_g_per_g"]  # noqa: E731
    assert (ask(parts)["typical"], ask(drawn)["typical"]) == pytest.approx((1.4, 1.52))
    assert ask(drawn)["high"] - ask(drawn)["low"] < (ask(parts)["high"] - ask(parts)["low"]) / 2
    term = client.post(f"{API}/explain", json={"parts": drawn, "metric": "thirst_g_per_g"}).json["terms"][0]
    assert (term["quality"], term["noted_on"], term["lot_code"]) == ("measured", "2026-03-14", "CB-0933")
    client.put(f"{API}/bench-tests/{finding['id']}/withdrawn", json={"withdrawn": True})
    assert ask(drawn)["typical"] == pytest.approx(1.4)


@pytest.mark.parametrize(
    ("change", "where"),
    [
        ({"ingredient": None}, "/ingredient"),
        ({"lot_id": 1}, "/lot_id"),
        ({"readings": {**WATER, "cloth_wet_g": 5}}, "/cloth_wet_g"),
        ({"readings": {**WATER, "runs": WATER["runs"][:1]}}, "/readings/runs"),
        ({"readings": {"kind": "cup", "net_g": [141, 9], "cup_ml": 250, "way": "spooned"}}, "/net_g/1"),
        ({"readings": {"kind": "sieve", "start_g": 100, "stack": [{"opening_um": o, "mass_g": 10} for o in (500, 250, 125, 90)]}}, "/stack"),
    ],
)  # fmt: skip
def test_readings_that_cannot_be_name_their_place(client, change, where):
    body = {"ingredient": "teff-flour", "readings": WATER, **change}
    assert place(client.post(f"{API}/bench-tests", json=body)).endswith(where)


def test_the_scale_check_is_on_record_and_later_tests_know_it(client):
    assert client.get(f"{API}/scale-checks").json["items"][0]["say"].startswith("Your scale shows steps of 1 g")
    fine = {"readings": {"kind": "scale", "readings_g": [8.1] * 10, "readability_g": 0.1}}
    assert client.post(f"{API}/bench-tests", json=fine).status_code == 201
    same = {"ingredient": "teff-flour", "readings": {**WATER, "runs": [{"flour_g": 50, "drained_g": 165}] * 3}}
    found = client.post(f"{API}/bench-tests/try", json=same).json["water"]["mean"]
    assert found["half_width"] == pytest.approx(0.1 / 50)


def test_a_label_is_read_on_its_own_serving_and_used(client):
    tried = client.post(f"{API}/labels/try", json=PANEL).json
    assert (tried["can_use"], tried["checks"], tried["serving_g"]["typical"]) == (True, [], 30)
    assert client.post(f"{API}/labels", json=PANEL).status_code == 201
    found = number(client, "protein_g")
    assert (found["in_force"], found["layers"][-1]["source"]) == ("label", "per 0.25 cup (30 g)")
    assert found["range"]["typical"] == pytest.approx(13.333, abs=0.001)
    density = number(client, "density_g_per_ml")
    assert density["range"]["typical"] == pytest.approx(30 / 62.5)


def test_a_label_that_cannot_be_true_is_not_used(client):
    body = {**PANEL, "printed": {"carbohydrate_g": "2", "fibre_g": "20"}}
    tried = client.post(f"{API}/labels/try", json=body).json
    assert (tried["can_use"], tried["checks"][0]["severity"]) == (False, "impossible")
    assert place(client.post(f"{API}/labels", json=body)) == "/printed/fibre_g"
    assert place(client.post(f"{API}/labels", json={**PANEL, "unit": "g", "printed": {}})) == "/printed"
    assert place(client.post(f"{API}/labels/try", json={**PANEL, "printed": {"fat_g": "much"}})) == "/printed/fat_g"


def test_a_label_does_not_confirm_itself(client):
    """A slipped figure on record must not be what the next label is judged by."""
    wrong = {**PANEL, "amount": 100, "unit": "g", "weighs_g": None, "printed": {"sodium_mg": "900"}}
    assert client.post(f"{API}/labels", json=wrong).status_code == 201
    assert [c["kind"] for c in client.post(f"{API}/labels/try", json=wrong).json["checks"]] == ["slipped"]


def test_a_pasted_panel_fills_what_is_understood_and_marks_the_rest(client):
    text = "Energy 1480 kJ / 350 kcal\nFat 1,2 g\nSalt 0.02 g\nStore in a cool place"
    found = client.post(f"{API}/labels/understand", json={"text": text}).json
    assert found["printed"] == {"energy_kj": "1480", "energy_kcal": "350", "fat_g": "1.2", "salt_g": "0.02"}
    assert [x["status"] for x in found["lines"]] == ["taken", "taken", "taken", "not"]


def test_a_part_that_names_a_lot_is_kept_in_draft_and_revision(client):
    made = client.post(f"{API}/blends", json={"name": "Lots", "content": {"parts": [{"ingredient": "teff-flour", "mass_g": 10, "lot_id": lot_id(client)}]}}).json  # fmt: skip
    assert made["draft"]["content"]["parts"][0]["lot_id"] == lot_id(client)
    kept = client.post(f"{API}/blends/{made['head']['id']}/revisions", json={"why": "first"}, headers={"If-Match": '"1"'}).json  # fmt: skip
    assert kept["revisions"][0]["content"]["parts"][0]["lot_id"] == lot_id(client)
    wrong = {"name": "x", "content": {"parts": [{"ingredient": "corn-starch", "mass_g": 1, "lot_id": lot_id(client)}]}}
    assert place(client.post(f"{API}/blends", json=wrong)) == "/content/parts/0/lot_id"


def test_a_flour_of_ones_own_borrows_what_it_lacks_and_no_sieve_is_left_unjudged(client):
    made = client.post(f"{API}/ingredients", json={"name": "Moulin rice", "role": "refined_flour"})
    slug = made.json["slug"]
    parts = [{"ingredient": slug, "mass_g": 70}, {"ingredient": "tapioca-starch", "mass_g": 30}]

    def unjudged():
        found = client.post(f"{API}/analyse", json={"parts": parts, "use": "tin-loaf"}).json["fit"]["bands"]
        return {s["band"]["metric"] for s in found if s["status"] == "unknown"}

    assert {"thirst_g_per_g", "grit_index"} <= unjudged()
    offers = client.get(f"{API}/ingredients/{slug}/relatives").json
    assert "Thirst" in offers["lacks"]
    stamp = {"If-Match": made.headers["ETag"]}
    lent = client.post(f"{API}/ingredients/{slug}/borrowings", json={"relative": "white-rice-flour"}, headers=stamp)
    thirst = next(n for n in lent.json["numbers"] if n["field"] == "thirst_g_per_g")
    assert thirst["layers"][-1]["source"] == "borrowed from White rice flour"
    assert not unjudged() & {"thirst_g_per_g", "grit_index", "sticky_share_pct", "lightness_l", "flavour_index"}
    again = {"If-Match": lent.headers["ETag"]}
    refused = client.post(f"{API}/ingredients/{slug}/borrowings", json={"relative": "white-rice-flour"}, headers=again)
    assert (refused.status_code, refused.json["place"]) == (422, "/relative")


def test_a_price_goes_to_the_lot_that_is_drawn_from_first_or_stands_by_itself(client):
    teff = client.put(f"{API}/ingredients/teff-flour/price", json={"per_kg": 7.25})
    assert "noted on its lot" in teff.json["say"]
    lot = client.get(f"{TEFF}/lots").json["items"][0]
    assert (lot["price_per_kg"], lot["pack_price"]) == (7.25, None)
    bare = client.put(f"{API}/ingredients/lupin-flour/price", json={"per_kg": 4.1}).json["say"]
    assert bare == "Lupin flour: 4.10 per kg."
    parts = [{"ingredient": "lupin-flour", "mass_g": 50}, {"ingredient": "teff-flour", "mass_g": 50}]
    cost = client.post(f"{API}/analyse", json={"parts": parts}).json["analysis"]["cost_per_kg"]["typical"]
    assert cost == pytest.approx((7.25 + 4.1) / 2)
    assert client.put(f"{API}/ingredients/teff-flour/price", json={"per_kg": -1}).status_code == 422
    assert client.put(f"{API}/ingredients/nowhere/price", json={"per_kg": 1}).status_code == 404

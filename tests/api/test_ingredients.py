"""The API of the shelf: lists, own numbers, lots, labels, bench tests, the scale, files; and that errors name places."""

import json

import pytest

from fallow_sieve.api.ingredients.models import ShelfOut
from fallow_sieve.formats.shared.tables import XLSX_TYPE

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


def test_the_search_finds_flours_by_any_of_their_names_beside_briefs_and_blends(client):
    found = client.get(f"{API}/search?q=jowar").json["items"]
    assert [(f["kind"], f["slug"]) for f in found] == [("ingredient", "sorghum-flour")]
    assert {f["kind"] for f in client.get(f"{API}/search?q=s").json["items"]} >= {"brief", "blend"}


def test_a_page_of_the_shelf_is_what_the_description_says(client):
    ShelfOut.model_validate(client.get(f"{API}/shelf?limit=100&columns=protein_g,price_per_100_g_fibre").json)


def test_a_page_of_the_shelf_has_rows_cells_and_what_they_rest_on(client):
    found = client.get(f"{API}/shelf?limit=10&columns=protein_g,thirst_g_per_g").json
    assert (found["total"], len(found["items"]), found["next"]) == (101, 10, "10")
    assert [c["unit"] for c in found["columns"]] == ["g", "g water per g"]
    row = found["items"][0]
    assert found["notes"][row["cells"][0]["note"]]["quality"] == "table"
    second = client.get(f"{API}/shelf?limit=10&cursor=10").json
    assert {r["slug"] for r in found["items"]}.isdisjoint(r["slug"] for r in second["items"])


@pytest.mark.parametrize(
    ("query", "slugs"),
    [
        ("q=jowar", ["sorghum-flour"]),
        ("q=tapioca&roles=starch", ["arrowroot-starch", "tapioca-starch"]),
        ("roles=nut_seed&in_stock=1&without=tree-nuts,chestnut", ["ground-flaxseed", "sunflower-seed-flour"]),
        ("diets=grain-free&in_stock=1&roles=starch", ["potato-starch", "tapioca-starch"]),
        ("traits=thirsty,dark&in_stock=1", ["ground-flaxseed"]),
        ("own=1", ["toasted-millet-flour"]),
        ("archived=1", []),
    ],
)
def test_the_shelf_is_filtered(client, query, slugs):
    assert sorted(r["slug"] for r in client.get(f"{API}/shelf?{query}&sort=name").json["items"]) == slugs


def test_the_shelf_is_sorted_on_the_basis_asked_for(client):
    found = client.get(f"{API}/shelf?sort=protein_g&descending=1&basis=quarter-cup&columns=protein_g&limit=100").json
    values = [r["cells"][0]["typical"] for r in found["items"] if r["cells"][0]]
    assert values == sorted(values, reverse=True)
    assert found["basis"]["volume_ml"] == 62.5  # the demo's cup is metric
    client.put(
        f"{API}/kitchen", json={**client.get(f"{API}/kitchen").json, "version": 1} | {}, headers={"If-Match": '"1"'}
    )
    assert client.get(f"{API}/shelf?basis=serving").json["basis"]["mass_g"] == 30


@pytest.mark.parametrize(
    "query",
    ["roles=powder", "diets=carnivore", "traits=odd", "columns=protein", "sort=taste", "basis=bucket", "limit=0", "columns=" + ",".join(["protein_g"] * 15)],
)  # fmt: skip
def test_what_the_shelf_cannot_do_names_the_parameter(client, query):
    assert place(client.get(f"{API}/shelf?{query}")) == f"?{query.split('=')[0]}"


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


def test_an_ingredient_is_added_copied_changed_put_away_and_deleted(client):
    made = client.post(f"{API}/ingredients", json={"name": "Fell bread crumb", "role": "other"})
    assert (made.status_code, made.json["slug"], made.json["own"]) == (201, "fell-bread-crumb", True)
    assert all(n["in_force"] == "unknown" for n in made.json["numbers"])
    assert made.json["gluten"] == "unknown"
    keys = ("name", "role", "flavour_words", "allergens", "watch", "gluten_risk", "archived")
    body = {k: made.json[k] for k in keys} | {"allergens": ["soya"], "archived": True}
    saved = client.put(f"{API}/ingredients/fell-bread-crumb", json=body, headers={"If-Match": '"1"'})
    assert (saved.json["allergens"], saved.json["archived"]) == (["soya"], True)
    offered = client.get(f"{API}/ingredients?q=fell bread").json["items"]
    assert offered == []
    assert client.delete(f"{API}/ingredients/fell-bread-crumb").status_code == 204
    assert whole(client, "fell-bread-crumb").status_code == 404


@pytest.mark.parametrize(
    ("body", "where"),
    [({"name": "Teff flour", "role": "starch"}, "/name"), ({"name": "§", "role": "starch"}, "/name"), ({"name": "Crumb"}, "/role"), ({"name": "Crumb", "role": "powder"}, "/role")],
)  # fmt: skip
def test_an_ingredient_that_cannot_be_added_says_where(client, body, where):
    assert place(client.post(f"{API}/ingredients", json=body)) == where


def test_one_in_use_is_not_deleted_and_the_librarys_own_never(client):
    client.post(f"{API}/ingredients", json={"name": "Mine", "copy_of": "teff-flour"})
    client.post(f"{API}/blends", json={"name": "Loaf", "content": {"parts": [{"ingredient": "mine", "mass_g": 10}]}})
    refused = client.delete(f"{API}/ingredients/mine")
    assert (refused.status_code, "Loaf" in refused.json["detail"]) == (409, True)
    assert whole(client, "mine").json["used_by"] == ["Loaf"]
    assert client.delete(TEFF).status_code == 422


LOT = {"code": "T-1", "bought_g": 5000, "stock_g": 4000}


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


WATER = {"kind": "water", "runs": [{"flour_g": 50, "drained_g": d} for d in (165, 167, 166)], "cloth_dry_g": 12, "cloth_wet_g": 40}  # fmt: skip


def test_a_bench_test_is_tried_then_recorded_and_used_from_then_on(client):
    lot = lot_id(client, "quinoa-flour")
    body = {"ingredient": "quinoa-flour", "lot_id": lot, "note": "dry day", "readings": WATER}
    tried = client.post(f"{API}/bench-tests/try", json=body)
    assert (tried.status_code, tried.json["verdict"]) == (200, "same")
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
    assert (ask(parts)["typical"], ask(drawn)["typical"]) == pytest.approx((1.5, 1.52))
    assert ask(drawn)["high"] - ask(drawn)["low"] < (ask(parts)["high"] - ask(parts)["low"]) / 2
    term = client.post(f"{API}/explain", json={"parts": drawn, "metric": "thirst_g_per_g"}).json["terms"][0]
    assert (term["quality"], term["noted_on"], term["lot_code"]) == ("measured", "2026-03-14", "CB-0933")
    client.put(f"{API}/bench-tests/{finding['id']}/withdrawn", json={"withdrawn": True})
    assert ask(drawn)["typical"] == pytest.approx(1.5)


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


PANEL = {"ingredient": "teff-flour", "amount": 0.25, "unit": "cup", "weighs_g": 30, "convention": "inside", "printed": {"energy_kcal": "110", "protein_g": "4", "fat_g": "1", "carbohydrate_g": "22", "fibre_g": "3"}}  # fmt: skip


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


def test_the_simulated_scale_can_be_loaded_read_and_tared(client, app):
    from fallow_sieve.devices.scale import SimulatedScale

    class Clock:
        now = 0.0

        def __call__(self):
            return self.now

    clock = Clock()
    app.extensions["scale"] = SimulatedScale(clock, noise_g=0, drift_g_per_min=0)
    assert client.put(f"{API}/devices/scale/load", json={"mass_g": 128}).json["stable"] is False
    clock.now = 5
    shown = client.get(f"{API}/devices/scale").json
    assert (shown["mass_g"], shown["stable"], shown["simulated"]) == (128, True, True)
    assert client.post(f"{API}/devices/scale/tare").json["mass_g"] == 0
    assert place(client.put(f"{API}/devices/scale/load", json={"mass_g": -1})) == "/mass_g"


def test_another_scale_fits_behind_the_same_interface(client, app):
    from fallow_sieve.devices.scale import Reading

    class RealScale:
        name, readability_g = "Bench scale", 0.1

        def read(self):
            return Reading(12.3, True)

        def tare(self):
            pass

    app.extensions["scale"] = RealScale()
    shown = client.get(f"{API}/devices/scale").json
    assert (shown["mass_g"], shown["simulated"]) == (12.3, False)
    assert client.put(f"{API}/devices/scale/load", json={"mass_g": 1}).status_code == 404


def test_flours_side_by_side_and_what_could_stand_in(client):
    found = client.get(f"{API}/side-by-side?slugs=teff-flour,cassava-flour,tapioca-starch&basis=quarter-cup").json
    assert [f["slug"] for f in found["flours"]] == ["teff-flour", "cassava-flour", "tapioca-starch"]
    assert found["say"].startswith("They differ most in")
    assert len(found["look_alikes"]) == 1
    assert all(len(x["cells"]) == 3 for x in found["lines"])
    nearest = client.get(f"{TEFF}/stand-ins?way=behaviour&limit=3").json["items"]
    assert nearest[0]["found"]["ingredient"] == "finger-millet-flour"
    assert place(client.get(f"{API}/side-by-side?slugs=")) == "?slugs"
    assert place(client.get(f"{TEFF}/stand-ins?way=taste")) == "?way"
    assert client.get(f"{API}/ingredients/nobody/stand-ins").status_code == 404


def bring(client, data, mimetype="text/csv", version=None):
    if version is None:
        version = client.post(f"{API}/shelf/import/preview", data=data, content_type=mimetype).json["version"]
    return client.post(f"{API}/shelf/import?name=mine.csv", data=data, content_type=mimetype, headers={"If-Match": f'"{version}"'})  # fmt: skip


@pytest.mark.parametrize(("query", "mimetype"), [("format=csv", "text/csv"), ("format=xlsx", XLSX_TYPE), ("what=lots&format=csv", "text/csv"), ("what=lots&format=xlsx", XLSX_TYPE), ("format=package", "application/zip")])  # fmt: skip
def test_what_goes_out_comes_in_again_without_a_change(client, query, mimetype):
    out = client.get(f"{API}/shelf/export?{query}")
    assert out.mimetype == mimetype
    counts = client.post(f"{API}/shelf/import/preview", data=out.data, content_type=mimetype).json["counts"]
    assert counts["same"] > 20
    assert (counts["new"], counts["changed"], counts["refused"]) == (0, 0, 0)


def test_an_import_tells_how_far_it_is_and_ends(client):
    rows = "".join(f"mix-{n},Mix {n},starch,{n % 9}\n" for n in range(2500))
    answer = bring(client, f"slug,name,role,protein_g_per_100_g\n{rows}".encode())
    steps = [json.loads(line) for line in answer.data.decode().splitlines()]
    assert [s["done"] for s in steps] == [1000, 2000, 2500, 2500, 2500]
    assert steps[-1] == {"done": 2500, "of": 2500, "finished": True}
    assert client.get(f"{API}/shelf?own=1").json["total"] == 2501


def test_an_import_on_another_state_of_the_shelf_or_with_refused_rows_writes_nothing(client):
    data = b"slug,name,role\nmine,Mine,starch\n"
    assert bring(client, data, version=1).status_code == 412
    refused = bring(client, b"slug,name,role\nmine,Mine,powder\n")
    assert (refused.status_code, "1 rows cannot be used" in refused.json["detail"]) == (422, True)
    assert client.get(f"{API}/shelf?q=mine&own=1").json["total"] == 0


@pytest.mark.parametrize(
    ("data", "mimetype", "words"),
    [(b"{}", "application/json", "a file of type"), (b"", "text/csv", "empty file"), (b"\xff", "text/csv", "UTF-8"), (b"PK", XLSX_TYPE, "not a spreadsheet"), (b"PK", "application/zip", "not a package")],
)  # fmt: skip
def test_a_file_that_cannot_be_read_says_why(client, data, mimetype, words):
    answer = client.post(f"{API}/shelf/import/preview", data=data, content_type=mimetype)
    assert answer.status_code == 422
    assert words in answer.json["detail"]


def test_a_blend_file_carries_the_numbers_of_the_lots_it_draws_on(client):
    """Blend 8 of the demo draws on lots with tests of their own: its file must be judged the same elsewhere."""
    draft = client.get(f"{API}/blends/8/draft").json["content"]
    assert any(p["lot_id"] for p in draft["parts"])
    here = client.post(f"{API}/analyse", json={"parts": draft["parts"]}).json["analysis"]["metrics"]
    document = client.get(f"{API}/blends/8/export?format=json").json
    sorghum = next(i for i in document["ingredients"] if i["slug"] == "sorghum-flour")
    assert sorghum["grit_index"]["typical"] == pytest.approx(3.517, abs=0.001)
    from fallow_sieve.core.blends.analysis import analyse
    from fallow_sieve.formats.blends.file import read_blend
    from fallow_sieve.reference.ingredients import library_shelf

    read = read_blend(json.dumps(document).encode())
    there = analyse(read.blend, library_shelf().with_ingredients(read.ingredients)).metrics
    for name in ("grit_index", "thirst_g_per_g", "protein_pct", "fibre_pct"):
        assert there[name].typical == pytest.approx(here[name]["typical"])
        assert there[name].sigma == pytest.approx(here[name]["sigma"])


def test_a_part_that_names_a_lot_is_kept_in_draft_and_revision(client):
    made = client.post(f"{API}/blends", json={"name": "Lots", "content": {"parts": [{"ingredient": "teff-flour", "mass_g": 10, "lot_id": lot_id(client)}]}}).json  # fmt: skip
    assert made["draft"]["content"]["parts"][0]["lot_id"] == lot_id(client)
    kept = client.post(f"{API}/blends/{made['head']['id']}/revisions", json={"why": "first"}, headers={"If-Match": '"1"'}).json  # fmt: skip
    assert kept["revisions"][0]["content"]["parts"][0]["lot_id"] == lot_id(client)
    wrong = {"name": "x", "content": {"parts": [{"ingredient": "corn-starch", "mass_g": 1, "lot_id": lot_id(client)}]}}
    assert place(client.post(f"{API}/blends", json=wrong)) == "/content/parts/0/lot_id"


def test_what_flours_do_comes_in_with_a_table_and_a_wrong_word_is_refused_before_it_is_stored(client):
    def bring(table, path="/shelf/import/preview", **more):
        answer = client.post(f"{API}{path}?what=shelf&name=mine.csv", data=table, content_type="text/csv", **more)
        return answer.json if path.endswith("preview") else answer.text

    wrong = bring("slug,name,role,function\nsmen,Smen,other,butterr\nfell-salt,Fell salt,other,salt\n")
    refusals = [(r["line"], x["column"], x["right"]) for r in wrong["rows"] for x in r["refusals"]]
    assert [(line, column) for line, column, _ in refusals] == [(2, "function")]
    assert "did you mean butter" in refusals[0][2]
    right = 'slug,name,role,function\nsmen,Smen,other,Butter\nfell-spread,Fell spread,other,"butter, salt"\n'
    version = bring(right)["version"]
    assert '"finished":true' in bring(right, "/shelf/import", headers={"If-Match": f'"{version}"'}).replace(" ", "")
    does = {s: client.get(f"{API}/ingredients/{s}/whole").json["functions"] for s in ("smen", "fell-spread")}
    assert does == {"smen": ["butter"], "fell-spread": ["butter", "salt"]}
    assert client.get(f"{API}/shelf").status_code == 200


def test_what_an_own_flour_does_is_kept_when_its_name_is_changed(client):
    made = client.post(f"{API}/ingredients", json={"name": "Smen", "role": "other", "copy_of": "unsalted-butter"}).json
    assert made["functions"] == ["butter"]
    keys = ("role", "functions", "allergens", "watch", "flavour_words", "gluten_risk")
    body = {"name": "Fell smen", **{k: made[k] for k in keys}}
    saved = client.put(f"{API}/ingredients/{made['slug']}", json=body, headers={"If-Match": f'"{made["version"]}"'})
    assert (saved.json["name"], saved.json["functions"]) == ("Fell smen", ["butter"])

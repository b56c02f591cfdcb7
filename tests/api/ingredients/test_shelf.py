"""The shelf over HTTP: found, filtered, sorted, added, copied, side by side."""

import pytest

from fallow_sieve.api.ingredients.models import ShelfOut

API = "/api/v1"


TEFF = f"{API}/ingredients/teff-flour"


def whole(client, slug="teff-flour"):
    return client.get(f"{API}/ingredients/{slug}/whole")


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
    assert (found["total"], len(found["items"]), found["next"]) == (115, 10, "10")
    assert [c["unit"] for c in found["columns"]] == ["g", "g water per g"]
    row = found["items"][0]
    assert found["notes"][row["cells"][0]["note"]]["quality"] == "table"
    second = client.get(f"{API}/shelf?limit=10&cursor=10").json
    assert {r["slug"] for r in found["items"]}.isdisjoint(r["slug"] for r in second["items"])


@pytest.mark.parametrize(
    ("query", "slugs"),
    [
        ("q=jowar", ["sorghum-flour"]),
        (
            "q=tapioca&roles=starch",
            [
                "arrowroot-starch",
                "modified-tapioca-starch",
                "pregelatinised-tapioca-starch",
                "tapioca-pearls",
                "tapioca-starch",
            ],
        ),
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


def test_what_an_own_flour_does_is_kept_when_its_name_is_changed(client):
    made = client.post(f"{API}/ingredients", json={"name": "Smen", "role": "other", "copy_of": "unsalted-butter"}).json
    assert made["functions"] == ["butter"]
    keys = ("role", "functions", "allergens", "watch", "flavour_words", "gluten_risk")
    body = {"name": "Fell smen", **{k: made[k] for k in keys}}
    saved = client.put(f"{API}/ingredients/{made['slug']}", json=body, headers={"If-Match": f'"{made["version"]}"'})
    assert (saved.json["name"], saved.json["functions"]) == ("Fell smen", ["butter"])

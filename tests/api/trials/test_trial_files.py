"""Trials in and out: what goes out comes in as the same bake, and a table with a slip names its row."""

import json
from pathlib import Path

import pytest

API = "/api/v1"


def bring(client, path, body, kind="application/json", status=201):
    answer = client.post(f"{API}/{path}", data=body, content_type=kind)
    assert answer.status_code == status, answer.json
    return answer.json


def told(client, trial):
    found = client.get(f"{API}/trials/{trial}").json
    return found, found["told"]


@pytest.mark.parametrize("trial", range(1, 16))
def test_a_trial_file_brought_in_is_the_same_bake(client, trial):
    sent = client.get(f"{API}/trials/{trial}/export").data
    made = bring(client, "trials/import", sent)
    was, was_told = told(client, trial)
    now, now_told = told(client, made["id"])
    assert made["formula_id"] == was["formula_id"]
    assert [now[n] for n in ("name", "baked_on", "note", "set_aside", "kept_h", "use")] == [
        was[n] for n in ("name", "baked_on", "note", "set_aside", "kept_h", "use")
    ]
    assert {p["quantity"]: p["value"] for p in now["plan"]} == {p["quantity"]: p["value"] for p in was["plan"]}
    assert {n: (m["value"], m["sd"]) for n, m in now_told["measures"].items()} == {
        n: (m["value"], m["sd"]) for n, m in was_told["measures"].items()
    }
    assert [(f["fault"], f["strength"]) for f in now_told["faults"]] == [
        (f["fault"], f["strength"]) for f in was_told["faults"]
    ]


def test_a_trial_of_a_formula_that_is_not_here_brings_it(client):
    file = json.loads(client.get(f"{API}/trials/9/export").data)
    file["formula"]["name"] = "A stranger's loaf"
    made = bring(client, "trials/import", json.dumps(file))
    formula = client.get(f"{API}/formulas/{made['formula_id']}").json
    assert formula["head"]["name"] == "A stranger's loaf"
    assert "A stranger's loaf was added to your formulas." in made["notes"]


def test_a_file_that_cannot_be_read_adds_nothing(client):
    file = json.loads(client.get(f"{API}/trials/9/export").data)
    file["formula"]["name"] = "Never added"
    file["readings"][-1]["quantity"] = "crumb_temprature"
    wrong = bring(client, "trials/import", json.dumps(file), status=422)
    assert f"/readings/{len(file['readings']) - 1}/quantity" in json.dumps(wrong)
    assert "Never added" not in client.get(f"{API}/formulas?limit=100").text


def test_readings_go_out_as_a_tidy_table_and_come_back_the_same(client):
    sent = client.get(f"{API}/trials/9/export?format=csv").data
    assert sent.decode().splitlines()[0] == "trial,arm,day,quantity,value,unit,state,method,at,n,sd"
    made = client.post(f"{API}/trials", json={"formula_id": 1, "name": client.get(f"{API}/trials/9").json["name"]}).json
    bring(client, f"trials/{made['id']}/readings/import", sent, "text/csv", 200)
    assert client.get(f"{API}/trials/{made['id']}/export?format=csv").data == sent
    again = bring(client, f"trials/{made['id']}/readings/import", sent, "text/csv", 200)
    assert again["notes"][0] == "0 readings were noted."


def test_the_table_of_a_formula_has_all_its_bakes(client):
    rows = client.get(f"{API}/formulas/1/readings").text.splitlines()[1:]
    names = {t["name"] for t in client.get(f"{API}/trials?formula=1").json["items"]}
    assert {r.split(",")[0] for r in rows} == names


@pytest.mark.parametrize(
    ("table", "noted"),
    [
        ("quantity,value\ncore_c,96.5\n", [("core_c", 96.5)]),
        ("value,quantity,unit\r\n12,bake_loss_pct,%\r\n", [("bake_loss_pct", 12)]),
        ("\ufeffquantity,value,state\nrest_min,,planned\nverdict,7,noted\n", [("rest_min", None), ("verdict", 7)]),
        ("quantity,value,day\nsoft,4,0\nsoft,3,1\n", [("soft", 4), ("soft", 3)]),
        ("quantity,value\nfault:gummy,2\ndough_feel,−1\n", [("fault:gummy", 2), ("dough_feel", -1)]),
        ("quantity,value,n,sd\nvolume_seed_ml,1066.2,3,16.8\n", [("volume_seed_ml", 1066.2)]),
    ],
)
def test_tables_as_people_write_them(client, table, noted):
    made = client.post(f"{API}/trials", json={"formula_id": 1}).json
    bring(client, f"trials/{made['id']}/readings/import", table.encode(), "text/csv", 200)
    found = client.get(f"{API}/trials/{made['id']}").json["readings"]
    assert [(r["quantity"], r["value"]) for r in found] == noted


@pytest.mark.parametrize(
    ("table", "place"),
    [
        ("quantity\ncore_c\n", "row 1"),
        ("quantity,value,colour\ncore_c,96,red\n", "row 1"),
        ("quantity,value\ncore_temp,96\n", "row 2, column quantity"),
        ("quantity,value\ncore_c,96\ncore_c,about 96\n", "row 3, column value"),
        ("quantity,value,unit\ncore_c,205,g\n", "row 2, column unit"),
        ("quantity;value\nmass_in_g;1,900\n", "row 2, column value"),
        ("quantity,value\ncore_c,205\n", "row 2"),
        ("quantity,value,day\nsoft,3,9\n", "row 2, column day"),
        ("quantity,value,arm\ncore_c,96,the blue tin\n", "row 2"),
        ("quantity,value,at\ncore_c,96,half past nine\n", "row 2, column at"),
        ("trial,quantity,value\nSomebody else's,core_c,96\n", "row 2"),
        ("quantity,value,state\ncore_c,96,guessed\n", "row 2, column state"),
        ("quantity,value\nwater_poured_g,8300\n", "row 2"),
    ],
)
def test_a_slip_in_a_table_names_its_place_and_notes_nothing(client, table, place):
    made = client.post(f"{API}/trials", json={"formula_id": 1}).json
    wrong = bring(client, f"trials/{made['id']}/readings/import", table.encode(), "text/csv", 422)
    assert place in json.dumps(wrong, ensure_ascii=False)
    assert client.get(f"{API}/trials/{made['id']}").json["readings"] == []


OTHERS = json.loads(
    (Path(__file__).parents[2] / "cases/trials/readings_by_other_countries.json").read_text(encoding="utf-8")
)["cases"]


@pytest.mark.parametrize("given", OTHERS, ids=lambda c: c["name"])
def test_tables_of_other_countries_come_in_by_their_own_units_and_signs(client, given):
    made = client.post(f"{API}/trials", json={"formula_id": 1}).json
    bring(client, f"trials/{made['id']}/readings/import", given["csv"].encode(), "text/csv", 200)
    found = {r["quantity"]: r["value"] for r in client.get(f"{API}/trials/{made['id']}").json["readings"]}
    assert found == pytest.approx(given["noted"], abs=0.06)

"""Trials beside one another: strata, differences, small multiples, and what to bake next."""

import pytest

from api.trials.test_trials import API, note, post
from fallow_sieve.store.trials import get_trial, save_trial


def family(client, formula_id):
    return client.get(f"{API}/formulas/{formula_id}/family").json


def test_a_branch_begins_at_its_parents_height(client):
    strata = {s["revision"]: s for s in family(client, 2)["strata"]}
    assert {n: (s["column"], s["parent"]) for n, s in strata.items()} == {1: (0, None), 2: (0, 1), 3: (1, 1)}


def test_the_one_to_beat_has_a_flag_and_says_on_how_many_bakes(client):
    summit = family(client, 1)
    assert summit["say"] == "Revision 2 is the one to beat: 6.3 of 9, by 6 bakes."
    assert [s["to_beat"] for s in summit["strata"]] == [False, True]
    assert family(client, 2)["say"].endswith("but it rests on one bake.")


def test_a_confounded_step_is_unclear(client):
    wetter = next(p for p in family(client, 2)["planes"] if p["after"] == 2)
    assert wetter["things_changed"] == 2
    assert wetter["happened"] == "rest + 300 %"
    assert "Gritty 3 → 1." in wetter["learned"]
    assert wetter["learned"].endswith("More than one thing changed: unclear which.")


def test_a_hand_may_write_over_what_was_found_and_both_are_kept(client):
    assert client.put(f"{API}/trials/11/found", json={"found": "it was the rest"}).status_code == 204
    wetter = next(p for p in family(client, 2)["planes"] if p["after"] == 2)
    assert wetter["by_hand"] == "it was the rest"
    assert "Gritty" in wetter["learned"]
    assert client.put(f"{API}/trials/1/found", json={"found": "x"}).status_code == 404


def test_a_bake_set_aside_is_shown_and_does_not_count(client):
    night = family(client, 4)
    (stratum,) = night["strata"]
    assert [(t["id"], t["set_aside"]) for t in stratum["trials"]] == [(14, False), (15, True)]
    assert stratum["n"] == 1


def test_a_formula_that_was_never_baked_has_a_family_all_the_same(client):
    assert family(client, 7)["say"] == "No bake yet."
    assert client.get(f"{API}/formulas/999/family").status_code == 404


def test_what_changed_between_two_bakes_and_what_it_did(client):
    found = client.get(f"{API}/trials/difference?a=7&b=9").json
    assert found["say"] == "One thing changed, and it was not meant."
    assert [c["group"] for c in found["changes"] if c["steps"] >= 1] == ["cooling"]
    assert found["may_have_changed"] == ["Dough temperature"]
    assert "specific_volume_ml_g" in {e["measure"] for e in found["effects"]}


def test_bakes_for_different_uses_are_not_compared(client):
    assert client.get(f"{API}/trials/difference?a=9&b=10").status_code == 422


def test_the_last_bakes_stand_side_by_side_without_those_set_aside(client):
    found = client.get(f"{API}/trials/multiples?formula=1&last=4").json
    assert [t["id"] for t in found["trials"]] == [6, 7, 8, 9]
    assert len(found["planes"]) == 3
    volume = next(r for r in found["rows"] if r["measure"] == "specific_volume_ml_g")
    assert [p["value"] is None for p in volume["points"]] == [True, False, False, False]
    assert volume["band"]["good_low"] == 1.9


def test_what_to_bake_next_is_at_most_three_the_worthiest_first(client):
    found = client.get(f"{API}/next?formula=2").json
    worth = [n["worth"] for n in found["items"]]
    assert worth == sorted(worth, reverse=True)
    assert 1 <= len(worth) <= 3
    mend = found["items"][0]
    assert (mend["kind"], mend["fault"], mend["trial_id"]) == ("mend", "gritty", 12)


def test_a_mark_that_is_due_is_owed_until_it_is_there(client):
    assert [d["trial_id"] for d in client.get(f"{API}/next?formula=1").json["debts"]] == [9]
    note(client, 9, "soft", 3, day=3)
    assert client.get(f"{API}/next?formula=1").json["debts"] == []


@pytest.mark.parametrize("change", ["reading", "revision", "undo"])
def test_a_family_is_told_anew_whenever_something_of_it_changed(client, change):
    before = family(client, 1)
    if change == "reading":
        note(client, 9, "verdict", 1, "verdict-of-nine", replaces="demo-9-11")
    elif change == "revision":
        content = client.get(f"{API}/formulas/1").json["draft"]["content"]
        content["lines"][1]["mass_g"] = 40
        post(client, "trials", 201, formula_id=1, content=content)
    else:
        made = post(client, "trials/9/again", 201, say="x")
        assert family(client, 1) != before
        client.post(f"{API}/trials/{made['id']}/undo")
        assert family(client, 1) == before
        return
    assert family(client, 1) != before


def test_another_bag_is_told_with_its_water_before_and_after(client, app):
    rows = [("S1", 830), ("S1", 840), ("S2", 900)]
    kitchen = app.extensions["kitchen"]
    for lot, water in rows:
        made = client.post(f"{API}/trials", json={"formula_id": 2}).json
        with kitchen.writing() as session:
            record = get_trial(session, made["id"])
            setup = {**record.setup, "lots": {"sorghum-flour": lot}}
            save_trial(session, record.id, {"setup": setup}, record.version, "2026-03-14T10:00:00Z")
        planned = next(p["value"] for p in made["plan"] if p["quantity"] == "water_poured_g")
        note(client, made["id"], "water_poured_g", planned * water / 830, reading_id=f"bag-water-{made['id']}")
    (bag,) = client.get(f"{API}/formulas/2/taught").json["bags"]
    assert bag["ingredient"] == "sorghum-flour"
    assert "bag S2 after S1" in bag["say"]
    assert "(2 bakes)" in bag["say"]
    assert "(1 bake)" in bag["say"]

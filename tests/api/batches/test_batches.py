"""A batch over HTTP: planned, weighed, bagged, labelled; the rules that keep stock and label honest."""

from __future__ import annotations

import pytest
from tests.api.batches.making import API, add_lot, bring, lot_g, planned, weigh, weigh_all


def test_the_parts_of_a_plan_add_up_to_bags_and_loss(client):
    page = planned(client, bags=12)
    assert page["need_g"] == pytest.approx(12 * 500 / 0.99, abs=1)
    assert sum(p["target_g"] for p in page["parts"]) == pytest.approx(page["need_g"])
    assert page["state"] == "planned"
    assert page["code"] == ""


def test_a_draft_cannot_be_made_in_bulk(client):
    made = client.post(f"{API}/blends", json={"name": "Only a draft"}).json["head"]
    refused = client.post(f"{API}/batches", json={"blend_id": made["id"]})
    assert refused.status_code == 422
    assert "keep it as a revision first" in refused.json["detail"]


def test_a_batch_keeps_its_revision_when_the_blend_moves_on(client):
    page = planned(client)
    draft = client.get(f"{API}/blends/1/draft")
    parts = [{"ingredient": "white-rice-flour", "mass_g": 100}]
    content = {**draft.json["content"], "parts": parts}
    put = client.put(f"{API}/blends/1/draft", json={"content": content}, headers={"If-Match": draft.headers["ETag"]})
    assert put.status_code == 200, put.json
    again = client.get(f"{API}/batches/{page['id']}").json
    assert [p["target_g"] for p in again["parts"]] == [p["target_g"] for p in page["parts"]]


def test_stock_and_weighing_fall_together_or_not_at_all(client, weighing):
    page, lots = weighing
    slug = page["parts"][0]["ingredient"]
    assert weigh(client, page, slug, 100, "first-pour", lot_id=lots[slug]).status_code == 200
    assert lot_g(client, slug, lots[slug]) == pytest.approx(8900)
    refused = weigh(client, page, slug, 20_000, "too-much-of-it", lot_id=lots[slug])
    assert refused.status_code == 422
    assert lot_g(client, slug, lots[slug]) == pytest.approx(8900)
    assert len(client.get(f"{API}/batches/{page['id']}").json["weighings"]) == 1


def test_the_same_weighing_sent_twice_counts_once_and_another_under_its_key_is_refused(client, weighing):
    page, lots = weighing
    slug = page["parts"][0]["ingredient"]
    for _ in range(2):
        assert weigh(client, page, slug, 100, "one-and-the-same", lot_id=lots[slug]).json["net_g"] == 100
    assert lot_g(client, slug, lots[slug]) == pytest.approx(8900)
    assert weigh(client, page, slug, 120, "one-and-the-same", lot_id=lots[slug]).status_code == 409


def test_voiding_gives_the_flour_back(client, weighing):
    page, lots = weighing
    slug = page["parts"][0]["ingredient"]
    weigh(client, page, slug, 100, "the-slip-it-was", lot_id=lots[slug])
    where = f"{API}/batches/{page['id']}/weighings/the-slip-it-was/void"
    assert client.post(where, json={"why": " ", "key": "voiding-it-1"}).status_code == 422
    found = client.post(where, json={"why": "wrong flour", "key": "voiding-it-1"})
    assert found.status_code == 200, found.json
    assert found.json["in_g"] == 0
    assert lot_g(client, slug, lots[slug]) == pytest.approx(9000)
    assert [w["counts"] for w in found.json["weighings"]] == [False, False]
    assert client.post(where, json={"why": "wrong flour", "key": "voiding-it-1"}).status_code == 200


def test_a_past_lot_needs_a_reason_and_an_unsteady_scale_is_not_taken(client, weighing):
    page, _ = weighing
    slug = page["parts"][0]["ingredient"]
    old = {"code": "OLD", "bought_g": 500, "stock_g": 500, "best_before": "2026-01-01", "bought_on": "2025-06-01"}
    lot = add_lot(client, slug, **old)
    refused = weigh(client, page, slug, 100, "from-the-old-one", lot_id=lot)
    assert "past its date" in refused.json["detail"]
    assert weigh(client, page, slug, 100, "from-the-old-one", lot_id=lot, why="smells right").status_code == 200
    shaky = weigh(client, page, slug, 100, "while-it-shakes", stable=False)
    assert "stand still" in shaky.json["detail"]
    assert weigh(client, page, slug, 100, "typed-it-instead", stable=False, typed=True).status_code == 200


def test_a_lot_of_another_flour_is_refused(client, weighing):
    page, lots = weighing
    first, second = (p["ingredient"] for p in page["parts"][:2])
    assert "has no lot" in weigh(client, page, first, 50, "wrong-sack-of-it", lot_id=lots[second]).json["detail"]


def test_a_bag_holds_a_little_more_than_its_books_and_not_a_lot(client, weighing):
    page, _ = weighing
    slug = page["parts"][0]["ingredient"]
    small = {"code": "SMALL", "bought_g": 500, "stock_g": 500}
    lot = add_lot(client, slug, **small)
    assert weigh(client, page, slug, 510, "a-little-more", lot_id=lot).status_code == 200
    assert lot_g(client, slug, lot) == 0
    other = add_lot(client, slug, **{**small, "code": "SMALL-2"})
    assert weigh(client, page, slug, 530, "a-lot-more-of-it", lot_id=other).status_code == 422


def test_a_lot_found_empty_is_counted_so(client, weighing):
    page, lots = weighing
    slug = page["parts"][0]["ingredient"]
    found = client.post(f"{API}/batches/{page['id']}/empty", json={"lot_id": lots[slug]})
    assert found.json["missing_g"] == pytest.approx(9000)
    assert lot_g(client, slug, lots[slug]) == 0


def test_a_plan_draws_the_earliest_lot_first_and_leaves_what_earlier_plans_need(client):
    page = planned(client)
    slug, need = page["parts"][0]["ingredient"], page["parts"][0]["target_g"]
    before = sum(x["stock_g"] for x in page["parts"][0]["lots"] if not x["why_not"])
    client.post(f"{API}/ingredients/{slug}/lots", json={"code": "LATER", "bought_g": 5000, "stock_g": 5000})
    second = planned(client)
    drawn = second["parts"][0]
    assert drawn["reserved_g"] == pytest.approx(need)
    assert sum(d["mass_g"] for d in drawn["draws"]) == pytest.approx(min(need, before + 5000 - need))


def test_making_more_keeps_every_share(client, weighing):
    page, lots = weighing
    slug, target = page["parts"][0]["ingredient"], page["parts"][0]["target_g"]
    weigh(client, page, slug, round(target * 1.1, 1), "over-poured-it", lot_id=lots[slug])
    ways = client.get(f"{API}/batches/{page['id']}/over?ingredient={slug}").json
    assert ways["take_out"]["take_out_g"] == pytest.approx(target * 0.1, abs=0.1)
    now = client.get(f"{API}/batches/{page['id']}").json
    grown = client.post(
        f"{API}/batches/{page['id']}/grow", json={"ingredient": slug}, headers={"If-Match": str(now["version"])}
    ).json
    for was, is_now in zip(page["parts"], grown["parts"], strict=True):
        assert is_now["target_g"] == pytest.approx(was["target_g"] * ways["make_more"]["factor"], abs=1e-3)
    assert grown["parts"][0]["stands"] == "passes"


def test_a_batch_goes_its_way_and_one_step_back(client, weighing):
    page, lots = weighing
    assert page["code"]
    assert "is not weighed up yet" in bring(client, page, "blended").json["detail"]
    weigh_all(client, page, lots)
    blended = bring(client, page, "blended").json
    assert blended["code"] == page["code"]
    too_much = client.post(f"{API}/batches/{page['id']}/bags", json={"count": 40, "size_g": 500, "net_g": 500})
    assert "weighed are not in a bag yet" in too_much.json["detail"]
    bagged = client.post(
        f"{API}/batches/{page['id']}/bags", json={"count": 4, "size_g": 500, "net_g": 500, "place": "shelf 2"}
    ).json
    assert bagged["state"] == "bagged"
    assert [b["code"] for b in bagged["bags"]] == [f"{page['code']}/0{n}" for n in (1, 2, 3, 4)]
    assert bagged["came_to"]["yield_pct"] == pytest.approx(99.0, abs=0.1)
    bag = bagged["bags"][0]["id"]
    out = client.post(f"{API}/bags/{bag}/moves", json={"kind": "gone-out", "mass_g": 500})
    assert "where to" in out.json["detail"]
    out = client.post(f"{API}/bags/{bag}/moves", json={"kind": "gone-out", "mass_g": 500, "where": "Lake café"})
    assert out.json["left_g"] == pytest.approx(1500)
    assert "correct it by a count" in bring(client, page, "blended").json["detail"]
    assert "left in a bag" in bring(client, page, "used-up").json["detail"]


def test_a_batch_given_up_says_where_its_flour_went(client, weighing):
    page, lots = weighing
    slug = page["parts"][0]["ingredient"]
    weigh(client, page, slug, 100, "before-giving-up", lot_id=lots[slug])
    assert "back into its lot" in bring(client, page, "abandoned").json["detail"]
    assert bring(client, page, "abandoned", fate={slug: "back"}).status_code == 200
    assert lot_g(client, slug, lots[slug]) == pytest.approx(9000)


def test_two_who_save_at_once_do_not_undo_one_another(client, weighing):
    page, lots = weighing
    slug = page["parts"][0]["ingredient"]
    weigh(client, page, slug, 100, "somebody-weighs", lot_id=lots[slug])
    stale = client.post(
        f"{API}/batches/{page['id']}/state", json={"to": "planned"}, headers={"If-Match": str(page["version"])}
    )
    assert stale.status_code == 412
    lot = next(x for x in client.get(f"{API}/ingredients/{slug}/lots").json["items"] if x["id"] == lots[slug])
    assert lot["version"] == 2


def test_the_label_follows_what_was_weighed(client, weighing):
    page, lots = weighing
    first, second = page["parts"][0], page["parts"][1]
    weigh(
        client, page, second["ingredient"], second["target_g"] * 3, "three-times-it", lot_id=lots[second["ingredient"]]
    )
    weigh(client, page, first["ingredient"], first["target_g"] / 4, "a-quarter-of-it", lot_id=lots[first["ingredient"]])
    proof = client.get(f"{API}/batches/{page['id']}/label").json
    line = next(x for x in proof["lines"] if x["key"] == "ingredients")
    name = second["name"].split()[0].lower()
    assert line["text"].split(": ", 1)[1].lower().replace("**", "").startswith(name)
    assert line["status"] == "close"


def test_a_label_is_a_draft_until_it_is_checked_by_evidence(client, weighing):
    page, lots = weighing
    weigh_all(client, page, lots)
    proof = client.get(f"{API}/batches/{page['id']}/label?scheme=eu").json
    assert proof["draft"].startswith("Draft")
    where = f"{API}/batches/{page['id']}/labels"
    assert client.post(where, json={"kind": "checked"}).status_code == 422
    checked = client.post(where, json={"kind": "checked", "evidence": "laboratory 4711"}).json
    assert checked["draft"] == ""
    assert client.get(f"{API}/batches/{page['id']}/label?scheme=us").json["draft"]
    assert client.get(f"{API}/batches/{page['id']}/label?scheme=moon").status_code == 422


def test_the_list_says_first_what_needs_a_hand(client, weighing):
    page, _ = weighing
    planned(client)
    found = client.get(f"{API}/batches").json
    hands = [x["hand"] for x in found["items"]]
    assert hands == sorted(hands, key=["stale", "held", "half", ""].index)
    assert page["id"] in [x["id"] for x in found["items"] if x["hand"] == "half"]


def test_a_code_is_read_as_it_is_meant_and_leads_to_its_batch(client, weighing):
    page, _ = weighing
    typed = page["code"].replace("-", " ").lower()
    found = client.get(f"{API}/batches/code", query_string={"typed": f"{typed}/03"}).json
    assert found == {"code": page["code"], "valid": True, "bag": 3, "batch_id": page["id"]}


def test_the_line_is_cleaned_where_the_last_mix_left_what_this_one_does_not_have(client, weighing):
    page, _ = weighing  # chickpea is in it
    assert client.get(f"{API}/batches/{page['id']}").json["clean_first"] == ""
    blends = {b["head"]["name"]: b["head"]["id"] for b in client.get(f"{API}/blends?limit=100").json["items"]}
    pale = client.post(f"{API}/batches", json={"blend_id": blends["Summit mix, pale"]}).json
    assert pale["clean_first"].startswith(f"Clean the line first: Summit mix {page['code']} left legume on it.")
    client.post(f"{API}/batches/{page['id']}/steps", json={"kind": "clean"})
    assert client.get(f"{API}/batches/{pale['id']}").json["clean_first"] == ""


def test_claims_are_judged_on_the_bake_and_not_on_the_dry_mix(client):
    batch = next(b for b in client.get(f"{API}/batches").json["items"] if b["name"] == "Summit mix" and b["left_g"])
    where = f"{API}/batches/{batch['id']}/label"
    without = client.get(where).json
    told = next(x for x in without["lines"] if x["key"] == "claims")["evidence"]
    assert told == ["left out: no formula is chosen to judge them on"]
    formula = next(n for n, name in without["formulas"].items() if name == "Summit tin loaf")
    judged = client.get(f"{where}?formula={formula}").json
    said = " ".join(next(x for x in judged["lines"] if x["key"] == "claims")["evidence"])
    assert "left out" not in said
    bake = client.get(f"{API}/formulas/{formula}/draft").json["content"]
    eaten = client.post(f"{API}/finished-bakes", json={"content": bake}).json["per_100_g"]["fibre_g"]["low"]
    dry = next(r for r in judged["table"] if r["text"] == "fibre")["printed"]
    assert eaten < float(dry.split()[0])
    other = next(f["head"]["id"] for f in client.get(f"{API}/formulas?limit=100").json["items"]
                 if str(f["head"]["id"]) not in without["formulas"])  # fmt: skip
    assert "another blend" in client.get(f"{where}?formula={other}").json["detail"]


def test_an_evenness_test_says_what_it_shows_and_no_more(client):
    batch = next(b for b in client.get(f"{API}/batches").json["items"] if b["left_g"])
    where = f"{API}/batches/{batch['id']}/evenness"
    few = client.post(where, json={"method": "measured", "values": [1, 2, 3, 4]})
    assert "at least 5" in few.json["detail"]
    counts = [41, 38, 46, 35, 44, 39, 47, 36, 42, 40]
    found = client.post(where, json={"method": "counted", "values": counts}).json["evenness"]
    assert found[0]["say"].startswith("No unevenness shown")
    assert "15.7 % at 41 grains" in found[0]["say"]
    readings = [100, 104, 96, 103, 97, 101, 99, 102, 98, 100]
    even = client.post(where, json={"method": "measured", "values": readings}).json["evenness"][1]
    assert even["say"].startswith("Even: spread 2.6 %")
    shaky = client.post(where, json={"method": "measured", "values": [80, 120, 95, 105, 100]}).json["evenness"][2]
    assert "homogeneous" not in shaky["say"]
    assert shaky["say"].startswith(("Not shown", "Uneven"))

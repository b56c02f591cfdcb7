"""How mixes are made ahead: set once, it stands on every new plan; and the order in which plans are made."""

from __future__ import annotations

import pytest
from tests.api.batches.making import API, bring, planned, stocked, weigh

AHEAD = {
    "letters": "tf",
    "scales": [{"name": "Bench scale", "step_g": 0.5, "capacity_g": 8000}],
    "vessels": [{"name": "Big bowl", "blender": "bowl-whisk", "litres": 12, "empty_g": 640}],
    "bag_sizes_g": [750, 500],
    "tolerance_pct": 0.5,
    "scheme": "eu",
}


def save(client, **more):
    version = client.get(f"{API}/kitchen/ahead").json["version"]
    return client.put(f"{API}/kitchen/ahead", json={**AHEAD, **more}, headers={"If-Match": str(version)})


def test_a_new_plan_takes_the_first_scale_vessel_and_bag_and_its_code_the_letters(client):
    assert save(client).status_code == 200
    page = client.post(f"{API}/batches", json={"blend_id": 1}).json
    making = page["making"]
    assert (making["scale"], making["step_g"], making["container_g"]) == ("Bench scale", 0.5, 640)
    assert page["wanted"]["bag_g"] == 750
    large = max(page["parts"], key=lambda p: p["target_g"])
    assert large["high_g"] - large["target_g"] == pytest.approx(max(0.005 * large["target_g"], 0.5))
    assert bring(client, page, "weighing").json["code"].startswith("TF")


@pytest.mark.parametrize(
    ("change", "place"),
    [
        ({"letters": "SO"}, "/letters"),
        ({"vessels": [{"name": "x", "blender": "cement-mixer"}]}, "/vessels/0/blender"),
        ({"scheme": "moon"}, "/scheme"),
        ({"language": "latin"}, "/language"),
    ],
)
def test_what_cannot_be_is_refused_by_its_place(client, change, place):
    refused = save(client, **change)
    assert (refused.status_code, refused.json["place"]) == (422, place)


def test_a_stale_save_of_the_settings_changes_nothing(client):
    assert save(client).status_code == 200
    stale = client.put(f"{API}/kitchen/ahead", json=AHEAD, headers={"If-Match": "1"})
    assert stale.status_code == 412 or stale.status_code == 409


def test_the_order_of_plans_is_said_only_of_several(client):
    planned(client)
    assert client.get(f"{API}/batches/order").json["say"] == ""
    planned(client)
    found = client.get(f"{API}/batches/order").json
    assert len(found["items"]) == 2
    assert "no clean" in found["say"]


def test_a_half_weighed_mix_says_what_is_still_to_come_and_never_that_its_binder_is_in(client):
    blend = client.post(f"{API}/blends", json={"name": "Milk loaf", "content": {
        "use": "tin-loaf",
        "parts": [
            {"ingredient": "brown-rice-flour", "mass_g": 800}, {"ingredient": "skim-milk-powder", "mass_g": 150},
            {"ingredient": "psyllium-husk", "mass_g": 50},
        ],
    }})  # fmt: skip
    assert blend.status_code == 201, blend.json
    number = blend.json["head"]["id"]
    kept = client.post(
        f"{API}/blends/{number}/revisions",
        json={"why": "to try"},
        headers={"If-Match": f'"{blend.json["draft"]["version"]}"'},
    )
    assert kept.status_code == 201, kept.json
    page = planned(client, blend=number, bags=1, bag_g=1000)
    assert page["mix"]["binder"].startswith("Not in yet: psyllium husk, 5")
    lots = stocked(client, page)
    page = bring(client, page, "weighing").json
    target = {p["ingredient"]: p["target_g"] for p in page["parts"]}

    def poured(slug):
        done = weigh(client, page, slug, target[slug], f"all-of-it-{slug}", lot_id=lots[slug])
        assert done.status_code == 200, done.json
        return client.get(f"{API}/batches/{page['id']}").json["mix"]

    mix = poured("brown-rice-flour")
    assert "milk" in mix["allergens"].lower()
    assert (mix["binder"][:10], mix["binder_is_in"]) == ("Not in yet", False)
    poured("skim-milk-powder")
    assert poured("psyllium-husk")["binder_is_in"] is True

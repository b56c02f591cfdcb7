"""A complete mix over HTTP: what lies in 100 g, what to add, and the way back."""

import pytest

from api.formulas.test_work import content_of, post


def test_a_formula_becomes_a_mix_that_says_what_to_add(client):
    content = content_of(client, 5)
    found = post(client, "whole-bags", content=content)
    assert sum(x["g_per_100_g"] for x in found["in_bag"]) == pytest.approx(100)
    assert found["bag"]["kind"] == "complete"
    assert found["water"]["low_g"] < found["water"]["typical_g"] < found["water"]["high_g"]
    assert {x["ingredient"] for x in found["stays"]} == {"unsalted-butter", "whole-egg"}
    was, now = (sum(x["mass_g"] for x in c["lines"]) for c in (content, found["formula"]))
    assert now == pytest.approx(was)
    egg = post(client, "whole-bags", content=content, dry_egg=True)
    assert "whole-egg-powder" in {x["ingredient"] for x in egg["in_bag"]}


def test_the_mix_is_taken_apart_and_a_bag_of_flours_is_not(client):
    content = content_of(client, 5)
    bagged = post(client, "whole-bags", content=content)["formula"]
    apart = post(client, "opened-bags", content=bagged)["content"]
    masses = {x["ingredient"]: x["mass_g"] for x in content["lines"]}
    assert {x["ingredient"]: x["mass_g"] for x in apart["lines"]} == pytest.approx(masses)
    assert post(client, "opened-bags", content=content)["content"] is None


def test_a_formula_without_anything_dry_is_refused_with_the_place(client):
    content = {"lines": [{"ingredient": "olive-oil", "mass_g": 10, "when": "fat", "note": ""}]}
    assert post(client, "whole-bags", 422, content=content)["place"] == "/content/lines"


def test_a_brief_keeps_its_kind_of_bag_and_its_cap_of_gums(client):
    brief = {"name": "Raising", "use": "quick-bread", "limits": {"bag": "self-raising", "max_gum_pct": 0}}
    made = post(client, "briefs", 201, **brief)
    assert {"a self-raising bag", "no gums"} <= set(made["wishes"])
    asked = post(client, "wishes", use="quick-bread", brief_id=made["brief"]["id"])
    assert asked["binder"] == {"psyllium-husk": 1.2, "baking-powder": 3.8}
    assert post(client, "briefs", 422, **{**brief, "limits": {"bag": "bottle"}})["place"] == "/limits/bag"

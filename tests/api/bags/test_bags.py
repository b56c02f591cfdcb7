"""A bought mix over HTTP: opened from what was pasted, and a mix like it from the kitchen's bins."""

import pytest

API = "/api/v1/bags"
LIST = "Ingredients: white rice flour, potato starch, moon dust, chickpea flour (10 %), xanthan gum"
PANEL = "per 100 g\nFat 0.9 g\nCarbohydrate 81 g\nFibre 2.1 g\nProtein 5.8 g\nSalt 0.04 g"


def post(client, path, status=200, **body):
    answer = client.post(f"{API}/{path}", json=body)
    assert answer.status_code == status, answer.json
    return answer.json


def test_a_bag_becomes_parts_of_a_kilogram_within_ranges_judged_for_a_use(client):
    found = post(client, "open", list=LIST, panel=PANEL, use="tin-loaf")
    assert found["left_out"] == ["moon dust"]
    assert [n["listed"]["ingredient"] for n in found["names"]][2] is None
    assert sum(p["mass_g"] for p in found["parts"]) == pytest.approx(1000)
    assert all(p["low_ratio"] <= 1 <= p["high_ratio"] for p in found["parts"])
    assert 0 < found["fit"] <= 100
    kept = client.post("/api/v1/analyse", json={"parts": found["parts"], "use": "tin-loaf"}).json
    assert kept["fit"]["score"] == found["fit"]


def test_a_panel_per_serving_without_grams_is_not_taken_and_says_so(client):
    found = post(client, "open", list=LIST, panel="per 1/4 cup\nProtein 2 g\nTotal fat 0 g")
    assert "what that weighs is not known" in found["panel_say"]


def test_a_mix_alike_leaves_out_what_it_is_told_to_and_costs_less_where_asked(client):
    parts = post(client, "open", list=LIST, panel=PANEL)["parts"]
    same = post(client, "alike", parts=parts, use="tin-loaf")
    assert max(x["widths"] for x in same["likeness"]) < 0.5
    without = post(client, "alike", parts=parts, use="tin-loaf", without=["potato-starch"])
    assert "potato-starch" not in {p["part"]["ingredient"] for p in without["parts"]}
    cheaper = post(client, "alike", parts=parts, use="tin-loaf", cheaper=True)
    assert cheaper["cost_per_kg"] < same["cost_per_kg"] or cheaper["notes"]


@pytest.mark.parametrize(
    ("body", "place"), [({"list": "  "}, "/list"), ({"list": LIST, "chosen": {"two": "salt"}}, "/chosen")]
)
def test_what_cannot_be_read_names_the_place(client, body, place):
    assert post(client, "open", 422, **body)["place"] == place

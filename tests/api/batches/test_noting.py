"""What is noted of a batch and read by its label is checked before it stands."""

from __future__ import annotations

import pytest

API = "/api/v1"
TEST = {"mg_per_kg": 5, "method": "R5 sandwich ELISA", "on": "2026-03-10", "detection_mg_per_kg": 5}


def note(client, kind, said, note=""):
    return client.post(f"{API}/batches/3/steps", json={"kind": kind, "said": said, "note": note})


@pytest.mark.parametrize(
    ("change", "place"),
    [
        ({"mg_per_kg": None}, "/said"),
        ({"mg_per_kg": "low"}, "/said/mg_per_kg"),
        ({"mg_per_kg": -1}, "/said/mg_per_kg"),
        ({"method": ""}, "/said/method"),
        ({"on": "10 March"}, "/said/on"),
        ({"on": "2027-03-10"}, "/said/on"),
        ({"colour": "blue"}, "/said/colour"),
    ],
)
def test_a_test_that_does_not_say_what_it_must_is_refused_and_the_label_stands(client, change, place):
    refused = note(client, "gluten-test", TEST | change)
    assert refused.status_code == 422
    assert refused.json["place"].startswith(place)
    assert client.get(f"{API}/batches/3/label").status_code == 200


def test_a_test_and_a_may_contain_stand_on_the_proof(client):
    assert note(client, "gluten-test", TEST).status_code == 200
    assert note(client, "may-contain", {"name": "sesame"}, "same line as the seed crisp").status_code == 200
    lines = {x["key"]: x for x in client.get(f"{API}/batches/3/label").json["lines"]}
    assert "sesame" in lines["may contain"]["text"]
    assert any("R5" in why for why in lines["gluten wording"]["evidence"])
    assert note(client, "may-contain", {}).status_code == 422

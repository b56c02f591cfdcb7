"""The kitchen's own words over HTTP: a recipe's open line is answered once."""

API = "/api/v1"
RECIPE = {"text": "Trial\n200 g oat flour\n20 g brose dust\n100 g flour"}


def remember(client, phrase, ingredient):
    answer = client.post(f"{API}/kitchen/words", json={"phrase": phrase, "ingredient": ingredient})
    assert answer.status_code == 200, answer.json
    return answer.json


def read(client):
    return [x["ingredient"] for x in client.post(f"{API}/recipes/read", json=RECIPE).json["lines"]]


def test_a_name_that_was_answered_once_is_read_from_then_on_until_it_is_taken_back(client):
    assert read(client)[1] is None
    kept = remember(client, "brose dust", "sorghum-flour")
    assert kept["word"]["name"] == "Sorghum flour (whole grain)"
    assert read(client)[1] == "sorghum-flour"
    (word,) = client.get(f"{API}/kitchen/words").json["items"]
    assert client.delete(f"{API}/kitchen/words/{word['word']['id']}").status_code == 204
    assert read(client)[1] is None


def test_a_bags_list_and_a_pasted_mix_know_it_too(client):
    remember(client, "brose dust", "sorghum-flour")
    opened = client.post(f"{API}/bags/open", json={"list": "rice flour, brose dust"}).json
    assert opened["shares"][1]["share"]["ingredient"] == "sorghum-flour"
    mix = client.post(f"{API}/recipes/read-mix", json={"text": "100 g brose dust"}).json
    assert mix["lines"][0]["ingredient"] == "sorghum-flour"


def test_bare_flour_is_asked_each_time_and_gluten_free_flour_never_becomes_wheat(client):
    assert remember(client, "flour", "wheat-flour")["word"] is None
    assert "gluten-free" in remember(client, "gluten-free magic", "wheat-flour")["say"]
    assert client.get(f"{API}/kitchen/words").json["items"] == []


def test_what_is_no_ingredient_is_refused(client):
    answer = client.post(f"{API}/kitchen/words", json={"phrase": "x", "ingredient": "no-such-thing"})
    assert (answer.status_code, answer.json["place"]) == (422, "/ingredient")
    assert client.delete(f"{API}/kitchen/words/99").status_code == 404

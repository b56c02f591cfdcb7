"""The shelf in and out as tables, and what a blend file carries of it."""

import json

import pytest

from fallow_sieve.formats.shared.tables import XLSX_TYPE

API = "/api/v1"


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
    assert all("price_per_kg" in i for i in document["ingredients"] if i["slug"] != "xanthan-gum")
    from fallow_sieve.core.blends.unsure import analyse
    from fallow_sieve.formats.blends.file import read_blend
    from fallow_sieve.reference.ingredients import library_shelf

    read = read_blend(json.dumps(document).encode())
    there = analyse(read.blend, library_shelf().with_ingredients(read.ingredients)).metrics
    for name in ("grit_index", "thirst_g_per_g", "protein_pct", "fibre_pct"):
        assert there[name].typical == pytest.approx(here[name]["typical"])
        for side in ("sigma_low", "sigma_high"):
            assert getattr(there[name], side) == pytest.approx(here[name][side])


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

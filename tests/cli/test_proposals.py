"""`propose` and `mend` as other programs call them."""

from __future__ import annotations

import json

import jsonschema
import pytest

from fallow_sieve.demo.bins import BINS
from fallow_sieve.formats.briefs.file import read_brief, write_brief
from fallow_sieve.formats.schemas import schema_text
from running import run

BRIEF = {
    "format": "fallow-sieve/brief", "version": 1, "use": "tin-loaf", "exclude_allergens": ["tree-nuts"],
    "exclude": ["oat-flour"],
    "candidates": ["sorghum-flour", "brown-rice-flour", "teff-flour", "potato-starch", "tapioca-starch", "chickpea-flour"],
    "require": {"teff-flour": {"min_pct": 10}}, "lock": {"brown-rice-flour": 25}, "max_bins": 5, "step_pct": 1,
    "bands": [{"metric": "fibre_pct", "hard_low": 5, "good_low": 6}], "aims": ["nearest", "cheapest", "most-fibre"],
    "binder": {"psyllium-husk": 5},
}  # fmt: skip


MIX = {
    "format": "fallow-sieve/blend", "version": 1, "use": "tin-loaf",
    "parts": [{"ingredient": "white-rice-flour", "mass_g": 200}, {"ingredient": "tapioca-starch", "mass_g": 280},
              {"ingredient": "psyllium-husk", "mass_g": 24}],
}  # fmt: skip


def on_stdin(command, document, *more):
    return run(command, "-", "--json", *more, stdin=json.dumps(document).encode())


def test_propose_prints_one_document_by_its_schema_and_keeps_the_brief():
    done = on_stdin("propose", BRIEF)
    assert (done.returncode, done.stderr) == (0, b"")
    document = json.loads(done.stdout)
    jsonschema.validate(document, json.loads(schema_text("proposals-1.json")))
    assert document["status"] == "optimal"
    assert [s["aim"] for s in document["skipped"]] == ["cheapest"]  # the bundled tables know no price
    for p in document["proposals"]:
        shares = {x["ingredient"]: x["share_pct"] for x in p["parts"]}
        assert sum(shares.values()) == pytest.approx(100)
        assert shares["brown-rice-flour"] == 25
        assert shares["teff-flour"] >= 10
        assert len(shares) <= 5
        assert p["metrics"]["fibre_pct"]["typical"] >= 5
        assert p["binder"] == [{"binder": "psyllium-husk", "dose_pct": 5.0, "in_mix": True}]


def test_propose_exits_1_with_the_conflicts_where_wishes_clash():
    done = on_stdin("propose", {**BRIEF, "lock": {"brown-rice-flour": 70, "sorghum-flour": 40}})
    document = json.loads(done.stdout)
    assert (done.returncode, document["status"], document["proposals"]) == (1, "infeasible", [])
    clash = document["conflicts"][0]
    assert set(clash["limits"]) <= {"lock/brown-rice-flour", "lock/sorghum-flour", "require/teff-flour"}
    assert "locked at" in clash["say"]


@pytest.mark.parametrize(
    ("change", "place"),
    [
        ({"use": "tin-laof"}, "/use"),
        ({"aims": ["best"]}, "/aims/0"),
        ({"aims": ["nearest", "nearest"]}, "/aims/1"),
        ({"lock": {"no-such-flour": 5}}, "/lock/no-such-flour"),
        ({"require": {"teff-flour": {"min_pct": 10, "most": 3}}}, "/require/teff-flour/most"),
        ({"bands": [{"metric": "crunch", "good_low": 1}]}, "/bands/0/metric"),
        ({"diets": ["breatharian"]}, "/diets/0"),
        ({"max_bins": 2.5}, "/max_bins"),
        ({"wishes": []}, "/wishes"),
        ({"version": 2}, "/version"),
    ],
)
def test_a_bad_brief_exits_2_and_names_the_place(change, place):
    done = on_stdin("propose", {**BRIEF, **change})
    assert (done.returncode, done.stdout) == (2, b"")
    assert place in done.stderr.decode()


def test_mend_prints_the_smallest_changes():
    done = on_stdin("mend", MIX, "--touch", "3")
    document = json.loads(done.stdout)
    jsonschema.validate(document, json.loads(schema_text("mend-1.json")))
    assert (done.returncode, document["status"]) == (0, "mended")
    for option in document["options"]:
        assert sum(c["to_pct"] - c["from_pct"] for c in option["changes"]) == pytest.approx(0, abs=1e-5)
        assert sum(abs(c["to_pct"] - c["from_pct"]) for c in option["changes"]) / 2 == pytest.approx(
            option["moved_pct"], abs=1e-5
        )
    far = {**MIX, "parts": [{"ingredient": "coconut-flour", "mass_g": 400}]}
    mended = on_stdin("mend", far, "--use", "hearth-loaf", "--touch", "1")
    assert (mended.returncode, json.loads(mended.stdout)["status"]) == (0, "mended")


def test_mend_wants_a_use():
    done = on_stdin("mend", {k: v for k, v in MIX.items() if k != "use"})
    assert (done.returncode, b"--use" in done.stderr) == (2, True)


def test_for_people_a_line_an_aim():
    done = run("propose", "-", stdin=json.dumps({**BRIEF, "aims": ["nearest"]}).encode())
    text = done.stdout.decode()
    assert text.startswith("nearest (")
    assert "25 % brown-rice-flour" in text


def test_a_brief_file_reads_back_as_it_was_written():
    document = read_brief(json.dumps(BRIEF).encode())
    again = read_brief(write_brief(document.name, document.wishes).encode())
    assert again.wishes == document.wishes


def test_with_a_kitchen_the_bins_are_chosen_from_and_the_library_on_request(tmp_path):
    db = tmp_path / "demo.db"
    assert run("demo", "--db", db).returncode == 0
    asked = {"format": "fallow-sieve/brief", "version": 1, "use": "scone", "aims": ["cheapest", "from-stock"]}
    document = json.loads(on_stdin("propose", asked, "--db", db).stdout)
    assert [p["aim"] for p in document["proposals"]] == ["cheapest", "from-stock"]
    stocked = {b.ingredient for b in BINS}
    for p in document["proposals"]:
        assert {x["ingredient"] for x in p["parts"]} <= stocked
        assert p["cost_per_kg"] > 0
    cheapest = document["proposals"][0]
    assert cheapest["value"] == pytest.approx(cheapest["cost_per_kg"])
    wide = json.loads(on_stdin("propose", {**asked, "aims": ["lightest"]}, "--db", db, "--library").stdout)
    assert wide["proposals"][0]["value"] >= 93

"""The command line by its contract: documents on standard output, messages on standard error, exit 0, 1 and 2."""

from __future__ import annotations

import json
import sqlite3
from pathlib import Path

import jsonschema
import pytest

from fallow_sieve.demo.scenario import BINS
from fallow_sieve.formats.briefs.file import read_brief, write_brief
from fallow_sieve.formats.schemas import schema_text
from running import run, run_apart

GOOD = {
    "format": "fallow-sieve/blend", "version": 1, "name": "Trial mix", "use": "tin-loaf",
    "parts": [
        {"ingredient": "sorghum-flour", "mass_g": 290}, {"ingredient": "brown-rice-flour", "mass_g": 140},
        {"ingredient": "teff-flour", "mass_g": 120}, {"ingredient": "chickpea-flour", "mass_g": 80},
        {"ingredient": "potato-starch", "mass_g": 220}, {"ingredient": "tapioca-starch", "mass_g": 150},
        {"ingredient": "psyllium-husk", "mass_g": 50},
    ],
}  # fmt: skip


@pytest.fixture
def blend(tmp_path: Path) -> Path:
    path = tmp_path / "blend.json"
    path.write_text(json.dumps(GOOD))
    return path


def test_analyse_prints_one_document_and_nothing_else(blend):
    done = run_apart("analyse", blend, "--json")
    assert (done.returncode, done.stderr) == (0, b"")
    document = json.loads(done.stdout)
    assert document["mass_g"] == 1050
    assert document["flour_base_g"] == 1000
    assert document["metrics"]["starch_share_pct"] == {"typical": 37.0, "low": 37.0, "high": 37.0}
    assert document["fit"]["use"] == "tin-loaf"
    assert document["gluten"]["status"] == "unknown"
    assert document["binder"]["doses"] == [{"binder": "psyllium-husk", "dose_pct": 5.0}]
    assert document["cost_per_kg"] is None
    fibre = next(b for b in document["fit"]["bands"] if b["metric"] == "fibre_pct")
    assert {"hard_low", "good_low", "good_high", "hard_high", "weight", "status", "desirability", "distance", "unit", "p_inside_hard"} < set(fibre)  # fmt: skip


def test_a_held_blend_is_the_answer_no_with_the_whole_document(blend):
    blend.write_text(json.dumps({**GOOD, "parts": [{"ingredient": "corn-starch", "mass_g": 100}]}))
    done = run("analyse", blend, "--json")
    assert done.returncode == 1
    held = [b for b in json.loads(done.stdout)["fit"]["bands"] if b["status"] == "held"]
    assert {"protein_pct", "starch_share_pct"} <= {b["metric"] for b in held}


def test_the_use_on_the_command_line_wins(blend):
    document = json.loads(run("analyse", blend, "--use", "scone", "--json").stdout)
    assert document["fit"]["use"] == "scone"


def test_without_a_use_nothing_is_judged(blend):
    blend.write_text(json.dumps({k: v for k, v in GOOD.items() if k != "use"}))
    done = run("analyse", blend, "--json")
    assert (done.returncode, json.loads(done.stdout)["fit"]) == (0, None)


def test_a_blend_is_read_from_standard_input():
    assert run("analyse", "-", "--json", stdin=json.dumps(GOOD).encode()).returncode == 0


def test_without_json_it_is_told_in_words(blend):
    text = run("analyse", blend).stdout.decode()
    assert text.startswith("Nothing holds it.")
    assert "Raw flour is not safe to taste" in text


@pytest.mark.parametrize(
    ("data", "words"),
    [
        (b"not json", "line 1, column 1"),
        (b"\x00\xff" * 40, "not UTF-8 text"),
        (b"[" * 60_000, "nested more than 32 deep"),
        (json.dumps(GOOD).replace("290", "NaN").encode(), "/parts/0/mass_g: NaN"),
        (json.dumps(GOOD).replace("290", "-Infinity").encode(), "/parts/0/mass_g: -Infinity"),
        (json.dumps(GOOD).replace("teff-flour", "tef-flour").encode(), "/parts/2/ingredient: unknown ingredient 'tef-flour'; did you mean teff-flour"),
        (json.dumps(GOOD).replace("tin-loaf", "tin-lof").encode(), "/use: unknown use 'tin-lof'; did you mean tin-loaf"),
        (json.dumps({**GOOD, "name": "\ud800"}).encode(), "/name"),
    ],
    ids=lambda v: str(v)[:30],
)  # fmt: skip
def test_bad_input_is_one_message_that_names_the_place_and_exit_2(tmp_path, data, words):
    path = tmp_path / "bad.json"
    path.write_bytes(data)
    done = run("analyse", path, "--json")
    assert (done.returncode, done.stdout) == (2, b"")
    message = done.stderr.decode().strip()
    assert message.startswith("fallow-sieve: ")
    assert words in message
    assert "\n" not in message


@pytest.mark.parametrize(
    "words",
    [
        ["analyse", "nowhere.json"],
        ["analyse", "."],
        ["analyse"],
        ["analyse", "-", "--bogus"],
        ["compare", "teff-flour", "--basis", "0g"],
        ["compare", "tef-flour"],
        ["compare", "teff-flour", "teff-flour"],
        ["compare", "teff-flour", "--cup", "bath"],
        ["compare", "teff-flour", "--db", "nowhere.db"],
        ["serve", "--db", "no/such/folder/x.db"],
        ["backup", "x.db", "--db", "nowhere.db"],
        ["nonsense"],
    ],
    ids=" ".join,
)
def test_a_wrong_command_exits_2_without_a_traceback(words, tmp_path, monkeypatch):
    monkeypatch.chdir(tmp_path)
    done = run(*words)
    assert done.returncode == 2
    assert b"Traceback" not in done.stderr
    assert done.stderr.strip()


def test_a_database_that_is_none_is_refused_plainly(tmp_path, blend):
    path = tmp_path / "no.db"
    path.write_text("this is no database, though it is long enough to look at" * 20)
    done = run("analyse", blend, "--db", path)
    assert done.returncode == 2
    assert b"cannot be used: file is not a database" in done.stderr


def test_compare_puts_flours_on_one_basis():
    done = run("compare", "teff-flour", "sorghum-flour", "--basis", "quarter-cup", "--cup", "us", "--json")
    document = json.loads(done.stdout)
    assert document["basis"] == {"kind": "quarter-cup", "cup_ml": 236.588}
    teff, sorghum = document["ingredients"]
    assert (teff["ingredient"], sorghum["ingredient"]) == ("teff-flour", "sorghum-flour")
    assert teff["mass_low_g"] < teff["mass_g"] < teff["mass_high_g"]
    protein = teff["nutrients"]["protein_g"]
    assert protein["low"] <= protein["typical"] <= protein["high"]


def test_compare_on_a_mass_has_no_spread_of_mass():
    document = json.loads(run("compare", "teff-flour", "--basis", "30g", "--json").stdout)
    teff = document["ingredients"][0]
    assert (teff["mass_g"], teff["mass_low_g"], teff["mass_high_g"]) == (30, 30, 30)


def test_a_kitchens_own_prices_and_cup_are_used_with_its_database(tmp_path, blend):
    db = tmp_path / "demo.db"
    assert run("demo", "--db", db).returncode == 0
    document = json.loads(run("analyse", blend, "--db", db, "--json").stdout)
    # 290 × 3.10 + 140 × 2.45 + 120 × 5.80 + 80 × 3.40 + 220 × 2.60 + 150 × 3.20 + 50 × 17.50, over 1050 g
    assert document["cost_per_kg"] == pytest.approx((899 + 343 + 696 + 272 + 572 + 480 + 875) / 1050)
    assert document["gluten"]["status"] == "known"
    assert (
        json.loads(run("compare", "teff-flour", "--basis", "cup", "--db", db, "--json").stdout)["basis"]["cup_ml"]
        == 250
    )


def test_demo_is_made_once_and_anew_when_asked(tmp_path):
    db = tmp_path / "demo.db"
    assert b"is made" in run("demo", "--db", db).stderr
    assert b"there already" in run("demo", "--db", db).stderr
    assert b"is made" in run("demo", "--db", db, "--fresh").stderr


def test_init_and_backup_give_a_copy_that_opens(tmp_path):
    db, copy = tmp_path / "own.db", tmp_path / "copy.db"
    assert run("init", "--db", db).returncode == 0
    assert run("backup", copy, "--db", db).returncode == 0
    with sqlite3.connect(copy) as connection:
        assert connection.execute("SELECT count(*) FROM ingredient").fetchone()[0] > 90
        assert connection.execute("PRAGMA integrity_check").fetchone() == ("ok",)
    again = run("backup", copy, "--db", db)
    assert again.returncode == 2
    assert b"is there already" in again.stderr


# propose and mend

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
    "parts": [{"ingredient": "white-rice-flour", "mass_g": 300}, {"ingredient": "potato-starch", "mass_g": 180},
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


def test_mend_prints_the_smallest_changes_and_exits_1_where_there_are_none():
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
    beyond = on_stdin("mend", far, "--use", "hearth-loaf", "--touch", "1")
    assert (beyond.returncode, json.loads(beyond.stdout)["status"]) == (1, "beyond")


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

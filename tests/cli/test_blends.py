"""`analyse` and `compare`: one document on standard output, messages on standard error."""

from __future__ import annotations

import json

import pytest

from cli.conftest import GOOD
from running import run, run_apart


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
    grit = next(b for b in document["fit"]["bands"] if b["metric"] == "grit_index")
    assert {"hard_low", "good_low", "good_high", "hard_high", "weight", "status", "desirability", "distance", "unit", "p_inside_hard"} < set(grit)  # fmt: skip


def test_a_held_blend_is_the_answer_no_with_the_whole_document(blend):
    blend.write_text(
        json.dumps(
            {
                **GOOD,
                "parts": [{"ingredient": "tapioca-starch", "mass_g": 80}, {"ingredient": "cornmeal", "mass_g": 20}],
            }
        )
    )
    done = run("analyse", blend, "--json")
    assert done.returncode == 1
    held = [b for b in json.loads(done.stdout)["fit"]["bands"] if b["status"] == "held"]
    assert {b["metric"] for b in held} == {"sticky_share_pct"}


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


BAG = {"ingredients": ["white-rice-flour", "potato-starch", "chickpea-flour"], "per_100_g": {"protein_g": 5.8}, "printed_pct": {"chickpea-flour": 10}}  # fmt: skip


def test_open_bag_prints_a_share_with_its_range_for_every_part(tmp_path):
    path = tmp_path / "bag.json"
    path.write_text(json.dumps(BAG))
    done = run("open-bag", path, "--json")
    found = json.loads(done.stdout)
    assert [s["ingredient"] for s in found["shares"]] == BAG["ingredients"]
    assert sum(s["typical_pct"] for s in found["shares"]) == pytest.approx(100, abs=0.1)
    assert all(s["low_pct"] <= s["typical_pct"] <= s["high_pct"] for s in found["shares"])
    assert found["draws"] > 1000
    # 10 % are printed: what the other two are together is known, how it is split much less.
    (pair,) = found["together"]
    assert (pair["ingredients"], round(pair["typical_pct"])) == (BAG["ingredients"][:2], 90)


@pytest.mark.parametrize(
    ("changed", "place"),
    [
        ({"ingredients": ["moon-dust"]}, "/ingredients/0"),
        ({"per_100_g": {"protein_g": "lots"}}, "/per_100_g/protein_g"),
        ({"printed_pct": {"chickpea-flour": 120}}, "/printed_pct/chickpea-flour"),
    ],
)
def test_a_bag_that_cannot_be_is_refused_at_its_place(tmp_path, changed, place):
    path = tmp_path / "bag.json"
    path.write_text(json.dumps(BAG | changed))
    done = run("open-bag", path, "--json")
    assert (done.returncode, done.stdout) == (2, b"")
    assert place.encode() in done.stderr

"""`label` and `batch-code`, run as a person would."""

from __future__ import annotations

import json
import sqlite3

import pypdfium2

from running import run as in_process

BLEND = {
    "format": "fallow-sieve/blend",
    "version": 1,
    "name": "Almond plain mix",
    "use": "tin-loaf",
    "parts": [
        {"ingredient": "white-rice-flour", "mass_g": 700},
        {"ingredient": "almond-flour", "mass_g": 300},
        {"ingredient": "psyllium-husk", "mass_g": 50},
    ],
}


def label(blend, *options):
    done = in_process("label", "-", *options, stdin=json.dumps(blend).encode())
    return done.returncode, done.stdout.decode(), done.stderr.decode()


def test_a_label_says_what_stands_on_it_and_what_holds_it():
    code, out, _ = label(BLEND, "--scheme", "eu", "--bag", "500", "--json")
    found = json.loads(out)
    assert code == 1
    assert found["ingredients"] == "white rice flour, almond flour (28.6 %), psyllium husk."
    assert found["allergens"] == ["almond"]
    assert [h["line"] for h in found["held"]] == ["gluten wording"]
    assert found["gluten"]["rung"] == 1
    fat = next(n for n in found["nutrition"] if n["nutrient"] == "fat_g")
    assert fat["printed"].endswith(" g")
    assert abs(fat["value"] - float(fat["printed"].split()[0])) <= 0.5
    assert found["draft"] == "Draft: to be checked by a competent person."


def test_the_same_in_words_and_an_unknown_scheme_is_named():
    _, out, _ = label(BLEND)
    assert out.startswith("Held by 1 of ")
    assert "Check locally" in out
    code, _, err = label(BLEND, "--scheme", "mars")
    assert code == 2
    assert "label scheme" in err


def test_a_code_is_printed_as_it_is_meant():
    done = in_process("batch-code", "27ooi i q")
    assert (done.returncode, done.stdout.decode().strip()) == (0, "27001-1-Q")
    done = in_process("batch-code", "26323-2-Q", "--json")
    assert done.returncode == 1
    assert json.loads(done.stdout) == {"bag": None, "code": "26323-2-Q", "valid": False}


def done(*arguments):
    found = in_process(*arguments)
    return found.returncode, found.stdout.decode(), found.stderr.decode()


def demo_code(demo_db, state):
    with sqlite3.connect(demo_db) as connection:
        return connection.execute("SELECT code FROM batch WHERE state = ? ORDER BY id DESC", (state,)).fetchone()[0]


def test_a_batch_as_a_file_gives_the_same_list_and_table_elsewhere(demo_db, tmp_path):
    code = demo_code(demo_db, "bagged")
    status, out, _ = done("batch", code, "--db", str(demo_db))
    assert status == 0
    file = tmp_path / "batch.json"
    file.write_text(out, encoding="utf-8")
    here = json.loads(done("label", code, "--db", str(demo_db), "--json")[1])
    there = json.loads(done("label", str(file), "--json")[1])
    assert there["ingredients"] == here["ingredients"]
    assert there["allergens"] == here["allergens"]
    assert [n["nutrient"] for n in there["nutrition"]] == [n["nutrient"] for n in here["nutrition"]]
    with_kitchen = json.loads(done("label", str(file), "--db", str(demo_db), "--json")[1])
    assert with_kitchen["ingredients"] == here["ingredients"]
    assert there["gluten"] == here["gluten"]


def test_labels_of_a_batch_go_into_a_pdf_and_a_blends_do_not(demo_db, tmp_path):
    code, pdf = demo_code(demo_db, "bagged"), tmp_path / "labels.pdf"
    assert done("label", code, "--db", str(demo_db), "--size", "bag-100x150", "--pdf", str(pdf))[0] == 0
    assert len(pypdfium2.PdfDocument(str(pdf))) == 6
    file = tmp_path / "blend.json"
    file.write_text(json.dumps(BLEND), encoding="utf-8")
    status, _, said = done("label", str(file), "--pdf", str(tmp_path / "no.pdf"))
    assert status == 2
    assert "name a batch" in said


def test_a_lot_is_followed_by_its_code_and_a_failed_balance_is_a_no(demo_db):
    status, out, _ = done("trace", "li-061", "--db", str(demo_db), "--json")
    found = json.loads(out)
    assert status == 0
    assert found["say"].startswith("LI-061 is in 3 batches")
    assert found["balanced"]
    with sqlite3.connect(demo_db) as connection:
        bag = connection.execute("SELECT id, batch_id FROM bag WHERE left_g > 400 LIMIT 1").fetchone()
        connection.execute(
            "INSERT INTO stock_move (bag_id, batch_id, kind, mass_g, at, why, where_to) VALUES (?, ?, 'counted', -400, "
            "'2026-03-14T10:00:00Z', 'unknown', '')",
            bag,
        )
        code = connection.execute("SELECT code FROM batch WHERE id = ?", (bag[1],)).fetchone()[0]
    status, out, _ = done("trace", code, "--db", str(demo_db))
    assert status == 1
    assert "400 g" in out
    assert done("trace", "nowhere", "--db", str(demo_db))[0] == 2


def test_a_kitchen_leaves_in_one_file_and_comes_back_the_same(demo_db, tmp_path):
    file, again = tmp_path / "kitchen.zip", tmp_path / "again.db"
    assert done("archive", str(file), "--db", str(demo_db))[0] == 0
    assert done("restore", str(file), "--db", str(again))[0] == 0
    second = tmp_path / "second.zip"
    assert done("archive", str(second), "--db", str(again))[0] == 0
    assert second.read_bytes() == file.read_bytes()
    status, _, said = done("restore", str(file), "--db", str(again))
    assert status == 0
    assert "before is in" in said

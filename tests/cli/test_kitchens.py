"""Making and copying a kitchen, and commands that are wrong."""

from __future__ import annotations

import sqlite3

import pytest

from running import run


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

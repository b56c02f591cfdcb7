"""A kitchen in one ZIP, and back to the same bits; whatever an archive has wrong leaves nothing behind."""

from __future__ import annotations

import json
import os
import shutil
import signal
import sqlite3
import subprocess
import sys
import time
import zipfile
from contextlib import closing
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st
from sqlmodel import SQLModel
from tests.fuzzing import rounds

from fallow_sieve.core.values import BadInputError
from fallow_sieve.store import KitchenStore
from fallow_sieve.store.archives import digest_of, is_archive, unpack, write_archive
from fallow_sieve.store.archives.cells import cell_of, value_of
from fallow_sieve.store.archives.tables import VERSION_TABLE, shapes_of

RELEASED = sorted((Path(__file__).parents[1] / "released").glob("*.sql"))


def digest_at(path):
    with closing(sqlite3.connect(path)) as connection:
        return digest_of(connection)


@pytest.fixture
def archive(demo_db, tmp_path):
    path = tmp_path / "kitchen.zip"
    write_archive(demo_db, path)
    return path


def changed(archive, target, change):
    """Write the archive again with some parts changed: None leaves one out, a new name adds one."""
    with zipfile.ZipFile(archive) as old, zipfile.ZipFile(target, "w", zipfile.ZIP_DEFLATED) as new:
        for info in old.infolist():
            data = change.get(info.filename, old.read(info.filename))
            if data is not None:
                new.writestr(info.filename, data)
        for name, data in change.items():
            if name not in old.namelist():
                new.writestr(name, data)
    return target


def test_archive_of_the_demo_restores_to_the_same_digest(demo_db, archive, tmp_path):
    before = digest_at(demo_db)
    assert is_archive(archive)
    assert unpack(archive, tmp_path / "again.db") == before
    assert digest_at(tmp_path / "again.db") == before
    write_archive(tmp_path / "again.db", tmp_path / "again.zip")
    assert (tmp_path / "again.zip").read_bytes() == archive.read_bytes()
    kitchen = KitchenStore(tmp_path / "again.db")
    kitchen.close()


def test_every_table_is_in_the_archive(archive):
    with zipfile.ZipFile(archive) as zipped:
        names = {n.removeprefix("data/").removesuffix(".csv") for n in zipped.namelist() if n.startswith("data/")}
    assert names == set(SQLModel.metadata.tables) - {VERSION_TABLE}


@pytest.mark.parametrize("released", RELEASED, ids=lambda p: p.stem)
def test_an_archive_of_each_released_version_restores(released, tmp_path):
    old = tmp_path / "old.db"
    with closing(sqlite3.connect(old)) as connection:
        connection.executescript(released.read_text(encoding="utf-8"))
    done = write_archive(old, tmp_path / "old.zip")
    assert unpack(tmp_path / "old.zip", tmp_path / "new.db") == done.digest
    kitchen = KitchenStore(tmp_path / "new.db")
    kitchen.close()
    with closing(sqlite3.connect(tmp_path / "new.db")) as connection:
        for table, rows in done.rows.items():
            if table in {s.name for s in shapes_of(connection)}:
                (found,) = connection.execute(f"SELECT COUNT(*) FROM {table}").fetchone()
                assert found >= rows or table in ("numbers", "alias", "ingredient", "bake"), table


VALUES = st.none() | st.text() | st.integers(-(2**63), 2**63 - 1) | st.floats(allow_nan=False)


@given(VALUES)
def test_a_value_reads_back_to_the_same_bits(value):
    kind = {float: "FLOAT", int: "INTEGER"}.get(type(value), "VARCHAR")
    again = value_of(cell_of(value), kind, lambda _: b"")
    assert again == value
    assert type(again) is type(value)


@pytest.mark.parametrize(
    ("change", "said"),
    [
        ({"data/brief.csv": b"id\n1\n"}, "not as it was written"),
        ({"data/brief.csv": None}, "is missing"),
        ({"data/more.csv": b"id\n"}, "is not listed"),
        ({"../brief.csv": b"id\n"}, "leads elsewhere"),
        ({"/etc/brief.csv": b"id\n"}, "leads elsewhere"),
        ({"datapackage.json": b"{}"}, "no archive of a kitchen"),
    ],
)
def test_what_is_not_as_it_was_written_is_refused_and_leaves_nothing(archive, tmp_path, change, said):
    bad = changed(archive, tmp_path / "bad.zip", change)
    with pytest.raises(BadInputError, match=said):
        unpack(bad, tmp_path / "never.db")
    assert not (tmp_path / "never.db").exists()


def test_a_newer_archive_is_refused_with_who_wrote_it(archive, tmp_path):
    with zipfile.ZipFile(archive) as zipped:
        package = json.loads(zipped.read("datapackage.json"))
    package["fallow-sieve"] |= {"database": "9999", "application": "7.0"}
    newer = changed(archive, tmp_path / "newer.zip", {"datapackage.json": json.dumps(package).encode()})
    with pytest.raises(BadInputError, match=r"newer version.*7\.0"):
        unpack(newer, tmp_path / "never.db")


def test_a_bomb_is_refused(archive, tmp_path):
    bomb = changed(archive, tmp_path / "bomb.zip", {"photos/zero.bin": b"\0" * 30_000_000})
    with pytest.raises(BadInputError, match="too much room"):
        unpack(bomb, tmp_path / "never.db")


def test_nothing_is_written_over(archive, demo_db, tmp_path):
    with pytest.raises(BadInputError, match="there already"):
        write_archive(demo_db, archive)
    with pytest.raises(BadInputError, match="there already"):
        unpack(archive, demo_db)
    half = tmp_path / "half.zip"
    half.write_bytes(archive.read_bytes()[:-4000])
    with pytest.raises(BadInputError):
        unpack(half, tmp_path / "never.db")
    assert not (tmp_path / "never.db").exists()


@pytest.mark.parametrize("wait_s", [0.2 + 1.2 * n / rounds(3, 100) for n in range(rounds(3, 100))])
def test_a_restore_that_is_killed_leaves_the_kitchen_of_before(archive, demo_db, tmp_path, wait_s):
    kitchen = tmp_path / "mine.db"
    shutil.copy(demo_db, kitchen)
    before = digest_at(kitchen)
    command = [sys.executable, "-m", "fallow_sieve", "restore", str(archive), "--db", str(kitchen)]
    running = subprocess.Popen(command, stderr=subprocess.DEVNULL)
    time.sleep(wait_s)
    os.kill(running.pid, signal.SIGKILL)
    running.wait()
    assert digest_at(kitchen) == before  # the archive holds the same: whole either way
    with closing(sqlite3.connect(kitchen)) as connection:
        assert connection.execute("PRAGMA integrity_check").fetchone() == ("ok",)


@pytest.mark.parametrize("wait_s", [0.15 + 1.2 * n / rounds(3, 100) for n in range(rounds(3, 100))])
def test_an_archive_that_is_killed_is_whole_or_not_there(demo_db, tmp_path, wait_s):
    target = tmp_path / "kitchen.zip"
    command = [sys.executable, "-m", "fallow_sieve", "archive", str(target), "--db", str(demo_db)]
    running = subprocess.Popen(command, stderr=subprocess.DEVNULL)
    time.sleep(wait_s)
    os.kill(running.pid, signal.SIGKILL)
    running.wait()
    if target.exists():
        assert unpack(target, tmp_path / "again.db") == digest_at(demo_db)
    target.unlink(missing_ok=True)
    assert write_archive(demo_db, target).digest == digest_at(demo_db)  # a part left lying is in nobody's way

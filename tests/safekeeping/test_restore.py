"""A backup put back: whole or not at all, the kitchen of before kept, never while it is served."""

from __future__ import annotations

import os
import shutil
import signal
import sqlite3
import subprocess
import sys
from contextlib import closing
from datetime import datetime
from pathlib import Path

import pytest

from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.safekeeping import backup, restore
from fallow_sieve.store.blends import BLENDS
from fallow_sieve.store.kitchen_store import KitchenStore
from running import run, run_apart

NOW = datetime(2026, 3, 14, 9, 30)
BROKEN = "the copy is none"


def rename(path: Path, name: str) -> None:
    """Work done in a kitchen: its first blend gets another name."""
    with closing(KitchenStore(path)) as kitchen, kitchen.writing() as session:
        head = BLENDS.get(session, 1)
        BLENDS.save(session, 1, {"name": name}, head.version, "2026-03-14T09:30:00Z")


def name_of(path: Path) -> str:
    with closing(KitchenStore(path)) as kitchen, kitchen.reading() as session:
        return BLENDS.get(session, 1).name


def in_the_log_only(path: Path, name: str) -> None:
    """The same work, but the process dies before anything is brought from the log into the file."""
    code = (
        "import os, sys; from pathlib import Path; sys.path.insert(0, sys.argv[3]);"
        "from fallow_sieve.store.kitchen_store import KitchenStore; from fallow_sieve.store.blends import BLENDS;"
        "k = KitchenStore(Path(sys.argv[1])); w = k.writing(); s = w.__enter__();"
        "BLENDS.save(s, 1, {'name': sys.argv[2]}, BLENDS.get(s, 1).version, '2026-03-14T09:30:00Z');"
        "w.__exit__(None, None, None); os.kill(os.getpid(), 9)"
    )
    subprocess.run([sys.executable, "-c", code, str(path), name, str(Path(__file__).parents[2] / "src")], check=False)
    assert path.with_name(path.name + "-wal").stat().st_size > 0


@pytest.fixture
def kept(demo_db, tmp_path):
    """A backup of the demo kitchen, taken before more work was done in it."""
    copy = tmp_path / "copy.db"
    backup(demo_db, copy)
    rename(demo_db, "Later work")
    return copy


def alone(path: Path) -> bool:
    return not any(path.with_name(path.name + c).exists() for c in ("-wal", "-shm", "-journal", ".restoring"))


def test_a_backup_is_put_back_and_the_kitchen_of_before_is_kept_beside_it(demo_db, kept):
    before = name_of(kept)
    done = run("restore", kept, "--db", demo_db)
    assert done.returncode == 0, done.stderr
    (aside,) = demo_db.parent.glob("demo.before-*.db")
    assert aside.name.encode() in done.stderr
    assert alone(demo_db)
    assert (name_of(demo_db), name_of(aside)) == (before, "Later work")


def test_work_that_lies_in_the_log_of_a_killed_kitchen_does_not_come_over_what_is_put_back(demo_db, kept):
    in_the_log_only(demo_db, "Only in the log")
    found = restore(kept, demo_db, NOW)
    assert name_of(demo_db) not in ("Only in the log", "Later work")
    assert found.kept == demo_db.with_name("demo.before-2026-03-14-093000.db")
    assert name_of(found.kept) == "Only in the log"


def test_a_copy_of_file_and_log_is_taken_with_its_log(demo_db, tmp_path):
    in_the_log_only(demo_db, "Only in the log")
    folder = tmp_path / "copied by hand"
    folder.mkdir()
    for end in ("", "-wal"):
        shutil.copy(f"{demo_db}{end}", folder / f"kitchen ä ?#%.db{end}")
    restore(folder / "kitchen ä ?#%.db", tmp_path / "new.db", NOW)
    assert name_of(tmp_path / "new.db") == "Only in the log"


def test_a_log_without_its_kitchen_is_moved_out_of_the_way(demo_db, kept):
    in_the_log_only(demo_db, "Only in the log")
    demo_db.unlink()
    found = restore(kept, demo_db, NOW)
    assert alone(demo_db)
    assert found.kept is not None
    assert found.kept.with_name(found.kept.name + "-wal").exists()


def test_a_second_restore_in_the_same_second_keeps_both(demo_db, kept):
    first, second = restore(kept, demo_db, NOW), restore(kept, demo_db, NOW)
    assert first.kept != second.kept
    assert name_of(first.kept) == "Later work"


def bytes_flipped(path: Path) -> None:
    """An index whose entries no longer are those of its table: every page of the application still answers."""
    with closing(sqlite3.connect(path)) as connection:
        (page,) = connection.execute(
            "SELECT rootpage FROM sqlite_master WHERE type = 'index' AND tbl_name = 'numbers'"
        ).fetchone()
        (size,) = connection.execute("PRAGMA page_size").fetchone()
    data = bytearray(path.read_bytes())
    start = (page - 1) * size
    data[start + 8 : start + size] = bytes(b ^ 0x55 for b in data[start + 8 : start + size])
    path.write_bytes(data)


def of_another_program(path: Path) -> None:
    path.unlink()
    with closing(sqlite3.connect(path)) as connection:
        connection.execute("CREATE TABLE song (title TEXT)")


def newer(path: Path) -> None:
    with closing(sqlite3.connect(path)) as connection, connection:
        connection.execute("UPDATE alembic_version SET version_num = '9999'")


def loose(path: Path) -> None:
    with closing(sqlite3.connect(path)) as connection, connection:
        connection.execute("UPDATE draft SET blend_id = 4711 WHERE blend_id = 1")


@pytest.mark.parametrize(
    ("spoil", "says"),
    [
        (lambda p: p.write_text("dear diary " * 100), "not a database"),
        (lambda p: p.write_bytes(b""), "no kitchen"),
        (lambda p: p.write_bytes(p.read_bytes()[:20_000]), "cannot be put back"),
        (bytes_flipped, "cannot be put back"),
        (of_another_program, "no kitchen"),
        (newer, "another version"),
        (loose, "that is not there"),
        (lambda p: p.unlink(), "there is no file"),
    ],
    ids=["text", "empty", "cut off", "flipped", "another program", "newer", "loose rows", "missing"],
)
def test_what_is_no_whole_kitchen_is_refused_in_one_line_and_nothing_changes(demo_db, kept, spoil, says):
    spoil(kept)
    before = demo_db.read_bytes()
    done = run("restore", kept, "--db", demo_db)
    assert done.returncode == 2
    assert says in done.stderr.decode()
    assert done.stderr.count(b"\n") == 1
    assert demo_db.read_bytes() == before
    assert alone(demo_db)
    assert not list(demo_db.parent.glob("*.before-*"))


def test_the_kitchen_itself_is_not_put_in_its_own_place(demo_db):
    link = demo_db.with_name("link.db")
    link.symlink_to(demo_db)
    for name in (demo_db, link):
        with pytest.raises(BadInputError, match="is the kitchen itself"):
            restore(name, demo_db, NOW)


def test_a_kitchen_that_is_served_is_not_replaced(demo_db, kept):
    with closing(KitchenStore(demo_db)) as kitchen:
        with kitchen.reading() as session:
            assert BLENDS.get(session, 1).name == "Later work"
        done = run_apart("restore", kept, "--db", demo_db)
    assert done.returncode == 2
    assert b"is in use; stop the server" in done.stderr
    assert name_of(demo_db) == "Later work"


def test_a_damaged_kitchen_is_kept_as_it_is_and_the_backup_takes_its_place(demo_db, kept):
    demo_db.write_bytes(b"no database any more" * 200)
    found = restore(kept, demo_db, NOW)
    assert found.kept.read_bytes().startswith(b"no database any more")
    assert name_of(demo_db) != "Later work"


def test_a_restore_killed_at_any_step_leaves_the_old_kitchen_or_the_new_one_whole(demo_db, kept, tmp_path):
    """Killed before each call by which the disk changes: what is found then is the old state or the new, never a mix."""
    code = (
        "import os, sys; from datetime import datetime; from pathlib import Path; sys.path.insert(0, sys.argv[4]);"
        "from fallow_sieve.safekeeping import restore;"
        "left = [int(sys.argv[3])];\n"
        "def hook(event, args):\n"
        "    if event in ('os.rename', 'os.link', 'os.remove', 'open', 'sqlite3.connect', 'shutil.copymode'):\n"
        "        left[0] -= 1\n"
        "        if left[0] < 0: os.kill(os.getpid(), 9)\n"
        "sys.addaudithook(hook)\n"
        "restore(Path(sys.argv[1]), Path(sys.argv[2]), datetime(2026, 3, 14))\n"
    )
    new, seen = name_of(kept), set()
    for step in range(200):
        here = tmp_path / f"at {step}"
        here.mkdir()
        target = Path(shutil.copy(demo_db, here / "kitchen.db"))
        words = [sys.executable, "-c", code, str(kept), str(target), str(step), str(Path(__file__).parents[2] / "src")]
        done = subprocess.run(words, check=False, capture_output=True)
        assert done.returncode in (0, -signal.SIGKILL), done.stderr
        with closing(sqlite3.connect(target)) as connection:
            assert connection.execute("PRAGMA integrity_check").fetchone() == ("ok",)
        seen.add(name_of(target))
        assert name_of(target) in (new, "Later work")
        again = restore(kept, target, NOW)
        assert name_of(target) == new
        assert again.kept is not None
        if done.returncode == 0:
            break
    assert done.returncode == 0
    assert seen == {new, "Later work"}
    assert step > 8


@pytest.mark.skipif(os.geteuid() == 0 and not Path("/dev/full").exists(), reason="needs a disk that is full")
def test_a_backup_that_cannot_be_written_leaves_nothing_and_says_so(demo_db, tmp_path):
    for target in (tmp_path / "no" / "folder" / "copy.db", Path("/proc/copy.db")):
        done = run("backup", target, "--db", demo_db)
        assert done.returncode == 2
        assert done.stderr.count(b"\n") == 1
    assert not list(tmp_path.glob("*.part"))


def test_a_stale_part_of_a_killed_backup_is_no_hindrance(demo_db, tmp_path):
    (tmp_path / "copy.db.part").write_text("half of it")
    backup(demo_db, tmp_path / "copy.db")
    assert alone(tmp_path / "copy.db")
    assert not (tmp_path / "copy.db.part").exists()
    assert name_of(tmp_path / "copy.db") == name_of(demo_db)


def test_a_kitchen_that_is_not_whole_is_not_copied(demo_db, tmp_path):
    bytes_flipped(demo_db)
    done = run("backup", tmp_path / "copy.db", "--db", demo_db)
    assert done.returncode == 2
    assert b"cannot be copied" in done.stderr
    assert not (tmp_path / "copy.db").exists()

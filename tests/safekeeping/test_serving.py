"""How a kitchen lives and is closed: one whole file after every end, and a damaged one is not served."""

from __future__ import annotations

import random
import shutil
import signal
import threading
import time
import urllib.error
from contextlib import suppress
from datetime import datetime
from pathlib import Path

import pytest

from fallow_sieve.safekeeping import backup, damage_of, restore
from fuzzing import rounds
from running import run
from served import RealServer


def companions(db: Path) -> list[str]:
    return [p.name for p in db.parent.glob(db.name + "-*")]


def save_drafts(server: RealServer, done: list[float], stop: threading.Event) -> None:
    """One person types masses into blend 1 until told to stop; `done` are those that the kitchen said it kept."""
    while not stop.is_set():
        with suppress(urllib.error.URLError, ConnectionError, OSError):
            draft = server.ask("/blends/1/draft")
            grams = float(random.randint(1, 10**6))
            draft["content"]["parts"][0]["mass_g"] = grams
            etag = f'"{draft["version"]}"'
            body = {"content": draft["content"], "based_on": draft["based_on"]}
            server.ask("/blends/1/draft", body, "PUT", **{"If-Match": etag})
            done.append(grams)


@pytest.mark.parametrize("how", [signal.SIGINT, signal.SIGTERM], ids=["Ctrl+C", "SIGTERM"])
def test_a_server_that_is_stopped_leaves_one_whole_file(demo_db, tmp_path, how):
    server, done, stop = RealServer(demo_db), [], threading.Event()
    server.start()
    person = threading.Thread(target=save_drafts, args=(server, done, stop))
    person.start()
    while not done:
        time.sleep(0.02)
    assert server.stop(how) == 0
    stop.set()
    person.join()
    assert companions(demo_db) == []
    copy = Path(shutil.copy(demo_db, tmp_path / "by hand.db"))  # a copy of the file alone holds the last work
    again = RealServer(copy)
    again.start()
    try:
        assert again.ask("/blends/1/draft")["content"]["parts"][0]["mass_g"] == done[-1]
    finally:
        again.kill()


def test_a_damaged_kitchen_is_not_served_and_the_way_out_is_told(demo_db):
    data = bytearray(demo_db.read_bytes())
    data[4096 * 3 : 4096 * 6] = bytes(4096 * 3)
    demo_db.write_bytes(data)
    done = run("serve", "--db", demo_db)
    assert done.returncode == 2
    assert b"is damaged" in done.stderr
    assert f"fallow-sieve restore BACKUP --db {demo_db}".encode() in done.stderr
    assert demo_db.read_bytes() == data


def test_a_kitchen_killed_restored_and_killed_again_is_whole_every_time(demo_db, tmp_path):
    copy = tmp_path / "copy.db"
    backup(demo_db, copy)
    for n in range(rounds(2, 100)):
        server, done, stop = RealServer(demo_db), [], threading.Event()
        server.start()
        person = threading.Thread(target=save_drafts, args=(server, done, stop))
        person.start()
        time.sleep(random.uniform(0.05, 0.6))
        server.kill()
        stop.set()
        person.join()
        assert damage_of(demo_db) == ""
        if n % 2 == 0:
            found = restore(copy, demo_db, datetime(2026, 3, 14))
            assert damage_of(demo_db) == damage_of(found.kept) == ""
            assert companions(demo_db) == []


def test_a_kitchen_that_cannot_be_written_is_not_called_damaged(demo_db, monkeypatch):
    monkeypatch.setattr("fallow_sieve.safekeeping.files.os.access", lambda *_: False)
    assert damage_of(demo_db) == ""
    assert companions(demo_db) == []

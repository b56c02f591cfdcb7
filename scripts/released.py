"""Write `tests/store/released/NNNN.sql` of the newest version: the one before, filled, brought forward.

What the new version added stands empty in it: fill it in the file, as its user would have, and say what must be found
again in `tests/store/test_released.py`.
"""

from __future__ import annotations

import sqlite3
import tempfile
from contextlib import closing
from pathlib import Path

from fallow_sieve.store.database import migrate, newest_version, open_engine

RELEASED = Path(__file__).parents[1] / "tests" / "store" / "released"


def main() -> None:
    """Bring the newest released database forward, and write it as the next."""
    before = max(RELEASED.glob("*.sql"))
    made = RELEASED / f"{newest_version()}.sql"
    if made.exists():
        raise SystemExit(f"{made.name} is there already: a released database is never written anew")
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "kitchen.db"
        with closing(sqlite3.connect(path)) as database:
            database.executescript(before.read_text(encoding="utf-8"))
        engine = open_engine(path)
        migrate(engine)
        engine.dispose()
        with closing(sqlite3.connect(path)) as database:
            made.write_text("\n".join(database.iterdump()) + "\n", encoding="utf-8")
    print(f"{made} made from {before.name}: fill in what is new")


if __name__ == "__main__":
    main()

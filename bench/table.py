"""The one table of a whole `make bench`: work, this program, its anchor, ratio, aim. Rows are noted by each measurement."""

from __future__ import annotations

import json
import os
from pathlib import Path

from measuring import ROWS


def shown(seconds: float) -> str:
    """Return a time in the unit that reads best."""
    for size, unit in ((1.0, "s"), (1e-3, "ms"), (1e-6, "µs")):
        if seconds >= size:
            return f"{seconds / size:.3g} {unit}"
    return f"{seconds:.2g} s"


def main() -> None:
    """Print every row that was noted in this run."""
    path = Path(os.environ.get(ROWS, ""))
    rows = [json.loads(line) for line in path.read_text(encoding="utf-8").splitlines()] if path.is_file() else []
    print(f"\n{'work':<46}{'takes':>10}  {'beside':<34}{'ratio':>8}  aim")
    for work, took, anchor, beside, aim in rows:
        ratio = f"{took / beside:.3g}" if beside else ""
        said = f"{anchor}, {shown(beside)}" if beside else anchor
        print(f"{work:<46}{shown(took):>10}  {said:<34}{ratio:>8}  {aim}")
    path.unlink(missing_ok=True)


if __name__ == "__main__":
    main()

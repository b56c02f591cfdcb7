"""How long commands take to start, CPU seconds, as a ratio to loading Flask, SQLModel and NumPy alone in the same run."""

from __future__ import annotations

import resource
import subprocess
import sys
import tempfile
from pathlib import Path
from statistics import median

from measuring import noted

TIMES = 7
BLEND = '{"format": "fallow-sieve/blend", "version": 1, "parts": [{"ingredient": "teff-flour", "mass_g": 100}]}'
SERVED = "from pathlib import Path; from fallow_sieve.api.app import create_app; create_app(Path({!r}))"


def seconds(command: list[str]) -> float:
    """Return the CPU time of a command, user and system together, s."""
    before = resource.getrusage(resource.RUSAGE_CHILDREN)
    subprocess.run(command, check=False, capture_output=True)
    after = resource.getrusage(resource.RUSAGE_CHILDREN)
    return after.ru_utime + after.ru_stime - before.ru_utime - before.ru_stime


def main() -> None:
    """Print the median of each command and its ratio, taken in turn."""
    python, tool = sys.executable, [sys.executable, "-m", "fallow_sieve"]
    with tempfile.TemporaryDirectory() as folder:
        db, blend = f"{folder}/kitchen.db", Path(folder, "blend.json")
        blend.write_text(BLEND, encoding="utf-8")
        subprocess.run([*tool, "init", "--db", db], check=True, capture_output=True)
        commands = {
            "flask, sqlmodel, numpy": [python, "-c", "import flask, sqlmodel, numpy"],
            "--help": [*tool, "--help"],
            "backup": [
                "bash",
                "-c",
                f"rm -f {folder}/copy.db; exec {python} -m fallow_sieve backup {folder}/copy.db --db {db}",
            ],
            "init, there already": [*tool, "init", "--db", db],
            "analyse FILE": [*tool, "analyse", str(blend)],
            "serve, until it listens": [python, "-c", SERVED.format(db)],
        }
        rounds = [{name: seconds(c) for name, c in commands.items()} for _ in range(TIMES)]
    base = median(r["flask, sqlmodel, numpy"] for r in rounds)
    print(f"CPU time to start, median of {TIMES}")
    for name in commands:
        took = median(r[name] for r in rounds)
        if took != base:
            noted(f"start: {name}", took, "bare imports", base)
        print(f"  {name:<24} {took:.2f} s, ratio {took / base:.2f}")


if __name__ == "__main__":
    main()

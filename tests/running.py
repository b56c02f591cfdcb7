"""Runs the command line: in this process, which is quick, or in one of its own, as a person's shell does."""

from __future__ import annotations

import io
import subprocess
import sys
from contextlib import redirect_stderr, redirect_stdout
from dataclasses import dataclass
from pathlib import Path
from unittest.mock import patch

from fallow_sieve.cli import main


@dataclass(frozen=True)
class Done:
    """How a command ended, and what it wrote."""

    returncode: int
    stdout: bytes
    stderr: bytes


def run(*words: str | Path, stdin: bytes = b"") -> Done:
    """Run the command in this process."""
    out, err = io.BytesIO(), io.BytesIO()
    code = 0
    given = io.TextIOWrapper(io.BytesIO(stdin), encoding="utf-8")
    with (
        patch.object(sys, "argv", ["fallow-sieve", *map(str, words)]),
        patch.object(sys, "stdin", given),
        redirect_stdout(io.TextIOWrapper(out, encoding="utf-8", write_through=True)) as written,
        redirect_stderr(io.TextIOWrapper(err, encoding="utf-8", write_through=True)) as said,
    ):
        try:
            main()
        except SystemExit as end:
            code = int(end.code or 0)
        written.flush()
        said.flush()
        return Done(code, out.getvalue(), err.getvalue())


def run_apart(*words: str | Path, stdin: bytes = b"") -> Done:
    """Run the command in a process of its own."""
    command = [sys.executable, "-m", "fallow_sieve", *map(str, words)]
    done = subprocess.run(command, input=stdin, capture_output=True, timeout=60, check=False)
    return Done(done.returncode, done.stdout, done.stderr)

"""The commands of bakes: `trial` and `faults`."""

from __future__ import annotations

from pathlib import Path
from typing import Annotated

import typer

from fallow_sieve.cli.app import DbOption, JsonOption, app


@app.command()
def trial(
    trial: Annotated[str, typer.Argument(metavar="TRIAL.json", help="A trial file, or - for standard input.")],
    against: Annotated[Path | None, typer.Option("--against", help="A trial file to compare it with.")] = None,
    json: JsonOption = False,
    db: DbOption = None,
) -> None:
    """Say how a bake went, what may be behind its faults, and what to try. Exit 1 when a measure or mark holds it."""
    from fallow_sieve.cli.trials import trial as run

    run(trial, against, json, db)


@app.command()
def faults(
    case: Annotated[str, typer.Argument(metavar="CASE.json", help="A fault and what is known, or -.")],
    json: JsonOption = False,
) -> None:
    """Rank the causes of a fault by what is known of a bake."""
    from fallow_sieve.cli.trials import faults as run

    run(case, json)

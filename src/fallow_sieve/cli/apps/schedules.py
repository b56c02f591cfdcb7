"""The commands of doughs in time: `ripen`, `rise`, `starter`, `schedule`."""

from __future__ import annotations

from pathlib import Path
from typing import Annotated

import typer

from fallow_sieve.cli.app import DbOption, JsonOption, app


@app.command()
def ripen(
    dough: Annotated[str, typer.Argument(metavar="DOUGH.json", help="A dough file, or - for standard input.")],
    json: JsonOption = False,
) -> None:
    """Say when a dough is ripe on its way through places."""
    from fallow_sieve.cli.schedules import ripen as run

    run(dough, json)


@app.command()
def rise(
    readings: Annotated[str, typer.Argument(metavar="READINGS.json", help="A dough with its readings, or -.")],
    json: JsonOption = False,
) -> None:
    """Say what readings of a rise tell of when it is ripe."""
    from fallow_sieve.cli.schedules import rise as run

    run(readings, json)


@app.command()
def starter(
    build: Annotated[str, typer.Argument(metavar="BUILD.json", help="A leaven to build, or - for standard input.")],
    json: JsonOption = False,
) -> None:
    """Count a leaven back to grams from the jar, build by build."""
    from fallow_sieve.cli.schedules import starter as run

    run(build, json)


@app.command()
def schedule(
    plan: Annotated[str, typer.Argument(metavar="PLAN.json", help="A schedule file, or - for standard input.")],
    json: JsonOption = False,
    db: DbOption = None,
    ics: Annotated[Path | None, typer.Option("--ics", help="Write the plan as an iCalendar file too.")] = None,
    seconds: Annotated[
        float, typer.Option("--seconds", min=0.1, max=3600, help="How long to search, before a gap is said.")
    ] = 10.0,
) -> None:
    """Find when to do what, so that everything is ready in time. Exit 1 when it cannot be, and what would."""
    from fallow_sieve.cli.schedules import schedule as run

    run(plan, json, db, seconds, ics)

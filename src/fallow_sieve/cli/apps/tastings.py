"""The command of tables: `tasting`."""

from __future__ import annotations

from typing import Annotated

import typer

from fallow_sieve.cli.app import JsonOption, app


@app.command()
def tasting(
    answers: Annotated[str, typer.Argument(metavar="ANSWERS.csv", help="Answers as a table, or - for standard input.")],
    method: Annotated[
        str, typer.Option("--method", help="liking, ranking, paired, 2-afc, triangle, tetrad or words.")
    ] = "liking",
    worth: Annotated[float, typer.Option("--worth", min=0.1, max=8, help="The difference worth having, points.")] = 1.0,
    margin: Annotated[
        float | None, typer.Option("--margin", min=0.1, max=8, help="How much worse the new one may be, points.")
    ] = None,
    new: Annotated[str, typer.Option("--new", help="With --margin: which sample is the new one.")] = "",
    json: JsonOption = False,
) -> None:
    """Say who liked what, and how surely."""
    from fallow_sieve.cli.tastings import tasting as run
    from fallow_sieve.services.tastings.telling import Asking

    run(answers, method, Asking(worth, margin, new), json)

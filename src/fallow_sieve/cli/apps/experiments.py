"""The command of experiments: `experiment`."""

from __future__ import annotations

from typing import Annotated

import typer

from fallow_sieve.cli.app import JsonOption, app


@app.command()
def experiment(
    experiment: Annotated[str, typer.Argument(metavar="EXPERIMENT.json", help="An experiment file, or -.")],
    json: JsonOption = False,
) -> None:
    """Plan few bakes of two to four parts, map what they tell, and say whether to go on."""
    from fallow_sieve.cli.experiments import experiment as run

    run(experiment, json)

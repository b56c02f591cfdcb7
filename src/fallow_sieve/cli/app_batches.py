"""The commands of batches: `label`, `batch-code`."""

from __future__ import annotations

from typing import Annotated

import typer

from fallow_sieve.cli.app import DbOption, JsonOption, app


@app.command("batch-code")
def batch_code(
    code: Annotated[str, typer.Argument(metavar="CODE", help="A code as it was read or typed.")],
    json: JsonOption = False,
) -> None:
    """Say how a batch's code is meant, and whether its check character holds."""
    from fallow_sieve.cli.batches import batch_code as run

    run(code, json)


@app.command()
def label(
    file: Annotated[str, typer.Argument(metavar="BLEND.json", help="A blend file, or - for standard input.")],
    scheme: Annotated[str, typer.Option("--scheme", help="eu, us, ca, anz, jp or codex.")] = "eu",
    bag_g: Annotated[float | None, typer.Option("--bag", min=1, max=10_000, help="Net mass of a bag, g.")] = None,
    json: JsonOption = False,
    db: DbOption = None,
) -> None:
    """Draft the label of a mix: what stands on it, and what holds a line back."""
    from fallow_sieve.cli.batches import label as run

    run(file, scheme, bag_g, json, db)

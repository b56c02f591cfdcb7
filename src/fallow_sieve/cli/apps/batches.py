"""The commands of batches: `label`, `batch`, `batch-code`, `trace`."""

from __future__ import annotations

from pathlib import Path
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
def batch(
    code: Annotated[str, typer.Argument(metavar="CODE", help="The code of a batch.")],
    db: DbOption = None,
) -> None:
    """Print a batch as a file: what was weighed from which lots, its steps and bags."""
    from fallow_sieve.cli.batches import batch as run

    run(code, db)


@app.command()
def label(
    file: Annotated[
        str, typer.Argument(metavar="BLEND.json|BATCH.json|CODE", help="A file, - for standard input, or a code.")
    ],
    scheme: Annotated[str, typer.Option("--scheme", help="eu, us, ca, anz, jp or codex.")] = "eu",
    bag_g: Annotated[float | None, typer.Option("--bag", min=1, max=10_000, help="Net mass of a bag, g.")] = None,
    size: Annotated[str, typer.Option("--size", help="Size of the label, such as bag-100x150.")] = "",
    pdf: Annotated[Path | None, typer.Option("--pdf", help="Write the labels of all bags to this file.")] = None,
    json: JsonOption = False,
    db: DbOption = None,
) -> None:
    """Draft the label of a mix: what stands on it, and what holds a line back."""
    from fallow_sieve.cli.batches import LabelOptions
    from fallow_sieve.cli.batches import label as run

    run(file, LabelOptions(scheme, bag_g, size, pdf), json, db)


@app.command()
def trace(
    of: Annotated[str, typer.Argument(metavar="LOT|CODE", help="The code of a lot or of a batch.")],
    json: JsonOption = False,
    db: DbOption = None,
) -> None:
    """Follow a lot or a batch, both ways, and say whether every gram is found."""
    from fallow_sieve.cli.batches import trace as run

    run(of, json, db)

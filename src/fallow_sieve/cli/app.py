"""The commands and their options. What a command does is loaded when it runs, so that `--help` answers at once."""

from __future__ import annotations

import gc
import sys
from pathlib import Path
from typing import Annotated

import typer

from fallow_sieve.core.values import FallowSieveError

BAD_INPUT = 2
DEFAULT_DB = Path("fallow-sieve.db")
app = typer.Typer(
    name="fallow-sieve",
    no_args_is_help=True,
    add_completion=False,
    pretty_exceptions_enable=False,
    rich_markup_mode=None,
    help="Design gluten-free flour blends and see what holds them back.",
)

DbOption = Annotated[Path | None, typer.Option("--db", help="A kitchen's database; without it, the bundled tables.")]
JsonOption = Annotated[bool, typer.Option("--json", help="Print one JSON document.")]
CupOption = Annotated[
    str | None, typer.Option("--cup", help="Whose cup: us, metric or imperial; else the kitchen's, or us.")
]
BlendArgument = Annotated[str, typer.Argument(metavar="BLEND.json", help="A blend file, or - for standard input.")]
FormulaArgument = Annotated[
    str, typer.Argument(metavar="FORMULA.json", help="A formula file, or - for standard input.")
]
MixUse = Annotated[str | None, typer.Option("--use", help="What the mix is for; wins over the file's use.")]


@app.command()
def analyse(
    blend: BlendArgument, use: MixUse = None, json: JsonOption = False, db: DbOption = None, cup: CupOption = None
) -> None:
    """Say what a blend is and how it fits its use. Exit 1 when a sieve holds it."""
    from fallow_sieve.cli.blends import analyse as run

    run(blend, use, json, db, cup)


@app.command()
def propose(
    brief: Annotated[str, typer.Argument(metavar="BRIEF.json", help="A brief file, or - for standard input.")],
    json: JsonOption = False,
    db: DbOption = None,
    cup: CupOption = None,
    library: Annotated[
        bool, typer.Option("--library", help="With --db: choose from every flour, not the bins.")
    ] = False,
    seconds: Annotated[
        float,
        typer.Option("--seconds", min=0.1, max=3600, help="How long to search for each aim, before a gap is said."),
    ] = 5.0,
) -> None:
    """Find blends for a brief. Exit 1 when there are none: its wishes clash, or the time was up."""
    from fallow_sieve.cli.proposals import propose as run

    run(brief, json, db, cup, library, seconds)


@app.command()
def mend(
    blend: BlendArgument,
    use: MixUse = None,
    touch: Annotated[int, typer.Option("--touch", min=1, max=6, help="Parts that may be changed at most.")] = 3,
    json: JsonOption = False,
    db: DbOption = None,
    cup: CupOption = None,
) -> None:
    """Find the smallest changes with which a blend passes. Exit 1 when none so small does."""
    from fallow_sieve.cli.proposals import mend as run

    run(blend, use, touch, json, db, cup)


@app.command()
def compare(
    slugs: Annotated[list[str], typer.Argument(metavar="SLUG SLUG …", help="Ingredients to compare.")],
    basis: Annotated[
        str, typer.Option("--basis", help="100g, quarter-cup, cup, tablespoon, or a mass such as 30g.")
    ] = "100g",
    cup: CupOption = None,
    json: JsonOption = False,
    db: DbOption = None,
) -> None:
    """Put flours side by side on one basis."""
    from fallow_sieve.cli.blends import compare as run

    run(slugs, basis, cup, json, db)


@app.command()
def formula(
    formula: FormulaArgument,
    use: Annotated[str | None, typer.Option("--use", help="What it is for; wins over the file's use.")] = None,
    json: JsonOption = False,
    db: DbOption = None,
    cup: CupOption = None,
) -> None:
    """Say what a formula is: totals, water, binder, checks, and the bake. Exit 1 when something holds it."""
    from fallow_sieve.cli.formulas import judge as run

    run(formula, use, json, db, cup)


@app.command()
def read(
    recipe: Annotated[str, typer.Argument(metavar="RECIPE.txt", help="A recipe as text, or - for standard input.")],
    json: JsonOption = False,
    db: DbOption = None,
    cup: CupOption = None,
) -> None:
    """Read a recipe line by line. Exit 1 where a line stays open or a check speaks."""
    from fallow_sieve.cli.formulas import read as run

    run(recipe, json, db, cup)


@app.command()
def convert(
    recipe: Annotated[str, typer.Argument(metavar="RECIPE.txt", help="A recipe as text, or - for standard input.")],
    blend: Annotated[str, typer.Option("--blend", help="The blend file that takes the wheat flour's place.")],
    use: Annotated[str | None, typer.Option("--use", help="What it is for; wins over the blend file's use.")] = None,
    school: Annotated[str | None, typer.Option("--school", help="by-moisture, gum, psyllium, gels or none.")] = None,
    off: Annotated[list[str] | None, typer.Option("--off", help="A change to leave out; may be given again.")] = None,
    json: JsonOption = False,
    db: DbOption = None,
    cup: CupOption = None,
) -> None:
    """Make a wheat recipe over for a blend: every change with its reason and its size."""
    from fallow_sieve.cli.formulas import convert as run

    run(recipe, blend, use, school, off or [], json, db, cup)


@app.command()
def scale(
    formula: FormulaArgument,
    pieces: Annotated[str | None, typer.Option("--pieces", help="Pieces of dough, such as 12x80g.")] = None,
    tin: Annotated[str | None, typer.Option("--tin", help="A tin, such as 20x10x9cm, 8x4x3in or round 20x8cm.")] = None,
    flour: Annotated[str | None, typer.Option("--flour", help="The flour base, such as 500g.")] = None,
    total: Annotated[str | None, typer.Option("--total", help="The dough in all, such as 900g.")] = None,
    tins: Annotated[int, typer.Option("--tins", min=1, max=200, help="How many such tins.")] = 1,
    fill: Annotated[float | None, typer.Option("--fill", help="How full, as a share of the tin.")] = None,
    loss: Annotated[float, typer.Option("--loss", help="What stays in bowl and on hands, %.")] = 2.0,
    baked: Annotated[bool, typer.Option("--baked", help="The pieces are weighed baked: add the bake loss.")] = False,
    step: Annotated[str, typer.Option("--step", help="The scale's step, such as 1g or 0.1g.")] = "1g",
    json: JsonOption = False,
    db: DbOption = None,
    cup: CupOption = None,
) -> None:
    """Scale a formula to pieces, a tin, flour or a total; round it to the scale; say what to do about eggs."""
    from fallow_sieve.cli.scaling import Ways
    from fallow_sieve.cli.scaling import scale as run

    run(formula, Ways(pieces, tin, flour, total), tins, fill, loss, baked, step, json, db, cup)


@app.command()
def temperature(
    temperature: Annotated[str, typer.Argument(metavar="350F|180C|gas4|160C-fan", help="An oven temperature.")],
    json: JsonOption = False,
) -> None:
    """Say an oven temperature in °C, °F, with a fan, and as a gas mark."""
    from fallow_sieve.cli.formulas import temperature as run

    run(temperature, json)


@app.command()
def init(db: Annotated[Path, typer.Option("--db", help="Where to make the database.")] = DEFAULT_DB) -> None:
    """Make a kitchen's database with the bundled library, or bring an older one up to date."""
    from fallow_sieve.cli.kitchens import init as run

    run(db)


@app.command()
def demo(
    db: Annotated[Path, typer.Option("--db", help="Where to make the demo kitchen.")] = Path("demo.db"),
    fresh: Annotated[bool, typer.Option("--fresh", help="Begin anew where there is one already.")] = False,
) -> None:
    """Make the demo kitchen, Tarn Line Provisions, unless it is there already."""
    from fallow_sieve.cli.kitchens import demo as run

    run(db, fresh)


@app.command()
def serve(
    db: Annotated[Path, typer.Option("--db", help="The kitchen's database; made where there is none.")] = DEFAULT_DB,
    host: Annotated[
        str, typer.Option(help="Address to listen on; only this machine unless told otherwise.")
    ] = "127.0.0.1",
    port: Annotated[int, typer.Option(min=1, max=65535)] = 8765,
    with_demo: Annotated[bool, typer.Option("--demo", help="Fill the kitchen with the demo first, if empty.")] = False,
) -> None:
    """Serve the application in the browser."""
    from fallow_sieve.cli.kitchens import serve as run

    run(db, host, port, with_demo)


@app.command("open-bag")
def open_bag(
    bag: Annotated[str, typer.Argument(metavar="BAG.json", help="A bag's label as a file, or - for standard input.")],
    json: JsonOption = False,
    db: DbOption = None,
) -> None:
    """Work out what is in a bought mix from its list and panel."""
    from fallow_sieve.cli.blends import open_bag as run

    run(bag, json, db)


@app.command()
def backup(
    to: Annotated[Path, typer.Argument(help="The new file.")],
    db: Annotated[Path, typer.Option("--db", help="The kitchen's database.")] = DEFAULT_DB,
) -> None:
    """Copy a kitchen's database, also while it is in use."""
    from fallow_sieve.safekeeping import backup as copy

    copy(db, to)
    typer.echo(f"{to} holds a copy of {db}.", err=True)


@app.command()
def archive(
    to: Annotated[Path, typer.Argument(help="The new file, such as kitchen.zip.")],
    db: Annotated[Path, typer.Option("--db", help="The kitchen's database.")] = DEFAULT_DB,
    photos: Annotated[bool, typer.Option(help="With the pictures of trials.")] = True,
) -> None:
    """Write the whole kitchen into one ZIP of open files, also while it is in use."""
    from fallow_sieve.cli.archives import archive as run

    run(to, db, photos)


@app.command()
def restore(
    backup: Annotated[Path, typer.Argument(help="The copy to put back.")],
    db: Annotated[Path, typer.Option("--db", help="The kitchen's database; it must not be served.")] = DEFAULT_DB,
) -> None:
    """Put a copy or an archive of a kitchen back in its place; the one of before is kept beside it."""
    from fallow_sieve.cli.archives import restored

    done = restored(backup, db)
    kept = f" What stood there before is in {done.kept.name}." if done.kept else ""
    typer.echo(f"{db} is as {backup} was.{kept}", err=True)


def main() -> None:
    """Run the command line; a known error is one message on standard error and exit code 2."""
    gc.set_threshold(50_000, 50, 50)  # what is loaded at a start all stays: looking for garbage in it takes time
    try:
        app()
    except FallowSieveError as error:
        typer.echo(f"fallow-sieve: {error}", err=True)
        sys.exit(BAD_INPUT)

"""The command line: the same core without a screen. Exit 0 done, 1 the answer is no, 2 bad input."""

from __future__ import annotations

import os
import sys
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import contextmanager
from dataclasses import replace
from datetime import UTC, datetime
from pathlib import Path
from time import monotonic
from typing import Annotated

import typer

from fallow_sieve.cli_formulas import register_formulas
from fallow_sieve.cli_kitchen import CupOption, DbOption, JsonOption, kitchen_at, read_file, use_named
from fallow_sieve.core.blends.analysis import analyse
from fallow_sieve.core.blends.fit import fit_to
from fallow_sieve.core.blends.judgement import Judgement, judge
from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.ingredients.side_by_side import OnBasis, compare
from fallow_sieve.core.numerics.solver import Effort
from fallow_sieve.core.optimise.mending import mend
from fallow_sieve.core.optimise.posing import in_bins, problem_of
from fallow_sieve.core.optimise.searching import search
from fallow_sieve.core.optimise.wishes import Wishes
from fallow_sieve.core.values.bands import Status
from fallow_sieve.core.values.errors import BadInputError, FallowSieveError, shown
from fallow_sieve.core.values.quantities import Basis, parse_basis
from fallow_sieve.formats.blend_file import read_blend
from fallow_sieve.formats.brief_file import read_brief
from fallow_sieve.formats.documents import analysis_document, comparison_document
from fallow_sieve.formats.proposal_documents import MendOut, ProposalsOut, mend_document, proposals_document
from fallow_sieve.reference.uses import rules

HELD, BAD_INPUT = 1, 2
DEFAULT_DB = Path("fallow-sieve.db")
app = typer.Typer(
    name="fallow-sieve",
    no_args_is_help=True,
    add_completion=False,
    pretty_exceptions_enable=False,
    rich_markup_mode=None,
    help="Design gluten-free flour blends and see what holds them back.",
)


@app.command("analyse")
def analyse_command(
    blend: Annotated[str, typer.Argument(metavar="BLEND.json", help="A blend file, or - for standard input.")],
    use: Annotated[str | None, typer.Option("--use", help="What the mix is for; wins over the file's use.")] = None,
    json: JsonOption = False,
    db: DbOption = None,
    cup: CupOption = None,
) -> None:
    """Say what a blend is and how it fits its use. Exit 1 when a sieve holds it."""
    document = read_blend(read_file(blend))
    shelf, setting = kitchen_at(db, cup)
    chosen = use_named(use, document.blend.use)
    judgement = judge(document.blend, shelf.with_ingredients(document.ingredients), chosen, rules(), setting)
    typer.echo(analysis_document(judgement).model_dump_json(indent=1) if json else _told(judgement))
    if judgement.is_held:
        raise typer.Exit(HELD)


SecondsOption = Annotated[
    float, typer.Option("--seconds", min=0.1, max=3600, help="How long to search for each aim, before a gap is said.")
]


@app.command("propose")
def propose_command(
    brief: Annotated[str, typer.Argument(metavar="BRIEF.json", help="A brief file, or - for standard input.")],
    json: JsonOption = False,
    db: DbOption = None,
    cup: CupOption = None,
    library: Annotated[bool, typer.Option("--library", help="With --db: choose from every flour, not the bins.")] = (
        False
    ),
    seconds: SecondsOption = 5.0,
) -> None:
    """Find blends for a brief. Exit 1 when there are none: its wishes clash, or the time was up."""
    document = read_brief(read_file(brief, "a brief file"))
    shelf, setting = kitchen_at(db, cup)
    shelf = shelf.with_ingredients(document.ingredients)
    wishes = document.wishes
    if db is not None and not library and wishes.candidates is None:
        wishes = replace(wishes, candidates=in_bins(shelf))
    problem = problem_of(wishes, shelf, setting.cup)
    with ThreadPoolExecutor(2) as pool, _nothing_else_on_stdout():
        effort = _effort(seconds * len(wishes.aims), pool)
        found = proposals_document(problem, shelf, search(problem, shelf, effort))
    typer.echo(found.model_dump_json(indent=1) if json else _proposed(found))
    if not found.proposals:
        raise typer.Exit(HELD)


@app.command("mend")
def mend_command(
    blend: Annotated[str, typer.Argument(metavar="BLEND.json", help="A blend file, or - for standard input.")],
    use: Annotated[str | None, typer.Option("--use", help="What the mix is for; wins over the file's use.")] = None,
    touch: Annotated[int, typer.Option("--touch", min=1, max=6, help="Parts that may be changed at most.")] = 3,
    json: JsonOption = False,
    db: DbOption = None,
    cup: CupOption = None,
) -> None:
    """Find the smallest changes with which a blend passes. Exit 1 when none so small does."""
    document = read_blend(read_file(blend))
    shelf, setting = kitchen_at(db, cup)
    shelf = shelf.with_ingredients(document.ingredients)
    chosen = use_named(use, document.blend.use)
    if chosen is None:
        raise BadInputError("no use is named", place="--use", right="say what the mix is for")
    analysis = analyse(document.blend, shelf, setting.cup)
    wishes = Wishes(chosen, candidates=in_bins(shelf) if db is not None else None)
    fit = fit_to(chosen, analysis)
    is_fine = all(b.status in (Status.PASS, Status.UNKNOWN) for b in fit.bands)
    with _nothing_else_on_stdout():
        found = mend(document.blend, analysis, wishes, shelf, touch, _effort(seconds=30.0), setting.cup)
    answer = mend_document(found, is_fine=is_fine)
    typer.echo(answer.model_dump_json(indent=1) if json else _mended(answer))
    if answer.status == "beyond":
        raise typer.Exit(HELD)


@contextmanager
def _nothing_else_on_stdout() -> Iterator[None]:
    """Send what the solver's own code may print to standard error: standard output is for the document alone."""
    sys.stdout.flush()
    kept = os.dup(1)
    os.dup2(2, 1)
    try:
        yield
    finally:
        os.dup2(kept, 1)
        os.close(kept)


def _effort(seconds: float, pool: ThreadPoolExecutor | None = None) -> Effort:
    end = monotonic() + seconds
    return Effort(lambda: end - monotonic(), map=pool.map if pool else map)


@app.command("compare")
def compare_command(
    slugs: Annotated[list[str], typer.Argument(metavar="SLUG SLUG …", help="Ingredients to compare.")],
    basis: Annotated[
        str, typer.Option("--basis", help="100g, quarter-cup, cup, tablespoon, or a mass such as 30g.")
    ] = "100g",
    cup: CupOption = None,
    json: JsonOption = False,
    db: DbOption = None,
) -> None:
    """Put flours side by side on one basis."""
    twice = next((s for s in slugs if slugs.count(s) > 1), None)
    if twice:
        raise BadInputError(f"{shown(twice)} stands twice", right="name each ingredient once")
    shelf, setting = kitchen_at(db, cup)
    amount = parse_basis(basis, setting.cup)
    compared = compare(slugs, shelf, amount)
    typer.echo(
        comparison_document(amount, compared).model_dump_json(indent=1) if json else _side_by_side(amount, compared)
    )


register_formulas(app)


@app.command()
def init(db: Annotated[Path, typer.Option("--db", help="Where to make the database.")] = DEFAULT_DB) -> None:
    """Make a kitchen's database with the bundled library, or bring an older one up to date."""
    from fallow_sieve.store.kitchen_store import KitchenStore

    KitchenStore(_writable(db)).close()
    typer.echo(f"{db} is ready.", err=True)


@app.command()
def demo(
    db: Annotated[Path, typer.Option("--db", help="Where to make the demo kitchen.")] = Path("demo.db"),
    fresh: Annotated[bool, typer.Option("--fresh", help="Begin anew where there is one already.")] = False,
) -> None:
    """Make the demo kitchen, Tarn Line Provisions, unless it is there already."""
    from fallow_sieve.demo.kitchen import fill
    from fallow_sieve.store.kitchen_store import KitchenStore

    if fresh:
        for suffix in ("", "-wal", "-shm"):
            db.with_name(db.name + suffix).unlink(missing_ok=True)
    kitchen = KitchenStore(_writable(db))
    made = fill(kitchen, datetime.now(UTC))
    kitchen.close()
    typer.echo(f"The demo kitchen is {'made' if made else 'there already'}: {db}", err=True)


@app.command()
def serve(
    db: Annotated[Path, typer.Option("--db", help="The kitchen's database; made where there is none.")] = DEFAULT_DB,
    host: Annotated[str, typer.Option(help="Address to listen on; only this machine unless told otherwise.")] = (
        "127.0.0.1"
    ),
    port: Annotated[int, typer.Option(min=1, max=65535)] = 8765,
    with_demo: Annotated[bool, typer.Option("--demo", help="Fill the kitchen with the demo first, if empty.")] = False,
) -> None:
    """Serve the application in the browser."""
    from waitress import create_server

    from fallow_sieve.api.app import create_app
    from fallow_sieve.demo.kitchen import fill

    application = create_app(_writable(db), only_this_machine=host in ("127.0.0.1", "localhost", "::1"))
    if with_demo:
        fill(application.extensions["kitchen"], datetime.now(UTC))
    try:
        server = create_server(application, host=host, port=port, threads=8)
    except OSError as error:
        raise BadInputError(
            f"cannot listen on {host}:{port}: {error.strerror}", right="choose another --port"
        ) from error
    typer.echo(f"Fallow Sieve is at http://{host}:{port}/ (stop with Ctrl+C)", err=True)
    server.run()


@app.command()
def backup(
    to: Annotated[Path, typer.Argument(help="The new file.")],
    db: Annotated[Path, typer.Option("--db", help="The kitchen's database.")] = DEFAULT_DB,
) -> None:
    """Copy a kitchen's database, also while it is in use."""
    from fallow_sieve.store.database import backup as copy

    copy(db, to)
    typer.echo(f"{to} holds a copy of {db}.", err=True)


def _writable(db: Path) -> Path:
    if not db.absolute().parent.is_dir():
        raise BadInputError(f"there is no folder {str(db.absolute().parent)!r}", right="make it first, or name another")
    return db


_MARKS = {"pass": "passes", "close": "close", "held": "HELD", "unknown": "unknown"}


def _told(judgement: Judgement) -> str:
    lines = [judgement.say, judgement.say_more, ""]
    for s in judgement.sieves:
        metric = METRICS[s.band.metric]
        value = "unknown" if s.estimate.typical is None else f"{s.estimate.typical:.{metric.decimals}f}"
        off = f" ({s.distance:+.{max(1, metric.decimals)}f})" if s.distance else ""
        lines.append(f"{metric.label:<14}{value:>9} {metric.unit:<14}{_MARKS[s.status]}{off}")
    lines += ["", f"Binder: {judgement.binder.say}"]
    lines += [f"- {c.say}" for c in judgement.cautions]
    return "\n".join(lines)


def _proposed(found: ProposalsOut) -> str:
    lines = [c.say for c in found.conflicts]
    for p in found.proposals:
        mix = ", ".join(f"{x.share_pct:g} % {x.ingredient}" for x in p.parts)
        lines += [f"{p.aim} ({p.value:.3g} {p.unit}, fit {p.fit:.1f}, passes with {p.bags.passes_pct:.0f} of 100 bags)"]
        lines += [f"  {mix}" + (f"  gap {p.gap:.2%}" if p.gap > 1e-6 else "")]
    lines += [f"{x.aim}: none, {x.why}" for x in found.skipped]
    return "\n".join([*lines, *(f"- {n}" for n in found.notes)])


def _mended(found: MendOut) -> str:
    if found.status == "fine":
        return "It passes as it is."
    if not found.options:
        return f"No change of so few parts mends it: {', '.join(found.beyond) or 'see propose'}."
    lines = []
    for m in found.options:
        changes = ", ".join(f"{c.ingredient} {c.from_pct:.1f} → {c.to_pct:.1f} %" for c in m.changes)
        end = "passes" if m.passes else "nothing holds it"
        lines.append(f"{m.touched} touched, {m.moved_pct:.1f} % moved, {end} (fit {m.fit:.0f}): {changes}")
    return "\n".join(lines)


def _side_by_side(basis: Basis, compared: tuple[OnBasis, ...]) -> str:
    lines = [f"per {basis.kind} (cup {basis.cup_ml:.1f} mL)"]
    for c in compared:
        mass = "mass unknown" if c.mass_g is None else f"{c.mass_g:.1f} g ({c.mass_low_g:.1f}–{c.mass_high_g:.1f})"
        lines.append(f"{c.name}: {mass}")
        for name in ("protein_g", "fat_g", "carbohydrate_g", "fibre_g", "starch_g", "energy_kj"):
            e = c.nutrients[name]
            lines.append(
                f"  {name:<16}" + ("unknown" if e.typical is None else f"{e.typical:.1f} ({e.low:.1f}–{e.high:.1f})")
            )
    return "\n".join(lines)


def main() -> None:
    """Run the command line; a known error is one message on standard error and exit code 2."""
    try:
        app()
    except FallowSieveError as error:
        typer.echo(f"fallow-sieve: {error}", err=True)
        sys.exit(BAD_INPUT)


if __name__ == "__main__":
    main()

"""The commands of formulas: formula, convert, scale, temperature."""

from __future__ import annotations

import re
from dataclasses import replace
from typing import Annotated, Any

import typer

from fallow_sieve.cli_kitchen import (
    CupOption,
    DbOption,
    FormulaKitchen,
    JsonOption,
    formula_kitchen_at,
    read_file,
    use_named,
)
from fallow_sieve.core.baking.ovens import in_words, parse_oven
from fallow_sieve.core.formulas.analysis import FormulaAnalysis, analyse_formula
from fallow_sieve.core.formulas.formula import Formula, Line
from fallow_sieve.core.formulas.judgement import FormulaJudgement, judge_formula
from fallow_sieve.core.formulas.scaling import (
    MIXING_LOSS_PCT,
    Scaled,
    by_flour,
    by_pieces,
    by_total,
    round_to_step,
    whole_eggs,
)
from fallow_sieve.core.formulas.tins import Filling, FillRule, filling, parse_tin
from fallow_sieve.core.values.bands import Status
from fallow_sieve.core.values.errors import BadInputError, QuantityError, shown
from fallow_sieve.core.values.words import grams
from fallow_sieve.formats.blend_file import read_blend
from fallow_sieve.formats.formula_documents import (
    ConvertAnswer,
    ScaleAnswer,
    convert_answer,
    formula_answer,
    scale_answer,
    temperature_answer,
)
from fallow_sieve.formats.formula_file import FormulaDocument, formula_dict, read_formula
from fallow_sieve.reference.conversions import make_over, read_text
from fallow_sieve.reference.formulas import formula_rules, marks, tin_fills
from fallow_sieve.reference.recipes import egg_of

HELD = 1
FormulaArgument = Annotated[
    str, typer.Argument(metavar="FORMULA.json", help="A formula file, or - for standard input.")
]
StepOption = Annotated[str, typer.Option("--step", help="The scale's step, such as 1g or 0.1g.")]


def register_formulas(app: typer.Typer) -> None:
    """Add the commands of formulas to the command line."""
    app.command("formula")(formula_command)
    app.command("convert")(convert_command)
    app.command("scale")(scale_command)
    app.command("temperature")(temperature_command)


def formula_command(
    formula: FormulaArgument,
    use: Annotated[str | None, typer.Option("--use", help="What it is for; wins over the file's use.")] = None,
    json: JsonOption = False,
    db: DbOption = None,
    cup: CupOption = None,
) -> None:
    """Say what a formula is: totals, water, binder, checks, and the bake. Exit 1 when something holds it."""
    document, where = _opened(formula, db, cup)
    chosen = use_named(use, document.formula.use)
    asked = replace(document.formula, use=chosen.slug if chosen else None)
    judgement = judge_formula(asked, where.shelf, formula_rules(), where.kitchen)
    typer.echo(formula_answer(judgement).model_dump_json(indent=1) if json else _told(judgement, where.temp_unit))
    if any(g.status is Status.HELD for g in judgement.gauges):
        raise typer.Exit(HELD)


def _opened(path: str, db: DbOption, cup: str | None) -> tuple[FormulaDocument, FormulaKitchen]:
    document = read_formula(read_file(path, "a formula file"))
    where = formula_kitchen_at(db, cup)
    return document, replace(where, shelf=where.shelf.with_ingredients(document.ingredients))


def convert_command(
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
    mix = read_blend(read_file(blend))
    where = formula_kitchen_at(db, cup)
    shelf = where.shelf.with_ingredients(mix.ingredients)
    chosen = use_named(use, mix.blend.use)
    if chosen is None:
        raise BadInputError("no use is named", place="--use", right="say what it is for")
    text = _text(recipe)
    kitchen = replace(where.kitchen, school=school or where.kitchen.school)
    read = read_text(text, shelf, kitchen, where.spoon)
    found = make_over(read.formula, mix.blend.parts, chosen, shelf, kitchen, off or (), text)
    file = formula_dict(found.conversion.formula, mix.blend.name, None, mix.ingredients)
    answer = convert_answer(file, found.conversion, read.recipe, read.checks, found.before, found.after)
    typer.echo(answer.model_dump_json(indent=1) if json else _converted(answer))


def _text(path: str) -> str:
    try:
        return read_file(path, "a recipe as text").decode("utf-8-sig")
    except UnicodeDecodeError as error:
        before = error.object[: error.start]
        line, column = before.count(b"\n") + 1, error.start - before.rfind(b"\n")
        raise BadInputError(
            f"byte {error.object[error.start]:#04x} is no UTF-8",
            place=f"line {line}, column {column}",
            right="save it as UTF-8",
        ) from error


def scale_command(
    formula: FormulaArgument,
    pieces: Annotated[str | None, typer.Option("--pieces", help="Pieces of dough, such as 12x80g.")] = None,
    tin: Annotated[str | None, typer.Option("--tin", help="A tin, such as 20x10x9cm, 8x4x3in or round 20x8cm.")] = None,
    flour: Annotated[str | None, typer.Option("--flour", help="The flour base, such as 500g.")] = None,
    total: Annotated[str | None, typer.Option("--total", help="The dough in all, such as 900g.")] = None,
    tins: Annotated[int, typer.Option("--tins", min=1, max=200, help="How many such tins.")] = 1,
    fill: Annotated[float | None, typer.Option("--fill", help="How full, as a share of the tin.")] = None,
    loss: Annotated[float, typer.Option("--loss", help="What stays in bowl and on hands, %.")] = MIXING_LOSS_PCT,
    baked: Annotated[bool, typer.Option("--baked", help="The pieces are weighed baked: add the bake loss.")] = False,
    step: StepOption = "1g",
    json: JsonOption = False,
    db: DbOption = None,
    cup: CupOption = None,
) -> None:
    """Scale a formula to pieces, a tin, flour or a total; round it to the scale; say what to do about eggs."""
    if [pieces, tin, flour, total].count(None) != 3:
        raise BadInputError("give one of --pieces, --tin, --flour, --total", right="and only one")
    document, where = _opened(formula, db, cup)
    made, lines = document.formula, document.formula.lines
    analysis = analyse_formula(made, where.shelf)
    filled = None
    if tin:
        rule = tin_fills().get(made.use or "", FillRule(0.55, 1.6))
        filled = filling(parse_tin(tin, "--tin"), tins, rule, fill)
        scaled = by_pieces(analysis, lines, tins, filled.each_g, mixing_loss_pct=loss)
    else:
        scaled = _scaled(analysis, made, pieces, flour, total, loss, baked)
    typer.echo(_answer(document, scaled, filled, where, _grams(step, "--step"), json))


def _scaled(
    analysis: FormulaAnalysis,
    made: Formula,
    pieces: str | None,
    flour: str | None,
    total: str | None,
    loss: float,
    baked: bool,
) -> Scaled:
    if flour:
        return by_flour(analysis, made.lines, _grams(flour, "--flour"))
    if total:
        return by_total(analysis, made.lines, _grams(total, "--total"))
    count, each = _pieces(pieces or "")
    done = formula_rules().doneness.get(made.use or "")
    lost = done.bake_loss_pct if baked and done else None
    return by_pieces(analysis, made.lines, count, each, mixing_loss_pct=loss, bake_loss_pct=lost)


def _answer(
    document: FormulaDocument, scaled: Scaled, filled: Filling | None, where: FormulaKitchen, step_g: float, json: bool
) -> str:
    by_step = round_to_step(scaled.lines, step_g)
    eggs = whole_eggs(scaled.lines, egg_of("US" if where.kitchen.cup == "us" else "EU").edible_g, where.shelf)

    def file(lines: tuple[Line, ...]) -> dict[str, Any]:
        made = replace(document.formula, lines=lines)
        return formula_dict(made, document.blend_name, document.blend_revision, document.ingredients)

    answer = scale_answer(scaled, file(scaled.lines), file(by_step.lines), by_step, filled, eggs)
    return answer.model_dump_json(indent=1) if json else _scaled_words(answer)


_GRAMS = re.compile(r"(\d{1,8}(?:\.\d{1,6})?)\s?(g|kg)")
_PIECES = re.compile(r"(\d{1,6})\s?[x×]\s?(\d{1,6}(?:\.\d{1,3})?)\s?g")


def _grams(text: str, place: str) -> float:
    match = _GRAMS.fullmatch(text.strip())
    value = float(match[1]) * (1000 if match[2] == "kg" else 1) if match else 0.0
    if value <= 0:
        raise QuantityError(f"cannot read the mass {shown(text)}", place=place, right="give it as 500g or 1.5kg")
    return value


def _pieces(text: str) -> tuple[int, float]:
    match = _PIECES.fullmatch(text.strip())
    if match is None or float(match[2]) <= 0:
        raise QuantityError(f"cannot read the pieces {shown(text)}", place="--pieces", right="give them as 12x80g")
    return int(match[1]), float(match[2])


def temperature_command(
    temperature: Annotated[str, typer.Argument(metavar="350F|180C|gas4|160C-fan", help="An oven temperature.")],
    json: JsonOption = False,
) -> None:
    """Say an oven temperature in °C, °F, with a fan, and as a gas mark."""
    oven = parse_oven(temperature, marks(), "temperature")
    typer.echo(temperature_answer(oven).model_dump_json(indent=1) if json else in_words(oven, "c"))


def _told(j: FormulaJudgement, temp_unit: str) -> str:
    lines = [j.say, j.say_more, ""]
    for x in j.analysis.lines:
        pct = "" if x.flour_pct is None else f"{x.flour_pct:8.1f} %"
        lines.append(f"{grams(x.mass_g):>9}{pct}  {x.name} ({x.stage})")
    lines += ["", *(f"{g.label}: {g.say}" for g in j.gauges)]
    lines += [f"Bake: {in_words(p.oven, temp_unit)}, {p.minutes_typical:.0f} min, {p.say}" for p in j.bake.phases]
    return "\n".join([*lines, *(f"! {w}" for w in j.warnings), *(f"- {c.say}" for c in j.cautions)])


def _converted(answer: ConvertAnswer) -> str:
    lines = [f"! {p}" for p in answer.poor]
    lines += [f"{'+' if c.on else 'off'} {c.say} {c.reason}" for c in answer.changes]
    lines += ["", *(f"{grams(x.mass_g):>9}  {x.name} ({x.stage})" for x in answer.after.lines), "", answer.after.say]
    lines += [f"guess, line {x.line}: {g}" for x in answer.read for g in x.guesses]
    lines += [f"not read, line {x.line}: {x.wrong}" for x in answer.read if x.wrong]
    return "\n".join([*lines, *(f"? line {f.line}: {f.say}" for f in answer.checks), *answer.unread])


def _scaled_words(answer: ScaleAnswer) -> str:
    lines = [f"{answer.say}: × {answer.factor:.3f}, {answer.dough_g:.0f} g of dough"]
    lines += [f"{grams(x.mass_g):>9}  {x.ingredient} ({x.stage})" for x in answer.rounded.lines]
    if answer.tin:
        lines.append(
            f"{answer.tin.volume_ml:.0f} mL a tin, {answer.tin.each_g:.0f} g in each. {answer.tin.warning}".strip()
        )
    return "\n".join([*lines, *([answer.eggs.say] if answer.eggs else [])])

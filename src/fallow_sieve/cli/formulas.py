"""`formula`, `convert` and `temperature`: what a formula is, a wheat recipe made over, an oven in every unit."""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path

from fallow_sieve.cli.common import end_held, kitchen_at, read_file, say, use_asked
from fallow_sieve.core.baking import in_words, parse_oven
from fallow_sieve.core.blends import Part
from fallow_sieve.core.formulas import FormulaJudgement
from fallow_sieve.core.values import BadInputError, Pin, Status, grams
from fallow_sieve.formats.blends import read_blend
from fallow_sieve.formats.formulas import formula_answer, formula_dict, read_formula, temperature_answer
from fallow_sieve.formats.recipes import ConvertAnswer, CupsOut, ReadAnswer, convert_answer, read_answer
from fallow_sieve.reference import marks
from fallow_sieve.services.formulas.working import judged_formula
from fallow_sieve.services.recipes import make_over, read_text


def judge(path: str, use: str | None, json: bool, db: Path | None, cup: str | None) -> None:
    """Say what a formula is: totals, water, binder, checks, and the bake."""
    document = read_formula(read_file(path, "a formula file"))
    kitchen = kitchen_at(db, cup).with_ingredients(document.ingredients)
    chosen = use_asked(use, document.formula.use)
    judgement = judged_formula(replace(document.formula, use=chosen.slug if chosen else None), kitchen)
    say(formula_answer(judgement), _told(judgement, kitchen.temp_unit), json=json)
    end_held(any(g.status is Status.HELD for g in judgement.gauges))


def read(path: str, json: bool, db: Path | None, cup: str | None) -> None:
    """Read a recipe line by line: what each line is, whose cups, its mix and the formula."""
    kitchen = kitchen_at(db, cup)
    found = read_text(_text(path), kitchen)
    standard, _, why = found.say.partition(": ")
    cups = CupsOut(standard=found.habit or str(kitchen.cup), eggs=standard, why=why)
    mix = [Part(p.ingredient, p.mass_g) for p in found.mix.parts] if found.mix else []
    answer = read_answer(found.recipe, cups, found.checks, mix, formula_dict(found.formula), kitchen.shelf)
    say(answer, _as_read(answer), json=json)
    end_held(any(x.open for x in answer.lines) or bool(answer.checks))


def _as_read(answer: ReadAnswer) -> str:
    lines = [f"{answer.cups.eggs}{': ' if answer.cups.why else ''}{answer.cups.why}", ""]
    for x in answer.lines:
        weight = f"{x.mass_g:9.1f} g" if x.mass_g is not None else f"{'':>11}"
        lines.append(f"{weight}  {x.text}" + (f"  → {x.name}" if x.name else "" if x.kind != "ingredient" else "  ?"))
    return "\n".join([*lines, *(f"? line {f.line}: {f.say}" for f in answer.checks)])


def convert(
    path: str,
    blend: str,
    use: str | None,
    school: str | None,
    off: list[str],
    json: bool,
    db: Path | None,
    cup: str | None,
) -> None:
    """Make a wheat recipe over for a blend: every change with its reason and its size."""
    mix = read_blend(read_file(blend))
    kitchen = kitchen_at(db, cup).with_ingredients(mix.ingredients)
    kitchen = replace(kitchen, school=school or kitchen.school)
    chosen = use_asked(use, mix.blend.use)
    if chosen is None:
        raise BadInputError("no use is named", place="--use", right="say what it is for")
    text = _text(path)
    read = read_text(text, kitchen)
    recipe = replace(read.formula, blend=mix.blend.parts, pin=Pin("blend", None, None, mix.blend.name))
    found = make_over(recipe, chosen, kitchen, off, text)
    file = formula_dict(found.conversion.formula, mix.blend.name, None, mix.ingredients)
    answer = convert_answer(file, found.conversion, read.recipe, read.checks, found.before, found.after, found.causes)
    say(answer, _converted(answer), json=json)


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


def temperature(text: str, json: bool) -> None:
    """Say an oven temperature in °C, °F, with a fan, and as a gas mark."""
    oven = parse_oven(text, marks(), "temperature")
    say(temperature_answer(oven), in_words(oven, "c"), json=json)


def _told(j: FormulaJudgement, temp_unit: str) -> str:
    lines = [j.say, j.say_more, ""]
    for x in j.analysis.lines:
        pct = "" if x.flour_pct is None else f"{x.flour_pct:8.1f} %"
        lines.append(f"{grams(x.mass_g):>9}{pct}  {x.name} ({x.when})")
    lines += ["", *(f"{g.label}: {g.say}" for g in j.gauges)]
    lines += [f"Bake: {in_words(p.oven, temp_unit)}, {p.minutes_typical:.0f} min, {p.say}" for p in j.bake.phases]
    return "\n".join([*lines, *(f"! {w}" for w in j.warnings), *(f"- {c.say}" for c in j.cautions)])


def _converted(answer: ConvertAnswer) -> str:
    lines = [f"! {p}" for p in answer.poor]
    lines += [f"{'+' if c.on else 'off'} {c.say} {c.reason}" for c in answer.changes]
    lines += ["", *(f"{grams(x.mass_g):>9}  {x.name} ({x.stage})" for x in answer.after.lines), "", answer.after.say]
    lines += answer.causes
    lines += [f"guess, line {x.line}: {g}" for x in answer.read for g in x.guesses]
    lines += [f"not read, line {x.line}: {x.wrong}" for x in answer.read if x.wrong]
    return "\n".join([*lines, *(f"? line {f.line}: {f.say}" for f in answer.checks), *answer.unread])

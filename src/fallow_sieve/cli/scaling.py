"""`scale`: a formula to pieces, a tin, flour or a total, rounded to the scale."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from pathlib import Path
from typing import Any

from fallow_sieve.cli.common import kitchen_at, read_file, say
from fallow_sieve.core.formulas import Line, parse_tin
from fallow_sieve.core.values import BadInputError, QuantityError, grams, shown
from fallow_sieve.formats.formulas import ScaleAnswer, formula_dict, read_formula, scale_answer
from fallow_sieve.services.formulas.scaling import Scaling, scaled


@dataclass(frozen=True, slots=True)
class Ways:
    """The ways to say how large, as typed; one of them is given."""

    pieces: str | None
    tin: str | None
    flour: str | None
    total: str | None


def scale(
    path: str,
    ways: Ways,
    tins: int,
    fill: float | None,
    loss: float,
    baked: bool,
    step: str,
    json: bool,
    db: Path | None,
    cup: str | None,
) -> None:
    """Scale a formula; round it to the scale; say what to do about eggs."""
    if [ways.pieces, ways.tin, ways.flour, ways.total].count(None) != 3:
        raise BadInputError("give one of --pieces, --tin, --flour, --total", right="and only one")
    document = read_formula(read_file(path, "a formula file"))
    kitchen = kitchen_at(db, cup).with_ingredients(document.ingredients)
    how = replace(_asked(ways), tins=tins, fill=fill, mixing_loss_pct=loss, baked=baked, step_g=_grams(step, "--step"))
    found = scaled(document.formula, how, kitchen)

    def file(lines: tuple[Line, ...]) -> dict[str, Any]:
        made = replace(document.formula, lines=lines)
        return formula_dict(made, document.blend_name, document.blend_revision, document.ingredients)

    exact, rounded = file(found.scaled.lines), file(found.rounded.lines)
    answer = scale_answer(found.scaled, exact, rounded, found.rounded, found.tin, found.eggs)
    say(answer, _words(answer), json=json)


def _asked(ways: Ways) -> Scaling:
    if ways.tin:
        return Scaling(tin=parse_tin(ways.tin, "--tin"))
    if ways.flour:
        return Scaling(flour_g=_grams(ways.flour, "--flour"))
    if ways.total:
        return Scaling(dough_g=_grams(ways.total, "--total"))
    pieces, piece_g = _pieces(ways.pieces or "")
    return Scaling(pieces=pieces, piece_g=piece_g)


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


def _words(answer: ScaleAnswer) -> str:
    lines = [f"{answer.say}: × {answer.factor:.3f}, {answer.dough_g:.0f} g of dough"]
    lines += [f"{grams(x.mass_g):>9}  {x.ingredient} ({x.stage})" for x in answer.rounded.lines]
    if answer.tin:
        lines.append(
            f"{answer.tin.volume_ml:.0f} mL a tin, {answer.tin.each_g:.0f} g in each. {answer.tin.warning}".strip()
        )
    return "\n".join([*lines, *([answer.eggs.say] if answer.eggs else [])])

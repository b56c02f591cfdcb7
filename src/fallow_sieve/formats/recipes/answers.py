"""What `convert --json` prints."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from fallow_sieve.core.formulas import FormulaJudgement
from fallow_sieve.core.recipes import Conversion, ReadRecipe, RecipeCheck
from fallow_sieve.formats.formulas import FormulaAnswer, FormulaFile, formula_answer
from fallow_sieve.formats.shared import Out


class ChangeOut(Out):
    """One change of a conversion; `size_g` is null for advice."""

    key: str
    say: str
    reason: str
    size_g: float | None
    on: bool


class FindingOut(Out):
    """Something odd in a recipe: its kind, line and column (from 1; null where not known)."""

    kind: str
    line: int
    column: int | None
    say: str


class ReadLineOut(Out):
    """A line as read: what was understood (yes, guessed, part or no), the mass in g with its spread, guesses."""

    line: int
    text: str
    ingredient: str | None
    mass_g: float | None
    mass_low_g: float | None
    mass_high_g: float | None
    understood: str
    guesses: list[str]
    wrong: str


class ConvertAnswer(Out):
    """The answer of `fallow-sieve convert --json`: the formula (a formula file), every change, and what was read."""

    formula: FormulaFile
    changes: list[ChangeOut]
    poor: list[str]
    causes: list[str]
    before: FormulaAnswer
    after: FormulaAnswer
    read: list[ReadLineOut]
    checks: list[FindingOut]
    unread: list[str]


def convert_answer(
    file: dict[str, Any],
    found: Conversion,
    read: ReadRecipe,
    checks: Sequence[RecipeCheck],
    before: FormulaJudgement,
    after: FormulaJudgement,
    causes: Sequence[str] = (),
) -> ConvertAnswer:
    """Return the document of a conversion; `file` is the converted formula as a formula file's values."""
    return ConvertAnswer(
        formula=FormulaFile.model_validate(file),
        changes=[
            ChangeOut(key=c.change.what, say=c.say, reason=c.change.why, size_g=c.change.size, on=c.on)
            for c in found.changes
        ],
        poor=list(found.poor),
        causes=list(causes),
        before=formula_answer(before),
        after=formula_answer(after),
        read=[
            ReadLineOut(
                line=x.number,
                text=x.text,
                ingredient=x.ingredient,
                mass_g=x.mass.typical if x.mass else None,
                mass_low_g=x.mass.low if x.mass else None,
                mass_high_g=x.mass.high if x.mass else None,
                understood=x.understood,
                guesses=list(x.guesses),
                wrong=x.wrong,
            )
            for x in read.lines
        ],
        checks=[FindingOut(kind=f.kind, line=f.line, column=f.column, say=f.say) for f in checks],
        unread=[f"line {x.number}: {x.text}" for x in read.open],
    )

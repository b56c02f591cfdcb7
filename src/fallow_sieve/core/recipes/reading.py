"""A whole recipe as it was pasted: its title, its lines, its oven temperatures, its yield, and its steps."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from fallow_sieve.core.baking import OvenMention, oven_mentions
from fallow_sieve.core.formulas import MAX_METHOD, Formula, Line, When
from fallow_sieve.core.ingredients import WORDS, Shelf
from fallow_sieve.core.recipes.kinds import Heading, heading_of, is_remark, is_step, without_markup, yield_of
from fallow_sieve.core.recipes.lines import ReadLine, Words, read_line
from fallow_sieve.core.recipes.several import read_several
from fallow_sieve.core.values import BadInputError, without_long_runs

MAX_CHARACTERS = 20_000
MAX_READ_LINES = 300


@dataclass(frozen=True, slots=True)
class Row:
    """A line of the text that is not blank: its number, its kind, its text, and the heading it stands under.

    Kinds are title, yield, section, ingredient, step and note: every line is one of them.
    """

    number: int
    kind: str
    text: str
    section: str = ""


@dataclass(frozen=True, slots=True)
class ReadRecipe:
    """A recipe as read: title, ingredient lines, steps (line number and text), oven mentions, and pieces if stated.

    `rows` has every line that is not blank with what kind of line it is, `sections` the heading over each ingredient.
    """

    title: str
    lines: tuple[ReadLine, ...]
    steps: tuple[tuple[int, str], ...]
    ovens: tuple[OvenMention, ...]
    pieces: int | None
    rows: tuple[Row, ...] = ()

    @property
    def guesses(self) -> tuple[str, ...]:
        """Every guess, with the line it stands on."""
        return tuple(f"Line {x.number}: {g}." for x in self.lines for g in x.guesses)

    @property
    def open(self) -> tuple[ReadLine, ...]:
        """The ingredient lines that were not understood: they stay, in words."""
        return tuple(x for x in self.lines if x.ingredient is None)


def read_recipe(text: str, shelf: Shelf, words: Words, chosen: Mapping[int, str] | None = None) -> ReadRecipe:
    """Return what the pasted `text` says; `chosen` are ingredients (slugs) that a person picked, by line number.

    Raises BadInputError for a text that is empty or far too long, or a choice that is not on the shelf.
    """
    if not text.strip():
        raise BadInputError("there is nothing to read", place="/text", right="paste a recipe, one ingredient a line")
    rows = text.splitlines()
    if len(text) > MAX_CHARACTERS or len(rows) > MAX_READ_LINES:
        raise BadInputError(
            f"{len(text)} characters in {len(rows)} lines",
            place="/text",
            right=f"at most {MAX_CHARACTERS} characters and {MAX_READ_LINES} lines",
        )
    for number, slug in (chosen or {}).items():
        shelf.row(slug, f"/chosen/{number}")
    reader = _Reader(shelf, words, chosen or {})
    for number, row in enumerate(without_long_runs(text).splitlines(), start=1):
        reader.take(number, row)
    return reader.done()


class _Reader:
    """Goes through the lines in order: it must remember the section it is in, and whether the steps have begun."""

    def __init__(self, shelf: Shelf, words: Words, chosen: Mapping[int, str]) -> None:
        self._shelf, self._words, self._chosen = shelf, words, chosen
        self._pieces: int | None = None
        self._section = ""
        self._heading = Heading("dough", None, False)
        self._in_steps = False
        self._lines: list[ReadLine] = []
        self._steps: list[tuple[int, str]] = []
        self._ovens: list[OvenMention] = []
        self._rows: list[Row] = []

    def take(self, number: int, row: str) -> None:
        text = without_markup(row).strip()
        if not text:
            return
        self._ovens += oven_mentions(text, number)
        kind = self._kind_of(number, text)
        self._rows.append(Row(number, kind, text, self._section))

    def _kind_of(self, number: int, text: str) -> str:
        heading = heading_of(text, self._words.headings, in_steps=self._in_steps)
        if heading is not None and (self._rows or heading.kind in ("ingredients", "method")):
            return self._under(heading, text)
        pieces = yield_of(text)
        if pieces is not None and not self._in_steps:
            self._pieces = pieces
            return "yield"
        if is_remark(text):
            return "note"
        found = None if self._in_steps else self._ingredient(number, text)
        if found is not None and found.amount is not None and (self._rows or found.ingredient):
            self._lines.append(found)
            return "ingredient"
        if self._in_steps or is_step(text):
            self._steps.append((number, text))
            self._in_steps = self._in_steps or bool(self._lines)
            return "step"
        if not self._rows:
            return "title"
        if found is None and _is_told(text):
            return "note"
        self._lines.append(found or self._in_words(number, text))
        return "ingredient"

    def _under(self, heading: Heading, text: str) -> str:
        if heading.kind == "yield":
            return "yield"
        self._in_steps = heading.kind in ("method", "note")
        if not self._in_steps:
            self._heading = heading
            self._section = "" if heading.kind == "ingredients" else text.strip(" #*_:")
        return "section"

    def _ingredient(self, number: int, text: str) -> ReadLine | None:
        chosen = self._chosen.get(number)
        found = read_line(text, number, self._shelf, self._words, self._heading.when, chosen)
        if (found is None or found.ingredient is None) and chosen is None:
            several = read_several(text, number, self._shelf, self._words, self._heading.when)
            found = several or found
        if found is None or (is_step(text) and found.ingredient is None):
            return None
        return replace(found, in_dough=False) if self._heading.outside else found

    def _in_words(self, number: int, text: str) -> ReadLine:
        """A line among the ingredients that names nothing known: it stays as it is, in words."""
        said = f"“{text}” is not an ingredient that is known here"
        when = self._heading.when or When.WET
        return ReadLine(number, text, text, None, None, "", "", None, when, (), "no", wrong=said)

    def done(self) -> ReadRecipe:
        """Return what was read."""
        title = next((r.text.strip(" #*")[:120] for r in self._rows if r.kind == "title"), "")
        return ReadRecipe(
            title, tuple(self._lines), tuple(self._steps), tuple(self._ovens), self._pieces, tuple(self._rows)
        )


def _is_told(text: str) -> bool:
    """Whether a line is a sentence: it ends as one, and is long."""
    return text.endswith((".", "!")) and len(text.split()) >= 4


def _as_line(x: ReadLine) -> Line:
    when = x.when if x.in_dough else When.FINISH
    if x.ingredient and x.mass is not None and x.mass.typical > 0:
        return Line(x.ingredient, x.mass.typical, when, x.note[:200])
    return Line(WORDS, x.mass.typical if x.mass else 0.0, when, x.text[:200])


def as_formula(recipe: ReadRecipe, name: str = "") -> Formula:
    """Return the lines as a formula (g); what was not understood goes along in words, with its mass where known."""
    lines = tuple(_as_line(one) for x in recipe.lines for one in (x, *x.also))
    method = "\n".join(text for _, text in recipe.steps)[:MAX_METHOD]
    return Formula(lines, name=name or recipe.title or "Pasted recipe", pieces=recipe.pieces or 1, method=method)

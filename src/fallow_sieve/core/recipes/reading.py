"""A whole recipe as it was pasted: its title, its lines, its oven temperatures, its yield, and its steps."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass

from fallow_sieve.core.baking import OvenMention, oven_mentions
from fallow_sieve.core.formulas import MAX_METHOD, Formula, Line, When
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.recipes.lines import ReadLine, Words, read_line
from fallow_sieve.core.values import BadInputError

MAX_CHARACTERS = 20_000
MAX_READ_LINES = 300


@dataclass(frozen=True, slots=True)
class ReadRecipe:
    """A recipe as read: title, ingredient lines, steps (line number and text), oven mentions, and pieces if stated.

    `unread` are lines among the ingredients that could not be read at all.
    """

    title: str
    lines: tuple[ReadLine, ...]
    steps: tuple[tuple[int, str], ...]
    ovens: tuple[OvenMention, ...]
    pieces: int | None
    unread: tuple[tuple[int, str], ...]

    @property
    def guesses(self) -> tuple[str, ...]:
        """Every guess, with the line it stands on."""
        return tuple(f"Line {x.number}: {g}." for x in self.lines for g in x.guesses)


_SECTION = re.compile(r"^\s*(?:for (?:the )?|the )?([A-Za-z][A-Za-z &-]{2,40}?)\s*:?\s*$", re.IGNORECASE)
_STEPS = frozenset(("method", "instructions", "directions", "steps", "preparation", "how to make it", "to make"))
_INGREDIENTS = frozenset(("ingredients", "you need", "what you need"))
_STAGES: dict[str, When | None] = {
    **dict.fromkeys(("topping", "glaze", "icing", "finish", "to finish", "frosting"), When.FINISH),
    **dict.fromkeys(("leaven", "preferment", "starter"), When.LEAVEN),
    **dict.fromkeys(("dough", "batter", "cake", "pastry", "crust", "base", "bread", "loaf"), None),
    "filling": When.FILLING,
    "soaker": When.SOAK,
    "gel": When.GEL,
}
_YIELD = re.compile(r"^\s*(?:makes|yields?|serves|for)\s*:?\s*(?:about\s+)?(\d{1,4})\b[^\d]{0,40}$", re.IGNORECASE)
_VERBS = re.compile(
    r"^(?:pre-?heat|heat|mix|stir|add|whisk|beat|bake|sift|knead|rest|leave|cover|line|grease|roll|cut|pour|fold|rub"
    r"|cream|melt|combine|place|put|let|shape|serve|turn|cool|remove|warm|soak|set|chill|bring|cook|simmer|fry|spread"
    r"|brush|divide|in a|using)\b",
    re.IGNORECASE,
)


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
    for number, row in enumerate(rows, start=1):
        reader.take(number, row)
    return reader.done()


class _Reader:
    """Goes through the lines in order: it must remember the section it is in, and whether the steps have begun."""

    def __init__(self, shelf: Shelf, words: Words, chosen: Mapping[int, str]) -> None:
        self._shelf, self._words, self._chosen = shelf, words, chosen
        self._title = ""
        self._pieces: int | None = None
        self._stage: When | None = None
        self._in_steps = False
        self._lines: list[ReadLine] = []
        self._steps: list[tuple[int, str]] = []
        self._ovens: list[OvenMention] = []
        self._unread: list[tuple[int, str]] = []

    def take(self, number: int, row: str) -> None:
        if not row.strip():
            return
        self._ovens += oven_mentions(row, number)
        if self._heading(row) or self._yield(row):
            return
        if self._in_steps or self._is_step(row):
            self._steps.append((number, row.strip()))
            return
        found = read_line(row, number, self._shelf, self._words, self._stage, self._chosen.get(number))
        if found is not None and (found.amount is not None or self._lines or self._title):
            self._lines.append(found)
        elif not self._title and not self._lines:
            self._title = row.strip(" #*")[:120]
        else:
            self._unread.append((number, row.strip()))

    def _heading(self, row: str) -> bool:
        match = _SECTION.match(row.strip(" #*"))
        if match is None:
            return False
        said = match.group(1).strip().lower()
        if said in _STEPS:
            self._in_steps = True
        elif said in _INGREDIENTS:
            self._in_steps = False
        elif said in _STAGES and (row.strip().endswith(":") or row.strip().lower().startswith(("for", "the", "#"))):
            self._stage, self._in_steps = _STAGES[said], False
        else:
            return False
        return True

    def _yield(self, row: str) -> bool:
        match = _YIELD.match(row)
        if match is None:
            return False
        self._pieces = int(match.group(1)) or None
        return True

    def _is_step(self, row: str) -> bool:
        bare = re.sub(r"^\s*(?:[-*•]|\d{1,2}[.)])\s*", "", row)
        return bool(_VERBS.match(bare)) and len(bare.split()) > 2

    def done(self) -> ReadRecipe:
        """Return what was read."""
        return ReadRecipe(
            self._title, tuple(self._lines), tuple(self._steps), tuple(self._ovens), self._pieces, tuple(self._unread)
        )


def as_formula(recipe: ReadRecipe, name: str = "") -> Formula:
    """Return the lines that were understood as a formula (g); what was not is left out, and stays in the recipe."""
    lines = tuple(
        Line(x.ingredient, x.mass.typical, x.when, x.note[:200])
        for x in recipe.lines
        if x.ingredient and x.mass is not None and x.mass.typical > 0
    )
    method = "\n".join(text for _, text in recipe.steps)[:MAX_METHOD]
    return Formula(lines, name=name or recipe.title or "Pasted recipe", pieces=recipe.pieces or 1, method=method)

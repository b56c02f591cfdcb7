"""The shelf as a table: one ingredient a row, units in the header, in CSV or as a spreadsheet.

A number takes three columns: its typical value, and the same name with `_low` and `_high`. A blank cell leaves as
it is what is there; so a table may hold a few columns only, and nothing is lost by leaving one out. Columns are read
as a whole, because a table may have ten thousand rows.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from fallow_sieve.core.ingredients import HIGHEST, NUTRIENTS, PROPERTIES, Role, functions_named, lowest_of
from fallow_sieve.core.values import BadInputError, nearest_names, shown
from fallow_sieve.formats.shared import Table, guarded, unguarded

FloatArray = NDArray[np.float64]
MOST_ROWS = 50_000

TEXTS = (
    "slug",
    "name",
    "role",
    "function",
    "allergens",
    "watch",
    "flavour_words",
    "gluten_risk",
    "usual_max_reason",
    "archived",
)
LISTS = frozenset({"function", "allergens", "watch", "flavour_words"})
RISKS = frozenset({"low", "medium", "high-needs-certified", "contains-gluten"})
BESIDES = ("price_per_kg", "gluten_mg_per_kg", "usual_max_pct")
NUMBERS = (*NUTRIENTS, *PROPERTIES, *BESIDES)
HEADER_OF = {n: f"{n}_per_100_g" if n in NUTRIENTS else n for n in NUMBERS}
FIELD_OF = {header: name for name, header in HEADER_OF.items()}
ENDS = ("", "_low", "_high")


@dataclass(frozen=True, slots=True)
class Refusal:
    """A cell that cannot be used: the line of the file, the column, what is wrong and what would be right."""

    line: int
    column: str
    wrong: str
    right: str


@dataclass(frozen=True, slots=True)
class Triple:
    """A number of every row: low, typical, high; NaN where the cell is blank. `bare` marks rows without a range."""

    low: FloatArray
    typical: FloatArray
    high: FloatArray
    bare: NDArray[np.bool_]


@dataclass(frozen=True, slots=True)
class ShelfTable:
    """A shelf table as read: the line of each row, its texts by column ("" is blank), numbers by field."""

    lines: tuple[int, ...]
    texts: dict[str, list[str]]
    numbers: dict[str, Triple]
    refusals: list[Refusal] = field(default_factory=list)

    @property
    def slugs(self) -> list[str]:
        """The slug of each row."""
        return self.texts["slug"]


@dataclass(frozen=True, slots=True)
class ShelfLine:
    """One ingredient to be written: its texts by column, and (low, typical, high) by field."""

    texts: Mapping[str, str]
    numbers: Mapping[str, tuple[float, float, float]]


def header() -> list[str]:
    """Return the header of a whole shelf table."""
    return [*TEXTS, *(HEADER_OF[n] + end for n in NUMBERS for end in ENDS)]


def shelf_rows(lines: Iterable[ShelfLine]) -> Iterable[list[str | float | None]]:
    """Return the rows of a shelf table, without its header: texts guarded, numbers as they are, blanks as None."""
    for line in lines:
        row: list[str | float | None] = [guarded(line.texts.get(t, "")) for t in TEXTS]
        for name in NUMBERS:
            low, typical, high = line.numbers.get(name, (None, None, None))
            row += [typical, low, high]
        yield row


def read_shelf(table: Table) -> ShelfTable:
    """Return a shelf table as read, with every cell that cannot be used.

    Raises BadInputError for a header that cannot be used, or too many rows.
    """
    places = _places(table.header)
    if len(table.rows) > MOST_ROWS:
        raise BadInputError(f"{len(table.rows)} rows", right=f"at most {MOST_ROWS} at a time")
    refusals = _ragged(table)
    width = len(table.header)
    rows = [r if len(r) == width else [""] * width for r in table.rows] if refusals else table.rows
    columns = list(zip(*rows, strict=True)) or [()] * width
    texts = {name: [unguarded(t.strip()) for t in columns[at]] for name, at in places.items() if name in TEXTS}
    if "slug" not in texts:
        texts["slug"] = [slug_of(n) for n in texts["name"]]
    elif "name" in texts:
        texts["slug"] = [s or slug_of(n) for s, n in zip(texts["slug"], texts["name"], strict=True)]
    found = ShelfTable(table.lines, texts, {}, refusals)
    for name in NUMBERS:
        if HEADER_OF[name] in places:
            found.numbers[name] = _triple(name, columns, places, found)
    _check_texts(found)
    return found


def slug_of(name: str) -> str:
    """Return the slug that a name makes."""
    return re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-")[:80].strip("-")


def _places(given: Sequence[str]) -> dict[str, int]:
    known = header()
    for n, column in enumerate(given):
        if column not in known:
            near = nearest_names(column, known)
            raise BadInputError(
                f"unknown column {shown(column)}",
                place=f"row 1, column {n + 1}",
                right=f"did you mean {near[0]}?" if near else "see the list of columns in the documentation",
            )
        if given.index(column) != n:
            raise BadInputError(f"the column {column!r} stands twice", place=f"row 1, column {n + 1}", right="keep one")
    if "slug" not in given and "name" not in given:
        raise BadInputError("neither slug nor name", place="row 1", right="name the ingredients in one of the two")
    for column in given:
        for end in ENDS[1:]:
            if column.endswith(end) and column.removesuffix(end) in FIELD_OF and column.removesuffix(end) not in given:
                raise BadInputError(
                    f"{column} without {column.removesuffix(end)}", place="row 1", right="give the typical value too"
                )
    return {column: n for n, column in enumerate(given)}


def _ragged(table: Table) -> list[Refusal]:
    width = len(table.header)
    return [
        Refusal(line, "", f"{len(row)} cells", f"the header has {width}")
        for line, row in zip(table.lines, table.rows, strict=True)
        if len(row) != width
    ]


_NUMBER = re.compile(r"[+-]?(\d+(\.\d*)?|\.\d+)([eE][+-]?\d{1,3})?")


def _numbers(column: str, cells: Sequence[str], found: ShelfTable) -> FloatArray:
    """A column as numbers, NaN where blank; cells that are none are refused."""
    blanks = 0 if all(cells) else cells.count("")
    try:
        given = [c or "nan" for c in cells] if blanks else cells
        values = np.fromiter(map(float, given), np.float64, len(given))
        if int(np.isfinite(values).sum()) == len(values) - blanks:
            return values
    except ValueError:
        pass
    return _one_by_one(column, cells, found)


def _one_by_one(column: str, cells: Sequence[str], found: ShelfTable) -> FloatArray:
    """The same, naming each cell that is no number."""
    values = np.full(len(cells), np.nan)
    for n, cell in enumerate(cells):
        text = cell.strip()
        if not text:
            continue
        if _NUMBER.fullmatch(text):
            values[n] = float(text)
        else:
            right = "a number with a point for decimals" if "," in text else "a number, or nothing where it is unknown"
            found.refusals.append(Refusal(found.lines[n], column, f"{shown(text)} is no number", right))
    return values


def _triple(name: str, columns: Sequence[Sequence[str]], places: Mapping[str, int], found: ShelfTable) -> Triple:
    head = HEADER_OF[name]
    blank = np.full(len(found.lines), np.nan)
    read = [_numbers(head + end, columns[places[head + end]], found) if head + end in places else blank for end in ENDS]
    typical, low, high = read
    bare = np.isnan(low) & np.isnan(high)
    reach = np.abs(typical) * (NUTRIENTS[name].spread_pct / 100 if name in NUTRIENTS else 0.0)
    lowest, highest = lowest_of(name), HIGHEST[name]
    low = np.where(bare, np.maximum(typical - reach, lowest), np.where(np.isnan(low), typical, low))
    high = np.where(bare, np.minimum(typical + reach, highest), np.where(np.isnan(high), typical, high))
    for end, values in zip(ENDS, (typical, low, high), strict=True):
        out = ~np.isnan(values) & ~np.isnan(typical) & ((values < lowest) | (values > highest) | np.isinf(values))
        if end:
            out &= ~bare  # what was worked out is no cell of the file
        refuse_where(found, out, head + end, values, f"it must be from {lowest:g} to {highest:g}")
    high = np.maximum(high, typical) if bare.all() else high
    refuse_where(found, ~bare & ((low > typical) | (high < typical)), head, typical, "low ≤ typical ≤ high")
    refuse_where(found, np.isnan(typical) & ~bare, head, low, "give the typical value too")
    if name == "density_g_per_ml":
        refuse_where(found, low <= 0, head, low, "it must be over 0")
    return Triple(low, typical, high, bare)


def refuse_where(found: ShelfTable, bad: NDArray[np.bool_], column: str, values: FloatArray, right: str) -> None:
    """Refuse the cells of `column` where `bad`, showing their `values`, with what would be right."""
    for n in np.flatnonzero(bad):
        found.refusals.append(Refusal(found.lines[n], column, f"{values[n]:g} will not do", right))


_SLUG = re.compile(r"[a-z0-9]+(-[a-z0-9]+)*")
_ROLES = frozenset(str(r) for r in Role)


def _check_texts(found: ShelfTable) -> None:
    for n, slug in enumerate(found.slugs):
        if not _SLUG.fullmatch(slug) or len(slug) > 80:
            right = "small letters, digits and hyphens"
            found.refusals.append(Refusal(found.lines[n], "slug", f"{shown(slug)} is no slug", right))
    if len(set(found.slugs)) < len(found.slugs):
        _refuse_twice(found)
    _each(found, "role", lambda t: t in _ROLES, f"one of {', '.join(sorted(_ROLES))}")
    _each(found, "gluten_risk", lambda t: t in RISKS, f"one of {', '.join(sorted(RISKS))}, or nothing")
    _each(found, "archived", lambda t: t in ("yes", "no"), "yes or no")
    for name, most in (("name", 120), ("usual_max_reason", 200)):
        _each(found, name, lambda t, most=most: len(t) <= most, f"at most {most} characters")  # type: ignore[misc]
    _read_functions(found)
    for name in ("allergens", "watch"):
        _each(found, name, lambda t: all(_SLUG.fullmatch(w) for w in t.split(";")), "slugs with semicolons between")


def _read_functions(found: ShelfTable) -> None:
    """Write what an ingredient does by its names, however it was written."""
    column = found.texts.get("function", [])
    for text in {t for t in column if t}:
        rows = [n for n, t in enumerate(column) if t == text]
        try:
            known = ";".join(functions_named(text))
        except BadInputError as error:
            found.refusals.extend(Refusal(found.lines[n], "function", error.wrong, error.right) for n in rows)
        else:
            for n in rows:
                column[n] = known


def _refuse_twice(found: ShelfTable) -> None:
    seen: dict[str, int] = {}
    for line, slug in zip(found.lines, found.slugs, strict=True):
        if slug in seen:
            right = f"it is on line {seen[slug]} too; keep one"
            found.refusals.append(Refusal(line, "slug", f"{slug!r} stands twice", right))
        seen.setdefault(slug, line)


def _each(found: ShelfTable, column: str, holds: Callable[[str], bool], right: str) -> None:
    texts = found.texts.get(column, [])
    wrong = {text for text in set(texts) if text and not holds(text)}
    if wrong:
        bad = [(n, text) for n, text in enumerate(texts) if text in wrong]
        found.refusals.extend(Refusal(found.lines[n], column, f"{shown(text)} will not do", right) for n, text in bad)

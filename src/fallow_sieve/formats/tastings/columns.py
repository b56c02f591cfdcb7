"""Which column of a table of answers is which: by its name, or where that says nothing by what stands in it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.tastings.answers import plain
from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.shared import Table, unguarded
from fallow_sieve.formats.tastings.marks import NOT_TASTED, is_mark

TASTER = frozenset(
    {"", "taster", "tasters", "name", "person", "who", "seat", "judge", "panelist", "panellist", "assessor", "id",
     "taster id", "participant", "prüfer", "person nr", "dégustateur", "catador", "assaggiatore"}
)  # fmt: skip
SAMPLE = frozenset(
    {"sample", "samples", "product", "blend", "loaf", "mix", "flour", "bread", "item", "recipe", "formula", "trial",
     "probe", "muster", "échantillon", "produit", "muestra", "campione"}
)  # fmt: skip
VALUE = frozenset(
    {"value", "score", "liking", "mark", "points", "rating", "rank", "place", "order", "choice", "chosen", "prefers",
     "preferred", "preference", "tick", "ticked", "answer", "wert", "note", "punkte", "nota", "valeur", "voto", "rang"}
)  # fmt: skip
RIGHT = frozenset({"right", "correct", "ok", "is right", "is correct", "hit", "richtig", "juste", "correcto"})
WORD = frozenset({"attribute", "word", "words", "descriptor", "term"})
CODE, METHOD, PANEL = frozenset({"code"}), frozenset({"method"}), frozenset({"panel"})
PASSED = frozenset({"date", "position", "comment", "comments", "time", "remark", "remarks", "notes", "age", "group"})
LONG = 3  # columns of a table with an answer a row: taster, sample, value


@dataclass(frozen=True, slots=True)
class Roles:
    """Places of the columns (None: there is none) and, of a table with a column a sample, of the samples."""

    taster: int | None
    sample: int | None = None
    value: int | None = None
    right: int | None = None
    word: int | None = None
    method: int | None = None
    panel: int | None = None
    wide: tuple[int, ...] = ()


@dataclass(frozen=True, slots=True)
class Row:
    """A row of answers with the line of the file it stands on."""

    cells: Sequence[str]
    line: int

    def cell(self, at: int | None) -> str:
        """Return the text of a cell, stripped; empty where there is no such column."""
        return "" if at is None or at >= len(self.cells) else self.cells[at]


def rows_of(table: Table) -> tuple[tuple[str, ...], list[Row]]:
    """Return header and rows; a table without a header gets the usual one. Raises BadInputError naming the row."""
    header = tuple(unguarded(c) for c in table.header)
    rows = [Row([unguarded(c.strip()) for c in cells], n) for cells, n in zip(table.rows, table.lines, strict=True)]
    if len(header) == LONG and is_mark(header[2]) and not is_mark(header[1]):
        header, rows = ("taster", "sample", "value"), [Row(list(header), 1), *rows]
    for row in rows:
        if len(row.cells) > len(header) and any(row.cells[len(header) :]):
            right = f"the header has {len(header)}; a comma inside a name stands in quotes"
            raise BadInputError(f"{len(row.cells)} cells", place=f"row {row.line}", right=right)
    if not rows:
        raise BadInputError("no answers", place="row 2", right="one row for each answer under the header")
    return header, rows


def roles_of(header: Sequence[str], rows: Sequence[Row]) -> Roles:
    """Return which column is which. Raises BadInputError in row 1 where that cannot be told."""
    names = [plain(h.replace("_", " ").replace("-", " ")) for h in header]
    if len(set(names)) != len(names):
        twice = next(h for h, n in zip(header, names, strict=True) if names.count(n) > 1)
        raise BadInputError(f"the column {twice!r} stands twice", place="row 1", right="name each column once")
    found = Roles(
        taster=_at(names, TASTER), sample=_first(_at(names, SAMPLE), _at(names, CODE)), value=_at(names, VALUE),
        right=_at(names, RIGHT), word=_at(names, WORD), method=_at(names, METHOD), panel=_at(names, PANEL),
    )  # fmt: skip
    if found.right is not None or (found.value is not None and (found.sample is not None or len(header) == 2)):
        return found
    if found.sample is not None and found.word is not None:
        return found
    if len(header) == LONG and _are_texts(rows, 1) and not _are_texts(rows, 2):
        return Roles(taster=0, sample=1, value=2)
    return _wide(header, names, rows, found.taster)


def _at(names: Sequence[str], known: frozenset[str]) -> int | None:
    return next((i for i, n in enumerate(names) if n in known), None)


def _first(*places: int | None) -> int | None:
    return next((p for p in places if p is not None), None)


def _are_texts(rows: Sequence[Row], at: int) -> bool:
    cells = (r.cell(at).casefold() for r in rows)
    return any(c not in NOT_TASTED and not is_mark(c) for c in cells)


def _wide(header: Sequence[str], names: Sequence[str], rows: Sequence[Row], taster: int | None) -> Roles:
    """A column a sample: the taster is named by the header, by texts, or each row is one taster."""
    if taster is None and _are_texts(rows, 0):
        taster = 0
    if taster is None:
        first = [r.cell(0) for r in rows]
        if len(set(first)) == len(first) and len(first) > 1:
            right = "head the tasters' column “taster”; the others are samples"
            raise BadInputError(f"is {header[0]!r} a sample or the tasters?", place="row 1", right=right)
    samples = tuple(i for i, n in enumerate(names) if i != taster and n not in PASSED and n)
    if len(samples) < 1 or (len(samples) == 1 and len(header) > 2):
        right = "columns taster, sample, value; or taster and a column for each sample"
        raise BadInputError(f"cannot tell the columns {', '.join(header)}", place="row 1", right=right)
    return Roles(taster=taster, wide=samples)

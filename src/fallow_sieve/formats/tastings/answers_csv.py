"""Answers of a table as CSV: an answer a row, or a row a taster and a column a sample; and our own tidy table back."""

from __future__ import annotations

import re
from collections import defaultdict
from collections.abc import Iterator, Sequence

from fallow_sieve.core.tastings.answers import Choices, Marks, Method, RightAnswers, Ticks, marks_of, plain
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.formats.shared import Most, read_csv
from fallow_sieve.formats.tastings import marks
from fallow_sieve.formats.tastings.columns import Roles, Row, roles_of, rows_of

_MOST = Most(rows=5_000, columns=40)
MOST_SAMPLES, LEAST_SAMPLES = 8, 2
_NEITHER = marks.NOT_TASTED | {"neither", "no preference", "both", "equal", "same", "0", "="}
Answers = Marks | Choices | RightAnswers | Ticks
Said = tuple[str, str, str, int]  # taster, sample, what stands in the cell, line


def read_answers(data: bytes, method: Method) -> Answers:
    """Return the answers of a table for `method`. Raises BadInputError naming the row."""
    header, rows = rows_of(read_csv(data, _MOST))
    roles = roles_of(header, rows)
    rows = _of_one_panel(rows, roles, method)
    if method in (Method.TRIANGLE, Method.TETRAD, Method.TWO_AFC):
        return _right(rows, roles)
    if method is Method.PAIRED:
        return _paired(rows, roles, header)
    if method is Method.WORDS:
        return _ticks(rows, roles, header)
    return _marks(rows, roles, header, method)


def _of_one_panel(rows: list[Row], roles: Roles, method: Method) -> list[Row]:
    """Rows of this method; of two panels, seats of one number are not one person."""
    mine = [r for r in rows if plain(r.cell(roles.method)) in ("", method)]
    panels = {plain(r.cell(roles.panel)) for r in mine}
    if len(panels) > 1:
        raise BadInputError(f"{len(panels)} panels in one table", place="column panel", right="bring one at a time")
    if not mine:
        raise BadInputError(f"no answers of the method {method}", place="column method", right="name another --method")
    return mine


def _said(rows: Sequence[Row], roles: Roles, header: Sequence[str]) -> Iterator[Said]:
    for n, row in enumerate(rows, start=1):
        taster = row.cell(roles.taster) or (str(n) if roles.taster is None else "")
        if not taster:
            raise BadInputError("an answer without a taster", place=f"row {row.line}", right="name who tasted")
        if roles.wide:
            yield from ((taster, header[at], row.cell(at), row.line) for at in roles.wide)
        else:
            yield taster, _sample(row, roles), row.cell(roles.value), row.line


def _sample(row: Row, roles: Roles) -> str:
    name = row.cell(roles.sample)
    if not name:
        raise BadInputError("an answer without a sample", place=f"row {row.line}", right="name what was tasted")
    return name


def _marks(rows: Sequence[Row], roles: Roles, header: Sequence[str], method: Method) -> Marks:
    said = list(_orders(rows, roles, method)) or list(_said(rows, roles, header))
    if roles.word is not None:
        said = [s for s, r in zip(said, rows, strict=True) if plain(r.cell(roles.word)) in ("", method)]
    count = len({plain(s) for _, s, _, _ in said})
    if not LEAST_SAMPLES <= count <= MOST_SAMPLES:
        right = f"{LEAST_SAMPLES} to {MOST_SAMPLES} are compared"
        raise BadInputError(f"{count} samples", place="row 1", right=right)
    if method is Method.RANKING:
        return marks_of((t, s, marks.place_in_order(v, count, f"row {n}")) for t, s, v, n in said)
    return marks_of((t, s, marks.liking(v, f"row {n}")) for t, s, v, n in said)


def _orders(rows: Sequence[Row], roles: Roles, method: Method) -> Iterator[Said]:
    """Places of an order in words, `oat > teff = rice`, the best first."""
    if method is not Method.RANKING or roles.sample is not None or len(roles.wide) > 1:
        return
    at = roles.wide[0] if roles.wide else roles.value
    if not all(re.search(r"[>=<]", r.cell(at)) for r in rows):
        return
    for n, row in enumerate(rows, start=1):
        place, groups = 1, [g.split("=") for g in row.cell(at).split(">")]
        for group in groups:
            for sample in group:
                yield row.cell(roles.taster) or str(n), sample.strip(), str(place + (len(group) - 1) / 2), row.line
            place += len(group)


def _right(rows: Sequence[Row], roles: Roles) -> RightAnswers:
    at = next((p for p in (roles.right, roles.value, *roles.wide[:1]) if p is not None), None)
    found: dict[str, list[bool]] = defaultdict(list)
    for n, row in enumerate(rows, start=1):
        answer = marks.right_answer(row.cell(at), f"row {row.line}")
        if answer is not None:
            found[plain(row.cell(roles.taster)) or str(n)].append(answer)
    every = [a for answers in found.values() for a in answers]
    if not every:
        raise BadInputError("no answers", place="row 2", right="columns taster, right; right is yes or no")
    return RightAnswers(sum(every), len(every), any(len(a) > 1 for a in found.values()))


def _paired(rows: Sequence[Row], roles: Roles, header: Sequence[str]) -> Choices:
    """Who chose which: by its name, or by a mark of the chosen one, or by two marks of which one is the higher."""
    if roles.sample is None and len(roles.wide) != LEAST_SAMPLES:
        return _named_choices(rows, roles)
    by_taster: dict[str, dict[str, str]] = defaultdict(dict)
    names: dict[str, str] = {}
    for taster, sample, value, _ in _said(rows, roles, header):
        by_taster[plain(taster)][plain(sample)] = value
        names.setdefault(plain(sample), " ".join(sample.split()))
    a, b = _two(list(names), "row 1")
    first_is_best = {v.strip() for m in by_taster.values() for v in m.values()} <= {"1", "2", *marks.NOT_TASTED}
    chosen = [_chosen(m.get(a), m.get(b), first_is_best=first_is_best) for m in by_taster.values()]
    return Choices((names[a], names[b]), (chosen.count(0), chosen.count(1)), chosen.count(None))


def _chosen(a: str | None, b: str | None, *, first_is_best: bool) -> int | None:
    if a is None or b is None:
        alone = a if b is None else b
        return None if alone is None or marks.is_yes(alone) is False else (0 if b is None else 1)
    x, y = (marks.number(v) if marks.is_number(v) else float(bool(marks.is_yes(v))) for v in (a, b))
    if x == y:
        return None
    return int((x > y) if first_is_best and {x, y} == {1.0, 2.0} else (x < y))


def _named_choices(rows: Sequence[Row], roles: Roles) -> Choices:
    at = next((p for p in (roles.value, *roles.wide[:1]) if p is not None), None)
    said = [(row.cell(at), row.line) for row in rows]
    names: dict[str, str] = {}
    for choice, _ in said:
        if plain(choice) not in _NEITHER:
            names.setdefault(plain(choice), " ".join(choice.split()))
    if len(names) == 1:
        names["the other"] = "the other"
    a, b = _two(list(names), f"row {said[0][1]}")
    chosen = [plain(s) for s, _ in said]
    return Choices((names[a], names[b]), (chosen.count(a), chosen.count(b)), sum(1 for c in chosen if c in _NEITHER))


def _two(names: list[str], place: str) -> tuple[str, str]:
    if len(names) != LEAST_SAMPLES:
        wrong = f"{len(names)} samples: {', '.join(shown(n) for n in names[:4])}"
        raise BadInputError(wrong, place=place, right="a preference is between two")
    return names[0], names[1]


def _ticks(rows: Sequence[Row], roles: Roles, header: Sequence[str]) -> Ticks:
    """Ticks by a word a row, by several words in a cell, or by yes and no beside a word."""
    said = list(_said(rows, roles, header))
    ticked: dict[str, set[tuple[str, str]]] = {}
    for at, (taster, sample, value, line) in enumerate(said):
        word = rows[at].cell(roles.word) if roles.word is not None and not roles.wide else ""
        for one, yes in _words(word, value, line):
            ticked.setdefault(one, set())
            if yes:
                ticked[one].add((plain(taster), plain(sample)))
    table = marks_of((t, s, 0.0) for t, s, _, _ in said)
    there = [[v is not None for v in row] for row in table.rows]
    found = {
        word: tuple(
            tuple(float((plain(t), plain(s)) in on) if there[i][j] else None for j, s in enumerate(table.samples))
            for i, t in enumerate(table.tasters)
        )
        for word, on in ticked.items()
    }
    if not found or not LEAST_SAMPLES <= len(table.samples) <= MOST_SAMPLES:
        raise BadInputError("no words of two samples", place="row 1", right="columns taster, sample, value: a word")
    return Ticks(table.samples, found)


def _words(word: str, value: str, line: int) -> Iterator[tuple[str, bool]]:
    yes = marks.is_yes(value)
    if word:
        if yes is None:
            raise BadInputError(f"the tick {shown(value)}", place=f"row {line}", right="1 or 0, yes or no")
        yield plain(word), yes
    elif yes is not None and value.strip():
        yield "it", yes
    else:
        yield from ((plain(w), True) for w in re.split(r"[;,|]", value) if plain(w) not in marks.NOT_TASTED)

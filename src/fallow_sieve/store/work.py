"""All the work of a kitchen by name: what the search looks through. Plain SQL, as it is asked at every key."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any, Literal, cast

from sqlmodel import Session

WorkKind = Literal["brief", "blend", "formula", "schedule"]
_DRAFTS = {
    "blend": ("draft", "blend_id"),
    "formula": ("formula_draft", "formula_id"),
    "schedule": ("schedule_draft", "schedule_id"),
}
_FIRST_USE = "json_extract(d.content, '$.products[0].use')"  # of a schedule, that of what stands first in it
_OWN_USE = "json_extract(d.content, '$.use')"
_USE = {"brief": "h.use", "blend": _OWN_USE, "formula": _OWN_USE, "schedule": _FIRST_USE}


@dataclass(frozen=True, slots=True)
class NamedWork:
    """A brief, blend, formula or schedule: its id, its name, and its use (slug), where there is one."""

    kind: WorkKind
    id: int
    name: str
    use: str | None


def work_named(session: Session, words: Mapping[str, Sequence[str]], most: int) -> list[NamedWork]:
    """Return what is not put away and has every one of `words` in its name, or a use that the word stands for.

    `words` are in lower case, each with the slugs of the uses that it is in the name of. Of more than `most` of a kind
    those whose name begins with the first word stay.
    """
    return [found for kind in _USE for found in _of_kind(session, cast(WorkKind, kind), words, most)]


def _of_kind(session: Session, kind: WorkKind, words: Mapping[str, Sequence[str]], most: int) -> list[NamedWork]:
    draft, owner = _DRAFTS.get(kind, ("", ""))
    join = f"JOIN {draft} d ON d.{owner} = h.id" if draft and any(words.values()) else ""
    tests, values = ["NOT h.archived"], list[Any]()
    for word, uses in words.items():
        named = f" OR {_USE[kind]} IN ({', '.join('?' * len(uses))})" if uses else ""
        tests.append(f"(instr(lowered(h.name), ?){named})")
        values += [word, *uses]
    first = next(iter(words), "")
    query = (
        f"SELECT h.id, h.name FROM {kind} h {join} WHERE {' AND '.join(tests)} "  # names of ours, marks for the rest
        f"ORDER BY instr(lowered(h.name), ?) != 1, h.id LIMIT {int(most)}"
    )
    rows = session.connection().exec_driver_sql(query, (*values, first)).all()
    return [NamedWork(kind, row[0], row[1], use_of_work(session, kind, row[0])) for row in rows[:_WITH_USE]] + [
        NamedWork(kind, row[0], row[1], None) for row in rows[_WITH_USE:]
    ]


_WITH_USE = 40  # more of a kind are never shown


def words_of_work(session: Session) -> set[str]:
    """Return every word of every name, in lower case: what a slip of the pen may have meant."""
    ask = session.connection().exec_driver_sql
    return {word for kind in _USE for (name,) in ask(f"SELECT name FROM {kind}") for word in name.lower().split()}


def use_of_work(session: Session, kind: WorkKind, work_id: int) -> str | None:
    """Return the use (slug) of a brief, or of a document's draft, or None where it has none."""
    draft, owner = _DRAFTS.get(kind, ("brief", "id"))
    use = "use" if kind == "brief" else _USE[kind].replace("d.content", "content")
    query = f"SELECT {use} FROM {draft} WHERE {owner} = ?"
    return cast("str | None", session.connection().exec_driver_sql(query, (work_id,)).scalar())

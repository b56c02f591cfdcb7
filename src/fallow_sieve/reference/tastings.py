"""Loads the tables of tastings: codes that mean something to people, and how just about right is asked."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.tastings.answers import plain
from fallow_sieve.reference.tables import read_table


@dataclass(frozen=True, slots=True)
class CodeMeaning:
    """A pattern of codes (x is any digit) and why no plate gets one."""

    pattern: str
    why: str


@dataclass(frozen=True, slots=True)
class JustRight:
    """How an attribute is asked, and the words for too little and too much of it."""

    attribute: str
    ask: str
    little: str
    much: str
    basis: str


@cache
def code_meanings() -> tuple[str, ...]:
    """Return the patterns of codes (three characters) that no plate gets."""
    return tuple(row.pattern for row in read_table("code_meanings", CodeMeaning))


@cache
def just_right_rows() -> tuple[JustRight, ...]:
    """Return the attributes that are known, in their order."""
    return read_table("just_right", JustRight)


def asked_so(attribute: str) -> JustRight:
    """Return how an attribute is asked: as the table says, else in its own word."""
    found = next((r for r in just_right_rows() if r.attribute == plain(attribute)), None)
    return found or JustRight(attribute, f"{attribute[:1].upper()}{attribute[1:]}: how is it?", "", "", "own")


def steps_of(row: JustRight) -> tuple[str, ...]:
    """Return the words of the five steps of an attribute, 1 to 5 (no unit)."""
    if not row.little:
        return ("far too little", "a little too little", "just right", "a little too much", "far too much")
    return (
        f"far too {row.little}",
        f"a little {row.little}",
        "just right",
        f"a little {row.much}",
        f"far too {row.much}",
    )

"""What changed from one bake to another, in steps of each group: counted from one step on, meant or happened."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace

from fallow_sieve.core.trials.differences.standing import Standing
from fallow_sieve.core.values import number_word

RELATIVE = frozenset(
    {"lift", "rest", "chill", "mixing", "proof", "piece", "bake", "cooling", "water"}
)  # in % of what it was
LABELS = {
    "blend": "Blend", "water": "Water against its prediction", "binder": "Binder load", "lift": "Lift against usual",
    "salt": "Salt", "sugar": "Sugars", "fat": "Fat", "egg-milk": "Other lines", "lot": "Another bag",
    "mixing": "Mixing", "dough-temperature": "Dough temperature", "proof": "Proof", "piece": "Piece", "tin": "Tin",
    "oven": "Oven", "bake": "Bake", "steam-cover": "Steam or cover", "finish": "Finish", "cooling": "Cooling",
    "storage": "Storage", "rest": "Rest", "chill": "Chilling",
}  # fmt: skip
_RESTS = ("rest", "chill")
_SHOWN_PART = 0.5  # % of flour; what moves less is not named


@dataclass(frozen=True, slots=True)
class StepSize:
    """What counts as one step in a group, in its unit."""

    group: str
    unit: str
    step: float


@dataclass(frozen=True, slots=True)
class TrialChange:
    """A change in a group: what, from where to where, how many steps, meant or happened, and what follows from it."""

    group: str
    say: str
    steps: float
    meant: bool
    before: float | str | None = None
    after: float | str | None = None
    unit: str = ""
    follows: tuple[str, ...] = ()

    @property
    def counts(self) -> bool:
        """Whether it is a step or more."""
        return self.steps >= 1 - 1e-9


@dataclass(frozen=True, slots=True)
class Difference:
    """All that changed, the largest first; those under a step are listed, not counted; groups noted on one side only.

    `say` says how many things changed and how many were meant.
    """

    changes: tuple[TrialChange, ...]
    may_have_changed: tuple[str, ...]
    say: str

    @property
    def counted(self) -> tuple[TrialChange, ...]:
        """The changes of a step or more."""
        return tuple(c for c in self.changes if c.counts)

    @property
    def things_changed(self) -> int:
        """How many groups changed by a step or more."""
        return len({_group(c.group) for c in self.counted})

    @property
    def follows(self) -> tuple[str, ...]:
        """What follows from the changes that are counted."""
        return tuple(f for c in self.changes for f in c.follows)


Sizes = Mapping[str, StepSize]


def _group(key: str) -> str:
    """The group of a number: resting, in the cold too, is of one with mixing."""
    return "mixing" if key in _RESTS else key


def _numbered(sizes: Sizes) -> list[str]:
    return [*sizes, *_RESTS]


def difference(before: Standing, after: Standing, sizes: Sizes) -> Difference:
    """Return what changed from one bake to another, in steps of `sizes`."""
    found = [*_parts(before, after, sizes), *_numbers(before, after, sizes), *_kinds(before, after, sizes)]
    found.sort(key=lambda c: (not c.counts, -c.steps))
    unsure = _one_sided(before, after)
    return Difference(tuple(found), unsure, _said(found))


def deviations(standing: Standing, sizes: Sizes) -> tuple[TrialChange, ...]:
    """Return what went otherwise than planned in one bake, by a step or more, the largest first."""
    both = [g for g in standing.done if g in standing.planned and _group(g) in sizes]
    found = [_number(g, standing.planned[g], standing.done[g], sizes, meant=False) for g in both]
    counted = [replace(c, say=_otherwise(c)) for c in found if c.counts]
    return tuple(sorted(counted, key=lambda c: -c.steps))


# What more and less than planned is called in a sentence, by group.
_WAYS = {
    "water": "{} % more water|{} % less water", "oven": "oven {} K hotter|oven {} K cooler",
    "dough-temperature": "dough {} K warmer|dough {} K colder", "proof": "proofed {} % longer|proofed {} % shorter",
    "bake": "baked {} % longer|baked {} % shorter", "cooling": "cooled {} % longer|cut early: cooled {} % shorter",
    "mixing": "mixed {} % longer|mixed {} % shorter", "rest": "rested {} % longer|rested {} % shorter",
    "chill": "chilled {} % longer|chilled {} % shorter", "piece": "pieces {} % heavier|pieces {} % lighter",
}  # fmt: skip


def _otherwise(c: TrialChange) -> str:
    if c.group not in _WAYS or not isinstance(c.before, float) or not isinstance(c.after, float):
        return c.say
    more, less = _WAYS[c.group].split("|")
    change = 100 * (c.after / c.before - 1) if c.group in RELATIVE else c.after - c.before
    return (more if change > 0 else less).format(_size(change))


def _parts(before: Standing, after: Standing, sizes: Sizes) -> Iterator[TrialChange]:
    names = {**before.names, **after.names}
    moves = _moves(before.parts, after.parts)
    moved = sum(abs(m) for m in moves.values()) / 2
    if moved > 0.05:
        listed = ", ".join(f"{_name(s, names)} {_signed(m)}" for s, m in _largest(moves) if abs(m) >= _SHOWN_PART)
        said = listed or "less than half a % of any flour moved"
        follows = _thirst(before, after)
        yield TrialChange("blend", said, moved / sizes["blend"].step, True, 0.0, moved, "% of flour", follows)
    lines = _moves(before.lines, after.lines)
    most = max((abs(m) for m in lines.values()), default=0.0)
    if most > 0.05:
        said = ", ".join(f"{_name(s, names)} {_signed(m)}" for s, m in _largest(lines) if abs(m) >= 0.05)
        yield TrialChange("egg-milk", said, most / sizes["egg-milk"].step, True, 0.0, most, "% of flour")
    swapped = [s for s in after.lots if s in before.lots and before.lots[s] != after.lots[s]]
    if swapped:
        said = ", ".join(f"{_name(s, names)} {before.lots[s]} → {after.lots[s]}" for s in swapped)
        yield TrialChange("lot", f"another bag: {said}", 1.0 / sizes["lot"].step, False)


def _thirst(before: Standing, after: Standing) -> tuple[str, ...]:
    if before.predicted_pct is None or after.predicted_pct is None:
        return ()
    more = after.predicted_pct - before.predicted_pct
    return (f"Water {_signed(more)} % of flour by thirst",) if abs(more) >= 0.05 else ()


def _moves(before: Mapping[str, float], after: Mapping[str, float]) -> dict[str, float]:
    return {s: after.get(s, 0.0) - before.get(s, 0.0) for s in {**before, **after}}


def _largest(moves: Mapping[str, float]) -> list[tuple[str, float]]:
    return sorted(moves.items(), key=lambda x: (-abs(x[1]), x[0]))


def _name(slug: str, names: Mapping[str, str]) -> str:
    return names.get(slug, slug.replace("-", " "))


def _signed(value: float) -> str:
    return f"{'+' if value > 0 else '−'} {_size(value)}"


def _size(value: float) -> str:
    return f"{abs(value):.0f}" if abs(value) >= 10 else f"{abs(value):.1f}".removesuffix(".0")


def _numbers(before: Standing, after: Standing, sizes: Sizes) -> Iterator[TrialChange]:
    for group in _numbered(sizes):
        if group in before.done and group in after.done:
            found = _number(group, before.done[group], after.done[group], sizes, meant=False)
            if found.steps > 0.05:
                yield replace(found, meant=_was_meant(group, before, after, sizes))


def _was_meant(group: str, before: Standing, after: Standing, sizes: Sizes) -> bool:
    """Whether the plans differ by a step or more in it as well."""
    if group not in before.planned or group not in after.planned:
        return False
    planned = _number(group, before.planned[group], after.planned[group], sizes, meant=True)
    return planned.counts


def _number(group: str, before: float, after: float, sizes: Sizes, *, meant: bool) -> TrialChange:
    size = sizes[_group(group)]
    relative = group in RELATIVE and before > 0
    change = 100 * (after / before - 1) if relative else after - before
    unit = "%" if relative else "" if group == "binder" else size.unit  # a load says itself what it is
    shown = f"{LABELS[group]} {_signed(change)} {unit}".rstrip() if abs(change) > 1e-9 else f"{LABELS[group]} as before"
    return TrialChange(group, shown, abs(change) / size.step, meant, before, after, unit)


def _kinds(before: Standing, after: Standing, sizes: Sizes) -> Iterator[TrialChange]:
    for group in sizes:
        a, b = before.kinds.get(group), after.kinds.get(group)
        if a is not None and b is not None and a != b:
            yield TrialChange(group, f"{LABELS[group]}: {a} → {b}", 1.0 / sizes[group].step, group != "storage", a, b)


def _one_sided(before: Standing, after: Standing) -> tuple[str, ...]:
    groups = [*before.done, *before.kinds, *after.done, *after.kinds]
    both = (before.done.keys() | before.kinds.keys()) & (after.done.keys() | after.kinds.keys())
    return tuple(dict.fromkeys(LABELS[g] for g in groups if g in LABELS and g not in both))


def _said(changes: list[TrialChange]) -> str:
    counted = {_group(c.group): c for c in changes if c.counts}
    meant = sum(c.meant for c in counted.values())
    if not counted:
        return "Nothing changed by a step or more: these are repeats."
    if len(counted) == 1:
        return f"One thing changed{'' if meant else ', and it was not meant'}."
    you = {0: "you meant none of them", 1: "you meant one"}.get(meant, f"you meant {number_word(meant).lower()}")
    return f"{number_word(len(counted))} things changed; {you}. What you see cannot be laid to any of them."

"""The steps of a use and school, as the table has them, and which of them a product takes."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum


class Kind(StrEnum):
    """What a step is."""

    HANDS = "hands"
    PASSIVE = "passive"
    FERMENT = "ferment"
    CHILL = "chill"
    BUILD = "build"
    BAKE = "bake"
    COOK = "cook"
    COOL = "cool"


@dataclass(frozen=True, slots=True)
class StepRule:
    """One step of a template: what to do, how long (minutes), after what, where, with how much of somebody's hands.

    Lags are minutes after what it follows; `can_wait_min` how long what it made may wait. A ferment has hours at 26 °C
    (`ref_hours`) with `ref_pct` % of `ref_of`, and the rise that is wanted (%). None: it does not apply.
    """

    step: str
    after: tuple[str, ...]
    do: str
    kind: Kind
    minutes_from: str
    low_min: float | None
    typical_min: float | None
    high_min: float | None
    ref_hours: float | None
    ref_of: str
    ref_pct: float | None
    target_rise_pct: float | None
    place: str
    temp_c: float | None
    hands_start_min: float
    hands_end_min: float
    resource: str
    lag_low_min: float
    lag_high_min: float
    can_wait_min: float
    chill_low_h: float | None
    chill_high_h: float | None
    optional: str
    bake_phase: int | None = None


# Switches that are on unless the formula or its maker says otherwise; the others are off.
USUALLY_ON = frozenset({"gel", "rest"})
_USUALLY_OFF = frozenset({"rise-start"})


def chosen(rules: Sequence[StepRule], switches: Mapping[str, bool]) -> tuple[StepRule, ...]:
    """Return the steps that are taken: `switches` says yes or no by name, else what is usual.

    What followed a step that is left out follows what that one followed.
    """
    taken = [r for r in rules if _is_taken(r, switches)]
    names = {r.step for r in taken}
    follows = {r.step: r.after for r in rules}
    return tuple(replace(r, after=_bridged(r.after, names, follows)) for r in taken)


def _is_taken(rule: StepRule, switches: Mapping[str, bool]) -> bool:
    if rule.optional == "no":
        return True
    usual = rule.step in USUALLY_ON if rule.optional == "switch" else rule.step not in _USUALLY_OFF
    return switches.get(rule.step, usual)


def _bridged(after: Sequence[str], names: set[str], follows: Mapping[str, Sequence[str]]) -> tuple[str, ...]:
    found: list[str] = []
    for name in after:
        found += [name] if name in names else _bridged(follows[name], names, follows)
    return tuple(dict.fromkeys(found))


COLD = "-cold"
_USUAL_NIGHT_MIN = 12 * 60.0


def with_cold(rules: Sequence[StepRule]) -> tuple[StepRule, ...]:
    """Return the steps with a stay in the cold, to be chosen, after every rise that may stand in it instead."""
    found: list[StepRule] = []
    for rule in rules:
        moved = tuple(f"{a}{COLD}" if any(f.step == f"{a}{COLD}" for f in found) else a for a in rule.after)
        found.append(replace(rule, after=moved))
        if rule.kind is Kind.FERMENT and rule.chill_low_h is not None and rule.chill_high_h is not None:
            found.append(_cold(rule, 60 * rule.chill_low_h, 60 * rule.chill_high_h))
    return tuple(found)


def _cold(rule: StepRule, low: float, high: float) -> StepRule:
    typical = min(high, max(low, _USUAL_NIGHT_MIN))
    return replace(
        rule,
        step=f"{rule.step}{COLD}",
        after=(rule.step,),
        do="Into the fridge, covered: it goes on there, slowly",
        kind=Kind.CHILL,
        minutes_from="template",
        low_min=low,
        typical_min=typical,
        high_min=high,
        ref_hours=None,
        target_rise_pct=None,
        place="fridge",
        temp_c=4.0,
        hands_start_min=2.0,
        hands_end_min=0.0,
        resource="fridge",
        lag_low_min=0.0,
        lag_high_min=15.0,
        can_wait_min=0.0,
        chill_low_h=None,
        chill_high_h=None,
        optional="switch",
    )


def refreshed(rules: Sequence[StepRule], times: int) -> tuple[StepRule, ...]:
    """Return the steps with the starter's refresh done `times` times; without one, nothing is kept back of it."""
    one = next((r for r in rules if r.step == "refresh"), None)
    if one is None or times == 1:
        return tuple(rules)
    if times == 0:
        firm = [replace(r, optional="yes" if r.step in _REFRESHING else "no") for r in rules]
        return chosen(firm, _NOT_REFRESHED)
    more = [
        replace(one, step=f"refresh-{n}", after=(f"refresh-{n - 1}" if n > 2 else "refresh",))
        for n in range(2, times + 1)
    ]
    last = more[-1].step
    rest = [replace(r, after=tuple(last if a == "refresh" else a for a in r.after)) for r in rules if r is not one]
    return (one, *more, *rest)


_REFRESHING = ("refresh", "keep-back")
_NOT_REFRESHED = {"refresh": False, "keep-back": False}

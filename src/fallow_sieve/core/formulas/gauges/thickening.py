"""What thickens a sauce: the power of its starches per litre, and what acid, long boiling and freezing leave of it.

Power is in grams of corn starch that do the same work. A litre is one of the water in it. Rules of thumb.
"""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.formulas.analysis import WorkedFormula
from fallow_sieve.core.formulas.gauges.gauge import Gauge, on_band, unlimited
from fallow_sieve.core.ingredients import Function, Kind
from fallow_sieve.core.values import Band, Range, exactly, grams

SAUCE = "thickener"  # the use
TWO_FOR_ONE = "two-for-one"
PER_LITRE = "g/L as corn starch"
_HALVED = "tapioca-starch"
_STAYS = {"holds": 1.0, "holds best": 1.0, "holds fairly": 0.85, "thins": 0.6}  # of the power; rules of thumb
_WEEPS = ("weeps", "weeps a little")
# Sour: as much acid a litre as 40 g of vinegar.
_SOUR_G_PER_L = 40 * 0.07
_FROZEN = re.compile(r"\bfr(?:eez|oz)\w*", re.IGNORECASE)
_LONG = re.compile(
    r"\b(?:simmer|boil|cook|bubble)\w*\D{0,30}?(\d+)\s*(?:–|-|to)?\s*\d*\s*(min|hour|h\b)", re.IGNORECASE
)
_LONG_MINUTES = 10.0


@dataclass(frozen=True, slots=True)
class Thickener:
    """A thickener (slug): power per g relative to corn starch (1), how its gel looks, and what it bears."""

    slug: str
    power: Range
    look: str
    on_cooling: str
    note: str = ""
    acid: str = "holds"
    long_boil: str = "holds"
    freeze_thaw: str = "holds"


@dataclass(frozen=True, slots=True)
class SauceBand:
    """A consistency of sauces: its label, and the power a litre it wants (g of corn starch)."""

    consistency: str
    label: str
    low: float
    typical: float
    high: float


@dataclass(frozen=True, slots=True)
class Thickens:
    """One thickener in a sauce: its g, the g of corn starch that it does the work of, and what is left of that here."""

    ingredient: str
    name: str
    mass_g: float
    does_g: Range
    left_g: float
    minds: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Thickening:
    """How thick a sauce is: power a litre (g of corn starch; None where a power is unknown) with its range.

    `wanted` is what its consistency wants, `more` says in grams what is missing or too much; `unknown` names flours
    whose power is not on record.
    """

    consistency: str
    label: str
    litres: float
    per_litre: float | None
    low: float
    high: float
    wanted: Band
    parts: tuple[Thickens, ...]
    unknown: tuple[str, ...]
    more: str


def by_school(thickeners: Mapping[str, Thickener], school: str) -> Mapping[str, Thickener]:
    """Return the thickeners as a school counts them: two for one takes two grams of tapioca for one of corn starch."""
    if school != TWO_FOR_ONE or _HALVED not in thickeners:
        return thickeners
    tapioca = replace(thickeners[_HALVED], power=exactly(0.5), note="two for one, as your school has it")
    return {**thickeners, _HALVED: tapioca}


def thickening_of(
    analysis: WorkedFormula,
    thickeners: Mapping[str, Thickener],
    sauces: Mapping[str, SauceBand],
    acids: Mapping[str, float],
    consistency: str | None,
    method: str,
) -> Thickening | None:
    """Return how thick a sauce is; None without liquid. `acids` are by function, `method` is the cook's text."""
    litres = analysis.water_g / 1000
    if litres <= 0 or not sauces:
        return None
    bears = _conditions(analysis, acids, litres, method)
    parts, unknown = _parts(analysis, thickeners, bears)
    left = sum(p.left_g for p in parts)
    band = sauces.get(consistency or "") or _nearest(sauces, left / litres)
    low, high = (sum(f(p) for p in parts) / litres for f in (_least, _most))
    wanted = Band(band.low / 2, band.low, band.high, band.high * 1.5)
    per_litre = None if unknown and not parts else left / litres
    off = wanted.distance(left / litres) if per_litre is not None else 0.0
    more = _more(parts, left - band.typical * litres) if off else ""
    return Thickening(
        band.consistency, band.label, litres, per_litre, low, high, wanted, tuple(parts), tuple(unknown), more
    )


def _nearest(sauces: Mapping[str, SauceBand], per_litre: float) -> SauceBand:
    """The consistency that so much power gives, where none is said; the first of equals."""
    return min(sauces.values(), key=lambda s: max(s.low - per_litre, per_litre - s.high, 0.0))


def _least(p: Thickens) -> float:
    return p.left_g * p.does_g.low / p.does_g.typical


def _most(p: Thickens) -> float:
    return p.left_g * p.does_g.high / p.does_g.typical


def _conditions(analysis: WorkedFormula, acids: Mapping[str, float], litres: float, method: str) -> tuple[str, ...]:
    """What the sauce has to bear: acid, long boiling, freezing."""
    sour = sum(p.mass_g * _acid(p.functions, acids) for p in analysis.dough.parts)
    longest = max((float(n) * (60 if u.lower().startswith("h") else 1) for n, u in _LONG.findall(method)), default=0.0)
    found = ["acid"] if sour / litres >= _SOUR_G_PER_L else []
    found += ["long_boil"] if longest >= _LONG_MINUTES else []
    return (*found, *(["freeze_thaw"] if _FROZEN.search(method) else []))


def _acid(functions: Sequence[Function], acids: Mapping[str, float]) -> float:
    return max((acids[f] for f in functions if f in acids and f is not Function.BROWN_SUGAR), default=0.0)


_IN_WORDS = {"acid": "in so much acid", "long_boil": "boiled so long", "freeze_thaw": "after freezing"}


def _parts(
    analysis: WorkedFormula, thickeners: Mapping[str, Thickener], bears: Sequence[str]
) -> tuple[list[Thickens], list[str]]:
    found, unknown = [], []
    for p in analysis.dough.parts:
        item = analysis.shelf[p.ingredient]
        rule = thickeners.get(item.standard(Kind.THICKENER) or "")
        if rule is None:
            unknown += [item.name] if item.in_flour_base else []
            continue
        does = Range(*(p.mass_g * k for k in (rule.power.low, rule.power.typical, rule.power.high)))
        stays, minds = 1.0, []
        for what in bears:
            word = getattr(rule, what)
            stays *= _STAYS.get(word, 1.0)
            if word in _WEEPS or _STAYS.get(word, 1.0) < 1:
                minds.append(f"{word} {_IN_WORDS[what]}")
        found.append(Thickens(p.ingredient, item.name, p.mass_g, does, does.typical * stays, tuple(minds)))
    return found, unknown


def _more(parts: Sequence[Thickens], over_g: float) -> str:
    """What is missing or too much, in grams of the starch that does most of the work."""
    if not parts:
        return f"{grams(-over_g)} corn starch, or what does its work, is missing."
    most = max(parts, key=lambda p: p.left_g)
    mass = abs(over_g) * most.mass_g / most.left_g
    way = "less" if over_g > 0 else "more"
    two = f" (two for one: {grams(abs(over_g) * 2)})" if most.ingredient == _HALVED else ""
    return f"{grams(mass)} {way} {most.name.lower()}{two}."


def sauce_warnings(found: Thickening | None) -> tuple[str, ...]:
    """Return what a sauce will not bear, a sentence for each thickener and reason."""
    if found is None:
        return ()
    said = [f"{p.name} {mind}." for p in found.parts for mind in p.minds]
    return (*said, *(f"How {n.lower()} thickens is not on record." for n in found.unknown))


def thickness_gauge(found: Thickening | None) -> tuple[Gauge, ...]:
    """Return the gauge of a sauce's thickness, in g of corn starch a litre; none where there is no liquid."""
    if found is None:
        return ()
    if found.per_litre is None:
        return (unlimited("thickness", "Thickness", PER_LITRE, None, "nothing in it is known to thicken"),)
    return (on_band("thickness", "Thickness", PER_LITRE, found.per_litre, found.wanted, found.more.removesuffix(".")),)

"""What the judgement of a mix rests on, number by number, and the two tests that would make it surest.

Each number weighs as much as it moves the fit: the weight of its sieve, times its part of the sum there. How strong a
flour tastes is a judgement that no test replaces: it is counted apart.
"""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator
from dataclasses import dataclass
from typing import NamedTuple

from fallow_sieve.core.blends.analysis import Analysis, PartShare
from fallow_sieve.core.blends.metrics import FIELD_OF_METRIC, METRICS
from fallow_sieve.core.blends.uses import BandResult, Fit
from fallow_sieve.core.ingredients import Quality, Shelf, short_name
from fallow_sieve.core.values import Status

TASTE = "flavour_index"
SURE = frozenset({Quality.MEASURED, Quality.LABEL})
TESTS = {
    "water": ("soak", ("thirst_g_per_g",)),
    "sieve": ("sieve", ("grit_index",)),
    "card": ("photograph", ("lightness_l",)),
    "label": ("read the label of", ("protein_g", "fibre_g", "fat_g", "starch_g")),
}
_TEST_OF = {field: kind for kind, (_, fields) in TESTS.items() for field in fields}
OFFERED = 2
_LEAST_PCT = 1.0


@dataclass(frozen=True, slots=True)
class TestOffer:
    """A test that would make the judgement surer: of which flour, its kind, and how many points of what is unsure."""

    ingredient: str
    name: str
    kind: str
    points_pct: float


@dataclass(frozen=True, slots=True)
class Rests:
    """What a judgement rests on: % by how its numbers are known, % of taste, the best two tests, and one sentence.

    `unsure_pct` is what is neither measured nor from a label; `after_pct` that with the tests done.
    """

    by_quality: dict[str, float]
    taste_pct: float
    unsure_pct: float
    after_pct: float
    tests: tuple[TestOffer, ...]
    say: str


def rests_on(analysis: Analysis, fit: Fit, shelf: Shelf) -> Rests:
    """Return what the judgement of a mix rests on (% of its weight), from the numbers of `shelf`."""
    by_quality: dict[str, float] = {str(q): 0.0 for q in Quality}
    gains: dict[tuple[str, str], float] = defaultdict(float)
    names = {p.ingredient: p.name for p in analysis.parts}
    taste = 0.0
    weighed = list(_weighed(analysis, fit, shelf))
    total = sum(x.weight for x in weighed) or 1.0
    for x in weighed:
        pct = 100 * x.weight / total
        if x.field == TASTE:
            taste += pct
            continue
        by_quality[x.quality.value] += pct
        kind = _TEST_OF.get(x.field)
        if kind is not None and x.quality not in SURE:
            gains[x.ingredient, kind] += pct
    best = sorted(gains.items(), key=lambda g: -g[1])[:OFFERED]
    tests = tuple(TestOffer(s, names[s], kind, pct) for (s, kind), pct in best if pct >= _LEAST_PCT)
    unsure = sum(pct for q, pct in by_quality.items() if Quality(q) not in SURE)
    after = unsure - sum(t.points_pct for t in tests)
    return Rests(by_quality, taste, unsure, after, tests, _sentence(tests, unsure, after))


class _Number(NamedTuple):  # thousands are made at each move of a hand
    ingredient: str
    field: str
    quality: Quality
    weight: float


def _weighed(analysis: Analysis, fit: Fit, shelf: Shelf) -> Iterator[_Number]:
    """Every number that a sieve reads, with its weight in the fit."""
    for row in fit.bands:
        field = FIELD_OF_METRIC.get(row.band.metric)
        if field is not None and row.status is not Status.UNKNOWN:
            yield from _of_row(row, field, analysis, shelf)


def _of_row(row: BandResult, field: str, analysis: Analysis, shelf: Shelf) -> Iterator[_Number]:
    terms, mass, sums = [], 0.0, 0.0
    of_mix = METRICS[row.band.metric].basis == "mix"
    for part in analysis.parts:
        fact = shelf[part.ingredient].facts.get(field)
        share = part.mix_pct if of_mix else _share_of_flour(part)
        if fact is not None and share > 0:
            # A nought is a number too: half of the weight goes by mass, half by what it gives to the sum.
            gives = share * abs(fact.range.typical)
            terms.append((part.ingredient, fact.quality, share, gives))
            mass += share
            sums += gives
    half = 0.5 * row.band.weight
    for slug, quality, share, gives in terms:
        yield _Number(slug, field, quality, half * (share / mass + (gives / sums if sums > 0 else share / mass)))


def _share_of_flour(part: PartShare) -> float:
    return (part.flour_pct or 0.0) if part.in_flour_base else 0.0


def _sentence(tests: tuple[TestOffer, ...], unsure: float, after: float) -> str:
    """The tests by name: "sieve and soak the sorghum flour: 43 → 21 % unsure"."""
    if not tests:
        return ""
    verbs = [TESTS[t.kind][0] for t in tests]
    called = [short_name(t.name).lower() for t in tests]
    if len(tests) == 1 or called[0] != called[1]:
        said = " and ".join(f"{verb} the {name}" for verb, name in zip(verbs, called, strict=True))
    else:
        said = f"{verbs[0]} and {verbs[1]} the {called[0]}"
    return f"{said[0].upper()}{said[1:]}: {unsure:.0f} → {after:.0f} % neither measured nor from a label."

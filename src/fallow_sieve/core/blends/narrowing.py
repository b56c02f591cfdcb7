"""What the judgement of a mix rests on, number by number, and the two tests that would make it surest.

Each number weighs as much as it moves the fit: the weight of its sieve, times its part of the sum there. How strong a
flour tastes is a judgement that no test replaces: it is counted apart.
"""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends.analysis import Analysis
from fallow_sieve.core.blends.metrics import FIELD_OF_METRIC, METRICS
from fallow_sieve.core.blends.uses import Fit
from fallow_sieve.core.ingredients import Fact, Quality, Shelf, short_name
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
    weight_of = dict.fromkeys(Quality, 0.0)
    gains: dict[tuple[str, str], float] = defaultdict(float)
    taste = 0.0
    for field, numbers in _weighed(analysis, fit, shelf):
        if field == TASTE:
            taste += sum(weight for *_, weight in numbers)
            continue
        kind = _TEST_OF.get(field, "")
        for slug, quality, weight in numbers:
            weight_of[quality] += weight
            if kind and quality not in SURE:
                gains[slug, kind] += weight
    pct = 100 / ((taste + sum(weight_of.values())) or 1.0)
    by_quality = {str(quality): pct * weight for quality, weight in weight_of.items()}
    tests = _best(gains, pct, {p.ingredient: p.name for p in analysis.parts})
    unsure = pct * sum(weight for quality, weight in weight_of.items() if quality not in SURE)
    after = unsure - sum(t.points_pct for t in tests)
    return Rests(by_quality, pct * taste, unsure, after, tests, _sentence(tests, unsure, after))


def _best(gains: Mapping[tuple[str, str], float], pct: float, names: Mapping[str, str]) -> tuple[TestOffer, ...]:
    """The tests that would make the most of the judgement surer; `pct` turns a weight into % of it."""
    best = sorted(gains.items(), key=lambda g: -g[1])[:OFFERED]
    return tuple(TestOffer(slug, names[slug], kind, pct * w) for (slug, kind), w in best if pct * w >= _LEAST_PCT)


_Number = tuple[str, Quality, float]  # ingredient, how it is known, weight in the fit: many at each move of a hand
_Shares = Sequence[tuple[str, Mapping[str, Fact], float]]  # ingredient, its facts, % of the mix or of the flour base


def _weighed(analysis: Analysis, fit: Fit, shelf: Shelf) -> Iterator[tuple[str, list[_Number]]]:
    """The field that each sieve reads, and its numbers with their weight in the fit."""
    of_mix = [(p.ingredient, shelf[p.ingredient].facts, p.mix_pct) for p in analysis.parts if p.mix_pct > 0]
    of_flour = [
        (p.ingredient, shelf[p.ingredient].facts, p.flour_pct)
        for p in analysis.parts
        if p.in_flour_base and p.flour_pct
    ]
    for row in fit.bands:
        metric = row.band.metric
        field = FIELD_OF_METRIC.get(metric)
        if field is not None and row.status is not Status.UNKNOWN:
            yield field, _of_row(0.5 * row.band.weight, field, of_mix if METRICS[metric].basis == "mix" else of_flour)


def _of_row(half: float, field: str, shares: _Shares) -> list[_Number]:
    """The numbers of one sieve; a nought is one too, so `half` its weight goes by mass, and half by what each gives."""
    found = [(slug, fact, share) for slug, facts, share in shares if (fact := facts.get(field)) is not None]
    gives = [share * abs(fact.range.typical) for _, fact, share in found]
    mass, sums = sum([share for *_, share in found]), sum(gives)
    by_mass, by_sum = (half / mass, half / sums) if sums > 0 else (2 * half / (mass or 1.0), 0.0)
    return [(s, f.quality, by_mass * share + by_sum * g) for (s, f, share), g in zip(found, gives, strict=True)]


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

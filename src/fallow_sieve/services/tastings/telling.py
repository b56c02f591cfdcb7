"""What answers say, told: means, pairs, the test and the verdict of the main question."""

from __future__ import annotations

import itertools
from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.tastings import discrimination
from fallow_sieve.core.tastings.answers import Choices, Marks, Method, RightAnswers, Ticks, plain
from fallow_sieve.core.tastings.liking import LEVEL, differences, mean_of, sample_intervals
from fallow_sieve.core.tastings.permutation import Row
from fallow_sieve.core.tastings.ranks import RankPair, friedman, rank_pairs, ranked, skillings_mack
from fallow_sieve.core.tastings.ticks import word_tests
from fallow_sieve.core.tastings.verdicts.choices import noticed_verdict, paired_verdict
from fallow_sieve.core.tastings.verdicts.liking import WORTH, Margin, liking_verdict
from fallow_sieve.core.tastings.verdicts.ranking import before, mean_place, ranking_verdict
from fallow_sieve.core.tastings.verdicts.told import Verdict
from fallow_sieve.core.tastings.verdicts.words import words_verdict
from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.shared import rounded
from fallow_sieve.formats.tastings import MeanTold, NoticedTold, PairTold, TastingAnswer, TestTold, WordTold

ATE = "A tasting says nothing of what is safe to eat: allergens, gluten and raw dough are looked at before it."
_EXACT, _SAMPLED = "permutation within tasters, every arrangement", "permutation within tasters, 99,999 drawn"


@dataclass(frozen=True, slots=True)
class Asking:
    """What was set beforehand: the difference worth having (points), a margin (points) of a new sample, the level."""

    worth: float = WORTH
    margin: float | None = None
    new: str = ""
    level: float = LEVEL


Answers = Marks | Choices | RightAnswers | Ticks


def told(answers: Answers, method: Method, asking: Asking | None = None) -> TastingAnswer:
    """Return what answers to the main question say. Raises BadInputError where nothing can be compared."""
    asking = asking or Asking()
    if isinstance(answers, Choices):
        return _choices(answers, asking)
    if isinstance(answers, RightAnswers):
        return _right(answers, method, asking)
    if isinstance(answers, Ticks):
        return _ticks(answers, asking)
    return _ranking(answers, asking) if method is Method.RANKING else _liking(answers, asking)


def _answer(method: Method, n: int, found: Verdict, names: Sequence[str], test: str, **more: object) -> TastingAnswer:
    between = found.tasters_between
    return TastingAnswer.model_validate(
        {
            "method": method,
            "n": n,
            "global": None if found.test is None else _test(test, found.test.p, found.test.exact),
            "winner": None if found.winner is None else names[found.winner],
            "verdict": found.say,
            "tasters_next": found.tasters_next,
            "tasters_between": between,
            "foot": found.foot,
            "pairs": [],
            "cautions": [ATE],
            **more,
        }
    )


def _test(name: str, p: float, exact: bool = False) -> TestTold:
    return TestTold(test=name, exact=exact, p=_r(p))


def _permuted(found: Verdict) -> str:
    return _EXACT if found.test is not None and found.test.exact else _SAMPLED


def compared(rows: Sequence[Row]) -> list[Row]:
    """Return the rows of tasters who tasted two or more, in points or places."""
    return [r for r in rows if sum(v is not None for v in r) > 1]


def _liking(answers: Marks, asking: Asking) -> TastingAnswer:
    rows, names = compared(answers.rows), answers.samples
    margin = _margin(names, asking)
    found = liking_verdict(names, rows, asking.worth, margin, asking.level)
    means = sample_intervals(rows) if rows else []
    samples = [
        MeanTold(sample=s, mean=_r(m.value), low=rounded(m.low), high=rounded(m.high), n=m.n)
        for s, m in zip(names, means, strict=False)
        if m.n
    ]
    pairs = [p for a, b in itertools.combinations(range(len(names)), 2) if (p := _pair(names, rows, a, b))]
    return _answer(Method.LIKING, len(rows), found, names, _permuted(found), samples=samples, pairs=pairs,
                   beside=_beside(rows))  # fmt: skip


def _margin(names: Sequence[str], asking: Asking) -> Margin | None:
    """Which sample is the new one: as said, else named so, else the last; the first other is the old."""
    if asking.margin is None:
        return None
    keys = [plain(n) for n in names]
    if asking.new and plain(asking.new) not in keys:
        raise BadInputError(f"no sample {asking.new!r}", place="--new", right=f"one of {', '.join(names)}")
    named = next((i for i, k in enumerate(keys) if "new" in k.split()), len(keys) - 1)
    new = keys.index(plain(asking.new)) if asking.new else named
    return Margin(asking.margin, new, next(i for i in range(len(keys)) if i != new))


def _pair(names: Sequence[str], rows: Sequence[Row], a: int, b: int) -> PairTold | None:
    found = differences(rows, a, b)
    if not found:
        return None
    d = mean_of(found)
    return PairTold(a=names[a], b=names[b], difference=_r(d.value), low=rounded(d.low), high=rounded(d.high),
                    p=rounded(d.p), n=d.n)  # fmt: skip


def _beside(rows: Sequence[Row]) -> list[TestTold]:
    """The usual tests by ranks beside the exact one; none where everybody tied everything."""
    if not rows:
        return []
    try:
        if any(v is None for r in rows for v in r):
            return [_test("Skillings and Mack, χ²", skillings_mack(rows)[1])]
        found = friedman([[v for v in r if v is not None] for r in rows])
    except BadInputError:
        return []
    return [_test("Friedman, χ²", found.p), _test("Iman and Davenport, F", found.f_p)]


def _ranking(answers: Marks, asking: Asking) -> TastingAnswer:
    rows, names = [ranked(r) for r in compared(answers.rows)], answers.samples
    found = ranking_verdict(names, rows, asking.level)
    samples = [
        MeanTold(sample=s, mean=_r(mean_place(rows, j)), low=None, high=None, n=n)
        for j, s in enumerate(names)
        if (n := sum(r[j] is not None for r in rows))
    ]
    complete = bool(rows) and all(v is not None for r in rows for v in r)
    approximate = {(p.a, p.b): p for p in rank_pairs([[v or 0.0 for v in r] for r in rows])} if complete else {}
    pairs = [
        _rank_pair(names, rows, (a, b), approximate.get((a, b)))
        for a, b in itertools.combinations(range(len(names)), 2)
    ]
    return _answer(Method.RANKING, len(rows), found, names, _permuted(found), samples=samples, pairs=pairs,
                   beside=_beside(rows))  # fmt: skip


def _rank_pair(names: Sequence[str], rows: Sequence[Row], places: tuple[int, int], rough: RankPair | None) -> PairTold:
    a, b = places
    found, d = before(rows, a, b), differences(rows, a, b)
    near = {} if rough is None else {"conover_holm": _r(rough.conover_holm_p), "nemenyi": _r(rough.nemenyi_p)}
    mean = sum(d) / len(d) if d else 0.0
    return PairTold(a=names[a], b=names[b], difference=_r(mean), low=None, high=None, p=_r(found.p), n=len(d),
                    before=found.first, approximate=near)  # fmt: skip


def _choices(answers: Choices, asking: Asking) -> TastingAnswer:
    first, second = answers.chosen
    found = paired_verdict(answers.samples, first, second, answers.neither, asking.level)
    n = first + second
    samples = [
        MeanTold(sample=s, mean=float(c), low=None, high=None, n=n)
        for s, c in zip(answers.samples, answers.chosen, strict=True)
    ]
    return _answer(Method.PAIRED, n, found, answers.samples, "sign test, two-sided", samples=samples,
                   neither=answers.neither)  # fmt: skip


def _right(answers: RightAnswers, method: Method, asking: Asking) -> TastingAnswer:
    way = discrimination.Forced(method)
    found = noticed_verdict(way, answers.right, answers.answers, answers.repeats, asking.level)
    sizes = discrimination.noticed(way, answers.right, answers.answers)
    noticed = NoticedTold(
        right=sizes.right,
        answers=sizes.answers,
        share=_three(sizes.share),
        discriminators=_three(sizes.discriminators),
        d_prime=_three(sizes.d_prime),
    )
    return _answer(method, answers.answers, found, (), "binomial, one-sided", samples=[], noticed=noticed)


def _three(values: tuple[float, float, float]) -> tuple[float, float, float]:
    return _r(values[0]), _r(values[1]), _r(values[2])


def _ticks(answers: Ticks, asking: Asking) -> TastingAnswer:
    found = words_verdict(answers.samples, answers.rows, asking.level)
    tests = word_tests(answers.rows) if found.test is not None else []
    words = [
        WordTold(word=t.word, counts=dict(zip(answers.samples, t.counts, strict=True)), p=_r(t.test.p),
                 corrected_p=_r(t.corrected_p))
        for t in tests
    ]  # fmt: skip
    n = max(sum(any(v is not None for v in r) for r in rows) for rows in answers.rows.values())
    return _answer(Method.WORDS, n, found, answers.samples, "permutation within tasters, corrected for the words",
                   samples=[], words=words)  # fmt: skip


def _r(value: float) -> float:
    return rounded(value) or 0.0

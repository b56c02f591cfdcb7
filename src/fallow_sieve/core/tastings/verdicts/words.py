"""What ticked words say: which tell the samples apart, with Holm's correction over all words that were offered."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from fallow_sieve.core.tastings.liking import LEVEL
from fallow_sieve.core.tastings.permutation import Row
from fallow_sieve.core.tastings.ticks import WordTest, word_tests
from fallow_sieve.core.tastings.verdicts.told import Verdict, foot_of, least_tasters, listed, once_in, people, too_few


def words_verdict(names: Sequence[str], ticks: Mapping[str, Sequence[Row]], level: float = LEVEL) -> Verdict:
    """Return which words tell samples apart; by word, rows of tasters with 1 (ticked), 0 or None (not tasted)."""
    n = max((sum(1 for r in rows if any(v is not None for v in r)) for rows in ticks.values()), default=0)
    if n < least_tasters(len(names)):
        return Verdict(too_few(n, len(names)), None, None, None, foot_of(n))
    found = word_tests(ticks)
    apart = [t for t in found if t.corrected_p <= level]
    test = min(found, key=lambda t: t.corrected_p).test if found else None
    if not apart:
        words = listed([f"“{w}”" for w in ticks]) if ticks else "no word"
        say = f"No difference shown by {words}. {people(n)}; a lesser one may be there."
        return Verdict(say, None, test, None, foot_of(n))
    say = "They differ by " + "; ".join(_told(t, names) for t in apart) + "."
    return Verdict(f"{say} {people(n)}.", None, test, None, foot_of(n))


def _told(t: WordTest, names: Sequence[str]) -> str:
    counts = ", ".join(f"{name} {c}" for name, c in zip(names, t.counts, strict=True))
    return f"“{t.word}” ({counts}; 1 time in {once_in(t.corrected_p)})"

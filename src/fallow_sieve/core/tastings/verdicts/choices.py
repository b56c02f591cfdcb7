"""What choices say: of two one is preferred, and whether a difference was noticed."""

from __future__ import annotations

from collections.abc import Sequence

from fallow_sieve.core.tastings.discrimination import GUESSED, Forced, Noticed, answers_for, least_right, noticed
from fallow_sieve.core.tastings.liking import LEVEL
from fallow_sieve.core.tastings.permutation import GlobalTest
from fallow_sieve.core.tastings.preference import preferences_needed, preferred
from fallow_sieve.core.tastings.verdicts.ranking import WORTH_SHARE, not_shown
from fallow_sieve.core.tastings.verdicts.told import LEAST_OF_TWO, Verdict, by_chance, foot_of, once_in, people, too_few

ALIKE = 0.30  # share of people who would notice, under which a swap is called small: a rule of thumb


def paired_verdict(names: Sequence[str], first: int, second: int, neither: int, level: float = LEVEL) -> Verdict:
    """Return what a choice of one of two says (counts); who chose neither is shown and not counted."""
    n, found = first + second, preferred(first, second)
    chose = f" {people(neither)} chose neither." if neither else ""
    foot, wanted = foot_of(n + neither), preferences_needed(WORTH_SHARE)
    if n < LEAST_OF_TWO:
        return Verdict(too_few(n, 2) + chose, None, None, None, foot)
    test = GlobalTest(found.p, True)
    if found.p > level:
        return Verdict(not_shown(names, n) + chose, None, test, wanted, foot)
    best = 0 if first > second else 1
    say = (
        f"{names[best]} won. {people(n)}; {names[best]} before {names[1 - best]} at {max(first, second)} of {n} seats. "
        f"{by_chance(found.p)}{chose}"
    )
    return Verdict(say, best, test, wanted, foot)


def noticed_verdict(method: Forced, right: int, answers: int, repeats: bool = False, level: float = LEVEL) -> Verdict:
    """Return whether a difference was noticed, by right answers of so many (counts).

    `repeats` says that somebody answered more than once: then it is said of these people alone.
    Raises BadInputError where more are right than answered.
    """
    found, least = noticed(method, right, answers), least_right(method, answers, level)
    foot = "For these people alone: somebody answered more than once." if repeats else foot_of(answers)
    test, wanted = GlobalTest(found.p, True), answers_for(method)
    if least is None:
        return Verdict(_too_few(method, answers, level), None, test, wanted, foot)
    guessed = f"{answers * GUESSED[method]:.1f}".removesuffix(".0")
    counts = f"{right} of {answers} right, {guessed} by guessing; chance does this 1 time in {once_in(found.p)}."
    word = "Noticed" if found.p <= level else "Not shown to be noticed"
    return Verdict(f"{word}: {counts}{_few_would(found)}", None, test, wanted, foot)


def _few_would(found: Noticed) -> str:
    """A small swap is said where the upper limit of those who would notice is under what was set."""
    upper = found.discriminators[2]
    return f" At most {100 * upper:.0f} % of such people would notice it (95 % sure)." if upper < ALIKE else ""


def _too_few(method: Forced, answers: int, level: float) -> str:
    least = next(n for n in range(1, 20) if least_right(method, n, level) is not None)
    chance = once_in(GUESSED[method] ** answers)
    return (
        f"Too few to say. With {people(answers)} even all right comes by chance 1 time in {chance}; "
        f"{least} are the least."
    )

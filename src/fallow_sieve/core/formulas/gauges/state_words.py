"""The state of a formula in words: what holds it, what is not judged, and what it comes to."""

from __future__ import annotations

from collections.abc import Sequence

from fallow_sieve.core.blends import Use
from fallow_sieve.core.formulas.analysis import FormulaAnalysis
from fallow_sieve.core.formulas.gauges.gauge import Gauge
from fallow_sieve.core.values import number_word, state_sentence


def said(gauges: Sequence[Gauge], use: Use | None) -> str:
    """Return the state in one sentence."""
    return "No use is chosen, so nothing is judged." if use is None else state_sentence(gauges)


def unjudged(in_words: Sequence[str]) -> str:
    """Return how many lines in words are not judged, after the state; empty where there are none."""
    if not in_words:
        return ""
    one = len(in_words) == 1
    return f" {number_word(len(in_words))} line{'' if one else 's'} in words {'is' if one else 'are'} not judged."


def odd(warnings: Sequence[str]) -> str:
    """Return how much there is to look at, after the state."""
    return f" {len(warnings)} to look at." if warnings else ""


def said_more(analysis: FormulaAnalysis, in_words: Sequence[str], is_sauce: bool) -> str:
    """Return what it comes to: g of dough, flour and water, or of a sauce and its water."""
    least = "at least " if in_words else ""
    if is_sauce:
        return f"{least}{analysis.dough_g:.0f} g sauce · {least}{analysis.water_g:.0f} g water in it"
    if analysis.hydration_pct is None:
        return "There is no flour in the dough yet."
    return (
        f"{least}{analysis.dough_g:.0f} g dough on {analysis.flour_g:.0f} g flour · "
        f"{least}{analysis.water_g:.0f} g water, {analysis.hydration_pct:.0f} % of flour"
    )

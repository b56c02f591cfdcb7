"""The words in which a taster is asked."""

from __future__ import annotations

from fallow_sieve.core.tastings.answers import Method
from fallow_sieve.core.tastings.panels import Asked


def question_of(asked: Asked) -> str:
    """Return the main question as a taster reads it."""
    return {
        Method.LIKING: "How much do you like it?",
        Method.RANKING: "Which is best, which next?",
        Method.PAIRED: "Which do you like better?",
        Method.TWO_AFC: f"Which is more {asked.attribute}?",
        Method.TRIANGLE: "Two are the same. Which is the odd one?",
        Method.TETRAD: "They are two pairs. Which belong together?",
        Method.WORDS: "What fits? Tick all that do.",
    }[asked.main]

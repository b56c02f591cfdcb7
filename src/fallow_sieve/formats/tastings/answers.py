"""What `tasting` prints with `--json`."""

from __future__ import annotations

from pydantic import ConfigDict, Field

from fallow_sieve.formats.shared import Out


class MeanTold(Out):
    """A sample's mean (points of liking; of ranking its mean place; of a choice or a word its count) and interval."""

    sample: str
    mean: float
    low: float | None
    high: float | None
    n: int


class TestTold(Out):
    """The global test: how it was made, whether exactly, and p."""

    __test__ = False

    test: str
    exact: bool
    p: float


class PairTold(Out):
    """Two samples: a − b in points (or mean places) with its 95 % interval, and p within tasters.

    `before` is at how many of `n` seats a stood before b; `approximate` holds p by Conover with Holm, and by Nemenyi.
    """

    a: str
    b: str
    difference: float
    low: float | None
    high: float | None
    p: float | None
    n: int
    before: int | None = None
    approximate: dict[str, float] = Field(default_factory=dict)


class NoticedTold(Out):
    """A forced choice: right of so many, shares (0–1) and d′ with 95 % limits, as value, low, high."""

    right: int
    answers: int
    share: tuple[float, float, float]
    discriminators: tuple[float, float, float]
    d_prime: tuple[float, float, float]


class WordTold(Out):
    """A word: ticks by sample (counts), p exact and corrected for the number of words."""

    word: str
    counts: dict[str, int]
    p: float
    corrected_p: float


class TastingAnswer(Out):
    """What a tasting said, by its main question."""

    model_config = ConfigDict(extra="forbid", serialize_by_alias=True, validate_by_name=True)

    method: str
    n: int
    samples: list[MeanTold]
    global_: TestTold | None = Field(alias="global")
    beside: list[TestTold] = Field(default_factory=list)
    pairs: list[PairTold]
    winner: str | None
    verdict: str
    tasters_next: int | None
    tasters_between: tuple[int, int] | None = None
    noticed: NoticedTold | None = None
    words: list[WordTold] = Field(default_factory=list)
    neither: int = 0
    foot: str
    cautions: list[str] = Field(default_factory=list)

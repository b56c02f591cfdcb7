"""What `experiment` prints with `--json`."""

from __future__ import annotations

from pydantic import Field

from fallow_sieve.formats.shared import Out

Shares = dict[str, float]


class RunTold(Out):
    """A bake of the plan: order, day, shares by part, and the run whose twin it is."""

    order: int
    day: int
    x: Shares
    replicate_of: int | None


class PointTold(Out):
    """A point with mean and interval, that 9 times in 10 holds (response unit)."""

    x: Shares
    mean: float
    low: float
    high: float


class NextTold(Out):
    """A next bake, and what it promises (response unit)."""

    x: Shares
    gain: float


class StopTold(Out):
    """Whether to bake on: what may still be lost (response unit), what to do, in words."""

    loss: float
    advice: str
    say: str
    ask: bool


class GainTold(Out):
    """What the best is over today's blend (response unit), how surely it is better (0–1)."""

    more: float
    low: float
    high: float
    sure: float
    say: str


class MapTold(Out):
    """The cautious map in short: best point, its gain on today's, next bakes, whether to stop, noise of a bake."""

    best: PointTold
    today: PointTold
    gain: GainTold
    next: NextTold
    more: list[NextTold]
    stop: StopTold
    lucky: str
    noise: float
    mean_se: float
    fitted: int


class SourceTold(Out):
    """A line of the analysis of variance."""

    ss: float
    df: int
    ms: float


class LackTold(Out):
    """What the model misses against what replicates differ; f and p null where that cannot be tested."""

    ss: float
    df: int
    pure_ss: float
    pure_df: int
    f: float | None
    p: float | None


class FitTold(Out):
    """Least squares by one polynomial: coefficients and standard errors by term (response unit), how it fits."""

    coefficients: dict[str, float]
    se: dict[str, float]
    anova: dict[str, SourceTold]
    f: float | None
    p: float
    lack_of_fit: LackTold
    r2: float
    adjusted_r2: float | None
    predicted_r2: float
    press: float
    rmse: float
    fitted: list[float]
    residuals: list[float]
    leverage: list[float]
    studentized: list[float]


class ExperimentAnswer(Out):
    """The region's corners, the bakes planned, the map (null: none yet), least squares by model, what to know."""

    corners: list[Shares]
    runs: list[RunTold]
    map: MapTold | None
    least_squares: dict[str, FitTold] = Field(default_factory=dict)
    checks: list[str]
    mean_se_planned: float

"""What `trial` and `faults` print with `--json`."""

from __future__ import annotations

from pydantic import Field

from fallow_sieve.formats.shared import Out, Strict


class FaultCaseIn(Strict):
    """A fault to rank: what holds of the bake, and what is known of it."""

    fault: str = Field(min_length=1, max_length=80)
    applies: list[str] = Field(default_factory=list, max_length=40)
    quantities: dict[str, float] = Field(default_factory=dict, max_length=200)


class CauseBrief(Out):
    """A cause with its rank, p, evidence −2…2 and the quantities that were not noted."""

    cause: str
    rank: int
    p: float
    evidence: float
    not_noted: list[str]


class FaultsAnswer(Out):
    """Every cause that applies, the likeliest first; what is left for something else; what would tell most."""

    fault: str
    causes: list[CauseBrief]
    something_else: float
    tells_most: str | None


class ChangeTold(Out):
    """The change that a cause asks for, and what it costs."""

    say: str
    lever: str
    target: str
    op: str
    size: float
    unit: str
    side_effect: str


class CauseTold(CauseBrief):
    """A cause with what speaks for and against it in a sentence, and the change to try."""

    name: str
    likelihood: str
    say: str
    against: str
    lesson: str
    change: ChangeTold


class FaultTold(Out):
    """A fault that was marked, its strength, the arm that has it most, and its causes."""

    fault: str
    name: str
    strength: float
    status: str
    arm: str
    causes: list[CauseTold]
    something_else: float
    tells_most: str | None
    asks: str
    say: str


class BandTold(Out):
    """The limits of a measure in its unit."""

    hard_low: float
    good_low: float
    good_high: float
    hard_high: float


class MeasureTold(Out):
    """A measure: value (a `word` for it on a scale of words) and sd in its unit, how it was taken, its band."""

    label: str
    unit: str
    value: float
    word: str
    sd: float | None
    how: str
    as_planned: bool
    status: str
    band: BandTold | None
    planned: float | None


class ChangeSeen(Out):
    """A change in a group: in words, in steps, meant or happened, and what follows from it."""

    group: str
    say: str
    steps: float
    meant: bool
    follows: list[str]


class EffectSeen(Out):
    """What a measure did from one bake to another, with its 95 % half width; whether it is shown."""

    measure: str
    before: float
    after: float
    difference: float
    half_width: float
    n_before: int
    n_after: int
    shown: bool
    leans_on_the_table: bool
    say: str


class DifferenceTold(Out):
    """What changed between two bakes, and what it did."""

    things_changed: int
    say: str
    changes: list[ChangeSeen]
    follows: list[str]
    may_have_changed: list[str]
    effects: list[EffectSeen]


class JointTold(Out):
    """A cause over all faults that were marked: 1 − Π (1 − p)."""

    cause: str
    name: str
    share: float
    faults: list[str]


class TrialAnswer(Out):
    """What a bake measured, what went otherwise, its faults with their causes, and its difference from another."""

    name: str
    say: str
    state: str
    measures: dict[str, MeasureTold]
    deviations: list[ChangeSeen]
    faults: list[FaultTold]
    together: list[JointTold]
    kept: str
    difference: DifferenceTold | None
    cautions: list[str]

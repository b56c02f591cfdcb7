"""What `ripen`, `rise`, `starter` and `schedule` print with `--json`."""

from __future__ import annotations

from collections.abc import Sequence

from pydantic import Field

from fallow_sieve.core.schedule.leaven.builds import LeavenPlan
from fallow_sieve.core.schedule.ripening.asked import Expected
from fallow_sieve.core.schedule.ripening.path import Ripening
from fallow_sieve.formats.shared import Out


class RipenAnswer(Out):
    """When a dough may be used from, is ripe, is over and over the rim (hours; null: not on its path), and its end."""

    early_h: float | None
    ripe_h: float | None
    over_h: float | None
    rim_h: float | None
    ripeness_at_end: float
    dough_c_at_end: float
    notes: list[str]


class RiseAnswer(Out):
    """When a watched dough will have risen as wanted, with the 95 % interval (hours), and what to beware of."""

    ripe_h: float | None
    low_h: float | None
    high_h: float | None
    flags: list[str]


class BuildOut(Out):
    """One build: grams, hours to its peak, and from when to when it may be used."""

    seed_g: float
    flour_g: float
    water_g: float
    peak_h: float
    usable_from_h: float
    usable_to_h: float


class StarterAnswer(Out):
    """Builds in the order of the work, and where the grams go: from the jar, kept, lost in bowls, left over."""

    builds: list[BuildOut]
    from_jar_g: float
    keep_back_g: float
    lost_g: float
    left_over_g: float
    cautions: list[str]


def ripen_answer(found: Ripening, notes: Sequence[str]) -> RipenAnswer:
    """Return the document of a ripening (hours)."""
    return RipenAnswer(
        early_h=found.early_h,
        ripe_h=found.ripe_h,
        over_h=found.over_h,
        rim_h=found.rim_h,
        ripeness_at_end=found.ripeness_at_end,
        dough_c_at_end=found.dough_c_at_end,
        notes=list(notes),
    )


def rise_answer(found: Expected) -> RiseAnswer:
    """Return the document of a watched rise (hours)."""
    return RiseAnswer(ripe_h=found.ripe_h, low_h=found.low_h, high_h=found.high_h, flags=list(found.flags))


def starter_answer(plan: LeavenPlan, cautions: Sequence[str]) -> StarterAnswer:
    """Return the document of a leaven's builds (g, hours)."""
    builds = [
        BuildOut(
            seed_g=b.seed_g,
            flour_g=b.flour_g,
            water_g=b.water_g,
            peak_h=b.peak_h,
            usable_from_h=b.usable_from_h,
            usable_to_h=b.usable_to_h,
        )
        for b in plan.builds
    ]
    return StarterAnswer(
        builds=builds,
        from_jar_g=plan.from_jar_g,
        keep_back_g=plan.keep_back_g,
        lost_g=plan.lost_g,
        left_over_g=plan.left_over_g,
        cautions=list(cautions),
    )


class GramsOut(Out):
    """What goes in at a step: its name, g (null: not weighed), and °C where it matters."""

    name: str
    mass_g: float | None
    temp_c: float | None


class PhaseOut(Out):
    """A phase of a bake: from when to when (UTC), at what °C of the oven."""

    at: str
    end: str
    oven_c: float


class StepOut(Out):
    """One step of a plan: when (UTC), where, in which oven at what °C, when hands are wanted, and its dough.

    `end` is when the next may begin. `ripeness` and `dough_c` are at its end, null where it is no rise. `gate` is from
    when to when it may end, `likely` 19 times in 20 when it is ripe, `rim_at` when it climbs over the rim; `curve` is
    the ripeness from its beginning to its end, in equal steps of time. `state` is planned, running or done.
    """

    product: str
    step: str
    after: list[str]
    do: str
    kind: str
    at: str
    end: str
    place: str
    oven: str | None
    temp_c: float | None
    hands: list[list[str]]
    ripeness: float | None
    dough_c: float | None
    state: str = "planned"
    announced: str | None = None
    pinned: bool = False
    grams: list[GramsOut] = Field(default_factory=list)
    notes: list[str] = Field(default_factory=list)
    gate: list[str] | None = None
    likely: list[str] | None = None
    rim_at: str | None = None
    curve: list[float] = Field(default_factory=list)
    flags: list[str] = Field(default_factory=list)
    phases: list[PhaseOut] = Field(default_factory=list)


class ReadyOut(Out):
    """When a product is ready (UTC)."""

    id: str
    ready_at: str


class HeatOut(Out):
    """When an oven is switched on or turned, to what °C, by when it is there (UTC), and for which bake."""

    oven: str
    at: str
    to_c: float
    hot_at: str
    product: str
    step: str


class ConflictOut(Out):
    """What clashes, in words, and one time that works (UTC; null where none was found)."""

    say: str
    works: str | None


class HoursOut(Out):
    """A stretch in which people are asleep, or at an edge of the day, or that is blocked (UTC)."""

    at: str
    end: str
    kind: str


class PaceOut(Out):
    """What the kitchen's rises say of a product's pace: a factor on its hours, from how many rises, in words."""

    id: str
    factor: float
    rises: int
    level: str
    say: str


class WarmthOut(Out):
    """How warm an oven is at an instant (UTC), °C; between two of them, straight."""

    oven: str
    at: str
    temp_c: float


class OptionOut(Out):
    """A step that may be left out: what it is, and whether it is taken."""

    product: str
    step: str
    do: str
    on: bool


class ScheduleAnswer(Out):
    """The answer of `fallow-sieve schedule --json`."""

    status: str
    say: str
    begin_at: str | None
    latest_start: str | None
    products: list[ReadyOut]
    steps: list[StepOut]
    heating: list[HeatOut]
    bother: float | None
    gap: float | None
    conflicts: list[ConflictOut]
    cautions: list[str]
    now: str = ""
    hours: list[HoursOut] = Field(default_factory=list)
    paces: list[PaceOut] = Field(default_factory=list)
    visits: int = 0
    options: list[OptionOut] = Field(default_factory=list)
    learnt: list[str] = Field(default_factory=list)
    warmth: list[WarmthOut] = Field(default_factory=list)

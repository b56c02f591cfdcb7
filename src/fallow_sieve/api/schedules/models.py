"""What requests and answers about schedules carry. Their content is the schedule file itself."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field, RootModel

from fallow_sieve.api.models import (
    DocumentOut,
    DraftIn,
    DraftOut,
    In,
    ListOut,
    Name,
    NewDocumentIn,
    Out,
    RevisionOut,
    RowId,
    SummaryOut,
    Text,
)
from fallow_sieve.core.schedule.ways_out import WayOut
from fallow_sieve.formats.schedule import KitchenIn, PlanFile, ScheduleAnswer
from fallow_sieve.services.schedule.standing import ScheduleStanding
from fallow_sieve.services.schedule.why import Reason
from fallow_sieve.store import StarterOnRecord

Instant = Annotated[str, Field(min_length=10, max_length=40)]
StepName = Annotated[str, Field(min_length=1, max_length=80)]


class NewScheduleIn(NewDocumentIn):
    """A schedule to add."""

    content: PlanFile


class ScheduleDraftIn(DraftIn):
    """A schedule's draft to save."""

    content: PlanFile


class ScheduleDraftOut(DraftOut):
    """A schedule as it stands."""

    content: PlanFile


class ScheduleRevisionOut(RevisionOut):
    """A kept revision of a schedule."""

    content: PlanFile


class ScheduleOut(DocumentOut):
    """A schedule with its draft and revisions."""

    draft: ScheduleDraftOut
    revisions: list[ScheduleRevisionOut]


class ScheduleSummary(SummaryOut):
    """A schedule in a list, and how it stands."""

    standing: ScheduleStanding


class ScheduleList(ListOut):
    """A page of schedules."""

    items: list[ScheduleSummary]


class PlanIn(In):
    """A schedule to find times for."""

    content: PlanFile


class PlanLine(Out):
    """What was found so far: a coarse plan, then the plan, or why there is none; `done` ends."""

    coarse: ScheduleAnswer | None = None
    plan: ScheduleAnswer | None = None
    done: bool = False


class StepIn(In):
    """A step of a product in a schedule."""

    content: PlanFile
    product: StepName
    step: StepName


class WaysOut(RootModel[list[WayOut]]):
    """What comes of leaving a rise, cooling it, warming it, or baking it now."""


class WhyOut(RootModel[list[Reason]]):
    """What lets a step begin when it does."""


class ObservedIn(In):
    """A step to learn from: a rise that ended, a dough that was measured, an oven that was heated."""

    product: StepName
    step: StepName


class FileIn(In):
    """A schedule to write as a file; `schedule_id` and `sequence` keep the events of a calendar the same."""

    content: PlanFile
    name: Name
    schedule_id: RowId | None = None
    sequence: int = Field(default=0, ge=0, le=2**31)


class WorkplaceOut(Out):
    """Where the kitchen works: its time zone ("" not said), and its hours, ovens and temperatures; `said` if ever.

    `now` is the instant by the kitchen's clock (UTC).
    """

    zone: str
    kitchen: KitchenIn
    said: bool
    now: str
    version: int


class WorkplaceIn(In):
    """Where the kitchen works."""

    zone: Annotated[str, Field(max_length=60)]
    kitchen: KitchenIn


class SchoolOut(Out):
    """A use that can be planned, with its schools."""

    use: str
    name: str
    schools: list[str]


class SchoolsOut(Out):
    """Every use that can be planned, and the kinds of ovens."""

    uses: list[SchoolOut]
    ovens: dict[str, str]


class NewStarterIn(In):
    """A starter to keep."""

    name: Name
    school: Annotated[str, Field(max_length=40)] = "liquid leaven"


class FeedingIn(In):
    """A feeding: when, g of seed, flour and water, °C."""

    fed_at: Instant
    seed_g: Annotated[float, Field(gt=0, le=1e5)]
    flour_g: Annotated[float, Field(gt=0, le=1e5)]
    water_g: Annotated[float, Field(ge=0, le=1e5)]
    temp_c: Annotated[float, Field(ge=-5, le=50)]
    note: Text = ""


class FeedingChangeIn(In):
    """When a feeding peaked, when it went into the cold, or that it was a slip."""

    peaked_at: Instant | None = None
    chilled_at: Instant | None = None
    withdrawn: bool = False


class StarterOut(Out):
    """A starter with its feedings, and what they teach of its speed."""

    starter: StarterOnRecord
    rest_days: float | None
    factor: float
    peaks: int
    say: str


class StartersOut(Out):
    """The starters of the kitchen."""

    items: list[StarterOut]

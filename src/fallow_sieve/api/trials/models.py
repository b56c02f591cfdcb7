"""What requests and answers of trials carry."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import Field, RootModel

from fallow_sieve.api.formula_content import FormulaContentIn
from fallow_sieve.api.models import In, Name, Out, RevisionNumber, RowId
from fallow_sieve.core.trials.day import DayStage
from fallow_sieve.formats.trials import TrialAnswer
from fallow_sieve.services.trials.page import PlanLine, SheetNow, TrialStanding

Value = Annotated[float, Field(ge=-1e6, le=1e6)]
Line = Annotated[str, Field(max_length=200)]
Day = Annotated[str, Field(pattern=r"^\d{4}-\d{2}-\d{2}$")]
Word = Annotated[str, Field(max_length=80)]
ReadingId = Annotated[str, Field(pattern=r"^[A-Za-z0-9-]{8,64}$")]


class BecauseIn(In):
    """Why it is baked: one line, or the fault and cause whose change is tried."""

    say: Line = ""
    fault: Word | None = None
    cause: Word | None = None


class ArmIn(In):
    """One way of several in which a dough is baked: its name, and the material of its pan where that differs."""

    name: Annotated[str, Field(min_length=1, max_length=80, pattern=r"\S")]
    pan: Annotated[str, Field(max_length=40)] | None = None


class NewTrialIn(In):
    """A trial to begin: of a formula's revision, or of the content as it stands, which is kept first.

    `plan` are planned values of one's own by quantity; with a schedule, what ran and was read there is noted already.
    """

    formula_id: RowId
    revision: RevisionNumber | None = None
    content: FormulaContentIn | None = None
    name: Annotated[str, Field(max_length=120)] = ""
    baked_on: Day | None = None
    because: BecauseIn = BecauseIn()
    arms: Annotated[list[ArmIn], Field(max_length=12)] = Field(default_factory=list)
    plan: Annotated[dict[str, Value], Field(max_length=60)] = Field(default_factory=dict)
    parent_id: RowId | None = None
    dough_of: RowId | None = None
    kept_h: Annotated[float, Field(ge=0, le=1000)] | None = None
    kept_c: Annotated[float, Field(ge=-30, le=45)] | None = None
    schedule_id: RowId | None = None
    product: Annotated[str, Field(max_length=80)] = ""


class TrialChangeIn(In):
    """What may change of a trial: its name, day, note, why, whether it is set aside. Its plan never does."""

    name: Name
    baked_on: Day
    note: Annotated[str, Field(max_length=2000)] = ""
    because: BecauseIn = BecauseIn()
    set_aside: bool = False


class ReadingIn(In):
    """A reading: a value in its quantity's unit, or none: as planned. `replaces` names the one that it corrects."""

    quantity: Annotated[str, Field(min_length=1, max_length=80)]
    value: Value | None = None
    arm: Word = ""
    day: Annotated[int, Field(ge=0, le=3)] = 0
    method: Line = ""
    n: Annotated[int, Field(ge=1, le=1000)] = 1
    sd: Annotated[float, Field(ge=0, le=1e6)] | None = None
    replaces: Annotated[str, Field(max_length=64)] = ""


class TakeBackIn(In):
    """Whether a reading is taken back."""

    withdrawn: bool


class ReadingOut(Out):
    """A reading as it stands; without a value it was as planned."""

    id: str
    quantity: str
    label: str
    unit: str
    value: float | None
    state: Literal["noted", "planned"]
    arm: str
    day: int
    method: str
    n: int
    sd: float | None
    at: str
    replaces: str
    withdrawn: bool


class ArmOut(Out):
    """An arm, and the material of its pan where that differs."""

    name: str
    pan: str | None = None


class BecauseOut(Out):
    """Why it was baked."""

    say: str = ""
    fault: str | None = None
    cause: str | None = None


class ToTryOut(Out):
    """What is to be tried at the next bake: fault, cause, where it is changed, in one line."""

    fault: str
    cause: str
    say: str
    lever: str


class TrialOut(Out):
    """A trial with all that its page shows."""

    id: int
    version: int
    name: str
    formula_id: int
    formula_name: str
    formula_revision: int | None
    blend_name: str
    blend_revision: int | None
    use: str
    baked_on: str
    stage: str
    note: str
    because: BecauseOut
    arms: list[ArmOut]
    parent_id: int | None
    dough_of: int | None
    kept_h: float | None
    schedule_id: int | None
    set_aside: bool
    to_try: list[ToTryOut]
    plan: list[PlanLine]
    readings: list[ReadingOut]
    told: TrialAnswer
    day: list[DayStage]
    before: TrialStanding | None


class TrialList(Out):
    """Trials, the newest first; `next` is the cursor of those before them, or null."""

    items: list[TrialStanding]
    next: int | None


class TrialsQuery(In):
    """Which trials: of a formula, a blend or a brief, from where on, how many."""

    formula: RowId | None = None
    blend: RowId | None = None
    brief: RowId | None = None
    cursor: RowId | None = None
    limit: Annotated[int, Field(ge=1, le=100)] = 50


class SheetQuery(In):
    """Which arm and which day of a sheet."""

    arm: Word | None = None
    day: Annotated[int, Field(ge=0, le=3)] = 0


class SheetOut(RootModel[SheetNow]):
    """The sheet of a trial: moments with what each asks."""


class HandOutIn(In):
    """Where a sheet is served: an address of this machine, and a port (0: any that is free)."""

    host: Annotated[str, Field(min_length=1, max_length=60)]
    port: Annotated[int, Field(ge=0, le=65535)] = 0


class SheetLinkOut(Out):
    """An address that opens one sheet until `ends_at`, as text and as a code to point a phone at; it is shown once."""

    url: str
    qr_svg: str
    ends_at: str
    host: str
    port: int


class DoorOut(Out):
    """Where sheets are served now (null: nowhere), this machine's addresses, and for how many hours a sheet is open."""

    host: str | None
    port: int | None
    addresses: list[str]
    hours: int


class ApplyIn(In):
    """Which cause's change is to be tried."""

    cause: Word


class UndoDraftIn(In):
    """What puts a draft back: the document, its number, and the record before; If-Match has the version saved."""

    kind: Literal["formula", "blend"]
    id: RowId
    based_on: RevisionNumber | None = None
    before: dict[str, Any]


class TriedOut(Out):
    """What was made to try a change: in words, the page where it stands, and what undoes it (empty: nothing to)."""

    say: str
    page: str
    lever: str
    undo: dict[str, Any]


class AgainIn(In):
    """The same again, but: one line, causes whose change is taken up, planned values by quantity, the day."""

    say: Line = ""
    take: Annotated[list[Word], Field(max_length=10)] = Field(default_factory=list)
    plan: Annotated[dict[str, Value], Field(max_length=60)] = Field(default_factory=dict)
    baked_on: Day | None = None

"""What requests and answers of tastings carry."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, RootModel

from fallow_sieve.api.models import In, Name, Out, RowId
from fallow_sieve.core.tastings.answers import Method
from fallow_sieve.core.tastings.panels import LONGEST_COMMENT, MOST_ATTRIBUTES, MOST_SAMPLES, MOST_SEATS, MOST_WORDS
from fallow_sieve.services.tastings.page import Mat, SampleSeen, TastingStanding
from fallow_sieve.services.tastings.pooled import PooledDays
from fallow_sieve.services.tastings.resting import RestsOnSeats
from fallow_sieve.services.tastings.result import TastingResult

Mark = Annotated[str, Field(pattern=r"^[a-z][a-z-]{1,39}$")]
Marks = Annotated[list[Mark], Field(max_length=40)]
Person = Annotated[str, Field(max_length=80)]
Why = Annotated[str, Field(max_length=300)]
Number = Annotated[int, Field(ge=1, le=MOST_SEATS)]
SampleNumber = Annotated[int, Field(ge=1, le=MOST_SAMPLES)]
Points = Annotated[float, Field(ge=0.1, le=8)]
Term = Annotated[str, Field(min_length=1, max_length=40, pattern=r"\S")]


class NewTastingIn(In):
    """A table to set, with the trials that are tasted, where they are known already."""

    name: Annotated[str, Field(max_length=120)] = ""
    trials: Annotated[list[RowId], Field(max_length=MOST_SAMPLES)] = Field(default_factory=list)


class SampleIn(In):
    """What is tasted: a trial, or a bought product with what its bag says. `marks` are allergens, also of a filling.

    `complete` says that the bag was read and names all there is; `gluten` is what is known of it.
    """

    number: SampleNumber
    kind: Literal["trial", "bag"]
    about: RowId | None = None
    name: Name
    because: Annotated[str, Field(max_length=200)] = ""
    lot: Annotated[str, Field(max_length=80)] = ""
    marks: Marks = Field(default_factory=list)
    complete: bool = False
    gluten: Literal["contains", "unknown", "known"] = "unknown"


class AskedIn(In):
    """What is asked: the main question, and beside it just about right, words, a comment; what is set beforehand."""

    main: Literal["liking", "ranking", "paired", "2-afc", "triangle", "tetrad", "words"] = "liking"
    attribute: Annotated[str, Field(max_length=40)] = ""
    just_right: Annotated[list[Term], Field(max_length=MOST_ATTRIBUTES)] = Field(default_factory=list)
    words: Annotated[list[Term], Field(max_length=MOST_WORDS)] = Field(default_factory=list)
    comment: bool = False
    worth: Points = 1.0
    margin: Points | None = None
    new: SampleNumber | None = None
    looks: Annotated[int, Field(ge=1, le=12)] = 1
    warm_up: bool = False


class SeatIn(In):
    """A seat: who (empty: anonymous), what they avoid by allergy and by choice, coeliac disease, what is left out."""

    number: Number
    name: Person = ""
    allergies: Marks = Field(default_factory=list)
    by_choice: Marks = Field(default_factory=list)
    coeliac: bool = False
    left_out: Annotated[list[SampleNumber], Field(max_length=MOST_SAMPLES)] = Field(default_factory=list)


class TastingIn(In):
    """A table as it is set; once it is open only name, note and whether it is put away are taken."""

    name: Name
    note: Annotated[str, Field(max_length=2000)] = ""
    archived: bool = False
    samples: Annotated[list[SampleIn], Field(max_length=MOST_SAMPLES)]
    asked: AskedIn
    seats: Annotated[list[SeatIn], Field(max_length=MOST_SEATS)]


class LateSeatIn(In):
    """One who comes late: who, and what they avoid."""

    name: Person = ""
    allergies: Marks = Field(default_factory=list)
    by_choice: Marks = Field(default_factory=list)
    coeliac: bool = False


class LeaveOutIn(In):
    """A sample to leave out at a seat."""

    sample: SampleNumber


class LiftIn(In):
    """An avoidance by choice to lift, by the taster's own name and why."""

    sample: SampleNumber
    name: Person
    why: Why


class DropIn(In):
    """Why a seat does not count."""

    why: Why


class WhoIn(In):
    """Who does it."""

    who: Annotated[str, Field(min_length=1, max_length=80, pattern=r"\S")]


class SeatAnswerIn(In):
    """An answer of a seat's plate by its code (none: of the table), by method and attribute; no value: not tasted."""

    code: Annotated[int, Field(ge=100, le=999)] | None = None
    method: Annotated[str, Field(max_length=40)]
    attribute: Annotated[str, Field(max_length=40)] = ""
    value: Annotated[float, Field(ge=0, le=999)] | None = None
    text: Annotated[str, Field(max_length=LONGEST_COMMENT)] = ""


class SeatAnswersIn(In):
    """Answers of a paper sheet."""

    answers: Annotated[list[SeatAnswerIn], Field(max_length=200)]
    handed_in: bool = True


class TableAskedOut(Out):
    """What is asked."""

    main: Method
    attribute: str
    just_right: list[str]
    words: list[str]
    comment: bool
    worth: float
    margin: float | None
    new: int | None
    looks: int
    warm_up: bool


class LoggedOut(Out):
    """What was done at a table, when, by whom, why."""

    at: str
    what: str
    who: str
    detail: str


class TastingOut(Out):
    """A table with all that its page shows; which sample is under which code only once it was unblinded."""

    id: int
    version: int
    name: str
    stage: Literal["setting", "open", "closed", "unblinded"]
    note: str
    archived: bool
    created_at: str
    opened_at: str
    closed_at: str
    unblinded_at: str
    unblinded_by: str
    samples: list[SampleSeen]
    asked: TableAskedOut
    mats: list[Mat]
    say: str
    warnings: list[str]
    asked_about: list[str]
    answers_needed: dict[str, int]
    log: list[LoggedOut]
    late: int
    result: TastingResult | None


class TastingList(Out):
    """Tables, the newest first, and where the next page begins."""

    items: list[TastingStanding]
    next: int | None


class ListQuery(In):
    """Which page of tables."""

    cursor: int | None = None
    limit: int | None = None


class PlateOut(Out):
    """A plate: its code and the sample on it."""

    code: int
    sample: str
    because: str
    lot: str


class PlatingSeat(Out):
    """What a seat gets, in its order, and what it must not have; a blocked one gets nothing."""

    number: int
    name: str
    blocked: bool
    codes: list[int]
    left_out: list[str]
    lifted: list[str]


class PlatingOut(Out):
    """The plating sheet: which sample is under which code, and what each seat gets."""

    name: str
    plates: list[PlateOut]
    seats: list[PlatingSeat]


class SeatPaper(Out):
    """What is typed in of a seat: its codes in its order, and the answers that are there."""

    number: int
    codes: list[int]
    answers: list[SeatAnswerOut]


class SeatAnswerOut(Out):
    """An answer that is there."""

    code: int | None
    method: str
    attribute: str
    value: float | None
    text: str


class SeatLinksIn(In):
    """Where sheets are served: an address of this machine, a port (0: any); of one seat, or of all."""

    host: Annotated[str, Field(min_length=1, max_length=60)]
    port: Annotated[int, Field(ge=0, le=65535)] = 0
    seat: Number | None = None


class SeatLink(Out):
    """An address that opens one seat's sheet, and the same as a code to point a phone at."""

    seat: int
    url: str
    qr_svg: str


class SeatLinksOut(Out):
    """The links of seats: shown only now, for only their hashes are kept."""

    links: list[SeatLink]
    ends_at: str


class PooledQuery(In):
    """Tables to pool, their ids with commas between; how many looks were planned."""

    ids: str
    looks: int | None = None


class RestsOnSeatsOut(RootModel[RestsOnSeats]):
    """Without which seats a table would say another thing."""


class PooledOut(RootModel[PooledDays]):
    """Several days of one question: together, side by side, and whether the days differ."""


class WordsOfTables(Out):
    """Allergens and watched things that may be named, and the attributes that are known."""

    marks: list[str]
    attributes: list[str]

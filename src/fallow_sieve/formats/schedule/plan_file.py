"""The schedule file, `fallow-sieve/schedule` version 1: a kitchen, and products with when they are to be ready."""

from __future__ import annotations

import json
from typing import Annotated, Any, Literal

from pydantic import Field

from fallow_sieve.formats.formulas import FormulaFile
from fallow_sieve.formats.shared import Slug, Strict

FORMAT = "fallow-sieve/schedule"
Id = Annotated[str, Field(min_length=1, max_length=80, pattern=r"^\S(.*\S)?$")]
When = Annotated[str, Field(min_length=10, max_length=40)]
Hour = Annotated[str, Field(pattern=r"^([01]\d|2[0-3]):[0-5]\d$|^24:00$")]
Span = Annotated[list[Hour], Field(min_length=2, max_length=2)]


class OvenIn(Strict):
    """An oven: its name here, its kind (electric, fan, gas, deck, counter, steam-combi, machine), its levels."""

    id: Id
    kind: str = Field(default="electric", max_length=40)
    levels: int | None = Field(default=None, ge=1, le=20)


class BotherIn(Strict):
    """What things cost, in minutes of bother; what is left out is as usual."""

    asleep_visit: float = Field(default=60.0, ge=0, le=10_000)
    asleep_min: float = Field(default=10.0, ge=0, le=10_000)
    edge_min: float = Field(default=3.0, ge=0, le=10_000)
    early_min: float = Field(default=0.2, ge=0, le=10_000)
    off_min: float = Field(default=0.2, ge=0, le=10_000)
    unripe: float = Field(default=60.0, ge=0, le=10_000)
    moved_min: float = Field(default=0.5, ge=0, le=10_000)


class KitchenIn(Strict):
    """A kitchen: hours in which people are up, hours that are blocked, people, mixers, °C of its places, ovens.

    `night_c` is the room's coolest, about 04:00; without it the room keeps `room_c`. No `box_c`: no warm box.
    `altitude_m` is its height above the sea: it lowers the core that can be reached.
    """

    hours: list[Span] = Field(default=[["06:00", "23:00"]], min_length=1, max_length=10)
    blocked: list[Span] = Field(default_factory=list, max_length=10)
    people: int = Field(default=1, ge=1, le=50)
    mixers: int = Field(default=1, ge=0, le=50)
    room_c: float = Field(default=22.0, ge=4, le=45)
    night_c: float | None = Field(default=None, ge=4, le=45)
    fridge_c: float = Field(default=4.0, ge=-2, le=12)
    box_c: float | None = Field(default=None, ge=15, le=45)
    altitude_m: float | None = Field(default=None, ge=-450, le=5000)
    ovens: list[OvenIn] = Field(default_factory=list, max_length=20)
    bother: BotherIn = Field(default_factory=BotherIn)


class DoneIn(Strict):
    """A step that was begun, and ended (without it, it goes on)."""

    began: When
    ended: When | None = None


class PlanReadingIn(Strict):
    """A reading at an instant: the rise of the jar or the dough (%), the dough's °C, or both."""

    at: When
    rise_pct: float | None = Field(default=None, ge=-50, le=1000)
    dough_c: float | None = Field(default=None, ge=-5, le=60)


class ProductIn(Strict):
    """A product: its use and school (none: the use's first), g of dough, pieces, when it is to be ready.

    Without `ready_at` it is made as soon as may be. `switches` says of optional steps whether they are done, `pins`
    when a step begins, `ovens` where it bakes, `early_min` how long it may be ready early. `rest_days` is how long the
    starter's jar stood in the fridge, `leaven_pace` a factor on its hours to a peak; with `starter_id` both are those
    of a jar of the kitchen. `yeast_ratio` is how much yeast beside the template's, where there is no formula.
    `formula_id` and `formula_revision` say which formula of the kitchen it is. Once it runs: `announced` is when steps
    were to be, `done` which were done and when, `heats` when the oven for a bake was switched on and hot, `readings`
    what was read at a step; `planned_dough_c` is what `dough_c` was before the dough was measured.
    """

    id: Id
    use: Slug | None = None
    school: str | None = Field(default=None, max_length=40)
    dough_g: float | None = Field(default=None, gt=0, le=1e6)
    pieces: int | None = Field(default=None, ge=1, le=100_000)
    ready_at: When | None = None
    dough_c: float = Field(default=26.0, ge=4, le=45)
    planned_dough_c: float | None = Field(default=None, ge=4, le=45)
    yeast_ratio: float | None = Field(default=None, gt=0, le=20)
    early_min: float | None = Field(default=None, ge=0, le=10_080)
    rest_days: float = Field(default=3.0, ge=0, le=365)
    starter_id: int | None = Field(default=None, ge=1, le=2**53)
    leaven_pace: float = Field(default=1.0, gt=0.2, lt=5)
    switches: dict[str, bool] = Field(default_factory=dict, max_length=40)
    pins: dict[str, When] = Field(default_factory=dict, max_length=60)
    ovens: dict[str, Id] = Field(default_factory=dict, max_length=10)
    formula: FormulaFile | None = None
    formula_id: int | None = Field(default=None, ge=1, le=2**53)
    formula_revision: int | None = Field(default=None, ge=1, le=2**31)
    announced: dict[str, When] = Field(default_factory=dict, max_length=60)
    done: dict[str, DoneIn] = Field(default_factory=dict, max_length=60)
    heats: dict[str, DoneIn] = Field(default_factory=dict, max_length=10)
    readings: dict[str, list[PlanReadingIn]] = Field(default_factory=dict, max_length=60)


class PlanFile(Strict):
    """A schedule file, version 1. `now` is from when on there is time; times without an offset are the zone's.

    Without a `kitchen` it is planned for a kitchen as most are: one person from 06:00 to 23:00, one electric oven.
    """

    format: Literal["fallow-sieve/schedule"]
    version: Literal[1]
    name: str = Field(default="", max_length=200)
    zone: str = Field(default="UTC", max_length=60)
    now: When
    kitchen: KitchenIn | None = None
    products: list[ProductIn] = Field(max_length=12)


USUAL_KITCHEN = KitchenIn(ovens=[OvenIn(id="oven")])


def plan_text(file: PlanFile) -> str:
    """Return a schedule file as JSON text, what is as usual left out."""
    found: dict[str, Any] = {"format": FORMAT, "version": 1, **file.model_dump(exclude_defaults=True)}
    return json.dumps(found, ensure_ascii=False, indent=2) + "\n"

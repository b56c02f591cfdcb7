"""What requests about ingredients may carry, and what responses do."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from fallow_sieve.api.models import Gluten, In, Name, Out, PageQuery, Slug
from fallow_sieve.core.ingredients import Column, Diet, Function, LookAlike, Relative, Role, StandIn, TakenFor, Trait
from fallow_sieve.core.values import Range

Words = Annotated[list[Slug], Field(max_length=40)]
RoleName = Annotated[Role, Field(strict=False)]
GlutenRisk = Literal["", "low", "medium", "high-needs-certified", "contains-gluten"]
FunctionName = Annotated[Function, Field(strict=False)]
Typed = Annotated[str, Field(max_length=400)]


class ShelfQuery(PageQuery):
    """Which rows of the shelf and which columns of them; lists are names with commas between."""

    q: Annotated[str, Field(max_length=80)] = ""
    roles: Typed = ""
    without: Typed = ""
    diets: Typed = ""
    traits: Typed = ""
    in_stock: Literal["0", "1"] = "0"
    own: Literal["0", "1"] = "0"
    archived: Literal["0", "1"] = "0"
    sort: Annotated[str, Field(max_length=60)] = "role"
    descending: Literal["0", "1"] = "0"
    basis: Annotated[str, Field(max_length=20)] = "100g"
    columns: Typed = ""


class NoteOut(Out):
    """How numbers are known: many cells share one."""

    quality: str
    source: str
    noted_on: str


class CellOut(Out):
    """A number with its range; `note` is its place in the list of notes."""

    typical: float
    low: float
    high: float
    note: int


class ShelfRowOut(Out):
    """One ingredient of the shelf and its cells, in the order of the columns."""

    slug: str
    name: str
    role: str
    own: bool
    archived: bool
    own_numbers: bool
    stock_g: float
    allergens: list[str]
    watch: list[str]
    gluten: Gluten
    gluten_mg_per_kg: float | None
    found_by: str
    cells: list[CellOut | None]


class BasisOut(Out):
    """The amount that numbers are for: a mass in g, or a volume in mL."""

    kind: str
    mass_g: float | None
    volume_ml: float | None


class ShelfOut(Out):
    """A page of the shelf: rows from the cursor on, how many there are in all, and what the cells rest on.

    `scales` are what each column's bars are drawn to.
    """

    columns: list[Column]
    scales: list[float]
    basis: BasisOut
    items: list[ShelfRowOut]
    notes: list[NoteOut]
    total: int
    next: str | None


class ShelfChoicesOut(Out):
    """What the shelf can show and be filtered by."""

    columns: list[Column]
    default_columns: list[str]
    traits: list[Trait]
    diets: list[Diet]


class LayerNumberOut(Out):
    """One number as one layer has it: table, own, label or measured."""

    layer: Literal["table", "own", "label", "measured"]
    low: float
    typical: float
    high: float
    quality: str
    source: str
    noted_on: str
    aside: bool


class NumberOut(Out):
    """One number of an ingredient: what is in force, and every layer of it, the table's first."""

    field: str
    label: str
    unit: str
    group: Literal["composition", "dough", "bin"]
    decimals: int
    in_force: str
    range: Range | None
    layers: list[LayerNumberOut]


class WholeIngredientOut(Out):
    """An ingredient in full: what it is, its numbers by layer, and who uses it."""

    slug: str
    name: str
    role: Role
    own: bool
    archived: bool
    version: int
    aliases: list[str]
    look_alikes: list[TakenFor]
    flavour_words: list[str]
    allergens: list[str]
    watch: list[str]
    functions: list[Function]
    gluten_risk: GlutenRisk
    gluten: Gluten
    gluten_mg_per_kg: float | None
    usual_max_pct: float | None
    usual_max_reason: str
    confidence: str
    lab: list[float] | None
    stock_say: str
    numbers: list[NumberOut]
    cautions: list[str]
    used_by: list[str]


class NewIngredientIn(In):
    """A new ingredient of the kitchen's own; with `copy_of`, it starts from another's numbers."""

    name: Name
    role: RoleName | None = None
    copy_of: Slug | None = None


class IngredientIn(In):
    """What an ingredient is. Of the library's own rows only `archived` can be changed."""

    name: Name
    role: RoleName
    flavour_words: list[Annotated[str, Field(min_length=1, max_length=40)]] = Field(default_factory=list, max_length=12)
    allergens: Words = Field(default_factory=list)
    watch: Words = Field(default_factory=list)
    functions: list[FunctionName] = Field(default_factory=list, max_length=20)
    gluten_risk: GlutenRisk = ""
    archived: bool = False


class NumberIn(In):
    """An own number: typical, and its range where that is known, in the unit of its field."""

    typical: float = Field(ge=-200, le=1e9)
    low: float | None = Field(default=None, ge=-200, le=1e9)
    high: float | None = Field(default=None, ge=-200, le=1e9)
    quality: Literal["measured", "label", "table", "estimate"] = "estimate"
    source: Annotated[str, Field(max_length=200)] = ""


class AsideIn(In):
    """Whether the table's number counts instead of the kitchen's own."""

    aside: bool


class SideQuery(In):
    """Which flours side by side (slugs with commas between), and on which basis."""

    slugs: Typed = ""
    basis: Annotated[str, Field(max_length=20)] = "100g"


class SideLineOut(Out):
    """One number of every flour, and the end of the scale they share."""

    column: Column
    cells: list[CellOut | None]
    scale: float


class SideFlourOut(Out):
    """What there is to say of one flour besides its numbers."""

    slug: str
    name: str
    role: str
    lab: list[float] | None
    flavour_words: list[str]
    allergens: list[str]
    watch: list[str]
    gluten: Gluten
    gluten_mg_per_kg: float | None
    gluten_risk: str
    usual_max_pct: float | None
    usual_max_reason: str
    look_alikes: list[TakenFor]


class SideBySideOut(Out):
    """Flours side by side."""

    say: str
    basis: BasisOut
    flours: list[SideFlourOut]
    lines: list[SideLineOut]
    notes: list[NoteOut]
    look_alikes: list[LookAlike]


class StandInsQuery(In):
    """By what to look for a stand-in, and how many."""

    way: Literal["behaviour", "composition", "both"] = "both"
    limit: int = Field(default=8, ge=1, le=30)


class StandInOut(Out):
    """A flour that could stand in, how far it is, what would change, and what else matters."""

    found: StandIn
    role: str
    stock_g: float
    price_per_kg: float | None
    gluten: Gluten


class StandInsOut(Out):
    """What could stand in, the nearest first."""

    items: list[StandInOut]


class RelativesOut(Out):
    """What is not known of how a flour behaves, by label, and the flours that it can borrow from."""

    lacks: list[str]
    relatives: list[Relative]


class BorrowIn(In):
    """The flour to borrow from."""

    relative: Slug

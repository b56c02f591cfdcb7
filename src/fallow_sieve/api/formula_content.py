"""What is in a formula, on the wire: asked of it by formulas and by recipes that become one."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from fallow_sieve.api.models import In, Out, Parts, RevisionNumber, RowId, Slug, as_parts
from fallow_sieve.core.blends import MAX_MASS_G, Part
from fallow_sieve.core.formulas import CONSISTENCIES, MAX_LINES, MAX_METHOD, MAX_NAME, Formula, Line, Portion, When
from fallow_sieve.core.values import Pin
from fallow_sieve.formats.formulas import LineName

School = Literal["by-moisture", "gum", "psyllium", "gels", "none"]


class LineIn(In):
    """One line: an ingredient by slug, or `@blend` for the pinned blend; g, and when it goes in."""

    ingredient: LineName
    mass_g: Annotated[float, Field(ge=0, le=MAX_MASS_G)]
    when: Annotated[When, Field(strict=False)]
    note: Annotated[str, Field(max_length=200)] = ""


class PinnedIn(In):
    """The blend a formula rests on, as it was: its parts, and where they come from (null: from no blend here)."""

    blend_id: RowId | None = None
    revision: RevisionNumber | None = None
    name: Annotated[str, Field(max_length=200)] = ""
    parts: Parts

    @property
    def pin(self) -> Pin:
        """Where the parts come from."""
        return Pin("blend", self.blend_id, self.revision, self.name)


class PortionIn(In):
    """What is eaten at once: so many g of the finished bake, or one of so many shares of a piece; else a piece."""

    name: Annotated[str, Field(min_length=1, max_length=MAX_NAME)]
    mass_g: Annotated[float, Field(gt=0, le=10_000)] | None = None
    shares: Annotated[int, Field(ge=1, le=1000)] | None = None

    @property
    def portion(self) -> Portion:
        """The same as the core's portion; a mass counts before shares."""
        return Portion(self.name, self.mass_g, self.shares if self.mass_g is None else None)


class FormulaContentIn(In):
    """What is in a formula."""

    use: Slug | None = None
    consistency: Literal[CONSISTENCIES] | None = None  # type: ignore[valid-type]
    school: School | None = None
    pieces: Annotated[int, Field(ge=1, le=100_000)] = 1
    pan: Annotated[str, Field(max_length=40)] | None = None
    portion: PortionIn | None = None
    method: Annotated[str, Field(max_length=MAX_METHOD)] = ""
    blend: PinnedIn | None = None
    lines: Annotated[list[LineIn], Field(max_length=MAX_LINES)] = Field(default_factory=list)

    @property
    def formula(self) -> Formula:
        """The same as the core's formula (g)."""
        return Formula(
            lines=tuple(Line(x.ingredient, x.mass_g, x.when, x.note) for x in self.lines),
            blend=as_parts(self.blend.parts) if self.blend else (),
            use=self.use,
            consistency=self.consistency,
            school=self.school,
            pieces=self.pieces,
            pan=self.pan,
            method=self.method,
            pin=self.blend.pin if self.blend else None,
            portion=self.portion.portion if self.portion else None,
        )


class PinnedOut(Out):
    """The pinned blend as it was."""

    blend_id: int | None
    revision: int | None
    name: str
    parts: list[Part]


class FormulaContentOut(Out):
    """What is in a formula."""

    use: str | None
    consistency: Literal[CONSISTENCIES] | None  # type: ignore[valid-type]
    school: School | None
    pieces: int
    pan: str | None
    portion: Portion | None
    method: str
    blend: PinnedOut | None
    lines: list[Line]


def content_out(formula: Formula) -> FormulaContentOut:
    """Return a formula as the API gives it."""
    pin, blend = formula.pin, None
    if pin is not None:
        blend = PinnedOut(blend_id=pin.id, revision=pin.revision, name=pin.name, parts=list(formula.blend))
    plain = {n: getattr(formula, n) for n in ("use", "consistency", "school", "pieces", "pan", "portion", "method")}
    return FormulaContentOut(**plain, blend=blend, lines=list(formula.lines))

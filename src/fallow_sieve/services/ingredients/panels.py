"""A nutrition panel as it was typed: read by the kitchen's cup and spoons, checked, and recorded."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import asdict, dataclass
from datetime import date

from sqlmodel import Session

from fallow_sieve.core.ingredients import (
    Convention,
    Fact,
    LabelReading,
    Panel,
    PanelCheck,
    SoFar,
    check_label,
    facts_of,
    read_panel,
)
from fallow_sieve.core.values import BadInputError, cup_ml, tablespoon_ml, teaspoon_ml, to_grams
from fallow_sieve.services.ingredients.own_numbers import Given, Target, given_by, target_on
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.store.ingredients import add_panel, facts_in_force, layers_of


@dataclass(frozen=True, slots=True)
class TypedPanel:
    """A panel as typed: the serving's amount and unit, what it weighs (g), the convention, numbers as printed."""

    amount: float | None
    unit: str
    weighs_g: float | None
    convention: str
    printed: Mapping[str, str]

    @property
    def stated_for(self) -> str:
        """What its numbers are stated for, in words."""
        weighs = f" ({self.weighs_g:g} g)" if self.weighs_g else ""
        return f"per {self.amount or 0:g} {self.unit}{weighs}"


@dataclass(frozen=True, slots=True)
class PanelResult:
    """What a panel gives per 100 g, what does not fit, and the facts that follow."""

    reading: LabelReading
    checks: tuple[PanelCheck, ...]
    gives: tuple[Given, ...]
    facts: dict[str, Fact]

    @property
    def impossible(self) -> PanelCheck | None:
        """The first check that says it cannot be true, or None."""
        return next((c for c in self.checks if c.severity == "impossible"), None)


def as_panel(typed: TypedPanel, kitchen: KitchenNow) -> Panel:
    """Return what was typed as the core's panel, its serving in g or mL by the kitchen's own cup and spoons."""
    volumes = {
        "ml": 1.0,
        "cup": cup_ml(kitchen.cup),
        "tablespoon": tablespoon_ml(kitchen.spoon),
        "teaspoon": teaspoon_ml(kitchen.spoon),
    }
    convention = Convention(typed.convention)
    if typed.amount is None:
        return Panel(typed.printed, convention, typed.weighs_g, None)
    if typed.unit in volumes:
        return Panel(typed.printed, convention, typed.weighs_g, typed.amount * volumes[typed.unit])
    return Panel(typed.printed, convention, to_grams(typed.amount, typed.unit), None)


def tried_panel(session: Session, kitchen: KitchenNow, of: Target, typed: TypedPanel, today: date) -> PanelResult:
    """Return what a panel gives, without storing it. A panel must not confirm itself: other panels stay out."""
    item = target_on(session, kitchen.shelf, of)
    layers = layers_of(session, item.slug)
    others = facts_in_force({k: v for k, v in layers.items() if k != "label"})
    so_far = SoFar({n: f.range for n, f in others.items()})
    reading = read_panel(as_panel(typed, kitchen), so_far)
    facts = facts_of(reading, so_far, typed.stated_for, today.isoformat())
    return PanelResult(reading, check_label(reading, so_far), given_by(facts, item), facts)


def record_panel(
    session: Session, kitchen: KitchenNow, of: Target, typed: TypedPanel, noted: tuple[date, str]
) -> PanelResult:
    """Record a panel; its numbers are used from now on. `noted` is its day and time.

    Raises BadInputError for one that cannot be true, or is empty.
    """
    today, now = noted
    result = tried_panel(session, kitchen, of, typed, today)
    wrong = result.impossible
    if wrong is not None:
        raise BadInputError(wrong.say.rstrip("."), place=f"/printed/{wrong.field}", right=wrong.look)
    if not result.facts:
        raise BadInputError("an empty panel", place="/printed", right="type at least one number")
    assert of.ingredient is not None  # the target was found
    add_panel(session, of.ingredient, of.lot_id, asdict(typed), result.facts, today.isoformat(), now)
    return result

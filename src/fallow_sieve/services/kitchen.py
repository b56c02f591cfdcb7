"""One kitchen as it is now: its shelf, its settings, what its pours taught, and the limits of a brief."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field, replace
from datetime import date
from typing import TYPE_CHECKING

from fallow_sieve.core.blends import Limits, Setting, Use, rule_of_use
from fallow_sieve.core.formulas import FormulaSetting, Pour
from fallow_sieve.core.ingredients import Ingredient, Shelf
from fallow_sieve.core.recipes import Words
from fallow_sieve.core.values import CupStandard, SpoonStandard
from fallow_sieve.reference import library_shelf, rules, words

if TYPE_CHECKING:  # a file can be judged without any database
    from fallow_sieve.store import KitchenStore


@dataclass(frozen=True, slots=True)
class KitchenNow:
    """Where the core works: a shelf, whose cup and spoon, store °C, currency, units, schools, pours, limits.

    `said` gives the kitchen's own words, each with the ingredient (slug) that it stands for: read only where a text is.
    """

    shelf: Shelf
    cup: CupStandard = CupStandard.US
    spoon: SpoonStandard = SpoonStandard.US
    store_temp_c: float = 20.0
    currency: str = ""
    temp_unit: str = "c"
    school: str = "by-moisture"
    thickener_school: str = "by-power"
    serving_g: float = 30.0
    pours: tuple[Pour, ...] = ()
    limits: Limits = field(default_factory=Limits)
    said: Callable[[], tuple[tuple[str, str], ...]] = tuple
    is_kept: bool = False

    @property
    def setting(self) -> Setting:
        """By what its blends are judged."""
        return Setting(self.cup, self.store_temp_c, self.currency, self.limits)

    @property
    def formula_setting(self) -> FormulaSetting:
        """By what its formulas are judged."""
        return FormulaSetting(self.cup, self.school, self.pours, self.thickener_school)

    def with_ingredients(self, own: tuple[Ingredient, ...]) -> KitchenNow:
        """Return the kitchen with the definitions of a file over its own."""
        return replace(self, shelf=self.shelf.with_ingredients(own))


def bundled_kitchen(cup: CupStandard = CupStandard.US) -> KitchenNow:
    """Return a kitchen of the bundled tables alone, with nothing in its bins."""
    return KitchenNow(library_shelf(), cup, SpoonStandard(str(cup)))


def kitchen_now(store: KitchenStore, today: date, brief_id: int | None = None) -> KitchenNow:
    """Return the kitchen in `store` as of `today`, within the limits of a brief where one is named.

    Raises NotFoundError where there is no such brief.
    """
    s = store.standing(brief_id)
    return KitchenNow(
        shelf=store.shelf_now(s, today),
        cup=CupStandard(s.cup),
        spoon=SpoonStandard(s.tablespoon),
        store_temp_c=s.store_temp_c,
        currency=s.currency,
        temp_unit=s.temp_unit,
        school=s.school,
        thickener_school=s.thickener_school,
        serving_g=s.serving_g,
        pours=s.pours,
        limits=s.limits,
        said=store.words,
        is_kept=True,
    )


def use_within(slug: str | None, limits: Limits, place: str = "/use") -> Use | None:
    """Return the use of that name, with all that a brief's `limits` name beside it. Raises BadInputError."""
    return rule_of_use(rules().uses, slug, place, limits.uses, "/limits/uses") if slug is not None else None


def use_named(slug: str | None, place: str = "/use") -> Use | None:
    """Return the bundled use of that name, or None for None. Raises UnknownNameError at `place`."""
    return rule_of_use(rules().uses, slug, place) if slug is not None else None


def words_here(
    kitchen: KitchenNow, cup: CupStandard | None = None, spoon: SpoonStandard | None = None, eggs_of: str = ""
) -> Words:
    """Return what reading goes by here: the kitchen's own ingredients and words, its cups and spoons (mL) or others.

    What it once said of an ingredient that it no longer has is left out.
    """
    own = [i for i in kitchen.shelf.ingredients if i.own]
    said = [(phrase, slug) for phrase, slug in kitchen.said() if slug in kitchen.shelf.row_of]
    return words(cup or kitchen.cup, spoon or kitchen.spoon, own, eggs_of, said)

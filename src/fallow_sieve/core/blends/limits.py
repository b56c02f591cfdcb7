"""A brief's limits beyond its bands: what must not be in the mix, what it may cost, how many bins it may need."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends.analysis import Analysis
from fallow_sieve.core.blends.bag import GUMS, BagKind
from fallow_sieve.core.blends.care import GlutenEstimate
from fallow_sieve.core.blends.uses import BandChange, NamedUse
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.values import Status, spaced, worst_first


@dataclass(frozen=True, slots=True)
class Limits:
    """What a brief asks besides its use: slugs and allergens to leave out, price cap per kg, bins, mg/kg gluten.

    `bag` is the kind of bag it asks for, `max_gum_pct` the most of gums, % of flour base; `uses` all that it is for
    where that is several.
    """

    exclude_allergens: tuple[str, ...] = ()
    exclude: tuple[str, ...] = ()
    price_cap_per_kg: float | None = None
    max_bins: int | None = None
    gluten_cap_mg_per_kg: float | None = None
    bands: tuple[BandChange, ...] = ()
    bag: BagKind | None = None
    max_gum_pct: float | None = None
    uses: tuple[NamedUse, ...] = ()


@dataclass(frozen=True, slots=True)
class LimitResult:
    """How a blend stands at one limit: a slug for it, its label, the status and one plain sentence."""

    limit: str
    label: str
    status: Status
    say: str

    @property
    def off_by(self) -> float:
        """A limit is kept or not: there is no distance to it."""
        return 0.0

    @property
    def called(self) -> str:
        """The limit in a sentence."""
        return self.label.lower()


def check_limits(
    limits: Limits, analysis: Analysis, gluten: GlutenEstimate, bag: BagKind, shelf: Shelf, currency: str = ""
) -> tuple[LimitResult, ...]:
    """Return how `analysis` stands at each limit of the brief, the worst first; prices in `currency` per kg."""
    found = []
    if limits.exclude_allergens:
        found.append(_allergens(limits.exclude_allergens, analysis, shelf))
    if limits.exclude:
        found.append(_excluded(limits.exclude, analysis))
    if limits.price_cap_per_kg is not None:
        found.append(_price(limits.price_cap_per_kg, analysis, currency))
    if limits.max_bins is not None:
        found.append(_bins(limits.max_bins, analysis))
    if limits.gluten_cap_mg_per_kg is not None:
        found.append(_gluten(limits.gluten_cap_mg_per_kg, gluten))
    if limits.bag is not None:
        found.append(_bag(limits.bag, bag))
    if limits.max_gum_pct is not None:
        found.append(_gum(limits.max_gum_pct, analysis))
    return worst_first(found)


def _allergens(unwanted: Sequence[str], analysis: Analysis, shelf: Shelf) -> LimitResult:
    hits = []
    for part in analysis.parts:
        item = shelf[part.ingredient]
        here = [a for a in (*item.allergens, *item.watch) if a in unwanted]
        if here:
            hits.append(f"{item.name} ({', '.join(spaced(a) for a in here)})")
    if hits:
        return LimitResult("allergens", "Left out", Status.HELD, f"Contains what must stay out: {'; '.join(hits)}.")
    names = ", ".join(spaced(a) for a in unwanted)
    return LimitResult("allergens", "Left out", Status.PASS, f"No part is recorded as containing {names}.")


def _excluded(unwanted: Sequence[str], analysis: Analysis) -> LimitResult:
    hits = [p.name for p in analysis.parts if p.ingredient in unwanted]
    if hits:
        return LimitResult("exclude", "Not wanted", Status.HELD, f"Uses what the brief leaves out: {', '.join(hits)}.")
    return LimitResult("exclude", "Not wanted", Status.PASS, "Uses nothing that the brief leaves out.")


def _price(cap: float, analysis: Analysis, currency: str) -> LimitResult:
    cost = analysis.cost_per_kg
    money = f" {currency}" if currency else ""
    if cost.typical is not None and cost.typical > cap + 1e-9:
        atleast = "" if cost.is_known else "at least "
        say = (
            f"{cost.typical - cap:.2f}{money} per kg over: costs {atleast}{cost.typical:.2f}, at most {cap:.2f} wanted."
        )
        return LimitResult("price", "Price", Status.HELD, say)
    if not cost.is_known:
        known = f"{cost.known_mass_pct:.0f} % of the mix has a price"
        return LimitResult("price", "Price", Status.UNKNOWN, f"Cannot be told: {known}.")
    say = f"{cost.typical:.2f}{money} per kg, {cap - (cost.typical or 0):.2f} under the cap of {cap:.2f}."
    return LimitResult("price", "Price", Status.PASS, say)


def _bins(most: int, analysis: Analysis) -> LimitResult:
    """Bins are of flour: a binder is dosed from its jar, and counts as none."""
    count = sum(p.in_flour_base for p in analysis.parts)
    status = Status.HELD if count > most else Status.PASS
    return LimitResult("bins", "Bins", status, f"{count} bins of at most {most}.")


def _bag(wanted: BagKind, bag: BagKind) -> LimitResult:
    if wanted is bag:
        return LimitResult("bag", "Kind of bag", Status.PASS, f"It is {bag}, as is wanted.")
    return LimitResult("bag", "Kind of bag", Status.HELD, f"It is {bag}; {wanted} is wanted. {_LACKS[wanted]}")


_LACKS = {
    BagKind.FLOURS: "Take out what is no flour.",
    BagKind.WITH_BINDER: "A binder goes in, and no leavening.",
    BagKind.SELF_RAISING: "Baking powder or yeast goes in, and nothing sweet or rich.",
    BagKind.COMPLETE: "Leavening, salt, and sugar or dried milk, egg or fat go in.",
}


def _gum(most_pct: float, analysis: Analysis) -> LimitResult:
    gums = [p for p in analysis.parts if GUMS.intersection(p.functions)]
    has = sum(p.flour_pct or 0.0 for p in gums)
    said = f"{has:.2g} % of flour" if gums else "none"
    status = Status.HELD if has > most_pct + 1e-9 else Status.PASS
    wanted = f"at most {most_pct:g} %" if most_pct > 0 else "none"
    return LimitResult("gum", "Gums", status, f"{said[0].upper()}{said[1:]}; {wanted} wanted.")


def _gluten(cap: float, gluten: GlutenEstimate) -> LimitResult:
    if gluten.status == "contains" or gluten.known_mg_per_kg > cap:
        say = f"Over the budget of {cap:g} mg/kg: known parts give {gluten.known_mg_per_kg:.1f}."
        if gluten.status == "contains":
            say = "Made with a gluten cereal."
        return LimitResult("gluten", "Gluten", Status.HELD, say)
    if gluten.status == "unknown":
        count = len(gluten.unknown_parts)
        say = f"Cannot be told: {count} {'part has' if count == 1 else 'parts have'} no declared or tested value."
        return LimitResult("gluten", "Gluten", Status.UNKNOWN, say)
    say = f"Declared and tested values add up to {gluten.known_mg_per_kg:.1f} of {cap:g} mg/kg."
    return LimitResult("gluten", "Gluten", Status.PASS, say)

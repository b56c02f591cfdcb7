"""A brief's limits beyond its bands: what must not be in the mix, what it may cost, how many bins it may need."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends import METRICS, Analysis
from fallow_sieve.core.gluten import GlutenEstimate
from fallow_sieve.core.ingredients import NOT_FLOUR
from fallow_sieve.core.shelf import Shelf
from fallow_sieve.core.uses import WORST_FIRST, BandChange, Status


@dataclass(frozen=True, slots=True)
class Limits:
    """What a brief asks besides its use: slugs and allergens to leave out, price cap per kg, bins, mg/kg gluten."""

    exclude_allergens: tuple[str, ...] = ()
    exclude: tuple[str, ...] = ()
    price_cap_per_kg: float | None = None
    max_bins: int | None = None
    gluten_cap_mg_per_kg: float | None = None
    bands: tuple[BandChange, ...] = ()


@dataclass(frozen=True, slots=True)
class LimitResult:
    """How a blend stands at one limit: a slug for it, its label, the status and one plain sentence."""

    limit: str
    label: str
    status: Status
    say: str


def check_limits(
    limits: Limits, analysis: Analysis, gluten: GlutenEstimate, shelf: Shelf, currency: str = ""
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
    return tuple(sorted(found, key=lambda r: WORST_FIRST.index(r.status)))


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
    count = sum(p.role not in NOT_FLOUR for p in analysis.parts)
    status = Status.HELD if count > most else Status.PASS
    return LimitResult("bins", "Bins", status, f"{count} bins of at most {most}.")


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


_WORDS = {"animal": "animal products", "gum": "gums"}


def spaced(name: str) -> str:
    """Return the slug of an allergen or watched thing as words.

    >>> spaced("tree-nuts"), spaced("animal")
    ('tree nuts', 'animal products')
    """
    return _WORDS.get(name, name.replace("-", " "))


AIMS: dict[str, str] = {
    "nearest": "nearest to wheat",
    "more-fibre": "more fibre",
    "more-protein": "more protein",
    "cheapest": "cheapest",
    "whole-grain": "whole grain",
}


def wishes(limits: Limits, names: Mapping[str, str], currency: str = "") -> tuple[str, ...]:
    """Return the limits in words; `names` gives the names of excluded slugs; prices in `currency` per kg."""
    said = [f"no {spaced(a)}" for a in limits.exclude_allergens]
    said += [f"without {names.get(slug, slug).lower()}" for slug in limits.exclude]
    said += [_band_wish(b) for b in limits.bands]
    if limits.price_cap_per_kg is not None:
        said.append(f"under {limits.price_cap_per_kg:.2f} {currency}".rstrip() + " per kg")
    if limits.max_bins is not None:
        said.append(f"at most {limits.max_bins} bins")
    if limits.gluten_cap_mg_per_kg is not None:
        said.append(f"gluten under {limits.gluten_cap_mg_per_kg:g} mg/kg by test")
    return tuple(said)


def _band_wish(change: BandChange) -> str:
    metric = METRICS[change.metric]
    low = change.good_low if change.good_low is not None else change.hard_low
    high = change.good_high if change.good_high is not None else change.hard_high
    label = metric.label.lower()
    if low is not None and high is not None:
        return f"{label} {low:g}–{high:g} {metric.unit}"
    if low is not None:
        return f"at least {low:g} {metric.unit} {label}"
    return f"at most {high:g} {metric.unit} {label}" if high is not None else f"{label} as the use has it"


@dataclass(frozen=True, slots=True)
class BlendState:
    """How far a blend of a brief is: its id, state (empty, held, close, passes, unjudged), score, and if kept."""

    blend_id: int
    name: str
    state: str
    score: float | None
    kept: bool


@dataclass(frozen=True, slots=True)
class Progress:
    """How far a brief is: its state and next step in words, what to do (a slug), and with which blend."""

    say: str
    next_step: str
    action: str
    blend_id: int | None


_RANK = {"passes": 3, "close": 2, "unjudged": 1, "held": 1, "empty": 0}


def progress(blends: Sequence[BlendState]) -> Progress:
    """Return how far a brief with these blends is, and the next step."""
    if not blends:
        return Progress("No blend yet.", "Compose a first blend", "compose", None)
    best = max(blends, key=lambda b: (_RANK[b.state], b.score or 0.0, b.kept))
    good = sum(b.state in ("passes", "close") for b in blends)
    count = f"{len(blends)} blend" + ("" if len(blends) == 1 else "s")
    if best.state == "empty":
        return Progress(f"{count}, nothing in it yet.", f"Add flours to {best.name}", "open", best.blend_id)
    if good == 0:
        return Progress(f"{count}, all held.", f"See what holds {best.name}", "open", best.blend_id)
    say = f"{good} of {count} get{'s' if good == 1 else ''} through."
    if not best.kept:
        return Progress(say, f"Keep {best.name} as a revision", "keep", best.blend_id)
    if best.state == "close":
        return Progress(say, f"Bring {best.name} from close to passing", "open", best.blend_id)
    return Progress(say, f"Print {best.name} and bake it", "print", best.blend_id)

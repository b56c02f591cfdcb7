"""A brief's limits beyond its bands: what must not be in the mix, what it may cost, how many bins it may need."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends import METRICS, BagKind, BandChange, Limits
from fallow_sieve.core.values import spaced

AIMS: dict[str, str] = {
    "nearest": "nearest to wheat",
    "more-fibre": "more fibre",
    "more-protein": "more protein",
    "cheapest": "cheapest",
    "whole-grain": "whole grain",
    "low-carbohydrate": "least carbohydrate",
    "mildest": "mildest",
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
    if limits.bag is not None:
        said.append(_BAGS[limits.bag])
    if limits.max_gum_pct is not None:
        said.append(f"at most {limits.max_gum_pct:g} % gum" if limits.max_gum_pct > 0 else "no gums")
    return tuple(said)


_BAGS = {
    BagKind.FLOURS: "flours alone",
    BagKind.WITH_BINDER: "flours with binder",
    BagKind.SELF_RAISING: "a self-raising bag",
    BagKind.COMPLETE: "a complete mix",
}


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


def progress(blends: Sequence[BlendState], unseen: int = 0) -> Progress:
    """Return how far a brief with these blends is, and the next step; `unseen` more were not judged yet."""
    if not blends and unseen:
        return Progress(f"{unseen} blends, not looked at yet.", "Compose another blend", "compose", None)
    if not blends:
        return Progress("No blend yet.", "Compose a first blend", "compose", None)
    best = max(blends, key=lambda b: (_RANK[b.state], b.score or 0.0, b.kept))
    good = sum(b.state in ("passes", "close") for b in blends)
    count = f"{len(blends)} blend" + ("" if len(blends) == 1 else "s")
    if unseen:
        count += f" looked at, of {len(blends) + unseen},"
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

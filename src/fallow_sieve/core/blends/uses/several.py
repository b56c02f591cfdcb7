"""A mix for several uses at once: it fits as well as it does for the worst of them, and each sieve has a band a use."""

from __future__ import annotations

from collections.abc import Sequence

from fallow_sieve.core.blends.analysis import Analysis
from fallow_sieve.core.blends.bag import BINDER_WALLS, OFFERED
from fallow_sieve.core.blends.uses.fit import BandResult, Fit, ForUse, UseLayer, badness, called, fit_alone, standing_of
from fallow_sieve.core.blends.uses.use import Use, WeighedUse
from fallow_sieve.core.values import Range, Status, number_word


def fit_to(use: Use, analysis: Analysis) -> Fit:
    """Return how `analysis` fits `use`; for several uses at once, the fit (0–100) is that of the worst."""
    if not use.together:
        return fit_alone(use, analysis)
    fits = [(w, fit_alone(w.use, analysis)) for w in use.together]
    each = tuple(_standing(w, fit) for w, fit in fits)
    judged = [(f.score, f.use) for f in each if f.score is not None]
    score, worst = min(judged, key=lambda j: j[0], default=(None, ""))
    return Fit(use.slug, score, _rows(fits), fits[0][1].mix_class, each, worst)


def _standing(weighed: WeighedUse, fit: Fit) -> ForUse:
    rows = [(r.band, r.estimate.typical) for r in fit.bands if r.status is not Status.UNKNOWN]
    return standing_of(weighed.use, [(b, v) for b, v in rows if v is not None], weighed.weight)


def _rows(fits: Sequence[tuple[WeighedUse, Fit]]) -> tuple[BandResult, ...]:
    """A row a sieve: of the use that the mix stands worst for there, with the bands of all as layers."""
    by_metric: dict[str, list[tuple[Use, BandResult]]] = {}
    for weighed, fit in fits:
        for row in fit.bands:
            by_metric.setdefault(row.band.metric, []).append((weighed.use, row))
    return tuple(_row(rows) for rows in by_metric.values())


def _row(rows: Sequence[tuple[Use, BandResult]]) -> BandResult:
    worst = max((r for _, r in rows), key=lambda r: (badness(r.status), -(r.desirability or 0.0)))
    layers = tuple(UseLayer(u.slug, u.name, r.band, r.status, r.distance) for u, r in rows)
    return BandResult(
        worst.band, worst.estimate, worst.status, worst.desirability, worst.distance, worst.p_inside_hard, layers
    )


def say_several(fit: Fit) -> str:
    """Return how a mix for several uses stands, in one sentence: for which use it is worst, and by what."""
    count = number_word(len(fit.each)).lower()
    off = [f for f in fit.each if f.status in (Status.HELD, Status.CLOSE)]
    if not off:
        return f"Passes every sieve of all {count} uses."
    worst = max(off, key=lambda f: (badness(f.status), -(f.score or 0.0)))
    if len(off) == len(fit.each) and len({f.say for f in off}) == 1:
        return f"{worst.say[0].upper()}{worst.say[1:]} for all {count} uses."
    return f"Of {count} uses it is worst for {called(worst.name)}: {worst.say}."


def say_others(fit: Fit) -> str:
    """Return whose fit it is and what the others have, in one sentence."""
    others = sorted(f.score for f in fit.each if f.use != fit.worst and f.score is not None)
    worst = next((f for f in fit.each if f.use == fit.worst), None)
    if worst is None or fit.score is None:
        return "No fit can be stated."
    held = sum(f.status is Status.HELD for f in fit.each)
    count = number_word(len(fit.each)).lower()
    first = f"Held for {number_word(held).lower()} of {count}" if held else "Nothing holds it"
    if not others:
        return f"{first} · fit {fit.score:.0f} of 100"
    low, high = f"{others[0]:.0f}", f"{others[-1]:.0f}"
    has = low if low == high else f"{low}–{high}"
    return f"{first} · fit {fit.score:.0f} of 100, that for {called(worst.name)}; the others have {has}"


def common_doses(use: Use) -> dict[str, Range | None]:
    """Return of each binder the dose that suits all uses (% of flour base, 0.7–1.3 × each usual), or None for none."""
    found: dict[str, Range | None] = {}
    for binder in OFFERED:
        usual = [w.use.doses[binder] for w in use.weighed if w.use.doses.get(binder)]
        if len(usual) == len(use.weighed):
            low, high = BINDER_WALLS[1] * max(usual), BINDER_WALLS[2] * min(usual)
            found[binder] = Range(low, (low + high) / 2, high) if low <= high else None
    return found


def say_binder(use: Use, names: dict[str, str]) -> str:
    """Return what binder suits all of several uses, in one sentence; `names` by slug."""
    count = number_word(len(use.weighed)).lower()
    fits = [(names.get(b, b), r) for b, r in common_doses(use).items() if r is not None]
    if not fits:
        return f"No one dose of a binder suits all {count}: it stays out of the bag, and each recipe brings its own."
    said = " or ".join(f"{r.low:.1f}–{r.high:.1f} % {called(n)}" for n, r in fits)
    return f"In the bag, {said} of flour would suit all {count}; else each recipe brings its own."

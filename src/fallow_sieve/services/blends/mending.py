"""A blend mended on a kitchen: the smallest changes with which it passes, as parts in g; and how sure a blend is."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Literal

import numpy as np

from fallow_sieve.core.blends import (
    METRICS,
    Analysis,
    Blend,
    Fit,
    Part,
    Use,
    analyse,
    check_parts,
    doses_mended,
    drawing_on,
    fit_to,
)
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.core.optimise import SEED, Bags, Mend, Mending, Wishes, bags_of, mend
from fallow_sieve.core.values import Change, Status
from fallow_sieve.services.blends.asking import own_flours
from fallow_sieve.services.kitchen import KitchenNow, use_within


@dataclass(frozen=True, slots=True)
class MendOption:
    """A way to mend: parts handled, mass moved (% of flour and g), changes in % of flour, and the parts that result."""

    touched: int
    moved_pct: float
    moved_g: float
    changes: tuple[Change, ...]
    parts: tuple[Part, ...]
    score: float
    passes: bool


@dataclass(frozen=True, slots=True)
class MendAnswer:
    """The ways to mend a blend, the fewest touched first; or what no small change can satisfy, in one sentence."""

    state: Literal["fine", "mended", "beyond"]
    say: str
    options: tuple[MendOption, ...]


@dataclass(frozen=True, slots=True)
class Mended:
    """A mending worked out: what was found, whether the blend passed already, and the blend with its doses mended."""

    found: Mend
    is_fine: bool
    analysis: Analysis
    dosed: Blend
    doses: tuple[Change, ...] = ()


def _on_bench(blend: Blend, kitchen: KitchenNow, asked: Use | None = None) -> tuple[Shelf, Wishes]:
    """The shelf that the blend draws on, and its use (or the one that is `asked`) within its brief's limits."""
    shelf = drawing_on(blend.parts, kitchen.shelf)
    check_parts(blend.parts, shelf)
    use = asked or use_within(blend.use, kitchen.limits)
    assert use is not None  # only a blend with a use is mended
    return shelf, Wishes(use, kitchen.limits)


def mended(blend: Blend, kitchen: KitchenNow, touch: int, effort: Effort, use: Use | None = None) -> Mended:
    """Return the smallest changes with which `blend` passes for its use, touching up to `touch` parts of the flour.

    Doses that do not pass (binder, leavening, yeast, salt, sugar) are brought to the usual first, in every option.
    With a `use` of its own bands it is mended for these, and its doses stay.
    """
    shelf, asked = _on_bench(blend, kitchen, use)
    own = own_flours(shelf, asked, blend.parts) or None
    asked = replace(asked, candidates=own if kitchen.is_kept else None)
    analysis = analyse(blend, shelf, kitchen.cup)
    fit = fit_to(asked.bands_use, analysis)
    is_fine = _passes(fit)
    dosed, doses = doses_mended(blend, analysis, fit, kitchen.limits.max_gum_pct)
    if not doses or use is not None:
        return Mended(mend(blend, analysis, asked, shelf, touch, effort, kitchen.cup), is_fine, analysis, blend)
    after = analyse(dosed, shelf, kitchen.cup)
    found = mend(dosed, after, asked, shelf, touch, effort, kitchen.cup)
    return Mended(_with_doses(found, doses, fit_to(asked.bands_use, after)), is_fine, after, dosed, doses)


def _passes(fit: Fit) -> bool:
    return all(b.status in (Status.PASS, Status.UNKNOWN) for b in fit.bands)


def _with_doses(found: Mend, doses: tuple[Change, ...], fit: Fit) -> Mend:
    """The doses alone where they mend it or nothing of the flours can be mended; else they go with every option."""
    if found.options and not _passes(fit):
        return replace(
            found,
            options=tuple(
                replace(m, touched=m.touched + len(doses), changes=(*doses, *m.changes)) for m in found.options
            ),
        )
    if any(b.status is Status.HELD for b in fit.bands):
        return found
    return replace(found, options=(Mending(len(doses), 0.0, doses, (), fit, _passes(fit)),))


def answer_of(done: Mended, touch: int) -> MendAnswer:
    """Return a mending with its options as parts in g, and in one sentence."""
    options = tuple(_option(m, done) for m in done.found.options)
    state: Literal["fine", "mended", "beyond"] = "mended" if options else "fine" if done.is_fine else "beyond"
    beyond = [METRICS[m].label.lower() if m in METRICS else m for m in done.found.beyond]
    return MendAnswer(state, _sentence(state, beyond, touch), options)


def _sentence(state: str, beyond: Sequence[str], touch: int) -> str:
    if state == "fine":
        return "Every sieve passes: there is nothing to mend."
    if state == "mended":
        return "The smallest changes that let it through:"
    if not beyond:
        return f"No change of {touch} parts satisfies all its sieves at once. Propose looks further."
    return f"No change of {touch} parts can satisfy {' or '.join(beyond)}. Propose looks further."


def _option(m: Mending, done: Mended) -> MendOption:
    parts, per_pct = done.dosed.parts, done.analysis.flour_base_g / 100
    shares, changed = dict(m.shares), {c.what for c in m.changes} - {c.what for c in done.doses}
    kept = [p for p in parts if p.ingredient in shares or p.ingredient not in changed]
    new = [Part(s, 0.0) for s in shares if s not in {p.ingredient for p in parts}]
    after = tuple(
        replace(p, mass_g=round(shares[p.ingredient] * per_pct, 6)) if p.ingredient in changed else p
        for p in (*kept, *new)
    )
    return MendOption(m.touched, m.moved_pct, m.moved_pct * per_pct, m.changes, after, m.fit.score or 0.0, m.passes)


def bags(blend: Blend, kitchen: KitchenNow) -> Bags:
    """Return with how many of 100 bags `blend` passes its sieves: draws within the ranges of its numbers."""
    shelf, asked = _on_bench(blend, kitchen)
    rng = np.random.default_rng(SEED)
    return bags_of(analyse(blend, shelf, kitchen.cup), shelf, asked.bands_use, rng, cup=kitchen.cup)

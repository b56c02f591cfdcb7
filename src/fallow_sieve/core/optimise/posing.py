"""Poses a problem: wishes and a shelf become candidates, bands that can be judged, and named limits."""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping
from dataclasses import replace

import numpy as np

from fallow_sieve.core.blends import METRICS, WeighedUse
from fallow_sieve.core.ingredients import Ingredient, Shelf
from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.optimise.linear_metrics import Form, Mix, form_of
from fallow_sieve.core.optimise.named_limits import limits_of_problem
from fallow_sieve.core.optimise.problem import FitTo, Problem
from fallow_sieve.core.optimise.thousands import MOST_CANDIDATES, most_promising
from fallow_sieve.core.optimise.wishes import Wishes, check_wishes, is_supplement
from fallow_sieve.core.values import BadInputError, CupStandard


def problem_of(wishes: Wishes, shelf: Shelf, cup: CupStandard = CupStandard.US) -> Problem:
    """Return the problem of `wishes` over `shelf`. Raises BadInputError naming the place of a wish that cannot be."""
    check_wishes(wishes, shelf)
    flours = _candidates(wishes, shelf)
    binders = tuple((shelf[s], d) for s, d in wishes.binder.items() if d > 0)
    mix = Mix(flours, () if wishes.binder_apart else binders, cup)
    forms, dropped, notes = _judgeable(wishes, mix)
    mix, forms, left_out = _with_values(wishes, mix, forms)
    whole = _posed(wishes, mix, binders, forms)
    if len(mix.flours) <= MOST_CANDIDATES:
        made = replace(whole, dropped=dropped, notes=(*notes, *left_out))
    else:
        made = _few_enough(whole, dropped, (*notes, *left_out))
    return replace(made, limits=tuple(limits_of_problem(made)), notes=(*made.notes, *_more_notes(made)))


def _posed(wishes: Wishes, mix: Mix, binders: tuple[tuple[Ingredient, float], ...], forms: dict[str, Form]) -> Problem:
    """The problem over these flours, its limits not yet stated."""
    fits = tuple(_fit_to(w, forms) for w in wishes.bands_use.weighed)
    usual = np.array([_usual_most(wishes, i) for i in mix.flours])
    return Problem(wishes, mix, binders, (), fits, forms, usual, _price(mix), _stock_pct(wishes, mix), (), ())


def _few_enough(whole: Problem, dropped: tuple[str, ...], notes: tuple[str, ...]) -> Problem:
    """The problem over the flours that promise most, which says how many it looks at."""
    keep = most_promising(whole)
    mix = replace(whole.mix, flours=tuple(i for i, k in zip(whole.mix.flours, keep, strict=True) if k))
    if not mix.flours:
        return replace(whole, dropped=dropped, notes=notes)
    forms = {m: f for m in whole.forms if (f := form_of(m, mix))}
    said = f"Looked at are the {len(mix.flours)} of {whole.count} flours that promise most."
    made = _posed(whole.wishes, mix, whole.binders, forms)
    return replace(made, dropped=dropped, notes=(*notes, said), whole=whole)


def _price(mix: Mix) -> Array:
    return np.array([math.nan if i.price_per_kg is None else i.price_per_kg for i in mix.flours])


def _stock_pct(wishes: Wishes, mix: Mix) -> Array:
    stock = np.array([i.stock_g for i in mix.flours])
    return stock * mix.mass / wishes.batch_g if wishes.batch_g else np.where(stock > 0, math.inf, 0.0)


def in_bins(shelf: Shelf) -> tuple[str, ...]:
    """Return the slugs of the flours that are in the kitchen's bins: more than 0 g in stock."""
    return tuple(i.slug for i in shelf.ingredients if i.stock_g > 0 and i.in_flour_base and not i.contains_gluten)


def _candidates(wishes: Wishes, shelf: Shelf) -> tuple[Ingredient, ...]:
    named = wishes.candidates
    forced = {*wishes.forced, *wishes.lock}
    found = [
        i
        for i in shelf.ingredients
        if i.in_flour_base
        and not i.contains_gluten
        and (i.slug in forced or (i.slug in named if named is not None else _offers_itself(i, wishes)))
    ]
    if not found:
        raise BadInputError("there is no flour to choose from", place="/candidates", right="name some candidates")
    return tuple(shelf[i.slug] for i in found)


def _offers_itself(item: Ingredient, wishes: Wishes) -> bool:
    """Whether a flour is thought of unnamed: not one that is put away, and no fibre or powder unless asked for."""
    return not item.archived and (wishes.wants_supplements or not is_supplement(item))


def _usual_most(wishes: Wishes, item: Ingredient) -> float:
    """The usual most of a flour, % of flour base: the least among the uses (inf: none)."""
    each = (w.use.most_of(item.slug, item.usual_max_pct) for w in wishes.use.weighed)
    return min((m for m in each if m is not None), default=math.inf)


def _fit_to(weighed: WeighedUse, forms: Mapping[str, Form]) -> FitTo:
    use = weighed.use
    return FitTo(use.slug, use.name, weighed.weight, tuple(b for b in use.bands if b.metric in forms))


def _judgeable(wishes: Wishes, mix: Mix) -> tuple[dict[str, Form], tuple[str, ...], tuple[str, ...]]:
    """The metrics that can be judged at all: the binder, and every flour that must be in, has a value."""
    forms, dropped, notes = {}, [], []
    must = np.array([i.slug in wishes.forced for i in mix.flours])
    for name in dict.fromkeys(b.metric for b in wishes.bands_use.all_bands):
        form = form_of(name, mix)
        label = METRICS[name].label
        if form is None or not np.any(form.known):
            why = "a binder has no value" if form is None else "no flour has a value"
        elif np.any(must & (form.known == 0)):
            lacking = [i.name for i, m, k in zip(mix.flours, must, form.known, strict=True) if m and not k]
            why = f"{', '.join(lacking)} has no value"
        else:
            forms[name] = form
            continue
        dropped.append(name)
        notes.append(f"{label} is not judged: {why} for it.")
    return forms, tuple(dropped), tuple(notes)


def _with_values(wishes: Wishes, mix: Mix, forms: dict[str, Form]) -> tuple[Mix, dict[str, Form], tuple[str, ...]]:
    """Leaves out a candidate that lacks a value which a band needs: unknown is not zero."""
    keep = np.all([f.known > 0 for f in forms.values()], axis=0) if forms else np.ones(len(mix.flours), dtype=bool)
    if np.all(keep):
        return mix, forms, ()
    out = [i.name for i, k in zip(mix.flours, keep, strict=True) if not k]
    left = replace(mix, flours=tuple(i for i, k in zip(mix.flours, keep, strict=True) if k))
    if not left.flours:
        raise BadInputError(
            "no candidate has all the values that the bands need", place="/candidates", right="name better-known flours"
        )
    again = {metric: f for metric in forms if (f := form_of(metric, left))}
    some = ", ".join(out[:4]) + (f" and {len(out) - 4} more" if len(out) > 4 else "")
    return left, again, (f"Left out, because a value that a band needs is not known: {some}.",)


def _more_notes(p: Problem) -> Iterator[str]:
    if not p.wishes.binder_apart:
        unpriced = [b.name for b, _ in p.mix.binders if b.price_per_kg is None]
        if unpriced and not np.all(np.isnan(p.price)):
            yield f"Cost is that of the flours alone: {', '.join(unpriced)} has no price."

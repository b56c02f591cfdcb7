"""The limits of a brief as named rows over the shares and the bins used, and what is known of every candidate.

Each limit is one row with a name, so that it can be let go alone: the search for what clashes works on these names.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace
from functools import partial

import numpy as np

from fallow_sieve.core.blends import METRICS
from fallow_sieve.core.briefs import spaced
from fallow_sieve.core.errors import BadInputError
from fallow_sieve.core.ingredients import Ingredient
from fallow_sieve.core.listing import Diet
from fallow_sieve.core.optimise.forms import Form, Mix, form_of, specific_volume, starch_known
from fallow_sieve.core.optimise.solver import Array
from fallow_sieve.core.optimise.wishes import MIN_SHARE_PCT, Wishes, check_wishes
from fallow_sieve.core.quantities import CupStandard
from fallow_sieve.core.shelf import Shelf
from fallow_sieve.core.uses import Band


@dataclass(frozen=True, slots=True)
class Limit:
    """One wish as a row: a·x + c·z + a₀ ≥ 0 (x in % of flour base, z 1 where a bin is used).

    `name` is how files name it, `side` which end of a band, `say` the wish in words. `form` and `bound` are the
    metric and its limit, in the metric's unit, where there is one; `unit` is the unit of what it would have to give,
    and `sign` whether giving makes the limit's own number smaller (-1) or larger (1).
    """

    name: str
    side: str
    a: Array
    c: Array
    a0: float
    say: str
    unit: str = ""
    sign: int = 1
    bound: float = 0.0
    form: Form | None = None


@dataclass(frozen=True, slots=True)
class Problem:
    """Candidates, limits, metrics and bands of a brief, ready to be stated; arrays have one entry per candidate.

    `binders` are all fixed doses, % of flour base, also those that are kept apart from the mix.
    `usual_most` is % of flour base (inf: none), `price` and `stock_pct` NaN where unknown (price per kg, and the %
    of flour base that the stock would allow at the batch size). `dropped` are bands that cannot be judged, `notes`
    what was left out and why.
    """

    wishes: Wishes
    mix: Mix
    binders: tuple[tuple[Ingredient, float], ...]
    limits: tuple[Limit, ...]
    bands: tuple[Band, ...]
    forms: dict[str, Form]
    usual_most: Array
    price: Array
    stock_pct: Array
    dropped: tuple[str, ...]
    notes: tuple[str, ...]

    @property
    def slugs(self) -> tuple[str, ...]:
        """The candidates' slugs."""
        return tuple(i.slug for i in self.mix.flours)

    @property
    def count(self) -> int:
        """How many candidates there are."""
        return len(self.mix.flours)

    def without(self, names: Sequence[tuple[str, str]]) -> Problem:
        """Return the problem without the limits of these (name, side)."""
        return replace(self, limits=tuple(x for x in self.limits if (x.name, x.side) not in names))


def problem_of(wishes: Wishes, shelf: Shelf, cup: CupStandard = CupStandard.US) -> Problem:
    """Return the problem of `wishes` over `shelf`. Raises BadInputError naming the place of a wish that cannot be."""
    check_wishes(wishes, shelf)
    flours = _candidates(wishes, shelf)
    binders = tuple((shelf[s], d) for s, d in wishes.binder.items() if d > 0)
    mix = Mix(flours, () if wishes.binder_apart else binders, cup)
    bands, forms, dropped, notes = _judgeable(wishes, mix)
    mix, forms, left_out = _with_values(wishes, mix, bands, forms)
    stock = np.array([i.stock_g for i in mix.flours])
    price = np.array([math.nan if i.price_per_kg is None else i.price_per_kg for i in mix.flours])
    stock_pct = stock * mix.mass / wishes.batch_g if wishes.batch_g else np.where(stock > 0, math.inf, 0.0)
    usual = [
        math.inf if wishes.use.made_of_one_part or i.usual_max_pct is None else i.usual_max_pct for i in mix.flours
    ]
    made = Problem(
        wishes, mix, binders, (), bands, forms, np.array(usual), price, stock_pct, dropped, (*notes, *left_out)
    )
    return replace(made, limits=tuple(_limits(made)), notes=(*made.notes, *_more_notes(made)))


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
        and (i.slug in forced or (i.slug in named if named is not None else not i.archived))
    ]
    if not found:
        raise BadInputError("there is no flour to choose from", place="/candidates", right="name some candidates")
    return tuple(shelf[i.slug] for i in found)


def _judgeable(wishes: Wishes, mix: Mix) -> tuple[tuple[Band, ...], dict[str, Form], tuple[str, ...], tuple[str, ...]]:
    """The bands that can be judged at all: the binder, and every flour that must be in, has a value."""
    bands, forms, dropped, notes = [], {}, [], []
    must = np.array([i.slug in wishes.forced for i in mix.flours])
    for band in wishes.bands_use.bands:
        form = form_of(band.metric, mix)
        label = METRICS[band.metric].label
        if form is None or not np.any(form.known):
            why = "a binder has no value" if form is None else "no flour has a value"
        elif np.any(must & (form.known == 0)):
            lacking = [i.name for i, m, k in zip(mix.flours, must, form.known, strict=True) if m and not k]
            why = f"{', '.join(lacking)} has no value"
        else:
            bands.append(band)
            forms[band.metric] = form
            continue
        dropped.append(band.metric)
        notes.append(f"{label} is not judged: {why} for it.")
    return tuple(bands), forms, tuple(dropped), tuple(notes)


def _with_values(
    wishes: Wishes, mix: Mix, bands: Sequence[Band], forms: dict[str, Form]
) -> tuple[Mix, dict[str, Form], tuple[str, ...]]:
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
    again = {b.metric: f for b in bands if (f := form_of(b.metric, left))}
    some = ", ".join(out[:4]) + (f" and {len(out) - 4} more" if len(out) > 4 else "")
    return left, again, (f"Left out, because a value that a band needs is not known: {some}.",)


def _more_notes(p: Problem) -> Iterator[str]:
    if not p.wishes.binder_apart:
        unpriced = [b.name for b, _ in p.mix.binders if b.price_per_kg is None]
        if unpriced and not np.all(np.isnan(p.price)):
            yield f"Cost is that of the flours alone: {', '.join(unpriced)} has no price."


def _limits(p: Problem) -> Iterator[Limit]:
    yield from _band_limits(p)
    yield from _excluded(p)
    yield from _shares(p)
    yield from _caps(p)
    yield from _stock(p)


def _zero(p: Problem) -> Array:
    return np.zeros(p.count)


def _band_limits(p: Problem) -> Iterator[Limit]:
    for band in p.bands:
        form, metric = p.forms[band.metric], METRICS[band.metric]
        if band.hard_low > metric.lowest:
            yield _side(p, form, band.hard_low, "low")
        if band.hard_high < metric.highest:
            yield _side(p, form, band.hard_high, "high")
        if band.metric == "amylose_pct_of_starch":
            line, constant = starch_known(p.mix)
            yield Limit(band.metric, "known", line, _zero(p), constant, "amylose known of 98 % of the starch")


def _side(p: Problem, form: Form, bound: float, side: str) -> Limit:
    """value ≥ bound (low) or ≤ bound (high), multiplied out; at the 95 % end where the brief asks for it."""
    metric = METRICS[form.metric]
    sign = 1 if side == "low" else -1
    a, a0, b, b0 = form.a, form.a0, form.b, form.b0
    if p.wishes.robust:
        a, a0 = a - sign * form.reach, a0 - sign * form.reach0
        b, b0 = _robust_volume(p, form, side)
    word = "at least" if side == "low" else "at most"
    say = f"{metric.label.lower()} {word} {bound:g} {metric.unit}"
    return Limit(
        form.metric,
        side,
        sign * (a - bound * b),
        _zero(p),
        sign * (a0 - bound * b0),
        say + (" at the 95 % end" if p.wishes.robust else ""),
        metric.unit,
        -sign,
        bound,
        form,
    )


def _robust_volume(p: Problem, form: Form, side: str) -> tuple[Array, float]:
    if form.metric not in ("density_g_per_ml", "cup_g"):
        return form.b, form.b0
    found = specific_volume(p.mix, "low" if side == "low" else "high")
    return (found[0], found[1]) if found else (form.b, form.b0)


def _excluded(p: Problem) -> Iterator[Limit]:
    limits = p.wishes.limits
    for mark in limits.exclude_allergens:
        unwanted = partial(_has_mark, mark)
        yield from _none_of(p, unwanted, f"exclude_allergens/{mark}", f"no {spaced(mark)}")
    for slug in limits.exclude:
        name = next((i.name for i in p.mix.flours if i.slug == slug), slug)
        yield from _none_of(p, partial(_is, slug), f"exclude/{slug}", f"without {name.lower()}")
    for diet in p.wishes.diets:
        yield from _none_of(p, partial(_against, diet), f"diets/{diet.name}", diet.label)


def _has_mark(mark: str, item: Ingredient) -> bool:
    return mark in (*item.allergens, *item.watch)


def _is(slug: str, item: Ingredient) -> bool:
    return item.slug == slug


def _against(diet: Diet, item: Ingredient) -> bool:
    return not diet.allows(item)


def _none_of(p: Problem, unwanted: Callable[[Ingredient], bool], name: str, say: str) -> Iterator[Limit]:
    hit = np.array([float(unwanted(i)) for i in p.mix.flours])
    bound = sum(dose for b, dose in p.binders if unwanted(b))
    if np.any(hit) or bound:
        yield Limit(name, "", -hit, _zero(p), -bound, say, "% of flour")


def _shares(p: Problem) -> Iterator[Limit]:
    w = p.wishes
    for n, item in enumerate(p.mix.flours):
        one = _zero(p)
        one[n] = 1.0
        name = item.name.lower()
        if item.slug in w.lock:
            value = w.lock[item.slug]
            for side, sign in (("low", 1), ("high", -1)):
                say = f"{name} locked at {value:g} %"
                yield Limit(
                    f"lock/{item.slug}", side, sign * one, _zero(p), -sign * value, say, "% of flour", -sign, value
                )
        share = w.require.get(item.slug)
        least = share.min_pct if share else (MIN_SHARE_PCT if item.slug in w.use_up else 0.0)
        if least > 0:
            key = "require" if share else "use_up"
            say = f"at least {least:g} % {name}" if share else f"use up {name}"
            yield Limit(f"{key}/{item.slug}", "low", one, _zero(p), -least, say, "% of flour", -1, least)
        if share and share.max_pct < 100:
            say = f"at most {share.max_pct:g} % {name}"
            yield Limit(
                f"require/{item.slug}", "high", -one, _zero(p), share.max_pct, say, "% of flour", 1, share.max_pct
            )


def _caps(p: Problem) -> Iterator[Limit]:
    w = p.wishes.limits
    if w.max_bins is not None:
        say = f"at most {w.max_bins} bin{'' if w.max_bins == 1 else 's'}"
        yield Limit("max_bins", "", _zero(p), -np.ones(p.count), w.max_bins, say, "bins", 1, w.max_bins)
    if w.price_cap_per_kg is not None:
        a, a0 = cost_line(p)
        unknown = np.isnan(p.price)
        say = f"at most {w.price_cap_per_kg:.2f} per kg"
        if np.any(unknown):
            yield Limit(
                "price_cap_per_kg", "known", -unknown.astype(float), _zero(p), 0.0, "a price for every flour", "%"
            )
        cap = w.price_cap_per_kg
        yield Limit("price_cap_per_kg", "", -a, _zero(p), cap - a0, say, "per kg", 1, cap)
    if w.gluten_cap_mg_per_kg is not None:
        yield from _gluten(p, w.gluten_cap_mg_per_kg)


def cost_line(p: Problem) -> tuple[Array, float]:
    """Return cost per kg as c·x + c₀ (x in %), unknown prices as 0; of the flours alone if a binder has none."""
    price = np.where(np.isnan(p.price), 0.0, p.price)
    if any(b.price_per_kg is None for b, _ in p.mix.binders):
        return price / 100.0, 0.0
    a0 = sum(dose * (b.price_per_kg or 0.0) for b, dose in p.mix.binders) / p.mix.mass
    return price / p.mix.mass, a0


def _gluten(p: Problem, cap: float) -> Iterator[Limit]:
    gives = [i.gluten_mg_per_kg for i in p.mix.flours]
    unknown = np.array([g is None for g in gives])
    binders = [(b.gluten_mg_per_kg, dose) for b, dose in p.mix.binders]
    if not p.wishes.allow_unknown_gluten:
        lacking = float(sum(dose for g, dose in binders if g is None))
        if np.any(unknown) or lacking:
            say = "a gluten value for every part"
            yield Limit("gluten_cap_mg_per_kg", "known", -unknown.astype(float), _zero(p), -lacking, say, "% of flour")
    a = np.array([g or 0.0 for g in gives]) / p.mix.mass
    a0 = sum((g or 0.0) * dose for g, dose in binders) / p.mix.mass
    yield Limit("gluten_cap_mg_per_kg", "", -a, _zero(p), cap - a0, f"gluten at most {cap:g} mg/kg", "mg/kg", 1, cap)


def _stock(p: Problem) -> Iterator[Limit]:
    if not p.wishes.in_stock:
        return
    for n, item in enumerate(p.mix.flours):
        if p.stock_pct[n] < 100:
            one = _zero(p)
            one[n] = -1.0
            has = f"{item.name.lower()} in stock: {item.stock_g:.0f} g"
            most = float(p.stock_pct[n])
            yield Limit(f"stock/{item.slug}", "", one, _zero(p), most, has, "% of flour", 1, most)

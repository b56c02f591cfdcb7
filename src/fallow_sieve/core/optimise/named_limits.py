"""A problem's limits, each one row a·x + c·z + a₀ ≥ 0 with a name that a person can read."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from functools import partial

import numpy as np

from fallow_sieve.core.blends import METRICS
from fallow_sieve.core.ingredients import Diet, Ingredient, short_name
from fallow_sieve.core.numerics.programs import Array
from fallow_sieve.core.optimise.linear_metrics import Form, specific_volume, starch_known
from fallow_sieve.core.optimise.problem import Limit, Problem
from fallow_sieve.core.optimise.wishes import least_share_pct
from fallow_sieve.core.values import spaced


def limits_of_problem(p: Problem) -> Iterator[Limit]:
    """Give every limit of `p` by name, each a row over shares in % of flour base."""
    yield from _band_limits(p)
    yield from _excluded(p)
    yield from _shares(p)
    yield from _caps(p)
    yield from _stock(p)


def _zero(p: Problem) -> Array:
    return np.zeros(p.count)


def _band_limits(p: Problem) -> Iterator[Limit]:
    """The walls of every sieve; of several uses the tightest, which says whose it is."""
    for name, form in p.forms.items():
        metric = METRICS[name]
        low, of_low = max((b.hard_low, f.name) for f in p.fits for b in f.bands if b.metric == name)
        high, of_high = min((b.hard_high, f.name) for f in p.fits for b in f.bands if b.metric == name)
        if low > metric.lowest:
            yield _side(p, form, low, "low", of_low)
        if high < metric.highest:
            yield _side(p, form, high, "high", of_high)
        if name == "amylose_pct_of_starch":
            line, constant = starch_known(p.mix)
            yield Limit(name, "known", line, _zero(p), constant, "amylose known of 98 % of the starch")


def _side(p: Problem, form: Form, bound: float, side: str, use: str) -> Limit:
    """value ≥ bound (low) or ≤ bound (high), multiplied out; at the 95 % end where the brief asks for it."""
    metric = METRICS[form.metric]
    sign = 1 if side == "low" else -1
    a, a0, b, b0 = form.a, form.a0, form.b, form.b0
    if p.wishes.robust:
        end = 0 if side == "low" else 1
        a, a0 = a - sign * form.reach[end], a0 - sign * float(form.reach0[end])
        b, b0 = _robust_volume(p, form, side)
    word = "at least" if side == "low" else "at most"
    say = f"{metric.label.lower()} {word} {bound:g} {metric.unit}"
    if len(p.fits) > 1:
        say += f", for {short_name(use).lower()}"
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
        least = share.min_pct if share else (least_share_pct(item) if item.slug in w.use_up else 0.0)
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

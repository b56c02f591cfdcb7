"""The model against the judgement: every metric, limit and bound of the program means what the bench means by it."""

from __future__ import annotations

import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from fallow_sieve.core.blends.bag import BagKind
from fallow_sieve.core.blends.care.gluten import estimate_gluten
from fallow_sieve.core.blends.limits import Limits, check_limits
from fallow_sieve.core.blends.metrics import BANDED, METRICS
from fallow_sieve.core.blends.mix_class import MixClass
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.blends.uses import BandChange, fit_to
from fallow_sieve.core.ingredients.filters import Diet
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.numerics.solver import solve
from fallow_sieve.core.optimise.aims import edge_count, margin, objective_of, tightest
from fallow_sieve.core.optimise.fit_model import log_fit, passing_limits, refined, usual_limits
from fallow_sieve.core.optimise.linear_metrics import Mix, form_of, starch_known
from fallow_sieve.core.optimise.model import add_difference, differs, short_of, state
from fallow_sieve.core.optimise.posing import in_bins, problem_of
from fallow_sieve.core.optimise.proposals import blend_of
from fallow_sieve.core.optimise.slack import floor_below
from fallow_sieve.core.optimise.wishes import Aim, Share, Wishes
from fallow_sieve.core.values.bands import Band, Status
from fallow_sieve.core.values.quantities import CupStandard
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from fuzzing import examples

LIBRARY = library_shelf()
USES = rules().uses
EIGHT = (
    "white-rice-flour", "sorghum-flour", "teff-flour", "oat-flour", "corn-starch", "potato-starch", "chickpea-flour",
    "millet-flour",
)  # fmt: skip
BINDERS = {"psyllium-husk": 4.0, "xanthan-gum": 0.5}
PRICED = Shelf.of(
    [replace(i, price_per_kg=1.0 + n % 7, gluten_mg_per_kg=float(n % 9)) for n, i in enumerate(LIBRARY.ingredients)]
)


@st.composite
def mixes(draw):
    """Whole percents of the eight flours that make a hundred, each nothing or at least 5."""
    used = draw(st.lists(st.integers(0, 7), min_size=1, max_size=8, unique=True))
    spare = 100 - 5 * len(used)
    cuts = sorted(draw(st.lists(st.integers(0, spare), min_size=len(used) - 1, max_size=len(used) - 1)))
    shares = np.zeros(8)
    shares[used] = 5 + np.diff([0, *cuts, spare])
    return shares


def problem(use="tin-loaf", limits=None, shelf=LIBRARY, **changes):
    wishes = Wishes(USES[use], limits or Limits(), **{"candidates": EIGHT, "binder": BINDERS, **changes})
    return problem_of(wishes, shelf)


def in_order(p, shares):
    """The shares of EIGHT in the order of the problem's candidates."""
    by_slug = dict(zip(EIGHT, shares, strict=True))
    return np.array([by_slug[s] for s in p.slugs])


@given(mixes(), st.sampled_from(sorted(METRICS)), st.sampled_from(list(CupStandard)))
def test_every_metric_of_the_model_is_the_metric_of_the_bench(shares, metric, cup):
    flours = tuple(LIBRARY[s] for s in EIGHT)
    mix = Mix(flours, tuple((LIBRARY[s], d) for s, d in BINDERS.items()), cup)
    form = form_of(metric, mix)
    p = problem()
    seen = analyse(blend_of(replace(p, mix=mix), shares), LIBRARY, cup).metrics[metric]
    if form is not None and np.all(form.known[shares > 0]) and seen.is_known:
        assert form.value(shares) == pytest.approx(seen.typical, rel=1e-9, abs=1e-9)


@given(mixes(), st.sampled_from(sorted(USES)))
def test_the_log_fit_of_the_model_is_the_fit_of_the_bench_less_its_penalty(shares, use):
    p = problem(use)
    x = in_order(p, shares)
    fit = fit_to(USES[use], analyse(blend_of(p, x), LIBRARY))
    assume(fit.mix_class is MixClass.PLAIN)
    rows = [b for b in fit.bands if b.band.metric in p.forms]  # the binder's row is the same for every mix
    total = sum(b.band.weight for b in rows)
    score = math.exp(sum(b.band.weight * math.log(b.desirability) for b in rows) / total)
    over = np.maximum(0.0, x - p.usual_most).sum()
    assert math.exp((log_fit(p, x) + 0.1 * over) / 100) == pytest.approx(score, rel=1e-9)


LIMITS = st.builds(
    Limits,
    exclude_allergens=st.lists(st.sampled_from(["oats", "legume", "maize"]), max_size=2, unique=True).map(tuple),
    exclude=st.lists(st.sampled_from(EIGHT), max_size=2, unique=True).map(tuple),
    price_cap_per_kg=st.one_of(st.none(), st.floats(2, 6)),
    max_bins=st.one_of(st.none(), st.integers(2, 7)),
    gluten_cap_mg_per_kg=st.one_of(st.none(), st.floats(1, 8)),
)


@given(mixes(), LIMITS)
def test_a_mix_keeps_the_limits_of_the_model_exactly_where_the_brief_is_not_held(shares, limits):
    p = problem(limits=limits, shelf=PRICED)
    x = in_order(p, shares)
    analysis = analyse(blend_of(p, x), PRICED)
    said = check_limits(limits, analysis, estimate_gluten(analysis.parts, PRICED), BagKind.FLOURS, PRICED)
    kept = all(short_of(row, x) <= 1e-9 for row in p.limits if row.form is None)
    assert kept is all(r.status is Status.PASS for r in said)


@given(mixes(), st.sampled_from(sorted(USES)))
def test_a_mix_keeps_the_hard_rows_exactly_where_no_sieve_holds_it(shares, use):
    p = problem(use)
    x = in_order(p, shares)
    fit = fit_to(USES[use], analyse(blend_of(p, x), LIBRARY))
    assume(fit.mix_class is MixClass.PLAIN)
    rows = [b for b in fit.bands if b.band.metric in p.forms]
    beyond = {row.name for row in p.limits if row.form is not None and short_of(row, x) > 1e-7}
    held = {b.band.metric for b in rows if b.status is Status.HELD}
    # A wall that holds nothing is a limit of proposals all the same: they are mixes as people bake them.
    assert held <= beyond == {b.band.metric for b in rows if Band.status(b.band, b.estimate.typical) is Status.HELD}
    close = {row.name for row in passing_limits(p) if short_of(row, x) > 1e-7}
    assert close == {b.band.metric for b in rows if b.status is not Status.PASS}


@settings(max_examples=examples(40))
@given(mixes(), st.sampled_from(sorted(USES)), st.integers(2, 8))
def test_no_bound_that_is_worked_out_before_cuts_a_mix_off_that_keeps_the_limits(shares, use, bins):
    whole = problem(use, Limits(max_bins=bins))
    x = in_order(whole, shares)
    p = replace(whole, limits=tuple(row for row in whole.limits if short_of(row, x) <= 1e-9))
    model = state(p)
    assert np.all(x <= model.most + 1e-9)
    fixed = model.copy()
    for n, at in enumerate(range(model.x.start, model.x.stop)):
        fixed.program.low[at] = fixed.program.high[at] = x[n] / model.unit[n]
    assert solve(fixed.program, np.zeros(len(fixed.program.low))).is_usable


@settings(max_examples=examples(40))
@given(mixes(), mixes())
def test_the_demand_to_differ_lets_through_just_what_differs(one, other):
    p = problem("all-purpose")
    a, b = in_order(p, one), in_order(p, other)
    model = add_difference(state(replace(p, limits=()), tight=False), a)
    for n, at in enumerate(range(model.x.start, model.x.stop)):
        model.program.low[at] = model.program.high[at] = b[n]
    assert solve(model.program, np.zeros(len(model.program.low))).is_usable is differs(a, b)


@given(mixes(), st.sampled_from(sorted(USES)))
def test_the_margin_is_the_least_distance_to_an_edge_in_band_widths(shares, use):
    p = problem(use)
    x = in_order(p, shares)
    metrics = analyse(blend_of(p, x), LIBRARY).metrics
    by_hand, count = {}, 0
    for band in USES[use].bands:
        width = band.good_high - band.good_low
        if width > 0:
            value = metrics[band.metric].typical
            low, high = METRICS[band.metric].lowest, METRICS[band.metric].highest
            edges = [value - band.good_low] * (band.good_low > low) + [band.good_high - value] * (band.good_high < high)
            by_hand |= {band.metric: min(edges) / width} if edges else {}
            count += len(edges)
    assert margin(p, x) == pytest.approx(min(by_hand.values()), abs=1e-9)
    assert by_hand[tightest(p, x)] == pytest.approx(min(by_hand.values()), abs=1e-9)
    assert edge_count(p) == count


@given(mixes())
def test_every_aim_seeks_the_number_that_the_bench_shows(shares):
    p = problem(shelf=PRICED)
    x = in_order(p, shares)
    seen = analyse(blend_of(p, x), PRICED)
    shown = {
        Aim.CHEAPEST: seen.cost_per_kg.typical,
        Aim.MOST_FIBRE: seen.metrics["fibre_pct"].typical,
        Aim.MOST_PROTEIN: seen.metrics["protein_pct"].typical,
        Aim.MILDEST: seen.metrics["flavour_index"].typical,
        Aim.LIGHTEST: seen.metrics["lightness_l"].typical,
        Aim.FEWEST_BINS: float(np.sum(x > 0)),
    }
    for aim, number in shown.items():
        assert objective_of(aim, p).value(x) == pytest.approx(number, rel=1e-9, abs=1e-9)


def test_tangents_are_added_where_a_desirability_lies_and_levels_around_a_ratio():
    bands = (BandChange("cup_g", hard_low=100, good_low=200, good_high=300, hard_high=400),)
    p = problem(limits=Limits(bands=bands), binder={})
    x = in_order(p, np.array([50.0, 50, 0, 0, 0, 0, 0, 0]))
    cuts = refined(p, x, {})
    d = 0.15 + 0.85 * (p.forms["cup_g"].value(x) - 100) / 100
    assert any(abs(c - d) < 1e-12 for c in cuts["cup_g"])
    assert any(abs(c - d * 1.002) < 1e-12 for c in cuts["cup_g"])


@pytest.mark.parametrize(
    ("best", "slack", "score"), [(0.0, 1.0, 99.0), (0.0, 0.0, 100.0), (100 * math.log(0.9), 5, 85)]
)
def test_the_floor_lies_the_slack_under_the_best_fit(best, slack, score):
    assert 100 * math.exp(floor_below(best, slack) / 100) == pytest.approx(score)


def test_the_usual_most_is_lifted_where_a_mix_is_made_of_one_part():
    assert np.all(np.isinf(problem("thickener").usual_most))
    assert len(usual_limits(problem("scone"))) == len(EIGHT)


def test_a_diet_takes_out_what_is_against_it_and_its_binder_too():
    no_nuts = Diet("no-nuts", "no nuts", ("tree-nuts",), (), (), "by marks")
    p = problem("scone", diets=(no_nuts,), candidates=(*EIGHT, "hazelnut-flour"), binder={})
    (row,) = [x for x in p.limits if x.name == "diets/no-nuts"]
    assert row.a[p.slugs.index("hazelnut-flour")] == -1
    assert np.count_nonzero(row.a) == 1


def test_enough_of_the_starch_has_a_known_amylose():
    flours = tuple(LIBRARY[s] for s in ("corn-starch", "almond-flour"))
    line, constant = starch_known(Mix(flours, ()))
    known, unknown = line
    assert known > 0 > unknown
    assert constant == 0


def test_the_bins_of_a_kitchen_are_the_flours_in_stock():
    shelf = Shelf.of(
        [replace(LIBRARY[s], stock_g=100.0) for s in ("teff-flour", "psyllium-husk")] + [LIBRARY["oat-flour"]]
    )
    assert in_bins(shelf) == ("teff-flour",)


def test_the_step_is_no_finer_than_a_gram_of_the_batch():
    assert Wishes(USES["scone"], batch_g=50.0).step == 2.0
    assert Wishes(USES["scone"], batch_g=5000.0).step == 1.0
    assert Wishes(USES["scone"], step_pct=0.0).step == 0.0


def test_what_must_be_in_is_named_once():
    wishes = Wishes(
        USES["scone"],
        lock={"teff-flour": 5.0, "oat-flour": 0.0},
        require={"teff-flour": Share()},
        use_up=("millet-flour",),
    )
    assert wishes.forced == {"teff-flour", "millet-flour"}


def test_all_the_banded_metrics_have_a_form():
    mix = Mix(tuple(LIBRARY[s] for s in EIGHT), ())
    assert [m for m in BANDED if form_of(m, mix) is None] == []

"""Proposals against what can be checked by hand, by brute force over a coarse grid, and by generation."""

from __future__ import annotations

import itertools
import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.limits import Limits
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.blends.uses import BandChange, Use, UseBand, fit_to
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.core.optimise.aims import STRANGE_COSTS, margin
from fallow_sieve.core.optimise.fit_model import log_fit
from fallow_sieve.core.optimise.linear_metrics import form_of
from fallow_sieve.core.optimise.model import differs, moved_pct, short_of
from fallow_sieve.core.optimise.posing import problem_of
from fallow_sieve.core.optimise.proposals import MismatchError, Proposal, Skipped, judged, propose
from fallow_sieve.core.optimise.wishes import Aim, Share, Wishes
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from fuzzing import examples
from kit import priced as flour

LIBRARY = library_shelf()
USES = rules().uses
BINS = (
    "white-rice-flour", "brown-rice-flour", "sorghum-flour", "millet-flour", "teff-flour", "buckwheat-flour",
    "oat-flour", "corn-starch", "potato-starch", "tapioca-starch", "chickpea-flour", "almond-flour",
)  # fmt: skip


# Three flours with numbers that a person can mix in the head.
GRAIN = flour("grain", "whole_grain", 4.0, fibre_g=10.0, protein_g=10.0, flavour_index=3.0, lightness_l=60.0)
WHITE = flour("white", "refined_flour", 2.0, fibre_g=2.0, protein_g=6.0, flavour_index=1.0, lightness_l=90.0)
STARCH = flour("starch", "starch", 1.0, fibre_g=0.0, protein_g=0.0, flavour_index=0.0, lightness_l=96.0)
THREE = Shelf.of([GRAIN, WHITE, STARCH])
PLAIN = Use(
    "plain", "Plain", "general", "dry", (UseBand(1, 3, 6, 9, "fibre_pct"), UseBand(10, 20, 40, 60, "starch_share_pct"))
)


def asked(**changes):
    return Wishes(**{"use": PLAIN, "aims": (Aim.CHEAPEST,), **changes})


def found(wishes, shelf=THREE, **kwargs):
    return [p for p in propose(problem_of(wishes, shelf), shelf, **kwargs) if isinstance(p, Proposal)]


def test_the_cheapest_of_three_is_what_one_works_out_by_hand():
    # All sieves can pass, so starch ≤ 40 % and fibre ≥ 3. With 40 % starch: 10 g + 2 w = 300, g + w = 60 → g = 22.5,
    # and in whole steps 23 % grain, 37 % white cost 0.92 + 0.74 + 0.40 = 2.06 per kg; so do 22, 40 and 38 %.
    best = found(asked())[0]
    assert dict(best.parts) in ({"starch": 40, "white": 37, "grain": 23}, {"starch": 38, "white": 40, "grain": 22})
    assert (best.value, best.score, best.gap) == (pytest.approx(2.06), 100, 0)


def test_a_lock_a_requirement_and_a_price_cap_are_kept():
    best = found(asked(lock={"white": 20.0}, require={"grain": Share(30, 100)}, aims=(Aim.NEAREST,)))[0]
    shares = dict(best.parts)
    assert shares["white"] == 20
    assert shares["grain"] >= 30
    capped = found(asked(limits=Limits(price_cap_per_kg=2.2), aims=(Aim.MOST_FIBRE,)))[0]
    assert capped.analysis.cost_per_kg.typical <= 2.2 + 1e-9


def test_a_lock_off_the_step_is_kept_as_it_is_and_the_rest_makes_up_the_hundred():
    problem = problem_of(asked(lock={"white": 20.5, "grain": 29.5}, aims=(Aim.NEAREST,)), THREE)
    best = next(iter(propose(problem, THREE)))
    assert dict(best.parts) == {"starch": 50, "grain": 29.5, "white": 20.5}


def test_the_binder_in_the_mix_counts_in_its_numbers_and_one_apart_does_not():
    husk = replace(flour("husk", "binder", 20.0, fibre_g=80.0, protein_g=2.0))
    shelf = Shelf.of([GRAIN, WHITE, STARCH, husk])
    within = found(asked(binder={"husk": 5.0}), shelf)[0]
    apart = found(asked(binder={"husk": 5.0}, binder_apart=True), shelf)[0]
    flours = sum(s / 100 * f for s, f in ((dict(within.parts).get("grain", 0), 10), (dict(within.parts)["white"], 2)))
    assert within.analysis.metrics["fibre_pct"].typical == pytest.approx((flours * 100 + 5 * 80) / 105)
    assert dict(apart.parts) == dict(found(asked())[0].parts)


def test_an_index_not_known_of_a_flour_leaves_the_flour_out_and_says_so():
    plain = flour("riddle", "refined_flour", 0.1, protein_g=6.0)
    problem = problem_of(asked(), Shelf.of([GRAIN, WHITE, STARCH, plain]))
    assert "riddle" not in problem.slugs
    assert any("Riddle" in note for note in problem.notes)
    locked = problem_of(asked(lock={"riddle": 20.0}), Shelf.of([GRAIN, WHITE, STARCH, plain]))
    assert locked.dropped == ("fibre_pct",)


def test_unknown_gluten_is_not_allowed_under_a_budget_unless_it_is_said():
    tested = [replace(i, gluten_mg_per_kg=g) for i, g in ((GRAIN, 5.0), (WHITE, None), (STARCH, 5.0))]
    shelf = Shelf.of(tested)
    strict = asked(limits=Limits(gluten_cap_mg_per_kg=20), aims=(Aim.NEAREST,))
    assert "white" not in dict(found(strict, shelf)[0].parts)
    assert "white" in dict(found(replace(strict, allow_unknown_gluten=True), shelf)[0].parts)


def test_stock_is_enough_for_the_batch():
    shelf = Shelf.of([replace(GRAIN, stock_g=150.0), replace(WHITE, stock_g=5000.0), replace(STARCH, stock_g=5000.0)])
    best = found(asked(in_stock=True, batch_g=1000.0, aims=(Aim.MOST_FIBRE,)), shelf)[0]
    assert dict(best.parts)["grain"] == 15


def test_an_aim_without_data_is_skipped_with_its_reason():
    shelf = Shelf.of([replace(i, price_per_kg=None) for i in (GRAIN, WHITE, STARCH)])
    results = list(propose(problem_of(asked(aims=(Aim.CHEAPEST, Aim.NEAREST)), shelf), shelf))
    assert results[0] == Skipped(Aim.CHEAPEST, "no price is known")
    assert isinstance(results[1], Proposal)


def on_grid(problem, step):
    """Every mix of the problem's candidates in steps of `step` % that keeps its limits."""
    n = problem.count
    for counts in itertools.product(range(int(100 / step) + 1), repeat=n - 1):
        last = 100 - step * sum(counts)
        shares = np.array([*(step * c for c in counts), last], dtype=float)
        if last < 0 or any(0 < x < 3 for x in shares):
            continue
        if all(short_of(x, shares) <= 1e-9 for x in problem.limits):
            yield shares


@pytest.mark.parametrize("use", ["tin-loaf", "short-pastry", "crispbread", "fresh-pasta"])
@pytest.mark.parametrize("aim", [Aim.NEAREST, Aim.MOST_FIBRE, Aim.MILDEST, Aim.FEWEST_BINS])
def test_no_mix_on_a_coarse_grid_is_better_than_the_proposal(use, aim):
    four = ("sorghum-flour", "white-rice-flour", "potato-starch", "chickpea-flour")
    wishes = Wishes(USES[use], candidates=four, step_pct=5.0, aims=(aim,), fit_slack=0.0)
    problem = problem_of(wishes, LIBRARY)
    grid = list(on_grid(problem, 5))
    proposals = found(wishes, LIBRARY)
    if not grid:
        assert not proposals
        return
    best = max(log_fit(problem, x) for x in grid)
    mine = proposals[0]
    assert log_fit(problem, mine.shares) >= best - 0.051
    rivals = [x for x in grid if log_fit(problem, x) >= best - 1e-9]
    if aim is Aim.NEAREST:

        def worth(x):
            """The margin less what flours strange to the use cost."""
            return margin(problem, x) - STRANGE_COSTS * float(problem.unfamiliar @ x) / 100

        assert worth(mine.shares) >= max(map(worth, rivals)) - 1e-6
    elif aim is Aim.FEWEST_BINS:
        assert mine.value == min(np.sum(x > 0) for x in rivals)
    else:
        metric, sign = {Aim.MOST_FIBRE: ("fibre_pct", 1), Aim.MILDEST: ("flavour_index", -1)}[aim]
        form = form_of(metric, problem.mix)
        values = [sign * form.value(x) for x in rivals]
        assert sign * mine.value >= max(values) - 0.05


def test_all_the_aims_of_a_use_differ_and_keep_its_limits():
    limits = Limits(exclude_allergens=("tree-nuts",), max_bins=5)
    wishes = Wishes(
        USES["tin-loaf"],
        limits,
        candidates=BINS,
        binder={"psyllium-husk": 5.0},
        aims=tuple(a for a in Aim if a != "from-stock"),
    )
    problem = problem_of(wishes, LIBRARY)
    proposals = [p for p in propose(problem, LIBRARY) if isinstance(p, Proposal)]
    assert len(proposals) >= 5
    for p in proposals:
        assert sum(x for _, x in p.parts) == pytest.approx(100, abs=1e-9)
        assert all(x == round(x) and x >= 3 for _, x in p.parts)
        assert len(p.parts) <= 5
        assert "almond-flour" not in dict(p.parts)
        assert not [b for b in p.fit.bands if b.status == "held"]
    for a, b in itertools.combinations(proposals, 2):
        assert differs(a.shares, b.shares)


KITCHENS = st.lists(st.sampled_from(BINS), min_size=3, max_size=7, unique=True)
CAPS = st.one_of(st.none(), st.integers(2, 5))


@settings(max_examples=examples(25))
@given(
    KITCHENS,
    st.sampled_from(sorted(USES)),
    CAPS,
    st.sampled_from([1.0, 2.0, 5.0]),
    st.sampled_from([Aim.NEAREST, Aim.MOST_PROTEIN, Aim.LIGHTEST]),
)
def test_any_brief_is_answered_alike_twice_and_keeps_what_it_promised(kitchen, use, bins, step, aim):
    wishes = Wishes(USES[use], Limits(max_bins=bins), candidates=tuple(kitchen), step_pct=step, aims=(aim,))
    problem = problem_of(wishes, LIBRARY)
    first, again = (list(propose(problem, LIBRARY)) for _ in range(2))
    assert [getattr(p, "parts", p) for p in first] == [getattr(p, "parts", p) for p in again]
    for p in first:
        if isinstance(p, Proposal):
            assert p.shares.sum() == pytest.approx(100, abs=1e-9)
            assert np.allclose(p.shares / step, np.round(p.shares / step))
            assert all(short_of(x, p.shares) <= 1e-6 for x in problem.limits)
            seen = fit_to(USES[use], analyse(Blend(tuple(Part(s, x) for s, x in p.parts)), LIBRARY))
            assert seen.score == pytest.approx(p.score, abs=1e-6)


def test_a_blend_that_its_judgement_sees_otherwise_is_an_error_and_never_shown():
    problem = problem_of(asked(), THREE)
    form = problem.forms["fibre_pct"]
    wrong = replace(problem, forms={**problem.forms, "fibre_pct": replace(form, a=form.a * 1.01)})
    with pytest.raises(MismatchError, match="fibre_pct"):
        judged(wrong, THREE, np.array([40.0, 30.0, 30.0]))


def test_certain_means_that_hard_limits_hold_at_the_far_end_of_every_range():
    use = USES["hearth-loaf"]
    sure = Wishes(use, candidates=BINS, robust=True, aims=(Aim.MOST_PROTEIN,))
    best = found(sure, LIBRARY)[0]
    for band in best.fit.bands:
        e = best.analysis.metrics[band.band.metric]
        assert e.low >= band.band.hard_low - 1e-9 or band.band.hard_low <= 0
        assert e.high <= band.band.hard_high + 1e-9 or band.band.hard_high in (5, 100)


def test_bands_on_ratios_are_kept_and_their_margin_is_sought():
    bands = (BandChange("amylose_pct_of_starch", hard_low=12, good_low=16, good_high=22, hard_high=28),)
    wishes = Wishes(USES["scone"], Limits(bands=bands), candidates=BINS[:-1], aims=(Aim.NEAREST,))
    best = found(wishes, LIBRARY)[0]
    amylose = best.analysis.metrics["amylose_pct_of_starch"].typical
    assert best.score == 100
    assert 16 + 6 * best.margin - 1e-6 <= amylose <= 22 - 6 * best.margin + 1e-6
    without = found(replace(wishes, limits=Limits()), LIBRARY)[0]
    assert best.margin <= without.margin + 1e-6


def test_grams_per_cup_can_be_a_wish_too():
    bands = (BandChange("cup_g", hard_low=130, good_low=135, good_high=140, hard_high=145),)
    wishes = Wishes(USES["pancake"], Limits(bands=bands), candidates=BINS, aims=(Aim.NEAREST,))
    best = found(wishes, LIBRARY)[0]
    assert 130 <= best.analysis.metrics["cup_g"].typical <= 145


def test_when_the_time_is_up_the_best_so_far_comes_with_its_gap():
    left = iter([5.0, *([0.3] * 3), *([0.0] * 10_000)])
    effort = Effort(seconds_left=lambda: next(left))
    wishes = Wishes(USES["scone"], Limits(max_bins=6), aims=(Aim.NEAREST, Aim.MOST_FIBRE, Aim.MILDEST))
    results = list(propose(problem_of(wishes, LIBRARY), LIBRARY, effort))
    assert results
    assert all(isinstance(r, Skipped) or r.gap >= 0 for r in results)
    assert any(isinstance(r, Skipped) and r.why == "the time was up" for r in results) or any(
        isinstance(r, Proposal) and r.gap > 1e-6 for r in results
    )


@pytest.mark.parametrize(
    ("changes", "place"),
    [
        ({"candidates": ("sorghum-flur",)}, "/candidates/0"),
        ({"candidates": ("psyllium-husk",)}, "/candidates/0"),
        ({"lock": {"teff-flour": 120.0}}, "/lock/teff-flour"),
        ({"require": {"teff-flour": Share(60, 20)}}, "/require/teff-flour"),
        ({"binder": {"teff-flour": 5.0}}, "/binder/teff-flour"),
        ({"binder": {"psyllium-husk": math.inf}}, "/binder/psyllium-husk"),
        ({"limits": Limits(exclude=("nothing",))}, "/exclude/0"),
        ({"step_pct": -1.0}, "/step_pct"),
        ({"batch_g": 1.0}, "/batch_g"),
        ({"fit_slack": 101.0}, "/fit_slack"),
    ],
)
def test_a_wish_that_cannot_be_is_refused_with_its_place(changes, place):
    with pytest.raises(BadInputError) as caught:
        problem_of(Wishes(USES["tin-loaf"], **changes), LIBRARY)
    assert caught.value.place == place


def test_mass_moved_and_difference_are_what_one_counts_by_hand():
    a, b = np.array([50.0, 50.0, 0.0]), np.array([40.0, 50.0, 10.0])
    assert moved_pct(a, b) == 10
    assert not differs(a, b)  # ten of mass, one bin
    assert differs(a, np.array([35.0, 50.0, 15.0]))
    assert not differs(np.array([97.0, 3.0, 0.0]), np.array([97.0, 0.0, 3.0]))  # two bins, but a near-copy

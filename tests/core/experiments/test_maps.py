"""The cautious map against its worked case, the knowledge gradient, the stop rule, and how surely intervals hold."""

import json
from pathlib import Path

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy import integrate, stats

from fallow_sieve.core.experiments.best import best_of, gain_on, may_be_best, point_of
from fallow_sieve.core.experiments.candidates import grid
from fallow_sieve.core.experiments.designs import Asked
from fallow_sieve.core.experiments.maps import Noted, basis_over, log_normal, map_of, solve
from fallow_sieve.core.experiments.next_bake import gain_of_lines, gains, next_bakes
from fallow_sieve.core.experiments.regions import Region
from fallow_sieve.core.experiments.stopping import Advice, stop_rule
from fallow_sieve.core.experiments.study import Baked, WhereSay, checks_of, fits_of, read, study_of
from fallow_sieve.core.experiments.terms import Model
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.experiments.telling import planned

CASES = Path(__file__).parents[2] / "cases" / "experiments"
MAP, _, GRADIENT = json.loads((CASES / "map_and_design.json").read_text("utf-8"))["cases"]
WHOLE = Region(tuple("abc"), (0.0, 0.0, 0.0), (1.0, 1.0, 1.0))
SMALL = Region(("sorghum", "teff", "starch"), (0.2, 0.0, 0.15), (0.6, 0.4, 0.5))


def yarn():
    points = json.loads((CASES / "mixture_yarn.json").read_text("utf-8"))["points"]
    rows = [(p["x"], y) for p in points for y in p["y"]]
    return np.array([r[0] for r in rows], float), np.array([r[1] for r in rows])


def test_the_worked_map_of_the_yarn():
    x, y = yarn()
    basis, prior = basis_over(grid(WHOLE, 0.05)), MAP["prior"]
    noise = prior["noise_variance"]
    variances = np.array([prior["level_sd"] ** 2, *[prior["tilt_variance_each"]] * 2, *[4 / 3] * 3]) / noise
    found = solve(basis.at(x), y - prior["mean"], variances, np.ones(len(y)))
    at = basis.at(np.array(MAP["at"]))
    assert prior["mean"] + at @ found.mean == pytest.approx(MAP["mean"], abs=1e-6)
    assert np.sqrt(noise * np.einsum("ij,jk,ik->i", at, found.cov, at)) == pytest.approx(MAP["sd"], abs=1e-6)
    assert log_normal(found, len(y), noise) == pytest.approx(MAP["log_marginal_likelihood"], abs=1e-6)


@pytest.mark.parametrize("region", [WHOLE, SMALL, Region(("a", "b"), (0.1, 0.2), (0.8, 0.9))])
def test_the_basis_is_orthonormal_over_this_region(region):
    points = grid(region)
    columns = basis_over(points).at(points)
    assert columns.T @ columns / len(points) == pytest.approx(np.eye(columns.shape[1]), abs=1e-9)


def test_the_worked_knowledge_gradient():
    found = gain_of_lines(np.array(GRADIENT["means"]), np.array(GRADIENT["shifts"]))
    assert found == pytest.approx(GRADIENT["expected"], abs=1e-8)


@given(st.lists(st.tuples(st.floats(-2, 2), st.floats(-2, 2)), min_size=1, max_size=8))
def test_the_gradient_is_the_integral_over_what_the_bake_may_say(lines):
    a, b = np.array([x for x, _ in lines]), np.array([x for _, x in lines])
    z = np.linspace(-9, 9, 20_001)
    whole = integrate.trapezoid((a[:, None] + b[:, None] * z).max(axis=0) * stats.norm.pdf(z), z) - a.max()
    assert gain_of_lines(a, b) == pytest.approx(whole, abs=1e-5)
    assert gain_of_lines(a, b) >= -1e-12


def baked(region, truth, noise=0.3, bakes=9, seed=3, days=3):
    random = np.random.default_rng(seed)
    today = region_middle(region)
    runs = planned(study_of(region, (), today), bakes, days, 1)
    return study_of(
        region,
        [Baked(r.x, float(truth(np.array(r.x)) + random.normal(0, noise)), r.day, number=r.order) for r in runs],
        today,
    )


def region_middle(region):
    points = grid(region)
    return tuple(points[((points - points.mean(axis=0)) ** 2).sum(axis=1).argmin()])


def peak(x):
    return 7 - 12 * ((x - np.array([0.45, 0.15, 0.40])) ** 2).sum()


def test_a_plain_peak_is_found_and_today_is_told_from_it():
    study = baked(SMALL, peak)
    found = read(study, WhereSay(SMALL.names), 3)
    assert np.abs(np.array(found.best.x) - [0.45, 0.15, 0.40]).max() < 0.1
    assert found.best.low < peak(np.array(found.best.x)) < found.best.high
    known = study.map
    gain = gain_on(known, found.best, np.array(study.today))
    at_best, at_today = point_of(known, np.array(found.best.x)), point_of(known, np.array(study.today))
    assert gain.more == pytest.approx(at_best.mean - at_today.mean)
    assert ("not yet shown" in gain.say) == (gain.sure < 0.95)


def test_three_next_bakes_of_a_day_are_not_one_bake_thrice():
    study = baked(SMALL, peak, bakes=6, days=2)
    chosen = next_bakes(study.map, study.drawn_over, study.candidates, 3)
    assert len({i for i, _ in chosen}) > 1
    first = gains(study.map, study.drawn_over, study.candidates)
    assert chosen[0][1] == pytest.approx(first.max())
    assert chosen[0][1] >= chosen[1][1] >= chosen[2][1] - 1e-9


def test_more_bakes_and_a_known_noise_tell_more_surely():
    few, many = baked(SMALL, peak, bakes=6, days=2), baked(SMALL, peak, bakes=12, days=3)
    assert many.map.at(many.grid)[1].mean() < few.map.at(few.grid)[1].mean()


def test_a_bake_with_its_own_large_error_counts_less():
    x = [(0.4, 0.2, 0.4), (0.6, 0.1, 0.3), (0.3, 0.3, 0.4)]
    sure = study_of(SMALL, [Baked(p, y) for p, y in zip(x, (6.0, 8.0, 5.0), strict=True)], x[0])
    vague = study_of(SMALL, [Baked(x[0], 6.0), Baked(x[1], 8.0, se=3.0), Baked(x[2], 5.0)], x[0])
    at = np.array([x[1]])
    assert vague.map.at(at)[0][0] < sure.map.at(at)[0][0]


def test_a_failed_bake_is_shown_and_not_fitted():
    study = study_of(SMALL, [Baked((0.4, 0.2, 0.4), 6.0), Baked((0.6, 0.1, 0.3), None), Baked((0.3, 0.3, 0.4), 5.0)])
    assert (len(study.baked), len(study.fitted), study.map.bakes) == (3, 2, 2)
    with pytest.raises(BadInputError, match="no map yet"):
        read(study_of(SMALL, [Baked((0.4, 0.2, 0.4), 6.0)]), WhereSay(SMALL.names))


def test_the_region_of_the_best_holds_nine_draws_of_ten():
    study = baked(SMALL, peak)
    points = study.drawn_over
    kept = may_be_best(study.map, points)
    drawn = study.map.draws(points, 2000)
    assert 0.88 <= kept[drawn.argmax(axis=0)].mean() <= 0.98
    assert kept[((points - np.array(best_of(study.map, points).x)) ** 2).sum(axis=1).argmin()]


def test_the_stop_rule_in_its_three_sentences():
    stop = stop_rule(0.2, 0.05, 1.0, "a 50", 8)
    assert stop.say == "Stop: another bake would move the answer by less than your taste can tell (about 0.2)."
    noise = stop_rule(0.4, 0.01, 1.0, "a 50", 8)
    assert noise.advice is Advice.NOISE
    assert noise.say.startswith("More bakes like these will hardly help: what is left is noise.")
    on = stop_rule(0.5, 0.1, 1.0, "sorghum 17, teff 14 % of flour", 10)
    assert on.say == "0.5 points of liking may still be gained; next bake: sorghum 17, teff 14 % of flour."
    assert on.ask


def test_what_has_to_be_known_beside_the_map():
    few = study_of(SMALL, [Baked((0.4, 0.2, 0.4), 6.0), Baked((0.6, 0.1, 0.3), 5.0)])
    assert checks_of(few) == [
        "6 terms from 2 bakes, on 1 day, 0 replicate pairs.",
        "Under two replicate pairs: noise is assumed, and what the fit misses cannot be told.",
    ]
    assert list(fits_of(few)) == []
    assert Model.LINEAR in fits_of(baked(SMALL, peak, bakes=6, days=2))


def test_the_interval_holds_in_simulated_kitchens():
    """Nine times in ten, within what eighty seeded surfaces can say."""
    random, over, held = np.random.default_rng(8), grid(SMALL, 0.05), []
    for n in range(80):
        tilt, bend = random.normal(0, 1.2, 3), random.uniform(-25, 5)
        middle = over[random.integers(len(over))]
        study = baked(SMALL, lambda x, t=tilt, b=bend, m=middle: 6 + t @ x + b * ((x - m) ** 2).sum(), 0.5, 8, n, 2)
        mean, se = study.map.at(over)
        truth = np.array([6 + tilt @ x + bend * ((x - middle) ** 2).sum() for x in over])
        held.append(float((np.abs(truth - mean) <= 1.96 * se).mean()))
    assert 0.86 <= np.mean(held) <= 0.98


def test_a_map_of_days_does_not_take_a_day_for_a_blend():
    rows = [((0.6, 0.1, 0.3), 1, 5.0), ((0.4, 0.2, 0.4), 1, 5.0), ((0.4, 0.2, 0.4), 2, 7.0), ((0.3, 0.3, 0.4), 2, 7.0)]
    told = study_of(SMALL, [Baked(x, y, d) for x, d, y in rows], (0.4, 0.2, 0.4))
    mean, _ = told.map.at(np.array([[0.6, 0.1, 0.3], [0.3, 0.3, 0.4]]))
    alone = study_of(SMALL, [Baked(x, y) for x, _, y in rows], (0.4, 0.2, 0.4))
    without, _ = alone.map.at(np.array([[0.6, 0.1, 0.3], [0.3, 0.3, 0.4]]))
    assert abs(mean[1] - mean[0]) < abs(without[1] - without[0])
    noted = Noted(told.basis.at(told.points), told.y, np.ones(4), np.zeros(4), np.zeros(4))
    assert map_of(told.basis, noted, 1.0).bakes == 4
    assert Asked(4, 1, 1, np.zeros(3)).bakes == 4

"""Least squares against printed and certified values; what it does not depend on."""

import json
from pathlib import Path

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.experiments.fitting import fit, replicate_groups, replicate_pairs
from fallow_sieve.core.experiments.regions import Region
from fallow_sieve.core.experiments.terms import Model, day_columns, pseudo, scheffe, term_count, term_names
from fallow_sieve.core.values import BadInputError

CASES = Path(__file__).parents[2] / "cases" / "experiments"


def case(name):
    return json.loads((CASES / f"{name}.json").read_text(encoding="utf-8"))


def yarn():
    given_ = case("mixture_yarn")
    rows = [(p["x"], y) for p in given_["points"] for y in p["y"]]
    return given_, np.array([r[0] for r in rows], float), np.array([r[1] for r in rows])


def test_the_yarn_is_as_printed():
    told, x, y = yarn()
    found, printed = fit(scheffe(x, Model.QUADRATIC), y, x), told["published"]
    assert np.round(found.coefficients, 1) == pytest.approx(list(printed["coefficients"].values()))
    assert [round(v, 1) for v in found.se[:3]] == [0.6, 0.6, 0.6]
    assert [round(v, 2) for v in found.se[3:]] == [2.61, 2.61, 2.61]
    assert (round(found.regression.ss, 1), round(found.residual.ss, 2), round(found.total.ss, 2)) == (
        128.3,
        6.56,
        134.86,
    )
    assert (found.regression.df, found.residual.df, found.total.df) == (5, 9, 14)
    computed = told["computed"]
    for name, value in (("f", "F"), ("r2", "r2"), ("adjusted_r2", "r2_adjusted"), ("press", "press"),
                        ("predicted_r2", "r2_predicted"), ("rmse", "rmse")):  # fmt: skip
        assert getattr(found, name) == pytest.approx(computed[value], abs=5e-9)
    assert found.lack_of_fit.f is None  # saturated on six points
    assert found.lack_of_fit.pure.df == 9


def test_a_linear_fit_of_the_yarn_lacks():
    told, x, y = yarn()
    found, linear = fit(scheffe(x, Model.LINEAR), y, x), told["computed"]["linear"]
    assert found.coefficients == pytest.approx(linear["coefficients"], abs=1e-9)
    lack = found.lack_of_fit
    assert (lack.lack.ss, lack.pure.ss) == pytest.approx((linear["lack_of_fit"]["ss"], 6.56))
    assert (lack.lack.df, lack.pure.df) == (3, 9)
    assert lack.f == pytest.approx(linear["lack_of_fit"]["F"])
    assert lack.p == pytest.approx(linear["lack_of_fit"]["p"], abs=1e-9)


def test_the_flare_says_that_its_fit_predicts_worse_than_the_mean():
    flare = case("mixture_region")["cases"][0]
    x = np.array(
        [*flare["published_vertices"], *flare["published_face_centroids"], flare["published_overall_centroid"]]
    )
    found, told = (
        fit(scheffe(x, Model.QUADRATIC), np.array(flare["illumination"], float), x),
        flare["computed_quadratic"],
    )
    wanted = [told["coefficients"][k] for k in ("1", "2", "3", "4", "12", "13", "14", "23", "24", "34")]
    assert found.coefficients == pytest.approx(wanted, abs=1e-3)
    assert found.predicted_r2 == pytest.approx(told["r2_predicted"], abs=1e-6)
    assert found.r2 == pytest.approx(told["r2"], abs=1e-9)


@pytest.mark.parametrize("given_", case("nist_linear")["cases"][:2], ids=lambda c: c["name"])
def test_certified_values_to_ten_digits(given_):
    data, certified = np.array(given_["data"]), given_["certified"]
    found = fit(np.column_stack([np.ones(len(data)), data[:, 1:]]), data[:, 0])
    assert found.coefficients == pytest.approx(certified["b"], rel=1e-10)
    assert found.se == pytest.approx(certified["sd"], rel=1e-10)
    assert found.rmse == pytest.approx(certified["residual_sd"], rel=1e-10)
    assert found.r2 == pytest.approx(certified["r2"], rel=1e-10)
    assert found.f == pytest.approx(certified["F"], rel=1e-9)


def test_an_exact_polynomial_is_found_again():
    x = np.arange(21.0)
    columns = np.column_stack([x**k for k in range(6)])
    assert fit(columns, columns.sum(axis=1)).coefficients == pytest.approx(np.ones(6), rel=1e-7)


@given(st.integers(0, 10**6))
def test_what_is_fitted_does_not_depend_on_the_coding(seed):
    random = np.random.default_rng(seed)
    region = Region(tuple("abc"), (0.2, 0.1, 0.05), (0.7, 0.6, 0.6))
    x = 0.35 * random.dirichlet(np.ones(3), 12) + np.array(region.low) + 0.1
    x /= x.sum(axis=1, keepdims=True)
    y = random.normal(6, 1, 12)
    real, coded = fit(scheffe(x, Model.QUADRATIC), y, x), fit(scheffe(pseudo(region, x), Model.QUADRATIC), y, x)
    assert real.fitted == pytest.approx(coded.fitted, abs=1e-6)
    assert real.residual.ss == pytest.approx(coded.residual.ss, abs=1e-6)
    # PRESS is what each bake is missed by when it is left out
    left = []
    for i in range(12):
        keep = np.arange(12) != i
        b = np.linalg.lstsq(scheffe(x[keep], Model.QUADRATIC), y[keep], rcond=None)[0]
        left.append(y[i] - float((scheffe(x[i], Model.QUADRATIC) @ b)[0]))
    assert real.press == pytest.approx(sum(v**2 for v in left), rel=1e-5)


def test_replicates_are_told_by_their_points():
    points = np.array([[0.2, 0.8], [0.5, 0.5], [0.2, 0.8], [0.2, 0.8]])
    assert replicate_groups(points) == [[0, 2, 3], [1]]
    assert replicate_pairs(points) == 2


def test_terms_are_counted_and_named():
    assert [term_count(q, Model.QUADRATIC) for q in (2, 3, 4)] == [3, 6, 10]
    assert term_names(("a", "b", "c"), Model.SPECIAL_CUBIC)[-1] == "a*b*c"
    assert day_columns(np.array([1, 1, 2, 3])).tolist() == [[1, 0], [1, 0], [0, 1], [-1, -1]]
    assert day_columns(np.array([1, 1])).shape == (2, 0)


def test_bakes_that_do_not_tell_terms_apart_are_said():
    x = np.array([[0.5, 0.5]] * 4)
    with pytest.raises(BadInputError, match="terms apart"):
        fit(scheffe(x, Model.LINEAR), np.array([1.0, 2.0, 3.0, 4.0]))

"""Corners, edges and faces as published, by another road (Qhull), and what is no region."""

import itertools
import json
from pathlib import Path

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.spatial import HalfspaceIntersection, QhullError

from fallow_sieve.core.experiments.candidates import candidates, centroid, grid, thinned, to_scale
from fallow_sieve.core.experiments.regions import Region, Row, check_region, corners, edges, faces
from fallow_sieve.core.values import BadInputError

FLARE, BANDS = json.loads(
    (Path(__file__).parents[2] / "cases/experiments/mixture_region.json").read_text(encoding="utf-8")
)["cases"]


def region(low, high, *rows):
    return Region(tuple("abcd"[: len(low)]), tuple(low), tuple(high), rows)


def flare():
    return region(FLARE["lower"], FLARE["upper"])


def banded():
    rows = (Row(tuple(r["coefficients"]), r["low"], r["high"], f"band {n}") for n, r in enumerate(BANDS["rows"]))
    return region(BANDS["lower"], BANDS["upper"], *rows)


def same_points(found, wanted, near=1e-7):
    assert len(found) == len(wanted)
    assert all(np.abs(np.asarray(found) - w).max(axis=1).min() < near for w in wanted)


def test_the_flare_has_its_published_corners_edges_faces_and_middle():
    found = flare()
    same_points(corners(found), FLARE["published_vertices"])
    assert (len(edges(found)), len(faces(found))) == (12, 6)
    same_points([corners(found)[list(f)].mean(axis=0) for f in faces(found)], FLARE["published_face_centroids"])
    assert centroid(found) == pytest.approx(FLARE["published_overall_centroid"])


def test_bands_cut_corners_as_worked_out():
    same_points(corners(banded()), BANDS["vertices"], 1e-7)
    assert len(edges(banded())) == len(BANDS["vertices"])  # a polygon


@given(st.lists(st.tuples(st.floats(0, 0.3), st.floats(0.35, 1)), min_size=3, max_size=4), st.integers(0, 10**6))
def test_qhull_finds_the_same_corners(limits, seed):
    random = np.random.default_rng(seed)
    low, high = zip(*limits, strict=True)
    row = Row(tuple(random.uniform(0, 10, len(low))), None, float(random.uniform(3, 9)), "row")
    found = region(low, high, row)
    if sum(low) >= 1 or sum(high) <= 1 or not len(corners(found)):
        return
    # in the first q − 1 shares, the last being 1 − their sum
    g = found.g[:, :-1] - found.g[:, -1:]
    h = found.h - found.g[:, -1]
    inner = corners(found).mean(axis=0)[:-1]
    if (h - g @ inner).min() < 1e-4:
        return  # flat: Qhull has no inner point
    try:
        theirs = HalfspaceIntersection(np.column_stack([g, -h]), inner).intersections
    except QhullError:
        return
    theirs = np.column_stack([theirs, 1 - theirs.sum(axis=1)])
    mine = corners(found)
    assert all(np.abs(mine - t).max(axis=1).min() < 1e-6 for t in theirs)
    assert all(np.abs(theirs - m).max(axis=1).min() < 1e-6 for m in mine)


def test_a_flat_region_has_its_corners_too():
    found = region([0.2, 0.3, 0.1], [0.2, 0.6, 0.5])
    same_points(corners(found), [[0.2, 0.3, 0.5], [0.2, 0.6, 0.2]])


@pytest.mark.parametrize(
    ("low", "high", "rows", "place"),
    [
        ([0.5, 0.4, 0.3], [1, 1, 1], (), "/parts"),
        ([0, 0, 0], [0.3, 0.3, 0.3], (), "/parts"),
        ([0.5, 0.3, 0.2], [0.6, 0.4, 0.3], (), "/parts"),
        ([0.5], [1], (), "/parts"),
        ([0, 0], [1, 1], (Row((1.0, 1.0), None, 0.5, "sum"),), "/rows"),
        ([0.6, 0.1], [0.4, 1], (), "/parts/0"),
    ],
)
def test_what_is_no_region_is_said_by_its_place(low, high, rows, place):
    with pytest.raises(BadInputError) as raised:
        check_region(region(low, high, *rows))
    assert str(raised.value).startswith(place)


def test_a_row_that_shuts_everything_out_is_named():
    with pytest.raises(BadInputError, match="keeps fibre between its walls"):
        check_region(region([0.2, 0.2], [0.8, 0.8], Row((10.0, 10.0), 20.0, None, "fibre")))


@pytest.mark.parametrize("made", [flare, banded, lambda: region([0.1, 0.1], [0.9, 0.8])])
def test_everything_that_may_be_baked_lies_inside(made):
    found = made()
    for points in (candidates(found), grid(found)):
        assert found.holds(points, 1e-7).all()
        assert points.sum(axis=1) == pytest.approx(np.ones(len(points)))
    assert len({tuple(np.round(p, 7)) for p in candidates(found)}) == len(candidates(found))


def test_the_grid_is_a_hundredth_apart_and_finer_where_there_is_little_room():
    whole = region([0, 0, 0], [1, 1, 1])
    assert len(grid(whole)) == 5151
    small = region([0.30, 0.30, 0.34], [0.33, 0.33, 0.37])
    assert len(grid(small)) >= 60
    assert len(thinned(grid(whole), 1400)) <= 1400 + 8


@given(st.floats(0, 1), st.floats(0, 1), st.sampled_from([1.0, 5.0]), st.sampled_from([300.0, 650.0]))
def test_what_is_weighed_keeps_its_sum_and_stays_inside(u, v, step, total):
    found = banded()
    points = corners(found)
    a, b = sorted((u, v))
    x = a * points[0] + (b - a) * points[2] + (1 - b) * points[4]
    weighed = to_scale(found, x, total, step)
    assert found.holds(weighed, 1e-6).all()
    assert weighed.sum() == pytest.approx(1)
    grams = weighed * round(total / step)
    assert grams == pytest.approx(np.round(grams))
    # no mix that can be weighed lies nearer
    units = round(total / step)
    for d in itertools.product((-1, 0, 1), repeat=2):
        other = np.round(x * units)
        other[:2] += d
        other[2] = units - other[:2].sum()
        if found.holds(other / units, 1e-7).all():
            assert np.abs(other / units - x).sum() >= np.abs(weighed - x).sum() - 1e-9


def test_a_scale_that_is_too_coarse_is_said():
    with pytest.raises(BadInputError, match="/scale"):
        to_scale(region([0.30, 0.30, 0.34], [0.33, 0.33, 0.37]), np.array([0.32, 0.32, 0.36]), 100.0, 25.0)
